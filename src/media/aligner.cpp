#include "media/aligner.h"

#include "media/condense.h"
#include "media/resample.h"
#include "media/speech_decoder.h"
#include "media/word_sounds.h"
#include "notes/near_misses.h"

extern "C" {
#include <pocketsphinx.h>
}

#include <algorithm>
#include <array>
#include <chrono>
#include <cmath>
#include <map>
#include <memory>
#include <optional>
#include <set>
#include <utility>

namespace brumefall::media {
namespace {

/// Puts heard words together to readings of notes: full ones, further ones, broken-off ones.
class Collector {
public:
    explicit Collector(const std::vector<ExpectedNote>& expected)
        : found_(expected.size())
    {
        for (std::size_t k = 0; k < expected.size(); ++k) {
            found_[k].id = expected[k].id;
            own_words_.push_back(wordsOf(expected[k].spoken));
            misses_.push_back(notes::nearMisses(own_words_.back(), notes::Spoken::note));
            after_words_.push_back(wordsOf(expected[k].spoken_after));
        }
    }

    void add(const HeardWord& word)
    {
        if (word.place.after) {
            close();
            take::FoundNote& note = found_[word.place.note];
            if (!word.said.empty() && note.read) {
                note.misread.push_back(
                    {word.said, after_words_[word.place.note][word.place.word], word.sure, true});
            }
            return;
        }
        const bool goes_on = !open_.empty() && open_.back().place.note == word.place.note
            && (word.place.word == open_.back().place.word + 1
                || (word.place.word == open_.back().place.word + 2
                    && canDrop(word.place.note, word.place.word - 1)));
        if (!goes_on) {
            close();
        }
        open_.push_back(word);
        if (word.place.word + 1 == own_words_[word.place.note].size()) {
            close();
        }
    }

    /// `length_s` is that of the recording.
    std::vector<take::FoundNote> finish(double length_s)
    {
        dropCutOffLikeness(length_s);
        dropStrays();
        dropBabble();
        giveToNeighbours();
        takeFromRepeats();
        doubtHabits();
        open_.clear(); // what the end of the take cut off was not begun again
        for (take::FoundNote& note : found_) {
            note.restarted = note.restarted && note.read; // broken off and not begun again is missed
        }
        return std::move(found_);
    }

private:
    /// A note that the end of the recording cut off can sound like a later one, reached by a skip.
    void dropCutOffLikeness(double length_s)
    {
        const auto last =
            std::find_if(found_.rbegin(), found_.rend(), [](const take::FoundNote& n) { return n.read; });
        if (last == found_.rend()
            || (open_.empty() ? last->span : open_.back().span).end_s < length_s - 0.03) {
            return;
        }
        const bool after_skip = std::next(last) != found_.rend() && !std::next(last)->read;
        if (after_skip) {
            take::FoundNote unread;
            unread.id = last->id;
            *last = std::move(unread);
        }
    }

    /// A note heard far from others was hardly read: of what is no reading of this stage some always sounds
    /// like a note.
    void dropStrays()
    {
        constexpr std::size_t kAround = 4;
        std::vector<std::size_t> read;
        for (std::size_t k = 0; k < found_.size(); ++k) {
            if (found_[k].read) {
                read.push_back(k);
            }
        }
        std::vector<std::size_t> strays;
        for (const std::size_t k : read) {
            const std::size_t first = std::max(read.front(), k > kAround ? k - kAround : 0);
            const std::size_t last = std::min(read.back(), k + kAround);
            const auto near = std::count_if(
                read.begin(), read.end(), [&](std::size_t other) { return other >= first && other <= last; });
            if (2 * static_cast<std::size_t>(near) < last - first + 1) {
                strays.push_back(k);
            }
        }
        for (const std::size_t k : strays) {
            take::FoundNote unread;
            unread.id = found_[k].id;
            found_[k] = std::move(unread);
        }
    }

    /// Where more was said again than was said at all, nobody read.
    void dropBabble()
    {
        constexpr std::size_t kSome = 5;
        std::size_t read = 0;
        std::size_t again = 0;
        for (const take::FoundNote& note : found_) {
            read += note.read ? 1 : 0;
            again += note.repeats.size();
        }
        if (again <= std::max(kSome, read)) {
            return;
        }
        for (take::FoundNote& note : found_) {
            take::FoundNote unread;
            unread.id = note.id;
            note = std::move(unread);
        }
    }

    /// What was said in the place of a note is, word for word, the next one, or the one before, which was not
    /// heard: a note was left out, none was misread. The same where several words would have been misread and
    /// the next one was said again.
    void giveToNeighbours()
    {
        for (std::size_t k = 0; k < found_.size(); ++k) {
            for (const std::size_t other : {k + 1, k - 1}) {
                const auto said = saidWords(k);
                if (!found_[k].read || other >= found_.size() || said.empty()
                    || withoutJoiner(said) != withoutJoiner(own_words_[other])) {
                    continue;
                }
                const bool again = found_[other].read;
                const auto misread = std::count_if(found_[k].misread.begin(), found_[k].misread.end(),
                    [](const take::Misread& m) { return isSure(m); });
                if (again && (other < k || misread < 2)) {
                    continue;
                }
                take::FoundNote given = std::move(found_[k]);
                found_[k] = {};
                found_[k].id = std::exchange(given.id, found_[other].id);
                std::erase_if(given.misread, [](const take::Misread& m) { return !m.of_distance; });
                if (again) {
                    given.repeats.push_back(found_[other].span);
                }
                const auto words = withoutJoiner(own_words_[other]);
                for (std::size_t i = 0; i < std::min(words.size(), given.words.size()); ++i) {
                    given.words[given.words.size() - 1 - i].word = words[words.size() - 1 - i];
                }
                found_[other] = std::move(given);
            }
        }
    }

    /// A note said again in the place of the next, which is the same but for a word, was that one misread:
    /// hardly anyone says one again and leaves out the next for it.
    void takeFromRepeats()
    {
        constexpr double kAtOnce_s = 0.8;
        constexpr double kSure = 0.8;
        for (std::size_t k = 1; k < found_.size(); ++k) {
            take::FoundNote& before = found_[k - 1];
            if (found_[k].read || before.repeats.empty()
                || before.repeats.front().start_s - before.span.end_s > kAtOnce_s) {
                continue;
            }
            const auto said = withoutJoiner(own_words_[k - 1]);
            const auto written = withoutJoiner(own_words_[k]);
            if (said.size() != written.size()) {
                continue;
            }
            const auto differs = std::mismatch(said.begin(), said.end(), written.begin());
            if (differs.first == said.end()
                || !std::equal(differs.first + 1, said.end(), differs.second + 1)) {
                continue;
            }
            found_[k].read = true;
            found_[k].span = before.repeats.front();
            found_[k].misread = {{*differs.first, *differs.second, kSure, false}};
            before.repeats.erase(before.repeats.begin());
        }
    }

    /// Of the note itself, and more likely than not.
    [[nodiscard]] static bool isSure(const take::Misread& m)
    {
        return !m.of_distance && m.sure >= take::kSure;
    }

    /// The words of note `k` with what was surely said in the place of some; nothing where all were said.
    [[nodiscard]] std::vector<std::string> saidWords(std::size_t k) const
    {
        std::vector<std::string> words = own_words_[k];
        bool other = false;
        for (const take::Misread& m : found_[k].misread) {
            const auto at = std::find(words.begin(), words.end(), m.note_says);
            if (isSure(m) && at != words.end()) {
                *at = m.said;
                other = true;
            }
        }
        return other ? words : std::vector<std::string>{};
    }

    /// What is always heard so is the voice, not the reader's mistake.
    void doubtHabits()
    {
        constexpr int kOften = 3;
        constexpr double kShare = 0.3;
        std::map<std::string, int> written;
        std::map<std::pair<std::string, std::string>, int> misread;
        for (std::size_t k = 0; k < found_.size(); ++k) {
            if (!found_[k].read) {
                continue;
            }
            for (const auto* words : {&own_words_[k], &after_words_[k]}) {
                for (const std::string& word : *words) {
                    ++written[word];
                }
            }
            for (const take::Misread& word : found_[k].misread) {
                ++misread[{word.said, word.note_says}];
            }
        }
        for (take::FoundNote& note : found_) {
            for (take::Misread& word : note.misread) {
                const int times = misread[{word.said, word.note_says}];
                if (times >= kOften && times >= kShare * written[word.note_says]) {
                    word.sure *= 0.4;
                }
            }
        }
    }

    [[nodiscard]] bool canDrop(std::size_t k, std::size_t word) const
    {
        return notes::canBeDropped(misses_[k][word]);
    }

    /// What of the open words is not as it is written.
    [[nodiscard]] std::vector<take::Misread> misreadWords() const
    {
        std::vector<take::Misread> out;
        const std::size_t k = open_.front().place.note;
        const auto& words = own_words_[k];
        std::size_t next = 0;
        for (const HeardWord& word : open_) {
            for (; next < word.place.word; ++next) {
                if (canDrop(k, next)) {
                    out.push_back({words[next + 1], words[next] + " " + words[next + 1], word.sure, false});
                }
            }
            if (!word.said.empty()) {
                out.push_back({word.said, words[next], word.sure, false});
            }
            ++next;
        }
        if (next + 1 == words.size() && next > 0) {
            out.push_back({words[next - 1], words[next - 1] + " " + words[next], open_.back().sure, false});
        }
        return out;
    }

    /// Of whose words several were others: where the note is said as it is written soon after, that was talk.
    [[nodiscard]] static bool hardlySaid(const take::FoundNote& note)
    {
        return std::count_if(note.misread.begin(), note.misread.end(), [](const take::Misread& m) {
            return isSure(m);
        }) > 1;
    }

    void close()
    {
        if (open_.empty()) {
            return;
        }
        const std::size_t k = open_.front().place.note;
        take::FoundNote& note = found_[k];
        const auto& words = own_words_[k];
        const take::Span span{open_.front().span.start_s, open_.back().span.end_s};
        const std::size_t read_to = open_.back().place.word + 1;
        const bool complete = read_to == words.size() || (read_to + 1 == words.size() && canDrop(k, read_to));
        auto misread = misreadWords();
        if (!complete) {
            note.restarted = true;
        } else if (note.read && !(misread.empty() && hardlySaid(note))) {
            if (misread.empty()) { // again in other words is talk
                note.repeats.push_back(span);
            }
        } else {
            note.read = true;
            note.span = span;
            note.misread = std::move(misread);
            note.words.clear();
            note.hesitations.clear();
            for (std::size_t i = 0; i < open_.size(); ++i) {
                note.words.push_back({words[open_[i].place.word], open_[i].span});
                if (i > 0 && open_[i].span.start_s - open_[i - 1].span.end_s >= take::kHesitation_s) {
                    note.hesitations.push_back({open_[i - 1].span.end_s, open_[i].span.start_s});
                }
            }
        }
        open_.clear();
    }

    std::vector<std::vector<std::string>> own_words_;
    std::vector<std::vector<std::vector<std::string>>> misses_; ///< near misses of those
    std::vector<std::vector<std::string>> after_words_;
    std::vector<take::FoundNote> found_;
    std::vector<HeardWord> open_;
};

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

private:
    static constexpr double kPiece_s = 24.0;
    static constexpr double kUnsure_s = 5.0; ///< of a piece's end: what comes next may change it
    static constexpr double kBefore_s = 0.06;
    static constexpr double kLeast_s = 1.0; ///< that the search goes on by
    static constexpr double kSomething_s = 2.0; ///< of speech in a piece
    static constexpr std::size_t kBack = 6;
    static constexpr std::size_t kAhead = 40;

    /// A piece, first as one that may hold talk. Where little of it is the notes, the voice may just be
    /// unlike the model's: then talk is made dear, and what is found counts if it is in order.
    Heard hear(const Condensed& condensed, double from_s, double to_s)
    {
        constexpr double kDearTalk = -60.0;
        Grammar::Window window = windowFor(condensed, from_s, to_s);
        if (strange_voice_) {
            window.talk_phone = kDearTalk;
        }
        Heard heard = decode(condensed, from_s, to_s, window);
        if (heard.notes_s + heard.talk_s > kSomething_s) {
            fitVoice(condensed, {from_s, to_s}, window, heard);
        }
        if (!strange_voice_ && !heard.isReading() && heard.notes_s + heard.talk_s > kSomething_s) {
            window.talk_phone = kDearTalk;
            Heard again = decode(condensed, from_s, to_s, window);
            if (again.isInOrder()) {
                strange_voice_ = true;
                heard = std::move(again);
            }
        }
        return withMisreadWords(condensed, {from_s, to_s}, window, std::move(heard));
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

    /// Hears the piece as other throats would have said it, and goes on with the one that fits the model
    /// best: a shorter one step by step as long as that helps, and only where it helps much in all, as an
    /// engine makes a little shorter ones likelier too (by 1.8 %; the voices that need it, by 4.5 and 8.5 %).
    /// A longer one is not tried: the one voice that it made likelier was found whole without it.
    void fitVoice(
        const Condensed& condensed, const take::Span& piece, const Grammar::Window& window, Heard& heard)
    {
        constexpr std::array kShorter{1.16, 1.32, 1.45};
        constexpr double kBetter = 0.025; ///< of the likelihood's logarithm: less is chance
        constexpr int kMostTries = 3; ///< a piece may be talk
        constexpr double kSome_s = 9.0; ///< of it are enough to tell
        if (fitted_ || tries_ >= kMostTries) {
            return;
        }
        ++tries_;
        const take::Span some{piece.start_s, std::min(piece.end_s, piece.start_s + kSome_s)};
        static_cast<void>(decode(condensed, some.start_s, some.end_s, window));
        const auto as_it_is = logLikelihood(decoder_.get());
        if (!as_it_is) {
            return;
        }
        Voice before{std::move(decoder_), std::move(grammar_)};
        std::optional<Voice> best;
        bool reads = false;
        auto likely = as_it_is;
        for (const double warp : kShorter) {
            use(makeVoice(warp));
            const Heard other = decode(condensed, some.start_s, some.end_s, window);
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
        if (shorter) {
            shorter_ = true;
            heard = decode(condensed, piece.start_s, piece.end_s, window);
        }
        fitted_ = heard.isReading();
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
        const auto first = static_cast<std::size_t>(std::max(0.0, span.start_s - kAround_s) * kAlignRate_hz);
        const auto last = std::min(
            condensed.samples.size(), static_cast<std::size_t>((span.end_s + kAround_s) * kAlignRate_hz));
        ps_start_utt(decoder_.get());
        ps_process_raw(decoder_.get(), condensed.samples.data() + first, last - first, FALSE, TRUE);
        ps_end_utt(decoder_.get());
        return logLikelihood(decoder_.get());
    }

    Heard decode(const Condensed& condensed, double from_s, double to_s, const Grammar::Window& window)
    {
        grammar_->use(window);
        const auto first = static_cast<std::size_t>(std::max(0.0, from_s) * kAlignRate_hz);
        const auto last = std::min(condensed.samples.size(), static_cast<std::size_t>(to_s * kAlignRate_hz));
        ps_start_utt(decoder_.get());
        ps_process_raw(decoder_.get(), condensed.samples.data() + first, last - first, FALSE, TRUE);
        ps_end_utt(decoder_.get());
        return heardBy(decoder_.get(), static_cast<double>(first) / kAlignRate_hz);
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
    /// The model's phones fit it ill, so that talk always would explain it better.
    bool strange_voice_ = false;
};

} // namespace

std::vector<ExpectedNote> expectedNotes(const plan::Plan& plan, const std::optional<take::Clock>& clock)
{
    std::vector<ExpectedNote> expected;
    expected.reserve(plan.notes.size());
    for (const auto& note : plan.notes) {
        const auto due_s = clock ? std::optional(clock->recordingTime(note.start_s)) : std::nullopt;
        expected.push_back({note.id, note.spoken, note.spoken_after, due_s});
    }
    return expected;
}

struct LiveAligner::State {
    explicit State(std::vector<ExpectedNote> notes)
        : expected(std::move(notes))
        , search(expected)
        , collector(expected)
    {
    }

    std::vector<ExpectedNote> expected;
    PieceSearch search;
    Collector collector;
    Sound rest{{}, kAlignRate_hz}; ///< what was not searched yet
    std::size_t before = 0; ///< samples that were, before it
    std::size_t looked = 0; ///< samples of the rest at the last look
    double loud_dB = 0.0;
    WordSounds sounds;
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
    State& s = *state_;
    add(samples);
    if (s.rest.samples.size() >= kLeast && s.rest.samples.size() >= s.looked + kLook) {
        search(true, {});
        s.looked = s.rest.samples.size();
    }
}

void LiveAligner::add(std::span<const std::int16_t> samples)
{
    state_->rest.samples.insert(state_->rest.samples.end(), samples.begin(), samples.end());
}

void LiveAligner::search(bool more, const Progress& progress)
{
    State& s = *state_;
    const Condensed condensed = condense(s.rest, s.loud_dB);
    s.loud_dB = condensed.loud_dB;
    const double before_s = static_cast<double>(s.before) / kAlignRate_hz;
    auto found = s.search.search(condensed, more, progress, before_s);
    for (HeardWord& word : found.words) {
        const HeardWord here = word;
        word.span.start_s = before_s + condensed.originalTime(word.span.start_s);
        word.span.end_s =
            before_s + condensed.originalTime(word.span.end_s - 0.5 * kFrame_s) + 0.5 * kFrame_s;
        s.sounds.add(here, condensed, word.span.start_s);
        s.collector.add(word);
    }
    const auto done = more && found.until_s <= 0.0
        ? 0
        : std::min(s.rest.samples.size(),
            static_cast<std::size_t>(condensed.originalTime(found.until_s) * kAlignRate_hz));
    s.rest.samples.erase(s.rest.samples.begin(), s.rest.samples.begin() + static_cast<std::ptrdiff_t>(done));
    s.before += done;
}

std::vector<take::FoundNote> LiveAligner::finish(const Progress& progress)
{
    State& s = *state_;
    const double length_s = static_cast<double>(s.before + s.rest.samples.size()) / kAlignRate_hz;
    search(false, progress);
    auto found = s.collector.finish(length_s);
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
