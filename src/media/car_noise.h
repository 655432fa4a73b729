/// What a rally car sounds like from inside, for practising under it: made, not recorded.
#pragma once

#include "media/sound.h"

namespace brumefall::media {

/// An engine that goes up and down through its gears, gravel and wind, at kVoiceRate_hz; the same each time,
/// again after kNoiseLoop_s.
inline constexpr double kNoiseLoop_s = 24.0;
[[nodiscard]] Sound carNoise(double duration_s);

} // namespace brumefall::media
