// Captions of real mishearings: with the recogniser's dictionary, so that sounds are those of English.

#include "brief.h"
#include "caption_maker.h"
#include "captions/draft.h"
#include "formats/files.h"
#include "media/pronunciations.h"
#include "stage/stage.h"
#include "support.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <set>
#include <string>
#include <vector>

using namespace brumefall;
using captions::readCues;

namespace {

captions::Draft draftOf(const std::string& content)
{
    return captions::draftNotes(readCues(content, "test"), {}, media::englishPronunciations());
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
        Heard{"left sex over jumped", "left six over jump"},
        Heard{"on seen right three", "unseen right three"},
        Heard{"caution she cane left entry", "caution chicane left entry"},
        Heard{"left four threw gate", "left four through gate"},
        Heard{"right five fif tea", "right five fifty"}));

INSTANTIATE_TEST_SUITE_P(GluedAndRunTogether, Misheard,
    testing::Values(Heard{"left 460", "left 4 60"}, Heard{"right 3100", "right 3 100"},
        Heard{"left 6 10050 right 3", "left 6 100 right 3"},
        Heard{"leftfour intoright three", "left four into right three"},
        Heard{"right five overcrest", "right five over crest"},
        Heard{"four left 603 left", "four left 60 3 left"},
        Heard{"four left thirty free left", "four left thirty three left"}));

INSTANTIATE_TEST_SUITE_P(BySound, Misheard,
    testing::Values(Heard{"left four tightins two", "left four tightens two"},
        Heard{"kaution left three", "caution left three"},
        Heard{"right five ovver crest", "right five over crest"}));

TEST(Pronunciations, AWordHasTheWaysOfTheDictionaryOrTheVoicesOwn)
{
    EXPECT_EQ(media::waysToSay("left"), std::vector<std::string>{"L EH F T"});
    const auto ways = media::waysToSay("the");
    EXPECT_GT(ways.size(), 1U);
    EXPECT_LE(ways.size(), 3U);
    EXPECT_EQ(std::set<std::string>(ways.begin(), ways.end()).size(), ways.size());
    EXPECT_EQ(media::waysToSay("hobbleskreeve").size(), 1U) << "in no dictionary";
    EXPECT_FALSE(media::waysToSay("hobbleskreeve").front().empty());
}

TEST(Pronunciations, BritishWaysStandBesideTheAmericanOnes)
{
    EXPECT_EQ(media::britishWay("S K W EH R"), "S K W EH"); // square
    EXPECT_EQ(media::britishWay("OW V ER"), "OW V AH"); // over
    EXPECT_EQ(media::britishWay("S T AA P"), "S T AO P"); // stop
    EXPECT_EQ(media::britishWay("P AE S T"), "P AA S T"); // past
    EXPECT_EQ(media::britishWay("B AA R N"), "B AA N"); // barn
    EXPECT_EQ(media::britishWay("N EH R OW"), "N EH R OW") << "a vowel follows"; // narrow
    EXPECT_EQ(media::britishWay("T ER N"), "T ER N"); // turn
    const auto four = media::waysWithBritish("four");
    EXPECT_EQ(four.front(), "F AO R");
    EXPECT_NE(std::find(four.begin(), four.end(), "F AO"), four.end());
}

TEST(Captions, TheDemosImportToItsNotesButForAHandful)
{
    const auto folder = std::filesystem::path(DEMO_FOLDER);
    const auto stage = stage::readStage(folder / "stage.brumefall");
    const auto wanted = notes::parseNotes(stage.text);
    const auto file = folder / "media" / "stage.srt";
    const auto got = captions::understandDraft(draftOf(formats::readText(file)));
    ASSERT_EQ(got.calls.size(), wanted.calls.size());
    int different = 0;
    for (std::size_t i = 0; i < wanted.calls.size(); ++i) {
        different += support::brief(got.calls[i]) == support::brief(wanted.calls[i]) ? 0 : 1;
        EXPECT_TRUE(got.calls[i].at_s.has_value());
    }
    EXPECT_LE(different, 5);
    EXPECT_TRUE(got.unknown.empty());
}

TEST(MadeCaptions, AreReadRightAcrossTheSchools)
{
    caption_maker::Score all;
    int schools = 0;
    int stages = 0;
    constexpr int kRecordings = 24;
    for (std::uint32_t seed = 201; seed < 201 + kRecordings; ++seed) {
        const auto made = caption_maker::make(seed, media::englishPronunciations());
        const auto draft = draftOf(made.srt);
        const auto parsed = captions::understandDraft(draft);
        std::vector<notes::Note> read;
        for (const auto& call : parsed.calls) {
            read.insert(read.end(), call.notes.begin(), call.notes.end());
        }
        all.add(caption_maker::judge(made.truth, read).score);
        schools += parsed.style.order == made.school.order && parsed.style.scale == made.school.scale ? 1 : 0;
        stages += static_cast<int>(draft.stages.size()) == made.stages ? 1 : 0;
    }
    EXPECT_GE(all.heads, 0.95 * all.truth);
    EXPECT_GE(all.core, 0.93 * all.truth);
    EXPECT_GE(all.whole, 0.88 * all.truth);
    EXPECT_GE(all.heads, 0.93 * all.read);
    EXPECT_GE(schools, kRecordings - 1);
    EXPECT_GE(stages, kRecordings - 2);
}

TEST(MadeCaptions, AreTheSameEachTimeAndTheirTruthIsWhatWasSaid)
{
    const auto once = caption_maker::make(7, media::englishPronunciations());
    const auto again = caption_maker::make(7, media::englishPronunciations());
    EXPECT_EQ(once.srt, again.srt);
    ASSERT_EQ(once.truth.size(), once.said.size());
    const auto judged = caption_maker::judge(once.truth, once.truth);
    EXPECT_EQ(judged.score.whole, judged.score.truth);
}
