/// Text in, notes out: reads a crew's notes in its own language.
///
/// Nothing is ever thrown away or refused: what is not understood stays in the text and comes back
/// as a diagnostic with a suggestion.
#pragma once

#include "notes/note.h"
#include "notes/style.h"

#include <string>
#include <string_view>
#include <vector>

namespace brumefall::notes {

/// Words that were not understood.
struct Unknown {
    int line = 0;
    std::size_t begin = 0; ///< byte in the line
    std::size_t end = 0;
    std::string text;
    std::string suggestion; ///< empty where there is none
};

/// Something about a line that the crew should look at.
struct Diagnostic {
    int line = 0;
    std::string message;
};

/// A whole text, understood.
struct ParsedNotes {
    DetectedStyle style;
    std::vector<Call> calls;
    double lead_in_m = 0.0; ///< distance said before the first note
    int words = 0;
    int understood = 0;
    int chatter = 0;
    std::vector<Unknown> unknown;
    std::vector<Diagnostic> diagnostics;
};

/// Longest text that is read at all, in bytes, and most lines; the rest is reported, not read.
inline constexpr std::size_t kLongestText_bytes = 8'000'000;
inline constexpr std::size_t kLongestLine_bytes = 4'000;
inline constexpr std::size_t kMostLines = 100'000; ///< laps counted

/// Reads `text`: one call a line, `#` starts a comment, a blank line ends a paragraph, a number alone
/// is the distance after the note before, `[laps N]` … `[end]` repeats a block. Ids are "n1", "n2", …
/// in road order. Order and scale are detected unless `style` sets them. Linear in the text.
[[nodiscard]] ParsedNotes parseNotes(std::string_view text, const Style& style = {});

} // namespace brumefall::notes
