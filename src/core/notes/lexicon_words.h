/// The table of words itself. A new word is one entry in it.
#pragma once

#include "notes/lexicon.h"

#include <span>
#include <string_view>

namespace brumefall::notes {

/// Phrases of one role.
struct RoleWords {
    Role role;
    std::string_view phrases; ///< separated by blanks; "_" joins words; "said=meant" where they differ
};

[[nodiscard]] std::span<const RoleWords> lexiconWords();

} // namespace brumefall::notes
