#include "road/layout.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>

namespace brumefall::road {
namespace {

constexpr double kIntoGap_m = 6.0;
constexpr double kAndGap_m = 15.0;
constexpr double kUnsaidGap_m = 25.0;
constexpr double kDefaultLeadIn_m = 60.0;

double extentFactor(const std::string& extent)
{
    static const std::map<std::string, double, std::less<>> kFactors{{"very_short", 0.45},
        {"extra_short", 0.35}, {"short", 0.65}, {"half_long", 1.35}, {"long", 1.75}, {"very_long", 2.4},
        {"extra_long", 3.0}, {"extra_extra_long", 3.8}, {"continues", 2.0}};
    const auto it = kFactors.find(extent);
    return it == kFactors.end() ? 1.0 : it->second;
}

double lengthOf(double radius_m, double angle_deg)
{
    return radius_m * angle_deg * std::numbers::pi / 180.0;
}

struct Stretch {
    double length_m;
    double variance_m2;
};

struct Bent {
    std::vector<Piece> pieces;
    double radius_m;
};

/// A corner split by its shapes: each shape is a further part with the radius of its target.
Bent bend(const notes::Note& note, const Grades& grades)
{
    Bent out{{}, 0.0};
    if (!note.direction && !note.grade) {
        return out;
    }
    const double sign = note.direction == notes::Direction::right ? -1.0 : 1.0;
    const auto grade = note.grade.value_or(
        note.kind == notes::NoteKind::junction ? notes::Grade{0, "square"} : notes::Grade{0, "medium"});
    const CornerSize size = sizeOf(grade, note.modifier, grades);
    double angle_deg = size.angle_deg * extentFactor(note.extent);
    angle_deg = std::min(angle_deg, grade.name.find("hairpin") != std::string::npos ? 190.0 : 240.0);
    double radius_m = size.radius_m;
    const double parts = 1.0 + static_cast<double>(note.shapes.size());
    out.radius_m = radius_m;
    out.pieces.push_back({lengthOf(radius_m, angle_deg / parts), sign * angle_deg / parts});
    for (const notes::Shape& shape : note.shapes) {
        if (shape.to) {
            radius_m = sizeOf(*shape.to, shape.modifier, grades).radius_m;
        } else {
            radius_m *= shape.kind == "opens" ? 1.5 : 0.7;
        }
        out.radius_m = std::min(out.radius_m, radius_m);
        out.pieces.push_back({lengthOf(radius_m, angle_deg / parts), sign * angle_deg / parts});
    }
    if (note.kind == notes::NoteKind::chicane) {
        out.pieces = {{12.0, sign * 35.0}, {16.0, sign * -60.0}, {12.0, sign * 25.0}};
        out.radius_m = 15.0;
    }
    return out;
}

/// What slows a car beside the bend itself, as a share of its speed.
double slowedBy(const notes::Note& note)
{
    static const std::map<std::string, double, std::less<>> kThings{{"jump", 0.75}, {"crest", 0.95},
        {"water", 0.6}, {"water_splash", 0.55}, {"ford", 0.5}, {"bump", 0.92}, {"ruts", 0.9}, {"hole", 0.9},
        {"ditch", 0.97}, {"grid", 0.9}, {"railway", 0.85}, {"level_crossing", 0.85}, {"speed_bump", 0.5}};
    if (note.kind == notes::NoteKind::stop) {
        return 0.05;
    }
    double share = 1.0;
    const auto take = [&](const notes::Feature& feature) {
        const bool driven = feature.relation.empty() || feature.relation == "over"
            || feature.relation == "through" || feature.relation == "into";
        if (const auto it = kThings.find(feature.what); it != kThings.end() && driven) {
            share = std::min(share, feature.maybe ? 0.5 * (1.0 + it->second) : it->second);
        }
    };
    std::for_each(note.features.begin(), note.features.end(), take);
    for (const auto& shape : note.shapes) {
        std::for_each(shape.features.begin(), shape.features.end(), take);
    }
    share *= note.width.starts_with("narrow") || note.width == "very_narrow" ? 0.9 : 1.0;
    share *= note.camber == "off_camber" || note.camber == "bad_camber" ? 0.93 : 1.0;
    share *= note.visibility == "unseen" ? 0.95 : 1.0;
    for (const std::string& speed : note.speed) {
        share *= speed == "slow" || speed == "slowing" ? 0.85 : 1.0;
    }
    return share;
}

Stretch gapAfter(const notes::Note& note, bool last_of_call)
{
    switch (note.link.kind) {
    case notes::LinkKind::distance: return {note.link.metres, std::pow(4.0 + 0.12 * note.link.metres, 2)};
    case notes::LinkKind::into: return {kIntoGap_m, 9.0};
    case notes::LinkKind::and_: return {kAndGap_m, 36.0};
    case notes::LinkKind::none: break;
    }
    const double gap_m = last_of_call ? 2.0 * kUnsaidGap_m : kUnsaidGap_m;
    return {gap_m, gap_m * gap_m * 0.4};
}

/// Corrects the stretches so that they sum to `wished_m`; none becomes shorter than a fifth of itself.
void fitTo(std::vector<Stretch>& stretches, double wished_m)
{
    for (int round = 0; round < 8; ++round) {
        double sum_m = 0.0;
        double variance = 0.0;
        for (const Stretch& s : stretches) {
            sum_m += s.length_m;
            variance += s.variance_m2;
        }
        const double error_m = wished_m - sum_m;
        if (std::abs(error_m) < 1e-9 || variance <= 0.0) {
            return;
        }
        for (Stretch& s : stretches) {
            const double wanted = s.length_m + error_m * s.variance_m2 / variance;
            const double least = 0.2 * s.length_m;
            if (wanted < least) {
                s.variance_m2 = 0.0;
            }
            s.length_m = std::max(wanted, least);
        }
    }
}

} // namespace

namespace {

} // namespace

double tightness(const notes::Note& note, notes::Scale scale)
{
    if (!note.grade) {
        return 0.5;
    }
    double radius_m = sizeOf(*note.grade, note.modifier, scale).radius_m;
    for (const auto& shape : note.shapes) {
        if (shape.to) {
            radius_m = std::min(radius_m, sizeOf(*shape.to, shape.modifier, scale).radius_m);
        }
    }
    return std::clamp((std::log(200.0) - std::log(radius_m)) / (std::log(200.0) - std::log(9.0)), 0.0, 1.0);
}

Road layOut(
    std::span<const notes::Call> calls, const Grades& grades, double lead_in_m, double official_length_m)
{
    Road road;
    std::vector<Stretch> stretches; // lead-in, then corner and gap of each note
    const double lead_in = lead_in_m > 0.0 ? lead_in_m : kDefaultLeadIn_m;
    stretches.push_back({lead_in, lead_in_m > 0.0 ? 25.0 : lead_in * lead_in});
    std::map<std::string, std::size_t> index_of;
    std::vector<bool> echo;
    for (const auto& call : calls) {
        for (std::size_t k = 0; k < call.notes.size(); ++k) {
            const notes::Note& note = call.notes[k];
            auto bent = bend(note, grades);
            double length_m = 0.0;
            for (const Piece& piece : bent.pieces) {
                length_m += piece.length_m;
            }
            const bool is_echo = !note.echo_of.empty();
            const bool is_start = note.kind == notes::NoteKind::start;
            const bool beside_the_road = note.kind == notes::NoteKind::instruction;
            if (is_echo || is_start) {
                length_m = 0.0;
                bent.pieces.clear();
            }
            Stretch gap = gapAfter(note, k + 1 == call.notes.size());
            if (note.link.kind == notes::LinkKind::none && (is_echo || is_start || beside_the_road)) {
                gap = {0.0, 0.0};
            }
            stretches.push_back({length_m, std::pow(0.25 * length_m, 2)});
            stretches.push_back(gap);
            index_of[note.id] = road.notes.size();
            echo.push_back(is_echo);
            road.notes.push_back({note.id, 0.0, length_m, is_echo || is_start ? 0.0 : bent.radius_m,
                is_echo ? 1.0 : slowedBy(note), 0.0, std::move(bent.pieces)});
        }
    }
    if (road.notes.empty()) {
        road.length_m = std::max(official_length_m, 0.0);
        return road;
    }
    if (official_length_m > 0.0) {
        fitTo(stretches, official_length_m);
    }
    double station_m = stretches[0].length_m;
    double variance = stretches[0].variance_m2;
    for (std::size_t k = 0; k < road.notes.size(); ++k) {
        RoadNote& note = road.notes[k];
        const double scale_length = note.length_m > 0.0 ? stretches[2 * k + 1].length_m / note.length_m : 1.0;
        for (Piece& piece : note.pieces) {
            piece.length_m *= scale_length;
        }
        note.length_m = stretches[2 * k + 1].length_m;
        note.station_m = station_m;
        note.uncertainty_m = std::sqrt(variance);
        station_m += stretches[2 * k + 1].length_m + stretches[2 * k + 2].length_m;
        variance += stretches[2 * k + 1].variance_m2 + stretches[2 * k + 2].variance_m2;
    }
    road.length_m = station_m;
    std::size_t k = 0;
    for (const auto& call : calls) {
        for (const auto& note : call.notes) {
            if (echo[k]) {
                if (const auto it = index_of.find(note.echo_of); it != index_of.end()) {
                    road.notes[k].station_m = road.notes[it->second].station_m;
                }
            }
            if (note.kind == notes::NoteKind::finish && road.finish_m == 0.0) {
                road.finish_m = road.notes[k].station_m;
            }
            ++k;
        }
    }
    return road;
}

std::vector<Point> planView(const Road& road, double step_m)
{
    std::vector<Point> points;
    double heading = std::numbers::pi / 2.0;
    double x = 0.0;
    double y = 0.0;
    double station = 0.0;
    const auto advance = [&](double length_m, double turn_rad) {
        const auto steps = std::max(1, static_cast<int>(std::ceil(length_m / step_m)));
        const double ds = length_m / steps;
        for (int i = 0; i < steps; ++i) {
            points.push_back({x, y});
            heading += turn_rad / steps;
            x += ds * std::cos(heading);
            y += ds * std::sin(heading);
        }
        station += length_m;
    };
    for (const RoadNote& note : road.notes) {
        if (note.station_m > station) {
            advance(note.station_m - station, 0.0);
        }
        for (const Piece& piece : note.pieces) {
            advance(piece.length_m, piece.turn_deg * std::numbers::pi / 180.0);
        }
    }
    if (road.length_m > station) {
        advance(road.length_m - station, 0.0);
    }
    points.push_back({x, y});
    return points;
}

} // namespace brumefall::road
