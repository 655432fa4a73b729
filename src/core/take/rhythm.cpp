#include "take/rhythm.h"

#include "formats/printed.h"
#include "notes/spoken.h"
#include "wording/wording.h"

#include <algorithm>
#include <cmath>

namespace brumefall::take {
namespace {

constexpr double kUneven_s = 0.5; ///< a gap that far from its planned one is told

class Reading {
public:
    Reading(const plan::Plan& plan, const std::vector<FoundNote>& found, const Clock& clock,
        const std::vector<Verdict>& verdicts)
        : plan_(plan)
        , found_(found)
        , clock_(clock)
        , verdicts_(verdicts)
        , count_(std::min({plan.notes.size(), found.size(), verdicts.size()}))
    {
        for (std::size_t k = 0; k < count_; ++k) {
            if (verdicts_[k].heard() && !verdicts_[k].outside_take) {
                heard_.push_back(k);
            }
        }
    }

    [[nodiscard]] Rhythm rhythm() const
    {
        Rhythm out;
        out.calls = calls();
        addLost(out.moments);
        addDrift(out.moments);
        addRun(out.moments);
        addHesitations(out.moments);
        addFastest(out.calls, out.moments);
        addUneven(out.moments);
        return out;
    }

private:
    [[nodiscard]] const char* words(std::size_t k) const { return plan_.notes[k].spoken.c_str(); }

    [[nodiscard]] double length_s(std::size_t k) const
    {
        return std::max(0.05, verdicts_[k].end_s - verdicts_[k].start_s);
    }

    /// The end of what was heard, its repeats included.
    [[nodiscard]] double lastEnd_s(std::size_t k) const
    {
        double end_s = verdicts_[k].end_s;
        for (const Span& again : found_[k].repeats) {
            end_s = std::max(end_s, clock_.stageTime(again.end_s));
        }
        return end_s;
    }

    [[nodiscard]] std::vector<CallRhythm> calls() const
    {
        std::vector<CallRhythm> out;
        std::size_t i = 0;
        while (i < heard_.size()) {
            const auto call = plan_.notes[heard_[i]].call;
            const std::size_t first = heard_[i];
            CallRhythm rhythm;
            rhythm.first = plan_.notes[first].id;
            rhythm.start_s = verdicts_[first].start_s;
            rhythm.off_plan_s = rhythm.start_s - plan_.notes[first].start_s;
            if (i > 0) {
                const std::size_t before = heard_[i - 1];
                rhythm.still_s = std::max(0.0, rhythm.start_s - lastEnd_s(before));
                rhythm.planned_still_s =
                    std::max(0.0, plan_.notes[first].start_s - plan_.notes[before].end_s);
            }
            double spoken_s = 0.0;
            double planned_s = 0.0;
            int syllables = 0;
            for (; i < heard_.size() && plan_.notes[heard_[i]].call == call; ++i) {
                const std::size_t k = heard_[i];
                rhythm.words += (rhythm.heard == 0 ? "" : ", ") + plan_.notes[k].spoken;
                ++rhythm.heard;
                syllables += notes::countSyllables(plan_.notes[k].spoken);
                spoken_s += length_s(k);
                planned_s += plan_.notes[k].spoken_s;
                for (const Span& pause : found_[k].hesitations) {
                    rhythm.hesitated_s += clock_.rate * (pause.end_s - pause.start_s);
                }
                rhythm.end_s = lastEnd_s(k);
            }
            rhythm.rate_syll_s = syllables / std::max(0.05, spoken_s);
            rhythm.planned_rate_syll_s = syllables / std::max(0.05, planned_s);
            out.push_back(std::move(rhythm));
        }
        return out;
    }

    void addLost(std::vector<Moment>& moments) const
    {
        for (std::size_t h = 0; h + 1 < heard_.size(); ++h) {
            const std::size_t last = heard_[h];
            const std::size_t next = heard_[h + 1];
            if (next - last > kPlaceLost) {
                const double from_s = verdicts_[last].end_s;
                const double to_s = verdicts_[next].start_s;
                moments.push_back({MomentKind::place_lost,
                    wording::filled(
                        wording::localized("rhythm",
                            "place lost after \"%1\", found again %2 s later at \"%3\": %4 notes not said"),
                        {words(last), wording::figure(to_s - from_s, 1), words(next),
                            std::to_string(next - last - 1)}),
                    plan_.notes[last + 1].id, from_s, to_s});
            }
        }
    }

    void addDrift(std::vector<Moment>& moments) const
    {
        std::vector<double> times;
        std::vector<double> off;
        for (const std::size_t k : heard_) {
            times.push_back(verdicts_[k].planned_end_s);
            off.push_back(verdicts_[k].end_s - verdicts_[k].planned_end_s);
        }
        const Drift drift = driftOf(times, off);
        if (drift.per_min_s == 0.0) {
            return;
        }
        const std::size_t k = heard_[drift.at];
        moments.push_back({MomentKind::drift,
            wording::filled(drift.per_min_s > 0.0
                    ? wording::localized(
                        "rhythm", "from \"%1\" on, the reading falls behind by %2 s a minute")
                    : wording::localized("rhythm", "from \"%1\" on, the reading runs ahead by %2 s a minute"),
                {words(k), wording::figure(std::abs(drift.per_min_s), 1)}),
            plan_.notes[k].id, verdicts_[k].start_s,
            verdicts_[heard_[std::min(drift.at + 2, heard_.size() - 1)]].end_s});
    }

    void addRun(std::vector<Moment>& moments) const
    {
        std::size_t best = 0;
        double longest_s = 0.0;
        double best_end_s = 0.0;
        std::size_t begin = 0;
        for (std::size_t h = 0; h < heard_.size(); ++h) {
            if (h > 0 && verdicts_[heard_[h]].start_s > lastEnd_s(heard_[h - 1]) + kBreath_s) {
                begin = h;
            }
            const double run_s = lastEnd_s(heard_[h]) - verdicts_[heard_[begin]].start_s;
            if (run_s > longest_s) {
                longest_s = run_s;
                best = begin;
                best_end_s = lastEnd_s(heard_[h]);
            }
        }
        if (longest_s > 0.0) {
            moments.push_back({MomentKind::run,
                wording::filled(wording::localized("rhythm", "longest without a breath: %1 s, from \"%2\""),
                    {wording::figure(longest_s, 1), words(heard_[best])}),
                plan_.notes[heard_[best]].id, verdicts_[heard_[best]].start_s, best_end_s});
        }
    }

    void addHesitations(std::vector<Moment>& moments) const
    {
        for (const std::size_t k : heard_) {
            for (const Span& pause : found_[k].hesitations) {
                const auto word = std::find_if(found_[k].words.begin(), found_[k].words.end(),
                    [&](const FoundWord& w) { return w.span.start_s >= pause.end_s - 0.01; });
                moments.push_back({MomentKind::hesitation,
                    wording::filled(word == found_[k].words.end()
                            ? wording::localized("rhythm", "hesitated %1 s in \"%2\"")
                            : wording::localized("rhythm", "hesitated %1 s in \"%2\" before \"%3\""),
                        {wording::figure(clock_.rate * (pause.end_s - pause.start_s), 1), words(k),
                            word == found_[k].words.end() ? "" : word->word}),
                    plan_.notes[k].id, verdicts_[k].start_s, verdicts_[k].end_s});
            }
        }
    }

    void addFastest(const std::vector<CallRhythm>& calls, std::vector<Moment>& moments) const
    {
        const CallRhythm* fastest = nullptr;
        for (const CallRhythm& call : calls) {
            if (fastest == nullptr || call.rate_syll_s > fastest->rate_syll_s) {
                fastest = &call;
            }
        }
        if (fastest != nullptr) {
            moments.push_back({MomentKind::fastest,
                wording::filled(
                    wording::localized("rhythm", "fastest call: %1 syllables a second, %2 planned"),
                    {wording::figure(fastest->rate_syll_s, 1),
                        wording::figure(fastest->planned_rate_syll_s, 1)}),
                fastest->first, fastest->start_s, fastest->end_s});
        }
    }

    /// The gap between two notes that is farthest from its planned one.
    void addUneven(std::vector<Moment>& moments) const
    {
        double most_s = kUneven_s;
        std::size_t at = 0;
        for (std::size_t h = 1; h < heard_.size(); ++h) {
            const std::size_t k = heard_[h];
            const std::size_t before = heard_[h - 1];
            const double off_s = (verdicts_[k].end_s - verdicts_[before].end_s)
                - (plan_.notes[k].end_s - plan_.notes[before].end_s);
            if (k == before + 1 && std::abs(off_s) > most_s) {
                most_s = std::abs(off_s);
                at = h;
            }
        }
        if (at == 0) {
            return;
        }
        const std::size_t k = heard_[at];
        const std::size_t before = heard_[at - 1];
        moments.push_back({MomentKind::uneven,
            wording::filled(wording::localized(
                                "rhythm", "least even at \"%1\": %2 s after the note before, %3 s planned"),
                {words(k), wording::figure(verdicts_[k].end_s - verdicts_[before].end_s, 1),
                    wording::figure(plan_.notes[k].end_s - plan_.notes[before].end_s, 1)}),
            plan_.notes[k].id, verdicts_[before].start_s, verdicts_[k].end_s});
    }

    const plan::Plan& plan_;
    const std::vector<FoundNote>& found_;
    const Clock& clock_;
    const std::vector<Verdict>& verdicts_;
    std::size_t count_;
    std::vector<std::size_t> heard_;
};

} // namespace

Drift driftOf(const std::vector<double>& times_s, const std::vector<double>& values_s)
{
    constexpr std::size_t kFewest = 8;
    constexpr double kLeast_s_per_min = 0.3;
    constexpr double kFits = 0.6; // of what a level alone leaves
    const std::size_t n = times_s.size();
    if (n < kFewest) {
        return {};
    }
    double mean = 0.0;
    for (const double v : values_s) {
        mean += v / static_cast<double>(n);
    }
    double level_error = 0.0;
    for (const double v : values_s) {
        level_error += (v - mean) * (v - mean);
    }
    Drift best;
    double least = kFits * level_error;
    for (std::size_t b = 0; b + kFewest / 2 <= n; ++b) {
        // value = level + slope * max(0, t - t_b)
        double x_sum = 0.0;
        double xx = 0.0;
        double xy = 0.0;
        for (std::size_t i = b; i < n; ++i) {
            const double x = times_s[i] - times_s[b];
            x_sum += x;
            xx += x * x;
            xy += x * values_s[i];
        }
        const double x_mean = x_sum / static_cast<double>(n);
        const double variance = xx - static_cast<double>(n) * x_mean * x_mean;
        if (variance <= 0.0) {
            continue;
        }
        const double covariance = xy - static_cast<double>(n) * x_mean * mean;
        const double slope = covariance / variance;
        const double error = level_error - slope * covariance;
        if (error < least && 60.0 * std::abs(slope) >= kLeast_s_per_min) {
            least = error;
            best = {b, 60.0 * slope};
        }
    }
    return best;
}

Rhythm rhythmOf(const plan::Plan& plan, const std::vector<FoundNote>& found, const Clock& clock,
    const std::vector<Verdict>& verdicts)
{
    return Reading(plan, found, clock, verdicts).rhythm();
}

} // namespace brumefall::take
