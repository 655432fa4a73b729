/// A spoken voice, offline and in process (espeak-ng): for the guide and the simulated reader.
#pragma once

#include "media/sound.h"

#include <string>

namespace brumefall::media {

/// Sample rate of everything that the voice says.
inline constexpr int kVoiceRate_hz = 22050;

/// How the voice sounds; `pitch` and `range` as espeak-ng counts them, 0 to 100.
struct VoiceStyle {
    int pitch = 45;
    int range = 40;
    int volume = 100;
    std::string variant = "en-gb";
};

/// Says `text` so that it lasts `duration_s` as nearly as the voice can (80 to 450 words a minute);
/// silence at both ends is cut. Safe from any thread. Throws MediaError where there is no voice.
[[nodiscard]] Sound say(const std::string& text, double duration_s, const VoiceStyle& style = {});

/// Says `text` at `words_per_min`; silence at both ends is cut.
[[nodiscard]] Sound sayAtRate(const std::string& text, int words_per_min, const VoiceStyle& style = {});

/// IPA of one English word, for the recogniser's dictionary.
[[nodiscard]] std::string phonemesOf(const std::string& word);

} // namespace brumefall::media
