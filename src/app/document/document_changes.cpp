// Every change of the document: a command with a name that reads well in the menu.

#include "document/document.h"

#include "document/media_search.h"
#include "media/sound.h"

#include <QUndoCommand>

#include <algorithm>
#include <cmath>

namespace brumefall::app {

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
    const auto name = QString::fromStdString(path.filename().string());
    try {
        const double duration_s = media::inspect(path).duration_s;
        const double longer_s = duration_s - after.media.duration_s;
        if (after.media.duration_s > 0.0 && std::abs(longer_s) > kSameLength_s) {
            emit message(
                (longer_s > 0.0 ? tr("%1 is %2 s longer than the video that this pass was made from; "
                                     "check its go and its marks.")
                                : tr("%1 is %2 s shorter than the video that this pass was made from; "
                                     "check its go and its marks."))
                    .arg(name)
                    .arg(std::abs(longer_s), 0, 'f', 1));
        }
        after.media.duration_s = duration_s;
    } catch (const media::MediaError& problem) {
        emit message(tr("%1 The pass was not changed.").arg(QString::fromStdString(problem.what())));
        return;
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

} // namespace brumefall::app
