#include "places/places_workspace.h"

#include "theme/theme.h"
#include "widgets/clock.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLabel>
#include <QPointer>
#include <QPushButton>
#include <QTableWidget>
#include <QThreadPool>
#include <QVBoxLayout>

#include <cmath>

namespace brumefall::app {
namespace {

constexpr double kNudge_s = 0.1;

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
    , cancel_(std::make_shared<std::atomic<bool>>(false))
{
    setObjectName(QStringLiteral("placesWorkspace"));
    setFocusPolicy(Qt::StrongFocus);
    passes_->setObjectName(QStringLiteral("passChoice"));
    passes_->setAccessibleName(tr("Pass"));
    next_->setObjectName(QStringLiteral("nextNote"));
    next_->setFont(typeface(type::kNext, true));
    next_->setStyleSheet(QStringLiteral("font-size: %1px; font-weight: bold;").arg(type::kPage));
    next_->setWordWrap(true);
    facts_->setProperty("quiet", true);
    facts_->setWordWrap(true);
    table_->setObjectName(QStringLiteral("placesTable"));
    table_->setHorizontalHeaderLabels({tr("#"), tr("note"), tr("place"), tr("time"), tr("sure within")});
    table_->verticalHeader()->hide();
    table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table_->setSelectionBehavior(QAbstractItemView::SelectRows);
    table_->setSelectionMode(QAbstractItemView::SingleSelection);
    table_->setShowGrid(false);
    table_->horizontalHeader()->setSectionResizeMode(1, QHeaderView::Stretch);
    table_->verticalHeader()->setDefaultSectionSize(28);

    auto* mark = new QPushButton(tr("The car is there now  (M)"));
    mark->setObjectName(QStringLiteral("markButton"));
    auto* sooner = new QPushButton(tr("0.1 s sooner  (,)"));
    auto* later = new QPushButton(tr("0.1 s later  (.)"));
    auto* remove = new QPushButton(tr("No mark  (Del)"));
    for (QPushButton* button : {mark, sooner, later, remove}) {
        button->setFocusPolicy(Qt::NoFocus);
    }
    connect(mark, &QPushButton::clicked, this, &PlacesWorkspace::markHere);
    connect(sooner, &QPushButton::clicked, this, [this] { nudge(-kNudge_s); });
    connect(later, &QPushButton::clicked, this, [this] { nudge(kNudge_s); });
    connect(remove, &QPushButton::clicked, this, [this] { document_.removeMark(document_.currentNote()); });

    auto* video = new VideoView(transport_.player());
    video->setEmptyText(tr("This stage has no video yet. Its notes are placed by their own distances."));
    auto* head = new QHBoxLayout;
    head->addWidget(new QLabel(tr("Pass")));
    head->addWidget(passes_);
    head->addStretch();
    auto* keys = new QHBoxLayout;
    keys->addWidget(mark);
    keys->addWidget(sooner);
    keys->addWidget(later);
    keys->addWidget(remove);
    auto* right = new QVBoxLayout;
    right->addLayout(head);
    right->addWidget(next_);
    right->addWidget(facts_);
    right->addWidget(table_, 1);
    auto* top = new QHBoxLayout;
    auto* left = new QVBoxLayout;
    left->addWidget(video, 1);
    left->addLayout(keys);
    top->addLayout(left, 3);
    top->addLayout(right, 2);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addLayout(top, 1);
    layout->addWidget(wave_);

    connect(&document_, &Document::passChanged, this, &PlacesWorkspace::showPasses);
    connect(&document_, &Document::passChanged, this, &PlacesWorkspace::loadPeaks);
    connect(&document_, &Document::planChanged, this, &PlacesWorkspace::showNotes);
    connect(&document_, &Document::currentNoteChanged, this, &PlacesWorkspace::showCurrent);
    connect(passes_, &QComboBox::textActivated, &document_, &Document::choosePass);
    connect(wave_, &WaveView::markDragged, &document_, &Document::setMark);
    connect(wave_, &WaveView::noteClicked, &document_, &Document::setCurrentNote);
    connect(table_, &QTableWidget::cellClicked, this,
        [this](int row, int) { chooseNote(table_->item(row, 0)->data(Qt::UserRole).toString()); });
}

PlacesWorkspace::~PlacesWorkspace()
{
    *cancel_ = true;
}

void PlacesWorkspace::chooseNote(const QString& id)
{
    document_.setCurrentNote(id);
    const int number = document_.numberOf(id.toStdString());
    if (number > 0) {
        transport_.seekStage(
            document_.prepared().placement.notes[static_cast<std::size_t>(number - 1)].arrive_s);
    }
}

void PlacesWorkspace::markHere()
{
    const auto& notes = document_.prepared().placement.notes;
    if (notes.empty()) {
        return;
    }
    if (document_.currentNote().isEmpty()) {
        document_.setCurrentNote(QString::fromStdString(notes.front().id));
    }
    const int number = document_.numberOf(document_.currentNote().toStdString());
    document_.setMark(document_.currentNote(), transport_.player().position_s());
    if (number > 0 && static_cast<std::size_t>(number) < notes.size()) {
        document_.setCurrentNote(QString::fromStdString(
            document_.prepared().placement.notes[static_cast<std::size_t>(number)].id));
    }
}

void PlacesWorkspace::nudge(double by_s)
{
    const int number = document_.numberOf(document_.currentNote().toStdString());
    if (number > 0 && document_.pass() != nullptr) {
        const auto& note = document_.prepared().placement.notes[static_cast<std::size_t>(number - 1)];
        document_.setMark(document_.currentNote(), note.arrive_s + document_.pass()->go_s + by_s);
        transport_.seekStage(note.arrive_s + by_s);
    }
}

void PlacesWorkspace::keyPressEvent(QKeyEvent* event)
{
    switch (event->key()) {
    case Qt::Key_M: markHere(); break;
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
    const auto& prepared = document_.prepared();
    const auto count = static_cast<int>(prepared.placement.notes.size());
    table_->setRowCount(count);
    int marked = 0;
    double worst_s = 0.0;
    for (int row = 0; row < count; ++row) {
        const auto& place = prepared.placement.notes[static_cast<std::size_t>(row)];
        const notes::Note* note = document_.note(place.id);
        const QStringList cells{QString::number(row + 1),
            note == nullptr ? QString() : QString::fromStdString(note->spoken),
            tr("%1 m").arg(std::lround(place.station_m)), clockText(place.arrive_s),
            place.marked ? tr("marked") : tr("%1 s").arg(place.sure_s, 0, 'f', 1)};
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
    QString text = tr("%1 of %2 notes are marked; the least sure is within %3 s. Play (Space), and press M "
                      "as the car enters the corner.")
                       .arg(marked)
                       .arg(count)
                       .arg(worst_s, 0, 'f', 1);
    for (const auto& warning : prepared.placement.warnings) {
        text += QLatin1Char('\n') + QString::fromStdString(warning);
    }
    facts_->setText(text);
    showCurrent();
}

void PlacesWorkspace::showCurrent()
{
    const int number = document_.numberOf(document_.currentNote().toStdString());
    const notes::Note* note = document_.note(document_.currentNote().toStdString());
    if (note == nullptr) {
        next_->setText(tr("Choose the first note to mark"));
        return;
    }
    next_->setText(QStringLiteral("%1  %2").arg(number).arg(QString::fromStdString(note->spoken)));
    if (table_->currentRow() != number - 1) {
        table_->selectRow(number - 1);
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
                    if (self) {
                        self->wave_->setPeaks(std::move(peaks), why);
                    }
                },
                Qt::QueuedConnection);
        }
    });
}

} // namespace brumefall::app
