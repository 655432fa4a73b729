/// Logs as tables of text: any separator, decimal comma or point, columns found by their names or told.
#pragma once

#include "pace/log.h"
#include "wording/wording.h"

#include <array>
#include <string>
#include <string_view>
#include <vector>

namespace brumefall::pace {

/// A table as read: the names of its columns and its rows.
struct LogTable {
    std::vector<std::string> names; ///< as many as the widest row; "column 3" where the file has no heading
    std::vector<std::vector<std::string>> rows;
    std::vector<int> lines; ///< of each row in the file, from 1
    char separator = ',';
    bool decimal_comma = false;
};

/// What a column can be. A speed column may be in km/h or m/s, a distance column in m or km.
enum class LogColumn {
    unused,
    time_s,
    clock_time,
    distance_m,
    distance_km,
    speed_km_h,
    speed_m_s,
    lat_deg,
    lon_deg
};
inline constexpr std::array kLogColumnNames{wording::localizable("track", "not used"),
    wording::localizable("track", "time, s"), wording::localizable("track", "clock time"),
    wording::localizable("track", "distance, m"), wording::localizable("track", "distance, km"),
    wording::localizable("track", "speed, km/h"), wording::localizable("track", "speed, m/s"),
    wording::localizable("track", "latitude"), wording::localizable("track", "longitude")};

/// Throws formats::FormatError: empty, one column only, too many rows.
[[nodiscard]] LogTable readLogTable(std::string_view content, const std::string& file);

/// What each column probably is, by its name and its values.
[[nodiscard]] std::vector<LogColumn> guessColumns(const LogTable& table);

/// The log that the table is with these columns; rows whose time cannot be read are left out. Throws
/// formats::FormatError naming the line where there is no time column, or none of distance, speed and
/// position, or where not one row can be read.
[[nodiscard]] Log logOf(
    const LogTable& table, const std::vector<LogColumn>& columns, const std::string& file);

} // namespace brumefall::pace
