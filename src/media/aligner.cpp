#include "media/aligner.h"

#include "media/condense.h"
#include "media/phones.h"
#include "media/reading_grammar.h"
#include "media/resample.h"

extern "C" {
#include <pocketsphinx.h>
#include <sphinxbase/err.h>
}

#include <algorithm>
#include <chrono>
#include <memory>
#include <utility>

namespace brumefall::media {
namespace {

constexpr double kFrame_s = 0.01;

struct DecoderFreer {
    void operator()(ps_decoder_t* ps) const { ps_free(ps); }
};
using Decoder = std::unique_ptr<ps_decoder_t, DecoderFreer>;

Decoder makeDecoder()
{
    err_set_logfp(nullptr);
    const std::string folder = kSpeechModelFolder;
    cmd_ln_t* config = cmd_ln_init(nullptr, ps_args(), TRUE, "-hmm", (folder + "/en-us").c_str(), "-dict",
        (folder + "/cmudict-en-us.dict").c_str(), "-beam", "1e-75", "-wbeam", "1e-75", "-pbeam", "1e-75",
        "-remove_silence", "no", "-bestpath", "no", nullptr);
    Decoder decoder(config == nullptr ? nullptr : ps_init(config));
    if (config != nullptr) {
        cmd_ln_free_r(config);
    }
    if (!decoder) {
        throw MediaError(kSpeechModelFolder, "the speech model is not there; install pocketsphinx-en-us");
    }
    return decoder;
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
        dropCutOffLikeness(length_s);
        open_.clear(); // what the end of the take cut off was not begun again
        for (take::FoundNote& note : found_) {
            note.restarted = note.restarted && note.read; // broken off and not begun again is missed
        }
        return std::move(found_);
    }

private:
    /// A note that the end of the recording cut off can sound like a later one, reached by a skip.
    void dropCutOffLikeness(double length_s)
    {
        const auto last =
            std::find_if(found_.rbegin(), found_.rend(), [](const take::FoundNote& n) { return n.read; });
        if (last == found_.rend()
            || (open_.empty() ? last->span : open_.back().span).end_s < length_s - 0.03) {
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

} // namespace

std::vector<ExpectedNote> expectedNotes(const plan::Plan& plan)
{
    std::vector<ExpectedNote> expected;
    expected.reserve(plan.notes.size());
    for (const auto& note : plan.notes) {
        expected.push_back({note.id, note.spoken, note.spoken_after});
    }
    return expected;
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
