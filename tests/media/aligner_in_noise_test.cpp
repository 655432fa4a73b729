#include "media/aligner.h"
#include "media/demo_plan.h"
#include "media/resample.h"
#include "media/simulated_reader.h"
#include "media/sound.h"
#include "media/sounds.h"
#include "media/voice.h"
#include "stage/stage.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>

using namespace brumefall;

namespace {

constexpr double kPart_s = 105.0; ///< of the demo stage

/// The driver sits farther from the microphone and never stops.
void addDriver(media::Sound& reading, double share)
{
    std::vector<std::int16_t> talk;
    for (int i = 0; talk.size() < reading.samples.size(); ++i) {
        const auto some =
            media::sayAtRate(i % 2 == 0 ? "that was a bit close to the bank there, the brakes feel good"
                                        : "watch the temperature for me, there is no need to hurry",
                180);
        talk.insert(talk.end(), some.samples.begin(), some.samples.end());
        talk.resize(talk.size() + static_cast<std::size_t>(some.rate_hz) / 3);
    }
    for (std::size_t i = 0; i < reading.samples.size(); ++i) {
        reading.samples[i] = static_cast<std::int16_t>((1.0 - share) * reading.samples[i] + share * talk[i]);
    }
}

/// How many notes were found where they were read.
std::size_t foundOf(const std::vector<take::FoundNote>& found, const std::vector<take::FoundNote>& truth)
{
    constexpr double kThere_s = 0.3;
    std::size_t count = 0;
    for (std::size_t k = 0; k < truth.size(); ++k) {
        count += found[k].read && std::abs(found[k].span.start_s - truth[k].span.start_s) < kThere_s ? 1 : 0;
    }
    return count;
}

} // namespace

TEST(AlignerInNoise, FindsEverySpokenNoteAndReportsEverySkippedOne)
{
    constexpr double kLoudness = 500.0;
    const auto plan = demoPlan();
    media::FaultWish wish;
    wish.late = 2;
    wish.skipping = 2;
    wish.repeating = 2;
    wish.hesitating = 1;
    wish.to_s = kPart_s;
    const auto faults = media::chooseFaults(plan, wish, 31);
    ASSERT_EQ(faults.size(), 7U);
    auto reading = media::readAloud(plan, faults, 31, 0.0, kPart_s);
    // an engine under the voice
    std::mt19937 random(2);
    std::normal_distribution<double> hiss(0.0, 1.0);
    for (std::size_t i = 0; i < reading.sound.samples.size(); ++i) {
        const double t = static_cast<double>(i) / media::kVoiceRate_hz;
        const double engine = std::sin(560.0 * t + 3.0 * std::sin(0.7 * t)) + 0.5 * std::sin(1120.0 * t);
        const double noise = kLoudness * (engine + 0.4 * hiss(random));
        reading.sound.samples[i] =
            static_cast<std::int16_t>(std::clamp(reading.sound.samples[i] + noise, -32768.0, 32767.0));
    }
    const auto alignment = media::align(reading.sound, take::expectedNotes(plan));
    ASSERT_GT(alignment.notes.size(), reading.truth.size());
    for (std::size_t k = reading.truth.size(); k < alignment.notes.size(); ++k) {
        EXPECT_FALSE(alignment.notes[k].read) << "nobody came as far as " << plan.notes[k].spoken;
    }
    std::vector<double> start_errors;
    for (std::size_t k = 0; k < reading.truth.size(); ++k) {
        const auto& found = alignment.notes[k];
        const auto& truth = reading.truth[k];
        EXPECT_EQ(found.read, truth.read) << plan.notes[k].spoken;
        EXPECT_EQ(found.repeats.size(), truth.repeats.size()) << plan.notes[k].spoken;
        EXPECT_EQ(found.hesitations.empty(), truth.hesitations.empty()) << plan.notes[k].spoken;
        if (found.read && truth.read) {
            start_errors.push_back(std::abs(found.span.start_s - truth.span.start_s));
        }
    }
    EXPECT_LT(median(start_errors), 0.02);
    std::sort(start_errors.begin(), start_errors.end());
    EXPECT_LT(start_errors[start_errors.size() * 95 / 100], 0.1);
}

/// Short noises as loud as a voice were taken for words that last for seconds, and hid all the others.
TEST(Aligner, StonesUnderTheCarHideHardlyANote)
{
    constexpr double kSome_s = 34.0;
    constexpr double kLoudness = 700.0;
    const auto plan = demoPlan();
    auto reading = media::readAloud(plan, {}, 12, 0.0, kSome_s);
    addStones(reading.sound.samples, reading.sound.rate_hz, kLoudness, 7);
    const auto alignment = media::align(reading.sound, take::expectedNotes(plan));
    std::size_t found = 0;
    for (std::size_t k = 0; k < reading.truth.size(); ++k) {
        found += alignment.notes[k].read
                && std::abs(alignment.notes[k].span.start_s - reading.truth[k].span.start_s) < 0.3
            ? 1
            : 0;
    }
    EXPECT_GE(found, reading.truth.size() * 8 / 10) << "of " << reading.truth.size();
}

TEST(Aligner, ACountdownAndTalkBetweenCallsHideNothingAndAreNoNotes)
{
    const auto plan = demoPlan();
    const auto first = media::readAloud(plan, {}, 5, -3.0, 45.0);
    const auto second = media::readAloud(plan, {}, 6, 45.0, 62.0);
    auto sound = joined(media::sayAtRate("five, four, three, two, one, go", 130), first.sound);
    sound = joined(sound, media::sayAtRate("that was a bit close, I think the brakes are getting hot", 190));
    sound = joined(sound, second.sound);
    const auto found = media::align(sound, take::expectedNotes(plan)).notes;
    for (std::size_t k = 0; k < found.size(); ++k) {
        const bool said = plan.notes[k].start_s < 61.0;
        if (said || plan.notes[k].start_s > 63.0) {
            EXPECT_EQ(found[k].read, said) << k << " " << plan.notes[k].spoken;
        }
        EXPECT_TRUE(found[k].repeats.empty()) << plan.notes[k].spoken;
        EXPECT_TRUE(std::none_of(found[k].misread.begin(), found[k].misread.end(),
            [](const take::Misread& word) { return word.sure >= take::kSure && !word.of_distance; }))
            << plan.notes[k].spoken << ": talk right before it is no reading of it";
    }
}

TEST(Aligner, ADriverWhoTalksAllAlongHidesNothing)
{
    const auto plan = demoPlan();
    auto reading = media::readAloud(plan, {}, 5, -3.0, 42.0);
    addDriver(reading.sound, 0.2);
    const auto found = media::align(reading.sound, take::expectedNotes(plan)).notes;
    for (std::size_t k = 0; k < reading.truth.size(); ++k) {
        EXPECT_TRUE(found[k].repeats.empty()) << plan.notes[k].spoken;
    }
    EXPECT_GE(foundOf(found, reading.truth) + 1, reading.truth.size());
    for (std::size_t k = reading.truth.size() + 1; k < found.size(); ++k) {
        EXPECT_FALSE(found[k].read) << "nobody came as far as " << plan.notes[k].spoken;
    }
}

TEST(Aligner, ADriverHalfAsLoudHidesHardlyAny)
{
    const auto plan = demoPlan();
    auto reading = media::readAloud(plan, {}, 5, -3.0, 75.0);
    addDriver(reading.sound, 0.33);
    const auto found = media::align(reading.sound, take::expectedNotes(plan)).notes;
    EXPECT_GE(foundOf(found, reading.truth) + 1, reading.truth.size());
}

TEST(Aligner, ADriverHalfAsLoudHidesHardlyAnyOfATakeThatIsJudgedWhileItComes)
{
    constexpr std::size_t kAtOnce = media::kAlignRate_hz / 2;
    const auto plan = demoPlan();
    auto reading = media::readAloud(plan, {}, 5, -3.0, 75.0);
    addDriver(reading.sound, 0.33);
    const auto samples = media::resampled(reading.sound, media::kAlignRate_hz).samples;
    media::LiveAligner aligner(take::expectedNotes(plan));
    for (std::size_t at = 0; at < samples.size(); at += kAtOnce) {
        aligner.hear(std::span(samples).subspan(at, std::min(kAtOnce, samples.size() - at)));
    }
    EXPECT_GE(foundOf(aligner.finish({}), reading.truth) + 1, reading.truth.size());
}

TEST(Aligner, TalkAndTheNotesOfAnotherStageAreNoReading)
{
    const auto plan = demoPlan();
    const auto talk = media::resampled(
        media::sayAtRate("we should talk about this one after lunch, the others had the same problem", 180),
        media::kAlignRate_hz);
    stage::Stage other;
    other.text = "left one long into right six 40\nleft six 60\nright one tightens into left two 30\n"
                 "left two over bridge 40\nright two and left six 70\n";
    const auto elsewhere = media::readAloud(stage::prepare(other, nullptr).plan, {}, 1).sound;
    for (const media::Sound* sound : {&talk, &elsewhere}) {
        int read = 0;
        for (const auto& note : media::align(*sound, take::expectedNotes(plan)).notes) {
            read += note.read ? 1 : 0;
        }
        EXPECT_LE(read, 2);
    }
}

TEST(Aligner, HumARumbleAndAFaintMicrophoneHideNothing)
{
    const auto plan = demoPlan();
    const auto reading = media::readAloud(plan, {}, 5, 40.0, 68.0);
    const auto expected = take::expectedNotes(plan);
    auto hum = media::resampled(reading.sound, media::kAlignRate_hz);
    auto faint = hum;
    auto rumble = hum;
    std::minstd_rand random(4);
    std::normal_distribution<double> hit(0.0, 400.0);
    double low = 0.0;
    for (std::size_t i = 0; i < hum.samples.size(); ++i) {
        low = 0.985 * low + hit(random);
        rumble.samples[i] =
            static_cast<std::int16_t>(std::clamp(0.6 * hum.samples[i] + low, -32768.0, 32767.0));
        const double t = static_cast<double>(i) / media::kAlignRate_hz;
        hum.samples[i] = static_cast<std::int16_t>(
            std::clamp(0.6 * hum.samples[i] + 5000.0 * std::sin(314.0 * t), -32768.0, 32767.0));
        faint.samples[i] = static_cast<std::int16_t>(faint.samples[i] / 80);
    }
    for (const media::Sound* sound : {&hum, &faint, &rumble}) {
        std::size_t read = 0;
        for (const auto& note : media::align(*sound, expected).notes) {
            read += note.read ? 1U : 0U;
        }
        EXPECT_GE(read + 1, reading.truth.size());
        EXPECT_LE(read, reading.truth.size());
    }
}
