/// How sure it is that a planned note arrives in time.
#pragma once

#include "plan/plan.h"

#include <span>

namespace brumefall::plan {

/// Fills in `in_time_share` and `holds_to_pace` of every note of `plan`. Where a note ends, and where its
/// window lies, are taken as normally distributed: the one with the reader's spread, the other with how sure
/// the place's time is (`place_sure_s`, one standard deviation, by note of the plan).
void addSureness(
    Plan& plan, const Reader& reader, const Driver& driver, std::span<const double> place_sure_s);

} // namespace brumefall::plan
