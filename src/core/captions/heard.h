/// Captions as one stream of words with their pauses and times. Nothing that was said is removed.
#pragma once

#include "captions/cues.h"
#include "notes/lattice.h"

#include <vector>

namespace brumefall::captions {

/// The words of `cues`: lower case, without punctuation, which becomes the pause before the next one; times
/// are those of the cues, spread by syllables. What stands in brackets ("[Music]") is no word, and lines that
/// roll on from the block before, to be read a little longer, are not said again.
[[nodiscard]] std::vector<notes::HeardWord> heardWords(const std::vector<Cue>& cues);

} // namespace brumefall::captions
