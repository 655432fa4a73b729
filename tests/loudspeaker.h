/// A video whose crew calls the same notes, and a microphone beside the loudspeaker that plays it.
#pragma once

#include "media/condense.h"
#include "media/resample.h"
#include "media/simulated_reader.h"

#include <algorithm>
#include <cmath>
#include <random>

namespace support {

/// The video's sound from go to `to_s`: every note half a second early, over an engine.
inline brumefall::media::Sound onboardSound(const brumefall::plan::Plan& plan, double to_s)
{
    using namespace brumefall;
    auto sound = media::resampled(media::readAloud(plan, {}, 31, 0.0, to_s).sound, media::kAlignRate_hz);
    sound.samples.erase(sound.samples.begin(), sound.samples.begin() + media::kAlignRate_hz / 2);
    std::mt19937 random(9);
    std::normal_distribution<double> engine(0.0, 250.0);
    for (std::int16_t& sample : sound.samples) {
        sample = static_cast<std::int16_t>(std::clamp(sample + engine(random), -32768.0, 32767.0));
    }
    return sound;
}

/// A reading as the microphone hears it beside the loudspeaker, a little late; `played` begins at go.
inline brumefall::media::Sound besideALoudspeaker(
    const brumefall::media::Reading& reading, const brumefall::media::Sound& played)
{
    using namespace brumefall;
    constexpr double kGain = 0.7;
    auto recorded = media::resampled(reading.sound, media::kAlignRate_hz);
    const auto late = static_cast<std::size_t>(0.05 * media::kAlignRate_hz);
    const auto from = static_cast<std::size_t>(reading.from_s * media::kAlignRate_hz);
    for (std::size_t i = late; i < recorded.samples.size(); ++i) {
        const std::size_t at = from + i - late;
        const double heard = at < played.samples.size() ? kGain * played.samples[at] : 0.0;
        recorded.samples[i] =
            static_cast<std::int16_t>(std::clamp(recorded.samples[i] + heard, -32768.0, 32767.0));
    }
    return recorded;
}

} // namespace support
