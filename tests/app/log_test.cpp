// The Log over the demo's rally: what to practise tonight, worked through by keys; the board, trends, trouble
// and the diary.

#include "log/log_workspace.h"
#include "notes/notes_workspace.h"
#include "read/read_workspace.h"
#include "review/review_workspace.h"
#include "stage/stage.h"
#include "window.h"

#include <QChart>
#include <QChartView>
#include <QComboBox>
#include <QFile>
#include <QLabel>
#include <QLineSeries>
#include <QPushButton>
#include <QScatterSeries>
#include <QSettings>
#include <QSpinBox>
#include <QTableWidget>

#include <algorithm>
#include <fstream>
#include <set>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class LogTest : public support::Window {
protected:
    void SetUp() override
    {
        QSettings().setValue(QStringLiteral("log/minutes"), 30);
        Window::SetUp();
        stage_ = support::copyDemoRally(scratch_);
        openDemo();
        window_->showWorkspace(MainWindow::kLog);
        ASSERT_TRUE(waitFor([&] { return table("boardTable")->rowCount() > 0; }, 10000));
    }
    [[nodiscard]] QTableWidget* table(const char* name) { return find<QTableWidget>(name); }
    [[nodiscard]] QString cell(const char* name, int row, int column)
    {
        const auto* item = table(name)->item(row, column);
        return item == nullptr ? QString() : item->text();
    }
    [[nodiscard]] Document& document() { return window_->document(); }

    /// A take of the stage in `folder` by a person: the first note of it was late.
    void addTake(const std::filesystem::path& folder, const std::string& name, const std::string& made_at)
    {
        const auto stage = stage::readStage(folder / "stage.brumefall");
        const auto pass = stage::readPass(folder / "passes" / "stage.json");
        const auto prepared = stage::prepare(stage, &pass);
        stage::Take take;
        take.name = name;
        take.made_at = made_at;
        take.pass = "stage";
        take.reader = "Desk microphone";
        take.plan = prepared.plan;
        take.pace = prepared.placement.pace;
        take.recorded_s = 1e3;
        for (const auto& note : take.plan.notes) {
            take::FoundNote found;
            found.id = note.id;
            found.read = note.id != take.plan.notes.front().id;
            found.span = {note.start_s, note.end_s};
            take.found.push_back(found);
        }
        take.verdicts = take::judge(take.plan, take.pace, take.found, take.clock, take.recorded_s);
        stage::writeTake(folder / "takes" / (name + ".json"), take);
    }
};

TEST_F(LogTest, TheBoardShowsEveryStageInTheOrderOfTheRallyAndATotal)
{
    window_->log().showPage(LogWorkspace::kBoard);
    ASSERT_EQ(table("boardTable")->rowCount(), 4);
    EXPECT_TRUE(cell("boardTable", 0, 0).startsWith(QStringLiteral("Lantern Pass")));
    EXPECT_TRUE(cell("boardTable", 0, 0).contains(QStringLiteral("\u00d72"))) << "it is run twice";
    EXPECT_TRUE(cell("boardTable", 0, 0).contains(QStringLiteral("open")));
    EXPECT_EQ(cell("boardTable", 1, 0), QStringLiteral("Salt Stair"));
    EXPECT_EQ(cell("boardTable", 2, 7), QStringLiteral("never")) << "nobody has read Kiln Road";
    EXPECT_EQ(cell("boardTable", 3, 2), QStringLiteral("99"));
    EXPECT_TRUE(find<QLabel>("rallyName")->text().startsWith(QStringLiteral("Ondrel Night Round")));
    table("boardTable")->setFocus();
    table("boardTable")->setCurrentCell(1, 0);
    press(Qt::Key_Return);
    EXPECT_EQ(document().stage().name, "Salt Stair");
    EXPECT_TRUE(table("boardTable")->isVisible()) << "one stays on the board";
}

TEST_F(LogTest, TheKeysAreInTheListOfThePageWhereverOneComesFrom)
{
    press(Qt::Key_2, Qt::AltModifier);
    press(Qt::Key_Down);
    EXPECT_EQ(table("boardTable")->currentRow(), 1);
    press(Qt::Key_F1);
    press(Qt::Key_F6);
    press(Qt::Key_Down);
    EXPECT_EQ(table("boardTable")->currentRow(), 2) << "back from another workspace";
    const QString stage = cell("boardTable", 2, 0);
    press(Qt::Key_Return);
    EXPECT_TRUE(stage.startsWith(QString::fromStdString(document().stage().name))) << stage.toStdString();
    press(Qt::Key_F6);
    press(Qt::Key_1, Qt::AltModifier);
    const int row = table("tonightTable")->currentRow();
    press(Qt::Key_Down);
    EXPECT_EQ(table("tonightTable")->currentRow(), row + 1);
}

TEST_F(LogTest, ACrewMovesFromStageToStageAndIntoANewOne)
{
    auto driver = document().stage().driver;
    driver.slow_s += 0.4;
    document().setDriver(driver, QStringLiteral("slow ones sooner"));
    window_->log().showPage(LogWorkspace::kBoard);
    ASSERT_TRUE(window_->openStage(QString::fromStdString((stage_.parent_path() / "Kiln Road").string())));
    ASSERT_TRUE(waitFor([&] { return cell("boardTable", 2, 0).contains(QStringLiteral("open")); }, 10000));
    EXPECT_NE(document().stage().driver, driver);
    table("boardTable")->setFocus();
    const auto own = document().stage();
    table("boardTable")->setCurrentCell(2, 0);
    press(Qt::Key_K);
    EXPECT_EQ(document().stage(), own) << "its own crew reads it already";
    table("boardTable")->setCurrentCell(0, 0);
    press(Qt::Key_K);
    EXPECT_EQ(document().stage().driver, driver);
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_NE(document().stage().driver, driver);
    press(Qt::Key_Y, Qt::ControlModifier);
    ASSERT_EQ(document().create(QString::fromStdString((stage_.parent_path() / "New Quay").string())),
        std::nullopt);
    EXPECT_EQ(document().stage().driver, driver);
    EXPECT_EQ(document().stage().crew, "Maro Quill and Isbet Vane");
    EXPECT_EQ(document().stage().name, "New Quay");
    EXPECT_TRUE(document().stage().text.empty());
}

TEST_F(LogTest, AnEveningsListOverThreeStagesIsWorkedThroughByKeys)
{
    auto* input = find<QComboBox>("inputChoice");
    input->setCurrentIndex(input->count() - 1); // the simulated reader
    find<QSpinBox>("tonightMinutes")->setValue(24);
    auto* list = table("tonightTable");
    ASSERT_GE(list->rowCount(), 3);
    std::set<QString> stages;
    for (int row = 0; row < list->rowCount(); ++row) {
        stages.insert(cell("tonightTable", row, 1));
    }
    ASSERT_EQ(stages.size(), 3U) << "over the whole rally";
    list->setFocus();
    int done = 0;
    std::set<QString> practised;
    for (const QString& stage : stages) { // one of each
        for (int row = 0; row < list->rowCount(); ++row) {
            if (cell("tonightTable", row, 1) == stage) {
                list->setCurrentCell(row, 0);
                break;
            }
        }
        const int row = list->currentRow();
        press(Qt::Key_Return);
        EXPECT_EQ(QString::fromStdString(document().stage().name), stage);
        // read a little of it, then stop
        ASSERT_TRUE(waitFor([&] { return window_->read().practice().isOn(); }, 20000)) << stage.toStdString();
        EXPECT_EQ(window_->read().practice().wish().last > window_->read().practice().wish().first, true);
        ASSERT_TRUE(waitFor(
            [&] {
                const auto& practice = window_->read().practice();
                const double near_end_s = practice.stretch().to_s - 1.0;
                if (practice.state() == Practice::State::listening
                    && window_->transport().stageTime() < near_end_s - 1.0) {
                    window_->transport().seekStage(near_end_s); // the rest of what is listened to
                }
                return window_->recorder().isRecording();
            },
            90000))
            << stage.toStdString();
        ASSERT_TRUE(waitFor([&] { return window_->recorder().recorded_s() > 1.5; }, 20000)) << "there is sound";
        press(Qt::Key_R);
        ASSERT_TRUE(waitFor([&] { return cell("tonightTable", row, 0) == QStringLiteral("\u2713"); }, 60000))
            << stage.toStdString();
        EXPECT_TRUE(list->isVisible()) << "one is back at the list";
        EXPECT_NE(list->currentRow(), row) << "and it goes on to the next";
        EXPECT_FALSE(cell("tonightTable", row, 5).isEmpty());
        ++done;
        practised.insert(stage);
    }
    EXPECT_EQ(done, 3);
    EXPECT_TRUE(find<QLabel>("tonightSays")->text().contains(QStringLiteral("%1 done").arg(done)))
        << find<QLabel>("tonightSays")->text().toStdString();
    // and the diary has the evening
    window_->log().showPage(LogWorkspace::kDiary);
    EXPECT_TRUE(waitFor(
        [&] {
            return cell("diaryTable", 0, 1).contains(QStringLiteral("take"))
                && cell("diaryTable", 0, 0) >= QStringLiteral("2026");
        },
        10000));
}

TEST_F(LogTest, TheTrendShowsWholeTakesAndEachPointOpensItsTake)
{
    addTake(stage_, "2030-03-10 20.00.00", "2030-03-10T20:00:00");
    addTake(stage_.parent_path() / "Kiln Road", "2030-03-10 21.00.00", "2030-03-10T21:00:00");
    ASSERT_EQ(document().open(QString::fromStdString(stage_.string())), std::nullopt);
    window_->log().showPage(LogWorkspace::kTrends);
    auto* view = find<QChartView>("trendChart");
    const auto points = [&](const char* of) {
        int count = 0;
        for (auto* series : view->chart()->series()) {
            if (auto* line = qobject_cast<QLineSeries*>(series)) {
                count += line->name() == QString::fromLatin1(of) || *of == '\0'
                    ? static_cast<int>(line->count())
                    : 0;
            }
        }
        return count;
    };
    ASSERT_TRUE(waitFor([&] { return points("Lantern Pass") == 4; }, 10000));
    EXPECT_EQ(points(""), 4) << "of this stage";
    find<QComboBox>("trendOf")->setCurrentIndex(1);
    EXPECT_EQ(points(""), 6);
    EXPECT_EQ(points("Kiln Road"), 1);
    std::set<QScatterSeries::MarkerShape> shapes;
    for (auto* series : view->chart()->series()) {
        auto* dots = qobject_cast<QScatterSeries*>(series);
        if (dots != nullptr && dots->objectName().isEmpty()) {
            EXPECT_TRUE(shapes.insert(dots->markerShape()).second) << "stages are told apart";
        }
    }
    EXPECT_EQ(shapes.size(), 3U);
    find<QComboBox>("logReaders")->setCurrentIndex(1);
    EXPECT_EQ(points(""), 2) << "own takes only";
    EXPECT_TRUE(find<QLabel>("trendSays")->text().contains(QStringLiteral("Kiln Road")));
    press(Qt::Key_O);
    EXPECT_EQ(document().stage().name, "Kiln Road");
    ASSERT_NE(window_->review().take(), nullptr);
    EXPECT_EQ(window_->review().take()->name, "2030-03-10 21.00.00");
    EXPECT_TRUE(window_->review().isVisible());
}

TEST_F(LogTest, ATakeGetsANameAndARemarkThatUndoTakesBack)
{
    window_->log().showPage(LogWorkspace::kTakes);
    table("takesTable")->setFocus();
    table("takesTable")->setCurrentCell(0, 0);
    press(Qt::Key_N);
    QTest::keyClicks(find<QLineEdit>("takeTitle"), QStringLiteral("in the rain"));
    press(Qt::Key_Tab);
    EXPECT_EQ(window_->focusWidget(), find<QLineEdit>("takeComment"));
    QTest::keyClicks(find<QLineEdit>("takeComment"), QStringLiteral("tired"));
    press(Qt::Key_Return);
    EXPECT_EQ(document().takes().back().comment, "tired");
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(document().takes().back().comment, "");
    EXPECT_EQ(cell("takesTable", 0, 1), QStringLiteral("in the rain"));
    EXPECT_EQ(document().takes().back().title, "in the rain");
    const auto file = stage_ / "takes" / (document().takes().back().name + ".json");
    EXPECT_EQ(stage::readTake(file).title, "in the rain");
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(stage::readTake(file).title, "");
}

TEST_F(LogTest, AShortTakeHasNoDrift)
{
    addTake(stage_, "2030-03-10 20.00.00", "2030-03-10T20:00:00");
    auto brief = stage::readTake(stage_ / "takes" / "2030-03-10 20.00.00.json");
    brief.name = "2030-03-11 20.00.00";
    constexpr std::size_t kFew = 5; // notes were judged
    for (std::size_t k = kFew; k < brief.verdicts.size(); ++k) {
        brief.verdicts[k].outside_take = true;
    }
    stage::writeTake(stage_ / "takes" / (brief.name + ".json"), brief);
    ASSERT_EQ(document().open(QString::fromStdString(stage_.string())), std::nullopt);
    window_->log().showPage(LogWorkspace::kTakes);
    constexpr int kDrift = 8;
    ASSERT_EQ(table("takesTable")->horizontalHeaderItem(kDrift)->text(), QStringLiteral("drift a minute"));
    ASSERT_EQ(cell("takesTable", 0, 0), QStringLiteral("2030-03-11 20.00.00"));
    EXPECT_EQ(cell("takesTable", 0, kDrift), QString());
    EXPECT_TRUE(cell("takesTable", 1, kDrift).endsWith(QStringLiteral(" s")));
}

TEST_F(LogTest, TakesAreShownOfOnePassOnly)
{
    addTake(stage_, "2030-03-10 20.00.00", "2030-03-10T20:00:00");
    auto other = stage::readTake(stage_ / "takes" / "2030-03-10 20.00.00.json");
    other.name = "2030-03-11 20.00.00";
    other.pass = "recce";
    stage::writeTake(stage_ / "takes" / (other.name + ".json"), other);
    ASSERT_EQ(document().open(QString::fromStdString(stage_.string())), std::nullopt);
    window_->log().showPage(LogWorkspace::kTakes);
    auto* passes = find<QComboBox>("logPasses");
    const int all = table("takesTable")->rowCount();
    ASSERT_GE(passes->findData(QStringLiteral("recce")), 1);
    passes->setCurrentIndex(passes->findData(QStringLiteral("recce")));
    ASSERT_EQ(table("takesTable")->rowCount(), 1);
    EXPECT_EQ(cell("takesTable", 0, 0), QStringLiteral("2030-03-11 20.00.00"));
    passes->setCurrentIndex(0);
    EXPECT_EQ(table("takesTable")->rowCount(), all);
}

TEST_F(LogTest, ATroubleNoteIsOfferedInEasierWordsAndTheNotesSaySo)
{
    const QString first = QString::fromStdString(document().prepared().plan.notes.front().id);
    document().rewordNote(first, QStringLiteral("right five keep to the left over crest"));
    addTake(stage_, "2030-03-10 20.00.00", "2030-03-10T20:00:00");
    addTake(stage_, "2030-03-11 20.00.00", "2030-03-11T20:00:00");
    ASSERT_EQ(document().open(QString::fromStdString(stage_.string())), std::nullopt);
    window_->log().showPage(LogWorkspace::kTrouble);
    auto* notes = table("troubleNotes");
    int row = -1;
    ASSERT_TRUE(waitFor(
        [&] {
            for (int r = 0; r < notes->rowCount(); ++r) {
                row = cell("troubleNotes", r, 1).contains(QStringLiteral("keep to the left")) ? r : row;
            }
            return row >= 0;
        },
        10000));
    notes->setFocus();
    notes->setCurrentCell(row, 0);
    EXPECT_TRUE(
        find<QLabel>("troubleSays")->text().contains(QStringLiteral("right five keep left over crest")))
        << find<QLabel>("troubleSays")->text().toStdString();
    press(Qt::Key_Y);
    EXPECT_EQ(document().note(first.toStdString())->spoken, "right five keep left over crest");
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(document().note(first.toStdString())->spoken, "right five keep to the left over crest");
}

TEST_F(LogTest, TroubleIsNamedWithItsCauseAndIsShownInThePlan)
{
    window_->log().showPage(LogWorkspace::kTrouble);
    auto* notes = table("troubleNotes");
    ASSERT_TRUE(waitFor([&] { return notes->rowCount() > 0; }, 10000));
    EXPECT_FALSE(cell("troubleNotes", 0, 5).isEmpty()) << "why";
    EXPECT_TRUE(find<QLabel>("logNext")->text().contains(QStringLiteral("Worst")))
        << find<QLabel>("logNext")->text().toStdString();
    const QString stage = cell("troubleNotes", 0, 0);
    notes->setFocus();
    notes->setCurrentCell(0, 0);
    press(Qt::Key_Return);
    EXPECT_EQ(QString::fromStdString(document().stage().name), stage);
    const auto* note = document().note(document().currentNote().toStdString());
    ASSERT_NE(note, nullptr);
}

TEST_F(LogTest, TheLogIsWrittenAsATableAndAsJson)
{
    const auto csv = scratch_.path() / "log.csv";
    support::answerFileDialog(csv);
    find<QPushButton>("exportCsv")->click();
    ASSERT_TRUE(waitFor([&] { return std::filesystem::exists(csv); }, 5000));
    std::ifstream stream(csv);
    std::string head;
    std::getline(stream, head);
    EXPECT_NE(head.find("rate_syllables_per_s"), std::string::npos);
    int rows = 0;
    for (std::string line; std::getline(stream, line);) {
        ++rows;
        EXPECT_EQ(std::count(line.begin(), line.end(), ','), std::count(head.begin(), head.end(), ','))
            << line;
    }
    EXPECT_EQ(rows, 4);
}

TEST_F(LogTest, TheStagesOfOneRecordingLandOnTheBoardEachWithItsSpanAsAPass)
{
    const auto captions = scratch_.path() / "two stages.srt";
    std::string srt;
    int number = 0;
    const auto say = [&](int at_s, const std::string& words) {
        char times[64];
        std::snprintf(times, sizeof times, "00:%02d:%02d,000 --> 00:%02d:%02d,500", at_s / 60, at_s % 60,
            (at_s + 3) / 60, (at_s + 3) % 60);
        srt += std::to_string(++number) + "\n" + times + "\n" + words + "\n\n";
    };
    for (const int go_s : {20, 160}) {
        say(go_s - 5, "five four three two one go");
        say(go_s + 4, "left four over crest 60");
        say(go_s + 12, "right three into left five 80");
        say(go_s + 24, "caution hairpin right don't cut 100");
        say(go_s + 40, "left six long 50");
        say(go_s + 52, "flying finish 100");
        say(go_s + 60, "stop");
    }
    support::write(captions, srt);
    window_->showWorkspace(MainWindow::kNotes);
    window_->findChild<NotesWorkspace*>()->reviewCaptions(QString::fromStdString(captions.string()));
    ASSERT_TRUE(find<QPushButton>("captionsEach")->isVisible());
    support::answerFileDialog(stage_ / "media" / "stage.mkv");
    find<QPushButton>("captionsEach")->click();
    window_->showWorkspace(MainWindow::kLog);
    window_->log().showPage(LogWorkspace::kBoard);
    ASSERT_TRUE(waitFor([&] { return table("boardTable")->rowCount() == 6; }, 10000))
        << message().toStdString();
    ASSERT_TRUE(window_->openStage(QString::fromStdString((stage_.parent_path() / "two stages 2").string())));
    EXPECT_EQ(document().prepared().road.notes.size(), 7U);
    ASSERT_NE(document().pass(), nullptr);
    EXPECT_NEAR(document().pass()->go_s, 158.2, 1.0) << "as go is said";
    EXPECT_GT(document().pass()->in_s, 80.0) << "after the stop of the first";
    EXPECT_EQ(document().pass()->marks.size(), 7U);
    EXPECT_TRUE(std::filesystem::exists(document().mediaFile().toStdString()));
}

TEST_F(LogTest, ABrokenStageIsToldOnTheBoardAndTheOthersAreThere)
{
    support::write(stage_.parent_path() / "Broken" / "stage.brumefall", "{ this is no");
    ASSERT_EQ(document().open(QString::fromStdString(stage_.string())), std::nullopt);
    window_->log().showPage(LogWorkspace::kBoard);
    ASSERT_TRUE(waitFor([&] { return table("boardTable")->rowCount() == 5; }, 10000));
    EXPECT_TRUE(find<QLabel>("boardProblems")->text().contains(QStringLiteral("stage.brumefall")));
}

} // namespace
