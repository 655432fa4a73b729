/// Lays one recording to another of the same run by the sound itself: a phone's, an intercom's or a camera's.
///
/// Where loudness rises, in a few bands of speech, is compared at every shift (cross-correlation by fast
/// Fourier transform; Oppenheim & Schafer, Discrete-Time Signal Processing, chapter 8).
#pragma once

#include "media/sound.h"

#include <optional>

namespace brumefall::media {

/// How `sound` lies in `reference`.
struct LaidSound {
    double offset_s = 0.0; ///< time in the reference = time in the sound + offset_s
    double strength = 0.0; ///< the correlation there, in standard deviations of those elsewhere
};

/// Nothing where the two are not of the same run, or one is shorter than kLeastLaid_s. Both at any rate; the
/// result is true to a hundredth of a second.
inline constexpr double kLeastLaid_s = 5.0;
[[nodiscard]] std::optional<LaidSound> laySound(const Sound& sound, const Sound& reference);

} // namespace brumefall::media
