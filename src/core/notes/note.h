/// What a crew says, as values: notes with their meaning, grouped into calls.
///
/// Words that the language knows are kept as lower-case identifiers with underscores
/// ("dont_cut", "open_hairpin"), the same identifiers that the command line prints.
#pragma once

#include <optional>
#include <string>
#include <vector>

namespace brumefall::notes {

enum class Direction { left, right };

enum class NoteKind { corner, junction, chicane, feature, straight, start, finish, stop, instruction };

/// How tight a corner is in the crew's own scale: a number (1-9), or a name such as "hairpin".
struct Grade {
    int number = 0;
    std::string name;

    [[nodiscard]] bool isNumber() const { return name.empty(); }
    bool operator==(const Grade&) const = default;
};

/// Something on the road and how the note relates to it: "over two small crests".
struct Feature {
    std::string relation;
    std::string what;
    std::string size;
    bool maybe = false;
    int count = 0;

    bool operator==(const Feature&) const = default;
};

/// A change of a corner's tightness: "tightens three late over crest".
struct Shape {
    std::string kind; ///< tightens or opens
    std::optional<Grade> to;
    std::string modifier;
    bool late = false;
    std::vector<Feature> features;

    bool operator==(const Shape&) const = default;
};

enum class LinkKind { none, distance, into, and_ };

/// What joins a note to the one after it. `metres` is meaningful for a distance only.
struct Link {
    LinkKind kind = LinkKind::none;
    double metres = 0.0;

    bool operator==(const Link&) const = default;
};

/// One instruction with one place on the road.
struct Note {
    std::string id;
    NoteKind kind = NoteKind::corner;
    std::string text; ///< as written, distance included
    std::string spoken; ///< the words said, with the joining word that leads to it
    std::string with_commas; ///< the same with the commas of the text, for printing it again
    std::string spoken_after; ///< the distance said after it, empty if none
    int syllables = 0; ///< of `spoken`

    std::optional<Direction> direction;
    std::optional<Grade> grade;
    std::string modifier; ///< plus, minus, half
    std::string extent;
    double for_m = 0.0; ///< "long for 100", "wet for 60"; 0 if not said
    std::vector<Shape> shapes;
    std::vector<std::string> lines;
    std::vector<Feature> features;
    std::string visibility;
    std::string surface;
    std::string camber;
    std::string width;
    std::string gradient;
    std::vector<std::string> warnings;
    std::vector<std::string> speed;
    std::vector<std::string> free_words; ///< words kept but not understood
    std::string corrected_from; ///< what the reader said first, in a self-correction
    bool underlined = false; ///< the crew's own mark, "!" in the text
    std::string echo_of; ///< id of the note that this one says again
    bool here = false; ///< said as the car is upon it ("… here now")
    double sure = 1.0; ///< how likely it is what was said, 0 to 1
    std::string doubt; ///< what else it might be; empty where there is no doubt
    Link link;

    /// Equal in meaning: everything but the id, the text and the words chosen for it.
    [[nodiscard]] bool sameMeaning(const Note& other) const;
};

/// What is said in one breath: one line of the notes. A line that is only a distance or only
/// talk has no notes of its own.
struct Call {
    int line = 0; ///< from 1
    std::string text;
    std::vector<Note> notes;
    std::string distance_spoken; ///< the distance said where the line has no notes of its own
    bool paragraph_before = false; ///< a blank line stands before it
    std::optional<double> at_s; ///< draft time of a call from captions, in the media
};

[[nodiscard]] std::string toString(NoteKind kind);
[[nodiscard]] std::string toString(Direction direction);
[[nodiscard]] std::string toString(LinkKind kind);
[[nodiscard]] std::string toString(const Grade& grade);

} // namespace brumefall::notes
