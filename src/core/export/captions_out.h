/// A plan, or what was read of it, as captions that any player shows: SubRip and WebVTT.
#pragma once

#include "plan/plan.h"
#include "take/take.h"

#include <span>
#include <string>
#include <vector>

namespace brumefall::exporting {

/// Words that are shown, or heard, from `start_s` to `end_s`.
struct TimedText {
    double start_s = 0.0;
    double end_s = 0.0;
    std::string text;
};

/// Every call of `plan` from its start to its end, in seconds from `begin_s` from go. One that began before
/// that is left out; none is shown while the next one is said.
[[nodiscard]] std::vector<TimedText> callsOf(const plan::Plan& plan, double begin_s);

/// Every note that was heard in a take, as it was read, in the same way.
[[nodiscard]] std::vector<TimedText> readingOf(
    const plan::Plan& plan, std::span<const take::Verdict> verdicts, double begin_s);

[[nodiscard]] std::string toSubRip(std::span<const TimedText> texts);
[[nodiscard]] std::string toWebVtt(std::span<const TimedText> texts);

} // namespace brumefall::exporting
