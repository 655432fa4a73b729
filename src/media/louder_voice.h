/// Which of two voices in one microphone speaks.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <span>
#include <vector>

namespace brumefall::media {

/// The louder of two voices, told from the softer one by how loud and of what timbre the second around each
/// moment is: levels alone overlap where one is 6 dB below the other. Fisher's linear discriminant (Annals of
/// Eugenics 7 (1936), 179-188), learnt from the loudest tenth of the syllables and the softer half, few of
/// which are the other's, and once more from those that it is surest of.
class LouderVoice {
public:
    /// Two whose timbre is alike are told apart by how loud the second around is as well: they take turns.
    enum class Of { any_two, two_alike };

    /// In half a minute to a minute of a condensed sound. Nothing of less than three seconds of speech, nor
    /// where one voice speaks alone: parted into louder and softer, it would take turns with itself faster
    /// than two people do.
    [[nodiscard]] static std::optional<LouderVoice> in(
        std::span<const std::int16_t> samples, Of voices = Of::any_two);

    /// For every hundredth of a second of `samples`, brought to the same level: by how many nats it is
    /// likelier that the louder voice speaks than that the softer does.
    [[nodiscard]] std::vector<float> likelier(std::span<const std::int16_t> samples) const;

    static constexpr std::size_t kFeatures = 14; ///< level, mean level of the second around, twelve cepstra

private:
    LouderVoice() = default;

    std::array<float, kFeatures> weights_{};
    float bias_ = 0.0F;
};

} // namespace brumefall::media
