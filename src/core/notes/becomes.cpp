#include "notes/becomes.h"

#include <map>

namespace brumefall::notes {
namespace {

/// Higher is faster; numbers go from 1 to 6 on it, named corners lie among them.
double speedRank(const Grade& grade, const std::string& modifier, Scale scale)
{
    static const std::map<std::string, double, std::less<>> kNamed{{"hairpin", -0.5}, {"open_hairpin", 0.0},
        {"tight_hairpin", -1.0}, {"very_tight_hairpin", -1.5}, {"acute", 0.0}, {"square", 0.5},
        {"open_square", 0.8}, {"tight_square", 0.3}, {"very_tight", 1.0}, {"tight", 1.8}, {"medium", 3.5},
        {"fast", 5.0}, {"bend", 5.3}, {"easy", 5.6}, {"kink", 6.5}, {"slight", 6.6}, {"flat", 7.0}};
    if (!grade.isNumber()) {
        const auto known = kNamed.find(grade.name);
        return known == kNamed.end() ? 3.5 : known->second;
    }
    const double number = grade.number + (modifier == "half" ? 0.5 : 0.0);
    const double between = modifier.ends_with("plus") ? 0.3 : modifier.ends_with("minus") ? -0.3 : 0.0;
    return between + (scale == Scale::ascending ? number : 7.0 - number);
}

} // namespace

void settleShapes(Note& note, Scale scale)
{
    const Grade* from = note.grade ? &*note.grade : nullptr;
    const std::string* modifier = &note.modifier;
    for (Shape& shape : note.shapes) {
        if (shape.kind == "becomes") {
            const bool opens = from != nullptr && shape.to
                && speedRank(*shape.to, shape.modifier, scale) > speedRank(*from, *modifier, scale);
            shape.kind = opens ? "opens" : "tightens";
        }
        if (shape.to) {
            from = &*shape.to;
            modifier = &shape.modifier;
        }
    }
}

} // namespace brumefall::notes
