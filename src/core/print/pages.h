/// Where the pages of a notebook are turned.
///
/// Calls are kept whole. The turns are the cheapest of all by dynamic programming over the calls: each where
/// the plan leaves time to turn, none inside a squeeze, the pages filled evenly (as lines are broken in Knuth
/// & Plass, Software: Practice and Experience 11 (1981), 1119-1184).
#pragma once

#include "plan/plan.h"

#include <span>
#include <vector>

namespace brumefall::print {

/// Calls [first, last) of the plan on one page.
struct Page {
    std::size_t first = 0;
    std::size_t last = 0;
    double turn_s = 0.0; ///< that the plan leaves to turn it; 0 for the last one
    bool in_squeeze = false; ///< it had to be turned where there is no time for what is said already
};

/// `heights` are those of the calls, in the unit of `room`, the height of a page; a call higher than that has
/// a page of its own. A room not above zero throws std::invalid_argument.
[[nodiscard]] std::vector<Page> turnPages(
    const plan::Plan& plan, std::span<const double> heights, double room);

} // namespace brumefall::print
