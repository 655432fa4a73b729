/// How English words sound: from the recogniser's dictionary, and from the voice for words that it lacks.
#pragma once

#include "notes/pronunciation.h"

namespace brumefall::media {

/// The dictionary is read once; each thread has its own of these, as they keep what they were asked for. A
/// dictionary that is not there leaves all words to the voice.
[[nodiscard]] const notes::Pronunciations& englishPronunciations();

} // namespace brumefall::media
