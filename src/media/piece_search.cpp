#include "media/piece_search.h"

#include "media/mending.h"
#include "media/off_time.h"
#include "media/seams.h"

#include <algorithm>
#include <utility>

namespace brumefall::media {

PieceSearch::PieceSearch(const std::vector<ExpectedNote>& expected)
    : expected_(expected)
    , recogniser_(expected)
{
}

PieceSearch::PieceSearch(const std::vector<ExpectedNote>& expected, Without without, double first_s)
    : PieceSearch(expected)
{
    without_ = std::move(without);
    if (const auto due_s = dueOf(expected.front())) {
        place_.likely_later_s = first_s - *due_s;
    }
}

PieceSearch::Result PieceSearch::search(
    const Condensed& condensed, bool more, const Progress& progress, double before_s)
{
    before_s_ = before_s;
    const double length_s = static_cast<double>(condensed.samples.size()) / kAlignRate_hz;
    const ReaderPlace place = place_;
    auto stretches = searchIn(condensed, {0.0, length_s}, more, progress);
    if (!stretches) {
        place_ = place;
        return {{}, 0.0, without_};
    }
    const double until_s = stretches->empty() ? 0.0 : stretches->back().span.end_s;
    return {std::move(*stretches), until_s, {}};
}

std::optional<std::vector<Stretch>> PieceSearch::searchIn(
    const Condensed& condensed, const take::Span& span, bool more, const Progress& progress)
{
    std::vector<Stretch> out;
    double from_s = span.start_s;
    const ReaderPlace place = place_;
    const auto count = [&](const Heard& heard, std::size_t words, double until_s) {
        const auto end = heard.words.begin() + static_cast<std::ptrdiff_t>(words);
        out.push_back({{from_s, until_s}, {heard.words.begin(), end}, words > 0 && isSurelyRead(heard)});
        follow(condensed, out.back().words);
        from_s = until_s;
    };
    Heard left; // of the last piece, behind its seam: it is heard once more
    while (from_s < span.end_s) {
        if (progress && !progress(from_s / span.end_s)) {
            break;
        }
        if (more && from_s + kPiece_s >= span.end_s - kAfterEnd_s) {
            break;
        }
        const double to_s = std::min(from_s + kPiece_s, span.end_s);
        const bool known = knowsVoice();
        const auto found = hearInEveryWay(condensed, {from_s, to_s});
        if (!found) {
            return {};
        }
        const auto& heard = found->words;
        const Heard before = std::exchange(left, {});
        const std::size_t last = lastBegun(before.words);
        if (last > 0 && holdsStray(condensed, heard) && !holdsStray(condensed, before.words)) {
            const double next_s = goOnAtSeam(before.words, last);
            count(before, last, next_s);
            continue;
        }
        if (!known && knowsVoice() && !out.empty()) { // what was missed by not knowing it is found now
            out.clear();
            from_s = span.start_s;
            place_ = place;
            continue;
        }
        if (to_s >= span.end_s) {
            count(*found, heard.size(), span.end_s);
            break;
        }
        const double sure_s = to_s - kUnsure_s;
        const std::size_t seam = seamOf(heard, recogniser_.grammar(), from_s + kLeast_s, sure_s);
        if (seam < heard.size()) {
            const double next_s = goOnAtSeam(heard, seam);
            place_.anywhere = found->isInDisorder(); // it may have been noise
            count(*found, seam, next_s);
            left = *found;
            left.words.erase(left.words.begin(), left.words.begin() + static_cast<std::ptrdiff_t>(seam));
            continue;
        }
        // hardly a note in all of it: what was heard whole counts, and the search goes on behind it
        const std::size_t whole = wholeUntil(heard, recogniser_.grammar(), sure_s);
        if (whole > 0) {
            place_.goTo(std::min(heard[whole - 1].place.note + 1, expected_.size()));
        }
        const double begun_s = begunBefore(heard, whole, sure_s).value_or(sure_s + kBefore_s);
        count(*found, whole, std::max(from_s + kLeast_s, begun_s - kBefore_s));
    }
    return out;
}

std::vector<Stretch> PieceSearch::searchBetween(const Condensed& condensed, const take::Span& span,
    double before_s, const Between& between, const Progress& progress)
{
    constexpr double kMost = 0.6; // of the notes
    const auto all = static_cast<double>(between.notes.last - between.notes.first);
    const ReaderPlace place = std::exchange(place_, {});
    const Without without = without_;
    const double searched_s = std::exchange(before_s_, before_s);
    for (const BegunNote& note : between.around) {
        place_.hear(expected_[note.note], note.start_s);
    }
    place_.until = between.notes.last;
    if (between.after_some) {
        place_.goTo(between.notes.first);
    }
    const ReaderPlace known = place_;
    std::vector<Stretch> better;
    for (const bool dear : {true, false}) { // where most of what is said must be notes, talk is dear
        place_ = known;
        bounded_ = dear;
        auto found = searchIn(condensed, span, false, progress);
        without_ = without;
        if (!found) {
            continue;
        }
        if (dear) {
            dropRepeats(*found);
        }
        const std::size_t notes = notesIn(*found, between.notes);
        if (notes >= between.found && (!dear || static_cast<double>(notes) >= kMost * all)) {
            better = std::move(*found);
            break;
        }
    }
    bounded_ = false;
    place_ = place;
    before_s_ = searched_s;
    return better;
}

std::optional<PieceSearch::Result> PieceSearch::goOnPlainly(
    const Condensed& condensed, bool more, double before_s)
{
    before_s_ = before_s;
    if (more && isInNoise()) {
        return {};
    }
    const double length_s = static_cast<double>(condensed.samples.size()) / kAlignRate_hz;
    const auto heard = hearPlainly(condensed);
    if (!heard) {
        return {};
    }
    auto words = heard->words;
    const bool remarked = !heard->isPlainReading(kHardlyTalk);
    if (!more
        || (condensed.ends_silent && wholeUntil(words, recogniser_.grammar(), length_s) == words.size())) {
        place_.goTo(words.back().place.note + 1);
        remarked_ = remarked;
        const double until_s = more ? words.back().span.end_s + kAfter_s : length_s;
        follow(condensed, words);
        return Result{{{{0.0, until_s}, std::move(words), heard->notes() >= kSomeNotes}}, until_s, {}};
    }
    const std::size_t seam = seamOf(words, recogniser_.grammar(), kLeast_s, length_s - kUnsureInPlain_s);
    if (seam == words.size()) {
        return {};
    }
    remarked_ = remarked;
    const double until_s = goOnAtSeam(words, seam);
    words.resize(seam);
    follow(condensed, words);
    return Result{{{{0.0, until_s}, std::move(words), heard->notes() >= kSomeNotes}}, until_s, {}};
}

std::optional<Heard> PieceSearch::hearPlainly(const Condensed& condensed)
{
    const double length_s = static_cast<double>(condensed.samples.size()) / kAlignRate_hz;
    Piece piece = pieceOf(condensed, {0.0, length_s});
    const bool known = fitted_ && !place_.anywhere; // the voice, and where it is
    if (known && one_after_another_) {
        if (auto heard = hearOneAfterAnother(piece)) {
            return heard;
        }
    }
    Heard& heard = piece.heard;
    hear(piece);
    const auto isPlain = [&] {
        return heard.isPlainReading(known ? mostTalk() : kHardlyTalk)
            && (known ? heard.words.front().place.note - place_.at <= 1 : heard.notes() >= kSomeNotes);
    };
    if (!isPlain()) {
        return {};
    }
    if (!fitted_) {
        if (fitVoice(enoughToTell(piece), piece.window, tries_)) {
            hear(piece);
        }
        fitted_ = isPlain();
        if (!fitted_) {
            return {};
        }
    }
    one_after_another_ = heard.isOneAfterAnother();
    return toldOf(std::move(piece));
}

std::optional<Heard> PieceSearch::hearOneAfterAnother(Piece piece)
{
    constexpr double kMostNotesPer_s = 1.0; // of speech
    constexpr std::size_t kMore = 3;
    Grammar::Window& window = piece.window;
    window.first = std::max(window.first, place_.at - std::min(place_.at, kMore));
    window.last = std::min(
        window.last, place_.at + static_cast<std::size_t>(piece.span.end_s * kMostNotesPer_s) + kMore);
    window.near_misses = true;
    hear(piece);
    const Heard& heard = piece.heard;
    one_after_another_ = heard.isPlainReading(mostTalk()) && heard.isOneAfterAnother()
        && heard.words.front().place.note == place_.at && heard.misreadNotes() <= kSomeMisread
        && !mayHaveShortNote(heard);
    if (!one_after_another_) {
        return {};
    }
    return mended(std::move(piece), true);
}

double PieceSearch::goOnAtSeam(const std::vector<HeardWord>& words, std::size_t seam)
{
    place_.goTo(words[seam].place.note);
    return words[seam].span.start_s - kBefore_s;
}

PieceSearch::Piece PieceSearch::pieceOf(const Condensed& condensed, const take::Span& span) const
{
    Piece piece{condensed, span, windowFor(condensed, span), {}};
    if (strange_voice_ || bounded_) {
        piece.window.talk_phone = kDearTalk;
    }
    return piece;
}

void PieceSearch::hear(Piece& piece)
{
    piece.heard = recogniser_.hear(piece.condensed, piece.span, piece.window);
}

void PieceSearch::goOnWith(Piece& piece, Piece other)
{
    piece.window = other.window;
    piece.heard = std::move(other.heard);
}

take::Span PieceSearch::recordingOf(const Condensed& condensed, const take::Span& span) const
{
    return {before_s_ + condensed.originalTime(span.start_s), before_s_ + condensed.originalTime(span.end_s)};
}

Grammar::Window PieceSearch::windowFor(const Condensed& condensed, const take::Span& span) const
{
    Grammar::Window window = place_.window(expected_, recordingOf(condensed, span));
    if (isInNoise()) {
        window.weight = kWeightInNoise;
        window.talk_phone = kTalkInNoise;
    }
    if (without_.all_but) { // the driver's words would too easily be taken for a later note
        window.skip_weight = kWeightInNoise;
    }
    return window;
}

void PieceSearch::follow(const Condensed& condensed, std::span<const HeardWord> words)
{
    for (std::size_t i = 0; i < words.size(); ++i) {
        if (beginsNote(words, i)) {
            place_.hear(expected_[words[i].place.note], recordingOf(condensed, words[i].span).start_s);
        }
    }
}

std::optional<double> PieceSearch::earlyBy_s(
    const Condensed& condensed, std::span<const HeardWord> words, std::size_t i) const
{
    return beginsNote(words, i)
        ? place_.earlyBy_s(expected_[words[i].place.note], recordingOf(condensed, words[i].span).start_s)
        : std::nullopt;
}

bool PieceSearch::holdsStray(const Condensed& condensed, std::span<const HeardWord> words) const
{
    for (std::size_t i = 0; i < words.size(); ++i) {
        if (earlyBy_s(condensed, words, i).value_or(0.0) > kOffSteady_s) {
            return true;
        }
    }
    return false;
}

Heard PieceSearch::mended(Piece piece, bool misses)
{
    auto& words = piece.heard.words;
    closeGaps(recogniser_, piece.condensed, words);
    addJoiners(recogniser_, piece.condensed, words);
    if (misses) {
        judgeMisses(recogniser_, piece.condensed, words, isInNoise());
    }
    return std::move(piece.heard);
}

Heard PieceSearch::toldOf(Piece piece)
{
    const bool misses = hearMisreadWords(piece);
    piece.window.near_misses = misses;
    hearWhenDue(recogniser_, piece.condensed, piece.span, piece.window, {expected_, place_, before_s_},
        without_.all_but.has_value(), piece.heard.words);
    return mended(std::move(piece), misses);
}

bool PieceSearch::hearMisreadWords(Piece& piece)
{
    constexpr std::size_t kMore = 3;
    constexpr double kMost = 0.5; // of the notes are misread by a reader of these
    Heard& heard = piece.heard;
    if (heard.words.empty() || !(heard.isReading() || heard.isInOrder())) {
        return false;
    }
    const auto byNote = [](const HeardWord& a, const HeardWord& b) { return a.place.note < b.place.note; };
    const auto [low, high] = std::minmax_element(heard.words.begin(), heard.words.end(), byNote);
    const std::size_t first = low->place.note;
    const std::size_t last = high->place.note;
    const std::size_t begins = heard.words.front().place.note;
    Grammar::Window& window = piece.window;
    window.first = first - std::min(first, kMore); // the first may be the misread one
    window.last = std::min(expected_.size(), last + kMore);
    window.at = window.anywhere ? begins : std::clamp(window.at, window.first, begins);
    if (heard.notes() < last - first + 1) {
        hearMoreNotes(piece, kRareTalk);
    }
    if (mayHaveShortNote(heard)) {
        hearMoreNotes(piece, kDearTalk);
    }
    Piece again = piece;
    again.window.near_misses = true;
    hear(again);
    const std::size_t notes = again.heard.notes();
    if (isLaterOrEarlier(piece, again.heard) || notes < heard.notes()
        || (notes == heard.notes() && again.heard.mistakesOther(heard))
        || static_cast<double>(again.heard.misreadNotes())
            > std::max(static_cast<double>(kSomeMisread), kMost * static_cast<double>(notes))) {
        return false;
    }
    heard = std::move(again.heard);
    return true;
}

bool PieceSearch::isLaterOrEarlier(const Piece& piece, const Heard& again) const
{
    constexpr double kHardly = 0.5; // a note
    const auto off_s = piece.by_call ? place_.offDue_s() : std::nullopt;
    return off_s
        && onTime(piece.condensed, again.words, *off_s)
        < onTime(piece.condensed, piece.heard.words, *off_s) - kHardly;
}

bool PieceSearch::mayHaveShortNote(const Heard& heard) const
{
    constexpr double kOneWord_s = 0.7;
    const std::size_t next = heard.words.empty() ? expected_.size() : heard.words.back().place.note + 1;
    return heard.talk_s > 0.0 && heard.talk_s < kOneWord_s && next < expected_.size()
        && recogniser_.grammar().ownWords(next).size() == 1;
}

void PieceSearch::hearMoreNotes(Piece& piece, double talk_phone)
{
    if (piece.window.talk_phone <= talk_phone) {
        return;
    }
    Piece again = piece;
    again.window.talk_phone = talk_phone;
    hear(again);
    if (again.heard.goesForward() && again.heard.notes() > piece.heard.notes()) {
        goOnWith(piece, std::move(again));
    }
}

} // namespace brumefall::media
