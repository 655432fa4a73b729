/// Bends of a track made exact: where each begins and ends, by least squares on the directions between fixes.
///
/// Between two fixes the way points, on average, where the road points on average: with headings constant in
/// straights and turning evenly in bends, that average is exact, so fixes a second apart do not blur where a
/// bend begins.
#pragma once

#include <span>
#include <vector>

namespace brumefall::pace {

/// The way from one fix to the next: its stretch of the track and its direction, unwrapped.
struct Chord {
    double from_m;
    double to_m;
    double heading_rad;
    double sigma_rad; ///< standard deviation of the direction, from the fixes' own noise
};

/// A bend of the track, and what the notes say of it.
struct Bend {
    double from_m;
    double to_m;
    double turn_rad; ///< as found
    double noted_turn_rad;
    double noted_length_m;
    double noted_gap_before_m; ///< from the end of the bend before
    bool known = false; ///< its beginning stays where it is
};

/// Moves beginnings and ends of `bends` (in order, not overlapping) to where the chords and the notes
/// together have them: coordinate descent on the sum of squares, each bend with its neighbours' turns free.
void refineBends(std::span<const Chord> chords, std::vector<Bend>& bends);

} // namespace brumefall::pace
