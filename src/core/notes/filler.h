/// Gives the atoms of one note their meaning in it.
#pragma once

#include "notes/atom_line.h"
#include "notes/note.h"

namespace brumefall::notes {

/// What a note without a corner is, by its words.
[[nodiscard]] NoteKind headlessKind(const AtomLine& line, std::size_t first, std::size_t last);

/// Gives every atom of [first, last) that is not used yet its meaning in `note`, and marks it as used.
void fillNote(AtomLine& line, Note& note, std::size_t first, std::size_t last);

} // namespace brumefall::notes
