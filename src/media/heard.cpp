#include "media/heard.h"

#include <algorithm>
#include <optional>
#include <set>

namespace brumefall::media {
namespace {

/// The notes of those words that `counts`.
template <typename Counts> std::set<std::size_t> notesOf(const std::vector<HeardWord>& words, Counts counts)
{
    std::set<std::size_t> notes;
    for (const HeardWord& word : words) {
        if (counts(word)) {
            notes.insert(word.place.note);
        }
    }
    return notes;
}

bool isAny(const HeardWord&)
{
    return true;
}

bool isMisread(const HeardWord& word)
{
    return word.place.miss > 0 && !word.place.after;
}

} // namespace

std::size_t Heard::notes() const
{
    return notesOf(words, isAny).size();
}

std::size_t Heard::misreadNotes() const
{
    return notesOf(words, isMisread).size();
}

bool Heard::isReading() const
{
    constexpr double kShare = 0.5;
    return notes_s >= kShare * (notes_s + talk_s);
}

bool Heard::isDrawnOut() const
{
    constexpr double kLong_s = 0.9;
    return notes_s > kLong_s * static_cast<double>(words.size());
}

std::size_t Heard::readings() const
{
    return static_cast<std::size_t>(std::count_if(words.begin(), words.end(),
        [](const HeardWord& word) { return !word.place.after && word.place.word == 0; }));
}

bool Heard::isSaidOver() const
{
    constexpr std::size_t kOften = 3;
    return readings() > kOften && readings() >= kOften * notes();
}

bool Heard::isInOrder() const
{
    constexpr std::size_t kFew = 4;
    constexpr double kShare = 0.6;
    constexpr double kAgain = 1.4;
    const auto notes = notesOf(words, isAny);
    const auto count = static_cast<double>(notes.size());
    return notes.size() >= kFew && static_cast<double>(readings()) <= kAgain * count
        && count >= kShare * static_cast<double>(*notes.rbegin() - *notes.begin() + 1);
}

bool Heard::goesForward() const
{
    constexpr double kShare = 0.75;
    std::size_t steps = 0;
    std::size_t forward = 0;
    std::optional<std::size_t> before;
    for (const HeardWord& word : words) {
        if (!word.place.after && word.place.word == 0) {
            if (before) {
                ++steps;
                forward += word.place.note == *before + 1 ? 1 : 0;
            }
            before = word.place.note;
        }
    }
    return static_cast<double>(forward) >= kShare * static_cast<double>(steps);
}

bool Heard::isInDisorder() const
{
    constexpr std::size_t kSome = 3;
    return readings() >= kSome && !goesForward() && !isInOrder();
}

bool Heard::isPlainReading(double most_talk) const
{
    constexpr std::size_t kForward = 2;
    if (words.empty() || talk_s > most_talk * notes_s || isDrawnOut()) {
        return false;
    }
    std::size_t at = words.front().place.note;
    return std::all_of(words.begin(), words.end(), [&](const HeardWord& word) {
        const bool next = word.place.note == at || (word.place.note - at <= kForward && !word.place.after);
        at = word.place.note;
        return next;
    });
}

bool Heard::isOneAfterAnother() const
{
    return std::adjacent_find(words.begin(), words.end(), [](const HeardWord& a, const HeardWord& b) {
        return b.place.note != a.place.note && b.place.note != a.place.note + 1;
    }) == words.end();
}

bool Heard::mistakesOther(const Heard& before) const
{
    const auto misread = notesOf(words, isMisread);
    const auto still = notesOf(words, [&](const HeardWord& word) {
        return std::any_of(before.words.begin(), before.words.end(), [&](const HeardWord& was) {
            return was.place.note == word.place.note && was.span.start_s < word.span.end_s
                && was.span.end_s > word.span.start_s;
        });
    });
    return std::any_of(before.words.begin(), before.words.end(), [&](const HeardWord& was) {
        return misread.contains(was.place.note) && !still.contains(was.place.note);
    });
}

bool beginsNote(std::span<const HeardWord> words, std::size_t w)
{
    return !words[w].place.after && (w == 0 || !words[w].goesOn(words[w - 1]));
}

std::size_t endOfNote(std::span<const HeardWord> words, std::size_t first)
{
    std::size_t end = first + 1;
    while (end < words.size() && words[end].goesOn(words[end - 1])) {
        ++end;
    }
    return end;
}

} // namespace brumefall::media
