/// What to practise tonight, over the whole rally: stretches in the order of what they gain, begun one after
/// the other by one key, and ticked.
#pragma once

#include "log/tonight.h"

#include <QWidget>

#include <optional>
#include <vector>

class QLabel;
class QPushButton;
class QSpinBox;
class QTableWidget;

namespace brumefall::app {

class TonightPage : public QWidget {
    Q_OBJECT

public:
    explicit TonightPage(QWidget* parent = nullptr);

    /// What is listed stays once one of it was begun: a list that changes under the hand is none.
    void show(const log::Rally& rally);
    /// The one that was begun was practised: it is ticked, and the next one is chosen.
    void tick(const QString& result);
    /// The one that was begun was left off.
    void leave() { begun_ = -1; }
    [[nodiscard]] bool isBegun() const { return begun_ >= 0; }

signals:
    void drillWanted(const brumefall::log::DrillStretch& drill);

private:
    enum Column { kDone, kStage, kNotes, kMinutes, kWay, kWhy };

    void list();
    void fill();
    void begin();
    [[nodiscard]] QString notesOf(const log::DrillStretch& drill) const;

    struct Row {
        log::DrillStretch drill;
        bool done = false;
        QString result;
    };
    QSpinBox* minutes_;
    QLabel* says_;
    QTableWidget* table_;
    QPushButton* begin_ = nullptr;
    const log::Rally* rally_ = nullptr;
    std::vector<Row> rows_;
    int begun_ = -1; ///< the row that is practised now
};

} // namespace brumefall::app
