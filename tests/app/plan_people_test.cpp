// The two people of the plan in the window: drivers kept and carried, the reader measured.

#include "plan/calibration_panel.h"
#include "plan/driver_files.h"
#include "plan_window.h"

#include <QAction>
#include <QComboBox>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QSlider>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class PlanPeopleTest : public support::PlanTest {
protected:
    void SetUp() override
    {
        PlanTest::SetUp();
        open("stage");
    }
    [[nodiscard]] const plan::Driver& driver() { return document().stage().driver; }
    [[nodiscard]] const plan::Reader& reader() { return document().stage().reader; }
    /// The simulated reader reads for `length_s`, and what was measured is waited for.
    void calibrate(double length_s)
    {
        key(Qt::Key_T);
        auto* panel = find<CalibrationPanel>("calibration");
        panel->setLength_s(length_s);
        auto* who = find<QComboBox>("calibrationInput");
        who->setCurrentIndex(who->findData(QStringLiteral("simulated")));
        auto* read = find<QPushButton>("calibrationRead");
        read->click();
        ASSERT_TRUE(waitFor(
            [&] { return read->isEnabled() && read->text().contains(QStringLiteral("again")); }, 60000));
    }
};

} // namespace

TEST_F(PlanPeopleTest, ADriversWishesAreKeptByNameForAnyStage)
{
    auto wishes = driver();
    wishes.slow_s = 3.7;
    saveDriver(QStringLiteral("Ada of the Fog"), wishes);
    const auto drivers = loadDrivers();
    const auto kept = std::find_if(drivers.begin(), drivers.end(),
        [](const auto& d) { return d.first == QStringLiteral("Ada of the Fog"); });
    ASSERT_NE(kept, drivers.end());
    EXPECT_EQ(kept->second, wishes);
}

TEST_F(PlanPeopleTest, WishesKeptByNameAreChosenFromTheList)
{
    find<QSlider>("leadSlow")->setValue(42);
    support::answerLineDialog(QStringLiteral("Brindle"));
    find<QAction>("saveProfile")->trigger();
    find<QSlider>("leadSlow")->setValue(15);
    auto* profiles = find<QComboBox>("driverProfiles");
    profiles->setCurrentIndex(profiles->findText(QStringLiteral("Brindle")));
    emit profiles->activated(profiles->currentIndex());
    EXPECT_NEAR(driver().slow_s, 4.2, 1e-9);
    document().undoStack().undo();
    EXPECT_NEAR(driver().slow_s, 1.5, 1e-9);
}

TEST_F(PlanPeopleTest, ADriverTravelsAsAFile)
{
    find<QSlider>("leadSpeed")->setValue(6);
    find<QSlider>("holds")->setValue(5);
    const auto file = scratch_.path() / "Marl Okane.json";
    support::answerFileDialog(file);
    find<QAction>("exportDriver")->trigger();
    ASSERT_TRUE(std::filesystem::exists(file)) << message().toStdString();
    document().undoStack().undo();
    document().undoStack().undo();
    EXPECT_EQ(driver().speed_s, 0.0);
    support::answerFileDialog(file);
    find<QAction>("importDriver")->trigger();
    EXPECT_NEAR(driver().speed_s, 0.6, 1e-9);
    EXPECT_EQ(driver().holds_notes, 5);
    EXPECT_GE(find<QComboBox>("driverProfiles")->findText(QStringLiteral("Marl Okane")), 0)
        << "and is kept for other stages";
}

TEST_F(PlanPeopleTest, AFileThatIsNoDriverIsToldAndTheWishesStay)
{
    const auto before = driver();
    const auto file = scratch_.path() / "someone.json";
    support::write(file, "{\n \"format\": \"brumefall/driver/1\",\n \"slow_s\": \"early\"\n}");
    support::answerFileDialog(file);
    find<QAction>("importDriver")->trigger();
    EXPECT_TRUE(message().contains(QStringLiteral("someone.json"))) << message().toStdString();
    EXPECT_EQ(driver(), before);
}

TEST_F(PlanPeopleTest, ADriverKeptByNameIsAWhatIf)
{
    auto wishes = driver();
    wishes.fast_s = wishes.medium_s = wishes.slow_s = 4.0;
    const auto file = scratch_.path() / "Far Ahead.json";
    stage::writeDriver(file, wishes);
    support::answerFileDialog(file);
    find<QAction>("importDriver")->trigger();
    document().undoStack().undo();
    find<QPushButton>("planWhatIf")->click();
    auto* what = find<QComboBox>("whatIf");
    const int there = what->findData(QStringLiteral("driver:Far Ahead"));
    ASSERT_GE(there, 0);
    what->setCurrentIndex(there);
    emit what->activated(there);
    EXPECT_FALSE(find<QLabel>("whatIfFacts")->text().startsWith(QStringLiteral("0 of")));
}

TEST_F(PlanPeopleTest, TheReaderIsMeasuredFromTheTakesOfTheStage)
{
    const auto before = reader();
    find<QPushButton>("measureReader")->click();
    EXPECT_NE(reader().rate_syll_s, before.rate_syll_s);
    EXPECT_TRUE(message().contains(QStringLiteral("From 3 takes"))) << message().toStdString();
}

TEST_F(PlanPeopleTest, TheReaderIsMeasuredByReadingAloudAndThePlanFollows)
{
    const auto before = reader();
    calibrate(24.0);
    const auto says = find<QLabel>("calibrationSays")->text();
    ASSERT_TRUE(says.startsWith(QStringLiteral("From "))) << says.toStdString();
    EXPECT_EQ(reader(), before) << "only a proposal";
    find<QPushButton>("calibrationTake")->click();
    EXPECT_NEAR(reader().rate_syll_s, 6.2, 0.35) << "what the simulated reader reads at";
    EXPECT_NEAR(reader().breath_s, 0.30, 0.12);
    EXPECT_GE(reader().fastest_syll_s, reader().rate_syll_s);
    EXPECT_TRUE(find<QWidget>("planGap")->isVisible()) << "back at the plan";
    document().undoStack().undo();
    EXPECT_EQ(reader(), before);
}

TEST_F(PlanPeopleTest, TooShortAReadingIsToldAndNothingIsOffered)
{
    calibrate(3.0);
    EXPECT_TRUE(find<QLabel>("calibrationSays")->text().contains(QStringLiteral("too few")))
        << find<QLabel>("calibrationSays")->text().toStdString();
    EXPECT_FALSE(find<QPushButton>("calibrationTake")->isVisible());
    find<QPushButton>("calibrationBack")->click();
    EXPECT_TRUE(find<QWidget>("planGap")->isVisible());
}

TEST_F(PlanPeopleTest, TheCallsToReadAreThoseOfTheStageAsWritten)
{
    key(Qt::Key_T);
    const auto first =
        find<QPlainTextEdit>("calibrationText")->toPlainText().section(QLatin1Char('\n'), 0, 0);
    EXPECT_EQ(first.toStdString(), plan().calls.front().text);
}

TEST_F(PlanPeopleTest, WishesThatCannotBeMeantAreSaidWhenTheStageIsOpened)
{
    auto stage = stage::readStage(stage_ / "stage.brumefall");
    stage.reader.rate_syll_s = 0.0;
    stage::writeStage(stage_ / "stage.brumefall", stage);
    ASSERT_TRUE(window_->openStage(QString::fromStdString(stage_.string())));
    EXPECT_TRUE(message().contains(QStringLiteral("a rate of 0 syllables a second")))
        << message().toStdString();
    EXPECT_EQ(plan().notes.size(), 67U);
}
