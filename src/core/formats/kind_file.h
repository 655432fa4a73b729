/// Files of one kind and version: "brumefall/<kind>/1" in JSON, bounded, with unknown members kept by the
/// caller.
#pragma once

#include "formats/files.h"
#include "wording/wording.h"

#include <nlohmann/json.hpp>

#include <filesystem>
#include <string>

namespace brumefall::formats {

/// The file's object. Throws FormatError: not JSON, another kind, a newer version, nested too deeply.
[[nodiscard]] nlohmann::ordered_json readKind(const std::filesystem::path& path, const std::string& kind);

/// Writes `json` in one step, with the folder where it is missing. Throws FormatError.
void writeKind(const std::filesystem::path& file, const nlohmann::ordered_json& json);

/// Runs `read`, turning a member of the wrong type into a FormatError.
template <typename Read> auto reading(const std::filesystem::path& path, Read read)
{
    try {
        return read();
    } catch (const nlohmann::json::exception& error) {
        std::string why = error.what();
        if (const auto bracket = why.find("] "); bracket != std::string::npos) {
            why = why.substr(bracket + 2);
        }
        throw FormatError(path.string(), 0,
            wording::filled(
                wording::localized("file", "a member is missing or of the wrong type: %1"), {why}));
    }
}

} // namespace brumefall::formats
