#include "pace/csv_log.h"

#include "formats/files.h"
#include "notes/text.h"
#include "wording/wording.h"

#include <algorithm>
#include <cctype>
#include <charconv>
#include <cmath>
#include <map>

namespace brumefall::pace {
namespace {

using formats::FormatError;

std::vector<std::string> split(std::string_view line, char separator)
{
    std::vector<std::string> cells(1);
    bool quoted = false;
    for (const char c : line) {
        if (c == '"') {
            quoted = !quoted;
        } else if (c == separator && !quoted) {
            cells.emplace_back();
        } else {
            cells.back() += c;
        }
    }
    for (std::string& cell : cells) {
        cell = std::string(notes::trimmed(cell));
    }
    return cells;
}

std::optional<double> numberIn(std::string cell, bool decimal_comma)
{
    if (decimal_comma) {
        std::replace(cell.begin(), cell.end(), ',', '.');
    }
    if (!cell.empty() && cell.front() == '+') {
        cell.erase(cell.begin());
    }
    double value = 0.0;
    const auto result = std::from_chars(cell.data(), cell.data() + cell.size(), value);
    const auto rest =
        std::string_view(result.ptr, static_cast<std::size_t>(cell.data() + cell.size() - result.ptr));
    const bool unit = rest.find_first_of("0123456789") == std::string_view::npos && rest.size() <= 5;
    return result.ec == std::errc() && unit && std::isfinite(value) ? std::optional(value) : std::nullopt;
}

/// "21:03:04.5", "2030-03-09T21:03:04Z", "3:04": seconds of the day.
std::optional<double> clockIn(std::string cell, bool decimal_comma)
{
    if (const auto t = cell.find_last_of("T "); t != std::string::npos) {
        cell = cell.substr(t + 1);
    }
    if (const auto zone = cell.find_first_of("Z+"); zone != std::string::npos) {
        cell.resize(zone);
    }
    if (decimal_comma) {
        std::replace(cell.begin(), cell.end(), ',', '.');
    }
    double total_s = 0.0;
    int parts = 0;
    for (std::size_t at = 0; at <= cell.size(); ++parts) {
        const auto end = std::min(cell.find(':', at), cell.size());
        double part = 0.0;
        const auto result = std::from_chars(cell.data() + at, cell.data() + end, part);
        if (result.ec != std::errc() || result.ptr != cell.data() + end) {
            return {};
        }
        total_s = 60.0 * total_s + part;
        at = end + 1;
    }
    return parts >= 2 && parts <= 3 ? std::optional(total_s) : std::nullopt;
}

/// The separator that cuts most of the first lines into the same number of cells, more than one.
char separatorOf(const std::vector<std::string_view>& lines)
{
    char best = ',';
    long best_score = 0;
    for (const char separator : {';', '\t', ',', '|'}) {
        std::map<std::size_t, long> widths;
        for (std::size_t i = 0; i < std::min<std::size_t>(lines.size(), 40); ++i) {
            ++widths[split(lines[i], separator).size()];
        }
        for (const auto& [width, count] : widths) {
            if (width > 1 && count > best_score) {
                best_score = count;
                best = separator;
            }
        }
    }
    return best;
}

std::string plain(std::string_view name)
{
    std::string out;
    for (const char c : name) {
        out += std::isalnum(static_cast<unsigned char>(c)) != 0
            ? static_cast<char>(std::tolower(static_cast<unsigned char>(c)))
            : ' ';
    }
    return " " + out + " ";
}

bool hasWord(const std::string& name, std::initializer_list<std::string_view> words)
{
    return std::any_of(words.begin(), words.end(),
        [&](std::string_view word) { return name.find(" " + std::string(word) + " ") != std::string::npos; });
}

LogColumn columnNamed(const std::string& written)
{
    const std::string name = plain(written);
    const bool starts_lat = name.starts_with(" lat");
    const bool starts_lon = name.starts_with(" lon") || name.starts_with(" lng");
    if (starts_lat) {
        return LogColumn::lat_deg;
    }
    if (starts_lon) {
        return LogColumn::lon_deg;
    }
    if (hasWord(name, {"distance", "dist", "odometer", "odo", "trip", "station"})) {
        return hasWord(name, {"km", "kilometres", "kilometers"}) ? LogColumn::distance_km
                                                                 : LogColumn::distance_m;
    }
    if (hasWord(name, {"speed", "velocity", "v", "kmh", "kph"})) {
        return hasWord(name, {"ms", "m s", "mps"}) || name.find(" m s ") != std::string::npos
            ? LogColumn::speed_m_s
            : LogColumn::speed_km_h;
    }
    if (hasWord(name, {"time", "t", "seconds", "sec", "elapsed", "timestamp", "clock", "utc"})) {
        return LogColumn::time_s;
    }
    return LogColumn::unused;
}

} // namespace

LogTable readLogTable(std::string_view content, const std::string& file)
{
    if (content.starts_with("\xEF\xBB\xBF")) {
        content.remove_prefix(3);
    }
    std::vector<std::string_view> lines;
    std::vector<int> numbers;
    int number = 0;
    for (std::size_t at = 0; at < content.size();) {
        const std::size_t end = std::min(content.find('\n', at), content.size());
        const auto line = notes::trimmed(content.substr(at, end - at));
        ++number;
        at = end + 1;
        if (line.empty() || line.front() == '#') {
            continue;
        }
        if (lines.size() > kMostLogPoints) {
            throw FormatError(
                file, number, wording::localized("track", "more than 500000 rows; cut the log to the stage"));
        }
        lines.push_back(line);
        numbers.push_back(number);
    }
    if (lines.empty()) {
        throw FormatError(file, 1, wording::localized("track", "the log is empty"));
    }
    LogTable table;
    table.separator = separatorOf(lines);
    const auto first = split(lines.front(), table.separator);
    if (first.size() < 2 && (lines.size() < 2 || split(lines[1], table.separator).size() < 2)) {
        throw FormatError(file, numbers.front(),
            wording::localized("track", "only one column: a log needs time and distance, speed or position"));
    }
    table.decimal_comma = table.separator != ','
        && std::any_of(lines.begin(), lines.begin() + std::min<std::ptrdiff_t>(20, std::ssize(lines)),
            [](std::string_view line) { return line.find(',') != std::string_view::npos; });
    const bool heading = std::none_of(first.begin(), first.end(), [&](const std::string& cell) {
        return numberIn(cell, table.decimal_comma) || clockIn(cell, table.decimal_comma);
    });
    std::size_t width = first.size();
    for (std::size_t i = heading ? 1 : 0; i < lines.size(); ++i) {
        table.rows.push_back(split(lines[i], table.separator));
        table.lines.push_back(numbers[i]);
        width = std::max(width, table.rows.back().size());
    }
    for (std::size_t c = 0; c < std::min<std::size_t>(width, 200); ++c) {
        const bool named = heading && c < first.size() && !first[c].empty();
        table.names.push_back(named ? first[c] : "column " + std::to_string(c + 1));
    }
    if (table.rows.empty()) {
        throw FormatError(
            file, numbers.front(), wording::localized("track", "a heading, but no rows under it"));
    }
    return table;
}

std::vector<LogColumn> guessColumns(const LogTable& table)
{
    std::vector<LogColumn> columns;
    for (std::size_t c = 0; c < table.names.size(); ++c) {
        LogColumn column = columnNamed(table.names[c]);
        const bool taken =
            column != LogColumn::unused && std::find(columns.begin(), columns.end(), column) != columns.end();
        if (taken) {
            column = LogColumn::unused;
        }
        if (column == LogColumn::time_s) {
            const auto& rows = table.rows;
            const bool number =
                std::any_of(rows.begin(), rows.begin() + std::min<std::ptrdiff_t>(10, std::ssize(rows)),
                    [&](const auto& row) { return c < row.size() && numberIn(row[c], table.decimal_comma); });
            if (!number) {
                column = LogColumn::clock_time;
            }
        }
        columns.push_back(column);
    }
    const auto isTime = [](LogColumn c) { return c == LogColumn::time_s || c == LogColumn::clock_time; };
    if (std::none_of(columns.begin(), columns.end(), isTime) && !columns.empty()
        && columns.front() == LogColumn::unused) {
        columns.front() = LogColumn::time_s; // loggers write the time first
    }
    return columns;
}

Log logOf(const LogTable& table, const std::vector<LogColumn>& columns, const std::string& file)
{
    const auto indexOf = [&](LogColumn wanted) {
        const auto it = std::find(columns.begin(), columns.end(), wanted);
        return it == columns.end() ? std::optional<std::size_t>()
                                   : std::optional(static_cast<std::size_t>(it - columns.begin()));
    };
    const auto time = indexOf(LogColumn::time_s);
    const auto clock = indexOf(LogColumn::clock_time);
    if (!time && !clock) {
        throw FormatError(file, 1, wording::localized("track", "no column tells the time"));
    }
    const auto distance_m = indexOf(LogColumn::distance_m);
    const auto distance_km = indexOf(LogColumn::distance_km);
    const auto speed_km_h = indexOf(LogColumn::speed_km_h);
    const auto speed_m_s = indexOf(LogColumn::speed_m_s);
    const auto lat = indexOf(LogColumn::lat_deg);
    const auto lon = indexOf(LogColumn::lon_deg);
    Log log;
    log.has_distance = distance_m || distance_km;
    log.has_speed = speed_km_h || speed_m_s;
    log.has_positions = lat && lon;
    if (!log.has_distance && !log.has_speed && !log.has_positions) {
        throw FormatError(
            file, 1, wording::localized("track", "no column tells distance, speed or position"));
    }
    std::optional<double> first_s;
    double day_s = 0.0;
    double last_clock_s = -1.0;
    for (const auto& row : table.rows) {
        const auto cell = [&](std::optional<std::size_t> column, double factor) -> std::optional<double> {
            const auto value =
                column && *column < row.size() ? numberIn(row[*column], table.decimal_comma) : std::nullopt;
            return value ? std::optional(*value * factor) : std::nullopt;
        };
        std::optional<double> at_s = cell(time, 1.0);
        if (!time && *clock < row.size()) {
            at_s = clockIn(row[*clock], table.decimal_comma);
            if (at_s && *at_s + day_s < last_clock_s - 43200.0) {
                day_s += 86400.0; // past midnight
            }
            if (at_s) {
                *at_s += day_s;
                last_clock_s = *at_s;
            }
        }
        if (!at_s) {
            continue;
        }
        first_s = first_s.value_or(*at_s);
        LogPoint kept;
        kept.time_s = *at_s - *first_s;
        kept.distance_m = distance_m ? cell(distance_m, 1.0) : cell(distance_km, 1000.0);
        kept.speed_m_s = speed_m_s ? cell(speed_m_s, 1.0) : cell(speed_km_h, 1.0 / 3.6);
        kept.lat_deg = cell(lat, 1.0);
        kept.lon_deg = cell(lon, 1.0);
        log.points.push_back(kept);
    }
    if (log.points.empty()) {
        throw FormatError(file, table.lines.empty() ? 1 : table.lines.front(),
            wording::localized("track", "not one row has a time that can be read"));
    }
    return log;
}

} // namespace brumefall::pace
