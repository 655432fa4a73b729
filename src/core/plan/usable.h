/// Readers and drivers that a plan can be made for: what nobody can do or wish is replaced, and said.
#pragma once

#include "plan/people.h"

#include <string>
#include <vector>

namespace brumefall::plan {

/// Something that nobody can be meant by, and what is taken in its place.
struct Doubt {
    std::string member; ///< its name in the file: "rate_syll_s"
    std::string says; ///< "a rate of 0 syllables a second cannot be meant; planned with 5.6"
};

struct Usable {
    Reader reader;
    Driver driver;
    std::vector<Doubt> doubts;
};

/// Out of bounds, not a number included, becomes the nearest bound where that is near what was written, the
/// default where it is not.
[[nodiscard]] Usable usable(const Reader& reader, const Driver& driver);

} // namespace brumefall::plan
