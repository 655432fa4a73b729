#include "plan/schedule.h"

#include <algorithm>
#include <limits>
#include <queue>
#include <stdexcept>

namespace brumefall::plan {
namespace {

/// A bend in the derivative: left of `u` it is flatter by `slope_change`.
struct Knot {
    double u;
    double slope_change;

    /// Of two bends at one place the cut of `cutAtMinimum` (the only one with a negative change) lies to
    /// the right: it was made of what the others are the left of.
    bool operator<(const Knot& other) const
    {
        return u < other.u || (u == other.u && slope_change > other.slope_change);
    }
};

/// Derivative of the best cost up to a call, as a function of that call's shifted start u.
/// It is non-decreasing and piecewise linear; only its rightmost piece is held openly.
class CostDerivative {
public:
    /// Adds a note wished at `u` with slope `early` left of it and `late` right of it.
    void add(double u, double early, double late)
    {
        slope_ += late;
        intercept_ -= late * u;
        knots_.push({u, late - early});
    }

    /// Where the derivative is zero; from there on to the right it becomes zero, since a later call
    /// does not push an earlier one.
    double cutAtMinimum()
    {
        while (!knots_.empty() && zero() < knots_.top().u) {
            const Knot knot = knots_.top();
            knots_.pop();
            slope_ -= knot.slope_change;
            intercept_ += knot.slope_change * knot.u;
        }
        const double minimum = zero();
        knots_.push({minimum, -slope_});
        slope_ = 0.0;
        intercept_ = 0.0;
        return minimum;
    }

private:
    [[nodiscard]] double zero() const { return -intercept_ / slope_; }

    std::priority_queue<Knot> knots_;
    double slope_ = 0.0;
    double intercept_ = 0.0;
};

void check(std::span<const CallToPlan> calls, const ScheduleOptions& options)
{
    if (!(options.late_penalty > 0.0)) {
        throw std::invalid_argument("the late penalty must be above zero");
    }
    for (const CallToPlan& call : calls) {
        if (call.notes.empty()) {
            throw std::invalid_argument("a call to plan has no notes");
        }
        for (const NoteToPlan& note : call.notes) {
            if (!(note.weight > 0.0)) {
                throw std::invalid_argument("a note's weight must be above zero");
            }
        }
    }
}

/// Solves calls [first, last) with shifted starts between `low` and `high`; writes shifted starts.
void solve(std::span<const CallToPlan> calls, const std::vector<double>& spent, std::size_t first,
    std::size_t last, double low, double high, double late_penalty, std::vector<double>& shifted)
{
    CostDerivative derivative;
    for (std::size_t c = first; c < last; ++c) {
        for (const NoteToPlan& note : calls[c].notes) {
            const double u = note.ideal_s - note.end_offset_s - spent[c];
            derivative.add(u, 2.0 * note.weight, 2.0 * note.weight * late_penalty);
        }
        shifted[c] = derivative.cutAtMinimum();
    }
    double cap = high;
    for (std::size_t c = last; c-- > first;) {
        cap = std::min(cap, shifted[c]);
        shifted[c] = std::max(cap, low);
    }
}

} // namespace

std::vector<double> schedule(std::span<const CallToPlan> calls, const ScheduleOptions& options)
{
    check(calls, options);
    std::vector<double> spent(calls.size(), 0.0); // speaking and breathing before each call
    for (std::size_t c = 1; c < calls.size(); ++c) {
        spent[c] = spent[c - 1] + calls[c - 1].length_s;
    }
    std::vector<double> shifted(calls.size());
    double low = options.not_before_s;
    std::size_t first = 0;
    for (std::size_t c = 0; c <= calls.size(); ++c) {
        const bool at_end = c == calls.size();
        if (!at_end && !calls[c].pinned_s) {
            continue;
        }
        const double pin =
            at_end ? std::numeric_limits<double>::infinity() : std::max(low, *calls[c].pinned_s - spent[c]);
        solve(calls, spent, first, c, low, pin, options.late_penalty, shifted);
        if (!at_end) {
            shifted[c] = pin;
            low = pin;
        }
        first = c + 1;
    }
    for (std::size_t c = 0; c < calls.size(); ++c) {
        shifted[c] += spent[c];
    }
    return shifted;
}

} // namespace brumefall::plan
