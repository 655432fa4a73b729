#include "media/loudness.h"

#include <algorithm>
#include <cmath>
#include <utility>

namespace brumefall::media {
namespace {

/// The medians of the two classes into which `levels`, in rising order, fall (Lloyd, IEEE Transactions on
/// Information Theory 28 (1982), 129-137, with medians).
std::optional<std::pair<float, float>> mediansOfTwo(std::span<const float> levels)
{
    constexpr int kMostSteps = 30;
    constexpr float kSame_dB = 0.05F;
    if (levels.empty()) {
        return {};
    }
    std::pair medians{levels.front(), levels.back()};
    for (int step = 0; step < kMostSteps; ++step) {
        const float parts_dB = 0.5F * (medians.first + medians.second);
        const auto below = static_cast<std::size_t>(
            std::lower_bound(levels.begin(), levels.end(), parts_dB) - levels.begin());
        if (below == 0 || below == levels.size()) {
            return {};
        }
        const std::pair now{levels[below / 2], levels[below + (levels.size() - below) / 2]};
        const float before_dB = std::exchange(medians, now).second;
        if (std::abs(now.second - before_dB) < kSame_dB) {
            break;
        }
    }
    return medians;
}

} // namespace

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

std::vector<float> syllableLevels_dB(std::span<const float> loudness_dB)
{
    constexpr std::size_t kAround = 20;
    const std::size_t size = loudness_dB.size();
    std::vector<float> smooth(size);
    for (std::size_t f = 0; f < size; ++f) { // a click is no syllable
        const std::size_t before = f > 0 ? f - 1 : f;
        const std::size_t after = f + 1 < size ? f + 1 : f;
        smooth[f] = (loudness_dB[before] + loudness_dB[f] + loudness_dB[after]) / 3.0F;
    }
    std::vector<float> out(size);
    for (std::size_t f = 0; f < size; ++f) {
        const auto first = smooth.begin() + static_cast<std::ptrdiff_t>(f > kAround ? f - kAround : 0);
        const auto last = smooth.begin() + static_cast<std::ptrdiff_t>(std::min(size, f + kAround + 1));
        out[f] = *std::max_element(first, last);
    }
    return out;
}

std::optional<float> softerVoiceBelow_dB(std::span<const float> syllable_levels_dB)
{
    constexpr float kSpeech_dB = 15.0F;
    constexpr std::size_t kLeast = 100; ///< a second
    constexpr float kStep_dB = 0.25F;
    constexpr float kAround_dB = 0.75F;
    std::vector<float> levels(syllable_levels_dB.begin(), syllable_levels_dB.end());
    if (levels.size() < kLeast) {
        return {};
    }
    std::sort(levels.begin(), levels.end());
    const float most_dB = levels[levels.size() - 1 - levels.size() / 50];
    const auto medians =
        mediansOfTwo({std::lower_bound(levels.begin(), levels.end(), most_dB - kSpeech_dB), levels.end()});
    if (!medians) {
        return {};
    }
    const auto [softer_dB, louder_dB] = *medians;
    const auto countAround = [&](float dB) {
        return std::lower_bound(levels.begin(), levels.end(), dB + kAround_dB)
            - std::lower_bound(levels.begin(), levels.end(), dB - kAround_dB);
    };
    float fewest_dB = 0.5F * (softer_dB + louder_dB);
    for (float dB = louder_dB; dB >= softer_dB; dB -= kStep_dB) {
        if (countAround(dB) <= countAround(fewest_dB)) {
            fewest_dB = dB;
        }
    }
    return fewest_dB;
}

} // namespace brumefall::media
