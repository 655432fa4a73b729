/// Notes, plan and verdicts as tables (RFC 4180), with units in their headers.
#pragma once

#include "stage/stage.h"

#include <string>

namespace brumefall::exporting {

/// A row a note: what was understood of it, and where it is.
[[nodiscard]] std::string notesTable(const stage::Prepared& prepared);

/// A row a planned note, those said again included: when it is said, in which window, how far ahead.
[[nodiscard]] std::string planTable(const plan::Plan& plan);

/// A row a note of the take: what became of it.
[[nodiscard]] std::string verdictsTable(const stage::Take& take);

} // namespace brumefall::exporting
