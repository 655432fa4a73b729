#include "media/car_noise.h"

#include "media/voice.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>
#include <random>

namespace brumefall::media {
namespace {

/// Turns of the engine a second at `t_s`: up through a gear, down at the shift. Goes round every
/// kNoiseLoop_s.
double turnsAt(double t_s)
{
    constexpr std::array<double, 6> kGears_s{3.0, 4.0, 5.0, 3.5, 4.5, 4.0};
    constexpr double kLow_hz = 55.0;
    constexpr double kHigh_hz = 105.0;
    t_s = std::fmod(t_s, kNoiseLoop_s);
    for (const double gear_s : kGears_s) {
        if (t_s < gear_s) {
            return kLow_hz + (kHigh_hz - kLow_hz) * t_s / gear_s;
        }
        t_s -= gear_s;
    }
    return kLow_hz;
}

std::vector<std::int16_t> loop()
{
    constexpr double kLevel = 2600.0;
    const auto count = static_cast<std::size_t>(kNoiseLoop_s * kVoiceRate_hz);
    std::minstd_rand random(11);
    std::normal_distribution<double> white(0.0, 1.0);
    std::vector<std::int16_t> out(count);
    double phase = 0.0;
    double gravel = 0.0;
    double wind = 0.0;
    for (std::size_t i = 0; i < count; ++i) {
        const double t_s = static_cast<double>(i) / kVoiceRate_hz;
        phase += 2.0 * std::numbers::pi * turnsAt(t_s) / kVoiceRate_hz;
        const double engine = 0.5 * std::sin(phase) + 0.35 * std::sin(2.0 * phase)
            + 0.2 * std::sin(3.0 * phase) + 0.12 * std::sin(6.0 * phase);
        gravel += 0.35 * (white(random) - gravel);
        wind += 0.02 * (white(random) - wind);
        const double ends = std::min({1.0, t_s / 0.2, (kNoiseLoop_s - t_s) / 0.2});
        out[i] = static_cast<std::int16_t>(
            std::clamp(kLevel * ends * (0.55 * engine + 0.5 * gravel + 2.0 * wind), -32000.0, 32000.0));
    }
    return out;
}

} // namespace

Sound carNoise(double duration_s)
{
    static const std::vector<std::int16_t> kLoop = loop();
    Sound sound{{}, kVoiceRate_hz};
    const auto count = static_cast<std::size_t>(std::max(0.0, duration_s) * kVoiceRate_hz);
    sound.samples.reserve(count);
    while (sound.samples.size() < count) {
        const auto more = std::min(kLoop.size(), count - sound.samples.size());
        sound.samples.insert(
            sound.samples.end(), kLoop.begin(), kLoop.begin() + static_cast<std::ptrdiff_t>(more));
    }
    return sound;
}

} // namespace brumefall::media
