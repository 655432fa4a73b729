/// "one plus to two", "goes three": a corner that becomes another tightens or opens, by the file's scale.
#pragma once

#include "notes/note.h"
#include "notes/style.h"

namespace brumefall::notes {

/// Makes a shape of kind "becomes" into "tightens" or "opens": from what the corner was to what it becomes.
/// To the same grade it tightens, the safer of the two.
void settleShapes(Note& note, Scale scale);

} // namespace brumefall::notes
