/// One weighted reading of a stream of heard words: the least-cost path over the alternatives of each stretch and
/// the states of a note, and how sure each part of it is.
///
/// Viterbi, IEEE Transactions on Information Theory 13 (1967), 260-269; the sureness is the share of all paths,
/// weighted by exp(-cost), that take the same alternative: forward and backward sums, Baum et al., Annals of
/// Mathematical Statistics 41 (1970), 164-171.
#pragma once

#include "notes/lattice.h"

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
};

struct Reading {
    Order order = Order::direction_first;
    double cost = 0.0;
    std::vector<Said> said;
};

/// Reads `lattice` in `order`, with the sureness of every part. Linear in the words.
[[nodiscard]] Reading readLattice(const Lattice& lattice, Order order);

/// In the order that costs less.
[[nodiscard]] Reading readLattice(const Lattice& lattice);

} // namespace brumefall::notes
