#include "media/aligner.h"
#include "media/car_noise.h"
#include "media/demo_plan.h"
#include "media/lay.h"
#include "media/microphone_level.h"
#include "media/phones.h"
#include "media/resample.h"
#include "media/simulated_reader.h"
#include "media/sound.h"
#include "media/sound_file.h"
#include "media/ticks.h"
#include "media/voice.h"
#include "stage/stage.h"
#include "support.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <fstream>
#include <random>
#include <string>

using namespace brumefall;

namespace {

media::Sound tone(double seconds, int rate_hz)
{
    media::Sound sound{{}, rate_hz};
    for (int i = 0; i < static_cast<int>(seconds * rate_hz); ++i) {
        sound.samples.push_back(static_cast<std::int16_t>(8000.0 * std::sin(0.2 * i)));
    }
    return sound;
}

} // namespace

TEST(Sound, PeaksOfTheDemoVideoCoverItsWholeLength)
{
    const auto facts = media::inspect(kDemo / "media" / "stage.mkv");
    EXPECT_TRUE(facts.has_video);
    EXPECT_TRUE(facts.has_sound);
    const auto peaks = media::decodePeaks(kDemo / "media" / "stage.mkv", 0.02);
    EXPECT_NEAR(peaks.duration_s(), facts.duration_s, 0.3);
    EXPECT_GT(*std::max_element(peaks.high.begin(), peaks.high.end()), 0.1F);
}

TEST(Sound, MissingAndBrokenMediaAreTold)
{
    const support::ScratchFolder scratch;
    EXPECT_THROW(static_cast<void>(media::decodePeaks(scratch.path() / "none.mkv", 0.02)), media::MediaError);
    support::write(scratch.path() / "text.mkv", "this is not a video at all");
    EXPECT_THROW(static_cast<void>(media::decodePeaks(scratch.path() / "text.mkv", 0.02)), media::MediaError);
    const std::string whole = support::read(kDemo / "media" / "recce.mkv");
    support::write(scratch.path() / "cut.mkv", whole.substr(0, whole.size() / 3));
    EXPECT_GT(media::decodePeaks(scratch.path() / "cut.mkv", 0.02).duration_s(), 30.0)
        << "what is there is read";
}

/// A tenth of a second whose header claims `channels` and `rate_hz`.
std::filesystem::path strangersSound(std::uint16_t channels, std::uint32_t rate_hz)
{
    const auto file = std::filesystem::path(testing::TempDir()) / "strangers.wav";
    media::SoundWriter(file, media::kAlignRate_hz).write(std::vector<std::int16_t>(1600, 100));
    std::fstream header(file, std::ios::binary | std::ios::in | std::ios::out);
    const auto put = [&](std::streamoff at, auto value) {
        header.seekp(at);
        header.write(reinterpret_cast<const char*>(&value), sizeof value);
    };
    put(22, channels);
    put(24, rate_hz);
    put(28, rate_hz * channels * 2U);
    put(32, static_cast<std::uint16_t>(channels * 2U));
    return file;
}

TEST(Sound, AHeaderOfAStrangerNeitherBreaksTheResamplerNorKeepsItBusyForMinutes)
{
    EXPECT_NEAR(media::decodeSound(strangersSound(2, 8000), 16000).duration_s(), 0.1, 0.01)
        << "one that is right";
    EXPECT_THROW((void)media::decodeSound(strangersSound(200, 16000), 16000), media::MediaError);
    EXPECT_THROW((void)media::decodeSound(strangersSound(1, 1073757824), 16000), media::MediaError);
    EXPECT_THROW((void)media::decodeSound(strangersSound(1, 2), 16000), media::MediaError);
    EXPECT_THROW((void)media::decodePeaks(strangersSound(200, 16000), 0.02), media::MediaError);
}

TEST(Sound, DecodingCanBeCancelled)
{
    int asked = 0;
    const auto sound =
        media::decodeSound(kDemo / "media" / "recce.mkv", 8000, [&](double) { return ++asked < 3; });
    EXPECT_LT(sound.duration_s(), 200.0);
}

TEST(SoundFile, WhatWasWrittenIsOnTheDiskBeforeTheFileIsClosed)
{
    const support::ScratchFolder scratch;
    const auto file = scratch.path() / "take.flac";
    media::SoundWriter writer(file, 16000);
    const auto sound = tone(0.02, 16000);
    for (int i = 0; i < 250; ++i) {
        writer.write(sound.samples);
    }
    // as after a crash: read while it is still open
    EXPECT_GT(media::decodeSound(file, 16000).duration_s(), writer.duration_s() - 0.51);
    writer.close();
    EXPECT_NEAR(media::decodeSound(file, 16000).duration_s(), 5.0, 0.01);
}

TEST(SoundFile, AFolderThatIsNotThereIsTold)
{
    EXPECT_THROW(media::SoundWriter("/nowhere/at/all/take.flac", 16000), media::MediaError);
}

TEST(Voice, SaysWordsInTheTimeItIsGiven)
{
    for (const double wished_s : {0.8, 1.2, 1.6}) {
        EXPECT_NEAR(media::say("right four long into left three", wished_s).duration_s(), wished_s, 0.12);
    }
}

TEST(SimulatedReader, ReadsTheSameAgainForTheSameSeed)
{
    const auto plan = demoPlan();
    media::FaultWish wish;
    wish.late = 1;
    wish.skipping = 1;
    wish.to_s = 60.0;
    const auto faults = media::chooseFaults(plan, wish, 5);
    ASSERT_EQ(faults.size(), 2U);
    const auto a = media::readAloud(plan, faults, 5, 0.0, 60.0);
    const auto b = media::readAloud(plan, media::chooseFaults(plan, wish, 5), 5, 0.0, 60.0);
    EXPECT_EQ(a.sound.samples, b.sound.samples);
    ASSERT_EQ(a.truth.size(), b.truth.size());
    for (std::size_t k = 0; k < a.truth.size(); ++k) {
        EXPECT_EQ(a.truth[k].read, b.truth[k].read);
        EXPECT_EQ(a.truth[k].span.end_s, b.truth[k].span.end_s);
    }
}

TEST(SimulatedReader, WithoutFaultsReadsEveryNoteWhereThePlanHasIt)
{
    const auto plan = demoPlan();
    const auto reading = media::readAloud(plan, {}, 1, 0.0, 90.0);
    std::vector<double> errors;
    for (std::size_t k = 0; k < reading.truth.size(); ++k) {
        ASSERT_TRUE(reading.truth[k].read);
        errors.push_back(std::abs(reading.truth[k].span.start_s - plan.notes[k].start_s));
    }
    EXPECT_LT(median(errors), 0.08);
}

TEST(Phones, AWordThatNoDictionaryHasGetsAPronunciation)
{
    EXPECT_EQ(media::phonesFor("left"), "L EH F T");
    EXPECT_FALSE(media::phonesFor("brumefall").empty());
}

TEST(MicrophoneLevel, TellsSilenceAFaintVoiceAndAnOverdrivenOne)
{
    const auto after = [](double voice, double room) {
        media::MicrophoneLevel level;
        for (int i = 0; i < 800; ++i) { // sixteen seconds, half of them spoken
            level.hear((i / 40) % 2 == 0 ? voice : room, 0.02);
        }
        return level.hearing();
    };
    EXPECT_EQ(after(0.3, 0.004), media::MicrophoneHearing::fine);
    EXPECT_EQ(after(0.0, 0.0), media::MicrophoneHearing::silent);
    EXPECT_EQ(after(0.012, 0.001), media::MicrophoneHearing::faint);
    EXPECT_EQ(after(0.003, 0.003), media::MicrophoneHearing::fine) << "an even hum: nobody speaks";
    EXPECT_EQ(after(1.0, 0.01), media::MicrophoneHearing::clipped);
    media::MicrophoneLevel once;
    once.hear(1.0, 0.02); // a knock on the table
    EXPECT_EQ(once.hearing(), media::MicrophoneHearing::fine);
}

TEST(CarNoise, IsAsLongAsAskedForAndNeverStopsNorOverdrives)
{
    const auto sound = media::carNoise(60.0);
    EXPECT_NEAR(sound.duration_s(), 60.0, 0.01);
    int loudest = 0;
    for (std::size_t second = 0; second < 59; ++second) {
        double sum = 0.0;
        for (std::size_t i = 0; i < static_cast<std::size_t>(sound.rate_hz); ++i) {
            const int sample = sound.samples[second * static_cast<std::size_t>(sound.rate_hz) + i];
            loudest = std::max(loudest, std::abs(sample));
            sum += static_cast<double>(sample) * sample;
        }
        EXPECT_GT(std::sqrt(sum / sound.rate_hz), 300.0) << "in second " << second;
    }
    EXPECT_LT(loudest, 20000);
}

TEST(Ticks, AreFoundInANoisyRoomAndNotWhereTheyAreNot)
{
    const auto ticks = media::resampled(media::tickSound(), media::kAlignRate_hz);
    constexpr double kDelay_s = 0.083;
    media::Sound room{{}, media::kAlignRate_hz};
    std::mt19937 random(8);
    std::normal_distribution<double> hiss(0.0, 120.0);
    const auto late = static_cast<std::size_t>(kDelay_s * media::kAlignRate_hz);
    for (std::size_t i = 0; i < ticks.samples.size() + late; ++i) {
        const double heard = i >= late ? 0.1 * ticks.samples[i - late] : 0.0;
        room.samples.push_back(static_cast<std::int16_t>(heard + hiss(random)));
    }
    const auto delay_s = media::tickDelay_s(room, media::tickTimes());
    ASSERT_TRUE(delay_s);
    EXPECT_NEAR(*delay_s, kDelay_s, 0.002);
    for (auto& sample : room.samples) {
        sample = static_cast<std::int16_t>(hiss(random));
    }
    EXPECT_FALSE(media::tickDelay_s(room, media::tickTimes())) << "nothing but hiss";
}

TEST(Lay, ARecordingOfTheSameRunIsLaidToTheOnboardByTheSoundItself)
{
    const auto plan = demoPlan();
    const auto reading = media::readAloud(plan, {}, 3, 0.0, 60.0);
    const auto voice = media::resampled(reading.sound, media::kAlignRate_hz);
    constexpr double kLater_s = 37.31;
    // the onboard: an engine over a quieter, later voice
    media::Sound onboard{{}, media::kAlignRate_hz};
    std::mt19937 random(4);
    std::normal_distribution<double> hiss(0.0, 250.0);
    for (std::size_t i = 0; i < static_cast<std::size_t>(120 * media::kAlignRate_hz); ++i) {
        const auto at = static_cast<long long>(i) - std::llround(kLater_s * media::kAlignRate_hz);
        const bool speaks = at >= 0 && at < static_cast<long long>(voice.samples.size());
        const double engine = 700.0 * std::sin(0.035 * static_cast<double>(i));
        onboard.samples.push_back(static_cast<std::int16_t>(
            engine + hiss(random) + (speaks ? 0.4 * voice.samples[static_cast<std::size_t>(at)] : 0.0)));
    }
    const auto laid = media::laySound(voice, onboard);
    ASSERT_TRUE(laid);
    EXPECT_NEAR(laid->offset_s, kLater_s, 0.03);
    const auto back = media::laySound(onboard, voice);
    ASSERT_TRUE(back);
    EXPECT_NEAR(back->offset_s, -kLater_s, 0.03);
    const auto another = media::readAloud(plan, {}, 9, 100.0, 160.0);
    EXPECT_FALSE(media::laySound(another.sound, onboard)) << "another part of the stage";
    EXPECT_FALSE(media::laySound(media::Sound{{1, 2, 3}, 16000}, onboard)) << "too short";
}

TEST(Sound, AClapStandsOutOfTheEngineAndAnEvenNoiseHasNone)
{
    media::Sound sound;
    std::minstd_rand random(4);
    for (int i = 0; i < 16000 * 6; ++i) {
        const double since_clap_s = (i - 16000 * 3.21) / 16000.0;
        const double clap = since_clap_s >= 0.0 ? 20000.0 * std::exp(-since_clap_s * 40.0) : 0.0;
        sound.samples.push_back(static_cast<std::int16_t>(std::clamp(
            (static_cast<double>(random() % 2000) - 1000.0) / 1000.0 * (1500.0 + clap), -32000.0, 32000.0)));
    }
    const auto peaks = media::peaksOf(sound, 0.02);
    const auto clap_s = media::sharpestOnset(peaks, 2.0, 3.0);
    ASSERT_TRUE(clap_s);
    EXPECT_NEAR(*clap_s, 3.21, 0.03);
    EXPECT_FALSE(media::sharpestOnset(peaks, 5.5, 0.4));
    EXPECT_FALSE(media::sharpestOnset({}, 1.0, 1.0));
}