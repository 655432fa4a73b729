#include "media/aligner.h"

#include "media/condense.h"
#include "media/piece_search.h"
#include "media/resample.h"
#include "media/word_sounds.h"
#include "take/readings.h"

#include <algorithm>
#include <chrono>
#include <memory>
#include <utility>

namespace brumefall::media {

struct LiveAligner::State {
    explicit State(std::vector<ExpectedNote> notes)
        : expected(std::move(notes))
        , search(expected)
        , readings(expected)
    {
    }

    std::vector<ExpectedNote> expected;
    PieceSearch search;
    take::Readings readings;
    Sound rest{{}, kAlignRate_hz}; ///< what was not searched yet
    std::size_t before = 0; ///< samples that were, before it
    std::size_t looked = 0; ///< samples of the rest at the last look
    Condensing how;
    WordSounds sounds;

    /// What will be found in the rest if the take ends soon, so that little is left to search then; the
    /// search itself, which hears more at once, finds it anew.
    struct LookedAhead {
        struct Piece {
            Condensed condensed;
            std::vector<HeardWord> words;
            double before_s; ///< of the recording
        };
        PieceSearch::Position position; ///< of the reader, at its end
        std::vector<Piece> pieces{};
        std::size_t until = 0; ///< samples of the rest
        std::size_t looked = 0; ///< samples of the rest at the last look
        double in_vain_s = 0.0; ///< of what was said, in which no seam was found
    };
    LookedAhead ahead{search.position()};

    /// Keeps words of a stretch that `before_s` of the recording lie before.
    void keep(const std::vector<HeardWord>& words, const Condensed& condensed, double before_s)
    {
        for (const HeardWord& here : words) {
            HeardWord word = here;
            word.span.start_s = before_s + condensed.originalTime(word.span.start_s);
            word.span.end_s =
                before_s + condensed.originalTime(word.span.end_s - 0.5 * kFrame_s) + 0.5 * kFrame_s;
            sounds.add(here, condensed, word.span.start_s);
            readings.add(word);
        }
    }
    /// The first samples of the rest were searched.
    void drop(std::size_t done)
    {
        rest.samples.erase(rest.samples.begin(), rest.samples.begin() + static_cast<std::ptrdiff_t>(done));
        before += done;
        ahead = {search.position()};
    }
};

LiveAligner::LiveAligner(std::vector<ExpectedNote> expected)
    : state_(std::make_unique<State>(std::move(expected)))
{
}

LiveAligner::~LiveAligner() = default;

void LiveAligner::hear(std::span<const std::int16_t> samples)
{
    constexpr std::size_t kLook = 6 * kAlignRate_hz;
    constexpr std::size_t kLeast = 30 * kAlignRate_hz;
    constexpr std::size_t kLookAhead = 4 * kAlignRate_hz;
    constexpr std::size_t kLeastAhead = 8 * kAlignRate_hz;
    State& s = *state_;
    add(samples);
    const std::size_t waits = s.rest.samples.size();
    if (waits >= kLeast && waits >= s.looked + kLook) {
        search(true, {});
        s.looked = s.rest.samples.size();
    } else if (waits >= s.ahead.until + kLeastAhead && waits >= s.ahead.looked + kLookAhead) {
        lookAhead();
        s.ahead.looked = waits;
    }
}

void LiveAligner::lookAhead()
{
    State& s = *state_;
    const double before_s = static_cast<double>(s.before + s.ahead.until) / kAlignRate_hz;
    const Sound piece{
        {s.rest.samples.begin() + static_cast<std::ptrdiff_t>(s.ahead.until), s.rest.samples.end()},
        kAlignRate_hz};
    constexpr double kMore_s = 1.5; // that something else may be found in
    constexpr double kMoreShare = 0.25; // talk takes long, and is not heard again for every word of it
    Condensed condensed = condense(piece, s.how);
    const double said_s = static_cast<double>(condensed.samples.size()) / kAlignRate_hz;
    if (said_s < s.ahead.in_vain_s + std::max(kMore_s, kMoreShare * s.ahead.in_vain_s)) {
        return;
    }
    auto found = s.search.lookAhead(condensed, before_s, s.ahead.position);
    s.ahead.in_vain_s = found ? 0.0 : said_s;
    if (found) {
        s.ahead.until = std::min(s.rest.samples.size(),
            s.ahead.until + static_cast<std::size_t>(condensed.originalTime(found->until_s) * kAlignRate_hz));
        s.ahead.position = found->position;
        s.ahead.pieces.push_back({std::move(condensed), std::move(found->words), before_s});
    }
}

void LiveAligner::add(std::span<const std::int16_t> samples)
{
    state_->rest.samples.insert(state_->rest.samples.end(), samples.begin(), samples.end());
}

void LiveAligner::search(bool more, const Progress& progress)
{
    State& s = *state_;
    const double before_s = static_cast<double>(s.before) / kAlignRate_hz;
    Condensed condensed = condense(s.rest, s.how);
    auto found = s.search.search(condensed, more, progress, before_s);
    while (found.otherwise) {
        s.how.softer_dB = found.otherwise->softer_dB ? found.otherwise->softer_dB : s.how.softer_dB;
        s.how.hiss = found.otherwise->hiss.value_or(s.how.hiss);
        s.ahead = {s.search.position()}; // all of it sounds otherwise now
        condensed = condense(s.rest, s.how);
        found = s.search.search(condensed, more, progress, before_s);
    }
    s.how.loud_dB = condensed.loud_dB;
    s.keep(found.words, condensed, before_s);
    const auto done = more && found.until_s <= 0.0
        ? 0
        : std::min(s.rest.samples.size(),
            static_cast<std::size_t>(condensed.originalTime(found.until_s) * kAlignRate_hz));
    if (done > 0) {
        s.drop(done);
    }
}

double LiveAligner::unsearched_s() const
{
    return static_cast<double>(state_->rest.samples.size() - state_->ahead.until) / kAlignRate_hz;
}

std::vector<take::FoundNote> LiveAligner::finish(const Progress& progress)
{
    State& s = *state_;
    const double length_s = static_cast<double>(s.before + s.rest.samples.size()) / kAlignRate_hz;
    for (const auto& piece : s.ahead.pieces) {
        s.keep(piece.words, piece.condensed, piece.before_s);
    }
    if (!s.ahead.pieces.empty()) {
        s.search.goOnAt(s.ahead.position);
        s.drop(s.ahead.until);
    }
    search(false, progress);
    auto found = s.readings.finish(length_s);
    take::weighByOwnWords(found, s.sounds.saidWords(found, s.expected));
    return found;
}

Alignment align(const Sound& sound, const std::vector<ExpectedNote>& expected, const Progress& progress)
{
    const auto began = std::chrono::steady_clock::now();
    Alignment out;
    if (expected.empty()) {
        return out;
    }
    LiveAligner aligner(expected);
    aligner.add(resampled(sound, kAlignRate_hz).samples);
    out.notes = aligner.finish(progress);
    const std::chrono::duration<double> took = std::chrono::steady_clock::now() - began;
    out.real_time_factor = sound.samples.empty() ? 0.0 : took.count() / sound.duration_s();
    return out;
}

} // namespace brumefall::media
