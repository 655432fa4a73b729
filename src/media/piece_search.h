/// Searches a take piece by piece for the notes that are read in it.
#pragma once

#include "media/condense.h"
#include "media/heard.h"
#include "media/note_recogniser.h"
#include "media/reader_place.h"
#include "media/reading_grammar.h"
#include "media/sound.h"
#include "media/stretches.h"
#include "take/readings.h"

#include <cstdint>
#include <optional>
#include <span>
#include <vector>

namespace brumefall::media {

/// What is known of a part of a recording.
struct Between {
    NoteRange notes; ///< that may be read in it
    std::vector<BegunNote> around; ///< what is read before and after it
    bool after_some = false; ///< of that something is before it
    std::size_t found = 0; ///< how many of the notes were heard in it so far
};

/// Searches a recording piece by piece, each for the notes that are due around where the reader is: what else
/// is heard in one piece cannot lead the search astray in the next.
class PieceSearch {
public:
    explicit PieceSearch(const std::vector<ExpectedNote>& expected);
    /// The same in a recording of them all that was condensed without this already and has no clock, where
    /// the first one is likely to begin near its second `first_s`.
    PieceSearch(const std::vector<ExpectedNote>& expected, Without without, double first_s);

    /// What was heard, in its order, at its time in `condensed`, and from where on the search has to go on:
    /// its end, or where `more` is to come, the last seam. Stops early where `progress` says so. `before_s`
    /// of the recording lie before `condensed`.
    struct Result {
        std::vector<Stretch> stretches;
        double until_s = 0.0;
        /// Nothing was searched: the recording has to be condensed without this, and searched anew.
        std::optional<Without> without;
    };
    Result search(const Condensed& condensed, bool more, const Progress& progress, double before_s);

    /// What is heard of a part of the recording, once more, with `before_s` of it before `condensed`: nothing
    /// where that is less than before. The search stays where it is.
    std::vector<Stretch> searchBetween(const Condensed& condensed, const take::Span& span, double before_s,
        const Between& between, const Progress& progress);

    /// Whether the reader's voice is not the model's, and how is known.
    [[nodiscard]] bool knowsVoice() const { return strange_voice_ || shorter_; }
    /// The driver speaks, too, or stones hit the car.
    [[nodiscard]] bool isInNoise() const { return without_.all_but || without_.passing_noise; }

    /// The same in one piece, where it is plainly a reading: where more may follow up to its last seam, or
    /// its last word before a silence, else to its end. Nothing where it is not, or has no seam, or where it
    /// is in noise and more may follow, as a few words tell too little there: then the search stays where it
    /// is.
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
    static constexpr double kWeightInNoise = 2.5; ///< of what the grammar says
    static constexpr double kTalkInNoise = -16.0; ///< before it is weighted

    /// Searches `span` of `condensed`, to its end or, where `more` is to come, to the last seam; nothing
    /// where the recording has to be condensed anew, without `without_`.
    std::optional<std::vector<Stretch>> searchIn(
        const Condensed& condensed, const take::Span& span, bool more, const Progress& progress);
    /// By how much the note that begins with word `i` is earlier than it is due; nothing where none begins,
    /// or nobody knows that.
    [[nodiscard]] std::optional<double> earlyBy_s(
        const Condensed& condensed, std::span<const HeardWord> words, std::size_t i) const;
    /// Whether one of these notes was heard long before it is due.
    [[nodiscard]] bool holdsStray(const Condensed& condensed, std::span<const HeardWord> words) const;
    /// A stretch of `condensed`, where in the notes it is searched, and what was heard in it.
    struct Piece {
        const Condensed& condensed;
        take::Span span;
        Grammar::Window window;
        Heard heard;
        bool by_call = false;
    };
    [[nodiscard]] Piece pieceOf(const Condensed& condensed, const take::Span& span) const;
    /// The notes that may be heard in it: those around where the reader is, as far as they are due.
    [[nodiscard]] Grammar::Window windowFor(const Condensed& condensed, const take::Span& span) const;
    /// When a stretch of `condensed` is in the recording.
    [[nodiscard]] take::Span recordingOf(const Condensed& condensed, const take::Span& span) const;
    void hear(Piece& piece);
    /// What was heard of the same stretch in another window takes the place of what was heard so far.
    static void goOnWith(Piece& piece, Piece other);
    /// What is told of a stretch, heard first as one that may hold talk, then in every other way that may
    /// explain more of it; nothing where the recording has to be condensed anew, without `without_`.
    std::optional<Heard> hearInEveryWay(const Condensed& condensed, const take::Span& span);

    enum class Then { go_on, condense_anew };
    /// A way to hear a piece that goes on with it where it is the better one.
    using Way = Then (PieceSearch::*)(Piece&);
    /// Talk is dear for a strange voice, but here it is somebody else's.
    Then hearSomebodyElse(Piece& piece);
    /// What a driver leaves of the reader is explained by any notes, as long as nobody knows which are read:
    /// most read from the first one on, as fast as it is planned.
    Then hearFromTheStart(Piece& piece);
    /// The reader may be where nothing was due yet, if the recording leaves out a part: then the notes of the
    /// piece follow one another, with hardly any talk, in a window that the plan's times do not narrow.
    Then hearElsewhere(Piece& piece);
    /// Noise may come and go (stones under the car), so that it seems that somebody speaks nearly all the
    /// time: nothing else makes a piece shorter where it is taken out. Where the piece is a reading all the
    /// same, no note may be lost by it.
    Then hearWithoutPassingNoise(Piece& piece);
    /// Two voices may speak in the piece and what is around it, and the louder reads notes and talks far less
    /// between them than both together do: the other is the driver.
    Then hearLouderVoice(Piece& piece);
    /// The reader's throat may be shorter than the model's.
    Then hearOtherThroat(Piece& piece);
    /// Where little of a piece is the notes, the voice may just be unlike the model's: then talk is made
    /// dear, and what is found counts if it is in order.
    Then hearStrangeVoice(Piece& piece);

    /// What is plainly read in a piece, misread words told; nothing where it is not plainly a reading.
    std::optional<Heard> hearPlainly(const Condensed& condensed);

    /// The same in one go instead of two or three, where voice and place are known and the reader reads each
    /// note after the one before, as most do most of the time.
    std::optional<Heard> hearOneAfterAnother(Piece piece);

    /// How much talk there may be beside the notes of a piece that is plainly read, once the voice is known.
    [[nodiscard]] double mostTalk() const { return remarked_ ? kHardlyTalk : kMostTalk; }

    /// Talk that goes on and on is heard so every now and then only: it takes as long as all the rest.
    bool isWorthDearTalk();

    /// The next piece begins with word `seam`: at this time.
    double goOnAtSeam(const std::vector<HeardWord>& words, std::size_t seam);

    /// These words of a piece count.
    void follow(const Condensed& condensed, std::span<const HeardWord> words);

    /// In noise and beside talk, notes that are not due yet explain a piece as well as those that are: it is
    /// heard part by part, each for what is due in it, where that finds more notes when they are due.
    Then hearCallByCall(Piece& piece);
    /// How many different notes are heard when they are due; one that is heard so much earlier or later
    /// counts for nothing, and the less the nearer it comes to that.
    [[nodiscard]] double onTime(
        const Condensed& condensed, std::span<const HeardWord> words, double off_s) const;

    static constexpr std::size_t kTells = 9 * kAlignRate_hz; ///< a voice, where most of it is speech

    /// The beginning of a piece that holds enough speech to tell a voice by: in noise, whose pauses are not
    /// cut out, that is more of it.
    static std::span<const std::int16_t> enoughToTell(const Piece& piece);

    /// Hears some samples as other throats would have said it, and goes on with the one that fits the model
    /// best: a shorter one step by step as long as that helps, and only where it helps much in all. Compared
    /// is how well the notes' words fit, as what an engine does between them is likelier in a shorter throat
    /// too (voices that need one gain 4 to 8 %, others at most 3 %). A longer one is not tried:
    /// the one voice that it made likelier was found whole without it. Whether another one was taken.
    bool fitVoice(std::span<const std::int16_t> samples, const Grammar::Window& window, int& tries);

    /// What is told of a piece: the words of each note closed up, and the misread ones with how sure that is.
    Heard toldOf(Piece piece);
    Heard mended(Piece piece, bool misses);

    /// Hears the piece once more, now that it is known where the reader is: other words may stand in the
    /// place of a note's own. Not where that finds less, or would make another stage's notes into these.
    bool hearMisreadWords(Piece& piece);

    /// A piece that was heard call by call is heard `again` with notes farther from when they are due.
    [[nodiscard]] bool isLaterOrEarlier(const Piece& piece, const Heard& again) const;

    /// The next note is a single word ("stop"), and a word's talk was heard: that is as likely as it.
    [[nodiscard]] bool mayHaveShortNote(const Heard& heard) const;

    /// Notes are missing between those that were heard, or a short one after them: an accent may have been
    /// taken for talk, so the piece is heard once more with talk as dear as `talk_phone`, and stays so where
    /// that finds more, in order.
    void hearMoreNotes(Piece& piece, double talk_phone);

    const std::vector<ExpectedNote>& expected_;
    NoteRecogniser recogniser_;
    bool one_after_another_ = true; ///< the notes were read in the last piece
    /// There was talk in the last piece that was plainly read: who talks on seems to say notes again.
    bool remarked_ = false;
    bool fitted_ = false; ///< to the reader's throat
    bool shorter_ = false; ///< than the model's
    int tries_ = 0;
    double before_s_ = 0.0; ///< of the recording
    ReaderPlace place_;
    Without without_; ///< is what is searched
    int passing_tries_ = 0;
    int louder_tries_ = 0;
    int louder_fits_ = 0;
    int dear_tries_ = 0;
    /// The model's phones fit it ill, so that talk always would explain it better.
    bool strange_voice_ = false;
    bool bounded_ = false; ///< what is read is known but for a few notes
};

} // namespace brumefall::media
