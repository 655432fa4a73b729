#include "media/follower.h"

extern "C" {
#include <pocketsphinx.h>
}

#include <algorithm>
#include <array>
#include <cmath>

namespace brumefall::media {
namespace {

constexpr std::size_t kKeep = 40; ///< quiet frames fed around what is loud
constexpr std::size_t kStep = 12 * kFrame; ///< samples decoded at a time
constexpr double kLongestUtterance_s = 16.0;
constexpr std::array kWarmUp_s{1.6, 4.0}; ///< of the first voice
constexpr std::size_t kBack = 4;
constexpr std::size_t kAhead = 24;

} // namespace

Follower::Follower(std::vector<ExpectedNote> expected, std::optional<std::size_t> due)
    : expected_(std::move(expected))
    , decoder_(makeDecoder(Means::so_far))
    , grammar_(decoder_.get(), expected_)
    , next_(due.value_or(0))
    , found_place_(due.has_value())
{
    beginUtterance(0);
}

Follower::~Follower() = default;

void Follower::hear(std::span<const std::int16_t> samples)
{
    for (const std::int16_t sample : samples) {
        rest_.push_back(filter_.next(static_cast<float>(sample)));
        ++heard_;
        if (rest_.size() == kFrame) {
            takeFrame(rest_);
            rest_.clear();
        }
    }
}

void Follower::finish()
{
    decodeFed();
    look(true);
}

/// Silence is not decoded but for what lies around a word: a stage is mostly silence.
void Follower::takeFrame(std::span<const float> frame)
{
    const bool loud = level_.isLoud(frame);
    quiet_ = loud ? 0 : quiet_ + 1;
    const std::size_t original = heard_ - kFrame;
    if (quiet_ > kKeep) {
        before_.emplace_back(frame.begin(), frame.end());
        if (before_.size() > kKeep) {
            before_.pop_front();
        }
        return;
    }
    std::size_t at = original - before_.size() * kFrame;
    for (const auto& earlier : before_) {
        feed(earlier, at);
        at += kFrame;
    }
    before_.clear();
    feed(frame, original);
    if (fed_.size() - decoded_ >= kStep || quiet_ == kKeep) {
        decodeFed();
        look(false);
    }
}

void Follower::feed(std::span<const float> frame, std::size_t original)
{
    const bool goes_on =
        !pieces_.empty() && original - pieces_.back().original == fed_.size() - pieces_.back().first;
    if (!goes_on) {
        pieces_.push_back({fed_.size(), original});
    }
    for (const float sample : frame) {
        fed_.push_back(level_.brought(sample));
    }
}

void Follower::decodeFed()
{
    if (decoded_ < fed_.size()) {
        ps_process_raw(decoder_.get(), fed_.data() + decoded_, fed_.size() - decoded_, FALSE, FALSE);
        decoded_ = fed_.size();
    }
}

double Follower::originalTime(double fed_s) const
{
    return media::originalTime(pieces_, fed_s);
}

bool Follower::isToldAlready(std::size_t note, double end_s) const
{
    constexpr double kSame_s = 0.5;
    return std::any_of(told_.rbegin(), told_.rend(), [&](const FollowedNote& told) {
        return told.note == note && std::abs(told.span.end_s - end_s) < kSame_s;
    });
}

bool Follower::showsPlace(const std::vector<FollowedNote>& whole) const
{
    if (whole.size() == 1) {
        return whole.front().note == 0; // a take from the start line
    }
    return whole.size() > 1 && whole.back().note == whole[whole.size() - 2].note + 1;
}

/// A note is told when it was heard whole at two looks, or once where nothing follows it for a moment.
void Follower::look(bool at_end)
{
    const double fed_s = static_cast<double>(fed_.size()) / kAlignRate_hz;
    const Heard heard = heardBy(decoder_.get(), 0.0);
    std::vector<FollowedNote> whole;
    for (std::size_t i = 0; i < heard.words.size(); ++i) {
        const WordPlace& place = heard.words[i].place;
        const std::size_t own = grammar_.ownWords(place.note).size();
        if (place.after || place.word + 1 != own) {
            continue;
        }
        std::size_t first = i; // the joining word may have been left out
        while (first > 0 && heard.words[first - 1].place.note == place.note
            && !heard.words[first - 1].place.after
            && heard.words[first - 1].place.word + 1 == heard.words[first].place.word) {
            --first;
        }
        constexpr double kSettled_s = 0.12;
        const double end_s = heard.words[i].span.end_s;
        if (heard.words[first].place.word <= 1 && (at_end || end_s < fed_s - kSettled_s)) {
            whole.push_back({place.note,
                {originalTime(heard.words[first].span.start_s), originalTime(end_s - 0.5 * kFrame_s)},
                heard_s()});
        }
    }
    if (!found_place_ && !at_end && !showsPlace(whole)) {
        whole.clear();
    }
    for (const FollowedNote& note : whole) {
        const bool seen = std::any_of(maybe_.begin(), maybe_.end(), [&](const FollowedNote& before) {
            return before.note == note.note && std::abs(before.span.end_s - note.span.end_s) < 0.1;
        });
        if ((seen || at_end) && !isToldAlready(note.note, note.span.end_s)) {
            told_.push_back(note);
            next_ = note.note;
            found_place_ = true;
            last_sense_s_ = heard_s();
        }
    }
    maybe_ = std::move(whole);
    watchForLoss(heard);
    if (warm_up_ < kWarmUp_s.size() && fed_s > kWarmUp_s[warm_up_] && !at_end) {
        ++warm_up_; // what was heard first is heard again, now that the voice's mean is known
        beginUtterance(0);
        return;
    }
    if (fed_s > kLongestUtterance_s && !at_end) {
        // the last note that was told is the first of the next utterance
        double from_s = fed_s - 4.0;
        for (const HeardWord& word : heard.words) {
            if (!told_.empty() && word.place.note == told_.back().note && !word.place.after
                && word.place.word == 0) {
                from_s = word.span.start_s - 0.06;
            }
        }
        beginUtterance(
            static_cast<std::size_t>(std::max(0.0, std::max(from_s, fed_s - 10.0)) * kAlignRate_hz));
    }
}

void Follower::watchForLoss(const Heard& heard)
{
    constexpr double kLost_s = 4.0;
    if (quiet_ >= kKeep || heard.talk_s < 1.0) {
        last_sense_s_ = heard_s();
    } else if (heard_s() - last_sense_s_ > kLost_s) {
        if (!lost_.empty() && heard_s() - lost_.back().end_s < kLost_s) {
            lost_.back().end_s = heard_s();
        } else {
            lost_.push_back({last_sense_s_, heard_s()});
        }
    }
}

/// What was fed from `from_sample` on is decoded anew, in the window around the reader.
void Follower::beginUtterance(std::size_t from_sample)
{
    if (!fed_.empty()) {
        ps_end_utt(decoder_.get());
    }
    std::vector<Condensed::Piece> kept;
    for (std::size_t p = 0; p < pieces_.size(); ++p) {
        const std::size_t end = p + 1 < pieces_.size() ? pieces_[p + 1].first : fed_.size();
        if (end <= from_sample) {
            continue;
        }
        const std::size_t cut = std::max(from_sample, pieces_[p].first);
        kept.push_back({cut - from_sample, pieces_[p].original + (cut - pieces_[p].first)});
    }
    pieces_ = std::move(kept);
    fed_.erase(fed_.begin(), fed_.begin() + static_cast<std::ptrdiff_t>(std::min(from_sample, fed_.size())));
    decoded_ = 0;
    maybe_.clear();
    grammar_.use({next_ > kBack ? next_ - kBack : 0,
        std::min(expected_.size(), found_place_ ? next_ + kAhead : expected_.size()), next_, !found_place_});
    ps_start_stream(decoder_.get()); // frames count from this utterance's first
    ps_start_utt(decoder_.get());
    decodeFed();
}

} // namespace brumefall::media
