#include "export/way_points.h"

#include "formats/printed.h"

#include <algorithm>
#include <cmath>
#include <optional>
#include <stdexcept>
#include <vector>

namespace brumefall::exporting {
namespace {

struct Position {
    double time_s;
    double lat_deg;
    double lon_deg;
};

std::string escaped(const std::string& text)
{
    std::string out;
    for (const char c : text) {
        out += c == '<' ? "&lt;"
            : c == '>'  ? "&gt;"
            : c == '&'  ? "&amp;"
            : c == '"'  ? "&quot;"
                        : std::string(1, c);
    }
    return out;
}

/// Where the car was at `time_s` of the log; nothing outside of it.
std::optional<Position> at(const std::vector<Position>& positions, double time_s)
{
    const auto after = std::lower_bound(
        positions.begin(), positions.end(), time_s, [](const Position& p, double t) { return p.time_s < t; });
    if (after == positions.end() || (after == positions.begin() && after->time_s > time_s)) {
        return {};
    }
    if (after == positions.begin()) {
        return *after;
    }
    const Position& before = *std::prev(after);
    const double share = (time_s - before.time_s) / (after->time_s - before.time_s);
    return Position{time_s, before.lat_deg + share * (after->lat_deg - before.lat_deg),
        before.lon_deg + share * (after->lon_deg - before.lon_deg)};
}

/// The log's time at go, told by where its cleaned track and the pass's trace end; nothing where the two are
/// not of one run.
std::optional<double> goOf(const pace::Log& log, const pace::Pass& pass)
{
    constexpr double kSame_m = 5.0;
    constexpr double kSameShare = 0.01;
    if (pass.trace.empty()) {
        return {};
    }
    pace::CleanLog clean;
    try {
        clean = pace::cleanLog(log);
    } catch (const std::invalid_argument&) {
        return {};
    }
    const double go_s = clean.track.back().time_s - pass.trace.back().time_s;
    const double go_m = pace::Pace(clean.track).stationAt(go_s);
    const double off_m = std::abs(clean.track.back().station_m - go_m - pass.trace.back().station_m);
    return off_m < kSame_m + kSameShare * pass.trace.back().station_m ? std::optional(go_s) : std::nullopt;
}

std::string place(const char* element, const Position& position)
{
    return formats::printed("<%s lat=\"%.7f\" lon=\"%.7f\">", element, position.lat_deg, position.lon_deg);
}

} // namespace

std::string wayPoints(
    const stage::Prepared& prepared, const pace::Pass& pass, const pace::Log& log, const std::string& name)
{
    std::vector<Position> positions;
    for (const auto& point : log.points) {
        if (point.lat_deg && point.lon_deg && (positions.empty() || point.time_s > positions.back().time_s)) {
            positions.push_back({point.time_s, *point.lat_deg, *point.lon_deg});
        }
    }
    const auto go_s = goOf(log, pass);
    if (positions.size() < 2 || !go_s) {
        return {};
    }
    std::string out =
        "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n"
        "<gpx version=\"1.1\" creator=\"Brumefall\" xmlns=\"http://www.topografix.com/GPX/1/1\">\n"
        "<metadata><name>"
        + escaped(name) + "</name></metadata>\n";
    std::size_t k = 0;
    for (const auto& note : prepared.placement.notes) {
        ++k;
        const auto words = std::find_if(prepared.plan.notes.begin(), prepared.plan.notes.end(),
            [&](const plan::PlannedNote& planned) { return planned.id == note.id; });
        const auto position = at(positions, *go_s + note.arrive_s);
        if (position && words != prepared.plan.notes.end()) {
            out += place("wpt", *position) + "<name>" + std::to_string(k) + "</name><desc>"
                + escaped(words->text) + "</desc></wpt>\n";
        }
    }
    out += "<trk><name>" + escaped(name) + "</name><trkseg>\n";
    for (const Position& position : positions) {
        const double stage_s = position.time_s - *go_s;
        if (stage_s >= 0.0 && stage_s <= pass.trace.back().time_s) {
            out += place("trkpt", position) + "</trkpt>\n";
        }
    }
    return out + "</trkseg></trk>\n</gpx>\n";
}

} // namespace brumefall::exporting
