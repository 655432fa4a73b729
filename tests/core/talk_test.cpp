// What is talk among the words that were heard.

#include "notes/talk.h"
#include "notes/text.h"
#include "stage/stage.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <filesystem>
#include <optional>
#include <string>
#include <utility>
#include <vector>

using namespace brumefall;

namespace {

struct Line {
    std::string text;
    std::optional<double> fit = -30.0; ///< of its words

    Line(const char* said)
        : text(said)
    {
    }
    Line(std::string said, std::optional<double> fits = -30.0)
        : text(std::move(said))
        , fit(fits)
    {
    }
};

constexpr double kTalkFits = -43.0;

/// Of `heard`, with a silence before each line, what is told for talk.
std::string talkIn(const std::vector<Line>& heard)
{
    std::vector<std::string> words;
    std::vector<notes::SpokenWord> spoken;
    for (const Line& line : heard) {
        bool first = true;
        for (std::string& word : notes::splitWords(line.text)) {
            words.push_back(std::move(word));
            spoken.push_back({{}, first, line.fit});
            first = false;
        }
    }
    for (std::size_t i = 0; i < words.size(); ++i) {
        spoken[i].word = words[i];
    }
    const auto talk = notes::talkAmong(spoken, notes::succession({}));
    std::string text;
    for (std::size_t i = 0; i < words.size(); ++i) {
        if (talk[i] > 0.5) {
            text += (text.empty() ? "" : " ") + words[i];
        }
    }
    return text;
}

const std::vector<Line> kNotes{"left four tightens fifty",
    "right three long don't cut into left two one hundred", "right five over crest eighty",
    "hairpin left sixty"};

std::vector<Line> around(const Line& between)
{
    auto lines = kNotes;
    lines.push_back(between);
    lines.insert(lines.end(), kNotes.begin(), kNotes.end());
    return lines;
}

} // namespace

TEST(Talk, WordsThatNotesHardlyEverHoldAreTalk)
{
    const std::string heard = "garden opens hotel and keep old barn lonely cabin river left summit telephone";
    EXPECT_EQ(talkIn(around({heard, std::nullopt})), heard) << "though nothing is known of its sounds";
    EXPECT_EQ(talkIn({{heard, std::nullopt}}), heard) << "and nothing else";
    EXPECT_EQ(talkIn(kNotes), "");
    EXPECT_EQ(talkIn({}), "");
}

/// A remark of two seconds: a few words, common ones among them, that are not quite what was said.
TEST(Talk, AShortRemarkIsTalkByHowItFits)
{
    for (const std::string heard :
        {"via banner field minus faster gate", "left two bothy spectators bump road",
            "go bothy hold mid bumpy gravel", "fifty under car stop bad care"}) {
        EXPECT_EQ(talkIn(around({heard, kTalkFits})), heard);
    }
}

TEST(Talk, NotesThatFitBadlyAreStillNotes)
{
    EXPECT_EQ(talkIn(around({"right three long into left four", -39.0})), "") << "a stone hit the floor";
    EXPECT_EQ(talkIn(around({"flying finish stop"})), "");
    std::vector<Line> voice = kNotes;
    for (Line& line : voice) {
        line.fit = 2.0 * kTalkFits;
    }
    EXPECT_EQ(talkIn(voice), "") << "a voice that fits badly as a whole";
}

/// A stage has one of each, far from the words that it has often, and short words alone fit ill.
TEST(Talk, TheEndOfAStageIsNoTalk)
{
    auto lines = kNotes;
    lines.emplace_back("flying finish", -32.0);
    lines.emplace_back("stop", -41.0);
    EXPECT_EQ(talkIn(lines), "");
    EXPECT_EQ(talkIn(around({"did finish the other car stop", kTalkFits})), "did finish the other car stop");
}

TEST(Talk, ARareThingInANoteIsNoTalk)
{
    for (const char* note :
        {"right four past the telephone box fifty", "over second jump", "left three at barn into gate",
            "caution cabin inside", "keep left past hotel garden one fifty"}) {
        EXPECT_EQ(talkIn(around(note)), "") << note;
    }
}

TEST(Talk, TheDemosStagesHaveNone)
{
    for (const auto& entry :
        std::filesystem::directory_iterator(std::filesystem::path(DEMO_FOLDER).parent_path())) {
        if (!std::filesystem::exists(entry.path() / "stage.brumefall")) {
            continue;
        }
        std::vector<Line> said;
        for (const auto& note :
            stage::prepare(stage::readStage(entry.path() / "stage.brumefall"), nullptr).plan.notes) {
            said.emplace_back(note.spoken);
        }
        ASSERT_FALSE(said.empty()) << entry.path();
        EXPECT_EQ(talkIn(said), "") << entry.path();
    }
}
