/// How English words sound: from the recogniser's dictionary, and from the voice for words that it lacks.
#pragma once

#include "notes/pronunciation.h"

#include <string>
#include <vector>

namespace brumefall::media {

/// The dictionary is read once; each thread has its own of these, as they keep what they were asked for. A
/// dictionary that is not there leaves all words to the voice.
[[nodiscard]] const notes::Pronunciations& englishPronunciations();

/// The ways to say `word`, in phones of the ARPAbet, the usual first: one at least, three at most.
[[nodiscard]] std::vector<std::string> waysToSay(const std::string& word);

} // namespace brumefall::media
