/// How English words sound: from the recogniser's dictionary, and from the voice for words that it lacks.
#pragma once

#include "notes/pronunciation.h"

namespace brumefall::media {

/// Read once, then copied; a dictionary that is not there leaves all words to the voice.
[[nodiscard]] const notes::Pronunciations& englishPronunciations();

} // namespace brumefall::media
