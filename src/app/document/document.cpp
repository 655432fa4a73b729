#include "document/document.h"

#include "document/media_search.h"
#include "document/media_trust.h"
#include "formats/files.h"
#include "stage/folder.h"

#include <QDateTime>
#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QStandardPaths>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

constexpr int kMostUndone = 2000;

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
    undo_.setUndoLimit(kMostUndone);
    since_start_.start();
    autosave_.setSingleShot(true);
    autosave_.setInterval(1000);
    connect(&autosave_, &QTimer::timeout, this, &Document::save);
    try_again_.setSingleShot(true);
    connect(&try_again_, &QTimer::timeout, this, &Document::save);
}

Document::~Document()
{
    save();
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

QString Document::folderOfFiles() const
{
    const QString media = mediaFile();
    return media.isEmpty() ? QString::fromStdString(folder_.string()) : QFileInfo(media).path();
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
