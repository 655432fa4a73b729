/// Cars, surfaces and conditions for the rehearsal pace, by generic names. Grip values are mid-range
/// published tyre figures (Wong, Theory of Ground Vehicles, 4th ed., table 1.2 and chapter 1); they shape a
/// rehearsal, nothing else.
#pragma once

#include "pace/predict.h"

#include <span>
#include <string>
#include <string_view>

namespace brumefall::pace {

/// What the rehearsal pace is made for; names are those of the tables below.
struct Rehearsal {
    std::string car = "four-wheel drive";
    std::string surface = "gravel";
    bool wet = false;
    bool night = false;
    double target_time_s = 0.0; ///< 0: as the road gives it

    bool operator==(const Rehearsal&) const = default;
};

[[nodiscard]] std::span<const std::string_view> carNames();
[[nodiscard]] std::span<const std::string_view> surfaceNames();

/// Unknown names are taken as the first of their table.
[[nodiscard]] CarModel carModel(const Rehearsal& rehearsal);

/// The rehearsal pace of `road`, its grip and power scaled together until it takes the target time, where
/// there is one. `needed` is that scale: 1 as modelled; what is far above 1 no car could do.
struct RehearsalPace {
    Pace pace;
    double needed = 1.0;
    bool beyond_physics =
        false; ///< the target was not reached within what any tyre holds; the pace is stretched to it
};
[[nodiscard]] RehearsalPace rehearsalPace(const road::Road& road, const CarModel& car, double target_time_s);

} // namespace brumefall::pace
