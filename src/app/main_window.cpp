#include "main_window.h"

#include "export/export_dialog.h"

#include "language/language.h"
#include "log/log_workspace.h"
#include "notes/notes_workspace.h"
#include "places/places_workspace.h"
#include "plan/plan_workspace.h"
#include "read/read_workspace.h"
#include "review/review_workspace.h"
#include "theme/theme.h"
#include "widgets/caution.h"
#include "widgets/help_view.h"
#include "widgets/message_line.h"
#include "widgets/panels.h"
#include "widgets/plain_text.h"
#include "widgets/spine.h"
#include "widgets/start_page.h"
#include "widgets/transport_bar.h"

#include <QActionGroup>
#include <QApplication>
#include <QCloseEvent>
#include <QMenuBar>
#include <QScreen>
#include <QSettings>
#include <QStackedWidget>
#include <QTimer>

#include <array>
#include <cmath>

namespace brumefall::app {
namespace {

constexpr int kLeastWidth = 860;
constexpr int kLeastHeight = 520;

} // namespace

MainWindow::MainWindow()
    : transport_(document_)
    , recorder_(document_, transport_)
    , keys_(new KeyRule(this))
{
    const BuiltUnstyled unstyled;
    setObjectName(QStringLiteral("mainWindow"));
    new PlainText(this);
    setWindowTitle(tr("Brumefall"));
    setAcceptDrops(true);
    resize(QSize(1280, 800).boundedTo(screen()->availableGeometry().size()));

    notes_ = new NotesWorkspace(document_);
    places_ = new PlacesWorkspace(document_, transport_);
    auto* plan = new PlanWorkspace(document_, transport_);
    read_ = new ReadWorkspace(document_, transport_, recorder_);
    review_ = new ReviewWorkspace(document_, transport_, recorder_);
    log_ = new LogWorkspace(document_);
    start_ = new StartPage;
    help_ = new HelpView;
    stack_ = new QStackedWidget;
    for (QWidget* page :
        std::initializer_list<QWidget*>{notes_, places_, plan, read_, review_, log_, start_, help_}) {
        stack_->addWidget(page);
    }
    message_ = new MessageLine;
    auto* bar = new TransportBar(
        document_, transport_, [this](const std::function<void()>& act) { whenNotRecording(act); });

    auto* right = new QVBoxLayout;
    right->setContentsMargins(0, 0, 0, 0);
    right->setSpacing(0);
    right->addLayout(makeTabs());
    right->addWidget(stack_, 1);
    right->addWidget(message_);
    right->addWidget(bar);
    auto* centre = new QWidget;
    auto* layout = new QHBoxLayout(centre);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    layout->addWidget(new Spine(document_, transport_));
    layout->addLayout(right, 1);
    centre->setMinimumSize(kLeastWidth, kLeastHeight); // whatever is said in it, the window keeps its size
    setCentralWidget(centre);
    makeMenus();
    makeKeys();
    connectDocument();
    connectLog();

    connect(keys_, &KeyRule::left, this, [this] {
        QWidget* at = stack_->currentWidget();
        QWidget* inside = at->findChild<QWidget*>(QStringLiteral("understoodList"));
        (inside != nullptr && inside->isVisible() ? inside : at)->setFocus();
    });
    connect(&transport_, &Transport::failed, this, &MainWindow::showMessage);
    connect(&recorder_, &TakeRecorder::failed, this, &MainWindow::showMessage);
    connect(bar, &TransportBar::playWanted, this, [this] {
        if (!read_->pauseTake()) {
            transport_.playPause();
        }
    });
    connect(&recorder_, &TakeRecorder::judged, this, [this](const QString& take) {
        const bool waits_for_it =
            stack_->currentIndex() == kRead && recorder_.lastTake() == take.toStdString();
        if (read_->practice().goesOn()) {
            return; // it is read again by itself
        }
        if (log_->isDrilling() && recorder_.lastTake() == take.toStdString() && !recorder_.isRecording()) {
            log_->drillDone(resultOf(take));
            if (waits_for_it) {
                showWorkspace(kLog);
            }
            return;
        }
        if (recorder_.isRecording() || read_->practice().isOn()
            || !waits_for_it) { // not away from what one does now
            message_->sayAlso(tr("The take %1 is judged: see Review (F5).").arg(take));
            return;
        }
        showWorkspace(kReview);
        review_->showTake(take);
        showMessage(read_->practice().result());
    });
    connect(&document_, &Document::opened, &recorder_, &TakeRecorder::judgeWhatWasLeft);
    connect(notes_, &NotesWorkspace::heardTaken, &review_->import(), &ReadingImport::take);
    connect(start_, &StartPage::newWanted, this, &MainWindow::newStage);
    connect(start_, &StartPage::openWanted, this, &MainWindow::chooseStage);
    connect(start_, &StartPage::demoWanted, this, &MainWindow::openDemo);
    connect(start_, &StartPage::writeWanted, this, &MainWindow::openUnnamed);
    connect(start_, &StartPage::stageWanted, this, &MainWindow::openStage);
    connect(help_, &HelpView::closed, this, [this] {
        before_help_ < kWorkspaces ? showWorkspace(static_cast<Workspace>(before_help_)) : showStart();
    });
    QSettings settings;
    restoreGeometry(settings.value(QStringLiteral("window/geometry")).toByteArray());
    showWorkspace(static_cast<Workspace>(
        std::clamp(settings.value(QStringLiteral("window/workspace"), 0).toInt(), 0, kWorkspaces - 1)));
}

/// Nobody is told any more what the document does while what listens to it goes.
MainWindow::~MainWindow()
{
    document_.save();
    document_.disconnect();
}

void MainWindow::connectDocument()
{
    connect(&document_, &Document::opened, this, [this] {
        message_->drop();
        message_->setGoesOn({}); // what went on was about the stage before
        showTitle();
        if (stack_->currentIndex() >= kWorkspaces) {
            showWorkspace(kNotes);
        }
    });
    connect(&document_, &Document::planChanged, this, &MainWindow::showTitle);
    connect(&document_, &Document::message, this, &MainWindow::showMessage);
    connect(&document_, &Document::goesOn, message_, &MessageLine::setGoesOn);
    connect(&document_, &Document::cameOut, message_, &MessageLine::sayAlso);
    connect(&document_, &Document::saveFailed, message_, &MessageLine::sayAndKeep);
    connect(&document_, &Document::saved, this, [this] {
        warned_of_loss_ = false;
        message_->letGo();
    });
    connect(&document_.undoStack(), &QUndoStack::indexChanged, message_, &MessageLine::drop);
    connect(&document_, &Document::passChanged, message_, &MessageLine::drop);
    connect(
        &document_, &Document::changed, this, [this](const QString& what, Seen where, const QString& note) {
            goTo(where, note);
            showMessage(what);
        });
}

void MainWindow::connectLog()
{
    const auto review = [this](const QString& take) {
        showWorkspace(kReview);
        review_->showTake(take);
    };
    connect(log_, &LogWorkspace::takeChosen, this, review);
    connect(
        log_, &LogWorkspace::takeWanted, this, [this, review](const QString& folder, const QString& take) {
            if (openOther(folder)) {
                review(take);
            }
        });
    connect(log_, &LogWorkspace::noteWanted, this, [this](const QString& folder, const QString& note) {
        if (openOther(folder)) {
            showWorkspace(kPlan);
            document_.setCurrentNote(note);
        }
    });
    connect(log_, &LogWorkspace::stageWanted, this, [this](const QString& folder) {
        if (openOther(folder)) {
            showMessage(tr("%1 is open.").arg(QString::fromStdString(document_.stage().name)));
        }
    });
    connect(log_, &LogWorkspace::drillWanted, this, [this](const log::DrillStretch& drill) {
        if (!openOther(QString::fromStdString(drill.folder.string()))) {
            log_->drillLeft();
            return;
        }
        if (!drill.pass.empty()) {
            document_.choosePass(QString::fromStdString(drill.pass));
        }
        showWorkspace(kRead);
        read_->practise(drill.way, drill.first, drill.last);
    });
    connect(&recorder_, &TakeRecorder::discarded, log_, &LogWorkspace::drillLeft);
}

bool MainWindow::openOther(const QString& folder)
{
    std::error_code error;
    return std::filesystem::equivalent(folder.toStdString(), document_.folder(), error) || openStage(folder);
}

QString MainWindow::resultOf(const QString& name) const
{
    if (!read_->practice().result().isEmpty()) {
        return read_->practice().result();
    }
    for (const auto& take : document_.takes()) {
        if (take.name == name.toStdString()) {
            const auto f = take::figures(take.plan, take.verdicts);
            return tr("%1 of %2 on time; %3 late, %4 missed, %5 misread")
                .arg(f.on_time)
                .arg(f.judged)
                .arg(f.late)
                .arg(f.missed)
                .arg(f.misread);
        }
    }
    return {};
}

QLayout* MainWindow::makeTabs()
{
    auto* tabs = new QHBoxLayout;
    tabs->setSpacing(0);
    tabs->setContentsMargins(6, 0, 12, 0);
    const QStringList names{tr("Notes"), tr("Places"), tr("Plan"), tr("Read"), tr("Review"), tr("Log")};
    constexpr std::array kTabs{"tabNotes", "tabPlaces", "tabPlan", "tabRead", "tabReview", "tabLog"};
    for (int i = 0; i < names.size(); ++i) {
        const QKeyCombination key(static_cast<Qt::Key>(Qt::Key_F1 + i));
        auto* tab = new QPushButton(QStringLiteral("%1  %2").arg(names[i], keyName(key)));
        tab->setObjectName(QLatin1String(kTabs.at(static_cast<std::size_t>(i))));
        tab->setProperty("workspace", true);
        tab->setCheckable(true);
        tab->setFocusPolicy(Qt::NoFocus);
        tab->setMinimumWidth(QFontMetrics(typeface(type::kText, true)).horizontalAdvance(tab->text()) + 24);
        connect(tab, &QPushButton::clicked, this, [this, i] { showWorkspace(static_cast<Workspace>(i)); });
        bindKey(this, key, names[i], [this, i] { showWorkspace(static_cast<Workspace>(i)); });
        tabs->addWidget(tab);
        tabs_.push_back(tab);
    }
    tabs->addSpacing(12);
    title_ = new QLabel;
    title_->setObjectName(QStringLiteral("stageTitle"));
    title_->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
    title_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    tabs->addWidget(title_, 1);
    return tabs;
}

void MainWindow::makeKeys()
{
    bindKey(this, QKeyCombination(Qt::CTRL, Qt::Key_Left), tr("One frame back"),
        [this] { whenNotRecording([this] { transport_.player().stepFrame(-1); }); });
    bindKey(this, QKeyCombination(Qt::Key_R), tr("Record a take, and stop it"), [this] {
        if (stack_->currentIndex() < kWorkspaces) {
            showWorkspace(kRead);
            read_->toggleRecording();
        }
    });
}

void MainWindow::whenNotRecording(const std::function<void()>& act)
{
    if (recorder_.isRecording()) {
        showMessage(tr("The take goes on, voice and video alike: Space pauses both, R stops both."));
        return;
    }
    act();
}

void MainWindow::makeMenus()
{
    auto* file = menuBar()->addMenu(tr("&Stage"));
    const auto add = [](QMenu* menu, const QString& text, const char* name, const QKeySequence& key,
                         auto* owner, auto act) {
        QAction* action = menu->addAction(text, owner, act);
        action->setObjectName(QString::fromLatin1(name));
        action->setShortcut(key);
        return action;
    };
    add(file, tr("New stage\u2026"), "newStage", QKeySequence::New, this, &MainWindow::newStage);
    add(file, tr("Open a stage\u2026"), "openStage", QKeySequence::Open, this, &MainWindow::chooseStage);
    auto* recent = file->addMenu(tr("Open again"));
    connect(recent, &QMenu::aboutToShow, this, [this, recent] { fillRecent(recent); });
    add(file, tr("Open the demo"), "openDemo", {}, this, &MainWindow::openDemo);
    add(file, tr("What to begin with"), "showStart", {}, this, &MainWindow::showStart);
    file->addSeparator();
    add(file, tr("Rename stage and crew\u2026"), "renameStage", Qt::CTRL | Qt::Key_E, this,
        &MainWindow::renameStage);
    add(file, tr("Save now"), "saveNow", QKeySequence::Save, &document_, &Document::save);
    add(file, tr("Save a copy\u2026"), "saveCopy", QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_S), this,
        &MainWindow::saveCopy);
    add(file, tr("Export\u2026"), "exportStage", QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_E), this,
        [this] { showExport(ExportDialog::kPages); });
    add(file, tr("Open a package\u2026"), "openPackage", {}, this, &MainWindow::choosePackage);
    file->addSeparator();
    add(file, tr("Quit"), "quit", QKeySequence::Quit, this, &QWidget::close);
    auto* edit = menuBar()->addMenu(tr("&Edit"));
    QAction* undo = document_.undoStack().createUndoAction(this, tr("Undo:"));
    undo->setShortcut(QKeySequence::Undo);
    undo->setShortcutContext(Qt::ApplicationShortcut);
    QAction* redo = document_.undoStack().createRedoAction(this, tr("Redo:"));
    redo->setShortcut(QKeySequence::Redo);
    edit->addAction(undo);
    edit->addAction(redo);
    auto* view = menuBar()->addMenu(tr("&View"));
    add(view, tr("Paper or night room"), "toggleTheme", QKeySequence(Qt::CTRL | Qt::Key_D), this,
        &MainWindow::toggleTheme);
    addLanguages(*view->addMenu(tr("Language")));
    auto* help = menuBar()->addMenu(tr("&Help"));
    add(help, tr("Keys of this screen"), "helpKeys", QKeySequence(Qt::SHIFT | Qt::Key_F1), this,
        [this] { showHelp(false); });
    add(help, tr("The guide"), "helpGuide", {}, this, [this] { showHelp(true); });
    add(help, tr("The caution"), "helpCaution", {}, this, &MainWindow::showCaution);
}

void MainWindow::addLanguages(QMenu& menu)
{
    auto* choice = new QActionGroup(&menu);
    for (const QString& language : QStringList{QString()} + languages()) {
        QAction* action = menu.addAction(language.isEmpty() ? tr("As the desktop") : ownName(language));
        action->setObjectName(QStringLiteral("language_") + language);
        action->setCheckable(true);
        action->setChecked(language == chosenLanguage());
        choice->addAction(action);
        connect(action, &QAction::triggered, this, [this, language] {
            chooseLanguage(language);
            showMessage(tr("The language changes at the next start."));
        });
    }
}

void MainWindow::showWorkspace(Workspace workspace)
{
    if (!document_.isOpen()) { // there is always a stage
        if (const auto why = document_.openUnnamed()) {
            showMessage(*why);
        }
    }
    const bool other = stack_->currentIndex() != workspace;
    stack_->setCurrentIndex(workspace);
    for (std::size_t i = 0; i < tabs_.size(); ++i) {
        tabs_[i]->setChecked(static_cast<int>(i) == workspace);
    }
    if (other) {
        message_->drop();
    }
    takeFocus(stack_->currentWidget());
    emit transport_.ticked(transport_.stageTime());
}

void MainWindow::goTo(Seen where, const QString& note)
{
    constexpr std::array kThere{kWorkspaces, kNotes, kPlaces, kPlan, kRead, kReview, kLog};
    if (const auto there = kThere.at(static_cast<std::size_t>(where));
        there != kWorkspaces && stack_->currentIndex() != there) {
        showWorkspace(there);
    }
    if (document_.note(note.toStdString()) != nullptr) {
        document_.setCurrentNote(note);
    }
}

void MainWindow::showHelp(bool guide)
{
    if (stack_->currentWidget() != help_) {
        before_help_ = stack_->currentIndex();
    }
    const QString screen = before_help_ < kWorkspaces
        ? tabs_[static_cast<std::size_t>(before_help_)]->text().section(QLatin1Char(' '), 0, 0)
        : tr("Begin");
    guide ? help_->showGuide() : help_->showKeys(*this, screen);
    stack_->setCurrentWidget(help_);
    takeFocus(help_);
}

void MainWindow::showTitle()
{
    const auto& stage = document_.stage();
    const QString name = document_.isUnnamed() ? tr("No name yet: New stage (Ctrl+N) gives it a folder")
                                               : QString::fromStdString(stage.name);
    const QString text = stage.crew.empty()
        ? name
        : QStringLiteral("%1  \u00b7  %2").arg(name, QString::fromStdString(stage.crew));
    title_->setText(title_->fontMetrics().elidedText(text, Qt::ElideRight, title_->width()));
    title_->setToolTip(text);
    setWindowTitle(document_.isUnnamed() ? tr("Brumefall") : tr("%1 \u2013 Brumefall").arg(name));
}

void MainWindow::showMessage(const QString& text)
{
    message_->say(text);
}

void MainWindow::showCaution()
{
    if (caution_ != nullptr) {
        return;
    }
    caution_ = new Caution(this);
    keys_->setAsleep(true);
    centralWidget()->setEnabled(false); // the keys are the caution's
    caution_->setFocus();
    connect(caution_, &Caution::understood, this, [this] {
        QSettings().setValue(QStringLiteral("caution/read"), true);
        keys_->setAsleep(false);
        centralWidget()->setEnabled(true);
        takeFocus(stack_->currentWidget());
        caution_->deleteLater();
        caution_ = nullptr;
    });
}

void MainWindow::toggleTheme()
{
    chooseTheme(*static_cast<QApplication*>(QApplication::instance()),
        theme().dark ? Theme::paper() : Theme::nightRoom());
}

void MainWindow::closeEvent(QCloseEvent* event)
{
    recorder_.stop();
    document_.save();
    if (document_.isSavedNowhere() && !std::exchange(warned_of_loss_, true)) {
        event->ignore();
        showMessage(tr("What was changed last is on no disk yet. Make room, or save a copy elsewhere "
                       "(Ctrl+Shift+S). Closing once more throws it away."));
        return;
    }
    QSettings settings;
    settings.setValue(QStringLiteral("window/geometry"), saveGeometry());
    settings.setValue(QStringLiteral("window/workspace"), std::min(stack_->currentIndex(), kWorkspaces - 1));
    settings.setValue(QStringLiteral("unnamed"), document_.isUnnamed() && !document_.isEmpty());
    QMainWindow::closeEvent(event);
}

void MainWindow::afterFirstPaint(std::function<void()> act)
{
    constexpr int kSoon_ms = 1000;
    after_first_paint_ = std::move(act);
    QTimer::singleShot(kSoon_ms, this, &MainWindow::doAfterFirstPaint);
}

void MainWindow::doAfterFirstPaint()
{
    if (const auto act = std::exchange(after_first_paint_, nullptr)) {
        act();
    }
}

void MainWindow::paintEvent(QPaintEvent* event)
{
    QMainWindow::paintEvent(event);
    if (after_first_paint_) { // what is painted goes to the screen first
        QTimer::singleShot(0, this, &MainWindow::doAfterFirstPaint);
    }
}

void MainWindow::resizeEvent(QResizeEvent* event)
{
    QMainWindow::resizeEvent(event);
    showTitle();
}

} // namespace brumefall::app
