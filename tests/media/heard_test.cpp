// What is made of the words and the talk that were heard in a piece.

#include "media/heard.h"

#include <gtest/gtest.h>

#include <initializer_list>

using namespace brumefall;

namespace {

/// These notes, each of two words and a distance that last half a second each.
media::Heard heard(std::initializer_list<std::size_t> notes, double talk_s = 0.0)
{
    media::Heard out;
    for (const std::size_t note : notes) {
        for (const std::size_t word : {0U, 1U}) {
            out.words.push_back({{note, word, false, 0}, {}, {}, 0.0});
        }
        out.words.push_back({{note, 0, true, 0}, {}, {}, 0.0}); // its distance
        out.notes_s += 1.5;
    }
    out.talk_s = talk_s;
    return out;
}

} // namespace

/// Talk that is taken for notes jumps about among them.
TEST(Heard, NotesOneAfterTheOtherGoForwardAndThoseThatJumpDoNot)
{
    EXPECT_TRUE(heard({7, 8, 9, 10, 11}).goesForward());
    EXPECT_TRUE(heard({7, 8, 9, 10, 11, 13}).goesForward()) << "one was left out";
    EXPECT_FALSE(heard({7, 8, 10, 10, 12, 13, 20}).goesForward());
    EXPECT_FALSE(heard({53, 53, 54, 53}).goesForward());
    EXPECT_TRUE(heard({}).goesForward()) << "nothing jumps where nothing is";
    EXPECT_EQ(heard({53, 53, 54, 53}).notes(), 2U);
    EXPECT_TRUE(heard({7, 8, 9, 10}).isInOrder());
    EXPECT_FALSE(heard({7, 8, 9}).isInOrder()) << "too few";
    EXPECT_FALSE(heard({7, 17, 27, 37}).isInOrder()) << "most are missing between them";
}

/// Noise that goes on is heard as one note over and over, and tells nobody where the reader is.
TEST(Heard, ANoteOverAndOverIsNoReadingAndNotesInNoOrderTellNoPlace)
{
    EXPECT_TRUE(heard({53, 53, 53, 53}).isSaidOver());
    EXPECT_TRUE(heard({53, 53, 52, 53, 53, 53}).isSaidOver());
    EXPECT_FALSE(heard({53, 53, 53}).isSaidOver()) << "somebody may have said it three times";
    EXPECT_FALSE(heard({7, 7, 8, 8, 9, 9}).isSaidOver()) << "each as the car comes up to it";
    EXPECT_EQ(heard({7, 7, 8}).readings(), 3U);

    EXPECT_TRUE(heard({53, 12, 53, 40}).isInDisorder());
    EXPECT_FALSE(heard({7, 8, 9, 10}).isInDisorder());
    EXPECT_FALSE(heard({7, 8, 10, 11, 13}).isInDisorder()) << "some are left out, none jumps";
    EXPECT_FALSE(heard({53, 12}).isInDisorder()) << "too few to tell";
}

/// What is found for good while one still reads.
TEST(Heard, AReadingIsPlainWhereHardlyAnythingElseIsHeardAndNothingJumps)
{
    constexpr double kMost = 0.3; // of talk
    EXPECT_TRUE(heard({7, 8, 9}).isPlainReading(kMost));
    EXPECT_TRUE(heard({7, 7, 8}).isPlainReading(kMost)) << "said again";
    EXPECT_TRUE(heard({7, 9, 10}).isPlainReading(kMost)) << "one was skipped";
    EXPECT_FALSE(heard({7, 10, 11}).isPlainReading(kMost)) << "two are missing";
    EXPECT_FALSE(heard({7, 8, 6}).isPlainReading(kMost)) << "back to one before";
    EXPECT_TRUE(heard({7, 8, 9}, 1.0).isPlainReading(kMost));
    EXPECT_FALSE(heard({7, 8, 9}, 2.0).isPlainReading(kMost)) << "somebody talks, too";
    EXPECT_TRUE(heard({7, 8, 9}, 2.0).isPlainReading(0.5)) << "and may";
    EXPECT_FALSE(heard({}).isPlainReading(kMost));
    auto drawn_out = heard({7, 8, 9});
    drawn_out.notes_s *= 2.0;
    EXPECT_FALSE(drawn_out.isPlainReading(kMost)) << "nobody says a word for a second";
}

/// Three words in two seconds and a half are slow, and said by people: they are no noise.
TEST(Heard, ASlowReaderIsNotTakenForNoise)
{
    constexpr double kMost = 0.3; // of talk
    auto slow = heard({7, 8, 9});
    slow.notes_s = 0.83 * static_cast<double>(slow.words.size());
    EXPECT_FALSE(slow.isDrawnOut());
    EXPECT_TRUE(slow.isPlainReading(kMost));
}

TEST(Heard, OneNoteAfterAnotherLeavesNoneOutAndMisreadOnesAreCounted)
{
    EXPECT_TRUE(heard({7, 8, 8, 9}).isOneAfterAnother());
    EXPECT_TRUE(heard({}).isOneAfterAnother());
    EXPECT_FALSE(heard({7, 9}).isOneAfterAnother()) << "one was skipped";
    EXPECT_FALSE(heard({8, 7}).isOneAfterAnother()) << "back to one before";
    auto misread = heard({7, 8, 9});
    // two words of the first, one of the second, the last distance
    for (const std::size_t word : {0U, 1U, 3U, 8U}) {
        misread.words[word].place.miss = 1;
    }
    EXPECT_EQ(misread.misreadNotes(), 2U);
    EXPECT_EQ(heard({7, 8}).misreadNotes(), 0U);
}

/// A remark sounds like a note with a word or two misread, and the note itself then like the next one misread.
TEST(Heard, ANoteHeardAsItIsWrittenIsNotMisreadElsewhere)
{
    const auto at = [](media::Heard heard, double start_s) {
        for (auto& word : heard.words) {
            word.span = {start_s, start_s + 0.5};
            start_s += 0.5;
        }
        return heard;
    };
    const auto plain = at(heard({7, 8}), 10.0);
    auto other = at(heard({7, 8}), 5.0);
    EXPECT_FALSE(other.mistakesOther(plain)) << "the same words, elsewhere";
    other.words.front().place.miss = 1;
    EXPECT_TRUE(other.mistakesOther(plain));
    auto there = plain;
    there.words.front().place.miss = 1;
    EXPECT_FALSE(there.mistakesOther(plain)) << "it is misread where it was heard";
    EXPECT_FALSE(other.mistakesOther(at(heard({8}), 10.0))) << "that note was not heard";
}
