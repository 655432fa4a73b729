/// Notes back to text, in full words as they are said or in the crew's shorthand. What is printed reads
/// back with the same meaning.
#pragma once

#include "notes/parser.h"

#include <string>

namespace brumefall::notes {

/// One call a line, every word and number as it is said; talk is left out.
[[nodiscard]] std::string printSpoken(const ParsedNotes& notes);

/// One call a line, with the style's abbreviations, grades glued to their directions and distances in digits:
/// "L4 lg dc 60".
[[nodiscard]] std::string printBrief(const ParsedNotes& notes, const Style& style);

} // namespace brumefall::notes
