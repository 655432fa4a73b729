/// From words heard in a recording, each known as a word of some note, to what was read: full readings,
/// further ones, broken-off ones, words misread.
#pragma once

#include "plan/plan.h"
#include "take/take.h"

#include <cstddef>
#include <optional>
#include <string>
#include <vector>

namespace brumefall::take {

/// What is expected for one note.
struct ExpectedNote {
    std::string id;
    std::string spoken; ///< its own words, joining word included
    std::string spoken_after; ///< the distance said after it
    /// When it is due in the recording, in seconds, where that is known. Of all notes or of none, and in
    /// their order.
    std::optional<double> due_s = std::nullopt;
    /// When the plan has it begin, in seconds from go. Of all notes or of none, and in their order.
    std::optional<double> planned_s = std::nullopt;
};

/// `clock` lays the recording to the stage; nothing where that is not known.
[[nodiscard]] std::vector<ExpectedNote> expectedNotes(
    const plan::Plan& plan, const std::optional<Clock>& clock = std::nullopt);

/// Which note, which word of it, whether it is of the distance, and which of its near misses was said in its
/// place, from 1 on.
struct WordPlace {
    std::size_t note = 0;
    std::size_t word = 0;
    bool after = false;
    std::size_t miss = 0;
};

struct HeardWord {
    WordPlace place;
    take::Span span;
    std::string said; ///< in the place of the word that is written there; empty where it is that one
    double sure = 0.0; ///< of that

    /// A later word of the note that `before` is one of.
    [[nodiscard]] bool goesOn(const HeardWord& before) const
    {
        return !place.after && !before.place.after && place.note == before.place.note
            && place.word > before.place.word;
    }
};

/// The words of a spoken text, without punctuation.
[[nodiscard]] std::vector<std::string> spokenWords(const std::string& text);
/// It joins a note to the one before and may be left out: "into".
[[nodiscard]] bool isJoiner(const std::string& word);
/// A note's words but for one that joins it to the note before.
[[nodiscard]] std::vector<std::string> withoutJoiner(std::vector<std::string> words);

/// The own words of each note.
using OwnWords = std::vector<std::vector<std::string>>;
[[nodiscard]] OwnWords ownWords(const std::vector<ExpectedNote>& expected);

/// What was said in the place of a note is, word for word, the next one, or the one before, which was not
/// heard: a note was left out, none was misread. The same where several words would have been misread and
/// the next one was said again. `own_words` of each note.
void giveToNeighbours(std::vector<FoundNote>& found, const OwnWords& own_words);

/// Puts heard words together to readings of notes.
class Readings {
public:
    explicit Readings(const std::vector<ExpectedNote>& expected);
    /// Words in the order they were said in.
    void add(const HeardWord& word);
    /// One found note for each expected one; `length_s` is that of the recording, somebody spoke for `said_s`
    /// of it, and `surely` where some of it was notes one after the other with little else between them.
    [[nodiscard]] std::vector<FoundNote> finish(double length_s, double said_s = 0.0, bool surely = true);

private:
    /// A note that the end of the recording cut off can sound like a later one, reached by a skip.
    void dropCutOffLikeness(double length_s);
    /// A note is hardly read where few of its neighbours were, in their order and at about their times: of
    /// what is no reading of this stage some always sounds like a note.
    void dropStrays();
    /// How many of the notes around a note were read in their order and at about their times: many on one
    /// side of it, half of all, fewer, none.
    enum class Company { none, few, half, many };
    /// That of note `k`, one of those from `begin` to before `end`; none where it was not read.
    [[nodiscard]] Company companyOf(std::size_t k, std::size_t begin, std::size_t end) const;
    /// A few notes in so much that was said, or some strewn over it that nobody `surely` read, are no reading
    /// of this stage.
    void dropHardlyAny(double said_s, bool surely);
    /// Where more was said again than was said at all, nobody read.
    void dropBabble();
    /// A note said again in the place of the next, which is the same but for a word, was that one misread:
    /// hardly anyone says one again and leaves out the next for it.
    void takeFromRepeats();
    /// Nobody says a note again twice as fast, or drawn out to twice its length, or long after it by itself:
    /// that was talk.
    void dropUnlikelyRepeats();
    /// What is always heard so is the voice, not the reader's mistake.
    void doubtHabits();
    [[nodiscard]] bool canDrop(std::size_t k, std::size_t word) const;
    /// What of the open words is not as it is written.
    [[nodiscard]] std::vector<Misread> misreadWords() const;
    /// Of whose words several were others, or one, and not just before `next_s`: where the note is said as it
    /// is written then, that was talk. Who says one wrong says it right at once, or not at all.
    [[nodiscard]] static bool hardlySaid(const FoundNote& note, double next_s);
    [[nodiscard]] bool isHeardBefore(std::size_t a, std::size_t b) const;
    /// Note `b`, a later one than `a`, was heard after it, and about as much later as the plan has it, where
    /// that tells.
    [[nodiscard]] bool isInTime(std::size_t a, std::size_t b) const;
    void close();

    OwnWords own_words_;
    std::vector<std::vector<std::vector<std::string>>> misses_; ///< near misses of those
    std::vector<std::vector<std::string>> after_words_;
    std::vector<std::optional<double>> planned_s_;
    bool by_clock_ = false; ///< it is known when they are due
    std::vector<FoundNote> found_;
    std::vector<HeardWord> open_;
};

} // namespace brumefall::take
