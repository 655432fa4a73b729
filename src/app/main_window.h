/// The window: the spine, six workspaces in the order of the work, one transport, one line for messages.
#pragma once

#include "document/document.h"
#include "read/take_recorder.h"
#include "widgets/transport.h"

#include <QMainWindow>

class QLabel;
class QPushButton;
class QStackedWidget;

namespace brumefall::app {

class ReadWorkspace;
class ReviewWorkspace;

class MainWindow : public QMainWindow {
    Q_OBJECT

public:
    enum Workspace { kNotes, kPlaces, kPlan, kRead, kReview, kLog, kWorkspaces };

    MainWindow();
    ~MainWindow() override;

    /// Opens a stage folder; a failure is told in the message line.
    bool openStage(const QString& folder);
    void showWorkspace(Workspace workspace);
    void showMessage(const QString& text);
    /// The caution of the first start, in front of everything until it is put away.
    void showCaution();

    [[nodiscard]] Document& document() { return document_; }
    [[nodiscard]] Transport& transport() { return transport_; }
    [[nodiscard]] TakeRecorder& recorder() { return recorder_; }
    [[nodiscard]] ReadWorkspace& read() { return *read_; }
    [[nodiscard]] ReviewWorkspace& review() { return *review_; }

protected:
    void closeEvent(QCloseEvent* event) override;
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    void makeMenus();
    QWidget* makeTransportBar();
    void chooseStage();
    void newStage();
    void rememberStage(const QString& folder);
    void fillRecent(QMenu* menu);
    void showTime(double stage_s);
    void toggleTheme();

    Document document_;
    Transport transport_;
    TakeRecorder recorder_;
    ReadWorkspace* read_ = nullptr;
    ReviewWorkspace* review_ = nullptr;
    QStackedWidget* stack_ = nullptr;
    std::vector<QPushButton*> tabs_;
    QLabel* title_ = nullptr;
    QLabel* message_ = nullptr;
    QLabel* time_ = nullptr;
    QLabel* rate_ = nullptr;
    QPushButton* play_ = nullptr;
    QWidget* caution_ = nullptr;
};

/// The caution's words, also for the guide and printed pages.
[[nodiscard]] QString cautionText();

} // namespace brumefall::app
