/// A recording made ready for the recogniser.
#pragma once

#include "media/sound.h"

#include <cstdint>
#include <vector>

namespace brumefall::media {

/// Sample rate that the recogniser works at.
inline constexpr int kAlignRate_hz = 16000;

/// A recording without the middle of its long silences. The recogniser subtracts the mean of the whole
/// utterance from its features; a stage is mostly silence, and that mean would make speech unrecognisable.
struct Condensed {
    struct Piece {
        std::size_t first; ///< sample in the condensed sound
        std::size_t original; ///< the same sample in the recording
    };
    std::vector<std::int16_t> samples;
    std::vector<Piece> pieces;

    /// The moment of the recording, in seconds, that is at `condensed_s` here.
    [[nodiscard]] double originalTime(double condensed_s) const;
};

/// `sound` at kAlignRate_hz with its long silences cut out, its speech brought to one level, a steady hiss
/// added and a second of it after the end.
[[nodiscard]] Condensed condense(const Sound& sound);

} // namespace brumefall::media
