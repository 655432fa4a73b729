#include "media/listener.h"

#include "media/condense.h"
#include "media/resample.h"
#include "media/speech_decoder.h"
#include "notes/succession.h"

extern "C" {
#include <pocketsphinx.h>
}

#include <algorithm>
#include <array>
#include <optional>
#include <span>
#include <string>
#include <string_view>
#include <utility>

namespace brumefall::media {
namespace {

constexpr std::size_t kFrame = kAlignRate_hz / 100;

/// Where a long recording is cut: samples, at the quietest fifth of a second of what may be a piece's end.
std::vector<std::size_t> cutsOf(std::span<const std::int16_t> samples)
{
    constexpr std::size_t kShortest = 8 * 100; // frames
    constexpr std::size_t kLongest = 16 * 100;
    constexpr std::size_t kAround = 20;
    std::vector<double> energy(samples.size() / kFrame);
    for (std::size_t f = 0; f < energy.size(); ++f) {
        for (const std::int16_t sample : samples.subspan(f * kFrame, kFrame)) {
            energy[f] += static_cast<double>(sample) * sample;
        }
    }
    std::vector<std::size_t> cuts{0};
    std::size_t from = 0;
    while (from + kLongest < energy.size()) {
        std::size_t best = from + kLongest;
        double least = 1e300;
        for (std::size_t f = from + kShortest; f + kAround <= from + kLongest; ++f) {
            double sum = 0.0;
            for (std::size_t i = f; i < f + kAround; ++i) {
                sum += energy[i];
            }
            if (sum < least) {
                least = sum;
                best = f + kAround / 2;
            }
        }
        cuts.push_back(best * kFrame);
        from = best;
    }
    cuts.push_back(samples.size());
    return cuts;
}

struct Word {
    std::string text;
    double start_s;
    double end_s;
};

/// Hears a recording piece by piece.
class Listener {
public:
    Listener(const Sound& sound, const notes::Style& style)
        : condensed_(condense(resampled(sound, kAlignRate_hz)))
        , cuts_(cutsOf(condensed_.samples))
        , style_(style)
    {
        use(style.order);
    }

    [[nodiscard]] std::size_t pieces() const { return cuts_.size() - 1; }

    [[nodiscard]] std::vector<Word> hear(std::size_t piece) const
    {
        const std::span samples(condensed_.samples);
        const std::size_t first = cuts_[piece];
        const auto part = samples.subspan(first, cuts_[piece + 1] - first);
        ps_start_utt(decoder_.get());
        ps_process_raw(decoder_.get(), part.data(), part.size(), FALSE, TRUE);
        ps_end_utt(decoder_.get());
        std::vector<Word> words;
        const double from_s = static_cast<double>(first) / kAlignRate_hz;
        for (ps_seg_t* segment = ps_seg_iter(decoder_.get()); segment != nullptr;
             segment = ps_seg_next(segment)) {
            const std::string_view name = ps_seg_word(segment);
            if (name.starts_with('<') || name.starts_with('[') || name.starts_with("++")) {
                continue;
            }
            int begins = 0;
            int ends = 0;
            ps_seg_frames(segment, &begins, &ends);
            words.push_back({std::string(name.substr(0, name.find('('))),
                condensed_.originalTime(from_s + begins * kFrame_s),
                condensed_.originalTime(from_s + (ends + 1) * kFrame_s)});
        }
        return words;
    }

    void use(std::optional<notes::Order> order)
    {
        const auto succession = notes::succession(order, style_);
        decoder_ = makeListener(notes::arpaOf(succession), succession.words);
    }

private:
    Condensed condensed_;
    std::vector<std::size_t> cuts_;
    notes::Style style_;
    Decoder decoder_;
};

/// On which side of their directions the grades stand; nothing where few tell.
std::optional<notes::Order> orderOf(std::span<const Word> words)
{
    constexpr int kEnough = 6;
    constexpr double kClear = 2.0;
    constexpr std::array<std::string_view, 6> kGrades{"one", "two", "three", "four", "five", "six"};
    const auto isGrade = [&](const Word& word) {
        return std::find(kGrades.begin(), kGrades.end(), word.text) != kGrades.end();
    };
    const auto isSide = [](const Word& word) { return word.text == "left" || word.text == "right"; };
    int before = 0;
    int after = 0;
    for (std::size_t i = 0; i + 1 < words.size(); ++i) {
        before += isGrade(words[i]) && isSide(words[i + 1]) ? 1 : 0;
        after += isSide(words[i]) && isGrade(words[i + 1]) ? 1 : 0;
    }
    if (before + after < kEnough) {
        return {};
    }
    return before > kClear * after ? std::optional(notes::Order::number_first)
        : after > kClear * before  ? std::optional(notes::Order::direction_first)
                                   : std::nullopt;
}

/// Words between two silences, as a cue with the time of each; a longer silence ends a sentence.
class Cues {
public:
    void add(const Word& word)
    {
        constexpr double kSilence_s = 0.6;
        constexpr double kPause_s = 0.25;
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
        now_.times.push_back({now_.text.size(), word.start_s});
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

std::vector<captions::Cue> cuesOf(std::span<const Word> words)
{
    Cues cues;
    for (const Word& word : words) {
        cues.add(word);
    }
    return cues.finish();
}

} // namespace

std::vector<captions::Cue> listen(
    const Sound& sound, const notes::Style& style, const Progress& progress, const OnCue& heard)
{
    if (sound.samples.empty()) {
        return {};
    }
    Listener listener(sound, style);
    auto known = style.order;
    std::vector<Word> words;
    for (std::size_t piece = 0; piece < listener.pieces();) {
        if (progress && !progress(static_cast<double>(piece) / static_cast<double>(listener.pieces()))) {
            return {};
        }
        const auto said = listener.hear(piece++);
        words.insert(words.end(), said.begin(), said.end());
        if (heard && !said.empty()) {
            heard(cuesOf(said).back());
        }
        if (const auto order = known ? std::nullopt : orderOf(words)) { // all is heard anew with it
            known = order;
            listener.use(known);
            words.clear();
            piece = 0;
        }
    }
    return cuesOf(words);
}

} // namespace brumefall::media
