/// The words of a line put together into atoms, each with a role in a note.
#pragma once

#include "notes/style.h"
#include "notes/tokens.h"

#include <string>
#include <vector>

namespace brumefall::notes {

/// A phrase with one role: tokens [first, last) of the line.
struct Atom {
    Role role = Role::unknown;
    std::string value;
    int number = 0;
    std::size_t first = 0;
    std::size_t last = 0;
    bool pause_after = false;
};

/// Finds the phrases among `tokens`. `order` decides whether the "three" of "thirty three right" is a grade.
[[nodiscard]] std::vector<Atom> findAtoms(
    const std::vector<Token>& tokens, Order order, const Dictionary& dictionary);

} // namespace brumefall::notes
