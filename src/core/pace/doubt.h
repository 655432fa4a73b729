/// Marks that can hardly be meant, before they are made.
#pragma once

#include "pace/pass.h"

#include <string>

namespace brumefall::pace {

/// Why the note `index` of `placement` can hardly be reached at `time_s`, seconds from go, in words; empty
/// where it can. A note lies between the marks around it, and the car between two marks is not three times as
/// fast or as slow as the road there says.
[[nodiscard]] std::string doubtOfMark(const Placement& placement, std::size_t index, double time_s);

} // namespace brumefall::pace
