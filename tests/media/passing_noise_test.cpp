// Noise that comes and goes under a voice (stones under the car) is taken out, and the voice stays.

#include "media/condense.h"
#include "media/loudness.h"
#include "media/passing_noise.h"
#include "media/resample.h"
#include "media/sounds.h"
#include "media/voice.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <cstdint>
#include <span>
#include <vector>

using namespace brumefall;

namespace {

constexpr std::size_t kSilence = 3 * kSecond;

/// Three seconds of nothing, a call, three seconds of nothing.
struct Call {
    std::vector<std::int16_t> samples;
    std::size_t ends;

    [[nodiscard]] std::span<const std::int16_t> silence(std::span<const std::int16_t> of) const
    {
        return of.subspan(ends + kSecond / 2, 2 * kSecond);
    }
    [[nodiscard]] std::span<const std::int16_t> voice(std::span<const std::int16_t> of) const
    {
        return of.subspan(kSilence, ends - kSilence);
    }
};

Call call()
{
    const auto said = media::resampled(
        media::sayAtRate("left four tightens over crest, into right three, fifty", 190), media::kAlignRate_hz)
                          .samples;
    Call out{std::vector<std::int16_t>(kSilence), kSilence + said.size()};
    out.samples.insert(out.samples.end(), said.begin(), said.end());
    out.samples.resize(out.ends + kSilence);
    return out;
}

std::vector<std::int16_t> withStones(std::vector<std::int16_t> samples, double loudness)
{
    addStones(samples, media::kAlignRate_hz, loudness, 5);
    return samples;
}

double level_dB(std::span<const std::int16_t> samples)
{
    return static_cast<double>(media::loudness_dB(media::meanSquare(samples)));
}

/// How far the voice stands above what is left between the words.
double voiceOverSilence_dB(const Call& call, std::span<const std::int16_t> samples)
{
    return level_dB(call.voice(samples)) - level_dB(call.silence(samples));
}

constexpr double kLoud = 1200.0;

} // namespace

TEST(PassingNoise, StonesAreTakenOutOfTheSilenceAndTheVoiceStays)
{
    const Call call = ::call();
    const auto noisy = withStones(call.samples, kLoud);
    const auto alone = media::withoutPassingNoise(noisy);
    ASSERT_EQ(alone.samples.size(), noisy.size());
    EXPECT_LT(level_dB(call.silence(alone.samples)), level_dB(call.silence(noisy)) - 6.0);
    EXPECT_NEAR(level_dB(call.voice(alone.samples)), level_dB(call.voice(call.samples)), 2.0);
    EXPECT_GT(voiceOverSilence_dB(call, alone.samples), voiceOverSilence_dB(call, noisy) + 5.0);
}

/// What is loud at all frequencies alike is no voice, however loud.
TEST(PassingNoise, TheVoiceIsLoudAndTheStonesAreNot)
{
    const Call call = ::call();
    const auto noisy = withStones(call.samples, kLoud);
    const auto medianOf = [](std::span<const float> frames) {
        std::vector<float> sorted(frames.begin(), frames.end());
        std::sort(sorted.begin(), sorted.end());
        return sorted[sorted.size() / 2];
    };
    const auto part = [&](std::span<const float> all, std::size_t first, std::size_t last) {
        return all.subspan(first / (kSecond / 100), (last - first) / (kSecond / 100));
    };
    const auto alone = media::withoutPassingNoise(noisy).loudness_dB;
    ASSERT_EQ(alone.size(), noisy.size() / (kSecond / 100));
    const auto silence = part(alone, call.ends + kSecond / 2, call.ends + 2 * kSecond);
    EXPECT_GT(
        medianOf(part(alone, kSilence, call.ends)), *std::max_element(silence.begin(), silence.end()) + 3.0F);
    const auto as_it_is = media::loudnesses_dB(noisy, media::kAlignRate_hz);
    const auto stones = part(as_it_is, call.ends + kSecond / 2, call.ends + 2 * kSecond);
    EXPECT_LT(medianOf(part(as_it_is, kSilence, call.ends)), *std::max_element(stones.begin(), stones.end()))
        << "by loudness alone nobody can tell";
}

TEST(PassingNoise, AVoiceWithoutAnyIsHardlyChanged)
{
    const Call call = ::call();
    const auto alone = media::withoutPassingNoise(call.samples).samples;
    double lost = 0.0;
    double all = 0.0;
    for (std::size_t i = kSilence; i < call.ends; ++i) {
        lost += std::pow(call.samples[i] - alone[i], 2);
        all += std::pow(call.samples[i], 2);
    }
    EXPECT_LT(lost, 0.01 * all);
    EXPECT_DOUBLE_EQ(level_dB(call.silence(alone)), 0.0);
}

TEST(PassingNoise, NothingAndHardlyAnythingAreNoTrouble)
{
    EXPECT_TRUE(media::withoutPassingNoise({}).samples.empty());
    const std::vector<std::int16_t> few(7, 100);
    const auto alone = media::withoutPassingNoise(few);
    EXPECT_EQ(alone.samples.size(), few.size());
    EXPECT_TRUE(alone.loudness_dB.empty()) << "less than a hundredth of a second";
}

/// Stones that hit all the time are no speech: what is between the calls is cut out as silence is.
TEST(Condense, WithoutPassingNoiseTheSilencesAreCutOutAndEachMomentKeepsItsTime)
{
    const Call call = ::call();
    const media::Sound noisy{withStones(call.samples, kLoud), media::kAlignRate_hz};
    const auto plain = media::condense(noisy);
    const auto condensed = media::condense(noisy, {.without = {.passing_noise = true}});
    EXPECT_GT(plain.samples.size(), noisy.samples.size()) << "all of it, and the second after its end";
    const double said_s = static_cast<double>(call.ends - kSilence) / kSecond;
    EXPECT_LT(static_cast<double>(condensed.samples.size()) / kSecond, said_s + 3.5);
    EXPECT_TRUE(condensed.ends_silent);
    // the loudest hundredth of a second of the call stands where it was said
    const auto levels = media::loudnesses_dB(condensed.samples, media::kAlignRate_hz);
    const auto loudest = std::max_element(levels.begin(), levels.end()) - levels.begin();
    const double at_s = condensed.originalTime(0.01 * static_cast<double>(loudest));
    EXPECT_GT(at_s, static_cast<double>(kSilence) / kSecond);
    EXPECT_LT(at_s, static_cast<double>(call.ends) / kSecond);
}
