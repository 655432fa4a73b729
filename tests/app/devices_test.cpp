/// What needs a device of the machine's: run by tests/with-devices, which starts a display with OpenGL and
/// a sound server whose microphone hears what is played.
#include "read/read_workspace.h"
#include "review/review_workspace.h"
#include "widgets/video_view.h"
#include "window.h"

#include "media/sound_file.h"

#include <QComboBox>
#include <QLabel>
#include <QOpenGLWidget>
#include <QProcess>
#include <QPushButton>
#include <QSettings>

#include <cmath>

#include <optional>

using namespace brumefall;
using namespace brumefall::app;

namespace {

using DevicesTest = support::Window;

/// Mean difference of two pictures per colour, 0 to 255.
double difference(const QImage& a, const QImage& b)
{
    const QImage first = a.convertToFormat(QImage::Format_RGB32);
    const QImage second = b.convertToFormat(QImage::Format_RGB32);
    if (first.size() != second.size() || first.isNull()) {
        return 255.0;
    }
    double sum = 0.0;
    for (int y = 0; y < first.height(); ++y) {
        for (int x = 0; x < first.width(); ++x) {
            const QRgb p = first.pixel(x, y);
            const QRgb q = second.pixel(x, y);
            sum +=
                std::abs(qRed(p) - qRed(q)) + std::abs(qGreen(p) - qGreen(q)) + std::abs(qBlue(p) - qBlue(q));
        }
    }
    return sum / (3.0 * first.width() * first.height());
}

} // namespace

TEST_F(DevicesTest, TheVideoIsDrawnWithOpenGlAndShowsWhatSoftwareShows)
{
    openDemo();
    QTest::keyClick(window_.get(), Qt::Key_F2);
    auto& player = window_->transport().player();
    ASSERT_TRUE(player.drawsWithGl()) << "this display has OpenGL";
    auto* view = find<QWidget>("placesWorkspace")->findChild<VideoView*>();
    auto* canvas = view->findChild<QOpenGLWidget*>(QStringLiteral("glCanvas"));
    ASSERT_NE(canvas, nullptr);
    qputenv("BRUMEFALL_PICTURE", "software");
    media::Player software;
    qputenv("BRUMEFALL_PICTURE", "gl");
    ASSERT_FALSE(software.drawsWithGl());
    software.open(window_->document().mediaFile());
    ASSERT_TRUE(waitFor([&] { return software.isOpen(); }, 10000));
    for (const double at_s : {30.0, 95.0}) {
        player.seek(at_s);
        software.seek(at_s);
        ASSERT_TRUE(waitFor([&] { return !player.isSeeking() && !software.isSeeking(); }, 8000));
        const QSizeF fitted = QSizeF(player.aspect(), 1.0).scaled(QSizeF(view->size()), Qt::KeepAspectRatio);
        const QRect picture(
            QPoint(static_cast<int>(0.5 * (view->width() - fitted.width())), 0), fitted.toSize());
        const auto differ = [&] {
            return difference(canvas->grabFramebuffer().copy(picture), software.picture(picture.size()));
        };
        EXPECT_TRUE(waitFor([&] { return differ() < 6.0; }, 5000)) << at_s << ": " << differ();
    }
}

TEST_F(DevicesTest, AMicrophoneThatHearsNothingIsSaidBeforeATakeIsLostToIt)
{
    openDemo();
    QTest::keyClick(window_.get(), Qt::Key_F4);
    auto* input = find<QComboBox>("inputChoice");
    input->setCurrentIndex(0);
    emit input->activated(0);
    EXPECT_TRUE(waitFor(
        [&] { return find<QLabel>("readState")->text().contains(QStringLiteral("hears nothing")); }, 4000))
        << find<QLabel>("readState")->text().toStdString();
}

TEST_F(DevicesTest, TheDelayOfAMicrophoneIsMeasuredAndKeptForIt)
{
    openDemo();
    QTest::keyClick(window_.get(), Qt::Key_F4);
    auto* input = find<QComboBox>("inputChoice");
    input->setCurrentIndex(0);
    emit input->activated(0);
    const QString name = input->currentText();
    const auto silent = qgetenv("BRUMEFALL_SILENT");
    qunsetenv("BRUMEFALL_SILENT"); // the ticks are to be heard in the room
    auto* state = find<QLabel>("readState");
    const auto says = [&](const QString& words) { return state->text().contains(words); };
    bool measured = false;
    for (int tries = 0; tries < 3 && !measured; ++tries) { // a busy machine may lose the ticks
        find<QPushButton>("latencyButton")->click();
        EXPECT_TRUE(says(QStringLiteral("keep quiet"))) << state->text().toStdString();
        waitFor(
            [&] { return says(QStringLiteral("ms late")) || says(QStringLiteral("did not hear")); }, 20000);
        measured = says(QStringLiteral("ms late"));
    }
    ASSERT_TRUE(measured) << state->text().toStdString();
    qputenv("BRUMEFALL_SILENT", silent);
    ASSERT_TRUE(hasLatency(name));
    EXPECT_GT(latencyOf_s(name), -0.1);
    EXPECT_LT(latencyOf_s(name), 2.0);
    QSettings().remove(QStringLiteral("latency")); // the other tests take the device as it is
}

TEST_F(DevicesTest, AVoiceThroughTheMicrophoneIsRecordedAndItsCallsAreFound)
{
    openDemo();
    ASSERT_FALSE(media::microphoneNames().isEmpty()) << "the sound server has one";
    QTest::keyClick(window_.get(), Qt::Key_F4);
    const auto& plan = window_->document().prepared().plan;
    constexpr double kFrom_s = 10.0;
    constexpr double kTo_s = 32.0;
    const auto reading = media::readAloud(plan, {}, 3, kFrom_s, kTo_s);
    const auto file = scratch_.path() / "voice.wav";
    {
        media::SoundWriter writer(file, reading.sound.rate_hz);
        writer.write(reading.sound.samples);
    }
    auto* input = find<QComboBox>("inputChoice");
    input->setCurrentIndex(0);
    ASSERT_NE(input->currentData().toString(), QStringLiteral("simulated"));
    window_->transport().seekStage(kFrom_s);
    ASSERT_TRUE(waitFor([&] { return !window_->transport().player().isSeeking(); }, 8000));
    QSignalSpy started(&window_->recorder(), &TakeRecorder::started);
    find<QPushButton>("recordButton")->click();
    ASSERT_TRUE(waitFor([&] { return started.count() > 0; }, 15000));
    ASSERT_TRUE(waitFor([&] { return window_->transport().stageTime() >= kFrom_s; }, 15000));
    QProcess voice; // a mouth in front of the microphone
    voice.start(QStringLiteral("paplay"), {QString::fromStdString(file.string())});
    ASSERT_TRUE(waitFor([&] { return window_->transport().stageTime() > kTo_s + 3.0; }, 60000));
    QSignalSpy judged(&window_->recorder(), &TakeRecorder::judged);
    find<QPushButton>("recordButton")->click();
    ASSERT_TRUE(waitFor([&] { return judged.count() > 0; }, 60000)) << message().toStdString();
    voice.waitForFinished();
    const stage::Take* take = window_->review().take();
    ASSERT_NE(take, nullptr);
    EXPECT_GT(take->recorded_s, kTo_s - kFrom_s);
    int read = 0;
    std::optional<double>
        mouth_s; // how long the mouth took to open: the time that its process needs to start
    for (const auto& truth : reading.truth) {
        for (const auto& verdict : take->verdicts) {
            if (verdict.id == truth.id && truth.read) {
                ++read;
                EXPECT_NE(verdict.timing, take::Timing::missed) << truth.id;
                const double late_s = verdict.start_s - truth.span.start_s - reading.from_s;
                mouth_s = mouth_s.value_or(late_s);
                EXPECT_NEAR(late_s, *mouth_s, 0.2) << truth.id << ": once it is open, the clocks agree";
            }
        }
    }
    EXPECT_GE(read, 4);
}
