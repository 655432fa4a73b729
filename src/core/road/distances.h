/// Noted distances beside measured ones: "you call 50 here; it is 82 m".
#pragma once

#include "notes/note.h"
#include "road/layout.h"

#include <span>
#include <string>
#include <vector>

namespace brumefall::road {

/// A measured place of a note; in road order, one for each note.
struct MeasuredPlace {
    double station_m;
    double sure_m; ///< one standard deviation
};

struct DistanceCheck {
    std::string note; ///< the note that the distance follows
    std::string next;
    double noted_m = 0.0;
    double measured_m = 0.0; ///< from the end of the corner to the next entry
    double sure_m = 0.0;
    double wished_m = 0.0; ///< the measured one, rounded as crews say it

    [[nodiscard]] double off_m() const { return measured_m - noted_m; }
};

/// As a crew would say it: to 10 m below 120, to 20 below 200, to 50 above; never below 10.
[[nodiscard]] double roundedAsSaid(double metres);

/// Every noted distance that differs from the measured one by more than both allow (rounding, and how sure
/// the places are), worst first by share.
[[nodiscard]] std::vector<DistanceCheck> checkDistances(
    std::span<const notes::Call> calls, const Road& road, std::span<const MeasuredPlace> places);

} // namespace brumefall::road
