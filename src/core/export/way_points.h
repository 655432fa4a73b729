/// Placed notes as way points, and the track along which they were placed: GPX 1.1.
#pragma once

#include "pace/log.h"
#include "stage/stage.h"

#include <string>

namespace brumefall::exporting {

/// `log` is the one by whose cleaned track `pass` was laid; its positions between two points are those of the
/// straight line. Empty where it has none, or its track is not that of the pass.
[[nodiscard]] std::string wayPoints(
    const stage::Prepared& prepared, const pace::Pass& pass, const pace::Log& log, const std::string& name);

} // namespace brumefall::exporting
