#include "notes/filler.h"

#include "notes/heads.h"
#include "notes/lexicon_words.h"

#include <algorithm>

namespace brumefall::notes {
namespace {

class Filler {
public:
    explicit Filler(AtomLine& line)
        : line_(line)
    {
    }

    void fill(Note& note, std::size_t first, std::size_t last)
    {
        Feature feature;
        Shape* shape = nullptr;
        bool shape_fresh = false;
        const auto finishFeature = [&](bool into_shape) {
            if (!feature.what.empty()) {
                (into_shape && shape != nullptr ? shape->features : note.features).push_back(feature);
            }
            feature = {};
        };
        for (std::size_t i = first; i < last; ++i) {
            const Atom& atom = line_.atoms[i];
            if (atom.role == Role::chatter || atom.role == Role::unknown) {
                if (atom.role == Role::unknown) {
                    note.free_words.push_back(atom.value);
                }
                continue;
            }
            if (line_.used[i]
                && !isOneOf({Role::chicane, Role::finish, Role::stop, Role::start}, atom.role)) {
                continue;
            }
            line_.used[i] = true;
            switch (atom.role) {
            case Role::extent:
                if (!feature.relation.empty() && line_.roleAt(i - 1) == Role::relation
                    && line_.roleAt(i + 1) == Role::thing) {
                    feature.size = atom.value; // "over long crest"
                } else if (shape == nullptr || note.extent.empty()) { // "five extra long opens to a long six"
                    note.extent = atom.value;
                }
                break;
            case Role::modifier:
                (shape != nullptr && shape->to ? shape->modifier : note.modifier) = atom.value;
                break;
            case Role::shape:
                if (atom.value == "double_tightens") { // once, and once more to the grade that is named
                    note.shapes.push_back({"tightens", {}, {}, false, {}});
                }
                note.shapes.push_back(
                    {atom.value == "double_tightens" ? "tightens" : atom.value, {}, {}, false, {}});
                shape = &note.shapes.back();
                shape_fresh = true;
                if (i > first && line_.roleAt(i - 1) == Role::late) {
                    shape->late = true;
                }
                continue;
            case Role::late:
                if (shape != nullptr) {
                    shape->late = true;
                } else if (line_.roleAt(i + 1) != Role::shape) {
                    note.lines.emplace_back("late_apex");
                }
                break;
            case Role::to:
                if (note.kind == NoteKind::corner && leadsToThing(i, last)) {
                    feature.relation = "until"; // "right two to crest"
                }
                break;
            case Role::number: takeNumber(note, shape, feature, i); break;
            case Role::named_grade: takeNamedGrade(note, shape, i); break;
            case Role::line:
                takeLine(note, atom.value);
                if (feature.relation.empty() && atom.value == "straight_over") {
                    feature.relation = "over";
                } else if (feature.relation.empty() && atom.value.ends_with("through")) {
                    feature.relation = "through";
                }
                break;
            case Role::relation:
                feature.relation = atom.value == "into_thing" ? "into" : atom.value;
                if (!note.features.empty() && isOneOf({Role::unknown}, nextContent(i, last))
                    && note.features.back().relation.empty()) {
                    note.features.back().relation =
                        feature.relation; // "logs outside": the relation stands after
                    feature.relation.clear();
                } else if (atom.pause_after && (note.surface.empty() || shape_fresh)
                    && (feature.relation == "on_exit" || feature.relation == "on_entry")) {
                    (shape_fresh ? shape->features : note.features)
                        .push_back({feature.relation, {}, feature.size, false, 0}); // "tidy exit, ditch"
                    shape_fresh = false;
                    feature = {};
                }
                break;
            case Role::size:
                if (atom.value == "sharp" && (atom.pause_after || nextContent(i, last) == Role::unknown)) {
                    takeLine(note, "tight"); // "right two sharp, sign outside"
                } else if (atom.value == "double" && leadsToCorner(i, last)) {
                    note.features.push_back({{}, "double_apex", {}, false, 0}); // "double left three"
                } else if (atom.value == "bad" && note.features.empty()
                    && line_.roleAt(i + 1) != Role::relation && nextContent(i, last) == Role::unknown) {
                    takeWarning(note, atom.value); // "bad right three"
                } else {
                    feature.size = atom.value;
                }
                break;
            case Role::qualifier: break;
            case Role::thing:
            case Role::junction: {
                if (spanIsTurn(note, i)) {
                    feature.relation.clear(); // the "at" of "at junction"
                    break;
                }
                feature.what = atom.value;
                std::vector<Feature> again;
                takeAfterThing(feature, i, last, again);
                if (feature.what == "straight" && note.kind == NoteKind::feature) {
                    note.kind = NoteKind::straight;
                }
                finishFeature(shape_fresh && !feature.relation.empty());
                note.features.insert(note.features.end(), again.begin(), again.end());
                break;
            }
            case Role::maybe:
                if (!note.features.empty() && !doubtsNext(i, last)) {
                    note.features.back().maybe = true;
                } else {
                    feature.maybe = true;
                }
                break;
            case Role::visibility: note.visibility = atom.value; break;
            case Role::surface: takeSurface(note, i); break;
            case Role::camber: note.camber = atom.value; break;
            case Role::width: note.width = atom.value; break;
            case Role::gradient: note.gradient = atom.value; break;
            case Role::warning: takeWarning(note, atom.value); break;
            case Role::sudden: note.warnings.push_back("sudden"); break;
            case Role::speed:
                if (shape != nullptr && !shape->to && isTarget(note, i)) {
                    shape->to = Grade{0, std::string(otherGradeOf(atom.value))};
                } else {
                    note.speed.push_back(atom.value);
                }
                break;
            case Role::entry:
                if (atom.value.ends_with("left") || atom.value.ends_with("right")) {
                    note.direction = atom.value.ends_with("left") ? Direction::left : Direction::right;
                }
                break;
            case Role::here: note.here = true; break;
            case Role::underline: note.underlined = true; break;
            case Role::direction:
                if (!note.features.empty() && note.features.back().relation.empty()) {
                    note.features.back().relation = atom.value; // "logs left"
                } else if (!note.direction) {
                    note.direction = atom.value == "left" ? Direction::left : Direction::right;
                }
                break;
            default: break;
            }
        }
        if (!feature.relation.empty() && !note.features.empty() && note.features.back().relation.empty()) {
            note.features.back().relation = feature.relation;
        } else if (!feature.relation.empty() && feature.relation != "off" && !note.surface.empty()
            && note.features.empty()) {
            note.features.push_back(
                {feature.relation, note.surface, feature.size, false, 0}); // "mud on exit"
        } else if (feature.relation == "on_exit" || feature.relation == "on_entry") {
            note.features.push_back({feature.relation, {}, feature.size, false, 0});
        } else if (!feature.size.empty() && (feature.relation == "left" || feature.relation == "right")) {
            note.features.push_back({feature.relation, {}, feature.size, false, 0}); // "deep right side"
            feature.size.clear();
        } else if (feature.relation == "left" || feature.relation == "right") {
            takeLine(note, "keep_" + feature.relation); // "on the left"
        } else if (note.kind == NoteKind::corner && line_.roleAt(last - 1) == Role::relation
            && (feature.relation == "in" || feature.relation == "out_of")) {
            takeLine(note, feature.relation == "in" ? "keep_in" : "keep_out"); // "left four out"
        }
        if (!feature.size.empty() && !note.features.empty() && note.features.back().size.empty()
            && !note.features.back().what.empty()) {
            note.features.back().size = feature.size; // "into ford, deep"
        }
        if (feature.maybe && note.features.empty() && !note.surface.empty()) {
            note.features.push_back({{}, note.surface, {}, true, 0}); // "ice possible"
        }
    }

private:
    /// The role of the next atom that says something, or unknown at the end of the note.
    [[nodiscard]] Role nextContent(std::size_t i, std::size_t last) const
    {
        for (std::size_t j = i + 1; j < last; ++j) {
            if (line_.roleAt(j) == Role::thing || line_.roleAt(j) == Role::size
                || line_.roleAt(j) == Role::junction || line_.roleAt(j) == Role::number) {
                return Role::thing;
            }
            if (line_.roleAt(j) != Role::glue && line_.roleAt(j) != Role::qualifier) {
                return Role::unknown;
            }
        }
        return Role::unknown;
    }

    /// "medium right tightens to slow": a crew's grade after its shape, where its grades are words.
    [[nodiscard]] bool isTarget(const Note& note, std::size_t i) const
    {
        const std::size_t before = i > 0 && line_.roleAt(i - 1) == Role::to ? i - 1 : i;
        return note.grade && !note.grade->isNumber() && !namesCorner(note.grade->name) && before > 0
            && line_.roleAt(before - 1) == Role::shape && !line_.atoms[before - 1].pause_after
            && !otherGradeOf(line_.atoms[i].value).empty();
    }

    /// "double left three", "double three left"
    [[nodiscard]] bool leadsToCorner(std::size_t i, std::size_t last) const
    {
        const bool number_first =
            i + 2 < last && isOneOf({Role::number, Role::named_grade}, line_.roleAt(i + 1));
        return i + 1 < last && line_.roleAt(number_first ? i + 2 : i + 1) == Role::direction;
    }

    /// "to crest", "to small bridge"; a number after it is a grade.
    [[nodiscard]] bool leadsToThing(std::size_t i, std::size_t last) const
    {
        return i + 1 < last && isOneOf({Role::thing, Role::size}, line_.roleAt(i + 1));
    }

    /// "over crest maybe jump": the doubt at `i` is about what comes right after it.
    [[nodiscard]] bool doubtsNext(std::size_t i, std::size_t last) const
    {
        return i + 1 < last && !line_.atoms[i].pause_after
            && isOneOf({Role::thing, Role::size}, line_.roleAt(i + 1));
    }

    [[nodiscard]] bool spanIsTurn(const Note& note, std::size_t i) const
    {
        if (line_.roleAt(i) != Role::junction || note.kind != NoteKind::junction) {
            return false;
        }
        if (line_.atoms[i].value == "turn") {
            return true;
        }
        return i == 0 || line_.roleAt(i - 1) != Role::relation || line_.atoms[i - 1].value == "at";
    }

    static void takeLine(Note& note, const std::string& value)
    {
        if (std::find(note.lines.begin(), note.lines.end(), value) == note.lines.end()) {
            note.lines.push_back(value);
        }
    }

    void takeNumber(Note& note, Shape*& shape, Feature& feature, std::size_t i)
    {
        const int number = line_.atoms[i].number;
        if (i > 0 && line_.roleAt(i - 1) == Role::for_) {
            note.for_m = number;
        } else if (shape != nullptr && !shape->to && number < 10) {
            shape->to = Grade{number, {}};
        } else if (i > 0 && line_.roleAt(i - 1) == Role::to && number < 10) {
            note.shapes.push_back({"becomes", Grade{number, {}}, {}, false, {}});
            shape = &note.shapes.back(); // the list may have moved
        } else if (isOneOf({Role::thing, Role::size, Role::junction}, line_.roleAt(i + 1))) {
            feature.count = number;
        } else {
            line_.used[i] = false;
            note.free_words.push_back(line_.spokenOf(i, i + 1));
        }
    }

    void takeNamedGrade(Note& note, Shape* shape, std::size_t i)
    {
        const Grade grade{0, line_.atoms[i].value};
        if (shape != nullptr && !shape->to) {
            shape->to = grade;
        } else if (!note.grade && note.kind == NoteKind::corner) {
            note.grade = grade;
        } else if (grade.name.ends_with("tight") && note.grade && note.grade->name == "hairpin") {
            note.grade->name = grade.name + "_hairpin"; // "hairpin left, very tight"
        } else if (grade.name.ends_with("tight")) {
            takeLine(note, "tight");
        } else {
            note.speed.push_back(grade.name);
        }
    }

    /// "caution, caution" is a doubled warning.
    static void takeWarning(Note& note, const std::string& warning)
    {
        if (!note.warnings.empty() && note.warnings.back() == warning && !warning.starts_with("double")) {
            note.warnings.back() = "double_" + warning;
        } else {
            note.warnings.push_back(warning);
        }
    }

    /// What the road is made of comes before the state that it is in; a change ends in the last one named.
    void takeSurface(Note& note, std::size_t i)
    {
        static const std::vector<std::string> kMaterials{"gravel", "tarmac", "concrete", "cobbles", "mud",
            "ice", "snow", "grass", "sand", "dirt", "ash", "black_sand", "wood"};
        const auto isMaterial = [&](const std::string& surface) {
            return std::find(kMaterials.begin(), kMaterials.end(), surface) != kMaterials.end();
        };
        const std::string& surface = line_.atoms[i].value;
        if (isMaterial(surface) && line_.roleAt(i + 1) == Role::thing && !line_.atoms[i].pause_after
            && line_.atoms[i].last - line_.atoms[i].first == 1) {
            return; // "concrete bridge", "grass bank"
        }
        if (note.surface.empty() || note.surface == surface
            || isMaterial(surface) == isMaterial(note.surface)) {
            if (!note.surface.empty() && note.surface != surface && !isMaterial(surface)) {
                note.features.push_back({{}, surface, {}, false, 0});
                return;
            }
            note.surface = surface;
            return;
        }
        const std::string state = isMaterial(surface) ? note.surface : surface;
        note.surface = isMaterial(surface) ? surface : note.surface;
        note.features.push_back({{}, state, {}, false, 0});
    }

    /// "gate on exit", "jump maybe", "logs outside": what is said after the thing. A second relation, as in
    /// "logs outside on exit", comes back in `again`.
    void takeAfterThing(Feature& feature, std::size_t& i, std::size_t last, std::vector<Feature>& again)
    {
        if (i + 1 < last && line_.roleAt(i + 1) == Role::maybe && !line_.atoms[i].pause_after
            && !doubtsNext(i + 1, last)) {
            feature.maybe = true;
            line_.used[++i] = true;
        }
        static const std::vector<std::string> kAfter{"outside", "inside", "on_exit", "on_entry", "left",
            "right", "both_sides", "mid_corner", "on_line", "on_road"};
        while (i + 1 < last && line_.roleAt(i + 1) == Role::relation && !line_.used[i + 1]
            && std::find(kAfter.begin(), kAfter.end(), line_.atoms[i + 1].value) != kAfter.end()
            && (feature.relation.empty() || nextContent(i + 1, last) == Role::unknown)) {
            if (feature.relation.empty()) {
                feature.relation = line_.atoms[i + 1].value;
            } else {
                again.push_back({line_.atoms[i + 1].value, feature.what, {}, feature.maybe, 0});
            }
            line_.used[++i] = true;
        }
    }

    AtomLine& line_;
};

} // namespace

NoteKind headlessKind(const AtomLine& line, std::size_t first, std::size_t last)
{
    NoteKind kind = NoteKind::instruction;
    for (std::size_t i = first; i < last; ++i) {
        if (line.roleAt(i) == Role::junction) {
            return NoteKind::junction;
        }
        if (isOneOf({Role::thing, Role::surface, Role::camber, Role::width, Role::gradient, Role::line,
                        Role::relation},
                line.roleAt(i))) {
            kind = NoteKind::feature;
        }
    }
    return kind;
}

void fillNote(AtomLine& line, Note& note, std::size_t first, std::size_t last)
{
    Filler(line).fill(note, first, last);
}

} // namespace brumefall::notes
