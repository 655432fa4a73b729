/// The stage that comes with the program.
#pragma once

#include <filesystem>

inline const std::filesystem::path kDemo = DEMO_FOLDER;
