/// Tables of the log: rows of words and figures that are chosen as a whole.
#pragma once

#include "log/tonight.h"
#include "widgets/panels.h"

#include <QCoreApplication>
#include <QStyledItemDelegate>
#include <QTableWidget>

#include <initializer_list>

namespace brumefall::app {

/// No frame around one cell of a row that is chosen as a whole.
class RowDelegate : public QStyledItemDelegate {
public:
    using QStyledItemDelegate::QStyledItemDelegate;
    void paint(QPainter* painter, const QStyleOptionViewItem& option, const QModelIndex& index) const override
    {
        QStyleOptionViewItem plain = option;
        plain.state &= ~QStyle::State_HasFocus;
        QStyledItemDelegate::paint(painter, plain, index);
    }
    [[nodiscard]] QSize sizeHint(const QStyleOptionViewItem& option, const QModelIndex& index) const override
    {
        constexpr int kBetween = 14; // columns are told apart without lines
        return QStyledItemDelegate::sizeHint(option, index) + QSize(kBetween, 0);
    }
};

/// A table with these columns, of which `wide` takes what room is left.
inline QTableWidget* makeRows(
    const char* object_name, const QString& accessible_name, const QStringList& columns, int wide)
{
    auto* table = new QTableWidget(0, static_cast<int>(columns.size()));
    table->setObjectName(QString::fromLatin1(object_name));
    table->setAccessibleName(accessible_name);
    table->setHorizontalHeaderLabels(columns);
    asRows(table);
    table->horizontalHeader()->setDefaultAlignment(Qt::AlignLeft | Qt::AlignVCenter);
    table->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
    table->horizontalHeader()->setSectionResizeMode(wide, QHeaderView::Stretch);
    table->verticalHeader()->setDefaultSectionSize(26);
    table->setWordWrap(false);
    table->setItemDelegate(new RowDelegate(table));
    return table;
}

/// Puts `cells` into `row`, which is made where it is missing.
inline void setRow(QTableWidget* table, int row, const QStringList& cells)
{
    if (row >= table->rowCount()) {
        table->setRowCount(row + 1);
    }
    for (int column = 0; column < cells.size(); ++column) {
        auto* item = new QTableWidgetItem(cells[column]);
        item->setToolTip(cells[column]);
        table->setItem(row, column, item);
    }
}

/// The numbers of a stretch's notes; an echo has the number of what it says again.
inline QString numbersOf(const log::DrillStretch& drill, const log::StageSummary& stage)
{
    int number = 0;
    int first = 0;
    int last = 0;
    for (const auto& note : stage.plan.notes) {
        number += note.echo_of.empty() ? 1 : 0;
        first = note.id == drill.first ? number : first;
        last = note.id == drill.last ? number : last;
    }
    return first == last ? QString::number(first)
                         : QCoreApplication::translate("Rows", "%1 to %2").arg(first).arg(last);
}

/// The row that was chosen stays so, or the nearest.
inline void chooseRow(QTableWidget* table, int row)
{
    if (table->rowCount() > 0) {
        table->setCurrentCell(std::clamp(row, 0, table->rowCount() - 1), 0);
    }
}

} // namespace brumefall::app
