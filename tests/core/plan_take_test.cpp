#include "formats/plan_json.h"
#include "stage/stage.h"
#include "take/take.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <cmath>

using namespace brumefall;

namespace {

stage::Stage stageOf(const std::string& text, double length_m = 0.0)
{
    stage::Stage stage;
    stage.text = text;
    stage.official_length_m = length_m;
    return stage;
}

constexpr const char* kStage = "150 left four 60\ncaution hairpin right 80\nright six 150\nleft two into "
                               "right three into left four 100\nright five";

/// Everything read exactly as planned, recorded from go.
std::vector<take::FoundNote> readAsPlanned(const plan::Plan& plan)
{
    std::vector<take::FoundNote> found;
    for (const auto& note : plan.notes) {
        found.push_back({note.id, true, {note.start_s, note.end_s}, {}, {}, {}, false, {}});
    }
    return found;
}

} // namespace

TEST(Plan, WindowsAreInOrderAndClosesBeforeTheDriverMustAct)
{
    const auto stage = stageOf(kStage);
    const auto prepared = stage::prepare(stage, nullptr);
    ASSERT_EQ(prepared.plan.notes.size(), 7U);
    for (const auto& note : prepared.plan.notes) {
        EXPECT_LE(note.window.opens_s, note.window.ideal_s);
        EXPECT_LE(note.window.ideal_s, note.window.closes_s);
        EXPECT_NEAR(note.window.closes_s, note.act_s - stage.driver.reaction_s, 1e-9);
        EXPECT_LE(note.act_s, note.arrive_s + 1e-9);
        EXPECT_NEAR(note.lead_s, note.act_s - note.end_s, 1e-9);
    }
}

TEST(Plan, TheFirstNotesMayBeSaidFromGoAndLaterOnesNotBeforeTheDriverCanHoldThem)
{
    const auto prepared = stage::prepare(stageOf(kStage), nullptr);
    const auto& notes = prepared.plan.notes;
    const auto hold = static_cast<std::size_t>(plan::Driver{}.holds_notes);
    for (std::size_t k = 0; k < hold; ++k) {
        EXPECT_EQ(notes[k].window.opens_s, 0.0);
    }
    for (std::size_t k = hold; k < notes.size(); ++k) {
        EXPECT_NEAR(
            notes[k].window.opens_s, std::min(notes[k - hold].arrive_s, notes[k].window.closes_s), 1e-9);
    }
}

TEST(Plan, AHairpinAfterAStraightIsActedOnWhereItsBrakingBegins)
{
    const auto prepared = stage::prepare(stageOf("50 left six 300\nhairpin right 50"), nullptr);
    const auto& hairpin = prepared.plan.notes[1];
    EXPECT_LT(hairpin.action_m, hairpin.station_m - 20.0);
    const auto& pace = prepared.placement.pace;
    const double v_in = pace.speedAt(hairpin.action_m);
    const double v_corner = pace.speedAt(hairpin.station_m + 5.0);
    const double braking_m = (v_in * v_in - v_corner * v_corner) / (2.0 * plan::Driver{}.brake_m_s2);
    EXPECT_NEAR(hairpin.station_m - hairpin.action_m, braking_m, 0.35 * braking_m);
}

TEST(Plan, ALongerLeadIsSpokenSooner)
{
    auto stage = stageOf(kStage);
    const auto before = stage::prepare(stage, nullptr).plan;
    stage.driver.slow_s += 1.0;
    const auto after = stage::prepare(stage, nullptr).plan;
    EXPECT_LT(after.notes[1].end_s, before.notes[1].end_s - 0.5);
    EXPECT_NEAR(after.notes[2].end_s, before.notes[2].end_s, 0.5);
}

TEST(Plan, CallsNeverOverlapAndKeepABreathBetweenThem)
{
    const auto stage = stageOf(kStage);
    const auto plan = stage::prepare(stage, nullptr).plan;
    for (std::size_t c = 1; c < plan.calls.size(); ++c) {
        EXPECT_GE(plan.calls[c].start_s, plan.calls[c - 1].end_s + stage.reader.breath_s - 1e-9);
    }
    for (std::size_t k = 1; k < plan.notes.size(); ++k) {
        if (plan.notes[k].call == plan.notes[k - 1].call) {
            EXPECT_NEAR(plan.notes[k].start_s, plan.notes[k - 1].end_s + plan.notes[k - 1].gap_after_s, 1e-9);
        }
    }
}

TEST(Plan, ADenseRoadWithASlowReaderIsASqueeze)
{
    auto stage =
        stageOf("40 caution right two don't cut over crest keep left into left three minus tightens two 10\n"
                "caution hairpin left don't cut gatepost inside 10\nunseen right three plus over crest "
                "10\nleft four");
    stage.reader.rate_syll_s = 2.0;
    stage.reader.fastest_syll_s = 4.0;
    const auto plan = stage::prepare(stage, nullptr).plan;
    ASSERT_FALSE(plan.squeezes.empty());
    const auto& squeeze = plan.squeezes.front();
    EXPECT_GT(squeeze.short_s, 0.0);
    ASSERT_FALSE(squeeze.remedies.empty());
    for (std::size_t i = 1; i < squeeze.remedies.size(); ++i) {
        EXPECT_GE(squeeze.remedies[i - 1].saves_s, squeeze.remedies[i].saves_s) << "best first";
    }
    // reading at the rate that it asks for does cure it, with a reader who never wants to be late
    if (squeeze.rate_needed > 0.0) {
        stage.reader.rate_syll_s = squeeze.rate_needed * 1.25;
        stage.driver.late_penalty = 1000.0;
        EXPECT_TRUE(stage::prepare(stage, nullptr).plan.squeezes.empty());
    }
}

TEST(Plan, SaysWhichNoteHasNoPlace)
{
    const auto prepared = stage::prepare(stageOf(kStage), nullptr);
    auto placement = prepared.placement;
    placement.notes.pop_back();
    plan::PlanInput input;
    input.calls = prepared.notes.calls;
    input.placement = &placement;
    EXPECT_THROW(static_cast<void>(plan::makePlan(input)), std::invalid_argument);
}

TEST(PlanJson, ComesBackAsItWas)
{
    const auto plan = stage::prepare(stageOf(kStage), nullptr).plan;
    const auto back = formats::planFromJson(formats::planToJson(plan));
    ASSERT_EQ(back.notes.size(), plan.notes.size());
    ASSERT_EQ(back.calls.size(), plan.calls.size());
    for (std::size_t k = 0; k < plan.notes.size(); ++k) {
        EXPECT_EQ(back.notes[k].id, plan.notes[k].id);
        EXPECT_EQ(back.notes[k].end_s, plan.notes[k].end_s);
        EXPECT_EQ(back.notes[k].window.closes_s, plan.notes[k].window.closes_s);
        EXPECT_EQ(back.notes[k].status, plan.notes[k].status);
    }
}

TEST(Verdicts, ReadAsPlannedIsOnTimeWhereverThePlanIs)
{
    const auto prepared = stage::prepare(stageOf(kStage), nullptr);
    const auto verdicts =
        take::judge(prepared.plan, prepared.placement.pace, readAsPlanned(prepared.plan), {}, 500.0);
    for (std::size_t k = 0; k < verdicts.size(); ++k) {
        EXPECT_EQ(verdicts[k].timing == take::Timing::on_time,
            prepared.plan.notes[k].status == plan::Status::on_time);
        EXPECT_NEAR(verdicts[k].lead_s, prepared.plan.notes[k].lead_s, 1e-9);
        EXPECT_NEAR(verdicts[k].lead_m, prepared.plan.notes[k].lead_m, 1e-6);
        EXPECT_EQ(verdicts[k].notes_ahead, prepared.plan.notes[k].notes_ahead);
    }
}

TEST(Verdicts, LateMissedRepeatedAndHesitatingAreToldApart)
{
    const auto prepared = stage::prepare(stageOf(kStage), nullptr);
    auto found = readAsPlanned(prepared.plan);
    found[1].span.end_s = prepared.plan.notes[1].window.closes_s + 0.6;
    found[2].read = false;
    found[3].repeats.push_back({60.0, 61.0});
    found[4].hesitations.push_back({1.0, 1.5});
    found[5].restarted = true;
    const auto v = take::judge(prepared.plan, prepared.placement.pace, found, {}, 500.0);
    EXPECT_EQ(v[1].timing, take::Timing::late);
    EXPECT_NEAR(v[1].off_s, 0.6, 1e-9);
    EXPECT_EQ(v[2].timing, take::Timing::missed);
    EXPECT_FALSE(v[2].outside_take);
    EXPECT_TRUE(v[3].repeated);
    EXPECT_TRUE(v[4].hesitated);
    EXPECT_TRUE(v[5].corrected);
    const auto f = take::figures(prepared.plan, v);
    EXPECT_EQ(f.late, 1);
    EXPECT_EQ(f.missed, 1);
    EXPECT_EQ(f.judged, 7);
}

TEST(Verdicts, NotesBeforeAndAfterTheRecordingAreNotMissed)
{
    const auto prepared = stage::prepare(stageOf(kStage), nullptr);
    std::vector<take::FoundNote> none(prepared.plan.notes.size());
    for (std::size_t k = 0; k < none.size(); ++k) {
        none[k].id = prepared.plan.notes[k].id;
    }
    const double begins_s = prepared.plan.notes[2].start_s - 1.0;
    const double ends_s = prepared.plan.notes[4].window.closes_s + 0.5;
    const auto v =
        take::judge(prepared.plan, prepared.placement.pace, none, {begins_s, 1.0}, ends_s - begins_s);
    EXPECT_TRUE(v[0].outside_take);
    EXPECT_FALSE(v[3].outside_take);
    EXPECT_TRUE(v[6].outside_take);
}

TEST(Verdicts, ATakeBegunWithinACallAsksForNoneOfItAtOnce)
{
    const auto prepared =
        stage::prepare(stageOf("60 left three long over crest into right four 200\nleft six"), nullptr);
    const plan::Plan& plan = prepared.plan;
    ASSERT_EQ(plan.notes[0].call, plan.notes[1].call);
    ASSERT_NE(plan.notes[1].call, plan.notes[2].call);
    std::vector<take::FoundNote> none(plan.notes.size());
    for (std::size_t k = 0; k < none.size(); ++k) {
        none[k].id = plan.notes[k].id;
    }
    const auto begunBefore = [&](std::size_t note, double by_s) {
        return take::judge(
            plan, prepared.placement.pace, none, {plan.notes[note].start_s - by_s, 1.0}, 100.0);
    };
    EXPECT_TRUE(begunBefore(1, 0.5)[1].outside_take);
    EXPECT_FALSE(begunBefore(2, 0.5)[2].outside_take) << "a call of its own can be begun in time";
    auto said = none;
    said[1].read = true;
    said[1].span = {0.6, 1.6};
    const auto heard =
        take::judge(plan, prepared.placement.pace, said, {plan.notes[1].start_s - 0.5, 1.0}, 100.0);
    EXPECT_FALSE(heard[1].outside_take) << "who comes in at once is judged";
}

TEST(Figures, AReaderWhoFallsBehindDrifts)
{
    const auto prepared = stage::prepare(stageOf(kStage), nullptr);
    auto found = readAsPlanned(prepared.plan);
    for (auto& note : found) {
        note.span.start_s *= 1.02;
        note.span.end_s *= 1.02;
    }
    const auto v = take::judge(prepared.plan, prepared.placement.pace, found, {}, 500.0);
    EXPECT_NEAR(take::figures(prepared.plan, v).drift_s_per_min, 1.2, 0.05);
}

TEST(Figures, ManyNotesTellADriftAndAFewTellNone)
{
    std::string notes = "100\n";
    for (int k = 0; k < 12; ++k) {
        notes += "left four 100\n";
    }
    const auto prepared = stage::prepare(stageOf(notes), nullptr);
    auto found = readAsPlanned(prepared.plan);
    const auto all = take::judge(prepared.plan, prepared.placement.pace, found, {}, 500.0);
    EXPECT_TRUE(take::figures(prepared.plan, all).tells_drift);
    const double end_s = found[3].span.end_s + 0.5;
    for (auto& note : found) {
        note.read = note.span.end_s < end_s;
    }
    found[3].span.start_s += 1.0;
    found[3].span.end_s += 1.0;
    const auto v = take::judge(prepared.plan, prepared.placement.pace, found, {}, end_s);
    const auto figures = take::figures(prepared.plan, v);
    EXPECT_GT(figures.drift_s_per_min, 1.0) << "as a line through them has it";
    EXPECT_FALSE(figures.tells_drift);
}

TEST(Figures, EvenIntervalsHaveNoVariability)
{
    EXPECT_EQ(take::npvi({1.0, 1.0, 1.0}), 0.0);
    EXPECT_NEAR(take::npvi({1.0, 3.0}), 100.0, 1e-9);
}

TEST(Clock, StageAndRecordingTimeAreInverse)
{
    const take::Clock clock{-3.0, 0.75};
    EXPECT_NEAR(clock.stageTime(clock.recordingTime(12.3)), 12.3, 1e-12);
}
