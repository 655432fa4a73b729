#include "tune/tuning.h"

#include "maths/quantile.h"
#include "plan/measure.h"
#include "take/take.h"

#include <algorithm>
#include <cmath>
#include <map>

namespace brumefall::tune {
namespace {

std::map<std::string, const notes::Note*> notesById(const stage::Prepared& prepared)
{
    std::map<std::string, const notes::Note*> by_id;
    for (const auto& call : prepared.notes.calls) {
        for (const auto& note : call.notes) {
            by_id.emplace(note.id, &note);
        }
    }
    return by_id;
}

/// Deviations of the notes' ends from the plan, about the middle of the five around each.
void addDeviations(const stage::Take& take, std::vector<double>& deviations)
{
    std::vector<double> off;
    for (const auto& verdict : take.verdicts) {
        if (verdict.heard() && !verdict.outside_take) {
            off.push_back(verdict.end_s - verdict.planned_end_s);
        }
    }
    constexpr std::size_t kAround = 5;
    for (std::size_t i = kAround; i + kAround < off.size(); ++i) {
        const std::vector<double> around(off.begin() + static_cast<std::ptrdiff_t>(i - kAround),
            off.begin() + static_cast<std::ptrdiff_t>(i + kAround + 1));
        deviations.push_back(std::abs(off[i] - maths::median(around)));
    }
}

} // namespace

std::vector<Evidence> evidenceOf(
    const stage::Stage& stage, const stage::Prepared& prepared, std::span<const stage::Take> takes)
{
    const auto notes = notesById(prepared);
    std::vector<Evidence> all;
    for (const stage::Take& take : takes) {
        for (const stage::Remark& remark : take.remarks) {
            const auto says = wordFrom(remark.says);
            const auto note = notes.find(remark.note);
            const auto verdict = std::find_if(take.verdicts.begin(), take.verdicts.end(),
                [&](const take::Verdict& v) { return v.id == remark.note; });
            if (!says || note == notes.end() || verdict == take.verdicts.end() || !verdict->heard()) {
                continue;
            }
            const auto index = static_cast<std::size_t>(verdict - take.verdicts.begin());
            Evidence one;
            one.says = *says;
            one.lead_class = plan::leadClass(*note->second, prepared.notes.style.scale);
            const double added_s = note->second->warnings.empty() ? 0.0 : stage.driver.warning_s;
            one.lead_s = verdict->lead_s - added_s;
            one.wished_s = leadOf(stage.driver, one.lead_class);
            if (index < take.plan.notes.size()) { // as it was set when the take was planned
                const auto& planned = take.plan.notes[index];
                one.wished_s = std::clamp(planned.act_s - planned.window.ideal_s - added_s, 0.0, kMostLead_s);
            }
            all.push_back(one);
        }
    }
    return all;
}

ReadLeads leadsRead(const stage::Stage& stage, const stage::Prepared& prepared, const stage::Take& take)
{
    const auto notes = notesById(prepared);
    std::array<std::vector<double>, plan::kLeadClasses> leads;
    for (const take::Verdict& verdict : take.verdicts) {
        const auto note = notes.find(verdict.id);
        if (note == notes.end() || !verdict.heard() || verdict.outside_take) {
            continue;
        }
        const double added_s = note->second->warnings.empty() ? 0.0 : stage.driver.warning_s;
        leads.at(static_cast<std::size_t>(plan::leadClass(*note->second, prepared.notes.style.scale)))
            .push_back(verdict.lead_s - added_s);
    }
    ReadLeads out;
    for (std::size_t c = 0; c < leads.size(); ++c) {
        if (!leads[c].empty()) {
            out[c] = {maths::median(leads[c]), static_cast<int>(leads[c].size())};
        }
    }
    return out;
}

bool isOwnFullTake(const stage::Take& take)
{
    constexpr double kWhole = 0.8;
    if (take.reader.empty() || take.reader == stage::kSimulatedReader || !take.first.empty()) {
        return false;
    }
    const auto within = std::count_if(take.verdicts.begin(), take.verdicts.end(),
        [](const take::Verdict& v) { return !v.outside_take && v.heard(); });
    return !take.verdicts.empty()
        && static_cast<double>(within) >= kWhole * static_cast<double>(take.verdicts.size());
}

std::optional<ReaderFit> fitReader(const plan::Reader& reader, std::span<const stage::Take> takes)
{
    constexpr double kNoPause_s = 0.12; // between calls said as one
    constexpr double kLost_s = 2.0; // longer than any breath
    std::vector<plan::MeasuredTake> measured;
    std::vector<double> deviations;
    std::vector<double> breaths;
    for (const stage::Take& take : takes) {
        if (!isOwnFullTake(take)) {
            continue;
        }
        const auto figures = take::figures(take.plan, take.verdicts);
        measured.push_back({figures.rate_syll_s / std::max(0.1, take.clock.rate), figures.longest_run_s});
        addDeviations(take, deviations);
        for (std::size_t k = 1; k < std::min(take.verdicts.size(), take.plan.notes.size()); ++k) {
            const double pause_s = take.verdicts[k].start_s - take.verdicts[k - 1].end_s;
            const bool between = take.plan.notes[k].call != take.plan.notes[k - 1].call
                && take.plan.notes[k - 1].spoken_after.empty();
            if (between && take.verdicts[k].heard() && take.verdicts[k - 1].heard() && pause_s > kNoPause_s
                && pause_s < kLost_s) {
                breaths.push_back(pause_s);
            }
        }
    }
    const auto fitted = plan::measuredReader(reader, measured);
    if (!fitted) {
        return {};
    }
    ReaderFit out{*fitted, 0.0, static_cast<int>(measured.size())};
    constexpr double kNormal = 1.4826; // of the median absolute deviation
    out.spread_s = deviations.empty() ? 0.0 : kNormal * maths::median(deviations);
    constexpr std::size_t kSome = 8;
    if (breaths.size() >= kSome) {
        std::sort(breaths.begin(), breaths.end());
        out.reader.breath_s = std::round(100.0 * breaths[breaths.size() / 4]) / 100.0;
    }
    return out;
}

Tuning tune(const stage::Stage& stage, const stage::Prepared& prepared, const Prepare& prepare,
    std::span<const stage::Take> takes)
{
    Tuning out;
    out.reader = fitReader(stage.reader, takes);
    const auto notes = notesById(prepared);
    for (const ClassFit& fit : fitLeads(evidenceOf(stage, prepared, takes))) {
        ClassChange change{fit, leadOf(stage.driver, fit.lead_class), 0.0, 0};
        stage::Stage after = stage;
        after.driver = withLeads(stage.driver, std::span(&fit, 1));
        const auto planned = prepare(after).plan;
        std::vector<double> metres;
        for (std::size_t k = 0; k < std::min(planned.notes.size(), prepared.plan.notes.size()); ++k) {
            const auto note = notes.find(prepared.plan.notes[k].id);
            if (note != notes.end()
                && plan::leadClass(*note->second, prepared.notes.style.scale) == fit.lead_class) {
                metres.push_back(planned.notes[k].lead_m - prepared.plan.notes[k].lead_m);
            }
        }
        change.metres = metres.empty() ? 0.0 : maths::median(metres);
        constexpr double kMoved_s = 0.05;
        for (std::size_t c = 0; c < std::min(planned.calls.size(), prepared.plan.calls.size()); ++c) {
            const double moved_s = planned.calls[c].start_s - prepared.plan.calls[c].start_s;
            change.moved_calls += std::abs(moved_s) > kMoved_s ? 1 : 0;
        }
        out.classes.push_back(change);
    }
    return out;
}

} // namespace brumefall::tune
