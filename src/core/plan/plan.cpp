#include "plan/plan.h"

#include "plan/sureness.h"

#include "notes/spoken.h"
#include "plan/echoes.h"
#include "plan/schedule.h"
#include "plan/squeeze.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <stdexcept>

namespace brumefall::plan {
namespace {

/// Speeds of the pace on a grid fine enough for braking points.
class SpeedGrid {
public:
    explicit SpeedGrid(const pace::Pace& pace)
        : speeds_(pace.speeds(kStep_m))
    {
    }

    /// Where the driver must begin to act: the braking point before `entry_m`, or the entry itself.
    /// Braking distance (v_in^2 - v_corner^2) / (2 a).
    [[nodiscard]] double actionPoint_m(
        double before_m, double entry_m, double corner_end_m, const Driver& driver) const
    {
        constexpr double kFarthest_m = 160.0;
        // places a whole number of steps from the entry lie alike between their neighbours on the grid
        const double first_m = std::max({before_m, entry_m - kFarthest_m, 0.0});
        const double place = std::clamp(entry_m / kStep_m, 0.0, static_cast<double>(speeds_.size() - 1));
        const auto entry = static_cast<std::ptrdiff_t>(place);
        const double share = place - static_cast<double>(entry);
        const auto last = static_cast<std::ptrdiff_t>(speeds_.size()) - 1;
        const auto speedAt = [&](std::ptrdiff_t steps) {
            const double low =
                speeds_[static_cast<std::size_t>(std::clamp(entry + steps, std::ptrdiff_t{0}, last))];
            const double high =
                speeds_[static_cast<std::size_t>(std::clamp(entry + steps + 1, std::ptrdiff_t{0}, last))];
            return low + share * (high - low);
        };
        double fastest = speedAt(0);
        double fastest_m = entry_m;
        const auto back = static_cast<std::ptrdiff_t>(std::max(0.0, entry_m - first_m) / kStep_m);
        for (std::ptrdiff_t steps = 1; steps <= back; ++steps) {
            const double v = speedAt(-steps);
            if (v > fastest) {
                fastest = v;
                fastest_m = entry_m - static_cast<double>(steps) * kStep_m;
            }
        }
        double slowest = fastest;
        const auto on = static_cast<std::ptrdiff_t>(std::max(0.0, corner_end_m - entry_m) / kStep_m);
        for (std::ptrdiff_t steps = 0; steps <= on; ++steps) {
            slowest = std::min(slowest, speedAt(steps));
        }
        const double braking_m =
            (fastest * fastest - slowest * slowest) / (2.0 * std::max(driver.brake_m_s2, 0.5));
        return std::clamp(entry_m - braking_m, std::min(fastest_m, entry_m), entry_m);
    }

    /// Between the points of the grid, straight.
    [[nodiscard]] double at(double station_m) const
    {
        const double place = std::clamp(station_m / kStep_m, 0.0, static_cast<double>(speeds_.size() - 1));
        const auto low = static_cast<std::size_t>(place);
        const std::size_t high = std::min(low + 1, speeds_.size() - 1);
        return speeds_[low] + (place - static_cast<double>(low)) * (speeds_[high] - speeds_[low]);
    }

private:
    static constexpr double kStep_m = 4.0;
    std::vector<double> speeds_;
};

/// Fills in what is known before the schedule: lengths, places, windows.
class PlanMaker {
public:
    explicit PlanMaker(const PlanInput& input)
        : in_(input)
        , pace_(input.placement->pace)
        , speeds_(pace_)
    {
    }

    Plan make()
    {
        plan_.late_penalty = in_.driver.late_penalty;
        describeNotes();
        setWindows();
        speak();
        if (in_.echoes.any()) {
            sayAgain();
        }
        plan_.line_up = lineUpReading(plan_, in_.echoes.line_up_notes);
        findSqueezes(plan_, in_);
        return std::move(plan_);
    }

private:
    void describeNotes()
    {
        plan_.notes.reserve(in_.placement->notes.size());
        plan_.calls.reserve(in_.calls.size());
        sources_.reserve(in_.placement->notes.size());
        std::size_t k = 0;
        for (const notes::Call& call : in_.calls) {
            if (call.notes.empty()) {
                continue;
            }
            const int index = static_cast<int>(plan_.calls.size());
            plan_.calls.push_back({call.line, call.text, k, k + call.notes.size(), 0.0, 0.0});
            Reader reader = in_.reader;
            if (const auto rate = in_.shaping.rate_syll_s.find(call.notes.front().id);
                rate != in_.shaping.rate_syll_s.end() && rate->second > 0.0) {
                reader.rate_syll_s = rate->second;
            }
            for (const notes::Note& note : call.notes) {
                if (k >= in_.placement->notes.size() || in_.placement->notes[k].id != note.id) {
                    throw std::invalid_argument("note " + note.id + " has no place");
                }
                describe(note, index, in_.placement->notes[k], &note == &call.notes.back(), reader);
                sources_.push_back(&note);
                ++k;
            }
        }
    }

    void describe(const notes::Note& note, int call, const pace::PlacedNote& place, bool last_of_call,
        const Reader& reader)
    {
        PlannedNote& planned = plan_.notes.emplace_back(); // in its place: it is large to move
        planned.id = note.id;
        planned.echo_of = note.echo_of;
        planned.call = call;
        planned.text = note.text;
        planned.spoken = note.spoken;
        int syllables = note.syllables;
        if (const auto said = in_.shaping.said_as.find(note.id); said != in_.shaping.said_as.end()) {
            planned.spoken = said->second;
            syllables = notes::countSyllables(planned.spoken);
        }
        if (!in_.shaping.unsaid_distance.contains(note.id)) {
            planned.spoken_after = note.spoken_after;
        }
        planned.spoken_s = spokenLength_s(std::max(syllables, 1), reader);
        planned.gap_after_s = planned.spoken_after.empty()
            ? 0.0
            : spokenLength_s(notes::countSyllables(planned.spoken_after), reader);
        planned.gap_after_s += last_of_call ? in_.reader.breath_s : 0.0;
        planned.weight = weightOf(note, in_.scale);
        planned.station_m = place.station_m;
        planned.arrive_s = place.arrive_s;
    }

    void setWindows()
    {
        double before_m = 0.0;
        for (std::size_t k = 0; k < plan_.notes.size(); ++k) {
            PlannedNote& note = plan_.notes[k];
            const double next_m = k + 1 < plan_.notes.size()
                ? std::max(plan_.notes[k + 1].station_m, note.station_m)
                : note.station_m + 30.0;
            const double corner_end_m = std::min(next_m, note.station_m + 60.0);
            note.action_m = speeds_.actionPoint_m(
                std::min(before_m, note.station_m), note.station_m, corner_end_m, in_.driver);
            note.act_s = note.action_m < note.station_m
                ? std::min(pace_.timeAt(note.action_m, near_action_), note.arrive_s)
                : note.arrive_s;
            before_m = note.station_m;
            double lead_s = wishedLead_s(*sources_[k], in_.scale, in_.driver, speeds_.at(note.action_m));
            if (const auto offset = in_.shaping.lead_offset_s.find(note.id);
                offset != in_.shaping.lead_offset_s.end()) {
                lead_s = std::max(0.0, lead_s + offset->second);
            }
            const auto held = in_.shaping.holds_notes.find(note.id);
            const auto hold = static_cast<std::size_t>(
                std::max(held == in_.shaping.holds_notes.end() ? in_.driver.holds_notes : held->second, 1));
            note.window.closes_s = note.act_s - in_.driver.reaction_s;
            const double opens_s = k >= hold ? plan_.notes[k - hold].arrive_s : 0.0;
            note.window.opens_s = std::min(opens_s, note.window.closes_s);
            note.window.ideal_s = std::clamp(note.act_s - lead_s, note.window.opens_s, note.window.closes_s);
        }
    }

    void speak()
    {
        std::vector<CallToPlan> calls;
        calls.reserve(plan_.calls.size());
        for (const PlannedCall& call : plan_.calls) {
            CallToPlan to_plan;
            to_plan.notes.reserve(call.last - call.first);
            double offset_s = 0.0;
            for (std::size_t k = call.first; k < call.last; ++k) {
                const PlannedNote& note = plan_.notes[k];
                to_plan.notes.push_back({offset_s + note.spoken_s, note.window.ideal_s, note.weight});
                offset_s += note.spoken_s + note.gap_after_s;
            }
            to_plan.length_s = offset_s;
            if (const auto pin = in_.pinned_s.find(plan_.notes[call.first].id); pin != in_.pinned_s.end()) {
                to_plan.pinned_s = pin->second;
            }
            calls.push_back(std::move(to_plan));
        }
        const auto starts = schedule(calls, {in_.driver.late_penalty, plan_.not_before_s});
        for (std::size_t c = 0; c < plan_.calls.size(); ++c) {
            setTimes(plan_.calls[c], starts[c], calls[c].pinned_s.has_value());
        }
    }

    /// Echoes go into pauses of the plan; then everything is scheduled together.
    void sayAgain()
    {
        const auto echoes = chooseEchoes(plan_, sources_, in_);
        if (!echoes.empty()) {
            insertEchoes(plan_, sources_, echoes);
            speak();
        }
    }

    void setTimes(PlannedCall& call, double start_s, bool pinned)
    {
        call.start_s = start_s;
        double at_s = start_s;
        for (std::size_t k = call.first; k < call.last; ++k) {
            PlannedNote& note = plan_.notes[k];
            note.pinned = pinned;
            note.start_s = at_s;
            note.end_s = at_s + note.spoken_s;
            at_s = note.end_s + note.gap_after_s;
            note.lead_s = note.act_s - note.end_s;
            note.lead_m = note.action_m - pace_.stationAt(note.end_s, near_end_);
            note.notes_ahead = notesAhead(k);
            constexpr double kTolerance_s = 1e-6;
            note.status = note.end_s > note.window.closes_s + kTolerance_s ? Status::late
                : note.end_s < note.window.opens_s - kTolerance_s          ? Status::early
                                                                           : Status::on_time;
        }
        call.end_s = at_s - in_.reader.breath_s;
    }

    /// How many notes, this one included, the car has not reached when the note has been said.
    [[nodiscard]] int notesAhead(std::size_t k) const
    {
        int ahead = 0;
        for (std::size_t j = k + 1; j-- > 0 && plan_.notes[j].arrive_s > plan_.notes[k].end_s;) {
            ++ahead;
        }
        return ahead;
    }

    const PlanInput& in_;
    const pace::Pace& pace_;
    SpeedGrid speeds_;
    std::size_t near_action_ = 0; ///< where on the pace the last one was found
    std::size_t near_end_ = 0;
    Plan plan_;
    std::vector<const notes::Note*> sources_;
};

} // namespace

double spokenLength_s(int syllables, const Reader& reader)
{
    return static_cast<double>(syllables) / reader.rate_syll_s;
}

Plan makePlan(const PlanInput& input)
{
    if (!(input.reader.rate_syll_s > 0.0)) {
        throw std::invalid_argument("the reader's rate must be above zero");
    }
    if (input.placement == nullptr || input.placement->pace.empty()) {
        return {};
    }
    Plan plan = PlanMaker(input).make();
    std::map<std::string, double> sure_s;
    for (const auto& place : input.placement->notes) {
        sure_s.emplace(place.id, place.sure_s);
    }
    std::vector<double> place_sure_s;
    place_sure_s.reserve(plan.notes.size());
    for (const PlannedNote& note : plan.notes) {
        const auto place = sure_s.find(note.echo_of.empty() ? note.id : note.echo_of);
        place_sure_s.push_back(place == sure_s.end() ? 0.0 : place->second);
    }
    addSureness(plan, input.reader, input.driver, place_sure_s);
    return plan;
}

Plan spokenIn(Plan plan, const std::function<double(double)>& to)
{
    for (PlannedNote& note : plan.notes) {
        const double start_s = to(note.start_s);
        const double end_s = to(note.end_s);
        const double after_s = to(note.end_s + note.gap_after_s);
        note.start_s = start_s;
        note.end_s = end_s;
        note.spoken_s = end_s - start_s;
        note.gap_after_s = after_s - end_s;
    }
    for (PlannedCall& call : plan.calls) {
        call.start_s = to(call.start_s);
        call.end_s = to(call.end_s);
    }
    return plan;
}

std::string toString(Status status)
{
    static constexpr std::array kNames{"early", "on_time", "late"};
    return kNames.at(static_cast<std::size_t>(status));
}

} // namespace brumefall::plan
