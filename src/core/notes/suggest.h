/// What the crew probably meant by a word that the language does not know.
#pragma once

#include <string>
#include <string_view>

namespace brumefall::notes {

/// The nearest known word by spelling (at most two edits, fewer for short words), a common
/// sound-alike first; empty where nothing is near.
[[nodiscard]] std::string suggestFor(std::string_view word);

/// Optimal string alignment distance: insertions, deletions, substitutions and swaps of neighbours, in the
/// first 63 letters.
/// Damerau, Communications of the ACM 7 (1964), 171-176.
[[nodiscard]] int editDistance(std::string_view a, std::string_view b);

} // namespace brumefall::notes
