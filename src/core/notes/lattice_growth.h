/// A lattice while it grows: words with what is known of each, and the alternatives that were found so far.
#pragma once

#include "notes/lattice.h"
#include "notes/lexicon.h"
#include "notes/pronunciation.h"

#include <algorithm>
#include <cstddef>
#include <span>
#include <string>
#include <string_view>
#include <vector>

namespace brumefall::notes {

/// One part of a stretch of words, and how it is written.
struct Piece {
    Part part;
    std::string words;
    int number = 0;
};

/// Words and pronunciations outlive it.
class LatticeGrowth {
public:
    LatticeGrowth(std::span<const HeardWord> words, const Pronunciations& pronunciations);

    /// A chain of pieces over words [first, last).
    void add(std::size_t first, std::size_t last, const std::vector<Piece>& pieces, By by, double cost);
    /// One alternative as it stands, from the place before word `i`.
    void add(std::size_t i, Alternative alternative);
    /// All that begins with word `i` was added; the words are ended in their order.
    void endWord(std::size_t i);
    [[nodiscard]] Lattice finish();

    [[nodiscard]] std::span<const HeardWord> words() const { return lattice_.words; }
    /// What was added from the place before word `i`.
    [[nodiscard]] std::span<const Alternative> from(std::size_t i) const { return lattice_.from[i]; }
    [[nodiscard]] const Phones& phones(std::size_t i) const { return phones_[i]; }
    /// nullptr where it is no word of notes.
    [[nodiscard]] const KnownWord* known(std::size_t i) const { return known_[i]; }
    /// Also behind the last word, where there is none.
    [[nodiscard]] NumberClass classAt(std::size_t i) const;
    [[nodiscard]] int numberAt(std::size_t i) const; ///< 0 where it is none
    /// Whether these words stand from word `i` on.
    [[nodiscard]] bool standsAt(std::size_t i, std::span<const std::string> phrase) const;
    /// Whether one of the phrases that stand at word `i` is such a one; also behind the last word.
    template <typename Predicate> [[nodiscard]] bool isPhraseAt(std::size_t i, Predicate is_one) const
    {
        return i < known_.size() && known_[i] != nullptr
            && std::any_of(known_[i]->phrases.begin(), known_[i]->phrases.end(),
                [&](const LexiconEntry& entry) { return is_one(entry) && standsAt(i, entry.words); });
    }

private:
    /// A phrase with a pause in it is hardly one.
    [[nodiscard]] double pauseWithin(std::size_t first, std::size_t last) const;

    Lattice lattice_;
    int inner_; ///< the first node within a stretch of the word that was not ended yet
    std::vector<Phones> phones_;
    std::vector<const KnownWord*> known_;
};

[[nodiscard]] bool isDigits(std::string_view text);
[[nodiscard]] int valueOf(std::string_view digits);

} // namespace brumefall::notes
