// The Plan workspace: squeezes cured one by one and brought back, leads of single notes, breaths, what if,
// drivers kept.

#include "plan/driver_files.h"
#include "plan/plan_workspace.h"
#include "widgets/gap_view.h"
#include "window.h"

#include <nlohmann/json.hpp>

#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QProcess>
#include <QPushButton>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class PlanTest : public support::Window {
protected:
    void open(const char* pass)
    {
        openDemo();
        document().choosePass(QString::fromLatin1(pass));
        QTest::keyClick(window_.get(), Qt::Key_F3);
        plan_ = find<PlanWorkspace>("planWorkspace");
        plan_->setFocus();
    }
    [[nodiscard]] Document& document() { return window_->document(); }
    [[nodiscard]] const plan::Plan& plan() { return document().prepared().plan; }
    [[nodiscard]] int late()
    {
        return static_cast<int>(std::count_if(plan().notes.begin(), plan().notes.end(),
            [](const plan::PlannedNote& n) { return n.status == plan::Status::late; }));
    }
    void key(int key, Qt::KeyboardModifiers with = {})
    {
        QTest::keyClick(plan_, static_cast<Qt::Key>(key), with);
    }

    PlanWorkspace* plan_ = nullptr;
};

} // namespace

TEST_F(PlanTest, RemediesAcceptedOneByOneTakeTheSqueezesToOnTimeAndUndoBringsThemBack)
{
    open("recce");
    const int late_before = late();
    const auto squeezes_before = plan().squeezes.size();
    ASSERT_GT(late_before, 0);
    EXPECT_TRUE(find<QListWidget>("squeezeList")
                    ->item(0)
                    ->text()
                    .contains(QStringLiteral("in one breath")));
    int steps = 0;
    while (!plan().squeezes.empty() && steps < 20) {
        const auto before = plan().squeezes.size();
        key(Qt::Key_Y);
        ++steps;
        EXPECT_LE(plan().squeezes.size(), before);
    }
    EXPECT_EQ(late(), 0);
    EXPECT_GT(steps, 0);
    for (int i = 0; i < steps; ++i) {
        document().undoStack().undo();
    }
    EXPECT_EQ(plan().squeezes.size(), squeezes_before);
    EXPECT_EQ(late(), late_before);
}

TEST_F(PlanTest, TheNumbersOnTheScreenAreThoseOfTheCommandLine)
{
    open("recce");
    key(Qt::Key_Y);
    document().save();
    QProcess cli;
    cli.start(QStringLiteral(CLI),
        {QStringLiteral("plan"), QString::fromStdString(stage_.string()), QStringLiteral("--pass"),
            QStringLiteral("recce")});
    ASSERT_TRUE(cli.waitForFinished(20000));
    const auto json = nlohmann::json::parse(cli.readAllStandardOutput().toStdString());
    ASSERT_EQ(json["notes"].size(), plan().notes.size());
    for (std::size_t k = 0; k < plan().notes.size(); ++k) {
        EXPECT_NEAR(json["notes"][k]["start_s"].get<double>(), plan().notes[k].start_s, 1e-6);
        EXPECT_NEAR(json["notes"][k]["lead_m"].get<double>(), plan().notes[k].lead_m, 1e-6);
    }
    EXPECT_EQ(json["squeezes"].size(), plan().squeezes.size());
}

TEST_F(PlanTest, OneNoteIsWishedEarlierByKeyAndTheStretchWithShift)
{
    open("stage");
    const auto note = plan().notes[8];
    document().setCurrentNote(QString::fromStdString(note.id));
    for (int i = 0; i < 5; ++i) {
        key(Qt::Key_E);
    }
    EXPECT_NEAR(plan().notes[8].window.ideal_s, note.window.ideal_s - 0.5, 1e-6);
    document().undoStack().undo();
    EXPECT_NEAR(plan().notes[8].window.ideal_s, note.window.ideal_s, 1e-6) << "five presses, one step back";
    key(Qt::Key_L, Qt::ShiftModifier);
    const auto& call = plan().calls[static_cast<std::size_t>(note.call)];
    EXPECT_EQ(document().stage().shaping.lead_offset_s.size(), call.last - call.first);
}

TEST_F(PlanTest, ACallIsMovedByKeyAndLetGo)
{
    open("stage");
    const auto note = plan().notes[8];
    document().setCurrentNote(QString::fromStdString(note.id));
    const auto call = static_cast<std::size_t>(note.call);
    const double start_s = plan().calls[call].start_s;
    key(Qt::Key_Comma);
    EXPECT_NEAR(plan().calls[call].start_s, start_s - 0.1, 1e-6);
    EXPECT_TRUE(plan().notes[plan().calls[call].first].pinned);
    key(Qt::Key_Delete);
    EXPECT_NEAR(plan().calls[call].start_s, start_s, 1e-6);
}

TEST_F(PlanTest, BreathsAreProposedFirstAndTakenOnTheSecondKey)
{
    open("stage");
    const auto text = document().stage().text;
    const auto calls = plan().calls.size();
    const auto ids = [&] {
        std::vector<std::string> all;
        for (const auto& note : plan().notes) {
            all.push_back(note.id);
        }
        return all;
    };
    const auto before = ids();
    key(Qt::Key_B);
    EXPECT_TRUE(message().contains(QStringLiteral("Proposed"))) << message().toStdString();
    EXPECT_EQ(document().stage().text, text) << "only a proposal";
    key(Qt::Key_B);
    EXPECT_NE(plan().calls.size(), calls);
    EXPECT_EQ(ids(), before) << "the notes and their marks stay";
    document().undoStack().undo();
    EXPECT_EQ(document().stage().text, text);
}

TEST_F(PlanTest, WhatIfShowsTheCallsThatWouldMoveAndChangesNothing)
{
    open("stage");
    const double start_s = plan().calls[3].start_s;
    find<QPushButton>("planWhatIf")->click();
    auto* what = find<QComboBox>("whatIf");
    what->setCurrentIndex(what->findData(QStringLiteral("pass:recce")));
    emit what->activated(what->currentIndex());
    EXPECT_GT(find<QListWidget>("movedCalls")->count(), 30) << "a slow recce is another plan altogether";
    EXPECT_NE(find<GapView>("planGap")->scene().other, nullptr);
    EXPECT_EQ(plan().calls[3].start_s, start_s);
    find<QPushButton>("planSqueezes")->click();
    EXPECT_EQ(find<GapView>("planGap")->scene().other, nullptr);
}

TEST_F(PlanTest, ADriversWishesAreKeptByNameForAnyStage)
{
    open("stage");
    auto driver = document().stage().driver;
    driver.slow_s = 3.7;
    saveDriver(QStringLiteral("Ada of the Fog"), driver);
    const auto drivers = loadDrivers();
    const auto kept = std::find_if(drivers.begin(), drivers.end(),
        [](const auto& d) { return d.first == QStringLiteral("Ada of the Fog"); });
    ASSERT_NE(kept, drivers.end());
    EXPECT_EQ(kept->second, driver);
}

TEST_F(PlanTest, TheReaderIsMeasuredFromTheTakesOfTheStage)
{
    open("stage");
    const auto before = document().stage().reader;
    find<QPushButton>("measureReader")->click();
    EXPECT_NE(document().stage().reader.rate_syll_s, before.rate_syll_s);
    EXPECT_TRUE(message().contains(QStringLiteral("From 3 takes"))) << message().toStdString();
}
