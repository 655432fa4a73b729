#include "log/tonight_page.h"

#include "log/rows.h"
#include "read/practice_bar.h"
#include "widgets/keys.h"

#include <QDateTime>
#include <QSettings>
#include <QSpinBox>

#include <algorithm>

namespace brumefall::app {

TonightPage::TonightPage(QWidget* parent)
    : QWidget(parent)
    , minutes_(new QSpinBox)
    , says_(new QLabel)
    , table_(makeRows("tonightTable", tr("What to practise tonight"),
          {tr("done"), tr("stage"), tr("notes"), tr("minutes"), tr("way"), tr("why")}, kWhy))
{
    setObjectName(QStringLiteral("tonightPage"));
    minutes_->setObjectName(QStringLiteral("tonightMinutes"));
    minutes_->setAccessibleName(tr("Minutes that there are tonight"));
    constexpr int kMost = 480;
    constexpr int kUsual = 30;
    minutes_->setRange(1, kMost);
    minutes_->setSuffix(tr(" minutes"));
    minutes_->setValue(QSettings().value(QStringLiteral("log/minutes"), kUsual).toInt());
    says_->setObjectName(QStringLiteral("tonightSays"));
    says_->setWordWrap(true);
    auto* head = new QHBoxLayout;
    head->addWidget(new QLabel(tr("Tonight there are")));
    head->addWidget(minutes_);
    begin_ = addButton(head, tr("Begin this"), "tonightBegin", [this] { begin(); });
    bindButton(begin_, QKeyCombination(Qt::Key_B));
    auto* anew = addButton(head, tr("New list"), "tonightAnew", [this] {
        rows_.clear();
        list();
    });
    bindButton(anew, QKeyCombination(Qt::Key_A));
    head->addStretch();
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addLayout(head);
    layout->addWidget(table_, 1);
    layout->addWidget(says_);
    connect(minutes_, &QSpinBox::valueChanged, this, [this](int minutes) {
        QSettings().setValue(QStringLiteral("log/minutes"), minutes);
        list();
    });
    connect(table_, &QTableWidget::cellActivated, this, &TonightPage::begin);
}

void TonightPage::show(const log::Rally& rally)
{
    rally_ = &rally;
    const bool begun =
        begun_ >= 0 || std::any_of(rows_.begin(), rows_.end(), [](const Row& row) { return row.done; });
    if (!begun) {
        list();
    }
}

void TonightPage::list()
{
    if (rally_ == nullptr) {
        return;
    }
    // what was done tonight stays ticked, whatever the minutes are
    std::vector<Row> rows;
    std::copy_if(
        rows_.begin(), rows_.end(), std::back_inserter(rows), [](const Row& row) { return row.done; });
    double used = 0.0;
    for (const Row& row : rows) {
        used += row.drill.minutes;
    }
    const auto now = QDateTime::currentDateTime().toString(Qt::ISODate).toStdString();
    for (auto& drill : log::tonight(*rally_, minutes_->value() - used, now)) {
        const bool known = std::any_of(rows.begin(), rows.end(), [&](const Row& row) {
            return row.drill.folder == drill.folder && row.drill.first == drill.first;
        });
        if (!known) {
            rows.push_back({std::move(drill), false, {}});
        }
    }
    rows_ = std::move(rows);
    begun_ = -1;
    fill();
    const auto next = std::find_if(rows_.begin(), rows_.end(), [](const Row& row) { return !row.done; });
    chooseRow(table_, static_cast<int>(next - rows_.begin()));
}

QString TonightPage::notesOf(const log::DrillStretch& drill) const
{
    const auto stage = std::find_if(rally_->stages.begin(), rally_->stages.end(),
        [&](const log::StageSummary& s) { return s.folder == drill.folder; });
    return stage == rally_->stages.end() ? QString() : numbersOf(drill, *stage);
}

void TonightPage::fill()
{
    table_->setRowCount(0);
    double minutes = 0.0;
    int done = 0;
    for (int i = 0; i < static_cast<int>(rows_.size()); ++i) {
        const Row& row = rows_[static_cast<std::size_t>(i)];
        minutes += row.drill.minutes;
        done += row.done ? 1 : 0;
        setRow(table_, i,
            {row.done ? QStringLiteral("\u2713") : QString(), QString::fromStdString(row.drill.stage),
                notesOf(row.drill), QString::number(row.drill.minutes, 'f', 1), nameOf(row.drill.way),
                row.done ? row.result : QString::fromStdString(row.drill.why)});
    }
    begin_->setEnabled(!rows_.empty());
    says_->setText(rows_.empty() ? tr("Nothing here gains from being read tonight: it was all read well, and "
                                      "lately. Give more minutes, "
                                      "or read a whole stage (F4).")
            : done == static_cast<int>(rows_.size())
            ? tr("All of it is done. New list (A) shows what gains most now.")
            : tr("%1 stretches, %2 minutes; %3 done. What gains most stands first: trouble, danger, and how "
                 "long ago "
                 "it was read. Enter begins the chosen one in its way; the list then goes on to the next.")
                  .arg(rows_.size())
                  .arg(minutes, 0, 'f', 0)
                  .arg(done));
}

void TonightPage::begin()
{
    const int row = table_->currentRow();
    if (row >= 0 && row < static_cast<int>(rows_.size())) {
        begun_ = row;
        const auto drill = rows_[static_cast<std::size_t>(row)].drill;
        emit drillWanted(drill);
    }
}

void TonightPage::tick(const QString& result)
{
    if (begun_ < 0 || begun_ >= static_cast<int>(rows_.size())) {
        return;
    }
    Row& row = rows_[static_cast<std::size_t>(begun_)];
    row.done = true;
    row.result = result;
    const int from = begun_;
    begun_ = -1;
    fill();
    const auto count = static_cast<int>(rows_.size());
    int next = from;
    for (int i = 1; i <= count; ++i) {
        if (!rows_[static_cast<std::size_t>((from + i) % count)].done) {
            next = (from + i) % count;
            break;
        }
    }
    chooseRow(table_, next);
    table_->setFocus();
}

} // namespace brumefall::app
