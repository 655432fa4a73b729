// Captions in: the three kinds of file, what they mishear, what is in doubt.

#include "brief.h"
#include "captions/draft.h"
#include "drafts.h"
#include "formats/files.h"
#include "notes/text.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <array>
#include <random>

using namespace brumefall;
using captions::draftNotes;
using captions::readCues;
using support::draftOf;
using support::inOneLine;
using support::proposals;

TEST(Captions, AFewWordsThatAreRightAreLeftAlone)
{
    const std::string notes =
        "[0:01] left four long for 60\n[0:05] right two and left three\n[0:09] lift, left two\n"
        "[0:14] right five plus to four\n[0:20] keep left for the rock\n";
    for (const auto& call : draftOf(notes).calls) {
        EXPECT_TRUE(call.repairs.empty()) << call.heard << " -> " << call.text;
    }
}

TEST(Captions, WhatMayBeTalkIsInDoubtAndItsOtherReadingIsNoNote)
{
    const auto said = [](double second_sure) {
        return draftNotes({{1.0, 3.0, 1, "left four fifty.", {{0, 1.0}, {5, 1.5}, {10, 2.0}}},
            {5.0, 7.0, 2, "right three sixty.", {{0, 5.0}, {6, 5.5, second_sure}, {12, 6.0}}}});
    };
    const auto sure = said(1.0);
    auto draft = said(0.3);
    ASSERT_EQ(draft.calls.size(), 2U);
    EXPECT_NEAR(draft.calls[0].confidence(), sure.calls[0].confidence(), 1e-9);
    EXPECT_NEAR(draft.calls[1].confidence(), 0.3 * sure.calls[1].confidence(), 1e-9);
    EXPECT_NE(draft.calls[1].notes[0].doubt.find("talk"), std::string::npos) << draft.calls[1].notes[0].doubt;
    const auto doubted = captions::noteInDoubt(draft.calls[1]);
    ASSERT_TRUE(doubted);
    captions::takeOther(draft.calls[1], *doubted);
    EXPECT_EQ(draft.calls[1].text, "");
    EXPECT_EQ(captions::understandDraft(draft).calls.size(), 1U) << "it was talk";
    captions::takeOther(draft.calls[1], *doubted);
    EXPECT_EQ(draft.calls[1].text, "right three sixty");
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

TEST(Captions, MovedTheTimesOfTheirWordsMoveAlong)
{
    auto cues = readCues("WEBVTT\n\n00:10.000 --> 00:12.000\nleft <00:11.000>four\n", "a.vtt");
    captions::shift(cues, 2.5);
    ASSERT_EQ(cues.size(), 1U);
    EXPECT_DOUBLE_EQ(cues[0].start_s, 12.5);
    EXPECT_DOUBLE_EQ(cues[0].end_s, 14.5);
    ASSERT_FALSE(cues[0].times.empty());
    EXPECT_DOUBLE_EQ(cues[0].times.back().at_s, 13.5);
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
                            "[0:12] lovely that's really good keep pushing left two\n"
                            "[0:40] so that was a pretty good stage I thought the tyres were cold\n",
            "talk.txt"));
    ASSERT_EQ(draft.calls.size(), 2U);
    EXPECT_EQ(draft.calls[1].text, "left two");
    ASSERT_EQ(draft.talk.size(), 2U);
    EXPECT_EQ(draft.talk[0].heard, "lovely that's really good keep pushing");
    EXPECT_EQ(draft.talk[1].line, 3);
    EXPECT_EQ(draft.stages.size(), 1U) << "talk makes no stage of its own";
}

TEST(Captions, ADistanceAfterAShapeIsNoGrade)
{
    EXPECT_EQ(proposals(draftOf("[0:01] right four\n[0:05] left three opens 120\n[0:09] right 460\n")),
        "right four\nleft three opens 120\nright 4 60\n");
}

TEST(Captions, ANoteBrokenOverTwoCaptionsIsOneCall)
{
    const auto draft = draftOf(
        "1\n00:00:01,000 --> 00:00:02,000\ncaution left\n\n2\n00:00:02,100 --> 00:00:03,000\nthree into\n\n"
        "3\n00:00:03,100 --> 00:00:04,000\nright four eighty\n");
    EXPECT_EQ(proposals(draft), "caution left three into right four eighty\n");
}

TEST(Captions, NoNoteGoesOnAfterALongSilence)
{
    const auto notesOf = [](double again_s) {
        const auto draft = draftNotes(
            {{0.0, 2.0, 1, "left three into right four 60."}, {5.0, 7.0, 2, "caution hairpin left,"},
                {again_s, again_s + 1.0, 3, "over crest, left five"}, {30.0, 31.0, 4, "left five 80"}},
            {}, {});
        return proposals(draft);
    };
    EXPECT_NE(notesOf(7.2).find("hairpin left over crest"), std::string::npos) << notesOf(7.2);
    EXPECT_EQ(notesOf(20.0).find("hairpin left over crest"), std::string::npos) << notesOf(20.0);
}

TEST(Captions, ADistanceSaidLongAfterItsNoteEndsItsLine)
{
    const std::vector<captions::Cue> cues{{0.0, 2.0, 1, "left three into right four."},
        {12.0, 14.0, 2, "thirty left five 80"}, {30.0, 31.0, 3, "right two 60"},
        {33.0, 34.0, 4, "left four"}};
    EXPECT_EQ(proposals(draftNotes(cues, {}, {})),
        "left three into right four thirty\nleft five 80\nright two 60\nleft four\n");
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

TEST(Captions, NoWordIsLostWhateverIsHeard)
{
    std::mt19937 random(4);
    const std::vector<std::string> words{"left", "write", "for", "in", "two", "zzyzx", "of", "a", "crest",
        "460", "titans", "100", "no", "go", "good"};
    for (int round = 0; round < 300; ++round) {
        std::vector<std::string> said;
        std::string text;
        for (int i = 0; i < 24; ++i) {
            said.push_back(words[random() % words.size()]);
            text += (i % 7 == 0 ? "\n[0:" + std::to_string(10 + i) + "] " : "") + said.back() + " ";
        }
        const auto draft = draftOf(text + "\n");
        std::vector<std::string> kept;
        for (const auto* list : {&draft.calls, &draft.talk}) {
            for (const auto& call : *list) {
                const auto heard = notes::splitWords(call.heard);
                kept.insert(kept.end(), heard.begin(), heard.end());
            }
        }
        std::sort(said.begin(), said.end());
        std::sort(kept.begin(), kept.end());
        EXPECT_EQ(kept, said) << text;
    }
}

TEST(Captions, AGradeOfNoCornerSaysHowFastACrestIs)
{
    EXPECT_EQ(
        proposals(draftOf("[0:01] right five 80\n[0:05] flat crest 150\n[0:09] left four into right six\n"
                          "[0:13] easy jump 60\n[0:17] left flat crest 100\n")),
        "right five 80\nflat crest 150\nleft four into right six\neasy jump 60\nleft flat crest 100\n");
}

TEST(Captions, FlatAfterAThingSaysHowItIsDriven)
{
    EXPECT_EQ(proposals(draftOf("[0:01] left six into right five 100\n[0:05] over two crests flat 150\n"
                                "[0:09] left four over crest flat left 50\n")),
        "left six into right five 100\nover two crests flat 150\nleft four over crest flat left 50\n");
}

TEST(Captions, WhatHasTwoMeaningsInTheSameWordsIsInNoDoubt)
{
    const auto draft = draftOf("[0:01] left six into right five 80\n[0:05] right four flat 60\n");
    ASSERT_EQ(draft.calls.size(), 2U);
    EXPECT_GT(draft.calls[1].notes.at(0).sure, 0.9) << "a grade, a speed: flat it is";
}

TEST(Captions, AThingWithAPlaceOfItsOwnIsANoteOfItsOwn)
{
    const auto notes =
        captions::understandDraft(draftOf("[0:01] right five 60, over crest, 80. left four 40\n"));
    ASSERT_EQ(notes.calls.size(), 3U);
    EXPECT_EQ(support::brief(notes.calls[0]), "R5 60");
    EXPECT_EQ(support::brief(notes.calls[1]), "feature over-crest 80");
    EXPECT_EQ(support::brief(notes.calls[2]), "L4 40");
}

TEST(Captions, AWarningGoesToTheNoteThatFollows)
{
    const auto notes =
        captions::understandDraft(draftOf("[0:01] right five 60 caution left two don't cut 40\n"));
    ASSERT_EQ(notes.calls.size(), 2U);
    EXPECT_EQ(support::brief(notes.calls[1]), "!caution L2 dont_cut 40");
}

TEST(Captions, AMinusStuckToItsGradeIsKept)
{
    const auto notes = captions::understandDraft(draftOf("[0:01] right 5+ 60, left 3- don't cut 40\n"));
    std::string all;
    for (const auto& call : notes.calls) {
        all += support::brief(call) + "; ";
    }
    EXPECT_EQ(all, "R5 plus 60 | L3 minus dont_cut 40; ");
}

TEST(Captions, NotesWrittenInShorthandAreReadAsSuch)
{
    const auto notes = captions::understandDraft(
        draftOf("[0:01] R4 over crest 60 L3- don't cut 50\n[0:06] caution R2 100 L5+ opens long 80\n"));
    std::string all;
    for (const auto& call : notes.calls) {
        all += support::brief(call) + "; ";
    }
    EXPECT_EQ(all, "R4 over-crest 60 | L3 minus dont_cut 50; !caution R2 100 | L5 plus long opens 80; ");
}

TEST(Captions, WhatCrewsCommonlyWriteShortIsReadWhereSomebodyTypedIt)
{
    EXPECT_EQ(proposals(draftOf("[0:01] R4 lg / R3 tts DC 100\n[0:06] HpL 50 | R6 ov cr -> L5 30\n"
                                "[0:12] sq r op 40 / ca L2 bc 80\n")),
        "right 4 long right 3 tightens don't cut 100\nhairpin left 50 "
        "right 6 over crest into left 5 30\nsquare right opens 40\ncaution left 2 bad camber 80\n");
}

TEST(Captions, AWordThatSomeWriteForAnotherIsItselfWhereNobodyTyped)
{
    EXPECT_EQ(
        inOneLine(draftOf("[0:01] right six 100 left four med 70\n")).find("medium"), std::string::npos);
    EXPECT_NE(inOneLine(draftOf("[0:01] R6 ov cr 100 med L 70\n")).find("medium left"), std::string::npos);
}

TEST(Captions, ACrewThatSaysHowFastACornerIsNeedsNoNumbers)
{
    const auto notes = captions::understandDraft(
        draftOf("[0:01] open left into open right 60 slow left\n[0:08] very easy right over crest 80\n"
                "[0:12] sharp left don't cut 50 quick right tightens\n[0:18] sweeping left 40\n"));
    std::string all;
    for (const auto& call : notes.calls) {
        all += support::brief(call) + "; ";
    }
    EXPECT_EQ(all,
        "Lopen into | Ropen 60 | Lslow; Reasy over-crest 80; Lsharp dont_cut 50 | Rquick tightens; Lbend "
        "40; ");
}

TEST(Captions, AJunctionWordBelongsToTheSharpCornerAfterIt)
{
    EXPECT_EQ(proposals(draftOf("[0:01] right six through gate 100 turn square right at sign 50\n"
                                "[0:06] left four 60 turn hairpin left 30\n")),
        "right six through gate 100\nturn square right at sign 50\nleft four 60\nturn hairpin left 30\n");
}

TEST(Captions, AForBeforeACornerJoinsIt)
{
    EXPECT_EQ(
        proposals(draftOf("[0:01] right five 80\n[0:05] keep left over bump for right three opens 40\n")),
        "right five 80\nkeep left over bump for\nright three opens 40\n");
    EXPECT_EQ(inOneLine(draftOf("[0:01] right 5 80\n[0:05] keep left over bump for right 3 opens 40\n")),
        "right 5 80 keep left over bump for right 3 opens 40");
}

TEST(Captions, AForThatNothingFollowsIsAFour)
{
    EXPECT_EQ(proposals(draftOf("[0:01] right five opens for into left three 60\n"
                                "[0:06] left two opens for 40 right six 80\n")),
        "right five opens four into left three 60\nleft two opens for 40 right six 80\n");
}

TEST(Captions, AWordThatOnlyJoinsIsNoNoteAndAsksForNone)
{
    EXPECT_EQ(
        inOneLine(draftOf("[0:01] left four fifty to jump one hundred to chicane left to right eighty\n")),
        "left four fifty jump one hundred chicane left to right eighty");
    const std::string slow = "fast left sixty slow right don't cut forty slow left three fifty";
    EXPECT_EQ(inOneLine(draftOf("[0:01] " + slow + "\n")), slow);
}

TEST(Captions, ARefusalThatWasNotUnderstoodIsAlwaysAsked)
{
    auto draft = draftOf("[0:01] right four do not hurry 80\n[0:05] left three 60 don't, right five 50\n"
                         "[0:12] left six don't cut 70\n");
    ASSERT_EQ(draft.calls.size(), 3U);
    auto& within = draft.calls[0];
    EXPECT_LE(within.confidence(), 0.5) << "it may have been a warning not to cut";
    const auto note = captions::noteInDoubt(within);
    ASSERT_TRUE(note);
    captions::takeOther(within, *note);
    EXPECT_EQ(within.text, "right four don't cut 80");
    EXPECT_LE(draft.calls[1].notes.front().sure, 0.5) << "after the distance: " << draft.calls[1].text;
    EXPECT_GT(draft.calls.back().notes.back().sure, 0.5) << "plainly said";
    draft = draftOf("[0:01] left five over crest 100 60 don't right two 80\n");
    EXPECT_LE(draft.calls.front().notes.front().sure, 0.5) << "after a second distance";
    draft = draftOf("[0:01] left five over crest 100\n[0:03] we got that nicely, but don't you worry now\n"
                    "[0:09] right two 80\n");
    EXPECT_GT(draft.calls.front().notes.front().sure, 0.5) << "in talk it warns of nothing";
}

TEST(Captions, ASideIsRarelyAnotherWord)
{
    const auto notes =
        captions::understandDraft(draftOf("[0:01] right five over jump land right 100 left three 60\n"));
    ASSERT_FALSE(notes.calls.empty());
    EXPECT_EQ(support::brief(notes.calls[0]), "R5 keep_right over-jump 100 | L3 60");
}

TEST(Captions, ANoteOfPlainWordsIsSurerThanOneThatWasMended)
{
    const auto notes = captions::understandDraft(
        draftOf("[0:01] right five over crest sixty.\n[0:06] wright tree 60.\n[0:10] left four fifty.\n"));
    ASSERT_EQ(notes.calls.size(), 3U);
    EXPECT_GT(notes.calls[0].notes[0].sure, 0.85);
    EXPECT_LT(notes.calls[1].notes[0].sure, notes.calls[0].notes[0].sure);
    EXPECT_FALSE(notes.calls[1].notes[0].doubt.empty());
}

TEST(Captions, TheOtherReadingOfANoteInDoubtIsTakenAndGivenBack)
{
    auto draft = draftOf("[0:01] right five over crest sixty.\n[0:06] left for of a crest 60.\n");
    ASSERT_EQ(draft.calls.size(), 2U);
    EXPECT_GT(draft.calls[0].confidence(), 0.85);
    auto& call = draft.calls[1];
    const auto note = captions::noteInDoubt(call);
    ASSERT_TRUE(note) << call.text;
    const std::string proposed = call.text;
    const std::string other = *call.notes[*note].otherwise;
    EXPECT_LT(call.confidence(), 0.85);
    captions::takeOther(call, *note);
    EXPECT_EQ(call.text, other);
    EXPECT_NE(call.text, proposed);
    EXPECT_DOUBLE_EQ(call.confidence(), 1.0) << "somebody has looked";
    EXPECT_NE(captions::draftText(draft, 0, 2).find(other + "\n"), std::string::npos);
    captions::takeOther(call, *note);
    EXPECT_EQ(call.text, proposed);
}

TEST(Captions, ADistanceThatWasMisheardIsInDoubtAndItsOtherReadingHasAnother)
{
    const auto draft = draftOf("[0:01] sixty left four sick tea right three 80 right six fifty left five.\n");
    const auto& notes = draft.calls.at(1).notes;
    ASSERT_EQ(notes.front().text, "left four sixty");
    EXPECT_LT(notes.front().sure, 0.85);
    EXPECT_EQ(notes.front().doubt.find("sixty, or "), 0U) << notes.front().doubt;
    ASSERT_TRUE(notes.front().otherwise);
    EXPECT_NE(*notes.front().otherwise, notes.front().text);
    EXPECT_EQ(notes.front().otherwise->find("left four"), 0U) << *notes.front().otherwise;
}

TEST(Captions, AnApologyThatGoesOnTakesNoNoteBack)
{
    const std::string before = "[0:01] left five into right six 80\n[0:05] left three long tightens ";
    const std::string after = "right five into left five 60\n";
    EXPECT_NE(inOneLine(draftOf(before + "\n[0:08] sorry I was late\n[0:10] " + after))
                  .find("left three long tightens right five into"),
        std::string::npos);
    EXPECT_NE(inOneLine(draftOf(before + "sorry mate\n[0:10] " + after)).find("left three long tightens"),
        std::string::npos);
    EXPECT_EQ(inOneLine(draftOf("[0:01] 60 left three sorry right three into left four\n")),
        "60 right three into left four");
    EXPECT_EQ(inOneLine(draftOf("[0:01] 60 right six no cut left five small cut 50\n")),
        "60 right six no cut left five small cut 50");
}

TEST(Captions, FlatBehindACornerWithAGradeIsThatCorners)
{
    const auto draft = draftOf("[0:01] 60 left 5 flat right 5 flat left 4 60 flat right over jump 100\n");
    std::vector<std::string> notes;
    for (const auto& note : draft.calls.at(1).notes) {
        notes.push_back(note.text);
    }
    EXPECT_EQ(notes,
        (std::vector<std::string>{"left 5 flat", "right 5 flat", "left 4 60", "flat right over jump 100"}));
}

TEST(Captions, ALeftThatWasHalfHeardIsNoRight)
{
    for (const char* heard : {"let", "led", "less", "lift", "leaf", "life"}) {
        const auto draft =
            draftOf(std::string("[0:01] 60 left four into right three 80 ") + heard + " four tightens 60\n");
        EXPECT_NE(inOneLine(draft).find("left four tightens 60"), std::string::npos)
            << heard << ": " << inOneLine(draft);
    }
}

TEST(Captions, ACautionIsAskedForWhateverItWasHeardAs)
{
    for (const char* heard : {"portion", "potion", "cushion", "auction"}) {
        const auto draft = draftOf(std::string("[0:01] 60 left four 80 ") + heard + " right five 60\n");
        EXPECT_NE(inOneLine(draft).find("caution right five"), std::string::npos) << inOneLine(draft);
        EXPECT_LT(draft.calls.back().confidence(), 0.85) << heard;
    }
}

TEST(Captions, TheOtherReadingCoversAllThatWasHeardOfIt)
{
    int checked = 0;
    for (const char* heard : {"left for of a crest 60", "right to don't cut 50", "wright tree titans 60",
             "left 460 right portion five", "hair pin left opens 40"}) {
        for (const auto& call : draftOf(std::string("[0:01] ") + heard + "\n").calls) {
            for (const auto& note : call.notes) {
                if (!note.otherwise) {
                    continue;
                }
                ++checked;
                const auto words = [](const std::string& text) { return notes::splitWords(text).size(); };
                // one part at most says more or less: nothing is said twice, nothing beside it is lost
                EXPECT_LE(words(*note.otherwise), words(note.text) + 2) << *note.otherwise;
                EXPECT_GE(words(*note.otherwise) + 2, words(note.text)) << *note.otherwise;
                EXPECT_NE(*note.otherwise, note.text);
            }
        }
    }
    EXPECT_GT(checked, 2);
}

TEST(Captions, AMisheardDontIsNoCut)
{
    for (const char* heard : {"done cut", "donut cut", "own cut"}) {
        const auto draft = draftOf(std::string("[0:01] right six over crest 100 left four long ") + heard
            + " 70\n[0:07] right three 60\n");
        EXPECT_EQ(inOneLine(draft), "right six over crest 100 left four long don't cut 70 right three 60")
            << heard;
    }
}

TEST(Captions, WhateverRefusesACutIsNoCut)
{
    for (const std::string refusal :
        {"not cut", "knot cut", "no cut", "d c", "don't you cut", "cannot cut"}) {
        const auto draft = draftOf("[0:01] left five sixty\n[0:03] right three " + refusal
            + " fifty\n[0:06] left four into right six\n");
        const auto understood = captions::understandDraft(draft);
        ASSERT_GE(understood.calls.size(), 2U) << refusal;
        EXPECT_EQ(support::brief(understood.calls[1]), "R3 dont_cut 50") << refusal;
    }
}

TEST(Captions, ARightAngleAtAJunctionIsNoDistance)
{
    const auto understood = captions::understandDraft(draftOf(
        "[0:01] right four sixty\n[0:04] ninety left at junction fifty\n[0:08] left four into right six\n"));
    ASSERT_GE(understood.calls.size(), 2U);
    const auto& notes =
        understood.calls[1].notes.empty() ? understood.calls[2].notes : understood.calls[1].notes;
    EXPECT_EQ(support::brief(notes.front()), "junction Lsquare 50");
    EXPECT_EQ(understood.calls[0].notes.front().link.metres, 60.0);
    EXPECT_EQ(
        inOneLine(draftOf("[0:01] right four 60 left six flat.\n[0:05] Ninety right at junction. Forty.\n")),
        "right four 60 left six flat square right at junction forty");
    EXPECT_EQ(inOneLine(draftOf("[0:01] right four 60 left six ninety.\n[0:05] Right at junction. Forty.\n")),
        "right four 60 left six ninety right at junction forty")
        << "a stop ends what is said of the straight";
    EXPECT_EQ(inOneLine(draftOf("[0:01] right four 60\n[0:05] Flat. Ninety right at junction. Forty.\n")),
        "right four 60 flat square right at junction forty");
}

TEST(Captions, FifteenIsFiftyOnlyWhereTheCrewCountsInTens)
{
    const auto fifteens = [](const std::string& other) {
        const std::array grades{" three ", " five ", " two ", " four plus ", " six "};
        std::string heard;
        for (std::size_t k = 0; k < 24; ++k) {
            heard += "[0:" + std::to_string(10 + 2 * k) + "] " + (k % 3 == 0 ? "left" : "right")
                + grades.at(k % 5)
                + (k % 4 == 1    ? other
                        : k == 8 ? "15"
                                 : "sixty")
                + "\n";
        }
        const auto understood = captions::understandDraft(draftOf(heard));
        std::vector<double> metres;
        for (const auto& call : understood.calls) {
            for (const auto& note : call.notes) {
                metres.push_back(note.link.metres);
            }
        }
        return metres;
    };
    const auto tens = fifteens("forty");
    ASSERT_EQ(tens.size(), 24U);
    EXPECT_EQ(tens[8], 50.0);
    const auto fives = fifteens("twenty five");
    ASSERT_EQ(fives.size(), 24U);
    EXPECT_EQ(fives[8], 15.0);
}

TEST(Captions, OneGoesOverACrestWhateverLittleWordWasHeard)
{
    for (const char* heard : {"up a crest", "up crest", "off a crest", "of a crest", "of the crest"}) {
        EXPECT_EQ(inOneLine(draftOf(std::string("[0:01] right six 100 left four ") + heard + " 70\n")),
            "right six 100 left four over crest 70")
            << heard;
    }
}

TEST(Captions, AnEnterBetweenTwoCornersJoinsThem)
{
    EXPECT_EQ(inOneLine(draftOf("[0:01] three right long enter two left tightens 100\n")),
        "three right long into two left tightens 100");
    EXPECT_EQ(inOneLine(draftOf("[0:01] three right 80 chicane enter left 100\n")),
        "three right 80 chicane enter left 100");
}

TEST(Captions, KeepInIsNoKeepBesideAnIn)
{
    const auto draft = draftOf("[0:01] right five 80\n[0:05] left four keep in 60\n[0:09] left four in 50\n");
    EXPECT_EQ(inOneLine(draft), "right five 80 left four keep in 60 left four keep in 50");
    const auto& whole = draft.calls.at(1).notes.at(0);
    EXPECT_EQ(whole.doubt.find("keep keep"), std::string::npos) << whole.doubt;
    EXPECT_GT(whole.sure, draft.calls.at(2).notes.at(0).sure + 0.1) << "which may be a misheard \"into\"";
}

TEST(Captions, NoThingIsAPlus)
{
    const auto text = inOneLine(draftOf("[0:01] left six flat 200 over press finish\n"));
    EXPECT_EQ(text.find("plus"), std::string::npos) << text;
}

TEST(Captions, SignsAndNumbersAreReadAsTheyWereSaid)
{
    const std::pair<const char*, const char*> kWritten[] = {
        {"left 4\u00BD 60", "left 4 half 60"},
        {"left 3.5 60", "left 3 half 60"},
        {"left 4 + 60", "left 4 plus 60"},
        {"left 4 \u2212 60", "left 4 minus 60"},
        {"left 4\u2212 60", "left 4 minus 60"},
        {"left four\u201360\u2013right three", "left four 60 right three"},
        {"left 4 \u2014 60", "left 4 60"},
        {"left four/right three", "left four right three"},
        {"left 6th 60s", "left 6 60"},
        {"left 4/50", "left 4 50"},
    };
    for (const auto& [written, read] : kWritten) {
        EXPECT_EQ(inOneLine(draftOf(std::string("[0:01] right six 100, left five over crest 80 ") + written
                      + "\n[0:08] right six over crest\n")),
            std::string("right six 100 left five over crest 80 ") + read + " right six over crest")
            << written;
    }
}

TEST(Captions, WhatACornerBecomesMayBeLong)
{
    EXPECT_EQ(inOneLine(draftOf("[0:01] left two long opens round to a long four 80 right three 60\n")),
        "left two long opens round to long four 80 right three 60");
    EXPECT_EQ(inOneLine(draftOf("[0:01] left two tightens into a one 50 right five opens into right four\n")),
        "left two tightens into one 50 right five opens into right four")
        << "and into a corner it leads there";
}

TEST(Captions, AChicaneIsMadeOfThings)
{
    const auto draft =
        draftOf("[0:01] right six 70\n[0:04] two bale chicane left entry 80\n[0:09] left four 50\n");
    EXPECT_EQ(inOneLine(draft), "right six 70 two bale chicane left entry 80 left four 50");
    EXPECT_EQ(draft.calls.size(), 3U) << "the bales are no note of their own";
    EXPECT_EQ(inOneLine(draftOf("[0:01] right six 70\n[0:04] chicane right entry, three bales, 60\n")),
        "right six 70 chicane right entry three bales 60");
}

TEST(Captions, AThingInsideOrOutsideIsOfTheCornerThatFollows)
{
    const auto notesOf = [](const char* captions) { return understandDraft(draftOf(captions)).calls; };
    const auto after_distance = notesOf("[0:01] right six 70\n[0:04] tyres inside, left three 50\n");
    ASSERT_EQ(after_distance.size(), 2U);
    ASSERT_EQ(after_distance.back().notes.size(), 1U) << after_distance.back().text;
    EXPECT_EQ(support::brief(after_distance.back()), "L3 inside-tyres 50");
    const auto after_corner = notesOf("[0:01] right six tyres inside\n[0:04] left three 50\n");
    ASSERT_EQ(after_corner.size(), 2U);
    EXPECT_EQ(support::brief(after_corner.front()), "R6 inside-tyres") << "it has its corner";
}

TEST(Captions, HowLongItGoesOnIsNoDistance)
{
    const auto draft = draftOf("[0:01] left four continues for 100 tightens three 50\n[0:08] right six 40\n");
    ASSERT_EQ(draft.calls.front().notes.size(), 1U) << proposals(draft);
    EXPECT_EQ(support::brief(understandDraft(draft).calls.front()), "L4 continues for:100 tightens>3 50");
}

TEST(Captions, AKeepLineAtAJunctionIsWhole)
{
    EXPECT_EQ(inOneLine(draftOf("[0:01] right three 40\n[0:04] keep right at fork 70\n[0:08] left four\n")),
        "right three 40 keep right at fork 70 left four");
}

TEST(Captions, SignsOfShorthandAreReadAsInTypedNotes)
{
    const std::pair<const char*, const char*> kWritten[] = {{"R5>3 40", "right 5 tightens 3 40"},
        {"R5 > 3 40", "right 5 tightens 3 40"}, {"5R+ 100", "5 right plus 100"},
        {"R4(lg) 60", "right 4 long 60"}, {"R5.L5.R4 80", "right 5 left 5 right 4 80"},
        {"R3 & L4 50", "right 3 and left 4 50"}};
    for (const auto& [written, read] : kWritten) {
        EXPECT_EQ(
            inOneLine(draftOf("[0:01] left four 80\n[0:04] " + std::string(written) + "\n[0:08] left two\n")),
            "left four 80 " + std::string(read) + " left two");
    }
    EXPECT_EQ(
        inOneLine(draftOf("WEBVTT\n\n00:01.000 --> 00:05.000\nleft four 80\n>> right five 40\n> left two\n")),
        "left four 80 right five 40 left two")
        << "who speaks is marked so, too";
}
