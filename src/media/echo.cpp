#include "media/echo.h"

#include "media/condense.h"
#include "media/lay.h"
#include "media/loudness.h"

#include <speex/speex_echo.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>
#include <utility>
#include <vector>

namespace brumefall::media {
namespace {

constexpr int kFrame = kAlignRate_hz / 50;
constexpr double kEarly_s = 0.02; ///< the filter begins before where the two were laid
constexpr double kRoom_s = 0.25; ///< how long a room still sounds

/// Time in `played` = time in `recorded` + this; nothing where it is not heard about there.
std::optional<double> heardAt(const Sound& recorded, const Sound& played, double offset_s)
{
    constexpr double kLook_s = 60.0;
    constexpr double kFar_s = 0.5;
    // what both have, and of that the middle: nobody knows how it begins
    const double first_s = std::max(0.0, -offset_s);
    const double last_s = std::min(recorded.duration_s(), played.duration_s() - offset_s);
    const double from_s = std::max(first_s, 0.5 * (first_s + last_s - kLook_s));
    const Sound some = spanOf(recorded, from_s, std::min(last_s, from_s + kLook_s));
    const double played_from_s = std::max(0.0, from_s + offset_s - kFar_s);
    const Sound there = spanOf(played, played_from_s, from_s + offset_s + some.duration_s() + kFar_s);
    const auto laid = laySound(some, there);
    if (!laid) {
        return {};
    }
    const double found_s = laid->offset_s + played_from_s - from_s;
    return std::abs(found_s - offset_s) <= kFar_s ? std::optional(found_s) : std::nullopt;
}

/// Mean square of the hundredth of a second in the middle of all, by loudness: between calls, mostly.
double middleEnergy(const std::vector<std::int16_t>& samples)
{
    auto energies = meanSquares(samples, kAlignRate_hz);
    if (energies.empty()) {
        return 0.0;
    }
    const auto middle = energies.begin() + static_cast<std::ptrdiff_t>(energies.size() / 2);
    std::nth_element(energies.begin(), middle, energies.end());
    return *middle;
}

/// An adaptive filter over two streams.
class Filter {
public:
    Filter()
        : state_(speex_echo_state_init(kFrame, static_cast<int>((kEarly_s + kRoom_s) * kAlignRate_hz)))
    {
        int rate_hz = kAlignRate_hz;
        speex_echo_ctl(state_, SPEEX_ECHO_SET_SAMPLING_RATE, &rate_hz);
    }
    Filter(const Filter&) = delete;
    Filter& operator=(const Filter&) = delete;
    ~Filter() { speex_echo_state_destroy(state_); }

    /// All of `recorded` up to `end`, where its sample i hears sample i + `ahead` of `played`.
    std::vector<std::int16_t> over(
        const Sound& recorded, std::size_t end, const Sound& played, long long ahead)
    {
        std::vector<std::int16_t> out;
        out.reserve(end + kFrame);
        std::array<std::int16_t, kFrame> here{};
        std::array<std::int16_t, kFrame> there{};
        for (std::size_t at = 0; at < end; at += kFrame) {
            for (std::size_t i = 0; i < kFrame; ++i) {
                here[i] = at + i < end ? recorded.samples[at + i] : std::int16_t{0};
                const auto k = static_cast<long long>(at + i) + ahead;
                const bool plays = k >= 0 && k < static_cast<long long>(played.samples.size());
                there[i] = plays ? played.samples[static_cast<std::size_t>(k)] : std::int16_t{0};
            }
            out.resize(at + kFrame);
            speex_echo_cancellation(state_, here.data(), there.data(), out.data() + at);
        }
        out.resize(end);
        return out;
    }

private:
    SpeexEchoState* state_;
};

} // namespace

std::optional<Sound> withoutPlayed(const Sound& recorded, const Sound& played, double offset_s)
{
    constexpr std::size_t kLearn = 20 * kAlignRate_hz; // heard twice: a filter knows nothing at first
    const auto heard_s = heardAt(recorded, played, offset_s);
    if (!heard_s) {
        return {};
    }
    const auto ahead = std::llround((*heard_s + kEarly_s) * kAlignRate_hz);
    Filter filter;
    static_cast<void>(filter.over(recorded, std::min(kLearn, recorded.samples.size()), played, ahead));
    Sound alone{filter.over(recorded, recorded.samples.size(), played, ahead), kAlignRate_hz};
    // two who say the same at once lie well beside each other, and none of one is in the other
    constexpr double kTakenOut = 0.7;
    const bool was_in_it = middleEnergy(alone.samples) < kTakenOut * middleEnergy(recorded.samples);
    return was_in_it ? std::optional(std::move(alone)) : std::nullopt;
}

} // namespace brumefall::media
