#include "plan/squeeze.h"

#include "notes/shorten.h"
#include "notes/spoken.h"
#include "plan/schedule.h"
#include "wording/wording.h"

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <unordered_map>

namespace brumefall::plan {
namespace {

constexpr std::size_t kCallsBefore = 6; // that can be read sooner to make room
constexpr double kWorthwhile_s = 0.05;
constexpr double kInside_s = 0.02; // inside the window, not on its edge

std::string seconds(double value_s)
{
    return wording::figure(value_s, 1) + " s";
}

std::string countOfNotes(std::size_t count)
{
    return count == 1 ? wording::localized("plan", "1 note")
                      : wording::filled(wording::localized("plan", "%1 notes"), {std::to_string(count)});
}

/// A note of a run as it is tried: what changes is its length, its gap, and where its call begins.
struct TriedNote {
    std::size_t index; ///< in the plan
    double spoken_s;
    double gap_s; ///< distances said after it, without a breath
    bool begins_call;
};

/// Calls [first, last] of the plan, planned again by themselves with something changed.
class Trial {
public:
    Trial(const Plan& plan, const Reader& reader, std::size_t first_call, std::size_t last_call)
        : plan_(plan)
        , breath_s_(reader.breath_s)
    {
        for (std::size_t c = first_call; c <= last_call; ++c) {
            const PlannedCall& call = plan.calls[c];
            for (std::size_t k = call.first; k < call.last; ++k) {
                const PlannedNote& note = plan.notes[k];
                const double breath_s = k + 1 == call.last ? breath_s_ : 0.0;
                notes.push_back(
                    {k, note.spoken_s, std::max(0.0, note.gap_after_s - breath_s), k == call.first});
            }
        }
        const std::size_t first = plan.calls[first_call].first;
        not_before_s =
            first == 0 ? plan.not_before_s : plan.notes[first - 1].end_s + plan.notes[first - 1].gap_after_s;
    }

    std::vector<TriedNote> notes;
    double not_before_s = 0.0;

    struct Result {
        double worst_s = -1e9; ///< latest end after its window, in seconds
        std::vector<double> starts_s; ///< of the calls
        std::vector<double> ends_s; ///< of the notes
    };

    /// `firmly` tries to be inside the windows before anything else.
    [[nodiscard]] Result run(bool firmly) const
    {
        std::vector<CallToPlan> calls;
        double offset_s = 0.0;
        for (std::size_t i = 0; i < notes.size(); ++i) {
            const PlannedNote& note = plan_.notes[notes[i].index];
            if (notes[i].begins_call) {
                calls.emplace_back();
                offset_s = 0.0;
            }
            const double wished_s = firmly ? std::min(note.window.ideal_s, note.window.closes_s - kInside_s)
                                           : note.window.ideal_s;
            offset_s += notes[i].spoken_s;
            calls.back().notes.push_back({offset_s, wished_s, note.weight});
            offset_s += notes[i].gap_s;
            calls.back().length_s = offset_s + breath_s_;
        }
        // a heavy penalty finds a plan inside the windows where there is one
        Result result;
        result.starts_s = schedule(calls, {firmly ? 1e4 : plan_.late_penalty, not_before_s});
        std::size_t call = 0;
        std::size_t in_call = 0;
        for (std::size_t i = 0; i < notes.size(); ++i) {
            if (notes[i].begins_call && i > 0) {
                ++call;
                in_call = 0;
            }
            const double end_s = result.starts_s[call] + calls[call].notes[in_call++].end_offset_s;
            result.ends_s.push_back(end_s);
            result.worst_s = std::max(result.worst_s, end_s - plan_.notes[notes[i].index].window.closes_s);
        }
        return result;
    }

private:
    const Plan& plan_;
    double breath_s_;
};

/// Where the source of each planned note is.
class Sources {
public:
    explicit Sources(const PlanInput& input)
    {
        for (const auto& call : input.calls) {
            for (const auto& note : call.notes) {
                by_id_.emplace(note.id, &note);
            }
        }
    }

    [[nodiscard]] const notes::Note* find(const std::string& id) const
    {
        const auto it = by_id_.find(id);
        return it == by_id_.end() ? nullptr : it->second;
    }

private:
    std::unordered_map<std::string, const notes::Note*> by_id_;
};

class Adviser {
public:
    Adviser(const Plan& plan, const PlanInput& input, const Sources& sources, Squeeze& squeeze,
        std::size_t first, std::size_t last)
        : plan_(plan)
        , in_(input)
        , sources_(sources)
        , squeeze_(squeeze)
        , first_call_(static_cast<std::size_t>(plan.notes[first].call))
        , last_call_(static_cast<std::size_t>(plan.notes[last].call))
    {
        constexpr std::size_t kMostCalls = 16; // advice about a longer run begins where it is worst
        if (last_call_ - first_call_ >= kMostCalls) {
            first_call_ = last_call_ - kMostCalls + 1;
        }
        for (std::size_t k = plan_.calls[first_call_].first; k < plan_.calls[last_call_].last; ++k) {
            ids_.push_back(plan_.notes[k].id);
        }
    }

    void advise()
    {
        sayCause();
        sooner();
        breakElsewhere();
        leaveOut();
        faster();
        std::stable_sort(squeeze_.remedies.begin(), squeeze_.remedies.end(),
            [](const Remedy& a, const Remedy& b) { return a.saves_s > b.saves_s + 1e-9; });
    }

private:
    [[nodiscard]] Trial trial() const { return {plan_, in_.reader, first_call_, last_call_}; }

    [[nodiscard]] double saved(const Trial::Result& result) const
    {
        return squeeze_.short_s - std::max(0.0, result.worst_s);
    }

    void offer(Remedy remedy, double saves_s)
    {
        if (saves_s > kWorthwhile_s) {
            remedy.saves_s = saves_s;
            remedy.text += wording::filled(wording::localized("plan", ": saves %1"), {seconds(saves_s)});
            squeeze_.remedies.push_back(std::move(remedy));
        }
    }

    void sayCause()
    {
        const PlannedNote& first = plan_.notes[plan_.calls[first_call_].first];
        const PlannedNote& last = plan_.notes[plan_.calls[last_call_].last - 1];
        const auto count = plan_.calls[last_call_].last - plan_.calls[first_call_].first;
        const double road_s = std::max(0.0, last.window.closes_s - first.start_s);
        const double takes_s = last.end_s - first.start_s;
        squeeze_.cause = wording::filled(takes_s > road_s
                ? wording::localized("plan", "%1 in %2 of road; at your rate they take %3")
                : wording::localized("plan",
                    "%1 in one breath: begun in time for the first, the last would have to be held "
                    "too long"),
            {countOfNotes(count), seconds(road_s), seconds(takes_s)});
    }

    /// The run and some calls before it read sooner, as far as it needs; the driver then holds more.
    void sooner()
    {
        const std::size_t from = first_call_ > kCallsBefore ? first_call_ - kCallsBefore : 0;
        const Trial wider(plan_, in_.reader, from, last_call_);
        const auto result = wider.run(true);
        Remedy remedy{"sooner", ids_, 0.0, {}, {}, {}, {}};
        std::size_t call = 0;
        int most_held = 0;
        double earliest_s = 0.0;
        for (std::size_t i = 0; i < wider.notes.size(); ++i) {
            const PlannedNote& note = plan_.notes[wider.notes[i].index];
            if (wider.notes[i].begins_call) {
                const double start_s = result.starts_s[call++];
                if (std::abs(start_s - note.start_s) > 0.005) {
                    remedy.starts_s[note.id] = start_s;
                    earliest_s = std::max(earliest_s, note.start_s - start_s);
                }
            }
            const int held = ahead(wider.notes[i].index, result.ends_s[i]);
            if (result.ends_s[i] < note.window.opens_s - 1e-6) {
                remedy.shaping.holds_notes[note.id] = held;
            }
            most_held = std::max(most_held, held);
        }
        if (remedy.starts_s.empty()) {
            return;
        }
        remedy.text = wording::filled(
            wording::localized("plan", "Start up to %1 sooner; the driver then holds up to %2"),
            {seconds(earliest_s), countOfNotes(static_cast<std::size_t>(most_held))});
        offer(std::move(remedy), saved(result));
    }

    /// Notes that the car has not reached when note `k` has been said at `end_s`, this one included.
    [[nodiscard]] int ahead(std::size_t k, double end_s) const
    {
        int count = 0;
        for (std::size_t j = k + 1; j-- > 0 && plan_.notes[j].arrive_s > end_s;) {
            ++count;
        }
        return std::max(count, 1);
    }

    void breakElsewhere()
    {
        double best_s = 0.0;
        Remedy best{"break", ids_, 0.0, {}, {}, {}, {}};
        Trial tried = trial();
        double run_s = 0.0;
        for (std::size_t i = 0; i < tried.notes.size(); ++i) {
            run_s =
                (tried.notes[i].begins_call ? 0.0 : run_s) + tried.notes[i].spoken_s + tried.notes[i].gap_s;
            if (i == 0) {
                continue;
            }
            const bool begins = tried.notes[i].begins_call;
            if (begins && run_s + callLength_s(tried, i - 1) > in_.reader.longest_run_s) {
                continue; // too long for one breath
            }
            tried.notes[i].begins_call = !begins;
            const double saves_s = saved(tried.run(false));
            tried.notes[i].begins_call = begins;
            if (saves_s > best_s) {
                best_s = saves_s;
                const PlannedNote& note = plan_.notes[tried.notes[i].index];
                best.kind = begins ? "join" : "break";
                best.boundary = note.id;
                best.text = wording::filled(begins
                        ? wording::localized("plan", "Say “%1” in one breath with the call before")
                        : wording::localized("plan", "Breathe before “%1”"),
                    {note.spoken});
            }
        }
        offer(std::move(best), best_s);
    }

    /// Length of the call that ends with note `i`.
    static double callLength_s(const Trial& tried, std::size_t i)
    {
        double length_s = 0.0;
        for (std::size_t k = i + 1; k-- > 0;) {
            length_s += tried.notes[k].spoken_s + tried.notes[k].gap_s;
            if (tried.notes[k].begins_call) {
                break;
            }
        }
        return length_s;
    }

    struct Cut {
        int value;
        std::size_t at; ///< of the trial's notes
        std::string what; ///< for the text
        std::string rule;
        std::string said_as; ///< empty for a distance
        double saves_s;
    };

    [[nodiscard]] std::vector<Cut> cuts(const Trial& tried) const
    {
        std::vector<Cut> all;
        for (std::size_t i = 0; i < tried.notes.size(); ++i) {
            const PlannedNote& planned = plan_.notes[tried.notes[i].index];
            const notes::Note* source = sources_.find(planned.id);
            if (!planned.spoken_after.empty() && tried.notes[i].gap_s > 0.0 && i + 1 < tried.notes.size()) {
                all.push_back({0, i, planned.spoken_after, wording::localized("plan", "a distance"), {},
                    tried.notes[i].gap_s});
            }
            if (source == nullptr) {
                continue;
            }
            notes::Note said = *source;
            said.spoken = planned.spoken;
            const double rate = planned.spoken_s / std::max(1, notes::countSyllables(planned.spoken));
            for (const auto& cut : notes::shortenings(said, in_.style, in_.order)) {
                all.push_back({cut.value, i, cut.words, cut.rule, cut.spoken, rate * cut.syllables});
            }
        }
        std::stable_sort(all.begin(), all.end(), [](const Cut& a, const Cut& b) {
            return a.value != b.value ? a.value < b.value : a.saves_s > b.saves_s;
        });
        return all;
    }

    /// Words left out, least valuable first, until it fits or nothing more may go.
    void leaveOut()
    {
        Trial tried = trial();
        Remedy remedy{"drop", {}, 0.0, {}, {}, {}, {}};
        double best_s = 0.0;
        std::vector<bool> shortened(tried.notes.size(), false);
        std::string words;
        for (const Cut& cut : cuts(tried)) {
            if (!cut.said_as.empty() && shortened[cut.at]) {
                continue; // one cut a note: the next remedy can take more
            }
            const TriedNote before = tried.notes[cut.at];
            (cut.said_as.empty() ? tried.notes[cut.at].gap_s : tried.notes[cut.at].spoken_s) -= cut.saves_s;
            const auto result = tried.run(false);
            if (saved(result) < best_s + 0.01) {
                tried.notes[cut.at] = before; // it would not help
                continue;
            }
            best_s = saved(result);
            const std::string& id = plan_.notes[before.index].id;
            if (cut.said_as.empty()) {
                remedy.shaping.unsaid_distance.insert(id);
            } else {
                remedy.shaping.said_as[id] = cut.said_as;
                shortened[cut.at] = true;
            }
            remedy.notes.push_back(id);
            words += (words.empty() ? "" : ", ") + ("\u201c" + cut.what + "\u201d (" + cut.rule + ")");
            if (result.worst_s <= 0.0) {
                break;
            }
        }
        remedy.text = wording::filled(wording::localized("plan", "Leave out %1"), {words});
        offer(std::move(remedy), best_s);
    }

    [[nodiscard]] Trial::Result atRate(double factor, bool firmly) const
    {
        Trial tried = trial();
        for (TriedNote& note : tried.notes) {
            note.spoken_s *= factor;
            note.gap_s *= factor;
        }
        return tried.run(firmly);
    }

    void faster()
    {
        const double rate = in_.reader.rate_syll_s;
        double low = 0.3;
        if (atRate(low, true).worst_s <= 0.0) {
            double high = 1.0;
            if (atRate(high, true).worst_s > 0.0) {
                for (int i = 0; i < 16; ++i) {
                    const double middle = 0.5 * (low + high);
                    (atRate(middle, true).worst_s <= 0.0 ? low : high) = middle;
                }
            } else {
                low = 1.0;
            }
            squeeze_.rate_needed = rate / low;
        }
        const double limit = std::clamp(rate / std::max(in_.reader.fastest_syll_s, rate), 0.3, 1.0);
        double factor = limit;
        if (atRate(limit, false).worst_s <= 0.0) { // no faster than it needs
            double quick = limit;
            double slow = 1.0;
            for (int i = 0; i < 12; ++i) {
                const double middle = 0.5 * (quick + slow);
                (atRate(middle, false).worst_s <= 0.0 ? quick : slow) = middle;
            }
            factor = quick;
        }
        Remedy remedy{"faster", ids_, 0.0, {}, {}, {}, {}};
        for (std::size_t c = first_call_; c <= last_call_; ++c) {
            remedy.shaping.rate_syll_s[plan_.notes[plan_.calls[c].first].id] = rate / factor;
        }
        remedy.text = wording::filled(wording::localized("plan", "Read this run at %1 syllables a second"),
            {wording::figure(rate / factor, 1)});
        offer(std::move(remedy), saved(atRate(factor, false)));
    }

    const Plan& plan_;
    const PlanInput& in_;
    const Sources& sources_;
    Squeeze& squeeze_;
    std::size_t first_call_;
    std::size_t last_call_;
    std::vector<std::string> ids_;
};

} // namespace

void findSqueezes(Plan& plan, const PlanInput& input)
{
    plan.squeezes.clear();
    const bool any = std::any_of(
        plan.notes.begin(), plan.notes.end(), [](const PlannedNote& n) { return n.status == Status::late; });
    if (!any) {
        return;
    }
    const Sources sources(input);
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
        Squeeze squeeze;
        squeeze.first = plan.notes[first].id;
        squeeze.last = plan.notes[k - 1].id;
        squeeze.short_s = short_s;
        constexpr std::size_t kAdvised = 40; // beyond that the whole plan is the trouble, not its runs
        if (plan.squeezes.size() < kAdvised) {
            Adviser(plan, input, sources, squeeze, first, k - 1).advise();
        }
        plan.squeezes.push_back(std::move(squeeze));
    }
}

} // namespace brumefall::plan
