// Notes said again as the car comes up to them, on many random stages; and the line-up reading.

#include "plan/echoes.h"
#include "stage/stage.h"

#include <gtest/gtest.h>

#include <map>
#include <random>
#include <set>

using namespace brumefall;

namespace {

std::string randomText(std::mt19937& random, int lines)
{
    static const char* const kWarnings[]{"", "", "", "caution ", "danger "};
    static const char* const kGrades[]{"two", "three", "four", "five", "six"};
    static const int kDistances_m[]{30, 50, 80, 150, 300, 400};
    const auto pick = [&](auto& list) {
        return list[std::uniform_int_distribution<std::size_t>(0, std::size(list) - 1)(random)];
    };
    std::string text;
    for (int line = 0; line < lines; ++line) {
        text += std::string(pick(kWarnings)) + (line % 2 == 0 ? "left " : "right ") + pick(kGrades) + " "
            + std::to_string(pick(kDistances_m)) + "\n";
    }
    return text;
}

stage::Prepared planned(const std::string& text, const plan::Echoes& echoes)
{
    stage::Stage stage;
    stage.text = text;
    stage.echoes = echoes;
    stage.driver.holds_notes = 4;
    return stage::prepare(stage, nullptr);
}

} // namespace

TEST(Echoes, StandBetweenTheFirstSayingAndTheCornerAndNothingOverlaps)
{
    std::mt19937 random(21);
    int echoes = 0;
    for (int turn = 0; turn < 120; ++turn) {
        const auto prepared = planned(randomText(random, 25), {turn % 2 == 0, turn % 3 == 0 ? 0.0 : 4.0, 0});
        const auto& plan = prepared.plan;
        std::map<std::string, const plan::PlannedNote*> first;
        std::set<std::string> said_again;
        for (const auto& note : plan.notes) {
            if (note.echo_of.empty()) {
                first[note.id] = &note;
                continue;
            }
            ++echoes;
            EXPECT_TRUE(said_again.insert(note.echo_of).second) << "only once more";
            ASSERT_TRUE(first.contains(note.echo_of)) << "after the note itself";
            EXPECT_GT(note.start_s, first[note.echo_of]->end_s);
            EXPECT_NEAR(note.act_s, first[note.echo_of]->act_s, 1e-9) << "for the same corner";
        }
        for (std::size_t c = 1; c < plan.calls.size(); ++c) {
            EXPECT_GE(plan.calls[c].start_s, plan.calls[c - 1].end_s - 1e-9);
            EXPECT_EQ(plan.calls[c].first, plan.calls[c - 1].last) << "every note is in one call";
        }
        for (std::size_t k = 0; k < plan.notes.size(); ++k) {
            const auto& call = plan.calls[static_cast<std::size_t>(plan.notes[k].call)];
            EXPECT_TRUE(call.first <= k && k < call.last);
        }
    }
    EXPECT_GT(echoes, 100);
}

TEST(Echoes, OfTheDangerousOnesOnlyAreOfThose)
{
    const auto prepared = planned("left four 300\ncaution right two 300\nleft six 300\nright three 300\n"
                                  "danger left two 300\nright six 300\n",
        {true, 0.0, 0});
    for (const auto& note : prepared.plan.notes) {
        if (!note.echo_of.empty()) {
            const auto& calls = prepared.notes.calls;
            const auto source = std::find_if(calls.begin(), calls.end(),
                [&](const auto& call) { return call.notes[0].id == note.echo_of; });
            ASSERT_NE(source, calls.end());
            EXPECT_FALSE(source->notes[0].warnings.empty()) << note.text;
        }
    }
}

TEST(Echoes, AreNotPlannedWhereTheCrewSaysEachNoteOnce)
{
    std::mt19937 random(5);
    const auto prepared = planned(randomText(random, 30), {});
    EXPECT_EQ(prepared.plan.notes.size(), 30U);
    EXPECT_TRUE(prepared.plan.line_up.empty());
}

TEST(LineUp, ReadsTheFirstNotesInOrderAndEndsBeforeTheCountdown)
{
    std::mt19937 random(6);
    for (int count = 1; count < 8; ++count) {
        const auto plan = planned(randomText(random, 5), {true, 3.0, count}).plan;
        ASSERT_EQ(plan.line_up.size(), static_cast<std::size_t>(std::min(count, 5)));
        for (std::size_t k = 1; k < plan.line_up.size(); ++k) {
            EXPECT_GE(plan.line_up[k].start_s, plan.line_up[k - 1].end_s);
        }
        EXPECT_LE(plan.line_up.back().end_s, -5.0);
        EXPECT_EQ(plan.line_up.front().id, plan.notes.front().id);
    }
}

TEST(LineUp, HasNoEchoes)
{
    const auto plan = planned("caution left two 400\nright six 400\n", {true, 0.0, 5}).plan;
    for (const auto& note : plan.line_up) {
        EXPECT_FALSE(note.id.ends_with("e")) << note.spoken;
    }
}
