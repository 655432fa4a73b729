#include "print/pages.h"
#include "stage/stage.h"
#include "take/practice.h"
#include "tune/drivers_ear.h"
#include "tune/staircase.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <limits>
#include <random>
#include <set>

using namespace brumefall;
using namespace brumefall::take;

namespace {

/// Notes in calls of two, along a road that leaves more room here and less there.
plan::Plan longPlan(int calls = 30)
{
    stage::Stage stage;
    std::mt19937 random(5);
    for (int c = 0; c < calls; ++c) {
        const int after_m = 30 + static_cast<int>(random() % 9) * 30;
        stage.text += "left " + std::to_string(2 + random() % 4) + " into right "
            + std::to_string(3 + random() % 3) + " " + std::to_string(after_m) + "\n";
    }
    return stage::prepare(stage, nullptr).plan;
}

std::vector<Verdict> allOnTime(const plan::Plan& plan)
{
    std::vector<Verdict> verdicts(plan.notes.size());
    for (Verdict& verdict : verdicts) {
        verdict.timing = Timing::on_time;
    }
    return verdicts;
}

} // namespace

TEST(Practice, EveryWayHasANameThatIsReadBack)
{
    std::set<std::string> names;
    for (int i = 0; i < kWays; ++i) {
        const auto way = static_cast<Way>(i);
        EXPECT_EQ(wayFrom(toString(way)), way);
        names.insert(toString(way));
    }
    EXPECT_EQ(names.size(), static_cast<std::size_t>(kWays));
    EXPECT_FALSE(wayFrom("by heart"));
}

TEST(Practice, AStretchIsWholeCallsWithTimeToLookUpBeforeThem)
{
    const auto plan = longPlan();
    const auto stretch = stretchOf(plan, 9, 14); // the second note of a call to the first of another
    EXPECT_EQ(stretch.first, plan.calls[4].first);
    EXPECT_EQ(stretch.last, plan.calls[6].last);
    EXPECT_LT(stretch.from_s, plan.calls[4].start_s - 1.0);
    EXPECT_GT(stretch.to_s, plan.notes[stretch.last - 1].arrive_s);
    const auto whole = stretchOf(plan, 3, 3);
    EXPECT_EQ(whole.first, 0U);
    EXPECT_EQ(whole.last, plan.notes.size());
}

TEST(Practice, AStretchFromHereBeginsWithTheNextCall)
{
    const auto plan = longPlan();
    const auto stretch = stretchFrom(plan, plan.calls[7].start_s + 0.1, 20.0);
    EXPECT_EQ(stretch.first, plan.calls[8].first);
    EXPECT_GE(plan.calls[static_cast<std::size_t>(plan.notes[stretch.last].call)].start_s,
        plan.calls[7].start_s + 0.1 + 20.0);
}

TEST(Practice, AReadingIsCleanOnlyWhereNothingInTheStretchWentWrong)
{
    const auto plan = longPlan();
    const auto stretch = stretchOf(plan, 4, 8);
    auto verdicts = allOnTime(plan);
    EXPECT_TRUE(isClean(verdicts, stretch));
    verdicts[stretch.last].timing = Timing::missed;
    EXPECT_TRUE(isClean(verdicts, stretch)) << "after the stretch";
    verdicts[5].corrected = true;
    EXPECT_FALSE(isClean(verdicts, stretch));
    verdicts[5].corrected = false;
    verdicts[6].timing = Timing::late;
    EXPECT_FALSE(isClean(verdicts, stretch));
    for (auto& verdict : verdicts) {
        verdict.outside_take = true;
    }
    EXPECT_FALSE(isClean(verdicts, stretch)) << "nothing was read";
}

TEST(Practice, OneIsThrownInAtManyPlacesAndNeverAtTheStartOrTheEnd)
{
    const auto plan = longPlan();
    std::set<std::size_t> places;
    for (std::uint32_t seed = 0; seed < 200; ++seed) {
        const std::size_t call = throwIn(plan, seed);
        ASSERT_GE(call, 1U);
        ASSERT_LT(call + 5, plan.calls.size());
        EXPECT_EQ(call, throwIn(plan, seed));
        places.insert(call);
    }
    EXPECT_GT(places.size(), 15U);
}

TEST(Practice, ThePageGoesDarkForSomeSecondsAndThereIsLightBetween)
{
    for (std::uint32_t seed = 0; seed < 50; ++seed) {
        double lit_s = 10.0;
        const auto dark = darkSpans(lit_s, 250.0, seed);
        ASSERT_GE(dark.size(), 5U);
        for (const Span& span : dark) {
            EXPECT_GE(span.start_s - lit_s, 10.0);
            EXPECT_GE(span.end_s - span.start_s, 3.0);
            EXPECT_LE(span.end_s - span.start_s, 8.0);
            lit_s = span.end_s;
        }
        EXPECT_LE(lit_s, 250.0);
    }
}

TEST(Staircase, HomesInOnTheLeadThatASteadyDriverWishes)
{
    for (const double wished_s : {1.1, 1.8, 2.6, 3.4}) {
        tune::Staircase stairs(2.0);
        int notes = 0;
        for (; !stairs.isSettled() && notes < 60; ++notes) {
            const double off_s = stairs.lead_s() - wished_s;
            if (std::abs(off_s) < 0.12) {
                stairs.pass();
            } else {
                stairs.press(off_s < 0.0 ? tune::Said::earlier : tune::Said::later);
            }
        }
        ASSERT_TRUE(stairs.isSettled()) << wished_s;
        EXPECT_LT(notes, 20);
        EXPECT_NEAR(*stairs.estimate_s(), wished_s, 0.15);
    }
}

TEST(Staircase, ADriverWhoIsOfTwoMindsIsMetInTheMiddle)
{
    std::mt19937 random(3);
    std::normal_distribution<double> mind_s(0.0, 0.25);
    double worst_s = 0.0;
    for (int run = 0; run < 50; ++run) {
        tune::Staircase stairs(1.2);
        while (stairs.turns() < 8) {
            const double wished_s = 2.0 + mind_s(random);
            stairs.press(stairs.lead_s() < wished_s ? tune::Said::earlier : tune::Said::later);
        }
        worst_s = std::max(worst_s, std::abs(*stairs.estimate_s() - 2.0));
    }
    EXPECT_LT(worst_s, 0.4);
}

TEST(Staircase, NothingIsKnownOfADriverWhoSaysNothing)
{
    tune::Staircase stairs(1.8);
    for (int i = 0; i < 20; ++i) {
        stairs.pass();
    }
    EXPECT_FALSE(stairs.estimate_s());
    EXPECT_FALSE(stairs.isSettled());
}

TEST(DriversEar, EachClassOfNotesHasAStaircaseOfItsOwn)
{
    plan::Driver driver;
    const double fast_s = leadOf(driver, plan::LeadClass::fast);
    const double slow_s = leadOf(driver, plan::LeadClass::slow);
    tune::DriversEar ear(driver);
    ear.press(plan::LeadClass::slow, tune::Said::earlier);
    auto tried = ear.toTry();
    EXPECT_GT(leadOf(tried, plan::LeadClass::slow), slow_s);
    EXPECT_EQ(leadOf(tried, plan::LeadClass::fast), fast_s);
    EXPECT_EQ(ear.of(plan::LeadClass::slow).presses(), 1);
    EXPECT_EQ(ear.of(plan::LeadClass::fast).presses(), 0);
}

TEST(DriversEar, WhatNothingWasSaidOfKeepsItsLeadAndTheRestIsTheDrivers)
{
    plan::Driver driver;
    driver.holds_notes = 5;
    constexpr double kWished_s = 2.4;
    tune::DriversEar ear(driver);
    for (int i = 0; i < 12 && !ear.of(plan::LeadClass::hazard).isSettled(); ++i) {
        const double tried_s = ear.of(plan::LeadClass::hazard).lead_s();
        ear.press(plan::LeadClass::hazard, tried_s < kWished_s ? tune::Said::earlier : tune::Said::later);
        ear.pass(plan::LeadClass::medium);
    }
    auto heard = ear.heard();
    EXPECT_NEAR(leadOf(heard, plan::LeadClass::hazard), kWished_s, 0.15);
    EXPECT_EQ(leadOf(heard, plan::LeadClass::medium), leadOf(driver, plan::LeadClass::medium));
    EXPECT_EQ(heard.holds_notes, 5);
    const double hundredths = 100.0 * leadOf(heard, plan::LeadClass::hazard);
    EXPECT_NEAR(hundredths, std::round(hundredths), 1e-9);
}

TEST(Pages, HoldEveryCallOnceAndNoMoreThanThereIsRoomFor)
{
    const auto plan = longPlan(57);
    const std::vector<double> heights(plan.calls.size(), 1.0);
    for (const double room : {4.0, 9.0, 12.0, 100.0}) {
        const auto pages = print::turnPages(plan, heights, room);
        std::size_t next = 0;
        for (const auto& page : pages) {
            EXPECT_EQ(page.first, next);
            EXPECT_GT(page.last, page.first);
            EXPECT_LE(static_cast<double>(page.last - page.first), room);
            next = page.last;
        }
        EXPECT_EQ(next, plan.calls.size());
        EXPECT_LE(pages.size(), static_cast<std::size_t>(std::ceil(57.0 / room)) * 5 / 4 + 1) << room;
    }
}

TEST(Pages, AreTurnedWhereThePlanLeavesTime)
{
    auto plan = longPlan(50);
    std::mt19937 random(2);
    double at_s = 0.0;
    for (auto& call : plan.calls) { // a busy stage: hardly a moment here, three seconds there
        call.start_s = at_s + std::uniform_real_distribution(0.1, 3.0)(random);
        call.end_s = at_s = call.start_s + 1.5;
    }
    const std::vector<double> heights(plan.calls.size(), 1.0);
    const auto pages = print::turnPages(plan, heights, 11.0);
    const auto roomBefore_s = [&](std::size_t call) {
        return plan.calls[call].start_s - plan.calls[call - 1].end_s;
    };
    double least_s = 1e9;
    double plain_s = 1e9; // with a page every eleven calls
    for (std::size_t p = 0; p + 1 < pages.size(); ++p) {
        EXPECT_NEAR(pages[p].turn_s, roomBefore_s(pages[p].last), 1e-9);
        least_s = std::min(least_s, pages[p].turn_s);
        plain_s = std::min(plain_s, roomBefore_s((p + 1) * 11));
    }
    EXPECT_GT(least_s, plain_s + 0.3);
}

TEST(Pages, AreNotTurnedInsideASqueeze)
{
    auto plan = longPlan(20);
    plan::Squeeze squeeze;
    squeeze.first = plan.notes[plan.calls[7].first].id;
    squeeze.last = plan.notes[plan.calls[11].first].id;
    plan.squeezes = {squeeze};
    const std::vector<double> heights(plan.calls.size(), 1.0);
    for (const auto& page : print::turnPages(plan, heights, 8.0)) {
        EXPECT_FALSE(page.in_squeeze);
        EXPECT_TRUE(page.last <= 7 || page.last > 11) << page.last;
    }
    EXPECT_THROW((void)print::turnPages(plan, heights, 0.0), std::invalid_argument);
}

TEST(Pages, ACallHigherThanAPageHasOneOfItsOwn)
{
    const auto plan = longPlan(5);
    const std::vector<double> heights{1.0, 1.0, 7.0, 1.0, 1.0};
    const auto pages = print::turnPages(plan, heights, 3.0);
    EXPECT_TRUE(std::any_of(
        pages.begin(), pages.end(), [](const auto& page) { return page.first == 2 && page.last == 3; }));
}
