#include "media/piece_search.h"

#include "media/mending.h"
#include "media/off_time.h"
#include "media/seams.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <numeric>
#include <utility>

namespace brumefall::media {

PieceSearch::PieceSearch(const std::vector<ExpectedNote>& expected)
    : expected_(expected)
    , recogniser_(expected)
{
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

std::optional<Heard> PieceSearch::hearInEveryWay(const Condensed& condensed, const take::Span& span)
{
    constexpr std::array<Way, 8> kWays{&PieceSearch::hearSomebodyElse, &PieceSearch::hearFromTheStart,
        &PieceSearch::hearElsewhere, &PieceSearch::hearWithoutPassingNoise, &PieceSearch::hearLouderVoice,
        &PieceSearch::hearOtherThroat, &PieceSearch::hearStrangeVoice, &PieceSearch::hearCallByCall};
    Piece piece = pieceOf(condensed, span);
    hear(piece);
    for (const Way way : kWays) {
        const bool something = piece.heard.notes_s + piece.heard.talk_s > kSomething_s;
        if (something && (this->*way)(piece) == Then::condense_anew) {
            return {};
        }
    }
    const Heard& heard = piece.heard;
    if (heard.isDrawnOut() || (place_.anywhere && heard.isSaidOver())) { // noise, and no place in the notes
        return Heard{};
    }
    return toldOf(std::move(piece));
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

PieceSearch::Then PieceSearch::hearSomebodyElse(Piece& piece)
{
    if (strange_voice_ && !piece.heard.goesForward()) {
        piece.window.talk_phone = windowFor(piece.condensed, piece.span).talk_phone;
        hear(piece);
    }
    return Then::go_on;
}

bool PieceSearch::isWorthDearTalk()
{
    constexpr int kEach = 4; ///< first, and one in so many later
    const int tries = dear_tries_++;
    return tries < kEach || tries % kEach == 0;
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

PieceSearch::Then PieceSearch::hearFromTheStart(Piece& piece)
{
    const bool begins = before_s_ <= 0.0 && piece.span.start_s <= 0.0;
    if (!begins || bounded_ || !without_.all_but || !place_.anywhere
        || piece.heard.isPlainReading(kHardlyTalk)) {
        return Then::go_on;
    }
    Piece start = piece;
    const double length_s = recordingOf(piece.condensed, piece.span).end_s + kOffSteady_s;
    start.window.last = std::min(piece.window.last, firstNotesOf(expected_, length_s));
    if (start.window.last == piece.window.last) {
        return Then::go_on;
    }
    hear(start);
    const bool more = piece.heard.isInDisorder() || start.heard.notes() > piece.heard.notes();
    if (more && start.heard.notes() > kSomeNotes && start.heard.goesForward()) {
        goOnWith(piece, std::move(start));
    }
    return Then::go_on;
}

PieceSearch::Then PieceSearch::hearElsewhere(Piece& piece)
{
    if (piece.heard.isPlainReading(kHardlyTalk) || !place_.laterThanDue_s()) {
        return Then::go_on;
    }
    ReaderPlace unplanned = place_;
    unplanned.later_s.clear();
    Piece other = piece;
    other.window = unplanned.window(expected_, recordingOf(piece.condensed, piece.span));
    other.window.talk_phone = piece.window.talk_phone;
    if (other.window.first == piece.window.first && other.window.last == piece.window.last) {
        return Then::go_on;
    }
    hear(other);
    if (other.heard.notes() > std::max(kSomeNotes, piece.heard.notes()) && other.heard.goesForward()
        && other.heard.talk_s <= kHardlyTalk * other.heard.notes_s) {
        place_ = std::move(unplanned);
        goOnWith(piece, std::move(other));
    }
    return Then::go_on;
}

PieceSearch::Then PieceSearch::hearWithoutPassingNoise(Piece& piece)
{
    constexpr int kMostTries = 3; // it may be no reading at all
    constexpr double kLess = 0.85; // of it is speech
    const Heard& heard = piece.heard;
    if (without_.passing_noise || heard.isPlainReading(kHardlyTalk)) {
        return Then::go_on;
    }
    const auto samples = samplesOf(piece.condensed, piece.span);
    const auto quiet =
        condense({{samples.begin(), samples.end()}, kAlignRate_hz}, {.without = {.passing_noise = true}})
            .samples;
    if (static_cast<double>(quiet.size()) > kLess * static_cast<double>(samples.size())) {
        return Then::go_on;
    }
    if (heard.isReading() && !heard.isDrawnOut() && !heard.isSaidOver()) { // else there is nothing to lose
        if (passing_tries_++ >= kMostTries) {
            return Then::go_on;
        }
        const Heard other = recogniser_.hear(quiet, 0.0, piece.window);
        if (other.isInDisorder() || other.isDrawnOut()
            || other.notes() < std::max(kSomeNotes, heard.notes())) {
            return Then::go_on;
        }
    }
    without_.passing_noise = true;
    return Then::condense_anew;
}

PieceSearch::Then PieceSearch::hearLouderVoice(Piece& piece)
{
    constexpr int kMostTries = 4; // it may be one voice that talks
    constexpr int kTriesByTimbre = 2; // two that are alike are told apart by how loud each speaks, too
    constexpr double kVoices_s = 60.0; // tell them apart
    constexpr double kSame = 0.5; // some of what seemed to be notes was talk
    constexpr double kLess = 0.4; // talk for as long as the notes take
    const Heard& heard = piece.heard;
    if (heard.isReading() || louder_tries_ >= kMostTries) {
        return Then::go_on;
    }
    ++louder_tries_;
    const double length_s = static_cast<double>(piece.condensed.samples.size()) / kAlignRate_hz;
    const double first_s = std::max(0.0, std::min(piece.span.start_s, length_s - kVoices_s));
    const auto voices =
        louder_tries_ <= kTriesByTimbre ? LouderVoice::Of::any_two : LouderVoice::Of::two_alike;
    const auto voice = LouderVoice::in(samplesOf(piece.condensed, {first_s, first_s + kVoices_s}), voices);
    if (!voice) {
        return Then::go_on;
    }
    const auto samples = samplesOf(piece.condensed, piece.span);
    const auto louder = only(*voice, {{samples.begin(), samples.end()}, {{0, 0}}});
    Grammar::Window alone = piece.window; // hardly anybody else is left in it
    alone.talk_phone = std::min(alone.talk_phone, kRareTalk);
    const auto isIt = [&] {
        const Heard other = recogniser_.hear(louder.samples, 0.0, alone);
        return other.notes() > 1 && other.notes_s >= kSame * heard.notes_s
            && other.talk_s * heard.notes_s <= kLess * heard.talk_s * other.notes_s;
    };
    const auto some = std::span(louder.samples).first(std::min(louder.samples.size(), kTells));
    const bool shorter = shorter_;
    if (isIt() || (fitVoice(some, alone, louder_fits_) && isIt())) {
        louder_tries_ = kMostTries;
        without_.all_but = voice;
        return Then::condense_anew;
    }
    if (shorter_ != shorter) {
        hear(piece);
    }
    return Then::go_on;
}

PieceSearch::Then PieceSearch::hearOtherThroat(Piece& piece)
{
    if (fitVoice(enoughToTell(piece), piece.window, tries_)) {
        hear(piece);
    }
    fitted_ = fitted_ || (piece.heard.isReading() && piece.heard.goesForward());
    return Then::go_on;
}

PieceSearch::Then PieceSearch::hearStrangeVoice(Piece& piece)
{
    if (strange_voice_ || bounded_ || piece.heard.isReading() || !isWorthDearTalk()) {
        return Then::go_on;
    }
    Piece dear = piece;
    dear.window.talk_phone = kDearTalk;
    hear(dear);
    if (dear.heard.isInOrder() && dear.heard.goesForward() && dear.heard.notes() > piece.heard.notes()) {
        strange_voice_ = true;
        goOnWith(piece, std::move(dear));
    }
    return Then::go_on;
}

PieceSearch::Then PieceSearch::hearCallByCall(Piece& piece)
{
    const auto off_s = place_.offDue_s();
    if (!off_s || piece.heard.isPlainReading(kHardlyTalk)) {
        return Then::go_on;
    }
    Heard calls;
    std::size_t next = place_.at;
    for (const take::Span& part : saidParts(piece.condensed, piece.span)) {
        auto words = wordsIn(piece.heard.words, part);
        Grammar::Window window = piece.window;
        const auto [first, last] = place_.dueIn(
            expected_, recordingOf(piece.condensed, {part.start_s, part.end_s - kFrame_s}), *off_s);
        window.first = std::max(first, window.first);
        window.last = std::min(last, window.last);
        if (window.first < window.last) {
            window.at = std::clamp(next, window.first, window.last);
            window.anywhere = true;
            Heard due = recogniser_.hear(piece.condensed, part, window);
            calls.talk_s += due.talk_s;
            if (onTime(piece.condensed, due.words, *off_s) > onTime(piece.condensed, words, *off_s)) {
                words = std::move(due.words);
                piece.by_call = true;
            }
        }
        for (const HeardWord& word : words) {
            calls.notes_s += word.span.end_s - word.span.start_s;
            next = word.place.note + 1;
        }
        calls.words.insert(calls.words.end(), words.begin(), words.end());
    }
    if (piece.by_call) {
        calls.notes_fit = piece.heard.notes_fit;
        piece.heard = std::move(calls);
    }
    return Then::go_on;
}

double PieceSearch::onTime(const Condensed& condensed, std::span<const HeardWord> words, double off_s) const
{
    std::map<std::size_t, double> notes;
    for (std::size_t i = 0; i < words.size(); ++i) {
        if (const auto early_s = earlyBy_s(condensed, words, i)) {
            double& note = notes[words[i].place.note];
            note = std::max(note, 1.0 - std::abs(*early_s) / off_s);
        }
    }
    return std::accumulate(
        notes.begin(), notes.end(), 0.0, [](double sum, const auto& note) { return sum + note.second; });
}

std::span<const std::int16_t> PieceSearch::enoughToTell(const Piece& piece)
{
    constexpr double kSpeech_s = 4.5;
    const auto samples = samplesOf(piece.condensed, piece.span);
    const double speech_s = std::max(kSpeech_s, piece.heard.notes_s + piece.heard.talk_s);
    const auto some = static_cast<std::size_t>(static_cast<double>(samples.size()) * kSpeech_s / speech_s);
    return samples.first(std::min(samples.size(), std::max(some, kTells)));
}

bool PieceSearch::fitVoice(std::span<const std::int16_t> samples, const Grammar::Window& window, int& tries)
{
    constexpr std::array kShorter{1.16, 1.32, 1.45};
    constexpr double kBetter = 0.035; // of the fit: less is chance
    constexpr double kSome_s = 1.5; // of the notes' words
    constexpr int kMostTries = 3; // a piece may be talk
    if (fitted_ || tries >= kMostTries) {
        return false;
    }
    const Heard as_it_is = recogniser_.hearAnew(samples, window);
    if (as_it_is.notes_s < kSome_s) {
        return false;
    }
    ++tries;
    std::optional<NoteRecogniser> best;
    bool reads = false;
    double fit = as_it_is.notes_fit;
    for (const double warp : kShorter) {
        NoteRecogniser throat(expected_, warp);
        const Heard other = throat.hear(samples, 0.0, window);
        if (other.notes_s < kSome_s || other.notes_fit <= fit) {
            break;
        }
        fit = other.notes_fit;
        reads = other.isReading(); // a step on the way may be heard as talk
        best = std::move(throat);
    }
    const bool shorter = best && reads && fit > as_it_is.notes_fit + kBetter * std::abs(as_it_is.notes_fit);
    if (shorter) {
        recogniser_ = std::move(*best);
    }
    shorter_ = shorter_ || shorter;
    return shorter;
}

Heard PieceSearch::mended(Piece piece, bool misses)
{
    auto& words = piece.heard.words;
    closeGaps(recogniser_, piece.condensed, words);
    addJoiners(recogniser_, piece.condensed, words);
    if (misses) {
        judgeMisses(recogniser_, piece.condensed, words);
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
