/// From written words to spoken ones: numbers as they are said, and how long words are in syllables.
#pragma once

#include "notes/style.h"

#include <string>
#include <string_view>

namespace brumefall::notes {

/// `number` (0 to 9999) as a crew says it: "four", "sixty", "one fifty" or "a hundred and fifty".
/// Numbers out of range come back as digits.
[[nodiscard]] std::string sayNumber(int number, HundredsSaid hundreds);

/// Syllables of English words separated by blanks: vowel groups with the usual corrections for silent
/// endings, and a table for the words of the note language that the rule gets wrong.
[[nodiscard]] int countSyllables(std::string_view words);

} // namespace brumefall::notes
