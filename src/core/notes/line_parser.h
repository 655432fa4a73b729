/// One line of notes to one call: finds the corners, where one note ends and the next begins, and
/// what belongs to which.
#pragma once

#include "notes/atoms.h"
#include "notes/dictionary.h"
#include "notes/note.h"

#include <string_view>
#include <vector>

namespace brumefall::notes {

struct LineReading {
    std::vector<Note> notes;
    double distance_before_m = 0.0; ///< said before the line's first note
    std::string distance_before_spoken;
    bool joined_before = false; ///< the line begins with a joining word
    LinkKind join_before = LinkKind::none;
    int words = 0;
    int understood = 0;
    int chatter = 0;
    std::vector<Token> unknown;
    int against_order = 0; ///< corners whose grade stands on the other side than the order says
    int corners = 0;
    std::vector<std::string> remarks; ///< for the crew: "no grade for this corner"
};

[[nodiscard]] LineReading readLine(std::string_view line, const Dictionary& dictionary, Order order);

} // namespace brumefall::notes
