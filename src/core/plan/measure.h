/// The reader as measured from takes.
#pragma once

#include "plan/people.h"

#include <optional>
#include <span>

namespace brumefall::plan {

/// One take's own measure: syllables a second while speaking, longest time without a breath.
struct MeasuredTake {
    double rate_syll_s = 0.0;
    double longest_run_s = 0.0;
};

/// `reader` with the rate of the middle take, the limit a little above the quickest one, and the longest run
/// that was read; nothing where no take has a rate. Few takes count less: the old values weigh as much as two
/// takes.
[[nodiscard]] std::optional<Reader> measuredReader(const Reader& reader, std::span<const MeasuredTake> takes);

} // namespace brumefall::plan
