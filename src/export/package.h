/// A stage, or a rally of them, as one file to carry elsewhere: a .zip.
#pragma once

#include "media/sound.h"

#include <filesystem>
#include <string>
#include <vector>

namespace brumefall::exporting {

/// Packs the stage or the rally in `folder` into `to`, with its media or without. Links, and what is no part
/// of a stage, stay out. Throws formats::FormatError where it cannot be written or was stopped. Returns what
/// the user should know: media that lie elsewhere and are not in it.
[[nodiscard]] std::vector<std::string> pack(const std::filesystem::path& folder,
    const std::filesystem::path& to, bool with_media, const media::Progress& progress = {});

/// Unpacks `package` into a new folder of its name in `into`, and returns that: a stage's, or a rally's.
/// Throws formats::FormatError, and leaves nothing, where it is no package, holds a path that leads out of
/// the folder, a link or a device, or is larger unpacked than a stage can be.
[[nodiscard]] std::filesystem::path unpack(const std::filesystem::path& package,
    const std::filesystem::path& into, const media::Progress& progress = {});

} // namespace brumefall::exporting
