#include "media/dictation.h"

#include "captions/dictated.h"
#include "notes/text.h"

#include <algorithm>
#include <utility>

namespace brumefall::media {
namespace {

constexpr std::size_t kRoom = 120 * kFrame; ///< kept before a breath: the noise shows there
constexpr std::size_t kEnds = 70; ///< quiet frames that end it
constexpr std::size_t kLeast = 12; ///< loud frames: less is a click
constexpr std::size_t kFirstLook = kAlignRate_hz; ///< samples
constexpr std::size_t kEarlier = 6 * kAlignRate_hz;
constexpr std::size_t kLongest = 20 * kAlignRate_hz; ///< nobody says more in a breath

/// A breath is one cue, however haltingly it is said.
captions::Cue asOne(std::span<const captions::Cue> cues, double from_s)
{
    captions::Cue all{from_s, from_s, 1, {}, {}};
    for (const captions::Cue& cue : cues) {
        const std::size_t at = all.text.empty() ? 0 : all.text.size() + 1;
        all.text += (all.text.empty() ? "" : " ") + cue.text;
        for (const auto& time : cue.times) {
            all.times.push_back({at + time.byte, time.at_s, time.sure});
        }
        all.end_s = cue.end_s;
    }
    return all;
}

} // namespace

Dictation::Dictation(notes::Style style)
    : decoder_(std::move(style), std::string(captions::kScratch))
{
}

std::optional<captions::Cue> Dictation::hear(std::span<const std::int16_t> samples)
{
    std::optional<captions::Cue> ended;
    for (const std::int16_t sample : samples) {
        frame_.push_back(sample);
        filtered_.push_back(filter_.next(static_cast<float>(sample)));
        ++heard_;
        if (frame_.size() == kFrame) {
            if (auto breath = takeFrame()) {
                ended = std::move(breath);
            }
            frame_.clear();
            filtered_.clear();
        }
    }
    return ended;
}

std::optional<captions::Cue> Dictation::takeFrame()
{
    const bool loud = level_.isLoud(filtered_);
    quiet_ = loud ? 0 : quiet_ + 1;
    if (breath_.empty() && !loud) {
        room_.insert(room_.end(), frame_.begin(), frame_.end());
        if (room_.size() > kRoom) {
            room_.erase(room_.begin(), room_.begin() + kFrame);
        }
        return {};
    }
    if (breath_.empty()) {
        breath_ = std::exchange(room_, {});
        from_ = heard_ - kFrame - breath_.size();
    }
    breath_.insert(breath_.end(), frame_.begin(), frame_.end());
    loud_ += loud ? 1 : 0;
    if (quiet_ >= kEnds || breath_.size() >= kLongest) {
        return endBreath();
    }
    if (breath_.size() >= next_look_ + kFirstLook) {
        next_look_ = 3 * breath_.size() / 2;
        so_far_ = heardIn(false).text;
    }
    return {};
}

std::optional<captions::Cue> Dictation::finish()
{
    return breath_.empty() ? std::nullopt : endBreath();
}

bool Dictation::isScratch(std::span<const std::int16_t> samples, std::span<const NotesWord> before,
    std::span<const NotesWord> now) const
{
    constexpr std::size_t kFew = 4;
    constexpr double kLongest_s = 1.3;
    // In natural logarithms. Of eight synthetic voices in a little noise it was 34 worse at most in those
    // that are heard well, and other two words ("flat left") were 42 worse at least; for a single word
    // ("left"), which explains less of it, no worse will do.
    constexpr double kHardlyWorse = 35.0;
    const auto scratch = notes::splitWords(captions::kScratch);
    if (now.empty() || now.size() > kFew || now.back().end_s - now.front().start_s > kLongest_s) {
        return false;
    }
    if (std::any_of(now.begin(), now.end(),
            [&](const NotesWord& word) { return word.text == scratch.front(); })) { // no note has that word
        return true;
    }
    const double worse = now.size() == 1 ? 0.0 : kHardlyWorse;
    std::vector<std::string> as_heard;
    for (const NotesWord& word : before) {
        as_heard.push_back(word.text);
    }
    auto scratched = as_heard;
    scratched.insert(scratched.end(), scratch.begin(), scratch.end());
    for (const NotesWord& word : now) {
        as_heard.push_back(word.text);
    }
    const auto likelihood = decoder_.likelihoodOf(samples, scratched);
    const auto other = decoder_.likelihoodOf(samples, as_heard);
    return likelihood && other && *likelihood > *other - worse;
}

captions::Cue Dictation::heardIn(bool whole) const
{
    // with what was said before it: the recogniser takes the mean of all that it is given from it, and of a
    // few words alone that is no measure of the voice
    Sound sound{earlier_, kAlignRate_hz};
    sound.samples.insert(sound.samples.end(), breath_.begin(), breath_.end());
    auto condensed = condense(sound, {.hiss = 0.0});
    Prepared prepared(std::move(condensed.samples));
    const auto samples = prepared.until(prepared.count());
    auto words = decoder_.hear(samples).words;
    const double earlier_s = static_cast<double>(earlier_.size()) / kAlignRate_hz;
    const double from_s = static_cast<double>(from_) / kAlignRate_hz;
    for (NotesWord& word : words) {
        word.start_s = condensed.originalTime(word.start_s) - earlier_s + from_s;
        word.end_s = condensed.originalTime(word.end_s) - earlier_s + from_s;
    }
    const auto now =
        std::find_if(words.begin(), words.end(), [&](const NotesWord& word) { return word.end_s > from_s; });
    if (whole && isScratch(samples, {words.begin(), now}, {now, words.end()})) {
        return {now->start_s, words.back().end_s, 1, std::string(captions::kScratch), {{0, now->start_s}}};
    }
    // what the voice's words fit like is known from those before it
    words = withTalk(words, decoder_.succession());
    words.erase(words.begin(),
        std::find_if(words.begin(), words.end(), [&](const NotesWord& word) { return word.end_s > from_s; }));
    constexpr double kHardly = 0.5; // what was mixed with talk is to be said again
    if (std::erase_if(words, [](const NotesWord& word) { return word.isTalk(); }) > 0) {
        for (NotesWord& word : words) {
            word.sure = std::min(word.sure, kHardly);
        }
    }
    return asOne(cuesOf(words), from_s);
}

std::optional<captions::Cue> Dictation::endBreath()
{
    std::optional<captions::Cue> cue;
    if (loud_ >= kLeast) {
        cue = heardIn(true);
        earlier_.insert(earlier_.end(), breath_.begin(), breath_.end());
        const std::size_t kept = std::min(earlier_.size(), kEarlier);
        earlier_.erase(earlier_.begin(), earlier_.end() - static_cast<std::ptrdiff_t>(kept));
    }
    breath_.clear();
    so_far_.clear();
    loud_ = 0;
    next_look_ = 0;
    return cue;
}

} // namespace brumefall::media
