#include "media/listener.h"

#include "media/condense.h"
#include "media/loudness.h"
#include "media/notes_decoder.h"
#include "media/resample.h"
#include "notes/near_misses.h"

#include <algorithm>
#include <array>
#include <optional>
#include <span>
#include <string_view>
#include <utility>

namespace brumefall::media {
namespace {

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

    /// Where the piece from sample `from` ends: at the quietest fifth of a second of where it may. The first
    /// are short, as they are heard more than once: with them one finds how to hear the others.
    [[nodiscard]] std::size_t endAfter(std::size_t from)
    {
        constexpr std::size_t kFirst = 3;
        constexpr std::size_t kShortest = 8 * 100; // frames
        constexpr std::size_t kLongestFirst = 10 * 100;
        constexpr std::size_t kLongest = 16 * 100;
        const std::size_t longest = ends_.size() <= kFirst ? kLongestFirst : kLongest;
        constexpr std::size_t kAround = 20;
        if (prepared_.count() / kFrame <= from / kFrame + longest) {
            return prepared_.count();
        }
        const auto may = prepared_.until(from + longest * kFrame).subspan(from);
        const auto energy = meanSquares(may, kAlignRate_hz);
        std::size_t best = longest;
        double least = 1e300;
        for (std::size_t f = kShortest; f + kAround <= longest; ++f) {
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

/// How often a grade is said before its direction, and how often after it.
struct Order {
    int before = 0;
    int after = 0;

    explicit Order(std::span<const NotesWord> words)
    {
        constexpr std::array<std::string_view, 6> kGrades{"one", "two", "three", "four", "five", "six"};
        const auto isGrade = [&](const NotesWord& word) {
            return std::find(kGrades.begin(), kGrades.end(), word.text) != kGrades.end();
        };
        const auto isSide = [](const NotesWord& word) { return notes::isSide(word.text); };
        for (std::size_t i = 0; i + 1 < words.size(); ++i) {
            before += isGrade(words[i]) && isSide(words[i + 1]) ? 1 : 0;
            after += isSide(words[i]) && isGrade(words[i + 1]) ? 1 : 0;
        }
    }

    [[nodiscard]] bool isOnly(notes::Order order) const
    {
        return order == notes::Order::number_first ? before > 0 && after == 0 : after > 0 && before == 0;
    }
};

/// The order of many words; nothing where few tell.
std::optional<notes::Order> orderOf(std::span<const NotesWord> words)
{
    constexpr int kEnough = 6;
    constexpr double kClear = 2.0;
    const Order order(words);
    if (order.before + order.after < kEnough) {
        return {};
    }
    return order.before > kClear * order.after ? std::optional(notes::Order::number_first)
        : order.after > kClear * order.before  ? std::optional(notes::Order::direction_first)
                                               : std::nullopt;
}

/// A recording as it is heard, piece by piece.
class Listening {
public:
    Listening(Sound sound, const notes::Style& style, Progress progress)
        : pieces_(std::move(sound))
        , decoder_(style)
        , progress_(std::move(progress))
    {
    }

    [[nodiscard]] bool isDone() const { return !pieces_.has(heard_.size()); }
    /// Whether it is wished that it goes on.
    [[nodiscard]] bool goesOn() const { return goesOn(heard_.size()); }

    /// Hears the next piece. Once it tells how long the throat of the voice is, or on which side the crew
    /// says the grade, those before are heard anew with that, where it may change them.
    void hearNext()
    {
        constexpr std::size_t kEnoughWords = 8; // of notes: it is no talk
        const std::size_t piece = heard_.size();
        const auto samples = pieces_.samplesOf(piece);
        Hearing now = decoder_.hear(samples);
        if (!fitted_ && now.words.size() >= kEnoughWords) {
            fitted_ = true;
            if (auto fitting = decoder_.fitVoice(samples, now)) {
                now = std::move(*fitting);
                hearAnew([](const auto&) { return true; });
            }
        }
        heard_.push_back(pieces_.timed(piece, std::move(now.words)));
        if (const auto order = decoder_.order() ? std::nullopt : orderOf(words())) {
            decoder_.use(order, decoder_.warp());
            hearAnew([&](const auto& heard) { return !Order(heard).isOnly(*order); });
        }
    }

    [[nodiscard]] const std::vector<NotesWord>& newest() const { return heard_.back(); }
    /// With each stretch of talk as one.
    [[nodiscard]] std::vector<NotesWord> all() const { return withTalk(words(), decoder_.succession()); }

private:
    [[nodiscard]] std::vector<NotesWord> words() const
    {
        std::vector<NotesWord> words;
        for (const auto& heard : heard_) {
            words.insert(words.end(), heard.begin(), heard.end());
        }
        return words;
    }

    [[nodiscard]] bool goesOn(std::size_t piece) const
    {
        return !progress_ || progress_(pieces_.shareBefore(piece));
    }

    template <class May> void hearAnew(May mayChange)
    {
        for (std::size_t piece = 0; piece < heard_.size() && goesOn(piece); ++piece) {
            if (mayChange(heard_[piece])) {
                heard_[piece] = pieces_.timed(piece, decoder_.hear(pieces_.samplesOf(piece)).words);
            }
        }
    }

    Pieces pieces_;
    NotesDecoder decoder_;
    Progress progress_;
    bool fitted_ = false;
    std::vector<std::vector<NotesWord>> heard_; ///< of each piece so far
};

} // namespace

std::vector<captions::Cue> listen(
    Sound sound, const notes::Style& style, const Progress& progress, const OnCue& heard)
{
    if (sound.samples.empty()) {
        return {};
    }
    Listening listening(std::move(sound), style, progress);
    while (!listening.isDone()) {
        if (!listening.goesOn()) {
            return {};
        }
        listening.hearNext();
        if (heard && !listening.newest().empty()) {
            heard(cuesOf(listening.newest()).back());
        }
    }
    return cuesOf(listening.all());
}

} // namespace brumefall::media
