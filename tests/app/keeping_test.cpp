// Nothing typed is lost, nothing said outlives its stage, and what is thrown away can be had back.

#include "document/demo.h"
#include "log/log_workspace.h"
#include "review/review_workspace.h"
#include "stage/folder.h"
#include "theme/theme.h"
#include "widgets/gap_view.h"
#include "window.h"

#include <QCheckBox>
#include <QDirIterator>
#include <QGraphicsView>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QRegularExpression>
#include <QSettings>
#include <QStandardPaths>
#include <QTableView>
#include <QTableWidget>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class KeepingTest : public support::Window {
protected:
    void SetUp() override
    {
        std::filesystem::remove_all(data());
        Window::SetUp();
    }
    void TearDown() override
    {
        window_.reset();
        std::filesystem::remove_all(data());
    }

    [[nodiscard]] static std::filesystem::path data()
    {
        return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation).toStdString();
    }
    [[nodiscard]] Document& document() { return window_->document(); }
    [[nodiscard]] QString text() { return find<QPlainTextEdit>("notesEditor")->toPlainText(); }

    void typeBeforeThereIsAStage()
    {
        window_->showStart();
        find<QPushButton>("startWrite")->click();
        QTest::keyClicks(find<QPlainTextEdit>("notesEditor"), "left four into right three");
    }

    void secondWindow()
    {
        window_->close();
        window_ = std::make_unique<MainWindow>();
        window_->show();
        ASSERT_TRUE(QTest::qWaitForWindowExposed(window_.get()));
        window_->openLast();
    }
};

} // namespace

TEST_F(KeepingTest, WhatIsTypedBeforeThereIsAStageIsThereAtTheNextStart)
{
    typeBeforeThereIsAStage();
    secondWindow(); // closed at once, before the typing was taken
    EXPECT_EQ(text(), QStringLiteral("left four into right three"));
    EXPECT_TRUE(find<QWidget>("notesEditor")->isVisible());
}

TEST_F(KeepingTest, WhatIsTypedBeforeThereIsAStageGoesIntoTheNewOne)
{
    typeBeforeThereIsAStage();
    const auto folder = scratch_.path() / "Named";
    support::answerFileDialog(folder);
    window_->findChild<QAction*>(QStringLiteral("newStage"))->trigger();
    EXPECT_EQ(document().folder(), folder);
    EXPECT_EQ(text(), QStringLiteral("left four into right three"));
    EXPECT_EQ(stage::readStage(folder / "stage.brumefall").name, "Named");
    window_->showStart();
    EXPECT_TRUE(find<QPushButton>("startWrite")->text().startsWith(QStringLiteral("Write notes now")))
        << "nothing without a stage is left";
}

TEST_F(KeepingTest, WhatCannotBeSavedIsNotThrownAwayForAName)
{
    typeBeforeThereIsAStage();
    document().save();
    const auto folder = document().folder();
    std::filesystem::remove_all(folder); // as if the disk were gone
    support::write(folder, "no folder any more");
    QTest::keyClicks(find<QPlainTextEdit>("notesEditor"), " 60");
    EXPECT_TRUE(
        document().nameStage(QString::fromStdString((scratch_.path() / "Named").string())).has_value());
    EXPECT_EQ(text(), QStringLiteral("left four into right three 60"));
    EXPECT_EQ(document().stage().text, "left four into right three 60");
    std::filesystem::remove(folder);
}

TEST_F(KeepingTest, ANamedStageIsLeftAsItIsByANewOne)
{
    openDemo();
    const auto before = document().stage().text;
    support::answerFileDialog(scratch_.path() / "Another");
    window_->findChild<QAction*>(QStringLiteral("newStage"))->trigger();
    EXPECT_TRUE(text().isEmpty());
    EXPECT_EQ(stage::readStage(stage_ / "stage.brumefall").text, before);
}

TEST_F(KeepingTest, SteadyTypingIsOnTheDiskAllTheSame)
{
    typeBeforeThereIsAStage();
    auto* editor = find<QPlainTextEdit>("notesEditor");
    const auto file = document().folder() / "stage.brumefall";
    for (int i = 0; i < 25; ++i) {
        QTest::keyClicks(editor, " 60");
        QTest::qWait(80); // never a pause
    }
    EXPECT_NE(support::read(file).find("60 60 60"), std::string::npos);
}

TEST_F(KeepingTest, TheStartOffersTheDemoAsACopyOfOnesOwn)
{
    ASSERT_TRUE(shippedDemo());
    window_->showStart();
    EXPECT_TRUE(find<QPushButton>("startDemo")->isEnabled());
    find<QPushButton>("startDemo")->click();
    EXPECT_EQ(document().stage().name, "Lantern Pass");
    EXPECT_EQ(document().folder(), data() / "demo" / "Lantern Pass");
    for (QWidget* widget :
        window_->findChild<QWidget*>(QStringLiteral("startPage"))->findChildren<QWidget*>()) {
        EXPECT_FALSE(widget->property("text").toString().contains(QStringLiteral("scripts/")));
    }
}

TEST_F(KeepingTest, AMessageGoesWithItsStageAndWithTheNextChange)
{
    openDemo();
    window_->showMessage(QStringLiteral("something of this stage"));
    QTest::qWait(5);
    auto driver = document().stage().driver;
    driver.medium_s += 0.1;
    document().setDriver(driver, QStringLiteral("Change a lead"));
    EXPECT_EQ(message(), QString());
    window_->showMessage(QStringLiteral("something of this stage"));
    QTest::qWait(5);
    ASSERT_FALSE(document().create(QString::fromStdString((scratch_.path() / "Fresh").string())));
    EXPECT_EQ(message(), QString());
}

TEST_F(KeepingTest, ANewStageHasAFreshClockAndItsHeadingsAgreeWithItsRows)
{
    openDemo();
    window_->showWorkspace(MainWindow::kPlaces);
    window_->transport().setRate(2.0);
    window_->transport().seekStage(100.0);
    document().setCurrentNote(QString::fromStdString(document().prepared().placement.notes[30].id));
    ASSERT_TRUE(waitFor([&] { return !window_->transport().player().isSeeking(); }, 5000));
    const auto other = scratch_.path() / "Other";
    ASSERT_FALSE(document().saveCopy(QString::fromStdString(other.string())));
    ASSERT_TRUE(window_->openStage(QString::fromStdString(other.string())));
    ASSERT_TRUE(waitFor([&] { return window_->transport().player().isOpen(); }, 10000));
    EXPECT_EQ(window_->transport().rate(), 1.0);
    EXPECT_LT(window_->transport().stageTime(), 1.0);
    EXPECT_EQ(find<QTableWidget>("placesTable")->currentRow(), 0);
    EXPECT_TRUE(find<QLabel>("nextNote")->text().startsWith(QStringLiteral("1  ")));
}

TEST_F(KeepingTest, TheClockFollowsGoWhilePaused)
{
    openDemo();
    window_->showWorkspace(MainWindow::kPlaces);
    window_->transport().seekStage(20.0);
    ASSERT_TRUE(waitFor([&] { return !window_->transport().player().isSeeking(); }, 5000));
    QTest::keyClick(window_.get(), Qt::Key_H);
    EXPECT_TRUE(find<QLabel>("timeLabel")->text().startsWith(QStringLiteral("0:00.0")));
}

TEST_F(KeepingTest, AMarkThatCanHardlyBeIsAskedBeforeItIsMade)
{
    openDemo();
    window_->showWorkspace(MainWindow::kPlaces);
    document().setCurrentNote(QString::fromStdString(document().prepared().placement.notes[4].id));
    const auto before = document().pass()->marks;
    window_->transport().seekStage(200.0);
    ASSERT_TRUE(waitFor([&] { return !window_->transport().player().isSeeking(); }, 5000));
    QTest::keyClick(window_.get(), Qt::Key_M);
    EXPECT_EQ(document().pass()->marks, before);
    EXPECT_TRUE(message().contains(QStringLiteral("Note 5 here?"))) << message().toStdString();
    QTest::keyClick(window_.get(), Qt::Key_M);
    EXPECT_NE(document().pass()->marks, before) << "asked once, then done";
}

TEST_F(KeepingTest, KeepingWhereNothingIsProposedSaysSo)
{
    openDemo();
    window_->showWorkspace(MainWindow::kPlaces);
    document().setCurrentNote(QString::fromStdString(document().prepared().placement.notes[4].id));
    QTest::keyClick(window_.get(), Qt::Key_K);
    EXPECT_TRUE(message().contains(QStringLiteral("marked already")));
}

TEST_F(KeepingTest, CaptionsBeforeAVideoOfferTheirTimesOnceThereIsOne)
{
    ASSERT_FALSE(document().create(QString::fromStdString((scratch_.path() / "Fresh").string())));
    support::answerFileDialog(stage_ / "media" / "stage.srt");
    find<QPushButton>("importCaptions")->click();
    find<QPushButton>("captionsAccept")->click();
    ASSERT_GT(document().stage().captions.place_s.size(), 20U);
    window_->showWorkspace(MainWindow::kPlaces);
    EXPECT_FALSE(find<QPushButton>("takeCaptionPlaces")->isVisible());
    support::answerFileDialog(stage_ / "media" / "stage.mkv");
    QTest::keyClick(window_.get(), Qt::Key_V);
    QTest::keyClick(window_.get(), Qt::Key_1, Qt::AltModifier);
    ASSERT_TRUE(find<QPushButton>("takeCaptionPlaces")->isVisible());
    QTest::keyClick(window_.get(), Qt::Key_D);
    EXPECT_GT(document().pass()->marks.size(), 20U);
    EXPECT_TRUE(document().pass()->marks.front().draft);
    const QString says = find<QLabel>("placesFacts")->text();
    EXPECT_TRUE(says.contains(QStringLiteral("are proposed"))) << says.toStdString();
    EXPECT_LE(says.count(QLatin1Char('\n')), 3) << "what is odd leaves the list its room";
    document().undoStack().undo();
    EXPECT_TRUE(document().pass()->marks.empty());
}

QString trash()
{
    return QStandardPaths::writableLocation(QStandardPaths::GenericDataLocation) + "/Trash";
}

/// Files of this name in the desktop's trash, where they lie or as what is known of them.
int inTrash(const std::string& name)
{
    int found = 0;
    QDirIterator files(trash(), QDir::Files, QDirIterator::Subdirectories);
    while (files.hasNext()) {
        files.next();
        found += static_cast<int>(files.fileName().startsWith(QString::fromStdString(name)));
    }
    return found;
}

TEST_F(KeepingTest, ATakeGoesIntoTheTrashAndComesBack)
{
    QDir(trash()).removeRecursively(); // that of the tests (setTestModeEnabled), of earlier runs
    openDemo();
    window_->showWorkspace(MainWindow::kLog);
    window_->log().showPage(LogWorkspace::kTakes);
    auto* table = find<QTableWidget>("takesTable");
    table->setCurrentCell(1, 0);
    const auto name = table->item(1, 0)->text().toStdString();
    const auto take = *std::find_if(document().takes().begin(), document().takes().end(),
        [&](const stage::Take& t) { return t.name == name; });
    QTest::keyClick(table, Qt::Key_Delete);
    EXPECT_EQ(table->rowCount(), 2);
    EXPECT_FALSE(std::filesystem::exists(stage_ / "takes" / (name + ".json")));
    EXPECT_FALSE(std::filesystem::exists(stage_ / "takes" / take.audio));
    EXPECT_TRUE(message().contains(QStringLiteral("in the trash")));
    document().undoStack().undo();
    EXPECT_EQ(table->rowCount(), 3);
    EXPECT_EQ(table->item(1, 0)->text().toStdString(), name) << "where it stood";
    EXPECT_TRUE(std::filesystem::exists(stage_ / "takes" / (name + ".json")));
    EXPECT_TRUE(std::filesystem::exists(stage_ / "takes" / take.audio));
    EXPECT_EQ(inTrash(name), 0) << "nothing of it is left behind in the trash";
    document().undoStack().redo();
    EXPECT_EQ(table->rowCount(), 2);
}

TEST_F(KeepingTest, APassIsRenamedTurnedAndTakenAwayAndAllOfItUndone)
{
    openDemo();
    window_->showWorkspace(MainWindow::kPlaces);
    QTest::keyClick(window_.get(), Qt::Key_2, Qt::AltModifier);
    auto* name = find<QLineEdit>("passName");
    name->setFocus();
    name->selectAll();
    QTest::keyClicks(name, "night run");
    QTest::keyClick(name, Qt::Key_Return);
    EXPECT_EQ(document().pass()->name, "night run");
    document().save();
    EXPECT_TRUE(std::filesystem::exists(stage_ / "passes" / "night run.json"));
    EXPECT_FALSE(std::filesystem::exists(stage_ / "passes" / "stage.json"));
    for (const auto& take : document().takes()) {
        EXPECT_EQ(take.pass, "night run") << take.name;
        EXPECT_EQ(stage::readTake(stage_ / "takes" / (take.name + ".json")).pass, "night run");
    }
    const double aspect = window_->transport().player().aspect();
    find<QPushButton>("turnPicture")->click();
    EXPECT_TRUE(waitFor([&] { return window_->transport().player().aspect() < 1.0; }, 5000)) << aspect;
    find<QPushButton>("removePass")->click();
    EXPECT_EQ(document().passes().size(), 1U);
    document().undoStack().undo();
    document().undoStack().undo();
    document().undoStack().undo();
    EXPECT_EQ(document().pass()->name, "stage");
    EXPECT_EQ(document().takes().front().pass, "stage");
    document().save();
    EXPECT_TRUE(std::filesystem::exists(stage_ / "passes" / "stage.json"));
    EXPECT_FALSE(std::filesystem::exists(stage_ / "passes" / "night run.json"));
}

TEST_F(KeepingTest, StageAndCrewAreRenamedInTheTitle)
{
    openDemo();
    document().rename(QStringLiteral("Lantern Night"), QStringLiteral("Fogbound"));
    EXPECT_EQ(find<QLabel>("stageTitle")->text(), QStringLiteral("Lantern Night  \u00b7  Fogbound"));
    document().undoStack().undo();
    EXPECT_TRUE(find<QLabel>("stageTitle")->text().startsWith(QStringLiteral("Lantern Pass")));
}

TEST_F(KeepingTest, NotesFromAFileSayWhatTheyReplaced)
{
    openDemo();
    support::write(scratch_.path() / "other.txt", "left two\nright three\n");
    support::answerFileDialog(scratch_.path() / "other.txt");
    find<QPushButton>("importNotes")->click();
    EXPECT_TRUE(message().contains(QStringLiteral("The 67 notes that were here"))) << message().toStdString();
}

TEST_F(KeepingTest, StageAndCrewAreRenamedByADialogOfTwoLines)
{
    openDemo();
    QTimer::singleShot(300, [] {
        QWidget* dialog = QApplication::activeModalWidget();
        ASSERT_NE(dialog, nullptr);
        dialog->findChild<QLineEdit*>(QStringLiteral("renameName"))->setText(QStringLiteral("Fog Pass"));
        auto* crew = dialog->findChild<QLineEdit*>(QStringLiteral("renameCrew"));
        crew->setText(QStringLiteral("Two of us"));
        QTest::keyClick(crew, Qt::Key_Return);
    });
    window_->findChild<QAction*>(QStringLiteral("renameStage"))->trigger();
    EXPECT_EQ(document().stage().name, "Fog Pass");
    EXPECT_EQ(document().stage().crew, "Two of us");
    EXPECT_EQ(find<QLabel>("stageTitle")->text(), QStringLiteral("Fog Pass  \u00b7  Two of us"));
}

TEST_F(KeepingTest, TheBreathsThatAreProposedAreDrawnBeforeTheyAreTaken)
{
    openDemo();
    document().choosePass(QStringLiteral("recce"));
    window_->showWorkspace(MainWindow::kPlan);
    QTest::keyClick(window_.get(), Qt::Key_B);
    ASSERT_TRUE(message().startsWith(QStringLiteral("Proposed"))) << message().toStdString();
    auto* gap = find<GapView>("planGap");
    ASSERT_NE(gap->scene().other, nullptr);
    const std::size_t calls = gap->scene().other->calls.size();
    EXPECT_NE(calls, 0U);
    QTest::keyClick(window_.get(), Qt::Key_B);
    EXPECT_EQ(document().prepared().plan.calls.size(), calls) << "B once more takes what was drawn";
}

TEST_F(KeepingTest, TheThemeIsTheDesktopsUntilOneIsChosen)
{
    QSettings().remove(QStringLiteral("theme/dark"));
    QPalette desktop;
    desktop.setColor(QPalette::Window, QColor(0x20, 0x22, 0x24));
    EXPECT_TRUE(wishedTheme(desktop).dark);
    desktop.setColor(QPalette::Window, QColor(0xf0, 0xf0, 0xf0));
    EXPECT_FALSE(wishedTheme(desktop).dark);
    press(Qt::Key_D, Qt::ControlModifier);
    EXPECT_TRUE(wishedTheme(desktop).dark) << "what was chosen by hand";
    press(Qt::Key_D, Qt::ControlModifier);
    desktop.setColor(QPalette::Window, QColor(0x20, 0x22, 0x24));
    EXPECT_FALSE(wishedTheme(desktop).dark);
    QSettings().remove(QStringLiteral("theme/dark"));
}

TEST_F(KeepingTest, TheChartFollowsTheNightRoom)
{
    openDemo();
    window_->showWorkspace(MainWindow::kLog);
    window_->log().showPage(LogWorkspace::kTrends);
    ASSERT_TRUE(waitFor([&] { return find<QLabel>("trendSays")->text().contains("2030"); }, 10000));
    auto* chart = find<QGraphicsView>("trendChart");
    const QColor by_day = chart->backgroundBrush().color();
    window_->findChild<QAction*>(QStringLiteral("toggleTheme"))->trigger();
    QTest::qWait(50);
    EXPECT_EQ(chart->backgroundBrush().color(), theme().panel);
    EXPECT_NE(chart->backgroundBrush().color(), by_day);
    window_->findChild<QAction*>(QStringLiteral("toggleTheme"))->trigger();
    QTest::qWait(50);
    EXPECT_EQ(chart->backgroundBrush().color(), by_day);
}

TEST_F(KeepingTest, ATakeThatBeginsInTheMiddleOfTheStageOpensWhereItBegins)
{
    openDemo();
    auto take = document().takes().front();
    take.name = "2030-04-01 20.00.00";
    for (std::size_t i = 0; i < take.verdicts.size(); ++i) {
        take.verdicts[i].outside_take = i < 40;
        take.verdicts[i].timing = take::Timing::on_time;
        take.verdicts[i].misread.clear();
    }
    window_->showWorkspace(MainWindow::kReview);
    document().keepTake(take);
    window_->review().showTake(QString::fromStdString(take.name));
    EXPECT_EQ(find<QTableView>("verdictTable")->currentIndex().row(), 40);
    const auto& scene = find<GapView>("reviewGap")->scene();
    EXPECT_GE(take.plan.notes[40].end_s, scene.from_s);
    EXPECT_LE(take.plan.notes[40].start_s, scene.to_s);
}

TEST_F(KeepingTest, ACopyIsSavedElsewhereAndOneGoesOnInThisOne)
{
    openDemo();
    const auto copy = scratch_.path() / "A copy";
    support::answerFileDialog(copy);
    window_->findChild<QAction*>(QStringLiteral("saveCopy"))->trigger();
    EXPECT_TRUE(std::filesystem::exists(copy / "stage.brumefall"));
    EXPECT_EQ(document().folder(), stage_);
    EXPECT_TRUE(message().contains(QStringLiteral("You go on in this one")));
}

TEST_F(KeepingTest, TheCallsInDoubtOfCaptionsAreWalkedLeastSureFirst)
{
    openDemo();
    support::answerFileDialog(stage_ / "media" / "stage.srt");
    find<QPushButton>("importCaptions")->click();
    auto* table = find<QTableWidget>("captionsTable");
    ASSERT_TRUE(find<QLabel>("captionsSummary")->text().startsWith(QStringLiteral("Next: look at")));
    const auto sureNow = [&] {
        return table->item(table->currentRow(), 5)->text().section(QLatin1Char(' '), 0, 0).toInt();
    };
    QTest::keyClick(window_.get(), Qt::Key_F8);
    const int first = sureNow();
    EXPECT_LT(first, 85);
    EXPECT_TRUE(table->item(table->currentRow(), 4)->text().contains(QStringLiteral("look: ")));
    QTest::keyClick(window_.get(), Qt::Key_F8);
    EXPECT_GE(sureNow(), first);
    const auto proposedNow = [&] { return table->item(table->currentRow(), 3)->text(); };
    const auto inDoubt = [&] {
        static const QRegularExpression count(QStringLiteral("the (\\d+) calls in doubt"));
        return count.match(find<QLabel>("captionsSummary")->text()).captured(1).toInt();
    };
    const int doubts = inDoubt();
    const QString before = proposedNow();
    QTest::keyClick(table, Qt::Key_O); // the other reading, looked at and so sure
    EXPECT_NE(proposedNow(), before);
    EXPECT_EQ(sureNow(), 100);
    EXPECT_EQ(inDoubt(), doubts - 1);
    QTest::keyClick(table, Qt::Key_O);
    EXPECT_EQ(proposedNow(), before);
    const int row = table->currentRow();
    QTest::keyClick(table, Qt::Key_K); // right as it is: on to the least sure of the others
    EXPECT_NE(table->currentRow(), row);
    EXPECT_EQ(sureNow(), first);
    const QString proposed = proposedNow();
    QTest::keyClick(table, Qt::Key_Return); // leaves it as captioned
    EXPECT_TRUE(table->item(table->currentRow(), 3)->font().strikeOut());
    find<QPushButton>("captionsAccept")->click();
    EXPECT_FALSE(text().contains(proposed + QLatin1Char('\n')));
}
