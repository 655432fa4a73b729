/// What an automatic captioner would make of the calls: typical mishearings, seeded.
#pragma once

#include "plan/plan.h"

#include <string>

namespace demo {

/// SRT of the planned calls, with `offset_s` from go to the media's own time.
[[nodiscard]] std::string faultyCaptions(const brumefall::plan::Plan& plan, double offset_s, unsigned seed);

} // namespace demo
