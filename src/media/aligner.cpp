#include "media/aligner.h"

#include "media/condense.h"
#include "media/piece_search.h"
#include "media/resample.h"
#include "media/second_look.h"
#include "media/word_sounds.h"
#include "take/readings.h"

#include <algorithm>
#include <chrono>
#include <memory>
#include <tuple>
#include <utility>

namespace brumefall::media {

namespace {

constexpr double kPiece_s = 25.0; ///< of what is said: enough for a whole piece

double saidIn(const Condensed& condensed)
{
    return static_cast<double>(condensed.samples.size()) / kAlignRate_hz - kAfterEnd_s;
}

} // namespace

struct LiveAligner::State {
    explicit State(std::vector<ExpectedNote> notes)
        : expected(std::move(notes))
        , search(std::make_unique<PieceSearch>(expected))
        , readings(expected)
    {
    }

    std::vector<ExpectedNote> expected;
    std::unique_ptr<PieceSearch> search;
    SecondLook second;
    take::Readings readings;
    Sound rest{{}, kAlignRate_hz}; ///< what was not searched yet
    std::size_t before = 0; ///< samples that were, before it
    std::size_t looked = 0; ///< samples of the rest at the last look
    std::size_t condensed_at = 0; ///< and when it was condensed last
    Condensing how;
    std::vector<std::int16_t> past; ///< the last minutes before the rest, where somebody else speaks, too
    WordSounds sounds;

    double said_s = 0.0; ///< in what was searched
    bool surely = false; ///< was some of it read
    double in_vain_s = 0.0; ///< of what was said in the rest, in which no seam was found

    /// Keeps what was found in the rest.
    void keep(std::vector<Stretch> stretches, const std::shared_ptr<const Condensed>& condensed)
    {
        const double before_s = static_cast<double>(before) / kAlignRate_hz;
        for (Stretch& stretch : stretches) {
            surely = surely || stretch.sure;
            Passage passage{std::move(stretch), condensed, before_s, {}};
            if (!passage.stretch.sure) {
                const take::Span& span = passage.stretch.span;
                passage.samples.assign(rest.samples.begin()
                        + static_cast<std::ptrdiff_t>(samplesUntil(*condensed, span.start_s)),
                    rest.samples.begin() + static_cast<std::ptrdiff_t>(samplesUntil(*condensed, span.end_s)));
            }
            second.add(std::move(passage));
        }
    }
    /// What will not change any more is told to the readings.
    void tellSettled(bool ended, const Progress& progress)
    {
        const Progress at_end = [&](double) { return !progress || progress(1.0); }; // it was searched once
        for (const Passage& passage : second.settled(*search, how, ended, at_end)) {
            const Condensed& condensed = *passage.condensed;
            for (const HeardWord& here : passage.stretch.words) {
                HeardWord word = here;
                word.span.start_s = passage.before_s + condensed.originalTime(word.span.start_s);
                word.span.end_s = passage.before_s + condensed.originalTime(word.span.end_s - 0.5 * kFrame_s)
                    + 0.5 * kFrame_s;
                sounds.add(here, condensed, word.span.start_s);
                readings.add(word);
            }
        }
    }
    [[nodiscard]] std::shared_ptr<const Condensed> condensedRest() const
    {
        return std::make_shared<const Condensed>(condense(rest, how));
    }
    /// Where somebody else speaks, too: tells the voices apart by all that was heard of late.
    void tellVoicesApart()
    {
        Condensing everybody = how;
        everybody.without.all_but = {};
        Sound lately{past, kAlignRate_hz};
        lately.samples.insert(lately.samples.end(), rest.samples.begin(), rest.samples.end());
        if (auto voice = LouderVoice::in(condense(lately, everybody).samples)) {
            how.without.all_but = std::move(voice);
        }
    }
    /// What is read in the rest, condensed, which is condensed anew where it has to be.
    PieceSearch::Result searched(
        std::shared_ptr<const Condensed>& condensed, bool more, const Progress& progress)
    {
        const double before_s = static_cast<double>(before) / kAlignRate_hz;
        auto found = search->search(*condensed, more, progress, before_s);
        while (found.without) {
            how.without = *found.without;
            condensed = condensedRest();
            found = search->search(*condensed, more, progress, before_s);
        }
        return found;
    }
    [[nodiscard]] ReadAsPlanned asPlanned(const Condensed& condensed, const PieceSearch::Result& found) const
    {
        std::vector<BegunNote> begun;
        for (const Stretch& stretch : found.stretches) {
            addBegun(begun, stretch, condensed, static_cast<double>(before) / kAlignRate_hz);
        }
        return readAsPlanned(expected, begun);
    }
    /// Where somebody else speaks, too, and the first piece was taken for notes that are read much later, all
    /// of a recording is heard astray: it is searched once more as a reading of all notes, as they are
    /// planned, and goes on so where more of them are found then.
    void searchFromFirst(
        std::shared_ptr<const Condensed>& condensed, PieceSearch::Result& found, const Progress& progress)
    {
        constexpr double kFirst_s = 10.0; // most recordings begin so long before the first note
        const ReadAsPlanned heard = asPlanned(*condensed, found);
        if (!how.without.all_but || !heard.isAstray() || expected.front().due_s) { // by its clock none is
            return;
        }
        auto other = std::make_unique<PieceSearch>(expected, how.without, kFirst_s);
        std::swap(search, other);
        const auto was = std::make_pair(condensed, how);
        auto from_first = searched(condensed, false, progress);
        if (asPlanned(*condensed, from_first).as_planned > heard.as_planned) {
            found = std::move(from_first);
            return;
        }
        std::swap(search, other);
        std::tie(condensed, how) = was;
    }
    /// How many samples of the rest a time of it, condensed, is.
    [[nodiscard]] std::size_t samplesUntil(const Condensed& condensed, double condensed_s) const
    {
        return std::min(rest.samples.size(),
            static_cast<std::size_t>(condensed.originalTime(condensed_s) * kAlignRate_hz));
    }
    /// The first samples of the rest were searched.
    void drop(std::size_t done)
    {
        constexpr auto kMostPast = static_cast<std::size_t>(LouderVoice::kEnough_s * kAlignRate_hz);
        if (how.without.all_but) {
            past.insert(
                past.end(), rest.samples.begin(), rest.samples.begin() + static_cast<std::ptrdiff_t>(done));
            past.erase(
                past.begin(), past.end() - static_cast<std::ptrdiff_t>(std::min(past.size(), kMostPast)));
        }
        rest.samples.erase(rest.samples.begin(), rest.samples.begin() + static_cast<std::ptrdiff_t>(done));
        before += done;
        looked = rest.samples.size();
        condensed_at = looked;
        in_vain_s = 0.0;
    }
};

LiveAligner::LiveAligner(std::vector<ExpectedNote> expected)
    : state_(std::make_unique<State>(std::move(expected)))
{
}

LiveAligner::~LiveAligner() = default;

void LiveAligner::hear(std::span<const std::int16_t> samples)
{
    constexpr std::size_t kLook = 2 * kAlignRate_hz;
    constexpr std::size_t kLeast = 6 * kAlignRate_hz;
    constexpr std::size_t kNew = kAlignRate_hz / 3;
    constexpr double kMore_s = 1.5; // that something else may be found in
    constexpr double kMoreShare = 0.25; // talk takes long, and is not heard again for every word of it
    constexpr double kCall_s = 2.5; // before a silence: less is hard to hear alone
    State& s = *state_;
    add(samples);
    const std::size_t waits = s.rest.samples.size();
    const std::size_t least_new = s.search->isInNoise() ? kLook : kNew; // a few words tell nothing in noise
    if (waits < s.condensed_at + least_new) { // what little is new is not worth it
        return;
    }
    s.condensed_at = waits;
    const bool due = waits >= kLeast && waits >= s.looked + kLook;
    auto condensed = s.condensedRest();
    const double said_s = saidIn(*condensed);
    const double more_s = said_s - s.in_vain_s;
    const bool ends = condensed->ends_silent && more_s >= kCall_s;
    if (due && said_s >= kPiece_s) {
        s.looked = waits;
        search(std::move(condensed), true, {});
    } else if ((due || ends) && more_s >= std::max(kMore_s, kMoreShare * s.in_vain_s)) {
        s.looked = waits;
        s.in_vain_s = said_s;
        goOnPlainly(condensed, true);
    }
}

bool LiveAligner::goOnPlainly(const std::shared_ptr<const Condensed>& condensed, bool more)
{
    State& s = *state_;
    const double before_s = static_cast<double>(s.before) / kAlignRate_hz;
    const auto found = s.search->goOnPlainly(*condensed, more, before_s);
    if (!found) {
        return false;
    }
    s.how.loud_dB = condensed->loud_dB;
    s.keep(std::move(found->stretches), condensed);
    s.said_s += found->until_s;
    const double heard_s = s.in_vain_s;
    s.drop(more ? s.samplesUntil(*condensed, found->until_s) : s.rest.samples.size());
    s.in_vain_s = std::max(0.0, heard_s - found->until_s);
    s.tellSettled(false, {});
    return true;
}

void LiveAligner::add(std::span<const std::int16_t> samples)
{
    state_->rest.samples.insert(state_->rest.samples.end(), samples.begin(), samples.end());
}

void LiveAligner::search(std::shared_ptr<const Condensed> condensed, bool more, const Progress& progress)
{
    State& s = *state_;
    if (more && s.how.without.all_but) { // at its end nobody waits for it
        s.tellVoicesApart();
        condensed = s.condensedRest();
    }
    auto found = s.searched(condensed, more, progress);
    if (!more && s.before == 0) {
        s.searchFromFirst(condensed, found, progress);
    }
    s.how.loud_dB = condensed->loud_dB;
    s.keep(std::move(found.stretches), condensed);
    s.said_s += found.until_s;
    const auto done = more && found.until_s <= 0.0 ? 0 : s.samplesUntil(*condensed, found.until_s);
    if (done > 0) {
        s.drop(done);
    }
    if (more) {
        s.tellSettled(false, progress);
    }
}

double LiveAligner::unsearched_s() const
{
    return static_cast<double>(state_->rest.samples.size()) / kAlignRate_hz;
}

std::vector<take::FoundNote> LiveAligner::finish(const Progress& progress)
{
    State& s = *state_;
    const double length_s = static_cast<double>(s.before + s.rest.samples.size()) / kAlignRate_hz;
    auto condensed = s.condensedRest();
    if (saidIn(*condensed) > kPiece_s || !goOnPlainly(condensed, false)) {
        search(std::move(condensed), false, progress);
    }
    s.tellSettled(true, progress);
    auto found = s.readings.finish(length_s, s.said_s, s.surely);
    take::weighByOwnWords(found, s.sounds.saidWords(found, s.expected),
        s.search->isInNoise() ? take::OwnWordsMay::only_clear : take::OwnWordsMay::accuse);
    take::giveToNeighbours(found, take::ownWords(s.expected));
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
