/// What breaks while one works: a disk that takes nothing, folders that go, devices that fall silent. Nothing
/// that was made is lost, and it is told.
#include "formats/files.h"
#include "media/input.h"
#include "reading_window.h"
#include "widgets/scratch.h"

#include <QDir>
#include <QPlainTextEdit>
#include <QStandardPaths>

#include <csignal>
#include <random>
#include <sys/resource.h>
#include <thread>

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

/// A microphone that hears a waterfall, and has faults.
class OddMicrophone : public media::VoiceInput {
public:
    struct Faults {
        double dumb_after_s = 1e9;
        double loses_from_s = 1e9;
        double loses_s = 0.0;
        double held_up_at_s = 1e9; ///< the whole program is, for two seconds; its sound comes a little later
    };
    explicit OddMicrophone(Faults faults)
        : faults_(faults)
    {
        timer_.setInterval(20);
        QObject::connect(&timer_, &QTimer::timeout, this, [this] { give(); });
    }
    void start() override
    {
        since_.start();
        given_ = 0;
        timer_.start();
    }
    void stop() override { timer_.stop(); }
    [[nodiscard]] QString name() const override { return QStringLiteral("Odd microphone"); }

private:
    void give()
    {
        const double now_s = 1e-9 * static_cast<double>(since_.nsecsElapsed());
        if (now_s > faults_.held_up_at_s) {
            if (now_s < faults_.held_up_at_s + 1.0) {
                std::this_thread::sleep_for(std::chrono::seconds(2));
            }
            if (now_s < faults_.held_up_at_s + 2.5) {
                return;
            }
        }
        const bool lost = now_s >= faults_.loses_from_s && now_s < faults_.loses_from_s + faults_.loses_s;
        const auto due =
            static_cast<long long>(std::min(now_s, faults_.dumb_after_s) * media::kRecordingRate_hz);
        std::vector<std::int16_t> block(static_cast<std::size_t>(due - given_));
        given_ = due;
        if (lost || block.empty()) {
            return;
        }
        for (auto& sample : block) {
            sample = static_cast<std::int16_t>(random_() % 8000U);
        }
        emit samplesReady(QByteArray(
            reinterpret_cast<const char*>(block.data()), static_cast<qsizetype>(2 * block.size())));
    }

    Faults faults_;
    QTimer timer_;
    QElapsedTimer since_;
    long long given_ = 0;
    std::minstd_rand random_{5};
};

class DeviceFaultsTest : public support::ReadingWindow {
protected:
    /// Reads with such a microphone for `length_s` of the video, or till it ends by itself.
    void read(OddMicrophone::Faults faults, double length_s)
    {
        QSignalSpy started(&recorder(), &TakeRecorder::started);
        TakeRecorder::Wish wish;
        wish.from_s = 20.0;
        recorder().start(std::make_unique<OddMicrophone>(faults), wish);
        ASSERT_TRUE(waitFor([&] { return started.count() > 0; }, 20000));
        QElapsedTimer since;
        since.start();
        waitFor(
            [&] {
                return !recorder().isRecording() || since.elapsed() > static_cast<qint64>(1000.0 * length_s);
            },
            60000);
    }
    [[nodiscard]] std::filesystem::path file(const std::string& suffix)
    {
        return stage_ / "takes" / (recorder().lastTake() + suffix);
    }
};

} // namespace

TEST_F(DeviceFaultsTest, AMicrophoneThatIsUnpluggedEndsTheTakeWithinTwoSecondsAndKeepsIt)
{
    QElapsedTimer since;
    since.start();
    read({.dumb_after_s = 2.0}, 30.0);
    EXPECT_FALSE(recorder().isRecording()) << "by itself";
    EXPECT_TRUE(message().contains(QStringLiteral("has given no sound"))) << message().toStdString();
    EXPECT_NEAR(recorder().recorded_s(), 2.0, 0.2);
    ASSERT_TRUE(waitFor([&] { return !recorder().isJudging(); }, 60000));
    EXPECT_NEAR(media::decodeSound(file(".flac"), media::kAlignRate_hz).duration_s(), 2.0, 0.2);
    EXPECT_NEAR(stage::readTake(file(".json")).recorded_s, 2.0, 0.2);
}

TEST_F(DeviceFaultsTest, AMachineThatWasHeldUpForTwoSecondsHasNotLostItsMicrophone)
{
    read({.held_up_at_s = 1.5}, 6.0);
    EXPECT_TRUE(recorder().isRecording());
    EXPECT_FALSE(message().contains(QStringLiteral("has given no sound"))) << message().toStdString();
    recorder().stop();
    ASSERT_TRUE(waitFor([&] { return !recorder().isJudging(); }, 60000));
    EXPECT_GT(stage::readTake(file(".json")).recorded_s, 5.0);
}

TEST_F(DeviceFaultsTest, SoundThatADeviceLostIsSilenceSoThatTheRestKeepsItsTime)
{
    read({.loses_from_s = 2.5, .loses_s = 1.0}, 6.0);
    const double stage_s = window_->transport().stageTime();
    recorder().stop();
    EXPECT_TRUE(message().contains(QStringLiteral("lost 1"))) << message().toStdString();
    ASSERT_TRUE(waitFor([&] { return !recorder().isJudging(); }, 60000));
    const auto take = stage::readTake(file(".json"));
    EXPECT_NEAR(take.recorded_s, 6.0, 0.3);
    EXPECT_NEAR(take.clock.stageTime(take.recorded_s), stage_s, 0.25);
    const auto sound = media::decodeSound(file(".flac"), media::kAlignRate_hz);
    const auto quiet = std::count(sound.samples.begin(), sound.samples.end(), 0);
    EXPECT_NEAR(static_cast<double>(quiet) / media::kAlignRate_hz, 1.0, 0.3);
}

TEST_F(DeviceFaultsTest, WithoutAnySoundThereIsNoTakeAndThatIsSaid)
{
    const auto before = document().takes().size();
    read({.dumb_after_s = 0.0}, 30.0);
    EXPECT_FALSE(recorder().isRecording());
    EXPECT_TRUE(message().contains(QStringLiteral("there is no take"))) << message().toStdString();
    EXPECT_EQ(document().takes().size(), before);
    EXPECT_FALSE(std::filesystem::exists(file(".json")));
    EXPECT_FALSE(std::filesystem::exists(file(".flac")));
}

TEST_F(DeviceFaultsTest, TheClockOnTheDiskIsTheOneThatWasMeasured)
{
    read({}, 3.0);
    const auto after_a_crash = stage::readTake(file(".json")).clock;
    recorder().stop();
    EXPECT_NEAR(after_a_crash.offset_s, stage::readTake(file(".json")).clock.offset_s, 0.05);
}

TEST_F(DeviceFaultsTest, AFullDiskEndsTheTakeAndKeepsWhatIsThere)
{
    rlimit usual{};
    ASSERT_EQ(getrlimit(RLIMIT_FSIZE, &usual), 0);
    std::signal(SIGXFSZ, SIG_IGN);
    const auto take_size =
        std::filesystem::file_size(stage_ / "takes" / (document().takes().front().name + ".json"));
    const rlimit full{3 * take_size, usual.rlim_max};
    ASSERT_EQ(setrlimit(RLIMIT_FSIZE, &full), 0);
    read({}, 120.0);
    const bool ended = !recorder().isRecording();
    recorder().stop();
    ASSERT_EQ(setrlimit(RLIMIT_FSIZE, &usual), 0);
    EXPECT_TRUE(ended) << "by itself, after " << recorder().recorded_s() << " s";
    ASSERT_TRUE(waitFor([&] { return !recorder().isJudging(); }, 60000));
    const auto take = stage::readTake(file(".json"));
    EXPECT_GT(take.recorded_s, 3.0);
    EXPECT_NEAR(media::decodeSound(file(".flac"), media::kAlignRate_hz).duration_s(), take.recorded_s, 0.5);
    EXPECT_FALSE(take.verdicts.empty());
}

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

TEST_F(FaultsTest, WhatIsTriedAgainAndAgainIsNotSaidEachTime)
{
    block(stage_ / "stage.brumefall");
    QSignalSpy told(&document(), &Document::saveFailed);
    change(2.9);
    ASSERT_EQ(told.count(), 1);
    QTest::qWait(3500); // it was tried once more
    EXPECT_EQ(told.count(), 1);
    unblock(stage_ / "stage.brumefall");
    ASSERT_TRUE(waitFor([&] { return !document().hasUnsavedChanges(); }, 8000));
    block(stage_ / "stage.brumefall");
    change(2.7);
    EXPECT_EQ(told.count(), 2) << "after it had been well";
    unblock(stage_ / "stage.brumefall");
}

TEST_F(FaultsTest, TheSameStageOpenedAgainShowsWhatWasChangedAMomentAgo)
{
    auto driver = document().stage().driver;
    driver.fast_s = 2.9;
    document().setDriver(driver, QStringLiteral("Change a lead"));
    ASSERT_TRUE(window_->openStage(folder()));
    EXPECT_EQ(document().stage().driver.fast_s, 2.9);
    EXPECT_FALSE(document().hasUnsavedChanges());
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

TEST_F(FaultsTest, AFolderThatGotAnotherNameGetsWhatWasMarkedMeanwhile)
{
    const auto renamed = scratch_.path() / "Renamed";
    std::filesystem::rename(stage_, renamed);
    document().setMark(QString::fromStdString(document().prepared().road.notes[3].id), 41.5);
    document().save();
    stage_ = renamed;
    startAgain();
    const auto& marks = document().pass()->marks;
    EXPECT_TRUE(
        std::any_of(marks.begin(), marks.end(), [](const pace::Mark& m) { return m.media_s == 41.5; }));
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
    EXPECT_TRUE(
        std::any_of(marks.begin(), marks.end(), [](const pace::Mark& m) { return m.media_s == 41.5; }));
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

TEST(Scratch, OfAProgramThatIsNoMoreIsClearedAway)
{
    const QString own = scratchTemplate();
    EXPECT_TRUE(own.contains(QString::number(QCoreApplication::applicationPid())));
    constexpr int kNobody = 4'194'303; // above the kernel's largest process number, less one
    const QDir temp = QDir::temp();
    const QString dead = temp.filePath(QStringLiteral("brumefall-scratch-%1-abcdef").arg(kNobody));
    const QString living = QString(own).replace(QStringLiteral("XXXXXX"), QStringLiteral("abcdef"));
    const QString other = temp.filePath(QStringLiteral("brumefall-scratch-notes"));
    for (const QString& folder : {dead, living, other}) {
        QDir().mkpath(folder);
        support::write((folder + QStringLiteral("/guide1.wav")).toStdString(), "x");
    }
    clearLeftScratch();
    EXPECT_FALSE(QDir(dead).exists());
    EXPECT_TRUE(QDir(living).exists()) << "another window's";
    EXPECT_TRUE(QDir(other).exists()) << "nobody's";
    QDir(living).removeRecursively();
    QDir(other).removeRecursively();
}
