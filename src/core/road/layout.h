/// The road that the notes imply: how long and how bent each note's piece of it is, and where it begins.
#pragma once

#include "notes/grade_sizes.h"
#include "notes/note.h"
#include "notes/style.h"

#include <span>
#include <string>
#include <vector>

namespace brumefall::road {

using notes::CornerSize;

using notes::Grades;
using notes::sizeOf;

/// A piece of constant curvature; `turn_deg` is positive to the left.
struct Piece {
    double length_m;
    double turn_deg;
};

/// A note on the road.
struct RoadNote {
    std::string id;
    double station_m = 0.0; ///< entry
    double length_m = 0.0; ///< of the note's own piece, 0 for a point
    double radius_m = 0.0; ///< the tightest, 0 where the road is straight
    double slowed = 1.0; ///< speed at this note against that of its bend alone: jumps, water, narrows, "slow"
    double uncertainty_m = 0.0; ///< standard deviation of the station, as far as the notes tell
    std::vector<Piece> pieces;
};

struct Road {
    std::vector<RoadNote> notes;
    double length_m = 0.0;
    double finish_m = 0.0; ///< the flying finish, where the notes have one; 0 otherwise
};

struct Point {
    double x_m;
    double y_m;
};

/// 0 for the fastest corner, 1 for the tightest; 0.5 where the grade is not known.
[[nodiscard]] double tightness(const notes::Note& note, notes::Scale scale);

/// Lays the notes out from go: entry, corner, link, next entry. Where `official_length_m` is positive
/// the whole is fitted to it, every piece taking its share of the error in proportion to its variance.
[[nodiscard]] Road layOut(
    std::span<const notes::Call> calls, const Grades& grades, double lead_in_m, double official_length_m);

/// The plan view of `road` in metres, go at the origin heading along +y, one point every `step_m`.
[[nodiscard]] std::vector<Point> planView(const Road& road, double step_m);

} // namespace brumefall::road
