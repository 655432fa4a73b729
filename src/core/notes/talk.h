/// Talk told from notes by its words: a recogniser that knows only the words of notes hears anything else as
/// those that sound like it, which are words that notes hardly ever hold.
#pragma once

#include "notes/succession.h"

#include <span>
#include <string_view>
#include <vector>

namespace brumefall::notes {

struct SpokenWord {
    std::string_view word;
    bool after_pause; ///< a silence stands before it
};

/// For each of `words` whether it belongs to talk: the likelier of two states, each with its own share of
/// every word and a price for changing, over the whole of what was said (Viterbi, IEEE Transactions on
/// Information Theory 13 (1967), 260-269). A rare word alone, or two, are not enough.
[[nodiscard]] std::vector<bool> talkAmong(std::span<const SpokenWord> words, const Succession& succession);

} // namespace brumefall::notes
