/// Where to breathe: notes grouped into calls anew.
///
/// Dynamic programming over the ends of calls, as in breaking a paragraph into lines (Knuth & Plass,
/// Software: Practice and Experience 11 (1981), 1119-1184): a call costs what its rigid rhythm takes its
/// notes away from their wished moments, a break costs the breath that the road leaves no time for, and no
/// call is longer than one breath.
#pragma once

#include "plan/plan.h"

#include <cstddef>
#include <vector>

namespace brumefall::plan {

/// A proposal: for every note of the plan, whether a call begins with it; and how it compares.
struct Grouping {
    std::vector<bool> begins;
    int changed = 0; ///< boundaries that differ from the plan's
};

/// Groups notes [first, last) of `plan` anew; the others keep their calls. Echoes and lines that are pinned
/// stay as they are.
[[nodiscard]] Grouping proposeGrouping(
    const Plan& plan, const Reader& reader, std::size_t first, std::size_t last);

} // namespace brumefall::plan
