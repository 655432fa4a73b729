/// The parts of a reading put together into notes, and what happens between them.
#pragma once

#include "notes/weighted_reading.h"

#include <string>
#include <vector>

namespace brumefall::captions {

/// What was said of one note, and what joins it to its neighbours. Its parts belong to the reading.
struct ReadNote {
    std::vector<const notes::Said*> parts;
    std::vector<const notes::Said*> joiner; ///< "into", "and": before it
    std::vector<const notes::Said*> distance; ///< after it
    std::size_t first_word = 0;
    std::size_t last_word = 0;
    bool corner = false;
    bool prefixed = false; ///< begins with something other than its head
    bool corrected = false; ///< some of it was taken back before it was said
    notes::Pause pause = notes::Pause::none; ///< before its first word, joiner included

    [[nodiscard]] std::string text() const;
};

/// No note and no part of one: praise, a word to the driver.
[[nodiscard]] bool isTalk(const notes::Said& said);

/// Along the stream: a note, a distance before the first, talk, a countdown or go, a stop.
struct Event {
    enum What { note, lead_in, talk, go, stop } what = note;
    ReadNote read; ///< of a note
    std::size_t first = 0; ///< of the heard words
    std::size_t last = 0;
};

/// The events of a reading, which outlives them. What a reader took back ("left three, no, right three") is
/// left out of its note.
[[nodiscard]] std::vector<Event> eventsOf(
    const std::vector<notes::Said>& said, const std::vector<notes::HeardWord>& words);

/// `events` with what was said again taken once, in its fullest form: the notes aligned with themselves in
/// runs of one to four of the same corners that nothing contradicts. Without a joining word only at an edge
/// of the captions, or where the crew does it by habit.
[[nodiscard]] std::vector<Event> unitedEvents(std::vector<Event> events);

} // namespace brumefall::captions
