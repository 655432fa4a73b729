#include "pace/car_models.h"

#include "wording/wording.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace brumefall::pace {
namespace {

struct CarClass {
    std::string_view name;
    double mass_kg;
    double power_W;
    double drive_share; ///< of the grip that drives the car
    double top_speed_m_s;
};

constexpr std::array kCars{
    CarClass{wording::localizable("car", "four-wheel drive"), 1350.0, 190'000.0, 0.68, 48.0},
    CarClass{wording::localizable("car", "front-wheel drive, small"), 1200.0, 125'000.0, 0.42, 44.0},
    CarClass{wording::localizable("car", "front-wheel drive, strong"), 1250.0, 165'000.0, 0.44, 46.0},
    CarClass{wording::localizable("car", "rear-wheel drive"), 1250.0, 170'000.0, 0.46, 47.0},
    CarClass{wording::localizable("car", "historic, rear-wheel drive"), 1050.0, 110'000.0, 0.44, 43.0}};

struct Surface {
    std::string_view name;
    double mu;
};

constexpr std::array kSurfaces{Surface{wording::localizable("surface", "gravel"), 0.62},
    Surface{wording::localizable("surface", "tarmac"), 0.95},
    Surface{wording::localizable("surface", "concrete"), 0.9},
    Surface{wording::localizable("surface", "cobbles"), 0.65},
    Surface{wording::localizable("surface", "mud"), 0.42},
    Surface{wording::localizable("surface", "snow"), 0.32},
    Surface{wording::localizable("surface", "ice, studded tyres"), 0.28}};

constexpr double kWet = 0.84;
constexpr double kNight = 0.94;
constexpr double kMostGrip = 1.6; // of any tyre on any road
constexpr double kBrakeShare = 0.84;

template <typename Table> auto namesOf(const Table& table)
{
    std::array<std::string_view, std::tuple_size_v<Table>> names{};
    std::transform(table.begin(), table.end(), names.begin(), [](const auto& entry) { return entry.name; });
    return names;
}

template <typename Table> const auto& named(const Table& table, std::string_view name)
{
    const auto it =
        std::find_if(table.begin(), table.end(), [&](const auto& entry) { return entry.name == name; });
    return it == table.end() ? table.front() : *it;
}

CarModel scaled(CarModel car, double by)
{
    car.mu *= by;
    car.brake_mu *= by;
    car.drive_mu *= by;
    car.power_W *= std::pow(by, 1.5); // force times speed, which goes with the root of grip
    car.top_speed_m_s *= std::sqrt(by);
    return car;
}

Pace stretched(const Pace& pace, double target_time_s)
{
    const double scale = target_time_s / pace.duration_s();
    std::vector<Knot> knots;
    constexpr double kStep_m = 5.0;
    for (double s = 0.0; s < pace.length_m() + kStep_m; s += kStep_m) {
        const double station_m = std::min(s, pace.length_m());
        knots.push_back({station_m, pace.timeAt(station_m) * scale});
    }
    return Pace(knots);
}

} // namespace

std::span<const std::string_view> carNames()
{
    static const auto kNames = namesOf(kCars);
    return kNames;
}

std::span<const std::string_view> surfaceNames()
{
    static const auto kNames = namesOf(kSurfaces);
    return kNames;
}

CarModel carModel(const Rehearsal& rehearsal)
{
    const CarClass& car = named(kCars, rehearsal.car);
    const double mu = named(kSurfaces, rehearsal.surface).mu * (rehearsal.wet ? kWet : 1.0)
        * (rehearsal.night ? kNight : 1.0);
    CarModel model;
    model.mu = mu;
    model.brake_mu = kBrakeShare * mu;
    model.drive_mu = car.drive_share * mu;
    model.mass_kg = car.mass_kg;
    model.power_W = car.power_W;
    model.top_speed_m_s = car.top_speed_m_s * (rehearsal.night ? kNight : 1.0);
    return model;
}

RehearsalPace rehearsalPace(const road::Road& road, const CarModel& car, double target_time_s)
{
    RehearsalPace out{predictPace(road, car), 1.0, false};
    if (!(target_time_s > 0.0) || out.pace.empty()) {
        return out;
    }
    double low = 0.01; // slower
    double high = std::max(kMostGrip / car.mu, 1.0);
    const double fastest_s = predictPace(road, scaled(car, high)).duration_s();
    if (fastest_s > target_time_s) {
        out.needed = high;
        out.beyond_physics = true;
    } else {
        for (int i = 0; i < 24; ++i) {
            const double middle = std::sqrt(low * high);
            (predictPace(road, scaled(car, middle)).duration_s() > target_time_s ? low : high) = middle;
        }
        out.needed = high;
        out.pace = predictPace(road, scaled(car, high));
    }
    out.pace = stretched(out.pace, target_time_s); // the last hundredths, or what no grip gives
    return out;
}

} // namespace brumefall::pace
