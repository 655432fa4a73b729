/// What a reader says by mistake in the place of a word: what the language allows in the same slot.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace brumefall::notes {

/// Whether the words are those of a note, or of the distance after it.
enum class Spoken { note, distance };

/// For every one of `words`, spoken in this order, the words that could be said in its place by mistake: the
/// other direction, another grade or target, another named corner, the other shape, another distance; an
/// empty one where it could be dropped and the note still be a note ("don't", "plus").
[[nodiscard]] std::vector<std::vector<std::string>> nearMisses(
    const std::vector<std::string>& words, Spoken what);

/// Whether a word says which way a corner goes.
[[nodiscard]] inline bool isSide(std::string_view word)
{
    return word == "left" || word == "right";
}

/// Whether a word names a corner by its shape ("square"), where a grade would stand.
[[nodiscard]] bool isNamedCorner(std::string_view word);

/// Of a word's near misses: it could be dropped.
[[nodiscard]] bool canBeDropped(const std::vector<std::string>& misses);

} // namespace brumefall::notes
