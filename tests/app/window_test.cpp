#include "notes/notes_editor.h"
#include "notes/notes_workspace.h"
#include "places/places_workspace.h"
#include "read/read_workspace.h"
#include "review/review_workspace.h"
#include "theme/theme.h"
#include "widgets/caution.h"
#include "widgets/gap_view.h"
#include "widgets/spine.h"
#include "widgets/wave_view.h"
#include "window.h"

#include <QComboBox>
#include <QLabel>
#include <QListView>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QSettings>
#include <QSlider>
#include <QTableView>
#include <QTableWidget>

#include <map>
#include <set>

using namespace brumefall;
using namespace brumefall::app;

namespace {

using MainWindowTest = support::Window;

std::string idAt(MainWindow& window, std::size_t number)
{
    return window.document().prepared().placement.notes.at(number - 1).id;
}

} // namespace

TEST_F(MainWindowTest, OpensTheDemoAndShowsItsNotesAndItsVideo)
{
    openDemo();
    EXPECT_EQ(find<QListView>("understoodList")->model()->rowCount(), 67);
    EXPECT_TRUE(find<QPlainTextEdit>("notesEditor")->toPlainText().startsWith("right five over crest"));
    QTest::keyClick(window_.get(), Qt::Key_F2);
    EXPECT_TRUE(find<PlacesWorkspace>("placesWorkspace")->isVisible());
    EXPECT_TRUE(waitFor([&] { return !window_->transport().player().picture({320, 180}).isNull(); }, 5000));
    EXPECT_EQ(find<QTableWidget>("takesTable")->rowCount(), 3);
    EXPECT_EQ(message(), QString());
}

TEST_F(MainWindowTest, TypingNotesIsUnderstoodLiveAndCanBeUndone)
{
    openDemo();
    auto* editor = find<QPlainTextEdit>("notesEditor");
    const QString before = editor->toPlainText();
    const std::string second = idAt(*window_, 2);
    editor->moveCursor(QTextCursor::Start);
    editor->setFocus();
    QTest::keyClicks(editor, "left six 80");
    QTest::keyClick(editor, Qt::Key_Return);
    ASSERT_TRUE(waitFor([&] { return find<QListView>("understoodList")->model()->rowCount() == 68; }, 3000));
    EXPECT_EQ(idAt(*window_, 3), second) << "the notes below keep their ids, and with them their marks";
    window_->document().undoStack().undo();
    EXPECT_EQ(editor->toPlainText(), before);
    EXPECT_EQ(find<QListView>("understoodList")->model()->rowCount(), 67);
}

TEST_F(MainWindowTest, AWordThatIsNotUnderstoodIsSaidWithASuggestion)
{
    openDemo();
    window_->document().setNotesText(QStringLiteral("left four titans two\nright three"));
    EXPECT_TRUE(find<QLabel>("unknownLine")->text().contains(QStringLiteral("tightens")));
}

TEST_F(MainWindowTest, PressingMMarksTheNoteWhereTheVideoStandsAndGoesOnToTheNext)
{
    openDemo();
    window_->document().choosePass(QStringLiteral("recce"));
    ASSERT_TRUE(waitFor([&] { return window_->transport().player().isOpen(); }, 10000));
    QTest::keyClick(window_.get(), Qt::Key_F2);
    const auto id = idAt(*window_, 5);
    window_->document().setCurrentNote(QString::fromStdString(id));
    const double before_s = window_->document().prepared().placement.notes[4].arrive_s;
    window_->transport().player().seek(before_s + window_->document().pass()->go_s + 0.4);
    ASSERT_TRUE(waitFor([&] { return !window_->transport().player().isSeeking(); }, 5000));
    const double stands_s = window_->transport().stageTime();
    QTest::keyClick(find<PlacesWorkspace>("placesWorkspace"), Qt::Key_M);
    const auto& place = window_->document().prepared().placement.notes[4];
    EXPECT_TRUE(place.marked);
    EXPECT_NEAR(place.arrive_s, stands_s, 0.001);
    EXPECT_EQ(window_->document().currentNote().toStdString(), idAt(*window_, 6));
    window_->document().undoStack().undo();
    EXPECT_NEAR(window_->document().prepared().placement.notes[4].arrive_s, before_s, 1e-9);
}

TEST_F(MainWindowTest, DraggingAMarkOnTheSoundMovesTheNoteAndThePlan)
{
    openDemo();
    QTest::keyClick(window_.get(), Qt::Key_F2);
    auto* wave = find<WaveView>("waveView");
    const auto number = std::size_t{5}; // taken without braking: its action point is its entry
    const double media_s = window_->document().prepared().placement.notes[number - 1].arrive_s
        + window_->document().pass()->go_s;
    wave->setSpan(media_s - 10.0, media_s + 10.0);
    const double planned_before_s = window_->document().prepared().plan.notes[number - 1].end_s;
    const QPoint from(static_cast<int>(wave->xOf(media_s)), 12);
    const QPoint to(static_cast<int>(wave->xOf(media_s + 1.0)), 12);
    QTest::mousePress(wave, Qt::LeftButton, {}, from);
    QTest::mouseMove(wave, (from + to) / 2);
    QMouseEvent move(
        QEvent::MouseMove, QPointF(to), wave->mapToGlobal(QPointF(to)), Qt::NoButton, Qt::LeftButton, {});
    QApplication::sendEvent(wave, &move);
    QTest::mouseRelease(wave, Qt::LeftButton, {}, to);
    EXPECT_NEAR(window_->document().prepared().placement.notes[number - 1].arrive_s
            + window_->document().pass()->go_s,
        media_s + 1.0, 0.1);
    EXPECT_GT(window_->document().prepared().plan.notes[number - 1].end_s, planned_before_s + 0.3);
    EXPECT_TRUE(window_->document().undoStack().undoText().startsWith("Mark note 5"));
}

TEST_F(MainWindowTest, MovingALeadReplansAtOnce)
{
    openDemo();
    QTest::keyClick(window_.get(), Qt::Key_F3);
    const auto& plan = window_->document().prepared().plan;
    const double before_s = plan.notes[5].end_s; // a hairpin with a warning
    auto* slider = find<QSlider>("leadSlow");
    slider->setFocus();
    for (int i = 0; i < 10; ++i) {
        QTest::keyClick(slider, Qt::Key_Up);
    }
    EXPECT_NEAR(window_->document().prepared().plan.notes[5].end_s, before_s - 1.0, 0.05);
    EXPECT_EQ(window_->document().undoStack().count(), 1) << "one slider, one step to undo";
    window_->document().undoStack().undo();
    EXPECT_NEAR(window_->document().prepared().plan.notes[5].end_s, before_s, 1e-9);
}

TEST_F(MainWindowTest, ACallMovedByHandStaysThereUntilItIsLetGo)
{
    openDemo();
    QTest::keyClick(window_.get(), Qt::Key_F3);
    auto* gap = find<GapView>("planGap");
    gap->setSpan(18.0, 34.0);
    const double before_s = window_->document().prepared().plan.calls[3].start_s;
    const QPoint from = gap->callRect(3).center().toPoint();
    const QPoint to = from - QPoint(60, 0);
    QTest::mousePress(gap, Qt::LeftButton, {}, from);
    QMouseEvent move(
        QEvent::MouseMove, QPointF(to), gap->mapToGlobal(QPointF(to)), Qt::NoButton, Qt::LeftButton, {});
    QApplication::sendEvent(gap, &move);
    QTest::mouseRelease(gap, Qt::LeftButton, {}, to);
    const double wished_s = before_s - 60.0 * 16.0 / gap->width();
    EXPECT_NEAR(window_->document().prepared().plan.calls[3].start_s, wished_s, 0.05);
    EXPECT_EQ(window_->document().undoStack().undoText(), QStringLiteral("Move the call of note 6 sooner"));
    window_->document().pinCall(3, {});
    EXPECT_NEAR(window_->document().prepared().plan.calls[3].start_s, before_s, 1e-9);
}

TEST_F(MainWindowTest, ChangesAreOnTheDiskAfterASecondAndThereAgainAtTheNextOpening)
{
    openDemo();
    auto driver = window_->document().stage().driver;
    driver.medium_s = 2.7;
    window_->document().setDriver(driver, QStringLiteral("Change a lead"));
    ASSERT_TRUE(waitFor([&] { return !window_->document().hasUnsavedChanges(); }, 5000));
    EXPECT_EQ(stage::readStage(stage_ / "stage.brumefall").driver.medium_s, 2.7);
}

TEST_F(MainWindowTest, TheSpineGoesToANoteByItsNumber)
{
    openDemo();
    auto* spine = find<Spine>("spine");
    spine->setFocus();
    QTest::keyClicks(spine, "12");
    QTest::keyClick(spine, Qt::Key_Return);
    EXPECT_EQ(window_->document().currentNote().toStdString(), idAt(*window_, 12));
    EXPECT_NEAR(window_->transport().stageTime(),
        window_->document().prepared().placement.notes[11].arrive_s - 3.0, 0.1);
}

TEST_F(MainWindowTest, SpacePlaysAndPausesEverywhere)
{
    openDemo();
    for (const int key : {Qt::Key_F2, Qt::Key_F3, Qt::Key_F4, Qt::Key_F5}) {
        QTest::keyClick(window_.get(), static_cast<Qt::Key>(key));
        QTest::keyClick(QApplication::focusWidget() == nullptr ? window_.get() : QApplication::focusWidget(),
            Qt::Key_Space);
        EXPECT_TRUE(waitFor([&] { return window_->transport().player().isPlaying(); }, 5000)) << key;
        QTest::keyClick(window_.get(), Qt::Key_Space);
        EXPECT_TRUE(waitFor([&] { return !window_->transport().player().isPlaying(); }, 5000)) << key;
    }
}

TEST_F(MainWindowTest, TheGuideVoiceIsMixedUnderTheVideosOwnClock)
{
    openDemo();
    QTest::keyClick(window_.get(), Qt::Key_F4);
    find<QPushButton>("guideButton")->click();
    ASSERT_TRUE(waitFor([&] { return window_->transport().hasGuide(); }, 20000));
    window_->transport().seekStage(2.0);
    window_->transport().player().play();
    EXPECT_TRUE(waitFor([&] { return window_->transport().stageTime() > 3.0; }, 8000));
    EXPECT_EQ(message(), QString());
    find<QPushButton>("guideButton")->click();
    EXPECT_FALSE(window_->transport().hasGuide());
}

TEST_F(MainWindowTest, ReadsAWhileAndFindsInReviewExactlyTheFaultsThatWereMade)
{
    openDemo();
    media::FaultWish wish;
    wish.late = 1;
    wish.skipping = 1;
    wish.repeating = 1;
    wish.hesitating = 1;
    constexpr double kUntil_s = 46.0;
    wish.to_s = kUntil_s;
    window_->read().setSimulatedFaults(wish, 11);
    QTest::keyClick(window_.get(), Qt::Key_F4);
    auto* input = find<QComboBox>("inputChoice");
    input->setCurrentIndex(input->count() - 1);
    QSignalSpy told(&window_->recorder(), &TakeRecorder::failed);
    find<QPushButton>("recordButton")->click();
    ASSERT_TRUE(waitFor(
        [&] { return window_->transport().stageTime() > 20.0; }, 150000)); // a machine may stand still
    EXPECT_GT(std::filesystem::file_size(
                  stage_ / "takes" / stage::readTake(stage::listJson(stage_ / "takes").front()).audio),
        20000U)
        << "the recording grows on the disk while it is made";
    ASSERT_TRUE(waitFor([&] { return window_->transport().stageTime() > kUntil_s + 2.0; }, 180000));
    QSignalSpy judged(&window_->recorder(), &TakeRecorder::judged);
    find<QPushButton>("recordButton")->click();
    ASSERT_TRUE(waitFor([&] { return judged.count() > 0; }, 60000));

    ASSERT_TRUE(window_->review().isVisible()) << "Review opens by itself";
    const stage::Take* take = window_->review().take();
    ASSERT_NE(take, nullptr);
    EXPECT_GT(take->recorded_s, 40.0);
    std::map<std::string, media::FaultKind> made;
    std::set<int> late_calls;
    for (const auto& fault : window_->read().lastReading().faults) {
        made[fault.note] = fault.kind;
    }
    ASSERT_EQ(made.size(), 4U);
    for (const auto& note : take->plan.notes) {
        if (made.contains(note.id) && made[note.id] == media::FaultKind::late) {
            late_calls.insert(note.call);
        }
    }
    // where the machine could not show the video evenly the take says so, and promises nothing about times
    const bool even = told.isEmpty();
    int judged_notes = 0;
    for (std::size_t k = 0; k < take->verdicts.size(); ++k) {
        const auto& verdict = take->verdicts[k];
        const auto& planned = take->plan.notes[k];
        if (verdict.outside_take || planned.start_s >= kUntil_s) {
            continue;
        }
        ++judged_notes;
        const auto fault = made.find(verdict.id);
        const bool has = fault != made.end();
        EXPECT_EQ(verdict.timing == take::Timing::missed, has && fault->second == media::FaultKind::skipping)
            << planned.spoken;
        EXPECT_EQ(verdict.repeated, has && fault->second == media::FaultKind::repeating) << planned.spoken;
        EXPECT_EQ(verdict.hesitated, has && fault->second == media::FaultKind::hesitating) << planned.spoken;
        if (even && verdict.timing != take::Timing::missed && planned.status == plan::Status::on_time) {
            EXPECT_EQ(verdict.timing == take::Timing::late, late_calls.contains(planned.call))
                << planned.spoken << " " << verdict.off_s;
        }
    }
    EXPECT_GE(judged_notes, 8);

    // the clock of the recording and that of the video: every read note stands where the reader put it, but
    // for what the video's clock was off when the reader began, which is told only where it is more
    constexpr double kUntold_s = 0.25;
    std::vector<double> errors;
    const auto& reading = window_->read().lastReading();
    for (const auto& truth : reading.truth) {
        for (const auto& verdict : take->verdicts) {
            if (verdict.id == truth.id && truth.read && verdict.timing != take::Timing::missed) {
                errors.push_back(verdict.start_s - (truth.span.start_s + reading.from_s));
            }
        }
    }
    ASSERT_FALSE(errors.empty());
    const auto median = [](std::vector<double> values) {
        std::sort(values.begin(), values.end());
        return values[values.size() / 2];
    };
    const double began_off_s = median(errors);
    EXPECT_TRUE(!even || std::abs(began_off_s) < kUntold_s) << began_off_s;
    for (double& error : errors) {
        error = std::abs(error - began_off_s);
    }
    EXPECT_TRUE(!even || median(errors) < 0.06) << median(errors);

    // a click on a row plays that stretch
    auto* table = find<QTableView>("verdictTable");
    const QModelIndex row = table->model()->index(3, VerdictModel::kNote);
    table->scrollTo(row);
    QTest::mouseClick(table->viewport(), Qt::LeftButton, {}, table->visualRect(row).center());
    EXPECT_TRUE(waitFor([&] { return window_->transport().player().isPlaying(); }, 5000));
    EXPECT_NEAR(window_->transport().stageTime(), take->verdicts[3].start_s - 1.0, 1.0);
}

TEST_F(MainWindowTest, TheCautionStandsInFrontUntilItIsRead)
{
    window_->showCaution();
    auto* read = find<QPushButton>("cautionRead");
    ASSERT_TRUE(read->isVisible());
    EXPECT_TRUE(cautionText().contains(QStringLiteral("not for use by anyone who is driving")));
    QTest::keyClick(read, Qt::Key_Return);
    QCoreApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
    EXPECT_EQ(window_->findChild<QWidget*>(QStringLiteral("caution")), nullptr);
    EXPECT_TRUE(QSettings().value(QStringLiteral("caution/read")).toBool());
}

TEST_F(MainWindowTest, RemembersTheStagesThatWereOpened)
{
    openDemo();
    EXPECT_EQ(QSettings().value(QStringLiteral("recent")).toStringList().first(),
        QString::fromStdString(stage_.string()));
}

TEST_F(MainWindowTest, ADriversRemarkIsKeptWithTheTake)
{
    openDemo();
    QTest::keyClick(window_.get(), Qt::Key_F5);
    window_->review().showTake(QStringLiteral("2030-03-09 19.02.47"));
    auto* table = find<QTableView>("verdictTable");
    table->selectRow(7);
    find<QPushButton>("remark_later")->click();
    const auto kept = stage::readTake(stage_ / "takes" / "2030-03-09 19.02.47.json");
    EXPECT_TRUE(std::any_of(kept.remarks.begin(), kept.remarks.end(),
        [&](const stage::Remark& r) { return r.note == idAt(*window_, 8) && r.says == "later"; }));
}
