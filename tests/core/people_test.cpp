// The two people of a plan: wishes that can be meant, leads by speed, a reader measured by reading aloud.

#include "plan/limits.h"
#include "plan/measure.h"
#include "plan/usable.h"
#include "stage/stage.h"

#include <gtest/gtest.h>

#include <cmath>
#include <limits>
#include <random>

using namespace brumefall;

namespace {

notes::Note corner(int grade)
{
    notes::Note note;
    note.direction = notes::Direction::left;
    note.grade = notes::Grade{grade, {}};
    return note;
}

/// `count` calls of `syllables` at `rate`, a breath of `breath_s` between.
std::vector<plan::ReadCall> evenCalls(int count, int syllables, double rate, double breath_s)
{
    std::vector<plan::ReadCall> calls;
    double at_s = 1.0;
    for (int c = 0; c < count; ++c) {
        const double end_s = at_s + syllables / rate;
        calls.push_back({syllables, at_s, end_s, 0.0});
        at_s = end_s + breath_s;
    }
    return calls;
}

stage::Prepared planned(const std::string& text, const plan::Driver& driver = {})
{
    stage::Stage stage;
    stage.text = text;
    stage.driver = driver;
    return stage::prepare(stage, nullptr);
}

const char* const kText =
    "100 left six 120\nright two 60\ncaution hairpin left 200\nleft six 150\nright three 40";

} // namespace

TEST(Wishes, ThatAnybodyCouldHaveAreLeftAsTheyAre)
{
    plan::Reader reader;
    reader.rate_syll_s = 7.4;
    plan::Driver driver;
    driver.slow_s = 4.5;
    driver.holds_notes = 7;
    const auto made = plan::usable(reader, driver);
    EXPECT_TRUE(made.doubts.empty());
    EXPECT_EQ(made.reader.rate_syll_s, 7.4);
    EXPECT_EQ(made.driver, driver);
}

TEST(Wishes, ThatNobodyCanHaveAreReplacedAndSaid)
{
    plan::Reader reader;
    reader.rate_syll_s = 0.0;
    reader.breath_s = std::numeric_limits<double>::quiet_NaN();
    plan::Driver driver;
    driver.slow_s = 180.0;
    driver.holds_notes = -2;
    driver.brake_m_s2 = -5.0;
    const auto made = plan::usable(reader, driver);
    EXPECT_EQ(made.reader.rate_syll_s, plan::Reader{}.rate_syll_s);
    EXPECT_EQ(made.reader.breath_s, plan::Reader{}.breath_s);
    EXPECT_EQ(made.driver.slow_s, 30.0) << "minutes ahead is as far ahead as may be";
    EXPECT_EQ(made.driver.holds_notes, plan::Driver{}.holds_notes);
    EXPECT_EQ(made.driver.brake_m_s2, plan::Driver{}.brake_m_s2);
    ASSERT_EQ(made.doubts.size(), 5U);
    EXPECT_EQ(made.doubts[0].member, "rate_syll_s");
    EXPECT_EQ(made.doubts[0].says, "a rate of 0 syllables a second cannot be meant; planned with 5.6");
}

TEST(Wishes, AStageWithAbsurdOnesIsPlannedAllTheSame)
{
    stage::Stage stage;
    stage.text = kText;
    stage.reader.rate_syll_s = -1e9;
    stage.driver.fast_s = 1e300;
    stage.driver.holds_notes = 1000000;
    const auto prepared = stage::prepare(stage, nullptr);
    EXPECT_EQ(prepared.doubts.size(), 3U);
    ASSERT_EQ(prepared.plan.notes.size(), 5U);
    for (const auto& note : prepared.plan.notes) {
        EXPECT_TRUE(std::isfinite(note.start_s));
        EXPECT_GT(note.spoken_s, 0.0);
    }
}

TEST(Wishes, AMeasuredLimitIsNeverUnderTheRate)
{
    plan::Reader reader;
    reader.rate_syll_s = 8.0;
    reader.fastest_syll_s = 6.0;
    EXPECT_EQ(plan::usable(reader, {}).reader.fastest_syll_s, 8.0);
}

TEST(Leads, GrowWithTheApproachSpeedWhereTheDriverWishesIt)
{
    plan::Driver driver;
    driver.floor_m = 0.0;
    const auto lead = [&](double speed_m_s) {
        return plan::wishedLead_s(corner(5), notes::Scale::ascending, driver, speed_m_s);
    };
    EXPECT_EQ(lead(10.0), lead(40.0)) << "not wished by default";
    driver.speed_s = 0.4;
    EXPECT_EQ(lead(10.0), driver.fast_s);
    EXPECT_NEAR(lead(25.0), driver.fast_s + 0.4, 1e-9);
    EXPECT_NEAR(lead(40.0), driver.fast_s + 1.0, 1e-9);
}

TEST(Leads, HaveAFloorInMetresThatCountsMoreWhereItIsSlow)
{
    plan::Driver driver;
    driver.floor_m = 40.0;
    EXPECT_NEAR(plan::wishedLead_s(corner(5), notes::Scale::ascending, driver, 10.0), 4.0, 1e-9);
    EXPECT_EQ(plan::wishedLead_s(corner(5), notes::Scale::ascending, driver, 40.0), driver.fast_s);
}

TEST(Leads, BySpeedMoveTheIdealOfAFastNoteAndNotOfASlowOne)
{
    plan::Driver driver;
    driver.holds_notes = 10;
    const auto before = planned(kText, driver).plan;
    driver.speed_s = 0.5;
    const auto after = planned(kText, driver).plan;
    EXPECT_LT(after.notes[3].window.ideal_s, before.notes[3].window.ideal_s - 0.05) << "a six after 200 m";
    EXPECT_NEAR(after.notes[0].act_s, before.notes[0].act_s, 1e-9);
}

TEST(CallLimits, KeepEveryNoteOfACallInsideItsWindow)
{
    const auto plan = planned("100 left six into right two 60\ncaution hairpin left 200\nleft six 150").plan;
    for (std::size_t c = 0; c < plan.calls.size(); ++c) {
        const auto limits = plan::callLimits(plan, c);
        if (limits.earliest_s > limits.latest_s) {
            continue;
        }
        for (const double start_s : {limits.earliest_s, limits.latest_s}) {
            const double by_s = start_s - plan.calls[c].start_s;
            for (std::size_t k = plan.calls[c].first; k < plan.calls[c].last; ++k) {
                EXPECT_GE(plan.notes[k].end_s + by_s, plan.notes[k].window.opens_s - 1e-9);
                EXPECT_LE(plan.notes[k].end_s + by_s, plan.notes[k].window.closes_s + 1e-9);
            }
        }
    }
    EXPECT_THROW(static_cast<void>(plan::callLimits(plan, 99)), std::out_of_range);
}

TEST(CallLimits, NeverComeBeforeGo)
{
    const auto plan = planned("left three 60\nright four 100").plan;
    EXPECT_GE(plan::callLimits(plan, 0).earliest_s, 0.0);
}

TEST(AMinuteOfReading, GivesTheRateTheBreathAndTheRun)
{
    const auto reader = plan::calibratedReader({}, evenCalls(12, 9, 6.0, 0.4));
    ASSERT_TRUE(reader);
    EXPECT_NEAR(reader->rate_syll_s, 6.0, 1e-6);
    EXPECT_NEAR(reader->fastest_syll_s, 6.0, 1e-6);
    EXPECT_NEAR(reader->breath_s, 0.4, 1e-6);
    EXPECT_NEAR(reader->longest_run_s, 1.5, 1e-6);
}

TEST(AMinuteOfReading, CountsNeitherHesitationsNorALostPlaceNorSingleWords)
{
    auto calls = evenCalls(12, 9, 6.0, 0.4);
    calls[3].end_s += 0.8; // stood still in the middle of a call
    calls[3].paused_s = 0.8;
    for (std::size_t c = 4; c < calls.size(); ++c) {
        calls[c].start_s += 0.8 + (c >= 8 ? 9.0 : 0.0); // and lost the place later
        calls[c].end_s += 0.8 + (c >= 8 ? 9.0 : 0.0);
    }
    calls.push_back({1, 90.0, 90.05, 0.0});
    const auto reader = plan::calibratedReader({}, calls);
    ASSERT_TRUE(reader);
    EXPECT_NEAR(reader->rate_syll_s, 6.0, 1e-6);
    EXPECT_NEAR(reader->fastest_syll_s, 6.0, 1e-6);
    EXPECT_NEAR(reader->breath_s, 0.4, 1e-6);
}

TEST(AMinuteOfReading, FindsTheLimitInTheQuickestCallsAndTheLongestRunOverCallsSaidAsOne)
{
    auto calls = evenCalls(20, 9, 6.0, 0.4);
    for (std::size_t c = 16; c < 20; ++c) {
        const double quick_s = 9.0 / 7.5;
        calls[c].start_s = c == 16 ? calls[15].end_s + 0.4 : calls[c - 1].end_s + 0.02;
        calls[c].end_s = calls[c].start_s + quick_s;
    }
    const auto reader = plan::calibratedReader({}, calls);
    ASSERT_TRUE(reader);
    EXPECT_NEAR(reader->rate_syll_s, 6.0, 1e-6);
    EXPECT_NEAR(reader->fastest_syll_s, 7.5, 1e-6);
    EXPECT_NEAR(reader->longest_run_s, 4.0 * 9.0 / 7.5 + 0.06, 1e-6);
}

TEST(AMinuteOfReading, SaysNothingFromTooLittle)
{
    EXPECT_FALSE(plan::calibratedReader({}, evenCalls(4, 9, 6.0, 0.4)));
    EXPECT_FALSE(plan::calibratedReader({}, {}));
    EXPECT_FALSE(plan::calibratedReader({}, evenCalls(30, 1, 6.0, 0.4))) << "single words only";
}

TEST(AMinuteOfReading, AnyTimesAtAllGiveAReaderThatCanPlan)
{
    std::mt19937 random(3);
    std::uniform_real_distribution<double> unit(-2.0, 5.0);
    for (int turn = 0; turn < 2000; ++turn) {
        std::vector<plan::ReadCall> calls;
        for (int c = 0; c < 12; ++c) {
            calls.push_back(
                {static_cast<int>(10.0 * unit(random)), unit(random), unit(random), unit(random)});
        }
        if (const auto reader = plan::calibratedReader({}, calls)) {
            EXPECT_GT(reader->rate_syll_s, 0.0);
            EXPECT_GE(reader->fastest_syll_s, reader->rate_syll_s);
            EXPECT_GE(reader->breath_s, 0.0);
            EXPECT_GE(reader->longest_run_s, 1.0);
        }
    }
}

TEST(ReadOn, SaysTheCallsOneAfterAnotherWithABreathBetween)
{
    const plan::Reader reader{6.0, 0.3, 7.0, 6.0, 0.2};
    const auto before = planned(kText).plan;
    const auto plan = plan::readOn(before, reader);
    ASSERT_EQ(plan.calls.size(), before.calls.size());
    EXPECT_EQ(plan.calls.front().start_s, 0.0);
    for (std::size_t c = 1; c < plan.calls.size(); ++c) {
        EXPECT_NEAR(plan.calls[c].start_s - plan.calls[c - 1].end_s, 0.3, 1e-9);
    }
    EXPECT_NEAR(plan.notes[1].end_s - plan.notes[1].start_s, 2.0 / 6.0, 1e-9) << "right two";
    EXPECT_EQ(plan.notes[1].act_s, before.notes[1].act_s) << "only the speaking is changed";
}
