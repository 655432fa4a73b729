// What is talk among the words that were heard.

#include "notes/talk.h"
#include "notes/text.h"
#include "stage/stage.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <filesystem>
#include <string>
#include <vector>

using namespace brumefall;

namespace {

/// Of `heard`, with a silence before each line, what is told for talk.
std::string talkIn(const std::vector<std::string>& heard)
{
    std::vector<std::string> words;
    std::vector<std::size_t> pauses;
    for (const std::string& line : heard) {
        pauses.push_back(words.size());
        for (std::string& word : notes::splitWords(line)) {
            words.push_back(std::move(word));
        }
    }
    std::vector<notes::SpokenWord> spoken;
    for (std::size_t i = 0; i < words.size(); ++i) {
        spoken.push_back({words[i], std::find(pauses.begin(), pauses.end(), i) != pauses.end()});
    }
    const auto talk = notes::talkAmong(spoken, notes::succession({}));
    std::string text;
    for (std::size_t i = 0; i < words.size(); ++i) {
        if (talk[i]) {
            text += (text.empty() ? "" : " ") + words[i];
        }
    }
    return text;
}

const std::vector<std::string> kNotes{"left four tightens fifty",
    "right three long don't cut into left two one hundred", "right five over crest eighty",
    "hairpin left sixty"};

std::vector<std::string> around(const std::string& between)
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
    EXPECT_EQ(talkIn(around(heard)), heard);
    EXPECT_EQ(talkIn({heard}), heard) << "and nothing else";
    EXPECT_EQ(talkIn(kNotes), "");
    EXPECT_EQ(talkIn({}), "");
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
        std::vector<std::string> said;
        for (const auto& note :
            stage::prepare(stage::readStage(entry.path() / "stage.brumefall"), nullptr).plan.notes) {
            said.push_back(note.spoken);
        }
        ASSERT_FALSE(said.empty()) << entry.path();
        EXPECT_EQ(talkIn(said), "") << entry.path();
    }
}
