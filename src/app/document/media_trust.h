/// Which media a stage may lead to. A stage folder may come from a stranger: what lies in it is shown, what
/// lies elsewhere only where the user chose it on this machine.
#pragma once

#include <filesystem>

namespace brumefall::app {

/// `file` lies within `stage_folder`, links followed, or was chosen by the user.
[[nodiscard]] bool mayOpen(const std::filesystem::path& stage_folder, const std::filesystem::path& file);

/// The user chose `file`.
void rememberChosen(const std::filesystem::path& file);

} // namespace brumefall::app
