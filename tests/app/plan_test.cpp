// The Plan workspace: squeezes cured one by one and brought back, leads of single notes, breaths, what if.

#include "plan_window.h"
#include "widgets/gap_view.h"

#include <nlohmann/json.hpp>

#include <QComboBox>
#include <QLabel>
#include <QListView>
#include <QListWidget>
#include <QProcess>
#include <QPushButton>
#include <QTableWidget>

using namespace brumefall;
using namespace brumefall::app;

using support::PlanTest;

TEST_F(PlanTest, RemediesAcceptedOneByOneTakeTheSqueezesToOnTimeAndUndoBringsThemBack)
{
    open("recce");
    const int late_before = late();
    const auto squeezes_before = plan().squeezes.size();
    ASSERT_GT(late_before, 0);
    EXPECT_TRUE(find<QListWidget>("squeezeList")->item(0)->text().contains(QStringLiteral("in one breath")));
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

TEST_F(PlanTest, AChosenRemedyIsShownInDashesBeforeItIsTaken)
{
    open("recce");
    auto* list = find<QListWidget>("squeezeList");
    const auto* scene = &find<GapView>("planGap")->scene();
    EXPECT_EQ(scene->other, nullptr) << "nothing was chosen yet";
    list->setCurrentRow(2); // the second remedy
    ASSERT_NE(scene->other, nullptr);
    std::vector<double> shown;
    for (const auto& call : scene->other->calls) {
        shown.push_back(call.start_s);
    }
    const auto before = plan().calls;
    list->setCurrentRow(0);
    EXPECT_EQ(scene->other, nullptr) << "a heading is no remedy";
    EXPECT_EQ(plan().calls.front().start_s, before.front().start_s);
    list->setCurrentRow(2);
    key(Qt::Key_Y);
    ASSERT_EQ(plan().calls.size(), shown.size());
    for (std::size_t c = 0; c < shown.size(); ++c) {
        EXPECT_NEAR(plan().calls[c].start_s, shown[c], 1e-9) << "it came as it was shown";
    }
    EXPECT_EQ(scene->other, nullptr);
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

TEST_F(PlanTest, BreathsOfAStretchLeaveTheOtherLinesAlone)
{
    open("stage");
    const auto lines = [&] {
        return QString::fromStdString(document().stage().text).split(QLatin1Char('\n'));
    };
    const auto before = lines();
    document().setCurrentNote(QString::fromStdString(plan().notes[19].id));
    for (int i = 0; i < 6; ++i) {
        key(Qt::Key_Up, Qt::ShiftModifier);
    }
    const int first_line = plan().calls[static_cast<std::size_t>(plan().notes[19].call)].line;
    const int last_line = plan().calls[static_cast<std::size_t>(plan().notes[25].call)].line;
    key(Qt::Key_B);
    if (message().contains(QStringLiteral("best already"))) {
        GTEST_SKIP() << "nothing to propose here";
    }
    EXPECT_TRUE(message().contains(QStringLiteral("for this stretch"))) << message().toStdString();
    key(Qt::Key_B);
    const auto after = lines();
    ASSERT_NE(after, before);
    for (int line = 0; line < first_line - 1; ++line) {
        EXPECT_EQ(after[line], before[line]);
    }
    for (qsizetype back = 1; back <= before.size() - last_line; ++back) {
        EXPECT_EQ(after[after.size() - back], before[before.size() - back]);
    }
}

TEST_F(PlanTest, AWetRoadBringsCallsLaterAndChangesNothing)
{
    open("stage");
    const auto before = plan().calls;
    find<QPushButton>("planWhatIf")->click();
    auto* what = find<QComboBox>("whatIf");
    what->setCurrentIndex(what->findData(QStringLiteral("wet")));
    emit what->activated(what->currentIndex());
    const auto* other = find<GapView>("planGap")->scene().other;
    ASSERT_NE(other, nullptr);
    EXPECT_GT(other->calls.back().start_s, before.back().start_s + 1.0);
    EXPECT_EQ(plan().calls.back().start_s, before.back().start_s);
}

TEST_F(PlanTest, AnEchoCarriesTheNumberOfWhatItSaysAgain)
{
    open("stage");
    document().setEchoes({true, 0.0, 0});
    const auto echo = std::find_if(plan().notes.begin(), plan().notes.end(),
        [](const plan::PlannedNote& note) { return note.id.ends_with("e") && !note.echo_of.empty(); });
    ASSERT_NE(echo, plan().notes.end());
    EXPECT_EQ(document().numberOf(echo->id), document().numberOf(echo->echo_of));
    document().setCurrentNote(QString::fromStdString(echo->id));
    EXPECT_TRUE(find<QLabel>("planChosen")
                    ->text()
                    .contains(QStringLiteral("<b>%1 ").arg(document().numberOf(echo->echo_of))));
}

TEST_F(PlanTest, WorkspacesThatWereNotSeenCatchUpWhenTheyAreShown)
{
    open("stage");
    document().setNotesText(QStringLiteral("left four 60\nright three 80\nleft two 50"));
    EXPECT_EQ(plan().notes.size(), 3U);
    QTest::keyClick(window_.get(), Qt::Key_F2);
    EXPECT_EQ(find<QTableWidget>("placesTable")->rowCount(), 3);
    QTest::keyClick(window_.get(), Qt::Key_F1);
    EXPECT_EQ(find<QListView>("understoodList")->model()->rowCount(), 3);
    document().undoStack().undo();
    QTest::keyClick(window_.get(), Qt::Key_F3);
    EXPECT_TRUE(find<QLabel>("planSummary")->text().contains(QStringLiteral("of 67 notes")));
}
