#include "road_file.h"

#include <cmath>
#include <fstream>
#include <numbers>
#include <sstream>
#include <stdexcept>

namespace demo {
namespace {

class Reader {
public:
    explicit Reader(const std::filesystem::path& file)
        : file_(file)
    {
    }

    RoadDescription read()
    {
        std::ifstream stream(file_);
        if (!stream) {
            fail("cannot be read");
        }
        std::string line;
        while (std::getline(stream, line)) {
            ++line_;
            take(line);
        }
        return std::move(road_);
    }

private:
    [[noreturn]] void fail(const std::string& why) const
    {
        throw std::runtime_error(file_.string() + ":" + std::to_string(line_) + ": " + why);
    }

    void take(const std::string& line)
    {
        std::istringstream words(line);
        std::string what;
        if (!(words >> what) || what[0] == '#') {
            return;
        }
        if (takeFact(what, words)) {
            return;
        }
        if (what == "call") {
            call_ = true;
        } else if (what == "note") {
            std::string text;
            std::getline(words >> std::ws, text);
            if (const auto slash = text.find(" / "); slash != std::string::npos) {
                text.replace(slash, 3, " ");
            }
            road_.notes.push_back({text, road_.length_m, call_});
            call_ = false;
        } else if (what == "straight" || what == "left" || what == "right") {
            takeElement(what, words);
        } else {
            fail("unknown word: " + what);
        }
    }

    /// What is said of the stage as a whole.
    bool takeFact(const std::string& what, std::istringstream& words)
    {
        std::string value;
        if (what == "stage") {
            std::getline(words >> std::ws, road_.name);
        } else if (what == "official") {
            words >> road_.official_m;
        } else if (what == "recce") {
            road_.recce = true;
        } else if (what == "order") {
            words >> value;
            road_.style.order = value == "number_first" ? brumefall::notes::Order::number_first
                                                        : brumefall::notes::Order::direction_first;
        } else if (what == "scale") {
            words >> value;
            road_.style.scale = value == "descending" ? brumefall::notes::Scale::descending
                                                      : brumefall::notes::Scale::ascending;
        } else if (what == "echoes") {
            road_.echoes.dangerous = true;
            words >> road_.echoes.after_s;
        } else {
            return false;
        }
        return true;
    }

    void takeElement(const std::string& what, std::istringstream& words)
    {
        Element element;
        element.station_m = road_.length_m;
        double first = 0.0;
        double angle_deg = 0.0;
        if (!(words >> first) || (what != "straight" && !(words >> angle_deg))) {
            fail("a number is missing");
        }
        if (what == "straight") {
            element.length_m = first;
        } else {
            element.radius_m = first;
            element.turn_deg = what == "left" ? angle_deg : -angle_deg;
            element.length_m = first * angle_deg * std::numbers::pi / 180.0;
        }
        std::string property;
        while (words >> property) {
            element.crest = element.crest || property == "crest";
            element.narrow = element.narrow || property == "narrow";
            element.cobbles = element.cobbles || property == "cobbles";
            if (const auto at = property.find('@'); at != std::string::npos) {
                road_.landmarks.push_back(
                    {property.substr(0, at), road_.length_m + std::stod(property.substr(at + 1))});
            }
        }
        road_.length_m += element.length_m;
        road_.elements.push_back(element);
    }

    std::filesystem::path file_;
    int line_ = 0;
    bool call_ = true;
    RoadDescription road_;
};

} // namespace

RoadDescription readRoad(const std::filesystem::path& file)
{
    return Reader(file).read();
}

std::string notesText(const RoadDescription& road)
{
    std::string text;
    for (const TrueNote& note : road.notes) {
        if (note.begins_call && !text.empty()) {
            text += "\n";
        } else if (!text.empty()) {
            text += " ";
        }
        text += note.text;
    }
    return text + "\n";
}

brumefall::road::Road asCoreRoad(const RoadDescription& road)
{
    brumefall::road::Road out;
    out.length_m = road.length_m;
    for (const Element& element : road.elements) {
        if (element.turn_deg != 0.0) {
            out.notes.push_back({"", element.station_m, element.length_m, element.radius_m, 1.0, 0.0,
                {{element.length_m, element.turn_deg}}});
        }
    }
    return out;
}

} // namespace demo
