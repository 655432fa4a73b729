#include "media/listener.h"

#include "media/condense.h"
#include "media/loudness.h"
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

/// A recording in pieces of some seconds, each made ready when it is asked for: the first is heard at once.
class Pieces {
public:
    explicit Pieces(Sound sound)
        : Pieces(condense(resampled(std::move(sound), kAlignRate_hz), {.hiss = 0.0}))
    {
    }

    /// Whether there is piece `index`; those before it were asked for.
    [[nodiscard]] bool has(std::size_t index) const
    {
        return index + 1 < ends_.size() || ends_.back() < prepared_.count();
    }

    [[nodiscard]] std::span<const std::int16_t> samplesOf(std::size_t piece)
    {
        if (piece + 1 == ends_.size()) {
            ends_.push_back(endAfter(ends_.back()));
        }
        return prepared_.until(ends_[piece + 1]).subspan(ends_[piece]);
    }

    /// What of the recording lies before a piece.
    [[nodiscard]] double shareBefore(std::size_t piece) const
    {
        return static_cast<double>(ends_[piece]) / static_cast<double>(prepared_.count());
    }

    /// Words of a piece, at the times of the recording.
    [[nodiscard]] std::vector<NotesWord> timed(std::size_t piece, std::vector<NotesWord> words) const
    {
        const double from_s = static_cast<double>(ends_[piece]) / kAlignRate_hz;
        for (NotesWord& word : words) {
            word.start_s = originalTime(cuts_, from_s + word.start_s);
            word.end_s = originalTime(cuts_, from_s + word.end_s);
        }
        return words;
    }

private:
    explicit Pieces(Condensed condensed)
        : prepared_(std::move(condensed.samples))
        , cuts_(std::move(condensed.pieces))
    {
    }

    /// Where the piece from sample `from` ends: at the quietest fifth of a second of where it may.
    [[nodiscard]] std::size_t endAfter(std::size_t from)
    {
        constexpr std::size_t kShortest = 8 * 100; // frames
        constexpr std::size_t kLongest = 16 * 100;
        constexpr std::size_t kAround = 20;
        if (prepared_.count() / kFrame <= from / kFrame + kLongest) {
            return prepared_.count();
        }
        const auto may = prepared_.until(from + kLongest * kFrame).subspan(from);
        const auto energy = meanSquares(may, kAlignRate_hz);
        std::size_t best = kLongest;
        double least = 1e300;
        for (std::size_t f = kShortest; f + kAround <= kLongest; ++f) {
            double sum = 0.0;
            for (std::size_t i = f; i < f + kAround; ++i) {
                sum += energy[i];
            }
            if (sum < least) {
                least = sum;
                best = f + kAround / 2;
            }
        }
        return from + best * kFrame;
    }

    Prepared prepared_;
    std::vector<Condensed::Piece> cuts_; ///< where silences were cut out
    std::vector<std::size_t> ends_{0}; ///< of the pieces so far, in samples; the first begins at 0
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

} // namespace

std::vector<captions::Cue> listen(
    Sound sound, const notes::Style& style, const Progress& progress, const OnCue& heard)
{
    if (sound.samples.empty()) {
        return {};
    }
    constexpr std::size_t kEnoughWords = 8; // of notes: it is no talk
    Pieces pieces(std::move(sound));
    NotesDecoder decoder(style);
    bool fitted = false;
    std::vector<NotesWord> words;
    const auto goesOn = [&](std::size_t piece) { return !progress || progress(pieces.shareBefore(piece)); };
    if (!goesOn(0)) {
        return {};
    }
    for (std::size_t piece = 0; pieces.has(piece);) {
        const auto samples = pieces.samplesOf(piece);
        const auto said = pieces.timed(piece++, decoder.hear(samples));
        words.insert(words.end(), said.begin(), said.end());
        if (heard && !said.empty()) {
            heard(cuesOf(said).back());
        }
        if (!goesOn(piece)) {
            return {};
        }
        bool anew = false;
        if (!fitted && said.size() >= kEnoughWords) {
            fitted = true;
            anew = decoder.fitVoice(samples);
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
    return cuesOf(withTalk(words, decoder.succession()));
}

} // namespace brumefall::media
