// From a bare video and a text of notes to a placed and planned stage, by what the screen says and nothing
// else.

#include "notes/notes_editor.h"
#include "widgets/clock.h"
#include "window.h"

#include <QAction>
#include <QClipboard>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>

#include <cmath>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class FirstStageTest : public support::Window {
protected:
    [[nodiscard]] Document& document() { return window_->document(); }
    void press(int key, Qt::KeyboardModifiers with = {})
    {
        QWidget* focus = QApplication::focusWidget();
        QTest::keyClick(
            focus == nullptr ? static_cast<QWidget*>(window_.get()) : focus, static_cast<Qt::Key>(key), with);
    }
    /// A dialog has been answered: the window has the keys again, as it has on a desktop.
    void comeBack()
    {
        window_->activateWindow();
        QApplication::setActiveWindow(window_.get());
        ASSERT_TRUE(QTest::qWaitForWindowActive(window_.get()));
    }
    void showMoment(double media_s)
    {
        window_->transport().seekMedia(media_s);
        ASSERT_TRUE(waitFor([&] { return !window_->transport().player().isSeeking(); }, 8000));
    }
    void makeNewStage()
    {
        support::answerFileDialog(scratch_.path() / "My stage");
        window_->findChild<QAction*>(QStringLiteral("newStage"))->trigger();
        ASSERT_TRUE(std::filesystem::exists(scratch_.path() / "My stage" / "stage.brumefall"));
        comeBack();
    }
};

} // namespace

TEST_F(FirstStageTest, ANewStageSaysWhatToDoNextInEveryWorkspace)
{
    makeNewStage();
    EXPECT_TRUE(message().contains(QStringLiteral("Write the notes"))) << message().toStdString();
    press(Qt::Key_F2);
    EXPECT_TRUE(find<QLabel>("placesFacts")->text().contains(QStringLiteral("F1")))
        << find<QLabel>("placesFacts")->text().toStdString();
    press(Qt::Key_F3);
    EXPECT_TRUE(find<QLabel>("planSummary")->text().contains(QStringLiteral("Nothing to plan yet")));
    press(Qt::Key_F4);
    find<QPushButton>("recordButton")->click();
    EXPECT_TRUE(find<QLabel>("readState")->text().contains(QStringLiteral("F1")));
}

TEST_F(FirstStageTest, AVideoAndATextBecomeAPlacedAndPlannedStage)
{
    const auto truth = stage::readPass(stage_ / "passes" / "stage.json");
    const auto demo = stage::readStage(stage_ / "stage.brumefall");
    makeNewStage();

    // Notes: the text is pasted
    auto* editor = find<NotesEditor>("notesEditor");
    EXPECT_TRUE(editor->hasFocus()) << "a new stage is written at once";
    QApplication::clipboard()->setText(QString::fromStdString(demo.text));
    press(Qt::Key_V, Qt::ControlModifier);
    ASSERT_TRUE(waitFor([&] { return document().prepared().notes.calls.size() > 30; }, 5000));
    EXPECT_TRUE(document().prepared().notes.unknown.empty());

    // Places: the video, its go and finish, and some corners
    press(Qt::Key_F2);
    support::answerFileDialog(stage_ / "media" / "stage.mkv");
    find<QPushButton>("addVideo")->click();
    comeBack();
    ASSERT_TRUE(waitFor([&] { return window_->transport().player().isOpen(); }, 10000));
    EXPECT_TRUE(message().contains(QStringLiteral("press H"))) << message().toStdString();
    showMoment(truth.go_s);
    press(Qt::Key_H);
    showMoment(*truth.finish_s);
    press(Qt::Key_F);
    find<QPushButton>("placesNotes")->click();
    ASSERT_NE(document().pass(), nullptr);
    EXPECT_NEAR(document().pass()->go_s, truth.go_s, 0.05);
    for (std::size_t k = 0; k < truth.marks.size(); k += 10) {
        document().setCurrentNote(QString::fromStdString(document().prepared().road.notes[k].id));
        showMoment(truth.marks[k].media_s);
        press(Qt::Key_M);
    }
    const auto& placement = document().videoPlacement();
    ASSERT_EQ(placement.notes.size(), truth.marks.size());
    EXPECT_EQ(document().pass()->marks.size(), (truth.marks.size() + 9) / 10);
    std::vector<double> off_s;
    for (std::size_t k = 0; k < truth.marks.size(); ++k) {
        off_s.push_back(std::abs(placement.notes[k].arrive_s + truth.go_s - truth.marks[k].media_s));
    }
    std::sort(off_s.begin(), off_s.end());
    EXPECT_LT(off_s[off_s.size() / 2], 0.4) << "a mark at every tenth note places the others";

    // Plan: every call has its moment; and all of it is on the disk
    press(Qt::Key_F3);
    EXPECT_TRUE(find<QLabel>("planSummary")->text().contains(QStringLiteral("of 67 notes")));
    document().save();
    const auto kept = stage::readStage(scratch_.path() / "My stage" / "stage.brumefall");
    EXPECT_EQ(kept.text, document().stage().text);
    EXPECT_EQ(stage::readPass(stage::listJson(scratch_.path() / "My stage" / "passes").front()).marks.size(),
        document().pass()->marks.size());
}

TEST_F(FirstStageTest, MomentsAreTypedAsMinutesAndSecondsOrAsSeconds)
{
    EXPECT_EQ(secondsOfClock(QStringLiteral("1:22.35")), 82.35);
    EXPECT_EQ(secondsOfClock(QStringLiteral(" 82,3 ")), 82.3);
    EXPECT_EQ(secondsOfClock(QStringLiteral("1:02:03")), 3723.0);
    EXPECT_FALSE(secondsOfClock(QStringLiteral("1:75")));
    EXPECT_FALSE(secondsOfClock(QStringLiteral("soon")));
    openDemo();
    press(Qt::Key_F2);
    find<QPushButton>("placesPass")->click();
    auto* go = find<ClockBox>("momentGo");
    EXPECT_EQ(go->text(), QStringLiteral("0:08.00"));
    go->selectAll();
    QTest::keyClicks(go, QStringLiteral("1:09.50"));
    QTest::keyClick(go, Qt::Key_Return);
    EXPECT_NEAR(document().pass()->go_s, 69.5, 1e-6);
}

TEST_F(FirstStageTest, MarkingWhileItPlaysIsOneKeyAtEachCorner)
{
    const auto truth = stage::readPass(stage_ / "passes" / "stage.json");
    openDemo();
    auto bare = *document().pass();
    bare.marks.clear();
    bare.trace.clear();
    document().setPass(bare, QStringLiteral("No places"));
    press(Qt::Key_F2);
    find<QWidget>("placesWorkspace")->setFocus();
    document().setCurrentNote(QString::fromStdString(document().prepared().road.notes[0].id));
    showMoment(truth.marks[0].media_s - 1.0);
    press(Qt::Key_Space);
    std::vector<std::pair<double, double>> pressed_s; // the video just before and after the key
    for (int note = 0; note < 3; ++note) {
        const double at_s = truth.marks[static_cast<std::size_t>(note)].media_s;
        auto& player = window_->transport().player();
        ASSERT_TRUE(waitFor([&] { return player.position_s() >= at_s; }, 20000));
        const double before_s = player.position_s();
        press(Qt::Key_M);
        pressed_s.emplace_back(before_s, player.position_s());
    }
    press(Qt::Key_Space);
    ASSERT_EQ(document().pass()->marks.size(), 3U);
    for (std::size_t k = 0; k < 3; ++k) {
        const auto& mark = document().pass()->marks[k];
        EXPECT_EQ(mark.note, document().prepared().road.notes[k].id);
        EXPECT_GE(mark.media_s, pressed_s[k].first - 0.05) << "where the video was";
        EXPECT_LE(mark.media_s, pressed_s[k].second + 0.05);
    }
    EXPECT_EQ(document().numberOf(document().currentNote().toStdString()), 4) << "the next one waits";
}
