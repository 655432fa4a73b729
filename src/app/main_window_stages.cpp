// The window's stages: begun, opened, named, copied, remembered.

#include "main_window.h"

#include "document/demo.h"
#include "export/export_dialog.h"
#include "export/package.h"
#include "log/rally.h"
#include "notes/notes_workspace.h"
#include "places/places_workspace.h"
#include "review/reading_import.h"
#include "review/review_workspace.h"
#include "widgets/message_line.h"
#include "widgets/panels.h"
#include "widgets/start_page.h"

#include <QDialog>
#include <QDialogButtonBox>
#include <QDragEnterEvent>
#include <QFileDialog>
#include <QFileInfo>
#include <QFormLayout>
#include <QLineEdit>
#include <QMenu>
#include <QMimeData>
#include <QSettings>
#include <QStackedWidget>

namespace brumefall::app {
namespace {

constexpr int kMostRecent = 8;

} // namespace

bool MainWindow::openStage(const QString& folder)
{
    if (recorder_.isRecording()) {
        showMessage(tr("A take is being recorded: stop it first (R)."));
        return false;
    }
    if (const auto why = document_.open(folder)) {
        showMessage(tr("The stage was not opened. %1").arg(*why));
        return false;
    }
    if (!document_.isUnnamed()) {
        rememberStage(QString::fromStdString(document_.folder().string()));
    }
    return true;
}

void MainWindow::openLast()
{
    QSettings settings;
    const QStringList recent = settings.value(QStringLiteral("recent")).toStringList();
    if (settings.value(QStringLiteral("unnamed")).toBool()) {
        openUnnamed();
    } else if (recent.isEmpty() || !openStage(recent.first())) {
        const QString why = message_->text();
        showStart();
        showMessage(why);
    }
}

void MainWindow::showStart()
{
    if (!document_.isOpen()) {
        if (const auto why = document_.openUnnamed()) {
            showMessage(*why);
        }
    }
    start_->show(QSettings().value(QStringLiteral("recent")).toStringList(),
        document_.isUnnamed() && !document_.isEmpty(), shippedDemo().has_value());
    stack_->setCurrentWidget(start_);
    for (QPushButton* tab : tabs_) {
        tab->setChecked(false);
    }
    takeFocus(start_);
}

void MainWindow::openDemo()
{
    const auto shipped = shippedDemo();
    if (!shipped) {
        showMessage(tr("The demo was not installed with this program."));
        return;
    }
    try {
        openStage(QString::fromStdString(ownDemo(*shipped).string()));
    } catch (const std::filesystem::filesystem_error& error) {
        showMessage(
            tr("The demo could not be copied: %1.").arg(QString::fromStdString(error.code().message())));
    }
}

void MainWindow::openUnnamed()
{
    if (const auto why = document_.openUnnamed()) {
        showMessage(*why);
        return;
    }
    showWorkspace(kNotes);
    findChild<QWidget*>(QStringLiteral("notesEditor"))->setFocus();
}

void MainWindow::chooseStage()
{
    const QString folder = QFileDialog::getExistingDirectory(this, tr("Open a stage: choose its folder"));
    if (!folder.isEmpty()) {
        openStage(folder);
    }
}

void MainWindow::newStage()
{
    if (recorder_.isRecording()) {
        showMessage(tr("A take is being recorded: stop it first (R)."));
        return;
    }
    document_.save();
    const bool names = document_.isUnnamed() && !document_.isEmpty();
    const QString folder = QFileDialog::getSaveFileName(this,
        names ? tr("Name the folder that these notes go to") : tr("New stage: name its folder"),
        tr("New stage"));
    if (folder.isEmpty()) {
        return;
    }
    if (const auto why = names ? document_.nameStage(folder) : document_.create(folder)) {
        showMessage(tr("The stage was not made. %1").arg(*why));
        return;
    }
    rememberStage(QString::fromStdString(document_.folder().string()));
    showWorkspace(kNotes);
    findChild<QWidget*>(QStringLiteral("notesEditor"))->setFocus();
    showMessage(names
            ? tr("Your notes are in %1 now. Next: give the stage its video (F2).")
                  .arg(document_.stage().name.c_str())
            : tr("A new stage. Write the notes, or take them from a file or from captions; then give it a "
                 "video (F2)."));
}

void MainWindow::showExport(int kind)
{
    if (!document_.isOpen()) {
        return;
    }
    ExportDialog dialog(document_, this);
    dialog.choose(static_cast<ExportDialog::Kind>(kind));
    dialog.exec();
    emit document_.planChanged(); // pages in view are as they were wished here
}

void MainWindow::choosePackage()
{
    const QString package = QFileDialog::getOpenFileName(
        this, tr("Open a package: a stage or a rally as one file"), {}, tr("Packages (*.zip)"));
    if (package.isEmpty()) {
        return;
    }
    const QString into = QFileDialog::getExistingDirectory(
        this, tr("Unpack it into a new folder in\u2026"), QFileInfo(package).absolutePath());
    if (!into.isEmpty()) {
        openPackage(package, into);
    }
}

void MainWindow::openAny(const QString& path)
{
    const QFileInfo file(path);
    const QString suffix = file.suffix().toLower();
    const auto isOneOf = [&](std::initializer_list<const char*> some) {
        return std::any_of(
            some.begin(), some.end(), [&](const char* one) { return suffix == QLatin1String(one); });
    };
    if (file.isDir() || suffix == QStringLiteral("brumefall")) {
        openStage(path);
    } else if (suffix == QStringLiteral("zip")) {
        const QString into = QFileDialog::getExistingDirectory(
            this, tr("Unpack %1 into a new folder in\u2026").arg(file.fileName()), file.absolutePath());
        if (!into.isEmpty()) {
            openPackage(path, into);
        }
    } else if (isOneOf({"mkv", "mp4", "mov", "avi", "webm", "mts", "m2ts", "m4v"})) {
        showWorkspace(kPlaces);
        places_->takeVideo(path);
    } else if (isOneOf({"gpx", "csv"})) {
        showWorkspace(kPlaces);
        places_->takeLog(path);
    } else if (isOneOf({"srt", "vtt", "txt"})) {
        showWorkspace(kNotes);
        notes_->takeFile(path);
    } else if (isOneOf({"wav", "flac", "opus", "ogg", "m4a", "mp3"})) {
        showWorkspace(kReview);
        review_->import().take(path);
    } else {
        showMessage(
            tr("%1 is nothing that can be opened here: no stage, package, video, captions, log, notes or "
               "sound.")
                .arg(file.fileName()));
    }
}

void MainWindow::dragEnterEvent(QDragEnterEvent* event)
{
    if (event->mimeData()->hasUrls() && event->mimeData()->urls().first().isLocalFile()) {
        event->acceptProposedAction();
    }
}

void MainWindow::dropEvent(QDropEvent* event)
{
    event->acceptProposedAction();
    const auto urls = event->mimeData()->urls();
    for (const QUrl& url : urls) {
        if (url.isLocalFile()) {
            openAny(url.toLocalFile());
        }
    }
}

void MainWindow::openPackage(const QString& package, const QString& into)
{
    showMessage(tr("Unpacking %1\u2026").arg(QFileInfo(package).fileName()));
    unpacking_ = inBackground(
        this,
        [package, into](const media::Progress& progress) {
            return exporting::unpack(package.toStdString(), into.toStdString(), progress);
        },
        [this](Outcome<std::filesystem::path> outcome) {
            if (!outcome.value) {
                showMessage(outcome.why);
                return;
            }
            std::error_code error;
            auto folder = *outcome.value;
            if (!std::filesystem::exists(folder / "stage.brumefall", error)) { // a rally: its first stage
                const auto rally = log::readRally(folder);
                folder = rally.stages.empty() ? folder : rally.stages.front().folder;
            }
            if (openStage(QString::fromStdString(folder.string()))) {
                showMessage(tr("Unpacked, and open: %1").arg(QString::fromStdString(folder.string())));
            }
        });
}

void MainWindow::saveCopy()
{
    const QString folder = QFileDialog::getSaveFileName(this, tr("Save a copy: name its folder"),
        QString::fromStdString(document_.folder().string()) + tr(" copy"));
    if (folder.isEmpty()) {
        return;
    }
    const auto why = document_.saveCopy(folder);
    showMessage(why ? tr("No copy was made. %1").arg(*why)
                    : tr("A copy is in %1. You go on in this one.").arg(folder));
}

void MainWindow::renameStage()
{
    QDialog dialog(this);
    dialog.setWindowTitle(tr("Rename"));
    auto* form = new QFormLayout(&dialog);
    auto* name = new QLineEdit(QString::fromStdString(document_.stage().name));
    name->setObjectName(QStringLiteral("renameName"));
    auto* crew = new QLineEdit(QString::fromStdString(document_.stage().crew));
    crew->setObjectName(QStringLiteral("renameCrew"));
    form->addRow(tr("Stage"), name);
    form->addRow(tr("Crew"), crew);
    constexpr int kLetters = 34; // two names in full
    crew->setMinimumWidth(crew->fontMetrics().averageCharWidth() * kLetters);
    auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
    form->addRow(buttons);
    connect(buttons, &QDialogButtonBox::accepted, &dialog, &QDialog::accept);
    connect(buttons, &QDialogButtonBox::rejected, &dialog, &QDialog::reject);
    if (dialog.exec() == QDialog::Accepted) {
        document_.rename(name->text(), crew->text());
    }
}

void MainWindow::rememberStage(const QString& folder)
{
    QSettings settings;
    QStringList recent = settings.value(QStringLiteral("recent")).toStringList();
    recent.removeAll(folder);
    recent.prepend(folder);
    settings.setValue(QStringLiteral("recent"), QStringList(recent.mid(0, kMostRecent)));
}

void MainWindow::fillRecent(QMenu* menu)
{
    menu->clear();
    if (!document_.isUnnamed()) {
        menu->addAction(tr("Notes that have no stage yet"), this, &MainWindow::openUnnamed);
    }
    for (const QString& folder : QSettings().value(QStringLiteral("recent")).toStringList()) {
        menu->addAction(folder, this, [this, folder] { openStage(folder); });
    }
    if (menu->isEmpty()) {
        menu->addAction(tr("No stage was opened yet"))->setEnabled(false);
    }
}

} // namespace brumefall::app
