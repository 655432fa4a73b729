/// The open stage: owns the values, changes them by undoable commands, tells the views.
#pragma once

#include "formats/files.h"
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

    /// Undoable changes. Each has a name that reads well in the menu.
    /// Typing merges with the typing just before it; a change with a name of its own does not.
    void setNotesText(const QString& text, const QString& what = {});
    void setStyle(const notes::Style& style, const QString& what);
    /// The notes taken from captions, and draft marks for them: `marks` is asked once the notes are there.
    void takeDraft(
        const QString& text, const QString& what, const std::function<std::vector<pace::Mark>()>& marks);
    void setMark(const QString& note, double media_s);
    void removeMark(const QString& note);
    void setDriver(const plan::Driver& driver, const QString& what);
    void setReader(const plan::Reader& reader, const QString& what);
    void pinCall(std::size_t call, std::optional<double> start_s);

    /// Keeps a take on the disk and in the list; a take of the same name is replaced.
    void keepTake(const stage::Take& take);

    /// Writes what has changed now; also done by itself a second after a change.
    void save();
    [[nodiscard]] bool hasUnsavedChanges() const { return stage_dirty_ || !dirty_passes_.empty(); }

    /// Says in the window what is wrong with a file.
    void tell(const formats::FormatError& error);

    /// 1-based number of a note in road order, 0 where there is none such.
    [[nodiscard]] int numberOf(const std::string& id) const;
    [[nodiscard]] const notes::Note* note(const std::string& id) const;

    [[nodiscard]] QString currentNote() const { return current_note_; }
    void setCurrentNote(const QString& id);

signals:
    void opened();
    void notesChanged();
    void passChanged();
    void planChanged();
    void takesChanged();
    void currentNoteChanged(const QString& id);
    void message(const QString& text);

private:
    friend class StageCommand;
    friend class PassCommand;
    void applyStage(const stage::Stage& stage);
    void applyPass(const pace::Pass& pass);
    void recompute(bool notes_too);
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
    QString current_note_;
};

} // namespace brumefall::app
