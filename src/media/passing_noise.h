/// Noise that comes and goes under a voice, at all frequencies alike: stones under the car, rain, wind.
#pragma once

#include <cstdint>
#include <span>
#include <vector>

namespace brumefall::media {

struct VoiceAlone {
    std::vector<std::int16_t> samples; ///< as many as there were
    /// Of what is above the noise where voices are, by hundredths of a second, in dB as loudness.h has it.
    std::vector<float> loudness_dB;
};

/// Takes from each moment what it has at all frequencies alike: a voice leaves gaps between its formants and
/// above them, and what is heard there is noise. Spectral subtraction (Boll, IEEE Transactions on Acoustics,
/// Speech, and Signal Processing 27 (1979), 113-120), but for the noise's level, which is not that of the
/// last silence but of the same moment: a low quantile over the frequencies, whose powers are distributed
/// exponentially where there is only noise. `samples` are at kAlignRate_hz.
[[nodiscard]] VoiceAlone withoutPassingNoise(std::span<const std::int16_t> samples);

} // namespace brumefall::media
