/// A line of notes cut into words, and the words into atoms that have a role in a note.
#pragma once

#include "notes/lexicon.h"
#include "notes/style.h"

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

/// A phrase with one role: tokens [first, last) of the line.
struct Atom {
    Role role = Role::unknown;
    std::string value;
    int number = 0;
    std::size_t first = 0;
    std::size_t last = 0;
    bool pause_after = false;
};

/// Cuts `line` into words; expands abbreviations ("L4" is "left" "4").
[[nodiscard]] std::vector<Token> tokenise(std::string_view line, const Dictionary& dictionary);

/// Finds the phrases among `tokens`. `order` decides whether the "three" of "thirty three right" is a grade.
[[nodiscard]] std::vector<Atom> findAtoms(
    const std::vector<Token>& tokens, Order order, const Dictionary& dictionary);

} // namespace brumefall::notes
