/// Styles of the main schools, to start from.
#pragma once

#include "notes/style.h"

#include <vector>

namespace brumefall::notes {

/// Each has a name; the first is the one that a new stage starts with: everything detected.
[[nodiscard]] const std::vector<Style>& readyMadeStyles();

} // namespace brumefall::notes
