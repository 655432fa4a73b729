// Review on the demo: what was misread, why a note was late, and better leads from what the driver said.

#include "media/car_noise.h"
#include "media/sound_file.h"
#include "plan/driver_files.h"
#include "review/review_workspace.h"
#include "stage/stage.h"
#include "widgets/gap_view.h"
#include "window.h"

#include <QComboBox>
#include <QLabel>
#include <QMouseEvent>
#include <QPushButton>
#include <QTableView>
#include <QTableWidget>
#include <QThreadPool>

#include <cmath>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class ReviewTest : public support::Window {
protected:
    void SetUp() override
    {
        Window::SetUp();
        openDemo();
        window_->showWorkspace(MainWindow::kReview);
        window_->review().showTake(QStringLiteral("2030-03-07 20.14.05"));
    }
    [[nodiscard]] Document& document() { return window_->document(); }
    [[nodiscard]] QTableView& table() { return *find<QTableView>("verdictTable"); }
    [[nodiscard]] QString why() { return find<QLabel>("reviewWhy")->text(); }
    [[nodiscard]] QString cell(int row, VerdictModel::Column column)
    {
        return table().model()->index(row, column).data().toString();
    }
    [[nodiscard]] int row() { return table().currentIndex().row(); }
    /// A recording from elsewhere: the first seconds of a take.
    [[nodiscard]] std::filesystem::path beginningOfATake(std::size_t length_s)
    {
        auto file = scratch_.path() / "from the car.flac";
        auto sound =
            media::decodeSound(stage_ / "takes" / "2030-03-09 19.02.47.flac", media::kRecordingRate_hz);
        sound.samples.resize(length_s * media::kRecordingRate_hz);
        media::SoundWriter(file, sound.rate_hz).write(sound.samples);
        return file;
    }
    [[nodiscard]] int shownRows()
    {
        int shown = 0;
        for (int r = 0; r < table().model()->rowCount(); ++r) {
            shown += table().isRowHidden(r) ? 0 : 1;
        }
        return shown;
    }
};

TEST_F(ReviewTest, OpensAtWhatWentWorstAMisreadNoteAndSaysWhichWord)
{
    EXPECT_TRUE(why().contains(QStringLiteral("the note says"))) << why().toStdString();
    EXPECT_TRUE(find<QLabel>("reviewSummary")->text().contains(QStringLiteral("3 misread")))
        << find<QLabel>("reviewSummary")->text().toStdString();
    EXPECT_GE(table().viewport()->height() / table().rowHeight(0), 10) << "rows in sight";
}

TEST_F(ReviewTest, OneKeyGoesFromFaultToFaultAndAChoiceShowsOnlySuch)
{
    auto* faults = find<QComboBox>("faultChoice");
    faults->setCurrentIndex(static_cast<int>(Faults::misread));
    EXPECT_EQ(shownRows(), 3);
    const int first = row();
    press(Qt::Key_N);
    EXPECT_NE(row(), first);
    EXPECT_TRUE(why().contains(QStringLiteral("the note says")));
    press(Qt::Key_N, Qt::ShiftModifier);
    EXPECT_EQ(row(), first);
    faults->setCurrentIndex(static_cast<int>(Faults::missed));
    EXPECT_EQ(shownRows(), 4);
    press(Qt::Key_N);
    EXPECT_TRUE(why().contains(QStringLiteral("left out"))) << why().toStdString();
    faults->setCurrentIndex(static_cast<int>(Faults::all));
    EXPECT_EQ(shownRows(), 67);
}

TEST_F(ReviewTest, ALateNoteSaysWhy)
{
    find<QComboBox>("faultChoice")->setCurrentIndex(static_cast<int>(Faults::late));
    press(Qt::Key_N);
    EXPECT_TRUE(cell(row(), VerdictModel::kWords).contains(QStringLiteral("late")));
    EXPECT_TRUE(cell(row(), VerdictModel::kWhy).contains(QStringLiteral("begun")))
        << cell(row(), VerdictModel::kWhy).toStdString();
    EXPECT_TRUE(waitFor([&] { return window_->transport().player().isPlaying(); }, 3000)) << "and is heard";
}

TEST_F(ReviewTest, WhatTheDriverSaidBecomesALeadAndThePlanFollows)
{
    press(Qt::Key_U);
    auto* tuning = find<QTableWidget>("tuningTable");
    ASSERT_TRUE(tuning->isVisible());
    tuning->selectRow(static_cast<int>(plan::LeadClass::slow));
    const auto before = document().stage().driver;
    const auto starts = [&] {
        std::vector<double> all;
        for (const auto& call : document().prepared().plan.calls) {
            all.push_back(call.start_s);
        }
        return all;
    };
    const auto planned = starts();
    press(Qt::Key_T);
    EXPECT_GT(document().stage().driver.slow_s, before.slow_s + 0.1);
    EXPECT_EQ(document().stage().driver.fast_s, before.fast_s);
    EXPECT_NE(starts(), planned);
    EXPECT_TRUE(
        tuning->item(2, 1)->text().startsWith(QString::number(document().stage().driver.slow_s, 'f', 2)));
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(document().stage().driver, before);
    EXPECT_EQ(starts(), planned);
}

TEST_F(ReviewTest, NewWordsForANoteAreKeptWithItAndTakenBackByUndo)
{
    const auto remarks = [&] { return document().takes().front().remarks; };
    const auto before = remarks();
    table().selectRow(20);
    table().setFocus();
    press(Qt::Key_W);
    auto* words = find<QLineEdit>("remarkWords");
    ASSERT_TRUE(words->isVisible());
    words->setText(QStringLiteral("left four, no cut"));
    press(Qt::Key_Return);
    ASSERT_EQ(remarks().size(), before.size() + 1);
    EXPECT_EQ(remarks().back().says, "reword");
    EXPECT_EQ(remarks().back().words, "left four, no cut");
    EXPECT_TRUE(cell(20, VerdictModel::kBeside).contains(QStringLiteral("no cut")));
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(remarks(), before);
}

TEST_F(ReviewTest, TheNewWordsGoIntoTheNotesByAKeyAndBackByUndo)
{
    table().selectRow(20);
    table().setFocus();
    EXPECT_FALSE(find<QPushButton>("wordsIntoNotes")->isVisible());
    const QString text = QString::fromStdString(document().stage().text);
    const std::string id = document().prepared().plan.notes[20].id;
    const int notes = static_cast<int>(document().prepared().road.notes.size());
    press(Qt::Key_W);
    find<QLineEdit>("remarkWords")->setText(QStringLiteral("right five long"));
    press(Qt::Key_Return);
    ASSERT_TRUE(find<QPushButton>("wordsIntoNotes")->isVisible());
    press(Qt::Key_Y);
    ASSERT_NE(document().note(id), nullptr) << "it is the same note";
    EXPECT_NE(document().note(id)->spoken.find("right five long"), std::string::npos)
        << document().note(id)->spoken;
    EXPECT_EQ(static_cast<int>(document().prepared().road.notes.size()), notes);
    EXPECT_FALSE(find<QPushButton>("wordsIntoNotes")->isVisible()) << "they are there";
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(QString::fromStdString(document().stage().text), text);
}

TEST_F(ReviewTest, WhatWasFoundWronglyIsCorrectedByKeysAndJudgedAnew)
{
    const auto found = [&](int row) {
        return document().takes().front().found[static_cast<std::size_t>(row)];
    };
    const auto verdict = [&](int row) {
        return document().takes().front().verdicts[static_cast<std::size_t>(row)];
    };
    ASSERT_TRUE(document().takes().front().name == "2030-03-07 20.14.05");
    int row = 0; // one that was read in time, with a missed one after it to be given to
    while (
        !(verdict(row).timing == take::Timing::on_time && verdict(row + 1).timing != take::Timing::missed)) {
        ++row;
    }
    const auto before = found(row);
    table().selectRow(row);
    table().setFocus();
    press(Qt::Key_Right, Qt::AltModifier);
    EXPECT_NEAR(found(row).span.start_s, before.span.start_s + 0.05, 1e-6);
    EXPECT_EQ(table().currentIndex().row(), row) << "it stays chosen";
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(found(row), before);

    press(Qt::Key_X);
    EXPECT_FALSE(found(row).read);
    EXPECT_EQ(verdict(row).timing, take::Timing::missed);
    EXPECT_FALSE(find<QPushButton>("notMine")->isVisible()) << "there is nothing left of it";
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(found(row), before);

    table().selectRow(row);
    press(Qt::Key_S);
    EXPECT_TRUE(message().contains(QStringLiteral("lamp"))) << message().toStdString();
    const auto& clock = document().takes().front().clock;
    const double middle_s = 0.5 * (before.span.start_s + before.span.end_s);
    window_->transport().seekStage(clock.stageTime(middle_s));
    ASSERT_TRUE(waitFor(
        [&] { return std::abs(window_->transport().stageTime() - clock.stageTime(middle_s)) < 0.05; }, 5000));
    press(Qt::Key_S);
    EXPECT_NEAR(found(row).span.end_s, middle_s, 0.06);
    EXPECT_NEAR(found(row + 1).span.start_s, middle_s, 0.06);
    press(Qt::Key_Z, Qt::ControlModifier);

    table().selectRow(row);
    press(Qt::Key_J);
    auto* other = find<QLineEdit>("otherNote");
    ASSERT_TRUE(other->isVisible());
    other->setText(QString::number(document().numberOf(found(row + 4).id)));
    press(Qt::Key_Return);
    EXPECT_FALSE(found(row).read);
    EXPECT_EQ(found(row + 4).span, before.span);
    EXPECT_TRUE(found(row + 4).by_hand);
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(found(row), before);
}

TEST_F(ReviewTest, AMisreadNoteThatWasSaidRightIsBelievedToTheHand)
{
    const int first = row();
    ASSERT_TRUE(document().takes().front().verdicts[static_cast<std::size_t>(first)].isMisread());
    ASSERT_TRUE(find<QPushButton>("saidRight")->isVisible());
    press(Qt::Key_K, Qt::ShiftModifier);
    EXPECT_FALSE(document().takes().front().verdicts[static_cast<std::size_t>(first)].isMisread());
    EXPECT_TRUE(find<QLabel>("reviewSummary")->text().contains(QStringLiteral("2 misread")))
        << find<QLabel>("reviewSummary")->text().toStdString();
}

TEST_F(ReviewTest, TheBarOfWhatWasReadIsDragged)
{
    auto* gap = find<GapView>("reviewGap");
    const auto& take = document().takes().front();
    int row = 10;
    while (!take.verdicts[static_cast<std::size_t>(row)].heard()) {
        ++row;
    }
    const auto before = take.found[static_cast<std::size_t>(row)];
    gap->showNote(before.id);
    const auto bars = cascadeOf(gap->scene(), gap->rect());
    const auto bar = std::find_if(bars.begin(), bars.end(),
        [&](const CascadeNote& note) { return static_cast<int>(note.note) == row; });
    ASSERT_NE(bar, bars.end());
    const QPoint from = bar->read_bar.center().toPoint() + QPoint(0, 1);
    const QPoint to = from + QPoint(60, 0);
    const double by_s = 60.0 * (gap->scene().to_s - gap->scene().from_s) / gap->width();
    QTest::mousePress(gap, Qt::LeftButton, {}, from);
    QMouseEvent move(QEvent::MouseMove, to, gap->mapToGlobal(to), Qt::NoButton, Qt::LeftButton, {});
    QApplication::sendEvent(gap, &move);
    EXPECT_TRUE(gap->scene().dragged_reading.has_value());
    QTest::mouseRelease(gap, Qt::LeftButton, {}, to);
    const auto& after = document().takes().front().found[static_cast<std::size_t>(row)];
    EXPECT_NEAR(after.span.end_s, before.span.end_s + by_s, 0.03);
    EXPECT_NEAR(after.span.start_s, before.span.start_s + by_s, 0.03);
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_EQ(document().takes().front().found[static_cast<std::size_t>(row)], before);
}

TEST_F(ReviewTest, EveryFigureOfTheRhythmLeadsToItsSound)
{
    press(Qt::Key_B);
    auto* rhythm = find<QTableWidget>("rhythmTable");
    ASSERT_TRUE(rhythm->isVisible());
    ASSERT_GT(rhythm->rowCount(), 12);
    rhythm->setFocus();
    const int last = rhythm->rowCount() - 2;
    rhythm->setCurrentCell(last, 1);
    press(Qt::Key_Return);
    ASSERT_TRUE(waitFor([&] { return window_->transport().player().isPlaying(); }, 5000));
    const double planned_s = document().prepared().plan.calls.back().start_s;
    EXPECT_NEAR(window_->transport().stageTime(), planned_s, 25.0) << "one of the last calls";
    press(Qt::Key_B);
    EXPECT_TRUE(table().isVisible());
}

TEST_F(ReviewTest, TwoTakesAreLaidOverEachOther)
{
    auto* beside = find<QComboBox>("besideChoice");
    ASSERT_TRUE(beside->isVisible());
    EXPECT_TRUE(table().isColumnHidden(VerdictModel::kOther));
    beside->setCurrentIndex(1);
    emit beside->activated(1);
    EXPECT_FALSE(table().isColumnHidden(VerdictModel::kOther));
    EXPECT_FALSE(find<GapView>("reviewGap")->scene().besides.empty());
    int differ = 0;
    for (int r = 0; r < table().model()->rowCount(); ++r) {
        differ += cell(r, VerdictModel::kOther).contains(QStringLiteral("there")) ? 1 : 0;
    }
    EXPECT_EQ(differ, table().model()->rowCount());
    EXPECT_TRUE(find<QLabel>("reviewFigures")->text().startsWith(QStringLiteral("Beside")));
    beside->setCurrentIndex(0);
    emit beside->activated(0);
    EXPECT_TRUE(table().isColumnHidden(VerdictModel::kOther));
}

TEST_F(ReviewTest, BeforeTheFirstTakeItSaysWhatComesHereAndNotThatAPlanIsMissing)
{
    std::filesystem::remove_all(stage_ / "takes");
    openDemo();
    ASSERT_FALSE(document().prepared().plan.notes.empty());
    ASSERT_EQ(window_->review().take(), nullptr);
    EXPECT_NE(find<GapView>("reviewGap")->scene().instead, "");
}

TEST_F(ReviewTest, AReadingMadeElsewhereIsJudgedLikeATakeAndItsLeadsBecomeADriver)
{
    const auto before = document().takes().size();
    const auto file = scratch_.path() / "from the car.flac";
    std::filesystem::copy(stage_ / "takes" / "2030-03-09 19.02.47.flac", file);
    support::answerFileDialog(file);
    find<QPushButton>("importReading")->click();
    ASSERT_TRUE(waitFor([&] { return document().takes().size() == before + 1; }, 120000))
        << message().toStdString();
    const auto& take = document().takes().back();
    EXPECT_EQ(take.reader, "from the car.flac");
    EXPECT_NEAR(take.clock.offset_s, -4.0, 0.25) << "by its own calls: it has no onboard's sound";
    int on_time = 0;
    for (const auto& verdict : take.verdicts) {
        on_time += verdict.timing == take::Timing::on_time ? 1 : 0;
    }
    EXPECT_GT(on_time, 55);
    EXPECT_EQ(QString::fromStdString(window_->review().take()->reader), QStringLiteral("from the car.flac"));
    press(Qt::Key_U);
    find<QPushButton>("tuningKeep")->click();
    const auto drivers = loadDrivers();
    const auto kept = std::find_if(drivers.begin(), drivers.end(),
        [](const auto& driver) { return driver.first.contains(QStringLiteral("from the car")); });
    ASSERT_NE(kept, drivers.end());
    EXPECT_GT(kept->second.slow_s, 0.5);
}

TEST_F(ReviewTest, AReadingIsKeptWithTheNotesThatItWasJudgedBy)
{
    const auto before = document().takes().size();
    const auto notes = document().prepared().plan.notes.size();
    const auto file = beginningOfATake(100);
    support::answerFileDialog(file);
    find<QPushButton>("importReading")->click();
    ASSERT_TRUE(waitFor([&] { return goesOn().contains(QStringLiteral("Finding the calls")); }, 20000));
    document().setNotesText(QStringLiteral("left four 60"), QStringLiteral("edited meanwhile"));
    ASSERT_TRUE(waitFor([&] { return document().takes().size() == before + 1; }, 120000));
    EXPECT_EQ(document().takes().back().plan.notes.size(), notes);
}

TEST_F(ReviewTest, AReadingThatIsBeingJudgedDoesNotGoIntoAnotherStage)
{
    const auto file = beginningOfATake(60);
    support::answerFileDialog(file);
    find<QPushButton>("importReading")->click();
    ASSERT_TRUE(waitFor([&] { return goesOn().contains(QStringLiteral("Finding the calls")); }, 20000));
    ASSERT_FALSE(document().create(QString::fromStdString((scratch_.path() / "Other").string())));
    ASSERT_TRUE(waitFor([] { return QThreadPool::globalInstance()->activeThreadCount() == 0; }, 60000));
    QTest::qWait(200); // what it would have told has come
    EXPECT_EQ(goesOn(), QString()) << "nothing goes on in this stage";
    EXPECT_TRUE(document().takes().empty());
    EXPECT_FALSE(std::filesystem::exists(scratch_.path() / "Other" / "takes"));
}

TEST_F(ReviewTest, SoundThatIsNoReadingIsSaidAndNotKept)
{
    const auto before = document().takes().size();
    const auto file = scratch_.path() / "engine.wav";
    {
        const auto noise = media::carNoise(30.0);
        media::SoundWriter writer(file, noise.rate_hz);
        writer.write(noise.samples);
    }
    support::answerFileDialog(file);
    find<QPushButton>("importReading")->click();
    ASSERT_TRUE(waitFor([&] { return message().contains(QStringLiteral("not judged")); }, 120000))
        << message().toStdString();
    EXPECT_EQ(document().takes().size(), before);
}

} // namespace
