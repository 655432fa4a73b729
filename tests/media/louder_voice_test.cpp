// Who speaks: two people in one microphone, and one who is left as he is.

#include "media/condense.h"
#include "media/louder_voice.h"
#include "media/resample.h"
#include "media/sounds.h"
#include "media/voice.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <numeric>
#include <string>
#include <vector>

using namespace brumefall;

namespace {

/// Somebody with a throat so much shorter than the voice's own.
std::vector<std::int16_t> said(const std::string& words, double gain, double shorter)
{
    media::Sound sound = media::sayAtRate(words, 190);
    sound.rate_hz = static_cast<int>(sound.rate_hz * shorter);
    auto samples = media::resampled(sound, media::kAlignRate_hz).samples;
    for (std::int16_t& s : samples) {
        s = static_cast<std::int16_t>(gain * s);
    }
    return samples;
}

/// The reader and the driver, one after the other with half a second between them; and where each begins.
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
};

/// The driver is as much softer as `gain` says. Each part is of the reader, then of the driver.
Scene twoPeople(double gain, double shorter,
    const std::string& talk = "that was a bit close to the bank there, the brakes feel good now")
{
    Scene scene;
    for (const auto* notes :
        {"left four tightens over crest, into right three", "right six over crest, fifty",
            "left hairpin, don't cut, into right two long", "right five opens, caution, bridge"}) {
        scene.add(said(notes, 0.5, 1.0));
        scene.add(said(talk, 0.5 * gain, shorter));
    }
    return scene;
}

/// Of how much of a part the voice is more likely the louder one.
double shareOf(
    const media::LouderVoice& voice, const media::Condensed& all, const Scene& scene, std::size_t part)
{
    const auto nats = voice.likelier(all.samples);
    std::size_t count = 0;
    std::size_t louder = 0;
    for (std::size_t f = 0; f < nats.size(); ++f) {
        const auto at = static_cast<std::size_t>(all.originalTime(0.01 * static_cast<double>(f)) * kSecond);
        if (at >= scene.begins[part] && at < scene.ends[part]) {
            ++count;
            louder += nats[f] > 0.0F ? 1 : 0;
        }
    }
    return static_cast<double>(louder) / static_cast<double>(std::max<std::size_t>(1, count));
}

void expectToldApart(const Scene& scene)
{
    const auto all = media::condense(scene.sound);
    const auto voice = media::LouderVoice::in(all.samples);
    ASSERT_TRUE(voice);
    for (std::size_t part = 0; part < scene.begins.size(); part += 2) {
        EXPECT_GT(shareOf(*voice, all, scene, part), 0.8) << "the reader, part " << part;
        EXPECT_LT(shareOf(*voice, all, scene, part + 1), 0.2) << "the driver, part " << part + 1;
    }
}

} // namespace

TEST(LouderVoice, IsToldFromAnotherOfNearlyTheSameLevelByItsTimbre)
{
    expectToldApart(twoPeople(0.6, 1.25));
}

TEST(LouderVoice, IsToldFromOneOfTheSameTimbreByHowLoudEachSpeaks)
{
    expectToldApart(twoPeople(0.4, 1.0));
}

TEST(LouderVoice, IsToldFromOneWhoTalksFarMore)
{
    expectToldApart(twoPeople(0.5, 1.25,
        "that was a bit close to the bank there, the brakes feel good now, the others had the same problem, "
        "so we should talk about this one after lunch, and there is no need to hurry"));
}

TEST(LouderVoice, OnePersonAloneIsNotParted)
{
    const auto all = media::condense(twoPeople(1.0, 1.0).sound);
    EXPECT_FALSE(media::LouderVoice::in(all.samples));
}

TEST(LouderVoice, TooLittleOrNothingTellsNoVoice)
{
    EXPECT_FALSE(media::LouderVoice::in({}));
    EXPECT_FALSE(media::LouderVoice::in(std::vector<std::int16_t>(100, 0)));
    EXPECT_FALSE(media::LouderVoice::in(std::vector<std::int16_t>(media::kAlignRate_hz * 30, 0)))
        << "silence is all of one level";
    EXPECT_FALSE(media::LouderVoice::in(said("left four", 0.5, 1.0)));
}

TEST(Condense, WhatIsLeftOfOneVoiceKeepsItsTimeBehindSilencesThatWereCut)
{
    Scene scene = twoPeople(0.4, 1.25);
    const std::size_t before = scene.sound.samples.size();
    scene.sound.samples.resize(before + 6 * kSecond);
    const Scene more = twoPeople(0.4, 1.25);
    const std::size_t later = scene.sound.samples.size();
    scene.sound.samples.insert(
        scene.sound.samples.end(), more.sound.samples.begin(), more.sound.samples.end());
    const auto all = media::condense(scene.sound);
    ASSERT_GT(all.pieces.size(), 1U) << "the silence was cut";
    const auto voice = media::LouderVoice::in(all.samples);
    ASSERT_TRUE(voice);
    const auto without = media::only(*voice, all);
    ASSERT_GT(without.pieces.size(), all.pieces.size());

    // what is left as it was is found where it was: each sample equals that of the recording's moment
    std::vector<std::int16_t> by_time(scene.sound.samples.size());
    for (std::size_t i = 0; i < all.samples.size(); ++i) {
        const auto at =
            static_cast<std::size_t>(all.originalTime(static_cast<double>(i) / kSecond) * kSecond + 0.5);
        if (at < by_time.size()) {
            by_time[at] = all.samples[i];
        }
    }
    std::size_t same = 0;
    std::size_t same_later = 0;
    double last_s = -1.0;
    for (std::size_t i = 0; i < without.samples.size(); ++i) {
        const double at_s = without.originalTime(static_cast<double>(i) / kSecond);
        EXPECT_GT(at_s, last_s);
        last_s = at_s;
        const auto at = static_cast<std::size_t>(at_s * kSecond + 0.5);
        if (at < by_time.size() && by_time[at] == without.samples[i]) {
            ++same;
            same_later += at > later ? 1 : 0;
        }
    }
    EXPECT_GT(same, 16U * kSecond) << "what the reader said, twice";
    EXPECT_GT(same_later, 8U * kSecond) << "and behind the silence, too";
}

TEST(Condense, OfTwoVoicesTheLouderStaysAsItIsAndTheSofterIsGone)
{
    const Scene scene = twoPeople(0.4, 1.25);
    const auto all = media::condense(scene.sound);
    const auto voice = media::LouderVoice::in(all.samples);
    ASSERT_TRUE(voice);
    const auto without = media::condense(scene.sound, {.without = {.all_but = voice}});
    EXPECT_LT(without.samples.size(), all.samples.size() * 4 / 5) << "closed up where the other spoke alone";

    const auto rms = [&](const media::Condensed& condensed, std::size_t part) {
        double sum = 0.0;
        std::size_t count = 0;
        for (std::size_t i = 0; i < condensed.samples.size(); i += 7) {
            const auto at = static_cast<std::size_t>(
                condensed.originalTime(static_cast<double>(i) / kSecond) * kSecond + 0.5);
            if (at >= scene.begins[part] && at < scene.ends[part]) {
                sum += static_cast<double>(condensed.samples[i]) * condensed.samples[i];
                ++count;
            }
        }
        return count == 0 ? 0.0 : std::sqrt(sum / static_cast<double>(count));
    };
    for (std::size_t part = 0; part < scene.begins.size(); part += 2) {
        EXPECT_GT(rms(without, part), 0.9 * rms(all, part)) << "the reader, part " << part;
        EXPECT_LT(rms(without, part + 1), 0.5 * rms(all, part + 1)) << "the driver, part " << part + 1;
    }
}
