// The document and the disk: its files are written and read here, and nowhere else.

#include "document/aside.h"
#include "document/document.h"
#include "formats/files.h"

#include <QDateTime>
#include <QDir>
#include <QFile>

#include <algorithm>
#include <set>

namespace brumefall::app {
namespace {

constexpr int kTryAgain_ms = 3000;

const std::filesystem::path kStageFile = "stage.brumefall";

std::filesystem::path passFile(const std::string& name)
{
    return std::filesystem::path("passes") / (name + ".json");
}

std::filesystem::path takeFile(const std::string& name)
{
    return std::filesystem::path("takes") / (name + ".json");
}

/// Files in folder `sub` of the stage in `folder`, and those that lie aside, sorted by name.
std::set<std::filesystem::path> filesIn(
    const std::filesystem::path& folder, const std::filesystem::path& sub, const Aside& aside)
{
    std::set<std::filesystem::path> out;
    for (const auto& file : stage::listJson(folder / sub)) {
        out.insert(sub / file.filename());
    }
    for (const auto& file : aside.files()) {
        if (file.parent_path() == sub) {
            out.insert(file);
        }
    }
    return out;
}

} // namespace

QString readable(const formats::FormatError& error)
{
    const auto name = QString::fromStdString(std::filesystem::path(error.file()).filename().string());
    const QString line = error.line() > 0 ? QObject::tr(", line %1").arg(error.line()) : QString();
    return QStringLiteral("%1%2: %3").arg(name, line, QString::fromStdString(error.message()));
}

void Document::tell(const formats::FormatError& error)
{
    emit message(readable(error));
}

void Document::readPasses(const Aside& aside)
{
    passes_.clear();
    dirty_passes_.clear();
    told_unsaved_.clear();
    removed_passes_.clear();
    pass_ = 0;
    for (const auto& file : filesIn(folder_, "passes", aside)) {
        try {
            passes_.push_back(stage::readPass(aside.placeOf(file)));
            if (passes_.back().kind == "stage") {
                pass_ = passes_.size() - 1;
            }
            if (aside.placeOf(file) != folder_ / file) {
                dirty_passes_.push_back(passes_.back().name);
            }
        } catch (const formats::FormatError& error) {
            emit message(readable(error));
        }
    }
}

void Document::readTakes(const Aside& aside)
{
    takes_.clear();
    dirty_takes_.clear();
    for (const auto& file : filesIn(folder_, "takes", aside)) {
        try {
            takes_.push_back(stage::readTake(aside.placeOf(file)));
            if (aside.placeOf(file) != folder_ / file) {
                dirty_takes_.insert(takes_.back().name);
            }
        } catch (const formats::FormatError& error) {
            emit message(readable(error));
        }
    }
}

std::optional<QString> Document::open(const QString& folder)
{
    save(); // before anything is read: it may be this very stage
    if (isSavedNowhere()) {
        return tr("What was changed here could be saved nowhere yet, so this stage stays open. Make room on "
                  "the disk, or save a copy elsewhere (Ctrl+Shift+S).");
    }
    const auto path = stage::stageFolder(QDir(folder).absolutePath().toStdString());
    stage::Stage stage;
    std::string content;
    std::optional<Aside> aside;
    try {
        content = formats::readFile(path / kStageFile);
        aside = Aside::of(path, content);
        stage = stage::readStage(aside->placeOf(kStageFile));
    } catch (const formats::FormatError& error) {
        return readable(error);
    }
    undo_.clear();
    lock_.reset();
    folder_ = path;
    stage_dirty_ = aside->placeOf(kStageFile) != path / kStageFile;
    on_disk_ = stage_dirty_ && !aside->madeFrom().empty() ? aside->madeFrom() : std::move(content);
    stage_ = std::move(stage);
    along_ = Along::recorded;
    along_pass_.clear();
    current_note_.clear();
    readPasses(*aside);
    readTakes(*aside);
    prepared_ = {};
    recompute(true);
    if (!prepared_.road.notes.empty()) {
        current_note_ = QString::fromStdString(prepared_.road.notes.front().id);
    }
    emit opened();
    lockFolder();
    for (const auto& doubt : prepared_.doubts) {
        emit message(tr("stage.brumefall: %1.").arg(QString::fromStdString(doubt.says)));
    }
    if (hasUnsavedChanges()) { // of the last time
        save();
        if (!hasUnsavedChanges()) {
            emit message(tr("What could not be saved last time is back, and saved now."));
        }
    }
    if (const auto orphans = stage::orphanedSound(folder_); !orphans.empty()) {
        emit message(tr("A recording belongs to no take: takes/%1. “From elsewhere” in Review (F5) "
                        "judges it.")
                         .arg(QString::fromStdString(orphans.back().filename().string())));
    }
    emit notesChanged();
    emit passChanged();
    emit planChanged();
    emit takesChanged();
    emit currentNoteChanged(current_note_);
    return {};
}

void Document::keepTake(const stage::Take& take)
{
    const auto same =
        std::find_if(takes_.begin(), takes_.end(), [&](const stage::Take& t) { return t.name == take.name; });
    if (same != takes_.end()) {
        *same = take;
    } else {
        takes_.push_back(take);
    }
    dirty_takes_.insert(take.name);
    saveAnd([this] { writeTakes(); });
    emit takesChanged();
}

void Document::forgetTake(const std::string& name)
{
    std::erase_if(takes_, [&](const stage::Take& t) { return t.name == name; });
    dirty_takes_.erase(name);
    std::error_code ignored;
    std::filesystem::remove(folder_ / takeFile(name), ignored);
    Aside(folder_).drop(takeFile(name));
    emit takesChanged();
}

void Document::keepTakeOf(const std::filesystem::path& folder, const stage::Take& take)
{
    const auto file = takeFile(take.name);
    const auto write = [&](const std::filesystem::path& to) { stage::writeTake(to, take); };
    try {
        write(folder / file);
    } catch (const formats::FormatError& error) {
        try {
            Aside(folder).put(file, write);
            emit message(
                tr("%1 The take is kept aside until its stage is opened again.").arg(readable(error)));
        } catch (const formats::FormatError& worse) {
            emit message(tr("The take was not kept on the disk. %1").arg(readable(worse)));
        }
    }
}

void Document::takesFollowPass(const std::string& from, const std::string& to)
{
    const auto takes = takes_; // keepTake changes the list
    for (stage::Take take : takes) {
        if (take.pass == from) {
            take.pass = to;
            keepTake(take);
        }
    }
}

/// A second after the first of a run of changes: steady typing does not put it off.
void Document::saveSoon()
{
    if (!autosave_.isActive()) {
        autosave_.start();
    }
}

void Document::save()
{
    if (folder_.empty()) {
        return;
    }
    emit flushWanted();
    autosave_.stop();
    saveAnd([this] {
        writeStage();
        writePasses();
        writeTakes();
    });
}

void Document::saveAnd(const std::function<void()>& write)
{
    std::error_code gone;
    if (hasUnsavedChanges() && !std::filesystem::is_directory(folder_, gone)) {
        keepAside(
            tr("Not saved: the stage's folder is not there any more (%1). Bring it back, or save a copy "
               "(Ctrl+Shift+S).")
                .arg(QString::fromStdString(folder_.string())));
        return;
    }
    try {
        write();
    } catch (const formats::FormatError& error) {
        keepAside(tr("Not saved yet; it is tried again every few seconds. %1.").arg(readable(error)));
        return;
    }
    if (!hasUnsavedChanges()) {
        saved_nowhere_ = false;
        told_unsaved_.clear();
        try_again_.stop();
        emit saved();
    }
}

void Document::writeStage()
{
    if (!stage_dirty_) {
        return;
    }
    keepOthersVersion();
    stage::writeStage(folder_ / kStageFile, stage_);
    on_disk_ = formats::readFile(folder_ / kStageFile);
    stage_dirty_ = false;
    Aside(folder_).drop(kStageFile);
}

void Document::writePasses()
{
    Aside aside(folder_);
    while (!dirty_passes_.empty()) {
        const auto file = passFile(dirty_passes_.back());
        for (const pace::Pass& pass : passes_) {
            if (pass.name == dirty_passes_.back()) {
                stage::writePass(folder_ / file, pass);
            }
        }
        aside.drop(file);
        dirty_passes_.pop_back();
    }
    while (!removed_passes_.empty()) {
        const auto file = folder_ / passFile(removed_passes_.back());
        if (!QFile::moveToTrash(QString::fromStdString(file.string()))) {
            std::error_code ignored; // no trash here; undo still brings it back
            std::filesystem::remove(file, ignored);
        }
        aside.drop(passFile(removed_passes_.back()));
        removed_passes_.pop_back();
    }
}

void Document::writeTakes()
{
    while (!dirty_takes_.empty()) {
        const std::string name = *dirty_takes_.begin();
        if (const stage::Take* take = this->take(name)) {
            stage::writeTake(folder_ / takeFile(name), *take);
        }
        Aside(folder_).drop(takeFile(name));
        dirty_takes_.erase(name);
    }
}

void Document::keepAside(const QString& why)
{
    Aside aside(folder_);
    const auto put = [&](const std::filesystem::path& file, const auto& write) {
        aside.put(file, write, on_disk_);
    };
    try {
        if (stage_dirty_) {
            put(kStageFile, [&](const std::filesystem::path& to) { stage::writeStage(to, stage_); });
        }
        for (const std::string& name : dirty_passes_) {
            for (const pace::Pass& pass : passes_) {
                if (pass.name == name) {
                    put(passFile(name), [&](const std::filesystem::path& to) { stage::writePass(to, pass); });
                }
            }
        }
        for (const std::string& name : dirty_takes_) {
            if (const stage::Take* take = this->take(name)) {
                put(takeFile(name), [&](const std::filesystem::path& to) { stage::writeTake(to, *take); });
            }
        }
        saved_nowhere_ = false;
        tellUnsaved(tr("%1 Until then it is kept in the application's own folder.").arg(why));
    } catch (const formats::FormatError& worse) {
        saved_nowhere_ = true;
        tellUnsaved(tr("%1 It could be kept nowhere else either (%2): leave this window open.")
                        .arg(why, readable(worse)));
    }
    try_again_.start(kTryAgain_ms);
}

/// Not with each try: it would take the place of whatever else is said. Now and then, lest it is forgotten.
void Document::tellUnsaved(const QString& why)
{
    constexpr qint64 kRemind_ms = 30'000;
    if (why != told_unsaved_ || since_told_unsaved_.elapsed() > kRemind_ms) {
        told_unsaved_ = why;
        since_told_unsaved_.start();
        emit saveFailed(why);
    }
}

void Document::keepOthersVersion()
{
    const auto file = folder_ / "stage.brumefall";
    std::error_code error;
    if (on_disk_.empty() || !std::filesystem::is_regular_file(file, error)) {
        return;
    }
    const std::string now = formats::readFile(file);
    if (now == on_disk_) {
        return;
    }
    const std::string beside = "stage of another window "
        + QDateTime::currentDateTime().toString(QStringLiteral("yyyy-MM-dd HH.mm.ss")).toStdString()
        + ".brumefall";
    formats::writeFile(folder_ / beside, now);
    emit message(
        tr("Another window or program has changed this stage meanwhile. What is here was saved; the other "
           "version is kept beside it as \u201c%1\u201d.")
            .arg(QString::fromStdString(beside)));
}

void Document::lockFolder()
{
    lock_ = std::make_unique<QLockFile>(QString::fromStdString((folder_ / ".brumefall-open").string()));
    lock_->setStaleLockTime(0); // only that of a process that is no more
    if (!lock_->tryLock() && lock_->error() == QLockFile::LockFailedError) {
        emit message(
            tr("This stage is open in another window, too. Change it in one of them only: what the other one "
               "saves is kept beside it."));
    }
}

} // namespace brumefall::app
