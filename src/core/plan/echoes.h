/// Notes said again as the car comes up to them, and the first ones read on the start line.
#pragma once

#include "plan/plan.h"

#include <cstddef>
#include <optional>
#include <span>
#include <vector>

namespace brumefall::plan {

/// An echo and the pause that holds it: the one before call `before_call` of the plan.
struct Echo {
    std::size_t before_call;
    PlannedNote note;
    const notes::Note* source;
};

/// The echoes that `plan`, scheduled without any, has pauses for, in the order of the road; as near as may be
/// to the last moment, at most one to a pause. `sources` are the notes that the plan's notes were made from.
[[nodiscard]] std::vector<Echo> chooseEchoes(
    const Plan& plan, std::span<const notes::Note* const> sources, const PlanInput& input);

/// Makes the echoes calls of their own; they have their windows, and no times until the plan is scheduled
/// again.
void insertEchoes(Plan& plan, std::vector<const notes::Note*>& sources, const std::vector<Echo>& echoes);

/// The first `count` notes, read in peace so that the last ends before the countdown.
[[nodiscard]] std::vector<LineUpNote> lineUpReading(const Plan& plan, int count);

} // namespace brumefall::plan
