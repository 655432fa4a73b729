#include "take/readings.h"

#include "notes/near_misses.h"
#include "notes/text.h"

#include <algorithm>
#include <cctype>
#include <cmath>
#include <map>
#include <numeric>
#include <utility>

namespace brumefall::take {

namespace {

/// It was not read after all.
void unread(FoundNote& note)
{
    FoundNote missed;
    missed.id = std::move(note.id);
    note = std::move(missed);
}

/// Of the note itself, and more likely than not.
bool isSure(const Misread& m)
{
    return !m.of_distance && m.sure >= kSure;
}

/// The words of a note with what was surely said in the place of some; nothing where all were said.
std::vector<std::string> saidWords(const FoundNote& note, std::vector<std::string> words)
{
    bool other = false;
    for (const Misread& m : note.misread) {
        const auto at = std::find(words.begin(), words.end(), m.note_says);
        if (isSure(m) && at != words.end()) {
            *at = m.said;
            other = true;
        }
    }
    return other ? words : std::vector<std::string>{};
}

} // namespace

std::vector<ExpectedNote> expectedNotes(const plan::Plan& plan, const std::optional<Clock>& clock)
{
    std::vector<ExpectedNote> expected;
    expected.reserve(plan.notes.size());
    for (const auto& note : plan.notes) {
        const auto due_s = clock ? std::optional(clock->recordingTime(note.start_s)) : std::nullopt;
        expected.push_back({note.id, note.spoken, note.spoken_after, due_s, note.start_s});
    }
    return expected;
}

bool isJoiner(const std::string& word)
{
    return word == "into" || word == "and" || word == "then";
}

std::vector<std::string> withoutJoiner(std::vector<std::string> words)
{
    if (!words.empty() && isJoiner(words.front())) {
        words.erase(words.begin());
    }
    return words;
}

std::vector<std::string> spokenWords(const std::string& text)
{
    auto words = notes::splitWords(text);
    for (std::string& word : words) {
        std::erase_if(word, [](unsigned char c) { return !std::isalnum(c) && c != '\''; });
    }
    std::erase(words, "");
    return words;
}

OwnWords ownWords(const std::vector<ExpectedNote>& expected)
{
    OwnWords words;
    for (const ExpectedNote& note : expected) {
        words.push_back(spokenWords(note.spoken));
    }
    return words;
}

void giveToNeighbours(std::vector<FoundNote>& found, const OwnWords& own_words)
{
    for (std::size_t k = 0; k < found.size(); ++k) {
        for (const std::size_t other : {k + 1, k - 1}) {
            const auto said = saidWords(found[k], own_words[k]);
            if (!found[k].read || other >= found.size() || said.empty()
                || withoutJoiner(said) != withoutJoiner(own_words[other])) {
                continue;
            }
            const bool again = found[other].read;
            const auto misread = std::count_if(
                found[k].misread.begin(), found[k].misread.end(), [](const Misread& m) { return isSure(m); });
            if (again && (other < k || misread < 2)) {
                continue;
            }
            FoundNote given = std::move(found[k]);
            found[k] = {};
            found[k].id = std::exchange(given.id, found[other].id);
            std::erase_if(given.misread, [](const Misread& m) { return !m.of_distance; });
            if (again) {
                given.repeats.push_back(found[other].span);
            }
            const auto words = withoutJoiner(own_words[other]);
            for (std::size_t i = 0; i < std::min(words.size(), given.words.size()); ++i) {
                given.words[given.words.size() - 1 - i].word = words[words.size() - 1 - i];
            }
            found[other] = std::move(given);
        }
    }
}

Readings::Readings(const std::vector<ExpectedNote>& expected)
    : own_words_(ownWords(expected))
    , found_(expected.size())
{
    for (std::size_t k = 0; k < expected.size(); ++k) {
        found_[k].id = expected[k].id;
        misses_.push_back(notes::nearMisses(own_words_[k], notes::Spoken::note));
        after_words_.push_back(spokenWords(expected[k].spoken_after));
        planned_s_.push_back(expected[k].planned_s);
        by_clock_ = by_clock_ || expected[k].due_s;
    }
}

void Readings::add(const HeardWord& word)
{
    if (word.place.after) {
        close();
        FoundNote& note = found_[word.place.note];
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

std::vector<FoundNote> Readings::finish(double length_s, double said_s, bool surely)
{
    dropCutOffLikeness(length_s);
    dropStrays();
    dropHardlyAny(said_s, surely);
    dropBabble();
    giveToNeighbours(found_, own_words_);
    takeFromRepeats();
    dropUnlikelyRepeats();
    doubtHabits();
    open_.clear(); // what the end of the take cut off was not begun again
    for (FoundNote& note : found_) {
        note.restarted = note.restarted && note.read; // broken off and not begun again is missed
    }
    return std::move(found_);
}

void Readings::dropCutOffLikeness(double length_s)
{
    const auto last = std::find_if(found_.rbegin(), found_.rend(), [](const FoundNote& n) { return n.read; });
    if (last == found_.rend() || (open_.empty() ? last->span : open_.back().span).end_s < length_s - 0.03) {
        return;
    }
    const bool after_skip = std::next(last) != found_.rend() && !std::next(last)->read;
    if (after_skip) {
        unread(*last);
    }
}

void Readings::dropStrays()
{
    const auto isRead = [](const FoundNote& note) { return note.read; };
    if (std::count_if(found_.begin(), found_.end(), isRead) < 2) {
        return;
    }
    const auto first = std::find_if(found_.begin(), found_.end(), isRead);
    const auto last = std::find_if(found_.rbegin(), found_.rend(), isRead);
    const auto begin = static_cast<std::size_t>(first - found_.begin());
    const auto end = static_cast<std::size_t>(found_.rend() - last);
    std::vector<Company> company(found_.size());
    for (std::size_t k = begin; k < end; ++k) {
        company[k] = companyOf(k, begin, end);
    }
    // who stops for a while has a few before or after it that go with the many on the other side
    const auto joinTo = [&](std::size_t beside, std::size_t k) {
        if (company[k] == Company::few && company[beside] == Company::many
            && isHeardBefore(std::min(k, beside), std::max(k, beside))) {
            company[k] = Company::many;
        }
    };
    for (std::size_t k = begin + 1; k < end; ++k) {
        joinTo(k - 1, k);
    }
    for (std::size_t k = end - 1; k-- > begin;) {
        joinTo(k + 1, k);
    }
    for (std::size_t k = begin; k < end; ++k) {
        if (company[k] == Company::none || company[k] == Company::few) {
            unread(found_[k]);
        }
    }
}

Readings::Company Readings::companyOf(std::size_t k, std::size_t begin, std::size_t end) const
{
    constexpr std::size_t kAround = 4;
    constexpr std::size_t kMany = 3; // on one side: the reader may have stopped on the other
    const std::size_t first = std::max(begin, k - std::min(k, kAround));
    const std::size_t last = std::min(end, k + kAround + 1);
    std::size_t before = 0;
    std::size_t after = 0;
    for (std::size_t other = first; other < last; ++other) {
        if (found_[other].read) {
            before += other < k && isInTime(other, k) ? 1 : 0;
            after += other > k && isInTime(k, other) ? 1 : 0;
        }
    }
    if (!found_[k].read || before + after == 0) {
        return Company::none;
    }
    if (before >= kMany || after >= kMany) {
        return Company::many;
    }
    return 2 * (before + 1 + after) >= last - first ? Company::half : Company::few;
}

void Readings::dropHardlyAny(double said_s, bool surely)
{
    constexpr std::ptrdiff_t kFew = 6;
    constexpr double kShare = 0.1;
    constexpr double kNote_s = 2.0; // with the pauses around it that are heard
    constexpr double kHardlyAny = 0.1; // of what was said are the notes' own words
    const auto read = std::count_if(found_.begin(), found_.end(), [](const FoundNote& n) { return n.read; });
    const double time_for = std::min(static_cast<double>(found_.size()), said_s / kNote_s);
    const double read_s = std::accumulate(found_.begin(), found_.end(), 0.0,
        [](double sum, const FoundNote& n) { return sum + (n.read ? n.span.end_s - n.span.start_s : 0.0); });
    const bool few = read <= kFew && static_cast<double>(read) < kShare * time_for;
    const bool strewn = !surely && read_s < kHardlyAny * said_s;
    if (!few && !strewn) {
        return;
    }
    for (FoundNote& note : found_) {
        unread(note);
    }
}

void Readings::dropBabble()
{
    constexpr std::size_t kSome = 5;
    std::size_t read = 0;
    std::size_t again = 0;
    for (const FoundNote& note : found_) {
        read += note.read ? 1 : 0;
        again += note.repeats.size();
    }
    if (again <= std::max(kSome, read)) {
        return;
    }
    for (FoundNote& note : found_) {
        unread(note);
    }
}

void Readings::takeFromRepeats()
{
    constexpr double kAtOnce_s = 0.8;
    constexpr double kSure = 0.8;
    for (std::size_t k = 1; k < found_.size(); ++k) {
        FoundNote& before = found_[k - 1];
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
        if (differs.first == said.end() || !std::equal(differs.first + 1, said.end(), differs.second + 1)) {
            continue;
        }
        found_[k].read = true;
        found_[k].span = before.repeats.front();
        found_[k].misread = {{*differs.first, *differs.second, kSure, false}};
        before.repeats.erase(before.repeats.begin());
    }
}

void Readings::dropUnlikelyRepeats()
{
    constexpr double kShortest = 0.45; // as long as the first time; its joining word may be left out
    constexpr double kLongest = 2.2;
    constexpr double kLater_s = 12.0; // the car is past it
    constexpr double kTogether_s = 4.0;
    std::vector<std::pair<std::string, Span>> all; // before any is dropped
    for (const FoundNote& note : found_) {
        for (const Span& again : note.repeats) {
            all.emplace_back(note.id, again);
        }
    }
    const auto isAlone = [&](const FoundNote& note, const Span& again) {
        return std::none_of(all.begin(), all.end(), [&](const auto& beside) {
            return beside.first != note.id && beside.second.start_s < again.end_s + kTogether_s
                && beside.second.end_s > again.start_s - kTogether_s;
        });
    };
    for (FoundNote& note : found_) {
        double first_s = note.span.end_s - note.span.start_s;
        for (const Span& pause : note.hesitations) {
            first_s -= pause.end_s - pause.start_s;
        }
        std::erase_if(note.repeats, [&](const Span& again) {
            const double again_s = again.end_s - again.start_s;
            return again_s < kShortest * first_s || again_s > kLongest * first_s
                || (again.start_s > note.span.end_s + kLater_s && isAlone(note, again));
        });
    }
}

void Readings::doubtHabits()
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
        for (const Misread& word : found_[k].misread) {
            ++misread[{word.said, word.note_says}];
        }
    }
    for (FoundNote& note : found_) {
        for (Misread& word : note.misread) {
            const int times = misread[{word.said, word.note_says}];
            if (times >= kOften && times >= kShare * written[word.note_says]) {
                word.sure *= 0.4;
            }
        }
    }
}

bool Readings::canDrop(std::size_t k, std::size_t word) const
{
    return notes::canBeDropped(misses_[k][word]);
}

std::vector<Misread> Readings::misreadWords() const
{
    std::vector<Misread> out;
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

bool Readings::hardlySaid(const FoundNote& note, double next_s)
{
    constexpr double kAtOnce_s = 3.0;
    const auto others =
        std::count_if(note.misread.begin(), note.misread.end(), [](const Misread& m) { return isSure(m); });
    return others > 1 || (others > 0 && next_s > note.span.end_s + kAtOnce_s);
}

bool Readings::isHeardBefore(std::size_t a, std::size_t b) const
{
    return found_[a].span.start_s < found_[b].span.start_s;
}

bool Readings::isInTime(std::size_t a, std::size_t b) const
{
    constexpr double kOff_s = 5.0; // an uneven reader, catching up or falling behind
    constexpr double kSlow = 2.5; // some practise at half the pace
    constexpr double kClock = 1.3; // with the pass running, hardly anybody does
    if (!isHeardBefore(a, b)) {
        return false;
    }
    if (!planned_s_[a] || !planned_s_[b]) {
        return true;
    }
    const double heard_s = found_[b].span.start_s - found_[a].span.start_s;
    const double planned_s = *planned_s_[b] - *planned_s_[a];
    const double slow = by_clock_ ? kClock : kSlow;
    return heard_s < slow * planned_s + kOff_s && heard_s > planned_s / slow - kOff_s;
}

void Readings::close()
{
    if (open_.empty()) {
        return;
    }
    const std::size_t k = open_.front().place.note;
    FoundNote& note = found_[k];
    const auto& words = own_words_[k];
    const Span span{open_.front().span.start_s, open_.back().span.end_s};
    const std::size_t read_to = open_.back().place.word + 1;
    const bool complete = read_to == words.size() || (read_to + 1 == words.size() && canDrop(k, read_to));
    auto misread = misreadWords();
    if (!complete) {
        note.restarted = true;
    } else if (note.read && !(misread.empty() && hardlySaid(note, span.start_s))) {
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
            if (i > 0 && open_[i].span.start_s - open_[i - 1].span.end_s >= kHesitation_s) {
                note.hesitations.push_back({open_[i - 1].span.end_s, open_[i].span.start_s});
            }
        }
    }
    open_.clear();
}

} // namespace brumefall::take
