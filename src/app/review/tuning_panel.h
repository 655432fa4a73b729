/// What the driver said, as better leads: for every class of notes what they were, what they would be, how
/// sure that is and what it moves; and how early the take in view was read.
#pragma once

#include "document/document.h"
#include "tune/tuning.h"

#include <QWidget>

class QLabel;
class QPushButton;
class QTableWidget;

namespace brumefall::app {

class WhenSeen;

class TuningPanel : public QWidget {
    Q_OBJECT

public:
    explicit TuningPanel(Document& document, QWidget* parent = nullptr);
    /// The take in view; null where there is none.
    void showTake(const stage::Take* take);

private:
    enum Column { kClass, kNow, kFitted, kBetween, kRemarks, kMoves, kRead, kColumns };

    void fill();
    void takeChosen();
    void takeAll();
    void takeReader();
    void keepAsDriver();

    Document& document_;
    QTableWidget* table_;
    QLabel* says_;
    QLabel* reader_;
    QPushButton* take_one_ = nullptr;
    QPushButton* take_all_ = nullptr;
    QPushButton* take_reader_ = nullptr;
    QPushButton* keep_ = nullptr;
    WhenSeen* when_seen_;
    tune::Tuning tuning_;
    tune::ReadLeads read_{};
    QString take_name_;
};

} // namespace brumefall::app
