/// Takes what a loudspeaker played out of what the microphone beside it recorded.
#pragma once

#include "media/sound.h"

#include <optional>

namespace brumefall::media {

/// `recorded` without what of `played` a loudspeaker brought into it, an echo of the room with it; nothing
/// where none of that is heard. `offset_s` is about what is to be added to a time of the recording for that
/// of what was played. Both at kAlignRate_hz, `played` at the speed that it has.
///
/// Where the one lies in the other is found by laySound; an adaptive filter in blocks of frequencies, whose
/// step follows how much else is heard, then learns the way through the room (Valin, IEEE Transactions on
/// Audio, Speech, and Language Processing 15 (2007), 1030-1034; libspeexdsp).
[[nodiscard]] std::optional<Sound> withoutPlayed(const Sound& recorded, const Sound& played, double offset_s);

} // namespace brumefall::media
