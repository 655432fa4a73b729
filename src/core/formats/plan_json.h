/// A plan as JSON, the way the command line prints it and takes keep it.
#pragma once

#include "plan/plan.h"

#include <nlohmann/json_fwd.hpp>

namespace brumefall::formats {

/// `{"format": "brumefall/plan/1", …}`.
[[nodiscard]] nlohmann::ordered_json planToJson(const plan::Plan& plan);

/// Reads what planToJson wrote, squeezes aside. Throws nlohmann::json::exception on a wrong type.
[[nodiscard]] plan::Plan planFromJson(const nlohmann::ordered_json& json);

} // namespace brumefall::formats
