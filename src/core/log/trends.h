/// How a crew's reading changes, take after take.
#pragma once

#include "log/rally.h"

#include <string>
#include <vector>

namespace brumefall::log {

enum class Figure { on_time, late, missed, misread, lead_error, rate, drift };
inline constexpr int kFigures = 7;

/// Shares in percent, seconds, syllables a second, seconds a minute.
[[nodiscard]] double valueOf(const TakeSummary& take, Figure figure);

enum class Readers { all, own, simulated };

/// Which takes are looked at.
struct Filter {
    Readers readers = Readers::all;
    bool whole_only = false;
    std::string pass; ///< empty: every one

    [[nodiscard]] bool takes(const TakeSummary& take) const;
};

/// A take as a point. Dud takes and parts of a stage are none: they cannot be compared.
struct TrendPoint {
    std::size_t stage = 0; ///< of the rally
    std::size_t take = 0; ///< of the stage
    int number = 0; ///< from 1, counted over the whole rally in the order that the takes were made in
    double value = 0.0;
};

/// The points of all stages of `rally`, oldest first.
[[nodiscard]] std::vector<TrendPoint> trendOf(const Rally& rally, const Filter& filter, Figure figure);

/// One evening: takes with less than some hours between them.
struct Session {
    std::string day; ///< ISO 8601
    int takes = 0;
    int whole = 0;
    double minutes = 0.0; ///< read
    std::vector<std::string> stages;
    double on_time_share = 0.0; ///< of the notes that were judged
    int plan_faults = 0;
    int reading_faults = 0;
};

/// The latest first; dud takes are none.
[[nodiscard]] std::vector<Session> sessionsOf(const Rally& rally, const Filter& filter);

/// As a line of a diary.
[[nodiscard]] std::string describe(const Session& session);

} // namespace brumefall::log
