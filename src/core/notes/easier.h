/// Other words that say the same of a road in fewer syllables. What a note means is never changed by them.
#pragma once

#include "notes/note.h"
#include "notes/style.h"

#include <string>
#include <vector>

namespace brumefall::notes {

/// Words of a note, and easier ones for them.
struct Easier {
    std::string instead_of;
    std::string words;
    std::string spoken; ///< what is then said of the note
    int syllables = 0; ///< saved
};

/// Those that save most first; none where the language has no shorter way. A word of the crew's own, a grade,
/// a direction and a warning stay as they are.
[[nodiscard]] std::vector<Easier> easierWords(const Note& note, const Style& style, Order order);

} // namespace brumefall::notes
