/// What a word or phrase can be while notes are being said, and the states that a note goes through.
#pragma once

#include "notes/lexicon.h"
#include "notes/style.h"

#include <array>
#include <cstdint>
#include <string>
#include <vector>

namespace brumefall::notes {

/// The pause before a word: what is written there, and whether a block of captions begins with it.
/// `silence` is so long that hardly a note goes on after it.
enum class Pause : std::uint8_t { none, comma, stop, edge, stop_edge, silence };
inline constexpr std::size_t kPauses = static_cast<std::size_t>(Pause::silence) + 1;
constexpr bool isEdge(Pause pause)
{
    return pause >= Pause::edge;
}
constexpr bool isStop(Pause pause)
{
    return pause == Pause::stop || pause >= Pause::stop_edge;
}

/// Parts of a note, as the weighted reading tells them apart. A part that the lexicon's roles do not tell
/// apart (a grade and a distance are numbers both) is told apart here.
enum class Part : std::uint8_t {
    left,
    right,
    grade,
    named_grade,
    modifier,
    extent,
    shape,
    to,
    late,
    cut,
    keep,
    relation,
    position, ///< a relation that says all: "inside", "on exit"
    crest,
    thing,
    size,
    count,
    unseen,
    attribute,
    warning,
    speed,
    flat_out, ///< a speed that is said behind its corner: before one it is the grade
    junction,
    chicane,
    into,
    and_,
    distance,
    start,
    finish,
    stop,
    correction,
    here,
    maybe,
    instruction,
    glue,
    chatter,
    countdown,
    go,
    again, ///< words shown twice at an edge, or stuttered
    unknown,
    skipped, ///< a word of the language that has no meaning where it stands
};
inline constexpr std::size_t kParts = static_cast<std::size_t>(Part::skipped) + 1;

constexpr bool isRelation(Part part)
{
    return part == Part::relation || part == Part::position;
}

/// A state between two words. Corners remember their side.
enum class Kind : std::uint8_t {
    start,
    after_distance,
    after_into,
    prefix, ///< of the note to come: a warning, an extent, what is seen of it
    prefix_line, ///< the same with a line to drive, which may turn out to be a note of its own
    junction, ///< "turn", a side is to come
    grade,
    named_grade,
    direction,
    corner,
    corner_and, ///< "and" was said after it
    shape,
    shape_to,
    target,
    relation, ///< within a corner, its thing is to come
    thing, ///< a note without a corner
    thing_apart, ///< the same, set apart from the note before or by a warning
    thing_relation, ///< the same, its thing is to come
    chicane,
    corrected, ///< "no": the same corner once more
    finish,
    stop,
    talk,
    kinds
};

enum class Side : std::uint8_t { none, left, right };

struct State {
    Kind kind = Kind::start;
    Side side = Side::none;

    [[nodiscard]] std::size_t index() const
    {
        return static_cast<std::size_t>(kind) * 3 + static_cast<std::size_t>(side);
    }
    [[nodiscard]] static State at(std::size_t index)
    {
        return {static_cast<Kind>(index / 3), static_cast<Side>(index % 3)};
    }
    bool operator==(const State&) const = default;
};

inline constexpr std::size_t kStates = static_cast<std::size_t>(Kind::kinds) * 3;

/// A way on from a state: what it costs, and whether a new note begins with the part.
struct Step {
    State to;
    double cost = 0.0;
    bool begins = false;
};

/// What a pause says: how much going on with a note costs after it, and how much beginning the next one. By
/// pause: none, comma, stop, edge, stop and edge.
struct PauseCosts {
    std::array<double, kPauses> within{0.0, 0.45, 1.1, 0.5, 1.4, 3.5};
    std::array<double, kPauses> between{1.3, 0.6, 0.15, 0.7, 0.0, 0.0};
};

/// The ways on from `state` when `part` is said after `pause`. In nats: the negative logarithm of
/// how likely it is. The steps are appended to `steps`.
void stepsFrom(
    State state, Part part, Pause pause, Order order, const PauseCosts& costs, std::vector<Step>& steps);

/// What it costs to end in `state`: nothing where a note is whole.
[[nodiscard]] double costToEnd(State state);

/// The part that a phrase of the lexicon is.
[[nodiscard]] Part partOf(const LexiconEntry& entry);

} // namespace brumefall::notes
