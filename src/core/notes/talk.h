/// Talk told from notes by its words and by how well they fit: a recogniser that knows only the words of
/// notes hears anything else as those that sound like it, which are words that notes hardly ever hold, and
/// not quite what was said.
#pragma once

#include "notes/succession.h"

#include <optional>
#include <span>
#include <string_view>
#include <vector>

namespace brumefall::notes {

struct SpokenWord {
    std::string_view word;
    bool after_pause; ///< a silence stands before it
    std::optional<double> fit = {}; ///< of its sounds: a logarithm per frame, 0 at best; nothing if unknown
};

/// How likely each of `words` belongs to talk, 0 to 1: by two states, each with its own likelihood of every
/// word and a price for changing, over the whole of what was said (forward and backward; Rabiner, Proceedings
/// of the IEEE 77 (1989), 257-286). A rare word alone, or two, are not enough. How well sounds fit is
/// measured by those of what the words alone tell for notes: a voice may fit badly as a whole.
[[nodiscard]] std::vector<double> talkAmong(std::span<const SpokenWord> words, const Succession& succession);

} // namespace brumefall::notes
