#include "demo_plan.h"
#include "loudspeaker.h"
#include "media/aligner.h"
#include "media/echo.h"

#include <gtest/gtest.h>

#include <cmath>
#include <cstdlib>
#include <random>

using namespace brumefall;

namespace {

constexpr double kHeard_s = 70.0;
constexpr double kDelay_s = 0.09;

/// `played` by a loudspeaker in a room, as loud as it is at `gain`, added to `voice`.
media::Sound inARoom(const media::Sound& voice, const media::Sound& played, double gain)
{
    std::mt19937 random(4);
    std::normal_distribution<double> spread(0.0, 1.0);
    std::vector<std::pair<std::size_t, double>> taps{{0, 1.0}};
    for (std::size_t k = 1; k < 40; ++k) { // the room answers for a tenth of a second
        taps.emplace_back(40 * k, 0.2 * spread(random) * std::exp(-static_cast<double>(k) / 10.0));
    }
    const auto delay = static_cast<std::size_t>(kDelay_s * media::kAlignRate_hz);
    media::Sound out = voice;
    for (std::size_t i = 0; i < out.samples.size(); ++i) {
        double sum = out.samples[i];
        for (const auto& [after, share] : taps) {
            const std::size_t at = after + delay;
            sum += i >= at && i - at < played.samples.size() ? gain * share * played.samples[i - at] : 0.0;
        }
        out.samples[i] = static_cast<std::int16_t>(std::clamp(sum, -32768.0, 32767.0));
    }
    return out;
}

std::shared_ptr<const media::Sound> shared(media::Sound sound)
{
    return std::make_shared<const media::Sound>(std::move(sound));
}

media::Reading aloud(std::uint32_t seed)
{
    auto reading = media::readAloud(demoPlan(), {}, seed, 0.0, kHeard_s);
    reading.sound = media::resampled(reading.sound, media::kAlignRate_hz);
    return reading;
}

} // namespace

TEST(Echo, TheCrewInTheVideoIsTakenOutOfWhatIsReadBesideALoudspeaker)
{
    const auto reader = aloud(7);
    const auto played = support::onboardSound(demoPlan(), kHeard_s);
    const auto recorded = inARoom(reader.sound, played, 0.6);
    const auto alone = media::withoutPlayed(recorded, shared(played), 0.05);
    ASSERT_TRUE(alone);
    ASSERT_EQ(alone->samples.size(), recorded.samples.size());
    const auto found = media::align(*alone, take::expectedNotes(demoPlan())).notes;
    std::size_t right = 0;
    for (std::size_t k = 0; k < reader.truth.size(); ++k) {
        right +=
            found[k].read && std::abs(found[k].span.start_s - reader.truth[k].span.start_s) < 0.15 ? 1 : 0;
        EXPECT_TRUE(found[k].repeats.empty()) << "the video's call";
    }
    EXPECT_GE(right + 1, reader.truth.size());
}

TEST(Echo, WhatIsReadWithHeadphonesIsLeftAsItIs)
{
    const auto reader = aloud(7);
    const auto onboard = aloud(31);
    EXPECT_FALSE(media::withoutPlayed(reader.sound, shared(onboard.sound), 0.0));
    EXPECT_FALSE(media::withoutPlayed(reader.sound, shared({{}, media::kAlignRate_hz}), 0.0));
    const auto elsewhere = inARoom(reader.sound, onboard.sound, 0.6);
    EXPECT_FALSE(media::withoutPlayed(elsewhere, shared(onboard.sound), 5.0))
        << "another moment of the video";
}

TEST(Echo, WhatComesInPiecesIsTakenOutAsFromTheWhole)
{
    const auto reader = aloud(7);
    const auto played = shared(support::onboardSound(demoPlan(), kHeard_s));
    const auto recorded = inARoom(reader.sound, *played, 0.6);
    const auto at_s = media::playedIn(recorded, played, 0.05);
    ASSERT_TRUE(at_s);
    EXPECT_NEAR(*at_s, -kDelay_s, 0.03);
    const auto whole = media::withoutPlayed(recorded, played, 0.05);
    ASSERT_TRUE(whole);
    media::WithoutPlayed filter(played, *at_s);
    filter.learn(recorded);
    std::vector<std::int16_t> pieces;
    constexpr std::size_t kPiece = 777; // fills no frame
    for (std::size_t at = 0; at < recorded.samples.size(); at += kPiece) {
        const auto some = filter.next(
            std::span(recorded.samples).subspan(at, std::min(kPiece, recorded.samples.size() - at)));
        pieces.insert(pieces.end(), some.begin(), some.end());
    }
    const auto rest = filter.rest();
    pieces.insert(pieces.end(), rest.begin(), rest.end());
    EXPECT_EQ(pieces, whole->samples);
}
