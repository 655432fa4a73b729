/// Notes as JSON, the way the command line prints them and stage files keep them.
#pragma once

#include "notes/parser.h"

#include <nlohmann/json_fwd.hpp>

#include <filesystem>

namespace brumefall::formats {

/// One note as in the design's NOTE; members that the note lacks are left out.
[[nodiscard]] nlohmann::ordered_json noteToJson(const notes::Note& note);

/// `{"format": "brumefall/notes/1", …}`.
[[nodiscard]] nlohmann::ordered_json notesToJson(const notes::ParsedNotes& parsed);

[[nodiscard]] nlohmann::ordered_json styleToJson(const notes::Style& style);

/// Throws nlohmann::json::exception where a member has the wrong type.
[[nodiscard]] notes::Style styleFromJson(const nlohmann::ordered_json& json);

/// A crew's style as a file of its own, "brumefall/style/1", to carry to another stage. They throw
/// FormatError.
[[nodiscard]] notes::Style readStyle(const std::filesystem::path& file);
void writeStyle(const std::filesystem::path& file, const notes::Style& style);

} // namespace brumefall::formats
