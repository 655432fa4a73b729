/// A line of notes as atoms, and which of them have found their place in a note.
#pragma once

#include "notes/atoms.h"
#include "notes/dictionary.h"

#include <string>
#include <string_view>
#include <vector>

namespace brumefall::notes {

struct AtomLine {
    AtomLine(std::string_view line, const Dictionary& crew, Order read_in);

    std::string_view text;
    const Dictionary& dictionary;
    Order order;
    std::vector<Token> tokens;
    std::vector<Atom> atoms;
    std::vector<bool> used;

    [[nodiscard]] Role roleAt(std::size_t i) const
    {
        return i < atoms.size() ? atoms[i].role : Role::unknown;
    }
    /// A pause lies between atoms of [first, last).
    [[nodiscard]] bool hasPause(std::size_t first, std::size_t last) const;
    /// A number in words or digits, not a word of the crew's own that stands for one.
    [[nodiscard]] bool saysNumber(std::size_t i) const;
    /// The text of atoms [first, last) as written.
    [[nodiscard]] std::string slice(std::size_t first, std::size_t last) const;
    /// Talk, pen marks and what was taken back at once are not said.
    [[nodiscard]] bool isSaid(std::size_t i) const
    {
        return roleAt(i) != Role::chatter && roleAt(i) != Role::underline && roleAt(i) != Role::correction;
    }
    /// The words of atoms [first, last) as they are said; talk and pen marks are not said.
    /// With `commas`, a comma stands where the text has a pause inside.
    [[nodiscard]] std::string spokenOf(std::size_t first, std::size_t last, bool commas = false) const;
    /// What is said of the line with `instead` in the place of atoms [first, last).
    [[nodiscard]] std::string spokenWith(
        std::size_t first, std::size_t last, const std::string& instead = {}) const;
    /// Syllables of spokenOf, without making it.
    [[nodiscard]] int syllablesOf(std::size_t first, std::size_t last) const;
};

} // namespace brumefall::notes
