/// Searches a take piece by piece for the notes that are read in it.
#pragma once

#include "media/condense.h"
#include "media/reader_place.h"
#include "media/reading_grammar.h"
#include "media/sound.h"
#include "media/speech_decoder.h"
#include "take/readings.h"

#include <cstdint>
#include <memory>
#include <optional>
#include <span>
#include <vector>

namespace brumefall::media {

/// Searches a recording piece by piece, each for the notes that are due around where the reader is: what else
/// is heard in one piece cannot lead the search astray in the next.
class PieceSearch {
public:
    explicit PieceSearch(const std::vector<ExpectedNote>& expected);

    /// What was heard, in its order, at its time in `condensed`, and from where on the search has to go on:
    /// its end, or where `more` is to come, the last seam. Stops early where `progress` says so. `before_s`
    /// of the recording lie before `condensed`.
    struct Result {
        std::vector<HeardWord> words;
        double until_s = 0.0;
        /// Nothing was searched: the recording has to be condensed without this, and searched anew.
        std::optional<Without> without;
    };
    Result search(const Condensed& condensed, bool more, const Progress& progress, double before_s);

    /// Whether the reader's voice is not the model's, and how is known.
    [[nodiscard]] bool knowsVoice() const { return strange_voice_ || shorter_; }

    /// The same in one piece, where it is plainly a reading: where more may follow up to its last seam, or
    /// its last word before a silence, else to its end. Nothing where it is not, or has no seam: then the
    /// search stays where it is.
    std::optional<Result> goOnPlainly(const Condensed& condensed, bool more, double before_s);

private:
    static constexpr double kPiece_s = 24.0;
    static constexpr double kUnsure_s = 5.0; ///< of a piece's end: what comes next may change it
    static constexpr double kUnsureInPlain_s = 4.0;
    static constexpr double kBefore_s = 0.06;
    static constexpr double kAfter_s = 0.3; ///< of the silence after a word
    static constexpr double kLeast_s = 1.0; ///< that the search goes on by
    static constexpr double kSomething_s = 2.0; ///< of speech in a piece
    static constexpr std::size_t kSomeNotes = 3; ///< in order are no chance
    static constexpr double kHardlyTalk = 0.25; ///< for as long as the notes of a piece take
    static constexpr double kMostTalk = 1.0; ///< it may be a remark
    static constexpr std::size_t kSomeMisread = 2; ///< notes, in any piece
    static constexpr double kDearTalk = -60.0;
    static constexpr double kRareTalk = -32.0; ///< where there is hardly any

    /// A piece, first as one that may hold talk. Where little of it is the notes, the voice may just be
    /// unlike the model's: then talk is made dear, and what is found counts if it is in order.
    Heard hear(const Condensed& condensed, double from_s, double to_s);

    /// How much talk there may be beside the notes of a piece that is plainly read, once the voice is known.
    [[nodiscard]] double mostTalk() const { return remarked_ ? kHardlyTalk : kMostTalk; }

    /// What is plainly read in a piece, misread words told; nothing where it is not plainly a reading.
    std::optional<Heard> hearPlainly(const Condensed& condensed);

    /// The same in one go instead of two or three, where voice and place are known and the reader reads each
    /// note after the one before, as most do most of the time.
    std::optional<Heard> hearOneAfterAnother(const Condensed& condensed, Grammar::Window window);

    /// Talk that goes on and on is heard so every now and then only: it takes as long as all the rest.
    bool isWorthDearTalk();

    /// The next piece begins with word `seam`: at this time.
    double goOnAtSeam(const std::vector<HeardWord>& words, std::size_t seam);

    /// The notes that may be heard in a piece: those around where the reader is, as far as they are due.
    [[nodiscard]] Grammar::Window windowFor(const Condensed& condensed, double from_s, double to_s) const;

    /// When a piece of `condensed` is in the recording.
    [[nodiscard]] take::Span recordingOf(const Condensed& condensed, const take::Span& piece) const;
    /// These words of a piece count.
    void follow(const Condensed& condensed, std::span<const HeardWord> words);

    /// A recogniser for voices of one kind, with its grammar.
    struct Voice {
        Decoder decoder;
        std::unique_ptr<Grammar> grammar;
        FeatureMean mean;
    };
    [[nodiscard]] Voice makeVoice(double warp) const;

    /// The reader may be where nothing was due yet, if the recording leaves out a part: then the notes of the
    /// piece follow one another, with hardly any talk, in a window that the plan's times do not narrow.
    void readsElsewhere(
        const Condensed& condensed, const take::Span& piece, Grammar::Window& window, Heard& heard);

    /// Whether two voices speak in the piece and what is around it, and the louder reads notes and talks far
    /// less between them than both together do: the other is the driver. Then `without_` has that.
    bool readsLouder(const Condensed& condensed, const take::Span& piece, const Grammar::Window& window,
        const Heard& heard);

    /// Whether noise comes and goes in the piece (stones under the car), so that it seems that somebody
    /// speaks nearly all the time, and notes are read where it is taken out. Then `without_` has it.
    bool readsInPassingNoise(const Condensed& condensed, const take::Span& piece,
        const Grammar::Window& window, const Heard& heard);

    static constexpr std::size_t kTells = 9 * kAlignRate_hz; ///< a voice, where most of it is speech

    /// The beginning of a piece that holds enough speech to tell a voice by: in noise, whose pauses are not
    /// cut out, that is more of it.
    static std::span<const std::int16_t> enoughToTell(
        std::span<const std::int16_t> samples, const Heard& heard);

    /// Hears some samples as other throats would have said it, and goes on with the one that fits the model
    /// best: a shorter one step by step as long as that helps, and only where it helps much in all. Compared
    /// is how well the notes' words fit, as what an engine does between them is likelier in a shorter throat
    /// too (voices that need one gain 4 to 8 %, others at most 3 %). A longer one is not tried:
    /// the one voice that it made likelier was found whole without it. Whether another one was taken.
    bool fitVoice(std::span<const std::int16_t> samples, const Grammar::Window& window, int& tries);

    /// What is told of a piece: the words of each note closed up, and the misread ones with how sure that is.
    Heard toldOf(
        const Condensed& condensed, const take::Span& piece, const Grammar::Window& window, Heard heard);

    /// The same piece heard once more, now that it is known where the reader is: other words may stand in the
    /// place of a note's own. Nothing where that finds less, or would make another stage's notes into these;
    /// on the way, `heard` may be heard better.
    std::optional<Heard> withMisreadWords(
        const Condensed& condensed, const take::Span& piece, Grammar::Window window, Heard& heard);

    /// The next note is a single word ("stop"), and a word's talk was heard: that is as likely as it.
    [[nodiscard]] bool mayHaveShortNote(const Heard& heard) const;

    /// Notes are missing between those that were heard, or a short one after them: an accent may have been
    /// taken for talk, so the piece is heard once more with talk as dear as `talk_phone`. `window` keeps that
    /// price where it finds more, in order.
    Heard withMoreNotes(const Condensed& condensed, const take::Span& piece, Grammar::Window& window,
        Heard heard, double talk_phone);

    /// How sure it is that a word was another: by how much better the note, heard by itself, fits the sound
    /// with it.
    void judgeMisses(const Condensed& condensed, Heard& again);

    /// A word may have been heard at the end of the call before, where the note is said after a silence: then
    /// all its words stand where the rest of it was heard; after a short silence only if they fit there.
    void closeGaps(const Condensed& condensed, Heard& heard);
    /// The words of one note.
    void closeGap(const Condensed& condensed, std::span<HeardWord> note);

    /// A note was heard without its "into", said too weakly or too slowly, and so begins too late: the word
    /// is put before it where that explains what is heard there better than silence does.
    void addJoiners(const Condensed& condensed, Heard& heard);
    /// The joining word of a note that was heard from its second word on, if it is there; what was said
    /// before ends at `before_s`.
    std::optional<HeardWord> joinerOf(
        const Condensed& condensed, std::span<const HeardWord> note, double before_s);

    /// One past the last word of what begins with word `first`: a note, or a word of its distance.
    static std::size_t endOfNote(const std::vector<HeardWord>& words, std::size_t first);

    /// Nats by which another word has to fit better to be as likely as the written one: more where the two
    /// sound alike, as distances do, and nothing where they never do, as the directions.
    [[nodiscard]] double evenGain(const WordPlace& place) const;

    static constexpr double kAround_s = 0.1; ///< what is heard by itself is heard with so much around it
    static double fitFrom(const take::Span& span) { return std::max(0.0, span.start_s - kAround_s); }
    /// How well these words explain a stretch of the sound.
    std::optional<double> fit(
        const Condensed& condensed, const take::Span& span, const std::vector<WordPlace>& words);

    static std::span<const std::int16_t> samplesOf(const Condensed& condensed, const take::Span& span);

    Heard decode(const Condensed& condensed, double from_s, double to_s, const Grammar::Window& window);

    /// `from_s` is the time of the first sample.
    Heard decode(std::span<const std::int16_t> samples, double from_s, const Grammar::Window& window);

    /// The last word of the note that begins with word `i`, where it was heard whole; else `heard.size()`.
    /// The joining word may have been left out.
    [[nodiscard]] std::size_t lastWordOf(const std::vector<HeardWord>& heard, std::size_t i) const;

    /// The first word of the last note that begins after `from_s` and was heard whole before `sure_s`: the
    /// next piece begins with it.
    [[nodiscard]] std::size_t seamOf(const std::vector<HeardWord>& heard, double from_s, double sure_s) const;

    /// How many words there are up to the end of the last note that was heard whole before `sure_s`.
    [[nodiscard]] std::size_t wholeUntil(const std::vector<HeardWord>& heard, double sure_s) const;

    const std::vector<ExpectedNote>& expected_;
    Voice voice_;
    bool one_after_another_ = true; ///< the notes were read in the last piece
    /// There was talk in the last piece that was plainly read: who talks on seems to say notes again.
    bool remarked_ = false;
    bool fitted_ = false; ///< to the reader's throat
    bool shorter_ = false; ///< than the model's
    int tries_ = 0;
    double before_s_ = 0.0; ///< of the recording
    ReaderPlace place_;
    Without without_; ///< is what is searched
    bool is_told_ = true; ///< to whoever condenses it
    int passing_tries_ = 0;
    int louder_tries_ = 0;
    int louder_fits_ = 0;
    int dear_tries_ = 0;
    /// The model's phones fit it ill, so that talk always would explain it better.
    bool strange_voice_ = false;
};

} // namespace brumefall::media
