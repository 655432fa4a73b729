#include "log/trends.h"

#include "formats/printed.h"
#include "log/tonight.h"
#include "wording/wording.h"

#include <algorithm>

namespace brumefall::log {
namespace {

constexpr double kSameEvening_days = 4.0 / 24.0;

/// A take and where it stands in its rally.
struct Placed {
    std::size_t stage;
    std::size_t take;
    const TakeSummary* summary;
};

/// Those that are let through, in the order that they were made in.
std::vector<Placed> inOrder(const Rally& rally, const Filter& filter)
{
    std::vector<Placed> out;
    for (std::size_t s = 0; s < rally.stages.size(); ++s) {
        for (std::size_t t = 0; t < rally.stages[s].takes.size(); ++t) {
            const TakeSummary& take = rally.stages[s].takes[t];
            if (!take.dud && filter.takes(take)) {
                out.push_back({s, t, &take});
            }
        }
    }
    std::stable_sort(out.begin(), out.end(),
        [](const Placed& a, const Placed& b) { return a.summary->made_at < b.summary->made_at; });
    return out;
}

} // namespace

double valueOf(const TakeSummary& take, Figure figure)
{
    const auto share = [&](int count) { return 100.0 * count / std::max(1, take.figures.judged); };
    switch (figure) {
    case Figure::on_time: return share(take.figures.on_time);
    case Figure::late: return share(take.figures.late);
    case Figure::missed: return share(take.figures.missed);
    case Figure::misread: return share(take.figures.misread);
    case Figure::lead_error: return take.median_lead_error_s;
    case Figure::rate: return take.figures.rate_syll_s;
    case Figure::drift: return take.figures.drift_s_per_min;
    }
    return 0.0;
}

bool Filter::takes(const TakeSummary& take) const
{
    return (readers == Readers::all || take.simulated == (readers == Readers::simulated))
        && (!whole_only || take.whole) && (pass.empty() || take.pass == pass);
}

std::vector<TrendPoint> trendOf(const Rally& rally, const Filter& filter, Figure figure)
{
    std::vector<TrendPoint> points;
    for (const Placed& placed : inOrder(rally, filter)) {
        if (placed.summary->whole) {
            points.push_back({placed.stage, placed.take, static_cast<int>(points.size()) + 1,
                valueOf(*placed.summary, figure)});
        }
    }
    return points;
}

std::vector<Session> sessionsOf(const Rally& rally, const Filter& filter)
{
    std::vector<Session> sessions;
    double last_days = -1e9;
    int judged = 0;
    int on_time = 0;
    for (const Placed& placed : inOrder(rally, filter)) {
        const TakeSummary& take = *placed.summary;
        const double days = daysOf(take.made_at);
        if (sessions.empty() || days > last_days + kSameEvening_days) {
            sessions.push_back({take.made_at.substr(0, 10), 0, 0, 0.0, {}, 0.0, 0, 0});
            judged = 0;
            on_time = 0;
        }
        last_days = days;
        Session& session = sessions.back();
        ++session.takes;
        session.whole += take.whole ? 1 : 0;
        session.minutes += take.recorded_s / 60.0;
        session.plan_faults += take.plan_faults;
        session.reading_faults += take.reading_faults;
        judged += take.figures.judged;
        on_time += take.figures.on_time;
        session.on_time_share = static_cast<double>(on_time) / std::max(1, judged);
        const std::string& stage = rally.stages[placed.stage].name;
        if (std::find(session.stages.begin(), session.stages.end(), stage) == session.stages.end()) {
            session.stages.push_back(stage);
        }
    }
    std::reverse(sessions.begin(), sessions.end());
    return sessions;
}

std::string describe(const Session& session)
{
    std::string stages;
    for (const auto& stage : session.stages) {
        stages += (stages.empty() ? "" : ", ") + stage;
    }
    return stages
        + wording::filled(session.takes == 1
                ? wording::localized("diary",
                    ": %1 take (%2 whole), %3 minutes read; %4 % on time; faults: %5 of the reading, %6 of "
                    "the plan")
                : wording::localized("diary",
                    ": %1 takes (%2 whole), %3 minutes read; %4 % on time; faults: %5 of the reading, %6 of "
                    "the plan"),
            {std::to_string(session.takes), std::to_string(session.whole), wording::figure(session.minutes),
                wording::figure(100.0 * session.on_time_share), std::to_string(session.reading_faults),
                std::to_string(session.plan_faults)});
}

} // namespace brumefall::log
