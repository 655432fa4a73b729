// Makes the pictures of docs/screenshots from the demo stage: screenshots STAGE_FOLDER OUT_FOLDER [NAME ...]

#include "export/export_dialog.h"
#include "language/language.h"
#include "log/log_workspace.h"
#include "main_window.h"
#include "notes/notes_workspace.h"
#include "pages/fonts.h"
#include "places/places_workspace.h"
#include "places/track_panel.h"
#include "read/read_workspace.h"
#include "review/review_workspace.h"
#include "take/practice.h"
#include "theme/theme.h"
#include "widgets/gap_view.h"

#include <QApplication>
#include <QComboBox>
#include <QDir>
#include <QElapsedTimer>
#include <QListWidget>
#include <QPushButton>
#include <QStandardPaths>
#include <QTableView>
#include <QTableWidget>
#include <QTemporaryDir>
#include <QTest>

#include <filesystem>
#include <functional>
#include <iostream>

namespace {

using namespace brumefall::app;

/// The picture settles: video decoded, waveform read.
void settle(int ms = 700)
{
    QTest::qWait(ms);
}

void selectNumber(MainWindow& window, std::size_t number)
{
    const auto& notes = window.document().prepared().placement.notes;
    if (number >= 1 && number <= notes.size()) {
        window.document().setCurrentNote(QString::fromStdString(notes[number - 1].id));
    }
}

struct Shot {
    const char* name;
    std::function<void(MainWindow&)> prepare;
};

const Shot kShots[]{
    {"start", [](MainWindow& w) { w.showStart(); }},
    {"notes",
        [](MainWindow& w) {
            w.showWorkspace(MainWindow::kNotes);
            selectNumber(w, 5);
        }},
    {"language",
        [](MainWindow& w) {
            auto* notes = w.findChild<NotesWorkspace*>();
            auto style = w.document().stage().style;
            style.words["bullet"] = "six plus";
            style.words["nadgery"] = "narrow";
            style.abbreviations["fgp"] = "past the fog post";
            w.document().setStyle(style, QStringLiteral("Change the crew's words"));
            w.document().setNotesText(QString::fromStdString(w.document().stage().text)
                                          .replace(QStringLiteral("tightens three into left five"),
                                              QStringLiteral("titans three into left five")));
            w.findChild<QPushButton*>(QStringLiteral("sideLanguage"))->click();
            settle(300);
            w.findChild<QPushButton*>(QStringLiteral("nextProblem"))->click();
            w.findChild<QPushButton*>(QStringLiteral("findButton"))->click();
        }},
    {"captions",
        [](MainWindow& w) {
            while (w.document().undoStack().canUndo()) {
                w.document().undoStack().undo();
            }
            w.showWorkspace(MainWindow::kNotes);
            auto* notes = w.findChild<NotesWorkspace*>();
            w.findChild<QPushButton*>(QStringLiteral("sideMeaning"))->click();
            notes->reviewCaptions(
                QString::fromStdString((w.document().folder() / "media" / "stage.srt").string()));
            w.showMessage({});
            settle(300);
            w.findChild<QPushButton*>(QStringLiteral("captionsLook"))->click();
        }},
    {"places",
        [](MainWindow& w) {
            w.findChild<QPushButton*>(QStringLiteral("captionsCancel"))->click();
            w.document().choosePass(QStringLiteral("recce"));
            w.showWorkspace(MainWindow::kPlaces);
            settle(2500);
            selectNumber(w, 14);
            w.transport().seekStage(w.document().prepared().placement.notes[13].arrive_s - 2.0);
            settle(1500);
            w.transport().setRate(1.0);
        }},
    {"track",
        [](MainWindow& w) {
            auto* places = w.findChild<PlacesWorkspace*>();
            w.document().choosePass(QStringLiteral("stage"));
            settle(2500);
            auto pass = *w.document().pass();
            std::erase_if(pass.marks, [&](const auto& m) { return (&m - pass.marks.data()) % 10 != 0; });
            w.document().setPass(pass, QStringLiteral("Fewer marks"));
            w.findChild<QPushButton*>(QStringLiteral("placesTrack"))->click();
            places->trackPanel().load(
                QString::fromStdString((w.document().folder() / "media" / "stage.csv").string()));
            w.transport().seekStage(98.0);
        }},
    {"distances",
        [](MainWindow& w) {
            auto* places = w.findChild<PlacesWorkspace*>();
            places->trackPanel().load(
                QString::fromStdString((w.document().folder() / "media" / "stage.gpx").string()));
            w.findChild<QPushButton*>(QStringLiteral("proposePlaces"))->click();
            settle(300);
            auto text = QString::fromStdString(w.document().stage().text);
            w.document().setNotesText(text.replace(
                QStringLiteral("right six over crest 150"), QStringLiteral("right six over crest 80")));
            w.findChild<QPushButton*>(QStringLiteral("placesDistances"))->click();
            selectNumber(w, 6);
        }},
    {"pace",
        [](MainWindow& w) {
            w.document().undoStack().undo();
            w.document().undoStack().undo();
            w.document().undoStack().undo();
            w.showMessage({});
            auto* places = w.findChild<PlacesWorkspace*>();
            w.document().choosePass(QStringLiteral("recce"));
            w.document().chooseAlong(Document::Along::other_pass, QStringLiteral("stage"));
            w.findChild<QPushButton*>(QStringLiteral("placesPace"))->click();
            auto* compare = w.findChild<QComboBox*>(QStringLiteral("comparePace"));
            compare->setCurrentIndex(1);
            emit compare->activated(1);
            settle(1500);
            selectNumber(w, 19);
            w.transport().seekStage(w.document().prepared().placement.notes[18].arrive_s - 1.0);
        }},
    {"plan",
        [](MainWindow& w) {
            w.document().chooseAlong(Document::Along::recorded);
            w.document().choosePass(QStringLiteral("stage"));
            w.showWorkspace(MainWindow::kPlan);
            settle();
            auto* gap = w.findChild<GapView*>(QStringLiteral("planGap"));
            gap->setSpan(37.0, 55.0);
            w.transport().seekStage(41.0);
            selectNumber(w, 9);
        }},
    {"squeeze",
        [](MainWindow& w) {
            w.document().choosePass(QStringLiteral("recce"));
            settle(1500);
            const auto& squeezes = w.document().prepared().plan.squeezes;
            if (!squeezes.empty()) {
                const auto number = w.document().numberOf(squeezes.front().first);
                w.document().setCurrentNote(QString::fromStdString(squeezes.front().first));
                const double at_s =
                    w.document().prepared().placement.notes[static_cast<std::size_t>(number - 1)].arrive_s;
                w.findChild<QListWidget*>(QStringLiteral("squeezeList"))->setCurrentRow(2);
                w.findChild<GapView*>(QStringLiteral("planGap"))->setSpan(at_s - 9.0, at_s + 5.0);
                w.transport().seekStage(at_s - 6.0);
            }
        }},
    {"what_if",
        [](MainWindow& w) {
            w.document().choosePass(QStringLiteral("stage"));
            settle(1500);
            w.findChild<QPushButton*>(QStringLiteral("planWhatIf"))->click();
            auto* what = w.findChild<QComboBox*>(QStringLiteral("whatIf"));
            what->setCurrentIndex(2);
            emit what->activated(2);
            selectNumber(w, 9);
            w.findChild<GapView*>(QStringLiteral("planGap"))->setSpan(37.0, 55.0);
        }},
    {"read",
        [](MainWindow& w) {
            w.findChild<QPushButton*>(QStringLiteral("planSqueezes"))->click();
            w.showWorkspace(MainWindow::kRead);
            w.transport().seekStage(8.0);
            settle(1500);
            w.findChild<QPushButton*>(QStringLiteral("recordButton"))->click();
            QElapsedTimer timer;
            timer.start();
            while (w.transport().stageTime() < 12.4 && timer.elapsed() < 20000) {
                QTest::qWait(20);
            }
        }},
    {"read_drivers_ear",
        [](MainWindow& w) {
            w.read().practice().discard();
            w.findChild<QComboBox*>(QStringLiteral("wayChoice"))
                ->setCurrentIndex(static_cast<int>(brumefall::take::Way::drivers_ear));
            w.transport().seekStage(20.0);
            settle(1500);
            auto& ear = w.read().practice().ear();
            w.read().toggleRecording();
            QElapsedTimer timer;
            timer.start();
            for (int said = 0; timer.elapsed() < 24000; QTest::qWait(50)) {
                if (said < 3 && timer.elapsed() > 8000 + said * 4000) {
                    ear.press(said++ == 1 ? brumefall::tune::Said::later : brumefall::tune::Said::earlier);
                }
            }
        }},
    {"review",
        [](MainWindow& w) {
            w.read().practice().end();
            w.findChild<QComboBox*>(QStringLiteral("wayChoice"))->setCurrentIndex(0);
            w.review().showTake(QStringLiteral("2030-03-07 20.14.05"));
            w.showWorkspace(MainWindow::kReview);
            settle();
            const auto* take = w.review().take();
            for (const auto& verdict : take->verdicts) {
                if (verdict.isMisread()) {
                    w.document().setCurrentNote(QString::fromStdString(verdict.id));
                    auto* gap = w.findChild<GapView*>(QStringLiteral("reviewGap"));
                    gap->setSpan(verdict.planned_end_s - 9.0, verdict.planned_end_s + 10.0);
                    w.transport().seekStage(verdict.end_s);
                    break;
                }
            }
        }},
    {"tuning",
        [](MainWindow& w) {
            w.findChild<QPushButton*>(QStringLiteral("tuningButton"))->click();
            w.findChild<QTableWidget*>(QStringLiteral("tuningTable"))->selectRow(2);
        }},
    {"log",
        [](MainWindow& w) {
            w.showWorkspace(MainWindow::kLog);
            settle(1500); // the rally is read in the background
        }},
    {"log_trends",
        [](MainWindow& w) {
            w.log().showPage(LogWorkspace::kTrends);
            w.findChild<QComboBox*>(QStringLiteral("trendOf"))->setCurrentIndex(1);
        }},
    {"export",
        [](MainWindow& w) {
            w.showWorkspace(MainWindow::kPlan);
            auto* dialog = new ExportDialog(w.document(), &w);
            dialog->setWindowFlags(Qt::Widget); // in the window, to be taken with it
            dialog->setAutoFillBackground(true);
            dialog->move((w.width() - dialog->width()) / 2, (w.height() - dialog->height()) / 2);
            dialog->show();
        }},
    {"night_room",
        [](MainWindow& w) {
            delete w.findChild<ExportDialog*>();
            applyTheme(*qApp, Theme::nightRoom());
            w.showWorkspace(MainWindow::kPlan);
        }},
};

} // namespace

int main(int argc, char** argv)
{
    if (argc < 3) {
        std::cerr << "usage: screenshots STAGE_FOLDER OUT_FOLDER [--size WxH] [NAME ...]\n";
        return 2;
    }
    qputenv("BRUMEFALL_SILENT", "1");
    brumefall::pages::hideInstalledMono();
    QApplication application(argc, argv);
    QStandardPaths::setTestModeEnabled(true);
    QApplication::setOrganizationName(QStringLiteral("BrumefallScreenshots"));
    QApplication::setStyle(QStringLiteral("Fusion"));
    chooseLanguage(QStringLiteral("en"));
    loadLanguage(application);
    loadFonts();
    applyTheme(application, Theme::paper());
    // work on a copy: the demo stays as it was made
    const QTemporaryDir scratch;
    const std::filesystem::path shipped = argv[1];
    const auto rally = std::filesystem::path(scratch.path().toStdString()) / "rally";
    std::filesystem::copy(shipped.parent_path(), rally, std::filesystem::copy_options::recursive);
    const auto copy = rally / shipped.filename();
    QDir().mkpath(QString::fromLocal8Bit(argv[2]));
    QStringList wished = QApplication::arguments().mid(3);
    QSize size(1280, 800);
    if (const int at = static_cast<int>(wished.indexOf(QStringLiteral("--size")));
        at >= 0 && at + 1 < wished.size()) {
        const QStringList sides = wished[at + 1].split(QLatin1Char('x'));
        size = QSize(sides.value(0).toInt(), sides.value(1).toInt());
        wished.remove(at, 2);
    }
    MainWindow window;
    window.resize(size);
    window.show();
    window.openStage(QString::fromStdString(copy.string()));
    settle(1500);
    // each picture is prepared from where the one before it left off, so those not wished for are prepared
    // too
    const bool all = wished.isEmpty();
    for (const Shot& shot : kShots) {
        if (!all && wished.isEmpty()) {
            break;
        }
        shot.prepare(window);
        settle();
        if (!all && wished.removeAll(QString::fromLatin1(shot.name)) == 0) {
            continue;
        }
        const QString file =
            QStringLiteral("%1/%2.png").arg(QString::fromLocal8Bit(argv[2]), QString::fromLatin1(shot.name));
        window.grab().save(file);
        std::cout << file.toStdString() << "\n";
    }
    for (const QString& name : wished) {
        std::cerr << "screenshots: there is no picture called " << name.toStdString() << "\n";
    }
    return wished.isEmpty() ? 0 : 1;
}
