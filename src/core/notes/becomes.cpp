#include "notes/becomes.h"

namespace brumefall::notes {

void settleShapes(Note& note, const Grades& grades)
{
    const Grade* from = note.grade ? &*note.grade : nullptr;
    const std::string* modifier = &note.modifier;
    for (Shape& shape : note.shapes) {
        if (shape.kind == "becomes") {
            const bool opens = from != nullptr && shape.to
                && sizeOf(*shape.to, shape.modifier, grades).radius_m
                    > sizeOf(*from, *modifier, grades).radius_m;
            shape.kind = opens ? "opens" : "tightens";
        }
        if (shape.to) {
            from = &*shape.to;
            modifier = &shape.modifier;
        }
    }
}

} // namespace brumefall::notes
