#include "take/rhythm.h"

#include "small_reading.h"

#include <gtest/gtest.h>

#include <algorithm>

using namespace brumefall;
using namespace brumefall::take;

namespace {

class Rhythms : public testing::Test {
protected:
    [[nodiscard]] Rhythm rhythm() const
    {
        return rhythmOf(reading_.plan(), reading_.found, {}, reading_.verdicts());
    }
    [[nodiscard]] std::vector<Moment> of(MomentKind kind) const
    {
        auto moments = rhythm().moments;
        std::erase_if(moments, [&](const Moment& m) { return m.kind != kind; });
        return moments;
    }
    support::SmallReading reading_;
};

} // namespace

TEST_F(Rhythms, AReadingAsPlannedIsAsPlannedInEveryCall)
{
    const auto calls = rhythm().calls;
    ASSERT_EQ(calls.size(), reading_.plan().calls.size());
    for (const CallRhythm& call : calls) {
        EXPECT_NEAR(call.rate_syll_s, call.planned_rate_syll_s, 1e-6) << call.first;
        EXPECT_NEAR(call.still_s, call.planned_still_s, 1e-6);
        EXPECT_NEAR(call.off_plan_s, 0.0, 1e-6);
    }
    EXPECT_TRUE(of(MomentKind::drift).empty());
    EXPECT_TRUE(of(MomentKind::place_lost).empty());
    EXPECT_TRUE(of(MomentKind::uneven).empty());
    EXPECT_EQ(of(MomentKind::run).size(), 1U);
}

TEST_F(Rhythms, AHesitationSaysBeforeWhichWordAndWhereToHearIt)
{
    auto& note = reading_.found[4];
    note.words = {{"into", {note.span.start_s, note.span.start_s + 0.2}},
        {"right", {note.span.start_s + 0.7, note.span.start_s + 0.9}}};
    note.hesitations = {{note.span.start_s + 0.2, note.span.start_s + 0.7}};
    note.span.end_s += 0.5;
    const auto moments = of(MomentKind::hesitation);
    ASSERT_EQ(moments.size(), 1U);
    EXPECT_NE(moments[0].text.find("0.5 s"), std::string::npos) << moments[0].text;
    EXPECT_NE(moments[0].text.find("before \"right\""), std::string::npos);
    EXPECT_EQ(moments[0].note, note.id);
    EXPECT_DOUBLE_EQ(moments[0].start_s, note.span.start_s);
}

TEST_F(Rhythms, APlaceLostIsToldWithHowLongUntilItWasFound)
{
    for (std::size_t k = 3; k < 7; ++k) {
        reading_.found[k].read = false;
    }
    const auto moments = of(MomentKind::place_lost);
    ASSERT_EQ(moments.size(), 1U);
    EXPECT_EQ(moments[0].note, reading_.plan().notes[3].id);
    EXPECT_NE(moments[0].text.find("4 notes not said"), std::string::npos) << moments[0].text;
    EXPECT_DOUBLE_EQ(moments[0].start_s, reading_.found[2].span.end_s);
    EXPECT_DOUBLE_EQ(moments[0].end_s, reading_.found[7].span.start_s);
}

TEST_F(Rhythms, TheLeastEvenGapIsTold)
{
    reading_.shift(2, 1.4);
    const auto moments = of(MomentKind::uneven);
    ASSERT_EQ(moments.size(), 1U);
    EXPECT_EQ(moments[0].note, reading_.plan().notes[2].id);
}

TEST_F(Rhythms, NothingHeardHasNoMoments)
{
    for (auto& note : reading_.found) {
        note.read = false;
    }
    EXPECT_TRUE(rhythm().calls.empty());
    EXPECT_TRUE(rhythm().moments.empty());
}

TEST(Drifts, AreFoundWhereTheyBegin)
{
    std::vector<double> times;
    std::vector<double> values;
    for (int i = 0; i < 60; ++i) {
        times.push_back(5.0 * i);
        const double noise = 0.1 * ((i * 7919) % 13 / 6.5 - 1.0);
        values.push_back(0.2 + noise + (i > 30 ? 0.02 * 5.0 * (i - 30) : 0.0));
    }
    const Drift drift = driftOf(times, values);
    EXPECT_NEAR(static_cast<double>(drift.at), 30.0, 4.0);
    EXPECT_NEAR(drift.per_min_s, 1.2, 0.15);
}

TEST(Drifts, ALevelReadingHasNone)
{
    std::vector<double> times;
    std::vector<double> values;
    for (int i = 0; i < 60; ++i) {
        times.push_back(5.0 * i);
        values.push_back(0.6 + 0.3 * ((i * 7919) % 13 / 6.5 - 1.0));
    }
    EXPECT_EQ(driftOf(times, values).per_min_s, 0.0);
    EXPECT_EQ(driftOf({1.0, 2.0}, {0.0, 9.0}).per_min_s, 0.0) << "too few";
}
