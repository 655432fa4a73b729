/// Sound for outside: a voice as a file of its own, with marks to jump to, under the onboard's sound, or with
/// its picture.
#pragma once

#include "export/captions_out.h"
#include "media/sound.h"

#include <filesystem>
#include <span>
#include <string>

namespace brumefall::media {

/// A place in a track: where a call begins.
struct TrackMark {
    double at_s = 0.0;
    std::string text;
};

/// Writes `sound`; the suffix chooses: .flac, .wav with a cue point a mark, .opus with a chapter a mark.
/// Throws MediaError where it cannot be written or was cancelled; there is then no file, or the one that was
/// there.
void writeTrack(const std::filesystem::path& file, const Sound& sound, std::span<const TrackMark> marks,
    const Progress& progress = {});

/// `voice` over `onboard`, which is quieter while the voice speaks. Both at one rate; as long as the longer.
[[nodiscard]] Sound mixed(const Sound& onboard, const Sound& voice);

/// A Matroska file of `video`'s own picture and sounds, never encoded again, with `voice` as one more sound,
/// chosen first, and `captions`. Times of both are those of the video. Throws MediaError as above.
void writeWithVideo(const std::filesystem::path& file, const std::filesystem::path& video, const Sound& voice,
    std::span<const exporting::TimedText> captions, const Progress& progress = {});

} // namespace brumefall::media
