#include "pace/doubt.h"

#include "wording/wording.h"

#include <algorithm>
#include <cmath>
#include <cstdio>

namespace brumefall::pace {
namespace {

constexpr double kMostRatio = 3.0;
constexpr double kSlack_s = 6.0; ///< too little to be asked about

/// Whether driving for `actual_s` where the road asks for `expected_s` needs a question.
bool isOdd(double actual_s, double expected_s)
{
    return actual_s > kMostRatio * expected_s + kSlack_s || actual_s < expected_s / kMostRatio - kSlack_s;
}

} // namespace

std::string doubtOfMark(const Placement& placement, std::size_t index, double time_s)
{
    const auto& notes = placement.notes;
    if (index >= notes.size()) {
        return {};
    }
    if (time_s < 0.0) {
        return wording::localized("places", "That is before go");
    }
    std::size_t before = index;
    while (before > 0 && !notes[before - 1].marked) {
        --before;
    }
    if (before > 0 && time_s <= notes[before - 1].arrive_s) {
        return wording::filled(
            wording::localized("places", "Note %1, before it on the road, is marked later than this"),
            {std::to_string(before)});
    }
    std::size_t after = index + 1;
    while (after < notes.size() && !notes[after].marked) {
        ++after;
    }
    if (after < notes.size() && time_s >= notes[after].arrive_s) {
        return wording::filled(
            wording::localized("places", "Note %1, after it on the road, is marked earlier than this"),
            {std::to_string(after + 1)});
    }
    const double from_s = before > 0 ? notes[before - 1].arrive_s : 0.0;
    const double expected_s = notes[index].arrive_s - from_s;
    const bool odd = isOdd(time_s - from_s, expected_s)
        || (after < notes.size()
            && isOdd(notes[after].arrive_s - time_s, notes[after].arrive_s - notes[index].arrive_s));
    if (!odd) {
        return {};
    }
    const double off_s = time_s - notes[index].arrive_s;
    return wording::filled(off_s > 0.0
            ? wording::localized(
                "places", "The road around it says %1 s sooner, and the notes beside it would be squeezed")
            : wording::localized(
                "places", "The road around it says %1 s later, and the notes beside it would be squeezed"),
        {wording::figure(std::abs(off_s))});
}

} // namespace brumefall::pace
