// Every change of the document: a command with a name that reads well in the menu.

#include "document/commands.h"
#include "document/document.h"

#include "document/media_search.h"
#include "document/media_trust.h"
#include "media/sound.h"
#include "notes/edit.h"
#include "stage/folder.h"

#include <QFile>

#include <algorithm>
#include <cmath>
#include <memory>
#include <tuple>
#include <utility>

namespace brumefall::app {

namespace {
constexpr int kMergeText = 1;
constexpr int kMergeDriver = 2;
constexpr int kMergeReader = 3;
constexpr int kMergeRehearsal = 4;
constexpr int kMergeOffset = 5;
} // namespace

/// Something is kept of the note that would be lost with it.
bool Document::matters(const std::string& note) const
{
    const bool marked = std::any_of(passes_.begin(), passes_.end(), [&](const pace::Pass& pass) {
        return std::any_of(
            pass.marks.begin(), pass.marks.end(), [&](const pace::Mark& m) { return m.note == note; });
    });
    return marked || std::any_of(takes_.begin(), takes_.end(), [&](const stage::Take& take) {
        return std::any_of(take.verdicts.begin(), take.verdicts.end(),
            [&](const take::Verdict& verdict) { return verdict.id == note; });
    });
}

void Document::setNotesText(const QString& text, const QString& what)
{
    if (text.toStdString() == stage_.text) {
        return;
    }
    auto after = stage_;
    after.text = text.toStdString();
    stage::followText(after, [this](const std::string& id) { return matters(id); });
    undo_.push(new StageCommand(*this, std::move(after), what.isEmpty() ? tr("Edit the notes") : what,
        Seen::notes, what.isEmpty() ? kMergeText : -1));
}

void Document::setStyle(const notes::Style& style, const QString& what)
{
    if (style == stage_.style) {
        return;
    }
    auto after = stage_;
    after.style = style;
    stage::followText(after, [this](const std::string& id) { return matters(id); });
    undo_.push(new StageCommand(*this, std::move(after), what, Seen::notes));
}

namespace {

/// `pass` with `drafts` in place of the drafts it had; notes that are marked stay so.
pace::Pass withDrafts(pace::Pass pass, const std::vector<pace::Mark>& drafts)
{
    std::erase_if(pass.marks, [](const pace::Mark& m) { return m.draft; });
    const auto marked = pass.marks;
    for (const pace::Mark& draft : drafts) {
        if (std::none_of(
                marked.begin(), marked.end(), [&](const pace::Mark& m) { return m.note == draft.note; })) {
            pass.marks.push_back(draft);
        }
    }
    return pass;
}

} // namespace

void Document::takeDraft(const QString& text, const QString& file,
    const std::function<std::vector<pace::Mark>()>& marks, bool as_marks)
{
    const QString what = tr("Take the captions of %1").arg(file);
    undo_.beginMacro(what);
    setNotesText(text, what);
    const auto drafts = marks();
    auto after = stage_;
    after.captions = {file.toStdString(), {}};
    for (const pace::Mark& draft : drafts) {
        after.captions.place_s[draft.note] = draft.media_s;
    }
    undo_.push(new StageCommand(*this, std::move(after), what, Seen::notes));
    if (as_marks && pass() != nullptr) {
        undo_.push(new PassCommand(*this, withDrafts(*pass(), drafts), what));
    }
    undo_.endMacro();
}

int Document::captionPlaces() const
{
    if (pass() == nullptr || !pass()->marks.empty() || pass()->trace.size() >= 2) {
        return 0;
    }
    const auto& notes = prepared_.road.notes;
    return static_cast<int>(std::count_if(notes.begin(), notes.end(),
        [&](const road::RoadNote& note) { return stage_.captions.place_s.contains(note.id); }));
}

void Document::takeCaptionPlaces()
{
    if (captionPlaces() == 0) {
        return;
    }
    std::vector<pace::Mark> drafts;
    for (const auto& note : prepared_.road.notes) {
        if (const auto at = stage_.captions.place_s.find(note.id); at != stage_.captions.place_s.end()) {
            drafts.push_back({note.id, at->second, true});
        }
    }
    undo_.push(new PassCommand(*this, withDrafts(*pass(), drafts),
        tr("Places by the captions of %1").arg(QString::fromStdString(stage_.captions.file))));
}

void Document::takeCrew(const stage::Stage& from)
{
    auto after = stage::withCrew(stage_, from);
    if (!(after == stage_)) {
        undo_.push(new StageCommand(*this, std::move(after),
            tr("The crew of %1").arg(QString::fromStdString(from.name)), Seen::plan));
    }
}

void Document::rename(const QString& stage, const QString& crew)
{
    auto after = stage_;
    after.name = stage.trimmed().toStdString();
    after.crew = crew.trimmed().toStdString();
    if (!(after == stage_)) {
        undo_.push(new StageCommand(*this, std::move(after), tr("Rename the stage"), Seen::nowhere));
    }
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
        new PassCommand(*this, std::move(after), tr("Mark note %1").arg(numberOf(note.toStdString())), note));
}

void Document::removeMark(const QString& note)
{
    if (pass() == nullptr) {
        return;
    }
    auto after = *pass();
    std::erase_if(after.marks, [&](const pace::Mark& m) { return m.note == note.toStdString(); });
    undo_.push(new PassCommand(
        *this, std::move(after), tr("Remove the mark of note %1").arg(numberOf(note.toStdString())), note));
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
    rememberChosen(path);
    std::error_code error;
    pass.media.path = stage::mediaPath(path, folder_);
    pass.media.duration_s = duration_s;
    const auto size = std::filesystem::file_size(path, error);
    pass.media.size_bytes = error ? 0 : static_cast<long long>(size);
    pass.out_s = duration_s;
    pass.kind = kind.toStdString();
    const auto taken = [&](const std::string& name) { // on the disk, too: what could not be read is not lost
        std::error_code none;
        return std::filesystem::exists(folder_ / "passes" / (name + ".json"), none)
            || std::any_of(
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

void Document::renamePass(const QString& name)
{
    const std::string wished = name.trimmed().toStdString();
    if (pass() == nullptr || wished.empty() || wished == pass()->name) {
        return;
    }
    if (wished.find('/') != std::string::npos || wished.front() == '.') {
        emit message(tr("A pass is a file of its name: \u201c%1\u201d cannot be one.").arg(name));
        return;
    }
    if (std::any_of(passes_.begin(), passes_.end(), [&](const pace::Pass& p) { return p.name == wished; })) {
        emit message(tr("There is a pass called \u201c%1\u201d already.").arg(name));
        return;
    }
    auto after = passes_;
    after[pass_].name = wished;
    undo_.push(new PassListCommand(*this, std::move(after), wished,
        tr("Rename the pass \u201c%1\u201d").arg(QString::fromStdString(pass()->name))));
}

void Document::setRemark(const QString& take, const QString& note, const QString& says, const QString& words)
{
    const stage::Take* own = this->take(take.toStdString());
    if (own == nullptr || note.isEmpty()) {
        return;
    }
    std::optional<stage::Remark> after;
    if (!says.isEmpty()) {
        after = {note.toStdString(), says.toStdString(), words.toStdString()};
    }
    for (const auto& remark : own->remarks) {
        if (after == remark) {
            after.reset();
        }
    }
    const int number = numberOf(note.toStdString());
    undo_.push(new RemarkCommand(*this, *own, note, after,
        after
            ? tr("The driver says \u201c%1\u201d of note %2").arg(words.isEmpty() ? says : words).arg(number)
            : tr("Take away what the driver said of note %1").arg(number)));
}

void Document::applyRemark(
    const std::string& take, const std::string& note, const std::optional<stage::Remark>& remark)
{
    const stage::Take* own = this->take(take);
    if (own == nullptr) {
        return;
    }
    auto changed = *own;
    std::erase_if(changed.remarks, [&](const stage::Remark& r) { return r.note == note; });
    if (remark) {
        changed.remarks.push_back(*remark);
    }
    keepTake(changed);
}

void Document::setFound(
    const QString& take, const std::vector<take::FoundNote>& found, const QString& what, const QString& note)
{
    const stage::Take* own = this->take(take.toStdString());
    if (own != nullptr && own->found != found) {
        undo_.push(new FoundCommand(*this, *own, found, what, note));
    }
}

void Document::setTakeTexts(const QString& take, const QString& title, const QString& comment)
{
    const stage::Take* own = this->take(take.toStdString());
    std::pair texts(title.trimmed().toStdString(), comment.trimmed().toStdString());
    if (own != nullptr && texts != std::pair(own->title, own->comment)) {
        undo_.push(new TakeTextsCommand(*this, *own, std::move(texts), tr("Name the take %1").arg(take)));
    }
}

void Document::applyTakeTexts(const std::string& take, const std::pair<std::string, std::string>& texts)
{
    if (const stage::Take* own = this->take(take)) {
        auto changed = *own;
        std::tie(changed.title, changed.comment) = texts;
        keepTake(changed);
    }
}

void Document::applyFound(const std::string& take, const std::vector<take::FoundNote>& found)
{
    const stage::Take* own = this->take(take);
    if (own == nullptr) {
        return;
    }
    auto changed = *own;
    changed.found = found;
    // takes of older versions have no pace of their own
    const auto& pace = changed.pace.empty() ? prepared_.placement.pace : changed.pace;
    changed.verdicts = stage::judge(changed, pace);
    keepTake(changed);
}

namespace {

/// The `index`-th note of the call on `line` is `id`, unless another one has that.
void keepId(std::vector<notes::Call>& calls, int line, std::size_t index, const std::string& id)
{
    notes::Note* reworded = nullptr;
    for (auto& call : calls) {
        for (std::size_t i = 0; i < call.notes.size(); ++i) {
            if (call.notes[i].id == id) {
                return;
            }
            if (call.line == line && i == index) {
                reworded = &call.notes[i];
            }
        }
    }
    if (reworded != nullptr) {
        reworded->id = id;
    }
}

} // namespace

void Document::rewordNote(const QString& note, const QString& words)
{
    const std::string id = note.toStdString();
    for (const auto& call : prepared_.notes.calls) {
        for (std::size_t i = 0; i < call.notes.size(); ++i) {
            if (call.notes[i].id != id) {
                continue;
            }
            auto after = stage_;
            after.text = notes::withWords(
                stage_.text, call.line, i, words.toStdString(), stage_.style, prepared_.notes.style.order);
            auto parsed = notes::parseNotes(after.text, after.style);
            notes::keepIds(stage_.known, parsed.calls, stage_.gone);
            keepId(parsed.calls, call.line, i, id); // however different its words are now
            after.known = notes::rememberNotes(parsed.calls);
            undo_.push(new StageCommand(
                *this, std::move(after), tr("Reword note %1").arg(numberOf(id)), Seen::notes, -1, note));
            return;
        }
    }
}

void Document::removeTake(const QString& name)
{
    const stage::Take* own = take(name.toStdString());
    if (own == nullptr) {
        return;
    }
    auto change = std::make_unique<TakeListCommand>(*this, *own, tr("Remove the take %1").arg(name));
    if (!change->remove()) {
        emit message(tr("There is no trash to put the take into; it was not removed."));
        return;
    }
    undo_.push(change.release());
    emit message(tr("The take %1 is in the trash; Ctrl+Z brings it back.").arg(name));
}

void Document::relink(const QString& file)
{
    if (pass() == nullptr) {
        return;
    }
    auto after = *pass();
    const auto path = std::filesystem::path(file.toStdString());
    rememberChosen(path);
    std::error_code error;
    after.media.path = stage::mediaPath(path, folder_);
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
    undo_.push(new StageCommand(
        *this, std::move(after), tr("Change the rehearsal pace"), Seen::places, kMergeRehearsal));
}

void Document::setDriver(const plan::Driver& driver, const QString& what)
{
    if (driver == stage_.driver) {
        return;
    }
    auto after = stage_;
    after.driver = driver;
    undo_.push(new StageCommand(*this, std::move(after), what, Seen::plan, kMergeDriver));
}

void Document::setReader(const plan::Reader& reader, const QString& what)
{
    if (reader == stage_.reader) {
        return;
    }
    auto after = stage_;
    after.reader = reader;
    undo_.push(new StageCommand(*this, std::move(after), what, Seen::plan, kMergeReader));
}

void Document::setEchoes(const plan::Echoes& echoes)
{
    if (echoes == stage_.echoes) {
        return;
    }
    auto after = stage_;
    after.echoes = echoes;
    undo_.push(new StageCommand(*this, std::move(after), tr("Change what is said again"), Seen::plan));
}

void Document::pinCall(std::size_t call, std::optional<double> start_s)
{
    if (call >= prepared_.plan.calls.size()) {
        return;
    }
    const auto& planned = prepared_.plan.calls[call];
    const std::string& id = prepared_.plan.notes[planned.first].id;
    auto after = stage_;
    QString name = tr("Let the call of %1 go where the plan wants it").arg(notesOfCall(call));
    if (start_s) {
        after.pinned_s[id] = std::max(0.0, *start_s);
        name = tr("Move the call of %1 %2")
                   .arg(notesOfCall(call), *start_s < planned.start_s ? tr("sooner") : tr("later"));
    } else if (after.pinned_s.erase(id) == 0) {
        return;
    }
    undo_.push(new StageCommand(*this, std::move(after), name, Seen::plan, -1, QString::fromStdString(id)));
}

void Document::acceptRemedy(const plan::Remedy& remedy)
{
    undo_.push(new StageCommand(*this, stage::withRemedy(stage_, prepared_.notes, remedy),
        QString::fromStdString(remedy.text.substr(0, remedy.text.find(':'))), Seen::plan));
}

void Document::setCalls(const std::vector<bool>& begins, const QString& what)
{
    undo_.push(new StageCommand(*this, stage::withCalls(stage_, prepared_.notes, begins), what, Seen::plan));
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
        (by_s > 0.0 ? tr("Note %1 earlier") : tr("Note %1 later")).arg(numberOf(notes.front())), Seen::plan,
        kMergeOffset, QString::fromStdString(notes.front())));
}

void Document::clearShaping()
{
    auto after = stage_;
    after.shaping = {};
    after.pinned_s.clear();
    if (!(after == stage_)) {
        undo_.push(new StageCommand(
            *this, std::move(after), tr("Let the whole plan go where it wants"), Seen::plan));
    }
}

} // namespace brumefall::app
