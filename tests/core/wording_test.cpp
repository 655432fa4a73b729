// What the core says in words, in the user's language.

#include "take/take.h"
#include "wording/wording.h"

#include <gtest/gtest.h>

#include <string>

using namespace brumefall;

namespace {

class WordingTest : public testing::Test {
protected:
    void TearDown() override { wording::speak({}); }
};

take::Verdict lateBy(double off_s)
{
    take::Verdict verdict;
    verdict.timing = take::Timing::late;
    verdict.off_s = off_s;
    verdict.lead_m = 41.2;
    return verdict;
}

} // namespace

TEST_F(WordingTest, AVerdictIsSaidInTheLanguageOfTheWindow)
{
    EXPECT_EQ(take::describe(lateBy(0.62)), "0.6 s late, 41 m before");
    wording::speak([](const char* context, const char* english) {
        return std::string(context) == "verdict" && std::string(english) == "%1 s late, %2 m before"
            ? "%2 m davor, %1 s zu sp\u00e4t"
            : english;
    });
    EXPECT_EQ(take::describe(lateBy(0.62)), "41 m davor, 0.6 s zu sp\u00e4t"); // in its own order
    wording::speak({});
    EXPECT_EQ(take::describe(lateBy(0.62)), "0.6 s late, 41 m before");
}

TEST_F(WordingTest, OneNoteIsNotSeveral)
{
    take::Verdict verdict;
    verdict.timing = take::Timing::early;
    verdict.off_s = -2.1;
    verdict.notes_ahead = 1;
    EXPECT_EQ(take::describe(verdict), "2.1 s early, one note ahead");
    verdict.notes_ahead = 2;
    EXPECT_EQ(take::describe(verdict), "2.1 s early, 2 notes ahead");
}

TEST_F(WordingTest, WhatIsFilledInIsNeverAPlaceItself)
{
    EXPECT_EQ(wording::filled("%1 and %2", {"%2", "100 %"}), "%2 and 100 %");
    EXPECT_EQ(wording::filled("%1, %3 %", {"a"}), "a, %3 %");
}
