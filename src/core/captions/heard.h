/// Captions as one stream of words with their pauses and times. Nothing is removed.
#pragma once

#include "captions/cues.h"
#include "notes/lattice.h"

#include <vector>

namespace brumefall::captions {

/// The words of `cues`: lower case, without punctuation, which becomes the pause before the next one; times are
/// those of the cues, spread by syllables. What stands in brackets ("[Music]") is no word.
[[nodiscard]] std::vector<notes::HeardWord> heardWords(const std::vector<Cue>& cues);

} // namespace brumefall::captions
