/// What `judge` and `tune` print.
#pragma once

#include "take/causes.h"
#include "take/take.h"
#include "tune/tuning.h"

#include <nlohmann/json_fwd.hpp>

#include <vector>

namespace brumefall::formats {

/// "brumefall/verdicts/1": notes that were due outside the sound are left out.
[[nodiscard]] nlohmann::ordered_json judgedToJson(const plan::Plan& plan,
    const std::vector<take::Verdict>& verdicts, const std::vector<take::Reason>& reasons);

/// "brumefall/tuning/1".
[[nodiscard]] nlohmann::ordered_json tuningToJson(const tune::Tuning& tuning);

} // namespace brumefall::formats
