/// What of a note can stay unsaid when there is no time: never a warning, a direction, a grade, a change of
/// tightness or a "don't cut".
#pragma once

#include "notes/note.h"
#include "notes/style.h"

#include <string>
#include <vector>

namespace brumefall::notes {

/// Words that can be left out, by the rule that allows it; the least valuable rules have the lowest `value`.
struct Shortening {
    int value = 0;
    std::string rule; ///< "a landmark", "how tidy", …
    std::string words; ///< left out
    std::string spoken; ///< what remains to be said of the note
    int syllables = 0; ///< saved
};

/// All single shortenings of `note.spoken` read in `order`, least valuable first; none where nothing may go.
[[nodiscard]] std::vector<Shortening> shortenings(const Note& note, const Style& style, Order order);

} // namespace brumefall::notes
