/// How far a call can be moved by hand and still be on time.
#pragma once

#include "plan/plan.h"

#include <cstddef>

namespace brumefall::plan {

/// Earliest and latest start of a call, in seconds from go, with every one of its notes inside its window.
/// Where the windows leave no such start, `earliest_s` is after `latest_s`.
struct CallLimits {
    double earliest_s;
    double latest_s;
};

/// Throws std::out_of_range where the plan has no such call.
[[nodiscard]] CallLimits callLimits(const Plan& plan, std::size_t call);

} // namespace brumefall::plan
