/// What sounds all the time beside a voice (an engine, wind, hiss), taken away.
#pragma once

#include <cstdint>
#include <memory>
#include <vector>

namespace brumefall::media {

/// Samples at `rate_hz` with the noise that goes on under them 12 dB lower, in their place: by FFmpeg's
/// filter afftdn (spectral weighting after Ephraim & Malah, IEEE Transactions on Acoustics, Speech and Signal
/// Processing 32 (1984), 1109-1121), told how loud it is. They are left as they are where it is below
/// `least_dB` of full scale or that filter is missing.
class SteadyNoise {
public:
    /// The noise of `samples`, which outlive this and are as many all the time.
    SteadyNoise(std::vector<std::int16_t>& samples, int rate_hz, double least_dB = -45.0);
    ~SteadyNoise();
    SteadyNoise(const SteadyNoise&) = delete;
    SteadyNoise& operator=(const SteadyNoise&) = delete;

    [[nodiscard]] bool isReduced() const { return filter_ != nullptr; }
    /// From here on the samples before `end` are without it. What lies behind them may be read no more.
    void reduceUntil(std::size_t end);

private:
    class Filter;
    std::vector<std::int16_t>& samples_;
    int rate_hz_;
    std::unique_ptr<Filter> filter_;
    std::size_t given_ = 0;
};

} // namespace brumefall::media
