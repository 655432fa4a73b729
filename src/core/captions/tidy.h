/// Mends what automatic captions mishear, with the grammar of the notes: sound-alikes where the grammar
/// wants them, glued numbers, run-together words, and the nearest known word by sound.
#pragma once

#include "notes/style.h"

#include <string>
#include <string_view>
#include <vector>

namespace brumefall::captions {

/// One thing that was mended: "of a" to "over". Confidence from 0 to 1.
struct Repair {
    int line = 0;
    std::string from;
    std::string to;
    double confidence = 0.0;
};

struct Tidied {
    std::vector<std::string> words;
    std::vector<Repair> repairs; ///< their `line` is not set here
};

/// `words` are in lower case and without punctuation. `order` tells where a grade stands.
[[nodiscard]] Tidied tidy(std::vector<std::string> words, notes::Order order);

/// How a word sounds, roughly: consonants of the same place of speech are one letter, vowels but the first
/// are dropped. After Philips, "Hanging on the Metaphone", Computer Language 7 (1990).
[[nodiscard]] std::string soundOf(std::string_view word);

} // namespace brumefall::captions
