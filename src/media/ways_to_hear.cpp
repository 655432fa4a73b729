// The ways of a PieceSearch to hear a piece that is not plainly a reading.

#include "media/piece_search.h"

#include "media/seams.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <numeric>
#include <utility>

namespace brumefall::media {

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
    constexpr double kSame = 0.5; // some of what seemed to be notes was talk
    constexpr double kLess = 0.4; // talk for as long as the notes take
    const Heard& heard = piece.heard;
    if (heard.isReading() || louder_tries_ >= kMostTries) {
        return Then::go_on;
    }
    ++louder_tries_;
    const double length_s = static_cast<double>(piece.condensed.samples.size()) / kAlignRate_hz;
    const double first_s = std::max(0.0, std::min(piece.span.start_s, length_s - LouderVoice::kEnough_s));
    const auto voice =
        LouderVoice::in(samplesOf(piece.condensed, {first_s, first_s + LouderVoice::kEnough_s}));
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

} // namespace brumefall::media
