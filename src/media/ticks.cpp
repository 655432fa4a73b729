#include "media/ticks.h"

#include "maths/quantile.h"
#include "media/condense.h"
#include "media/resample.h"
#include "media/voice.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace brumefall::media {
namespace {

constexpr double kFirst_s = 2.0; // the player runs steadily by then
constexpr std::array kTicks_s{
    0.0, 0.6, 1.31, 1.85, 2.62, 3.13, 3.95, 4.4}; // uneven: one delay only fits them all
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
    for (const double at_s : kTicks_s) {
        times.push_back(kFirst_s + at_s);
    }
    return times;
}

Sound tickSound()
{
    constexpr double kLoud = 16000.0;
    constexpr double kAfter_s = 2.5; // what hears late hears the last one, too
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
    constexpr double kLeast_s = -0.2;
    constexpr double kMost_s = 2.0;
    constexpr double kNear_s = 0.012;
    constexpr double kStandsOut = 5.0;
    const Sound sound = resampled(recorded, kAlignRate_hz);
    const auto shape = tick(kAlignRate_hz);
    // how much every moment is like the beginning of a tick
    std::vector<float> match(sound.samples.size() > shape.size() ? sound.samples.size() - shape.size() : 0);
    for (std::size_t at = 0; at < match.size(); ++at) {
        float sum = 0.0F;
        for (std::size_t i = 0; i < shape.size(); ++i) {
            sum += shape[i] * static_cast<float>(sound.samples[at + i]);
        }
        match[at] = std::abs(sum);
    }
    if (match.empty() || expected_s.empty()) {
        return {};
    }
    const auto at = [&](double time_s) {
        const auto sample = static_cast<long long>(time_s * kAlignRate_hz);
        return sample >= 0 && sample < std::ssize(match) ? match[static_cast<std::size_t>(sample)] : 0.0F;
    };
    double best_s = kLeast_s;
    double most = -1.0;
    for (double delay_s = kLeast_s; delay_s < kMost_s; delay_s += 1.0 / kAlignRate_hz) {
        double sum = 0.0;
        for (const double tick_s : expected_s) {
            sum += std::sqrt(static_cast<double>(at(tick_s + delay_s))); // a loud knock is no tick
        }
        if (sum > most) {
            most = sum;
            best_s = delay_s;
        }
    }
    // most of them have to be there, each at its place
    const float quiet = std::max(1.0F, maths::median(match));
    const auto heard = std::count_if(expected_s.begin(), expected_s.end(), [&](double tick_s) {
        float loudest = 0.0F;
        for (double off_s = -kNear_s; off_s < kNear_s; off_s += 1.0 / kAlignRate_hz) {
            loudest = std::max(loudest, at(tick_s + best_s + off_s));
        }
        return static_cast<double>(loudest) > kStandsOut * static_cast<double>(quiet);
    });
    return 4 * static_cast<std::size_t>(heard) >= 3 * expected_s.size() ? std::optional(best_s)
                                                                        : std::nullopt;
}

} // namespace brumefall::media
