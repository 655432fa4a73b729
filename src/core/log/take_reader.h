/// Takes read for the log: only what their summary is made of, so that a rally of thousands is there at once.
#pragma once

#include "stage/stage.h"

#include <filesystem>

namespace brumefall::log {

/// The take in `file` without its pace, its words' times and what is only drawn. Throws formats::FormatError
/// as stage::readTake does.
[[nodiscard]] stage::Take readTakeForLog(const std::filesystem::path& file);

} // namespace brumefall::log
