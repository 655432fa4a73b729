/// What `log` and `tonight` print.
#pragma once

#include "log/rally.h"
#include "log/tonight.h"

#include <nlohmann/json_fwd.hpp>

#include <vector>

namespace brumefall::formats {

/// "brumefall/log/1".
[[nodiscard]] nlohmann::ordered_json rallyToJson(const log::Rally& rally);

/// "brumefall/tonight/1".
/// A row a take, units in the headers.
[[nodiscard]] std::string rallyToCsv(const log::Rally& rally);
[[nodiscard]] nlohmann::ordered_json tonightToJson(const std::vector<log::DrillStretch>& stretches);

} // namespace brumefall::formats
