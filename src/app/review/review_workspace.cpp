#include "review/review_workspace.h"

#include "theme/theme.h"
#include "widgets/keys.h"
#include "widgets/panels.h"
#include "widgets/signs.h"

#include <QHash>
#include <QPainter>
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

QString besides(const take::Verdict& verdict)
{
    QStringList words;
    if (verdict.repeated) {
        words << QObject::tr("repeated");
    }
    if (verdict.corrected) {
        words << QObject::tr("begun again");
    }
    if (verdict.hesitated) {
        words << QObject::tr("hesitated");
    }
    return words.join(QStringLiteral(", "));
}

} // namespace

void VerdictModel::show(const stage::Take* take)
{
    beginResetModel();
    take_ = take;
    numbers_.clear();
    QHash<QString, int> number_of;
    if (take_ != nullptr) {
        for (const auto& note : take_->plan.notes) { // an echo has the number of what it says again
            const auto id = QString::fromStdString(note.id);
            const int number = note.echo_of.empty() ? static_cast<int>(number_of.size()) + 1 : 0;
            if (number > 0) {
                number_of.insert(id, number);
            }
            numbers_ << (number > 0
                    ? QString::number(number)
                    : QStringLiteral("(%1)").arg(number_of.value(QString::fromStdString(note.echo_of))));
        }
    }
    endResetModel();
}

int VerdictModel::rowCount(const QModelIndex& parent) const
{
    return parent.isValid() || take_ == nullptr
        ? 0
        : static_cast<int>(std::min(take_->verdicts.size(), take_->plan.notes.size()));
}

int VerdictModel::columnCount(const QModelIndex& parent) const
{
    return parent.isValid() ? 0 : kColumns;
}

const take::Verdict* VerdictModel::verdict(int row) const
{
    return row >= 0 && row < rowCount() ? &take_->verdicts[static_cast<std::size_t>(row)] : nullptr;
}

int VerdictModel::rowOf(const QString& note) const
{
    for (int row = 0; row < rowCount(); ++row) {
        if (verdict(row)->id == note.toStdString()) {
            return row;
        }
    }
    return -1;
}

QVariant VerdictModel::data(const QModelIndex& index, int role) const
{
    const take::Verdict* v = verdict(index.row());
    if (v == nullptr) {
        return {};
    }
    if (role == Qt::UserRole) {
        return QString::fromStdString(v->id);
    }
    if (role == Qt::TextAlignmentRole) {
        const bool right = index.column() == kNumber || index.column() == kLead || index.column() == kMetres
            || index.column() == kAhead;
        return static_cast<int>((right ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
    }
    if (role == Qt::ForegroundRole && v->outside_take) {
        return theme().quiet;
    }
    if (role != Qt::DisplayRole && role != Qt::AccessibleTextRole) {
        return {};
    }
    const bool heard = v->timing != take::Timing::missed;
    switch (index.column()) {
    case kNumber: return numbers_.value(index.row());
    case kVerdict:
        return role == Qt::AccessibleTextRole ? QString::fromStdString(take::toString(v->timing)) : QString();
    case kNote:
        return QString::fromStdString(take_->plan.notes[static_cast<std::size_t>(index.row())].spoken);
    case kWords: return QString::fromStdString(take::describe(*v));
    case kLead:
        return heard ? QString::number(std::abs(v->lead_s) < 0.05 ? 0.0 : v->lead_s, 'f', 1) : QString();
    case kMetres: return heard ? QString::number(std::lround(v->lead_m)) : QString();
    case kAhead: return heard ? QVariant(v->notes_ahead) : QVariant();
    case kBeside: {
        QString text = besides(*v);
        for (const auto& remark : take_->remarks) {
            if (remark.note == v->id) {
                text += (text.isEmpty() ? QString() : QStringLiteral("; "))
                    + tr("driver: %1").arg(QString::fromStdString(remark.says));
            }
        }
        return text;
    }
    default: return {};
    }
}

QVariant VerdictModel::headerData(int section, Qt::Orientation orientation, int role) const
{
    if (orientation == Qt::Vertical) {
        return {};
    }
    if (role == Qt::TextAlignmentRole) {
        const bool right = section == kNumber || section == kLead || section == kMetres || section == kAhead;
        return static_cast<int>((right ? Qt::AlignRight : Qt::AlignLeft) | Qt::AlignVCenter);
    }
    if (role != Qt::DisplayRole) {
        return {};
    }
    const QStringList names{tr("#"), tr("early / late"), tr("note"), tr("what happened"), tr("lead, s"),
        tr("lead, m"), tr("ahead"), tr("besides")};
    return names.value(section);
}

TakeWave::TakeWave(GapView& gap, QWidget* parent)
    : QWidget(parent)
    , gap_(gap)
{
    setObjectName(QStringLiteral("takeWave"));
    setAccessibleName(tr("Sound of the take"));
    setFixedHeight(44);
    setAttribute(Qt::WA_OpaquePaintEvent);
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
    , gap_(new GapView)
    , wave_(new TakeWave(*gap_))
    , table_(new QTableView)
    , model_(new VerdictModel(this))
    , judge_(new QPushButton(tr("Find the calls in it")))
{
    setObjectName(QStringLiteral("reviewWorkspace"));
    takes_->setObjectName(QStringLiteral("takeChoice"));
    takes_->setAccessibleName(tr("Take"));
    summary_->setObjectName(QStringLiteral("reviewSummary"));
    summary_->setProperty("large", true);
    summary_->setWordWrap(true);
    figures_->setObjectName(QStringLiteral("reviewFigures"));
    figures_->setProperty("quiet", true);
    figures_->setWordWrap(true);
    gap_->setObjectName(QStringLiteral("reviewGap"));
    gap_->setSpan(0.0, 20.0);
    gap_->setMinimumHeight(230);
    table_->setObjectName(QStringLiteral("verdictTable"));
    table_->setAccessibleName(tr("Verdicts"));
    table_->setModel(model_);
    table_->setItemDelegateForColumn(VerdictModel::kVerdict, new VerdictDelegate(this));
    asRows(table_);
    table_->setMinimumHeight(44);
    beginAt(this, table_);
    table_->verticalHeader()->setDefaultSectionSize(26);
    table_->horizontalHeader()->setSectionResizeMode(VerdictModel::kNote, QHeaderView::Stretch);
    constexpr std::pair<int, int> kWidths[]{{VerdictModel::kNumber, 42}, {VerdictModel::kVerdict, 92},
        {VerdictModel::kWords, 276}, {VerdictModel::kLead, 60}, {VerdictModel::kMetres, 60},
        {VerdictModel::kAhead, 56}, {VerdictModel::kBeside, 126}};
    for (const auto& [column, width] : kWidths) {
        table_->setColumnWidth(column, width);
    }
    judge_->setObjectName(QStringLiteral("judgeButton"));

    auto* head = new QHBoxLayout;
    head->addWidget(new QLabel(tr("Take")));
    head->addWidget(takes_);
    head->addWidget(judge_);
    head->addSpacing(12);
    head->addWidget(summary_, 1);
    auto* remarks = new FlowLayout;
    auto* says_of = new QLabel(tr("The driver says of this note:"));
    says_of->setMinimumHeight(28);
    remarks->addWidget(says_of);
    for (const auto& [says, label, key] : std::initializer_list<std::tuple<QString, QString, Qt::Key>>{
             {QStringLiteral("earlier"), tr("earlier"), Qt::Key_E},
             {QStringLiteral("later"), tr("later"), Qt::Key_L},
             {QStringLiteral("reword"), tr("reword"), Qt::Key_W},
             {QStringLiteral("good"), tr("good"), Qt::Key_K}, {QString(), tr("nothing"), Qt::Key_Delete}}) {
        const QByteArray name = QByteArrayLiteral("remark_") + (says.isEmpty() ? "none" : says.toLatin1());
        auto* button = addButton(remarks, label, name.constData(), [this, says = says] { remark(says); });
        makeCompact(button);
        bindButton(button, QKeyCombination(key));
    }
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addLayout(head);
    layout->addWidget(figures_);
    layout->addWidget(gap_, 1);
    layout->addWidget(wave_);
    layout->addLayout(remarks);
    layout->addWidget(table_, 1);

    connect(&document_, &Document::takesChanged, this, &ReviewWorkspace::fillTakes);
    connect(takes_, &QComboBox::textActivated, this, &ReviewWorkspace::showTake);
    const auto open = [this](const QModelIndex& index) {
        chooseNote(index.data(Qt::UserRole).toString(), true);
    };
    connect(table_, &QTableView::clicked, this, open);
    connect(table_, &QTableView::activated, this, open);
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
    });
    connect(table_->selectionModel(), &QItemSelectionModel::currentRowChanged, this,
        [this](const QModelIndex& index) {
            if (table_->hasFocus()) {
                chooseNote(index.data(Qt::UserRole).toString(), false);
            }
        });
    connect(gap_, &GapView::noteClicked, this, [this](const QString& id) { chooseNote(id, true); });
    connect(judge_, &QPushButton::clicked, this, [this] {
        if (take_) {
            judge_->setEnabled(false);
            recorder_.judgeAgain(*take_);
        }
    });
    connect(&transport_, &Transport::ticked, this, [this](double now_s) {
        if (isVisible()) {
            gap_->showTime(now_s, transport_.player().isPlaying());
            wave_->update();
        }
    });
    fillTakes();
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
    gap_->scene().prepared = &document_.prepared();
    gap_->scene().plan = &take_->plan;
    gap_->scene().verdicts = &take_->verdicts;
    const auto f = take::figures(take_->plan, take_->verdicts);
    const bool judged = !take_->verdicts.empty();
    judge_->setVisible(!judged);
    judge_->setEnabled(!recorder_.isJudging(take_->name));
    summary_->setText(judged ? tr("%1 of %2 on time; %3 late, %4 early, %5 missed.")
                                   .arg(f.on_time)
                                   .arg(f.judged)
                                   .arg(f.late)
                                   .arg(f.early)
                                   .arg(f.missed)
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
            tr("%1 Half of the notes ended within %2 s of the plan. %3 syllables a second while speaking; "
               "longest without a breath %4 s; %5 hesitated, %6 repeated. Next: go through the late ones; "
               "Enter or a click "
               "plays a note.")
                .arg(drift)
                .arg(std::abs(f.median_off_plan_s), 0, 'f', 2)
                .arg(f.rate_syll_s, 0, 'f', 1)
                .arg(f.longest_run_s, 0, 'f', 1)
                .arg(f.hesitated)
                .arg(f.repeated));
    } else {
        figures_->setText(tr("The recording is kept as %1.").arg(QString::fromStdString(take_->audio)));
    }
    sound_ = {};
    try {
        sound_ = media::decodeSound(document_.folder() / "takes" / take_->audio, media::kRecordingRate_hz);
        wave_->setPeaks(media::peaksOf(sound_, 0.005), take_->clock);
    } catch (const media::MediaError&) {
        wave_->setPeaks({}, take_->clock);
    }
    if (!another) {
        table_->selectRow(model_->rowOf(chosen));
        gap_->showNote(chosen.toStdString());
    } else if (judged) { // a take may begin anywhere in the stage: its first fault, else its first note
        const auto& verdicts = take_->verdicts;
        const auto inside = [](const take::Verdict& v) { return !v.outside_take; };
        auto first = std::find_if(verdicts.begin(), verdicts.end(),
            [&](const take::Verdict& v) { return inside(v) && v.timing != take::Timing::on_time; });
        if (first == verdicts.end()) {
            first = std::find_if(verdicts.begin(), verdicts.end(), inside);
        }
        if (first != verdicts.end()) {
            const auto row = static_cast<int>(first - verdicts.begin());
            table_->selectRow(row);
            table_->scrollTo(model_->index(row, 0), QAbstractItemView::PositionAtCenter);
            if (isVisible()) {
                document_.setCurrentNote(QString::fromStdString(first->id));
            }
            gap_->showNote(first->id);
        }
    }
    gap_->update();
}

void ReviewWorkspace::chooseNote(const QString& id, bool play)
{
    document_.setCurrentNote(id);
    gap_->showNote(id.toStdString());
    wave_->update();
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
    const double from_s = (v.timing == take::Timing::missed ? planned.start_s : v.start_s) - 1.0;
    transport_.setGuide(sound_, take_->clock.offset_s);
    transport_.playStretch(from_s, std::max(planned.arrive_s, v.end_s) + 1.0);
}

void ReviewWorkspace::remark(const QString& says)
{
    const QModelIndex index = table_->currentIndex();
    if (!take_ || !index.isValid()) {
        return;
    }
    const int row = index.row();
    document_.setRemark(QString::fromStdString(take_->name), index.data(Qt::UserRole).toString(), says);
    table_->selectRow(row);
}

} // namespace brumefall::app
