/// Draft notes from captions as the command line prints them.
#pragma once

#include "captions/draft.h"

#include <nlohmann/json_fwd.hpp>

namespace brumefall::formats {

/// "brumefall/notes/1" with the draft's times, stages and repairs.
[[nodiscard]] nlohmann::ordered_json draftToJson(const captions::Draft& draft);

} // namespace brumefall::formats
