#include "log/log_workspace.h"

#include "theme/theme.h"
#include "widgets/keys.h"
#include "widgets/panels.h"

#include <QChart>
#include <QChartView>
#include <QEvent>
#include <QLineSeries>
#include <QStyledItemDelegate>
#include <QTableWidget>
#include <QValueAxis>

#include <algorithm>
#include <cmath>
#include <map>

namespace brumefall::app {
namespace {

/// A row is chosen as a whole: no frame around one of its cells.
class RowDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override
    {
        QStyleOptionViewItem plain = option;
        plain.state &= ~QStyle::State_HasFocus;
        QStyledItemDelegate::paint(painter, plain, index);
    }
};

/// The note that most often was not on time over all takes, and how often.
std::pair<std::string, int> worstNote(const std::vector<stage::Take>& takes)
{
    std::map<std::string, int> troubles;
    for (const auto& take : takes) {
        for (const auto& verdict : take.verdicts) {
            if (!verdict.outside_take && verdict.timing != take::Timing::on_time) {
                ++troubles[verdict.id];
            }
        }
    }
    const auto worst = std::max_element(
        troubles.begin(), troubles.end(), [](const auto& a, const auto& b) { return a.second < b.second; });
    return worst == troubles.end() ? std::pair<std::string, int>{}
                                   : std::pair<std::string, int>{worst->first, worst->second};
}

} // namespace

LogWorkspace::LogWorkspace(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , table_(new QTableWidget(0, 8))
    , chart_(new QChartView)
    , next_(new QLabel)
{
    setObjectName(QStringLiteral("logWorkspace"));
    table_->setObjectName(QStringLiteral("takesTable"));
    table_->setAccessibleName(tr("Takes"));
    table_->setHorizontalHeaderLabels({tr("take"), tr("pass"), tr("read by"), tr("on time"), tr("late"),
        tr("missed"), tr("drift a minute"), tr("rate")});
    asRows(table_);
    table_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    table_->horizontalHeader()->setSectionResizeMode(2, QHeaderView::Stretch);
    table_->setItemDelegate(new RowDelegate(table_));
    chart_->setObjectName(QStringLiteral("trendChart"));
    chart_->setAccessibleName(tr("Share of notes on time, take after take"));
    chart_->setRenderHint(QPainter::Antialiasing);
    next_->setObjectName(QStringLiteral("logNext"));
    next_->setProperty("large", true);
    next_->setWordWrap(true);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addWidget(next_);
    layout->addWidget(table_, 2);
    auto* row = new QHBoxLayout;
    bindButton(addButton(row, tr("Open in Review"), "openTake", [this] { openChosen(); }),
        QKeyCombination(Qt::Key_O));
    bindButton(addButton(row, tr("Into the trash"), "removeTake", [this] { removeChosen(); }),
        QKeyCombination(Qt::Key_Delete));
    row->addStretch();
    layout->addLayout(row);
    layout->addWidget(chart_, 3);
    chart_->setMinimumHeight(120);
    beginAt(this, table_);
    connect(&document_, &Document::takesChanged, this, &LogWorkspace::showTakes);
    connect(table_, &QTableWidget::cellDoubleClicked, this, &LogWorkspace::openChosen);
    connect(table_, &QTableWidget::cellActivated, this, &LogWorkspace::openChosen); // by Enter
    showTakes();
}

void LogWorkspace::openChosen()
{
    if (const auto* item = table_->item(table_->currentRow(), 0)) {
        emit takeChosen(item->text());
    }
}

void LogWorkspace::removeChosen()
{
    if (const auto* item = table_->item(table_->currentRow(), 0)) {
        document_.removeTake(item->text());
    }
}

void LogWorkspace::changeEvent(QEvent* event)
{
    QWidget::changeEvent(event);
    if (event->type() == QEvent::PaletteChange) {
        showTakes(); // the chart's colours are the theme's
    }
}

void LogWorkspace::showTakes()
{
    const auto& takes = document_.takes();
    const int chosen = std::max(0, table_->currentRow());
    table_->setRowCount(static_cast<int>(takes.size()));
    auto* series = new QLineSeries;
    for (int row = 0; row < table_->rowCount(); ++row) {
        // newest first
        const stage::Take& take = takes[takes.size() - 1 - static_cast<std::size_t>(row)];
        const auto f = take::figures(take.plan, take.verdicts);
        const bool judged = !take.verdicts.empty();
        const QStringList cells{QString::fromStdString(take.name), QString::fromStdString(take.pass),
            QString::fromStdString(take.reader),
            judged ? tr("%1 of %2").arg(f.on_time).arg(f.judged) : tr("not judged"), QString::number(f.late),
            QString::number(f.missed), tr("%1 s").arg(f.drift_s_per_min, 0, 'f', 2),
            tr("%1 syll/s").arg(f.rate_syll_s, 0, 'f', 1)};
        for (int column = 0; column < cells.size(); ++column) {
            auto* item = new QTableWidgetItem(cells[column]);
            item->setTextAlignment((column < 3 ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter);
            table_->setItem(row, column, item);
        }
    }
    table_->setCurrentCell(std::min(chosen, table_->rowCount() - 1), 0);
    int number = 0;
    for (const auto& take : takes) {
        ++number;
        if (!take.verdicts.empty()) {
            series->append(number, std::round(100.0 * take::figures(take.plan, take.verdicts).on_time_share));
        }
    }
    const Theme& t = theme();
    auto* chart = new QChart;
    series->setPen(QPen(t.ink, 2.2));
    series->setPointsVisible(true);
    chart->addSeries(series);
    chart->legend()->hide();
    chart->setTitle(tr("Notes on time, take after take"));
    chart->setTitleFont(typeface(type::kText, true));
    chart->setTitleBrush(t.ink);
    chart->setBackgroundBrush(t.panel);
    chart->setBackgroundRoundness(0);
    auto* across = new QValueAxis;
    across->setRange(0.5, std::max(2, number) + 0.5);
    across->setTickType(QValueAxis::TicksDynamic);
    across->setTickAnchor(1.0);
    across->setTickInterval(std::max(1, number / 10));
    across->setLabelFormat(QStringLiteral("%d"));
    across->setTitleText(tr("take"));
    auto* up = new QValueAxis;
    up->setRange(0, 108);
    up->setTickType(QValueAxis::TicksDynamic);
    up->setTickInterval(25);
    up->setLabelFormat(QStringLiteral("%d %"));
    for (auto* axis : {across, up}) {
        axis->setLabelsFont(typeface(type::kSmall));
        axis->setTitleFont(typeface(type::kSmall));
        axis->setLabelsColor(t.quiet);
        axis->setTitleBrush(t.quiet);
        axis->setGridLineColor(t.line);
        axis->setLinePenColor(t.line);
    }
    across->setGridLineVisible(false);
    chart->addAxis(across, Qt::AlignBottom);
    chart->addAxis(up, Qt::AlignLeft);
    series->attachAxis(across);
    series->attachAxis(up);
    QChart* before = chart_->chart();
    chart_->setChart(chart);
    delete before;
    chart_->setBackgroundBrush(t.panel);
    const auto [note, times] = worstNote(takes);
    if (takes.empty()) {
        next_->setText(tr("Next: read the stage once (F4). Every take is kept here."));
    } else if (times == 0) {
        next_->setText(tr("Every note of every take was on time."));
    } else {
        const notes::Note* known = document_.note(note);
        next_->setText(tr("Next: note %1, \u201c%2\u201d, was off in %3 of %4 takes. Enter opens a take.")
                           .arg(document_.numberOf(note))
                           .arg(known == nullptr ? QString() : QString::fromStdString(known->spoken))
                           .arg(times)
                           .arg(takes.size()));
    }
}

} // namespace brumefall::app
