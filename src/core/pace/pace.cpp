#include "pace/pace.h"

#include <algorithm>
#include <cmath>
#include <stdexcept>

namespace brumefall::pace {
namespace {

constexpr double kLeastStep_m = 0.01;
constexpr double kLeastStep_s = 0.001;

std::vector<Knot> increasing(std::span<const Knot> knots)
{
    std::vector<Knot> sorted(knots.begin(), knots.end());
    std::erase_if(
        sorted, [](const Knot& k) { return !std::isfinite(k.station_m) || !std::isfinite(k.time_s); });
    const auto before = [](const Knot& a, const Knot& b) { return a.station_m < b.station_m; };
    if (!std::is_sorted(sorted.begin(), sorted.end(), before)) {
        std::stable_sort(sorted.begin(), sorted.end(), before);
    }
    std::vector<Knot> out;
    out.reserve(sorted.size());
    for (const Knot& knot : sorted) {
        if (out.empty()
            || (knot.station_m >= out.back().station_m + kLeastStep_m
                && knot.time_s >= out.back().time_s + kLeastStep_s)) {
            out.push_back(knot);
        }
    }
    return out;
}

/// The segment of rising `values` that holds `value`, looked for in growing steps from `near`.
std::size_t segmentNear(const std::vector<double>& values, double value, std::size_t near)
{
    const std::size_t last = values.size() - 2;
    std::size_t low = std::min(near, last);
    std::size_t high = low + 1;
    for (std::size_t step = 1; low > 0 && values[low] > value; step *= 2) {
        high = low;
        low -= std::min(step, low);
    }
    for (std::size_t step = 1; high <= last && values[high] <= value; step *= 2) {
        low = high;
        high = std::min(high + step, last + 1);
    }
    const auto begin = values.begin() + static_cast<std::ptrdiff_t>(low);
    const auto end = values.begin() + static_cast<std::ptrdiff_t>(high);
    const auto it = std::upper_bound(begin, end, value);
    return std::min(static_cast<std::size_t>(std::max(it - values.begin(), std::ptrdiff_t{1})) - 1, last);
}

} // namespace

MonotoneCurve::MonotoneCurve(std::vector<double> x, std::vector<double> y)
    : x_(std::move(x))
    , y_(std::move(y))
    , slope_(x_.size(), 0.0)
{
    if (x_.size() < 2 || x_.size() != y_.size()) {
        throw std::invalid_argument("a curve needs at least two points");
    }
    const std::size_t last = x_.size() - 1;
    std::vector<double> secant(last);
    for (std::size_t i = 0; i < last; ++i) {
        if (x_[i + 1] <= x_[i] || y_[i + 1] < y_[i]) {
            throw std::invalid_argument("a monotone curve needs points that go forward");
        }
        secant[i] = (y_[i + 1] - y_[i]) / (x_[i + 1] - x_[i]);
    }
    slope_[0] = secant[0];
    slope_[last] = secant[last - 1];
    for (std::size_t i = 1; i < last; ++i) {
        if (secant[i - 1] > 0.0 && secant[i] > 0.0) {
            const double before = x_[i] - x_[i - 1];
            const double after = x_[i + 1] - x_[i];
            const double w1 = 2.0 * after + before;
            const double w2 = after + 2.0 * before;
            slope_[i] = (w1 + w2) / (w1 / secant[i - 1] + w2 / secant[i]);
        }
    }
}

std::size_t MonotoneCurve::segment(double x) const
{
    const auto it = std::upper_bound(x_.begin(), x_.end(), x);
    const auto index = it - x_.begin();
    return static_cast<std::size_t>(std::clamp<std::ptrdiff_t>(index - 1, 0, std::ssize(x_) - 2));
}

double MonotoneCurve::at(double x) const
{
    if (x <= x_.front()) {
        return y_.front() + slope_.front() * (x - x_.front());
    }
    if (x >= x_.back()) {
        return y_.back() + slope_.back() * (x - x_.back());
    }
    return valueIn(segment(x), x);
}

double MonotoneCurve::valueIn(std::size_t i, double x) const
{
    const double h = x_[i + 1] - x_[i];
    const double t = (x - x_[i]) / h;
    const double u = 1.0 - t;
    return y_[i] * (1.0 + 2.0 * t) * u * u + y_[i + 1] * t * t * (3.0 - 2.0 * t)
        + h * t * u * (slope_[i] * u - slope_[i + 1] * t);
}

double MonotoneCurve::slopeAt(double x) const
{
    if (x <= x_.front()) {
        return slope_.front();
    }
    if (x >= x_.back()) {
        return slope_.back();
    }
    return slopeIn(segment(x), x);
}

double MonotoneCurve::slopeIn(std::size_t i, double x) const
{
    const double per_h = 1.0 / (x_[i + 1] - x_[i]);
    const double t = (x - x_[i]) * per_h;
    const double secant = (y_[i + 1] - y_[i]) * per_h;
    return 6.0 * t * (1.0 - t) * secant + slope_[i] * (1.0 - t) * (1.0 - 3.0 * t)
        + slope_[i + 1] * t * (3.0 * t - 2.0);
}

std::vector<double> MonotoneCurve::slopesEvery(double step, double last) const
{
    std::vector<double> slopes;
    slopes.reserve(static_cast<std::size_t>(std::max(0.0, last / step)) + 2);
    std::size_t i = 0;
    for (double x = 0.0; x <= last + 1e-9; x += step) {
        while (i + 2 < x_.size() && x_[i + 1] <= x) {
            ++i;
        }
        slopes.push_back(x <= x_.front() ? slope_.front() : x >= x_.back() ? slope_.back() : slopeIn(i, x));
    }
    return slopes;
}

double MonotoneCurve::inverseAt(double y) const
{
    if (y <= y_.front()) {
        return slope_.front() > 0.0 ? x_.front() + (y - y_.front()) / slope_.front() : x_.front();
    }
    if (y >= y_.back()) {
        return slope_.back() > 0.0 ? x_.back() + (y - y_.back()) / slope_.back() : x_.back();
    }
    const auto it = std::upper_bound(y_.begin(), y_.end(), y);
    return inverseIn(
        static_cast<std::size_t>(std::clamp<std::ptrdiff_t>(it - y_.begin() - 1, 0, std::ssize(y_) - 2)), y);
}

double MonotoneCurve::inverseAt(double y, std::size_t& near) const
{
    if (y <= y_.front() || y >= y_.back()) {
        return inverseAt(y);
    }
    near = segmentNear(y_, y, near);
    return inverseIn(near, y);
}

double MonotoneCurve::at(double x, std::size_t& near) const
{
    if (x <= x_.front() || x >= x_.back()) {
        return at(x);
    }
    near = segmentNear(x_, x, near);
    return valueIn(near, x);
}

double MonotoneCurve::inverseIn(std::size_t i, double y) const
{
    double low = x_[i];
    double high = x_[i + 1];
    double x = low + (high - low) * (y - y_[i]) / std::max(y_[i + 1] - y_[i], 1e-12);
    for (int step = 0; step < 60; ++step) {
        const double error = valueIn(i, x) - y;
        (error > 0.0 ? high : low) = x;
        const double slope = slopeIn(i, x);
        const double newton = slope > 0.0 ? x - error / slope : low - 1.0;
        const double next = newton > low && newton < high ? newton : 0.5 * (low + high);
        if (std::abs(next - x) < 1e-10 * (1.0 + std::abs(x))) {
            return next;
        }
        x = next;
    }
    return x;
}

Pace::Pace(std::span<const Knot> knots)
{
    const auto good = increasing(knots);
    if (good.size() < 2) {
        throw std::invalid_argument("a pace needs at least two points that go forward");
    }
    std::vector<double> station;
    std::vector<double> time;
    station.reserve(good.size());
    time.reserve(good.size());
    for (const Knot& knot : good) {
        station.push_back(knot.station_m);
        time.push_back(knot.time_s);
    }
    length_m_ = station.back();
    time_ = MonotoneCurve(std::move(station), std::move(time));
}

double Pace::speedAt(double station_m) const
{
    const double slope = time_.slopeAt(std::clamp(station_m, 0.0, length_m_));
    return slope > 1e-6 ? 1.0 / slope : 1e6;
}

std::vector<double> Pace::speeds(double step_m) const
{
    auto values = time_.slopesEvery(step_m, length_m_);
    for (double& value : values) {
        value = value > 1e-6 ? 1.0 / value : 1e6;
    }
    return values;
}

std::vector<Knot> Pace::knots(double least_m) const
{
    std::vector<Knot> out;
    for (const double station_m : time_.x()) {
        const bool last = station_m >= length_m_;
        if (out.empty() || last || station_m - out.back().station_m >= least_m) {
            out.push_back({station_m, time_.at(station_m)});
        }
    }
    return out;
}

Pace Pace::warpedTo(std::span<const Knot> marks) const
{
    const auto good = increasing(marks);
    if (good.size() < 2) {
        return *this;
    }
    std::vector<double> own;
    std::vector<double> wished;
    for (const Knot& mark : good) {
        const double t = timeAt(mark.station_m);
        if (own.empty() || t > own.back() + 1e-6) {
            own.push_back(t);
            wished.push_back(mark.time_s);
        }
    }
    if (own.size() < 2) {
        return *this;
    }
    const MonotoneCurve warp(std::move(own), std::move(wished));
    constexpr double kStep_m = 5.0;
    std::vector<Knot> knots;
    const double first_m = std::min(0.0, good.front().station_m);
    const double last_m = std::max(length_m_, good.back().station_m);
    for (double s = first_m; s < last_m; s += kStep_m) {
        knots.push_back({s, warp.at(timeAt(s))});
    }
    knots.push_back({last_m, warp.at(timeAt(last_m))});
    // exact at the marks, whatever the grid
    std::erase_if(knots, [&](const Knot& k) {
        return std::any_of(good.begin(), good.end(),
            [&](const Knot& m) { return std::abs(m.station_m - k.station_m) < 1.0; });
    });
    knots.insert(knots.end(), good.begin(), good.end());
    return Pace(knots);
}

} // namespace brumefall::pace
