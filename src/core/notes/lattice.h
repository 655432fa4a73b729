/// Words as they were heard, and everything that each stretch of them may be: the alternatives that a
/// weighted reading chooses from. Nothing is removed before it.
#pragma once

#include "notes/part.h"
#include "notes/pronunciation.h"
#include "notes/style.h"

#include <span>
#include <string>
#include <vector>

namespace brumefall::notes {

/// A word of captions or of speech.
struct HeardWord {
    std::string word; ///< in lower case, without punctuation; a sign stuck to a number is kept
    Pause pause = Pause::none; ///< before it
    int line = 0; ///< of the file
    double at_s = 0.0; ///< in the media
    double sure = 1.0; ///< how likely it is a word of notes and not of talk, 0 to 1
};

/// How a stretch of words came to be read as it is.
enum class By : std::uint8_t { word, split, sound, shown_again, nothing };

/// One alternative: words [first, last) are `part`, said as `words`. A stretch that holds several parts (a
/// grade and a distance run together) is a chain of them over nodes of its own.
struct Alternative {
    int to = 0; ///< node that it leads to
    Part part = Part::unknown;
    By by = By::word;
    std::string words; ///< of the note language; empty where nothing is said
    int number = 0; ///< a grade, or metres
    double cost = 0.0;
    std::size_t first = 0;
    std::size_t last = 0;
};

/// Node i < words is the place before word i; the last of these is the end; further nodes lie within
/// stretches.
struct Lattice {
    std::span<const HeardWord> words;
    std::vector<std::vector<Alternative>> from; ///< by node
    std::vector<int> order; ///< of the nodes, none before one that leads to it
    std::vector<Pause> pause; ///< before what begins at the node

    [[nodiscard]] int end() const { return static_cast<int>(words.size()); }
};

/// All alternatives of `words`, which outlive the lattice. Linear in them, but for a table of sounds.
[[nodiscard]] Lattice alternativesOf(
    std::span<const HeardWord> words, const Style& style, const Pronunciations& pronunciations);

} // namespace brumefall::notes
