// Review on the demo: what was misread, why a note was late, and better leads from what the driver said.

#include "media/car_noise.h"
#include "media/sound_file.h"
#include "plan/driver_files.h"
#include "review/review_workspace.h"
#include "stage/stage.h"
#include "window.h"

#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QTableView>
#include <QTableWidget>

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
