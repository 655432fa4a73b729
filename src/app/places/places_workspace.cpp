#include "places/places_workspace.h"

#include "pace/doubt.h"
#include "places/distances_panel.h"
#include "places/pace_panel.h"
#include "places/pass_panel.h"
#include "places/track_panel.h"
#include "theme/theme.h"
#include "widgets/clock.h"
#include "widgets/keys.h"
#include "widgets/panels.h"
#include "widgets/side_tabs.h"
#include "widgets/when_seen.h"

#include <QComboBox>
#include <QFileDialog>
#include <QStackedWidget>
#include <QTableWidget>

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
    , track_(new TrackPanel(document, transport))
    , distances_(new DistancesPanel(document))
{
    setObjectName(QStringLiteral("placesWorkspace"));
    setAccessibleName(tr("Places"));
    setFocusPolicy(Qt::StrongFocus);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addWidget(makeVideoSide(), 5);
    layout->addWidget(makeNotesSide(), 4);

    // what the panels offer acts while another panel is in view, too
    const auto key = [this](Qt::Key key, const QString& does, std::function<void()> act) {
        bindKey(this, QKeyCombination(key), does, std::move(act));
    };
    key(Qt::Key_I, tr("The pass begins here"), [this] { pass_->setHere(PassPanel::kIn); });
    key(Qt::Key_H, tr("Go is here"), [this] { pass_->setHere(PassPanel::kGo); });
    key(Qt::Key_F, tr("The finish is here"), [this] { pass_->setHere(PassPanel::kFinish); });
    key(Qt::Key_O, tr("The pass ends here"), [this] { pass_->setHere(PassPanel::kOut); });
    key(Qt::Key_P, tr("Go at the clap near here"), [this] { pass_->goAtClap(); });
    key(Qt::Key_U, tr("Turn the picture"), [this] { pass_->turnPicture(); });
    key(Qt::Key_C, tr("Say the distance as it is"), [this] { distances_->correct(); });

    connect(&document_, &Document::passChanged, this, &PlacesWorkspace::showPasses);
    connect(&document_, &Document::passChanged, this, &PlacesWorkspace::loadPeaks);
    auto* when_seen = new WhenSeen(this, [this] { showNotes(); });
    connect(&document_, &Document::planChanged, when_seen, &WhenSeen::ask);
    connect(&document_, &Document::currentNoteChanged, this, &PlacesWorkspace::showCurrent);
    connect(passes_, &QComboBox::textActivated, &document_, &Document::choosePass);
    connect(wave_, &WaveView::markDragged, &document_, &Document::setMark);
    connect(wave_, &WaveView::noteClicked, &document_, &Document::setCurrentNote);
    connect(distances_, &DistancesPanel::noteChosen, this, &PlacesWorkspace::chooseNote);
    const auto open = [this](
                          int row, int) { chooseNote(table_->item(row, 0)->data(Qt::UserRole).toString()); };
    connect(table_, &QTableWidget::cellClicked, this, open);
    connect(table_, &QTableWidget::cellActivated, this, open); // by Enter
    connect(table_, &QTableWidget::currentCellChanged, this, [this](int row) {
        if (table_->hasFocus() && table_->item(row, 0) != nullptr) { // gone along by the keys
            document_.setCurrentNote(table_->item(row, 0)->data(Qt::UserRole).toString());
        }
    });
    connect(&document_, &Document::opened, this, [this] { asked_for_.clear(); });
}

QWidget* PlacesWorkspace::makeVideoSide()
{
    auto* video = new VideoView(transport_.player());
    video->setFittedHeight(true); // what is left below goes to the sound
    video->setEmptyText(tr("This stage has no video yet. Add one (on the right), or let the notes be placed "
                           "by their own distances."));
    auto* side = new QWidget;
    auto* layout = new QVBoxLayout(side);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(video, 100);
    const auto add = [this](QLayout* into, const QString& text, const char* name, Qt::Key key,
                         void (PlacesWorkspace::*act)()) {
        auto* button = addButton(into, text, name, [this, act] { (this->*act)(); });
        makeCompact(button);
        bindButton(button, QKeyCombination(key));
    };
    auto* first = new FlowLayout;
    add(first, tr("The car is there now"), "markButton", Qt::Key_M, &PlacesWorkspace::markHere);
    add(first, tr("Skip"), "skipNote", Qt::Key_N, &PlacesWorkspace::skip);
    add(first, tr("Back"), "backNote", Qt::Key_Backspace, &PlacesWorkspace::goBack);
    auto* second = new FlowLayout;
    add(second, tr("Keep"), "keepDraft", Qt::Key_K, &PlacesWorkspace::keepDraft);
    add(second, tr("Again"), "markAgain", Qt::Key_A, &PlacesWorkspace::markAgain);
    add(second, tr("−0.1 s"), "nudgeBack", Qt::Key_Comma, &PlacesWorkspace::nudgeBack);
    add(second, tr("+0.1 s"), "nudgeOn", Qt::Key_Period, &PlacesWorkspace::nudgeOn);
    add(second, tr("No mark"), "removeMark", Qt::Key_Delete, &PlacesWorkspace::removeMark);
    layout->addLayout(first);
    layout->addLayout(second);
    layout->addWidget(wave_, 1);
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
    table_->setAccessibleName(tr("The notes and their places"));
    table_->setHorizontalHeaderLabels({tr("#"), tr("note"), tr("place"), tr("time"), tr("sure within")});
    asRows(table_);
    table_->setSelectionMode(QAbstractItemView::ExtendedSelection);
    table_->horizontalHeader()->setSectionResizeMode(1, QHeaderView::Stretch);
    table_->verticalHeader()->setDefaultSectionSize(28);

    auto* side = new QWidget;
    auto* layout = new QVBoxLayout(side);
    layout->setContentsMargins(0, 0, 0, 0);
    auto* head = new QHBoxLayout;
    head->addWidget(new QLabel(tr("Pass")));
    head->addWidget(passes_, 1);
    bindButton(addButton(head, tr("Add a video\u2026"), "addVideo", [this] { addVideo(); }),
        QKeyCombination(Qt::Key_V));
    layout->addLayout(head);
    layout->addWidget(next_);
    layout->addWidget(sides_);
    auto* notes = new QWidget;
    auto* notes_layout = new QVBoxLayout(notes);
    notes_layout->setContentsMargins(0, 0, 0, 0);
    notes_layout->addWidget(facts_);
    auto* offer = new QHBoxLayout;
    captions_ = addButton(offer, tr("Take the captions' times as draft places"), "takeCaptionPlaces",
        [this] { document_.takeCaptionPlaces(); });
    bindButton(captions_, QKeyCombination(Qt::Key_D));
    notes_layout->addLayout(offer);
    notes_layout->addWidget(table_, 1);
    sides_->add(tr("Notes"), "placesNotes", notes);
    sides_->add(tr("This pass"), "placesPass", scrolled(pass_));
    sides_->add(tr("Track"), "placesTrack", scrolled(track_));
    sides_->add(tr("Distances"), "placesDistances", distances_);
    sides_->add(tr("Pace"), "placesPace", new PacePanel(document_, transport_));
    layout->addWidget(side_pages_, 1);
    return side;
}

PlacesWorkspace::~PlacesWorkspace() = default;

void PlacesWorkspace::addVideo()
{
    const QString file =
        QFileDialog::getOpenFileName(this, tr("A video of this stage"), document_.folderOfFiles());
    if (!file.isEmpty()) {
        takeVideo(file);
    }
}

void PlacesWorkspace::takeLog(const QString& file)
{
    sides_->choose(kTrack);
    track_->load(file);
}

void PlacesWorkspace::takeVideo(const QString& file)
{
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
                 "press F. Then Notes (Alt+1), and %1.")
                  .arg(document_.captionPlaces() > 0 ? tr("D: the captions' times are kept there")
                                                     : tr("M as the car enters each corner")));
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
    if (document_.pass() == nullptr) {
        emit document_.message(tr("There is no video to mark in yet: add one (V)."));
        return;
    }
    const int number = document_.numberOf(document_.currentNote().toStdString());
    const double media_s = transport_.player().position_s();
    const QString doubt = QString::fromStdString(pace::doubtOfMark(
        document_.videoPlacement(), static_cast<std::size_t>(number - 1), media_s - document_.pass()->go_s));
    const QString asked = QStringLiteral("%1 at %2").arg(number).arg(std::lround(media_s * 10.0));
    if (!doubt.isEmpty() && asked_for_ != asked) {
        asked_for_ = asked;
        emit document_.message(
            tr("Note %1 here? %2. M once more marks it here all the same.").arg(number).arg(doubt));
        return;
    }
    asked_for_.clear();
    document_.setMark(document_.currentNote(), media_s);
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
    if (note == nullptr || document_.pass() == nullptr) {
        return;
    }
    const int number = document_.numberOf(note->id);
    if (!note->draft) {
        emit document_.message(note->marked
                ? tr("Note %1 is marked already; there is no proposal to keep.").arg(number)
                : tr("Nothing is proposed for note %1: M marks it where the car is.").arg(number));
        return;
    }
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
    document_.setPass(pass, tr("Mark %n note(s) again", nullptr, static_cast<int>(chosen.size())));
    goOn(first + 1);
    transport_.seekMedia(std::max(0.0, from_s + pass.go_s - kRunUp_s));
}

void PlacesWorkspace::nudgeBack()
{
    nudge(-kNudge_s);
}

void PlacesWorkspace::nudgeOn()
{
    nudge(kNudge_s);
}

void PlacesWorkspace::removeMark()
{
    document_.removeMark(document_.currentNote());
}

void PlacesWorkspace::nudge(double by_s)
{
    if (const auto* note = current(); note != nullptr && document_.pass() != nullptr) {
        const double media_s = note->arrive_s + document_.pass()->go_s + by_s;
        document_.setMark(document_.currentNote(), media_s);
        transport_.seekMedia(media_s);
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
    int drafts = 0;
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
        drafts += place.draft && !place.marked ? 1 : 0;
        worst_s = std::max(worst_s, place.sure_s);
    }
    for (const int column : {0, 2, 3, 4}) {
        table_->resizeColumnToContents(column);
    }
    table_->viewport()->update(); // what a column that grew has covered
    const int captions = document_.captionPlaces();
    captions_->setVisible(captions > 0);
    QString text = count == 0 ? tr("Write the notes first (F1). Then add the video of this stage.")
        : document_.pass() == nullptr
        ? tr("%n note(s), placed by the rehearsal pace alone. Next: add the video of this stage (V).",
            nullptr, count)
        : captions > 0
        ? tr("The captions of %1 told when %2 of these notes were said. Next: take that as draft places (D), "
             "or mark them yourself (M).")
              .arg(QString::fromStdString(document_.stage().captions.file))
              .arg(captions)
        : drafts > 0
        ? tr("%1 of %2 notes are marked, %3 are proposed. Go through the list: K keeps a proposal, M sets it "
             "anew as the car enters the corner.")
              .arg(marked)
              .arg(count)
              .arg(drafts)
        : tr("%1 of %2 notes are marked; the least sure is within %3 s. Play (Space), and press M as the car "
             "enters the corner.")
              .arg(marked)
              .arg(count)
              .arg(worst_s, 0, 'f', 1);
    constexpr std::size_t kShown = 2; // the list of the notes has the room
    for (std::size_t w = 0; w < placement.warnings.size() && w < kShown; ++w) {
        text += QLatin1Char('\n') + QString::fromStdString(placement.warnings[w]);
    }
    if (placement.warnings.size() > kShown) {
        text += QLatin1Char('\n') + tr("and %1 more like it").arg(placement.warnings.size() - kShown);
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
        table_->setCurrentCell(note == nullptr ? -1 : 0, 0);
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
    reading_.cancel();
    wave_->setPeaks(
        {}, file.isEmpty() ? tr("No sound: this stage has no video.") : tr("Reading the sound\u2026"));
    if (file.isEmpty()) {
        return;
    }
    reading_ = inBackground(
        this,
        [file](const media::Progress& progress) {
            constexpr double kSlice_s = 0.02;
            return media::decodePeaks(file.toStdString(), kSlice_s, progress);
        },
        [this](Outcome<media::Peaks> peaks) {
            const auto* pass = document_.pass();
            constexpr double kCut_s = 5.0;
            if (pass != nullptr && peaks.value
                && peaks.value->duration_s() < pass->media.duration_s - kCut_s) {
                emit document_.message(
                    tr("The sound ends at %1 of %2: the file is cut short or broken there. What is "
                       "before can be used.")
                        .arg(clockText(peaks.value->duration_s()), clockText(pass->media.duration_s)));
            }
            wave_->setPeaks(std::move(peaks.value).value_or(media::Peaks{}), peaks.why);
        });
}

} // namespace brumefall::app
