// Figures of Places: exact seeks against libmpv's own, pictures a second while scrubbing, and how near the
// notes come to their true places.

#include "media/player.h"
#include "media/position_log.h"
#include "pace/match.h"
#include "stage/stage.h"

#include <mpv/client.h>

#include <QElapsedTimer>
#include <QGuiApplication>
#include <QThread>

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <map>
#include <random>

using namespace brumefall;

namespace {

double median(std::vector<double> values)
{
    std::sort(values.begin(), values.end());
    return values.empty() ? 0.0 : values[values.size() / 2];
}

std::vector<double> seekTargets(double duration_s)
{
    std::mt19937 random(9);
    std::vector<double> targets;
    for (int i = 0; i < 40; ++i) {
        targets.push_back(std::uniform_real_distribution(5.0, duration_s - 10.0)(random));
    }
    return targets;
}

/// Milliseconds of exact seeks by the library alone, without a window of ours.
std::vector<double> librarySeeks(const std::string& file, const std::vector<double>& targets)
{
    mpv_handle* mpv = mpv_create();
    mpv_set_option_string(mpv, "vo", "null");
    mpv_set_option_string(mpv, "ao", "null");
    mpv_set_option_string(mpv, "pause", "yes");
    mpv_set_option_string(mpv, "hr-seek", "yes");
    mpv_set_option_string(mpv, "keep-open", "yes");
    mpv_initialize(mpv);
    const auto waitFor = [&](mpv_event_id wanted) {
        while (mpv_wait_event(mpv, 10.0)->event_id != wanted) { }
    };
    const char* load[] = {"loadfile", file.c_str(), nullptr};
    mpv_command(mpv, load);
    waitFor(MPV_EVENT_PLAYBACK_RESTART);
    std::vector<double> times;
    for (const double target : targets) {
        const auto where = std::to_string(target);
        const char* seek[] = {"seek", where.c_str(), "absolute+exact", nullptr};
        QElapsedTimer timer;
        timer.start();
        mpv_command(mpv, seek);
        waitFor(MPV_EVENT_PLAYBACK_RESTART);
        times.push_back(1e-6 * static_cast<double>(timer.nsecsElapsed()));
    }
    mpv_terminate_destroy(mpv);
    return times;
}

void processFor(const std::function<bool()>& done, int ms)
{
    QElapsedTimer timer;
    timer.start();
    while (!done() && timer.elapsed() < ms) {
        QCoreApplication::processEvents(QEventLoop::AllEvents, 1);
        QThread::usleep(50);
    }
}

void measureSeeks(const std::string& file)
{
    media::Player player;
    // somebody looks at the pictures, as the window does
    int pictures = 0;
    QSize size(640, 360); // as the video is: the library alone scales nothing either
    QObject::connect(
        &player, &media::Player::pictureChanged, [&] { pictures += player.picture(size).isNull() ? 0 : 1; });
    player.open(QString::fromStdString(file));
    processFor([&] { return player.isOpen(); }, 10000);
    const auto targets = seekTargets(player.duration_s());
    std::vector<double> own;
    for (const double target : targets) {
        QElapsedTimer timer;
        timer.start();
        const int before = pictures;
        player.seek(target);
        processFor([&] { return !player.isSeeking() && pictures > before; }, 5000);
        own.push_back(1e-6 * static_cast<double>(timer.nsecsElapsed()));
    }
    const auto library = librarySeeks(file, targets);
    std::printf("exact seek: %.1f ms, the library alone %.1f ms (medians of %zu): %.2f times\n", median(own),
        median(library), targets.size(), median(own) / median(library));
    // scrubbing: one seek after the other along the stage, as a dragging hand does
    pictures = 0;
    size = {1280, 720};
    QElapsedTimer timer;
    timer.start();
    double at_s = 60.0;
    while (timer.elapsed() < 4000) {
        player.seek(at_s);
        at_s += 0.1;
        processFor([] { return false; }, 16);
    }
    std::printf("scrubbing at 1280x720: %.0f pictures a second\n",
        pictures / (1e-3 * static_cast<double>(timer.elapsed())));
}

void tellErrors(const char* what, std::vector<double> errors)
{
    std::sort(errors.begin(), errors.end());
    std::printf("%s: median %.2f s, 90 %% within %.2f s\n", what, errors[errors.size() / 2],
        errors[errors.size() * 9 / 10]);
}

void measureAccuracy(const std::filesystem::path& folder)
{
    const auto stage = stage::readStage(folder / "stage.brumefall");
    const auto truth = stage::readPass(folder / "passes" / "stage.json");
    std::map<std::string, double> true_s;
    for (const auto& mark : truth.marks) {
        true_s[mark.note] = mark.media_s - truth.go_s;
    }
    const auto errorsOf = [&](const pace::Placement& placement) {
        std::vector<double> errors;
        for (const auto& note : placement.notes) {
            if (!note.marked) {
                errors.push_back(std::abs(note.arrive_s - true_s.at(note.id)));
            }
        }
        return errors;
    };
    auto sparse = truth;
    sparse.trace.clear();
    std::erase_if(sparse.marks, [&](const pace::Mark& m) { return (&m - sparse.marks.data()) % 10 != 0; });
    tellErrors(
        "unmarked notes, a mark at every tenth, no log", errorsOf(stage::prepare(stage, &sparse).placement));
    const auto road = stage::prepare(stage, &truth).road;
    const auto log = media::readLogFile(folder / "media" / "stage.gpx");
    const auto clean = pace::cleanLog(log);
    std::map<std::string, double> marks;
    for (const auto& mark : sparse.marks) {
        marks[mark.note] = mark.media_s - truth.go_s;
    }
    const auto report = [&](const char* what, const pace::LogFit& fit,
                            const std::map<std::string, double>& anchors) {
        std::vector<double> errors;
        for (const auto& note : pace::matchNotes(road, log, clean, fit, anchors)) {
            if (!marks.contains(note.note)) {
                errors.push_back(std::abs(note.time_s - true_s.at(note.note)));
            }
        }
        tellErrors(what, errors);
    };
    report("notes by the bends of the log, laid by go", pace::fitByGo(clean), {});
    report("notes by the bends of the log, laid by every tenth mark",
        pace::fitByMarks(road, log, clean, marks), marks);
}

} // namespace

int main(int argc, char** argv)
{
    qputenv("QT_QPA_PLATFORM", "offscreen");
    qputenv("BRUMEFALL_SILENT", "1");
    const QGuiApplication application(argc, argv);
    const std::filesystem::path folder = DEMO_FOLDER;
    measureSeeks((folder / "media" / "stage.mkv").string());
    measureAccuracy(folder);
    return 0;
}
