/// What sounds all the time beside a voice (an engine, wind, rumble, hiss), taken away.
#pragma once

#include <cstddef>
#include <cstdint>
#include <memory>
#include <span>
#include <vector>

struct SpeexPreprocessState_;

namespace brumefall::media {

/// Samples at `rate_hz` with the noise that goes on under them 12 dB lower, in their place: by the
/// preprocessor of libspeexdsp (spectral weighting after Ephraim & Malah, IEEE Transactions on Acoustics,
/// Speech and Signal Processing 32 (1984), 1109-1121, in bands whose noise is followed one by one). They are
/// left as they are where the noise is below `least_dB` of full scale.
class SteadyNoise {
public:
    /// The noise of `samples`, which outlive this and are as many all the time.
    SteadyNoise(std::vector<std::int16_t>& samples, int rate_hz, double least_dB = -45.0);
    ~SteadyNoise();
    SteadyNoise(const SteadyNoise&) = delete;
    SteadyNoise& operator=(const SteadyNoise&) = delete;

    [[nodiscard]] bool isReduced() const { return state_ != nullptr; }
    /// From here on the samples before `end` are without it. What lies behind them may be read no more.
    void reduceUntil(std::size_t end);

private:
    struct Destroyer {
        void operator()(SpeexPreprocessState_* state) const;
    };
    std::vector<std::int16_t>& samples_;
    std::vector<std::int16_t> frame_;
    std::unique_ptr<SpeexPreprocessState_, Destroyer> state_;
    std::size_t given_ = 0; ///< samples
    std::size_t done_ = 0;
};

/// Whether something sounds all the time under a voice, nearly as loud as that: of the loudness of each
/// hundredth of a second, evened out over some. What comes and goes (stones, another voice) does not.
[[nodiscard]] bool hasSteadyNoise(std::span<const float> loudness_dB);

} // namespace brumefall::media
