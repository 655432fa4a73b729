/// Sound at another rate.
#pragma once

#include "media/sound.h"

namespace brumefall::media {

/// `sound` at another rate, by FFmpeg's resampler.
[[nodiscard]] Sound resampled(Sound sound, int rate_hz);

} // namespace brumefall::media
