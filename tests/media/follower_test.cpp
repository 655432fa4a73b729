#include "media/demo_plan.h"
#include "media/follower.h"
#include "media/resample.h"
#include "media/simulated_reader.h"
#include "media/sound.h"
#include "media/sounds.h"

#include <gtest/gtest.h>

#include <algorithm>

using namespace brumefall;

/// What follows a voice as the sound comes, over a countdown, and over talk between two calls.
TEST(Follower, TellsEachNoteSoonAfterItWasSaid)
{
    const auto plan = demoPlan();
    const auto reading = media::readAloud(plan, {}, 5, 40.0, 130.0);
    const auto sound = media::resampled(reading.sound, media::kAlignRate_hz);
    const auto due = std::find_if(plan.notes.begin(), plan.notes.end(),
        [&](const auto& n) { return n.id == reading.truth.front().id; });
    media::Follower follower(take::expectedNotes(plan), static_cast<std::size_t>(due - plan.notes.begin()));
    hearInBlocks(follower, sound);
    follower.finish();
    std::vector<double> after_s;
    for (const auto& told : follower.told()) {
        const auto truth = std::find_if(reading.truth.begin(), reading.truth.end(),
            [&](const auto& t) { return t.id == plan.notes[told.note].id; });
        ASSERT_NE(truth, reading.truth.end()) << plan.notes[told.note].spoken << " was not said";
        EXPECT_NEAR(told.span.end_s, truth->span.end_s, 0.15) << plan.notes[told.note].spoken;
        after_s.push_back(told.told_s - truth->span.end_s);
    }
    EXPECT_EQ(after_s.size(), reading.truth.size());
    EXPECT_LT(median(after_s), 0.6);
    EXPECT_LT(*std::max_element(after_s.begin(), after_s.end()), 3.0)
        << "the first, before the voice is known";
    std::sort(after_s.begin(), after_s.end());
    EXPECT_LT(after_s[after_s.size() * 9 / 10], 1.5);
}
