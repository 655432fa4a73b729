#include "media/echo.h"

#include "maths/quantile.h"
#include "media/condense.h"
#include "media/lay.h"
#include "media/loudness.h"
#include "take/take.h"

#include <speex/speex_echo.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>
#include <utility>
#include <vector>

namespace brumefall::media {
namespace {

constexpr std::size_t kEchoFrame = kAlignRate_hz / 50;
constexpr double kEarly_s = 0.02; ///< the filter begins before where the two were laid
constexpr double kRoom_s = 0.25; ///< how long a room still sounds

/// The minute in the middle of what both have: nobody knows how it begins. Its first and last moment in the
/// recording.
take::Span middleOfBoth(const Sound& recorded, const Sound& played, double offset_s)
{
    constexpr double kLook_s = 60.0;
    const double first_s = std::max(0.0, -offset_s);
    const double last_s = std::min(recorded.duration_s(), played.duration_s() - offset_s);
    const double from_s = std::max(first_s, 0.5 * (first_s + last_s - kLook_s));
    return {from_s, std::min(last_s, from_s + kLook_s)};
}

/// Time in `played` = time in `recorded` + this; nothing where it is not heard about there.
std::optional<double> heardAt(
    const Sound& recorded, const take::Span& there, const Sound& played, double offset_s)
{
    constexpr double kFar_s = 0.5;
    const Sound some = spanOf(recorded, there.start_s, there.end_s);
    const double played_from_s = std::max(0.0, there.start_s + offset_s - kFar_s);
    const auto laid =
        laySound(some, spanOf(played, played_from_s, there.start_s + offset_s + some.duration_s() + kFar_s));
    if (!laid) {
        return {};
    }
    const double found_s = laid->offset_s + played_from_s - there.start_s;
    return std::abs(found_s - offset_s) <= kFar_s ? std::optional(found_s) : std::nullopt;
}

/// Mean square of the hundredth of a second in the middle of all, by loudness: between calls, mostly.
double middleEnergy(const std::vector<std::int16_t>& samples)
{
    const auto energies = meanSquares(samples, kAlignRate_hz);
    return energies.empty() ? 0.0 : maths::median(energies);
}

/// Heard twice: a filter knows nothing at first.
Sound withoutPlayedAt(const Sound& recorded, const std::shared_ptr<const Sound>& played, double at_s)
{
    WithoutPlayed filter(played, at_s);
    filter.learn(recorded);
    Sound out{filter.next(recorded.samples), kAlignRate_hz};
    const auto rest = filter.rest();
    out.samples.insert(out.samples.end(), rest.begin(), rest.end());
    return out;
}

} // namespace

void WithoutPlayed::Freer::operator()(SpeexEchoState_* state) const
{
    speex_echo_state_destroy(state);
}

WithoutPlayed::WithoutPlayed(std::shared_ptr<const Sound> played, double at_s)
    : played_(std::move(played))
    , ahead_(std::llround((at_s + kEarly_s) * kAlignRate_hz))
    , state_(speex_echo_state_init(kEchoFrame, static_cast<int>((kEarly_s + kRoom_s) * kAlignRate_hz)))
{
    int rate_hz = kAlignRate_hz;
    speex_echo_ctl(state_.get(), SPEEX_ECHO_SET_SAMPLING_RATE, &rate_hz);
}

void WithoutPlayed::learn(const Sound& recorded)
{
    constexpr std::size_t kLearn = 20 * kAlignRate_hz;
    static_cast<void>(next(std::span(recorded.samples).first(std::min(kLearn, recorded.samples.size()))));
    goOnAt(0);
}

void WithoutPlayed::goOnAt(std::size_t sample)
{
    waiting_.clear();
    at_ = sample;
}

std::vector<std::int16_t> WithoutPlayed::next(std::span<const std::int16_t> samples)
{
    waiting_.insert(waiting_.end(), samples.begin(), samples.end());
    const auto& played = played_->samples;
    std::vector<std::int16_t> out(waiting_.size() / kEchoFrame * kEchoFrame);
    std::array<std::int16_t, kEchoFrame> there{};
    for (std::size_t done = 0; done < out.size(); done += kEchoFrame) {
        for (std::size_t i = 0; i < kEchoFrame; ++i) {
            const auto k = static_cast<long long>(at_ + i) + ahead_;
            const bool plays = k >= 0 && k < static_cast<long long>(played.size());
            there[i] = plays ? played[static_cast<std::size_t>(k)] : std::int16_t{0};
        }
        speex_echo_cancellation(state_.get(), waiting_.data() + done, there.data(), out.data() + done);
        at_ += kEchoFrame;
    }
    waiting_.erase(waiting_.begin(), waiting_.begin() + static_cast<std::ptrdiff_t>(out.size()));
    return out;
}

std::vector<std::int16_t> WithoutPlayed::rest()
{
    const std::size_t count = waiting_.size();
    auto last = next(std::vector<std::int16_t>(kEchoFrame - count));
    last.resize(count);
    return last;
}

std::optional<double> playedIn(
    const Sound& recorded, const std::shared_ptr<const Sound>& played, double offset_s)
{
    const auto there = middleOfBoth(recorded, *played, offset_s);
    const auto at_s = heardAt(recorded, there, *played, offset_s);
    if (!at_s) {
        return {};
    }
    // two who say the same at once lie well beside each other, and none of one is in the other
    constexpr double kTakenOut = 0.7;
    const Sound some = spanOf(recorded, there.start_s, there.end_s);
    const auto alone = withoutPlayedAt(some, played, there.start_s + *at_s);
    return middleEnergy(alone.samples) < kTakenOut * middleEnergy(some.samples) ? at_s : std::nullopt;
}

std::optional<Sound> withoutPlayed(
    const Sound& recorded, const std::shared_ptr<const Sound>& played, double offset_s)
{
    const auto at_s = playedIn(recorded, played, offset_s);
    return at_s ? std::optional(withoutPlayedAt(recorded, played, *at_s)) : std::nullopt;
}

} // namespace brumefall::media
