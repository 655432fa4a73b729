// A plan written as captions, as it is given to a player, and taken in again: the same notes.

#include "brief.h"
#include "captions/draft.h"
#include "export/captions_out.h"
#include "stage/stage.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <array>
#include <random>
#include <string>
#include <vector>

using namespace brumefall;

namespace {

/// How a crew says its notes.
struct School {
    notes::Order order = notes::Order::direction_first;
    notes::Scale scale = notes::Scale::ascending;
    bool advice = false;

    friend std::ostream& operator<<(std::ostream& out, const School& school)
    {
        return out << (school.order == notes::Order::direction_first ? "direction" : "number") << " first, "
                   << (school.scale == notes::Scale::ascending ? "6" : "1") << " fastest, "
                   << (school.advice ? "with" : "without") << " advice";
    }
};

class Written {
public:
    Written(const School& school, unsigned seed)
        : school_(school)
        , random_(seed)
    {
    }

    std::string stage(int calls)
    {
        std::string text;
        for (int c = 0; c < calls; ++c) {
            const int corners = 1 + (chance(0.4) ? 1 : 0) + (chance(0.2) ? 1 : 0);
            for (int k = 0; k < corners; ++k) {
                text += (k == 0 ? "" : " into ") + corner();
            }
            text += " " + std::to_string(pick(std::array{30, 40, 50, 60, 80, 100, 150, 200})) + "\n";
        }
        return text + "finish\n";
    }

private:
    bool chance(double share) { return std::uniform_real_distribution(0.0, 1.0)(random_) < share; }
    template <typename List> typename List::value_type pick(const List& list)
    {
        return list[std::uniform_int_distribution<std::size_t>(0, std::size(list) - 1)(random_)];
    }
    std::string grade(int number)
    {
        static const std::array<const char*, 7> kWords{"", "one", "two", "three", "four", "five", "six"};
        return kWords.at(static_cast<std::size_t>(number));
    }
    /// What is said of a corner that goes from `fast` to a slower one.
    std::string shape(int number)
    {
        const bool ascending = school_.scale == notes::Scale::ascending;
        const int slower = ascending ? number - 1 : number + 1;
        return slower < 1 || slower > 6 ? std::string() : " tightens " + grade(slower);
    }
    std::string corner()
    {
        const int number = 1 + static_cast<int>(random_() % 6);
        const std::string side = chance(0.5) ? "left" : "right";
        std::string head = school_.order == notes::Order::direction_first ? side + " " + grade(number)
                                                                          : grade(number) + " " + side;
        if (chance(0.1)) {
            head = school_.order == notes::Order::direction_first ? side + " hairpin" : "hairpin " + side;
            return (chance(0.3) ? "caution " : "") + head;
        }
        head += pick(std::array<const char*, 5>{"", "", "", " plus", " minus"});
        head += chance(0.2) ? " long" : chance(0.2) ? shape(number) : "";
        head += pick(std::array<const char*, 8>{
            "", "", "", "", " over crest", " over small jump", " over bridge", " through gate"});
        if (school_.advice && chance(0.3)) {
            head += pick(std::array<const char*, 4>{" don't cut", " cut", " keep in", " slippery"});
        }
        return head;
    }

    School school_;
    std::mt19937 random_;
};

std::vector<std::string> meaningOf(const notes::ParsedNotes& parsed)
{
    std::vector<std::string> out;
    for (const auto& call : parsed.calls) {
        for (const auto& note : call.notes) {
            out.push_back(support::brief(note));
        }
    }
    return out;
}

class RoundTrip : public testing::TestWithParam<School> { };

} // namespace

TEST_P(RoundTrip, NearlyEveryNoteOfAPlanComesBackWholeFromItsCaptions)
{
    constexpr int kCalls = 60;
    constexpr double kHardlyAny = 0.02;
    std::size_t notes = 0;
    std::size_t other = 0;
    for (const unsigned seed : {1U, 2U, 3U}) {
        stage::Stage stage;
        stage.text = Written(GetParam(), seed).stage(kCalls);
        const auto prepared = stage::prepare(stage, nullptr);
        const auto calls = exporting::callsOf(prepared.plan, 0.0);
        const auto draft = captions::draftNotes(captions::readCues(exporting::toWebVtt(calls), "calls.vtt"));
        EXPECT_EQ(draft.order, GetParam().order);
        EXPECT_EQ(draft.stages.size(), 1U);
        const auto again = captions::understandDraft(draft);
        EXPECT_EQ(again.style.scale, GetParam().scale);
        const auto written = meaningOf(prepared.notes);
        const auto read = meaningOf(again);
        const auto differ = std::mismatch(written.begin(), written.end(), read.begin(), read.end()).first;
        ASSERT_EQ(read.size(), written.size())
            << "seed " << seed << ", at " << (differ == written.end() ? "the end" : *differ);
        notes += written.size();
        for (std::size_t k = 0; k < written.size(); ++k) {
            other += read[k] == written[k] ? 0 : 1;
        }
    }
    EXPECT_LE(static_cast<double>(other), kHardlyAny * static_cast<double>(notes))
        << other << " of " << notes << " notes are not what they were";
}

INSTANTIATE_TEST_SUITE_P(Schools, RoundTrip,
    testing::Values(School{}, School{notes::Order::direction_first, notes::Scale::ascending, true},
        School{notes::Order::direction_first, notes::Scale::descending},
        School{notes::Order::number_first, notes::Scale::ascending},
        School{notes::Order::number_first, notes::Scale::ascending, true},
        School{notes::Order::number_first, notes::Scale::descending, true}));

TEST(RoundTrip, SubRipAndWebVttAreReadAlike)
{
    stage::Stage stage;
    stage.text = Written({}, 4).stage(40);
    const auto calls = exporting::callsOf(stage::prepare(stage, nullptr).plan, 0.0);
    const auto vtt = captions::draftNotes(captions::readCues(exporting::toWebVtt(calls), "calls.vtt"));
    const auto srt = captions::draftNotes(captions::readCues(exporting::toSubRip(calls), "calls.srt"));
    EXPECT_EQ(captions::draftText(srt, 0, srt.calls.size()), captions::draftText(vtt, 0, vtt.calls.size()));
    ASSERT_EQ(srt.calls.size(), vtt.calls.size());
    for (std::size_t c = 0; c < srt.calls.size(); ++c) {
        EXPECT_NEAR(srt.calls[c].at_s, vtt.calls[c].at_s, 0.001);
    }
}

TEST(RoundTrip, ANoteIsTakenInWhenItWasSaid)
{
    stage::Stage stage;
    stage.text = Written({}, 5).stage(30);
    const auto plan = stage::prepare(stage, nullptr).plan;
    const auto calls = exporting::callsOf(plan, 0.0);
    const auto draft = captions::draftNotes(captions::readCues(exporting::toWebVtt(calls), "calls.vtt"));
    std::vector<double> said_s;
    for (const auto& call : draft.calls) {
        for (const auto& note : call.notes) {
            said_s.push_back(note.at_s);
        }
    }
    ASSERT_EQ(said_s.size(), plan.notes.size());
    constexpr double kWithinACall_s = 0.6; // its words are spread by their syllables
    for (std::size_t k = 0; k < said_s.size(); ++k) {
        EXPECT_NEAR(said_s[k], plan.notes[k].start_s, kWithinACall_s) << plan.notes[k].spoken;
    }
}
