/// A note's whole meaning in a few letters, for tests: "!caution L3 long tightens>2 over-crest 60".
#pragma once

#include "notes/note.h"
#include "notes/text.h"

#include <cmath>
#include <string>
#include <vector>

namespace support {

inline std::string brief(const brumefall::notes::Feature& feature)
{
    std::string text;
    for (const std::string& part : {feature.relation,
             feature.count > 0 ? std::to_string(feature.count) : std::string(), feature.size, feature.what}) {
        text += (text.empty() || part.empty() ? "" : "-") + part;
    }
    return text + (feature.maybe ? "?" : "");
}

inline std::string brief(const brumefall::notes::Note& note)
{
    using namespace brumefall::notes;
    std::vector<std::string> parts;
    for (const auto& warning : note.warnings) {
        parts.push_back("!" + warning);
    }
    parts.emplace_back(note.underlined ? "*" : "");
    parts.push_back(note.kind == NoteKind::corner ? "" : toString(note.kind));
    const std::string side = !note.direction ? "" : *note.direction == Direction::left ? "L" : "R";
    parts.push_back(side + (note.grade ? toString(*note.grade) : ""));
    for (const std::string& part :
        {note.modifier, note.extent, note.visibility, note.surface, note.camber, note.width, note.gradient}) {
        parts.push_back(part);
    }
    parts.push_back(note.for_m > 0.0 ? "for:" + std::to_string(std::lround(note.for_m)) : "");
    for (const auto& shape : note.shapes) {
        std::string text = (shape.late ? "late-" : "") + shape.kind
            + (shape.to ? ">" + toString(*shape.to) : "") + shape.modifier;
        for (const auto& feature : shape.features) {
            text += " [" + brief(feature) + "]";
        }
        parts.push_back(text);
    }
    parts.insert(parts.end(), note.lines.begin(), note.lines.end());
    for (const auto& feature : note.features) {
        parts.push_back(brief(feature));
    }
    for (const auto& speed : note.speed) {
        parts.push_back("~" + speed);
    }
    for (const auto& word : note.free_words) {
        parts.push_back("??" + word);
    }
    parts.push_back(note.corrected_from.empty() ? "" : "(was " + note.corrected_from + ")");
    parts.emplace_back(note.echo_of.empty() ? "" : "echo");
    parts.push_back(note.link.kind == LinkKind::distance ? std::to_string(std::lround(note.link.metres))
            : note.link.kind == LinkKind::none           ? ""
                                                         : toString(note.link.kind));
    std::erase(parts, "");
    return joinWords(parts);
}

inline std::string brief(const brumefall::notes::Call& call)
{
    std::string text;
    for (const auto& note : call.notes) {
        text += (text.empty() ? "" : " | ") + brief(note);
    }
    return text;
}

} // namespace support
