#include "media/piece_search.h"

#include "notes/near_misses.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <utility>

namespace brumefall::media {

PieceSearch::PieceSearch(const std::vector<ExpectedNote>& expected)
    : expected_(expected)
    , voice_(makeVoice(1.0))
{
}

PieceSearch::Result PieceSearch::search(
    const Condensed& condensed, bool more, const Progress& progress, double before_s)
{
    before_s_ = before_s;
    Result out;
    auto& all = out.words;
    const double length_s = static_cast<double>(condensed.samples.size()) / kAlignRate_hz;
    double& from_s = out.until_s;
    const ReaderPlace place = place_;
    while (from_s < length_s) {
        if (progress && !progress(from_s / length_s)) {
            break;
        }
        if (more && from_s + kPiece_s >= length_s - kAfterEnd_s) {
            break;
        }
        const double to_s = std::min(from_s + kPiece_s, length_s);
        const bool known = knowsVoice();
        const Heard found = hear(condensed, from_s, to_s);
        const auto& heard = found.words;
        if (!is_told_) {
            place_ = place;
            is_told_ = true;
            return {{}, 0.0, without_};
        }
        if (!known && knowsVoice() && from_s > 0.0) { // what was missed by not knowing it is found now
            all.clear();
            from_s = 0.0;
            place_ = place;
            continue;
        }
        if (to_s >= length_s) {
            follow(condensed, heard);
            all.insert(all.end(), heard.begin(), heard.end());
            from_s = length_s;
            break;
        }
        const double sure_s = to_s - kUnsure_s;
        const std::size_t seam = seamOf(heard, from_s + kLeast_s, sure_s);
        if (seam < heard.size()) {
            from_s = goOnAtSeam(heard, seam);
            place_.anywhere = found.isInDisorder(); // it may have been noise
            follow(condensed, std::span(heard).first(seam));
            all.insert(all.end(), heard.begin(), heard.begin() + static_cast<std::ptrdiff_t>(seam));
            continue;
        }
        // hardly a note in all of it: what was heard whole counts, and the search goes on behind it
        const std::size_t whole = wholeUntil(heard, sure_s);
        if (whole > 0) {
            place_.goTo(std::min(heard[whole - 1].place.note + 1, expected_.size()));
            follow(condensed, std::span(heard).first(whole));
            all.insert(all.end(), heard.begin(), heard.begin() + static_cast<std::ptrdiff_t>(whole));
        }
        const bool begun = whole < heard.size() && heard[whole].span.start_s < sure_s;
        from_s = begun ? std::max(from_s + kLeast_s, heard[whole].span.start_s - kBefore_s) : sure_s;
    }
    return out;
}

std::optional<PieceSearch::Result> PieceSearch::goOnPlainly(
    const Condensed& condensed, bool more, double before_s)
{
    before_s_ = before_s;
    const double length_s = static_cast<double>(condensed.samples.size()) / kAlignRate_hz;
    const auto heard = hearPlainly(condensed);
    if (!heard) {
        return {};
    }
    auto words = heard->words;
    const bool remarked = !heard->isPlainReading(kHardlyTalk);
    if (!more || (condensed.ends_silent && wholeUntil(words, length_s) == words.size())) {
        place_.goTo(words.back().place.note + 1);
        remarked_ = remarked;
        const double until_s = more ? words.back().span.end_s + kAfter_s : length_s;
        follow(condensed, words);
        return Result{std::move(words), until_s, {}};
    }
    const std::size_t seam = seamOf(words, kLeast_s, length_s - kUnsureInPlain_s);
    if (seam == words.size()) {
        return {};
    }
    remarked_ = remarked;
    const double until_s = goOnAtSeam(words, seam);
    words.resize(seam);
    follow(condensed, words);
    return Result{std::move(words), until_s, {}};
}

std::optional<Heard> PieceSearch::hearPlainly(const Condensed& condensed)
{
    const double length_s = static_cast<double>(condensed.samples.size()) / kAlignRate_hz;
    Grammar::Window window = windowFor(condensed, 0.0, length_s);
    if (strange_voice_) {
        window.talk_phone = kDearTalk;
    }
    const bool known = fitted_ && !place_.anywhere; // the voice, and where it is
    if (known && one_after_another_) {
        if (auto heard = hearOneAfterAnother(condensed, window)) {
            return heard;
        }
    }
    Heard heard = decode(condensed, 0.0, length_s, window);
    const auto isPlain = [&] {
        return heard.isPlainReading(known ? mostTalk() : kHardlyTalk)
            && (known ? heard.words.front().place.note - place_.at <= 1 : heard.notes() >= kSomeNotes);
    };
    if (!isPlain()) {
        return {};
    }
    if (!fitted_) {
        if (fitVoice(enoughToTell(condensed.samples, heard), window, tries_)) {
            heard = decode(condensed, 0.0, length_s, window);
        }
        fitted_ = isPlain();
        if (!fitted_) {
            return {};
        }
    }
    one_after_another_ = heard.isOneAfterAnother();
    return toldOf(condensed, {0.0, length_s}, window, std::move(heard));
}

std::optional<Heard> PieceSearch::hearOneAfterAnother(const Condensed& condensed, Grammar::Window window)
{
    constexpr double kMostNotesPer_s = 1.0; ///< of speech
    constexpr std::size_t kMore = 3;
    const double length_s = static_cast<double>(condensed.samples.size()) / kAlignRate_hz;
    window.first = std::max(window.first, place_.at - std::min(place_.at, kMore));
    window.last =
        std::min(window.last, place_.at + static_cast<std::size_t>(length_s * kMostNotesPer_s) + kMore);
    window.near_misses = true;
    Heard heard = decode(condensed, 0.0, length_s, window);
    one_after_another_ = heard.isPlainReading(mostTalk()) && heard.isOneAfterAnother()
        && heard.words.front().place.note == place_.at && heard.misreadNotes() <= kSomeMisread
        && !mayHaveShortNote(heard);
    if (!one_after_another_) {
        return {};
    }
    closeGaps(condensed, heard);
    addJoiners(condensed, heard);
    judgeMisses(condensed, heard);
    return heard;
}

double PieceSearch::goOnAtSeam(const std::vector<HeardWord>& words, std::size_t seam)
{
    place_.goTo(words[seam].place.note);
    return words[seam].span.start_s - kBefore_s;
}

Heard PieceSearch::hear(const Condensed& condensed, double from_s, double to_s)
{
    Grammar::Window window = windowFor(condensed, from_s, to_s);
    const double usual = window.talk_phone;
    if (strange_voice_) {
        window.talk_phone = kDearTalk;
    }
    Heard heard = decode(condensed, from_s, to_s, window);
    if (strange_voice_ && !heard.goesForward()) { // somebody else talks
        window.talk_phone = usual;
        heard = decode(condensed, from_s, to_s, window);
    }
    const bool something = heard.notes_s + heard.talk_s > kSomething_s;
    if (something) {
        readsElsewhere(condensed, {from_s, to_s}, window, heard);
    }
    const bool shorter = shorter_;
    if (something && readsInPassingNoise(condensed, {from_s, to_s}, window, heard)) {
        return {};
    }
    if (something && !heard.isReading() && readsLouder(condensed, {from_s, to_s}, window, heard)) {
        return {};
    }
    const bool other =
        something && fitVoice(enoughToTell(samplesOf(condensed, {from_s, to_s}), heard), window, tries_);
    if (other || shorter_ != shorter) {
        heard = decode(condensed, from_s, to_s, window);
    }
    fitted_ = fitted_ || (something && heard.isReading() && heard.goesForward());
    if (!strange_voice_ && !heard.isReading() && something && isWorthDearTalk()) {
        window.talk_phone = kDearTalk;
        Heard again = decode(condensed, from_s, to_s, window);
        if (again.isInOrder() && again.goesForward() && again.notes() > heard.notes()) {
            strange_voice_ = true;
            heard = std::move(again);
        }
    }
    if (heard.isDrawnOut() || (place_.anywhere && heard.isSaidOver())) { // noise, and no place in the notes
        return {};
    }
    return toldOf(condensed, {from_s, to_s}, window, std::move(heard));
}

bool PieceSearch::isWorthDearTalk()
{
    constexpr int kEach = 4; ///< first, and one in so many later
    const int tries = dear_tries_++;
    return tries < kEach || tries % kEach == 0;
}

take::Span PieceSearch::recordingOf(const Condensed& condensed, const take::Span& piece) const
{
    return {
        before_s_ + condensed.originalTime(piece.start_s), before_s_ + condensed.originalTime(piece.end_s)};
}

Grammar::Window PieceSearch::windowFor(const Condensed& condensed, double from_s, double to_s) const
{
    Grammar::Window window = place_.window(expected_, recordingOf(condensed, {from_s, to_s}));
    if (without_.all_but || without_.passing_noise) {
        window.talk_phone = kRareTalk;
    }
    return window;
}

void PieceSearch::follow(const Condensed& condensed, std::span<const HeardWord> words)
{
    for (std::size_t i = 0; i < words.size(); ++i) {
        if (!words[i].place.after && (i == 0 || !words[i].goesOn(words[i - 1]))) {
            place_.hear(expected_[words[i].place.note], recordingOf(condensed, words[i].span).start_s);
        }
    }
}

PieceSearch::Voice PieceSearch::makeVoice(double warp) const
{
    Decoder decoder = makeDecoder(Means::of_utterance, warp);
    auto grammar = std::make_unique<Grammar>(decoder.get(), expected_);
    return {std::move(decoder), std::move(grammar), {}};
}

void PieceSearch::readsElsewhere(
    const Condensed& condensed, const take::Span& piece, Grammar::Window& window, Heard& heard)
{
    if (heard.isPlainReading(kHardlyTalk) || !place_.laterThanPlanned_s()) {
        return;
    }
    ReaderPlace unplanned = place_;
    unplanned.later_s.clear();
    Grammar::Window wider = unplanned.window(expected_, recordingOf(condensed, piece));
    wider.talk_phone = window.talk_phone;
    if (wider.first == window.first && wider.last == window.last) {
        return;
    }
    Heard other = decode(condensed, piece.start_s, piece.end_s, wider);
    if (other.notes() > std::max(kSomeNotes, heard.notes()) && other.goesForward()
        && other.talk_s <= kHardlyTalk * other.notes_s) {
        place_ = std::move(unplanned);
        window = wider;
        heard = std::move(other);
    }
}

bool PieceSearch::readsLouder(
    const Condensed& condensed, const take::Span& piece, const Grammar::Window& window, const Heard& heard)
{
    constexpr int kMostTries = 4; ///< it may be one voice that talks
    constexpr double kVoices_s = 60.0; ///< tell them apart
    constexpr double kSame = 0.5; ///< some of what seemed to be notes was talk
    constexpr double kLess = 0.4; ///< talk for as long as the notes take
    if (louder_tries_ >= kMostTries) {
        return false;
    }
    ++louder_tries_;
    const double length_s = static_cast<double>(condensed.samples.size()) / kAlignRate_hz;
    const double first_s = std::max(0.0, std::min(piece.start_s, length_s - kVoices_s));
    const auto voice = LouderVoice::in(samplesOf(condensed, {first_s, first_s + kVoices_s}));
    if (!voice) {
        return false;
    }
    const auto samples = samplesOf(condensed, piece);
    const auto louder = only(*voice, {{samples.begin(), samples.end()}, {{0, 0}}});
    Grammar::Window alone = window; // hardly anybody else is left in it
    alone.talk_phone = std::min(window.talk_phone, kRareTalk);
    const auto isIt = [&] {
        const Heard other = decode(louder.samples, 0.0, alone);
        return other.notes() > 1 && other.notes_s >= kSame * heard.notes_s
            && other.talk_s * heard.notes_s <= kLess * heard.talk_s * other.notes_s;
    };
    const auto some = std::span(louder.samples).first(std::min(louder.samples.size(), kTells));
    if (!isIt() && !(fitVoice(some, alone, louder_fits_) && isIt())) {
        return false;
    }
    louder_tries_ = kMostTries;
    without_.all_but = voice;
    is_told_ = false;
    return true;
}

bool PieceSearch::readsInPassingNoise(
    const Condensed& condensed, const take::Span& piece, const Grammar::Window& window, const Heard& heard)
{
    constexpr int kMostTries = 3; ///< it may be no reading at all
    constexpr double kLess = 0.85; ///< of it is speech
    if (without_.passing_noise || passing_tries_ >= kMostTries || heard.isPlainReading(kHardlyTalk)) {
        return false;
    }
    const auto samples = samplesOf(condensed, piece);
    const auto quiet =
        condense({{samples.begin(), samples.end()}, kAlignRate_hz}, {.without = {.passing_noise = true}})
            .samples;
    if (static_cast<double>(quiet.size()) > kLess * static_cast<double>(samples.size())) {
        return false;
    }
    ++passing_tries_;
    if (!heard.isDrawnOut() && !heard.isSaidOver()) { // else there is nothing to lose
        const Heard other = decode(quiet, 0.0, window);
        if (other.isInDisorder() || other.isDrawnOut()
            || other.notes() < std::max(kSomeNotes, heard.notes())) {
            return false;
        }
    }
    without_.passing_noise = true;
    is_told_ = false;
    return true;
}

std::span<const std::int16_t> PieceSearch::enoughToTell(
    std::span<const std::int16_t> samples, const Heard& heard)
{
    constexpr double kSpeech_s = 4.5;
    const double speech_s = std::max(kSpeech_s, heard.notes_s + heard.talk_s);
    const auto some = static_cast<std::size_t>(static_cast<double>(samples.size()) * kSpeech_s / speech_s);
    return samples.first(std::min(samples.size(), std::max(some, kTells)));
}

bool PieceSearch::fitVoice(std::span<const std::int16_t> samples, const Grammar::Window& window, int& tries)
{
    constexpr std::array kShorter{1.16, 1.32, 1.45};
    constexpr double kBetter = 0.035; ///< of the fit: less is chance
    constexpr double kSome_s = 1.5; ///< of the notes' words
    constexpr int kMostTries = 3; ///< a piece may be talk
    if (fitted_ || tries >= kMostTries) {
        return false;
    }
    FeatureMean mean =
        std::exchange(voice_.mean, {}); // the other throats have none: each is to be compared alike
    const Heard as_it_is = decode(samples, 0.0, window);
    voice_.mean = std::move(mean);
    if (as_it_is.notes_s < kSome_s) {
        return false;
    }
    ++tries;
    Voice before = std::move(voice_);
    std::optional<Voice> best;
    bool reads = false;
    double fit = as_it_is.notes_fit;
    for (const double warp : kShorter) {
        voice_ = makeVoice(warp);
        const Heard other = decode(samples, 0.0, window);
        if (other.notes_s < kSome_s || other.notes_fit <= fit) {
            break;
        }
        fit = other.notes_fit;
        reads = other.isReading(); // a step on the way may be heard as talk
        best = std::move(voice_);
    }
    const bool shorter = best && reads && fit > as_it_is.notes_fit + kBetter * std::abs(as_it_is.notes_fit);
    voice_ = shorter ? std::move(*best) : std::move(before);
    shorter_ = shorter_ || shorter;
    return shorter;
}

Heard PieceSearch::toldOf(
    const Condensed& condensed, const take::Span& piece, const Grammar::Window& window, Heard heard)
{
    auto again = withMisreadWords(condensed, piece, window, heard);
    if (!again) {
        closeGaps(condensed, heard);
        addJoiners(condensed, heard);
        return heard;
    }
    closeGaps(condensed, *again);
    addJoiners(condensed, *again);
    judgeMisses(condensed, *again);
    return std::move(*again);
}

std::optional<Heard> PieceSearch::withMisreadWords(
    const Condensed& condensed, const take::Span& piece, Grammar::Window window, Heard& heard)
{
    constexpr std::size_t kMore = 3;
    constexpr double kMost = 0.5; ///< of the notes are misread by a reader of these
    if (heard.words.empty() || !(heard.isReading() || heard.isInOrder())) {
        return {};
    }
    const auto byNote = [](const HeardWord& a, const HeardWord& b) { return a.place.note < b.place.note; };
    const auto [low, high] = std::minmax_element(heard.words.begin(), heard.words.end(), byNote);
    const std::size_t begins = heard.words.front().place.note;
    window.first = low->place.note - std::min(low->place.note, kMore); // the first may be the misread one
    window.last = std::min(expected_.size(), high->place.note + kMore);
    window.at = window.anywhere ? begins : std::clamp(window.at, window.first, begins);
    if (heard.notes() < high->place.note - low->place.note + 1) {
        heard = withMoreNotes(condensed, piece, window, std::move(heard), kRareTalk);
    }
    if (mayHaveShortNote(heard)) {
        heard = withMoreNotes(condensed, piece, window, std::move(heard), kDearTalk);
    }
    window.near_misses = true;
    Heard again = decode(condensed, piece.start_s, piece.end_s, window);
    const std::size_t notes = again.notes();
    if (notes < heard.notes()
        || static_cast<double>(again.misreadNotes())
            > std::max(static_cast<double>(kSomeMisread), kMost * static_cast<double>(notes))) {
        return {};
    }
    return again;
}

bool PieceSearch::mayHaveShortNote(const Heard& heard) const
{
    constexpr double kOneWord_s = 0.7;
    const std::size_t next = heard.words.empty() ? expected_.size() : heard.words.back().place.note + 1;
    return heard.talk_s > 0.0 && heard.talk_s < kOneWord_s && next < expected_.size()
        && voice_.grammar->ownWords(next).size() == 1;
}

Heard PieceSearch::withMoreNotes(const Condensed& condensed, const take::Span& piece, Grammar::Window& window,
    Heard heard, double talk_phone)
{
    if (window.talk_phone <= talk_phone) {
        return heard;
    }
    Grammar::Window dearer = window;
    dearer.talk_phone = talk_phone;
    Heard again = decode(condensed, piece.start_s, piece.end_s, dearer);
    if (!again.goesForward() || again.notes() <= heard.notes()) {
        return heard;
    }
    window = dearer;
    return again;
}

void PieceSearch::judgeMisses(const Condensed& condensed, Heard& again)
{
    constexpr double kSlope = 6.0; ///< nats
    constexpr double kWord_s = 0.5; ///< so much after a note may be its last word, where that was not heard
    for (std::size_t i = 0; i < again.words.size();) {
        std::size_t end = i + 1;
        while (end < again.words.size() && again.words[end].place.note == again.words[i].place.note) {
            ++end;
        }
        const std::span words(again.words.begin() + static_cast<std::ptrdiff_t>(i),
            again.words.begin() + static_cast<std::ptrdiff_t>(end));
        i = end;
        take::Span span{words.front().span.start_s, words.back().span.end_s};
        std::vector<WordPlace> said;
        std::vector<WordPlace> written;
        for (const HeardWord& word : words) {
            const auto& own = voice_.grammar->ownWords(word.place.note);
            if (!word.place.after && !written.empty() && word.place.word == written.back().word + 2) {
                written.push_back({word.place.note, word.place.word - 1, false, 0}); // it was dropped
            }
            said.push_back(word.place);
            written.push_back({word.place.note, word.place.word, word.place.after, 0});
            const bool last = !word.place.after && word.place.word + 2 == own.size()
                && (&word == &words.back() || (&word + 1)->place.after);
            if (last && voice_.grammar->canDrop(word.place.note, word.place.word + 1)) {
                written.push_back({word.place.note, word.place.word + 1, false, 0});
                if (&word == &words.back()) {
                    const double latest_s = span.end_s + kWord_s;
                    const double next_s = i < again.words.size() ? again.words[i].span.start_s : latest_s;
                    span.end_s = std::clamp(next_s, span.end_s, latest_s);
                }
            }
        }
        const bool as_written = said.size() == written.size()
            && std::none_of(words.begin(), words.end(), [](const auto& w) { return w.place.miss > 0; });
        if (as_written) {
            continue;
        }
        const auto better = fit(condensed, span, said);
        const auto worse = fit(condensed, span, written);
        const double gain = !better ? 0.0 : !worse ? 1e3 : *better - *worse;
        for (HeardWord& word : words) {
            word.sure = 1.0 / (1.0 + std::exp((evenGain(word.place) - gain) / kSlope));
            if (word.place.miss > 0) {
                word.said = voice_.grammar->said(word.place);
            }
        }
    }
}

std::size_t PieceSearch::endOfNote(const std::vector<HeardWord>& words, std::size_t first)
{
    std::size_t end = first + 1;
    while (end < words.size() && words[end].goesOn(words[end - 1])) {
        ++end;
    }
    return end;
}

void PieceSearch::closeGaps(const Condensed& condensed, Heard& heard)
{
    for (std::size_t first = 0; first < heard.words.size();) {
        const std::size_t end = endOfNote(heard.words, first);
        if (!heard.words[first].place.after) {
            closeGap(condensed, std::span(heard.words).subspan(first, end - first));
        }
        first = end;
    }
}

void PieceSearch::closeGap(const Condensed& condensed, std::span<HeardWord> note)
{
    constexpr double kGap_s = 1.0; ///< hardly anybody waits so long within a note
    constexpr double kLongGap_s = 3.0; ///< nobody does, and a word unlike itself fits nowhere well
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
    std::vector<WordPlace> places;
    for (const HeardWord& word : note) {
        places.push_back(word.place);
    }
    const take::Span span{
        std::max(note[rest].span.start_s - kEarlier_s, note[rest - 1].span.end_s), note.back().span.end_s};
    const auto all_fit = fit(condensed, span, places);
    const auto placed = heardBy(voice_.decoder.get(), fitFrom(span)).words;
    if (!all_fit || placed.size() != note.size()) {
        return;
    }
    if (gap_s < kLongGap_s) {
        places.erase(places.begin(), places.begin() + static_cast<std::ptrdiff_t>(rest));
        const auto rest_fits = fit(condensed, span, places);
        if (rest_fits && *all_fit < *rest_fits) {
            return;
        }
    }
    for (std::size_t w = 0; w < note.size(); ++w) {
        note[w].span = placed[w].span;
    }
}

void PieceSearch::addJoiners(const Condensed& condensed, Heard& heard)
{
    auto& words = heard.words;
    for (std::size_t first = 0; first < words.size(); first = endOfNote(words, first)) {
        const WordPlace& place = words[first].place;
        if (!place.after && place.word == 1 && take::isJoiner(voice_.grammar->ownWords(place.note).front())) {
            const double before_s = first > 0 ? words[first - 1].span.end_s : 0.0;
            const auto note = std::span(words).subspan(first, endOfNote(words, first) - first);
            if (const auto joiner = joinerOf(condensed, note, before_s)) {
                words.insert(words.begin() + static_cast<std::ptrdiff_t>(first), *joiner);
            }
        }
    }
}

std::optional<HeardWord> PieceSearch::joinerOf(
    const Condensed& condensed, std::span<const HeardWord> note, double before_s)
{
    constexpr double kShort_s = 0.12; ///< nobody says it faster
    constexpr double kLong_s = 0.7; ///< nor slower
    const double begins_s = note.front().span.start_s;
    const double from_s = std::max(begins_s - kLong_s, before_s);
    if (begins_s - from_s < kShort_s) {
        return {};
    }
    std::vector<WordPlace> places{{note.front().place.note, 0, false, 0}};
    for (const HeardWord& word : note) {
        places.push_back(word.place);
    }
    const take::Span span{from_s + kAround_s, note.back().span.end_s};
    const auto without = fit(condensed, span, {places.begin() + 1, places.end()});
    const auto with = fit(condensed, span, places);
    const auto placed = heardBy(voice_.decoder.get(), fitFrom(span)).words;
    if (!with || placed.empty() || (without && *with < *without)) {
        return {};
    }
    return HeardWord{places.front(), {placed.front().span.start_s, begins_s}, {}, 0.0};
}

double PieceSearch::evenGain(const WordPlace& place) const
{
    constexpr double kDirection = 0.0;
    constexpr double kOther = 22.0;
    constexpr double kDistance = 80.0;
    return place.after ? kDistance : notes::isSide(voice_.grammar->written(place)) ? kDirection : kOther;
}

std::optional<double> PieceSearch::fit(
    const Condensed& condensed, const take::Span& span, const std::vector<WordPlace>& words)
{
    voice_.grammar->useExactly(words);
    explain(voice_.decoder.get(), samplesOf(condensed, {fitFrom(span), span.end_s + kAround_s}), voice_.mean);
    return logLikelihood(voice_.decoder.get());
}

std::span<const std::int16_t> PieceSearch::samplesOf(const Condensed& condensed, const take::Span& span)
{
    const auto first = static_cast<std::size_t>(std::max(0.0, span.start_s) * kAlignRate_hz);
    const auto last =
        std::min(condensed.samples.size(), static_cast<std::size_t>(span.end_s * kAlignRate_hz));
    return std::span(condensed.samples).subspan(first, last - first);
}

Heard PieceSearch::decode(
    const Condensed& condensed, double from_s, double to_s, const Grammar::Window& window)
{
    return decode(samplesOf(condensed, {from_s, to_s}), from_s, window);
}

Heard PieceSearch::decode(std::span<const std::int16_t> samples, double from_s, const Grammar::Window& window)
{
    voice_.grammar->use(window);
    explain(voice_.decoder.get(), samples, voice_.mean);
    return heardBy(voice_.decoder.get(), std::max(0.0, from_s));
}

std::size_t PieceSearch::lastWordOf(const std::vector<HeardWord>& heard, std::size_t i) const
{
    const WordPlace& place = heard[i].place;
    const bool goes_on = i > 0 && heard[i - 1].place.note == place.note && !heard[i - 1].place.after
        && heard[i - 1].place.word < place.word;
    const std::size_t own = voice_.grammar->ownWords(place.note).size();
    const std::size_t last = i + own - 1 - place.word;
    const bool whole = !place.after && place.word <= 1 && !goes_on && last < heard.size()
        && heard[last].place.note == place.note && !heard[last].place.after
        && heard[last].place.word + 1 == own;
    return whole ? last : heard.size();
}

std::size_t PieceSearch::seamOf(const std::vector<HeardWord>& heard, double from_s, double sure_s) const
{
    for (std::size_t i = heard.size(); i-- > 1;) {
        const std::size_t last = lastWordOf(heard, i);
        if (last < heard.size() && heard[last].span.end_s < sure_s && heard[i].span.start_s > from_s) {
            return i;
        }
    }
    return heard.size();
}

std::size_t PieceSearch::wholeUntil(const std::vector<HeardWord>& heard, double sure_s) const
{
    for (std::size_t i = heard.size(); i-- > 0;) {
        const std::size_t last = lastWordOf(heard, i);
        if (last < heard.size() && heard[last].span.end_s < sure_s) {
            return last + 1;
        }
    }
    return 0;
}

} // namespace brumefall::media
