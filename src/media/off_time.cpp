#include "media/off_time.h"

#include "maths/quantile.h"
#include "media/seams.h"

#include <algorithm>
#include <cmath>
#include <optional>
#include <set>
#include <span>

namespace brumefall::media {
namespace {

using Words = std::span<const HeardWord>;

/// What was heard of a note at once, with its distance: words from `first` to before `end`.
struct Said {
    std::size_t first = 0;
    std::size_t end = 0;

    [[nodiscard]] Words of(Words words) const { return words.subspan(first, end - first); }
};

std::vector<Said> saidNotes(Words words)
{
    std::vector<Said> notes;
    for (std::size_t first = 0; first < words.size();) {
        std::size_t end = endOfNote(words, first);
        while (end < words.size() && words[end].place.after
            && words[end].place.note == words[first].place.note) {
            ++end;
        }
        notes.push_back({first, end});
        first = end;
    }
    return notes;
}

/// When the notes of a piece are due.
class Timetable {
public:
    /// As it was read before, and is in `words`.
    Timetable(const Condensed& condensed, const ReadingTimes& times, const Grammar& grammar, Words words)
        : condensed_(condensed)
        , grammar_(grammar)
        , times_(times)
        , place_(times.place)
    {
        constexpr double kLeast_s = 1.0;
        constexpr double kTimes = 2.0;
        constexpr double kSteady_s = 1.5;
        std::vector<double> letters_s;
        for (const Said& note : saidNotes(words)) {
            if (beginsNote(words, note.first) && !isScattered(note.of(words))) {
                const HeardWord& word = words[note.first];
                letters_s.push_back(letter_s(note.of(words)));
                place_.hear(times_.expected[word.place.note], recordingTime(word.span.start_s));
            }
        }
        letter_s_ = letters_s.empty() ? 0.0 : maths::median(letters_s);
        const auto steady = place_.steady();
        if (steady && steady->within_s <= kSteady_s) {
            off_s_ = kLeast_s + kTimes * steady->within_s;
        }
    }

    [[nodiscard]] bool isKnown() const { return off_s_ > 0.0; }
    [[nodiscard]] bool isOffTime(Words note) const
    {
        const double late_s = recordingTime(note.front().span.start_s) - due_s(note.front().place.note);
        return isStrewn(note) || std::abs(late_s) > off_s_;
    }
    /// Over more than anybody takes for it.
    [[nodiscard]] bool isStrewn(Words note) const { return isScattered(note) || isDrawnOut(note); }
    /// How long a note mostly takes, for its own words.
    [[nodiscard]] double length_s(std::size_t note) const
    {
        std::size_t letters = 1;
        for (const std::string& word : grammar_.ownWords(note)) {
            letters += word.size();
        }
        return letter_s_ * static_cast<double>(letters);
    }
    /// The part of `span` in which notes `first` to `last` are due; of `condensed`, both.
    [[nodiscard]] take::Span dueIn(const take::Span& span, std::size_t first, std::size_t last) const
    {
        constexpr double kNote_s = 2.0; // takes that long
        return {
            condensedTime(span, due_s(first) - off_s_), condensedTime(span, due_s(last) + off_s_ + kNote_s)};
    }

private:
    [[nodiscard]] double recordingTime(double condensed_s) const
    {
        return times_.before_s + condensed_.originalTime(condensed_s);
    }
    [[nodiscard]] double condensedTime(take::Span span, double recording_s) const
    {
        while (span.end_s - span.start_s > kFrame_s) {
            const double middle_s = 0.5 * (span.start_s + span.end_s);
            (recordingTime(middle_s) < recording_s ? span.start_s : span.end_s) = middle_s;
        }
        return span.end_s;
    }
    [[nodiscard]] double due_s(std::size_t note) const
    {
        return place_.earlyBy_s(times_.expected[note], 0.0).value_or(0.0);
    }
    /// How long a letter of its own words takes.
    [[nodiscard]] double letter_s(Words note) const
    {
        std::size_t letters = 1;
        double end_s = note.front().span.end_s;
        for (const HeardWord& word : note) {
            if (!word.place.after) {
                letters += grammar_.written(word.place).size();
                end_s = word.span.end_s;
            }
        }
        return (end_s - note.front().span.start_s) / static_cast<double>(letters);
    }
    /// It takes far longer than the others, for its words.
    [[nodiscard]] bool isDrawnOut(Words note) const
    {
        constexpr double kTimes = 2.0;
        return letter_s(note) > kTimes * letter_s_;
    }
    /// Its words are farther apart than anybody waits within a note.
    [[nodiscard]] bool isScattered(Words note) const
    {
        constexpr double kSilence_s = 1.0;
        return std::adjacent_find(note.begin(), note.end(), [&](const HeardWord& a, const HeardWord& b) {
            return b.goesOn(a) && recordingTime(b.span.start_s) - recordingTime(a.span.end_s) > kSilence_s;
        }) != note.end();
    }

    const Condensed& condensed_;
    const Grammar& grammar_;
    const ReadingTimes& times_;
    ReaderPlace place_;
    double letter_s_ = 0.0; ///< takes a letter of most
    double off_s_ = 0.0; ///< a note that is read so much earlier or later than it is due is none
};

class Look {
public:
    Look(NoteRecogniser& recogniser, const Condensed& condensed, const take::Span& span,
        const Grammar::Window& window, const Timetable& timetable, const std::vector<HeardWord>& words)
        : recogniser_(recogniser)
        , condensed_(condensed)
        , span_(span)
        , window_(window)
        , timetable_(timetable)
        , words_(words)
        , notes_(saidNotes(words))
    {
    }

    /// What is heard where the notes that are off time are looked for with so many others on either side.
    std::vector<HeardWord> look(std::size_t beside)
    {
        const auto isOff = [&](std::size_t n) { return timetable_.isOffTime(notes_[n].of(words_)); };
        std::vector<HeardWord> out;
        std::size_t kept = 0; // of the notes
        const auto keepUntil = [&](std::size_t note) {
            for (; kept < note; ++kept) {
                const Words words = notes_[kept].of(words_);
                out.insert(out.end(), words.begin(), words.end());
            }
        };
        for (std::size_t n = 0; n < notes_.size(); ++n) {
            if (n < kept || !isOff(n)) {
                continue;
            }
            std::size_t last = n;
            while (last + 1 < notes_.size() && isOff(last + 1)) {
                ++last;
            }
            const std::size_t first = n - std::min(n - kept, beside);
            last = std::min(last + beside, notes_.size() - 1);
            if (const auto anew = hearAnew(first, last)) {
                keepUntil(first);
                out.insert(out.end(), anew->begin(), anew->end());
                kept = last + 1;
            }
        }
        keepUntil(notes_.size());
        return out;
    }

    /// What is heard with the notes that are missing between two of them, or after the last one of a stage,
    /// where there is room for them and they are said in it.
    std::vector<HeardWord> filled()
    {
        std::vector<HeardWord> out;
        const std::size_t all = recogniser_.grammar().notes();
        for (std::size_t n = 0; n < notes_.size(); ++n) {
            const Words note = notes_[n].of(words_);
            out.insert(out.end(), note.begin(), note.end());
            const bool last = n + 1 == notes_.size();
            const std::size_t from = note.front().place.note + 1;
            const std::size_t until = last ? all : words_[notes_[n + 1].first].place.note;
            if (from >= until || until - from > kMostMissing) {
                continue;
            }
            const take::Span gap{
                note.back().span.end_s, last ? span_.end_s : words_[notes_[n + 1].first].span.start_s};
            const auto found = hearMissing(gap, from, until);
            out.insert(out.end(), found.begin(), found.end());
        }
        return out;
    }

private:
    static constexpr std::size_t kMostMissing = 2; ///< more of them were left out

    /// Notes `from` to before `until`, if some of them are said in `gap`, each whole and when it is due.
    std::vector<HeardWord> hearMissing(const take::Span& gap, std::size_t from, std::size_t until)
    {
        constexpr double kLeast = 0.5; // of the time that they mostly take
        constexpr double kDearTalk = -90.0; // where a note is due, a strange voice would be taken for talk
        double shortest_s = 1e9;
        for (std::size_t n = from; n < until; ++n) {
            shortest_s = std::min(shortest_s, timetable_.length_s(n));
        }
        if (gap.end_s - gap.start_s < kLeast * shortest_s) {
            return {};
        }
        Grammar::Window window = window_;
        window.first = from;
        window.last = until;
        window.at = from;
        window.anywhere = false;
        window.talk_phone = kDearTalk;
        const auto heard = recogniser_.hear(condensed_, gap, window);
        const auto found = saidNotes(heard.words);
        return !found.empty() && onTime(heard.words) == found.size() && heard.isReading()
            ? heard.words
            : std::vector<HeardWord>();
    }

    /// Notes `first` to `last` of what was heard; nothing where that is no better.
    std::optional<std::vector<HeardWord>> hearAnew(std::size_t first, std::size_t last)
    {
        constexpr double kLeast_s = 0.3;
        const Words before =
            Words(words_).subspan(notes_[first].first, notes_[last].end - notes_[first].first);
        const auto byNote = [](const HeardWord& a, const HeardWord& b) {
            return a.place.note < b.place.note;
        };
        const auto [low, high] = std::minmax_element(before.begin(), before.end(), byNote);
        const take::Span around{first > 0 ? words_[notes_[first].first - 1].span.end_s : span_.start_s,
            last + 1 < notes_.size() ? words_[notes_[last].end].span.start_s : span_.end_s};
        const take::Span span = timetable_.dueIn(around, low->place.note, high->place.note);
        if (span.end_s - span.start_s < kLeast_s) {
            return {};
        }
        Grammar::Window window = window_;
        window.first = low->place.note;
        window.last = high->place.note + 1;
        window.at = window.first;
        window.anywhere = false;
        auto anew = recogniser_.hear(condensed_, span, window).words;
        anew.resize(wholeUntil(anew, recogniser_.grammar(), span.end_s + kAfterEnd_s));
        return onTime(anew) > onTime(before) ? std::optional(std::move(anew)) : std::nullopt;
    }

    /// How many different notes are heard to their end, and on time.
    [[nodiscard]] std::size_t onTime(Words words) const
    {
        std::set<std::size_t> notes;
        for (const Said& said : saidNotes(words)) {
            const Words note = said.of(words);
            const auto own = static_cast<std::size_t>(std::count_if(
                note.begin(), note.end(), [](const HeardWord& word) { return !word.place.after; }));
            if (own > 0 && !timetable_.isOffTime(note)
                && note[own - 1].place.word + 1
                    == recogniser_.grammar().ownWords(note.front().place.note).size()) {
                notes.insert(note.front().place.note);
            }
        }
        return notes.size();
    }

    NoteRecogniser& recogniser_;
    const Condensed& condensed_;
    const take::Span& span_;
    const Grammar::Window& window_;
    const Timetable& timetable_;
    const std::vector<HeardWord>& words_;
    std::vector<Said> notes_;
};

void dropStrewn(const Timetable& timetable, std::vector<HeardWord>& words)
{
    if (!timetable.isKnown()) {
        return;
    }
    std::vector<HeardWord> out;
    for (const Said& note : saidNotes(words)) {
        const Words said = note.of(words);
        if (!timetable.isStrewn(said)) {
            out.insert(out.end(), said.begin(), said.end());
        }
    }
    words = std::move(out);
}

} // namespace

void hearWhenDue(NoteRecogniser& recogniser, const Condensed& condensed, const take::Span& span,
    const Grammar::Window& window, const ReadingTimes& times, bool driver, std::vector<HeardWord>& words)
{
    constexpr std::size_t kBeside = 1;
    for (std::size_t beside = 0; beside <= kBeside; ++beside) {
        const Timetable timetable(condensed, times, recogniser.grammar(), words);
        if (timetable.isKnown()) {
            words = Look(recogniser, condensed, span, window, timetable, words).look(beside);
        }
    }
    if (const Timetable timetable(condensed, times, recogniser.grammar(), words); timetable.isKnown()) {
        words = Look(recogniser, condensed, span, window, timetable, words).filled();
    }
    if (driver) {
        dropStrewn(Timetable(condensed, times, recogniser.grammar(), words), words);
    }
}

} // namespace brumefall::media
