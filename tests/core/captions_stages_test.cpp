// Captions in: where stages begin and end in a recording.

#include "drafts.h"

#include <gtest/gtest.h>

using namespace brumefall;
using support::draftOf;
using support::inOneLine;
using support::proposals;

TEST(CaptionsStages, WhatIsSaidAfterTheStopIsNoStageOfItsOwn)
{
    const auto draft = draftOf("[0:01] three two one go\n[0:04] left four 60 right three\n[0:30] finish\n"
                               "[0:40] stop\n[0:44] wibble flonk\n");
    ASSERT_EQ(draft.stages.size(), 1U);
    ASSERT_EQ(draft.talk.size(), 2U);
    EXPECT_EQ(draft.talk.back().heard, "wibble flonk");
}

TEST(CaptionsStages, TwoStagesInOneRecordingAreFoundByTheirCountdownsAndStops)
{
    const auto draft =
        draftOf("[0:05] okay good luck\n[0:20] five four three two one go\n[0:24] right five 80\n"
                "[0:30] left three 50\n[0:40] flying finish 100\n[0:50] stop\n[2:10] well done\n"
                "[9:00] 5 4 3 2 1 go\n[9:05] left four 60\n[9:10] right two\n[9:30] finish\n[9:40] stop\n");
    ASSERT_EQ(draft.stages.size(), 2U);
    EXPECT_TRUE(draft.stages[0].counted_down);
    EXPECT_NEAR(draft.stages[0].go_s, 24.0, 1.0);
    EXPECT_EQ(draft.stages[0].last_call - draft.stages[0].first_call, 4U);
    EXPECT_NEAR(draft.stages[1].go_s, 545.0, 1.5);
    EXPECT_EQ(draft.calls[draft.stages[1].first_call].text, "left four 60");
    EXPECT_GT(draft.chatter, 10);
}

TEST(CaptionsStages, TheDistanceAfterAGoBelongsToNoNoteOfTheStageBefore)
{
    const auto draft =
        draftOf("[0:05] 3 2 1 go\n[0:07] left four into right two and finish\n[0:20] stop here\n"
                "[0:22] stop stop\n[1:30] 5 4 3 2 1 go\n[1:36] 80 right four\n"
                "[1:40] into left five 60\n[1:48] left three finish\n");
    ASSERT_EQ(draft.stages.size(), 2U);
    EXPECT_EQ(proposals(draft),
        "left four into right two and finish\nstop here\n80\nright four into left five 60\nleft "
        "three\nfinish\n");
    const auto parsed = captions::understandDraft(draft);
    for (const notes::Call& call : parsed.calls) {
        for (const notes::Note& note : call.notes) {
            EXPECT_EQ(note.link.metres, note.spoken == "into left five" ? 60.0 : 0.0) << note.spoken;
        }
    }
}

TEST(CaptionsStages, ACountdownWhoseEndWasMisheardIsOneStill)
{
    const auto draft = draftOf("[0:20] five four three two well\n[0:25] right five 80\n[0:30] left three 50\n"
                               "[0:36] right four 60\n");
    ASSERT_EQ(draft.stages.size(), 1U);
    EXPECT_TRUE(draft.stages[0].counted_down);
    EXPECT_NEAR(draft.stages[0].go_s, 25.0, 1.0);
    EXPECT_EQ(proposals(draft), "well\nright five 80\nleft three 50\nright four 60\n") << "a well is a thing";
    EXPECT_FALSE(
        draftOf("[0:20] left five\n[0:22] right four\n[0:24] tightens three two\n").stages[0].counted_down);
}

TEST(CaptionsStages, TheOneWordBetweenACountdownAndASilenceIsGo)
{
    const auto draft = draftOf("[0:20] five four three two one into.\n[0:25] right five 80\n"
                               "[0:30] left three 50\n[0:36] right four 60\n");
    ASSERT_EQ(draft.stages.size(), 1U);
    EXPECT_TRUE(draft.stages[0].counted_down);
    EXPECT_LT(draft.stages[0].go_s, 25.1);
    EXPECT_EQ(proposals(draft), "right five 80\nleft three 50\nright four 60\n");
    EXPECT_NE(
        proposals(draftOf("[0:20] three two one left five 80.\n[0:25] right five 80\n")).find("left five 80"),
        std::string::npos)
        << "a note that runs on is none";
}

TEST(CaptionsStages, TheFirstNotesReadBeforeTheCountdownAreNoStage)
{
    const auto draft = draftOf("[0:01] left four 60, right three 40\n[0:20] five four three to one go\n"
                               "[0:27] left four 60, right three 40, left two 50\n[0:50] stop\n");
    ASSERT_EQ(draft.stages.size(), 1U);
    EXPECT_EQ(draft.calls.front().text, "left four 60 right three 40 left two 50");
    EXPECT_NEAR(draft.stages[0].go_s, 26.0, 1.2);
}

TEST(CaptionsStages, AGoAmidTheNotesDoesNotBeginTheStageAnew)
{
    const auto draft = draftOf("[0:10] five four three two one go\n[0:13] left four into right three 60\n"
                               "[0:20] right five over crest 80\n[0:26] go go\n[0:30] left two don't cut 50\n"
                               "[0:36] right six 100\n");
    ASSERT_EQ(draft.stages.size(), 1U);
    EXPECT_LT(draft.stages[0].go_s, 13.5) << "no note lies before go";
    EXPECT_EQ(draft.stages[0].last_call, draft.calls.size());
}

TEST(CaptionsStages, GoAfterACountdownIsGoWhateverFollows)
{
    const auto draft = draftOf("[0:01] three two one go straight one hundred left five over crest 60\n"
                               "[0:08] right four go straight 100 left three 40\n[0:20] stop\n");
    ASSERT_EQ(draft.stages.size(), 1U);
    EXPECT_GT(draft.stages[0].go_s, 1.0);
    EXPECT_LT(draft.stages[0].go_s, 4.0);
    EXPECT_EQ(draft.calls.front().text.rfind("straight one hundred", 0), 0U) << draft.calls.front().text;
}

TEST(CaptionsStages, AGoThatRunsOnIntoANoteThrowsNoNotesAway)
{
    const auto draft = draftOf("[0:10] right five over crest into left four long 60\n"
                               "[0:18] caution right two don't cut\n"
                               "[0:24] go hairpin left opens 40\n[0:30] right four into left five 80\n");
    ASSERT_FALSE(draft.calls.empty());
    EXPECT_NEAR(draft.calls.front().at_s, 10.0, 0.5) << draft.calls.front().text;
}

TEST(CaptionsStages, ALoneGoInTheMiddleOfAStageIsNoOtherStage)
{
    const auto draft = draftOf("[0:10] left four 60\n[0:14] right three tightens 80\n[0:20] left five 100\n"
                               "[0:25] right two 50\n[0:30] caution hairpin left 40\n[0:36] right six 150\n"
                               "[0:42] left three don't cut 70\n[0:48] right four long 30\n"
                               "[0:54] square left 90\n[1:00] right five over crest.\n[1:06] go.\n"
                               "[1:10] left two 60\n[1:15] right three opens 120\n");
    ASSERT_EQ(draft.stages.size(), 1U);
    EXPECT_EQ(draft.stages[0].last_call, draft.calls.size());
    EXPECT_NEAR(draft.calls.front().at_s, 10.0, 0.5);
}

TEST(CaptionsStages, AnEndThatIsSaidTwiceIsOneEnd)
{
    const auto draft = draftOf("[0:10] three two one go left four 60 right three 40\n"
                               "[0:20] left five finish finish flying finish stop stop\n");
    EXPECT_EQ(inOneLine(draft), "left four 60 right three 40 left five flying finish stop");
    const auto between = draftOf("[0:10] three two one go left four 60 right three 40\n"
                                 "[0:20] left five flying finish 50 stop\n");
    EXPECT_EQ(inOneLine(between), "left four 60 right three 40 left five flying finish 50 stop");
}

TEST(CaptionsStages, AStopAfterTheFinishIsSureHoweverTheyWereSaid)
{
    const auto draft = draftOf("WEBVTT\n\n00:01.000 --> 00:04.000\ngo 60 left four 50 into right six 80\n\n"
                               "00:04.100 --> 00:08.000\nflying finish stop\n\n"
                               "00:30.000 --> 00:40.000\n5 saw 3 2 1 go unseen hairpin right 60\n");
    EXPECT_EQ(draft.stages.size(), 2U);
    bool stops = false;
    for (const auto& call : draft.calls) {
        for (const auto& note : call.notes) {
            if (note.text == "stop") {
                stops = true;
                EXPECT_GT(note.sure, 0.9);
            }
        }
    }
    EXPECT_TRUE(stops);
}
