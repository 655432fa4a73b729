/// One row for each note of a take: what happened, and why.
#pragma once

#include "stage/stage.h"
#include "take/causes.h"
#include "take/compare.h"

#include <QAbstractTableModel>
#include <QStringList>

#include <vector>

namespace brumefall::app {

/// Which rows are shown.
enum class Faults { all, any, late, early, missed, misread };

class VerdictModel : public QAbstractTableModel {
    Q_OBJECT

public:
    enum Column { kNumber, kVerdict, kNote, kWords, kWhy, kAhead, kOther, kBeside, kColumns };

    using QAbstractTableModel::QAbstractTableModel;
    void show(const stage::Take* take);
    /// What another take has for every row; empty: none.
    void showBeside(std::vector<take::Beside> besides);
    /// Of the rows, as they are shown; an echo has the number of what it says again, in brackets.
    [[nodiscard]] const QStringList& numbers() const { return numbers_; }
    [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
    [[nodiscard]] QVariant data(const QModelIndex& index, int role) const override;
    [[nodiscard]] QVariant headerData(int section, Qt::Orientation orientation, int role) const override;
    [[nodiscard]] const take::Verdict* verdict(int row) const;
    [[nodiscard]] QString why(int row) const;
    [[nodiscard]] int rowOf(const QString& note) const;
    /// Whether the row is of these; a note said with another distance is a fault, too.
    [[nodiscard]] bool isOf(int row, Faults faults) const;
    /// The next row of these after `row` (before it where `step` is -1), round the end; -1 where there is
    /// none.
    [[nodiscard]] int next(int row, Faults faults, int step) const;
    /// The note that went worst; -1 where none did.
    [[nodiscard]] int worst() const;
    [[nodiscard]] int planFaults() const;
    [[nodiscard]] int readingFaults() const;

private:
    const stage::Take* take_ = nullptr;
    std::vector<take::Reason> reasons_;
    std::vector<take::Beside> besides_;
    QStringList numbers_;
};

} // namespace brumefall::app
