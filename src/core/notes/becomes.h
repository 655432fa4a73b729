/// "one plus to two", "goes three": a corner that becomes another tightens or opens, by the sizes of its
/// grades.
#pragma once

#include "notes/grade_sizes.h"
#include "notes/note.h"

namespace brumefall::notes {

/// Makes a shape of kind "becomes" into "tightens" or "opens": from what the corner was to what it becomes.
/// To the same grade it tightens, the safer of the two.
void settleShapes(Note& note, const Grades& grades);

} // namespace brumefall::notes
