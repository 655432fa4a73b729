/// What was found in a recording, corrected by the user's hand: a note moved, cut in two, given to another
/// one, taken as said right, or as no reading of this stage at all.
///
/// Each gives back all that was found; where it cannot be meant, nothing is changed. Times are in seconds of
/// the recording.
#pragma once

#include "take/take.h"

#include <string>
#include <vector>

namespace brumefall::take {

enum class Edge { whole, start, end };

/// A reading is never shorter.
inline constexpr double kShortestReading_s = 0.08;

/// The first reading of `id`, or one end of it, moved by `by_s`; its words go with it.
[[nodiscard]] std::vector<FoundNote> moved(
    std::vector<FoundNote> found, const std::string& id, Edge edge, double by_s);

/// What was heard of `id` after `at_s` belongs to `next`.
[[nodiscard]] std::vector<FoundNote> split(
    std::vector<FoundNote> found, const std::string& id, double at_s, const std::string& next);

/// What was heard as `id` was `to`; where that was read, too, the earlier is its reading and the later one
/// repeats it.
[[nodiscard]] std::vector<FoundNote> given(
    std::vector<FoundNote> found, const std::string& id, const std::string& to);

/// What was heard as `id` was something else; where it was said again, that is its reading.
[[nodiscard]] std::vector<FoundNote> notMine(std::vector<FoundNote> found, const std::string& id);

/// `id` was said as it is written, whatever words were heard.
[[nodiscard]] std::vector<FoundNote> saidRight(std::vector<FoundNote> found, const std::string& id);

} // namespace brumefall::take
