#include "media/ticks.h"

#include "media/condense.h"
#include "media/resample.h"
#include "media/voice.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace brumefall::media {
namespace {

constexpr int kTicks = 8;
constexpr double kFirst_s = 2.0; // the player runs steadily by then
constexpr double kBetween_s = 0.6;
constexpr double kTick_s = 0.008;
constexpr double kTone_hz = 2200.0;

/// The tick at `rate_hz`: a tone that dies away.
std::vector<float> tick(int rate_hz)
{
    std::vector<float> out(static_cast<std::size_t>(kTick_s * rate_hz));
    for (std::size_t i = 0; i < out.size(); ++i) {
        const double t_s = static_cast<double>(i) / rate_hz;
        out[i] = static_cast<float>(
            std::exp(-t_s / (0.3 * kTick_s)) * std::sin(2.0 * std::numbers::pi * kTone_hz * t_s));
    }
    return out;
}

} // namespace

std::vector<double> tickTimes()
{
    std::vector<double> times;
    for (int i = 0; i < kTicks; ++i) {
        times.push_back(kFirst_s + i * kBetween_s);
    }
    return times;
}

Sound tickSound()
{
    constexpr double kLoud = 16000.0;
    constexpr double kAfter_s = 1.5;
    const auto times = tickTimes();
    Sound sound{{}, kVoiceRate_hz};
    sound.samples.resize(static_cast<std::size_t>((times.back() + kAfter_s) * kVoiceRate_hz), 0);
    const auto shape = tick(kVoiceRate_hz);
    for (const double at_s : times) {
        const auto first = static_cast<std::size_t>(at_s * kVoiceRate_hz);
        for (std::size_t i = 0; i < shape.size(); ++i) {
            sound.samples[first + i] = static_cast<std::int16_t>(kLoud * static_cast<double>(shape[i]));
        }
    }
    return sound;
}

std::optional<double> tickDelay_s(const Sound& recorded, std::span<const double> expected_s)
{
    constexpr double kBefore_s = 0.1;
    constexpr double kAfter_s = 0.45; // less than the ticks are apart
    constexpr double kStandsOut = 6.0;
    constexpr double kAgree_s = 0.012;
    const Sound sound = resampled(recorded, kAlignRate_hz);
    const auto shape = tick(kAlignRate_hz);
    std::vector<double> delays;
    for (const double at_s : expected_s) {
        const auto first = static_cast<long long>((at_s - kBefore_s) * kAlignRate_hz);
        const auto last = static_cast<long long>((at_s + kAfter_s) * kAlignRate_hz);
        std::vector<double> match;
        for (long long from = first; from < last; ++from) {
            double sum = 0.0;
            for (std::size_t i = 0; i < shape.size(); ++i) {
                const long long s = from + static_cast<long long>(i);
                if (s >= 0 && s < std::ssize(sound.samples)) {
                    sum += static_cast<double>(shape[i]) * sound.samples[static_cast<std::size_t>(s)];
                }
            }
            match.push_back(std::abs(sum));
        }
        const auto best = std::max_element(match.begin(), match.end());
        auto sorted = match;
        std::nth_element(sorted.begin(), sorted.begin() + std::ssize(sorted) / 2, sorted.end());
        if (*best > kStandsOut * std::max(1.0, sorted[sorted.size() / 2])) {
            delays.push_back(static_cast<double>(best - match.begin()) / kAlignRate_hz - kBefore_s);
        }
    }
    if (2 * delays.size() <= expected_s.size()) {
        return {};
    }
    std::sort(delays.begin(), delays.end());
    const double middle_s = delays[delays.size() / 2];
    const auto agreeing = std::count_if(
        delays.begin(), delays.end(), [&](double d) { return std::abs(d - middle_s) < kAgree_s; });
    return 2 * static_cast<std::size_t>(agreeing) > expected_s.size() ? std::optional(middle_s)
                                                                      : std::nullopt;
}

} // namespace brumefall::media
