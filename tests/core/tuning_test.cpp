#include "tune/tuning.h"

#include "plan/sureness.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>

using namespace brumefall;
using namespace brumefall::tune;

namespace {

/// What a driver who wishes `wished_s` says of calls heard with leads about `set_s`, one remark in
/// `contrary_one_in` the other way round.
std::vector<Evidence> remarksOf(
    double wished_s, double set_s, int count, int contrary_one_in, std::uint32_t seed)
{
    std::mt19937 random(seed);
    std::normal_distribution<double> off_s(0.0, 0.5);
    std::normal_distribution<double> mind_s(0.0, 0.1);
    std::vector<Evidence> all;
    while (static_cast<int>(all.size()) < count) {
        Evidence one{plan::LeadClass::slow, Word::good, set_s + off_s(random), set_s};
        const double short_s = wished_s + mind_s(random) - one.lead_s;
        one.says = short_s > 0.25 ? Word::earlier : short_s < -0.25 ? Word::later : Word::good;
        if (contrary_one_in > 0 && all.size() % static_cast<std::size_t>(contrary_one_in) == 0) {
            one.says = one.says == Word::earlier ? Word::later : Word::earlier;
        }
        all.push_back(one);
    }
    return all;
}

stage::Stage smallStage()
{
    stage::Stage stage;
    for (int i = 0; i < 30; ++i) {
        stage.text += i % 3 == 0 ? "left two 90\n"
            : i % 3 == 1         ? "right five over crest 120\n"
                                 : "left four 80\n";
    }
    return stage;
}

/// A take of all of the stage by a person, every note ending `off_s` after its planned end.
template <typename Off> stage::Take takeOf(const stage::Prepared& prepared, Off off_s)
{
    stage::Take take;
    take.reader = "Desk microphone";
    take.plan = prepared.plan;
    take.recorded_s = 1e4;
    for (const auto& note : prepared.plan.notes) {
        const double by_s = off_s();
        take.found.push_back(
            {note.id, true, {note.start_s + by_s, note.end_s + by_s}, {}, {}, {}, false, {}});
    }
    take.verdicts = take::judge(take.plan, prepared.placement.pace, take.found, take.clock, take.recorded_s);
    return take;
}

} // namespace

TEST(Leads, OfADriverAreRecoveredFromFortyRemarksOneInFiveContrary)
{
    double sum_s = 0.0;
    int runs = 0;
    int far = 0;
    for (std::uint32_t seed = 1; seed <= 20; ++seed) {
        for (const double wished_s : {1.4, 2.1, 2.6}) {
            const auto fits = fitLeads(remarksOf(wished_s, 2.0, 40, 5, seed));
            ASSERT_EQ(fits.size(), 1U);
            EXPECT_EQ(fits[0].remarks, 40);
            const double off_s = std::abs(fits[0].after_s - wished_s);
            far += off_s > 0.12 ? 1 : 0;
            sum_s += off_s;
            ++runs;
            EXPECT_LE(fits[0].low_s, fits[0].after_s);
            EXPECT_GE(fits[0].high_s, fits[0].after_s);
        }
    }
    EXPECT_LT(sum_s / runs, 0.08);
    EXPECT_LE(far, runs / 10) << "farther off than 0.12 s";
}

TEST(Leads, ASingleRemarkMovesThemLittle)
{
    const Evidence once{plan::LeadClass::fast, Word::earlier, 1.5, 1.5};
    const auto fits = fitLeads(std::span(&once, 1));
    ASSERT_EQ(fits.size(), 1U);
    EXPECT_GT(fits[0].after_s, 1.6);
    EXPECT_LT(fits[0].after_s, 2.4);
    EXPECT_GT(fits[0].high_s - fits[0].low_s, 0.8) << "and it is said how unsure that is";
}

TEST(Leads, WhatAChangedPlanHasAnsweredIsNotCountedTwice)
{
    auto evidence = remarksOf(2.4, 1.8, 12, 0, 4);
    const double once_s = fitLeads(evidence)[0].after_s;
    // the plan was changed to it; takes since then brought no remarks: the same evidence gives the same lead
    EXPECT_NEAR(fitLeads(evidence)[0].after_s, once_s, 1e-9);
    for (int i = 0; i < 6; ++i) { // and where it is called good now, it stays
        evidence.push_back({plan::LeadClass::slow, Word::good, once_s, once_s});
    }
    EXPECT_NEAR(fitLeads(evidence)[0].after_s, once_s, 0.1);
}

TEST(Leads, RemarksThatContradictEachOtherAreToldNotAveraged)
{
    std::vector<Evidence> both;
    for (int i = 0; i < 5; ++i) {
        both.push_back({plan::LeadClass::fast, Word::earlier, 2.0, 1.8});
        both.push_back({plan::LeadClass::fast, Word::later, 1.5, 1.8});
    }
    EXPECT_TRUE(fitLeads(both)[0].contrary);
    EXPECT_FALSE(fitLeads(remarksOf(2.0, 1.8, 20, 0, 2))[0].contrary);
}

TEST(Tuning, RemarksOfTakesMoveTheirClassAndSayWhatThatMoves)
{
    auto stage = smallStage();
    const auto prepared = stage::prepare(stage, nullptr);
    auto take = takeOf(prepared, [] { return 0.1; });
    for (std::size_t k = 0; k < 30; k += 3) {
        take.remarks.push_back({prepared.plan.notes[k].id, "earlier", {}});
    }
    take.remarks.push_back({prepared.plan.notes[1].id, "reword", {}});
    const auto tuning = tune::tune(
        stage, prepared, [](const auto& some) { return stage::prepare(some, nullptr); }, std::span(&take, 1));
    ASSERT_EQ(tuning.classes.size(), 1U) << "a wish for other words says nothing of time";
    const auto& change = tuning.classes[0];
    EXPECT_EQ(change.fit.lead_class, plan::LeadClass::slow);
    EXPECT_EQ(change.fit.remarks, 10);
    EXPECT_GT(change.fit.after_s, change.before_s + 0.2);
    EXPECT_GT(change.metres, 1.0);
    EXPECT_GT(change.moved_calls, 5);
    stage.driver = withLeads(stage.driver, std::vector{change.fit});
    EXPECT_NEAR(stage.driver.slow_s, change.fit.after_s, 0.006);
    EXPECT_EQ(stage.driver.fast_s, plan::Driver{}.fast_s);
}

TEST(Tuning, HowEarlyEachClassWasReadIsTheMiddleOfItsNotes)
{
    const auto stage = smallStage();
    const auto prepared = stage::prepare(stage, nullptr);
    const auto read = [&](double off_s) {
        return tune::leadsRead(stage, prepared, takeOf(prepared, [off_s] { return off_s; }));
    };
    const auto sooner = read(-0.4);
    const auto later = read(0.4);
    int classes = 0;
    int notes = 0;
    for (std::size_t c = 0; c < sooner.size(); ++c) {
        EXPECT_EQ(sooner[c].notes, later[c].notes);
        notes += sooner[c].notes;
        if (sooner[c].notes > 0) {
            ++classes;
            EXPECT_NEAR(sooner[c].lead_s - later[c].lead_s, 0.8, 1e-6) << c;
        }
    }
    EXPECT_EQ(classes, 2);
    EXPECT_EQ(notes, 30);
    auto nobody = takeOf(prepared, [] { return 0.0; });
    nobody.verdicts.clear();
    EXPECT_EQ(tune::leadsRead(stage, prepared, nobody)[0].notes, 0);
}

TEST(Tuning, AnotherPaceKeepsTheOrderOfWhatIsSaid)
{
    const auto prepared = stage::prepare(smallStage(), nullptr);
    const auto slower = plan::spokenIn(prepared.plan, [](double t) { return 2.0 * t + 3.0; });
    ASSERT_EQ(slower.notes.size(), prepared.plan.notes.size());
    for (std::size_t k = 0; k < slower.notes.size(); ++k) {
        const auto& was = prepared.plan.notes[k];
        EXPECT_NEAR(slower.notes[k].start_s, 2.0 * was.start_s + 3.0, 1e-9);
        EXPECT_NEAR(slower.notes[k].spoken_s, 2.0 * (was.end_s - was.start_s), 1e-9);
        EXPECT_NEAR(slower.notes[k].gap_after_s, 2.0 * was.gap_after_s, 1e-9);
    }
    for (std::size_t c = 1; c < slower.calls.size(); ++c) {
        EXPECT_GE(slower.calls[c].start_s, slower.calls[c - 1].end_s - 1e-9);
    }
}

TEST(Tuning, TheReaderIsMeasuredFromOwnFullTakesOnly)
{
    const auto stage = smallStage();
    const auto prepared = stage::prepare(stage, nullptr);
    std::mt19937 random(9);
    std::normal_distribution<double> uneven_s(0.0, 0.15);
    std::vector<stage::Take> takes{takeOf(prepared, [&] { return uneven_s(random); }),
        takeOf(prepared, [&] { return 0.3 + uneven_s(random); })};
    const auto fit = fitReader(stage.reader, takes);
    ASSERT_TRUE(fit);
    EXPECT_EQ(fit->takes, 2);
    EXPECT_NEAR(fit->spread_s, 0.15, 0.06);
    EXPECT_NEAR(fit->reader.rate_syll_s, stage.reader.rate_syll_s, 0.3);
    takes[0].reader = stage::kSimulatedReader;
    takes[1].first = takes[1].last = prepared.plan.notes[3].id;
    EXPECT_FALSE(fitReader(stage.reader, takes));
}

TEST(Sureness, TheShareInTimeIsWhatSimulatedReadersReach)
{
    auto stage = smallStage();
    stage.reader.spread_s = 0.35;
    stage.driver.holds_notes = 2;
    auto prepared = stage::prepare(stage, nullptr);
    for (auto& place : prepared.placement.notes) {
        place.sure_s = 0.25;
    }
    stage::makePlan(prepared, stage);
    std::mt19937 random(3);
    std::normal_distribution<double> reader_s(0.0, stage.reader.spread_s);
    std::normal_distribution<double> place_s(0.0, 0.25);
    constexpr int kTakes = 400;
    double said = 0.0;
    double reached = 0.0;
    double sure_said = 0.0;
    double sure_reached = 0.0;
    for (const auto& note : prepared.plan.notes) {
        int in_time = 0;
        for (int i = 0; i < kTakes; ++i) {
            const double end_s = note.end_s + reader_s(random) - place_s(random);
            in_time += end_s <= note.window.closes_s && end_s >= note.window.opens_s ? 1 : 0;
        }
        const double share = static_cast<double>(in_time) / kTakes;
        EXPECT_NEAR(note.in_time_share, share, 0.09) << note.id;
        said += note.in_time_share;
        reached += share;
        if (note.in_time_share > 0.87) {
            sure_said += 1.0;
            sure_reached += share;
        }
    }
    EXPECT_NEAR(said / static_cast<double>(prepared.plan.notes.size()),
        reached / static_cast<double>(prepared.plan.notes.size()), 0.02);
    if (sure_said > 0.0) {
        EXPECT_GT(sure_reached / sure_said, 0.85);
    }
}

TEST(Sureness, AFasterCarIsHeldAsLongAsTheCallEndsBeforeTheCornerAllTheSame)
{
    const auto stage = smallStage();
    const auto prepared = stage::prepare(stage, nullptr);
    for (const auto& note : prepared.plan.notes) {
        const double call_s = prepared.plan.calls[static_cast<std::size_t>(note.call)].start_s;
        const double faster_act_s = (note.act_s - call_s) / note.holds_to_pace;
        EXPECT_NEAR(note.end_s - call_s, faster_act_s - stage.driver.reaction_s, 1e-6);
        EXPECT_EQ(note.holds_to_pace >= 1.0, note.end_s <= note.window.closes_s + 1e-6) << note.id;
    }
}
