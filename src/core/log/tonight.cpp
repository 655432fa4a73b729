#include "log/tonight.h"

#include "formats/printed.h"
#include "wording/wording.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <map>
#include <unordered_map>

namespace brumefall::log {
namespace {

constexpr double kOlderCounts = 0.7; ///< a take counts so much of the one after it
constexpr double kUnknown = 0.5; ///< trouble of a note that was never read
constexpr double kNever_days = 30.0;
constexpr double kAhead_days = 1.0; ///< of a take from the future: some clock was wrong
constexpr double kHalfLife_days = 1.0; ///< after a take in which it went wrong
constexpr double kLongest_days = 64.0;
constexpr double kStretch_s = 35.0;
constexpr int kTimes = 4; ///< how often a stretch is read
constexpr double kBetween_s = 8.0; ///< for the verdicts and a breath

/// What is known of one note from the takes.
struct Knowledge {
    double trouble = kUnknown; ///< 0: always on time, 1: never
    double days_ago = kNever_days;
    int well_in_a_row = 0;
    std::map<take::Cause, double> causes;
};

std::unordered_map<std::string, Knowledge> knowledgeOf(const StageSummary& stage, double now_days)
{
    struct Sum {
        double wrong = 0.0;
        double all = 0.0;
    };
    std::unordered_map<std::string, Sum> sums;
    std::unordered_map<std::string, Knowledge> known;
    // the simulated reader knows nothing of the crew, but where nobody else has read it shows how this goes
    const bool own = std::any_of(stage.takes.begin(), stage.takes.end(),
        [](const TakeSummary& take) { return !take.dud && !take.simulated; });
    for (const TakeSummary& take : stage.takes) { // oldest first
        if (take.dud || (own && take.simulated)) {
            continue;
        }
        const double days = daysOf(take.made_at);
        for (const NoteOutcome& note : take.notes) {
            Sum& sum = sums[note.id];
            Knowledge& one = known[note.id];
            const bool well = note.timing == take::Timing::on_time;
            sum.wrong = kOlderCounts * sum.wrong + (well ? 0.0 : 1.0);
            sum.all = kOlderCounts * sum.all + 1.0;
            one.trouble = (sum.wrong + 0.1) / (sum.all + 0.2);
            one.well_in_a_row = well ? one.well_in_a_row + 1 : 0;
            one.days_ago = days <= now_days ? now_days - days : kAhead_days;
            if (!well) {
                one.causes[note.cause] += 1.0;
            }
        }
    }
    return known;
}

/// How much of it is forgotten.
double forgotten(const Knowledge& note)
{
    const double half_life =
        std::min(kLongest_days, kHalfLife_days * std::pow(2.0, static_cast<double>(note.well_in_a_row)));
    return 1.0 - std::pow(2.0, -note.days_ago / half_life);
}

std::string ago(double days)
{
    const long whole = std::lround(std::floor(days));
    return whole < 1 ? wording::localized("tonight", "today")
        : whole == 1 ? wording::localized("tonight", "yesterday")
                     : wording::filled(wording::localized("tonight", "%1 days ago"), {std::to_string(whole)});
}

/// The way that fits what goes wrong.
take::Way wayFor(const std::map<take::Cause, double>& causes, bool ever_read, double trouble)
{
    constexpr double kWellKnown = 0.15;
    if (!ever_read) {
        return take::Way::listen_first;
    }
    if (trouble < kWellKnown) {
        return take::Way::thrown_in;
    }
    const auto of = [&](std::initializer_list<take::Cause> some) {
        double sum = 0.0;
        for (const take::Cause cause : some) {
            const auto it = causes.find(cause);
            sum += it == causes.end() ? 0.0 : it->second;
        }
        return sum;
    };
    const double late = of({take::Cause::start, take::Cause::plan});
    const double words = of({take::Cause::rate, take::Cause::stumble, take::Cause::before});
    const double wrong = of({take::Cause::misread, take::Cause::skipped});
    const double lost = of({take::Cause::lost});
    const double most = std::max({late, words, wrong, lost});
    return most <= 0.0  ? take::Way::stretch
        : most == lost  ? take::Way::lost
        : most == words ? take::Way::stretch
        : most == wrong ? take::Way::listen_first
                        : take::Way::guided;
}

std::vector<DrillStretch> stretchesOf(const StageSummary& stage, double now_days)
{
    std::vector<DrillStretch> out;
    const auto known = knowledgeOf(stage, now_days);
    const auto& plan = stage.plan;
    if (plan.calls.empty()) {
        return out;
    }
    // of even length, so that no single note is left at the end
    const double all_s = plan.calls.back().end_s - plan.calls.front().start_s;
    const double even_s = all_s / std::ceil(all_s / kStretch_s);
    for (std::size_t c = 0; c < plan.calls.size();) {
        const double end_s = plan.calls.front().start_s + even_s * static_cast<double>(out.size() + 1);
        std::size_t end = c + 1;
        while (end < plan.calls.size() && (plan.calls[end].start_s + plan.calls[end].end_s) / 2.0 < end_s) {
            ++end;
        }
        const auto span = take::stretchOf(plan, plan.calls[c].first, plan.calls[end - 1].last);
        double gain = 0.0;
        double trouble = 0.0;
        double days_ago = 0.0;
        bool ever_read = false;
        std::map<take::Cause, double> causes;
        std::size_t worst = span.first;
        double worst_gain = -1.0;
        for (std::size_t k = span.first; k < span.last; ++k) {
            const auto it = known.find(plan.notes[k].id);
            const Knowledge note = it == known.end() ? Knowledge{} : it->second;
            ever_read = ever_read || it != known.end();
            const double here = note.trouble * plan.notes[k].weight * forgotten(note);
            gain += here;
            trouble += note.trouble;
            days_ago = std::max(days_ago, note.days_ago);
            for (const auto& [cause, times] : note.causes) {
                causes[cause] += times;
            }
            if (here > worst_gain) {
                worst_gain = here;
                worst = k;
            }
        }
        const auto count = static_cast<double>(span.last - span.first);
        DrillStretch drill;
        drill.stage = stage.name;
        drill.folder = stage.folder;
        drill.pass = stage.pass;
        drill.first = plan.notes[span.first].id;
        drill.last = plan.notes[span.last - 1].id;
        drill.minutes = kTimes * (span.to_s - span.from_s + kBetween_s) / 60.0;
        drill.gain = gain;
        drill.way = wayFor(causes, ever_read, trouble / count);
        if (ever_read) {
            drill.wrong_share = trouble / count;
        }
        drill.why = ever_read
            ? wording::filled(wording::localized("tonight",
                                  "%1 of 100 notes go wrong here, most of all \"%2\"; last read %3"),
                {wording::figure(100.0 * trouble / count), plan.notes[worst].spoken, ago(days_ago)})
            : wording::localized("tonight", "never read yet");
        out.push_back(std::move(drill));
        c = end;
    }
    return out;
}

} // namespace

double daysOf(const std::string& iso)
{
    int year = 0;
    int month = 0;
    int day = 0;
    int hour = 0;
    int minute = 0;
    const int read = std::sscanf(iso.c_str(), "%d-%d-%dT%d:%d", &year, &month, &day, &hour, &minute);
    const std::chrono::year_month_day date{std::chrono::year(year),
        std::chrono::month(static_cast<unsigned>(std::max(0, month))),
        std::chrono::day(static_cast<unsigned>(std::max(0, day)))};
    if (read < 3 || !date.ok()) {
        return 0.0;
    }
    return static_cast<double>(std::chrono::sys_days(date).time_since_epoch().count()) + hour / 24.0
        + minute / 1440.0;
}

std::optional<DrillStretch> weakestStretch(const StageSummary& stage, const std::string& now)
{
    const auto all = stretchesOf(stage, daysOf(now));
    const auto worst = std::max_element(all.begin(), all.end(),
        [](const DrillStretch& a, const DrillStretch& b) { return a.gain / a.minutes < b.gain / b.minutes; });
    return worst == all.end() ? std::optional<DrillStretch>() : *worst;
}

std::vector<DrillStretch> tonight(const Rally& rally, double minutes, const std::string& now)
{
    const double now_days = daysOf(now);
    std::vector<DrillStretch> all;
    for (const StageSummary& stage : rally.stages) {
        const auto some = stretchesOf(stage, now_days);
        all.insert(all.end(), some.begin(), some.end());
    }
    std::stable_sort(all.begin(), all.end(),
        [](const DrillStretch& a, const DrillStretch& b) { return a.gain / a.minutes > b.gain / b.minutes; });
    constexpr double kWorthIt = 0.05;
    std::vector<DrillStretch> out;
    double left = minutes;
    for (DrillStretch& drill : all) {
        if (drill.minutes <= left && drill.gain > kWorthIt) {
            left -= drill.minutes;
            out.push_back(std::move(drill));
        }
    }
    return out;
}

} // namespace brumefall::log
