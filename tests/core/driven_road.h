/// A log of a car that drove the road of some notes.
#pragma once

#include "pace/log.h"
#include "road/layout.h"
#include "stage/stage.h"

#include <algorithm>
#include <cmath>
#include <string>

namespace support {

inline brumefall::stage::Prepared preparedOf(const std::string& text)
{
    brumefall::stage::Stage stage;
    stage.text = text;
    return brumefall::stage::prepare(stage, nullptr);
}

/// When the car of `drivenLog` is at a station, in seconds from go. It gathers speed at first, and is slower
/// from some place on: what drives evenly tells nobody when it began.
inline double drivenAt_s(double station_m)
{
    constexpr double kSpeed_m_s = 15.0;
    constexpr double kStart_m_s2 = 5.0;
    constexpr double kStart_m = kSpeed_m_s * kSpeed_m_s / (2.0 * kStart_m_s2);
    constexpr double kSlower_m_s = 10.0;
    constexpr double kSlowerFrom_m = 700.0;
    const double slower_s = std::max(0.0, station_m - kSlowerFrom_m) * (1.0 / kSlower_m_s - 1.0 / kSpeed_m_s);
    return slower_s
        + (station_m < kStart_m ? std::sqrt(2.0 * std::max(0.0, station_m) / kStart_m_s2)
                                : kSpeed_m_s / kStart_m_s2 + (station_m - kStart_m) / kSpeed_m_s);
}

/// Stands for `stands_s`, drives all of `road`, and stands once more.
inline brumefall::pace::Log drivenLog(const brumefall::road::Road& road, double stands_s = 5.0)
{
    constexpr double kStep_m = 3.0;
    constexpr double kDegree_m = 111'320.0; // of latitude, and of longitude at the equator
    constexpr double kEnd_s = 5.0;
    brumefall::pace::Log log;
    log.has_positions = true;
    log.has_distance = true;
    const auto add = [&](double time_s, double station_m, brumefall::road::Point at) {
        log.points.push_back({time_s, station_m, {}, at.y_m / kDegree_m, at.x_m / kDegree_m, at.x_m, at.y_m});
    };
    const auto points = brumefall::road::planView(road, kStep_m);
    for (double time_s = 0.0; time_s < stands_s - 0.05; time_s += 0.1) {
        add(time_s, 0.0, points.front());
    }
    double station_m = 0.0;
    for (std::size_t i = 0; i < points.size(); ++i) {
        station_m +=
            i == 0 ? 0.0 : std::hypot(points[i].x_m - points[i - 1].x_m, points[i].y_m - points[i - 1].y_m);
        add(stands_s + drivenAt_s(station_m), station_m, points[i]);
    }
    for (int second = 1; second <= static_cast<int>(kEnd_s); ++second) {
        add(stands_s + drivenAt_s(station_m) + second, station_m, points.back());
    }
    return log;
}

} // namespace support
