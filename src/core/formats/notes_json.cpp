#include "formats/notes_json.h"

#include "formats/kind_file.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <cmath>

namespace brumefall::formats {
namespace {

using Json = nlohmann::ordered_json;

void putText(Json& json, const char* name, const std::string& value)
{
    if (!value.empty()) {
        json[name] = value;
    }
}

template <typename List> void putList(Json& json, const char* name, const List& values)
{
    if (!values.empty()) {
        json[name] = values;
    }
}

Json gradeToJson(const notes::Grade& grade)
{
    return grade.isNumber() ? Json(grade.number) : Json(grade.name);
}

Json featureToJson(const notes::Feature& feature)
{
    Json json = Json::object();
    putText(json, "relation", feature.relation);
    putText(json, "what", feature.what);
    putText(json, "size", feature.size);
    if (feature.maybe) {
        json["maybe"] = true;
    }
    if (feature.count > 0) {
        json["count"] = feature.count;
    }
    return json;
}

Json featuresToJson(const std::vector<notes::Feature>& features)
{
    Json list = Json::array();
    for (const auto& feature : features) {
        list.push_back(featureToJson(feature));
    }
    return list;
}

Json shapesToJson(const std::vector<notes::Shape>& shapes)
{
    Json list = Json::array();
    for (const auto& shape : shapes) {
        Json json{{"kind", shape.kind}};
        if (shape.to) {
            json["to"] = gradeToJson(*shape.to);
        }
        putText(json, "modifier", shape.modifier);
        if (shape.late) {
            json["late"] = true;
        }
        putList(json, "features", featuresToJson(shape.features));
        list.push_back(std::move(json));
    }
    return list;
}

} // namespace

Json noteToJson(const notes::Note& note)
{
    Json json{
        {"id", note.id}, {"kind", notes::toString(note.kind)}, {"text", note.text}, {"spoken", note.spoken}};
    putText(json, "spoken_after", note.spoken_after);
    json["syllables"] = note.syllables;
    if (note.direction) {
        json["direction"] = notes::toString(*note.direction);
    }
    if (note.grade) {
        json["grade"] = gradeToJson(*note.grade);
    }
    putText(json, "modifier", note.modifier);
    putText(json, "extent", note.extent);
    if (note.for_m > 0.0) {
        json["for_m"] = note.for_m;
    }
    putList(json, "shapes", shapesToJson(note.shapes));
    putList(json, "lines", note.lines);
    putList(json, "features", featuresToJson(note.features));
    putText(json, "visibility", note.visibility);
    putText(json, "surface", note.surface);
    putText(json, "camber", note.camber);
    putText(json, "width", note.width);
    putText(json, "gradient", note.gradient);
    putList(json, "warnings", note.warnings);
    putList(json, "speed", note.speed);
    putList(json, "free_words", note.free_words);
    putText(json, "corrected_from", note.corrected_from);
    if (note.underlined) {
        json["underlined"] = true;
    }
    putText(json, "echo_of", note.echo_of);
    Json link{{"kind", notes::toString(note.link.kind)}};
    if (note.link.kind == notes::LinkKind::distance) {
        link["metres"] = note.link.metres;
    }
    json["link"] = std::move(link);
    json["sure"] = std::round(note.sure * 1000.0) / 1000.0;
    putText(json, "doubt", note.doubt);
    return json;
}

Json notesToJson(const notes::ParsedNotes& parsed)
{
    Json evidence = Json::array();
    for (const auto& item : parsed.style.evidence) {
        evidence.push_back({{"says", item.says}, {"line", item.line}});
    }
    Json calls = Json::array();
    for (const auto& call : parsed.calls) {
        Json list = Json::array();
        for (const auto& note : call.notes) {
            list.push_back(noteToJson(note));
        }
        Json json{{"line", call.line}, {"text", call.text}, {"notes", std::move(list)}};
        if (call.at_s) {
            json["at_s"] = std::round(*call.at_s * 1000.0) / 1000.0;
        }
        calls.push_back(std::move(json));
    }
    Json unknown = Json::array();
    for (const auto& item : parsed.unknown) {
        unknown.push_back({{"line", item.line}, {"text", item.text}, {"suggestion", item.suggestion}});
    }
    Json json{{"format", "brumefall/notes/1"},
        {"style",
            {{"order", notes::toString(parsed.style.order)}, {"scale", notes::toString(parsed.style.scale)},
                {"evidence", std::move(evidence)}}}};
    if (parsed.lead_in_m > 0.0) {
        json["lead_in_m"] = parsed.lead_in_m;
    }
    json["calls"] = std::move(calls);
    json.update({{"words", parsed.words}, {"understood", parsed.understood}, {"chatter", parsed.chatter},
        {"unknown", std::move(unknown)}});
    return json;
}

Json styleToJson(const notes::Style& style)
{
    Json json = Json::object();
    if (style.order) {
        json["order"] = notes::toString(*style.order);
    }
    if (style.scale) {
        json["scale"] = notes::toString(*style.scale);
    }
    json["hundreds"] = style.hundreds == notes::HundredsSaid::short_form ? "short_form" : "long_form";
    if (!style.name.empty()) {
        json["name"] = style.name;
    }
    json["abbreviations"] = style.abbreviations;
    json["words"] = style.words;
    for (const auto& [grade, size] : style.grade_sizes) {
        json["grade_sizes"][grade] = {{"radius_m", size.radius_m}, {"angle_deg", size.angle_deg}};
    }
    return json;
}

notes::Style styleFromJson(const Json& json)
{
    notes::Style style;
    if (json.contains("order")) {
        style.order = json["order"].get<std::string>() == "number_first" ? notes::Order::number_first
                                                                         : notes::Order::direction_first;
    }
    if (json.contains("scale")) {
        style.scale = json["scale"].get<std::string>() == "descending" ? notes::Scale::descending
                                                                       : notes::Scale::ascending;
    }
    if (json.value("hundreds", "short_form") == std::string("long_form")) {
        style.hundreds = notes::HundredsSaid::long_form;
    }
    style.name = json.value("name", std::string());
    style.words = json.value("words", std::map<std::string, std::string>{});
    style.abbreviations = json.value("abbreviations", std::map<std::string, std::string>{});
    const Json sizes = json.value("grade_sizes", Json::object());
    for (const auto& [grade, size] : sizes.items()) {
        const notes::CornerSize read{size.at("radius_m").get<double>(), size.at("angle_deg").get<double>()};
        style.grade_sizes[grade] = {
            std::clamp(read.radius_m, 3.0, 2000.0), std::clamp(read.angle_deg, 1.0, 240.0)};
    }
    return style;
}

notes::Style readStyle(const std::filesystem::path& file)
{
    return reading(file, [&] { return styleFromJson(readKind(file, "style")); });
}

void writeStyle(const std::filesystem::path& file, const notes::Style& style)
{
    Json json = styleToJson(style);
    json["format"] = "brumefall/style/1";
    writeKind(file, json);
}

} // namespace brumefall::formats
