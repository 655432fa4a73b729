// An engine's noise under a voice, taken away without moving the voice.

#include "media/condense.h"
#include "media/loudness.h"
#include "media/resample.h"
#include "media/sounds.h"
#include "media/steady_noise.h"
#include "media/voice.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>
#include <span>
#include <vector>

using namespace brumefall;

namespace {

double rms(std::span<const std::int16_t> samples)
{
    double sum = 0.0;
    for (const double s : samples) {
        sum += s * s;
    }
    return std::sqrt(sum / static_cast<double>(samples.size()));
}

std::vector<std::int16_t> withNoise(std::vector<std::int16_t> samples, double deviation)
{
    std::minstd_rand random(3);
    std::normal_distribution<double> noise(0.0, deviation);
    for (std::int16_t& s : samples) {
        s = static_cast<std::int16_t>(std::clamp(s + noise(random), -32768.0, 32767.0));
    }
    return samples;
}

/// Six seconds of nothing, then a voice.
std::vector<std::int16_t> voice()
{
    const auto said = media::resampled(
        media::sayAtRate("right five over crest into left four", 190, {}), media::kAlignRate_hz);
    std::vector<std::int16_t> samples(6 * kSecond);
    samples.insert(samples.end(), said.samples.begin(), said.samples.end());
    return samples;
}

double likeness(std::span<const std::int16_t> a, std::span<const std::int16_t> b, int lag)
{
    double sum = 0.0;
    for (std::size_t i = 200; i + 200 < a.size(); ++i) {
        sum += static_cast<double>(a[i]) * b[static_cast<std::size_t>(static_cast<int>(i) + lag)];
    }
    return sum / (rms(a) * rms(b) * static_cast<double>(a.size() - 400));
}

/// `samples` without their noise, asked for bit by bit; whether there was any.
bool reduced(std::vector<std::int16_t>& samples, double least_dB = -45.0)
{
    media::SteadyNoise noise(samples, media::kAlignRate_hz, least_dB);
    for (std::size_t end = 0; end < samples.size(); end += kSecond / 3) {
        noise.reduceUntil(end);
    }
    noise.reduceUntil(samples.size());
    return noise.isReduced();
}

} // namespace

TEST(SteadyNoise, IsLoweredAndTheVoiceStaysWhereItWas)
{
    const auto clean = voice();
    auto samples = withNoise(clean, 900.0);
    const double before = rms(std::span(samples).subspan(3 * kSecond, 2 * kSecond));
    EXPECT_TRUE(reduced(samples));
    ASSERT_EQ(samples.size(), clean.size());
    EXPECT_LT(rms(std::span(samples).subspan(3 * kSecond, 2 * kSecond)), 0.5 * before);
    const auto said = std::span<const std::int16_t>(clean).subspan(6 * kSecond);
    const auto heard = std::span<const std::int16_t>(samples).subspan(6 * kSecond);
    int best = 0;
    for (int lag = -160; lag <= 160; ++lag) {
        best = likeness(said, heard, lag) > likeness(said, heard, best) ? lag : best;
    }
    EXPECT_LE(std::abs(best), 4) << "a quarter of a thousandth of a second";
    EXPECT_GT(likeness(said, heard, best), 0.9);
}

TEST(SteadyNoise, AQuietRecordingStaysAsItIs)
{
    const auto clean = withNoise(voice(), 10.0);
    auto samples = clean;
    EXPECT_FALSE(reduced(samples)) << "there is hardly any";
    EXPECT_EQ(samples, clean);
    EXPECT_TRUE(reduced(samples, -90.0));
    const auto said = std::span<const std::int16_t>(clean).subspan(6 * kSecond);
    const auto heard = std::span<const std::int16_t>(samples).subspan(6 * kSecond);
    EXPECT_GT(likeness(said, heard, 0), 0.995);
    EXPECT_NEAR(rms(heard), rms(said), 0.05 * rms(said));
}

TEST(SteadyNoise, WhatWasNotAskedForStaysAsItIs)
{
    const auto noisy = withNoise(voice(), 900.0);
    auto part = noisy;
    auto whole = noisy;
    media::SteadyNoise(part, media::kAlignRate_hz).reduceUntil(4 * kSecond);
    media::SteadyNoise(whole, media::kAlignRate_hz).reduceUntil(whole.size());
    EXPECT_TRUE(std::equal(part.begin(), part.begin() + 4 * kSecond, whole.begin()))
        << "the same, however it is asked for";
    EXPECT_TRUE(std::equal(part.begin() + 5 * kSecond, part.end(), noisy.begin() + 5 * kSecond));
}

TEST(SteadyNoise, NothingAndAMomentAreLeftAlone)
{
    std::vector<std::int16_t> none;
    reduced(none, -90.0);
    EXPECT_TRUE(none.empty());
    std::vector<std::int16_t> moment(50, 1000);
    reduced(moment, -90.0);
    EXPECT_EQ(moment.size(), 50U);
}

TEST(SteadyNoise, IsToldFromAVoiceAndFromStones)
{
    const auto isThere = [](const std::vector<std::int16_t>& samples) {
        return media::hasSteadyNoise(media::loudnesses_dB(samples, media::kAlignRate_hz));
    };
    const auto clean = voice();
    EXPECT_FALSE(isThere(clean)) << "silence is no noise";
    EXPECT_TRUE(isThere(withNoise(clean, 900.0)));
    EXPECT_FALSE(isThere(withNoise(clean, 10.0))) << "far below the voice";
    auto stones = clean;
    addStones(stones, media::kAlignRate_hz, 900.0, 5);
    EXPECT_FALSE(isThere(stones)) << "they come and go";
    EXPECT_FALSE(isThere({}));
    EXPECT_FALSE(isThere(std::vector<std::int16_t>(50, 1000)));
}

/// Nothing is said between two calls, though it is nearly as loud there as in them.
TEST(Condense, TheSilencesInSteadyNoiseAreCutOut)
{
    const auto clean = voice();
    auto samples = clean;
    samples.insert(samples.end(), clean.begin(), clean.end());
    const media::Sound noisy{withNoise(samples, 900.0), media::kAlignRate_hz};
    const auto condensed = media::condense(noisy);
    const double silent_s = 2 * 6.0;
    const double all_s = static_cast<double>(noisy.samples.size()) / kSecond;
    EXPECT_LT(static_cast<double>(condensed.samples.size()) / kSecond, all_s - silent_s + 5.0);
}
