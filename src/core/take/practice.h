/// The ways to practise, and what they are made of that is not a window: stretches, places that nobody was
/// told, stretches in the dark, clean readings.
#pragma once

#include "plan/plan.h"
#include "take/take.h"

#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace brumefall::take {

enum class Way {
    guided, ///< when to start each call is shown
    page_only, ///< as in the car
    listen_first, ///< the guide voice, then the reader
    stretch, ///< a run of notes again and again, until it was clean a few times in a row
    thrown_in, ///< begins at a place that was not told
    lost, ///< the page goes blank now and then
    drivers_ear, ///< the driver hears the calls, and says earlier or later
};
inline constexpr int kWays = 7;

/// As files and the command line have it: "page_only".
[[nodiscard]] std::string toString(Way way);
/// Nothing where there is no such way.
[[nodiscard]] std::optional<Way> wayFrom(std::string_view name);

/// Whole calls that are read alone, with a little before and after. Times from go.
struct Stretch {
    std::size_t first = 0; ///< notes of the plan
    std::size_t last = 0; ///< one past
    double from_s = 0.0; ///< when the video starts
    double to_s = 0.0; ///< when the car has reached the last of them
};

/// The calls that hold notes [first, last); all of the stage where that is empty.
[[nodiscard]] Stretch stretchOf(const plan::Plan& plan, std::size_t first, std::size_t last);

/// The calls that begin in the next `length_s` from `at_s` on; the first one where there is none.
[[nodiscard]] Stretch stretchFrom(const plan::Plan& plan, double at_s, double length_s);

/// Every note of `stretch` on time, and none begun again or with another word in it.
[[nodiscard]] bool isClean(const std::vector<Verdict>& verdicts, const Stretch& stretch);

/// A call to be thrown in at, by `seed`: never the first, and with some of the stage left to read.
[[nodiscard]] std::size_t throwIn(const plan::Plan& plan, std::uint32_t seed);

/// When the page is blank, from go: some seconds at a time, by `seed`, first some while after `from_s`.
[[nodiscard]] std::vector<Span> darkSpans(double from_s, double to_s, std::uint32_t seed);

} // namespace brumefall::take
