#include "pace/log.h"

#include "maths/quantile.h"
#include "wording/wording.h"

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <limits>
#include <stdexcept>

namespace brumefall::pace {
namespace {

constexpr double kFastest_m_s = 90.0; // no rally car is faster
constexpr double kHardest_m_s2 = 30.0; // nor speeds up or brakes harder
constexpr double kGap_s = 4.0;
constexpr double kStands_m_s = 0.8;
constexpr double kDrives_m_s = 3.0;
constexpr double kSmooth_s = 1.0;

class Cleaner {
public:
    explicit Cleaner(const Log& log)
        : log_(log)
    {
        if (log.points.empty()) {
            throw std::invalid_argument(wording::localized("track", "the log has no points"));
        }
        if (!log.has_distance && !log.has_speed && !log.has_positions) {
            throw std::invalid_argument(
                wording::localized("track", "the log has neither distance, nor speed, nor positions"));
        }
    }

    CleanLog clean()
    {
        dropRepeated();
        measure();
        dropJumps();
        holdWhileStanding();
        build();
        tell();
        return std::move(out_);
    }

private:
    struct Point {
        double time_s;
        double along_m; ///< distance from the first
        const LogPoint* source;
    };

    void dropRepeated()
    {
        double last_s = -std::numeric_limits<double>::infinity();
        for (const LogPoint& point : log_.points) {
            if (!std::isfinite(point.time_s) || point.time_s <= last_s) {
                ++repeated_;
                continue;
            }
            last_s = point.time_s;
            points_.push_back({point.time_s, 0.0, &point});
        }
    }

    /// Distance from the best column: distance itself, speed over time, or the steps between positions.
    void measure()
    {
        double along_m = 0.0;
        for (std::size_t i = 0; i < points_.size(); ++i) {
            const LogPoint& now = *points_[i].source;
            const LogPoint* before = i > 0 ? points_[i - 1].source : nullptr;
            if (log_.has_distance) {
                if (now.distance_m) {
                    first_m_ = first_m_.value_or(*now.distance_m);
                    along_m = *now.distance_m - *first_m_;
                }
            } else if (before != nullptr && log_.has_positions) {
                along_m += std::hypot(now.east_m - before->east_m, now.north_m - before->north_m);
            } else if (before != nullptr && log_.has_speed) {
                const double speed = 0.5 * (now.speed_m_s.value_or(0.0) + before->speed_m_s.value_or(0.0));
                along_m += speed * (now.time_s - before->time_s);
            }
            points_[i].along_m = along_m;
        }
    }

    [[nodiscard]] double stepOf(const Point& from, const Point& to) const
    {
        return log_.has_positions && !log_.has_distance
            ? std::hypot(to.source->east_m - from.source->east_m, to.source->north_m - from.source->north_m)
            : to.along_m - from.along_m;
    }

    /// A point that no car reaches from the one before is left out, until the log comes back to where it was;
    /// if it does not, the log goes on from there.
    void dropJumps()
    {
        std::vector<Point> good;
        double along_m = 0.0;
        double speed = 0.0;
        int lost = 0;
        for (const Point& point : points_) {
            if (good.empty()) {
                good.push_back({point.time_s, 0.0, point.source});
                continue;
            }
            const double dt = point.time_s - good.back().time_s;
            const Point before{good.back().time_s, last_raw_m_, good.back().source};
            const double step = stepOf(before, point);
            const double v = step / dt;
            const bool leap = v > kFastest_m_s || v < -1.0
                || (dt < kGap_s && v - speed > kHardest_m_s2 * std::max(dt, 0.5) + 5.0);
            constexpr int kPatience = 8;
            if (leap && lost < kPatience) {
                ++lost;
                ++jumps_;
                continue;
            }
            if (leap) { // it never came back: from here on it is somewhere else
                speed = 0.0;
            } else {
                along_m += std::max(0.0, step);
                speed = std::max(0.0, v);
            }
            lost = 0;
            if (dt > kGap_s) {
                ++gaps_;
                longest_gap_s_ = std::max(longest_gap_s_, dt);
            }
            last_raw_m_ = point.along_m;
            good.push_back({point.time_s, along_m, point.source});
        }
        points_ = std::move(good);
    }

    [[nodiscard]] double speedAround(std::size_t i) const
    {
        std::size_t a = i;
        std::size_t b = i;
        while (a > 0 && points_[i].time_s - points_[a].time_s < kSmooth_s) {
            --a;
        }
        while (b + 1 < points_.size() && points_[b].time_s - points_[i].time_s < kSmooth_s) {
            ++b;
        }
        if (log_.has_positions && !log_.has_distance
            && b > a) { // wandering goes nowhere: take the straight way
            const LogPoint& from = *points_[a].source;
            const LogPoint& to = *points_[b].source;
            return std::hypot(to.east_m - from.east_m, to.north_m - from.north_m)
                / std::max(1e-6, points_[b].time_s - points_[a].time_s);
        }
        return (points_[b].along_m - points_[a].along_m)
            / std::max(1e-6, points_[b].time_s - points_[a].time_s);
    }

    /// Below this speed the car stands; positions wander by a metre or two even then.
    [[nodiscard]] double standing() const
    {
        return log_.has_positions && !log_.has_distance ? 2.0 * kStands_m_s : kStands_m_s;
    }

    void holdWhileStanding()
    {
        std::vector<double> speeds;
        for (std::size_t i = 0; i < points_.size(); ++i) {
            speeds.push_back(speedAround(i));
        }
        double taken_m = 0.0;
        double before_m = points_.empty() ? 0.0 : points_.front().along_m;
        double stood_s = 0.0;
        for (std::size_t i = 1; i < points_.size(); ++i) {
            const double step = points_[i].along_m - before_m;
            before_m = points_[i].along_m;
            if (speeds[i] < standing() && speeds[i - 1] < standing()) {
                taken_m += step;
                stood_s += points_[i].time_s - points_[i - 1].time_s;
            }
            points_[i].along_m -= taken_m;
        }
        speeds_ = std::move(speeds);
        const auto drives = [](double v) { return v > kDrives_m_s; };
        const auto first = std::find_if(speeds_.begin(), speeds_.end(), drives);
        const auto last = std::find_if(speeds_.rbegin(), speeds_.rend(), drives);
        if (first == speeds_.end()) {
            throw std::invalid_argument(
                wording::localized("track", "nothing in the log moves faster than a walk"));
        }
        out_.moving_from_s = driveOff(static_cast<std::size_t>(first - speeds_.begin()));
        out_.moving_to_s = points_[static_cast<std::size_t>(speeds_.rend() - last) - 1].time_s;
        const double between_s = stood_s - (out_.moving_from_s - points_.front().time_s)
            - (points_.back().time_s - out_.moving_to_s);
        if (between_s > 3.0) {
            stood_between_s_ = between_s;
        }
    }

    /// How far point `i` is from where the car stood up to point `stand`.
    [[nodiscard]] double awayFrom(std::size_t stand, std::size_t i) const
    {
        if (!log_.has_positions || log_.has_distance) {
            return points_[i].along_m - points_[stand].along_m;
        }
        constexpr std::size_t kFixes = 6;
        double east_m = 0.0;
        double north_m = 0.0;
        const std::size_t first = stand >= kFixes ? stand - kFixes + 1 : 0;
        for (std::size_t k = first; k <= stand; ++k) {
            east_m += points_[k].source->east_m / static_cast<double>(stand - first + 1);
            north_m += points_[k].source->north_m / static_cast<double>(stand - first + 1);
        }
        return std::hypot(points_[i].source->east_m - east_m, points_[i].source->north_m - north_m);
    }

    /// When the car drove off before point `i`, where it already drives: the moment from which a steady
    /// acceleration s = a/2 (t - t0)^2 leads through the points of the first metres; a line through their
    /// roots.
    [[nodiscard]] double driveOff(std::size_t i) const
    {
        std::size_t stand = i;
        while (stand > 0 && speeds_[stand] > standing() && points_[i].time_s - points_[stand].time_s < 5.0) {
            --stand;
        }
        constexpr double kFirst_m = 2.5;
        constexpr double kLast_m = 40.0;
        double n = 0.0;
        double sum_t = 0.0;
        double sum_r = 0.0;
        double sum_tt = 0.0;
        double sum_tr = 0.0;
        for (std::size_t k = stand + 1; k < points_.size(); ++k) {
            const double away_m = awayFrom(stand, k);
            if (away_m > kLast_m && n >= 2.0) {
                break;
            }
            if (away_m >= kFirst_m) {
                const double t = points_[k].time_s - points_[stand].time_s;
                const double root = std::sqrt(away_m);
                n += 1.0;
                sum_t += t;
                sum_r += root;
                sum_tt += t * t;
                sum_tr += t * root;
            }
        }
        const double slope = (n * sum_tr - sum_t * sum_r) / std::max(n * sum_tt - sum_t * sum_t, 1e-9);
        if (n < 2.0 || slope < 0.1) {
            return points_[stand].time_s;
        }
        const double t0 = points_[stand].time_s + sum_t / n - sum_r / n / slope;
        return std::clamp(t0, points_[stand].time_s - 1.0, points_[i].time_s);
    }

    void build()
    {
        for (const Point& point : points_) {
            const bool forward = out_.track.empty() || point.along_m > out_.track.back().station_m + 0.02;
            if (forward) {
                out_.track.push_back({point.along_m, point.time_s});
            } else if (out_.track.size() == 1) {
                out_.track.back().time_s = point.time_s; // still standing at the start
            }
        }
        if (out_.track.size() < 2) {
            throw std::invalid_argument(wording::localized("track", "the log goes nowhere"));
        }
    }

    void tell()
    {
        const auto add = [&](int count, const std::string& says) {
            if (count > 0) {
                out_.cleaned.push_back({says, count});
            }
        };
        add(repeated_,
            wording::filled(
                wording::localized("track", "%1 points whose time does not go forward were left out"),
                {std::to_string(repeated_)}));
        add(jumps_,
            wording::filled(
                wording::localized("track", "%1 points that jump farther than a car drives were left out"),
                {std::to_string(jumps_)}));
        add(gaps_,
            wording::filled(wording::localized("track", "%1 gaps were bridged, the longest of %2 s"),
                {std::to_string(gaps_), wording::figure(longest_gap_s_)}));
        add(stood_between_s_ > 0.0 ? 1 : 0,
            wording::filled(
                wording::localized("track", "the car stands for %1 s on the way; the distance is held there"),
                {wording::figure(stood_between_s_)}));
    }

    const Log& log_;
    CleanLog out_;
    std::vector<Point> points_;
    std::vector<double> speeds_;
    std::optional<double> first_m_;
    double last_raw_m_ = 0.0;
    int repeated_ = 0;
    int jumps_ = 0;
    int gaps_ = 0;
    double longest_gap_s_ = 0.0;
    double stood_between_s_ = 0.0;
};

/// Mean absolute deviation of the log's distance from the road's at the marks, for a shift; less is better.
/// The road may be noted too long or too short as a whole.
double misfit(const Pace& pace, std::span<const KnownPlace> marks, double go_log_s)
{
    std::vector<double> log_m;
    double sum_log = 0.0;
    double sum_road = 0.0;
    for (const KnownPlace& mark : marks) {
        log_m.push_back(pace.stationAt(mark.stage_s + go_log_s));
        sum_log += log_m.back() - log_m.front();
        sum_road += mark.station_m - marks.front().station_m;
    }
    const double scale = sum_road > 1.0 && sum_log > 1.0 ? std::clamp(sum_log / sum_road, 0.8, 1.25) : 1.0;
    std::vector<double> differences;
    for (std::size_t i = 0; i < marks.size(); ++i) {
        differences.push_back(log_m[i] - scale * marks[i].station_m);
    }
    const double centre = maths::median(differences);
    double sum = 0.0;
    for (const double d : differences) {
        sum += std::abs(d - centre);
    }
    return sum / static_cast<double>(marks.size());
}

} // namespace

CleanLog cleanLog(const Log& log)
{
    return Cleaner(log).clean();
}

LogFit fitByGo(const CleanLog& log)
{
    return {log.moving_from_s, 0.0, "go"};
}

LogFit fitByStandstill(const CleanLog& log, double stand_stage_s)
{
    return {log.moving_to_s - stand_stage_s, 0.0, "standstill"};
}

LogFit fitByMarks(const CleanLog& log, std::span<const KnownPlace> marks)
{
    if (marks.size() < 2) {
        throw std::invalid_argument(
            wording::localized("track", "two marks or more are needed to lay the log to the video by marks"));
    }
    const Pace pace(log.track);
    const double first_s = log.track.front().time_s - marks.back().stage_s;
    const double last_s = log.track.back().time_s - marks.front().stage_s;
    double best_s = log.moving_from_s;
    double best = misfit(pace, marks, best_s);
    for (double step_s : {1.0, 0.1, 0.01}) {
        const double from = step_s > 0.5 ? first_s : best_s - 10.0 * step_s;
        const double to = step_s > 0.5 ? last_s : best_s + 10.0 * step_s;
        const double centre_s = best_s;
        for (double shift = from; shift <= to; shift += step_s) {
            const double now = misfit(pace, marks, shift);
            if (now < best - 1e-9
                || (std::abs(now - best) <= 1e-9
                    && std::abs(shift - centre_s) < std::abs(best_s - centre_s))) {
                best = now;
                best_s = shift;
            }
        }
    }
    const double middle_m = pace.stationAt(best_s + marks[marks.size() / 2].stage_s);
    return {best_s, best / std::max(pace.speedAt(middle_m), 1.0), "marks"};
}

std::vector<Knot> traceOf(const CleanLog& log, const LogFit& fit)
{
    const Pace pace(log.track);
    const double start_m = std::max(0.0, pace.stationAt(fit.go_log_s));
    std::vector<Knot> trace{{0.0, 0.0}};
    for (const Knot& knot : log.track) {
        const Knot own{knot.station_m - start_m, knot.time_s - fit.go_log_s};
        if (own.time_s > 0.05 && own.station_m > trace.back().station_m && own.time_s > trace.back().time_s) {
            trace.push_back(own);
        }
    }
    if (trace.size() < 2) {
        throw std::invalid_argument(wording::localized("track", "the log ends before go"));
    }
    return trace;
}

} // namespace brumefall::pace
