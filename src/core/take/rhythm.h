/// How a take was read: call by call against its plan, and the moments that its figures come from.
#pragma once

#include "take/take.h"

#include <string>
#include <vector>

namespace brumefall::take {

/// One call as it was read. Times in seconds from go; rates in syllables a second while speaking.
struct CallRhythm {
    std::string first; ///< its first note that was heard
    std::string words; ///< of the notes that were heard, as planned
    int heard = 0;
    double start_s = 0.0;
    double end_s = 0.0;
    double rate_syll_s = 0.0;
    double planned_rate_syll_s = 0.0;
    double still_s = 0.0; ///< since the end of what was heard before it; 0 for the first
    double planned_still_s = 0.0;
    double hesitated_s = 0.0;
    double off_plan_s = 0.0; ///< its begin less the planned one
};

enum class MomentKind { place_lost, drift, run, hesitation, fastest, uneven };

/// A stretch that can be heard again.
struct Moment {
    MomentKind kind = MomentKind::run;
    std::string text;
    std::string note; ///< where it begins
    double start_s = 0.0;
    double end_s = 0.0;
};

struct Rhythm {
    std::vector<Moment> moments; ///< the gravest first
    std::vector<CallRhythm> calls; ///< those that anything was heard of
};

/// `found` and `verdicts` in the order of the notes of `plan`.
[[nodiscard]] Rhythm rhythmOf(const plan::Plan& plan, const std::vector<FoundNote>& found, const Clock& clock,
    const std::vector<Verdict>& verdicts);

/// Where a series that is level first begins to rise or fall: the least-squares fit of a level and a slope
/// after a break point. Shape: `times_s` rising, `values_s` as many; `at` is the index of the break point and
/// `per_min_s` the slope after it, 0 where a level alone fits as well.
struct Drift {
    std::size_t at = 0;
    double per_min_s = 0.0;
};
[[nodiscard]] Drift driftOf(const std::vector<double>& times_s, const std::vector<double>& values_s);

} // namespace brumefall::take
