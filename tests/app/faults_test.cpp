/// What breaks while one works: a disk that takes nothing, folders that go, devices that fall silent. Nothing
/// that was made is lost, and it is told.
#include "formats/files.h"
#include "window.h"

#include <QPlainTextEdit>
#include <QStandardPaths>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class FaultsTest : public support::Window {
protected:
    void SetUp() override
    {
        Window::SetUp();
        std::filesystem::remove_all(aside());
        openDemo();
    }
    void TearDown() override
    {
        window_.reset();
        std::filesystem::remove_all(aside());
    }
    static std::filesystem::path aside()
    {
        return std::filesystem::path(
                   QStandardPaths::writableLocation(QStandardPaths::AppDataLocation).toStdString())
            / "not saved yet";
    }
    [[nodiscard]] Document& document() { return window_->document(); }
    [[nodiscard]] QString folder() const { return QString::fromStdString(stage_.string()); }

    /// `file` cannot be written from now on, by any user.
    static void block(const std::filesystem::path& file)
    {
        std::filesystem::create_directories(file.string() + ".tmp/in the way");
    }
    static void unblock(const std::filesystem::path& file)
    {
        std::filesystem::remove_all(file.string() + ".tmp");
    }
    void change(double fast_s)
    {
        auto driver = document().stage().driver;
        driver.fast_s = fast_s;
        document().setDriver(driver, QStringLiteral("Change a lead"));
        document().save();
    }
    void startAgain()
    {
        window_.reset();
        window_ = std::make_unique<MainWindow>();
        window_->show();
        ASSERT_TRUE(QTest::qWaitForWindowExposed(window_.get()));
        ASSERT_TRUE(window_->openStage(folder()));
    }
};

} // namespace

TEST_F(FaultsTest, WhatCouldNotBeSavedIsThereAtTheNextStartAndSavedWhenItCanBe)
{
    block(stage_ / "stage.brumefall");
    change(2.9);
    EXPECT_TRUE(message().contains(QStringLiteral("Not saved yet"))) << message().toStdString();
    startAgain();
    EXPECT_EQ(document().stage().driver.fast_s, 2.9);
    EXPECT_TRUE(document().hasUnsavedChanges());
    EXPECT_NE(stage::readStage(stage_ / "stage.brumefall").driver.fast_s, 2.9);
    unblock(stage_ / "stage.brumefall");
    ASSERT_TRUE(waitFor([&] { return !document().hasUnsavedChanges(); }, 8000)) << "by itself";
    EXPECT_EQ(stage::readStage(stage_ / "stage.brumefall").driver.fast_s, 2.9);
    EXPECT_FALSE(std::filesystem::exists(aside()) && !std::filesystem::is_empty(aside()));
}

TEST_F(FaultsTest, AnotherStageOpenedMeanwhileLosesNothingOfTheOneBefore)
{
    const auto other = scratch_.path() / "Other";
    ASSERT_EQ(document().saveCopy(QString::fromStdString(other.string())), std::nullopt);
    block(stage_ / "stage.brumefall");
    change(2.9);
    ASSERT_TRUE(window_->openStage(QString::fromStdString(other.string())));
    EXPECT_NE(document().stage().driver.fast_s, 2.9);
    unblock(stage_ / "stage.brumefall");
    ASSERT_TRUE(window_->openStage(folder()));
    EXPECT_EQ(document().stage().driver.fast_s, 2.9);
    EXPECT_TRUE(message().contains(QStringLiteral("is back"))) << message().toStdString();
    EXPECT_EQ(stage::readStage(stage_ / "stage.brumefall").driver.fast_s, 2.9);
}

TEST_F(FaultsTest, WhatAnotherProgramSavedMeanwhileIsKeptBesideWhatComesBack)
{
    block(stage_ / "stage.brumefall");
    change(2.9);
    window_.reset();
    unblock(stage_ / "stage.brumefall");
    auto theirs = stage::readStage(stage_ / "stage.brumefall");
    theirs.name = "Theirs";
    stage::writeStage(stage_ / "stage.brumefall", theirs);
    startAgain();
    EXPECT_EQ(stage::readStage(stage_ / "stage.brumefall").driver.fast_s, 2.9);
    bool beside = false;
    for (const auto& entry : std::filesystem::directory_iterator(stage_)) {
        const auto& file = entry.path();
        if (file.extension() == ".brumefall" && file.filename() != "stage.brumefall") {
            beside = stage::readStage(file).name == "Theirs";
        }
    }
    EXPECT_TRUE(beside);
}

TEST_F(FaultsTest, AFolderThatGotAnotherNameGetsWhatWasTypedMeanwhile)
{
    const auto renamed = scratch_.path() / "Renamed";
    std::filesystem::rename(stage_, renamed);
    change(2.9);
    EXPECT_TRUE(message().contains(QStringLiteral("not there any more"))) << message().toStdString();
    stage_ = renamed;
    startAgain();
    EXPECT_EQ(document().stage().driver.fast_s, 2.9);
    EXPECT_EQ(stage::readStage(renamed / "stage.brumefall").driver.fast_s, 2.9);
}

TEST_F(FaultsTest, TakesAndPassesAreKeptInTheSameWay)
{
    ASSERT_FALSE(document().takes().empty());
    const auto take = document().takes().front().name;
    const auto take_file = stage_ / "takes" / (take + ".json");
    const auto pass_file = stage_ / "passes" / (document().pass()->name + ".json");
    block(take_file);
    block(pass_file);
    document().setTakeTexts(QString::fromStdString(take), QStringLiteral("In the rain"), {});
    const auto note = QString::fromStdString(document().prepared().road.notes[3].id);
    document().setMark(note, 41.5);
    document().save();
    startAgain();
    EXPECT_EQ(document().takes().front().title, "In the rain");
    const auto& marks = document().pass()->marks;
    EXPECT_TRUE(std::any_of(marks.begin(), marks.end(), [](const pace::Mark& m) { return m.media_s == 41.5; }));
    unblock(take_file);
    unblock(pass_file);
    ASSERT_TRUE(waitFor([&] { return !document().hasUnsavedChanges(); }, 8000));
    EXPECT_EQ(stage::readTake(take_file).title, "In the rain");
}

TEST_F(FaultsTest, WhereNothingCanBeWrittenAtAllTheStageStaysOpenAndClosingIsAsked)
{
    const auto other = scratch_.path() / "Other";
    ASSERT_EQ(document().saveCopy(QString::fromStdString(other.string())), std::nullopt);
    block(stage_ / "stage.brumefall");
    std::filesystem::create_directories(aside().parent_path());
    support::write(aside(), "a file in the place of the folder");
    change(2.9);
    EXPECT_TRUE(document().isSavedNowhere());
    EXPECT_TRUE(message().contains(QStringLiteral("leave this window open"))) << message().toStdString();
    EXPECT_FALSE(window_->openStage(QString::fromStdString(other.string())));
    EXPECT_EQ(document().stage().driver.fast_s, 2.9);
    EXPECT_FALSE(window_->close());
    EXPECT_TRUE(window_->isVisible());
    EXPECT_TRUE(message().contains(QStringLiteral("Closing once more"))) << message().toStdString();
    unblock(stage_ / "stage.brumefall");
    EXPECT_TRUE(window_->close()) << "there is room again";
    EXPECT_EQ(stage::readStage(stage_ / "stage.brumefall").driver.fast_s, 2.9);
}
