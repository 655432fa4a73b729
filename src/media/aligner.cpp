#include "media/aligner.h"

#include "media/voice.h"

extern "C" {
#include <libavutil/channel_layout.h>
#include <libswresample/swresample.h>
#include <pocketsphinx.h>
#include <sphinxbase/err.h>
#include <sphinxbase/fsg_model.h>
}

#include <algorithm>
#include <array>
#include <charconv>
#include <chrono>
#include <cmath>
#include <memory>
#include <random>
#include <set>
#include <sstream>

namespace brumefall::media {
namespace {

constexpr const char* kModelFolder = "/usr/share/pocketsphinx/model/en-us";
constexpr double kFrame_s = 0.01;

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

struct DecoderFreer {
    void operator()(ps_decoder_t* ps) const { ps_free(ps); }
};
using Decoder = std::unique_ptr<ps_decoder_t, DecoderFreer>;

Decoder makeDecoder()
{
    err_set_logfp(nullptr);
    const std::string folder = kModelFolder;
    cmd_ln_t* config = cmd_ln_init(nullptr, ps_args(), TRUE, "-hmm", (folder + "/en-us").c_str(), "-dict",
        (folder + "/cmudict-en-us.dict").c_str(), "-beam", "1e-75", "-wbeam", "1e-75", "-pbeam", "1e-75",
        "-remove_silence", "no", "-bestpath", "no", nullptr);
    Decoder decoder(config == nullptr ? nullptr : ps_init(config));
    if (config != nullptr) {
        cmd_ln_free_r(config);
    }
    if (!decoder) {
        throw MediaError(kModelFolder, "the speech model is not there; install pocketsphinx-en-us");
    }
    return decoder;
}

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

/// Which note, which word of it, and whether it is of the distance; written into the dictionary word's name.
struct WordPlace {
    std::size_t note = 0;
    std::size_t word = 0;
    bool after = false;
};

std::string nameOf(const WordPlace& place)
{
    return (place.after ? "d" : "n") + std::to_string(place.note) + "w" + std::to_string(place.word);
}

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

/// Builds the grammar: states B_k before each note, inner states between its words, E_k after its own words.
class Grammar {
public:
    Grammar(ps_decoder_t* decoder, const std::vector<ExpectedNote>& expected)
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

    void use()
    {
        ps_set_fsg(decoder_, "stage", fsg_);
        ps_set_search(decoder_, "stage");
        fsg_model_free(fsg_); // the decoder keeps its own reference
    }

    [[nodiscard]] const std::vector<std::string>& ownWords(std::size_t k) const { return own_[k]; }

private:
    [[nodiscard]] int log(double natural) const
    {
        return logmath_ln_to_log(ps_get_logmath(decoder_), natural);
    }

    void addPronunciations()
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

    void addWord(const std::string& name, const std::string& word)
    {
        std::vector<std::string> all;
        for (int alternative = 1; alternative <= 3; ++alternative) {
            const std::string entry =
                alternative == 1 ? word : word + "(" + std::to_string(alternative) + ")";
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

    void transition(int from, int to, double log_probability, const WordPlace& place)
    {
        const int word = fsg_model_word_add(fsg_, nameOf(place).c_str());
        fsg_model_trans_add(fsg_, from, to, log(log_probability), word);
    }

    void addNote(std::size_t k)
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

    void null(int from, int to, double log_probability)
    {
        fsg_model_null_trans_add(fsg_, from, to, log(log_probability));
    }

    /// From `state`, which stands before note `next`, past one or more notes.
    void addSkipsFrom(int state, std::size_t next, double cost)
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

    void addSkips()
    {
        const std::size_t count = expected_.size();
        for (std::size_t from = 0; from < count; ++from) {
            addSkipsFrom(static_cast<int>(from), from, 0.0);
        }
        for (std::size_t to = 1; to < count; ++to) {
            null(0, static_cast<int>(to), kTakeEdge); // and begin anywhere
        }
    }

    ps_decoder_t* decoder_;
    const std::vector<ExpectedNote>& expected_;
    std::vector<std::vector<std::string>> own_;
    std::vector<std::vector<std::string>> after_;
    std::vector<int> inner_;
    fsg_model_t* fsg_ = nullptr;
};

/// A recording without the middle of its long silences. The recogniser subtracts the mean of the whole
/// utterance from its features; a stage is mostly silence, and that mean would make speech unrecognisable.
struct Condensed {
    struct Piece {
        std::size_t first; ///< sample in the condensed sound
        std::size_t original; ///< the same sample in the recording
    };
    std::vector<std::int16_t> samples;
    std::vector<Piece> pieces;

    [[nodiscard]] double originalTime(double condensed_s) const
    {
        const auto sample = static_cast<std::size_t>(std::max(0.0, condensed_s * kAlignRate_hz));
        auto it = std::upper_bound(
            pieces.begin(), pieces.end(), sample, [](std::size_t s, const Piece& p) { return s < p.first; });
        if (it == pieces.begin()) {
            return condensed_s;
        }
        --it;
        return condensed_s + static_cast<double>(it->original - it->first) / kAlignRate_hz;
    }
};

constexpr std::size_t kEnergyFrame = kAlignRate_hz / 100;

/// Energy of each hundredth of a second, in dB.
std::vector<float> energies(const Sound& sound)
{
    std::vector<float> out(sound.samples.size() / kEnergyFrame);
    for (std::size_t f = 0; f < out.size(); ++f) {
        double sum = 0.0;
        for (std::size_t i = f * kEnergyFrame; i < (f + 1) * kEnergyFrame; ++i) {
            sum += static_cast<double>(sound.samples[i]) * sound.samples[i];
        }
        out[f] = static_cast<float>(10.0 * std::log10(1.0 + sum / kEnergyFrame));
    }
    return out;
}

/// Which frames are silent: near the quietest fifth of the half minute around them.
std::vector<bool> silentFrames(const std::vector<float>& energy)
{
    constexpr std::size_t kBlock = 500;
    constexpr std::size_t kAround = 1000;
    constexpr float kMargin_dB = 7.0F;
    std::vector<bool> silent(energy.size());
    for (std::size_t block = 0; block < energy.size(); block += kBlock) {
        const std::size_t first = block > kAround ? block - kAround : 0;
        const std::size_t last = std::min(energy.size(), block + kBlock + kAround);
        std::vector<float> around(energy.begin() + static_cast<std::ptrdiff_t>(first),
            energy.begin() + static_cast<std::ptrdiff_t>(last));
        const auto fifth = around.begin() + static_cast<std::ptrdiff_t>(around.size() / 5);
        std::nth_element(around.begin(), fifth, around.end());
        for (std::size_t f = block; f < std::min(energy.size(), block + kBlock); ++f) {
            silent[f] = energy[f] < *fifth + kMargin_dB;
        }
    }
    return silent;
}

constexpr double kHiss = 300.0;
constexpr std::size_t kAfterEnd_s = 1;

/// Brings speech (the loudest twentieth of the recording) to one level, whatever the microphone.
double gainFor(std::vector<float> energy)
{
    if (energy.empty()) {
        return 1.0;
    }
    constexpr double kWished_dB = 76.0;
    const auto loud = energy.begin() + static_cast<std::ptrdiff_t>(energy.size() - 1 - energy.size() / 20);
    std::nth_element(energy.begin(), loud, energy.end());
    return std::clamp(std::pow(10.0, (kWished_dB - static_cast<double>(*loud)) / 20.0), 0.1, 30.0);
}

Condensed condense(const Sound& sound)
{
    constexpr std::size_t kKeep = 40; // frames left on both sides of a cut
    const auto energy = energies(sound);
    const auto silent = silentFrames(energy);
    Condensed out;
    std::size_t from = 0; // sample
    const auto keepUntil = [&](std::size_t sample) {
        out.pieces.push_back({out.samples.size(), from});
        out.samples.insert(out.samples.end(), sound.samples.begin() + static_cast<std::ptrdiff_t>(from),
            sound.samples.begin() + static_cast<std::ptrdiff_t>(sample));
    };
    std::size_t f = 0;
    while (f < silent.size()) {
        std::size_t end = f;
        while (end < silent.size() && silent[end]) {
            ++end;
        }
        if (end - f > 3 * kKeep) {
            keepUntil((f + kKeep) * kEnergyFrame);
            from = (end - kKeep) * kEnergyFrame;
        }
        f = std::max(end, f + 1);
    }
    keepUntil(sound.samples.size());
    out.samples.resize(out.samples.size() + kAfterEnd_s * kAlignRate_hz, 0); // room to end a word cut off
    // silence without any noise is like nothing that the model has heard; a steady hiss makes it so
    std::minstd_rand random(1);
    std::normal_distribution<double> hiss(0.0, kHiss);
    const double gain = gainFor(energy);
    for (auto& sample : out.samples) {
        const double heard = gain * static_cast<double>(sample) + hiss(random);
        sample = static_cast<std::int16_t>(std::clamp(heard, -32768.0, 32767.0));
    }
    return out;
}

struct HeardWord {
    WordPlace place;
    take::Span span;
};

std::vector<HeardWord> heardWords(ps_decoder_t* decoder)
{
    std::vector<HeardWord> heard;
    for (ps_seg_t* segment = ps_seg_iter(decoder); segment != nullptr; segment = ps_seg_next(segment)) {
        WordPlace place;
        if (!parseName(ps_seg_word(segment), place)) {
            continue;
        }
        int first = 0;
        int last = 0;
        ps_seg_frames(segment, &first, &last);
        heard.push_back({place, {first * kFrame_s, (last + 1) * kFrame_s}});
    }
    return heard;
}

/// Puts heard words together to readings of notes: full ones, further ones, broken-off ones.
class Collector {
public:
    Collector(const std::vector<ExpectedNote>& expected, const Grammar& grammar)
        : grammar_(grammar)
        , found_(expected.size())
    {
        for (std::size_t k = 0; k < expected.size(); ++k) {
            found_[k].id = expected[k].id;
        }
    }

    void add(const HeardWord& word)
    {
        if (word.place.after) {
            close();
            return;
        }
        const bool goes_on = !open_.empty() && open_.back().place.note == word.place.note
            && word.place.word == open_.back().place.word + 1;
        if (!goes_on) {
            close();
        }
        open_.push_back(word);
        if (word.place.word + 1 == grammar_.ownWords(word.place.note).size()) {
            close();
        }
    }

    /// `length_s` is that of the recording.
    std::vector<take::FoundNote> finish(double length_s)
    {
        open_.clear(); // what the end of the take cut off was not begun again
        dropCutOffLikeness(length_s);
        return std::move(found_);
    }

private:
    /// A note that the end of the recording cut off can sound like a later one, reached by a skip.
    void dropCutOffLikeness(double length_s)
    {
        const auto last =
            std::find_if(found_.rbegin(), found_.rend(), [](const take::FoundNote& n) { return n.read; });
        if (last == found_.rend() || last->span.end_s < length_s - 0.03) {
            return;
        }
        const bool after_skip = std::next(last) != found_.rend() && !std::next(last)->read;
        if (after_skip) {
            take::FoundNote unread;
            unread.id = last->id;
            *last = std::move(unread);
        }
    }

    void close()
    {
        if (open_.empty()) {
            return;
        }
        const std::size_t k = open_.front().place.note;
        take::FoundNote& note = found_[k];
        const auto& words = grammar_.ownWords(k);
        const take::Span span{open_.front().span.start_s, open_.back().span.end_s};
        const bool complete = open_.back().place.word + 1 == words.size();
        if (!complete) {
            note.restarted = true;
        } else if (note.read) {
            note.repeats.push_back(span);
        } else {
            note.read = true;
            note.span = span;
            for (std::size_t i = 0; i < open_.size(); ++i) {
                note.words.push_back({words[open_[i].place.word], open_[i].span});
                if (i > 0 && open_[i].span.start_s - open_[i - 1].span.end_s >= take::kHesitation_s) {
                    note.hesitations.push_back({open_[i - 1].span.end_s, open_[i].span.start_s});
                }
            }
        }
        open_.clear();
    }

    const Grammar& grammar_;
    std::vector<take::FoundNote> found_;
    std::vector<HeardWord> open_;
};

struct PhoneOfIpa {
    std::string_view ipa;
    std::string_view phone;
};

// longest first where one begins with another
constexpr std::array kPhones{PhoneOfIpa{"tʃ", "CH"}, PhoneOfIpa{"dʒ", "JH"}, PhoneOfIpa{"aɪ", "AY"},
    PhoneOfIpa{"aʊ", "AW"}, PhoneOfIpa{"eɪ", "EY"}, PhoneOfIpa{"oʊ", "OW"}, PhoneOfIpa{"əʊ", "OW"},
    PhoneOfIpa{"ɔɪ", "OY"}, PhoneOfIpa{"ɔː", "AO"}, PhoneOfIpa{"ɑː", "AA"}, PhoneOfIpa{"iː", "IY"},
    PhoneOfIpa{"uː", "UW"}, PhoneOfIpa{"ɜː", "ER"}, PhoneOfIpa{"ɚ", "ER"}, PhoneOfIpa{"ɝ", "ER"},
    PhoneOfIpa{"ɔ", "AO"}, PhoneOfIpa{"ɑ", "AA"}, PhoneOfIpa{"æ", "AE"}, PhoneOfIpa{"ʌ", "AH"},
    PhoneOfIpa{"ə", "AH"}, PhoneOfIpa{"ɐ", "AH"}, PhoneOfIpa{"ɛ", "EH"}, PhoneOfIpa{"e", "EH"},
    PhoneOfIpa{"ɪ", "IH"}, PhoneOfIpa{"i", "IY"}, PhoneOfIpa{"ʊ", "UH"}, PhoneOfIpa{"u", "UW"},
    PhoneOfIpa{"ɒ", "AA"}, PhoneOfIpa{"o", "OW"}, PhoneOfIpa{"a", "AE"}, PhoneOfIpa{"ŋ", "NG"},
    PhoneOfIpa{"ʃ", "SH"}, PhoneOfIpa{"ʒ", "ZH"}, PhoneOfIpa{"θ", "TH"}, PhoneOfIpa{"ð", "DH"},
    PhoneOfIpa{"ɹ", "R"}, PhoneOfIpa{"r", "R"}, PhoneOfIpa{"ɾ", "T"}, PhoneOfIpa{"j", "Y"},
    PhoneOfIpa{"b", "B"}, PhoneOfIpa{"d", "D"}, PhoneOfIpa{"f", "F"}, PhoneOfIpa{"ɡ", "G"},
    PhoneOfIpa{"g", "G"}, PhoneOfIpa{"h", "HH"}, PhoneOfIpa{"k", "K"}, PhoneOfIpa{"l", "L"},
    PhoneOfIpa{"m", "M"}, PhoneOfIpa{"n", "N"}, PhoneOfIpa{"p", "P"}, PhoneOfIpa{"s", "S"},
    PhoneOfIpa{"t", "T"}, PhoneOfIpa{"v", "V"}, PhoneOfIpa{"w", "W"}, PhoneOfIpa{"z", "Z"}};

} // namespace

std::string phonesFor(const std::string& word)
{
    const std::string ipa = phonemesOf(word);
    std::string phones;
    std::size_t i = 0;
    while (i < ipa.size()) {
        const auto rest = std::string_view(ipa).substr(i);
        const auto it = std::find_if(
            kPhones.begin(), kPhones.end(), [&](const PhoneOfIpa& p) { return rest.starts_with(p.ipa); });
        if (it == kPhones.end()) {
            ++i;
            continue;
        }
        phones += (phones.empty() ? "" : " ") + std::string(it->phone);
        i += it->ipa.size();
    }
    return phones.empty() ? "AH" : phones;
}

std::vector<ExpectedNote> expectedNotes(const plan::Plan& plan)
{
    std::vector<ExpectedNote> expected;
    expected.reserve(plan.notes.size());
    for (const auto& note : plan.notes) {
        expected.push_back({note.id, note.spoken, note.spoken_after});
    }
    return expected;
}

Sound resampled(const Sound& sound, int rate_hz)
{
    if (sound.rate_hz == rate_hz) {
        return sound;
    }
    AVChannelLayout mono = AV_CHANNEL_LAYOUT_MONO;
    SwrContext* swr = nullptr;
    swr_alloc_set_opts2(
        &swr, &mono, AV_SAMPLE_FMT_S16, rate_hz, &mono, AV_SAMPLE_FMT_S16, sound.rate_hz, 0, nullptr);
    swr_init(swr);
    Sound out{{}, rate_hz};
    const auto count = static_cast<int>(sound.samples.size());
    out.samples.resize(static_cast<std::size_t>(swr_get_out_samples(swr, count) + 256));
    auto* target = reinterpret_cast<std::uint8_t*>(out.samples.data());
    const auto* source = reinterpret_cast<const std::uint8_t*>(sound.samples.data());
    int written = swr_convert(swr, &target, static_cast<int>(out.samples.size()), &source, count);
    target = reinterpret_cast<std::uint8_t*>(out.samples.data() + std::max(0, written));
    written +=
        std::max(0, swr_convert(swr, &target, static_cast<int>(out.samples.size()) - written, nullptr, 0));
    out.samples.resize(static_cast<std::size_t>(std::max(0, written)));
    swr_free(&swr);
    return out;
}

Alignment align(const Sound& sound, const std::vector<ExpectedNote>& expected, const Progress& progress)
{
    const auto began = std::chrono::steady_clock::now();
    Alignment out;
    if (expected.empty()) {
        return out;
    }
    const Sound at_rate = resampled(sound, kAlignRate_hz);
    const Decoder decoder = makeDecoder();
    Grammar grammar(decoder.get(), expected);
    grammar.use();
    Collector collector(expected, grammar);
    if (progress && !progress(0.05)) {
        out.notes = collector.finish(at_rate.duration_s());
        return out;
    }
    ps_start_utt(decoder.get());
    const Condensed condensed = condense(at_rate);
    ps_process_raw(decoder.get(), condensed.samples.data(), condensed.samples.size(), FALSE, TRUE);
    ps_end_utt(decoder.get());
    for (HeardWord& word : heardWords(decoder.get())) {
        word.span.start_s = condensed.originalTime(word.span.start_s);
        word.span.end_s = condensed.originalTime(word.span.end_s - 0.5 * kFrame_s) + 0.5 * kFrame_s;
        collector.add(word);
    }
    out.notes = collector.finish(at_rate.duration_s());
    const std::chrono::duration<double> took = std::chrono::steady_clock::now() - began;
    out.real_time_factor = sound.samples.empty() ? 0.0 : took.count() / sound.duration_s();
    return out;
}

} // namespace brumefall::media
