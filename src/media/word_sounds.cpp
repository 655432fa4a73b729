#include "media/word_sounds.h"

#include "notes/near_misses.h"

#include <algorithm>

namespace brumefall::media {

void WordSounds::add(const HeardWord& word, const Condensed& condensed, double start_s)
{
    constexpr double kAround_s = 0.02;
    constexpr std::size_t kMost = 2 * kAlignRate_hz; ///< no word lasts longer
    const auto sample = [&](double at_s) {
        return std::min(
            condensed.samples.size(), static_cast<std::size_t>(std::max(0.0, at_s) * kAlignRate_hz));
    };
    const std::size_t first = sample(word.span.start_s - kAround_s);
    const std::size_t last = sample(word.span.end_s + kAround_s);
    if (!word.place.after && first < last) {
        said_[{word.place.note, start_s}] =
            front_end_.cepstraOf(std::span(condensed.samples).subspan(first, std::min(last - first, kMost)));
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

} // namespace brumefall::media
