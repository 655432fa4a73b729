/// The notes of a road laid on a measured track by the way it bends.
///
/// The track's curvature is cut into straights and bends, one bend for each corner of the notes, so that the
/// sum of squared misfits is least: within a straight curvature is nought, within a bend it is one constant,
/// turned angles, lengths and gaps are about what the notes say. Exact by dynamic programming over the ends
/// of the bends (Bellman, Communications of the ACM 4 (1961), 284, on approximating curves by line segments).
#pragma once

#include "pace/log.h"
#include "pace/pass.h"
#include "road/layout.h"

#include <map>
#include <string>
#include <vector>

namespace brumefall::pace {

/// A note found on the track.
struct MatchedNote {
    std::string note;
    double station_m = 0.0; ///< entry, by the log's own distance from go
    double time_s = 0.0; ///< from go
    bool by_bend = false; ///< found by its bend; else it lies between its neighbours
};

/// Lays the notes of `road` on the log. `anchor_s` holds times from go of notes that are known (marks). Empty
/// where the log has no positions or the road no corners; throws std::invalid_argument where the log holds
/// nothing after go.
[[nodiscard]] std::vector<MatchedNote> matchNotes(const road::Road& road, const Log& log,
    const CleanLog& clean, const LogFit& fit, const std::map<std::string, double>& anchor_s = {});

/// The log's clock laid to the video's by marked notes (`mark_s`: times from go): the bends of the log tell
/// when the car was at each marked note, by distance where the log has no positions. Throws
/// std::invalid_argument under two marks of notes that the road has.
[[nodiscard]] LogFit fitByMarks(const road::Road& road, const Log& log, const CleanLog& clean,
    const std::map<std::string, double>& mark_s);

/// What became of draft places that a log was held against.
struct Sharpened {
    int moved = 0;
    LogFit fit;
};
/// Moves drafts of `pass` to where the bends of `log` have their notes. A bend farther from its draft than a
/// reading wanders is another one: that draft stays. The log is laid by its own go where `go_is_known` and
/// the drafts do not contradict; else by the drafts, and the places stay as early or late as those are
/// together. A pass without a trace takes that of the log, which is called `name`. Marks are left alone.
/// Throws as fitByMarks and matchNotes do.
[[nodiscard]] Sharpened sharpenDrafts(Pass& pass, const road::Road& road, const Log& log,
    const CleanLog& clean, const std::string& name, bool go_is_known);

/// A note found by its bend as a proposal for `pass`; sure by the median error against true places and a
/// little more.
[[nodiscard]] Mark proposal(const MatchedNote& note, const Pass& pass);

/// `pass` takes the trace of a log that is called `name`. Throws as traceOf does.
void takeTrace(Pass& pass, const CleanLog& clean, const LogFit& fit, const std::string& name);

/// Times from go of the marks of `pass`, by note: those that somebody set, or the drafts.
[[nodiscard]] std::map<std::string, double> markTimes(const Pass& pass, bool drafts = false);

} // namespace brumefall::pace
