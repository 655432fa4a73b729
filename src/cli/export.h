/// Stages as files of other kinds, and out of packages.
#pragma once

#include "arguments.h"

namespace brumefall::cli {

/// The suffix of `--to` chooses.
[[nodiscard]] Command exportCommand();
[[nodiscard]] Command unpackCommand();

} // namespace brumefall::cli
