/// Why a note was late, early, or not said: from the plan and from what was heard.
///
/// How late a note ended after its planned end is what its call began later, and what its words took longer.
/// What began later did so because the voice was still busy, or though there was room.
#pragma once

#include "take/take.h"

#include <string>
#include <vector>

namespace brumefall::take {

enum class Cause {
    none, ///< it was on time
    plan, ///< the plan has it so
    start, ///< begun late, or early, though there was room
    before, ///< what was said before it overran
    rate, ///< its words were read slower, or faster, than planned
    stumble, ///< a word was begun again, or waited for
    misread, ///< said with another word in it
    skipped, ///< left out
    lost, ///< so were those around it: the place was lost
};

struct Reason {
    Cause cause = Cause::none;
    std::string text; ///< in words; empty where there is no cause
    std::string first; ///< of what overran before it: the note where that began; else empty
};

/// A reason for each of `verdicts`, which are those of the notes of `plan`; `found` in the order of the plan.
[[nodiscard]] std::vector<Reason> reasons(const plan::Plan& plan, const std::vector<FoundNote>& found,
    const Clock& clock, const std::vector<Verdict>& verdicts);

/// It is the plan that has to change, not the reading.
[[nodiscard]] bool isPlanFault(Cause cause);

[[nodiscard]] std::string toString(Cause cause);

} // namespace brumefall::take
