/// Notes keep their ids when the text around them is edited, so that marks, takes and remarks stay with them.
#pragma once

#include "notes/note.h"

#include <string>
#include <vector>

namespace brumefall::notes {

/// What is remembered of a note to find it again.
struct KnownNote {
    std::string id;
    std::string text;
};

/// Gives every note of `calls` the id of the old note that it most probably is: the longest chain of
/// equal or similar notes in order, then equal ones that were moved; new notes get fresh ids that no
/// old note had. `echo_of` is renamed along. Quadratic in the edited part only.
void keepIds(const std::vector<KnownNote>& before, std::vector<Call>& calls);

/// The notes of `calls` in road order, as they would be remembered.
[[nodiscard]] std::vector<KnownNote> rememberNotes(const std::vector<Call>& calls);

} // namespace brumefall::notes
