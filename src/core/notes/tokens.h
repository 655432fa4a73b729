/// A line of notes cut into words.
#pragma once

#include "notes/lexicon.h"

#include <string>
#include <string_view>
#include <vector>

namespace brumefall::notes {

class Dictionary;

struct Token {
    std::string word; ///< lower case, abbreviation expanded
    std::size_t begin = 0; ///< first byte in the line
    std::size_t end = 0; ///< one past the last byte
    bool pause_after = false; ///< a comma, full stop or the like follows
    NumberClass number_class = NumberClass::none;
    int number = 0;
    const KnownWord* known = nullptr; ///< what the language knows of the word, null for digits and strangers
};

/// Cuts `line` into words; expands abbreviations ("L4" is "left" "4").
[[nodiscard]] std::vector<Token> tokenise(std::string_view line, const Dictionary& dictionary);

} // namespace brumefall::notes
