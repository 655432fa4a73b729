#include "media/position_log.h"

#include "formats/files.h"
#include "pace/csv_log.h"
#include "wording/wording.h"

#include <GeographicLib/AzimuthalEquidistant.hpp>
#include <GeographicLib/Geodesic.hpp>
#include <pugixml.hpp>

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <ctime>

namespace brumefall::media {
namespace {

using formats::FormatError;

/// The name without a namespace prefix.
std::string_view localName(const pugi::xml_node& node)
{
    const std::string_view name = node.name();
    const auto colon = name.find(':');
    return colon == std::string_view::npos ? name : name.substr(colon + 1);
}

/// "2030-03-09T21:03:04.5Z", with or without an offset: seconds since 1970.
std::optional<double> timeOf(const char* text)
{
    int year = 0;
    int month = 0;
    int day = 0;
    int hour = 0;
    int minute = 0;
    double second = 0.0;
    int used = 0;
    if (std::sscanf(text, "%d-%d-%dT%d:%d:%lf%n", &year, &month, &day, &hour, &minute, &second, &used) != 6) {
        return {};
    }
    std::tm when{};
    when.tm_year = year - 1900;
    when.tm_mon = month - 1;
    when.tm_mday = day;
    when.tm_hour = hour;
    when.tm_min = minute;
    double offset_s = 0.0;
    int off_hour = 0;
    int off_minute = 0;
    if (std::sscanf(text + used, "%3d:%2d", &off_hour, &off_minute) == 2) {
        offset_s = (std::abs(off_hour) * 3600.0 + off_minute * 60.0) * (off_hour < 0 ? -1.0 : 1.0);
    }
    return static_cast<double>(timegm(&when)) + second - offset_s;
}

std::optional<double> speedIn(const pugi::xml_node& node, int depth)
{
    for (const auto& child : node.children()) {
        if (localName(child) == "speed") {
            return child.text().as_double();
        }
        if (depth < 6 && localName(child) == "extensions") {
            if (const auto found = speedIn(child, depth + 1)) {
                return found;
            }
        } else if (depth > 0 && depth < 6 && child.first_child().type() == pugi::node_element) {
            if (const auto found = speedIn(child, depth + 1)) {
                return found;
            }
        }
    }
    return {};
}

struct Fix {
    double time_s;
    pace::LogPoint point;
};

class GpxReader {
public:
    GpxReader(std::string_view content, const std::string& file)
        : content_(content)
        , file_(file)
    {
    }

    pace::Log read()
    {
        pugi::xml_document document;
        const auto result =
            document.load_buffer(content_.data(), content_.size(), pugi::parse_default, pugi::encoding_utf8);
        if (!result) {
            throw FormatError(file_, lineAt(result.offset), std::string("not XML: ") + result.description());
        }
        const auto root = document.document_element();
        if (localName(root) != "gpx") {
            throw FormatError(file_, lineAt(root.offset_debug()),
                wording::filled(wording::localized("track", "not GPX: it begins with <%1>"), {root.name()}));
        }
        collect(root, 0);
        if (fixes_.empty()) {
            throw FormatError(file_, 1,
                timeless_ > 0 ? wording::localized(
                    "track", "its points have no time, so no pace can be taken from them")
                              : wording::localized("track", "no track points in this file"));
        }
        std::stable_sort(
            fixes_.begin(), fixes_.end(), [](const Fix& a, const Fix& b) { return a.time_s < b.time_s; });
        pace::Log log;
        log.has_positions = true;
        for (Fix& fix : fixes_) {
            fix.point.time_s = fix.time_s - fixes_.front().time_s;
            log.has_speed = log.has_speed || fix.point.speed_m_s;
            log.points.push_back(fix.point);
        }
        return log;
    }

private:
    [[nodiscard]] int lineAt(std::ptrdiff_t offset) const
    {
        return formats::lineOf(content_, static_cast<std::size_t>(std::max<std::ptrdiff_t>(0, offset)));
    }

    void collect(const pugi::xml_node& node, int depth)
    {
        for (const auto& child : node.children()) {
            const auto name = localName(child);
            if (name == "trkpt" || name == "rtept") {
                take(child);
            } else if (depth < 4 && (name == "trk" || name == "trkseg" || name == "rte")) {
                collect(child, depth + 1);
            }
        }
    }

    void take(const pugi::xml_node& node)
    {
        if (fixes_.size() >= pace::kMostLogPoints) {
            throw FormatError(file_, lineAt(node.offset_debug()),
                wording::localized("track", "more than 500000 points; cut the log to the stage"));
        }
        pace::LogPoint point;
        const double lat = node.attribute("lat").as_double(1000.0);
        const double lon = node.attribute("lon").as_double(1000.0);
        if (!(std::abs(lat) <= 90.0) || !(std::abs(lon) <= 360.0)) {
            throw FormatError(file_, lineAt(node.offset_debug()),
                wording::localized("track", "a point without a latitude and longitude"));
        }
        point.lat_deg = lat;
        point.lon_deg = lon;
        std::optional<double> time_s;
        for (const auto& child : node.children()) {
            if (localName(child) == "time") {
                time_s = timeOf(child.text().as_string());
            }
        }
        if (!time_s) {
            ++timeless_;
            return;
        }
        point.speed_m_s = speedIn(node, 0);
        fixes_.push_back({*time_s, point});
    }

    std::string_view content_;
    const std::string& file_;
    std::vector<Fix> fixes_;
    int timeless_ = 0;
};

} // namespace

pace::Log readGpx(std::string_view content, const std::string& file)
{
    return GpxReader(content, file).read();
}

void layOnPlane(pace::Log& log)
{
    if (!log.has_positions) {
        return;
    }
    std::erase_if(log.points, [](const pace::LogPoint& p) { return !p.lat_deg || !p.lon_deg; });
    if (log.points.empty()) {
        log.has_positions = false;
        return;
    }
    // the middle fix, so that one stray first fix does not put the plane elsewhere
    const auto& middle = log.points[log.points.size() / 2];
    const GeographicLib::AzimuthalEquidistant plane(GeographicLib::Geodesic::WGS84());
    for (pace::LogPoint& point : log.points) {
        plane.Forward(
            *middle.lat_deg, *middle.lon_deg, *point.lat_deg, *point.lon_deg, point.east_m, point.north_m);
    }
}

pace::Log readLogFile(const std::filesystem::path& file)
{
    const auto content = formats::readText(file);
    const auto name = file.string();
    const auto first = content.find_first_not_of(" \t\r\n\xEF\xBB\xBF");
    pace::Log log;
    if (first != std::string::npos && content[first] == '<') {
        log = readGpx(content, name);
    } else {
        const auto table = pace::readLogTable(content, name);
        log = pace::logOf(table, pace::guessColumns(table), name);
    }
    layOnPlane(log);
    return log;
}

} // namespace brumefall::media
