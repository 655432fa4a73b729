#include "notes/part.h"

#include <array>
#include <utility>

namespace brumefall::notes {
namespace {

constexpr double kNoLink = 0.25;
constexpr double kSkippedInTalk = 0.4; ///< a word of the language that is no note, either
constexpr double kOnlyALine = 1.3; ///< "six right, no, cut": hardly
constexpr double kSorryInTalk = -0.6; ///< a word that takes back is one of talk, too
constexpr double kThenTalk = 2.6; ///< what takes back is followed by what is right
constexpr double kJoinsOverSilence = 2.0; ///< a joining word, and then a long silence
constexpr double kOnlyThat = 0.5; ///< half of a head is taken back, and the other half stays
constexpr double kSameSide = 0.35; ///< two corners to one side without a link

bool isBetween(Kind kind)
{
    return kind == Kind::start || kind == Kind::after_distance || kind == Kind::after_into;
}

bool isPrefix(Kind kind)
{
    return kind == Kind::prefix || kind == Kind::prefix_line;
}

/// In a corner that has its head.
bool isCorner(Kind kind)
{
    return kind == Kind::corner || kind == Kind::shape || kind == Kind::shape_to || kind == Kind::target
        || kind == Kind::corner_and;
}

/// How a part leans on a note that has its head (back) or is to come (forward): w times the pause, and a
/// constant.
struct Lean {
    Part part;
    double back_w;
    double back;
    double forward; ///< before the head; 9 where it never stands there
    Kind prefix = Kind::prefix;
};

constexpr std::array kLeans{Lean{Part::modifier, 0.5, 0.0, 9.0}, Lean{Part::extent, 1.0, 0.0, 0.5},
    Lean{Part::late, 0.5, 0.15, 2.4}, Lean{Part::cut, 0.85, 0.15, 0.9, Kind::prefix_line},
    Lean{Part::keep, 0.85, 0.4, 0.5, Kind::prefix_line}, Lean{Part::unseen, 1.0, 0.35, 0.1},
    Lean{Part::attribute, 0.6, 0.15, 0.7}, Lean{Part::warning, 1.0, 0.9, 0.05},
    Lean{Part::speed, 1.0, 0.6, 0.4, Kind::prefix_line},
    Lean{Part::flat_out, 1.0, 0.6, 1.4, Kind::prefix_line}, Lean{Part::maybe, 0.5, 0.1, 1.0},
    Lean{Part::here, 0.5, 0.3, 2.0}, Lean{Part::instruction, 1.0, 1.25, 1.4, Kind::prefix_line}};

const Lean* leanOf(Part part)
{
    for (const Lean& lean : kLeans) {
        if (lean.part == part) {
            return &lean;
        }
    }
    return nullptr;
}

class Stepper {
public:
    Stepper(State from, Pause pause, Order order, const PauseCosts& costs, std::vector<Step>& steps)
        : from_(from)
        , w_(costs.within[static_cast<std::size_t>(pause)])
        , b_(costs.between[static_cast<std::size_t>(pause)])
        , number_first_(order == Order::number_first)
        , silence_(pause == Pause::silence)
        , steps_(steps)
    {
    }

    void say(Part part)
    {
        if (from_.kind == Kind::talk) {
            inTalk(part);
            return;
        }
        inNotes(part);
        // anything may begin talk
        if (part != Part::countdown && part != Part::distance) {
            constexpr double kBegin = 2.8;
            const double word = part == Part::correction ? kSorryInTalk
                : part < Part::glue                      ? 1.7
                : part == Part::chatter                  ? -2.0
                : part == Part::skipped                  ? kSkippedInTalk
                                                         : 0.0;
            go({Kind::talk, Side::none}, costToEnd(from_) + kBegin + word, false);
        }
    }

private:
    void go(State to, double cost, bool begins) { steps_.push_back({to, cost, begins}); }
    void stay(double cost) { go(from_, cost, false); }

    void inNotes(Part part)
    {
        switch (part) {
        case Part::left: direction(Side::left); break;
        case Part::right: direction(Side::right); break;
        case Part::grade: grade(); break;
        case Part::named_grade: namedGrade(); break;
        case Part::shape: shape(); break;
        case Part::to: to(); break;
        case Part::relation: relation(); break;
        case Part::position: position(); break;
        case Part::crest:
        case Part::thing: thing(part == Part::crest); break;
        case Part::size:
        case Part::count: size(part == Part::count); break;
        case Part::junction: junction(); break;
        case Part::chicane: whole(Kind::chicane, 0.2); break;
        case Part::finish: whole(Kind::finish, 0.1); break;
        case Part::stop: whole(Kind::stop, 0.1); break;
        case Part::start: whole(Kind::thing, 1.0); break;
        case Part::into: into(); break;
        case Part::and_: and_(); break;
        case Part::distance: distance(); break;
        case Part::correction: correction(); break;
        case Part::countdown:
        case Part::go: go({Kind::start, Side::none}, costToEnd(from_), false); break;
        case Part::glue: glue(); break;
        case Part::again: stay(0.0); break;
        case Part::unknown: stay(3.5); break;
        case Part::skipped: stay(4.5); break;
        case Part::chatter: chatter(); break;
        default: leaning(part); break;
        }
    }

    /// What it costs that the next note begins here.
    [[nodiscard]] double newNote() const
    {
        if (isBetween(from_.kind) || from_.kind == Kind::corner_and) {
            const bool joins = from_.kind == Kind::after_into || from_.kind == Kind::corner_and;
            return joins && silence_ ? kJoinsOverSilence : 0.0;
        }
        return costToEnd(from_) + b_ + kNoLink;
    }
    [[nodiscard]] double sameSide(Side side) const
    {
        return isCorner(from_.kind) && from_.kind != Kind::corner_and && from_.side == side ? kSameSide : 0.0;
    }

    void inTalk(Part part)
    {
        constexpr double kStay = 1.3;
        constexpr double kNoteWord = 1.9; // more, where the word could be one of a note
        constexpr double kLeave = 0.7;
        if (part == Part::countdown || part == Part::go) {
            go({Kind::start, Side::none}, 0.3, false);
            return;
        }
        const double stays = part == Part::chatter ? 0.3
            : part == Part::glue                   ? 0.7
            : part == Part::correction             ? kStay + kSorryInTalk
            : part < Part::glue                    ? kStay + kNoteWord
            : part == Part::skipped                ? kStay + kSkippedInTalk
                                                   : kStay;
        go(from_, stays, false);
        if (part >= Part::glue) {
            return;
        }
        const auto first = steps_.size();
        const State talk = std::exchange(from_, {Kind::start, Side::none});
        inNotes(part);
        from_ = talk;
        for (std::size_t i = first; i < steps_.size(); ++i) {
            steps_[i].cost += kLeave + 0.3 * b_;
        }
    }

    void direction(Side side)
    {
        const State head{Kind::direction, side};
        const State corner{Kind::corner, side};
        const double other_order = number_first_ ? 1.5 : 0.0;
        switch (from_.kind) {
        case Kind::prefix:
        case Kind::prefix_line: go(head, 0.6 * w_ + other_order, false); break;
        case Kind::junction:
            go(corner, 0.6 * w_ + 0.1, false);
            go(head, 0.6 * w_ + 1.0 + other_order, false); // "turn left, two"
            break;
        case Kind::grade: go(corner, w_ + (number_first_ ? 0.0 : 1.4), false); return;
        case Kind::named_grade: go(corner, w_ + 0.2, false); return;
        case Kind::chicane: go({Kind::chicane, side}, 0.5 * w_ + 0.2, false); break;
        case Kind::corrected: // "left three, no, right", and the grade stays
            go(head, 0.2 + other_order, false);
            go(corner, kOnlyThat, false);
            break;
        case Kind::thing:
        case Kind::thing_apart:
            go(from_, 0.8 + w_, false); // "logs left"
            break;
        case Kind::relation:
            go({Kind::corner, from_.side}, 2.0 + w_, false); // "drop on the left"
            break;
        case Kind::target:
        case Kind::shape:
        case Kind::shape_to:
            if (from_.side == Side::none && from_.kind == Kind::shape) { // "tightening left three"
                go(head, 0.2 + 0.6 * w_ + other_order, false);
                return;
            }
            go({Kind::target, from_.side}, side == from_.side ? 0.7 + 0.5 * w_ : 3.0 + w_, false);
            break;
        case Kind::corner: // "left two left over bridge"
            if (side == from_.side) {
                stay(2.2 + w_);
            }
            break;
        default: break;
        }
        if (!isPrefix(from_.kind) && from_.kind != Kind::junction) {
            go(head, newNote() + other_order + sameSide(side), true);
        }
    }

    void grade()
    {
        const double other_order = number_first_ ? 0.0 : 1.4;
        switch (from_.kind) {
        case Kind::direction: go({Kind::corner, from_.side}, w_ + (number_first_ ? 1.4 : 0.0), false); return;
        case Kind::shape: go({Kind::target, from_.side}, 0.15 + 0.6 * w_, false); break;
        case Kind::shape_to: go({Kind::target, from_.side}, 0.25 * w_, false); return;
        case Kind::corner: // "right hairpin four", "long, three"
            go({Kind::target, from_.side}, 2.6 + w_, false);
            break;
        case Kind::prefix:
        case Kind::prefix_line: go({Kind::grade, Side::none}, 0.6 * w_ + other_order, false); return;
        case Kind::junction: go({Kind::grade, Side::none}, 0.6 * w_ + 0.3 + other_order, false); break;
        case Kind::corrected: // "left three, no, four", and the side stays
            go({Kind::grade, Side::none}, 0.2 + other_order, false);
            go({Kind::corner, from_.side}, kOnlyThat, false);
            return;
        default: break;
        }
        go({Kind::grade, Side::none}, newNote() + other_order, true);
    }

    void namedGrade()
    {
        switch (from_.kind) {
        case Kind::direction: go({Kind::corner, from_.side}, w_ + 0.2, false); break;
        case Kind::shape:
        case Kind::shape_to: go({Kind::target, from_.side}, 0.15 + 0.6 * w_, false); break;
        case Kind::corner:
        case Kind::target: go(from_, w_ + 1.1, false); break; // "six flat", "hairpin left, very tight"
        case Kind::grade: go({Kind::named_grade, Side::none}, w_ + 1.5, false); break;
        case Kind::prefix:
        case Kind::prefix_line: go({Kind::named_grade, Side::none}, 0.6 * w_ + 0.3, false); return;
        case Kind::junction: go({Kind::named_grade, Side::none}, 0.6 * w_ + 0.3, false); break;
        case Kind::corrected:
            go({Kind::named_grade, Side::none}, 0.3, false);
            go({Kind::corner, from_.side}, kOnlyThat, false);
            return;
        default: break;
        }
        go({Kind::named_grade, Side::none}, newNote() + 0.3, true);
    }

    void shape()
    {
        switch (from_.kind) {
        case Kind::corner:
        case Kind::target: go({Kind::shape, from_.side}, 0.8 * w_, false); break;
        case Kind::corner_and: go({Kind::shape, from_.side}, 0.4 * w_ + 0.1, false); break;
        case Kind::corrected: go({Kind::shape, from_.side}, 0.4, false); break;
        case Kind::shape: go(from_, 0.9 + w_, false); break;
        case Kind::direction: go({Kind::shape, from_.side}, 1.6 + w_, false); break;
        case Kind::named_grade: go({Kind::shape, Side::none}, 1.0 + w_, false); break;
        case Kind::relation: go({Kind::shape, from_.side}, 1.8 + w_, false); break;
        case Kind::after_distance:
        case Kind::start:
        case Kind::prefix:
        case Kind::prefix_line: go({Kind::shape, Side::none}, 1.8, !isPrefix(from_.kind)); break;
        default: break;
        }
    }

    void to()
    {
        switch (from_.kind) {
        case Kind::shape: go({Kind::shape_to, from_.side}, 0.25 * w_, false); break;
        case Kind::corner:
        case Kind::target: go({Kind::shape_to, from_.side}, 0.45 + w_, false); break;
        case Kind::shape_to:
        case Kind::thing_relation:
        case Kind::relation: stay(0.4); break;
        case Kind::after_distance: // "50 to jump"
        case Kind::after_into:
        case Kind::chicane: stay(0.6); break; // "chicane, left to right"
        default: break;
        }
    }

    void relation()
    {
        switch (from_.kind) {
        case Kind::corner:
        case Kind::target:
        case Kind::shape: go({Kind::relation, from_.side}, 0.55 * w_, false); break;
        case Kind::corner_and: go({Kind::relation, from_.side}, 0.4 * w_ + 0.25, false); break;
        case Kind::direction: go({Kind::relation, from_.side}, 1.8 + w_, false); break;
        case Kind::named_grade: go({Kind::relation, Side::none}, 1.0 + w_, false); break;
        case Kind::corrected: go({Kind::relation, from_.side}, kOnlyThat, false); return;
        case Kind::relation:
        case Kind::thing_relation: stay(0.5 + w_); break;
        case Kind::thing:
        case Kind::thing_apart: go({Kind::thing_relation, Side::none}, 0.2 + 0.7 * w_, false); break;
        case Kind::chicane:
        case Kind::finish: stay(0.4 + w_); break;
        case Kind::prefix:
        case Kind::prefix_line: go({Kind::thing_relation, Side::none}, 0.4 + 0.6 * w_, false); return;
        case Kind::junction: go({Kind::thing_relation, Side::none}, 0.6 + w_, false); break;
        default: break;
        }
        go({Kind::thing_relation, Side::none}, newNote() + (from_.kind == Kind::after_distance ? 0.1 : 0.7),
            true);
    }

    /// Of a thing it says where it is; before one it is a relation like others.
    void position()
    {
        relation();
        if (from_.kind == Kind::thing_apart) { // "caution, rocks inside"
            stay(0.2 + 0.7 * w_);
        } else if (from_.kind == Kind::corner) { // "left three, rocks inside"
            stay(0.3 + 0.55 * w_);
        }
    }

    void thing(bool crest)
    {
        switch (from_.kind) {
        case Kind::relation: go({Kind::corner, from_.side}, 0.5 * w_, false); return;
        case Kind::thing_relation: go({Kind::thing, Side::none}, 0.4 * w_, false); return;
        case Kind::corner:
        case Kind::target:
        case Kind::shape: go({Kind::corner, from_.side}, (crest ? w_ : 0.6 * w_) + 0.35, false); break;
        case Kind::shape_to: go({Kind::corner, from_.side}, 0.1 + 0.4 * w_, false); break; // "to crest"
        case Kind::corner_and: go({Kind::corner, from_.side}, 0.4 * w_ + 0.25, false); break;
        case Kind::direction: go({Kind::corner, from_.side}, 2.4 + w_, false); break;
        case Kind::named_grade: go({Kind::thing_apart, Side::none}, 0.5 + w_, false); break; // "flat crest"
        case Kind::thing:
        case Kind::thing_apart: stay(w_ + 0.2); break;
        case Kind::chicane:
        case Kind::finish: stay(0.5 + w_); break;
        case Kind::prefix_line: stay(0.8 + 0.6 * w_); [[fallthrough]]; // "don't cut log, left three"
        case Kind::prefix:
        case Kind::junction: go({Kind::thing_apart, Side::none}, 0.3 + 0.6 * w_, false); return;
        default: break;
        }
        const double alone = from_.kind == Kind::after_distance ? 0.15 : crest ? 0.5 : 1.0;
        go({isBetween(from_.kind) ? Kind::thing_apart : Kind::thing, Side::none},
            newNote() + alone + (from_.kind == Kind::after_into ? 0.7 : 0.0), true);
    }

    void size(bool count)
    {
        const double extra = count ? 0.6 : 0.0;
        switch (from_.kind) {
        case Kind::relation:
        case Kind::thing_relation: stay(extra); return;
        case Kind::shape_to: go({Kind::relation, from_.side}, 0.2 + 0.4 * w_ + extra, false); return;
        case Kind::corner:
        case Kind::target:
        case Kind::shape: go({Kind::relation, from_.side}, 0.5 + 0.6 * w_ + 2.0 * extra, false); break;
        case Kind::corner_and: go({Kind::relation, from_.side}, 0.6 + extra, false); break;
        case Kind::thing:
        case Kind::thing_apart: go({Kind::thing_relation, Side::none}, 0.4 + w_ + extra, false); break;
        case Kind::chicane: stay(0.2 + w_ + 0.5 * extra); break; // "chicane left, three bales"
        case Kind::prefix:
        case Kind::prefix_line: go({Kind::thing_relation, Side::none}, 0.5 + 0.6 * w_ + extra, false); return;
        default: break;
        }
        go({Kind::thing_relation, Side::none}, newNote() + 0.7 + 2.0 * extra, true);
    }

    void junction()
    {
        switch (from_.kind) {
        case Kind::direction: go({Kind::corner, from_.side}, 0.3 + w_, false); break;
        case Kind::corner: stay(0.4 + w_); break;
        case Kind::junction: stay(0.2 + 0.6 * w_); break; // "junction, turn left"
        case Kind::shape_to:
        case Kind::relation: go({Kind::corner, from_.side}, 0.5 * w_, false); return;
        case Kind::thing_relation: go({Kind::junction, Side::none}, 0.5 * w_, false); return;
        case Kind::named_grade:
        case Kind::chicane: stay(0.3 + w_); break; // "chicane, left entry"
        case Kind::prefix_line: go({Kind::thing_apart, Side::none}, 0.6 * w_ + 0.3, false); [[fallthrough]];
        case Kind::prefix: go({Kind::junction, Side::none}, 0.6 * w_ + 0.2, false); return;
        default: break;
        }
        go({Kind::junction, Side::none}, newNote() + 0.4, true);
    }

    void whole(Kind kind, double cost)
    {
        const bool how_fast = from_.kind == Kind::named_grade && kind == Kind::chicane; // "fast chicane"
        if (isPrefix(from_.kind) || from_.kind == Kind::thing_relation || how_fast) {
            go({kind, Side::none}, 0.6 * w_ + cost, false);
        } else if (from_.kind == kind) {
            stay(0.8 + w_);
        } else if (from_.kind == Kind::finish) { // nothing but a stop follows it, however it is said
            go({kind, Side::none}, cost, true);
        } else {
            go({kind, Side::none}, 0.5 * newNote() + cost, true);
        }
    }

    void into()
    {
        if (isBetween(from_.kind)) {
            go({Kind::after_into, Side::none}, from_.kind == Kind::after_distance ? 0.9 : 1.2, false);
        } else {
            go({Kind::after_into, Side::none}, costToEnd(from_) + 0.05, false);
        }
    }

    void and_()
    {
        if (isCorner(from_.kind) || from_.kind == Kind::named_grade) {
            go({Kind::corner_and, from_.side}, costToEnd(from_) + 0.1, false);
        } else if (isBetween(from_.kind)) {
            stay(1.0);
        } else {
            go({Kind::after_into, Side::none}, costToEnd(from_) + 0.3, false);
        }
    }

    void distance()
    {
        const double again = from_.kind == Kind::after_distance ? 1.6
            : from_.kind == Kind::after_into                    ? 0.9
                                                                : 0.0;
        go({Kind::after_distance, Side::none}, costToEnd(from_) + again, false);
    }

    void correction()
    {
        if (from_.kind == Kind::corner || from_.kind == Kind::direction || from_.kind == Kind::grade
            || from_.kind == Kind::named_grade || from_.kind == Kind::shape || from_.kind == Kind::target) {
            go({Kind::corrected, from_.side}, 0.5, false);
        }
        if (from_.kind == Kind::target) { // "tightens three, no, two"
            go({Kind::shape_to, from_.side}, 0.5, false);
        }
        if (from_.kind == Kind::corrected) {
            stay(0.2);
        }
        if (from_.kind == Kind::after_distance) { // "60, no, 80"
            stay(0.6);
        }
    }

    /// "the", "of a": within a relation it says nothing, between a side and its grade it is hardly said.
    void glue()
    {
        switch (from_.kind) {
        case Kind::relation:
        case Kind::thing_relation:
        case Kind::shape_to: stay(0.1); break;
        case Kind::direction:
        case Kind::grade: stay(1.3); break;
        case Kind::corner:
        case Kind::target: stay(0.9); break;
        default: stay(0.6); break;
        }
    }

    void chatter()
    {
        stay(from_.kind == Kind::corrected ? kThenTalk : 1.6);
        go({Kind::start, Side::none}, costToEnd(from_) + 1.4, false); // a word of praise between two notes
    }

    void leaning(Part part)
    {
        const Lean* lean = leanOf(part);
        if (lean == nullptr) {
            return;
        }
        constexpr double kLongThing = 1.2; // no crest is long: the next corner is
        constexpr double kNoGrade = 2.0; // for a "plus" to change
        const double back = lean->back_w * w_ + lean->back;
        switch (from_.kind) {
        case Kind::corner:
        case Kind::corner_and:
            go({Kind::corner, from_.side}, back + (from_.kind == Kind::corner ? 0.0 : 0.3), false);
            break;
        case Kind::target: stay(back + (part == Part::extent ? 0.8 : 0.0)); break;
        case Kind::shape: stay(part == Part::late || part == Part::extent ? 0.3 * w_ : back + 0.2); break;
        case Kind::shape_to: // "opens to a long four"
            if (part == Part::extent) {
                stay(0.6 + 0.4 * w_);
            }
            break;
        case Kind::direction: stay(part == Part::extent || part == Part::modifier ? 0.5 : back + 1.2); break;
        case Kind::grade:
        case Kind::named_grade:
            stay(part == Part::extent || part == Part::modifier ? 0.3 * w_ + 0.1 : back + 0.8);
            break;
        case Kind::relation: // "into cobbles", "over ice"
            if (part == Part::attribute) {
                go({Kind::corner, from_.side}, 0.2, false);
            } else {
                stay(1.2 + back + (part == Part::modifier ? kNoGrade : 0.0));
            }
            break;
        case Kind::thing:
        case Kind::thing_apart: stay(back + (part == Part::extent ? kLongThing : 0.3)); break;
        case Kind::chicane:
        case Kind::finish:
        case Kind::stop: stay(back + 0.3); break;
        case Kind::thing_relation:
            if (part == Part::attribute) {
                go({Kind::thing, Side::none}, 0.4, false);
            } else {
                stay(0.8 + w_ + (part == Part::modifier ? kNoGrade : 0.0));
            }
            break;
        case Kind::prefix:
        case Kind::prefix_line:
            go({lean->prefix == Kind::prefix_line ? Kind::prefix_line : from_.kind, Side::none},
                0.6 * w_ + 0.5 * lean->forward, false);
            return;
        case Kind::junction: stay(0.4 + w_); break;
        case Kind::corrected: // "plus, no, minus": back, or of what is said anew
            go({Kind::corner, from_.side}, kOnlyThat + lean->back, false);
            go({lean->prefix, Side::none},
                (lean->prefix == Kind::prefix_line ? kOnlyALine : 0.3) + 0.5 * lean->forward, false);
            return;
        default: break;
        }
        if (lean->forward < 5.0) {
            go({lean->prefix, Side::none}, newNote() + lean->forward, true);
        }
    }

    State from_;
    double w_;
    double b_;
    bool number_first_;
    bool silence_;
    std::vector<Step>& steps_;
};

} // namespace

void stepsFrom(
    State state, Part part, Pause pause, Order order, const PauseCosts& costs, std::vector<Step>& steps)
{
    Stepper(state, pause, order, costs, steps).say(part);
}

double costToEnd(State state)
{
    switch (state.kind) {
    case Kind::direction: return 2.6;
    case Kind::grade: return 2.9;
    case Kind::named_grade: return 1.8;
    case Kind::relation:
    case Kind::thing_relation: return 1.8;
    case Kind::shape_to: return 1.6;
    case Kind::prefix: return 1.8;
    case Kind::prefix_line: return 0.7;
    case Kind::junction: return 1.2;
    case Kind::corrected: return 2.0;
    case Kind::after_into: return 0.8;
    default: return 0.0;
    }
}

Part partOf(const LexiconEntry& entry)
{
    switch (entry.role) {
    case Role::direction: return entry.value == "left" ? Part::left : Part::right;
    case Role::number: return Part::grade;
    case Role::named_grade: return Part::named_grade;
    case Role::modifier: return Part::modifier;
    case Role::extent: return Part::extent;
    case Role::shape: return Part::shape;
    case Role::to: return Part::to;
    case Role::late: return Part::late;
    case Role::line: return entry.value.find("cut") != std::string::npos ? Part::cut : Part::keep;
    case Role::relation: return saysAll(entry.value) ? Part::position : Part::relation;
    case Role::thing: return entry.value == "crest" || entry.value == "jump" ? Part::crest : Part::thing;
    case Role::size:
    case Role::qualifier: return Part::size;
    case Role::maybe: return Part::maybe;
    case Role::visibility: return Part::unseen;
    case Role::surface:
    case Role::camber:
    case Role::width:
    case Role::gradient: return Part::attribute;
    case Role::junction:
    case Role::entry: return Part::junction;
    case Role::chicane: return Part::chicane;
    case Role::warning:
    case Role::sudden: return Part::warning;
    case Role::speed: return entry.value.starts_with("flat") ? Part::flat_out : Part::speed;
    case Role::joiner: return entry.value == "into" ? Part::into : Part::and_;
    case Role::start: return Part::start;
    case Role::finish: return Part::finish;
    case Role::stop: return Part::stop;
    case Role::here: return Part::here;
    case Role::correction: return Part::correction;
    case Role::for_: return Part::glue;
    case Role::instruction: return Part::instruction;
    case Role::chatter: return Part::chatter;
    default: return Part::glue;
    }
}

} // namespace brumefall::notes
