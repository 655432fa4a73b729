/// Files that are needed for a while only: the guide's sound, a microphone's ticks.
#pragma once

#include <QString>

namespace brumefall::app {

/// For a QTemporaryDir: the folder's name tells whose it is, so that it can be cleared away after a kill.
[[nodiscard]] QString scratchTemplate();

/// Clears away what programs that are no more have left.
void clearLeftScratch();

} // namespace brumefall::app
