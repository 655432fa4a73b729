// Who speaks, told by how loud: two voices in one microphone, and one voice that is left as it is.

#include "media/condense.h"
#include "media/loudness.h"
#include "media/resample.h"
#include "media/sounds.h"
#include "media/voice.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <span>
#include <vector>

using namespace brumefall;

namespace {

std::vector<std::int16_t> said(const std::string& words, double gain)
{
    auto samples = media::resampled(media::sayAtRate(words, 190), media::kAlignRate_hz).samples;
    for (std::int16_t& s : samples) {
        s = static_cast<std::int16_t>(gain * s);
    }
    return samples;
}

/// Who is near, who is far, and who is near again, with half a second between them; and where each begins.
struct Scene {
    media::Sound sound{{}, media::kAlignRate_hz};
    std::vector<std::size_t> begins, ends;

    void add(const std::vector<std::int16_t>& samples)
    {
        sound.samples.resize(sound.samples.size() + kSecond / 2);
        begins.push_back(sound.samples.size());
        sound.samples.insert(sound.samples.end(), samples.begin(), samples.end());
        ends.push_back(sound.samples.size());
    }
    [[nodiscard]] std::span<const std::int16_t> of(std::size_t part) const
    {
        return std::span(sound.samples).subspan(begins[part], ends[part] - begins[part]);
    }
};

Scene twoVoices(double far_gain)
{
    Scene scene;
    for (int i = 0; i < 3; ++i) {
        scene.add(said("left four tightens over crest, into right three", 0.5));
        scene.add(said("that was a bit close to the bank there, the brakes feel good now", far_gain));
    }
    return scene;
}

} // namespace

TEST(Loudness, ASyllableIsAsLoudAsItsLoudestAndAClickIsNone)
{
    std::vector<float> loudness(100, 30.0F);
    for (std::size_t f = 40; f < 50; ++f) {
        loudness[f] = 70.0F;
    }
    loudness[90] = 75.0F;
    const auto levels = media::syllableLevels_dB(loudness);
    EXPECT_FLOAT_EQ(levels[45], 70.0F);
    EXPECT_FLOAT_EQ(levels[25], 70.0F) << "a fifth of a second before it";
    EXPECT_FLOAT_EQ(levels[10], 30.0F);
    EXPECT_LT(levels[90], 50.0F) << "one hundredth of a second is no syllable";
}

TEST(Loudness, TheLevelBetweenTwoVoicesLiesBelowTheLouderAndAboveTheSofter)
{
    const Scene scene = twoVoices(0.12);
    const auto between_dB = media::softerVoiceBelow_dB(
        media::syllableLevels_dB(media::loudnesses_dB(scene.sound.samples, scene.sound.rate_hz)));
    ASSERT_TRUE(between_dB);
    const auto medianOf = [&](std::size_t part) {
        auto levels = media::syllableLevels_dB(media::loudnesses_dB(scene.of(part), media::kAlignRate_hz));
        std::sort(levels.begin(), levels.end());
        return levels[levels.size() / 2];
    };
    EXPECT_GT(*between_dB, medianOf(1));
    EXPECT_LT(*between_dB, medianOf(0));
    EXPECT_FALSE(media::softerVoiceBelow_dB(std::vector<float>(99, 60.0F))) << "less than a second";
    EXPECT_FALSE(media::softerVoiceBelow_dB(std::vector<float>(500, 60.0F))) << "nothing but one level";
}

TEST(Condense, OfTwoVoicesTheLouderStaysAsItIsAndTheSofterIsGone)
{
    const Scene scene = twoVoices(0.12);
    const auto all = media::condense(scene.sound, {.hiss = 0.0});
    const auto louder = media::louderVoice(all.samples, all.gain);
    ASSERT_TRUE(louder);
    EXPECT_LT(louder->samples.size(), all.samples.size() * 3 / 4) << "closed up where the other spoke alone";

    const auto without =
        media::condense(scene.sound, {.hiss = 0.0, .without = {.softer_dB = louder->softer_dB}});
    const auto at = [](const media::Condensed& condensed, std::size_t original) {
        auto piece = std::upper_bound(condensed.pieces.begin(), condensed.pieces.end(), original,
            [](std::size_t sample, const media::Condensed::Piece& p) { return sample < p.original; });
        --piece;
        return piece->first + (original - piece->original);
    };
    const auto rms = [&](const media::Condensed& condensed, std::size_t part) {
        double sum = 0.0;
        std::size_t count = 0;
        for (std::size_t i = scene.begins[part]; i < scene.ends[part]; i += 7) {
            const std::size_t sample = at(condensed, i);
            if (std::abs(condensed.originalTime(static_cast<double>(sample) / kSecond)
                    - static_cast<double>(i) / kSecond)
                < 1e-3) { // it was not cut out
                sum += static_cast<double>(condensed.samples[sample]) * condensed.samples[sample];
                ++count;
            }
        }
        return count == 0 ? 0.0 : std::sqrt(sum / static_cast<double>(count));
    };
    for (const std::size_t near : {0U, 2U, 4U}) {
        EXPECT_GT(rms(without, near), 0.95 * rms(all, near)) << near;
    }
    for (const std::size_t far : {1U, 3U}) {
        EXPECT_LT(rms(without, far), 0.4 * rms(all, far))
            << far << ": but for a fifth of a second beside the other";
    }
    EXPECT_LT(without.samples.size(), all.samples.size());
}
