#include "media/passing_noise.h"

#include "media/condense.h"
#include "media/fourier.h"
#include "media/loudness.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>
#include <numbers>
#include <numeric>
#include <utility>

namespace brumefall::media {
namespace {

constexpr std::size_t kSize = 256; ///< of a window, in samples: as short as the noises
constexpr std::size_t kHop = kSize / 4;
constexpr std::size_t kBands = kSize / 2 + 1;
constexpr std::size_t kFirstBand = 4; ///< below it is what the car does all the time
constexpr std::size_t kLastVoiceBand = 64; ///< half of all: above it a voice hisses at most

using Powers = std::array<float, kBands>;

/// What was heard in one window.
struct Window {
    std::array<Complex, kSize> spectrum{};
    Powers powers{};
    float noise = 0.0F; ///< of each band
};

float noiseOf(const Powers& powers)
{
    constexpr float kQuantile = 0.4F;
    Powers sorted = powers;
    const auto begin = sorted.begin() + kFirstBand;
    const auto at = begin + static_cast<std::ptrdiff_t>(kQuantile * (kBands - kFirstBand));
    std::nth_element(begin, at, sorted.end());
    return *at / -std::log(1.0F - kQuantile);
}

std::array<float, kSize> hann()
{
    std::array<float, kSize> out{};
    for (std::size_t i = 0; i < kSize; ++i) {
        const double turn = 2.0 * std::numbers::pi * static_cast<double>(i) / kSize;
        out[i] = static_cast<float>(0.5 - 0.5 * std::cos(turn));
    }
    return out;
}

/// Goes through the samples window by window; a window is done when the next was heard, as its powers are
/// smoothed over the ones beside it.
class Subtraction {
public:
    explicit Subtraction(std::span<const std::int16_t> samples)
        : samples_(samples)
    {
        voice_.reserve(samples.size());
    }

    VoiceAlone voice()
    {
        const std::size_t windows =
            samples_.size() / kHop + kSize / kHop + 1; // the last hop has all of its own
        for (std::size_t w = 0; w < windows; ++w) {
            hear(w);
            if (w > 0) {
                subtract(w - 1);
            }
        }
        return {std::move(voice_), loudness()};
    }

private:
    Window& window(std::size_t w) { return windows_[w % windows_.size()]; }

    /// Window `w` ends where hop `w` ends.
    void hear(std::size_t w)
    {
        std::array<Complex, kSize> part{};
        const std::size_t end = (w + 1) * kHop;
        for (std::size_t i = 0; i < kSize; ++i) {
            const std::size_t behind = end + i; // by one window: there is none before the first sample
            if (behind >= kSize && behind - kSize < samples_.size()) {
                part[i] = hann_[i] * static_cast<float>(samples_[behind - kSize]);
            }
        }
        Window& now = window(w);
        const auto spectrum = forward_(part);
        std::copy(spectrum.begin(), spectrum.end(), now.spectrum.begin());
        for (std::size_t band = 0; band < kBands; ++band) {
            now.powers[band] = std::norm(now.spectrum[band]);
        }
        now.noise = noiseOf(now.powers);
        voice_power_.push_back(
            std::accumulate(now.powers.begin() + kFirstBand, now.powers.begin() + kLastVoiceBand, 0.0F));
        noise_power_.push_back(now.noise * (kLastVoiceBand - kFirstBand));
    }

    /// Where window `w - 1` and `w + 1` are known, too.
    void subtract(std::size_t w)
    {
        constexpr float kOver = 1.2F; ///< what is left sounds like bubbles, if no more is taken than there is
        constexpr float kRest = 0.2F * 0.2F; ///< of the power
        const Window& before = window(w + windows_.size() - 1);
        const Window& now = window(w);
        const Window& after = window(w + 1);
        const float noise = (before.noise + now.noise + after.noise) / 3.0F;
        Powers across{};
        for (std::size_t band = 0; band < kBands; ++band) {
            across[band] = before.powers[band] + now.powers[band] + after.powers[band];
        }
        std::array<Complex, kSize> voice{};
        for (std::size_t band = 0; band < kBands; ++band) {
            const float around = across[band > 0 ? band - 1 : 1] + across[band]
                + across[band + 1 < kBands ? band + 1 : kBands - 2];
            const float power = around / 9.0F + 1e-9F;
            const float gain = std::sqrt(std::clamp((power - kOver * noise) / power, kRest, 1.0F));
            voice[band] = gain * now.spectrum[band];
            voice[(kSize - band) % kSize] = std::conj(voice[band]);
        }
        const auto part = back_(voice);
        for (std::size_t i = 0; i < kSize; ++i) {
            sum_[i] += hann_[i] * part[i].real();
        }
        if ((w + 1) * kHop >= kSize) { // else it is before the first sample
            giveHop();
        }
        std::shift_left(sum_.begin(), sum_.end(), kHop);
        std::fill(sum_.end() - kHop, sum_.end(), 0.0F);
    }

    /// No later window reaches the first hop of the sum.
    void giveHop()
    {
        constexpr float kOverlap = 1.5F * kSize; // sum of the squared windows, times the inverse's scale
        for (std::size_t i = 0; i < kHop && voice_.size() < samples_.size(); ++i) {
            voice_.push_back(static_cast<std::int16_t>(std::clamp(sum_[i] / kOverlap, -32768.0F, 32767.0F)));
        }
    }

    /// How far all voice bands together are above the noise, over some windows: a single one is chance.
    [[nodiscard]] std::vector<float> loudness() const
    {
        constexpr std::size_t kAround = 7; ///< windows before and after
        constexpr float kOver = 1.1F;
        // a hop's power to the mean square of a sample: Hann's window lets three eighths through
        constexpr float kScale = 2.0F / (0.375F * kSize * kSize);
        std::vector<float> out(samples_.size() / kFrame);
        for (std::size_t f = 0; f < out.size(); ++f) {
            const std::size_t middle = (f * kFrame + kFrame / 2 + kSize / 2) / kHop; // of the window there
            const std::size_t first = middle > kAround ? middle - kAround : 0;
            const std::size_t last = std::min(voice_power_.size(), middle + kAround + 1);
            float above = 0.0F;
            for (std::size_t w = first; w < last; ++w) {
                above += voice_power_[w] - kOver * noise_power_[w];
            }
            const float mean =
                std::max(0.0F, above) / static_cast<float>(std::max<std::size_t>(1, last - first));
            out[f] = loudness_dB(static_cast<double>(kScale * mean));
        }
        return out;
    }

    std::span<const std::int16_t> samples_;
    Transform forward_{kSize, false};
    Transform back_{kSize, true};
    std::array<float, kSize> hann_ = hann();
    std::array<Window, 3> windows_{};
    std::array<float, kSize> sum_{}; ///< of the windows that overlap where the last one begins
    std::vector<std::int16_t> voice_;
    std::vector<float> voice_power_; ///< by window
    std::vector<float> noise_power_;
};

} // namespace

VoiceAlone withoutPassingNoise(std::span<const std::int16_t> samples)
{
    return Subtraction(samples).voice();
}

} // namespace brumefall::media
