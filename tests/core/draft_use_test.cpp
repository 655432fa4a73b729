// What is done with a draft of captions: told from talk, confirmed, taken line by line.

#include "captions/dictated.h"
#include "drafts.h"

#include <gtest/gtest.h>

using namespace brumefall;
using captions::dictated;
using support::draftOf;

namespace {

captions::Cue breathOf(const std::string& text)
{
    return {1.0, 4.0, 1, text, {}};
}

} // namespace

TEST(DraftUse, AReadingIsToldFromTalkWithNowAndThenANoteInIt)
{
    EXPECT_TRUE(captions::isReading(draftOf("[0:01] left four 60\n[0:04] right three into left two 80\n"
                                            "[0:08] hairpin right don't cut 50\n[0:12] left six\n")));
    EXPECT_FALSE(captions::isReading(draftOf("[0:01] so we went to the shop and it was on the left\n"
                                             "[0:06] and then we had to wait right there for four hours\n"
                                             "[0:12] honestly i could not believe it you know\n")));
    EXPECT_FALSE(captions::isReading(draftOf("[0:01] left four 60\n[0:04] right three\n"))) << "too little";
    EXPECT_FALSE(captions::isReading({}));
}

TEST(DraftUse, WhatIsConfirmedIsSureAndAsksNothingMore)
{
    auto draft = draftOf("[0:01] left four of a crest 60\n[0:05] right portion five 80\n");
    ASSERT_EQ(draft.calls.size(), 2U);
    for (auto& call : draft.calls) {
        EXPECT_LT(call.confidence(), 0.97) << call.text;
        const std::string text = call.text;
        captions::confirm(call);
        EXPECT_EQ(call.confidence(), 1.0);
        EXPECT_EQ(call.text, text);
    }
}

TEST(DraftUse, PlacesFollowTheLinesThatWereTaken)
{
    const auto draft = draftOf("[0:10] left four 60\n[0:20] right three into left two 80\n[0:30] left six\n");
    ASSERT_EQ(draft.calls.size(), 3U);
    // the second call became line 1, and the third line 2
    const auto parsed = notes::parseNotes(captions::draftText(draft, 1, 3));
    const auto places = captions::draftPlaces(draft, {0, 1, 2}, parsed, 2.0);
    ASSERT_EQ(places.size(), 3U);
    EXPECT_EQ(places[0].note, parsed.calls[0].notes[0].id);
    EXPECT_NEAR(places[0].media_s, draft.calls[1].notes[0].end_s + 2.0, 1e-9);
    EXPECT_NEAR(places[1].media_s, draft.calls[1].notes[1].end_s + 2.0, 1e-9);
    EXPECT_NEAR(places[2].media_s, draft.calls[2].notes[0].end_s + 2.0, 1e-9);
}

TEST(DraftUse, OfALineThatIsReadOtherwiseOnlyTheFirstNoteHasAPlace)
{
    const auto draft = draftOf("[0:10] left four 60\n");
    const auto parsed = notes::parseNotes("left four into right two into left three");
    const auto places = captions::draftPlaces(draft, {1}, parsed, 0.0);
    ASSERT_EQ(places.size(), 1U);
    EXPECT_EQ(places[0].note, parsed.calls[0].notes[0].id);
}

TEST(Dictation, ABreathIsALine)
{
    const auto out = dictated(breathOf("left four over crest sixty"));
    EXPECT_FALSE(out.scratches);
    EXPECT_EQ(out.line, "left four over crest sixty");
    EXPECT_TRUE(out.unsure.empty());
    EXPECT_TRUE(dictated(breathOf("")).line.empty());
    EXPECT_TRUE(dictated(breathOf(" , . ")).line.empty());
}

TEST(Dictation, ScratchThatAloneTakesBackTheLineBeforeAndAfterANoteThatNote)
{
    EXPECT_TRUE(dictated(breathOf("scratch that")).scratches);
    EXPECT_TRUE(dictated(breathOf("scratch that")).line.empty());
    const auto anew = dictated(breathOf("scratch that right two"));
    EXPECT_TRUE(anew.scratches);
    EXPECT_EQ(anew.line, "right two");
    const auto own = dictated(breathOf("left four scratch that left three"));
    EXPECT_FALSE(own.scratches) << "only what this breath said before";
    EXPECT_EQ(own.line, "left three");
}

TEST(Dictation, WhatIsHardlyANoteIsShownAndNotWritten)
{
    const auto out = dictated(breathOf("left four of a chest acute"));
    EXPECT_TRUE(out.line.empty()) << out.line;
    EXPECT_NE(out.unsure.find("left four"), std::string::npos) << out.unsure;
    const auto talk = dictated(breathOf("well it was like that for everybody mate"));
    EXPECT_TRUE(talk.line.empty()) << talk.line;
}
