/// The plan of a stage: notes and their places in, a start and an end for everything that is said out.
#pragma once

#include "notes/note.h"
#include "pace/pass.h"
#include "plan/people.h"

#include <functional>
#include <map>
#include <set>
#include <span>
#include <string>
#include <vector>

namespace brumefall::plan {

/// Earliest, wished-for and latest end of a spoken note, in seconds from go; opens <= ideal <= closes.
struct Window {
    double opens_s = 0.0;
    double ideal_s = 0.0;
    double closes_s = 0.0;
};

enum class Status { early, on_time, late };

/// A note in the plan. Times in seconds from go; a lead is from the end of the spoken note to its action
/// point.
struct PlannedNote {
    std::string id;
    std::string echo_of;
    int call = 0; ///< index into the plan's calls
    std::string text;
    std::string spoken;
    std::string spoken_after;
    double spoken_s = 0.0; ///< length of `spoken`
    double gap_after_s = 0.0; ///< exact within a call; at its end the least gap, breath included
    double weight = 1.0;
    double station_m = 0.0;
    double arrive_s = 0.0;
    double action_m = 0.0;
    double act_s = 0.0;
    Window window;
    double start_s = 0.0;
    double end_s = 0.0;
    double lead_s = 0.0;
    double lead_m = 0.0;
    int notes_ahead = 0;
    Status status = Status::on_time;
    double in_time_share = 0.0; ///< of readings in which it ends inside its window
    double holds_to_pace = 0.0; ///< up to so many times the pace it still comes in time; under 1: it does not
    bool pinned = false;
};

/// A call in the plan: notes [first, last) of the plan, and how long it sounds with its distances.
struct PlannedCall {
    int line = 0;
    std::string text;
    std::size_t first = 0;
    std::size_t last = 0;
    double start_s = 0.0;
    double end_s = 0.0; ///< of its last distance, or its last note where none is said
};

/// What the crew has decided about single notes, beyond the driver's and the reader's general wishes.
struct Shaping {
    std::map<std::string, double> lead_offset_s; ///< added to the wished lead of a note
    std::map<std::string, std::string> said_as; ///< words said in place of a note's own
    std::set<std::string> unsaid_distance; ///< notes after which no distance is said
    std::map<std::string, double> rate_syll_s; ///< of single calls, by the id of their first note
    std::map<std::string, int> holds_notes; ///< how many notes the driver holds when this one is said

    bool operator==(const Shaping&) const = default;
};

/// What can be done about a squeeze, the seconds it saves, and what accepting it does.
struct Remedy {
    std::string kind; ///< sooner, break, join, drop, faster
    std::vector<std::string> notes;
    double saves_s = 0.0;
    std::string text;
    std::map<std::string, double> starts_s; ///< calls put where they are needed, by their first notes
    Shaping shaping; ///< members to be added to the stage's own
    std::string boundary; ///< the note before which a call is broken, or joined to the one before
};

/// A run of notes that cannot all be said inside their windows by this reader at this pace.
struct Squeeze {
    std::string first;
    std::string last;
    double short_s = 0.0; ///< by how much the worst note misses its window
    double rate_needed = 0.0; ///< syllables a second that would cure it, 0 where none would
    std::string cause; ///< in words: "five notes in 3.9 s of road; at your rate they take 5.1 s"
    std::vector<Remedy> remedies;
};

/// A note read on the start line, before the countdown; times before go are negative.
struct LineUpNote {
    std::string id;
    std::string spoken;
    double start_s = 0.0;
    double end_s = 0.0;
};

struct Plan {
    double late_penalty = 4.0;
    double not_before_s = 0.0;
    std::vector<PlannedNote> notes;
    std::vector<PlannedCall> calls;
    std::vector<Squeeze> squeezes;
    std::vector<LineUpNote> line_up;
};

/// Everything that a plan is made from. `placement.notes` are in the order of the notes in `calls`.
struct PlanInput {
    std::span<const notes::Call> calls;
    notes::Scale scale = notes::Scale::ascending;
    const pace::Placement* placement = nullptr;
    Reader reader;
    Driver driver;
    std::map<std::string, double> pinned_s; ///< start of a call fixed by hand, by the id of its first note
    Shaping shaping;
    Echoes echoes;
    notes::Style style; ///< for shortening what is said
    notes::Order order = notes::Order::direction_first;
};

/// Seconds that `reader` needs for `syllables`.
[[nodiscard]] double spokenLength_s(int syllables, const Reader& reader);

/// Makes the plan. Notes without a place, or a reader with a rate not above zero, throw
/// std::invalid_argument.
[[nodiscard]] Plan makePlan(const PlanInput& input);

/// The plan with every time of speaking moved by `to`, which must keep their order: the same calls in the
/// time of another pace.
[[nodiscard]] Plan spokenIn(Plan plan, const std::function<double(double)>& to);

[[nodiscard]] std::string toString(Status status);

} // namespace brumefall::plan
