/// Notes keep their ids when the text around them is edited, so that marks, takes and remarks stay with them.
#pragma once

#include "notes/note.h"

#include <functional>
#include <string>
#include <vector>

namespace brumefall::notes {

/// What is remembered of a note to find it again.
struct KnownNote {
    std::string id;
    std::string text;

    bool operator==(const KnownNote&) const = default;
};

/// A note that was taken out of the text, and may come back.
struct GoneNote {
    std::string id;
    std::string text;
    std::string after; ///< id of the note before it, when it went; empty for the first

    bool operator==(const GoneNote&) const = default;
};

/// Gives every note of `calls` the id of the old note that it most probably is: the longest chain of
/// equal or similar notes in order, then equal ones that were moved; new notes get fresh ids that no
/// old note had. A note that is in none of them, but went before from that very place or together with the
/// one that follows it, has the id that it had. `echo_of` is renamed along. Quadratic in the edited part
/// only.
void keepIds(
    const std::vector<KnownNote>& before, std::vector<Call>& calls, const std::vector<GoneNote>& gone = {});

/// `gone` once `before` became `after`: with the notes that went and of which `matters` is true, without
/// those that came back. The latest are last; there are never more than a thousand.
[[nodiscard]] std::vector<GoneNote> rememberGone(std::vector<GoneNote> gone,
    const std::vector<KnownNote>& before, const std::vector<KnownNote>& after,
    const std::function<bool(const std::string&)>& matters);

/// The notes of `calls` in road order, as they would be remembered.
[[nodiscard]] std::vector<KnownNote> rememberNotes(const std::vector<Call>& calls);

} // namespace brumefall::notes
