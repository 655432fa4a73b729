#include "main_window.h"

#include "log/log_workspace.h"
#include "notes/notes_workspace.h"
#include "places/places_workspace.h"
#include "plan/plan_workspace.h"
#include "read/read_workspace.h"
#include "review/review_workspace.h"
#include "theme/theme.h"
#include "widgets/clock.h"
#include "widgets/spine.h"

#include <QApplication>
#include <QCloseEvent>
#include <QComboBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QMenuBar>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QSettings>
#include <QStackedWidget>
#include <QVBoxLayout>

#include <cmath>

namespace brumefall::app {
namespace {

constexpr int kMostRecent = 8;

} // namespace

QString cautionText()
{
    return QObject::tr(
        "<h2>Brumefall is for a desk</h2>"
        "<p>It is not for use by anyone who is driving, nor on open roads.</p>"
        "<p>The recce follows the event's rules and the law's speed limits. Some events restrict onboard "
        "video, "
        "bought notes or devices in the car: check the regulations.</p>"
        "<p>Predicted speeds and times are for rehearsal. They are not advice on how fast to drive.</p>"
        "<p>Notes are verified on the recce by the crew. The driver's word, the marshals and the officials "
        "come "
        "before any figure here.</p>");
}

MainWindow::MainWindow()
    : transport_(document_)
    , recorder_(document_, transport_)
{
    setObjectName(QStringLiteral("mainWindow"));
    setWindowTitle(tr("Brumefall"));
    resize(1280, 800);

    auto* notes = new NotesWorkspace(document_);
    auto* places = new PlacesWorkspace(document_, transport_);
    auto* plan = new PlanWorkspace(document_, transport_);
    read_ = new ReadWorkspace(document_, transport_, recorder_);
    review_ = new ReviewWorkspace(document_, transport_, recorder_);
    auto* log = new LogWorkspace(document_);
    stack_ = new QStackedWidget;
    for (QWidget* workspace : std::initializer_list<QWidget*>{notes, places, plan, read_, review_, log}) {
        stack_->addWidget(workspace);
    }

    auto* tabs = new QHBoxLayout;
    tabs->setSpacing(0);
    tabs->setContentsMargins(6, 0, 12, 0);
    const QStringList names{tr("Notes"), tr("Places"), tr("Plan"), tr("Read"), tr("Review"), tr("Log")};
    for (int i = 0; i < names.size(); ++i) {
        auto* tab = new QPushButton(QStringLiteral("%1  F%2").arg(names[i]).arg(i + 1));
        tab->setObjectName(QStringLiteral("tab%1").arg(names[i]));
        tab->setProperty("workspace", true);
        tab->setCheckable(true);
        tab->setFocusPolicy(Qt::NoFocus);
        tab->setMinimumWidth(QFontMetrics(typeface(type::kText, true)).horizontalAdvance(tab->text()) + 30);
        connect(tab, &QPushButton::clicked, this, [this, i] { showWorkspace(static_cast<Workspace>(i)); });
        tabs->addWidget(tab);
        tabs_.push_back(tab);
    }
    tabs->addStretch();
    title_ = new QLabel(tr("No stage is open"));
    title_->setObjectName(QStringLiteral("stageTitle"));
    tabs->addWidget(title_);

    message_ = new QLabel;
    message_->setObjectName(QStringLiteral("messageLine"));
    message_->setWordWrap(true);
    message_->setContentsMargins(12, 4, 12, 4);
    message_->hide();

    auto* right = new QVBoxLayout;
    right->setContentsMargins(0, 0, 0, 0);
    right->setSpacing(0);
    right->addLayout(tabs);
    right->addWidget(stack_, 1);
    right->addWidget(message_);
    right->addWidget(makeTransportBar());
    auto* centre = new QWidget;
    auto* layout = new QHBoxLayout(centre);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(new Spine(document_, transport_));
    layout->addLayout(right, 1);
    setCentralWidget(centre);
    makeMenus();

    connect(&document_, &Document::opened, this, [this] {
        const auto& stage = document_.stage();
        title_->setText(stage.crew.empty()
                ? QString::fromStdString(stage.name)
                : QStringLiteral("%1  \u00b7  %2")
                      .arg(QString::fromStdString(stage.name), QString::fromStdString(stage.crew)));
        setWindowTitle(tr("%1 \u2013 Brumefall").arg(QString::fromStdString(stage.name)));
    });
    connect(&document_, &Document::message, this, &MainWindow::showMessage);
    connect(&transport_, &Transport::failed, this, &MainWindow::showMessage);
    connect(&transport_, &Transport::outOfRange, this, [this](bool beyond) {
        rate_->setStyleSheet(beyond ? QStringLiteral("font-weight: bold;") : QString());
        rate_->setToolTip(
            beyond ? tr("The picture cannot be played as fast as the pace asks here.") : QString());
    });
    connect(&recorder_, &TakeRecorder::failed, this, &MainWindow::showMessage);
    connect(&transport_, &Transport::ticked, this, &MainWindow::showTime);
    connect(&transport_, &Transport::playingChanged, this,
        [this](bool playing) { play_->setText(playing ? tr("Pause  (Space)") : tr("Play  (Space)")); });
    connect(&transport_, &Transport::rateChanged, this,
        [this](double rate) { rate_->setText(QStringLiteral("%1\u00d7").arg(rate, 0, 'f', 2)); });
    connect(&recorder_, &TakeRecorder::judged, this, [this](const QString& take) {
        review_->showTake(take);
        showWorkspace(kReview);
    });
    connect(log, &LogWorkspace::takeChosen, this, [this](const QString& take) {
        review_->showTake(take);
        showWorkspace(kReview);
    });
    QApplication::instance()->installEventFilter(this);
    QSettings settings;
    restoreGeometry(settings.value(QStringLiteral("window/geometry")).toByteArray());
    showWorkspace(static_cast<Workspace>(
        std::clamp(settings.value(QStringLiteral("window/workspace"), 0).toInt(), 0, kWorkspaces - 1)));
}

MainWindow::~MainWindow()
{
    QApplication::instance()->removeEventFilter(this);
}

QWidget* MainWindow::makeTransportBar()
{
    auto* bar = new QWidget;
    bar->setObjectName(QStringLiteral("transportBar"));
    auto* layout = new QHBoxLayout(bar);
    layout->setContentsMargins(10, 6, 12, 8);
    const auto add = [&](const QString& text, const char* name, auto action) {
        auto* button = new QPushButton(text);
        button->setObjectName(QString::fromLatin1(name));
        button->setFocusPolicy(Qt::NoFocus);
        connect(button, &QPushButton::clicked, this, action);
        layout->addWidget(button);
        return button;
    };
    play_ = add(tr("Play  (Space)"), "playButton", [this] { transport_.playPause(); });
    play_->setMinimumWidth(140);
    add(tr("Go  (Home)"), "goButton", [this] { transport_.seekStage(0.0); });
    add(tr("\u22125 s  (\u2190)"), "backButton",
        [this] { transport_.seekStage(transport_.stageTime() - 5.0); });
    add(tr("+5 s  (\u2192)"), "forwardButton",
        [this] { transport_.seekStage(transport_.stageTime() + 5.0); });
    add(tr("Frame  (Ctrl+\u2190 \u2192)"), "frameButton", [this] { transport_.player().stepFrame(1); });
    layout->addSpacing(12);
    add(tr("Slower  ([)"), "slowerButton", [this] { transport_.setRate(transport_.rate() / 1.25); });
    rate_ = new QLabel(QStringLiteral("1.00\u00d7"));
    rate_->setObjectName(QStringLiteral("rateLabel"));
    layout->addWidget(rate_);
    add(tr("Faster  (])"), "fasterButton", [this] { transport_.setRate(transport_.rate() * 1.25); });
    layout->addStretch();
    time_ = new QLabel(QStringLiteral("0:00.0"));
    time_->setObjectName(QStringLiteral("timeLabel"));
    time_->setFont(typeface(type::kLarge));
    time_->setStyleSheet(QStringLiteral("font-size: 20px;"));
    layout->addWidget(time_);
    return bar;
}

void MainWindow::makeMenus()
{
    auto* file = menuBar()->addMenu(tr("&Stage"));
    file->addAction(tr("New stage\u2026"), QKeySequence::New, this, &MainWindow::newStage)
        ->setObjectName(QStringLiteral("newStage"));
    file->addAction(tr("Open a stage\u2026"), QKeySequence::Open, this, &MainWindow::chooseStage);
    auto* recent = file->addMenu(tr("Open again"));
    connect(recent, &QMenu::aboutToShow, this, [this, recent] { fillRecent(recent); });
    file->addAction(tr("Save now"), QKeySequence::Save, &document_, &Document::save);
    file->addSeparator();
    file->addAction(tr("Quit"), QKeySequence::Quit, this, &QWidget::close);
    auto* edit = menuBar()->addMenu(tr("&Edit"));
    QAction* undo = document_.undoStack().createUndoAction(this, tr("Undo:"));
    undo->setShortcut(QKeySequence::Undo);
    undo->setShortcutContext(Qt::ApplicationShortcut);
    QAction* redo = document_.undoStack().createRedoAction(this, tr("Redo:"));
    redo->setShortcut(QKeySequence::Redo);
    edit->addAction(undo);
    edit->addAction(redo);
    auto* view = menuBar()->addMenu(tr("&View"));
    view->addAction(
        tr("Paper or night room"), QKeySequence(Qt::CTRL | Qt::Key_D), this, &MainWindow::toggleTheme);
    auto* help = menuBar()->addMenu(tr("&Help"));
    help->addAction(tr("The caution"), this, &MainWindow::showCaution);
}

bool MainWindow::openStage(const QString& folder)
{
    if (const auto why = document_.open(folder)) {
        showMessage(tr("The stage was not opened. %1").arg(*why));
        return false;
    }
    rememberStage(QString::fromStdString(document_.folder().string()));
    return true;
}

void MainWindow::showWorkspace(Workspace workspace)
{
    stack_->setCurrentIndex(workspace);
    for (std::size_t i = 0; i < tabs_.size(); ++i) {
        tabs_[i]->setChecked(static_cast<int>(i) == workspace);
    }
    if (workspace == kPlaces || workspace == kPlan || workspace == kRead) {
        stack_->currentWidget()->setFocus();
    }
    emit transport_.ticked(transport_.stageTime());
}

void MainWindow::showMessage(const QString& text)
{
    message_->setText(text);
    message_->setVisible(!text.isEmpty());
}

void MainWindow::showTime(double stage_s)
{
    const auto& pace = document_.prepared().placement.pace;
    const double station_m = pace.empty() ? 0.0 : std::clamp(pace.stationAt(stage_s), 0.0, pace.length_m());
    time_->setText(tr("%1   %2 m").arg(clockText(stage_s)).arg(std::lround(station_m)));
}

void MainWindow::showCaution()
{
    if (caution_ != nullptr) {
        return;
    }
    caution_ = new QWidget(this);
    caution_->setObjectName(QStringLiteral("caution"));
    caution_->setAutoFillBackground(true);
    auto* text = new QLabel(cautionText());
    text->setWordWrap(true);
    constexpr int kTextWidth = 640;
    text->setStyleSheet(QStringLiteral("font-size: 18px;"));
    text->setFixedWidth(kTextWidth);
    text->ensurePolished();
    text->setMinimumHeight(text->heightForWidth(kTextWidth));
    auto* understood = new QPushButton(tr("We have read this  (Enter)"));
    understood->setObjectName(QStringLiteral("cautionRead"));
    understood->setDefault(true);
    auto* layout = new QVBoxLayout(caution_);
    layout->addStretch();
    layout->addWidget(text, 0, Qt::AlignHCenter);
    layout->addSpacing(16);
    layout->addWidget(understood, 0, Qt::AlignHCenter);
    layout->addStretch();
    caution_->setGeometry(rect());
    caution_->show();
    caution_->raise();
    understood->setFocus();
    connect(understood, &QPushButton::clicked, this, [this] {
        QSettings().setValue(QStringLiteral("caution/read"), true);
        caution_->deleteLater();
        caution_ = nullptr;
    });
}

void MainWindow::chooseStage()
{
    const QString folder = QFileDialog::getExistingDirectory(this, tr("Open a stage: choose its folder"));
    if (!folder.isEmpty()) {
        openStage(folder);
    }
}

void MainWindow::newStage()
{
    const QString folder =
        QFileDialog::getSaveFileName(this, tr("New stage: name its folder"), tr("New stage"));
    if (folder.isEmpty()) {
        return;
    }
    if (const auto why = document_.create(folder)) {
        showMessage(tr("The stage was not made. %1").arg(*why));
        return;
    }
    rememberStage(folder);
    showWorkspace(kNotes);
    findChild<QWidget*>(QStringLiteral("notesEditor"))->setFocus();
    showMessage(tr("A new stage. Write the notes, or take them from a file or from captions; then give it a "
                   "video (F2)."));
}

void MainWindow::rememberStage(const QString& folder)
{
    QSettings settings;
    QStringList recent = settings.value(QStringLiteral("recent")).toStringList();
    recent.removeAll(folder);
    recent.prepend(folder);
    settings.setValue(QStringLiteral("recent"), QStringList(recent.mid(0, kMostRecent)));
}

void MainWindow::fillRecent(QMenu* menu)
{
    menu->clear();
    for (const QString& folder : QSettings().value(QStringLiteral("recent")).toStringList()) {
        menu->addAction(folder, this, [this, folder] { openStage(folder); });
    }
    if (menu->isEmpty()) {
        menu->addAction(tr("No stage was opened yet"))->setEnabled(false);
    }
}

void MainWindow::toggleTheme()
{
    const bool dark = !theme().dark;
    applyTheme(
        *static_cast<QApplication*>(QApplication::instance()), dark ? Theme::nightRoom() : Theme::paper());
    QSettings().setValue(QStringLiteral("theme/dark"), dark);
}

void MainWindow::closeEvent(QCloseEvent* event)
{
    recorder_.stop();
    document_.save();
    QSettings settings;
    settings.setValue(QStringLiteral("window/geometry"), saveGeometry());
    settings.setValue(QStringLiteral("window/workspace"), stack_->currentIndex());
    QMainWindow::closeEvent(event);
}

bool MainWindow::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() == QEvent::Resize && watched == this && caution_ != nullptr) {
        caution_->setGeometry(rect());
    }
    if (event->type() == QEvent::KeyPress && caution_ != nullptr && !watched->isWindowType()) {
        const int key = static_cast<QKeyEvent*>(event)->key();
        if (key == Qt::Key_Return || key == Qt::Key_Enter) {
            caution_->findChild<QPushButton*>(QStringLiteral("cautionRead"))->click();
            return true;
        }
    }
    if (event->type() != QEvent::KeyPress || !isActiveWindow() || caution_ != nullptr) {
        return QMainWindow::eventFilter(watched, event);
    }
    if (const int function = static_cast<QKeyEvent*>(event)->key() - Qt::Key_F1;
        function >= 0 && function < kWorkspaces) {
        if (!watched->isWindowType()) {
            showWorkspace(static_cast<Workspace>(function));
        }
        return QMainWindow::eventFilter(watched, event);
    }
    const QWidget* focus = QApplication::focusWidget();
    const bool typing = qobject_cast<const QPlainTextEdit*>(focus) != nullptr
        || qobject_cast<const QLineEdit*>(focus) != nullptr;
    const auto* key = static_cast<QKeyEvent*>(event);
    if (typing || watched->isWindowType() || key->isAutoRepeat()) {
        return QMainWindow::eventFilter(watched, event);
    }
    const bool control = key->modifiers().testFlag(Qt::ControlModifier);
    switch (key->key()) {
    case Qt::Key_Space: transport_.playPause(); return true;
    case Qt::Key_Home: transport_.seekStage(0.0); return true;
    case Qt::Key_Left:
    case Qt::Key_Right: {
        const int direction = key->key() == Qt::Key_Right ? 1 : -1;
        control ? transport_.player().stepFrame(direction)
                : transport_.seekStage(transport_.stageTime() + 5.0 * direction);
        return true;
    }
    case Qt::Key_BracketLeft: transport_.setRate(transport_.rate() / 1.25); return true;
    case Qt::Key_BracketRight: transport_.setRate(transport_.rate() * 1.25); return true;
    case Qt::Key_R:
        if (!control) {
            showWorkspace(kRead);
            read_->toggleRecording();
            return true;
        }
        break;
    default: break;
    }
    return QMainWindow::eventFilter(watched, event);
}

} // namespace brumefall::app
