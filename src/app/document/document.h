/// The open stage: owns the values, changes them by undoable commands, tells the views.
#pragma once

#include "formats/files.h"
#include "pace/retime.h"
#include "stage/stage.h"

#include <QElapsedTimer>
#include <QLockFile>
#include <QObject>
#include <QString>
#include <QTimer>
#include <QUndoStack>

#include <filesystem>
#include <functional>
#include <memory>
#include <optional>
#include <set>
#include <vector>

namespace brumefall::app {

/// The workspace in which a change is seen.
enum class Seen { nowhere, notes, places, plan, read, review, log };

class Aside;

/// In one line, with the file's name and the line in it.
[[nodiscard]] QString readable(const formats::FormatError& error);

class Document : public QObject {
    Q_OBJECT

public:
    explicit Document(QObject* parent = nullptr);
    ~Document() override;

    /// Opens a stage folder; returns the message for the user where it cannot, and keeps what was open.
    [[nodiscard]] std::optional<QString> open(const QString& folder);
    [[nodiscard]] bool isOpen() const { return !folder_.empty(); }
    /// Opens the stage that has no name yet: what is typed before there is a stage is kept there, in the
    /// application's data folder, until it is named.
    [[nodiscard]] std::optional<QString> openUnnamed();
    [[nodiscard]] bool isUnnamed() const;
    /// Nothing was written into it, and it has neither pass nor take.
    [[nodiscard]] bool isEmpty() const;
    [[nodiscard]] const std::filesystem::path& folder() const { return folder_; }

    [[nodiscard]] const stage::Stage& stage() const { return stage_; }
    [[nodiscard]] const stage::Prepared& prepared() const { return prepared_; }
    [[nodiscard]] const std::vector<pace::Pass>& passes() const { return passes_; }
    [[nodiscard]] const pace::Pass* pass() const;
    [[nodiscard]] const std::vector<stage::Take>& takes() const { return takes_; }
    /// The video of the pass in view; empty where it has none, or one that lies outside the stage's folder
    /// and was never chosen by the user.
    [[nodiscard]] QString mediaFile() const;
    /// The folder in which a file of this stage is looked for first: its video's, or its own.
    [[nodiscard]] QString folderOfFiles() const;
    /// Where that would lie; empty where nothing is refused.
    [[nodiscard]] QString refusedMedia() const;
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
    /// Copies the stage to `folder`; the media stay where they are. What is open stays open.
    [[nodiscard]] std::optional<QString> saveCopy(const QString& folder);
    /// The stage without a name becomes the one in `folder`, with all that was made in it, and is opened
    /// there.
    [[nodiscard]] std::optional<QString> nameStage(const QString& folder);

    /// Undoable changes. Each has a name that reads well in the menu.
    /// Typing merges with the typing just before it; a change with a name of its own does not.
    void setNotesText(const QString& text, const QString& what = {});
    void setStyle(const notes::Style& style, const QString& what);
    /// The notes taken from captions, and draft marks for them: `marks` is asked once the notes are there.
    /// Where they become no marks now, their places are kept with the notes, under the name of `file`.
    void takeDraft(const QString& text, const QString& file,
        const std::function<std::vector<pace::Mark>()>& marks, bool as_marks);
    /// The places that are kept from captions become draft marks of the pass in view.
    void takeCaptionPlaces();
    /// How many kept places the pass in view could take.
    [[nodiscard]] int captionPlaces() const;
    void rename(const QString& stage, const QString& crew);
    void setMark(const QString& note, double media_s);
    void removeMark(const QString& note);
    /// Any other change of the pass in view.
    void setPass(const pace::Pass& pass, const QString& what);
    /// Adds a pass of the media file `file` under a name of its own, and chooses it. Media are referenced
    /// where they are.
    void addPass(const QString& file, double duration_s, const QString& kind);
    /// Takes the pass away; its file goes into the desktop's trash with the next save.
    void removePass();
    void renamePass(const QString& name);
    /// The pass's video is `file` from now on; a file that is not the one it was made from is told, and
    /// taken.
    void relink(const QString& file);
    void setRehearsal(const pace::Rehearsal& rehearsal);
    /// The crew of `from` reads this stage, too: its name, language, reader, driver and what it says again.
    void takeCrew(const stage::Stage& from);
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

    /// What the driver said of a note in a take; nothing, or the same again, takes it away.
    /// `words` are those that were said of it, or the new ones of a note to be reworded.
    void setRemark(const QString& take, const QString& note, const QString& says, const QString& words = {});
    /// What was found in a take, corrected by hand (see take/by_hand.h); it is judged anew. Nothing happens
    /// where `found` is what it has.
    void setFound(const QString& take, const std::vector<take::FoundNote>& found, const QString& what,
        const QString& note);
    /// What a take is called, and a remark on it.
    void setTakeTexts(const QString& take, const QString& title, const QString& comment);
    /// The note's words become `words`, in the notes.
    void rewordNote(const QString& note, const QString& words);
    /// Takes a take and its recording into the desktop's trash; where there is none, says so and keeps them.
    void removeTake(const QString& take);

    /// Keeps a take on the disk and in the list; a take of the same name is replaced.
    void keepTake(const stage::Take& take);
    /// A take in which nothing is: it was never there.
    void forgetTake(const std::string& name);
    /// Keeps a take of a stage that is not open any more, on the disk only.
    void keepTakeOf(const std::filesystem::path& folder, const stage::Take& take);

    /// Writes what has changed now; also done by itself a second after a change.
    void save();
    [[nodiscard]] bool hasUnsavedChanges() const
    {
        return stage_dirty_ || !dirty_passes_.empty() || !removed_passes_.empty() || !dirty_takes_.empty();
    }
    /// Something could be written neither into the stage's folder nor anywhere else: it would be lost now.
    [[nodiscard]] bool isSavedNowhere() const { return hasUnsavedChanges() && saved_nowhere_; }

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
    /// What goes on in the background, beside any message; empty when it is over.
    void goesOn(const QString& what);
    /// What became of something in the background, after the message that is shown.
    void cameOut(const QString& text);
    /// Whoever holds something typed that is not in the document yet gives it now.
    void flushWanted();
    void saved();
    void saveFailed(const QString& why);
    /// A change was taken back or done again: what it is called, where it is seen, and its note if it has
    /// one.
    void changed(const QString& what, Seen where, const QString& note);

private:
    friend class Change;
    friend class StageCommand;
    friend class PassCommand;
    friend class PassListCommand;
    friend class RemarkCommand;
    friend class FoundCommand;
    friend class TakeTextsCommand;
    friend class TakeListCommand;
    [[nodiscard]] bool matters(const std::string& note) const;
    void applyStage(const stage::Stage& stage);
    void applyPass(const pace::Pass& pass);
    void recompute(bool notes_too);
    /// The pass whose pace is rehearsed at; null for the rehearsal pace.
    [[nodiscard]] const pace::Pass* pacingPass() const;
    void applyPasses(const std::vector<pace::Pass>& passes, const std::string& choose);
    /// Takes of a pass that got another name name it by the new one.
    void takesFollowPass(const std::string& from, const std::string& to);
    void saveSoon();
    void readPasses(const Aside& aside);
    void readTakes(const Aside& aside);
    /// Does `write`; what it could not write lies aside, and is tried again.
    void saveAnd(const std::function<void()>& write);
    void writeStage();
    void writePasses();
    void writeTakes();
    void keepAside(const QString& why);
    void tellUnsaved(const QString& why);
    void applyRemark(
        const std::string& take, const std::string& note, const std::optional<stage::Remark>& remark);
    void applyTakeTexts(const std::string& take, const std::pair<std::string, std::string>& texts);
    void applyFound(const std::string& take, const std::vector<take::FoundNote>& found);
    [[nodiscard]] const stage::Take* take(const std::string& name) const;
    /// The numbers of the notes of a call, as the picture shows them: "note 4", "notes 4 to 6".
    [[nodiscard]] QString notesOfCall(std::size_t call) const;

    /// Whoever else changed the stage's file since it was read or written here keeps what they made, beside
    /// it.
    void keepOthersVersion();
    void lockFolder();

    std::filesystem::path folder_;
    std::unique_ptr<QLockFile> lock_; ///< tells another window that this one has the stage open
    std::string on_disk_; ///< the stage's file, as it was read or written last
    stage::Stage stage_;
    std::vector<pace::Pass> passes_;
    std::size_t pass_ = 0;
    std::vector<stage::Take> takes_;
    stage::Prepared prepared_;
    QUndoStack undo_;
    std::shared_ptr<const stage::Stage> shared_stage_; ///< the latest that changes share; see StageDifference
    std::shared_ptr<const pace::Pass> shared_pass_;
    QTimer autosave_;
    QElapsedTimer since_start_; ///< tells typing without a pause from typing after one
    bool stage_dirty_ = false;
    std::vector<std::string> dirty_passes_;
    std::set<std::string> dirty_takes_;
    QTimer try_again_;
    bool saved_nowhere_ = false;
    QString told_unsaved_; ///< not said again with each try
    QElapsedTimer since_told_unsaved_;
    std::vector<std::string> removed_passes_; ///< to be removed from the disk with the next save
    Along along_ = Along::recorded;
    std::string along_pass_;
    pace::Placement video_placement_; ///< empty where it is the same as the prepared one
    pace::Retiming retiming_;
    QString current_note_;
};

} // namespace brumefall::app
