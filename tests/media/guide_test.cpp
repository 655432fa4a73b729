// The guide voice: every note at the very moment that is planned for it, and the line-up before go.

#include "media/simulated_reader.h"
#include "stage/stage.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>

using namespace brumefall;

namespace {

plan::Plan shortPlan(const plan::Echoes& echoes = {})
{
    stage::Stage stage;
    stage.text = "left four 60\nhairpin right into left three 80\nright six 150\ncaution left two 40\n";
    stage.echoes = echoes;
    return stage::prepare(stage, nullptr).plan;
}

/// Loudest sample between two moments of the stage.
int loudest(const media::Reading& reading, double from_s, double to_s)
{
    int peak = 0;
    const auto at = [&](double s) {
        return static_cast<std::size_t>(std::max(0.0, s - reading.from_s) * reading.sound.rate_hz);
    };
    for (std::size_t i = at(from_s); i < std::min(at(to_s), reading.sound.samples.size()); ++i) {
        peak = std::max(peak, std::abs(static_cast<int>(reading.sound.samples[i])));
    }
    return peak;
}

} // namespace

TEST(GuideVoice, SaysEveryNoteAtTheMomentThatIsPlanned)
{
    const auto plan = shortPlan();
    const auto reading = media::readAsPlanned(plan);
    ASSERT_EQ(reading.truth.size(), plan.notes.size());
    for (std::size_t k = 0; k < plan.notes.size(); ++k) {
        EXPECT_NEAR(reading.truth[k].span.start_s + reading.from_s, plan.notes[k].start_s, 1e-6);
        EXPECT_NEAR(reading.truth[k].span.end_s + reading.from_s, plan.notes[k].end_s, 0.03);
        EXPECT_GT(loudest(reading, plan.notes[k].start_s, plan.notes[k].end_s), 2000) << plan.notes[k].spoken;
    }
}

TEST(GuideVoice, IsSilentBetweenTheCalls)
{
    const auto plan = shortPlan();
    const auto reading = media::readAsPlanned(plan);
    for (std::size_t c = 1; c < plan.calls.size(); ++c) {
        const double from_s = plan.calls[c - 1].end_s + 0.05;
        const double to_s = plan.calls[c].start_s - 0.01;
        if (to_s > from_s) {
            EXPECT_LT(loudest(reading, from_s, to_s), 200) << "before call " << c + 1;
        }
    }
}

TEST(GuideVoice, IsTheSameEachTime)
{
    EXPECT_EQ(
        media::readAsPlanned(shortPlan()).sound.samples, media::readAsPlanned(shortPlan()).sound.samples);
}

TEST(GuideVoice, ReadsTheLineUpBeforeGoAndTheNotesAgainAfterIt)
{
    const auto plan = shortPlan({false, 0.0, 2});
    ASSERT_EQ(plan.line_up.size(), 2U);
    const auto reading = media::readAsPlanned(plan);
    EXPECT_NEAR(reading.from_s, plan.line_up.front().start_s, 1e-9);
    for (const auto& note : plan.line_up) {
        EXPECT_GT(loudest(reading, note.start_s, note.end_s), 2000) << note.spoken;
    }
    EXPECT_LT(loudest(reading, plan.line_up.back().end_s + 0.05, -0.1), 200) << "quiet for the countdown";
    EXPECT_GT(loudest(reading, plan.notes.front().start_s, plan.notes.front().end_s), 2000);
}

TEST(GuideVoice, SaysADistanceForAsLongAsItTakesAndNotIntoTheBreath)
{
    const auto plan = shortPlan();
    const auto reading = media::readAloud(plan, {}, 5);
    const auto& call = plan.calls.front();
    EXPECT_GT(loudest(reading, call.end_s - 0.15, call.end_s - 0.05), 300) << "sixty";
    EXPECT_LT(loudest(reading, call.end_s + 0.12, plan.calls[1].start_s - 0.12), 200);
}

TEST(GuideVoice, OfAnEmptyPlanIsSilent)
{
    EXPECT_TRUE(media::readAsPlanned({}).sound.samples.empty());
}
