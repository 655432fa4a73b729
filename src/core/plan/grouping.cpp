#include "plan/grouping.h"

#include <algorithm>
#include <cmath>
#include <limits>

namespace brumefall::plan {
namespace {

constexpr std::size_t kMostNotes = 14; // in one breath
constexpr double kBreakCost = 0.02; // of itself: rather fewer breaths than more
constexpr double kBreathCost = 6.0; // for each second of breath that is not there, squared

class Grouper {
public:
    Grouper(const Plan& plan, const Reader& reader)
        : plan_(plan)
        , reader_(reader)
    {
    }

    /// Cost of notes [i, j) as one call, and the best start of it.
    struct Call {
        double cost;
        double start_s;
        double end_s; ///< of its last word or distance
    };

    /// The rigid call's least asymmetric square: its start is an expectile of the starts that its notes wish.
    [[nodiscard]] Call call(std::size_t i, std::size_t j) const
    {
        double wished[kMostNotes];
        double weight[kMostNotes];
        double offset_s = 0.0;
        double low = std::numeric_limits<double>::infinity();
        double high = -low;
        for (std::size_t k = i; k < j; ++k) {
            const PlannedNote& note = plan_.notes[k];
            offset_s += note.spoken_s;
            wished[k - i] = note.window.ideal_s - offset_s;
            weight[k - i] = note.weight;
            low = std::min(low, wished[k - i]);
            high = std::max(high, wished[k - i]);
            offset_s += distance_s(k);
        }
        double start = 0.5 * (low + high);
        for (int round = 0; round < 6; ++round) { // Newton on a convex piecewise quadratic
            double slope = 0.0;
            double bend = 0.0;
            for (std::size_t k = 0; k < j - i; ++k) {
                const double late = start - wished[k];
                const double w = weight[k] * (late > 0.0 ? plan_.late_penalty : 1.0);
                slope += w * late;
                bend += w;
            }
            start -= slope / bend;
        }
        double cost = 0.0;
        for (std::size_t k = 0; k < j - i; ++k) {
            const double late = start - wished[k];
            cost += weight[k] * (late > 0.0 ? plan_.late_penalty : 1.0) * late * late;
        }
        return {cost, start, start + offset_s};
    }

    [[nodiscard]] double length_s(std::size_t i, std::size_t j) const
    {
        double sum_s = 0.0;
        for (std::size_t k = i; k < j; ++k) {
            sum_s += plan_.notes[k].spoken_s + distance_s(k);
        }
        return sum_s;
    }

    /// What the break before a call costs where the call before ends at `ended_s`.
    [[nodiscard]] double breakCost(double ended_s, double start_s, double weight) const
    {
        const double missing_s = std::max(0.0, ended_s + reader_.breath_s - start_s);
        return kBreakCost + kBreathCost * weight * missing_s * missing_s;
    }

    std::vector<bool> group(std::size_t first, std::size_t last) const
    {
        const std::size_t n = last - first;
        std::vector<double> best(n + 1, std::numeric_limits<double>::infinity());
        std::vector<double> ended_s(n + 1, -1e9);
        std::vector<std::size_t> from(n + 1, 0);
        best[0] = 0.0;
        ended_s[0] = first > 0 ? plan_.notes[first - 1].end_s + distance_s(first - 1) : -1e9;
        for (std::size_t j = 1; j <= n; ++j) {
            for (std::size_t i = j; i-- > 0 && j - i <= kMostNotes;) {
                if (j - i > 1 && length_s(first + i, first + j) > reader_.longest_run_s) {
                    break;
                }
                const Call one = call(first + i, first + j);
                const double cost =
                    best[i] + one.cost + breakCost(ended_s[i], one.start_s, plan_.notes[first + i].weight);
                if (cost < best[j]) {
                    best[j] = cost;
                    from[j] = i;
                    ended_s[j] = std::max(one.end_s, ended_s[i]);
                }
            }
        }
        std::vector<bool> begins(n, false);
        for (std::size_t j = n; j > 0; j = from[j]) {
            begins[from[j]] = true;
        }
        return begins;
    }

private:
    /// Length of the distance said after note `k`, without a breath.
    [[nodiscard]] double distance_s(std::size_t k) const
    {
        const PlannedNote& note = plan_.notes[k];
        const bool ends = k + 1 == plan_.notes.size() || plan_.notes[k + 1].call != note.call;
        return std::max(0.0, note.gap_after_s - (ends ? reader_.breath_s : 0.0));
    }

    const Plan& plan_;
    const Reader& reader_;
};

} // namespace

Grouping proposeGrouping(const Plan& plan, const Reader& reader, std::size_t first, std::size_t last)
{
    Grouping out;
    for (std::size_t k = 0; k < plan.notes.size(); ++k) {
        out.begins.push_back(k == 0 || plan.notes[k].call != plan.notes[k - 1].call);
    }
    last = std::min(last, plan.notes.size());
    if (first >= last) {
        return out;
    }
    const Grouper grouper(plan, reader);
    for (std::size_t i = first; i < last;) { // pinned calls and echoes stand between stretches that are free
        const auto stays = [&](std::size_t k) {
            return plan.notes[k].pinned || !plan.notes[k].echo_of.empty();
        };
        if (stays(i)) {
            ++i;
            continue;
        }
        std::size_t end = i;
        while (end < last && !stays(end)) {
            ++end;
        }
        const auto begins = grouper.group(i, end);
        for (std::size_t k = i; k < end; ++k) {
            out.changed += out.begins[k] != begins[k - i] ? 1 : 0;
            out.begins[k] = begins[k - i];
        }
        i = end;
    }
    return out;
}

} // namespace brumefall::plan
