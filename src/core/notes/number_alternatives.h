/// Numbers in what was heard: grades, distances, counts and countdowns, and how captions run them together.
#pragma once

#include "notes/lattice_growth.h"

#include <cstddef>

#include <string_view>
#include <vector>

namespace brumefall::notes {

/// Digits stay digits, words words.
[[nodiscard]] Piece gradePiece(int grade, bool digits = true);
/// "3-" is a grade and its modifier; nothing where `text` is no such thing.
[[nodiscard]] std::vector<Piece> signedGradePieces(std::string_view text);
[[nodiscard]] Piece distancePiece(int metres, bool digits = true);

[[nodiscard]] bool isUsualDistance(int metres);

/// Adds every number that may begin with word `i`.
void addNumbers(LatticeGrowth& growth, const Pronunciations& pronunciations, std::size_t i);

} // namespace brumefall::notes
