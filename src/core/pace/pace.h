/// Stage distance as a function of time, and back: monotone, smooth, through every known point.
///
/// Piecewise cubic Hermite with the slopes of Fritsch and Butland, which keep it monotone:
/// SIAM Journal on Scientific and Statistical Computing 5 (1984), 300-304.
#pragma once

#include <span>
#include <vector>

namespace brumefall::pace {

/// A known point of a pace: at `time_s` from go the car is at `station_m`.
struct Knot {
    double station_m;
    double time_s;

    bool operator==(const Knot&) const = default;
};

/// A monotone cubic through (x, y) points; straight beyond its ends.
class MonotoneCurve {
public:
    MonotoneCurve() = default;

    /// `x` strictly increasing, `y` not decreasing; throws std::invalid_argument otherwise or under two
    /// points.
    MonotoneCurve(std::vector<double> x, std::vector<double> y);

    [[nodiscard]] double at(double x) const;
    [[nodiscard]] double slopeAt(double x) const;
    /// The x where the curve reaches `y`; the curve must be strictly increasing there.
    [[nodiscard]] double inverseAt(double y) const;
    /// The same for one who asks along the curve: `near` is where the last answer was found, 0 at first.
    [[nodiscard]] double at(double x, std::size_t& near) const;
    [[nodiscard]] double inverseAt(double y, std::size_t& near) const;
    /// Slopes at 0, step, 2 step, … up to `last`, in one walk.
    [[nodiscard]] std::vector<double> slopesEvery(double step, double last) const;
    [[nodiscard]] bool empty() const { return x_.empty(); }
    [[nodiscard]] const std::vector<double>& x() const { return x_; }

private:
    [[nodiscard]] std::size_t segment(double x) const;
    [[nodiscard]] double inverseIn(std::size_t segment, double y) const;
    [[nodiscard]] double valueIn(std::size_t segment, double x) const;
    [[nodiscard]] double slopeIn(std::size_t segment, double x) const;

    std::vector<double> x_;
    std::vector<double> y_;
    std::vector<double> slope_;
};

/// A pace over a stage. Times in seconds from go, stations in metres, speeds in m/s.
class Pace {
public:
    Pace() = default;

    /// Knots that go back in distance or time, or stand still, are left out.
    /// Throws std::invalid_argument where fewer than two remain.
    explicit Pace(std::span<const Knot> knots);

    [[nodiscard]] double timeAt(double station_m) const { return time_.at(station_m); }
    [[nodiscard]] double stationAt(double time_s) const { return time_.inverseAt(time_s); }
    /// The same for one who asks along the stage; see MonotoneCurve.
    [[nodiscard]] double timeAt(double station_m, std::size_t& near) const
    {
        return time_.at(station_m, near);
    }
    [[nodiscard]] double stationAt(double time_s, std::size_t& near) const
    {
        return time_.inverseAt(time_s, near);
    }
    [[nodiscard]] double speedAt(double station_m) const;
    /// The speed every `step_m` from go to the end; quicker than asking one by one.
    [[nodiscard]] std::vector<double> speeds(double step_m) const;
    [[nodiscard]] double length_m() const { return length_m_; }
    [[nodiscard]] double duration_s() const { return time_.at(length_m_); }
    [[nodiscard]] bool empty() const { return time_.empty(); }
    /// What this pace can be made of again: its own knots, or where they stand closer than `least_m`, fewer.
    [[nodiscard]] std::vector<Knot> knots(double least_m = 0.0) const;

    /// This pace with its times bent so that it passes through every one of `marks`: between marks the
    /// rhythm of this pace is kept. Marks out of order are left out; empty marks give this pace.
    [[nodiscard]] Pace warpedTo(std::span<const Knot> marks) const;

private:
    MonotoneCurve time_; // time over station
    double length_m_ = 0.0;
};

} // namespace brumefall::pace
