/// How English words sound: from the recogniser's dictionary, and from the voice for words that it lacks.
#pragma once

#include "notes/pronunciation.h"

#include <string>
#include <string_view>
#include <vector>

namespace brumefall::media {

/// The dictionary is read once; each thread has its own of these, as they keep what they were asked for. A
/// dictionary that is not there leaves all words to the voice.
[[nodiscard]] const notes::Pronunciations& englishPronunciations();

/// The British way to say what is said so in America, in phones of the ARPAbet: without an r that no vowel
/// follows, and with the vowels of "stop" and "past" as the lexical sets LOT and BATH have them (Wells,
/// Accents of English, 1982).
[[nodiscard]] std::string britishWay(std::string_view phones);

/// The ways to say `word`, in phones of the ARPAbet, the usual first: one at least, three at most.
[[nodiscard]] std::vector<std::string> waysToSay(const std::string& word);
/// The same and the British ways of those: where it is known what is read. Where any word may come next they
/// make too many alike.
[[nodiscard]] std::vector<std::string> waysWithBritish(const std::string& word);

} // namespace brumefall::media
