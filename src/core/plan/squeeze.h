/// Where the best plan is still late, why, and what would help.
#pragma once

#include "plan/plan.h"

namespace brumefall::plan {

/// Finds the runs of notes that end after their windows close and fills `plan.squeezes`. Every remedy's
/// saving is what a new schedule with it would save at the worst note.
void findSqueezes(Plan& plan, const PlanInput& input);

} // namespace brumefall::plan
