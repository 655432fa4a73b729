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

/// What turns a cut into its opposite, written as the phrases are: "never cut", "not a big cut".
[[nodiscard]] std::string_view refusals();

/// What a word or phrase can be, too, where a stream of words is read.
struct SecondMeaning {
    std::string_view word;
    Role role;
    std::string_view written;
    double cost; ///< nats, above what it mostly means
};
[[nodiscard]] std::span<const SecondMeaning> secondMeanings();
/// The grade that a word is, too, as it is written; empty for none.
[[nodiscard]] std::string_view otherGradeOf(std::string_view word);

/// A word said in passing, and its sounds then, in the recogniser's phones.
struct WeakForm {
    std::string_view word;
    std::string_view phones;
};
[[nodiscard]] std::span<const WeakForm> weakForms();

} // namespace brumefall::notes
