#include "media/aligner.h"

#include "media/condense.h"
#include "media/resample.h"
#include "media/speech_decoder.h"
#include "media/word_sounds.h"
#include "take/readings.h"

extern "C" {
#include <pocketsphinx.h>
}

#include <algorithm>
#include <array>
#include <chrono>
#include <cmath>
#include <memory>
#include <optional>
#include <set>
#include <utility>

namespace brumefall::media {
namespace {

/// Searches a recording piece by piece, each for the notes that are due around where the reader is: what else
/// is heard in one piece cannot lead the search astray in the next.
class PieceSearch {
public:
    explicit PieceSearch(const std::vector<ExpectedNote>& expected)
        : expected_(expected)
    {
        use(makeVoice(1.0));
    }

    /// What was heard, in its order, at its time in `condensed`, and from where on the search has to go on:
    /// its end, or where `more` is to come, the last seam. Stops early where `progress` says so. `before_s`
    /// of the recording lie before `condensed`.
    struct Result {
        std::vector<HeardWord> words;
        double until_s = 0.0;
        /// Somebody softer talks beside the reader: nothing was searched, and it has to be anew without what
        /// is below this level of the recording.
        std::optional<float> softer_dB;
    };
    Result search(const Condensed& condensed, bool more, const Progress& progress, double before_s)
    {
        before_s_ = before_s;
        Result out;
        auto& all = out.words;
        const double length_s = static_cast<double>(condensed.samples.size()) / kAlignRate_hz;
        double& from_s = out.until_s;
        const std::size_t at = at_;
        const bool anywhere = anywhere_;
        while (from_s < length_s) {
            if (progress && !progress(from_s / length_s)) {
                break;
            }
            if (more && from_s + kPiece_s >= length_s - kAfterEnd_s) {
                break;
            }
            const double to_s = std::min(from_s + kPiece_s, length_s);
            const bool known = knowsVoice();
            auto heard = hear(condensed, from_s, to_s).words;
            if (softer_dB_) {
                at_ = at;
                anywhere_ = anywhere;
                return {{}, 0.0, std::exchange(softer_dB_, std::nullopt)};
            }
            if (!known && knowsVoice() && from_s > 0.0) { // what was missed by not knowing it is found now
                all.clear();
                from_s = 0.0;
                at_ = at;
                anywhere_ = anywhere;
                continue;
            }
            if (to_s >= length_s) {
                all.insert(all.end(), heard.begin(), heard.end());
                from_s = length_s;
                break;
            }
            const double sure_s = to_s - kUnsure_s;
            const std::size_t seam = seamOf(heard, from_s + kLeast_s, sure_s);
            if (seam < heard.size()) {
                at_ = heard[seam].place.note;
                anywhere_ = false;
                from_s = heard[seam].span.start_s - kBefore_s;
                all.insert(all.end(), heard.begin(), heard.begin() + static_cast<std::ptrdiff_t>(seam));
                continue;
            }
            // hardly a note in all of it: what was heard whole counts, and the search goes on behind it
            const std::size_t whole = wholeUntil(heard, sure_s);
            if (whole > 0) {
                at_ = std::min(heard[whole - 1].place.note + 1, expected_.size());
                anywhere_ = false;
                all.insert(all.end(), heard.begin(), heard.begin() + static_cast<std::ptrdiff_t>(whole));
            }
            const bool begun = whole < heard.size() && heard[whole].span.start_s < sure_s;
            from_s = begun ? std::max(from_s + kLeast_s, heard[whole].span.start_s - kBefore_s) : sure_s;
        }
        return out;
    }

    /// Whether the reader's voice is not the model's, and how is known.
    [[nodiscard]] bool knowsVoice() const { return strange_voice_ || shorter_; }

    /// Where in the notes the reader is.
    struct Position {
        std::size_t at = 0; ///< the note that comes next
        bool anywhere = true; ///< where that is, is not known yet
    };
    [[nodiscard]] Position position() const { return {at_, anywhere_}; }
    void goOnAt(const Position& position)
    {
        at_ = position.at;
        anywhere_ = position.anywhere;
    }

    /// The notes of a piece that the reader goes on in at `from`, up to the last seam, and where he is by
    /// then. Nothing where it is not plainly a reading: that is for the search. The search stays where it is.
    struct Ahead {
        std::vector<HeardWord> words;
        double until_s = 0.0;
        Position position;
    };
    std::optional<Ahead> lookAhead(const Condensed& condensed, double before_s, const Position& from)
    {
        const Position here = position();
        goOnAt(from);
        before_s_ = before_s;
        const double length_s = static_cast<double>(condensed.samples.size()) / kAlignRate_hz;
        Grammar::Window window = windowFor(condensed, 0.0, length_s);
        if (strange_voice_) {
            window.talk_phone = kDearTalk;
        }
        Heard heard = decode(condensed, 0.0, length_s, window);
        std::optional<Ahead> out;
        if (heard.isReading() && (!strange_voice_ || heard.goesForward())) {
            if (!fitted_ && heard.notes_s > kSomething_s) {
                if (fitVoice(condensed.samples, window, tries_)) {
                    heard = decode(condensed, 0.0, length_s, window);
                }
                fitted_ = true;
            }
            auto words = withMisreadWords(condensed, {0.0, length_s}, window, std::move(heard)).words;
            const std::size_t seam = seamOf(words, kLeast_s, length_s - kUnsureAhead_s);
            if (seam < words.size()) {
                const double until_s = words[seam].span.start_s - kBefore_s;
                const Position next{words[seam].place.note, false};
                words.resize(seam);
                out = {std::move(words), until_s, next};
            }
        }
        goOnAt(here);
        return out;
    }

private:
    static constexpr double kPiece_s = 24.0;
    static constexpr double kUnsure_s = 5.0; ///< of a piece's end: what comes next may change it
    static constexpr double kUnsureAhead_s = 3.0;
    static constexpr double kBefore_s = 0.06;
    static constexpr double kLeast_s = 1.0; ///< that the search goes on by
    static constexpr double kSomething_s = 2.0; ///< of speech in a piece
    static constexpr std::size_t kBack = 6;
    static constexpr std::size_t kAhead = 40;
    static constexpr double kDearTalk = -60.0;

    /// A piece, first as one that may hold talk. Where little of it is the notes, the voice may just be
    /// unlike the model's: then talk is made dear, and what is found counts if it is in order.
    Heard hear(const Condensed& condensed, double from_s, double to_s)
    {
        Grammar::Window window = windowFor(condensed, from_s, to_s);
        if (strange_voice_) {
            window.talk_phone = kDearTalk;
        }
        Heard heard = decode(condensed, from_s, to_s, window);
        if (strange_voice_ && !heard.goesForward()) { // somebody else talks
            window.talk_phone = kTalkPhone;
            heard = decode(condensed, from_s, to_s, window);
        }
        const bool something = heard.notes_s + heard.talk_s > kSomething_s;
        const bool shorter = shorter_;
        if (something && !heard.isReading() && readsLouder(condensed, {from_s, to_s}, window, heard)) {
            return {};
        }
        const bool other = something && fitVoice(samplesOf(condensed, {from_s, to_s}), window, tries_);
        if (other || shorter_ != shorter) {
            heard = decode(condensed, from_s, to_s, window);
        }
        fitted_ = fitted_ || (something && heard.isReading());
        if (!strange_voice_ && !heard.isReading() && something && isWorthDearTalk()) {
            window.talk_phone = kDearTalk;
            Heard again = decode(condensed, from_s, to_s, window);
            if (again.isInOrder() && again.goesForward() && again.notes() > heard.notes()) {
                strange_voice_ = true;
                heard = std::move(again);
            }
        }
        return withMisreadWords(condensed, {from_s, to_s}, window, std::move(heard));
    }

    /// Talk that goes on and on is heard so every now and then only: it takes as long as all the rest.
    bool isWorthDearTalk()
    {
        constexpr int kEach = 4; ///< first, and one in so many later
        const int tries = dear_tries_++;
        return tries < kEach || tries % kEach == 0;
    }

    /// The notes that may be heard in a piece: those around where the reader is, as far as they are due.
    [[nodiscard]] Grammar::Window windowFor(const Condensed& condensed, double from_s, double to_s) const
    {
        Grammar::Window window{at_ > kBack ? at_ - kBack : 0,
            std::min(expected_.size(), anywhere_ ? expected_.size() : at_ + kAhead), at_, anywhere_};
        if (!expected_.front().due_s) {
            return window;
        }
        const auto dueBy = [&](double condensed_s, double more_s) {
            const double media_s = before_s_ + condensed.originalTime(condensed_s) + more_s;
            return static_cast<std::size_t>(
                std::partition_point(expected_.begin(), expected_.end(),
                    [&](const ExpectedNote& note) { return note.due_s.value_or(0.0) < media_s; })
                - expected_.begin());
        };
        window.first =
            std::min({std::max(window.first, dueBy(from_s, -kOffDue_s)), at_, expected_.size() - 1});
        window.last = std::max(std::min(window.last, dueBy(to_s, kOffDue_s)), window.first + 1);
        window.at = std::clamp(window.at, window.first, window.last);
        return window;
    }

    /// A recogniser for voices of one kind, with its grammar.
    struct Voice {
        Decoder decoder;
        std::unique_ptr<Grammar> grammar;
    };
    [[nodiscard]] Voice makeVoice(double warp) const
    {
        Decoder decoder = makeDecoder(Means::of_utterance, warp);
        auto grammar = std::make_unique<Grammar>(decoder.get(), expected_);
        return {std::move(decoder), std::move(grammar)};
    }
    void use(Voice voice)
    {
        grammar_ = std::move(voice.grammar);
        decoder_ = std::move(voice.decoder);
    }

    /// Whether the louder voice of the piece reads the notes that are heard in it, and hardly talks: the
    /// softer one does: then `softer_dB_` is known.
    bool readsLouder(const Condensed& condensed, const take::Span& piece, const Grammar::Window& window,
        const Heard& heard)
    {
        constexpr int kMostTries = 4; ///< it may be one voice that talks
        constexpr double kSame = 0.65; ///< some of what seemed to be notes was talk
        constexpr double kLittle = 0.5;
        if (louder_tries_ >= kMostTries) {
            return false;
        }
        ++louder_tries_;
        const auto louder = louderVoice(samplesOf(condensed, piece), condensed.gain);
        if (!louder) {
            return false;
        }
        const auto isIt = [&] {
            const Heard other = decode(louder->samples, 0.0, window);
            return other.notes() > 1 && other.notes_s >= kSame * heard.notes_s
                && other.talk_s <= kLittle * other.notes_s;
        };
        if (!isIt() && !(fitVoice(louder->samples, window, louder_fits_) && isIt())) {
            return false;
        }
        louder_tries_ = kMostTries;
        softer_dB_ = louder->softer_dB;
        return true;
    }

    /// Hears the first of some samples as other throats would have said it, and goes on with the one that
    /// fits the model best: a shorter one step by step as long as that helps, and only where it helps much in
    /// all, as an engine makes a little shorter ones likelier too (by 1.8 %; the voices that need it, by 4.5
    /// and 8.5 %). A longer one is not tried: the one voice that it made likelier was found whole without it.
    /// Whether another one was taken.
    bool fitVoice(std::span<const std::int16_t> samples, const Grammar::Window& window, int& tries)
    {
        constexpr std::array kShorter{1.16, 1.32, 1.45};
        constexpr double kBetter = 0.025; ///< of the likelihood's logarithm: less is chance
        constexpr int kMostTries = 3; ///< a piece may be talk
        constexpr std::size_t kSome = 9 * kAlignRate_hz; ///< of it are enough to tell
        if (fitted_ || tries >= kMostTries) {
            return false;
        }
        ++tries;
        const auto some = samples.first(std::min(samples.size(), kSome));
        static_cast<void>(decode(some, 0.0, window));
        const auto as_it_is = logLikelihood(decoder_.get());
        if (!as_it_is) {
            return false;
        }
        Voice before{std::move(decoder_), std::move(grammar_)};
        std::optional<Voice> best;
        bool reads = false;
        auto likely = as_it_is;
        for (const double warp : kShorter) {
            use(makeVoice(warp));
            const Heard other = decode(some, 0.0, window);
            const auto now = logLikelihood(decoder_.get());
            if (!now || *now <= *likely) {
                break;
            }
            likely = now;
            reads = other.isReading(); // a step on the way may be heard as talk
            best = Voice{std::move(decoder_), std::move(grammar_)};
        }
        const bool shorter = best && reads && *likely > *as_it_is + kBetter * std::abs(*as_it_is);
        use(shorter ? std::move(*best) : std::move(before));
        shorter_ = shorter_ || shorter;
        return shorter;
    }

    /// The same piece heard once more, now that it is known where the reader is: other words may stand in the
    /// place of a note's own. Where that finds less, or would make another stage's notes into these, it
    /// counts for nothing.
    Heard withMisreadWords(
        const Condensed& condensed, const take::Span& piece, Grammar::Window window, Heard heard)
    {
        constexpr std::size_t kMore = 3;
        constexpr double kMost = 0.5;
        if (heard.words.empty() || !(heard.isReading() || heard.isInOrder())) {
            return heard;
        }
        const auto byNote = [](const HeardWord& a, const HeardWord& b) {
            return a.place.note < b.place.note;
        };
        const auto [low, high] = std::minmax_element(heard.words.begin(), heard.words.end(), byNote);
        const std::size_t begins = heard.words.front().place.note;
        window.first = low->place.note - std::min(low->place.note, kMore); // the first may be the misread one
        window.last = std::min(expected_.size(), high->place.note + kMore);
        window.at = window.anywhere ? begins : std::clamp(window.at, window.first, begins);
        window.near_misses = true;
        Heard again = decode(condensed, piece.start_s, piece.end_s, window);
        const auto notesOf = [](const Heard& some, bool misread) {
            std::set<std::size_t> notes;
            for (const HeardWord& word : some.words) {
                if (!misread || (word.place.miss > 0 && !word.place.after)) {
                    notes.insert(word.place.note);
                }
            }
            return notes.size();
        };
        const std::size_t notes = notesOf(again, false);
        if (notes < notesOf(heard, false)
            || static_cast<double>(notesOf(again, true))
                > std::max(2.0, kMost * static_cast<double>(notes))) {
            return heard;
        }
        judgeMisses(condensed, again);
        return again;
    }

    /// How sure it is that a word was another: by how much better the note, heard by itself, fits the sound
    /// with it.
    void judgeMisses(const Condensed& condensed, Heard& again)
    {
        constexpr double kSlope = 6.0; ///< nats
        for (std::size_t i = 0; i < again.words.size();) {
            std::size_t end = i + 1;
            while (end < again.words.size() && again.words[end].place.note == again.words[i].place.note) {
                ++end;
            }
            const std::span words(again.words.begin() + static_cast<std::ptrdiff_t>(i),
                again.words.begin() + static_cast<std::ptrdiff_t>(end));
            i = end;
            std::vector<WordPlace> said;
            std::vector<WordPlace> written;
            for (const HeardWord& word : words) {
                const auto& own = grammar_->ownWords(word.place.note);
                if (!word.place.after && !written.empty() && word.place.word == written.back().word + 2) {
                    written.push_back({word.place.note, word.place.word - 1, false, 0}); // it was dropped
                }
                said.push_back(word.place);
                written.push_back({word.place.note, word.place.word, word.place.after, 0});
                const bool last = !word.place.after && word.place.word + 2 == own.size()
                    && (&word == &words.back() || (&word + 1)->place.after);
                if (last && grammar_->canDrop(word.place.note, word.place.word + 1)) {
                    written.push_back({word.place.note, word.place.word + 1, false, 0});
                }
            }
            const bool as_written = said.size() == written.size()
                && std::none_of(words.begin(), words.end(), [](const auto& w) { return w.place.miss > 0; });
            if (as_written) {
                continue;
            }
            const take::Span span{words.front().span.start_s, words.back().span.end_s};
            const auto better = fit(condensed, span, said);
            const auto worse = fit(condensed, span, written);
            const double gain = !better ? 0.0 : !worse ? 1e3 : *better - *worse;
            for (HeardWord& word : words) {
                word.sure = 1.0 / (1.0 + std::exp((evenGain(word.place) - gain) / kSlope));
                if (word.place.miss > 0) {
                    word.said = grammar_->said(word.place);
                }
            }
        }
    }

    /// Nats by which another word has to fit better to be as likely as the written one: more where the two
    /// sound alike, as distances do, and nothing where they never do, as the directions.
    [[nodiscard]] double evenGain(const WordPlace& place) const
    {
        constexpr double kDirection = 0.0;
        constexpr double kOther = 22.0;
        constexpr double kDistance = 80.0;
        const std::string& word = grammar_->written(place);
        return place.after ? kDistance : word == "left" || word == "right" ? kDirection : kOther;
    }

    /// How well these words explain a stretch of the sound.
    std::optional<double> fit(
        const Condensed& condensed, const take::Span& span, const std::vector<WordPlace>& words)
    {
        constexpr double kAround_s = 0.1;
        grammar_->useExactly(words);
        explain(samplesOf(condensed, {span.start_s - kAround_s, span.end_s + kAround_s}));
        return logLikelihood(decoder_.get());
    }

    static std::span<const std::int16_t> samplesOf(const Condensed& condensed, const take::Span& span)
    {
        const auto first = static_cast<std::size_t>(std::max(0.0, span.start_s) * kAlignRate_hz);
        const auto last =
            std::min(condensed.samples.size(), static_cast<std::size_t>(span.end_s * kAlignRate_hz));
        return std::span(condensed.samples).subspan(first, last - first);
    }

    Heard decode(const Condensed& condensed, double from_s, double to_s, const Grammar::Window& window)
    {
        return decode(samplesOf(condensed, {from_s, to_s}), from_s, window);
    }

    /// `from_s` is the time of the first sample.
    Heard decode(std::span<const std::int16_t> samples, double from_s, const Grammar::Window& window)
    {
        grammar_->use(window);
        explain(samples);
        return heardBy(decoder_.get(), std::max(0.0, from_s));
    }

    /// Makes the decoder find its best path through all of these.
    void explain(std::span<const std::int16_t> samples)
    {
        ps_start_utt(decoder_.get());
        ps_process_raw(decoder_.get(), samples.data(), samples.size(), FALSE, TRUE);
        ps_end_utt(decoder_.get());
    }

    /// The last word of the note that begins with word `i`, where it was heard whole; else `heard.size()`.
    /// The joining word may have been left out.
    [[nodiscard]] std::size_t lastWordOf(const std::vector<HeardWord>& heard, std::size_t i) const
    {
        const WordPlace& place = heard[i].place;
        const bool goes_on = i > 0 && heard[i - 1].place.note == place.note && !heard[i - 1].place.after
            && heard[i - 1].place.word < place.word;
        const std::size_t own = grammar_->ownWords(place.note).size();
        const std::size_t last = i + own - 1 - place.word;
        const bool whole = !place.after && place.word <= 1 && !goes_on && last < heard.size()
            && heard[last].place.note == place.note && !heard[last].place.after
            && heard[last].place.word + 1 == own;
        return whole ? last : heard.size();
    }

    /// The first word of the last note that begins after `from_s` and was heard whole before `sure_s`: the
    /// next piece begins with it.
    [[nodiscard]] std::size_t seamOf(const std::vector<HeardWord>& heard, double from_s, double sure_s) const
    {
        for (std::size_t i = heard.size(); i-- > 1;) {
            const std::size_t last = lastWordOf(heard, i);
            if (last < heard.size() && heard[last].span.end_s < sure_s && heard[i].span.start_s > from_s) {
                return i;
            }
        }
        return heard.size();
    }

    /// How many words there are up to the end of the last note that was heard whole before `sure_s`.
    [[nodiscard]] std::size_t wholeUntil(const std::vector<HeardWord>& heard, double sure_s) const
    {
        for (std::size_t i = heard.size(); i-- > 0;) {
            const std::size_t last = lastWordOf(heard, i);
            if (last < heard.size() && heard[last].span.end_s < sure_s) {
                return last + 1;
            }
        }
        return 0;
    }

    const std::vector<ExpectedNote>& expected_;
    Decoder decoder_;
    std::unique_ptr<Grammar> grammar_;
    bool fitted_ = false; ///< to the reader's throat
    bool shorter_ = false; ///< than the model's
    int tries_ = 0;
    double before_s_ = 0.0; ///< of the recording
    std::size_t at_ = 0; ///< the note that comes next
    bool anywhere_ = true; ///< where that is, is not known yet
    std::optional<float> softer_dB_; ///< was found, and nobody was told
    int louder_tries_ = 0;
    int louder_fits_ = 0;
    int dear_tries_ = 0;
    /// The model's phones fit it ill, so that talk always would explain it better.
    bool strange_voice_ = false;
};

} // namespace

struct LiveAligner::State {
    explicit State(std::vector<ExpectedNote> notes)
        : expected(std::move(notes))
        , search(expected)
        , readings(expected)
    {
    }

    std::vector<ExpectedNote> expected;
    PieceSearch search;
    take::Readings readings;
    Sound rest{{}, kAlignRate_hz}; ///< what was not searched yet
    std::size_t before = 0; ///< samples that were, before it
    std::size_t looked = 0; ///< samples of the rest at the last look
    Condensing how;
    WordSounds sounds;

    /// What will be found in the rest if the take ends soon, so that little is left to search then; the
    /// search itself, which hears more at once, finds it anew.
    struct Ahead {
        Condensed condensed;
        std::vector<HeardWord> words;
        double before_s; ///< of the recording
    };
    std::vector<Ahead> ahead;
    std::size_t ahead_until = 0; ///< samples of the rest
    std::size_t ahead_looked = 0;
    double ahead_in_vain_s = 0.0; ///< of what was said, in which no seam was found
    PieceSearch::Position ahead_position;

    /// Keeps words of a stretch that `before_s` of the recording lie before.
    void keep(const std::vector<HeardWord>& words, const Condensed& condensed, double before_s)
    {
        for (const HeardWord& here : words) {
            HeardWord word = here;
            word.span.start_s = before_s + condensed.originalTime(word.span.start_s);
            word.span.end_s =
                before_s + condensed.originalTime(word.span.end_s - 0.5 * kFrame_s) + 0.5 * kFrame_s;
            sounds.add(here, condensed, word.span.start_s);
            readings.add(word);
        }
    }
    /// The first samples of the rest were searched.
    void drop(std::size_t done)
    {
        rest.samples.erase(rest.samples.begin(), rest.samples.begin() + static_cast<std::ptrdiff_t>(done));
        before += done;
        ahead.clear();
        ahead_until = 0;
        ahead_looked = 0;
        ahead_in_vain_s = 0.0;
        ahead_position = search.position();
    }
};

LiveAligner::LiveAligner(std::vector<ExpectedNote> expected)
    : state_(std::make_unique<State>(std::move(expected)))
{
}

LiveAligner::~LiveAligner() = default;

void LiveAligner::hear(std::span<const std::int16_t> samples)
{
    constexpr std::size_t kLook = 6 * kAlignRate_hz;
    constexpr std::size_t kLeast = 30 * kAlignRate_hz;
    constexpr std::size_t kLookAhead = 4 * kAlignRate_hz;
    constexpr std::size_t kLeastAhead = 8 * kAlignRate_hz;
    State& s = *state_;
    add(samples);
    const std::size_t waits = s.rest.samples.size();
    if (waits >= kLeast && waits >= s.looked + kLook) {
        search(true, {});
        s.looked = s.rest.samples.size();
    } else if (waits >= s.ahead_until + kLeastAhead && waits >= s.ahead_looked + kLookAhead) {
        lookAhead();
        s.ahead_looked = waits;
    }
}

void LiveAligner::lookAhead()
{
    State& s = *state_;
    const double before_s = static_cast<double>(s.before + s.ahead_until) / kAlignRate_hz;
    const Sound piece{
        {s.rest.samples.begin() + static_cast<std::ptrdiff_t>(s.ahead_until), s.rest.samples.end()},
        kAlignRate_hz};
    constexpr double kMore_s = 1.5; // that something else may be found in
    Condensed condensed = condense(piece, s.how);
    const double said_s = static_cast<double>(condensed.samples.size()) / kAlignRate_hz;
    if (said_s < s.ahead_in_vain_s + kMore_s) {
        return;
    }
    auto found = s.search.lookAhead(condensed, before_s, s.ahead_position);
    s.ahead_in_vain_s = found ? 0.0 : said_s;
    if (found) {
        s.ahead_until = std::min(s.rest.samples.size(),
            s.ahead_until + static_cast<std::size_t>(condensed.originalTime(found->until_s) * kAlignRate_hz));
        s.ahead_position = found->position;
        s.ahead.push_back({std::move(condensed), std::move(found->words), before_s});
    }
}

void LiveAligner::add(std::span<const std::int16_t> samples)
{
    state_->rest.samples.insert(state_->rest.samples.end(), samples.begin(), samples.end());
}

void LiveAligner::search(bool more, const Progress& progress)
{
    State& s = *state_;
    const double before_s = static_cast<double>(s.before) / kAlignRate_hz;
    Condensed condensed = condense(s.rest, s.how);
    auto found = s.search.search(condensed, more, progress, before_s);
    if (found.softer_dB) {
        s.how.softer_dB = found.softer_dB;
        condensed = condense(s.rest, s.how);
        found = s.search.search(condensed, more, progress, before_s);
    }
    s.how.loud_dB = condensed.loud_dB;
    s.keep(found.words, condensed, before_s);
    const auto done = more && found.until_s <= 0.0
        ? 0
        : std::min(s.rest.samples.size(),
            static_cast<std::size_t>(condensed.originalTime(found.until_s) * kAlignRate_hz));
    if (done > 0) {
        s.drop(done);
    }
}

double LiveAligner::unsearched_s() const
{
    return static_cast<double>(state_->rest.samples.size() - state_->ahead_until) / kAlignRate_hz;
}

std::vector<take::FoundNote> LiveAligner::finish(const Progress& progress)
{
    State& s = *state_;
    const double length_s = static_cast<double>(s.before + s.rest.samples.size()) / kAlignRate_hz;
    for (const auto& piece : s.ahead) {
        s.keep(piece.words, piece.condensed, piece.before_s);
    }
    if (!s.ahead.empty()) {
        s.search.goOnAt(s.ahead_position);
        s.drop(s.ahead_until);
    }
    search(false, progress);
    auto found = s.readings.finish(length_s);
    take::weighByOwnWords(found, s.sounds.saidWords(found, s.expected));
    return found;
}

Alignment align(const Sound& sound, const std::vector<ExpectedNote>& expected, const Progress& progress)
{
    const auto began = std::chrono::steady_clock::now();
    Alignment out;
    if (expected.empty()) {
        return out;
    }
    LiveAligner aligner(expected);
    aligner.add(resampled(sound, kAlignRate_hz).samples);
    out.notes = aligner.finish(progress);
    const std::chrono::duration<double> took = std::chrono::steady_clock::now() - began;
    out.real_time_factor = sound.samples.empty() ? 0.0 : took.count() / sound.duration_s();
    return out;
}

} // namespace brumefall::media
