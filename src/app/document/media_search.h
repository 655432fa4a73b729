/// A video that is not where its pass says: a stage folder that was carried elsewhere, a file renamed.
#pragma once

#include "pace/pass.h"

#include <filesystem>
#include <optional>

namespace brumefall::app {

/// The file that is most probably `media`, looked for in the stage's folder, its media folder and the folder
/// beside it. Most probable first: the same name and size, the same size under another name, the same name or
/// kind of file and the same length (a copy made anew). Nothing where none of these is there.
[[nodiscard]] std::optional<std::filesystem::path> findMoved(
    const std::filesystem::path& stage_folder, const pace::Media& media);

/// Two lengths of the same recording: containers round differently.
inline constexpr double kSameLength_s = 0.5;

} // namespace brumefall::app
