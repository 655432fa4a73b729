#include "pace/match.h"

#include "maths/quantile.h"
#include "pace/bends.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <numbers>
#include <stdexcept>

namespace brumefall::pace {
namespace {

constexpr double kStep_m = 2.0;
constexpr double kReach_m = 220.0; // how far from where the notes have it a corner is looked for
constexpr double kCurvatureNoise_per_m = 0.006;
constexpr double kNever = std::numeric_limits<double>::infinity();

struct Corner {
    std::size_t note; ///< in the road
    double entry_m; ///< as the notes have it, scaled to the log
    double length_m;
    double turn_rad; ///< positive to the left
    double gap_m; ///< from the end of this corner to the next entry
    bool known = false;
};

/// Curvature of the track over its own distance from go, and its sums.
class Curvature {
public:
    Curvature(const Log& log, double go_log_s, const Pace& pace)
    {
        std::vector<const LogPoint*> points;
        const double noise_m = 1.5;
        for (const LogPoint& point : log.points) {
            const double time_s = point.time_s - go_log_s;
            if (time_s < -0.5 || (!points.empty() && distance(*points.back(), point) < noise_m)) {
                continue;
            }
            points.push_back(&point);
        }
        collectChords(points, go_log_s, pace);
        length_m_ = pace.length_m();
        const auto count = static_cast<std::size_t>(length_m_ / kStep_m) + 2;
        std::vector<double> kappa(count, 0.0);
        std::vector<double> cells(count, 0.0);
        // the turn at each point, spread over the two half ways beside it
        for (std::size_t i = 1; i + 1 < points.size(); ++i) {
            const double before_rad = std::atan2(
                points[i]->north_m - points[i - 1]->north_m, points[i]->east_m - points[i - 1]->east_m);
            const double after_rad = std::atan2(
                points[i + 1]->north_m - points[i]->north_m, points[i + 1]->east_m - points[i]->east_m);
            const double turn = std::remainder(after_rad - before_rad, 2.0 * std::numbers::pi);
            if (std::abs(turn) > 2.6) {
                continue; // no road turns on the spot
            }
            const double s0 = pace.stationAt(0.5 * (points[i - 1]->time_s + points[i]->time_s) - go_log_s);
            const double s1 = pace.stationAt(0.5 * (points[i]->time_s + points[i + 1]->time_s) - go_log_s);
            if (s1 - s0 < 0.5) {
                continue;
            }
            for (double s = s0; s < s1; s += 0.5 * kStep_m) {
                const auto cell =
                    static_cast<std::size_t>(std::clamp(s / kStep_m, 0.0, static_cast<double>(count - 1)));
                kappa[cell] += turn / (s1 - s0);
                cells[cell] += 1.0;
            }
        }
        sum_.assign(count + 1, 0.0);
        squares_.assign(count + 1, 0.0);
        for (std::size_t i = 0; i < count; ++i) {
            const double k = cells[i] > 0.0 ? kappa[i] / cells[i] : 0.0;
            sum_[i + 1] = sum_[i] + k * kStep_m;
            squares_[i + 1] = squares_[i] + k * k * kStep_m;
        }
    }

    [[nodiscard]] const std::vector<Chord>& chords() const { return chords_; }
    [[nodiscard]] std::size_t cells() const { return sum_.size() - 1; }
    [[nodiscard]] double turned(std::size_t a, std::size_t b) const { return sum_[b] - sum_[a]; }
    [[nodiscard]] double energy(std::size_t a, std::size_t b) const { return squares_[b] - squares_[a]; }

private:
    static double distance(const LogPoint& a, const LogPoint& b)
    {
        return std::hypot(a.east_m - b.east_m, a.north_m - b.north_m);
    }

    void collectChords(const std::vector<const LogPoint*>& points, double go_log_s, const Pace& pace)
    {
        constexpr double kFixNoise_m = 1.2; // of a usual logger, from fix to fix
        double heading = 0.0;
        for (std::size_t i = 0; i + 1 < points.size(); ++i) {
            const double s0 = pace.stationAt(points[i]->time_s - go_log_s);
            const double s1 = pace.stationAt(points[i + 1]->time_s - go_log_s);
            if (s1 - s0 < 0.5) {
                continue;
            }
            const double now = std::atan2(
                points[i + 1]->north_m - points[i]->north_m, points[i + 1]->east_m - points[i]->east_m);
            heading += chords_.empty() ? now : std::remainder(now - heading, 2.0 * std::numbers::pi);
            chords_.push_back({s0, s1, heading, std::numbers::sqrt2 * kFixNoise_m / (s1 - s0)});
        }
    }

    double length_m_ = 0.0;
    std::vector<Chord> chords_;
    std::vector<double> sum_;
    std::vector<double> squares_;
};

constexpr double kEnergyUnit = kCurvatureNoise_per_m * kCurvatureNoise_per_m * 8.0;

double square(double x)
{
    return x * x;
}

class Matcher {
public:
    Matcher(const Curvature& curvature, std::vector<Corner> corners)
        : curvature_(curvature)
        , corners_(std::move(corners))
    {
    }

    /// First and last cell of every corner.
    std::vector<std::pair<std::size_t, std::size_t>> match()
    {
        const std::size_t n = corners_.size();
        std::vector<Layer> layers(n);
        std::vector<double> to_entry; // best cost of everything before, for each entry cell of the window
        for (std::size_t c = 0; c < n; ++c) {
            Layer& layer = layers[c];
            layer.first = cellOf(corners_[c].entry_m - reach(c));
            layer.last = std::max(layer.first, cellOf(corners_[c].entry_m + reach(c)));
            enter(layers, c);
            leave(layer, corners_[c]);
        }
        return trace(layers);
    }

private:
    /// Entries of one corner in cells [first, last], and its ends, with the best costs and where they come
    /// from.
    struct Layer {
        std::size_t first = 0;
        std::size_t last = 0;
        std::vector<double> entry_cost;
        std::vector<std::size_t> entry_from; ///< end of the corner before
        std::size_t end_first = 0;
        std::vector<double> end_cost;
        std::vector<std::size_t> end_from; ///< entry of this corner
    };

    [[nodiscard]] double reach(std::size_t c) const { return corners_[c].known ? kStep_m : kReach_m; }

    [[nodiscard]] std::size_t cellOf(double station_m) const
    {
        return static_cast<std::size_t>(
            std::clamp(station_m / kStep_m, 0.0, static_cast<double>(curvature_.cells() - 1)));
    }

    void enter(std::vector<Layer>& layers, std::size_t c) const
    {
        Layer& layer = layers[c];
        const std::size_t count = layer.last - layer.first + 1;
        layer.entry_cost.assign(count, kNever);
        layer.entry_from.assign(count, 0);
        for (std::size_t i = 0; i < count; ++i) {
            const std::size_t s = layer.first + i;
            if (c == 0) {
                const double off_m = static_cast<double>(s) * kStep_m - corners_[0].entry_m;
                layer.entry_cost[i] = curvature_.energy(0, s) / kEnergyUnit + square(off_m / 40.0);
                continue;
            }
            const Layer& before = layers[c - 1];
            const double gap_m = corners_[c - 1].gap_m;
            const double sigma_m = 6.0 + 0.25 * gap_m;
            for (std::size_t j = 0; j < before.end_cost.size(); ++j) {
                const std::size_t e = before.end_first + j;
                if (e > s || before.end_cost[j] == kNever) {
                    continue;
                }
                const double way_m = static_cast<double>(s - e) * kStep_m;
                const double cost = before.end_cost[j] + curvature_.energy(e, s) / kEnergyUnit
                    + square((way_m - gap_m) / sigma_m);
                if (cost < layer.entry_cost[i]) {
                    layer.entry_cost[i] = cost;
                    layer.entry_from[i] = e;
                }
            }
        }
    }

    void leave(Layer& layer, const Corner& corner) const
    {
        const auto shortest =
            std::max<std::size_t>(2, static_cast<std::size_t>(0.4 * corner.length_m / kStep_m));
        const auto longest =
            std::max<std::size_t>(shortest + 3, static_cast<std::size_t>(2.4 * corner.length_m / kStep_m));
        layer.end_first = layer.first + shortest;
        const std::size_t end_last = std::min(layer.last + longest, curvature_.cells());
        if (end_last < layer.end_first) {
            layer.end_first = end_last;
        }
        layer.end_cost.assign(end_last - layer.end_first + 1, kNever);
        layer.end_from.assign(layer.end_cost.size(), layer.first);
        const double sigma_rad = std::max(0.15, 0.35 * std::abs(corner.turn_rad));
        for (std::size_t i = 0; i < layer.entry_cost.size(); ++i) {
            if (layer.entry_cost[i] == kNever) {
                continue;
            }
            const std::size_t s = layer.first + i;
            for (std::size_t e = s + shortest; e <= std::min(s + longest, end_last); ++e) {
                const double length_m = static_cast<double>(e - s) * kStep_m;
                const double turned = curvature_.turned(s, e);
                const double misfit = std::max(0.0, curvature_.energy(s, e) - turned * turned / length_m);
                const double cost = layer.entry_cost[i] + misfit / kEnergyUnit
                    + square((turned - corner.turn_rad) / sigma_rad)
                    + square(std::log(length_m / std::max(corner.length_m, 1.0)) / 0.45);
                double& best = layer.end_cost[e - layer.end_first];
                if (cost < best) {
                    best = cost;
                    layer.end_from[e - layer.end_first] = s;
                }
            }
        }
    }

    [[nodiscard]] std::vector<std::pair<std::size_t, std::size_t>> trace(
        const std::vector<Layer>& layers) const
    {
        std::vector<std::pair<std::size_t, std::size_t>> found(layers.size());
        const Layer& last = layers.back();
        double best = kNever;
        std::size_t e = last.end_first;
        for (std::size_t j = 0; j < last.end_cost.size(); ++j) {
            const double rest =
                curvature_.energy(std::min(last.end_first + j, curvature_.cells()), curvature_.cells());
            if (last.end_cost[j] + rest / kEnergyUnit < best) {
                best = last.end_cost[j] + rest / kEnergyUnit;
                e = last.end_first + j;
            }
        }
        if (best == kNever) {
            return {};
        }
        for (std::size_t c = layers.size(); c-- > 0;) {
            const Layer& layer = layers[c];
            const std::size_t s = layer.end_from[e - layer.end_first];
            found[c] = {s, e};
            e = layer.entry_from[s - layer.first];
        }
        return found;
    }

    const Curvature& curvature_;
    std::vector<Corner> corners_;
};

std::vector<Corner> cornersOf(
    const road::Road& road, const Pace& pace, const std::map<std::string, double>& anchor_s)
{
    std::vector<Corner> corners;
    std::vector<double> noted{0.0};
    std::vector<double> measured{0.0};
    const auto tie = [&](double noted_m, double measured_m) {
        if (noted_m > noted.back() + 1.0 && measured_m > measured.back() + 1.0) {
            noted.push_back(noted_m);
            measured.push_back(measured_m);
        }
    };
    for (const auto& note : road.notes) {
        if (const auto it = anchor_s.find(note.id); it != anchor_s.end()) {
            tie(note.station_m, pace.stationAt(it->second));
        }
    }
    tie(road.length_m, pace.length_m());
    if (noted.size() < 2) {
        noted.push_back(1.0);
        measured.push_back(1.0);
    }
    const MonotoneCurve warp(std::move(noted), std::move(measured));
    for (std::size_t k = 0; k < road.notes.size(); ++k) {
        const auto& note = road.notes[k];
        double turn_deg = 0.0;
        for (const auto& piece : note.pieces) {
            turn_deg += piece.turn_deg;
        }
        if (std::abs(turn_deg) < 5.0) {
            continue;
        }
        Corner corner{
            k, warp.at(note.station_m), note.length_m, turn_deg * std::numbers::pi / 180.0, 0.0, false};
        if (const auto it = anchor_s.find(note.id); it != anchor_s.end()) {
            corner.entry_m = pace.stationAt(it->second);
            corner.known = true;
        }
        if (!corners.empty()) {
            Corner& before = corners.back();
            const auto& last = road.notes[before.note];
            before.gap_m = std::max(0.0, note.station_m - last.station_m - last.length_m);
        }
        corners.push_back(corner);
    }
    return corners;
}

/// By how much the marks come after the bends that they belong to, and how far they scatter.
struct Shift {
    double by_s = 0.0;
    double scatter_s = kNever;
};

Shift shiftOf(const std::vector<MatchedNote>& matched, const std::map<std::string, double>& mark_s)
{
    std::vector<double> differences;
    for (const MatchedNote& note : matched) {
        if (const auto it = mark_s.find(note.note); note.by_bend && it != mark_s.end()) {
            differences.push_back(note.time_s - it->second);
        }
    }
    if (differences.empty()) {
        return {};
    }
    const double by_s = maths::median(differences);
    for (double& d : differences) {
        d = std::abs(d - by_s);
    }
    return {by_s, maths::median(differences)};
}

} // namespace

LogFit fitByMarks(const road::Road& road, const Log& log, const CleanLog& clean,
    const std::map<std::string, double>& mark_s)
{
    std::vector<KnownPlace> places;
    for (const auto& note : road.notes) {
        if (const auto it = mark_s.find(note.id); it != mark_s.end()) {
            places.push_back({note.station_m, it->second});
        }
    }
    LogFit best = fitByMarks(clean, places);
    double least_s = kNever;
    for (LogFit fit : {fitByGo(clean), best}) {
        fit.by = "marks";
        Shift shift;
        for (int round = 0; round < 2; ++round) {
            try {
                shift = shiftOf(matchNotes(road, log, clean, fit), mark_s);
            } catch (const std::invalid_argument&) {
                shift = {};
            }
            if (shift.scatter_s == kNever) {
                break;
            }
            fit.go_log_s += shift.by_s;
            fit.spread_s = shift.scatter_s;
        }
        if (shift.scatter_s < least_s) {
            least_s = shift.scatter_s;
            best = fit;
        }
    }
    return best;
}

std::vector<MatchedNote> matchNotes(const road::Road& road, const Log& log, const CleanLog& clean,
    const LogFit& fit, const std::map<std::string, double>& anchor_s)
{
    const Pace pace(traceOf(clean, fit));
    auto corners = cornersOf(road, pace, anchor_s);
    if (!log.has_positions || corners.empty()) {
        return {};
    }
    const Curvature curvature(log, fit.go_log_s, pace);
    const auto cells = Matcher(curvature, corners).match();
    if (cells.empty()) {
        return {};
    }
    std::vector<Bend> bends;
    for (std::size_t c = 0; c < corners.size(); ++c) {
        const Corner& corner = corners[c];
        bends.push_back({static_cast<double>(cells[c].first) * kStep_m,
            static_cast<double>(cells[c].second) * kStep_m, corner.turn_rad, corner.turn_rad, corner.length_m,
            c > 0 ? corners[c - 1].gap_m : 0.0, corner.known});
        if (corner.known) {
            bends.back().from_m = std::min(corner.entry_m, bends.back().to_m - 4.0);
        }
    }
    refineBends(curvature.chords(), bends);
    // notes without a bend of their own lie between their neighbours as the notes have it
    std::vector<double> noted{0.0};
    std::vector<double> found{0.0};
    for (std::size_t c = 0; c < corners.size(); ++c) {
        const double noted_m = road.notes[corners[c].note].station_m;
        const double found_m = bends[c].from_m;
        if (noted_m > noted.back() + 0.1 && found_m > found.back() + 0.1) {
            noted.push_back(noted_m);
            found.push_back(found_m);
        }
    }
    if (road.length_m > noted.back() + 1.0 && pace.length_m() > found.back() + 1.0) {
        noted.push_back(road.length_m);
        found.push_back(pace.length_m());
    }
    const MonotoneCurve warp(std::move(noted), std::move(found));
    std::vector<MatchedNote> matched;
    std::size_t next = 0;
    for (std::size_t k = 0; k < road.notes.size(); ++k) {
        const bool bend = next < corners.size() && corners[next].note == k;
        const double station_m = bend ? bends[next].from_m : warp.at(road.notes[k].station_m);
        next += bend ? 1 : 0;
        matched.push_back({road.notes[k].id, station_m, pace.timeAt(station_m), bend});
    }
    return matched;
}

std::map<std::string, double> markTimes(const Pass& pass, bool drafts)
{
    std::map<std::string, double> times;
    for (const Mark& mark : pass.marks) {
        if (mark.draft == drafts) {
            times[mark.note] = mark.media_s - pass.go_s;
        }
    }
    return times;
}

Mark proposal(const MatchedNote& note, const Pass& pass)
{
    constexpr double kBendSure_s = 0.25;
    return {note.note, std::round((note.time_s + pass.go_s) * 100.0) / 100.0, true, kBendSure_s};
}

void takeTrace(Pass& pass, const CleanLog& clean, const LogFit& fit, const std::string& name)
{
    pass.trace = traceOf(clean, fit);
    pass.log = name + ", laid by " + fit.by;
}

Sharpened sharpenDrafts(Pass& pass, const road::Road& road, const Log& log, const CleanLog& clean,
    const std::string& name, bool go_is_known)
{
    constexpr double kContradicts_s = 6.0;
    constexpr double kWanders_s = 3.0;
    const auto drafts = markTimes(pass, true);
    Sharpened out{0, fitByMarks(road, log, clean, drafts)};
    const double early_s = out.fit.go_log_s - fitByGo(clean).go_log_s; // as all of them are said
    const bool by_go = go_is_known && std::abs(early_s) < kContradicts_s;
    if (by_go) {
        out.fit = fitByGo(clean);
    }
    const auto matched = matchNotes(road, log, clean, out.fit, markTimes(pass));
    for (Mark& mark : pass.marks) {
        const auto it = std::find_if(
            matched.begin(), matched.end(), [&](const MatchedNote& note) { return note.note == mark.note; });
        if (!mark.draft || it == matched.end() || !it->by_bend
            || std::abs(it->time_s - drafts.at(mark.note) - (by_go ? early_s : 0.0)) > kWanders_s) {
            continue;
        }
        const double sure_s = mark.sure_s;
        mark = proposal(*it, pass);
        mark.sure_s = by_go ? mark.sure_s : sure_s;
        ++out.moved;
    }
    if (out.moved > 0 && pass.trace.size() < 2) {
        takeTrace(pass, clean, out.fit, name);
    }
    return out;
}

} // namespace brumefall::pace
