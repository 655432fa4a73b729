#include "media/listener.h"

#include "media/condense.h"
#include "media/notes_decoder.h"
#include "media/resample.h"
#include "notes/talk.h"

#include <algorithm>
#include <array>
#include <optional>
#include <span>
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

/// A recording in pieces.
class Pieces {
public:
    explicit Pieces(Sound sound)
        : condensed_(condense(resampled(std::move(sound), kAlignRate_hz), 0.0, 0.0))
    {
        prepareToHear(condensed_.samples);
        cuts_ = cutsOf(condensed_.samples);
    }

    [[nodiscard]] std::size_t count() const { return cuts_.size() - 1; }

    [[nodiscard]] std::span<const std::int16_t> samplesOf(std::size_t piece) const
    {
        return std::span(condensed_.samples).subspan(cuts_[piece], cuts_[piece + 1] - cuts_[piece]);
    }

    /// Words of a piece, at the times of the recording.
    [[nodiscard]] std::vector<NotesWord> timed(std::size_t piece, std::vector<NotesWord> words) const
    {
        const double from_s = static_cast<double>(cuts_[piece]) / kAlignRate_hz;
        for (NotesWord& word : words) {
            word.start_s = condensed_.originalTime(from_s + word.start_s);
            word.end_s = condensed_.originalTime(from_s + word.end_s);
        }
        return words;
    }

private:
    Condensed condensed_;
    std::vector<std::size_t> cuts_;
};

/// On which side of their directions the grades stand; nothing where few tell.
std::optional<notes::Order> orderOf(std::span<const NotesWord> words)
{
    constexpr int kEnough = 6;
    constexpr double kClear = 2.0;
    constexpr std::array<std::string_view, 6> kGrades{"one", "two", "three", "four", "five", "six"};
    const auto isGrade = [&](const NotesWord& word) {
        return std::find(kGrades.begin(), kGrades.end(), word.text) != kGrades.end();
    };
    const auto isSide = [](const NotesWord& word) { return word.text == "left" || word.text == "right"; };
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

/// `words` with each stretch of talk as one.
std::vector<NotesWord> withTalk(std::span<const NotesWord> words, const notes::Style& style)
{
    std::vector<notes::SpokenWord> spoken;
    for (std::size_t i = 0; i < words.size(); ++i) {
        spoken.push_back({words[i].text, i == 0 || words[i].start_s - words[i - 1].end_s > kPause_s});
    }
    const auto talk = notes::talkAmong(spoken, notes::succession(style.order, style));
    std::vector<NotesWord> out;
    for (std::size_t i = 0; i < words.size(); ++i) {
        if (!talk[i]) {
            out.push_back(words[i]);
        } else if (i > 0 && talk[i - 1]) {
            out.back().end_s = words[i].end_s;
        } else {
            out.push_back({std::string(captions::kUnknownTalk), words[i].start_s, words[i].end_s});
        }
    }
    return out;
}

} // namespace

std::vector<captions::Cue> listen(
    Sound sound, const notes::Style& style, const Progress& progress, const OnCue& heard)
{
    if (sound.samples.empty()) {
        return {};
    }
    constexpr std::size_t kEnoughWords = 8; // of notes: it is no talk
    const Pieces pieces(std::move(sound));
    NotesDecoder decoder(style);
    bool fitted = false;
    std::vector<NotesWord> words;
    for (std::size_t piece = 0; piece < pieces.count();) {
        if (progress && !progress(static_cast<double>(piece) / static_cast<double>(pieces.count()))) {
            return {};
        }
        const auto said = pieces.timed(piece, decoder.hear(pieces.samplesOf(piece)));
        const std::size_t heard_piece = piece++;
        words.insert(words.end(), said.begin(), said.end());
        if (heard && !said.empty()) {
            heard(cuesOf(said).back());
        }
        bool anew = false;
        if (!fitted && said.size() >= kEnoughWords) {
            fitted = true;
            anew = decoder.fitVoice(pieces.samplesOf(heard_piece));
        }
        if (const auto order = decoder.order() ? std::nullopt : orderOf(words)) {
            decoder.use(order, decoder.warp());
            anew = true;
        }
        if (anew) {
            words.clear();
            piece = 0;
        }
    }
    return cuesOf(withTalk(words, style));
}

} // namespace brumefall::media
