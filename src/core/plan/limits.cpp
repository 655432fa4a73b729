#include "plan/limits.h"

#include <algorithm>
#include <limits>

namespace brumefall::plan {

CallLimits callLimits(const Plan& plan, std::size_t call)
{
    const PlannedCall& planned = plan.calls.at(call);
    CallLimits limits{plan.not_before_s, std::numeric_limits<double>::max()};
    for (std::size_t k = planned.first; k < planned.last; ++k) {
        const PlannedNote& note = plan.notes[k];
        const double ends_after_s = note.end_s - planned.start_s;
        limits.earliest_s = std::max(limits.earliest_s, note.window.opens_s - ends_after_s);
        limits.latest_s = std::min(limits.latest_s, note.window.closes_s - ends_after_s);
    }
    return limits;
}

} // namespace brumefall::plan
