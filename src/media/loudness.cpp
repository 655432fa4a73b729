#include "media/loudness.h"

#include <algorithm>

namespace brumefall::media {

std::vector<double> meanSquares(std::span<const std::int16_t> samples, int rate_hz)
{
    const auto frame = static_cast<std::size_t>(rate_hz / 100);
    std::vector<double> out(samples.size() / frame);
    for (std::size_t f = 0; f < out.size(); ++f) {
        out[f] = meanSquare(samples.subspan(f * frame, frame));
    }
    return out;
}

std::vector<float> loudnesses_dB(std::span<const std::int16_t> samples, int rate_hz)
{
    const auto squares = meanSquares(samples, rate_hz);
    std::vector<float> out(squares.size());
    std::transform(squares.begin(), squares.end(), out.begin(), loudness_dB);
    return out;
}

std::vector<float> syllableLevels_dB(std::span<const float> loudness_dB, std::size_t around)
{
    const std::size_t size = loudness_dB.size();
    std::vector<float> smooth(size);
    for (std::size_t f = 0; f < size; ++f) { // a click is no syllable
        const std::size_t before = f > 0 ? f - 1 : f;
        const std::size_t after = f + 1 < size ? f + 1 : f;
        smooth[f] = (loudness_dB[before] + loudness_dB[f] + loudness_dB[after]) / 3.0F;
    }
    std::vector<float> out(size);
    for (std::size_t f = 0; f < size; ++f) {
        const auto first = smooth.begin() + static_cast<std::ptrdiff_t>(f > around ? f - around : 0);
        const auto last = smooth.begin() + static_cast<std::ptrdiff_t>(std::min(size, f + around + 1));
        out[f] = *std::max_element(first, last);
    }
    return out;
}

} // namespace brumefall::media
