#include "media/reading_grammar.h"

#include "media/pronunciations.h"
#include "media/speech_decoder.h"
#include "notes/near_misses.h"

extern "C" {
#include <pocketsphinx.h>
#include <sphinxbase/fsg_model.h>
}

#include <algorithm>
#include <array>
#include <charconv>

namespace brumefall::media {
namespace {

constexpr double kFarthest = -120.0; ///< no skip costs more, so that it stays inside the beam
constexpr std::size_t kLongestSkip = 40;

/// A few phones of every kind explain talk well enough, in half the time that all 39 take.
constexpr std::array<std::string_view, 18> kTalkPhones{
    "AA", "AE", "AH", "AO", "EH", "IH", "IY", "OW", "UW", "D", "F", "K", "L", "M", "N", "R", "S", "T"};

std::string nameOf(const WordPlace& place)
{
    return (place.after ? "d" : "n") + std::to_string(place.note) + "w" + std::to_string(place.word)
        + (place.miss > 0 ? "x" + std::to_string(place.miss) : "");
}

} // namespace

bool parseName(std::string_view name, WordPlace& place)
{
    if (name.size() < 4 || (name[0] != 'n' && name[0] != 'd')) {
        return false;
    }
    place.after = name[0] == 'd';
    const char* end = name.data() + name.size();
    const auto note = std::from_chars(name.data() + 1, end, place.note);
    if (note.ec != std::errc() || note.ptr == end || *note.ptr != 'w') {
        return false;
    }
    const auto word = std::from_chars(note.ptr + 1, end, place.word);
    place.miss = 0;
    if (word.ec == std::errc() && word.ptr != end && *word.ptr == 'x') {
        return std::from_chars(word.ptr + 1, end, place.miss).ec == std::errc();
    }
    return word.ec == std::errc();
}

std::string fillerDictionary()
{
    std::string text = "<s> SIL\n</s> SIL\n<sil> SIL\n[NOISE] +NSN+\n[SPEECH] +SPN+\n";
    for (const auto& [name, phone] : talkWords()) {
        text += name + " " + phone + "\n";
    }
    return text;
}

std::vector<std::pair<std::string, std::string>> talkWords()
{
    std::vector<std::pair<std::string, std::string>> words;
    for (const std::string_view phone : kTalkPhones) {
        words.emplace_back("++" + std::string(phone) + "++", phone);
    }
    return words;
}

Grammar::Grammar(ps_decoder_t* decoder, const std::vector<ExpectedNote>& expected)
    : decoder_(decoder)
    , expected_(expected)
{
    for (const ExpectedNote& note : expected) {
        auto own = take::spokenWords(note.spoken);
        auto own_misses = notes::nearMisses(own, notes::Spoken::note);
        own_.push_back({std::move(own), std::move(own_misses)});
        auto after = take::spokenWords(note.spoken_after);
        auto after_misses = notes::nearMisses(after, notes::Spoken::distance);
        after_.push_back({std::move(after), std::move(after_misses)});
    }
    addPronunciations();
}

Grammar::Costs Grammar::Costs::of(const Window& window)
{
    Costs costs;
    for (double* cost : {&costs.repeat, &costs.back_more, &costs.break_off, &costs.no_distance,
             &costs.no_joiner, &costs.take_edge, &costs.misread}) {
        *cost *= window.weight;
    }
    costs.skip_first *= window.skip_weight;
    costs.skip_more *= window.skip_weight;
    costs.talk_phone = window.weight * window.talk_phone;
    return costs;
}

void Grammar::use(const Window& window)
{
    costs_ = Costs::of(window);
    States states;
    states.first = window.first;
    states.last = window.last;
    int count = states.after(window.last);
    for (std::size_t k = window.first; k < window.last; ++k) {
        states.inner.push_back(count);
        count += static_cast<int>(own_[k].words.size() + after_[k].words.size());
    }
    states.begin = count++;
    states.end = count++;
    make(count);
    fsg_->start_state = states.begin;
    fsg_->final_state = states.end;
    for (std::size_t k = window.first; k < window.last; ++k) {
        addNote(states, k, window.near_misses);
    }
    for (std::size_t k = window.first; k <= window.last; ++k) {
        addTalk(states.before(k));
        null(states.before(k), states.end, 0.0);
        const double misses = k == window.at ? 0.0
            : window.anywhere                ? costs_.take_edge
            : k > window.at                  ? skipping(k - window.at)
                            : costs_.repeat + costs_.back_more * static_cast<double>(window.at - k - 1);
        null(states.begin, states.before(k), std::max(misses, kFarthest));
    }
    give();
}

void Grammar::useExactly(const std::vector<WordPlace>& words)
{
    make(static_cast<int>(words.size()) + 1);
    fsg_->start_state = 0;
    fsg_->final_state = static_cast<int>(words.size());
    for (std::size_t w = 0; w < words.size(); ++w) {
        transition(static_cast<int>(w), static_cast<int>(w) + 1, 0.0, words[w]);
    }
    give();
}

void Grammar::make(int states)
{
    fsg_ = fsg_model_init("stage", ps_get_logmath(decoder_), 1.0F, states);
}

void Grammar::give()
{
    addSilence();
    ps_set_fsg(decoder_, "stage", fsg_);
    ps_set_search(decoder_, "stage");
    fsg_model_free(fsg_); // the decoder keeps its own reference
    fsg_ = nullptr;
}

/// Silence and noise may stand anywhere.
void Grammar::addSilence()
{
    constexpr float kSilence = 0.005F;
    constexpr float kNoise = 1e-8F;
    fsg_model_add_silence(fsg_, "<sil>", -1, kSilence);
    fsg_model_add_silence(fsg_, "[NOISE]", -1, kNoise);
}

void Grammar::addTalk(int state)
{
    for (const std::string_view phone : kTalkPhones) {
        const int word = fsg_model_word_add(fsg_, ("++" + std::string(phone) + "++").c_str());
        fsg_model_trans_add(fsg_, state, state, log(costs_.talk_phone), word);
    }
}

int Grammar::log(double natural) const
{
    return logmath_ln_to_log(ps_get_logmath(decoder_), natural);
}

double Grammar::skipping(std::size_t notes) const
{
    return costs_.skip_first + costs_.skip_more * static_cast<double>(notes - 1);
}

void Grammar::addPronunciations()
{
    for (std::size_t k = 0; k < expected_.size(); ++k) {
        for (const bool after : {false, true}) {
            const Words& row = after ? after_[k] : own_[k];
            // a note of a single word is easily heard in talk as it is
            const auto waysOf = after || row.words.size() > 1 ? waysWithBritish : waysToSay;
            for (std::size_t w = 0; w < row.words.size(); ++w) {
                addToDictionary(decoder_, nameOf({k, w, after}), waysOf(row.words[w]));
                for (std::size_t m = 0; m < row.misses[w].size(); ++m) {
                    if (!row.misses[w][m].empty()) {
                        addToDictionary(decoder_, nameOf({k, w, after, m + 1}), waysOf(row.misses[w][m]));
                    }
                }
            }
        }
    }
}

const std::string& Grammar::written(const WordPlace& place) const
{
    return (place.after ? after_ : own_)[place.note].words[place.word];
}

const std::string& Grammar::said(const WordPlace& place) const
{
    return place.miss == 0 ? written(place)
                           : (place.after ? after_ : own_)[place.note].misses[place.word][place.miss - 1];
}

bool Grammar::canDrop(std::size_t k, std::size_t word) const
{
    return notes::canBeDropped(own_[k].misses[word]);
}

/// Other words in the place of this one.
void Grammar::addMisses(int from, int to, WordPlace place)
{
    const auto& misses = (place.after ? after_ : own_)[place.note].misses[place.word];
    for (std::size_t m = 0; m < misses.size(); ++m) {
        if (!misses[m].empty()) {
            place.miss = m + 1;
            transition(from, to, costs_.misread, place);
        }
    }
}

void Grammar::transition(int from, int to, double log_probability, const WordPlace& place)
{
    const int word = fsg_model_word_add(fsg_, nameOf(place).c_str());
    fsg_model_trans_add(fsg_, from, to, log(log_probability), word);
}

void Grammar::addNote(const States& states, std::size_t k, bool near_misses)
{
    const int before = states.before(k);
    const int ends = states.after(k);
    const int inner = states.inner[k - states.first];
    const auto& own = own_[k].words;
    const auto& after = after_[k].words;
    int at = before;
    int before_last = before; ///< the state before the word before
    for (std::size_t w = 0; w < own.size(); ++w) {
        const bool ends_note = w + 1 == own.size() && after.empty();
        const int to = ends_note ? ends : inner + static_cast<int>(w);
        transition(at, to, 0.0, {k, w, false});
        if (near_misses) {
            addMisses(at, to, {k, w, false});
            if (w > 0 && canDrop(k, w - 1)) {
                transition(before_last, to, costs_.misread, {k, w, false});
            }
            if (w + 1 == own.size() && w > 0 && canDrop(k, w)) {
                null(at, ends_note ? states.before(k + 1) : to, costs_.misread);
            }
        }
        if (w == 1 && take::isJoiner(own[0])) {
            transition(before, to, costs_.no_joiner, {k, 1, false});
        }
        if (w + 1 < own.size()) {
            null(to, states.end, costs_.take_edge); // stopped in the middle of a note
        }
        if (w + 1 < own.size() && w > 0) {
            null(to, before, costs_.break_off);
        }
        before_last = at;
        at = to;
    }
    addWaysOn(states, at, k, after.empty() ? 0.0 : costs_.no_distance);
    if (after.empty()) {
        return;
    }
    for (std::size_t w = 0; w < after.size(); ++w) {
        const bool last = w + 1 == after.size();
        const int to = last ? ends : inner + static_cast<int>(own.size() + w);
        transition(at, to, 0.0, {k, w, true});
        if (near_misses) {
            addMisses(at, to, {k, w, true});
        }
        at = to;
    }
    addWaysOn(states, at, k, 0.0);
}

void Grammar::null(int from, int to, double log_probability)
{
    fsg_model_null_trans_add(fsg_, from, to, log(log_probability));
}

/// From `state`, in which note `k` may end: to the next note, past one or more, or back to read it again.
/// Null transitions do not chain: what leaving its distance out costs is said here too.
void Grammar::addWaysOn(const States& states, int state, std::size_t k, double no_distance)
{
    const std::size_t next = k + 1;
    null(state, states.before(next), no_distance);
    null(state, states.before(k), costs_.repeat);
    null(state, states.end, 0.0);
    for (std::size_t to = next + 1; to <= std::min(states.last, next + kLongestSkip); ++to) {
        null(state, states.before(to), std::max(no_distance + skipping(to - next), kFarthest));
    }
}

} // namespace brumefall::media
