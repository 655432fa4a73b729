/// The window: the spine, six workspaces in the order of the work, one transport, one line for messages.
#pragma once

#include "document/document.h"
#include "read/take_recorder.h"
#include "widgets/background.h"
#include "widgets/keys.h"
#include "widgets/transport.h"

#include <QMainWindow>

class QLabel;
class QMenu;
class QPushButton;
class QStackedWidget;

namespace brumefall::app {

class Caution;
class HelpView;
class LogWorkspace;
class MessageLine;
class ReadWorkspace;
class NotesWorkspace;
class PlacesWorkspace;
class ReviewWorkspace;
class StartPage;

class MainWindow : public QMainWindow {
    Q_OBJECT

public:
    enum Workspace { kNotes, kPlaces, kPlan, kRead, kReview, kLog, kWorkspaces };

    MainWindow();
    ~MainWindow() override;

    /// Opens a stage folder; a failure is told in the message line.
    bool openStage(const QString& folder);
    /// Opens what was open last; where that is nothing, everything that one could begin with is shown.
    void openLast();
    void showStart();
    void openDemo();
    void showWorkspace(Workspace workspace);
    /// Does `act` once something of the window can be seen, or soon where nothing can.
    void afterFirstPaint(std::function<void()> act);
    void showMessage(const QString& text);
    /// All that the stage can become outside; returns once it is closed.
    void showExport(int kind);
    /// Unpacks a stage or a rally that came as one file into a new folder in `into`, and opens it.
    void openPackage(const QString& package, const QString& into);
    /// Opens whatever was given: a stage, a package, a video, captions, a log, notes, or a reading made
    /// elsewhere, told by its suffix. Where it goes is shown; what is nothing of these is told.
    void openAny(const QString& path);
    /// The caution of the first start, in front of everything until it is put away.
    void showCaution();

    [[nodiscard]] Document& document() { return document_; }
    [[nodiscard]] Transport& transport() { return transport_; }
    [[nodiscard]] TakeRecorder& recorder() { return recorder_; }
    [[nodiscard]] ReadWorkspace& read() { return *read_; }
    [[nodiscard]] ReviewWorkspace& review() { return *review_; }
    [[nodiscard]] LogWorkspace& log() { return *log_; }

protected:
    void closeEvent(QCloseEvent* event) override;
    void dragEnterEvent(QDragEnterEvent* event) override;
    void dropEvent(QDropEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;
    void paintEvent(QPaintEvent* event) override;

private:
    void makeMenus();
    void addLanguages(QMenu& menu);
    void makeKeys();
    void connectDocument();
    void connectLog();
    void doAfterFirstPaint();
    /// Opens the stage in `folder` where another one is open; false where it cannot.
    bool openOther(const QString& folder);
    /// What came of the take that was judged last, in words.
    [[nodiscard]] QString resultOf(const QString& take) const;
    QLayout* makeTabs();
    void chooseStage();
    void newStage();
    void openUnnamed();
    void saveCopy();
    void choosePackage();
    void renameStage();
    void rememberStage(const QString& folder);
    void fillRecent(QMenu* menu);
    void showTitle();
    void showHelp(bool guide);
    void goTo(Seen where, const QString& note);
    void toggleTheme();
    /// Does `act`, unless a take is being recorded: then the video goes on, and that is said.
    void whenNotRecording(const std::function<void()>& act);

    Document document_;
    Transport transport_;
    TakeRecorder recorder_;
    KeyRule* keys_ = nullptr;
    StartPage* start_ = nullptr;
    HelpView* help_ = nullptr;
    int before_help_ = 0;
    bool warned_of_loss_ = false; ///< that closing would lose something
    ReadWorkspace* read_ = nullptr;
    NotesWorkspace* notes_ = nullptr;
    PlacesWorkspace* places_ = nullptr;
    ReviewWorkspace* review_ = nullptr;
    LogWorkspace* log_ = nullptr;
    QStackedWidget* stack_ = nullptr;
    std::vector<QPushButton*> tabs_;
    QLabel* title_ = nullptr;
    MessageLine* message_ = nullptr;
    Caution* caution_ = nullptr;
    Job unpacking_;
    std::function<void()> after_first_paint_;
};

} // namespace brumefall::app
