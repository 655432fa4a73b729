#include "pace/predict.h"

#include <algorithm>
#include <cmath>

namespace brumefall::pace {
namespace {

constexpr double kGravity_m_s2 = 9.81;
constexpr double kStartSpeed_m_s = 1.5;

std::vector<double> cornerSpeeds(
    const road::Road& road, const CarModel& car, std::size_t count, double step_m)
{
    std::vector<double> limit(count, car.top_speed_m_s);
    for (const auto& note : road.notes) {
        double station_m = note.station_m;
        for (const auto& piece : note.pieces) {
            const double turn_rad = std::abs(piece.turn_deg) * 3.14159265358979 / 180.0;
            if (turn_rad > 0.0) {
                const double speed = std::sqrt(car.mu * kGravity_m_s2 * piece.length_m / turn_rad);
                const auto first = static_cast<std::size_t>(std::max(0.0, station_m / step_m));
                const auto last =
                    static_cast<std::size_t>(std::max(0.0, (station_m + piece.length_m) / step_m));
                for (std::size_t i = first; i <= last && i < count; ++i) {
                    limit[i] = std::min(limit[i], speed);
                }
            }
            station_m += piece.length_m;
        }
        if (note.slowed < 1.0) {
            constexpr double kShortest_m = 16.0;
            constexpr double kUsual_m_s = 30.0; // what a straight is driven at where something slows
            const double end_m = note.station_m + std::max(note.length_m, kShortest_m);
            const auto last = static_cast<std::size_t>(std::max(0.0, end_m / step_m));
            for (auto i = static_cast<std::size_t>(std::max(0.0, note.station_m / step_m));
                 i <= last && i < count; ++i) {
                limit[i] = std::min(limit[i], kUsual_m_s) * note.slowed;
            }
        }
    }
    return limit;
}

/// Share of the longitudinal grip left by cornering at `speed` where the corner allows `limit`.
double gripLeft(double speed, double limit, double top_speed)
{
    if (limit >= top_speed) {
        return 1.0;
    }
    const double lateral = std::min(1.0, (speed * speed) / (limit * limit));
    return std::sqrt(std::max(0.02, 1.0 - lateral * lateral));
}

} // namespace

Pace predictPace(const road::Road& road, const CarModel& car, double step_m)
{
    const double length_m = std::max(road.length_m, 2.0 * step_m);
    constexpr double kMostSteps = 50'000.0; // what no stage is long enough for is walked more coarsely
    step_m = std::max(step_m, length_m / kMostSteps);
    const auto count = static_cast<std::size_t>(std::ceil(length_m / step_m)) + 1;
    const auto limit = cornerSpeeds(road, car, count, step_m);
    std::vector<double> speed = limit;
    speed[0] = kStartSpeed_m_s;
    for (std::size_t i = 0; i + 1 < count; ++i) {
        const double v = speed[i];
        const double drive = std::min(car.drive_mu * kGravity_m_s2 * gripLeft(v, limit[i], car.top_speed_m_s),
            car.power_W / (car.mass_kg * std::max(v, 1.0)));
        const double a = drive - car.drag_kg_per_m * v * v / car.mass_kg;
        speed[i + 1] = std::min(limit[i + 1], std::sqrt(std::max(1.0, v * v + 2.0 * a * step_m)));
    }
    for (std::size_t i = count - 1; i-- > 0;) {
        const double v = speed[i + 1];
        const double a = car.brake_mu * kGravity_m_s2 * gripLeft(v, limit[i + 1], car.top_speed_m_s);
        speed[i] = std::min(speed[i], std::sqrt(v * v + 2.0 * a * step_m));
    }
    std::vector<Knot> knots;
    knots.reserve(count);
    double time_s = 0.0;
    knots.push_back({0.0, 0.0});
    for (std::size_t i = 1; i < count; ++i) {
        const double station_m = std::min(static_cast<double>(i) * step_m, length_m);
        const double ds = station_m - knots.back().station_m;
        time_s += 2.0 * ds / (speed[i - 1] + speed[i]);
        knots.push_back({station_m, time_s});
    }
    return Pace(knots);
}

} // namespace brumefall::pace
