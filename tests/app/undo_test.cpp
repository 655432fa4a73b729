// Every change is taken back and done again as it was, however many there were and in whatever order.

#include "document/difference.h"
#include "document/document.h"
#include "support.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <random>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class UndoTest : public testing::Test {
protected:
    void SetUp() override
    {
        folder_ = support::copyDemo(scratch_);
        ASSERT_EQ(document_.open(QString::fromStdString(folder_.string())), std::nullopt);
    }

    /// Any change of the document, as the hand would make it.
    void change()
    {
        auto& stage = document_.stage();
        switch (random_() % 7U) {
        case 0: {
            auto text = stage.text;
            text.insert(random_() % text.size(), "x");
            document_.setNotesText(QString::fromStdString(text));
            break;
        }
        case 1: {
            auto text = stage.text;
            const auto from = text.find('\n', random_() % text.size());
            if (from != std::string::npos && text.size() > 400) {
                text.erase(from, text.find('\n', from + 1) - from);
                document_.setNotesText(QString::fromStdString(text), QStringLiteral("Cut"));
            }
            break;
        }
        case 2: {
            auto driver = stage.driver;
            driver.fast_s = 0.01 * static_cast<double>(random_() % 300U);
            document_.setDriver(driver, QStringLiteral("Lead"));
            break;
        }
        case 3: document_.setMark(someNote(), 0.1 * static_cast<double>(random_() % 4000U)); break;
        case 4: document_.removeMark(someNote()); break;
        case 5: {
            auto style = stage.style;
            style.words["w" + std::to_string(random_() % 50U)] = "long";
            document_.setStyle(style, QStringLiteral("Word"));
            break;
        }
        default: {
            auto pass = *document_.pass();
            pass.go_s += 0.1;
            document_.setPass(pass, QStringLiteral("Go"));
        }
        }
    }
    QString someNote()
    {
        const auto& notes = document_.prepared().road.notes;
        return QString::fromStdString(notes[random_() % notes.size()].id);
    }

    support::ScratchFolder scratch_;
    std::filesystem::path folder_;
    Document document_;
    std::minstd_rand random_{11};
};

} // namespace

TEST_F(UndoTest, HundredsOfChangesAreTakenBackAndDoneAgain)
{
    const auto stage = document_.stage();
    const auto passes = document_.passes();
    for (int i = 0; i < 300; ++i) {
        change();
    }
    const auto after = document_.stage();
    const auto passes_after = document_.passes();
    EXPECT_FALSE(after == stage);
    while (document_.undoStack().canUndo()) {
        document_.undoStack().undo();
    }
    EXPECT_TRUE(document_.stage() == stage);
    EXPECT_TRUE(document_.passes() == passes);
    EXPECT_EQ(document_.stage().raw, stage.raw);
    while (document_.undoStack().canRedo()) {
        document_.undoStack().redo();
    }
    EXPECT_TRUE(document_.stage() == after);
    EXPECT_TRUE(document_.passes() == passes_after);
}

TEST_F(UndoTest, CutLinesThatArePastedBackHaveTheirMarksAgain)
{
    const auto text = document_.stage().text;
    const auto placed = document_.prepared().placement.notes;
    const auto first = text.find('\n', text.size() / 3);
    const auto last = text.find('\n', text.size() / 2);
    auto without = text;
    without.erase(first, last - first);
    document_.setNotesText(QString::fromStdString(without), QStringLiteral("Cut"));
    document_.save();
    ASSERT_EQ(document_.open(QString::fromStdString(folder_.string())), std::nullopt) << "even a day later";
    document_.setNotesText(QString::fromStdString(text), QStringLiteral("Paste"));
    const auto& again = document_.prepared().placement.notes;
    ASSERT_EQ(again.size(), placed.size());
    for (std::size_t i = 0; i < placed.size(); ++i) {
        EXPECT_EQ(again[i].id, placed[i].id);
        EXPECT_EQ(again[i].marked, placed[i].marked) << placed[i].id;
    }
}

TEST_F(UndoTest, WhatIsKeptOfAChangeIsSmallHoweverLargeTheStage)
{
    // counted, not guessed: the shared rest is one object for all changes of the text
    auto shared = std::shared_ptr<const stage::Stage>();
    auto before = document_.stage();
    std::vector<StageDifference> kept;
    for (int i = 0; i < 100; ++i) {
        auto after = before;
        after.text.insert(after.text.size() / 2, "y");
        kept.emplace_back(before, after, shared);
        before = after;
    }
    EXPECT_EQ(shared.use_count(), 1 + 2 * 100);
}
