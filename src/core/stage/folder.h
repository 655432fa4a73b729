/// Stage folders as wholes: carried elsewhere, and what a folder's name may be.
#pragma once

#include <filesystem>
#include <string>

namespace brumefall::stage {

/// Copies the stage in folder `from` to folder `to`, which must not hold one: the stage, its passes and its
/// takes with their recordings. Media stay where they are; the copied passes point there. Members that this
/// version does not know are copied too. Throws formats::FormatError; what was copied by then is taken away.
void copyStage(const std::filesystem::path& from, const std::filesystem::path& to);

/// As `file` is best written in a stage in `folder`: relative where that does not lead above its parent.
[[nodiscard]] std::string mediaPath(const std::filesystem::path& file, const std::filesystem::path& folder);

} // namespace brumefall::stage
