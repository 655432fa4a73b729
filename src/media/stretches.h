/// What was heard of a recording stretch by stretch, and which of it has to be heard once more now that it is
/// known what comes before and after it.
#pragma once

#include "media/heard.h"

#include <cstddef>
#include <optional>
#include <span>
#include <vector>

namespace brumefall::media {

/// A part of a recording, and what counts of it.
struct Stretch {
    take::Span span; ///< of the condensed recording
    std::vector<HeardWord> words;
    bool sure = false; ///< that this was read there: chance does not make it
};

/// So many notes one after the other, with little else between them.
[[nodiscard]] bool isSurelyRead(const Heard& heard);

/// Notes from `first` to before `last`.
struct NoteRange {
    std::size_t first = 0;
    std::size_t last = 0;
};

/// A run of stretches, from `first` to before `last`, and the notes that are to be looked for in them: those
/// between the next stretches around it that were surely read.
struct Doubtful {
    std::size_t first = 0;
    std::size_t last = 0;
    NoteRange notes;
    std::optional<std::size_t> before; ///< a stretch
    std::size_t after = 0;
};
/// Where notes are missing between stretches that were surely read in their order. None after the last of
/// those: nothing more is known of what is left.
[[nodiscard]] std::vector<Doubtful> doubtful(const std::vector<Stretch>& stretches);

/// How many different notes of a range were heard.
[[nodiscard]] std::size_t notesIn(std::span<const Stretch> stretches, const NoteRange& range);

/// Keeps of each note only the first of its readings that go on to its end, or as far as any does.
void dropRepeats(std::vector<Stretch>& stretches);

} // namespace brumefall::media
