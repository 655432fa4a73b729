/// How loud a recording is from one hundredth of a second to the next.
#pragma once

#include <cmath>
#include <cstddef>
#include <cstdint>
#include <span>
#include <vector>

namespace brumefall::media {

/// Mean square of some samples, whatever their unit.
template <typename Sample> [[nodiscard]] double meanSquare(std::span<const Sample> samples)
{
    double sum = 0.0;
    for (const Sample sample : samples) {
        sum += static_cast<double>(sample) * static_cast<double>(sample);
    }
    return samples.empty() ? 0.0 : sum / static_cast<double>(samples.size());
}

/// The same in decibels; silence is 0 dB, a step of 16 bits is 3 dB.
[[nodiscard]] inline float loudness_dB(double mean_square)
{
    return static_cast<float>(10.0 * std::log10(1.0 + mean_square));
}

/// Mean square of every hundredth of a second that is whole.
[[nodiscard]] std::vector<double> meanSquares(std::span<const std::int16_t> samples, int rate_hz);

/// Loudness of the same, in decibels.
[[nodiscard]] std::vector<float> loudnesses_dB(std::span<const std::int16_t> samples, int rate_hz);

/// How loud the syllable around each hundredth of a second is: the loudest within a fifth of a second, or
/// `around` hundredths, as a word's weak sounds are its speaker's too. From the loudness of the hundredths,
/// in dB, as is the result.
[[nodiscard]] std::vector<float> syllableLevels_dB(
    std::span<const float> loudness_dB, std::size_t around = 20);

} // namespace brumefall::media
