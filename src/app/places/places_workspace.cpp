#include "places/places_workspace.h"

#include "places/distances_panel.h"
#include "places/log_panel.h"
#include "places/pace_panel.h"
#include "places/pass_panel.h"
#include "theme/theme.h"
#include "widgets/clock.h"
#include "widgets/side_tabs.h"
#include "widgets/when_seen.h"

#include <QComboBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLabel>
#include <QPointer>
#include <QPushButton>
#include <QStackedWidget>
#include <QTableWidget>
#include <QThreadPool>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>
#include <set>
#include <tuple>

namespace brumefall::app {
namespace {

constexpr double kNudge_s = 0.1;
constexpr double kRunUp_s = 3.0;

} // namespace

PlacesWorkspace::PlacesWorkspace(Document& document, Transport& transport, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
    , passes_(new QComboBox)
    , next_(new QLabel)
    , facts_(new QLabel)
    , table_(new QTableWidget(0, 5))
    , wave_(new WaveView(document, transport))
    , side_pages_(new QStackedWidget)
    , sides_(new SideTabs(side_pages_))
    , pass_(new PassPanel(document, transport, [this]() -> const media::Peaks& { return wave_->peaks(); }))
    , log_(new LogPanel(document, transport))
    , distances_(new DistancesPanel(document))
    , cancel_(std::make_shared<std::atomic<bool>>(false))
{
    setObjectName(QStringLiteral("placesWorkspace"));
    setFocusPolicy(Qt::StrongFocus);
    auto* top = new QHBoxLayout;
    top->addWidget(makeVideoSide(), 5);
    top->addWidget(makeNotesSide(), 4);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addLayout(top, 1);
    layout->addWidget(wave_);

    connect(&document_, &Document::passChanged, this, &PlacesWorkspace::showPasses);
    connect(&document_, &Document::passChanged, this, &PlacesWorkspace::loadPeaks);
    auto* when_seen = new WhenSeen(this, [this] { showNotes(); });
    connect(&document_, &Document::planChanged, when_seen, &WhenSeen::ask);
    connect(&document_, &Document::currentNoteChanged, this, &PlacesWorkspace::showCurrent);
    connect(passes_, &QComboBox::textActivated, &document_, &Document::choosePass);
    connect(wave_, &WaveView::markDragged, &document_, &Document::setMark);
    connect(wave_, &WaveView::noteClicked, &document_, &Document::setCurrentNote);
    connect(distances_, &DistancesPanel::noteChosen, this, &PlacesWorkspace::chooseNote);
    connect(table_, &QTableWidget::cellClicked, this,
        [this](int row, int) { chooseNote(table_->item(row, 0)->data(Qt::UserRole).toString()); });
}

QWidget* PlacesWorkspace::makeVideoSide()
{
    auto* video = new VideoView(transport_.player());
    video->setEmptyText(tr("This stage has no video yet. Add one (on the right), or let the notes be placed "
                           "by their own distances."));
    auto* side = new QWidget;
    auto* layout = new QVBoxLayout(side);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(video, 1);
    const auto row =
        [&](std::initializer_list<std::tuple<QString, const char*, void (PlacesWorkspace::*)()>> entries) {
            auto* buttons = new QHBoxLayout;
            for (const auto& [text, name, slot] : entries) {
                auto* button = new QPushButton(text);
                button->setObjectName(QString::fromLatin1(name));
                button->setFocusPolicy(Qt::NoFocus);
                connect(button, &QPushButton::clicked, this, slot);
                buttons->addWidget(button);
            }
            layout->addLayout(buttons);
            return buttons;
        };
    auto* first = row({{tr("The car is there now  (M)"), "markButton", &PlacesWorkspace::markHere},
        {tr("Skip  (N)"), "skipNote", &PlacesWorkspace::skip},
        {tr("Back  (Backspace)"), "backNote", &PlacesWorkspace::goBack}});
    first->setStretch(0, 1);
    auto* second = row({{tr("Keep  (K)"), "keepDraft", &PlacesWorkspace::keepDraft},
        {tr("Again  (A)"), "markAgain", &PlacesWorkspace::markAgain}});
    const auto add = [&](const QString& text, auto slot) {
        auto* button = new QPushButton(text);
        button->setFocusPolicy(Qt::NoFocus);
        connect(button, &QPushButton::clicked, this, slot);
        second->addWidget(button);
    };
    add(tr("\u22120.1 s  (,)"), [this] { nudge(-kNudge_s); });
    add(tr("+0.1 s  (.)"), [this] { nudge(kNudge_s); });
    add(tr("No mark  (Del)"), [this] { document_.removeMark(document_.currentNote()); });
    return side;
}

QWidget* PlacesWorkspace::makeNotesSide()
{
    passes_->setObjectName(QStringLiteral("passChoice"));
    passes_->setAccessibleName(tr("Pass"));
    next_->setObjectName(QStringLiteral("nextNote"));
    next_->setFont(typeface(type::kNext, true));
    next_->setStyleSheet(QStringLiteral("font-size: %1px; font-weight: bold;").arg(type::kPage));
    next_->setWordWrap(true);
    facts_->setObjectName(QStringLiteral("placesFacts"));
    facts_->setProperty("quiet", true);
    facts_->setWordWrap(true);
    table_->setObjectName(QStringLiteral("placesTable"));
    table_->setHorizontalHeaderLabels({tr("#"), tr("note"), tr("place"), tr("time"), tr("sure within")});
    table_->verticalHeader()->hide();
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    table_->setShowGrid(false);
    table_->horizontalHeader()->setSectionResizeMode(1, QHeaderView::Stretch);
    table_->verticalHeader()->setDefaultSectionSize(28);

    auto* side = new QWidget;
    auto* layout = new QVBoxLayout(side);
    layout->setContentsMargins(0, 0, 0, 0);
    auto* head = new QHBoxLayout;
    head->addWidget(new QLabel(tr("Pass")));
    head->addWidget(passes_, 1);
    auto* add = new QPushButton(tr("Add a video\u2026"));
    add->setObjectName(QStringLiteral("addVideo"));
    add->setFocusPolicy(Qt::TabFocus);
    connect(add, &QPushButton::clicked, this, &PlacesWorkspace::addVideo);
    head->addWidget(add);
    layout->addLayout(head);
    layout->addWidget(next_);
    layout->addWidget(sides_);
    auto* notes = new QWidget;
    auto* notes_layout = new QVBoxLayout(notes);
    notes_layout->setContentsMargins(0, 0, 0, 0);
    notes_layout->addWidget(facts_);
    notes_layout->addWidget(table_, 1);
    sides_->add(tr("Notes"), "placesNotes", notes);
    sides_->add(tr("This pass"), "placesPass", pass_);
    sides_->add(tr("Log"), "placesLog", log_);
    sides_->add(tr("Distances"), "placesDistances", distances_);
    sides_->add(tr("Pace"), "placesPace", new PacePanel(document_, transport_));
    connect(sides_, &SideTabs::changed, this, [this](int side) {
        wave_->setVisible(side != kPace); // the pace is drawn tall
        if (isVisible()) {
            setFocus();
        }
    });
    layout->addWidget(side_pages_, 1);
    return side;
}

PlacesWorkspace::~PlacesWorkspace()
{
    *cancel_ = true;
}

void PlacesWorkspace::addVideo()
{
    const QString file = QFileDialog::getOpenFileName(this, tr("A video of this stage"));
    if (file.isEmpty()) {
        return;
    }
    try {
        const auto facts = media::inspect(file.toStdString());
        const bool first = document_.passes().empty();
        document_.addPass(file, facts.duration_s, first ? QStringLiteral("stage") : QStringLiteral("recce"));
        sides_->choose(kPass);
        QStringList odd;
        constexpr double kShort_s = 30.0;
        if (facts.duration_s < kShort_s) {
            odd << tr("It is only %1 s long: a time-lapse has no times to mark by.")
                       .arg(facts.duration_s, 0, 'f', 1);
        }
        if (facts.varying_rate) {
            odd << tr("Its pictures do not come evenly; each is shown at its own time.");
        }
        if (facts.turned_deg != 0) {
            odd << tr("It was filmed turned, and is shown upright.");
        }
        if (facts.sound_tracks > 1) {
            odd << tr("It has %1 sound tracks; the first is used.").arg(facts.sound_tracks);
        }
        const QString remarks = odd.isEmpty() ? QString() : odd.join(QLatin1Char(' ')) + QLatin1Char('\n');
        emit document_.message(remarks
            + tr("Now say where this pass lies in the video: play to go and press H, to the finish and "
                 "press F. Then Notes, and M as the car enters each corner."));
    } catch (const media::MediaError& error) {
        emit document_.message(QString::fromStdString(error.what()));
    }
}

const pace::PlacedNote* PlacesWorkspace::current() const
{
    const auto& notes = document_.videoPlacement().notes;
    const int number = document_.numberOf(document_.currentNote().toStdString());
    return number > 0 && static_cast<std::size_t>(number) <= notes.size()
        ? &notes[static_cast<std::size_t>(number - 1)]
        : nullptr;
}

void PlacesWorkspace::chooseNote(const QString& id)
{
    document_.setCurrentNote(id);
    if (const auto* note = current(); note != nullptr && document_.pass() != nullptr) {
        transport_.seekMedia(note->arrive_s + document_.pass()->go_s);
    } else if (note != nullptr) {
        transport_.seekStage(note->arrive_s);
    }
}

void PlacesWorkspace::goOn(int number)
{
    const auto& notes = document_.videoPlacement().notes;
    if (number >= 1 && static_cast<std::size_t>(number) <= notes.size()) {
        document_.setCurrentNote(QString::fromStdString(notes[static_cast<std::size_t>(number - 1)].id));
    }
}

void PlacesWorkspace::markHere()
{
    if (document_.videoPlacement().notes.empty()) {
        return;
    }
    if (current() == nullptr) {
        goOn(1);
    }
    const int number = document_.numberOf(document_.currentNote().toStdString());
    document_.setMark(document_.currentNote(), transport_.player().position_s());
    goOn(number + 1);
}

void PlacesWorkspace::skip()
{
    goOn(document_.numberOf(document_.currentNote().toStdString()) + 1);
}

void PlacesWorkspace::goBack()
{
    goOn(document_.numberOf(document_.currentNote().toStdString()) - 1);
    const auto* note = current();
    if (note == nullptr || document_.pass() == nullptr) {
        return;
    }
    const double media_s = note->arrive_s + document_.pass()->go_s;
    if (note->marked) {
        document_.removeMark(document_.currentNote());
    }
    transport_.seekMedia(std::max(0.0, media_s - kRunUp_s));
}

void PlacesWorkspace::keepDraft()
{
    const auto* note = current();
    if (note == nullptr || !note->draft || document_.pass() == nullptr) {
        return;
    }
    const int number = document_.numberOf(note->id);
    document_.setMark(document_.currentNote(), note->arrive_s + document_.pass()->go_s);
    goOn(number + 1);
}

void PlacesWorkspace::markAgain()
{
    if (document_.pass() == nullptr || table_->selectionModel() == nullptr) {
        return;
    }
    std::set<std::string> chosen;
    int first = table_->rowCount();
    for (const QModelIndex& index : table_->selectionModel()->selectedRows()) {
        chosen.insert(table_->item(index.row(), 0)->data(Qt::UserRole).toString().toStdString());
        first = std::min(first, index.row());
    }
    if (chosen.empty()) {
        return;
    }
    const double from_s = document_.videoPlacement().notes[static_cast<std::size_t>(first)].arrive_s;
    auto pass = *document_.pass();
    std::erase_if(pass.marks, [&](const pace::Mark& mark) { return chosen.contains(mark.note); });
    document_.setPass(pass, tr("Mark %1 notes again").arg(chosen.size()));
    goOn(first + 1);
    transport_.seekMedia(std::max(0.0, from_s + pass.go_s - kRunUp_s));
}

void PlacesWorkspace::nudge(double by_s)
{
    if (const auto* note = current(); note != nullptr && document_.pass() != nullptr) {
        const double media_s = note->arrive_s + document_.pass()->go_s + by_s;
        document_.setMark(document_.currentNote(), media_s);
        transport_.seekMedia(media_s);
    }
}

void PlacesWorkspace::keyPressEvent(QKeyEvent* event)
{
    switch (event->key()) {
    case Qt::Key_M: markHere(); break;
    case Qt::Key_N: skip(); break;
    case Qt::Key_Backspace: goBack(); break;
    case Qt::Key_K: keepDraft(); break;
    case Qt::Key_A: markAgain(); break;
    case Qt::Key_C: distances_->correct(); break;
    case Qt::Key_I: pass_->setHere(PassPanel::kIn); break;
    case Qt::Key_H: pass_->setHere(PassPanel::kGo); break;
    case Qt::Key_F: pass_->setHere(PassPanel::kFinish); break;
    case Qt::Key_O: pass_->setHere(PassPanel::kOut); break;
    case Qt::Key_P: pass_->goAtClap(); break;
    case Qt::Key_Comma: nudge(-kNudge_s); break;
    case Qt::Key_Period: nudge(kNudge_s); break;
    case Qt::Key_Delete: document_.removeMark(document_.currentNote()); break;
    default: QWidget::keyPressEvent(event);
    }
}

void PlacesWorkspace::showPasses()
{
    passes_->clear();
    for (const auto& pass : document_.passes()) {
        passes_->addItem(QString::fromStdString(pass.name));
    }
    if (document_.pass() != nullptr) {
        passes_->setCurrentText(QString::fromStdString(document_.pass()->name));
    }
}

void PlacesWorkspace::showNotes()
{
    const auto& placement = document_.videoPlacement();
    const auto count = static_cast<int>(placement.notes.size());
    table_->setRowCount(count);
    int marked = 0;
    double worst_s = 0.0;
    for (int row = 0; row < count; ++row) {
        const auto& place = placement.notes[static_cast<std::size_t>(row)];
        const notes::Note* note = document_.note(place.id);
        const QStringList cells{QString::number(row + 1),
            note == nullptr ? QString() : QString::fromStdString(note->spoken),
            tr("%1 m").arg(std::lround(place.station_m)), clockText(place.arrive_s),
            place.marked      ? tr("marked")
                : place.draft ? tr("proposed, %1 s").arg(place.sure_s, 0, 'f', 1)
                              : tr("%1 s").arg(place.sure_s, 0, 'f', 1)};
        for (int column = 0; column < cells.size(); ++column) {
            auto* item = table_->item(row, column);
            if (item == nullptr) {
                item = new QTableWidgetItem;
                table_->setItem(row, column, item);
            }
            item->setText(cells[column]);
            item->setTextAlignment((column == 1 ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter);
        }
        table_->item(row, 0)->setData(Qt::UserRole, QString::fromStdString(place.id));
        marked += place.marked ? 1 : 0;
        worst_s = std::max(worst_s, place.sure_s);
    }
    for (const int column : {0, 2, 3, 4}) {
        table_->resizeColumnToContents(column);
    }
    QString text = count == 0 ? tr("Write the notes first (F1). Then add the video of this stage.")
        : document_.pass() == nullptr
        ? tr("%1 notes, placed by the rehearsal pace alone. Add the video of this stage to place them by it.")
              .arg(count)
        : tr("%1 of %2 notes are marked; the least sure is within %3 s. Play (Space), and press M as the car "
             "enters the corner.")
              .arg(marked)
              .arg(count)
              .arg(worst_s, 0, 'f', 1);
    for (const auto& warning : placement.warnings) {
        text += QLatin1Char('\n') + QString::fromStdString(warning);
    }
    facts_->setText(text);
    showCurrent();
}

void PlacesWorkspace::showCurrent()
{
    const int number = document_.numberOf(document_.currentNote().toStdString());
    const notes::Note* note = document_.note(document_.currentNote().toStdString());
    if (note == nullptr) { // the first one is marked first
        const auto& notes = document_.prepared().road.notes;
        note = notes.empty() ? nullptr : document_.note(notes.front().id);
        next_->setText(note == nullptr ? QString() : tr("1  %1").arg(QString::fromStdString(note->spoken)));
        return;
    }
    next_->setText(QStringLiteral("%1  %2").arg(number).arg(QString::fromStdString(note->spoken)));
    if (table_->currentRow() != number - 1) {
        table_->setCurrentCell(number - 1, 0);
    }
}

void PlacesWorkspace::loadPeaks()
{
    const QString file = document_.mediaFile();
    if (file == peaks_file_) {
        return;
    }
    peaks_file_ = file;
    *cancel_ = true;
    cancel_ = std::make_shared<std::atomic<bool>>(false);
    wave_->setPeaks(
        {}, file.isEmpty() ? tr("No sound: this stage has no video.") : tr("Reading the sound\u2026"));
    if (file.isEmpty()) {
        return;
    }
    QThreadPool::globalInstance()->start([self = QPointer<PlacesWorkspace>(this), file, cancel = cancel_] {
        media::Peaks peaks;
        QString why;
        try {
            constexpr double kSlice_s = 0.02;
            peaks = media::decodePeaks(file.toStdString(), kSlice_s, [&](double) { return !cancel->load(); });
        } catch (const std::exception& error) {
            why = QString::fromStdString(error.what());
        }
        if (!*cancel) {
            QMetaObject::invokeMethod(
                self.data(),
                [self, peaks = std::move(peaks), why]() mutable {
                    if (!self) {
                        return;
                    }
                    const auto* pass = self->document_.pass();
                    constexpr double kCut_s = 5.0;
                    if (pass != nullptr && why.isEmpty()
                        && peaks.duration_s() < pass->media.duration_s - kCut_s) {
                        emit self->document_.message(
                            tr("The sound ends at %1 of %2: the file is cut short or broken there. What is "
                               "before can be used.")
                                .arg(clockText(peaks.duration_s()), clockText(pass->media.duration_s)));
                    }
                    self->wave_->setPeaks(std::move(peaks), why);
                },
                Qt::QueuedConnection);
        }
    });
}

} // namespace brumefall::app
