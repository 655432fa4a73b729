// A lead slider moved on a stage of 600 notes, from the move to the painted window; and the time from the
// start to the first painted stage.

#include "main_window.h"

#include "pages/fonts.h"
#include "theme/theme.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QSlider>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTest>

#include <algorithm>
#include <cstdio>
#include <filesystem>

using namespace brumefall;

namespace {

void writeStage(const std::filesystem::path& folder, int notes)
{
    static const char* const kLines[]{"right four long tightens two into left three 60",
        "caution square left 100", "left five over crest 50", "right six 150", "hairpin left opens 40",
        "unseen right three minus don't cut into left two plus 80"};
    stage::Stage stage;
    stage.name = "600 notes";
    for (int made = 0; made < notes;) {
        const std::string line = kLines[static_cast<std::size_t>(made) % std::size(kLines)];
        stage.text += line + "\n";
        made += line.find(" into ") != std::string::npos ? 2 : 1;
    }
    std::filesystem::create_directories(folder);
    stage::writeStage(folder / "stage.brumefall", stage);
}

/// Notices when a widget has been painted.
class Painted : public QObject {
public:
    using QObject::QObject;
    bool seen = false;

protected:
    bool eventFilter(QObject*, QEvent* event) override
    {
        seen = seen || event->type() == QEvent::Paint;
        return false;
    }
};

/// The recce played along the pace of the stage pass: seconds of stage against those of the wall.
void keepsTheClock(app::MainWindow& window)
{
    auto& transport = window.transport();
    window.document().choosePass(QStringLiteral("recce"));
    QTest::qWait(1500);
    window.document().chooseAlong(app::Document::Along::other_pass, QStringLiteral("stage"));
    transport.seekStage(40.0);
    QTest::qWait(1000);
    transport.player().play();
    QTest::qWait(2000);
    QElapsedTimer wall;
    wall.start();
    const double from_s = transport.stageTime();
    QTest::qWait(8000);
    const double went_s = transport.stageTime() - from_s;
    std::printf("a recce at stage pace: %.2f s of the stage in %.2f s\n", went_s,
        1e-3 * static_cast<double>(wall.elapsed()));
    transport.player().pause();
}

} // namespace

int main(int argc, char** argv)
{
    qputenv("BRUMEFALL_SILENT", "1");
    QElapsedTimer start;
    start.start();
    pages::hideInstalledMono();
    QApplication application(argc, argv);
    QStandardPaths::setTestModeEnabled(true);
    QApplication::setOrganizationName(QStringLiteral("BrumefallBench"));
    QApplication::setStyle(QStringLiteral("Fusion"));
    app::loadFonts();
    app::applyTheme(application, app::Theme::paper());
    const QTemporaryDir scratch;
    const auto demo = std::filesystem::path(scratch.path().toStdString()) / "demo";
    std::filesystem::copy(DEMO_FOLDER, demo, std::filesystem::copy_options::recursive);
    const qint64 copied_ms = start.elapsed();
    {
        app::MainWindow window;
        window.resize(1280, 800);
        window.show();
        static_cast<void>(window.openStage(QString::fromStdString(demo.string())));
        static_cast<void>(window.grab());
        std::printf("first painted demo stage: %lld ms after the start\n",
            static_cast<long long>(start.elapsed() - copied_ms));
        keepsTheClock(window);
    }
    const auto folder = std::filesystem::path(scratch.path().toStdString()) / "600";
    writeStage(folder, 600);
    app::MainWindow window;
    window.resize(1280, 800);
    window.show();
    static_cast<void>(window.openStage(QString::fromStdString(folder.string())));
    window.showWorkspace(app::MainWindow::kPlan);
    QTest::qWait(500);
    auto* slider = window.findChild<QSlider*>(QStringLiteral("leadSlow"));
    Painted painted;
    window.findChild<QWidget*>(QStringLiteral("planGap"))->installEventFilter(&painted);
    std::vector<double> times_ms;
    for (int i = 0; i < 120; ++i) {
        painted.seen = false;
        QElapsedTimer timer;
        timer.start();
        slider->setValue(15 + i % 30);
        while (!painted.seen) {
            QCoreApplication::processEvents();
        }
        times_ms.push_back(1e-6 * static_cast<double>(timer.nsecsElapsed()));
    }
    std::sort(times_ms.begin(), times_ms.end());
    std::printf("a lead slider on %zu notes, planned and painted: median %.1f ms, 95 %% %.1f ms\n",
        window.document().prepared().plan.notes.size(), times_ms[60], times_ms[114]);
    return 0;
}
