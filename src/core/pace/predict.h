/// A rehearsal pace from the road alone: a point-mass, quasi-steady-state speed profile.
///
/// Corner speed v = sqrt(mu g R); a forward pass limited by drive grip and power, a backward pass
/// limited by braking, lateral and longitudinal grip sharing a friction circle. After
/// Milliken & Milliken, Race Car Vehicle Dynamics (SAE, 1995), chapter 9.
/// For rehearsal at a desk; never advice on how fast to drive.
#pragma once

#include "pace/pace.h"
#include "road/layout.h"

namespace brumefall::pace {

/// A car on a surface; the defaults are a mid-power car on gravel at night.
struct CarModel {
    double mu = 0.62; ///< grip, sideways
    double brake_mu = 0.52; ///< usable when braking
    double drive_mu = 0.42; ///< usable when driving away
    double mass_kg = 1350.0;
    double power_W = 190'000.0;
    double drag_kg_per_m = 0.55; ///< force over speed squared
    double top_speed_m_s = 48.0;
};

/// The speed profile of `road`, from standstill at go. `step_m` is the grid, coarser on a road that has more
/// than 50,000 steps.
[[nodiscard]] Pace predictPace(const road::Road& road, const CarModel& car, double step_m = 2.0);

} // namespace brumefall::pace
