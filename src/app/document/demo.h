/// The demo stage, wherever the application runs from.
#pragma once

#include <filesystem>
#include <optional>

namespace brumefall::app {

/// Where the demo ships: beside an installed program, or in the source tree that it was built in. Nothing
/// where it is not there.
[[nodiscard]] std::optional<std::filesystem::path> shippedDemo();

/// The user's own copy of the demo, in the application's data folder, made from the shipped one where it is
/// not there yet. Throws std::filesystem::filesystem_error.
[[nodiscard]] std::filesystem::path ownDemo(const std::filesystem::path& shipped);

} // namespace brumefall::app
