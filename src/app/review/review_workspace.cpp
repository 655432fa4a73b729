#include "review/review_workspace.h"

#include "theme/theme.h"
#include "widgets/keys.h"
#include "widgets/panels.h"
#include "widgets/signs.h"

#include <QDateTime>
#include <QFileDialog>
#include <QFileInfo>
#include <QLineEdit>
#include <QPainter>
#include <QStackedWidget>
#include <QStyledItemDelegate>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

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

TakeWave::TakeWave(GapView& gap, QWidget* parent)
    : QWidget(parent)
    , gap_(gap)
{
    setObjectName(QStringLiteral("takeWave"));
    setAccessibleName(tr("Sound of the take"));
    setFixedHeight(32);
    setAttribute(Qt::WA_OpaquePaintEvent);
    gap_.installEventFilter(this);
}

/// It moves with the picture above it.
bool TakeWave::eventFilter(QObject* watched, QEvent* event)
{
    const GapScene& scene = gap_.scene();
    if (watched == &gap_ && event->type() == QEvent::Paint
        && (scene.from_s != shown_from_s_ || scene.to_s != shown_to_s_)) {
        update();
    }
    return false;
}

void TakeWave::setPeaks(media::Peaks peaks, const take::Clock& clock)
{
    peaks_ = std::move(peaks);
    clock_ = clock;
    update();
}

void TakeWave::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    const Theme& t = theme();
    p.fillRect(rect(), t.panel);
    const double from_s = gap_.scene().from_s;
    shown_from_s_ = from_s;
    shown_to_s_ = gap_.scene().to_s;
    const double per_pixel_s = (gap_.scene().to_s - from_s) / std::max(1, width());
    const double middle = 0.5 * height();
    p.setPen(t.quiet);
    for (int px = 0; px < width() && !peaks_.low.empty(); ++px) {
        const double r0 = clock_.recordingTime(from_s + px * per_pixel_s);
        const double r1 = clock_.recordingTime(from_s + (px + 1) * per_pixel_s);
        if (r1 < 0) {
            continue;
        }
        const auto first = static_cast<std::size_t>(std::max(0.0, r0 / peaks_.slice_s));
        const auto last = std::max(first + 1, static_cast<std::size_t>(r1 / peaks_.slice_s));
        float low = 0.0F;
        float high = 0.0F;
        for (std::size_t i = first; i < std::min(last, peaks_.low.size()); ++i) {
            low = std::min(low, peaks_.low[i]);
            high = std::max(high, peaks_.high[i]);
        }
        p.drawLine(QPointF(px, middle - middle * static_cast<double>(high)),
            QPointF(px, middle - middle * static_cast<double>(low)));
    }
    if (peaks_.low.empty()) {
        p.setFont(typeface(type::kSmall));
        p.drawText(rect(), Qt::AlignCenter, tr("The recording of this take is not there."));
    }
}

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
    , wave_(new TakeWave(*gap_))
    , table_(new QTableView)
    , model_(new VerdictModel(this))
    , tuning_(new TuningPanel(document))
    , pages_(new QStackedWidget)
    , judge_(new QPushButton(tr("Find the calls in it")))
    , faults_(new QComboBox)
    , words_(new QLineEdit)
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
    makeTable();
    pages_->addWidget(table_);
    tuning_page_ = scrolled(tuning_);
    pages_->addWidget(tuning_page_);
    pages_->setMinimumHeight(80);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(10, 6, 10, 6);
    layout->setSpacing(4);
    layout->addLayout(makeHead());
    layout->addWidget(figures_);
    layout->addWidget(gap_, 2);
    layout->addWidget(wave_);
    layout->addWidget(why_);
    layout->addLayout(makeRemarks());
    layout->addWidget(pages_, 3);

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
        take_.reset();
        gap_->setSpan(0.0, 20.0);
        pages_->setCurrentWidget(table_);
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
    auto* import = addButton(head, tr("From elsewhere\u2026"), "importReading", [this] { importReading(); });
    import->setToolTip(
        tr("Judge a reading that was recorded in the car, by an intercom, a phone or the onboard itself"));
    makeCompact(import);
    tune_ = addButton(head, tr("Tuning"), "tuningButton",
        [this] { pages_->setCurrentWidget(tune_->isChecked() ? tuning_page_ : table_); });
    tune_->setCheckable(true);
    makeCompact(tune_);
    bindButton(tune_, QKeyCombination(Qt::Key_U));
    return head;
}

QLayout* ReviewWorkspace::makeRemarks()
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
    auto* says_of = new QLabel(tr("   The driver says of it:"));
    says_of->setMinimumHeight(28);
    row->addWidget(says_of);
    for (const auto& [says, label, key] : std::initializer_list<std::tuple<QString, QString, Qt::Key>>{
             {QStringLiteral("earlier"), tr("earlier"), Qt::Key_E},
             {QStringLiteral("later"), tr("later"), Qt::Key_L},
             {QStringLiteral("good"), tr("good"), Qt::Key_K},
             {QStringLiteral("reword"), tr("reword"), Qt::Key_W},
             {QStringLiteral("other"), tr("else"), Qt::Key_O}, {QString(), tr("nothing"), Qt::Key_Delete}}) {
        const QByteArray name = QByteArrayLiteral("remark_") + (says.isEmpty() ? "none" : says.toLatin1());
        auto* button = addButton(row, label, name.constData(), [this, says = says] { remark(says); });
        makeCompact(button);
        bindButton(button, QKeyCombination(key));
    }
    words_->setObjectName(QStringLiteral("remarkWords"));
    words_->setAccessibleName(tr("What the driver said"));
    words_->setMinimumWidth(260);
    words_->hide();
    row->addWidget(words_);
    connect(words_, &QLineEdit::editingFinished, this, &ReviewWorkspace::takeWords);
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
        {VerdictModel::kBeside, 126}};
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
            if (const auto* verdict = model_->verdict(index.row())) {
                const QString note = index.siblingAtColumn(VerdictModel::kNote).data().toString();
                const QString why = model_->why(index.row());
                why_->setText(QStringLiteral("%1  %2:  %3%4")
                                  .arg(index.siblingAtColumn(VerdictModel::kNumber).data().toString(), note,
                                      QString::fromStdString(take::describe(*verdict)),
                                      why.isEmpty() ? QString() : QStringLiteral(" \u2013 ") + why));
            } else {
                why_->clear();
            }
            if (table_->hasFocus()) {
                chooseNote(index.data(Qt::UserRole).toString(), false);
            }
        });
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
    pages_->setCurrentWidget(table_);
    tune_->setChecked(false);
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
    gap_->scene() = GapScene{};
    if (it == takes.end()) {
        take_.reset();
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
    if (another || sound_.samples.empty()) {
        loadSound();
    }
    if (!another) {
        table_->selectRow(model_->rowOf(chosen));
        gap_->showNote(chosen.toStdString());
    } else if (judged) { // what went worst; where nothing did, its first note: it may begin anywhere in the
                         // stage
        int row = model_->worst();
        for (int first = 0; row < 0 && first < model_->rowCount(); ++first) {
            row = model_->verdict(first)->outside_take ? -1 : first;
        }
        if (const take::Verdict* verdict = model_->verdict(row)) {
            table_->selectRow(row);
            table_->scrollTo(model_->index(row, 0), QAbstractItemView::PositionAtCenter);
            if (isVisible()) {
                document_.setCurrentNote(QString::fromStdString(verdict->id));
            }
            gap_->showNote(verdict->id);
        }
    }
    gap_->update();
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
        const QString drift = std::abs(f.drift_s_per_min) < 0.05 ? tr("The reading keeps pace with the plan.")
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
                .arg(model_->planFaults()));
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
    const double from_s = (v.heard() ? v.start_s : planned.start_s) - 1.0;
    transport_.setGuide(sound_, take_->clock.offset_s);
    transport_.playStretch(from_s, std::max(planned.arrive_s, v.end_s) + 1.0);
}

void ReviewWorkspace::remark(const QString& says)
{
    const QModelIndex index = table_->currentIndex();
    if (!take_ || !index.isValid()) {
        return;
    }
    if (says == QStringLiteral("reword") || says == QStringLiteral("other")) {
        askForWords(says);
        return;
    }
    const int row = index.row();
    document_.setRemark(QString::fromStdString(take_->name), index.data(Qt::UserRole).toString(), says);
    table_->selectRow(row);
}

void ReviewWorkspace::askForWords(const QString& says)
{
    words_for_ = says;
    words_->setText(says == QStringLiteral("reword")
            ? table_->currentIndex().siblingAtColumn(VerdictModel::kNote).data().toString()
            : QString());
    words_->setPlaceholderText(tr("What the driver said (Enter)"));
    words_->show();
    words_->selectAll();
    words_->setFocus();
}

void ReviewWorkspace::takeWords()
{
    const QString says = std::exchange(words_for_, {});
    const QModelIndex index = table_->currentIndex();
    words_->hide();
    table_->setFocus();
    if (says.isEmpty() || !take_ || !index.isValid() || words_->text().trimmed().isEmpty()) {
        return;
    }
    const int row = index.row();
    document_.setRemark(QString::fromStdString(take_->name), index.data(Qt::UserRole).toString(), says,
        words_->text().trimmed());
    table_->selectRow(row);
}

/// A sound from the car, an intercom, a phone, or the onboard itself, judged like a take.
void ReviewWorkspace::importReading()
{
    if (document_.prepared().plan.notes.empty()) {
        emit document_.message(tr("There are no notes to judge a reading by. Write them first (F1)."));
        return;
    }
    const QString file = QFileDialog::getOpenFileName(this, tr("A reading of this stage: sound or video"));
    if (file.isEmpty()) {
        return;
    }
    struct Imported {
        media::Sound sound;
        media::ReadingElsewhere reading;
    };
    const auto* pass = document_.pass();
    emit document_.message(tr("Finding the calls in %1\u2026").arg(QFileInfo(file).fileName()));
    importing_ = inBackground(
        this,
        [prepared = document_.prepared(), file, onboard = document_.mediaFile(),
            go_s = pass == nullptr ? 0.0 : pass->go_s](const media::Progress& progress) {
            auto sound = media::decodeSound(file.toStdString(), media::kRecordingRate_hz, progress);
            // the onboard's own sound lies where the onboard lies
            const bool own = QFileInfo(file) == QFileInfo(onboard);
            auto reading = media::judgeElsewhere(prepared, sound, own ? std::optional(go_s) : std::nullopt,
                onboard.toStdString(), go_s, progress);
            return Imported{std::move(sound), std::move(reading)};
        },
        [this, file](Outcome<Imported> imported) {
            if (!imported.value) {
                emit document_.message(imported.why);
            } else if (imported.value->reading.laid_by == media::LaidBy::nothing) {
                emit document_.message(tr("%1 is not judged: %2.")
                                           .arg(QFileInfo(file).fileName(),
                                               QString::fromStdString(imported.value->reading.says)));
            } else {
                keepReading(file, imported.value->sound, imported.value->reading);
            }
        },
        [this, file](double share) {
            emit document_.message(tr("Finding the calls in %1: %2 %")
                                       .arg(QFileInfo(file).fileName())
                                       .arg(std::lround(100.0 * share)));
        });
}

void ReviewWorkspace::keepReading(
    const QString& file, const media::Sound& sound, const media::ReadingElsewhere& reading)
{
    stage::Take take;
    take.name = takeNameNow().toStdString();
    take.made_at = QDateTime::currentDateTime().toString(Qt::ISODate).toStdString();
    take.pass = document_.pass() == nullptr ? "" : document_.pass()->name;
    take.reader = QFileInfo(file).fileName().toStdString();
    take.plan = document_.prepared().plan;
    take.pace = document_.prepared().placement.pace;
    take.clock = reading.clock;
    take.recorded_s = reading.recorded_s;
    take.found = reading.found;
    take.verdicts = reading.verdicts;
    take.audio = take.name + ".flac";
    try {
        const auto folder = document_.folder() / "takes";
        std::error_code ignored;
        std::filesystem::create_directories(folder, ignored);
        media::SoundWriter writer(folder / take.audio, sound.rate_hz);
        writer.write(sound.samples);
        writer.close();
    } catch (const media::MediaError& error) {
        emit document_.message(QString::fromStdString(error.what()));
        return;
    }
    document_.keepTake(take);
    showTake(QString::fromStdString(take.name));
    emit document_.message(
        tr("%1 is judged: %2.").arg(QFileInfo(file).fileName(), QString::fromStdString(reading.says)));
}

} // namespace brumefall::app
