/// Where a piece of a recording may end and the next one begin: at a note that was heard whole.
#pragma once

#include "media/condense.h"
#include "media/heard.h"
#include "media/reading_grammar.h"

#include <cstddef>
#include <optional>
#include <span>
#include <vector>

namespace brumefall::media {

/// The first word of the last note that begins after `from_s` and was heard whole before `sure_s`; how many
/// words there are where there is none.
[[nodiscard]] std::size_t seamOf(
    const std::vector<HeardWord>& heard, const Grammar& grammar, double from_s, double sure_s);

/// How many words there are up to the end of the last note that was heard whole before `sure_s`.
[[nodiscard]] std::size_t wholeUntil(
    const std::vector<HeardWord>& heard, const Grammar& grammar, double sure_s);

/// When the note begins that `time_s` falls into, one that begins with word `first` or a later one; nothing
/// where none does: one that was broken off before is not heard whole by hearing it again.
[[nodiscard]] std::optional<double> begunBefore(
    std::span<const HeardWord> heard, std::size_t first, double time_s);

/// The word that the last note begins with; 0 where there is none.
[[nodiscard]] std::size_t lastBegun(std::span<const HeardWord> heard);

/// The words that begin within a stretch.
[[nodiscard]] std::vector<HeardWord> wordsIn(std::span<const HeardWord> heard, const take::Span& span);

/// A stretch in parts between which a silence was cut out of the recording: calls, mostly.
[[nodiscard]] std::vector<take::Span> saidParts(const Condensed& condensed, const take::Span& span);

} // namespace brumefall::media
