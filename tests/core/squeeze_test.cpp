// Squeezes: their cause, their remedies, what accepting one does; words that may go; where to breathe.

#include "notes/easier.h"
#include "notes/shorten.h"
#include "plan/grouping.h"
#include "plan/measure.h"
#include "stage/stage.h"

#include <gtest/gtest.h>

#include <random>

using namespace brumefall;

namespace {

/// A dense run after a quiet road, driven at an even speed.
struct Case {
    explicit Case(const std::string& text, double speed_m_s = 24.0, double rate = 5.0)
    {
        stage.text = text;
        stage.reader.rate_syll_s = rate;
        const auto road = stage::prepare(stage, nullptr).road;
        pass.name = "even";
        for (double s = 0.0; s <= road.length_m + 10.0; s += 10.0) {
            pass.trace.push_back({s, s / speed_m_s});
        }
        prepare();
    }
    void prepare() { prepared = stage::prepare(stage, &pass); }
    [[nodiscard]] int late() const
    {
        return static_cast<int>(std::count_if(prepared.plan.notes.begin(), prepared.plan.notes.end(),
            [](const plan::PlannedNote& n) { return n.status == plan::Status::late; }));
    }
    [[nodiscard]] const plan::Remedy* remedy(const std::string& kind) const
    {
        for (const auto& squeeze : prepared.plan.squeezes) {
            for (const auto& candidate : squeeze.remedies) {
                if (candidate.kind == kind) {
                    return &candidate;
                }
            }
        }
        return nullptr;
    }
    void accept(const plan::Remedy& remedy)
    {
        const auto chosen = remedy;
        stage = stage::withRemedy(stage, prepared.notes, chosen);
        prepare();
    }

    stage::Stage stage;
    pace::Pass pass;
    stage::Prepared prepared;
};

const char* const kDense = "left six 200\n"
                           "caution right three past old barn into left three past white gatepost 10\n"
                           "right four neat into left three past chapel into right two 10\n"
                           "left three past windmill into right three 10\n"
                           "left two into right three 100\n";

} // namespace

TEST(Squeeze, SaysItsCauseInNotesSecondsAndRate)
{
    const Case dense(kDense, 60.0, 4.0);
    ASSERT_FALSE(dense.prepared.plan.squeezes.empty());
    const auto& squeeze = dense.prepared.plan.squeezes.front();
    EXPECT_NE(squeeze.cause.find("of road; at your rate they take"), std::string::npos) << squeeze.cause;
    EXPECT_GT(squeeze.short_s, 0.0);
    EXPECT_FALSE(squeeze.remedies.empty());
    for (std::size_t r = 1; r < squeeze.remedies.size(); ++r) {
        EXPECT_GE(squeeze.remedies[r - 1].saves_s, squeeze.remedies[r].saves_s) << "best first";
    }
}

TEST(Squeeze, EveryRemedySavesAboutWhatItPromises)
{
    for (const double rate : {3.2, 4.0}) {
        const Case dense(kDense, 60.0, rate);
        for (const auto& squeeze : dense.prepared.plan.squeezes) {
            for (const auto& remedy : squeeze.remedies) {
                Case after = dense;
                after.accept(remedy);
                double worst_s = 0.0;
                bool inside = false;
                for (const auto& note : after.prepared.plan.notes) {
                    inside = inside || note.id == squeeze.first;
                    worst_s = inside ? std::max(worst_s, note.end_s - note.window.closes_s) : worst_s;
                    inside = inside && note.id != squeeze.last;
                }
                EXPECT_LT(worst_s, squeeze.short_s - 0.5 * remedy.saves_s + 0.05)
                    << rate << " " << remedy.text;
            }
        }
    }
}

TEST(Squeeze, AcceptingRemediesOneByOneTakesTheRunToOnTime)
{
    Case dense(kDense, 60.0, 4.0);
    ASSERT_GT(dense.late(), 0);
    for (int step = 0; step < 12 && !dense.prepared.plan.squeezes.empty(); ++step) {
        ASSERT_FALSE(dense.prepared.plan.squeezes.front().remedies.empty()) << "step " << step;
        dense.accept(dense.prepared.plan.squeezes.front().remedies.front());
    }
    EXPECT_EQ(dense.late(), 0);
}

TEST(Squeeze, WordsAreLeftOutLeastValuableFirstAndTheNotesKeepTheirMeaning)
{
    Case dense(kDense, 60.0, 4.0);
    const auto* drop = dense.remedy("drop");
    ASSERT_NE(drop, nullptr);
    const auto road = dense.prepared.road;
    dense.accept(*drop);
    EXPECT_EQ(dense.prepared.road.length_m, road.length_m) << "the road stays as the notes have it";
    bool shorter = false;
    for (const auto& note : dense.prepared.plan.notes) {
        shorter = shorter || dense.stage.shaping.said_as.contains(note.id)
            || dense.stage.shaping.unsaid_distance.contains(note.id);
    }
    EXPECT_TRUE(shorter);
    EXPECT_NE(dense.stage.text.find("old barn"), std::string::npos) << "the text stays whole";
}

TEST(Shorten, NeverTakesAWarningADirectionAGradeAChangeOrADontCut)
{
    const auto parsed = notes::parseNotes(
        "caution left four long tightens three over crest don't cut past old barn neat uphill 60");
    const auto& note = parsed.calls.at(0).notes.at(0);
    const auto cuts = notes::shortenings(note, {}, notes::Order::direction_first);
    ASSERT_EQ(cuts.size(), 3U);
    EXPECT_EQ(cuts[0].words, "neat");
    EXPECT_EQ(cuts[1].words, "past old barn");
    EXPECT_EQ(cuts[2].words, "uphill");
    for (const auto& cut : cuts) {
        for (const char* kept :
            {"caution", "left", "four", "long", "tightens", "three", "over crest", "don't cut"}) {
            EXPECT_NE(cut.spoken.find(kept), std::string::npos) << kept;
        }
        EXPECT_GT(cut.syllables, 0);
    }
}

std::vector<notes::Easier> easierOf(const std::string& line, const notes::Style& style = {})
{
    const auto parsed = notes::parseNotes(line, style);
    return notes::easierWords(parsed.calls.at(0).notes.at(0), style, notes::Order::direction_first);
}

TEST(Easier, FewerSyllablesSayTheSame)
{
    const auto all = easierOf("caution left four keep to the left past the barn on the right 60");
    ASSERT_FALSE(all.empty());
    EXPECT_EQ(all.front().instead_of, "keep to the left");
    EXPECT_EQ(all.front().words, "keep left");
    for (const auto& easier : all) {
        EXPECT_GT(easier.syllables, 0) << easier.words;
        const auto before =
            notes::parseNotes("caution left four keep to the left past the barn on the right");
        const auto after = notes::parseNotes(easier.spoken);
        EXPECT_TRUE(after.calls.at(0).notes.at(0).sameMeaning(before.calls.at(0).notes.at(0)))
            << easier.spoken;
    }
}

TEST(Easier, NothingThatSaysMoreIsDroppedAndNoWarningIsSaidOtherwise)
{
    for (const auto& easier : easierOf("caution left four tightens a lot big bump")) {
        EXPECT_EQ(easier.spoken.find("caution"), 0U);
        EXPECT_NE(easier.spoken.find("a lot"), std::string::npos) << easier.spoken;
        EXPECT_NE(easier.spoken.find("big"), std::string::npos) << easier.spoken;
    }
    EXPECT_TRUE(easierOf("left four").empty());
}

TEST(Remedies, ABreakChangesOnlyWhereTheLineEnds)
{
    stage::Stage stage;
    stage.text = "left four into right three 60 # barn\n\nleft two 40, right five 80";
    const auto parsed = stage::understand(stage);
    const auto split = stage::withCalls(stage, parsed, {true, true, true, true});
    EXPECT_EQ(split.text, "left four\ninto right three 60 # barn\n\nleft two 40\nright five 80");
    const auto again = stage::withCalls(split, stage::understand(split), {true, false, true, false});
    EXPECT_EQ(stage::understand(again).calls.size(), 2U);
}

TEST(Grouping, ALongChainIsCutWhereTheRoadLeavesTimeAndNoCallIsLongerThanABreath)
{
    Case chain(
        "left four 30 right three 30 left two 30 right three 200 left four 30 right three 30 left five 40",
        20.0);
    const auto proposal =
        plan::proposeGrouping(chain.prepared.plan, chain.stage.reader, 0, chain.prepared.plan.notes.size());
    ASSERT_EQ(proposal.begins.size(), 7U);
    EXPECT_TRUE(proposal.begins[4]) << "a breath on the straight";
    EXPECT_GT(proposal.changed, 0);
    chain.stage = stage::withCalls(chain.stage, chain.prepared.notes, proposal.begins);
    chain.prepare();
    for (const auto& call : chain.prepared.plan.calls) {
        EXPECT_LE(call.end_s - call.start_s, chain.stage.reader.longest_run_s + 1e-6);
    }
}

TEST(Grouping, IsNoWorseThanTheCallsAsTheyAreOnRandomStages)
{
    std::mt19937 random(12);
    const auto costOf = [](const plan::Plan& p) {
        double cost = 0.0;
        for (const auto& note : p.notes) {
            const double late = note.end_s - note.window.ideal_s;
            cost += note.weight * (late > 0.0 ? p.late_penalty : 1.0) * late * late;
        }
        return cost;
    };
    double before = 0.0;
    double after = 0.0;
    for (int round = 0; round < 40; ++round) {
        std::string text;
        for (int i = 0; i < 24; ++i) {
            text += std::string(random() % 2 == 0 ? "left " : "right ") + std::to_string(1 + random() % 6)
                + (random() % 3 == 0
                        ? " into "
                        : " " + std::to_string(10 * (2 + random() % 14)) + (random() % 2 == 0 ? "\n" : " "));
        }
        Case one(text + "left four 50", 22.0);
        before += costOf(one.prepared.plan);
        const auto proposal =
            plan::proposeGrouping(one.prepared.plan, one.stage.reader, 0, one.prepared.plan.notes.size());
        one.stage = stage::withCalls(one.stage, one.prepared.notes, proposal.begins);
        one.prepare();
        after += costOf(one.prepared.plan);
    }
    EXPECT_LT(after, 0.9 * before);
}

TEST(Shaping, ALeadOffsetMovesOneNoteAndAHoldOpensItsWindow)
{
    Case plain("left four 200 right three 200 left two 200 right five 200\nleft six 300", 22.0);
    const auto before = plain.prepared.plan.notes[2];
    plain.stage.shaping.lead_offset_s[before.id] = 0.7;
    plain.prepare();
    EXPECT_NEAR(plain.prepared.plan.notes[2].window.ideal_s, before.window.ideal_s - 0.7, 1e-9);
    const auto last = plain.prepared.plan.notes[4];
    plain.stage.shaping.holds_notes[last.id] = 4;
    plain.prepare();
    EXPECT_LT(plain.prepared.plan.notes[4].window.opens_s, last.window.opens_s);
    stage::Stage empty;
    EXPECT_FALSE(plain.stage == empty);
}

TEST(Shaping, IsKeptInTheStageFile)
{
    const auto folder = std::filesystem::temp_directory_path() / "brumefall-shaping-test";
    stage::Stage stage;
    stage.text = "left four 60";
    stage.shaping.said_as["n1"] = "left four";
    stage.shaping.unsaid_distance.insert("n1");
    stage.shaping.rate_syll_s["n1"] = 6.5;
    stage.shaping.holds_notes["n1"] = 4;
    stage.shaping.lead_offset_s["n1"] = -0.2;
    stage::writeStage(folder / "stage.brumefall", stage);
    EXPECT_EQ(stage::readStage(folder / "stage.brumefall").shaping, stage.shaping);
    plan::Driver driver;
    driver.slow_s = 3.3;
    stage::writeDriver(folder / "Ada.json", driver);
    EXPECT_EQ(stage::readDriver(folder / "Ada.json"), driver);
    std::filesystem::remove_all(folder);
}

TEST(Measure, TheReaderComesTowardsTheTakesAndStaysPutWithoutAny)
{
    const plan::Reader reader;
    EXPECT_FALSE(plan::measuredReader(reader, {}));
    const std::vector<plan::MeasuredTake> takes{{4.6, 3.0}, {4.8, 3.4}, {4.7, 3.1}};
    const auto measured = plan::measuredReader(reader, takes);
    ASSERT_TRUE(measured);
    EXPECT_NEAR(measured->rate_syll_s, (2 * reader.rate_syll_s + 3 * 4.7) / 5.0, 1e-9);
    EXPECT_GE(measured->fastest_syll_s, measured->rate_syll_s);
}

TEST(Echoes, AreCallsOfTheirOwnInThePausesAndOnlyWhereTheyFit)
{
    Case quiet(
        "left six 400\ncaution right two 40 left three 350\nhairpin left 30\nright four 300\nleft five 80",
        16.0);
    const auto before = quiet.prepared.plan;
    quiet.stage.echoes = {true, 5.0, 0};
    quiet.prepare();
    const auto& plan = quiet.prepared.plan;
    ASSERT_GT(plan.notes.size(), before.notes.size());
    bool found = false;
    for (std::size_t c = 0; c < plan.calls.size(); ++c) {
        const auto& call = plan.calls[c];
        if (c > 0) {
            EXPECT_GE(call.start_s, plan.calls[c - 1].end_s + quiet.stage.reader.breath_s - 1e-6);
        }
        for (std::size_t k = call.first; k < call.last; ++k) {
            const auto& note = plan.notes[k];
            EXPECT_EQ(note.call, static_cast<int>(c));
            if (!note.echo_of.empty()) {
                found = true;
                EXPECT_EQ(call.last - call.first, 1U);
                EXPECT_EQ(note.id, note.echo_of + "e");
                EXPECT_EQ(note.status, plan::Status::on_time) << note.spoken;
                EXPECT_NE(note.spoken.find(" now"), std::string::npos);
            }
        }
    }
    EXPECT_TRUE(found);
    quiet.stage.echoes = {};
    quiet.prepare();
    EXPECT_EQ(quiet.prepared.plan.notes.size(), before.notes.size());
}

TEST(Echoes, FollowTheCrewsOwnOrder)
{
    Case crew("four left 400\ncaution two right 300\nthree left 300 five right 100", 16.0);
    crew.stage.echoes = {true, 0.0, 0};
    crew.prepare();
    const auto& notes = crew.prepared.plan.notes;
    const auto echo =
        std::find_if(notes.begin(), notes.end(), [](const auto& n) { return !n.echo_of.empty(); });
    ASSERT_NE(echo, notes.end());
    EXPECT_EQ(echo->spoken, "two right now");
}

TEST(LineUp, IsReadBeforeTheCountdownAndStandsApart)
{
    Case crew("left four 60 right three 80\nleft two 100\nright five 60", 20.0);
    crew.stage.echoes.line_up_notes = 3;
    crew.prepare();
    const auto& line_up = crew.prepared.plan.line_up;
    ASSERT_EQ(line_up.size(), 3U);
    for (std::size_t i = 0; i < line_up.size(); ++i) {
        EXPECT_LT(line_up[i].end_s, -5.0);
        EXPECT_GT(line_up[i].end_s, line_up[i].start_s);
        EXPECT_TRUE(i == 0 || line_up[i].start_s >= line_up[i - 1].end_s);
    }
    EXPECT_EQ(crew.prepared.plan.notes.front().id, line_up.front().id) << "and said again from go";
}
