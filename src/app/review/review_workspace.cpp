#include "review/review_workspace.h"

#include "theme/theme.h"
#include "widgets/keys.h"
#include "widgets/panels.h"
#include "widgets/signs.h"

#include <QPainter>
#include <QStackedWidget>
#include <QStyledItemDelegate>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

constexpr int kVideoWidth = 290;

class VerdictDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override
    {
        painter->fillRect(
            option.rect, option.state.testFlag(QStyle::State_Selected) ? theme().shelf : theme().raised);
        const auto* model = static_cast<const VerdictModel*>(index.model());
        if (const take::Verdict* verdict = model->verdict(index.row())) {
            paintVerdict(*painter, QRectF(option.rect).adjusted(4, 2, -4, -2), *verdict, theme());
        }
    }
};

} // namespace

ReviewWorkspace::ReviewWorkspace(
    Document& document, Transport& transport, TakeRecorder& recorder, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
    , recorder_(recorder)
    , takes_(new QComboBox)
    , summary_(new QLabel)
    , figures_(new QLabel)
    , why_(new QLabel)
    , gap_(new GapView)
    , video_(new VideoView(transport.player()))
    , wave_(new TakeWave(*gap_))
    , table_(new QTableView)
    , model_(new VerdictModel(this))
    , rhythm_(new RhythmPanel)
    , tuning_(new TuningPanel(document))
    , by_hand_(new ByHandBar(document, transport))
    , import_(new ReadingImport(document, this))
    , pages_(new QStackedWidget)
    , judge_(new QPushButton(tr("Find the calls in it")))
    , faults_(new QComboBox)
    , beside_(new QComboBox)
{
    setObjectName(QStringLiteral("reviewWorkspace"));
    summary_->setObjectName(QStringLiteral("reviewSummary"));
    summary_->setProperty("large", true);
    summary_->setWordWrap(true);
    figures_->setObjectName(QStringLiteral("reviewFigures"));
    figures_->setProperty("quiet", true);
    figures_->setWordWrap(true);
    why_->setObjectName(QStringLiteral("reviewWhy"));
    why_->setWordWrap(true);
    why_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
    gap_->setObjectName(QStringLiteral("reviewGap"));
    gap_->setSpan(0.0, 20.0);
    gap_->setMinimumHeight(150);
    gap_->setReadingsMovable(true);
    makeTable();
    pages_->addWidget(table_);
    tuning_page_ = scrolled(tuning_);
    pages_->addWidget(tuning_page_);
    pages_->addWidget(rhythm_);
    pages_->setMinimumHeight(80);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(10, 6, 10, 6);
    layout->setSpacing(4);
    layout->addLayout(makeHead());
    layout->addWidget(figures_);
    // the picture of the gap and its sound are one; the video stands beside them, and gives way first
    auto* picture = new QVBoxLayout;
    picture->setSpacing(layout->spacing());
    picture->addWidget(gap_, 1);
    picture->addWidget(wave_);
    auto* beside = new QHBoxLayout;
    beside->addLayout(picture, 1);
    video_->setObjectName(QStringLiteral("reviewVideo"));
    video_->setEmptyText(tr("This pass has no video."));
    video_->setFixedWidth(kVideoWidth);
    beside->addWidget(video_);
    layout->addLayout(beside, 12);
    auto* chosen = new QHBoxLayout;
    chosen->addWidget(why_, 1);
    chosen->addWidget(by_hand_);
    layout->addLayout(chosen);
    layout->addLayout(makeFaults());
    layout->addWidget(pages_, 13);

    connect(&document_, &Document::takesChanged, this, &ReviewWorkspace::fillTakes);
    connect(&document_, &Document::currentNoteChanged, this, [this](const QString& id) {
        if (const int row = model_->rowOf(id); row >= 0 && row != table_->currentIndex().row()) {
            table_->selectRow(row);
            gap_->showNote(id.toStdString());
        }
    });
    connect(&document_, &Document::opened, this, [this] {
        model_->show(nullptr);
        gap_->scene() = GapScene{};
        gap_->scene().instead = tr("What is read is drawn here beside what was planned.").toStdString();
        take_.reset();
        sayNote(-1);
        gap_->setSpan(0.0, 20.0);
        showPage(table_);
    });
    connect(gap_, &GapView::readingMoved, by_hand_, &ByHandBar::move);
    connect(import_, &ReadingImport::kept, this, &ReviewWorkspace::showTake);
    connect(rhythm_, &RhythmPanel::chosen, this, [this](const QString& note, double from_s, double to_s) {
        document_.setCurrentNote(note);
        gap_->showNote(note.toStdString());
        playFrom(from_s - 1.0, to_s + 1.0);
    });
    connect(gap_, &GapView::noteClicked, this, [this](const QString& id) { chooseNote(id, true); });
    connect(&transport_, &Transport::ticked, this, [this](double now_s) {
        if (isVisible()) {
            gap_->showTime(now_s, transport_.player().isPlaying());
        }
    });
    fillTakes();
}

QLayout* ReviewWorkspace::makeHead()
{
    takes_->setObjectName(QStringLiteral("takeChoice"));
    takes_->setAccessibleName(tr("Take"));
    takes_->setSizeAdjustPolicy(QComboBox::AdjustToContents);
    takes_->setSizePolicy(QSizePolicy::Minimum, QSizePolicy::Fixed); // its name is never cut
    connect(takes_, &QComboBox::textActivated, this, &ReviewWorkspace::showTake);
    judge_->setObjectName(QStringLiteral("judgeButton"));
    connect(judge_, &QPushButton::clicked, this, [this] {
        if (take_) {
            judge_->setEnabled(false);
            recorder_.judgeAgain(*take_);
        }
    });
    auto* head = new QHBoxLayout;
    head->addWidget(new QLabel(tr("Take")));
    head->addWidget(takes_);
    head->addWidget(judge_);
    head->addSpacing(12);
    head->addWidget(summary_, 1);
    auto* import =
        addButton(head, tr("From elsewhere\u2026"), "importReading", [this] { import_->ask(this); });
    import->setToolTip(
        tr("Judge a reading that was recorded in the car, by an intercom, a phone or the onboard itself"));
    makeCompact(import);
    const auto addPage = [&](const QString& text, const char* name, Qt::Key key, QWidget* page) {
        auto* button = addButton(head, text, name, [] {});
        connect(button, &QPushButton::clicked, this,
            [this, button, page] { showPage(button->isChecked() ? page : table_); });
        button->setCheckable(true);
        makeCompact(button);
        bindButton(button, QKeyCombination(key));
        return button;
    };
    rhythm_button_ = addPage(tr("Rhythm"), "rhythmButton", Qt::Key_B, rhythm_);
    tune_ = addPage(tr("Tuning"), "tuningButton", Qt::Key_U, tuning_page_);
    return head;
}

void ReviewWorkspace::showPage(QWidget* page)
{
    pages_->setCurrentWidget(page);
    tune_->setChecked(page == tuning_page_);
    rhythm_button_->setChecked(page == rhythm_);
}

QLayout* ReviewWorkspace::makeFaults()
{
    auto* row = new FlowLayout;
    faults_->setObjectName(QStringLiteral("faultChoice"));
    faults_->setAccessibleName(tr("Notes that are shown"));
    faults_->addItems(
        {tr("all notes"), tr("every fault"), tr("late"), tr("early"), tr("missed"), tr("misread")});
    connect(faults_, &QComboBox::currentIndexChanged, this, &ReviewWorkspace::filter);
    row->addWidget(faults_);
    auto* next = addButton(row, tr("Next fault"), "nextFault", [this] { goToFault(1); });
    makeCompact(next);
    bindButton(next, QKeyCombination(Qt::Key_N));
    bindKey(this, QKeyCombination(Qt::SHIFT, Qt::Key_N), tr("The fault before"), [this] { goToFault(-1); });
    remarks_ = new DriverRemarks(document_, row, this);
    connect(remarks_, &DriverRemarks::left, table_, qOverload<>(&QWidget::setFocus));
    connect(remarks_, &DriverRemarks::reworded, this, [this] { sayNote(table_->currentIndex().row()); });
    beside_->setObjectName(QStringLiteral("besideChoice"));
    beside_->setAccessibleName(tr("The take that it is compared with"));
    keepNarrow(beside_, 12);
    connect(beside_, &QComboBox::activated, this,
        [this](int index) { compareWith(beside_->itemData(index).toString()); });
    row->addWidget(beside_);
    return row;
}

void ReviewWorkspace::makeTable()
{
    table_->setObjectName(QStringLiteral("verdictTable"));
    table_->setAccessibleName(tr("Verdicts"));
    table_->setModel(model_);
    table_->setItemDelegateForColumn(VerdictModel::kVerdict, new VerdictDelegate(this));
    asRows(table_);
    table_->setMinimumHeight(44);
    table_->setWordWrap(false);
    beginAt(this, table_);
    table_->verticalHeader()->setDefaultSectionSize(24);
    table_->horizontalHeader()->setSectionResizeMode(VerdictModel::kNote, QHeaderView::Stretch);
    constexpr std::pair<int, int> kWidths[]{{VerdictModel::kNumber, 42}, {VerdictModel::kVerdict, 92},
        {VerdictModel::kWords, 276}, {VerdictModel::kWhy, 270}, {VerdictModel::kAhead, 54},
        {VerdictModel::kOther, 130}, {VerdictModel::kBeside, 126}};
    for (const auto& [column, width] : kWidths) {
        table_->setColumnWidth(column, width);
    }
    const auto open = [this](const QModelIndex& index) {
        chooseNote(index.data(Qt::UserRole).toString(), true);
    };
    connect(table_, &QTableView::clicked, this, open);
    connect(table_, &QTableView::activated, this, open);
    connect(table_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
        [this](const QModelIndex& index) {
            sayNote(index.row());
            if (table_->hasFocus()) {
                chooseNote(index.data(Qt::UserRole).toString(), false);
            }
        });
}

void ReviewWorkspace::sayNote(int row)
{
    const auto* verdict = model_->verdict(row);
    by_hand_->show(take_ ? &*take_ : nullptr, verdict == nullptr ? -1 : row, model_->numbers());
    const QModelIndex note = model_->index(row, VerdictModel::kNote);
    remarks_->show(take_ ? &*take_ : nullptr, note.data(Qt::UserRole).toString(), note.data().toString());
    if (verdict == nullptr) {
        why_->clear();
        return;
    }
    const QString why = model_->why(row);
    why_->setText(QStringLiteral("%1  %2:  %3%4")
                      .arg(model_->numbers().value(row), note.data().toString(),
                          QString::fromStdString(take::describe(*verdict)),
                          why.isEmpty() ? QString() : QStringLiteral(" \u2013 ") + why));
}

Faults ReviewWorkspace::shownFaults() const
{
    return static_cast<Faults>(std::max(0, faults_->currentIndex()));
}

void ReviewWorkspace::filter()
{
    for (int row = 0; row < model_->rowCount(); ++row) {
        table_->setRowHidden(row, !model_->isOf(row, shownFaults()));
    }
}

void ReviewWorkspace::goToFault(int step)
{
    const Faults faults = shownFaults() == Faults::all ? Faults::any : shownFaults();
    const int row = model_->next(table_->currentIndex().row(), faults, step);
    if (row < 0) {
        emit document_.message(tr("There is no such fault in this take."));
        return;
    }
    showPage(table_);
    chooseNote(model_->index(row, 0).data(Qt::UserRole).toString(), true);
    table_->scrollTo(model_->index(row, 0), QAbstractItemView::PositionAtCenter);
}

void ReviewWorkspace::fillTakes()
{
    const QString chosen = takes_->currentText();
    takes_->clear();
    for (auto it = document_.takes().rbegin(); it != document_.takes().rend(); ++it) {
        takes_->addItem(QString::fromStdString(it->name));
    }
    const int same = takes_->findText(chosen);
    takes_->setCurrentIndex(same >= 0 ? same : 0);
    showTake(takes_->currentText());
}

void ReviewWorkspace::showTake(const QString& name)
{
    const auto& takes = document_.takes();
    const auto it = std::find_if(
        takes.begin(), takes.end(), [&](const stage::Take& t) { return t.name == name.toStdString(); });
    const QString chosen = table_->currentIndex().data(Qt::UserRole).toString();
    model_->show(nullptr);
    GapScene fresh;
    fresh.from_s = gap_->scene().from_s; // where one looks, and how near
    fresh.to_s = gap_->scene().to_s;
    fresh.instead = gap_->scene().instead;
    gap_->scene() = fresh;
    if (it == takes.end()) {
        take_.reset();
        rhythm_->showTake(nullptr, {});
        fillBeside();
        sayNote(-1);
        judge_->hide();
        summary_->setText(tr("Next: read the stage once (F4)"));
        figures_->setText(tr("There are no takes yet; what happened in one stands here."));
        wave_->setPeaks({}, {});
        gap_->update();
        return;
    }
    const bool another = !take_ || take_->name != it->name || take_->verdicts.empty();
    take_ = *it;
    takes_->setCurrentText(name);
    if (take_->pass != "" && document_.pass() != nullptr && take_->pass != document_.pass()->name) {
        document_.choosePass(QString::fromStdString(take_->pass));
    }
    model_->show(&*take_);
    filter();
    gap_->scene().prepared = &document_.prepared();
    gap_->scene().plan = &take_->plan;
    gap_->scene().verdicts = &take_->verdicts;
    const bool judged = !take_->verdicts.empty();
    judge_->setVisible(!judged);
    judge_->setEnabled(!recorder_.isJudging(take_->name));
    sayFigures();
    tuning_->showTake(&*take_);
    rhythm_->showTake(&*take_, model_->numbers());
    fillBeside();
    if (another || sound_.samples.empty()) {
        loadSound();
    }
    if (!another) {
        table_->selectRow(model_->rowOf(chosen));
        sayNote(model_->rowOf(chosen));
        gap_->showNote(chosen.toStdString());
    } else if (judged) {
        seen_ = false;
        showWorst();
    }
    gap_->update();
}

/// What went worst; where nothing did, its first note: it may begin anywhere in the stage.
void ReviewWorkspace::showWorst()
{
    int row = model_->worst();
    for (int first = 0; row < 0 && first < model_->rowCount(); ++first) {
        row = model_->verdict(first)->outside_take ? -1 : first;
    }
    if (const take::Verdict* verdict = model_->verdict(row)) {
        table_->selectRow(row);
        table_->scrollTo(model_->index(row, 0), QAbstractItemView::PositionAtCenter);
        if (isVisible()) {
            seen_ = true;
            document_.setCurrentNote(QString::fromStdString(verdict->id));
        }
        gap_->showNote(verdict->id);
    }
}

void ReviewWorkspace::resizeEvent(QResizeEvent* event)
{
    QWidget::resizeEvent(event);
    constexpr int kLeastGap = 800; // twenty seconds of words are whole in it
    video_->setVisible(width() >= kLeastGap + kVideoWidth);
}

void ReviewWorkspace::showEvent(QShowEvent* event)
{
    QWidget::showEvent(event);
    if (!seen_ && take_) {
        showWorst();
    }
}

void ReviewWorkspace::sayFigures()
{
    const auto f = take::figures(take_->plan, take_->verdicts);
    const bool judged = !take_->verdicts.empty();
    summary_->setText(judged ? tr("%1 of %2 on time; %3 late, %4 early, %5 missed, %6 misread.")
                                   .arg(f.on_time)
                                   .arg(f.judged)
                                   .arg(f.late)
                                   .arg(f.early)
                                   .arg(f.missed)
                                   .arg(f.misread)
            : recorder_.isJudging(take_->name) ? tr("Finding the calls\u2026")
                                               : tr("Recorded, not judged yet."));
    if (judged && f.judged > 0 && f.missed == f.judged) {
        summary_->setText(tr("Nothing in this take is a note of this stage."));
        figures_->setText(tr("What was heard is silence, talk, or the notes of another stage. Next: see that "
                             "the microphone hears you (F4), and read again."));
    } else if (judged && f.judged == 0) {
        summary_->setText(tr("No note of this stage was due in this take."));
        figures_->setText(
            tr("It ended before the first one could be heard. Next: read on from the start line, "
               "or throw this take away (F6, Del)."));
    } else if (judged) {
        const QString drift = !f.tells_drift     ? QString()
            : std::abs(f.drift_s_per_min) < 0.05 ? tr("The reading keeps pace with the plan.")
            : f.drift_s_per_min > 0
            ? tr("The reading falls behind by %1 s a minute.").arg(f.drift_s_per_min, 0, 'f', 2)
            : tr("The reading runs ahead by %1 s a minute.").arg(-f.drift_s_per_min, 0, 'f', 2);
        figures_->setText(
            tr("%1 %2 syllables a second while speaking; longest without a breath %3 s; %4 hesitated, %5 "
               "repeated. "
               "Faults: %6 of the reading, %7 of the plan. Next: the next fault (N); Enter plays a note.")
                .arg(drift)
                .arg(f.rate_syll_s, 0, 'f', 1)
                .arg(f.longest_run_s, 0, 'f', 1)
                .arg(f.hesitated)
                .arg(f.repeated)
                .arg(model_->readingFaults())
                .arg(model_->planFaults())
                .trimmed());
        if (const auto& besides = gap_->scene().besides; !besides.empty()) {
            const auto c = take::compare(take_->verdicts, besides);
            const double longer_s = c.median_longer_lead_s;
            constexpr double kAsLong_s = 0.02;
            figures_->setText(
                tr("Beside %1: of %2 notes due in both, %3 on time here and %4 there; leads here are %5 "
                   "(median); "
                   "%6 notes sooner here, %7 later. The thin line under each bar is the other take.")
                    .arg(beside_->currentData().toString())
                    .arg(c.notes)
                    .arg(c.on_time)
                    .arg(c.on_time_other)
                    .arg(std::abs(longer_s) < kAsLong_s ? tr("as long")
                            : longer_s < 0.0            ? tr("%1 s shorter").arg(-longer_s, 0, 'f', 2)
                                                        : tr("%1 s longer").arg(longer_s, 0, 'f', 2))
                    .arg(c.sooner)
                    .arg(c.later));
        }
    } else {
        figures_->setText(tr("The recording is kept as %1.").arg(QString::fromStdString(take_->audio)));
    }
}

void ReviewWorkspace::loadSound()
{
    sound_ = {};
    wave_->setPeaks({}, take_->clock);
    struct Loaded {
        media::Sound sound;
        media::Peaks peaks;
    };
    loading_ = inBackground(
        this,
        [file = document_.folder() / "takes" / take_->audio](const media::Progress& progress) {
            constexpr double kSlice_s = 0.005;
            auto sound = media::decodeSound(file, media::kRecordingRate_hz, progress);
            auto peaks = media::peaksOf(sound, kSlice_s);
            return Loaded{std::move(sound), std::move(peaks)};
        },
        [this](Outcome<Loaded> loaded) {
            if (take_ && loaded.value) {
                sound_ = std::move(loaded.value->sound);
                wave_->setPeaks(std::move(loaded.value->peaks), take_->clock);
            }
        });
}

void ReviewWorkspace::chooseNote(const QString& id, bool play)
{
    document_.setCurrentNote(id);
    gap_->showNote(id.toStdString());
    const int row = model_->rowOf(id);
    if (row < 0) {
        return;
    }
    table_->selectRow(row);
    if (!play || !take_) {
        return;
    }
    const take::Verdict& v = *model_->verdict(row);
    const auto& planned = take_->plan.notes[static_cast<std::size_t>(row)];
    playFrom((v.heard() ? v.start_s : planned.start_s) - 1.0, std::max(planned.arrive_s, v.end_s) + 1.0);
}

void ReviewWorkspace::playFrom(double from_s, double to_s)
{
    if (take_) {
        transport_.setGuide(sound_, take_->clock.offset_s);
        transport_.playStretch(from_s, to_s);
    }
}

/// Every other judged take can be laid beside this one.
void ReviewWorkspace::fillBeside()
{
    const QString chosen = beside_->currentData().toString();
    beside_->clear();
    beside_->addItem(tr("beside: none"), QString());
    for (auto it = document_.takes().rbegin(); take_ && it != document_.takes().rend(); ++it) {
        if (it->name != take_->name && !it->verdicts.empty()) {
            const auto name = QString::fromStdString(it->name);
            beside_->addItem(tr("beside: %1").arg(name), name);
        }
    }
    beside_->setVisible(beside_->count() > 1);
    beside_->setCurrentIndex(std::max(0, beside_->findData(chosen)));
    compareWith(beside_->currentData().toString());
}

void ReviewWorkspace::compareWith(const QString& name)
{
    gap_->scene().besides.clear();
    for (const auto& other : document_.takes()) {
        if (take_ && !name.isEmpty() && other.name == name.toStdString()) {
            gap_->scene().besides = take::besides(take_->plan, take_->verdicts, other.verdicts);
        }
    }
    model_->showBeside(gap_->scene().besides);
    table_->setColumnHidden(VerdictModel::kOther, gap_->scene().besides.empty());
    table_->setColumnHidden(VerdictModel::kAhead, !gap_->scene().besides.empty());
    if (take_) {
        sayFigures();
    }
    gap_->update();
}

} // namespace brumefall::app
