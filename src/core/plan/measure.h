/// The reader as measured: from takes, or from a minute of reading aloud.
#pragma once

#include "plan/plan.h"

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

/// A call as it was read aloud, one after another, with no car to wait for.
struct ReadCall {
    int syllables = 0;
    double start_s = 0.0;
    double end_s = 0.0;
    double paused_s = 0.0; ///< hesitations inside
};

/// `reader` as the calls show it: the middle rate, the rate of the quickest tenth as the limit, the pause
/// that a quarter of the calls stay under as the breath, and the longest time without one. Nothing under
/// kFewestCalls calls.
inline constexpr std::size_t kFewestCalls = 5;
[[nodiscard]] std::optional<Reader> calibratedReader(const Reader& reader, std::span<const ReadCall> calls);

/// The calls of `plan` said one right after another by `reader`, a breath between, from time zero: as they
/// are read aloud where no car is waited for. Only the times of speaking are changed.
[[nodiscard]] Plan readOn(Plan plan, const Reader& reader);

} // namespace brumefall::plan
