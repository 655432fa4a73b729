#include "media/word_sounds.h"

#include "notes/near_misses.h"

extern "C" {
#include <sphinxbase/cmd_ln.h>
#include <sphinxbase/fe.h>
}

#include <algorithm>

namespace brumefall::media {

WordSounds::WordSounds()
{
    cmd_ln_t* config = cmd_ln_init(nullptr, fe_get_args(), TRUE, "-remove_silence", "no", nullptr);
    const auto lock = frontEndLock();
    front_end_ = fe_init_auto_r(config); // keeps its own reference
    cmd_ln_free_r(config);
}

WordSounds::~WordSounds()
{
    fe_free(front_end_);
}

void WordSounds::add(const HeardWord& word, const Condensed& condensed, double start_s)
{
    constexpr double kAround_s = 0.02;
    const auto sample = [&](double at_s) {
        return std::min(
            condensed.samples.size(), static_cast<std::size_t>(std::max(0.0, at_s) * kAlignRate_hz));
    };
    const std::size_t first = sample(word.span.start_s - kAround_s);
    const std::size_t last = sample(word.span.end_s + kAround_s);
    if (!word.place.after && first < last) {
        said_[{word.place.note, start_s}] =
            cepstraOf(std::span(condensed.samples).subspan(first, last - first));
    }
}

std::vector<take::SaidWord> WordSounds::saidWords(
    const std::vector<take::FoundNote>& found, const std::vector<ExpectedNote>& expected) const
{
    constexpr double kDoubtful = 0.2;
    std::vector<take::SaidWord> words;
    for (std::size_t k = 0; k < found.size(); ++k) {
        const auto own = take::spokenWords(expected[k].spoken);
        const auto misses = notes::nearMisses(own, notes::Spoken::note);
        auto at = own.begin();
        for (const take::FoundWord& word : found[k].words) {
            at = std::find(at, own.end(), word.word);
            const auto sound = said_.find({k, word.span.start_s});
            if (at == own.end()) {
                break;
            }
            if (sound != said_.end()) {
                const bool doubtful = std::any_of(found[k].misread.begin(), found[k].misread.end(),
                    [&](const take::Misread& m) { return m.note_says == word.word && m.sure > kDoubtful; });
                words.push_back({k, word.word, misses[static_cast<std::size_t>(at - own.begin())],
                    sound->second, doubtful});
            }
            ++at;
        }
    }
    return words;
}

std::vector<take::Cepstra> WordSounds::cepstraOf(std::span<const std::int16_t> samples)
{
    constexpr std::size_t kMost = 200; ///< frames: no word lasts two seconds
    const auto width = static_cast<std::size_t>(fe_get_output_size(front_end_));
    std::vector<mfcc_t> values(kMost * width);
    std::vector<mfcc_t*> rows(kMost);
    for (std::size_t i = 0; i < kMost; ++i) {
        rows[i] = values.data() + i * width;
    }
    const std::int16_t* at = samples.data();
    std::size_t left = samples.size();
    auto frames = static_cast<int32>(kMost) - 1; // the end may give one more
    fe_start_stream(front_end_);
    fe_start_utt(front_end_);
    fe_process_frames(front_end_, &at, &left, rows.data(), &frames, nullptr);
    std::vector<take::Cepstra> out(static_cast<std::size_t>(frames));
    for (std::size_t i = 0; i < out.size(); ++i) {
        std::copy_n(rows[i] + 1, take::kCepstra, out[i].begin()); // the first is the loudness
    }
    int32 more = 0;
    fe_end_utt(front_end_, rows[out.size()], &more);
    return out;
}

} // namespace brumefall::media
