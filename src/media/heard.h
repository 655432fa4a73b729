/// What a piece of a recording was found to be: words of the notes, and talk.
#pragma once

#include "take/readings.h"

#include <cstddef>
#include <span>
#include <vector>

namespace brumefall::media {

using take::HeardWord;

/// What a piece of a recording was found to be.
struct Heard {
    std::vector<HeardWord> words;
    double notes_s = 0.0; ///< how much of it is said of the notes
    double talk_s = 0.0; ///< and how much is something else
    double notes_fit = 0.0; ///< logarithm of how well the notes' words fit the sound, in nats for each frame

    [[nodiscard]] std::size_t notes() const; ///< how many different ones
    [[nodiscard]] std::size_t readings() const; ///< how many notes are begun
    [[nodiscard]] std::size_t misreadNotes() const; ///< how many have another word in the place of their own
    /// Most of what is said in it is the notes.
    [[nodiscard]] bool isReading() const;
    /// Its words are longer than anybody says them: noise was taken for them.
    [[nodiscard]] bool isDrawnOut() const;
    /// Hardly anything but the same note over and over: noise was taken for it.
    [[nodiscard]] bool isSaidOver() const;
    /// Notes that follow each other, few left out and few said again: chance does not make that.
    [[nodiscard]] bool isInOrder() const;
    /// Nearly every note is followed by the next one: stricter than in order.
    [[nodiscard]] bool goesForward() const;
    /// Some notes, and they neither follow each other nor are in order.
    [[nodiscard]] bool isInDisorder() const;
    /// Notes, each followed by itself or one of the next two, and at most so much talk for as long as they
    /// take.
    [[nodiscard]] bool isPlainReading(double most_talk) const;
    /// Each note is followed by itself or the next one.
    [[nodiscard]] bool isOneAfterAnother() const;
    /// Other words, elsewhere, are taken for a note that was heard `before` as it is written.
    [[nodiscard]] bool mistakesOther(const Heard& before) const;
};

/// Whether a reading of a note begins with word `w` of some.
[[nodiscard]] bool beginsNote(std::span<const HeardWord> words, std::size_t w);
/// One past the last word of what begins with word `first`: a note, or a word of its distance.
[[nodiscard]] std::size_t endOfNote(std::span<const HeardWord> words, std::size_t first);

} // namespace brumefall::media
