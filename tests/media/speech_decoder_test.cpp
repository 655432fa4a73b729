// How well the recogniser explains words, and in whose voice.

#include "media/reading_grammar.h"
#include "media/resample.h"
#include "media/speech_decoder.h"
#include "media/voice.h"

#include <gtest/gtest.h>

#include <vector>

using namespace brumefall;

/// The second take of an evening: another voice was heard between.
TEST(SpeechDecoder, AShortThroatIsHeardAsOneHoweverManyVoicesCameBefore)
{
    media::VoiceStyle voice;
    voice.variant = "en-gb-scotland+f3";
    const auto sound = media::resampled(media::sayAtRate("left four", 240, voice), media::kAlignRate_hz);
    const std::vector<take::ExpectedNote> expected{{"n1", "left four", ""}};
    const auto likelihood = [&](double warp) {
        const auto decoder = media::makeDecoder(media::Means::of_utterance, warp);
        media::Grammar grammar(decoder.get(), expected);
        grammar.useExactly({{0, 0, false, 0}, {0, 1, false, 0}});
        media::explain(decoder.get(), sound.samples);
        return media::logLikelihood(decoder.get()).value_or(0.0);
    };
    const double shorter = likelihood(1.32);
    const double as_it_is = likelihood(1.0);
    EXPECT_NE(shorter, as_it_is);
    EXPECT_EQ(likelihood(1.32), shorter);
    EXPECT_EQ(likelihood(1.0), as_it_is);
}

/// A single note has no mean that tells of the voice, and what was heard before does.
TEST(SpeechDecoder, AFewWordsAreComparedByTheMeanOfWhatWasSaidAtLengthBefore)
{
    const std::vector<take::ExpectedNote> expected{{"n1", "left four", ""}};
    const auto decoder = media::makeDecoder(media::Means::of_utterance);
    media::Grammar grammar(decoder.get(), expected);
    grammar.useExactly({{0, 0, false, 0}, {0, 1, false, 0}});
    const auto few = media::resampled(media::sayAtRate("left four", 240, {}), media::kAlignRate_hz);
    auto many = few;
    while (many.duration_s() < 16.0) {
        const auto more =
            media::resampled(media::sayAtRate("right six over crest", 240, {}), media::kAlignRate_hz);
        many.samples.insert(many.samples.end(), more.samples.begin(), more.samples.end());
    }
    media::FeatureMean mean;
    const auto likelihood = [&] {
        media::explain(decoder.get(), few.samples, mean);
        return media::logLikelihood(decoder.get()).value_or(0.0);
    };
    const double by_its_own = likelihood();
    EXPECT_TRUE(mean.empty()) << "a few words are no measure for others";
    media::explain(decoder.get(), many.samples, mean);
    ASSERT_FALSE(mean.empty());
    const auto measured = mean;
    EXPECT_NE(likelihood(), by_its_own);
    EXPECT_EQ(mean, measured) << "nor do they change it";
}
