/// How the take in view was read: the moments that its figures come from, and every call against its plan.
/// Each row leads to its sound.
#pragma once

#include "stage/stage.h"
#include "take/rhythm.h"

#include <QStringList>
#include <QWidget>

class QTableWidget;

namespace brumefall::app {

class RhythmPanel : public QWidget {
    Q_OBJECT

public:
    explicit RhythmPanel(QWidget* parent = nullptr);
    /// `numbers` are those of the notes as the rows of verdicts show them.
    void showTake(const stage::Take* take, const QStringList& numbers);
    [[nodiscard]] QTableWidget* table() const { return table_; }

signals:
    /// Times in seconds from go.
    void chosen(const QString& note, double from_s, double to_s);

private:
    enum Column { kNumber, kWhat, kRate, kStill, kHesitated, kBegun, kColumns };

    void addMoment(const take::Moment& moment, const QString& number);
    void addCall(const take::CallRhythm& call, const QString& number);
    /// A row that plays from `from_s` to `to_s`; what it shows is filled in by the caller.
    int addRow(const std::string& note, double from_s, double to_s, const QString& number);
    void open(int row);

    QTableWidget* table_;
};

} // namespace brumefall::app
