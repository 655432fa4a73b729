/// Numbers in what was heard: grades, distances, counts and countdowns, and how captions run them together.
#pragma once

#include "notes/lattice_growth.h"

#include <cstddef>

namespace brumefall::notes {

/// Digits stay digits, words words.
[[nodiscard]] Piece gradePiece(int grade, bool digits = true);
[[nodiscard]] Piece distancePiece(int metres, bool digits = true);

[[nodiscard]] bool isUsualDistance(int metres);

/// Adds every number that may begin with word `i`.
void addNumbers(LatticeGrowth& growth, const Pronunciations& pronunciations, std::size_t i);

} // namespace brumefall::notes
