/// When each call must be spoken so that every note reaches the driver in time.
///
/// The plan is the unique minimum of an asymmetric least-squares problem under order and breath
/// constraints. After subtracting the time already spent speaking it is isotonic regression of convex
/// functions (Best & Chakravarti, Mathematical Programming 47 (1990), 425-439). It is solved exactly
/// by passing the derivative of the best cost so far from call to call as a piecewise linear function
/// whose knots lie in a heap (the message passing of Johnson, Journal of Computational and Graphical
/// Statistics 22 (2013), 246-260, for a one-sided constraint), which stays O(n log n) where pooling
/// with an expectile per block can become quadratic.
#pragma once

#include <optional>
#include <span>
#include <vector>

namespace brumefall::plan {

/// A note within its call.
struct NoteToPlan {
    double end_offset_s; ///< from the start of its call to the end of its own words
    double ideal_s; ///< wished end, from go
    double weight; ///< > 0
};

/// A call: rigid, its notes at fixed offsets.
struct CallToPlan {
    std::vector<NoteToPlan> notes;
    double length_s = 0.0; ///< from its start to the earliest start of the next call
    std::optional<double> pinned_s; ///< a start fixed by hand
};

struct ScheduleOptions {
    double late_penalty = 4.0; ///< lambda: late costs this much more than early, squared; > 0
    double not_before_s = 0.0; ///< no call starts before
};

/// Start of every call, in seconds from go, calls in road order. Minimises the sum over notes of
/// weight * phi(end - ideal), phi(x) = x^2 early and lambda x^2 late, with every call after the one
/// before it and pinned calls where they are pinned. Pins that cannot all be kept push later ones back.
/// O(n log n). Throws std::invalid_argument on a call without notes or a weight or penalty not above zero.
[[nodiscard]] std::vector<double> schedule(std::span<const CallToPlan> calls, const ScheduleOptions& options);

} // namespace brumefall::plan
