/// The one description that the whole demo is made from: a road of straights and arcs, with its notes.
#pragma once

#include "notes/style.h"
#include "plan/people.h"
#include "road/layout.h"

#include <filesystem>
#include <string>
#include <vector>

namespace demo {

struct Landmark {
    std::string what;
    double station_m;
};

/// A straight or an arc. `radius_m` is 0 for a straight; `turn_deg` is positive to the left.
struct Element {
    double station_m = 0.0;
    double length_m = 0.0;
    double radius_m = 0.0;
    double turn_deg = 0.0;
    bool crest = false;
    bool narrow = false;
    bool cobbles = false;
};

/// A note at its true place.
struct TrueNote {
    std::string text; ///< with its distance, as the crew writes it
    double station_m = 0.0;
    bool begins_call = false;
};

struct RoadDescription {
    std::string name;
    double official_m = 0.0;
    bool recce = false; ///< was driven slowly, with a video
    brumefall::notes::Style style; ///< empty: as the notes show it
    brumefall::plan::Echoes echoes;
    std::vector<Element> elements;
    std::vector<Landmark> landmarks;
    std::vector<TrueNote> notes;
    double length_m = 0.0;
};

/// Throws std::runtime_error naming file and line.
[[nodiscard]] RoadDescription readRoad(const std::filesystem::path& file);

/// The notes as a crew would hand them on: one call a line.
[[nodiscard]] std::string notesText(const RoadDescription& road);

/// The same road as the core knows one, for its speed profile.
[[nodiscard]] brumefall::road::Road asCoreRoad(const RoadDescription& road);

} // namespace demo
