/// What the window does with what is missing, broken or not what it says.
#include "encode.h"
#include "notes/notes_workspace.h"
#include "places/places_workspace.h"
#include "widgets/wave_view.h"
#include "window.h"

#include <QPlainTextEdit>
#include <QPushButton>

using namespace brumefall;
using namespace brumefall::app;

namespace {

using BadInputTest = support::Window;
using support::answerFileDialog;

/// Replaces the stage pass's video by a plain one without sound.
void makeSilentVideo(const std::filesystem::path& file, double duration_s)
{
    demo::Encoder encoder(file, {QSize(320, 180), 25, 100'000, 0});
    QImage image(320, 180, QImage::Format_RGB32);
    for (int frame = 0; frame < static_cast<int>(25.0 * duration_s); ++frame) {
        image.fill(QColor::fromHsv((frame / 5) % 360, 120, 160));
        encoder.addFrame(image);
    }
    encoder.finish();
}

} // namespace

TEST_F(BadInputTest, ASilentVideoPlaysSaysThatItHasNoSoundAndTakesTheGuideVoice)
{
    makeSilentVideo(stage_ / "media" / "stage.mkv", 40.0);
    openDemo();
    QTest::keyClick(window_.get(), Qt::Key_F2);
    auto* wave = find<QWidget>("placesWorkspace")->findChild<WaveView*>();
    ASSERT_TRUE(waitFor([&] { return wave->message().contains(QStringLiteral("no sound")); }, 5000))
        << wave->message().toStdString();
    EXPECT_FALSE(window_->transport().player().hasSound());
    QTest::keyClick(window_.get(), Qt::Key_F4);
    find<QPushButton>("guideButton")->click();
    ASSERT_TRUE(waitFor([&] { return window_->transport().hasGuide(); }, 20000));
    window_->transport().seekStage(2.0);
    window_->transport().player().play();
    EXPECT_TRUE(waitFor([&] { return window_->transport().stageTime() > 3.5; }, 8000));
    EXPECT_TRUE(window_->transport().player().hasSound()) << "the guide voice is its only sound";
    find<QPushButton>("guideButton")->click();
    EXPECT_EQ(message(), QString());
}

TEST_F(BadInputTest, AnUprightPhoneVideoIsShownUpright)
{
    const auto file = scratch_.path() / "phone.mp4";
    {
        demo::Encoder encoder(file, {QSize(320, 180), 25, 100'000, 0, 90});
        QImage image(320, 180, QImage::Format_RGB32); // white on the left: above, when it is turned
        for (int y = 0; y < image.height(); ++y) {
            for (int x = 0; x < image.width(); ++x) {
                image.setPixel(x, y, x < 160 ? qRgb(255, 255, 255) : qRgb(0, 0, 0));
            }
        }
        for (int frame = 0; frame < 100; ++frame) {
            encoder.addFrame(image);
        }
        encoder.finish();
    }
    EXPECT_EQ(media::inspect(file).turned_deg, 90);
    openDemo();
    window_->document().addPass(QString::fromStdString(file.string()), 4.0, QStringLiteral("recce"));
    QTest::keyClick(window_.get(), Qt::Key_F2);
    auto& player = window_->transport().player();
    ASSERT_TRUE(waitFor(
        [&] {
            return player.isOpen() && player.duration_s() < 10.0 && player.aspect() > 0.0
                && player.aspect() < 1.0;
        },
        10000))
        << player.aspect();
    EXPECT_NEAR(player.aspect(), 180.0 / 320.0, 0.02);
    QImage picture;
    ASSERT_TRUE(waitFor(
        [&] {
            picture = player.picture({180, 320});
            return !picture.isNull() && picture.pixelColor(90, 40).lightness() > 200;
        },
        5000));
    EXPECT_LT(picture.pixelColor(90, 280).lightness(), 60);
}

TEST_F(BadInputTest, ANotesFileInAWrongEncodingIsToldWithItsLineAndTheNotesStay)
{
    openDemo();
    const auto before = window_->document().stage().text;
    const auto file = scratch_.path() / "old notes.txt";
    support::write(file, "left four 60\nright three over cr\xEAte 80\n");
    answerFileDialog(file);
    find<QPushButton>("importNotes")->click();
    EXPECT_TRUE(message().contains(QStringLiteral("old notes.txt"))) << message().toStdString();
    EXPECT_TRUE(message().contains(QStringLiteral("line 2"))) << message().toStdString();
    EXPECT_TRUE(message().contains(QStringLiteral("UTF-8"))) << message().toStdString();
    EXPECT_EQ(window_->document().stage().text, before);
}

TEST_F(BadInputTest, AStageFromANewerVersionIsRefusedInOneLineAndTheOldOneStaysOpen)
{
    openDemo();
    support::write(scratch_.path() / "newer" / "stage.brumefall", R"({"format": "brumefall/stage/9"})");
    EXPECT_FALSE(window_->openStage(QString::fromStdString((scratch_.path() / "newer").string())));
    EXPECT_TRUE(message().contains(QStringLiteral("newer Brumefall"))) << message().toStdString();
    EXPECT_EQ(window_->document().stage().name, "Lantern Pass");
}

TEST_F(BadInputTest, AHalfWrittenPassOrTakeIsToldAndTheRestOpens)
{
    support::write(stage_ / "passes" / "recce.json", "{\"format\": \"brumefall/pass/1\", \"marks\": [");
    openDemo();
    EXPECT_TRUE(message().contains(QStringLiteral("recce.json"))) << message().toStdString();
    EXPECT_EQ(window_->document().passes().size(), 1U);
}

TEST_F(BadInputTest, AMissingOrBrokenVideoIsToldAndTheNotesStillPlan)
{
    std::filesystem::remove(stage_ / "media" / "recce.mkv");
    support::write(stage_ / "media" / "stage.mkv", "this is no video");
    ASSERT_TRUE(window_->openStage(QString::fromStdString(stage_.string())));
    ASSERT_TRUE(waitFor([&] { return !message().isEmpty(); }, 10000));
    EXPECT_TRUE(message().contains(QStringLiteral("stage.mkv"))) << message().toStdString();
    EXPECT_EQ(window_->document().prepared().plan.notes.size(), 67U);
    window_->document().choosePass(QStringLiteral("recce"));
    EXPECT_TRUE(waitFor([&] { return message().contains(QStringLiteral("recce.mkv")); }, 5000))
        << message().toStdString();
}

TEST_F(BadInputTest, AStageThatCannotBeSavedIsToldAndNothingIsLost)
{
    openDemo();
    // a folder in the way of the new file: it fails for every user, root included
    std::filesystem::create_directories(stage_ / "stage.brumefall.tmp" / "in the way");
    auto driver = window_->document().stage().driver;
    driver.fast_s = 2.9;
    window_->document().setDriver(driver, QStringLiteral("Change a lead"));
    window_->document().save();
    EXPECT_TRUE(message().contains(QStringLiteral("Not saved yet"))) << message().toStdString();
    EXPECT_TRUE(window_->document().hasUnsavedChanges());
    std::filesystem::remove_all(stage_ / "stage.brumefall.tmp");
    window_->document().save();
    EXPECT_EQ(stage::readStage(stage_ / "stage.brumefall").driver.fast_s, 2.9);
}

TEST_F(BadInputTest, WithoutAMicrophoneReadingIsToldAndTheWindowGoesOn)
{
    openDemo();
    if (!media::microphoneNames().isEmpty()) {
        GTEST_SKIP() << "this machine has a microphone";
    }
    QSignalSpy failed(&window_->recorder(), &TakeRecorder::failed);
    window_->recorder().start(media::makeMicrophone({}), {});
    ASSERT_TRUE(waitFor([&] { return failed.count() > 0; }, 10000));
    EXPECT_TRUE(message().contains(QStringLiteral("No microphone"))) << message().toStdString();
    EXPECT_TRUE(waitFor([&] { return !window_->recorder().isRecording(); }, 5000));
}
