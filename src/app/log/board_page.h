/// The rally: a row a stage, with what there is of it and how it goes, and a total.
#pragma once

#include "log/rally.h"

#include <QWidget>

class QLabel;
class QTableWidget;

namespace brumefall::app {

class BoardPage : public QWidget {
    Q_OBJECT

public:
    explicit BoardPage(QWidget* parent = nullptr);
    /// `open` is the place of the stage that is open; -1 where it is not among them.
    void show(const log::Rally& rally, int open);

signals:
    void stageWanted(const QString& folder);
    void crewWanted(const QString& folder); ///< of that stage, for the open one

private:
    enum Column { kStage, kLength, kNotes, kPlaced, kPlanned, kTakes, kOnTime, kLast, kWeakest };

    [[nodiscard]] QString chosenFolder() const; ///< empty where no stage is chosen

    QLabel* name_;
    QTableWidget* table_;
    QLabel* problems_;
    const log::Rally* rally_ = nullptr;
};

} // namespace brumefall::app
