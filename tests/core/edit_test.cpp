// Changes to a text of notes: fixes, splitting and joining calls, laps, grades renumbered.

#include "notes/edit.h"

#include <gtest/gtest.h>

#include <random>

using namespace brumefall::notes;

namespace {

const std::map<int, int> kTurnedRound{{1, 6}, {2, 5}, {3, 4}, {4, 3}, {5, 2}, {6, 1}};

std::string renumbered(const std::string& text, Order order = Order::direction_first)
{
    return renumberGrades(text, 1, 1000, kTurnedRound, {}, order);
}

} // namespace

TEST(Edit, AFixReplacesTheWordThatWasNotUnderstoodAndNoOther)
{
    const std::string text = "left four\n   left three titans two titans # titans\n";
    const auto parsed = parseNotes(text);
    ASSERT_EQ(parsed.unknown.size(), 3U);
    EXPECT_EQ(withFix(text, parsed.unknown[2]), "left four\n   left three titans two tightens # titans\n");
    EXPECT_EQ(
        withFix(text, parsed.unknown[0], "opens"), "left four\n   left three opens two titans # titans\n");
}

TEST(Edit, ACallIsSplitBeforeTheNoteNearestToTheCursor)
{
    const auto split =
        splitCall("left four into right three 60, left two", 1, 12, {}, Order::direction_first);
    EXPECT_EQ(split.text, "left four\ninto right three 60, left two");
    EXPECT_EQ(split.line, 2);
    const auto later =
        splitCall("left four into right three 60, left two", 1, 35, {}, Order::direction_first);
    EXPECT_EQ(later.text, "left four into right three 60\nleft two");
    const auto one = splitCall("left four long 60", 1, 5, {}, Order::direction_first);
    EXPECT_EQ(one.text, "left four long 60") << "a call of one note stays";
}

TEST(Edit, JoiningWhatWasSplitMeansTheSame)
{
    const std::string text = "left four into right three 60 left two\nright five 80";
    const auto before = parseNotes(text);
    const auto split = splitCall(text, 1, 30, {}, Order::direction_first);
    ASSERT_NE(split.text, text);
    const auto joined = joinCalls(split.text, 1);
    EXPECT_EQ(joined.text, text);
    EXPECT_EQ(parseNotes(split.text).calls.size(), before.calls.size() + 1);
}

TEST(Edit, JoiningKeepsCommentsAndStopsAtTheEdgeOfALap)
{
    EXPECT_EQ(joinCalls("left four # barn\n\n# tree\nright two # gate", 1).text,
        "left four right two # barn # tree # gate");
    EXPECT_EQ(joinCalls("left four\n[laps 2]\nright two", 1).text, "left four\n[laps 2]\nright two");
    EXPECT_EQ(joinCalls("left four", 1).text, "left four");
}

TEST(Edit, LinesAreRepeatedAsLaps)
{
    const auto laps = repeatLines("left four\nright three\nleft two", 2, 3, 3);
    EXPECT_EQ(laps.text, "left four\n[laps 3]\nright three\nleft two\n[end]");
    EXPECT_EQ(parseNotes(laps.text).calls.size(), 7U);
}

TEST(Edit, AScaleTurnedRoundChangesGradesAndTargetsAndNoDistanceOrCount)
{
    EXPECT_EQ(renumbered("left four tightens three over 2 crests 50 # left 4"),
        "left three tightens four over 2 crests 50 # left 4");
    EXPECT_EQ(renumbered("L4+ R3- lg 40"), "L3+ R4- lg 40");
    EXPECT_EQ(renumbered("two left opens to a long five into hairpin right", Order::number_first),
        "five left opens to a long two into hairpin right");
    EXPECT_EQ(renumberGrades("left four\nleft four", 2, 2, {{4, 5}}, {}, Order::direction_first),
        "left four\nleft five");
}

TEST(WithDistance, OfANoteThatHasNoneChangesNoOther)
{
    const std::string text = "left four\nright four 60\n";
    EXPECT_EQ(withDistance(text, 1, 0, 80.0, {}, Order::direction_first), text);
    EXPECT_EQ(withDistance(text, 2, 0, 80.0, {}, Order::direction_first), "left four\nright four 80\n");
    EXPECT_EQ(withDistance("left four\n60 right four\n", 1, 0, 80.0, {}, Order::direction_first),
        "left four\n80 right four\n");
}

TEST(Distances, SaidAtTheEndAndAgainAtTheStartAreOne)
{
    EXPECT_EQ(parseNotes("left two 60\n60 right three 40\n").calls[0].notes[0].link.metres, 60.0);
    EXPECT_EQ(parseNotes("left two 60\n100 right three 40\n").calls[0].notes[0].link.metres, 160.0);
}

TEST(Edit, TurningTheScaleRoundTwiceChangesNothing)
{
    std::mt19937 random(7);
    const std::vector<std::string> pieces{"left four", "right 2", "tightens three", "opens to five",
        "over crest", "L3", "60", "into", "long", "hairpin left", "over two crests", "don't cut", "100", ","};
    for (int round = 0; round < 500; ++round) {
        std::string text;
        for (int i = 0; i < 8; ++i) {
            text += pieces[random() % pieces.size()] + (random() % 6 == 0 ? "\n" : " ");
        }
        EXPECT_EQ(renumbered(renumbered(text)), text);
    }
}

TEST(WithWords, ANoteIsRewordedAndItsLineStaysAsItIs)
{
    const auto reworded = [](std::string_view text, int line, std::size_t index, std::string_view words) {
        return withWords(text, line, index, words, {}, Order::direction_first);
    };
    const std::string text = "left three, tightens two, into right four 60 # tree\n60 over crest left two\n";
    EXPECT_EQ(reworded(text, 1, 0, "left three tightens, don't cut"),
        "left three tightens, don't cut, into right four 60 # tree\n60 over crest left two\n");
    EXPECT_EQ(reworded(text, 1, 1, "right five"),
        "left three, tightens two, into right five 60 # tree\n60 over crest left two\n")
        << "its joining word and its distance stay";
    EXPECT_EQ(reworded(text, 1, 1, "into right five 80"),
        "left three, tightens two, into right five 80 # tree\n60 over crest left two\n");
    EXPECT_EQ(reworded(text, 2, 0, "sixty left two over crest"),
        "left three, tightens two, into right four 60 # tree\nsixty left two over crest\n");
    EXPECT_EQ(reworded(text, 2, 0, "left two"),
        "left three, tightens two, into right four 60 # tree\n60 left two\n");
    EXPECT_EQ(reworded(text, 2, 7, "left two"), text);
    EXPECT_EQ(reworded(text, 9, 0, "left two"), text);
    EXPECT_EQ(reworded(text, 1, 0, "  "), text);
}
