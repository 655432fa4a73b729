#include "media/reading_grammar.h"

#include "media/phones.h"

extern "C" {
#include <pocketsphinx.h>
#include <sphinxbase/fsg_model.h>
}

#include <algorithm>
#include <cctype>
#include <charconv>
#include <sstream>

namespace brumefall::media {
namespace {

// Natural logarithms of what the grammar allows beside reading every note once.
constexpr double kSkipFirst = -28.0; ///< skipping one note
constexpr double kSkipMore = -7.0; ///< each further note of the same skip
constexpr double kRepeat = -22.0; ///< reading a note again
constexpr double kBreakOff = -25.0; ///< beginning a note again from its middle
constexpr double kNoDistance = -3.0; ///< leaving out the distance
constexpr double kNoJoiner = -4.0; ///< leaving out "into"
constexpr double kTakeEdge = -14.0; ///< beginning after the first note, ending before the last
constexpr double kFarthest = -64.0; ///< no skip costs more, so that it stays inside the beam
constexpr std::size_t kLongestSkip = 40;

std::vector<std::string> wordsOf(const std::string& text)
{
    std::vector<std::string> words;
    std::istringstream stream(text);
    std::string word;
    while (stream >> word) {
        std::erase_if(word, [](unsigned char c) { return !std::isalnum(c) && c != '\''; });
        if (!word.empty()) {
            words.push_back(word);
        }
    }
    return words;
}

bool isJoiner(const std::string& word)
{
    return word == "into" || word == "and" || word == "then";
}

std::string nameOf(const WordPlace& place)
{
    return (place.after ? "d" : "n") + std::to_string(place.note) + "w" + std::to_string(place.word);
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
    return std::from_chars(note.ptr + 1, end, place.word).ec == std::errc();
}

Grammar::Grammar(ps_decoder_t* decoder, const std::vector<ExpectedNote>& expected)
    : decoder_(decoder)
    , expected_(expected)
{
    int state = static_cast<int>(expected.size()) + 1;
    for (const ExpectedNote& note : expected) {
        own_.push_back(wordsOf(note.spoken));
        after_.push_back(wordsOf(note.spoken_after));
        inner_.push_back(state);
        state += static_cast<int>(own_.back().size() + after_.back().size());
    }
    addPronunciations();
    fsg_ = fsg_model_init("stage", ps_get_logmath(decoder), 1.0F, state);
    fsg_->start_state = 0;
    fsg_->final_state = static_cast<int>(expected.size());
    for (std::size_t k = 0; k < expected.size(); ++k) {
        addNote(k);
    }
    addSkips();
}

void Grammar::use()
{
    ps_set_fsg(decoder_, "stage", fsg_);
    ps_set_search(decoder_, "stage");
    fsg_model_free(fsg_); // the decoder keeps its own reference
}

int Grammar::log(double natural) const
{
    return logmath_ln_to_log(ps_get_logmath(decoder_), natural);
}

void Grammar::addPronunciations()
{
    for (std::size_t k = 0; k < expected_.size(); ++k) {
        for (std::size_t w = 0; w < own_[k].size(); ++w) {
            addWord(nameOf({k, w, false}), own_[k][w]);
        }
        for (std::size_t w = 0; w < after_[k].size(); ++w) {
            addWord(nameOf({k, w, true}), after_[k][w]);
        }
    }
}

void Grammar::addWord(const std::string& name, const std::string& word)
{
    std::vector<std::string> all;
    for (int alternative = 1; alternative <= 3; ++alternative) {
        const std::string entry = alternative == 1 ? word : word + "(" + std::to_string(alternative) + ")";
        char* phones = ps_lookup_word(decoder_, entry.c_str());
        if (phones == nullptr) {
            break;
        }
        all.emplace_back(phones);
        ckd_free(phones);
    }
    if (all.empty()) {
        all.push_back(phonesFor(word));
    }
    for (std::size_t i = 0; i < all.size(); ++i) {
        const std::string entry = i == 0 ? name : name + "(" + std::to_string(i + 1) + ")";
        ps_add_word(decoder_, entry.c_str(), all[i].c_str(), FALSE);
    }
}

void Grammar::transition(int from, int to, double log_probability, const WordPlace& place)
{
    const int word = fsg_model_word_add(fsg_, nameOf(place).c_str());
    fsg_model_trans_add(fsg_, from, to, log(log_probability), word);
}

void Grammar::addNote(std::size_t k)
{
    const int before = static_cast<int>(k);
    const int next = before + 1;
    const auto& own = own_[k];
    const auto& after = after_[k];
    int at = before;
    for (std::size_t w = 0; w < own.size(); ++w) {
        const bool ends_note = w + 1 == own.size() && after.empty();
        const int to = ends_note ? next : inner_[k] + static_cast<int>(w);
        transition(at, to, 0.0, {k, w, false});
        if (w == 1 && isJoiner(own[0])) {
            transition(before, to, kNoJoiner, {k, 1, false});
        }
        if (w + 1 < own.size()) {
            null(to, static_cast<int>(expected_.size()), kTakeEdge); // stopped in the middle of a note
        }
        if (w + 1 < own.size() && w > 0) {
            null(to, before, kBreakOff);
        }
        at = to;
    }
    null(at, before, kRepeat);
    if (after.empty()) {
        return;
    }
    // null transitions do not chain: leaving the distance out and skipping on are one
    null(at, next, kNoDistance);
    addSkipsFrom(at, static_cast<std::size_t>(next), kNoDistance);
    for (std::size_t w = 0; w < after.size(); ++w) {
        const bool last = w + 1 == after.size();
        const int to = last ? next : inner_[k] + static_cast<int>(own.size() + w);
        transition(at, to, 0.0, {k, w, true});
        at = to;
    }
    null(next, before, kRepeat);
}

void Grammar::null(int from, int to, double log_probability)
{
    fsg_model_null_trans_add(fsg_, from, to, log(log_probability));
}

/// From `state`, which stands before note `next`, past one or more notes.
void Grammar::addSkipsFrom(int state, std::size_t next, double cost)
{
    const std::size_t count = expected_.size();
    for (std::size_t to = next + 1; to <= std::min(count, next + kLongestSkip); ++to) {
        const double skips = kSkipFirst + kSkipMore * static_cast<double>(to - next - 1);
        null(state, static_cast<int>(to), std::max(cost + skips, kFarthest));
    }
    if (next + kLongestSkip < count) {
        null(state, static_cast<int>(count), kTakeEdge); // a take may end anywhere
    }
}

void Grammar::addSkips()
{
    const std::size_t count = expected_.size();
    for (std::size_t from = 0; from < count; ++from) {
        addSkipsFrom(static_cast<int>(from), from, 0.0);
    }
    for (std::size_t to = 1; to < count; ++to) {
        null(0, static_cast<int>(to), kTakeEdge); // and begin anywhere
    }
}

} // namespace brumefall::media
