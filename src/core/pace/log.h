/// A position log as it was written by some logger, cleaned into a pace.
///
/// Times are seconds from the log's first point. A log has distance, or speed, or positions; positions become
/// distance by geodesic length where they are read (media/gpx_log.h).
#pragma once

#include "pace/pace.h"

#include <optional>
#include <span>
#include <string>
#include <vector>

namespace brumefall::pace {

struct LogPoint {
    double time_s = 0.0;
    std::optional<double> distance_m; ///< along the way, from anywhere
    std::optional<double> speed_m_s;
    std::optional<double> lat_deg;
    std::optional<double> lon_deg;
    double east_m = 0.0; ///< on a plane around the first point, where there are positions
    double north_m = 0.0;
};

struct Log {
    std::vector<LogPoint> points;
    bool has_positions = false;
    bool has_speed = false;
    bool has_distance = false;
};

inline constexpr std::size_t kMostLogPoints = 500'000;

/// One thing that was done about a log, for the user: "3 fixes at the same time were left out".
struct Cleaning {
    std::string says;
    int points = 0;
};

/// A log made fit for use: distance over time, going forward.
struct CleanLog {
    std::vector<Knot> track; ///< distance from the first good point, time from the log's start; increasing
    std::vector<Cleaning> cleaned;
    double moving_from_s = 0.0; ///< when the car first drove off for good: the log's go
    double moving_to_s = 0.0; ///< when it last came to a stand
};

/// Leaves out repeated and backward times and jumps that no car makes, bridges gaps, and holds the distance
/// while the car stands (positions wander then). Throws std::invalid_argument with a message for the user
/// where nothing usable remains: no points, no movement, no column to tell distance from.
[[nodiscard]] CleanLog cleanLog(const Log& log);

/// How a log's clock lies to the clock of a stage: stage time = log time - `go_log_s`, at the same rate.
struct LogFit {
    double go_log_s = 0.0;
    double spread_s = 0.0; ///< how well it fits, one standard deviation; 0 where that cannot be told
    std::string by; ///< "go", "standstill", "marks"
};

[[nodiscard]] LogFit fitByGo(const CleanLog& log);
/// By where the car stands still at the end: `stand_stage_s` is that moment from go in the video.
[[nodiscard]] LogFit fitByStandstill(const CleanLog& log, double stand_stage_s);

/// A place known in the video: `station_m` by the notes' own road, `stage_s` from go.
struct KnownPlace {
    double station_m;
    double stage_s;
};
/// By two or more marks: the shift at which the log's distance at the marks agrees best with the road's,
/// least absolute deviation. Throws std::invalid_argument under two marks.
[[nodiscard]] LogFit fitByMarks(const CleanLog& log, std::span<const KnownPlace> marks);

/// The trace of a pass: from go, distance and time both beginning at zero. Throws std::invalid_argument where
/// the log holds nothing after go.
[[nodiscard]] std::vector<Knot> traceOf(const CleanLog& log, const LogFit& fit);

} // namespace brumefall::pace
