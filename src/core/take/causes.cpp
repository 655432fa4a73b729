#include "take/causes.h"

#include "formats/printed.h"
#include "notes/spoken.h"
#include "wording/wording.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace brumefall::take {
namespace {

constexpr double kRoom_s = 0.3; ///< a pause before a late note that long was room to begin in

/// A note as it was planned and as it was heard, all in stage time.
class Comparison {
public:
    Comparison(const plan::Plan& plan, const std::vector<FoundNote>& found, const Clock& clock,
        const std::vector<Verdict>& verdicts)
        : plan_(plan)
        , found_(found)
        , clock_(clock)
        , verdicts_(verdicts)
    {
    }

    [[nodiscard]] Reason reasonOf(std::size_t k) const
    {
        const Verdict& verdict = verdicts_[k];
        if (verdict.outside_take) {
            return {};
        }
        if (verdict.isMisread()) {
            return {Cause::misread, describe(verdict), {}};
        }
        switch (verdict.timing) {
        case Timing::on_time: return {};
        case Timing::missed: return missed(k);
        case Timing::late: return late(k);
        case Timing::early: return early(k);
        }
        return {};
    }

private:
    [[nodiscard]] Reason missed(std::size_t k) const
    {
        const auto gone = [&](std::size_t i) {
            return verdicts_[i].timing == Timing::missed && !verdicts_[i].isMisread()
                && !verdicts_[i].outside_take;
        };
        std::size_t first = k;
        std::size_t last = k + 1;
        while (first > 0 && gone(first - 1)) {
            --first;
        }
        while (last < verdicts_.size() && gone(last)) {
            ++last;
        }
        if (last - first >= kPlaceLost) {
            return {Cause::lost,
                wording::filled(
                    wording::localized("cause", "%1 notes in a row were not said: the place was lost"),
                    {std::to_string(last - first)}),
                plan_.notes[first].id};
        }
        return {Cause::skipped, wording::localized("cause", "left out"), {}};
    }

    [[nodiscard]] Reason late(std::size_t k) const
    {
        const Verdict& verdict = verdicts_[k];
        const plan::PlannedNote& note = plan_.notes[k];
        const double planned_off_s = note.end_s - note.window.closes_s;
        if (planned_off_s > 0.0 && planned_off_s >= 0.5 * verdict.off_s) {
            return {Cause::plan,
                seconds(wording::localized("cause", "the plan has it %1 s late already"), planned_off_s), {}};
        }
        // what the note itself took longer, against what it began later
        const double longer_s = length(k) - note.spoken_s;
        const double later_s = verdict.start_s - note.start_s;
        return longer_s >= later_s ? ownReason(k) : startReason(k, later_s);
    }

    [[nodiscard]] Reason early(std::size_t k) const
    {
        const plan::PlannedNote& note = plan_.notes[k];
        if (note.end_s < note.window.opens_s) {
            return {Cause::plan,
                seconds(wording::localized("cause", "the plan has it %1 s early already"),
                    note.window.opens_s - note.end_s),
                {}};
        }
        const double sooner_s = note.start_s - verdicts_[k].start_s;
        if (note.spoken_s - length(k) > sooner_s) {
            return {Cause::rate, rates(k), {}};
        }
        return {Cause::start,
            seconds(wording::localized("cause", "begun %1 s sooner than planned"), sooner_s), {}};
    }

    [[nodiscard]] static std::string seconds(const std::string& text, double value_s)
    {
        return wording::filled(text, {wording::figure(value_s, 1)});
    }

    /// In stage seconds.
    [[nodiscard]] double length(std::size_t k) const { return verdicts_[k].end_s - verdicts_[k].start_s; }

    [[nodiscard]] double hesitated_s(std::size_t k) const
    {
        double sum_s = 0.0;
        for (const Span& pause : found_[k].hesitations) {
            sum_s += clock_.rate * (pause.end_s - pause.start_s);
        }
        return sum_s;
    }

    [[nodiscard]] std::string rates(std::size_t k) const
    {
        const int syllables = notes::countSyllables(plan_.notes[k].spoken);
        const double spoken_s = std::max(0.05, (length(k) - hesitated_s(k)) / clock_.rate);
        return wording::filled(
            wording::localized("cause", "read at %1 syllables a second where %2 were planned"),
            {wording::figure(syllables / spoken_s, 1),
                wording::figure(syllables / std::max(0.05, plan_.notes[k].spoken_s), 1)});
    }

    /// Why the note's own words took longer.
    [[nodiscard]] Reason ownReason(std::size_t k) const
    {
        const double longer_s = length(k) - plan_.notes[k].spoken_s;
        if (!found_[k].hesitations.empty() && hesitated_s(k) >= 0.4 * longer_s) {
            const double until_s = found_[k].hesitations.front().end_s;
            const auto word = std::find_if(found_[k].words.begin(), found_[k].words.end(),
                [&](const FoundWord& w) { return w.span.start_s >= until_s - 0.01; });
            return {Cause::stumble,
                word == found_[k].words.end()
                    ? wording::localized("cause", "stumbled")
                    : wording::filled(wording::localized("cause", "stumbled on \"%1\""), {word->word}),
                {}};
        }
        return {Cause::rate, rates(k), {}};
    }

    [[nodiscard]] Reason startReason(std::size_t k, double later_s) const
    {
        if (found_[k].restarted) { // the words that were given up stand before it
            const std::string word = found_[k].words.empty() ? "" : found_[k].words.front().word;
            return {Cause::stumble,
                wording::filled(wording::localized("cause", "begun twice, at \"%1\""), {word}), {}};
        }
        // back to what kept the voice busy until then
        std::size_t from = k;
        while (from > 0 && verdicts_[from - 1].heard() && !hasRoomBefore(from)) {
            --from;
            const double own_s = length(from) - plan_.notes[from].spoken_s;
            const double start_s = verdicts_[from].start_s - plan_.notes[from].start_s;
            if (own_s + repeated_s(from) > start_s) {
                break; // it is here that the time was lost
            }
        }
        if (from == k) {
            return {Cause::start,
                seconds(wording::localized("cause", "begun %1 s late though there was room"), later_s), {}};
        }
        const plan::PlannedNote& first = plan_.notes[from];
        if (plan_.notes[from].call == plan_.notes[k].call && hasRoomBefore(from)
            && length(from) - first.spoken_s < 0.5 * later_s && repeated_s(from) < 0.5 * later_s) {
            return {Cause::start,
                seconds(wording::localized("cause", "with its call, begun %1 s late"),
                    verdicts_[from].start_s - first.start_s),
                first.id};
        }
        std::string why =
            repeated_s(from) > 0.0 ? wording::localized("cause", "said twice") : ownReason(from).text;
        if (length(from) - first.spoken_s < 0.5 * later_s && repeated_s(from) < 0.5 * later_s) {
            why = seconds(
                wording::localized("cause", "begun %1 s late"), verdicts_[from].start_s - first.start_s);
        }
        return {Cause::before,
            wording::filled(wording::localized("cause", "\"%1\" before it overran: %2"), {first.spoken, why}),
            first.id};
    }

    [[nodiscard]] double repeated_s(std::size_t k) const
    {
        double sum_s = 0.0;
        for (const Span& again : found_[k].repeats) {
            sum_s += clock_.rate * (again.end_s - again.start_s);
        }
        return sum_s;
    }

    /// The voice was still for a moment before the note, longer than it needs for a distance and a breath.
    [[nodiscard]] bool hasRoomBefore(std::size_t k) const
    {
        if (k == 0) {
            return true;
        }
        const auto& before = plan_.notes[k - 1];
        double end_s = verdicts_[k - 1].end_s;
        for (const Span& again : found_[k - 1].repeats) {
            end_s = std::max(end_s, clock_.stageTime(again.end_s));
        }
        return verdicts_[k].start_s > end_s + before.gap_after_s + kRoom_s;
    }

    const plan::Plan& plan_;
    const std::vector<FoundNote>& found_;
    const Clock& clock_;
    const std::vector<Verdict>& verdicts_;
};

} // namespace

std::vector<Reason> reasons(const plan::Plan& plan, const std::vector<FoundNote>& found, const Clock& clock,
    const std::vector<Verdict>& verdicts)
{
    const std::size_t count = std::min({plan.notes.size(), found.size(), verdicts.size()});
    std::vector<Reason> out(verdicts.size());
    const Comparison comparison(plan, found, clock, verdicts);
    for (std::size_t k = 0; k < count; ++k) {
        out[k] = comparison.reasonOf(k);
    }
    return out;
}

bool isPlanFault(Cause cause)
{
    return cause == Cause::plan;
}

std::string toString(Cause cause)
{
    static constexpr std::array kNames{
        "none", "plan", "start", "before", "rate", "stumble", "misread", "skipped", "lost"};
    return kNames.at(static_cast<std::size_t>(cause));
}

} // namespace brumefall::take
