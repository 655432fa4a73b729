// A first evening, by keys alone in a window of 1024x700: from nothing to a stage of ten notes that is
// placed, planned, read and reviewed.

#include "review/review_workspace.h"
#include "window.h"

#include <QComboBox>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QTableView>

#include <array>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class NewcomerTest : public support::Window {
protected:
    void SetUp() override
    {
        Window::SetUp();
        window_->resize(1024, 700);
    }

    /// What a window manager does when a dialog or a list closes.
    void backFromDialog()
    {
        QApplication::setActiveWindow(window_.get());
        QTest::qWait(50);
    }

    void type(const char* words)
    {
        for (const char* c = words; *c != '\0'; ++c) {
            *c == '\n' ? press(Qt::Key_Return) : QTest::keyClick(QApplication::focusWidget(), *c);
        }
    }

    [[nodiscard]] double mediaTime() { return window_->transport().player().position_s(); }
    [[nodiscard]] Document& document() { return window_->document(); }

    /// Presses `key` when the playing video comes to `media_s`.
    void pressAt(double media_s, int key)
    {
        ASSERT_TRUE(waitFor([&] { return mediaTime() >= media_s; }, 60000)) << media_s;
        press(key);
    }
};

} // namespace

TEST_F(NewcomerTest, GoesFromNothingToAReviewedStageOfTenNotesByKeysAlone)
{
    window_->showStart();
    ASSERT_TRUE(find<QPushButton>("startNew")->hasFocus() || find<QWidget>("startPage")->isVisible());
    const auto folder = scratch_.path() / "First evening";
    support::answerFileDialog(folder);
    press(Qt::Key_N);
    ASSERT_EQ(document().folder(), folder);
    backFromDialog();

    auto* editor = find<QPlainTextEdit>("notesEditor");
    ASSERT_TRUE(editor->hasFocus()) << "one writes at once";
    type("right five over crest into left four long 60\ncaution right two don't cut into left three 50\n"
         "right six over crest 150\ncaution hairpin left opens 40\n"
         "right four tightens three into left five 80\nleft three plus into right three 100");
    ASSERT_TRUE(waitFor([&] { return document().prepared().road.notes.size() == 10; }, 3000));

    backFromDialog(); // a list of words to take may have had the keys
    press(Qt::Key_F2);
    support::answerFileDialog(stage_ / "media" / "stage.mkv");
    press(Qt::Key_V);
    backFromDialog();
    ASSERT_TRUE(waitFor([&] { return window_->transport().player().isOpen(); }, 10000));
    // play to go, H; then M as the car enters each corner
    constexpr std::array kEnters_s{13.5, 16.57, 24.1, 27.29, 32.53, 41.72, 48.6, 51.89, 57.95, 60.95};
    press(Qt::Key_BracketRight); // faster, to have it done
    press(Qt::Key_BracketRight);
    press(Qt::Key_Space);
    pressAt(8.0, Qt::Key_H);
    press(Qt::Key_1, Qt::AltModifier);
    for (const double enters_s : kEnters_s) {
        pressAt(enters_s, Qt::Key_M);
    }
    press(Qt::Key_Space);
    ASSERT_EQ(document().pass()->marks.size(), kEnters_s.size()) << message().toStdString();
    for (std::size_t i = 0; i < kEnters_s.size(); ++i) {
        EXPECT_TRUE(document().prepared().placement.notes[i].marked);
        EXPECT_NEAR(
            document().prepared().placement.notes[i].arrive_s, kEnters_s[i] - document().pass()->go_s, 0.5);
    }

    press(Qt::Key_F3);
    EXPECT_EQ(document().prepared().plan.notes.size(), 10U);
    EXPECT_TRUE(find<QLabel>("planSummary")->text().contains(QStringLiteral("of 10 notes")));

    press(Qt::Key_F4);
    press(Qt::Key_Home);
    auto* who = find<QComboBox>("inputChoice");
    for (int i = 0; i < 40 && !who->hasFocus(); ++i) {
        press(Qt::Key_Tab);
    }
    ASSERT_TRUE(who->hasFocus());
    press(Qt::Key_End); // the simulated reader stands last
    ASSERT_EQ(who->currentData().toString(), QStringLiteral("simulated"));
    press(Qt::Key_R);
    ASSERT_TRUE(waitFor([&] { return window_->recorder().isRecording(); }, 20000));
    ASSERT_TRUE(waitFor([&] { return window_->transport().stageTime() > 12.0; }, 60000));
    press(Qt::Key_Space);
    EXPECT_TRUE(waitFor([&] { return !window_->transport().player().isPlaying(); }, 3000));
    const double paused_s = window_->recorder().recorded_s();
    QTest::qWait(700);
    EXPECT_EQ(window_->recorder().recorded_s(), paused_s) << "space parts no voice from its video";
    press(Qt::Key_Left);
    EXPECT_TRUE(message().contains(QStringLiteral("Space pauses both")));
    press(Qt::Key_Space);
    QSignalSpy judged(&window_->recorder(), &TakeRecorder::judged);
    ASSERT_TRUE(waitFor(
        [&] { return window_->transport().stageTime() > 56.0 || !window_->recorder().isRecording(); }, 90000));
    if (window_->recorder().isRecording()) { // it stops by itself after the finish
        press(Qt::Key_R);
    }
    ASSERT_TRUE(waitFor([&] { return judged.count() > 0; }, 60000));

    ASSERT_TRUE(window_->review().isVisible());
    EXPECT_EQ(find<QTableView>("verdictTable")->model()->rowCount(), 10);
    const auto figures = take::figures(window_->review().take()->plan, window_->review().take()->verdicts);
    EXPECT_EQ(figures.missed, 0);
    EXPECT_GE(figures.on_time, 8);
    press(Qt::Key_E);
    ASSERT_EQ(document().takes().size(), 1U);
    EXPECT_EQ(document().takes().front().remarks.size(), 1U) << "the driver's word by a key";
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_TRUE(document().takes().front().remarks.empty());
    press(Qt::Key_F6);
    EXPECT_EQ(window_->size(), QSize(1024, 700));
}
