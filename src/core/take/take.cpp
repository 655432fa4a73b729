#include "take/take.h"

#include "maths/quantile.h"
#include "notes/spoken.h"
#include "wording/wording.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>
#include <map>
#include <numeric>

namespace brumefall::take {
namespace {

/// Least-squares slope of y over x.
double slope(const std::vector<double>& x, const std::vector<double>& y)
{
    if (x.size() < 3) {
        return 0.0;
    }
    const auto n = static_cast<double>(x.size());
    const double mean_x = std::accumulate(x.begin(), x.end(), 0.0) / n;
    const double mean_y = std::accumulate(y.begin(), y.end(), 0.0) / n;
    double covariance = 0.0;
    double variance = 0.0;
    for (std::size_t i = 0; i < x.size(); ++i) {
        covariance += (x[i] - mean_x) * (y[i] - mean_y);
        variance += (x[i] - mean_x) * (x[i] - mean_x);
    }
    return variance > 0.0 ? covariance / variance : 0.0;
}

std::vector<double> intervals(const std::vector<double>& times)
{
    std::vector<double> out;
    for (std::size_t i = 1; i < times.size(); ++i) {
        out.push_back(std::max(0.01, times[i] - times[i - 1]));
    }
    return out;
}

/// Nobody comes in at once in the middle of a call that the take begins in.
bool isDueBeforeReaderComesIn(const plan::Plan& plan, const plan::PlannedNote& note, double first_s)
{
    constexpr double kSooner_s = 0.3; // some read a little before the plan has it
    constexpr double kComesIn_s = 1.5;
    const double call_s = plan.calls[static_cast<std::size_t>(note.call)].start_s;
    const bool under_way = call_s < first_s - kSooner_s;
    return note.start_s < first_s + (under_way ? kComesIn_s : -kSooner_s);
}

} // namespace

bool isWrong(const Misread& misread)
{
    const auto ends = [&](const char* word) { return misread.note_says.ends_with(word); };
    return misread.sure >= kSure && !misread.of_distance && !ends("plus") && !ends("minus");
}

bool Verdict::isMisread() const
{
    return std::any_of(misread.begin(), misread.end(), isWrong);
}

std::vector<Verdict> judge(const plan::Plan& plan, const pace::Pace& pace,
    const std::vector<FoundNote>& found, const Clock& clock, double recorded_s)
{
    std::map<std::string, const FoundNote*> by_id;
    for (const FoundNote& note : found) {
        by_id.emplace(note.id, &note);
    }
    const double first_s = clock.stageTime(0.0);
    const double last_s = clock.stageTime(recorded_s);
    std::vector<Verdict> verdicts;
    for (std::size_t k = 0; k < plan.notes.size(); ++k) {
        const plan::PlannedNote& note = plan.notes[k];
        Verdict verdict;
        verdict.id = note.id;
        verdict.planned_end_s = note.end_s;
        const auto it = by_id.find(note.id);
        if (it == by_id.end() || !it->second->read) {
            verdict.outside_take =
                isDueBeforeReaderComesIn(plan, note, first_s) || note.window.closes_s > last_s;
            verdicts.push_back(std::move(verdict));
            continue;
        }
        const FoundNote& heard = *it->second;
        verdict.start_s = clock.stageTime(heard.span.start_s);
        verdict.end_s = clock.stageTime(heard.span.end_s);
        if (verdict.end_s > note.window.closes_s) {
            verdict.timing = Timing::late;
            verdict.off_s = verdict.end_s - note.window.closes_s;
        } else if (verdict.end_s < note.window.opens_s) {
            verdict.timing = Timing::early;
            verdict.off_s = verdict.end_s - note.window.opens_s;
        } else {
            verdict.timing = Timing::on_time;
        }
        verdict.lead_s = note.act_s - verdict.end_s;
        verdict.lead_m = note.action_m - pace.stationAt(verdict.end_s);
        for (std::size_t j = k + 1; j-- > 0 && plan.notes[j].arrive_s > verdict.end_s;) {
            ++verdict.notes_ahead;
        }
        verdict.misread = heard.misread;
        if (verdict.isMisread()) {
            verdict.timing = Timing::missed; // what was due was not said
            verdict.off_s = 0.0;
        }
        verdict.repeated = !heard.repeats.empty();
        verdict.corrected = heard.restarted;
        verdict.hesitated = !heard.hesitations.empty();
        verdicts.push_back(std::move(verdict));
    }
    return verdicts;
}

TakeFigures figures(const plan::Plan& plan, const std::vector<Verdict>& verdicts)
{
    constexpr std::size_t kFewestForDrift = 8;
    constexpr double kShortestForDrift_s = 20.0;
    TakeFigures out;
    std::vector<double> off_plan;
    std::vector<double> due;
    std::vector<double> read_ends;
    std::vector<double> planned_ends;
    double spoken_s = 0.0;
    int syllables = 0;
    double run_start_s = 0.0;
    double run_end_s = -1e9;
    for (std::size_t k = 0; k < verdicts.size() && k < plan.notes.size(); ++k) {
        const Verdict& v = verdicts[k];
        if (v.outside_take) {
            continue;
        }
        ++out.judged;
        out.early += v.timing == Timing::early ? 1 : 0;
        out.on_time += v.timing == Timing::on_time ? 1 : 0;
        out.late += v.timing == Timing::late ? 1 : 0;
        out.misread += v.isMisread() ? 1 : 0;
        out.missed += v.timing == Timing::missed && !v.isMisread() ? 1 : 0;
        out.repeated += v.repeated ? 1 : 0;
        out.hesitated += v.hesitated ? 1 : 0;
        if (!v.heard()) {
            continue;
        }
        off_plan.push_back(v.end_s - v.planned_end_s);
        due.push_back(v.planned_end_s);
        read_ends.push_back(v.end_s);
        planned_ends.push_back(v.planned_end_s);
        spoken_s += v.end_s - v.start_s;
        syllables += notes::countSyllables(plan.notes[k].spoken);
        if (v.start_s > run_end_s + kBreath_s) {
            run_start_s = v.start_s;
        }
        run_end_s = std::max(run_end_s, v.end_s);
        out.longest_run_s = std::max(out.longest_run_s, run_end_s - run_start_s);
    }
    out.on_time_share = out.judged > 0 ? static_cast<double>(out.on_time) / out.judged : 0.0;
    out.tells_drift = due.size() >= kFewestForDrift && due.back() - due.front() >= kShortestForDrift_s;
    out.drift_s_per_min = 60.0 * slope(due, off_plan);
    out.median_off_plan_s = off_plan.empty() ? 0.0 : maths::median(off_plan);
    out.rate_syll_s = spoken_s > 0.0 ? syllables / spoken_s : 0.0;
    out.evenness = npvi(intervals(read_ends)) - npvi(intervals(planned_ends));
    return out;
}

double npvi(const std::vector<double>& intervals)
{
    if (intervals.size() < 2) {
        return 0.0;
    }
    double sum = 0.0;
    for (std::size_t i = 1; i < intervals.size(); ++i) {
        const double mean = 0.5 * (intervals[i] + intervals[i - 1]);
        sum += mean > 0.0 ? std::abs(intervals[i] - intervals[i - 1]) / mean : 0.0;
    }
    return 100.0 * sum / static_cast<double>(intervals.size() - 1);
}

std::string describe(const Verdict& verdict)
{
    const auto s1 = [](double value_s) { return wording::figure(value_s, 1); };
    if (verdict.outside_take) {
        return wording::localized("verdict", "not in this take");
    }
    if (verdict.isMisread()) {
        const auto wrong = std::find_if(verdict.misread.begin(), verdict.misread.end(), isWrong);
        return wording::filled(wording::localized("verdict", "said \"%1\", the note says \"%2\""),
            {wrong->said, wrong->note_says});
    }
    switch (verdict.timing) {
    case Timing::missed: return wording::localized("verdict", "missed");
    case Timing::late:
        return wording::filled(verdict.lead_m < 0.0
                ? wording::localized("verdict", "%1 s late, %2 m past its action point")
                : wording::localized("verdict", "%1 s late, %2 m before"),
            {s1(verdict.off_s), wording::figure(std::abs(verdict.lead_m))});
    case Timing::early:
        return wording::filled(verdict.notes_ahead == 1
                ? wording::localized("verdict", "%1 s early, one note ahead")
                : wording::localized("verdict", "%1 s early, %2 notes ahead"),
            {s1(-verdict.off_s), std::to_string(verdict.notes_ahead)});
    case Timing::on_time:
        return wording::filled(wording::localized("verdict", "on time, %1 s and %2 m before"),
            {s1(verdict.lead_s), wording::figure(verdict.lead_m)});
    }
    return {};
}

std::string toString(Timing timing)
{
    static constexpr std::array kNames{"early", "on_time", "late", "missed"};
    return kNames.at(static_cast<std::size_t>(timing));
}

} // namespace brumefall::take
