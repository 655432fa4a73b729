#include "pace/pass.h"

#include "wording/wording.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <stdexcept>

namespace brumefall::pace {
namespace {

constexpr double kMarkedSure_s = 0.08;
constexpr double kDriftPerRootSecond =
    0.18; // standard deviation of an unmarked time, per root of a second of bridge

struct MarkedNote {
    std::size_t index; ///< in the road
    double time_s; ///< from go
    bool draft = false;
    double sure_s = 0.0;
};

/// Two marks that only a faster car than any could connect, as the notes have the road between them. A draft
/// mark may lie two standard deviations elsewhere before it is called misplaced.
void warnOfSpeed(
    const road::Road& road, const MarkedNote& from, const MarkedNote& to, std::vector<std::string>& warnings)
{
    constexpr double kImplausible_m_s = 65.0;
    constexpr double kShortest_m = 40.0; // below that the notes' own rounding decides
    const double way_m = road.notes[to.index].station_m - road.notes[from.index].station_m;
    const double slack_s = (from.draft ? 2.0 * from.sure_s : 0.0) + (to.draft ? 2.0 * to.sure_s : 0.0);
    const double speed_m_s = way_m / std::max(to.time_s - from.time_s + slack_s, 1e-3);
    if (way_m > kShortest_m && speed_m_s > kImplausible_m_s) {
        warnings.push_back(wording::filled(
            wording::localized("places",
                "from the mark of note %1 to that of note %2 the car would drive %3 km/h; is one of them "
                "misplaced?"),
            {std::to_string(from.index + 1), std::to_string(to.index + 1),
                wording::figure(3.6 * speed_m_s)}));
    }
}

/// Which of `marks` (in road order) agree with each other: the heaviest run of increasing times, so that one
/// misplaced mark costs itself and not those after it. A mark outweighs any number of proposals.
/// Fredman, Discrete Mathematics 11 (1975), 29-35, with weights; O(n log n).
std::vector<bool> agreeing(const std::vector<MarkedNote>& marks)
{
    constexpr auto kNone = static_cast<std::size_t>(-1);
    struct Best {
        double weight;
        std::size_t mark;
    };
    const double mark_weighs = 1.0 + static_cast<double>(marks.size());
    std::map<double, Best> best_until; // by time of the run's last mark; weights increase with the time
    std::vector<std::size_t> before(marks.size(), kNone);
    for (std::size_t i = 0; i < marks.size(); ++i) {
        auto after = best_until.lower_bound(marks[i].time_s);
        double weight = marks[i].draft ? 1.0 : mark_weighs;
        if (after != best_until.begin()) {
            const Best& best = std::prev(after)->second;
            before[i] = best.mark;
            weight += best.weight;
        }
        while (after != best_until.end() && after->second.weight <= weight) {
            after = best_until.erase(after);
        }
        if (after == best_until.end() || after->first > marks[i].time_s) {
            best_until[marks[i].time_s] = {weight, i};
        }
    }
    std::vector<bool> agrees(marks.size(), false);
    for (std::size_t i = best_until.empty() ? kNone : best_until.rbegin()->second.mark; i != kNone;
         i = before[i]) {
        agrees[i] = true;
    }
    return agrees;
}

/// Marks in road order, from go; those that contradict the others are left out and told.
std::vector<MarkedNote> orderedMarks(
    const road::Road& road, const Pass& pass, std::vector<std::string>& warnings)
{
    std::map<std::string, std::size_t> index_of;
    for (std::size_t i = 0; i < road.notes.size(); ++i) {
        index_of.emplace(road.notes[i].id, i);
    }
    std::vector<MarkedNote> marks;
    for (const Mark& mark : pass.marks) {
        if (const auto it = index_of.find(mark.note); it != index_of.end()) {
            marks.push_back({it->second, mark.media_s - pass.go_s, mark.draft, mark.sure_s});
        }
    }
    std::sort(marks.begin(), marks.end(),
        [](const MarkedNote& a, const MarkedNote& b) { return a.index < b.index; });
    const auto agrees = agreeing(marks);
    std::vector<MarkedNote> good;
    for (std::size_t i = 0; i < marks.size(); ++i) {
        if (agrees[i]) {
            if (!good.empty()) {
                warnOfSpeed(road, good.back(), marks[i], warnings);
            }
            good.push_back(marks[i]);
        } else if (!marks[i].draft) { // a proposal gives way to a mark without a word
            const auto next = std::find(agrees.begin() + static_cast<std::ptrdiff_t>(i), agrees.end(), true);
            const bool too_early = !good.empty() && marks[i].time_s <= good.back().time_s;
            const std::size_t other = too_early || next == agrees.end()
                ? good.back().index
                : marks[static_cast<std::size_t>(next - agrees.begin())].index;
            warnings.push_back(wording::filled(too_early
                    ? wording::localized(
                        "places", "the mark of note %1 is before the mark of note %2; it was left out")
                    : wording::localized(
                        "places", "the mark of note %1 is after the mark of note %2; it was left out"),
                {std::to_string(marks[i].index + 1), std::to_string(other + 1)}));
        }
    }
    return good;
}

/// How sure an unmarked time is: a bridge between the marks around it.
double sureBetween(double time_s, double before_s, double after_s)
{
    const double a = std::max(0.0, time_s - before_s);
    const double b = std::max(0.0, after_s - time_s);
    return a + b > 0.0 ? kMarkedSure_s + kDriftPerRootSecond * std::sqrt(a * b / (a + b)) : kMarkedSure_s;
}

void tellSureness(Placement& placement, const std::vector<MarkedNote>& marks, std::optional<double> finish_s)
{
    for (std::size_t i = 0; i < placement.notes.size(); ++i) {
        PlacedNote& note = placement.notes[i];
        double before_s = 0.0;
        double draft_sure_s = 0.0;
        double after_s = finish_s.value_or(placement.pace.duration_s() * 2.0);
        for (const MarkedNote& mark : marks) {
            if (mark.index == i) {
                note.marked = !mark.draft;
                note.draft = mark.draft;
                draft_sure_s = mark.sure_s;
            }
            if (mark.index <= i) {
                before_s = mark.time_s;
            } else {
                after_s = mark.time_s;
                break;
            }
        }
        note.sure_s = note.marked ? kMarkedSure_s
            : note.draft          ? draft_sure_s
                                  : sureBetween(note.arrive_s, before_s, after_s);
    }
}

/// With a trace the pace is measured; marks then tell where on it each note is.
Placement placeOnTrace(const road::Road& road, const Pass& pass, std::vector<std::string> warnings)
{
    Placement out;
    out.pace = Pace(pass.trace);
    out.warnings = std::move(warnings);
    const auto marks = orderedMarks(road, pass, out.warnings);
    std::vector<double> noted{0.0};
    std::vector<double> measured{0.0};
    const auto tie = [&](double noted_m, double measured_m) {
        if (noted_m > noted.back() + 0.5 && measured_m > measured.back()) {
            noted.push_back(noted_m);
            measured.push_back(measured_m);
        }
    };
    for (const MarkedNote& mark : marks) {
        tie(road.notes[mark.index].station_m, out.pace.stationAt(mark.time_s));
    }
    tie(road.length_m, out.pace.length_m());
    if (noted.size() < 2) {
        noted.push_back(1.0);
        measured.push_back(1.0);
    }
    const MonotoneCurve warp(std::move(noted), std::move(measured));
    for (const auto& note : road.notes) {
        const double station_m = warp.at(note.station_m);
        out.notes.push_back({note.id, station_m, out.pace.timeAt(station_m), 0.0, false, false});
    }
    for (const MarkedNote& mark : marks) {
        out.notes[mark.index].arrive_s = mark.time_s;
        out.notes[mark.index].station_m = out.pace.stationAt(mark.time_s);
    }
    tellSureness(out, marks, pass.finish_s ? std::optional(*pass.finish_s - pass.go_s) : std::nullopt);
    return out;
}

} // namespace

Placement place(const road::Road& road, const Pass& pass, const CarModel& car)
{
    std::vector<std::string> warnings;
    if (pass.trace.size() >= 2) {
        try {
            return placeOnTrace(road, pass, warnings);
        } catch (const std::invalid_argument&) {
            warnings.push_back(wording::localized(
                "places", "its trace never goes forward; the pace is taken from the marks"));
        }
    }
    Placement out;
    const auto marks = orderedMarks(road, pass, warnings);
    std::vector<Knot> knots;
    knots.push_back({0.0, 0.0});
    for (const MarkedNote& mark : marks) {
        knots.push_back({road.notes[mark.index].station_m, mark.time_s});
    }
    std::optional<double> finish_s;
    if (pass.finish_s) {
        finish_s = *pass.finish_s - pass.go_s;
        knots.push_back({road.finish_m > 0.0 ? road.finish_m : road.length_m, *finish_s});
    }
    out.pace = predictPace(road, car).warpedTo(knots);
    out.warnings = std::move(warnings);
    for (const auto& note : road.notes) {
        out.notes.push_back({note.id, note.station_m, out.pace.timeAt(note.station_m), 0.0, false, false});
    }
    for (const MarkedNote& mark : marks) {
        out.notes[mark.index].arrive_s = mark.time_s;
    }
    tellSureness(out, marks, finish_s);
    return out;
}

Placement placeByPrediction(const road::Road& road, const Rehearsal& rehearsal)
{
    Placement out;
    auto predicted = rehearsalPace(road, carModel(rehearsal), rehearsal.target_time_s);
    out.pace = std::move(predicted.pace);
    if (predicted.beyond_physics) {
        out.warnings.push_back(wording::localized("places",
            "no tyre holds the road in the target time; the rehearsal pace was stretched to it all the "
            "same"));
    }
    for (const auto& note : road.notes) {
        const double arrive_s = out.pace.timeAt(note.station_m);
        out.notes.push_back({note.id, note.station_m, arrive_s, 0.05 * arrive_s, false, false});
    }
    return out;
}

Placement asIfWet(const road::Road& road, const Placement& dry, Rehearsal rehearsal)
{
    constexpr double kStep_m = 10.0;
    rehearsal.target_time_s = 0.0;
    rehearsal.wet = false;
    const Pace modelled_dry = predictPace(road, carModel(rehearsal));
    rehearsal.wet = true;
    const Pace modelled_wet = predictPace(road, carModel(rehearsal));
    const double length_m = dry.pace.length_m();
    const double to_road = road.length_m / length_m; // a measured road and the notes' own differ in length
    std::vector<Knot> knots{{0.0, 0.0}};
    double time_s = 0.0;
    for (double at_m = 0.0; at_m < length_m; at_m += kStep_m) {
        const double next_m = std::min(at_m + kStep_m, length_m);
        const auto takes = [](const Pace& pace, double from, double to) {
            return pace.timeAt(to) - pace.timeAt(from);
        };
        const double slower = takes(modelled_wet, at_m * to_road, next_m * to_road)
            / std::max(takes(modelled_dry, at_m * to_road, next_m * to_road), 1e-6);
        time_s += takes(dry.pace, at_m, next_m) * std::max(slower, 1.0);
        knots.push_back({next_m, time_s});
    }
    Placement wet = dry;
    wet.pace = Pace(knots);
    for (PlacedNote& note : wet.notes) {
        note.arrive_s = wet.pace.timeAt(note.station_m);
    }
    return wet;
}

} // namespace brumefall::pace
