#include "plan/squeeze.h"

#include "plan/schedule.h"

#include <algorithm>
#include <cmath>
#include <cstdio>

namespace brumefall::plan {
namespace {

std::string seconds(double value_s)
{
    char text[32];
    std::snprintf(text, sizeof text, "%.1f s", value_s);
    return text;
}

/// The calls of a squeeze, planned again by themselves with one thing changed.
class Retry {
public:
    Retry(const Plan& plan, std::size_t first_call, std::size_t last_call)
        : plan_(plan)
        , first_(first_call)
        , last_(last_call)
    {
    }

    /// Worst lateness after the window, in seconds, when everything is said `shorter` times as long
    /// (1 = as planned), the least gap at the end of a call is kept, and the run may begin at `not_before_s`.
    [[nodiscard]] double worstLate_s(double shorter, double not_before_s, bool before_all) const
    {
        std::vector<CallToPlan> calls;
        for (std::size_t c = first_; c <= last_; ++c) {
            CallToPlan call;
            double offset_s = 0.0;
            for (std::size_t k = plan_.calls[c].first; k < plan_.calls[c].last; ++k) {
                const PlannedNote& note = plan_.notes[k];
                const double spoken_s = note.spoken_s * shorter;
                const double wished = before_all ? note.window.closes_s - 0.05 : note.window.ideal_s;
                call.notes.push_back({offset_s + spoken_s, wished, note.weight});
                offset_s += spoken_s + note.gap_after_s * (k + 1 < plan_.calls[c].last ? shorter : 1.0);
            }
            call.length_s = offset_s;
            calls.push_back(std::move(call));
        }
        // a heavy penalty finds a plan inside the windows where there is one
        const auto starts = schedule(calls, {before_all ? 1e4 : plan_.late_penalty, not_before_s});
        double worst_s = -1e9;
        for (std::size_t c = 0; c < calls.size(); ++c) {
            const std::size_t first = plan_.calls[first_ + c].first;
            for (std::size_t i = 0; i < calls[c].notes.size(); ++i) {
                const double end_s = starts[c] + calls[c].notes[i].end_offset_s;
                worst_s = std::max(worst_s, end_s - plan_.notes[first + i].window.closes_s);
            }
        }
        return worst_s;
    }

private:
    const Plan& plan_;
    std::size_t first_;
    std::size_t last_;
};

void addRemedies(
    const Plan& plan, Squeeze& squeeze, std::size_t first, std::size_t last, const Reader& reader)
{
    const auto first_call = static_cast<std::size_t>(plan.notes[first].call);
    const auto last_call = static_cast<std::size_t>(plan.notes[last].call);
    const Retry retry(plan, first_call, last_call);
    const double earliest_s = first_call == 0 ? plan.not_before_s
                                              : plan.notes[plan.calls[first_call].first - 1].end_s
            + plan.notes[plan.calls[first_call].first - 1].gap_after_s;
    std::vector<std::string> ids;
    for (std::size_t k = plan.calls[first_call].first; k < plan.calls[last_call].last; ++k) {
        ids.push_back(plan.notes[k].id);
    }
    const double planned_late_s = squeeze.short_s;
    double low = 0.3;
    if (retry.worstLate_s(low, earliest_s, true) <= 0.0) {
        double high = 1.0;
        if (retry.worstLate_s(high, earliest_s, true) > 0.0) {
            for (int i = 0; i < 40; ++i) {
                const double middle = 0.5 * (low + high);
                (retry.worstLate_s(middle, earliest_s, true) <= 0.0 ? low : high) = middle;
            }
        } else {
            low = 1.0;
        }
        squeeze.rate_needed = reader.rate_syll_s / low;
    }
    const double sooner_late_s = retry.worstLate_s(1.0, plan.not_before_s, true);
    if (const double saves_s = planned_late_s - std::max(0.0, sooner_late_s); saves_s > 0.01) {
        squeeze.remedies.push_back({"sooner", {ids.front()}, saves_s,
            "Start this run sooner: saves " + seconds(saves_s)
                + ", and the driver holds more notes at once"});
    }
    const double limit = std::clamp(reader.rate_syll_s / reader.fastest_syll_s, 0.3, 1.0);
    const double faster_late_s = retry.worstLate_s(limit, earliest_s, false);
    if (const double saves_s = planned_late_s - std::max(0.0, faster_late_s); saves_s > 0.01) {
        squeeze.remedies.push_back(
            {"faster", ids, saves_s, "Read this run at your own fastest rate: saves " + seconds(saves_s)});
    }
    std::stable_sort(squeeze.remedies.begin(), squeeze.remedies.end(),
        [](const Remedy& a, const Remedy& b) { return a.saves_s > b.saves_s; });
}

} // namespace

void findSqueezes(Plan& plan, const Reader& reader)
{
    plan.squeezes.clear();
    std::size_t k = 0;
    while (k < plan.notes.size()) {
        if (plan.notes[k].status != Status::late) {
            ++k;
            continue;
        }
        const std::size_t first = k;
        double short_s = 0.0;
        while (k < plan.notes.size() && plan.notes[k].status == Status::late) {
            short_s = std::max(short_s, plan.notes[k].end_s - plan.notes[k].window.closes_s);
            ++k;
        }
        Squeeze squeeze{plan.notes[first].id, plan.notes[k - 1].id, short_s, 0.0, {}};
        addRemedies(plan, squeeze, first, k - 1, reader);
        plan.squeezes.push_back(std::move(squeeze));
    }
}

} // namespace brumefall::plan
