/// Found calls and verdicts as JSON: what `align` prints and takes keep.
#pragma once

#include "take/take.h"

#include <nlohmann/json_fwd.hpp>

#include <vector>

namespace brumefall::formats {

[[nodiscard]] nlohmann::ordered_json foundToJson(const std::vector<take::FoundNote>& found);
[[nodiscard]] std::vector<take::FoundNote> foundFromJson(const nlohmann::ordered_json& json);
[[nodiscard]] nlohmann::ordered_json verdictsToJson(const std::vector<take::Verdict>& verdicts);
[[nodiscard]] std::vector<take::Verdict> verdictsFromJson(const nlohmann::ordered_json& json);

} // namespace brumefall::formats
