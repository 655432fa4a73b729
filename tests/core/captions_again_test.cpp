// Captions in: what was shown, said or begun twice, and what a reader took back.

#include "brief.h"
#include "drafts.h"

#include <gtest/gtest.h>

using namespace brumefall;
using support::draftOf;
using support::inOneLine;
using support::proposals;

TEST(CaptionsAgain, RollingCaptionsAreTakenOnce)
{
    const auto draft = draftOf("WEBVTT\n\n00:01.000 --> 00:03.000\nleft four into\n\n"
                               "00:03.000 --> 00:05.000\nleft four into\nright three sixty\n\n"
                               "00:05.000 --> 00:07.000\nright three sixty\nleft five over crest\n");
    EXPECT_EQ(proposals(draft), "left four into right three sixty\nleft five over crest\n");
}

TEST(CaptionsAgain, ARepeatedEdgeIsTakenOnceAndSaidSo)
{
    const auto draft = draftOf("[0:10] right six one fifty\n[0:20] fifty left four\n");
    ASSERT_EQ(draft.calls.size(), 2U);
    EXPECT_EQ(draft.calls[1].heard, "fifty left four");
    EXPECT_EQ(draft.calls[1].text, "left four");
    ASSERT_EQ(draft.calls[1].repairs.size(), 1U);
    EXPECT_EQ(draft.calls[1].repairs[0].from, "fifty");
    EXPECT_EQ(draft.calls[1].repairs[0].to, "");
}

TEST(CaptionsAgain, HalfACornerShownAgainAtAnEdgeIsTakenOnce)
{
    const auto draft = draftOf("1\n00:00:01,000 --> 00:00:03,000\nright three over crest 50 left\n\n"
                               "2\n00:00:03,500 --> 00:00:06,000\nleft five long\n");
    EXPECT_EQ(proposals(draft), "right three over crest 50 left five long\n");
}

TEST(CaptionsAgain, WhatIsSaidAgainIsTakenOnceInItsFullestForm)
{
    EXPECT_EQ(proposals(draftOf("[0:01] right five 80\n[0:05] left four into right three\n"
                                "[0:09] left four long into right three 60\n[0:15] left two 50\n")),
        "right five 80\nleft four long into right three 60\nleft two 50\n");
}

TEST(CaptionsAgain, WhatWasSaidOnlyTheFirstOrOnlyTheSecondTimeIsKept)
{
    EXPECT_EQ(proposals(draftOf("[0:01] right five 80\n[0:05] left four don't cut\n"
                                "[0:08] left four tightens two long over crest 60\n[0:15] left two 50\n")),
        "right five 80\nleft four tightens two long over crest don't cut 60\nleft two 50\n");
}

TEST(CaptionsAgain, ANoteThatContradictsTheOneBeforeIsNotTakenForIt)
{
    EXPECT_EQ(proposals(draftOf("[0:01] right five 80\n[0:05] left four long cut\n"
                                "[0:08] left four don't cut 60\n[0:15] left two 50\n")),
        "right five 80\nleft four long cut\nleft four don't cut 60\nleft two 50\n");
}

TEST(CaptionsAgain, WhereEveryBlockBeginsWithTheEndOfTheLastNothingIsSaidTwice)
{
    const std::vector<std::string> parts{"left six", "over crest", "eighty", "right five minus",
        "into left three", "tightens two", "forty", "right four", "don't cut", "sixty", "left five long",
        "caution", "right two", "opens four", "one hundred", "left six", "fifty", "caution", "left four",
        "don't cut", "seventy", "right six", "over bridge", "thirty", "left three", "long", "into right five",
        "plus", "eighty", "caution", "hairpin left", "sixty", "right four", "don't cut", "fifty", "left two"};
    std::string rolling = "[0:08] " + parts.front() + "\n";
    std::string once = parts.front();
    for (std::size_t k = 1; k < parts.size(); ++k) {
        rolling += "[0:" + std::to_string(10 + k) + "] " + parts[k - 1] + " " + parts[k] + "\n";
        once += " " + parts[k];
    }
    EXPECT_EQ(inOneLine(draftOf(rolling)), once);
}

TEST(CaptionsAgain, ACorrectionMayGoBackToTheNoteBefore)
{
    EXPECT_EQ(
        proposals(draftOf("[0:01] right five 80\n[0:05] left four into right four no wait left four into "
                          "right three 70\n[0:12] left two 50\n")),
        "right five 80\nleft four into right three 70\nleft two 50\n");
}

TEST(CaptionsAgain, ACorrectedCornerLikeTheOneBeforeIsASecondOne)
{
    EXPECT_EQ(proposals(draftOf("[0:01] right five 80\n[0:05] left four into right four no left four 70\n"
                                "[0:12] left two 50\n")),
        "right five 80\nleft four into left four 70\nleft two 50\n");
}

TEST(CaptionsAgain, OfAWordSaidThreeTimesOneStays)
{
    const auto draft =
        draftOf("[0:01] right five 80\n[0:05] left six flat flat flat 70\n[0:12] left two 50\n");
    EXPECT_NE(proposals(draft).find("flat"), std::string::npos) << proposals(draft);
}

TEST(CaptionsAgain, APhraseThatIsSaidThreeTimesIsMeantOnce)
{
    EXPECT_EQ(proposals(draftOf("[0:01] right five 80\n[0:05] left six. Don't cut. Don't cut. Don't cut. 70\n"
                                "[0:12] left two long long 50\n")),
        "right five 80\nleft six don't cut 70\nleft two long long 50\n");
}

TEST(CaptionsAgain, WhoWasInterruptedSaysTheNoteOnceMore)
{
    EXPECT_EQ(proposals(draftOf("[0:01] right five 80\n[0:05] into left four long\n"
                                "[0:07] where are we okay good\n[0:09] left four 60\n[0:12] left two 50\n")),
        "right five 80\ninto left four long 60\nleft two 50\n");
    EXPECT_EQ(proposals(draftOf("[0:01] right five 80\n[0:05] left four 30\n[0:07] okay good\n"
                                "[0:09] left four 60\n[0:12] left two 50\n")),
        "right five 80\nleft four 30\nleft four 60\nleft two 50\n")
        << "with a distance between, there are two";
    EXPECT_EQ(proposals(draftOf("[0:01] right five 80\n[0:05] left four\n[0:07] okay good\n"
                                "[0:19] left four\n[0:22] left two 50\n")),
        "right five 80\nleft four\nleft four\nleft two 50\n")
        << "long after, it is another";
}

TEST(CaptionsAgain, ARefusalThatWasBegunTwiceIsStillOne)
{
    EXPECT_EQ(
        proposals(draftOf("[0:01] right five 80\n[0:05] left six don't don't cut 70\n[0:12] left two 50\n")),
        "right five 80\nleft six don't cut 70\nleft two 50\n");
}

TEST(CaptionsAgain, ANoteSaidAgainAsTheCarComesUpToItIsAnEcho)
{
    const auto draft = draftOf("WEBVTT\n\n00:01.000 --> 00:02.000\nright five 80\n\n"
                               "00:05.000 --> 00:06.500\nleft four over crest\n\n"
                               "00:09.000 --> 00:11.000\nleft four here over crest 60\n\n"
                               "00:14.000 --> 00:15.000\nhairpin right\n\n"
                               "00:17.000 --> 00:19.000\nhairpin right this one 40\n\n"
                               "00:22.000 --> 00:23.000\nleft two 50\n");
    EXPECT_EQ(proposals(draft),
        "right five 80\nleft four over crest\nleft four here over crest 60\nhairpin right\n"
        "hairpin right this one 40\nleft two 50\n");
    const auto notes = captions::understandDraft(draft);
    ASSERT_EQ(notes.calls.size(), 6U);
    EXPECT_EQ(notes.calls[2].notes.at(0).echo_of, notes.calls[1].notes.at(0).id);
    EXPECT_EQ(notes.calls[4].notes.at(0).echo_of, notes.calls[3].notes.at(0).id);
}

TEST(CaptionsAgain, ARefusalThatWasOnlyShownAgainIsNotAskedFor)
{
    const auto draft = draftOf("1\n00:00:01,000 --> 00:00:03,000\nleft four right five don't cut\n\n"
                               "2\n00:00:03,100 --> 00:00:06,000\nright five don't cut into left six 40\n");
    EXPECT_EQ(proposals(draft), "left four right five don't cut into left six 40\n");
    for (const auto& call : draft.calls) {
        for (const auto& note : call.notes) {
            EXPECT_EQ(note.doubt.find("nothing, or don't cut"), std::string::npos) << note.text;
        }
    }
}

TEST(CaptionsAgain, TwoCornersThatAreAlikeStayTwo)
{
    EXPECT_EQ(proposals(draftOf("[0:01] right five 80, left four 60, left four 40\n")),
        "right five 80 left four 60 left four 40\n");
}

TEST(CaptionsAgain, WhatAReaderTakesBackIsNotSaid)
{
    EXPECT_EQ(proposals(draftOf("[0:01] right five 80\n[0:05] left three, no, right three 60\n"
                                "[0:09] left two, sorry, right, 50\n")),
        "right five 80\nright three 60\nright two 50\n");
    EXPECT_EQ(proposals(draftOf("[0:01] right five 80\n[0:05] right four opens sorry right three opens 60\n"
                                "[0:09] left two tightens, no, opens 50\n")),
        "right five 80\nright three opens 60\nleft two opens 50\n")
        << "with all that was said of it";
    EXPECT_EQ(proposals(draftOf("[0:01] right five 80\n[0:05] left three no four 60\n"
                                "[0:09] left two make that three 50\n[0:13] right six 60, no, 80\n"
                                "[0:17] left four 60, no, right three 40\n")),
        "right five 80\nleft four 60\nleft three 50\nright six 80\nleft four 60 right three 40\n")
        << "and only half of a head, or a distance, where no more is said anew";
}

TEST(CaptionsAgain, OfACornerOnlyThatIsTakenBackWhichIsSaidAnew)
{
    EXPECT_EQ(
        proposals(draftOf("[0:01] right five 80\n[0:05] left four tightens three no two 40\n"
                          "[0:09] right four plus no minus 50\n[0:13] left five over crest no over jump 60\n"
                          "[0:17] right three keep in no keep out 70\n[0:21] left two no cut 40\n")),
        "right five 80\nleft four tightens two 40\nright four minus 50\nleft five over jump 60\n"
        "right three keep out 70\nleft two no cut 40\n");
}

TEST(CaptionsAgain, OfTwoDistancesThatFollowEachOtherTheFirstStays)
{
    EXPECT_EQ(proposals(draftOf("[0:01] left five over crest. 60. 60. right three 40\n")),
        "left five over crest 60\nright three 40\n");
}

TEST(CaptionsAgain, AWordThatWasOnlyBegunIsSaidOnce)
{
    EXPECT_EQ(proposals(draftOf("[0:01] left two don't\n[0:04] don't cut 60 right five 80\n")),
        "left two don't cut 60 right five 80\n");
}

TEST(CaptionsAgain, ACrewThatSaysEveryNoteTwiceWithItsDistanceHasItOnce)
{
    EXPECT_EQ(
        inOneLine(draftOf("[0:01] fifty five right over crest fifty five right over crest sixty two left "
                          "don't cut sixty two left don't cut hundred six right long hundred six right long\n"
                          "[0:12] into five left thirty hairpin right thirty hairpin right fifty three left "
                          "tightens fifty three left tightens eighty flat right eighty flat right finish\n")),
        "fifty five right over crest sixty two left don't cut one hundred six right long into five left "
        "thirty "
        "hairpin right fifty three left tightens eighty flat right finish");
    const auto once =
        captions::understandDraft(draftOf("[0:01] left three fifty left three fifty right five sixty\n"
                                          "[0:06] left two eighty right four hundred left six fifty\n"
                                          "[0:12] right three sixty left five forty right two\n"));
    ASSERT_FALSE(once.calls.empty());
    EXPECT_EQ(support::brief(once.calls[0]).substr(0, 15), "L3 50 | L3 50 |") << "one pair is the road";
}
