#include "document/document.h"

#include "formats/files.h"

#include <QUndoCommand>

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

} // namespace

/// A change of the stage: before and after, as values. Changes with the same key merge into one.
class StageCommand : public QUndoCommand {
public:
    StageCommand(Document& document, stage::Stage after, const QString& name, int key = -1)
        : QUndoCommand(name)
        , document_(document)
        , before_(document.stage_)
        , after_(std::move(after))
        , key_(key)
        , made_ms_(document.since_start_.elapsed())
    {
    }

    void undo() override { document_.applyStage(before_); }
    void redo() override { document_.applyStage(after_); }
    [[nodiscard]] int id() const override { return key_; }
    bool mergeWith(const QUndoCommand* other) override
    {
        constexpr qint64 kPause_ms = 1500;
        const auto* next = static_cast<const StageCommand*>(other);
        if (next->text() != text() || next->made_ms_ - made_ms_ > kPause_ms) {
            return false;
        }
        after_ = next->after_;
        made_ms_ = next->made_ms_;
        return true;
    }

private:
    Document& document_;
    stage::Stage before_;
    stage::Stage after_;
    int key_;
    qint64 made_ms_;
};

/// A change of one pass.
class PassCommand : public QUndoCommand {
public:
    PassCommand(Document& document, pace::Pass after, const QString& name)
        : QUndoCommand(name)
        , document_(document)
        , before_(*document.pass())
        , after_(std::move(after))
    {
    }

    void undo() override { document_.applyPass(before_); }
    void redo() override { document_.applyPass(after_); }

private:
    Document& document_;
    pace::Pass before_;
    pace::Pass after_;
};

/// Passes added or removed.
class PassListCommand : public QUndoCommand {
public:
    PassListCommand(
        Document& document, std::vector<pace::Pass> after, std::string choose, const QString& name)
        : QUndoCommand(name)
        , document_(document)
        , before_(document.passes_)
        , after_(std::move(after))
        , chosen_before_(document.pass() == nullptr ? std::string() : document.pass()->name)
        , chosen_after_(std::move(choose))
    {
    }

    void undo() override { document_.applyPasses(before_, chosen_before_); }
    void redo() override { document_.applyPasses(after_, chosen_after_); }

private:
    Document& document_;
    std::vector<pace::Pass> before_;
    std::vector<pace::Pass> after_;
    std::string chosen_before_;
    std::string chosen_after_;
};

namespace {
constexpr int kMergeText = 1;
constexpr int kMergeDriver = 2;
constexpr int kMergeReader = 3;
constexpr int kMergeRehearsal = 4;
constexpr int kMergeOffset = 5;
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
    const auto path = stage::stageFolder(folder.toStdString());
    stage::Stage stage;
    try {
        stage = stage::readStage(path / "stage.brumefall");
    } catch (const formats::FormatError& error) {
        return readable(error);
    }
    save();
    undo_.clear();
    folder_ = path;
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
    emit opened();
    emit notesChanged();
    emit passChanged();
    emit planChanged();
    emit takesChanged();
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
        // a stage folder that was carried elsewhere: a file of that name and size beside it or in media/
        const auto name = std::filesystem::path(current->media.path).filename();
        for (const auto& near : {folder_ / "media" / name, folder_ / name, folder_.parent_path() / name}) {
            const auto size = std::filesystem::file_size(near, error);
            if (!error
                && (current->media.size_bytes == 0
                    || size == static_cast<std::uintmax_t>(current->media.size_bytes))) {
                return QString::fromStdString(near.string());
            }
        }
    }
    return QString::fromStdString(file.string());
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

void Document::setNotesText(const QString& text, const QString& what)
{
    if (text.toStdString() == stage_.text) {
        return;
    }
    auto after = stage_;
    after.text = text.toStdString();
    auto parsed = notes::parseNotes(after.text, after.style);
    notes::keepIds(stage_.known, parsed.calls);
    after.known = notes::rememberNotes(parsed.calls);
    undo_.push(new StageCommand(*this, std::move(after), what.isEmpty() ? tr("Edit the notes") : what,
        what.isEmpty() ? kMergeText : -1));
}

void Document::setStyle(const notes::Style& style, const QString& what)
{
    if (style == stage_.style) {
        return;
    }
    auto after = stage_;
    after.style = style;
    auto parsed = notes::parseNotes(after.text, after.style);
    notes::keepIds(stage_.known, parsed.calls);
    after.known = notes::rememberNotes(parsed.calls);
    undo_.push(new StageCommand(*this, std::move(after), what));
}

void Document::takeDraft(
    const QString& text, const QString& what, const std::function<std::vector<pace::Mark>()>& marks)
{
    undo_.beginMacro(what);
    setNotesText(text, what);
    if (pass() != nullptr) {
        auto after = *pass();
        std::erase_if(after.marks, [](const pace::Mark& m) { return m.draft; });
        for (const pace::Mark& mark : marks()) {
            const bool marked = std::any_of(after.marks.begin(), after.marks.end(),
                [&](const pace::Mark& m) { return m.note == mark.note; });
            if (!marked) {
                after.marks.push_back(mark);
            }
        }
        if (after.marks != pass()->marks) {
            undo_.push(new PassCommand(*this, std::move(after), what));
        }
    }
    undo_.endMacro();
}

void Document::tell(const formats::FormatError& error)
{
    emit message(readable(error));
}

void Document::setMark(const QString& note, double media_s)
{
    if (pass() == nullptr) {
        return;
    }
    auto after = *pass();
    std::erase_if(after.marks, [&](const pace::Mark& m) { return m.note == note.toStdString(); });
    after.marks.push_back({note.toStdString(), media_s});
    undo_.push(
        new PassCommand(*this, std::move(after), tr("Mark note %1").arg(numberOf(note.toStdString()))));
}

void Document::removeMark(const QString& note)
{
    if (pass() == nullptr) {
        return;
    }
    auto after = *pass();
    std::erase_if(after.marks, [&](const pace::Mark& m) { return m.note == note.toStdString(); });
    undo_.push(new PassCommand(
        *this, std::move(after), tr("Remove the mark of note %1").arg(numberOf(note.toStdString()))));
}

void Document::setPass(const pace::Pass& pass, const QString& what)
{
    if (this->pass() != nullptr && !(pass == *this->pass())) {
        undo_.push(new PassCommand(*this, pass, what));
    }
}

void Document::addPass(const QString& file, double duration_s, const QString& kind)
{
    pace::Pass pass;
    const auto path = std::filesystem::path(file.toStdString());
    std::error_code error;
    const auto relative = std::filesystem::relative(path, folder_, error);
    pass.media.path = error || relative.empty() ? path.string() : relative.string();
    pass.media.duration_s = duration_s;
    const auto size = std::filesystem::file_size(path, error);
    pass.media.size_bytes = error ? 0 : static_cast<long long>(size);
    pass.out_s = duration_s;
    pass.kind = kind.toStdString();
    const auto taken = [&](const std::string& name) {
        return std::any_of(
            passes_.begin(), passes_.end(), [&](const pace::Pass& p) { return p.name == name; });
    };
    pass.name = pass.kind;
    for (int i = 2; taken(pass.name); ++i) {
        pass.name = pass.kind + " " + std::to_string(i);
    }
    auto after = passes_;
    after.push_back(pass);
    undo_.push(new PassListCommand(*this, std::move(after), pass.name,
        tr("Add the pass \u201c%1\u201d").arg(QString::fromStdString(pass.name))));
}

void Document::removePass()
{
    if (pass() == nullptr) {
        return;
    }
    auto after = passes_;
    after.erase(after.begin() + static_cast<std::ptrdiff_t>(pass_));
    undo_.push(new PassListCommand(*this, std::move(after), {},
        tr("Remove the pass \u201c%1\u201d").arg(QString::fromStdString(pass()->name))));
}

void Document::relink(const QString& file)
{
    if (pass() == nullptr) {
        return;
    }
    auto after = *pass();
    const auto path = std::filesystem::path(file.toStdString());
    std::error_code error;
    const auto relative = std::filesystem::relative(path, folder_, error);
    after.media.path = error || relative.empty() ? path.string() : relative.string();
    const auto size = std::filesystem::file_size(path, error);
    if (!error && after.media.size_bytes > 0 && size != static_cast<std::uintmax_t>(after.media.size_bytes)) {
        emit message(tr("%1 is not as large as the video that this pass was made from; check its marks.")
                         .arg(QString::fromStdString(path.filename().string())));
    }
    after.media.size_bytes = error ? 0 : static_cast<long long>(size);
    setPass(after, tr("Find the video again"));
    emit passChanged();
}

void Document::setRehearsal(const pace::Rehearsal& rehearsal)
{
    if (rehearsal == stage_.rehearsal) {
        return;
    }
    auto after = stage_;
    after.rehearsal = rehearsal;
    undo_.push(new StageCommand(*this, std::move(after), tr("Change the rehearsal pace"), kMergeRehearsal));
}

void Document::setDriver(const plan::Driver& driver, const QString& what)
{
    if (driver == stage_.driver) {
        return;
    }
    auto after = stage_;
    after.driver = driver;
    undo_.push(new StageCommand(*this, std::move(after), what, kMergeDriver));
}

void Document::setReader(const plan::Reader& reader, const QString& what)
{
    if (reader == stage_.reader) {
        return;
    }
    auto after = stage_;
    after.reader = reader;
    undo_.push(new StageCommand(*this, std::move(after), what, kMergeReader));
}

void Document::setEchoes(const plan::Echoes& echoes)
{
    if (echoes == stage_.echoes) {
        return;
    }
    auto after = stage_;
    after.echoes = echoes;
    undo_.push(new StageCommand(*this, std::move(after), tr("Change what is said again")));
}

void Document::pinCall(std::size_t call, std::optional<double> start_s)
{
    if (call >= prepared_.plan.calls.size()) {
        return;
    }
    const auto& planned = prepared_.plan.calls[call];
    const std::string& id = prepared_.plan.notes[planned.first].id;
    auto after = stage_;
    QString name = tr("Let call %1 go where the plan wants it").arg(call + 1);
    if (start_s) {
        after.pinned_s[id] = std::max(0.0, *start_s);
        name =
            tr("Move call %1 %2").arg(call + 1).arg(*start_s < planned.start_s ? tr("sooner") : tr("later"));
    } else if (after.pinned_s.erase(id) == 0) {
        return;
    }
    undo_.push(new StageCommand(*this, std::move(after), name));
}

void Document::acceptRemedy(const plan::Remedy& remedy)
{
    undo_.push(new StageCommand(*this, stage::withRemedy(stage_, prepared_.notes, remedy),
        QString::fromStdString(remedy.text.substr(0, remedy.text.find(':')))));
}

void Document::setCalls(const std::vector<bool>& begins, const QString& what)
{
    undo_.push(new StageCommand(*this, stage::withCalls(stage_, prepared_.notes, begins), what));
}

void Document::shiftLeads(const std::vector<std::string>& notes, double by_s)
{
    if (notes.empty()) {
        return;
    }
    auto after = stage_;
    for (const std::string& id : notes) {
        double& offset_s = after.shaping.lead_offset_s[id];
        offset_s = std::clamp(offset_s + by_s, -5.0, 10.0);
        if (std::abs(offset_s) < 1e-9) {
            after.shaping.lead_offset_s.erase(id);
        }
    }
    undo_.push(new StageCommand(*this, std::move(after),
        (by_s > 0.0 ? tr("Note %1 earlier") : tr("Note %1 later")).arg(numberOf(notes.front())),
        kMergeOffset));
}

void Document::clearShaping()
{
    auto after = stage_;
    after.shaping = {};
    after.pinned_s.clear();
    if (!(after == stage_)) {
        undo_.push(new StageCommand(*this, std::move(after), tr("Let the whole plan go where it wants")));
    }
}

void Document::applyStage(const stage::Stage& stage)
{
    const bool text_changed = stage.text != stage_.text || !(stage.style == stage_.style);
    stage_ = stage;
    stage_dirty_ = true;
    recompute(text_changed);
    if (text_changed) {
        emit notesChanged();
    }
    emit planChanged();
    autosave_.start();
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
    autosave_.start();
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
    autosave_.start();
}

void Document::recompute(bool notes_too)
{
    auto parsed = notes_too ? stage::understand(stage_) : std::move(prepared_.notes);
    const pace::Pass* paced = pass();
    if (along_ == Along::other_pass) {
        const auto other = std::find_if(
            passes_.begin(), passes_.end(), [&](const pace::Pass& p) { return p.name == along_pass_; });
        paced = other == passes_.end() ? pass() : &*other;
    }
    const bool rehearsal = along_ == Along::rehearsal;
    prepared_ = stage::prepare(stage_, std::move(parsed), rehearsal ? nullptr : paced);
    video_placement_ = {};
    retiming_ = {};
    if (pass() != nullptr && (rehearsal || paced != pass())) {
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
        stage.name = path.filename().string();
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

void Document::save()
{
    autosave_.stop();
    if (folder_.empty()) {
        return;
    }
    try {
        if (stage_dirty_) {
            stage::writeStage(folder_ / "stage.brumefall", stage_);
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
            std::error_code ignored;
            std::filesystem::remove(folder_ / "passes" / (removed_passes_.back() + ".json"), ignored);
            removed_passes_.pop_back();
        }
    } catch (const formats::FormatError& error) {
        emit message(tr("Not saved yet; it is tried again with the next change. %1").arg(readable(error)));
    }
}

int Document::numberOf(const std::string& id) const
{
    const auto& notes = prepared_.road.notes;
    const auto it =
        std::find_if(notes.begin(), notes.end(), [&](const road::RoadNote& n) { return n.id == id; });
    return it == notes.end() ? 0 : static_cast<int>(it - notes.begin()) + 1;
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
