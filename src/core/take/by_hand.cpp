#include "take/by_hand.h"

#include <algorithm>

namespace brumefall::take {
namespace {

FoundNote* noteOf(std::vector<FoundNote>& found, const std::string& id)
{
    const auto it = std::find_if(found.begin(), found.end(), [&](const FoundNote& n) { return n.id == id; });
    return it == found.end() ? nullptr : &*it;
}

/// Moves everything inside the reading onto `span`, evenly.
void fit(FoundNote& note, const Span& span)
{
    const Span before = note.span;
    const double scale = (span.end_s - span.start_s) / std::max(1e-6, before.end_s - before.start_s);
    const auto onto = [&](Span& inside) {
        inside = {span.start_s + scale * (inside.start_s - before.start_s),
            span.start_s + scale * (inside.end_s - before.start_s)};
    };
    for (FoundWord& word : note.words) {
        onto(word.span);
    }
    for (Span& pause : note.hesitations) {
        onto(pause);
    }
    note.span = span;
}

/// Takes the first reading away; the next repeat is the reading then.
void dropReading(FoundNote& note)
{
    const auto repeats = note.repeats;
    const std::string id = note.id;
    note = {};
    note.id = id;
    note.by_hand = true;
    if (!repeats.empty()) {
        note.read = true;
        note.span = repeats.front();
        note.repeats.assign(repeats.begin() + 1, repeats.end());
    }
}

/// Adds a reading of `note`: its first where it has none that is earlier, else a repeat.
void addReading(FoundNote& note, Span span, std::vector<FoundWord> words)
{
    std::vector<Span> readings = note.repeats;
    if (note.read) {
        readings.push_back(note.span);
    }
    const bool first = !note.read || span.start_s < note.span.start_s;
    readings.push_back(span);
    std::sort(
        readings.begin(), readings.end(), [](const Span& a, const Span& b) { return a.start_s < b.start_s; });
    if (first) {
        note.words = std::move(words);
        note.hesitations.clear();
        note.misread.clear();
        note.restarted = false;
    }
    note.read = true;
    note.by_hand = true;
    note.span = readings.front();
    note.repeats.assign(readings.begin() + 1, readings.end());
}

} // namespace

std::vector<FoundNote> moved(std::vector<FoundNote> found, const std::string& id, Edge edge, double by_s)
{
    FoundNote* note = noteOf(found, id);
    if (note == nullptr || !note->read || by_s == 0.0) {
        return found;
    }
    Span span = note->span;
    if (edge != Edge::end) {
        const double latest_s =
            edge == Edge::start ? span.end_s - kShortestReading_s : span.start_s + std::max(0.0, by_s);
        const double start_s = std::clamp(span.start_s + by_s, 0.0, std::max(0.0, latest_s));
        span.end_s += edge == Edge::whole ? start_s - span.start_s : 0.0;
        span.start_s = start_s;
    } else {
        span.end_s = std::max(span.end_s + by_s, span.start_s + kShortestReading_s);
    }
    fit(*note, span);
    note->by_hand = true;
    return found;
}

std::vector<FoundNote> split(
    std::vector<FoundNote> found, const std::string& id, double at_s, const std::string& next)
{
    FoundNote* note = noteOf(found, id);
    FoundNote* after = noteOf(found, next);
    if (note == nullptr || after == nullptr || note == after || !note->read
        || at_s < note->span.start_s + kShortestReading_s || at_s > note->span.end_s - kShortestReading_s) {
        return found;
    }
    const auto is_before = [&](const FoundWord& word) {
        return 0.5 * (word.span.start_s + word.span.end_s) < at_s;
    };
    const auto cut = std::stable_partition(note->words.begin(), note->words.end(), is_before);
    std::vector<FoundWord> rest(cut, note->words.end());
    note->words.erase(cut, note->words.end());
    std::erase_if(note->hesitations, [&](const Span& pause) { return pause.end_s > at_s; });
    addReading(*after, {at_s, note->span.end_s}, std::move(rest));
    note->span.end_s = at_s;
    note->by_hand = true;
    return found;
}

std::vector<FoundNote> given(std::vector<FoundNote> found, const std::string& id, const std::string& to)
{
    FoundNote* note = noteOf(found, id);
    FoundNote* other = noteOf(found, to);
    if (note == nullptr || other == nullptr || note == other || !note->read) {
        return found;
    }
    const Span span = note->span;
    auto words = note->words;
    dropReading(*note);
    addReading(*other, span, std::move(words));
    return found;
}

std::vector<FoundNote> notMine(std::vector<FoundNote> found, const std::string& id)
{
    if (FoundNote* note = noteOf(found, id); note != nullptr && note->read) {
        dropReading(*note);
    }
    return found;
}

std::vector<FoundNote> saidRight(std::vector<FoundNote> found, const std::string& id)
{
    if (FoundNote* note = noteOf(found, id); note != nullptr && !note->misread.empty()) {
        note->misread.clear();
        note->by_hand = true;
    }
    return found;
}

} // namespace brumefall::take
