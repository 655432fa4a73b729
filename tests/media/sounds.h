/// What tests of sounds share.
#pragma once

#include "media/condense.h"
#include "media/resample.h"
#include "media/sound.h"

#include <algorithm>
#include <cstddef>
#include <cstdint>
#include <random>
#include <span>
#include <vector>

inline constexpr std::size_t kSecond = brumefall::media::kAlignRate_hz; ///< samples

/// Twelve times a second something hits the floor under the sound and rings for some hundredths of a second.
inline void addStones(std::vector<std::int16_t>& samples, int rate_hz, double loudness, unsigned seed)
{
    constexpr double kStonesIn1s = 12.0;
    std::mt19937 random(seed);
    std::normal_distribution<double> noise(0.0, 1.0);
    std::uniform_real_distribution<double> any(0.0, 1.0);
    double stone = 0.0;
    for (std::int16_t& sample : samples) {
        stone = any(random) < kStonesIn1s / rate_hz ? 1.0 + 4.0 * any(random) : 0.997 * stone;
        sample = static_cast<std::int16_t>(
            std::clamp(sample + loudness * stone * noise(random), -32768.0, 32767.0));
    }
}

/// Half a second of silence between the two.
inline brumefall::media::Sound joined(
    const brumefall::media::Sound& first, const brumefall::media::Sound& then)
{
    auto out = brumefall::media::resampled(first, brumefall::media::kAlignRate_hz);
    const auto more = brumefall::media::resampled(then, brumefall::media::kAlignRate_hz);
    out.samples.insert(out.samples.end(), out.rate_hz / 2, 0);
    out.samples.insert(out.samples.end(), more.samples.begin(), more.samples.end());
    return out;
}

/// A tenth of a second at a time, as from a microphone.
template <class Hears> void hearInBlocks(Hears& hears, const brumefall::media::Sound& sound)
{
    constexpr std::size_t kBlock = kSecond / 10;
    for (std::size_t at = 0; at < sound.samples.size(); at += kBlock) {
        hears.hear(std::span(sound.samples).subspan(at, std::min(kBlock, sound.samples.size() - at)));
    }
}
