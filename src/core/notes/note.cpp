#include "notes/note.h"

#include <array>

namespace brumefall::notes {

bool Note::sameMeaning(const Note& other) const
{
    return kind == other.kind && direction == other.direction && grade == other.grade
        && modifier == other.modifier && extent == other.extent && for_m == other.for_m
        && shapes == other.shapes && lines == other.lines && features == other.features
        && visibility == other.visibility && surface == other.surface && camber == other.camber
        && width == other.width && gradient == other.gradient && warnings == other.warnings
        && speed == other.speed && underlined == other.underlined && here == other.here && link == other.link;
}

std::string toString(NoteKind kind)
{
    static constexpr std::array kNames{
        "corner", "junction", "chicane", "feature", "straight", "start", "finish", "stop", "instruction"};
    return kNames.at(static_cast<std::size_t>(kind));
}

std::string toString(Direction direction)
{
    return direction == Direction::left ? "left" : "right";
}

std::string toString(LinkKind kind)
{
    static constexpr std::array kNames{"none", "distance", "into", "and"};
    return kNames.at(static_cast<std::size_t>(kind));
}

std::string toString(const Grade& grade)
{
    return grade.isNumber() ? std::to_string(grade.number) : grade.name;
}

} // namespace brumefall::notes
