/// Notes: what do we say? Text on one side, what was understood on the other, live.
#pragma once

#include "document/document.h"
#include "media/input.h"
#include "notes/notes_editor.h"
#include "widgets/background.h"

#include <QTimer>
#include <QWidget>

class QLabel;
class QListView;
class QPushButton;
class QStackedWidget;

namespace brumefall::app {

class CaptionsReview;
class FindBar;
class DictationSession;
class SideTabs;
class UnderstoodModel;

class NotesWorkspace : public QWidget {
    Q_OBJECT

public:
    explicit NotesWorkspace(Document& document, QWidget* parent = nullptr);

    /// What stands on the right: the meaning, the notes in full words, in short, or the crew's language.
    enum Side { kMeaning, kFullWords, kInShort, kLanguage };
    /// Shows the captions of `file` for review; a file that cannot be read is told.
    void reviewCaptions(const QString& file);
    /// The notes of `file` in place of these; captions are shown for review.
    void takeFile(const QString& file);
    /// Writes what is dictated to `input`.
    void dictate(std::unique_ptr<media::VoiceInput> input);

signals:
    /// The stage's notes are what was heard in the pass's own recording: it is a reading of them.
    void heardTaken(const QString& recording);

private:
    /// A word that is not understood, or something else about a line.
    struct Problem {
        int line;
        std::size_t byte;
        QString says;
        std::optional<notes::Unknown> unknown;
    };

    [[nodiscard]] QWidget* makeTextSide();
    [[nodiscard]] QWidget* makeUnderstandingSide();
    void showText();
    void takeText();
    void showUnderstanding();
    void showPrinted();
    void listProblems();
    void showProblem();
    void nextProblem();
    void fixProblem();
    void splitCall();
    void joinCalls();
    void repeatLines();
    void change(const notes::EditedText& edited, const QString& what);
    void importFile();
    void importCaptions();
    void importSound();
    /// Listens to a video or a sound in the background; what was heard is shown for review.
    void listenTo(const QString& file);
    /// Begins to dictate, or ends it.
    void toggleDictation();
    void usePrinted();

    Document& document_;
    QStackedWidget* pages_;
    NotesEditor* editor_;
    FindBar* find_;
    QListView* list_;
    QLabel* style_;
    QLabel* unknown_;
    QPushButton* fix_ = nullptr;
    QPushButton* next_ = nullptr;
    QStackedWidget* side_pages_;
    SideTabs* sides_;
    QPlainTextEdit* printed_;
    UnderstoodModel* model_;
    CaptionsReview* captions_;
    DictationSession* dictation_;
    QPushButton* listen_ = nullptr;
    QPushButton* dictate_ = nullptr;
    Job listening_;
    bool is_listening_ = false;
    QTimer pause_;
    std::vector<Problem> problems_;
    std::size_t problem_ = 0;
    bool showing_ = false;
};

} // namespace brumefall::app
