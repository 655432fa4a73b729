// Notes dictated a breath at a time, in a synthetic voice.

#include "captions/dictated.h"
#include "media/condense.h"
#include "media/dictation.h"
#include "media/pronunciations.h"
#include "media/resample.h"
#include "media/sounds.h"
#include "media/voice.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <random>
#include <string>
#include <vector>

using namespace brumefall;

namespace {

/// Breaths with a second of a quiet room between them.
std::vector<std::int16_t> dictate(
    const std::vector<std::string>& breaths, const std::string& variant = "en-us+f2", double noise = 30.0)
{
    std::vector<std::int16_t> samples(2 * kSecond);
    media::VoiceStyle voice;
    voice.variant = variant;
    for (const std::string& breath : breaths) {
        const auto said = media::resampled(media::sayAtRate(breath, 190, voice), media::kAlignRate_hz);
        samples.insert(samples.end(), said.samples.begin(), said.samples.end());
        samples.resize(samples.size() + 3 * kSecond / 2);
    }
    std::minstd_rand random(5);
    std::normal_distribution<double> room(0.0, noise);
    for (std::int16_t& sample : samples) {
        sample = static_cast<std::int16_t>(std::clamp(sample + room(random), -32768.0, 32767.0));
    }
    return samples;
}

struct Lines {
    std::vector<captions::Dictated> breaths;
    std::vector<double> from_s;
    bool shown_while_said = false;
};

/// As a microphone gives it: a tenth of a second at a time.
Lines hear(const std::vector<std::int16_t>& samples, const notes::Style& style = {})
{
    media::Dictation dictation(style);
    Lines heard;
    const auto take = [&](const std::optional<captions::Cue>& cue) {
        if (cue) {
            heard.breaths.push_back(captions::dictated(*cue, style, media::englishPronunciations()));
            heard.from_s.push_back(cue->start_s);
        }
    };
    constexpr std::size_t kPart = kSecond / 10;
    for (std::size_t at = 0; at < samples.size(); at += kPart) {
        take(dictation.hear(std::span(samples).subspan(at, std::min(kPart, samples.size() - at))));
        heard.shown_while_said = heard.shown_while_said || !dictation.soFar().empty();
    }
    take(dictation.finish());
    return heard;
}

} // namespace

TEST(Dictation, HearsANoteABreathAndTakesBackWhatIsScratched)
{
    const auto heard = hear(dictate({"left three tightens, into right four, sixty", "right five over crest",
        "scratch that", "hairpin left"}));
    ASSERT_EQ(heard.breaths.size(), 4U);
    EXPECT_EQ(heard.breaths[0].line, "left three tightens into right four sixty");
    EXPECT_EQ(heard.breaths[1].line, "right five over crest");
    EXPECT_TRUE(heard.breaths[2].scratches);
    EXPECT_EQ(heard.breaths[2].line, "");
    EXPECT_FALSE(heard.breaths[3].scratches);
    EXPECT_EQ(heard.breaths[3].line, "hairpin left");
    EXPECT_TRUE(heard.shown_while_said);
    EXPECT_NEAR(heard.from_s[0], 2.0 - 1.2, 0.3) << "with the room before it";
}

/// The recogniser hears "left" and another word: a crew's own words are likelier to it.
TEST(Dictation, ScratchThatIsToldFromTheTwoWordsItSoundsLike)
{
    const auto heard =
        hear(dictate({"left three tightens into right four sixty", "caution hairpin left don't cut eighty",
                         "scratch that", "flat left", "crest"},
            "en-us+m3"));
    ASSERT_EQ(heard.breaths.size(), 5U);
    for (std::size_t i = 0; i < heard.breaths.size(); ++i) {
        EXPECT_EQ(heard.breaths[i].scratches, i == 2) << "breath " << i;
    }
}

TEST(Dictation, BreathsEndWhereAnEngineWasStartedInASilentCar)
{
    std::vector<std::int16_t> samples(12 * kSecond);
    const auto said =
        dictate({"left three tightens into right four sixty", "right five over crest", "hairpin left"},
            "en-us+f2", 300.0);
    samples.insert(samples.end(), said.begin(), said.end());
    const auto heard = hear(samples);
    ASSERT_EQ(heard.breaths.size(), 3U);
    EXPECT_EQ(heard.breaths[1].line, "right five over crest");
}

TEST(Dictation, HearsNoNoteInAClickOrInTalk)
{
    auto samples = dictate({"what a lovely evening for going home and cooking dinner"});
    for (std::size_t i = 0; i < 40; ++i) {
        samples[kSecond + i] = 20000;
    }
    for (const auto& breath : hear(samples).breaths) {
        EXPECT_EQ(breath.line, "");
        EXPECT_FALSE(breath.scratches);
    }
}

TEST(Dictated, TakesBackOnlyWhatWasSaidBefore)
{
    const auto read = [](const std::string& text) { return captions::dictated({0.0, 3.0, 1, text, {}}); };
    EXPECT_EQ(read("left three, scratch that, right four.").line, "right four");
    EXPECT_FALSE(read("left three, scratch that, right four.").scratches) << "the note before it stays";
    EXPECT_TRUE(read("scratch that. right four.").scratches);
    EXPECT_EQ(read("scratch that. right four.").line, "right four");
    EXPECT_EQ(read("scratch that").line, "");
}
