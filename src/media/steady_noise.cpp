#include "media/steady_noise.h"

#include "maths/quantile.h"
#include "media/loudness.h"

#include <speex/speex_preprocess.h>

#include <algorithm>
#include <cmath>
#include <iterator>
#include <span>

namespace brumefall::media {
namespace {

/// What goes on under the voice: the level that a fifth of the hundredths of a second lie below, against full
/// scale.
double floorOf(std::span<const std::int16_t> samples, int rate_hz)
{
    constexpr double kNone_dB = -120.0;
    constexpr double kQuiet = 0.2;
    auto levels = meanSquares(samples, rate_hz);
    if (levels.empty()) {
        return kNone_dB;
    }
    constexpr double kFullScale = 32768.0;
    return 10.0 * std::log10(maths::quantile(std::span(levels), kQuiet) / (kFullScale * kFullScale) + 1e-12);
}

} // namespace

void SteadyNoise::Destroyer::operator()(SpeexPreprocessState_* state) const
{
    speex_preprocess_state_destroy(state);
}

SteadyNoise::SteadyNoise(std::vector<std::int16_t>& samples, int rate_hz, double least_dB)
    : samples_(samples)
    , frame_(static_cast<std::size_t>(rate_hz) / 100)
{
    if (floorOf(samples, rate_hz) < least_dB) {
        return;
    }
    state_.reset(speex_preprocess_state_init(static_cast<int>(frame_.size()), rate_hz));
    int less_dB = -12;
    speex_preprocess_ctl(state_.get(), SPEEX_PREPROCESS_SET_NOISE_SUPPRESS, &less_dB);
}

SteadyNoise::~SteadyNoise() = default;

void SteadyNoise::reduceUntil(std::size_t end)
{
    // each frame comes out when the next one is given
    while (state_ && done_ < std::min(end, samples_.size())) {
        const auto rest = std::span(samples_).subspan(std::min(given_, samples_.size()));
        std::fill(std::copy_n(rest.begin(), std::min(rest.size(), frame_.size()), frame_.begin()),
            frame_.end(), std::int16_t{0});
        speex_preprocess_run(state_.get(), frame_.data());
        if (given_ > 0) {
            std::copy_n(frame_.begin(), std::min(frame_.size(), samples_.size() - done_),
                samples_.begin() + static_cast<std::ptrdiff_t>(done_));
            done_ += frame_.size();
        }
        given_ += frame_.size();
    }
}

bool hasSteadyNoise(std::span<const float> loudness_dB)
{
    constexpr std::size_t kStretch = 100; // frames
    constexpr double kLow = 0.05;
    constexpr double kHalf = 0.5;
    constexpr std::size_t kQuiet = 10; // one in so many stretches: nobody speaks in it
    constexpr float kSteady_dB = 1.4F; // stones under the car: twice as much
    constexpr double kLoud = 0.95;
    constexpr float kBelow_dB = 25.0F; // the voice: less does no harm
    struct Stretch {
        float spread_dB, level_dB;
    };
    std::vector<Stretch> stretches;
    for (std::size_t f = 0; f + kStretch <= loudness_dB.size(); f += kStretch / 2) {
        const auto stretch = loudness_dB.subspan(f, kStretch);
        std::vector<float> frames(stretch.begin(), stretch.end());
        const float half_dB = maths::quantile(std::span(frames), kHalf);
        stretches.push_back({half_dB - maths::quantile(std::span(frames), kLow), half_dB});
    }
    if (stretches.empty()) {
        return false;
    }
    const auto quiet = stretches.begin() + static_cast<std::ptrdiff_t>((stretches.size() - 1) / kQuiet);
    std::nth_element(stretches.begin(), quiet, stretches.end(),
        [](const Stretch& a, const Stretch& b) { return a.spread_dB < b.spread_dB; });
    std::vector<float> levels;
    std::transform(stretches.begin(), quiet + 1, std::back_inserter(levels),
        [](const Stretch& stretch) { return stretch.level_dB; });
    std::vector<float> all(loudness_dB.begin(), loudness_dB.end());
    return quiet->spread_dB < kSteady_dB
        && maths::quantile(std::span(levels), kHalf) > maths::quantile(std::span(all), kLoud) - kBelow_dB;
}

} // namespace brumefall::media
