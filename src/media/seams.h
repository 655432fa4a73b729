/// Where a piece of a recording may end and the next one begin: at a note that was heard whole.
#pragma once

#include "media/heard.h"
#include "media/reading_grammar.h"

#include <cstddef>
#include <vector>

namespace brumefall::media {

/// The first word of the last note that begins after `from_s` and was heard whole before `sure_s`; how many
/// words there are where there is none.
[[nodiscard]] std::size_t seamOf(
    const std::vector<HeardWord>& heard, const Grammar& grammar, double from_s, double sure_s);

/// How many words there are up to the end of the last note that was heard whole before `sure_s`.
[[nodiscard]] std::size_t wholeUntil(
    const std::vector<HeardWord>& heard, const Grammar& grammar, double sure_s);

} // namespace brumefall::media
