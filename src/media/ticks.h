/// A tick played and heard again: by how much a microphone hears late.
#pragma once

#include "media/sound.h"

#include <optional>
#include <span>
#include <vector>

namespace brumefall::media {

/// Short, sharp ticks in a quiet room, at kVoiceRate_hz; where they begin is in tickTimes().
[[nodiscard]] Sound tickSound();
[[nodiscard]] std::vector<double> tickTimes();

/// How much later than `expected_s` (seconds from its beginning) the ticks are in `recorded`: the middle of
/// them all, found with the tick itself as a filter. Nothing where most are not heard, or they do not agree.
[[nodiscard]] std::optional<double> tickDelay_s(const Sound& recorded, std::span<const double> expected_s);

} // namespace brumefall::media
