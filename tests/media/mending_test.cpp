// Where a piece of a recording may end, and what becomes of the words heard in it when each note is heard by
// itself.

#include "media/mending.h"
#include "media/note_recogniser.h"
#include "media/resample.h"
#include "media/seams.h"
#include "media/voice.h"
#include "take/readings.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <string>
#include <vector>

using namespace brumefall;
using media::HeardWord;
using take::ExpectedNote;

namespace {

media::Condensed spoken(const std::vector<std::string>& parts, double pause_s)
{
    media::Sound all{{}, media::kAlignRate_hz};
    const auto silence = [&](double length_s) {
        all.samples.insert(all.samples.end(), static_cast<std::size_t>(length_s * media::kAlignRate_hz), 0);
    };
    silence(0.5);
    for (const std::string& part : parts) {
        const auto said = media::resampled(media::sayAtRate(part, 200, {}), media::kAlignRate_hz);
        all.samples.insert(all.samples.end(), said.samples.begin(), said.samples.end());
        silence(pause_s);
    }
    return media::condense(all);
}

double lengthOf(const media::Condensed& condensed)
{
    return static_cast<double>(condensed.samples.size()) / media::kAlignRate_hz;
}

/// What is heard of all the notes in all of it.
std::vector<HeardWord> heardIn(media::NoteRecogniser& recogniser, const media::Condensed& condensed,
    std::size_t notes, bool near_misses = false)
{
    media::Grammar::Window window{0, notes, 0, true};
    window.near_misses = near_misses;
    return recogniser.hear(condensed, {0.0, lengthOf(condensed)}, window).words;
}

/// Words of a note, each of 0.3 s, from `start_s` on.
void add(std::vector<HeardWord>& words, std::size_t note, std::size_t first, std::size_t last, double start_s)
{
    for (std::size_t word = first; word < last; ++word) {
        const double at_s = start_s + 0.3 * static_cast<double>(word - first);
        words.push_back({{note, word, false, 0}, {at_s, at_s + 0.3}, {}, 0.0});
    }
}

} // namespace

TEST(Seams, APieceEndsBeforeTheLastNoteThatWasSurelyHeardWhole)
{
    const std::vector<ExpectedNote> expected{
        {"n1", "left four long", ""}, {"n2", "into right three", ""}, {"n3", "hairpin left", ""}};
    const media::NoteRecogniser recogniser(expected);
    const media::Grammar& grammar = recogniser.grammar();
    std::vector<HeardWord> words;
    add(words, 0, 0, 3, 1.0);
    add(words, 1, 1, 3, 3.0); // without "into"
    add(words, 2, 0, 2, 5.0);
    EXPECT_EQ(media::seamOf(words, grammar, 0.0, 9.0), 5U) << "the last one begins the next piece";
    EXPECT_EQ(media::seamOf(words, grammar, 0.0, 5.5), 3U) << "its end is not sure yet";
    EXPECT_EQ(media::seamOf(words, grammar, 4.0, 5.5), words.size()) << "that one begins too early";
    EXPECT_EQ(media::wholeUntil(words, grammar, 9.0), 7U);
    EXPECT_EQ(media::wholeUntil(words, grammar, 5.5), 5U);
    EXPECT_EQ(media::wholeUntil(words, grammar, 1.5), 0U);
    words.pop_back(); // broken off
    EXPECT_EQ(media::seamOf(words, grammar, 0.0, 9.0), 3U);
    EXPECT_EQ(media::wholeUntil(words, grammar, 9.0), 5U);
}

TEST(Mending, AJoiningWordIsAddedWhereItWasSaid)
{
    const std::vector<ExpectedNote> expected{{"n1", "left four", ""}, {"n2", "into right three", ""}};
    media::NoteRecogniser recogniser(expected);
    const auto joined = spoken({"left four into right three"}, 0.5);
    auto words = heardIn(recogniser, joined, expected.size());
    ASSERT_EQ(words.size(), 5U);
    const double begins_s = words[2].span.start_s;
    words.erase(words.begin() + 2);
    media::addJoiners(recogniser, joined, words);
    ASSERT_EQ(words.size(), 5U);
    EXPECT_EQ(words[2].place.word, 0U);
    EXPECT_NEAR(words[2].span.start_s, begins_s, 0.1);

    const auto apart = spoken({"left four", "right three"}, 0.5);
    auto without = heardIn(recogniser, apart, expected.size());
    ASSERT_EQ(without.size(), 4U);
    media::addJoiners(recogniser, apart, without);
    EXPECT_EQ(without.size(), 4U) << "nobody said it";
}

TEST(Mending, WordsTakenFromTheCallBeforeStandWhereTheRestWasHeard)
{
    const std::vector<ExpectedNote> expected{{"n1", "right six", ""}, {"n2", "left four long", ""}};
    media::NoteRecogniser recogniser(expected);
    const auto sound = spoken({"right six", "left four long"}, 3.5);
    auto words = heardIn(recogniser, sound, expected.size());
    ASSERT_EQ(words.size(), 5U);
    const auto heard = words;
    words[2].span = {words[1].span.end_s, words[1].span.end_s + 0.1}; // "left", at the end of "six"
    media::closeGaps(recogniser, sound, words);
    for (std::size_t w = 2; w < words.size(); ++w) {
        EXPECT_NEAR(words[w].span.start_s, heard[w].span.start_s, 0.1) << w;
    }
    const auto as_it_was = words;
    media::closeGaps(recogniser, sound, words);
    EXPECT_EQ(words[2].span.start_s, as_it_was[2].span.start_s) << "there is nothing left to mend";
}

TEST(Mending, AMisreadWordIsSureAndOneReadAsItIsWrittenIsNone)
{
    const std::vector<ExpectedNote> expected{{"n1", "left four", ""}, {"n2", "right six", ""}};
    media::NoteRecogniser recogniser(expected);
    const auto sound = spoken({"left four", "left six"}, 0.4);
    auto words = heardIn(recogniser, sound, expected.size(), true);
    ASSERT_EQ(words.size(), 4U);
    ASSERT_GT(words[2].place.miss, 0U);
    media::judgeMisses(recogniser, sound, words, false);
    EXPECT_EQ(words[2].said, "left");
    EXPECT_GT(words[2].sure, 0.9);
    EXPECT_TRUE(words[0].said.empty());

    auto turned = words; // what if the first note were said to be "right"
    turned[0].place.miss = 1;
    media::judgeMisses(recogniser, sound, turned, false);
    EXPECT_LT(turned[0].sure, 0.1) << "it was not";
}

TEST(Mending, BesideAnotherVoiceAMisreadWordHasToBePlainer)
{
    const std::vector<ExpectedNote> expected{{"n1", "left four", ""}, {"n2", "left six", ""}};
    media::NoteRecogniser recogniser(expected);
    const auto sound = spoken({"left four", "left three"}, 0.4);
    auto words = heardIn(recogniser, sound, expected.size(), true);
    ASSERT_EQ(words.size(), 4U);
    ASSERT_GT(words[3].place.miss, 0U);
    media::judgeMisses(recogniser, sound, words, false);
    const double in_quiet = words[3].sure;
    media::judgeMisses(recogniser, sound, words, true);
    EXPECT_GT(in_quiet, 0.5);
    EXPECT_LT(words[3].sure, in_quiet);
}
