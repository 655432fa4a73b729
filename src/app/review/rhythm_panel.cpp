#include "review/rhythm_panel.h"

#include "widgets/panels.h"

#include <QHash>
#include <QTableWidget>

namespace brumefall::app {
namespace {

enum Data { kNoteRole = Qt::UserRole, kFromRole, kToRole };

QString pair(double read, double planned)
{
    return QObject::tr("%1  (%2)").arg(read, 0, 'f', 1).arg(planned, 0, 'f', 1);
}

} // namespace

RhythmPanel::RhythmPanel(QWidget* parent)
    : QWidget(parent)
    , table_(new QTableWidget(0, kColumns))
{
    setObjectName(QStringLiteral("rhythmPanel"));
    table_->setObjectName(QStringLiteral("rhythmTable"));
    table_->setAccessibleName(tr("Rhythm of the take, call by call"));
    asRows(table_);
    table_->setHorizontalHeaderLabels({tr("#"), tr("what was heard"), tr("syllables a second (planned)"),
        tr("still before it, s (planned)"), tr("hesitated"), tr("begun")});
    table_->horizontalHeader()->setSectionResizeMode(kWhat, QHeaderView::Stretch);
    table_->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    constexpr std::pair<int, int> kWidths[]{
        {kNumber, 42}, {kRate, 210}, {kStill, 200}, {kHesitated, 80}, {kBegun, 110}};
    for (const auto& [column, width] : kWidths) {
        table_->setColumnWidth(column, width);
    }
    table_->verticalHeader()->setDefaultSectionSize(24);
    table_->setWordWrap(false);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(table_);
    connect(table_, &QTableWidget::cellClicked, this, [this](int row, int) { open(row); });
    connect(table_, &QTableWidget::cellActivated, this, [this](int row, int) { open(row); });
}

void RhythmPanel::showTake(const stage::Take* take, const QStringList& numbers)
{
    const int chosen = table_->currentRow();
    table_->clearSpans();
    table_->setRowCount(0);
    if (take == nullptr || take->verdicts.empty()) {
        return;
    }
    QHash<QString, QString> number_of;
    for (std::size_t k = 0; k < take->plan.notes.size(); ++k) {
        number_of.insert(QString::fromStdString(take->plan.notes[k].id), numbers.value(static_cast<int>(k)));
    }
    const auto rhythm = take::rhythmOf(take->plan, take->found, take->clock, take->verdicts);
    for (const take::Moment& moment : rhythm.moments) {
        addMoment(moment, number_of.value(QString::fromStdString(moment.note)));
    }
    for (const take::CallRhythm& call : rhythm.calls) {
        addCall(call, number_of.value(QString::fromStdString(call.first)));
    }
    if (chosen >= 0 && chosen < table_->rowCount()) {
        table_->selectRow(chosen);
    }
}

int RhythmPanel::addRow(const std::string& note, double from_s, double to_s, const QString& number)
{
    const int row = table_->rowCount();
    table_->insertRow(row);
    auto* item = new QTableWidgetItem(number);
    item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
    item->setData(kNoteRole, QString::fromStdString(note));
    item->setData(kFromRole, from_s);
    item->setData(kToRole, to_s);
    table_->setItem(row, kNumber, item);
    return row;
}

void RhythmPanel::addMoment(const take::Moment& moment, const QString& number)
{
    const int row = addRow(moment.note, moment.start_s, moment.end_s, number);
    auto* item = new QTableWidgetItem(QString::fromStdString(moment.text));
    QFont font = item->font();
    font.setBold(true);
    item->setFont(font);
    table_->setItem(row, kWhat, item);
    table_->setSpan(row, kWhat, 1, kColumns - kWhat);
}

void RhythmPanel::addCall(const take::CallRhythm& call, const QString& number)
{
    const int row = addRow(call.first, call.start_s, call.end_s, number);
    const auto set = [&](int column, const QString& text) {
        table_->setItem(row, column, new QTableWidgetItem(text));
    };
    set(kWhat, QString::fromStdString(call.words));
    set(kRate, pair(call.rate_syll_s, call.planned_rate_syll_s));
    set(kStill, pair(call.still_s, call.planned_still_s));
    set(kHesitated, call.hesitated_s > 0.0 ? tr("%1 s").arg(call.hesitated_s, 0, 'f', 1) : QString());
    constexpr double kAsPlanned_s = 0.05;
    set(kBegun,
        call.off_plan_s > kAsPlanned_s        ? tr("%1 s later").arg(call.off_plan_s, 0, 'f', 1)
            : call.off_plan_s < -kAsPlanned_s ? tr("%1 s sooner").arg(-call.off_plan_s, 0, 'f', 1)
                                              : tr("as planned"));
}

void RhythmPanel::open(int row)
{
    if (const auto* item = table_->item(row, kNumber)) {
        emit chosen(item->data(kNoteRole).toString(), item->data(kFromRole).toDouble(),
            item->data(kToRole).toDouble());
    }
}

} // namespace brumefall::app
