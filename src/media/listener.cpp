#include "media/listener.h"

#include "media/condense.h"
#include "media/resample.h"
#include "media/speech_decoder.h"
#include "media/steady_noise.h"
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
        : condensed_(condense(resampled(sound, kAlignRate_hz), 0.0, 0.0))
        , style_(style)
    {
        constexpr double kFaintHiss = 100.0;
        reduceSteadyNoise(condensed_.samples, kAlignRate_hz);
        addHiss(condensed_.samples, kFaintHiss);
        cuts_ = cutsOf(condensed_.samples);
        use(style.order, 1.0);
    }

    [[nodiscard]] std::size_t pieces() const { return cuts_.size() - 1; }

    [[nodiscard]] std::vector<Word> hear(std::size_t piece) const
    {
        const std::size_t first = cuts_[piece];
        decode(first, cuts_[piece + 1]);
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

    /// What is heard from now on is heard with this.
    void use(std::optional<notes::Order> order, double warp)
    {
        const auto succession = notes::succession(order, style_);
        decoder_ = makeListener(notes::arpaOf(succession), succession.words, warp);
        order_ = order;
        warp_ = warp;
    }

    [[nodiscard]] std::optional<notes::Order> order() const { return order_; }
    [[nodiscard]] double warp() const { return warp_; }

    /// Hears some of the piece as shorter throats would have said it, and goes on with the one that fits the
    /// model best, where it fits clearly better. Returns whether that is another one than before.
    bool fitVoice(std::size_t piece)
    {
        constexpr std::array kShorter{1.16, 1.32};
        constexpr double kBetter = 0.02; ///< of the likelihood's logarithm
        constexpr std::size_t kSome = 9 * kAlignRate_hz; // samples
        const double before = warp_;
        double fits = before;
        double best = likelihoodOf(piece, kSome);
        const double as_it_is = best;
        for (const double warp : kShorter) {
            use(order_, warp);
            const double likely = likelihoodOf(piece, kSome);
            if (likely <= best) {
                break;
            }
            best = likely;
            fits = warp;
        }
        const bool other = best > as_it_is + kBetter * std::abs(as_it_is);
        use(order_, other ? fits : before);
        return other;
    }

private:
    void decode(std::size_t from, std::size_t to) const
    {
        const auto part = std::span(condensed_.samples).subspan(from, to - from);
        ps_start_utt(decoder_.get());
        ps_process_raw(decoder_.get(), part.data(), part.size(), FALSE, TRUE);
        ps_end_utt(decoder_.get());
    }
    [[nodiscard]] double likelihoodOf(std::size_t piece, std::size_t at_most) const
    {
        decode(cuts_[piece], std::min(cuts_[piece + 1], cuts_[piece] + at_most));
        return logLikelihood(decoder_.get()).value_or(-1e300);
    }

    Condensed condensed_;
    std::vector<std::size_t> cuts_;
    notes::Style style_;
    Decoder decoder_;
    std::optional<notes::Order> order_;
    double warp_ = 1.0;
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
    constexpr std::size_t kEnoughWords = 8; // of notes: it is no talk
    bool fitted = false;
    std::vector<Word> words;
    for (std::size_t piece = 0; piece < listener.pieces();) {
        if (progress && !progress(static_cast<double>(piece) / static_cast<double>(listener.pieces()))) {
            return {};
        }
        const auto said = listener.hear(piece++);
        const bool tells = !fitted && said.size() >= kEnoughWords;
        fitted = fitted || tells;
        if (tells && listener.fitVoice(piece - 1)) {
            words.clear();
            piece = 0;
            continue;
        }
        words.insert(words.end(), said.begin(), said.end());
        if (heard && !said.empty()) {
            heard(cuesOf(said).back());
        }
        if (const auto order = listener.order() ? std::nullopt : orderOf(words)) { // all is heard anew
            listener.use(order, listener.warp());
            words.clear();
            piece = 0;
        }
    }
    return cuesOf(words);
}

} // namespace brumefall::media
