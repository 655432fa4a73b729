#include "media/notes_decoder.h"

#include "notes/talk.h"

extern "C" {
#include <pocketsphinx.h>
}

#include <algorithm>
#include <array>
#include <string_view>
#include <utility>

namespace brumefall::media {
namespace {

constexpr double kFaintHiss = 100.0; ///< standard deviation, as kHiss

/// Words between two silences, as a cue with the time of each; a longer silence ends a sentence.
class Cues {
public:
    void add(const NotesWord& word)
    {
        constexpr double kSilence_s = 0.6;
        if (word.isTalk()) {
            close();
            all_.push_back({word.start_s, word.end_s, static_cast<int>(all_.size()) + 1, word.text, {}});
            return;
        }
        if (!now_.text.empty()) {
            const double pause_s = word.start_s - now_.end_s;
            if (pause_s > kSilence_s) {
                close();
            } else if (pause_s > kPause_s) {
                now_.text += ",";
            }
        }
        if (now_.text.empty()) {
            now_ = {word.start_s, word.end_s, static_cast<int>(all_.size()) + 1, {}, {}};
        } else {
            now_.text += " ";
        }
        now_.times.push_back({now_.text.size(), word.start_s, word.sure});
        now_.text += word.text;
        now_.end_s = word.end_s;
    }

    [[nodiscard]] std::vector<captions::Cue> finish()
    {
        close();
        return std::move(all_);
    }

private:
    void close()
    {
        if (!now_.text.empty()) {
            now_.text += ".";
            all_.push_back(std::exchange(now_, {}));
        }
    }

    std::vector<captions::Cue> all_;
    captions::Cue now_;
};

/// In seconds, how long a reader may draw out `word` of the decoder's dictionary.
double longestOf(ps_decoder_t* decoder, std::string_view word)
{
    constexpr double kPhone_s = 0.15;
    constexpr double kMore_s = 0.2;
    char* phones = ps_lookup_word(decoder, std::string(word).c_str());
    const std::string_view known = phones == nullptr ? "" : phones;
    const auto count = static_cast<double>(std::count(known.begin(), known.end(), ' ') + 1);
    ckd_free(phones);
    return kPhone_s * count + kMore_s;
}

} // namespace

NotesDecoder::NotesDecoder(notes::Style style, std::string alone)
    : style_(std::move(style))
    , alone_(std::move(alone))
{
    use(style_.order, 1.0);
}

void NotesDecoder::use(std::optional<notes::Order> order, double warp)
{
    if (!model_ || order != order_) {
        succession_ = notes::succession(order, style_, alone_);
        std::vector<std::string> talk;
        for (const auto& [name, phone] : talkWords()) {
            talk.push_back(name);
        }
        model_ = readModel(notes::arpaOf(succession_, talk));
    }
    decoder_ = makeListener(model_, succession_.words, warp);
    order_ = order;
    warp_ = warp;
}

Hearing NotesDecoder::hear(std::span<const std::int16_t> samples) const
{
    explain(decoder_.get(), samples);
    Hearing heard;
    heard.likelihood = logLikelihood(decoder_.get()).value_or(heard.likelihood);
    for (ps_seg_t* segment = ps_seg_iter(decoder_.get()); segment != nullptr;
         segment = ps_seg_next(segment)) {
        const std::string_view name = ps_seg_word(segment);
        if (name.starts_with('<') || name.starts_with('[') || name.starts_with("++")) {
            continue;
        }
        int begins = 0;
        int ends = 0;
        ps_seg_frames(segment, &begins, &ends);
        if ((ends + 1 - begins) * kFrame_s <= longestOf(decoder_.get(), name)) {
            int32 sounds = 0;
            int32 succession = 0;
            int32 back = 0;
            ps_seg_prob(segment, &sounds, &succession, &back);
            heard.words.push_back({std::string(name.substr(0, name.find('('))), begins * kFrame_s,
                (ends + 1) * kFrame_s, static_cast<double>(sounds) / (ends + 1 - begins)});
            heard.sounds += sounds;
            heard.frames += ends + 1 - begins;
        }
    }
    return heard;
}

std::optional<double> NotesDecoder::likelihoodOf(
    std::span<const std::int16_t> samples, std::span<const std::string> words) const
{
    constexpr const char* kExactly = "exactly";
    ps_decoder_t* decoder = decoder_.get();
    const int count = static_cast<int>(words.size());
    fsg_model_t* fsg = fsg_model_init(kExactly, ps_get_logmath(decoder), 1.0F, count + 1);
    fsg->start_state = 0;
    fsg->final_state = count;
    for (int w = 0; w < count; ++w) {
        const int word = fsg_model_word_add(fsg, words[static_cast<std::size_t>(w)].c_str());
        fsg_model_trans_add(fsg, w, w + 1, 0, word);
    }
    const bool taken = ps_set_fsg(decoder, kExactly, fsg) == 0;
    fsg_model_free(fsg); // the decoder keeps its own reference
    if (!taken || ps_set_search(decoder, kExactly) != 0) {
        return {};
    }
    explain(decoder, samples);
    const auto likelihood = logLikelihood(decoder);
    ps_set_search(decoder, kListenerSearch);
    return likelihood;
}

std::optional<Hearing> NotesDecoder::fitVoice(std::span<const std::int16_t> samples, const Hearing& now)
{
    constexpr std::array kShorter{1.16, 1.32};
    constexpr double kBetter = 0.02; // of a logarithm: an engine makes as much of a difference
    constexpr double kWordsBetter = 0.03;
    const auto isBetter = [&](const Hearing& other) {
        return other.likelihood > now.likelihood + kBetter * std::abs(now.likelihood)
            && other.perFrame() > now.perFrame() + kWordsBetter * std::abs(now.perFrame());
    };
    double best = now.likelihood;
    std::optional<Hearing> fitting;
    double fits = warp_;
    Decoder decoder = std::move(decoder_);
    for (const double warp : kShorter) {
        use(order_, warp);
        Hearing other = hear(samples);
        if (other.likelihood <= best) {
            break;
        }
        best = other.likelihood;
        if (isBetter(other)) {
            fits = warp;
            decoder = std::move(decoder_);
            fitting = std::move(other);
        }
    }
    decoder_ = std::move(decoder);
    warp_ = fits;
    return fitting;
}

Prepared::Prepared(std::vector<std::int16_t> samples)
    : samples_(std::move(samples))
    , noise_(samples_, kAlignRate_hz)
    , hiss_(noise_.isReduced() ? kFaintHiss : kHiss)
{
}

std::span<const std::int16_t> Prepared::until(std::size_t end)
{
    end = std::min(end, samples_.size());
    noise_.reduceUntil(end);
    for (; ready_ < end; ++ready_) {
        samples_[ready_] = hiss_.over(samples_[ready_]);
    }
    return std::span(samples_).first(end);
}

std::vector<NotesWord> withTalk(std::span<const NotesWord> words, const notes::Succession& succession)
{
    std::vector<notes::SpokenWord> spoken;
    for (std::size_t i = 0; i < words.size(); ++i) {
        spoken.push_back(
            {words[i].text, i == 0 || words[i].start_s - words[i - 1].end_s > kPause_s, words[i].fit});
    }
    const auto talk = notes::talkAmong(spoken, succession);
    constexpr double kTalk = 0.5;
    std::vector<NotesWord> out;
    for (std::size_t i = 0; i < words.size(); ++i) {
        if (talk[i] < kTalk) {
            out.push_back(words[i]);
            out.back().sure = 1.0 - talk[i];
        } else if (i > 0 && talk[i - 1] >= kTalk) {
            out.back().end_s = words[i].end_s;
        } else {
            out.push_back({std::string(captions::kUnknownTalk), words[i].start_s, words[i].end_s});
        }
    }
    return out;
}

std::vector<captions::Cue> cuesOf(std::span<const NotesWord> words)
{
    Cues cues;
    for (const NotesWord& word : words) {
        cues.add(word);
    }
    return cues.finish();
}

} // namespace brumefall::media
