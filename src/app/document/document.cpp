#include "document/document.h"

#include "document/media_search.h"
#include "document/media_trust.h"
#include "formats/files.h"
#include "stage/folder.h"

#include <QDateTime>
#include <QDir>
#include <QFile>
#include <QStandardPaths>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

QString readable(const formats::FormatError& error)
{
    const auto name = QString::fromStdString(std::filesystem::path(error.file()).filename().string());
    const QString line = error.line() > 0 ? QObject::tr(", line %1").arg(error.line()) : QString();
    return QStringLiteral("%1%2: %3").arg(name, line, QString::fromStdString(error.message()));
}

/// Where the stage without a name lives.
std::filesystem::path unnamedFolder()
{
    return std::filesystem::path(
               QStandardPaths::writableLocation(QStandardPaths::AppDataLocation).toStdString())
        / "unnamed stage";
}

} // namespace

Document::Document(QObject* parent)
    : QObject(parent)
{
    since_start_.start();
    autosave_.setSingleShot(true);
    autosave_.setInterval(1000);
    connect(&autosave_, &QTimer::timeout, this, &Document::save);
}

Document::~Document()
{
    save();
}

std::optional<QString> Document::open(const QString& folder)
{
    const auto path = stage::stageFolder(QDir(folder).absolutePath().toStdString());
    stage::Stage stage;
    std::string content;
    try {
        stage = stage::readStage(path / "stage.brumefall");
        content = formats::readFile(path / "stage.brumefall");
    } catch (const formats::FormatError& error) {
        return readable(error);
    }
    save();
    undo_.clear();
    lock_.reset();
    folder_ = path;
    on_disk_ = std::move(content);
    stage_ = std::move(stage);
    stage_dirty_ = false;
    dirty_passes_.clear();
    removed_passes_.clear();
    along_ = Along::recorded;
    along_pass_.clear();
    current_note_.clear();
    readPasses();
    readTakes();
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
    emit notesChanged();
    emit passChanged();
    emit planChanged();
    emit takesChanged();
    emit currentNoteChanged(current_note_);
    return {};
}

std::optional<QString> Document::openUnnamed()
{
    const auto folder = QString::fromStdString(unnamedFolder().string());
    std::error_code error;
    return std::filesystem::exists(unnamedFolder() / "stage.brumefall", error) ? open(folder)
                                                                               : create(folder);
}

bool Document::isUnnamed() const
{
    return folder_ == unnamedFolder();
}

bool Document::isEmpty() const
{
    return stage_.text.find_first_not_of(" \n\t") == std::string::npos && passes_.empty() && takes_.empty();
}

std::optional<QString> Document::saveCopy(const QString& folder)
{
    save();
    if (hasUnsavedChanges()) { // a copy of what is on the disk would lack them
        return tr("What was changed last could not be saved first.");
    }
    try {
        const auto to = std::filesystem::path(folder.toStdString());
        stage::copyStage(folder_, to);
        for (const pace::Pass& pass : passes_) { // what may be opened here may be there
            if (!pass.media.path.empty() && mayOpen(folder_, folder_ / pass.media.path)) {
                rememberChosen(folder_ / pass.media.path);
            }
        }
        auto copy = stage::readStage(to / "stage.brumefall");
        copy.name = to.filename().string();
        stage::writeStage(to / "stage.brumefall", copy);
    } catch (const formats::FormatError& error) {
        return readable(error);
    }
    return {};
}

std::optional<QString> Document::nameStage(const QString& folder)
{
    if (const auto why = saveCopy(folder)) {
        return why;
    }
    if (const auto why = open(folder)) {
        return why;
    }
    std::error_code ignored;
    std::filesystem::remove_all(unnamedFolder(), ignored); // it is all in the new one
    return {};
}

void Document::readPasses()
{
    passes_.clear();
    pass_ = 0;
    for (const auto& file : stage::listJson(folder_ / "passes")) {
        try {
            passes_.push_back(stage::readPass(file));
            if (passes_.back().kind == "stage") {
                pass_ = passes_.size() - 1;
            }
        } catch (const formats::FormatError& error) {
            emit message(readable(error));
        }
    }
}

void Document::readTakes()
{
    takes_.clear();
    for (const auto& file : stage::listJson(folder_ / "takes")) {
        try {
            takes_.push_back(stage::readTake(file));
        } catch (const formats::FormatError& error) {
            emit message(readable(error));
        }
    }
}

const pace::Pass* Document::pass() const
{
    return pass_ < passes_.size() ? &passes_[pass_] : nullptr;
}

QString Document::mediaFile() const
{
    const pace::Pass* current = pass();
    if (current == nullptr || current->media.path.empty()) {
        return {};
    }
    const auto file = folder_ / current->media.path;
    std::error_code error;
    if (!std::filesystem::exists(file, error)) {
        if (const auto moved = findMoved(folder_, current->media)) {
            return QString::fromStdString(moved->string());
        }
    }
    return mayOpen(folder_, file) ? QString::fromStdString(file.string()) : QString();
}

QString Document::refusedMedia() const
{
    const pace::Pass* current = pass();
    if (current == nullptr || current->media.path.empty() || !mediaFile().isEmpty()) {
        return {};
    }
    return QString::fromStdString((folder_ / current->media.path).lexically_normal().string());
}

void Document::choosePass(const QString& name)
{
    for (std::size_t i = 0; i < passes_.size(); ++i) {
        if (passes_[i].name == name.toStdString() && i != pass_) {
            pass_ = i;
            recompute(false);
            emit passChanged();
            emit planChanged();
        }
    }
}

void Document::tell(const formats::FormatError& error)
{
    emit message(readable(error));
}

void Document::applyStage(const stage::Stage& stage)
{
    const bool text_changed = stage.text != stage_.text || !(stage.style == stage_.style);
    const bool road_changed = text_changed || stage.official_length_m != stage_.official_length_m
        || !(stage.rehearsal == stage_.rehearsal);
    stage_ = stage;
    stage_dirty_ = true;
    if (road_changed) {
        recompute(text_changed);
    } else {
        stage::makePlan(prepared_, stage_); // a wish of the driver moves no note
    }
    if (text_changed) {
        emit notesChanged();
    }
    emit planChanged();
    saveSoon();
}

void Document::applyPass(const pace::Pass& pass)
{
    for (pace::Pass& own : passes_) {
        if (own.name == pass.name) {
            own = pass;
            dirty_passes_.push_back(pass.name);
        }
    }
    recompute(false);
    emit planChanged();
    saveSoon();
}

void Document::applyPasses(const std::vector<pace::Pass>& passes, const std::string& choose)
{
    for (const pace::Pass& old : passes_) {
        const bool stays = std::any_of(
            passes.begin(), passes.end(), [&](const pace::Pass& p) { return p.name == old.name; });
        if (!stays) {
            removed_passes_.push_back(old.name);
        }
    }
    for (const pace::Pass& pass : passes) {
        std::erase(removed_passes_, pass.name);
        dirty_passes_.push_back(pass.name);
    }
    passes_ = passes;
    pass_ = 0;
    for (std::size_t i = 0; i < passes_.size(); ++i) {
        if (passes_[i].name == choose) {
            pass_ = i;
        }
    }
    recompute(false);
    emit passChanged();
    emit planChanged();
    saveSoon();
}

/// A second after the first of a run of changes: steady typing does not put it off.
void Document::saveSoon()
{
    if (!autosave_.isActive()) {
        autosave_.start();
    }
}

const pace::Pass* Document::pacingPass() const
{
    if (along_ == Along::rehearsal) {
        return nullptr;
    }
    const auto other = along_ == Along::other_pass ? std::find_if(passes_.begin(), passes_.end(),
                           [&](const pace::Pass& p) { return p.name == along_pass_; })
                                                   : passes_.end();
    return other == passes_.end() ? pass() : &*other;
}

stage::Prepared Document::preparedAs(const stage::Stage& stage) const
{
    return stage::prepare(stage, pacingPass());
}

void Document::recompute(bool notes_too)
{
    auto parsed = notes_too ? stage::understand(stage_) : std::move(prepared_.notes);
    const pace::Pass* paced = pacingPass();
    prepared_ = stage::prepare(stage_, std::move(parsed), paced);
    video_placement_ = {};
    retiming_ = {};
    if (pass() != nullptr && paced != pass()) {
        video_placement_ = pace::place(prepared_.road, *pass(), pace::carModel(stage_.rehearsal));
        if (!video_placement_.pace.empty() && !prepared_.placement.pace.empty()) {
            retiming_ = pace::Retiming(video_placement_.pace, prepared_.placement.pace);
        }
    }
}

void Document::chooseAlong(Along along, const QString& pass)
{
    if (along == along_ && pass.toStdString() == along_pass_) {
        return;
    }
    along_ = along;
    along_pass_ = pass.toStdString();
    recompute(false);
    emit alongChanged();
    emit planChanged();
}

const pace::Placement& Document::videoPlacement() const
{
    return video_placement_.notes.empty() ? prepared_.placement : video_placement_;
}

pace::Placement Document::rehearsalPlacement() const
{
    return pace::placeByPrediction(prepared_.road, stage_.rehearsal);
}

std::optional<QString> Document::create(const QString& folder)
{
    const auto path = std::filesystem::path(folder.toStdString());
    std::error_code error;
    if (std::filesystem::exists(path / "stage.brumefall", error)) {
        return tr("There is a stage in %1 already; open it instead.").arg(folder);
    }
    try {
        std::filesystem::create_directories(path, error);
        stage::Stage stage;
        if (path != unnamedFolder()) {
            stage = stage::withCrew(stage, stage_); // the crew goes from stage to stage
            stage.name = path.filename().string();
        }
        stage::writeStage(path / "stage.brumefall", stage);
    } catch (const formats::FormatError& problem) {
        return readable(problem);
    }
    return open(folder);
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
    try {
        stage::writeTake(folder_ / "takes" / (take.name + ".json"), take);
    } catch (const formats::FormatError& error) {
        emit message(tr("The take was not kept on the disk. %1").arg(readable(error)));
    }
    emit takesChanged();
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

void Document::save()
{
    if (folder_.empty()) {
        return;
    }
    emit flushWanted();
    autosave_.stop();
    std::error_code gone;
    if (hasUnsavedChanges() && !std::filesystem::is_directory(folder_, gone)) {
        emit saveFailed(
            tr("Not saved: the stage's folder is not there any more (%1). Bring it back, or save a copy "
               "(Ctrl+Shift+S).")
                .arg(QString::fromStdString(folder_.string())));
        return;
    }
    try {
        if (stage_dirty_) {
            keepOthersVersion();
            stage::writeStage(folder_ / "stage.brumefall", stage_);
            on_disk_ = formats::readFile(folder_ / "stage.brumefall");
            stage_dirty_ = false;
        }
        while (!dirty_passes_.empty()) {
            for (const pace::Pass& pass : passes_) {
                if (pass.name == dirty_passes_.back()) {
                    stage::writePass(folder_ / "passes" / (pass.name + ".json"), pass);
                }
            }
            dirty_passes_.pop_back();
        }
        while (!removed_passes_.empty()) {
            const auto file = folder_ / "passes" / (removed_passes_.back() + ".json");
            if (!QFile::moveToTrash(QString::fromStdString(file.string()))) {
                std::error_code ignored; // no trash here; undo still brings it back
                std::filesystem::remove(file, ignored);
            }
            removed_passes_.pop_back();
        }
        emit saved();
    } catch (const formats::FormatError& error) {
        emit saveFailed(tr("Not saved yet; it is tried again with the next change. %1").arg(readable(error)));
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

int Document::numberOf(const std::string& id) const
{
    const auto& notes = prepared_.road.notes;
    const auto it =
        std::find_if(notes.begin(), notes.end(), [&](const road::RoadNote& n) { return n.id == id; });
    if (it != notes.end()) {
        return static_cast<int>(it - notes.begin()) + 1;
    }
    const auto& planned = prepared_.plan.notes;
    const auto echo = std::find_if(planned.begin(), planned.end(),
        [&](const plan::PlannedNote& n) { return n.id == id && !n.echo_of.empty(); });
    return echo == planned.end() ? 0 : numberOf(echo->echo_of);
}

const stage::Take* Document::take(const std::string& name) const
{
    const auto it =
        std::find_if(takes_.begin(), takes_.end(), [&](const stage::Take& t) { return t.name == name; });
    return it == takes_.end() ? nullptr : &*it;
}

QString Document::notesOfCall(std::size_t call) const
{
    const auto& planned = prepared_.plan.calls[call];
    const int first = numberOf(prepared_.plan.notes[planned.first].id);
    const int last = numberOf(prepared_.plan.notes[planned.last - 1].id);
    return first == last ? tr("note %1").arg(first) : tr("notes %1 to %2").arg(first).arg(last);
}

const notes::Note* Document::note(const std::string& id) const
{
    for (const auto& call : prepared_.notes.calls) {
        for (const auto& note : call.notes) {
            if (note.id == id) {
                return &note;
            }
        }
    }
    return nullptr;
}

void Document::setCurrentNote(const QString& id)
{
    if (id != current_note_) {
        current_note_ = id;
        emit currentNoteChanged(id);
    }
}

} // namespace brumefall::app
