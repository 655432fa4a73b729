#include "drive.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <numbers>

namespace demo {
namespace {

constexpr double kAfter_s = 4.0;
constexpr std::array kTopOfGear_m_s{10.0, 16.0, 23.0, 31.0, 40.0, 60.0};

} // namespace

double Drive::stationAt(double media_s) const
{
    const double t = media_s - go_s;
    if (t <= 0.0) {
        return 0.0;
    }
    return std::min(pace.stationAt(t), pace.length_m());
}

double Drive::speedAt(double media_s) const
{
    const double t = media_s - go_s;
    if (t <= 0.0 || t >= pace.duration_s()) {
        return 0.0;
    }
    return pace.speedAt(pace.stationAt(t));
}

double Drive::duration_s() const
{
    return go_s + pace.duration_s() + kAfter_s;
}

std::vector<std::int16_t> Engine::sound(const Drive& drive, double from_s, double length_s)
{
    std::vector<std::int16_t> samples(static_cast<std::size_t>(length_s * kEngineRate_hz));
    std::uniform_real_distribution<double> noise(-1.0, 1.0);
    double speed = 0.0;
    double faster = 0.0;
    for (std::size_t i = 0; i < samples.size(); ++i) {
        if (i % 160 == 0) {
            const double t = from_s + static_cast<double>(i) / kEngineRate_hz;
            speed = drive.speedAt(t);
            faster = drive.speedAt(t + 0.3) - speed;
            while (gear_ < 6 && speed > kTopOfGear_m_s.at(static_cast<std::size_t>(gear_ - 1))) {
                ++gear_;
            }
            while (gear_ > 1 && speed < 0.62 * kTopOfGear_m_s.at(static_cast<std::size_t>(gear_ - 2))) {
                --gear_;
            }
            const double share = speed / kTopOfGear_m_s.at(static_cast<std::size_t>(gear_ - 1));
            const double wished = 16.0 + 82.0 * std::clamp(share, 0.0, 1.1);
            revs_hz_ += (wished - revs_hz_) * 0.25;
        }
        phase_ += revs_hz_ * 2.0 / kEngineRate_hz;
        phase_ -= std::floor(phase_);
        double value = 0.0;
        for (int harmonic = 1; harmonic <= 7; ++harmonic) {
            value += std::sin(2.0 * std::numbers::pi * phase_ * harmonic + 0.4 * harmonic) / (harmonic + 0.4);
        }
        const double load = faster > 0.0 ? 1.0 : 0.55;
        rough_ += (noise(random_) - rough_) * 0.35;
        const double gravel = rough_ * std::min(1.0, speed / 30.0);
        samples[i] =
            static_cast<std::int16_t>(std::clamp(4200.0 * load * value + 5200.0 * gravel, -32000.0, 32000.0));
    }
    return samples;
}

} // namespace demo
