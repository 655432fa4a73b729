#include "media/mending.h"

#include "notes/near_misses.h"

#include <algorithm>
#include <cmath>
#include <optional>
#include <span>

namespace brumefall::media {
namespace {

std::vector<WordPlace> placesOf(std::span<const HeardWord> words)
{
    std::vector<WordPlace> places;
    for (const HeardWord& word : words) {
        places.push_back(word.place);
    }
    return places;
}

/// The words of one note.
void closeGap(NoteRecogniser& recogniser, const Condensed& condensed, std::span<HeardWord> note)
{
    constexpr double kGap_s = 1.0; // hardly anybody waits so long within a note
    constexpr double kLongGap_s = 3.0; // nobody does, and a word unlike itself fits nowhere well
    // the first word begins before the rest, which was heard in its place
    constexpr double kEarlier_s = 0.3;
    std::size_t rest = 0;
    double gap_s = kGap_s;
    for (std::size_t w = 1; w < note.size(); ++w) {
        const double silent_s =
            condensed.originalTime(note[w].span.start_s) - condensed.originalTime(note[w - 1].span.end_s);
        if (silent_s > gap_s) {
            gap_s = silent_s;
            rest = w;
        }
    }
    if (rest == 0) {
        return;
    }
    const take::Span span{
        std::max(note[rest].span.start_s - kEarlier_s, note[rest - 1].span.end_s), note.back().span.end_s};
    const auto all = recogniser.fit(condensed, span, placesOf(note));
    if (!all || all->words.size() != note.size()) {
        return;
    }
    if (gap_s < kLongGap_s) {
        const auto of_rest = recogniser.fit(condensed, span, placesOf(note.subspan(rest)));
        if (of_rest && all->nats < of_rest->nats) {
            return;
        }
    }
    for (std::size_t w = 0; w < note.size(); ++w) {
        note[w].span = all->words[w].span;
    }
}

/// The joining word of a note that was heard from its second word on, if it is there; what was said before
/// ends at `before_s`.
std::optional<HeardWord> joinerOf(
    NoteRecogniser& recogniser, const Condensed& condensed, std::span<const HeardWord> note, double before_s)
{
    constexpr double kShort_s = 0.12; // nobody says it faster
    constexpr double kLong_s = 0.7; // nor slower
    const double begins_s = note.front().span.start_s;
    const double from_s = std::max(begins_s - kLong_s, before_s);
    if (begins_s - from_s < kShort_s) {
        return {};
    }
    auto places = placesOf(note);
    const take::Span span{from_s + NoteRecogniser::kAround_s, note.back().span.end_s};
    const auto without = recogniser.fit(condensed, span, places);
    const WordPlace joiner{note.front().place.note, 0, false, 0};
    places.insert(places.begin(), joiner);
    const auto with = recogniser.fit(condensed, span, places);
    if (!with || with->words.empty() || (without && with->nats < without->nats)) {
        return {};
    }
    return HeardWord{joiner, {with->words.front().span.start_s, begins_s}, {}, 0.0};
}

/// Nats by which another word has to fit better to be as likely as the written one: more where the two sound
/// alike, as distances do, and nothing where they never do, as the directions. Noise that comes and goes
/// makes any of them like another one.
double evenGain(const Grammar& grammar, const WordPlace& place, bool in_noise)
{
    constexpr double kDirection = 0.0;
    constexpr double kOther = 22.0;
    constexpr double kDistance = 80.0;
    constexpr double kDirectionInNoise = 15.0;
    constexpr double kMoreInNoise = 60.0;
    return notes::isSide(grammar.written(place)) && !place.after
        ? (in_noise ? kDirectionInNoise : kDirection)
        : (place.after ? kDistance : kOther) + (in_noise ? kMoreInNoise : 0.0);
}

/// What is written in the place of the words heard of a note and its distance: the words that were said, and
/// those that were dropped.
std::vector<WordPlace> writtenFor(std::span<const HeardWord> said, const Grammar& grammar)
{
    std::vector<WordPlace> written;
    for (std::size_t i = 0; i < said.size(); ++i) {
        const WordPlace& place = said[i].place;
        if (!place.after && !written.empty() && place.word == written.back().word + 2) {
            written.push_back({place.note, place.word - 1, false, 0});
        }
        written.push_back({place.note, place.word, place.after, 0});
        const bool last_own = !place.after && (i + 1 == said.size() || said[i + 1].place.after);
        if (last_own && place.word + 2 == grammar.ownWords(place.note).size()
            && grammar.canDrop(place.note, place.word + 1)) {
            written.push_back({place.note, place.word + 1, false, 0});
        }
    }
    return written;
}

/// The same of one note; what is said after it begins at `next_s`.
void judge(NoteRecogniser& recogniser, const Condensed& condensed, std::span<HeardWord> note, double next_s,
    bool in_noise)
{
    constexpr double kSlope = 6.0; // nats
    constexpr double kWord_s = 0.5; // so much after a note may be its last word, where that was not heard
    const Grammar& grammar = recogniser.grammar();
    const auto said = placesOf(note);
    const auto written = writtenFor(note, grammar);
    const auto isMiss = [](const HeardWord& word) { return word.place.miss > 0; };
    if (said.size() == written.size() && std::none_of(note.begin(), note.end(), isMiss)) {
        return;
    }
    take::Span span{note.front().span.start_s, note.back().span.end_s};
    if (written.back().word != said.back().word) {
        span.end_s = std::clamp(next_s, span.end_s, span.end_s + kWord_s);
    }
    const auto better = recogniser.fit(condensed, span, said);
    const auto worse = recogniser.fit(condensed, span, written);
    const double gain = !better ? 0.0 : !worse ? 1e3 : better->nats - worse->nats;
    for (HeardWord& word : note) {
        word.sure = 1.0 / (1.0 + std::exp((evenGain(grammar, word.place, in_noise) - gain) / kSlope));
        if (word.place.miss > 0) {
            word.said = grammar.said(word.place);
        }
    }
}

} // namespace

void closeGaps(NoteRecogniser& recogniser, const Condensed& condensed, std::vector<HeardWord>& words)
{
    for (std::size_t first = 0; first < words.size();) {
        const std::size_t end = endOfNote(words, first);
        if (!words[first].place.after) {
            closeGap(recogniser, condensed, std::span(words).subspan(first, end - first));
        }
        first = end;
    }
}

void addJoiners(NoteRecogniser& recogniser, const Condensed& condensed, std::vector<HeardWord>& words)
{
    for (std::size_t first = 0; first < words.size(); first = endOfNote(words, first)) {
        const WordPlace& place = words[first].place;
        if (!place.after && place.word == 1
            && take::isJoiner(recogniser.grammar().ownWords(place.note).front())) {
            const double before_s = first > 0 ? words[first - 1].span.end_s : 0.0;
            const auto note = std::span(words).subspan(first, endOfNote(words, first) - first);
            if (const auto joiner = joinerOf(recogniser, condensed, note, before_s)) {
                words.insert(words.begin() + static_cast<std::ptrdiff_t>(first), *joiner);
            }
        }
    }
}

void judgeMisses(
    NoteRecogniser& recogniser, const Condensed& condensed, std::vector<HeardWord>& words, bool in_noise)
{
    for (std::size_t first = 0; first < words.size();) {
        const std::size_t note = words[first].place.note;
        std::size_t end = first + 1;
        while (end < words.size() && words[end].place.note == note) {
            ++end;
        }
        const double next_s = end < words.size() ? words[end].span.start_s : 1e300;
        judge(recogniser, condensed, std::span(words).subspan(first, end - first), next_s, in_noise);
        first = end;
    }
}

} // namespace brumefall::media
