/// One weighted reading of a stream of heard words: the least-cost path over the alternatives of each stretch
/// and the states of a note, and how sure each part of it is.
///
/// Viterbi, IEEE Transactions on Information Theory 13 (1967), 260-269; the sureness is the share of all
/// paths, weighted by exp(-cost), that take the same alternative: forward and backward sums, Baum et al.,
/// Annals of Mathematical Statistics 41 (1970), 164-171.
#pragma once

#include "notes/lattice.h"

#include <optional>
#include <vector>

namespace brumefall::notes {

/// One part as it was read.
struct Said {
    Part part = Part::unknown;
    By by = By::word;
    std::string words; ///< in the note language; empty where nothing is said of the road
    int number = 0;
    State state; ///< after it
    bool begins = false; ///< a note begins with it
    std::size_t first = 0; ///< of the heard words
    std::size_t last = 0;
    double sure = 1.0; ///< 0 to 1
    std::string otherwise; ///< what else these words may well be; "nothing" where they may say nothing
};

struct Reading {
    Order order = Order::direction_first;
    double cost = 0.0;
    std::vector<Said> said;
};

/// Reads `lattice` in `order`, or in the one that costs less, with the sureness of every part. A second
/// reading follows the first, with costs estimated from it: how this file's pauses fall, which grades it
/// uses, what it mishears again and again; the lattice has these costs then. Linear in the words.
[[nodiscard]] Reading readLattice(Lattice& lattice, std::optional<Order> order = {});

} // namespace brumefall::notes
