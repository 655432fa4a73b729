// The ways to practise, in the real window, with the simulated reader in place of the microphone.

#include "practice_window.h"
#include "read/practice_bar.h"
#include "review/review_workspace.h"
#include "stage/stage.h"

#include <QLabel>
#include <QPushButton>
#include <QSignalSpy>

#include <cmath>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class PracticeTest : public support::PracticeWindow {
protected:
    [[nodiscard]] QString said() { return find<QLabel>("readState")->text(); }
    double worst_s(double rate = 1.0)
    {
        return ReadingWindow::worst_s(lastTake().verdicts, window_->read().lastReading(), rate);
    }
};

TEST_F(PracticeTest, AllThatAStretchAsksForIsSeen)
{
    choose(take::Way::stretch);
    for (const QSize& size : {QSize(1280, 800), QSize(1000, 650)}) {
        window_->resize(size);
        QTest::qWait(50);
        for (const char* name : {"cleanReadings", "noiseChoice", "printedChoice", "lastNote"}) {
            auto* widget = find<QWidget>(name);
            EXPECT_EQ(widget->visibleRegion().boundingRect(), widget->rect())
                << name << " is cut at " << size.width();
        }
        auto* way = find<QComboBox>("wayChoice");
        EXPECT_LT(way->fontMetrics().horizontalAdvance(way->currentText()) + 30, way->width());
    }
}

TEST_F(PracticeTest, AStretchIsReadAgainByItselfUntilItWasCleanInARow)
{
    choose(take::Way::stretch);
    chooseNotes(9, 11);
    find<QSpinBox>("cleanReadings")->setValue(2);
    const auto before = document().takes().size();
    press(Qt::Key_R);
    ASSERT_TRUE(waitForReading());
    EXPECT_TRUE(said().contains(QStringLiteral("0 of 2"))) << said().toStdString();
    ASSERT_TRUE(waitFor([&] { return practice().cleanInARow() == 1; }, 60000)) << "the first reading";
    EXPECT_TRUE(window_->read().isVisible()) << "it goes on here, not in Review";
    ASSERT_TRUE(waitForVerdicts());
    EXPECT_EQ(practice().cleanInARow(), 2);
    EXPECT_EQ(document().takes().size(), before + 2);
    EXPECT_EQ(lastTake().way, "stretch");
    EXPECT_EQ(lastTake().first, document().prepared().plan.notes[practice().stretch().first].id);
    EXPECT_LE(practice().stretch().first, 8U);
    EXPECT_TRUE(window_->review().isVisible());
    EXPECT_TRUE(message().contains(QStringLiteral("Clean 2 in a row, of 2"))) << message().toStdString();
}

TEST_F(PracticeTest, AStretchThatIsNotReadCleanBeginsToCountAnew)
{
    choose(take::Way::stretch);
    chooseNotes(9, 11);
    media::FaultWish faults;
    faults.skipping = 1;
    window_->read().setSimulatedFaults(faults, 3);
    press(Qt::Key_R);
    ASSERT_TRUE(waitForReading());
    ASSERT_TRUE(waitFor([&] { return practice().state() == Practice::State::judging; }, 60000));
    ASSERT_TRUE(waitForReading()) << "it is read again";
    EXPECT_EQ(practice().cleanInARow(), 0);
    press(Qt::Key_R);
    EXPECT_TRUE(waitForVerdicts());
}

TEST_F(PracticeTest, SlowerThanThePaceTheVerdictsAreInStageTimeAllTheSame)
{
    find<QComboBox>("paceChoice")->setCurrentText(QString::fromUtf8("0.7\u00d7"));
    chooseNotes(9, 12);
    press(Qt::Key_R);
    ASSERT_TRUE(waitForReading());
    ASSERT_TRUE(waitForVerdicts());
    EXPECT_NEAR(lastTake().clock.rate, 0.7, 1e-9);
    EXPECT_LT(worst_s(0.7), 0.5);
}

TEST_F(PracticeTest, ListeningFirstTheGuideVoiceReadsTheSameNotesAndThenOneself)
{
    choose(take::Way::listen_first);
    chooseNotes(9, 11);
    press(Qt::Key_R);
    ASSERT_TRUE(waitFor([&] { return practice().state() == Practice::State::listening; }, 20000));
    EXPECT_TRUE(window_->transport().hasGuide());
    EXPECT_FALSE(recorder().isRecording());
    ASSERT_TRUE(waitForReading());
    EXPECT_FALSE(window_->transport().hasGuide()) << "now one reads alone";
    ASSERT_TRUE(waitForVerdicts());
    EXPECT_EQ(lastTake().way, "listen_first");
    EXPECT_LT(worst_s(), 0.5);
}

TEST_F(PracticeTest, WhatIsBegunWhileATakeIsJudgedGoesOn)
{
    chooseNotes(9, 11);
    press(Qt::Key_R);
    ASSERT_TRUE(waitForReading());
    ASSERT_TRUE(waitFor([&] { return recorder().recorded_s() > 3.0; }, 20000));
    QSignalSpy judged(&recorder(), &TakeRecorder::judged);
    press(Qt::Key_R);
    choose(take::Way::listen_first);
    press(Qt::Key_R);
    ASSERT_TRUE(practice().isOn());
    ASSERT_TRUE(waitFor([&] { return judged.count() > 0; }, 30000));
    ASSERT_FALSE(recorder().isRecording()) << "one still listens";
    EXPECT_TRUE(practice().isOn());
    EXPECT_TRUE(window_->read().isVisible()) << "not away from what one does now";
    EXPECT_TRUE(message().contains(QStringLiteral("is judged: see Review"))) << message().toStdString();
    EXPECT_TRUE(waitForReading());
    press(Qt::Key_X);
}

TEST_F(PracticeTest, ThrownInThePlaceIsNotShownUntilItIsFound)
{
    choose(take::Way::thrown_in);
    practice().setSeed(4);
    press(Qt::Key_R);
    ASSERT_TRUE(waitFor([&] { return recorder().isRecording(); }, 20000));
    EXPECT_FALSE(page().look().place);
    EXPECT_FALSE(page().look().cue);
    ASSERT_TRUE(waitForReading());
    ASSERT_TRUE(waitFor([&] { return !practice().isPlaceHidden(); }, 30000)) << "the voice shows where";
    EXPECT_TRUE(page().look().place);
    ASSERT_TRUE(waitForVerdicts()) << "it stops by itself";
    EXPECT_LT(lastTake().recorded_s, 40.0);
    EXPECT_TRUE(message().contains(QStringLiteral("Thrown in at note"))) << message().toStdString();
}

TEST_F(PracticeTest, TheLostPageGoesBlankAndWhatWasReadWithoutItIsCountedApart)
{
    readWithTheLostPage();
    EXPECT_FALSE(page().look().dark);
}

TEST_F(PracticeTest, WithThePageOnlyNothingTellsWhenAndThePagesAreThePrintedOnes)
{
    choose(take::Way::page_only);
    const auto [shown, pages] = page().page();
    EXPECT_EQ(shown, 1);
    EXPECT_GT(pages, 3);
    press(Qt::Key_PageDown);
    EXPECT_EQ(page().page().first, 2);
    press(Qt::Key_PageUp);
    EXPECT_EQ(page().page().first, 1);
    goTo(150.0);
    press(Qt::Key_R);
    ASSERT_TRUE(waitForReading());
    EXPECT_FALSE(find<QWidget>("readGap")->isVisible());
    EXPECT_FALSE(page().look().cue);
    EXPECT_GT(page().page().first, 1) << "the page is turned where the reader is";
    press(Qt::Key_X);
    EXPECT_TRUE(waitFor([&] { return !recorder().isRecording(); }, 5000));
}

TEST_F(PracticeTest, TheDriversEarMovesTheLeadsOfItsClassAndTheyCanBeTaken)
{
    choose(take::Way::drivers_ear);
    goTo(20.0);
    const auto before = document().stage().driver;
    press(Qt::Key_R);
    ASSERT_TRUE(waitFor([&] { return window_->transport().player().isPlaying(); }, 30000));
    EXPECT_FALSE(recorder().isRecording());
    auto& ear = practice().ear();
    int said = 0;
    for (int i = 0; i < 3; ++i) { // the driver wants three notes earlier
        ASSERT_TRUE(waitFor(
            [&] {
                press(Qt::Key_E);
                return ear.words().count(QStringLiteral("said")) > 0 && ear.heard().has_value();
            },
            30000));
        ++said;
        QTest::qWait(2500);
    }
    EXPECT_EQ(document().stage().driver, before) << "nothing is changed before it is taken";
    const auto heard = ear.heard();
    ASSERT_TRUE(heard);
    press(Qt::Key_T);
    EXPECT_FALSE(ear.isOn());
    const auto after = document().stage().driver;
    EXPECT_EQ(after, *heard);
    EXPECT_GT(after.fast_s + after.medium_s + after.slow_s + after.hazard_s,
        before.fast_s + before.medium_s + before.slow_s + before.hazard_s + 0.3);
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(document().stage().driver, before);
}

TEST_F(PracticeTest, PauseStopsBothAndTheTakeGoesOnWhereItStopped)
{
    chooseNotes(10, 13);
    press(Qt::Key_R);
    ASSERT_TRUE(waitForReading());
    ASSERT_TRUE(waitFor([&] { return recorder().recorded_s() > 5.0; }, 20000));
    press(Qt::Key_Space);
    const double recorded_s = recorder().recorded_s();
    EXPECT_TRUE(recorder().isPaused());
    EXPECT_TRUE(said().startsWith(QStringLiteral("Paused")));
    QTest::qWait(1500);
    EXPECT_FALSE(window_->transport().player().isPlaying());
    EXPECT_EQ(recorder().recorded_s(), recorded_s) << "nothing is taken down meanwhile";
    press(Qt::Key_Space);
    ASSERT_TRUE(waitForVerdicts());
    EXPECT_LT(worst_s(), 0.6) << "one clock before the pause and after it";
    int missed = 0;
    for (std::size_t k = 9; k < 13; ++k) {
        missed += lastTake().verdicts[k].timing == take::Timing::missed ? 1 : 0;
    }
    EXPECT_LE(missed, 1) << "the note in the middle of which it was paused";
}

TEST_F(PracticeTest, AgainBeginsTheSameNotesAnewAndThrowingAwayLeavesNoTake)
{
    const auto before = document().takes().size();
    chooseNotes(10, 14);
    press(Qt::Key_R);
    ASSERT_TRUE(waitForReading());
    const double from_s = practice().stretch().from_s;
    ASSERT_TRUE(waitFor([&] { return recorder().recorded_s() > 1.0; }, 20000));
    press(Qt::Key_A);
    ASSERT_TRUE(waitFor([&] { return practice().state() == Practice::State::preparing; }, 1000));
    ASSERT_TRUE(waitForReading());
    EXPECT_NEAR(window_->transport().stageTime(), from_s, 3.0);
    press(Qt::Key_X);
    EXPECT_FALSE(recorder().isRecording());
    QTest::qWait(300);
    EXPECT_EQ(document().takes().size(), before);
    EXPECT_EQ(practice().state(), Practice::State::idle);
}

TEST_F(PracticeTest, AgainWithFewerNotesThanWereChosenIsSaid)
{
    chooseNotes(60, 66);
    press(Qt::Key_R);
    ASSERT_TRUE(waitForReading());
    press(Qt::Key_X);
    document().setNotesText(QStringLiteral("left four 60\nright three"), QStringLiteral("Edit"));
    press(Qt::Key_A);
    EXPECT_EQ(practice().state(), Practice::State::idle);
    EXPECT_FALSE(recorder().isRecording());
    EXPECT_TRUE(said().contains(QStringLiteral("fewer notes"))) << said().toStdString();
}

TEST_F(PracticeTest, AWholeReadingStopsByItselfAfterTheFinishAndIsJudgedAtOnce)
{
    goTo(document().prepared().plan.notes.back().arrive_s - 25.0);
    press(Qt::Key_R);
    ASSERT_TRUE(waitForReading());
    ASSERT_TRUE(waitFor([&] { return !recorder().isRecording(); }, 60000));
    ASSERT_TRUE(waitForVerdicts());
    EXPECT_TRUE(window_->review().isVisible());
    EXPECT_LT(worst_s(), 0.5);
}

TEST_F(PracticeTest, WithoutAVideoOneReadsAlongThePlan)
{
    document().removePass();
    document().removePass();
    ASSERT_EQ(document().pass(), nullptr);
    ASSERT_TRUE(waitFor(
        [&] { return window_->transport().isSilent() && window_->transport().player().isOpen(); }, 10000));
    chooseNotes(3, 6);
    const auto* level = find<QWidget>("levelMeter");
    EXPECT_FALSE(level->isVisible()) << "the simulated reader is silent before it reads";
    press(Qt::Key_R);
    ASSERT_TRUE(waitForReading());
    EXPECT_TRUE(level->isVisible());
    ASSERT_TRUE(waitForVerdicts());
    EXPECT_EQ(lastTake().pass, "");
    EXPECT_LT(worst_s(), 0.5);
}

TEST_F(PracticeTest, AClickWithShiftChoosesTheNotesToRead)
{
    document().setCurrentNote(QString::fromStdString(document().prepared().plan.notes[9].id));
    emit find<GapView>("readGap")->noteReached(
        QString::fromStdString(document().prepared().plan.notes[14].id));
    EXPECT_EQ(find<QSpinBox>("firstNote")->value(), 10);
    EXPECT_EQ(find<QSpinBox>("lastNote")->value(), 15);
    const auto wish = find<PracticeBar>("practiceBar")->wish();
    EXPECT_EQ(wish.first, 9U);
    EXPECT_EQ(wish.last, 15U);
}

} // namespace
