// What a piece of a recording is divided at: the notes heard in it, and the silences cut out of it.

#include "media/seams.h"

#include <gtest/gtest.h>

using namespace brumefall;

namespace {

/// Word `word` of note `note`, half a second long.
media::HeardWord wordOf(std::size_t note, std::size_t word, double start_s)
{
    return {{note, word, false, 0}, {start_s, start_s + 0.5}, {}, 0.0};
}

/// Notes 4, 5 and 6 of two words each, one after the other from second 10 on.
std::vector<media::HeardWord> threeNotes()
{
    std::vector<media::HeardWord> words;
    for (std::size_t note = 4; note < 7; ++note) {
        const double start_s = 10.0 + static_cast<double>(note - 4);
        words.push_back(wordOf(note, 0, start_s));
        words.push_back(wordOf(note, 1, start_s + 0.5));
    }
    return words;
}

/// A second of sound kept, so many seconds cut out, and so on.
media::Condensed cutOut(const std::vector<double>& silences_s)
{
    media::Condensed condensed;
    std::size_t original = 0;
    condensed.pieces.push_back({0, 0});
    condensed.samples.resize(2 * media::kAlignRate_hz);
    original += condensed.samples.size();
    for (const double silence_s : silences_s) {
        original += static_cast<std::size_t>(silence_s * media::kAlignRate_hz);
        condensed.pieces.push_back({condensed.samples.size(), original});
        condensed.samples.resize(condensed.samples.size() + 2 * media::kAlignRate_hz);
        original += 2 * media::kAlignRate_hz;
    }
    return condensed;
}

} // namespace

TEST(Seams, TheLastNoteBeginsWithItsFirstWord)
{
    EXPECT_EQ(media::lastBegun(threeNotes()), 4U);
    EXPECT_EQ(media::lastBegun({}), 0U);
    const auto one = threeNotes();
    EXPECT_EQ(media::lastBegun(std::span(one).first(2)), 0U) << "nothing before it";
}

TEST(Seams, OnlyANoteThatThePieceEndsInIsHeardAgain)
{
    const auto words = threeNotes();
    EXPECT_EQ(media::begunBefore(words, 0, 12.7), 12.0) << "its last word may not be over";
    EXPECT_EQ(media::begunBefore(words, 0, 11.5), 11.0);
    EXPECT_FALSE(media::begunBefore(words, 0, 13.5)) << "all were over before";
    EXPECT_FALSE(media::begunBefore(words, 4, 11.5)) << "a later one is asked for";
    EXPECT_FALSE(media::begunBefore({}, 0, 11.5));
}

TEST(Seams, AWordBelongsToTheStretchThatItBeginsIn)
{
    const auto words = media::wordsIn(threeNotes(), {10.6, 12.0});
    ASSERT_EQ(words.size(), 2U);
    EXPECT_EQ(words.front().place.note, 5U);
}

TEST(Seams, CallsArePartedWhereASilenceWasCutOut)
{
    const auto parts = media::saidParts(cutOut({5.0, 0.3, 1.0}), {0.0, 8.0});
    ASSERT_EQ(parts.size(), 3U) << "a breath parts nothing";
    EXPECT_DOUBLE_EQ(parts[0].end_s, 2.0);
    EXPECT_DOUBLE_EQ(parts[1].start_s, 2.0);
    EXPECT_DOUBLE_EQ(parts[1].end_s, 6.0);
    EXPECT_DOUBLE_EQ(parts[2].end_s, 8.0);
}

TEST(Seams, APartIsNeverTooShortToHearANoteIn)
{
    const auto parts = media::saidParts(cutOut({5.0, 5.0, 5.0}), {1.5, 6.5});
    ASSERT_EQ(parts.size(), 2U);
    EXPECT_DOUBLE_EQ(parts[0].start_s, 1.5);
    EXPECT_DOUBLE_EQ(parts[0].end_s, 4.0);
    EXPECT_DOUBLE_EQ(parts[1].end_s, 6.5);
}
