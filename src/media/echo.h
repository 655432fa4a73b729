/// Takes what a loudspeaker played out of what the microphone beside it recorded.
#pragma once

#include "media/sound.h"

#include <cstdint>
#include <memory>
#include <optional>
#include <span>
#include <vector>

struct SpeexEchoState_;

namespace brumefall::media {

/// What is to be added to a time of `recorded` for that of `played`, where a loudspeaker brought the one into
/// the other; nothing where none of it is heard. `offset_s` is about that. Both at kAlignRate_hz, `played` at
/// the speed that it has.
///
/// Where the one lies in the other is found by laySound, over a minute in the middle of what both have.
[[nodiscard]] std::optional<double> playedIn(
    const Sound& recorded, const std::shared_ptr<const Sound>& played, double offset_s);

/// A recording without what of `played` a loudspeaker brought into it, an echo of the room with it: an
/// adaptive filter in blocks of frequencies, whose step follows how much else is heard, learns the way
/// through the room (Valin, IEEE Transactions on Audio, Speech, and Language Processing 15 (2007), 1030-1034;
/// libspeexdsp).
class WithoutPlayed {
public:
    /// `at_s` as playedIn tells it.
    WithoutPlayed(std::shared_ptr<const Sound> played, double at_s);

    /// Learns from the beginning of a recording; the next samples are its first again.
    void learn(const Sound& recorded);
    /// The next samples are those from `sample` of the recording on.
    void goOnAt(std::size_t sample);
    /// The next samples of the recording, without it: as many as fill whole frames; the others come with the
    /// next ones.
    [[nodiscard]] std::vector<std::int16_t> next(std::span<const std::int16_t> samples);
    /// Those that filled no frame.
    [[nodiscard]] std::vector<std::int16_t> rest();

private:
    struct Freer {
        void operator()(SpeexEchoState_* state) const;
    };

    std::shared_ptr<const Sound> played_;
    long long ahead_; ///< sample i of the recording hears sample i + this of what was played
    std::size_t at_ = 0; ///< samples of the recording that were filtered
    std::vector<std::int16_t> waiting_;
    std::unique_ptr<SpeexEchoState_, Freer> state_;
};

/// All of `recorded`, so; nothing where playedIn finds none of it.
[[nodiscard]] std::optional<Sound> withoutPlayed(
    const Sound& recorded, const std::shared_ptr<const Sound>& played, double offset_s);

} // namespace brumefall::media
