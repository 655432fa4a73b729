/// What sounds all the time beside a voice (an engine, wind, hiss), taken away.
#pragma once

#include <cstdint>
#include <span>
#include <vector>

namespace brumefall::media {

/// `samples` at `rate_hz`, in place and as many, with the noise that goes on under them 12 dB lower: by
/// FFmpeg's filter afftdn (spectral weighting after Ephraim & Malah, IEEE Transactions on Acoustics, Speech
/// and Signal Processing 32 (1984), 1109-1121), told how loud it is. Left as they are, and false, where
/// it is below `least_dB` of full scale or that filter is missing.
bool reduceSteadyNoise(std::vector<std::int16_t>& samples, int rate_hz, double least_dB = -45.0);

} // namespace brumefall::media
