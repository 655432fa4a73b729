/// Captions as one stream of words with their times, what is shown twice taken once, and cut into calls.
#pragma once

#include "captions/cues.h"
#include "notes/style.h"

#include <string>
#include <utility>
#include <vector>

namespace brumefall::captions {

/// A word with the time at which it is said, about.
struct HeardWord {
    std::string word; ///< lower case, without punctuation
    std::string written;
    double at_s;
    int line;
    bool first_of_cue;
    std::string shown_again = {}; ///< words before it that were captioned twice
};

[[nodiscard]] std::vector<HeardWord> heardWords(const std::vector<Cue>& cues);

/// Which side of the direction the grade stands on, by majority.
[[nodiscard]] notes::Order orderOf(const std::vector<HeardWord>& words);

/// Words [first, last) of each call: cut at silences, and at cue edges where the words before are complete.
[[nodiscard]] std::vector<std::pair<std::size_t, std::size_t>> cutIntoCalls(
    const std::vector<HeardWord>& words, notes::Order order);

} // namespace brumefall::captions
