// Captions in: the three kinds of file, what they mishear, where stages begin and end.

#include "brief.h"
#include "captions/draft.h"
#include "formats/files.h"
#include "stage/stage.h"
#include "support.h"

#include <gtest/gtest.h>

#include <random>

using namespace brumefall;
using captions::draftNotes;
using captions::readCues;

namespace {

captions::Draft draftOf(const std::string& content)
{
    return draftNotes(readCues(content, "test"));
}

std::string proposals(const captions::Draft& draft)
{
    return captions::draftText(draft, 0, draft.calls.size());
}

struct Heard {
    const char* heard;
    const char* said;
};

class Misheard : public testing::TestWithParam<Heard> { };

} // namespace

TEST_P(Misheard, IsMendedAndShown)
{
    // company that tells which side the grade stands on
    const bool number_first = std::string(GetParam().said).starts_with("four left")
        || std::string(GetParam().said).find("three left") != std::string::npos;
    const std::string company = number_first ? "[0:01] four right\n[0:04] five left\n[0:07] two right\n"
                                             : "[0:01] right four\n[0:04] left five\n[0:07] right two\n";
    const auto draft = draftOf(company + "[0:12] " + GetParam().heard + "\n");
    ASSERT_FALSE(draft.calls.empty());
    EXPECT_EQ(draft.calls.back().text, GetParam().said);
    EXPECT_FALSE(draft.calls.back().repairs.empty());
    EXPECT_GT(draft.calls.back().confidence(), 0.4);
}

INSTANTIATE_TEST_SUITE_P(SoundAlikes, Misheard,
    testing::Values(Heard{"left four of a crest sixty", "left four over crest sixty"},
        Heard{"portion right two don't cup", "caution right two don't cut"},
        Heard{"hair pin left opens forty", "hairpin left opens forty"},
        Heard{"right four titans three", "right four tightens three"},
        Heard{"write for in two left to fifty", "right four into left two fifty"},
        Heard{"left for one hundred", "left four one hundred"},
        Heard{"left tree plus in to right five", "left three plus into right five"},
        Heard{"right 31 50", "right 3 150"}, Heard{"left 450 write 3", "left 4 50 right 3"},
        Heard{"left six plus slip free", "left six plus slippery"},
        Heard{"left sex over jumped", "left six over jump"}, Heard{"jump may be sixty", "jump maybe sixty"},
        Heard{"on seen right three", "unseen right three"},
        Heard{"caution she cane left entry", "caution chicane left entry"},
        Heard{"left four threw gate", "left four through gate"},
        Heard{"right five fif tea", "right five fifty"}));

INSTANTIATE_TEST_SUITE_P(GluedAndRunTogether, Misheard,
    testing::Values(Heard{"left 460", "left 4 60"}, Heard{"right 3100", "right 3 100"},
        Heard{"left 6 10050 jump", "left 6 100 50 jump"},
        Heard{"leftfour intoright three", "left four into right three"},
        Heard{"right five overcrest", "right five over crest"},
        Heard{"four left 603 left", "four left 60 3 left"},
        Heard{"four left thirty free left", "four left thirty three left"}));

INSTANTIATE_TEST_SUITE_P(BySound, Misheard,
    testing::Values(Heard{"left four tightins two", "left four tightens two"},
        Heard{"kaution left three", "caution left three"},
        Heard{"right five ovver crest", "right five over crest"}));

TEST(Captions, AFewWordsThatAreRightAreLeftAlone)
{
    const std::string notes =
        "[0:01] left four long for 60\n[0:05] right two to left three\n[0:09] lift, left two\n"
        "[0:14] right five plus to four\n[0:20] keep left for the rock\n";
    for (const auto& call : draftOf(notes).calls) {
        EXPECT_TRUE(call.repairs.empty()) << call.heard << " -> " << call.text;
    }
}

TEST(Captions, ReadsTheThreeKindsAlike)
{
    const auto srt = readCues(
        "1\n00:00:10,500 --> 00:00:12,000\nleft four\n\n2\n00:00:14,000 --> 00:00:15,000\nright five\n",
        "a.srt");
    const auto vtt = readCues("WEBVTT\nKind: captions\n\n00:10.500 --> 00:12.000 align:start\n<c>left</c> "
                              "four\n\n00:14.000 --> 00:15.000\nright five\n",
        "a.vtt");
    const auto plain = readCues("[0:10.5] left four\n[0:14] right five\n", "a.txt");
    for (const auto& cues : {srt, vtt, plain}) {
        ASSERT_EQ(cues.size(), 2U);
        EXPECT_DOUBLE_EQ(cues[0].start_s, 10.5);
        EXPECT_EQ(cues[0].text, "left four");
        EXPECT_DOUBLE_EQ(cues[1].start_s, 14.0);
    }
    EXPECT_EQ(srt[1].line, 7);
    EXPECT_TRUE(captions::looksLikeCaptions("[0:10] left four"));
    EXPECT_FALSE(captions::looksLikeCaptions("left four 60\nright three"));
}

TEST(Captions, AnEndlessFileIsRefusedWithAMessage)
{
    std::string content;
    for (std::size_t i = 0; i <= captions::kMostCues; ++i) {
        content += "[" + std::to_string(i / 60) + ":" + (i % 60 < 10 ? "0" : "") + std::to_string(i % 60)
            + "] left\n";
    }
    EXPECT_THROW(static_cast<void>(readCues(content, "endless.txt")), formats::FormatError);
}

TEST(Captions, TalkIsLeftOutOfTheNotesAndKeptToBeShown)
{
    const auto draft =
        draftNotes(readCues("[0:05] left four 80\n"
                            "[0:12] lovely that's really good keep pushing 150 left two\n"
                            "[0:40] so that was a pretty good stage I thought the tyres were cold\n",
            "talk.txt"));
    ASSERT_EQ(draft.calls.size(), 2U);
    EXPECT_EQ(draft.calls[1].text, "150 left two");
    ASSERT_EQ(draft.calls[1].repairs.size(), 1U);
    EXPECT_EQ(draft.calls[1].repairs[0].from, "lovely that's really good keep pushing");
    ASSERT_EQ(draft.talk.size(), 1U);
    EXPECT_EQ(draft.talk[0].line, 3);
    EXPECT_EQ(draft.stages.size(), 1U) << "talk makes no stage of its own";
}

TEST(Captions, AGradeGluedToItsDirectionIsNotLost)
{
    const auto tidied = captions::tidy(
        {"right6", "150", "left5", "into", "write", "three", "minus60"}, notes::Order::direction_first);
    EXPECT_EQ(notes::joinWords(tidied.words), "right 6 150 left 5 into right three minus 60");
}

TEST(Captions, RollingCaptionsAreTakenOnce)
{
    const auto draft = draftOf("WEBVTT\n\n00:01.000 --> 00:03.000\nleft four into\n\n"
                               "00:03.000 --> 00:05.000\nleft four into\nright three sixty\n\n"
                               "00:05.000 --> 00:07.000\nright three sixty\nleft five over crest\n");
    EXPECT_EQ(proposals(draft), "left four into right three sixty\nleft five over crest\n");
}

TEST(Captions, ARepeatedEdgeIsTakenOnceAndSaidSo)
{
    const auto draft = draftOf("[0:10] right six one fifty\n[0:20] fifty left four\n");
    ASSERT_EQ(draft.calls.size(), 2U);
    EXPECT_EQ(draft.calls[1].heard, "fifty left four");
    EXPECT_EQ(draft.calls[1].text, "left four");
    ASSERT_EQ(draft.calls[1].repairs.size(), 1U);
    EXPECT_EQ(draft.calls[1].repairs[0].from, "fifty");
    EXPECT_EQ(draft.calls[1].repairs[0].to, "");
}

TEST(Captions, HalfACornerShownAgainAtAnEdgeIsTakenOnce)
{
    const auto draft = draftOf("1\n00:00:01,000 --> 00:00:03,000\nright three over crest 50 left\n\n"
                               "2\n00:00:03,500 --> 00:00:06,000\nleft five long\n");
    EXPECT_EQ(proposals(draft), "right three over crest 50 left five long\n");
}

TEST(Captions, ADistanceAfterAShapeIsNoGrade)
{
    EXPECT_EQ(proposals(draftOf("[0:01] right four\n[0:05] left three opens 120\n[0:09] right 460\n")),
        "right four\nleft three opens 120\nright 4 60\n");
}

TEST(Captions, WhatIsSaidAfterTheStopIsNoStageOfItsOwn)
{
    const auto draft = draftOf("[0:01] three two one go\n[0:04] left four 60 right three\n[0:30] finish\n"
                               "[0:40] stop\n[0:44] wibble flonk\n");
    ASSERT_EQ(draft.stages.size(), 1U);
    ASSERT_EQ(draft.talk.size(), 2U);
    EXPECT_EQ(draft.talk.back().heard, "wibble flonk");
}

TEST(Captions, ANoteBrokenOverTwoCaptionsIsOneCall)
{
    const auto draft = draftOf(
        "1\n00:00:01,000 --> 00:00:02,000\ncaution left\n\n2\n00:00:02,100 --> 00:00:03,000\nthree into\n\n"
        "3\n00:00:03,100 --> 00:00:04,000\nright four eighty\n");
    EXPECT_EQ(proposals(draft), "caution left three into right four eighty\n");
}

TEST(Captions, TwoStagesInOneRecordingAreFoundByTheirCountdownsAndStops)
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

TEST(Captions, TheDemosImportToItsNotesButForAHandful)
{
    const auto folder = std::filesystem::path(DEMO_FOLDER);
    const auto stage = stage::readStage(folder / "stage.brumefall");
    const auto wanted = notes::parseNotes(stage.text);
    const auto file = folder / "media" / "stage.srt";
    const auto got = captions::understandDraft(draftNotes(readCues(formats::readText(file), file.string())));
    ASSERT_EQ(got.calls.size(), wanted.calls.size());
    int different = 0;
    for (std::size_t i = 0; i < wanted.calls.size(); ++i) {
        different += support::brief(got.calls[i]) == support::brief(wanted.calls[i]) ? 0 : 1;
        EXPECT_TRUE(got.calls[i].at_s.has_value());
    }
    EXPECT_LE(different, 5);
    EXPECT_TRUE(got.unknown.empty());
}

TEST(Captions, ABadFileIsToldWithItsLine)
{
    const auto lineOf = [](const std::string& content) {
        try {
            (void)readCues(content, "x.srt");
        } catch (const formats::FormatError& error) {
            return error.line();
        }
        return -1;
    };
    EXPECT_EQ(lineOf("hello\n"), 1);
    EXPECT_EQ(lineOf("1\n00:00:01,000 --> soon\nleft four\n"), 2);
    EXPECT_EQ(lineOf(""), 1);
}

TEST(Captions, ProposalsAreNeverLongerThanTheirWordsAllowAndKeepEveryUnknownWord)
{
    std::mt19937 random(4);
    const std::vector<std::string> words{
        "left", "write", "for", "in", "two", "zzyzx", "of", "a", "crest", "460", "titans", "100"};
    for (int round = 0; round < 300; ++round) {
        std::string text;
        int unknown = 0;
        for (int i = 0; i < 12; ++i) {
            const auto& word = words[random() % words.size()];
            unknown += word == "zzyzx" ? 1 : 0;
            text += word + " ";
        }
        const auto draft = draftOf("[0:01] " + text + "\n");
        int kept = 0;
        for (const auto& call : draft.calls) {
            for (std::size_t at = call.text.find("zzyzx"); at != std::string::npos;
                 at = call.text.find("zzyzx", at + 1)) {
                ++kept;
            }
        }
        EXPECT_EQ(kept, unknown) << text;
    }
}
