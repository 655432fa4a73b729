#include "take/by_hand.h"

#include "formats/take_json.h"

#include "small_reading.h"
#include <nlohmann/json.hpp>

#include <gtest/gtest.h>

#include <algorithm>

using namespace brumefall;
using namespace brumefall::take;

namespace {

const FoundNote& of(const std::vector<FoundNote>& found, const std::string& id)
{
    return *std::find_if(found.begin(), found.end(), [&](const FoundNote& n) { return n.id == id; });
}

/// Two words a second from `start_s` on.
std::vector<FoundNote> twoNotes(double start_s)
{
    FoundNote first;
    first.id = "n1";
    first.read = true;
    first.span = {start_s, start_s + 2.0};
    for (int i = 0; i < 4; ++i) {
        first.words.push_back({"w" + std::to_string(i), {start_s + 0.5 * i, start_s + 0.5 * i + 0.4}});
    }
    first.hesitations.push_back({start_s + 1.4, start_s + 1.5});
    FoundNote second;
    second.id = "n2";
    return {first, second};
}

} // namespace

TEST(ByHand, ANoteThatIsMovedTakesItsWordsAlong)
{
    const auto found = moved(twoNotes(10.0), "n1", Edge::whole, -1.5);
    EXPECT_DOUBLE_EQ(of(found, "n1").span.start_s, 8.5);
    EXPECT_DOUBLE_EQ(of(found, "n1").span.end_s, 10.5);
    EXPECT_DOUBLE_EQ(of(found, "n1").words[2].span.start_s, 9.5);
    EXPECT_DOUBLE_EQ(of(found, "n1").hesitations[0].start_s, 9.9);
    EXPECT_TRUE(of(found, "n1").by_hand);
    EXPECT_FALSE(of(found, "n2").by_hand);
}

TEST(ByHand, AnEndThatIsMovedStretchesItAndNeverTurnsItRound)
{
    EXPECT_DOUBLE_EQ(of(moved(twoNotes(10.0), "n1", Edge::end, 2.0), "n1").span.end_s, 14.0);
    const auto found = moved(twoNotes(10.0), "n1", Edge::end, -9.0);
    EXPECT_DOUBLE_EQ(of(found, "n1").span.end_s, 10.0 + kShortestReading_s);
    const auto start = moved(twoNotes(10.0), "n1", Edge::start, 9.0);
    EXPECT_DOUBLE_EQ(of(start, "n1").span.start_s, 12.0 - kShortestReading_s);
    EXPECT_DOUBLE_EQ(of(start, "n1").span.end_s, 12.0);
}

TEST(ByHand, NothingIsMovedBeforeTheRecording)
{
    const auto found = moved(twoNotes(1.0), "n1", Edge::whole, -5.0);
    EXPECT_DOUBLE_EQ(of(found, "n1").span.start_s, 0.0);
    EXPECT_DOUBLE_EQ(of(found, "n1").span.end_s, 2.0);
}

TEST(ByHand, ACallThatWasFoundAsOneIsCutBetweenItsNotes)
{
    const auto found = split(twoNotes(10.0), "n1", 11.0, "n2");
    EXPECT_DOUBLE_EQ(of(found, "n1").span.end_s, 11.0);
    EXPECT_EQ(of(found, "n1").words.size(), 2U);
    EXPECT_TRUE(of(found, "n1").hesitations.empty());
    ASSERT_TRUE(of(found, "n2").read);
    EXPECT_DOUBLE_EQ(of(found, "n2").span.start_s, 11.0);
    EXPECT_DOUBLE_EQ(of(found, "n2").span.end_s, 12.0);
    EXPECT_EQ(of(found, "n2").words.size(), 2U);
    EXPECT_EQ(split(twoNotes(10.0), "n1", 12.5, "n2"), twoNotes(10.0)) << "outside it";
    EXPECT_EQ(split(twoNotes(10.0), "n1", 11.0, "gone"), twoNotes(10.0));
}

TEST(ByHand, WhatIsGivenToAnotherNoteIsItsReadingOrItsRepeat)
{
    auto found = given(twoNotes(10.0), "n1", "n2");
    EXPECT_FALSE(of(found, "n1").read);
    EXPECT_EQ(of(found, "n2").span, (Span{10.0, 12.0}));
    EXPECT_EQ(of(found, "n2").words.size(), 4U);

    found = twoNotes(10.0);
    found[1].read = true;
    found[1].span = {15.0, 16.0};
    found[1].misread.push_back({"left", "right", 1.0, false});
    found = given(found, "n1", "n2");
    EXPECT_EQ(of(found, "n2").span, (Span{10.0, 12.0})) << "the earlier one is the reading";
    EXPECT_EQ(of(found, "n2").repeats, std::vector<Span>({{15.0, 16.0}}));
    EXPECT_TRUE(of(found, "n2").misread.empty()) << "that was heard in the other";
}

TEST(ByHand, WhatIsNotMineIsNoReadingAndARepeatTakesItsPlace)
{
    EXPECT_FALSE(of(notMine(twoNotes(10.0), "n1"), "n1").read);
    auto twice = twoNotes(10.0);
    twice[0].repeats.push_back({20.0, 22.0});
    twice = notMine(twice, "n1");
    EXPECT_TRUE(of(twice, "n1").read);
    EXPECT_EQ(of(twice, "n1").span, (Span{20.0, 22.0}));
    EXPECT_TRUE(of(twice, "n1").repeats.empty());
}

TEST(ByHand, ANoteThatWasSaidRightAfterAllIsJudgedByItsTime)
{
    support::SmallReading reading;
    reading.found[3].misread.push_back({"left", "right", 0.9, false});
    EXPECT_EQ(reading.verdicts()[3].timing, Timing::missed);
    reading.found = saidRight(reading.found, reading.found[3].id);
    EXPECT_EQ(reading.verdicts()[3].timing, Timing::on_time);
}

TEST(ByHand, ACorrectionIsKeptWithTheTake)
{
    const auto found = split(twoNotes(10.0), "n1", 11.0, "n2");
    EXPECT_EQ(formats::foundFromJson(formats::foundToJson(found)), found);
    const auto nothing = notMine(twoNotes(10.0), "n1");
    EXPECT_TRUE(formats::foundFromJson(formats::foundToJson(nothing))[0].by_hand);
}
