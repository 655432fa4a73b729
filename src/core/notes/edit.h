/// Changes to a text of notes that leave everything else in it as it is. Lines are counted from 1, places in
/// a line in bytes.
#pragma once

#include "notes/parser.h"

#include <map>
#include <string>
#include <string_view>

namespace brumefall::notes {

/// A text and where the cursor stands in it.
struct EditedText {
    std::string text;
    int line = 1;
    std::size_t byte = 0;
};

/// `text` with the words of `unknown` replaced by its suggestion, or by `by` where that is given.
[[nodiscard]] std::string withFix(std::string_view text, const Unknown& unknown, std::string_view by = {});

/// Breaks the call on `line` in two before the note that begins nearest to `byte`, so that each half is a
/// call of its own; a joining word goes with the note that it leads to. The text comes back unchanged where
/// the call has one note only.
[[nodiscard]] EditedText splitCall(
    std::string_view text, int line, std::size_t byte, const Style& style, Order order);

/// Breaks the call on `line` before its note `index` (from 1); unchanged where it has none such.
[[nodiscard]] std::string splitBefore(
    std::string_view text, int line, std::size_t index, const Style& style, Order order);

/// The call on `line` and the next one as one; comments and blank lines between them go to their end.
[[nodiscard]] EditedText joinCalls(std::string_view text, int line);

/// Wraps lines [first, last] in `[laps N]` … `[end]`.
[[nodiscard]] EditedText repeatLines(std::string_view text, int first, int last, int laps);

/// Every numbered grade of lines [first, last], targets of shapes included, changed by `becomes`; digits stay
/// digits and words stay words. Distances and counts are no grades.
[[nodiscard]] std::string renumberGrades(std::string_view text, int first, int last,
    const std::map<int, int>& becomes, const Style& style, Order order);

/// The distance said after the `index`-th note of the call on `line` (from 0) changed to `metres`, wherever
/// it stands: at the end of the note, at the start of the next call, or alone on a line. Digits stay digits,
/// words words. The text comes back unchanged where that note has no distance.
[[nodiscard]] std::string withDistance(
    std::string_view text, int line, std::size_t index, double metres, const Style& style, Order order);

/// The words of the `index`-th note of the call on `line` (from 0) replaced by `words`; the word that joins
/// it to the note before, and the distance after it, stay unless `words` has its own. The text comes back
/// unchanged where there is no such note.
[[nodiscard]] std::string withWords(std::string_view text, int line, std::size_t index,
    std::string_view words, const Style& style, Order order);

} // namespace brumefall::notes
