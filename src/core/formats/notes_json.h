/// Notes as JSON, the way the command line prints them and stage files keep them.
#pragma once

#include "notes/parser.h"

#include <nlohmann/json_fwd.hpp>

namespace brumefall::formats {

/// One note as in the design's NOTE; members that the note lacks are left out.
[[nodiscard]] nlohmann::ordered_json noteToJson(const notes::Note& note);

/// `{"format": "brumefall/notes/1", …}`.
[[nodiscard]] nlohmann::ordered_json notesToJson(const notes::ParsedNotes& parsed);

[[nodiscard]] nlohmann::ordered_json styleToJson(const notes::Style& style);

/// Throws nlohmann::json::exception where a member has the wrong type.
[[nodiscard]] notes::Style styleFromJson(const nlohmann::ordered_json& json);

} // namespace brumefall::formats
