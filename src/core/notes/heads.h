/// Finds the centres of a line's notes: "four left", "turn right at junction", "chicane left entry".
#pragma once

#include "notes/atom_line.h"
#include "notes/note.h"

#include <optional>
#include <string>
#include <vector>

namespace brumefall::notes {

/// Where a note has its centre: atoms [first, last) of the line.
struct Head {
    std::size_t first;
    std::size_t last;
    NoteKind kind;
    std::optional<std::size_t> direction; ///< the atom that says it
    std::optional<std::size_t> grade;
};

struct HeadsOfLine {
    std::vector<Head> heads; ///< in the order of the line
    int corners = 0;
    int against_order = 0; ///< corners whose grade stands on the other side than the order says
    std::vector<std::string> remarks; ///< for the crew: "no grade for this corner"
};

/// Marks the atoms that it takes as used.
[[nodiscard]] HeadsOfLine findHeads(AtomLine& line);

/// Whether a grade names a kind of corner ("hairpin") and not how fast one is ("medium").
[[nodiscard]] bool namesCorner(const std::string& grade);

} // namespace brumefall::notes
