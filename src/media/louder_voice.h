/// Which of two voices in one microphone speaks.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <span>
#include <vector>

namespace brumefall::media {

/// The louder of two voices, told from the softer one by how loud the second around each moment is, of what
/// timbre, and how that timbre changes: levels alone overlap where one is 6 dB below the other. Fisher's
/// linear discriminant (Annals of Eugenics 7 (1936), 179-188), learnt from the loudest tenth of the syllables
/// and the softer half, few of which are the other's, and again from those that it is surest of.
class LouderVoice {
public:
    /// In a condensed sound: half a minute tells a little, kEnough_s tells more. Nothing of less than three
    /// seconds of speech, nor where one voice speaks alone: parted into louder and softer, it would take
    /// turns with itself faster than two people do.
    [[nodiscard]] static std::optional<LouderVoice> in(std::span<const std::int16_t> samples);

    static constexpr double kEnough_s = 180.0;

    /// For every hundredth of a second of `samples`, brought to the same level: by how many nats it is
    /// likelier that the louder voice speaks than that the softer does.
    [[nodiscard]] std::vector<float> likelier(std::span<const std::int16_t> samples) const;

    /// Levels of the syllable and of the second around, its mean and its loudest; twelve cepstra's means and
    /// deviations in it.
    static constexpr std::size_t kFeatures = 27;

private:
    LouderVoice() = default;

    std::array<float, kFeatures> weights_{};
    float bias_ = 0.0F;
};

} // namespace brumefall::media
