/// The open stage: owns the values, changes them by undoable commands, tells the views.
#pragma once

#include "formats/files.h"
#include "pace/retime.h"
#include "stage/stage.h"

#include <QElapsedTimer>
#include <QObject>
#include <QString>
#include <QTimer>
#include <QUndoStack>

#include <filesystem>
#include <functional>
#include <optional>
#include <vector>

namespace brumefall::app {

class Document : public QObject {
    Q_OBJECT

public:
    explicit Document(QObject* parent = nullptr);
    ~Document() override;

    /// Opens a stage folder; returns the message for the user where it cannot, and keeps what was open.
    [[nodiscard]] std::optional<QString> open(const QString& folder);
    [[nodiscard]] bool isOpen() const { return !folder_.empty(); }
    [[nodiscard]] const std::filesystem::path& folder() const { return folder_; }

    [[nodiscard]] const stage::Stage& stage() const { return stage_; }
    [[nodiscard]] const stage::Prepared& prepared() const { return prepared_; }
    [[nodiscard]] const std::vector<pace::Pass>& passes() const { return passes_; }
    [[nodiscard]] const pace::Pass* pass() const;
    [[nodiscard]] const std::vector<stage::Take>& takes() const { return takes_; }
    [[nodiscard]] QString mediaFile() const;
    [[nodiscard]] QUndoStack& undoStack() { return undo_; }

    void choosePass(const QString& name);

    /// The pace that the stage is rehearsed at, along which the video of the pass is played.
    enum class Along { recorded, other_pass, rehearsal };
    void chooseAlong(Along along, const QString& pass = {});
    [[nodiscard]] Along along() const { return along_; }
    [[nodiscard]] const std::string& alongPass() const { return along_pass_; }
    /// Where the notes are in the pass's own time; the plan's places are along the chosen pace.
    [[nodiscard]] const pace::Placement& videoPlacement() const;
    [[nodiscard]] const pace::Retiming& retiming() const { return retiming_; }
    /// `stage` in place of this one, at the pace that is rehearsed at.
    [[nodiscard]] stage::Prepared preparedAs(const stage::Stage& stage) const;
    /// The rehearsal pace of this stage, for drawing beside the passes.
    [[nodiscard]] pace::Placement rehearsalPlacement() const;

    /// A new, empty stage in `folder`, opened; returns the message for the user where it cannot be made.
    [[nodiscard]] std::optional<QString> create(const QString& folder);

    /// Undoable changes. Each has a name that reads well in the menu.
    /// Typing merges with the typing just before it; a change with a name of its own does not.
    void setNotesText(const QString& text, const QString& what = {});
    void setStyle(const notes::Style& style, const QString& what);
    /// The notes taken from captions, and draft marks for them: `marks` is asked once the notes are there.
    void takeDraft(
        const QString& text, const QString& what, const std::function<std::vector<pace::Mark>()>& marks);
    void setMark(const QString& note, double media_s);
    void removeMark(const QString& note);
    /// Any other change of the pass in view.
    void setPass(const pace::Pass& pass, const QString& what);
    /// Adds a pass of the media file `file` under a name of its own, and chooses it. Media are referenced
    /// where they are.
    void addPass(const QString& file, double duration_s, const QString& kind);
    void removePass();
    /// The pass's video is `file` from now on; a file that is not the one it was made from is told, and
    /// taken.
    void relink(const QString& file);
    void setRehearsal(const pace::Rehearsal& rehearsal);
    void setDriver(const plan::Driver& driver, const QString& what);
    void setReader(const plan::Reader& reader, const QString& what);
    void setEchoes(const plan::Echoes& echoes);
    void pinCall(std::size_t call, std::optional<double> start_s);
    /// Does what a remedy says: one change, one undo.
    void acceptRemedy(const plan::Remedy& remedy);
    /// Cuts the notes into calls anew; see stage::withCalls.
    void setCalls(const std::vector<bool>& begins, const QString& what);
    /// Adds to the wished leads of `notes`.
    void shiftLeads(const std::vector<std::string>& notes, double by_s);
    /// Forgets everything that was decided about single notes and calls.
    void clearShaping();

    /// Keeps a take on the disk and in the list; a take of the same name is replaced.
    void keepTake(const stage::Take& take);

    /// Writes what has changed now; also done by itself a second after a change.
    void save();
    [[nodiscard]] bool hasUnsavedChanges() const { return stage_dirty_ || !dirty_passes_.empty(); }

    /// Says in the window what is wrong with a file.
    void tell(const formats::FormatError& error);

    /// 1-based number of a note in road order, 0 where there is none such; an echo has that of its note.
    [[nodiscard]] int numberOf(const std::string& id) const;
    [[nodiscard]] const notes::Note* note(const std::string& id) const;

    [[nodiscard]] QString currentNote() const { return current_note_; }
    void setCurrentNote(const QString& id);

signals:
    void opened();
    void notesChanged();
    void passChanged();
    void alongChanged();
    void planChanged();
    void takesChanged();
    void currentNoteChanged(const QString& id);
    void message(const QString& text);

private:
    friend class StageCommand;
    friend class PassCommand;
    friend class PassListCommand;
    void applyStage(const stage::Stage& stage);
    void applyPass(const pace::Pass& pass);
    void recompute(bool notes_too);
    /// The pass whose pace is rehearsed at; null for the rehearsal pace.
    [[nodiscard]] const pace::Pass* pacingPass() const;
    void applyPasses(const std::vector<pace::Pass>& passes, const std::string& choose);
    void readPasses();
    void readTakes();

    std::filesystem::path folder_;
    stage::Stage stage_;
    std::vector<pace::Pass> passes_;
    std::size_t pass_ = 0;
    std::vector<stage::Take> takes_;
    stage::Prepared prepared_;
    QUndoStack undo_;
    QTimer autosave_;
    QElapsedTimer since_start_; ///< tells typing without a pause from typing after one
    bool stage_dirty_ = false;
    std::vector<std::string> dirty_passes_;
    std::vector<std::string> removed_passes_; ///< to be removed from the disk with the next save
    Along along_ = Along::recorded;
    std::string along_pass_;
    pace::Placement video_placement_; ///< empty where it is the same as the prepared one
    pace::Retiming retiming_;
    QString current_note_;
};

} // namespace brumefall::app
