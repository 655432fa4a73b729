#include "plan/sureness.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace brumefall::plan {
namespace {

/// Share of a normal distribution that lies below `x` standard deviations.
double below(double x)
{
    return 0.5 * std::erfc(-x / std::numbers::sqrt2);
}

} // namespace

void addSureness(Plan& plan, const Reader& reader, const Driver& driver, std::span<const double> place_sure_s)
{
    for (std::size_t k = 0; k < plan.notes.size(); ++k) {
        PlannedNote& note = plan.notes[k];
        const double place_s = k < place_sure_s.size() ? place_sure_s[k] : 0.0;
        const double sigma_s = std::max(1e-3, std::hypot(reader.spread_s, place_s));
        note.in_time_share = std::clamp(below((note.window.closes_s - note.end_s) / sigma_s)
                - below((note.window.opens_s - note.end_s) / sigma_s),
            0.0, 1.0);
        // The call is begun at the same place of the road and takes as long; the car is there sooner.
        const double call_s = plan.calls[static_cast<std::size_t>(note.call)].start_s;
        const double needs_s = std::max(0.01, note.end_s - call_s + driver.reaction_s);
        note.holds_to_pace = std::max(0.0, (note.act_s - call_s) / needs_s);
    }
}

} // namespace brumefall::plan
