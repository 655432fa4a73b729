/// Notes straight from the sound: hears the words of the note language in any recording, with their times.
#pragma once

#include "captions/cues.h"
#include "media/sound.h"
#include "notes/style.h"

#include <functional>
#include <vector>

namespace brumefall::media {

/// What is heard in `sound`, a cue for what is said between two silences, with the time of every word. What
/// is told for talk by its words (notes::talkAmong) is a cue of captions::kUnknownTalk. Empty where nothing
/// is said, and where `progress` stopped it. `heard` is told what was heard last, as it is heard. Throws
/// MediaError where the recogniser's model is missing.
///
/// Viterbi search over pairs of words (notes::succession). Once what was heard tells on which side the crew
/// says the grade, or how long the throat of the voice is, what that may change is heard anew.
using OnCue = std::function<void(const captions::Cue&)>;
[[nodiscard]] std::vector<captions::Cue> listen(
    Sound sound, const notes::Style& style, const Progress& progress = {}, const OnCue& heard = {});

} // namespace brumefall::media
