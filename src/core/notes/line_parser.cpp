#include "notes/line_parser.h"

#include "notes/spoken.h"

#include <algorithm>
#include <optional>

namespace brumefall::notes {
namespace {

/// Where a note has its centre among the atoms: "four left" or "junction" or "chicane left entry".
struct Head {
    std::size_t first;
    std::size_t last;
    NoteKind kind;
    std::optional<std::size_t> direction;
    std::optional<std::size_t> grade;
};

/// Atoms [first, last) become one note; `head` is null for a note without a corner.
struct Span {
    std::size_t first;
    std::size_t last;
    const Head* head;
};

bool contains(std::initializer_list<Role> roles, Role role)
{
    return std::find(roles.begin(), roles.end(), role) != roles.end();
}

bool standsAlone(const std::string& grade)
{
    return grade.find("hairpin") != std::string::npos || grade.find("square") != std::string::npos
        || grade == "acute" || grade == "kink" || grade == "bend";
}

class LineReader {
public:
    LineReader(std::string_view line, const Style& style, Order order)
        : line_(line)
        , style_(style)
        , order_(order)
        , tokens_(tokenise(line, style))
        , atoms_(findAtoms(tokens_, order))
        , used_(atoms_.size(), false)
    {
    }

    LineReading read()
    {
        findHeads();
        findDistances();
        cutAtBoundaries();
        count();
        return std::move(out_);
    }

private:
    [[nodiscard]] Role roleAt(std::size_t i) const
    {
        return i < atoms_.size() ? atoms_[i].role : Role::unknown;
    }

    // --- heads ---------------------------------------------------------------------------------

    void findHeads()
    {
        for (std::size_t i = 0; i < atoms_.size(); ++i) {
            switch (atoms_[i].role) {
            case Role::direction: addDirectionHead(i); break;
            case Role::chicane: addChicane(i); break;
            case Role::finish: heads_.push_back({i, i + 1, NoteKind::finish, {}, {}}); break;
            case Role::stop: heads_.push_back({i, i + 1, NoteKind::stop, {}, {}}); break;
            case Role::start:
                if (atoms_.size() <= 3) {
                    heads_.push_back({i, i + 1, NoteKind::start, {}, {}});
                }
                break;
            default: break;
            }
        }
        for (std::size_t i = 0; i < atoms_.size(); ++i) {
            if (atoms_[i].role == Role::named_grade && !used_[i] && standsAlone(atoms_[i].value)
                && (i == 0 || roleAt(i - 1) != Role::to) && (i == 0 || roleAt(i - 1) != Role::shape)) {
                used_[i] = true;
                heads_.push_back({i, i + 1, NoteKind::corner, {}, i});
            }
        }
        std::sort(
            heads_.begin(), heads_.end(), [](const Head& a, const Head& b) { return a.first < b.first; });
    }

    [[nodiscard]] bool isGrade(std::size_t i) const
    {
        return i < atoms_.size() && !used_[i]
            && ((atoms_[i].role == Role::number && atoms_[i].number >= 1 && atoms_[i].number <= 9)
                || atoms_[i].role == Role::named_grade);
    }

    [[nodiscard]] std::optional<std::size_t> gradeAfter(std::size_t i) const
    {
        if (atoms_[i].pause_after) {
            return {};
        }
        for (std::size_t j = i + 1; j < atoms_.size() && j <= i + 3; ++j) {
            if (isGrade(j)) {
                // "left over 2 crests": a count is not a grade
                return roleAt(j) == Role::number && roleAt(j + 1) == Role::thing
                        && order_ == Order::number_first
                    ? std::nullopt
                    : std::optional(j);
            }
            if (!contains(
                    {Role::extent, Role::sudden, Role::visibility, Role::modifier, Role::size, Role::glue},
                    atoms_[j].role)
                || atoms_[j].pause_after) {
                return {};
            }
        }
        return {};
    }

    [[nodiscard]] std::optional<std::size_t> gradeBefore(std::size_t i) const
    {
        for (std::size_t j = i; j-- > 0 && j + 4 > i;) {
            if (atoms_[j].pause_after) {
                return {};
            }
            if (isGrade(j)) {
                const bool is_target = j > 0 && contains({Role::to}, roleAt(j - 1));
                return is_target ? std::nullopt : std::optional(j);
            }
            if (!contains({Role::extent, Role::modifier, Role::sudden, Role::visibility}, atoms_[j].role)) {
                return {};
            }
        }
        return {};
    }

    void addDirectionHead(std::size_t i)
    {
        if (used_[i]) {
            return;
        }
        const auto after = gradeAfter(i);
        const auto before = gradeBefore(i);
        const bool forward_first = order_ == Order::direction_first;
        const auto wished = forward_first ? after : before;
        const auto other = forward_first ? before : after;
        auto grade = wished ? wished : other;
        // a named grade right beside the direction wins over a number further on
        if (before && !forward_first && after && *after == i + 1 && roleAt(*after) == Role::named_grade
            && *before + 1 != i) {
            grade = after;
        }
        if (grade) {
            ++out_.corners;
            out_.against_order += !wished && roleAt(*grade) == Role::number ? 1 : 0;
            used_[*grade] = true;
            used_[i] = true;
            const auto kind = junctionNear(i) ? NoteKind::junction : NoteKind::corner;
            heads_.push_back({std::min(i, *grade), std::max(i, *grade) + 1, kind, i, grade});
            return;
        }
        if (i > 0 && contains({Role::thing, Role::relation}, roleAt(i - 1)) && !atoms_[i - 1].pause_after) {
            return; // "logs left": the side of a thing
        }
        if (i > 0 && roleAt(i - 1) == Role::chicane) {
            return;
        }
        used_[i] = true;
        const bool junction = junctionNear(i);
        if (!junction) {
            ++out_.corners;
            ++out_.against_order;
            out_.remarks.push_back("no grade for this corner");
        }
        const bool before_word = i > 0 && roleAt(i - 1) == Role::junction;
        heads_.push_back(
            {before_word ? i - 1 : i, i + 1, junction ? NoteKind::junction : NoteKind::corner, i, {}});
    }

    /// "turn left at junction", "fork right": a junction word belonging to this direction, not one driven
    /// past.
    [[nodiscard]] bool junctionNear(std::size_t i) const
    {
        const auto isJunction = [&](std::size_t j) {
            if (roleAt(j) != Role::junction) {
                return false;
            }
            for (std::size_t k = j; k-- > 0 && k + 3 > j;) {
                if (roleAt(k) == Role::relation) {
                    return atoms_[k].value == "at";
                }
            }
            return true;
        };
        if (i > 0 && isJunction(i - 1)) {
            return true;
        }
        for (std::size_t j = i + 1; j < atoms_.size() && j <= i + 4; ++j) {
            if (contains({Role::direction, Role::joiner}, roleAt(j))
                || (roleAt(j) == Role::number && atoms_[j].number >= 10)) {
                return false;
            }
            if (isJunction(j)) {
                return true;
            }
        }
        return false;
    }

    void addChicane(std::size_t i)
    {
        Head head{i, i + 1, NoteKind::chicane, {}, {}};
        if (i > 0 && roleAt(i - 1) == Role::entry) {
            head.first = i - 1;
        } else if (roleAt(i + 1) == Role::entry || (roleAt(i + 1) == Role::direction && !gradeAfter(i + 1))) {
            head.last = i + 2;
            head.direction = roleAt(i + 1) == Role::direction ? std::optional(i + 1) : std::nullopt;
            if (head.direction) {
                used_[i + 1] = true;
            }
        } else if (i > 0 && roleAt(i - 1) == Role::direction && used_[i - 1] && !heads_.empty()
            && heads_.back().last == i && !heads_.back().grade) {
            head.first = i - 1;
            head.direction = i - 1;
            heads_.pop_back();
            out_.remarks.clear();
            --out_.corners;
            --out_.against_order;
        }
        heads_.push_back(head);
    }

    // --- distances and boundaries --------------------------------------------------------------

    void findDistances()
    {
        distance_.assign(atoms_.size(), false);
        for (std::size_t i = 0; i < atoms_.size(); ++i) {
            if (roleAt(i) != Role::number || used_[i]) {
                continue;
            }
            const bool measured = roleAt(i + 1) == Role::metres;
            const bool said_for = i > 0 && roleAt(i - 1) == Role::for_;
            const bool target =
                i > 0 && contains({Role::to, Role::shape}, roleAt(i - 1)) && atoms_[i].number < 10;
            const bool counts =
                contains({Role::thing, Role::size, Role::junction}, roleAt(i + 1)) && atoms_[i].number < 10;
            distance_[i] = !said_for && !target && !counts && (atoms_[i].number >= 10 || measured);
        }
    }

    [[nodiscard]] bool headBeginsAt(std::size_t i) const
    {
        return std::any_of(heads_.begin(), heads_.end(), [&](const Head& h) { return h.first == i; });
    }

    [[nodiscard]] bool headBeforeBoundary(std::size_t i) const
    {
        for (std::size_t j = i; j < atoms_.size(); ++j) {
            if (headBeginsAt(j)) {
                return true;
            }
            if (distance_[j] || (j > i && isInto(j))) {
                return false;
            }
        }
        return false;
    }

    /// Only words that may stand before a corner lie between `i` and the next head.
    [[nodiscard]] bool headComesAtOnce(std::size_t i) const
    {
        for (std::size_t j = i; j < atoms_.size(); ++j) {
            if (headBeginsAt(j)) {
                return true;
            }
            if (!isPrefix(j) && roleAt(j) != Role::extent) {
                return false;
            }
        }
        return false;
    }

    [[nodiscard]] bool isInto(std::size_t i) const
    {
        return (roleAt(i) == Role::relation && atoms_[i].value == "into_thing")
            || (roleAt(i) == Role::joiner && atoms_[i].value == "into");
    }

    [[nodiscard]] bool isPrefix(std::size_t i) const
    {
        return contains(
            {Role::warning, Role::visibility, Role::sudden, Role::speed, Role::underline, Role::glue},
            roleAt(i));
    }

    [[nodiscard]] LinkKind joinerAt(std::size_t i) const
    {
        if (isInto(i) && headBeforeBoundary(i + 1)) {
            return LinkKind::into;
        }
        if (roleAt(i) == Role::joiner && atoms_[i].value == "and" && headComesAtOnce(i + 1)) {
            return LinkKind::and_;
        }
        return LinkKind::none;
    }

    /// Cuts the line at distances and joining words, and what lies between into notes.
    void cutAtBoundaries()
    {
        std::size_t begin = 0;
        std::optional<std::size_t> joiner;
        for (std::size_t i = 0; i <= atoms_.size(); ++i) {
            const bool at_end = i == atoms_.size();
            const LinkKind join = at_end ? LinkKind::none : joinerAt(i);
            if (!at_end && join == LinkKind::none && !distance_[i]) {
                continue;
            }
            makeNotes(begin, i, joiner);
            joiner.reset();
            begin = i + 1;
            if (at_end) {
                break;
            }
            if (join != LinkKind::none) {
                used_[i] = true;
                joiner = i;
                setLink({join, 0.0}, i, i + 1);
            } else {
                const std::size_t last = roleAt(i + 1) == Role::metres ? i + 2 : i + 1;
                for (std::size_t j = i; j < last; ++j) {
                    used_[j] = true;
                }
                setLink({LinkKind::distance, static_cast<double>(atoms_[i].number)}, i, last);
                begin = last;
                i = last - 1;
            }
        }
    }

    void setLink(const Link& link, std::size_t first, std::size_t last)
    {
        if (out_.notes.empty()) {
            if (link.kind == LinkKind::distance) {
                out_.distance_before_m += link.metres;
                const std::string words = spokenOf(first, last);
                out_.distance_before_spoken += (out_.distance_before_spoken.empty() ? "" : " ") + words;
            } else {
                out_.joined_before = true;
                out_.join_before = link.kind;
            }
            return;
        }
        Note& note = out_.notes.back();
        if (link.kind == LinkKind::distance) {
            const double before_m = note.link.kind == LinkKind::distance ? note.link.metres : 0.0;
            note.link = {LinkKind::distance, before_m + link.metres};
            note.spoken_after += (note.spoken_after.empty() ? "" : " ") + spokenOf(first, last);
            note.text = slice(span_first_, last);
        } else if (note.link.kind == LinkKind::none) {
            note.link = link;
        }
    }

    /// Atoms [begin, end) lie between two boundaries: none, one or more notes.
    void makeNotes(std::size_t begin, std::size_t end, std::optional<std::size_t> joiner)
    {
        std::vector<const Head*> inside;
        for (const Head& head : heads_) {
            if (head.first >= begin && head.first < end) {
                inside.push_back(&head);
            }
        }
        if (inside.empty()) {
            makeHeadless(begin, end, joiner);
            return;
        }
        std::size_t first = begin;
        for (std::size_t h = 0; h < inside.size(); ++h) {
            const std::size_t last = h + 1 < inside.size() ? cutBetween(*inside[h], *inside[h + 1]) : end;
            addNote({first, last, inside[h]}, h == 0 ? joiner : std::nullopt);
            first = last;
        }
    }

    /// Where the note of `a` ends and that of `b` begins, when no distance or joining word says it.
    [[nodiscard]] std::size_t cutBetween(const Head& a, const Head& b) const
    {
        for (std::size_t i = a.last; i < b.first; ++i) {
            if (roleAt(i) == Role::correction) {
                return i;
            }
        }
        for (std::size_t i = b.first; i-- > a.last - 1;) {
            if (atoms_[i].pause_after) {
                return i + 1;
            }
        }
        std::size_t cut = b.first;
        const bool a_has_extent = [&] {
            for (std::size_t i = a.last; i < b.first; ++i) {
                if (roleAt(i) == Role::extent) {
                    return true;
                }
            }
            return false;
        }();
        const bool extents_lead = a_has_extent && extentLeads(a);
        while (cut > a.last
            && (isPrefix(cut - 1) || roleAt(cut - 1) == Role::correction
                || (extents_lead && roleAt(cut - 1) == Role::extent && cut == b.first)
                || (roleAt(cut - 1) == Role::joiner && atoms_[cut - 1].value == "and"))) {
            --cut;
        }
        return cut;
    }

    [[nodiscard]] bool extentLeads(const Head& head) const
    {
        return head.first > 0 && roleAt(head.first - 1) == Role::extent;
    }

    void makeHeadless(std::size_t begin, std::size_t end, std::optional<std::size_t> joiner)
    {
        bool content = false;
        bool place = false;
        for (std::size_t i = begin; i < end; ++i) {
            const Role role = roleAt(i);
            content = content || !contains({Role::glue, Role::chatter, Role::unknown, Role::here}, role);
            place = place
                || contains({Role::thing, Role::junction, Role::camber, Role::width, Role::surface,
                                Role::warning, Role::instruction, Role::speed, Role::gradient},
                    role);
        }
        if (begin == end) {
            return;
        }
        if (content && (place || out_.notes.empty())) {
            addNote({begin, end, nullptr}, joiner);
        } else if (!out_.notes.empty()) {
            fill(out_.notes.back(), begin, end);
            Note& note = out_.notes.back();
            note.text = slice(span_first_, end);
            const std::string more = spokenOf(begin, end);
            if (!more.empty()) {
                note.spoken += " " + more;
                note.syllables = countSyllables(note.spoken);
            }
        } else {
            Note unused;
            fill(unused, begin, end);
        }
    }

    // --- one note ------------------------------------------------------------------------------

    void addNote(const Span& span, std::optional<std::size_t> joiner)
    {
        Note note;
        if (span.head != nullptr) {
            takeHead(note, *span.head);
        } else {
            note.kind = headlessKind(span);
        }
        const std::size_t spoken_first = joiner.value_or(span.first);
        const bool corrected =
            span.head != nullptr && !out_.notes.empty() && roleAt(span.first) == Role::correction;
        fill(note, span.first, span.last);
        note.spoken = spokenOf(spoken_first, span.last);
        note.syllables = countSyllables(note.spoken);
        span_first_ = spoken_first;
        if (corrected) {
            note.corrected_from = out_.notes.back().text;
            span_first_ = note_first_;
            out_.notes.pop_back();
        }
        note_first_ = span_first_;
        note.text = slice(span_first_, span.last);
        out_.notes.push_back(std::move(note));
    }

    void takeHead(Note& note, const Head& head)
    {
        note.kind = head.kind;
        if (head.direction) {
            note.direction = atoms_[*head.direction].value == "left" ? Direction::left : Direction::right;
            used_[*head.direction] = true;
        }
        if (head.grade) {
            const Atom& grade = atoms_[*head.grade];
            note.grade = grade.role == Role::number ? Grade{grade.number, {}} : Grade{0, grade.value};
        }
    }

    [[nodiscard]] NoteKind headlessKind(const Span& span) const
    {
        NoteKind kind = NoteKind::instruction;
        for (std::size_t i = span.first; i < span.last; ++i) {
            if (roleAt(i) == Role::junction) {
                return NoteKind::junction;
            }
            if (contains({Role::thing, Role::surface, Role::camber, Role::width, Role::gradient, Role::line,
                             Role::relation},
                    roleAt(i))) {
                kind = NoteKind::feature;
            }
        }
        return kind;
    }

    /// Gives every atom of [first, last) its meaning in `note`.
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
            const Atom& atom = atoms_[i];
            if (atom.role == Role::chatter || atom.role == Role::unknown) {
                if (atom.role == Role::unknown) {
                    note.free_words.push_back(atom.value);
                }
                continue;
            }
            if (used_[i] && !contains({Role::chicane, Role::finish, Role::stop, Role::start}, atom.role)) {
                continue;
            }
            used_[i] = true;
            switch (atom.role) {
            case Role::extent: note.extent = atom.value; break;
            case Role::modifier:
                (shape != nullptr && shape->to ? shape->modifier : note.modifier) = atom.value;
                break;
            case Role::shape:
                note.shapes.push_back({atom.value, {}, {}, false, {}});
                shape = &note.shapes.back();
                shape_fresh = true;
                if (i > first && roleAt(i - 1) == Role::late) {
                    shape->late = true;
                }
                continue;
            case Role::late:
                if (shape != nullptr) {
                    shape->late = true;
                } else if (roleAt(i + 1) != Role::shape) {
                    note.lines.emplace_back("late_apex");
                }
                break;
            case Role::to: break;
            case Role::number: takeNumber(note, shape, feature, i); break;
            case Role::named_grade: takeNamedGrade(note, shape, i); break;
            case Role::line: takeLine(note, atom.value); break;
            case Role::relation:
                feature.relation = atom.value == "into_thing" ? "into" : atom.value;
                if (!note.features.empty() && contains({Role::unknown}, nextContent(i, last))
                    && note.features.back().relation.empty()) {
                    note.features.back().relation =
                        feature.relation; // "logs outside": the relation stands after
                    feature.relation.clear();
                }
                break;
            case Role::size: feature.size = atom.value; break;
            case Role::qualifier: break;
            case Role::thing:
            case Role::junction: {
                if (spanIsTurn(note, i)) {
                    break;
                }
                feature.what = atom.value;
                takeAfterThing(feature, i, last);
                if (feature.what == "straight" && note.kind == NoteKind::feature) {
                    note.kind = NoteKind::straight;
                }
                finishFeature(shape_fresh && !feature.relation.empty());
                break;
            }
            case Role::maybe:
                if (!note.features.empty()) {
                    note.features.back().maybe = true;
                } else {
                    feature.maybe = true;
                }
                break;
            case Role::visibility: note.visibility = atom.value; break;
            case Role::surface: note.surface = atom.value; break;
            case Role::camber: note.camber = atom.value; break;
            case Role::width: note.width = atom.value; break;
            case Role::gradient: note.gradient = atom.value; break;
            case Role::warning: note.warnings.push_back(atom.value); break;
            case Role::sudden: note.warnings.push_back("sudden"); break;
            case Role::speed: note.speed.push_back(atom.value); break;
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
        } else if (!feature.relation.empty()
            && (feature.relation == "on_exit" || feature.relation == "on_entry")) {
            note.features.push_back({feature.relation, {}, feature.size, false, 0});
        }
    }

    /// The role of the next atom that says something, or unknown at the end of the note.
    [[nodiscard]] Role nextContent(std::size_t i, std::size_t last) const
    {
        for (std::size_t j = i + 1; j < last; ++j) {
            if (roleAt(j) == Role::thing || roleAt(j) == Role::size || roleAt(j) == Role::junction
                || roleAt(j) == Role::number) {
                return Role::thing;
            }
            if (roleAt(j) != Role::glue && roleAt(j) != Role::qualifier) {
                return Role::unknown;
            }
        }
        return Role::unknown;
    }

    [[nodiscard]] bool spanIsTurn(const Note& note, std::size_t i) const
    {
        if (roleAt(i) != Role::junction || note.kind != NoteKind::junction) {
            return false;
        }
        return i == 0 || roleAt(i - 1) != Role::relation || atoms_[i - 1].value == "at";
    }

    static void takeLine(Note& note, const std::string& value)
    {
        if (std::find(note.lines.begin(), note.lines.end(), value) == note.lines.end()) {
            note.lines.push_back(value);
        }
    }

    void takeNumber(Note& note, Shape*& shape, Feature& feature, std::size_t i)
    {
        const int number = atoms_[i].number;
        if (i > 0 && roleAt(i - 1) == Role::for_) {
            note.for_m = number;
        } else if (shape != nullptr && !shape->to && number < 10) {
            shape->to = Grade{number, {}};
        } else if (i > 0 && roleAt(i - 1) == Role::to && number < 10) {
            note.shapes.push_back({"becomes", Grade{number, {}}, {}, false, {}});
            shape = &note.shapes.back(); // the list may have moved
        } else if (contains({Role::thing, Role::size, Role::junction}, roleAt(i + 1))) {
            feature.count = number;
        } else {
            used_[i] = false;
            note.free_words.push_back(spokenOf(i, i + 1));
        }
    }

    void takeNamedGrade(Note& note, Shape* shape, std::size_t i)
    {
        const Grade grade{0, atoms_[i].value};
        if (shape != nullptr && !shape->to) {
            shape->to = grade;
        } else if (!note.grade && note.kind == NoteKind::corner) {
            note.grade = grade;
        } else {
            note.speed.push_back(atoms_[i].value);
        }
    }

    /// "gate on exit", "jump maybe", "logs outside": what is said after the thing.
    void takeAfterThing(Feature& feature, std::size_t& i, std::size_t last)
    {
        if (i + 1 < last && roleAt(i + 1) == Role::maybe && !atoms_[i].pause_after) {
            feature.maybe = true;
            used_[++i] = true;
        }
        static const std::vector<std::string> kAfter{"outside", "inside", "on_exit", "on_entry"};
        while (i + 1 < last && roleAt(i + 1) == Role::relation && !used_[i + 1]
            && std::find(kAfter.begin(), kAfter.end(), atoms_[i + 1].value) != kAfter.end()
            && (feature.relation.empty() || nextContent(i + 1, last) == Role::unknown)) {
            if (feature.relation.empty()) {
                feature.relation = atoms_[i + 1].value;
            }
            used_[++i] = true;
        }
    }

    // --- words and counts ----------------------------------------------------------------------

    [[nodiscard]] std::string slice(std::size_t first_atom, std::size_t last_atom) const
    {
        if (first_atom >= last_atom || last_atom > atoms_.size()) {
            return {};
        }
        const std::size_t begin = tokens_[atoms_[first_atom].first].begin;
        const std::size_t end = tokens_[atoms_[last_atom - 1].last - 1].end;
        return std::string(line_.substr(begin, end - begin));
    }

    /// The words of atoms [first, last) as they are said; talk and pen marks are not said.
    [[nodiscard]] std::string spokenOf(std::size_t first, std::size_t last) const
    {
        std::string words;
        for (std::size_t i = first; i < last; ++i) {
            if (roleAt(i) == Role::chatter || roleAt(i) == Role::underline || roleAt(i) == Role::correction) {
                continue;
            }
            if (roleAt(i) == Role::number) {
                words += (words.empty() ? "" : " ") + sayNumber(atoms_[i].number, style_.hundreds);
                continue;
            }
            for (std::size_t t = atoms_[i].first; t < atoms_[i].last; ++t) {
                words += (words.empty() ? "" : " ") + tokens_[t].word;
            }
        }
        return words;
    }

    void count()
    {
        for (std::size_t i = 0; i < atoms_.size(); ++i) {
            // a number is one word, however it is written
            const int words =
                atoms_[i].role == Role::number ? 1 : static_cast<int>(atoms_[i].last - atoms_[i].first);
            out_.words += words;
            if (atoms_[i].role == Role::chatter) {
                out_.chatter += words;
            } else if (atoms_[i].role == Role::unknown || (atoms_[i].role == Role::number && !used_[i])) {
                for (std::size_t t = atoms_[i].first; t < atoms_[i].last; ++t) {
                    out_.unknown.push_back(tokens_[t]);
                }
            } else {
                out_.understood += words;
            }
        }
    }

    std::string_view line_;
    const Style& style_;
    Order order_;
    std::vector<Token> tokens_;
    std::vector<Atom> atoms_;
    std::vector<bool> used_;
    std::vector<bool> distance_;
    std::vector<Head> heads_;
    std::size_t span_first_ = 0;
    std::size_t note_first_ = 0;
    LineReading out_;
};

} // namespace

LineReading readLine(std::string_view line, const Style& style, Order order)
{
    return LineReader(line, style, order).read();
}

} // namespace brumefall::notes
