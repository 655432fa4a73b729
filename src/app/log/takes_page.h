/// The takes of the open stage, newest first: what came of each, its name and a remark.
#pragma once

#include "document/document.h"
#include "log/trends.h"

#include <QWidget>

class QLineEdit;
class QTableWidget;

namespace brumefall::app {

class TakesPage : public QWidget {
    Q_OBJECT

public:
    explicit TakesPage(Document& document, QWidget* parent = nullptr);
    void show(const log::Filter& filter);

signals:
    void takeChosen(const QString& name);

private:
    enum Column { kTake, kTitle, kPass, kReader, kOnTime, kLate, kMissed, kMisread, kDrift, kRate, kComment };

    void openChosen();
    void removeChosen();
    void showTexts();
    void keepTexts();
    [[nodiscard]] QString chosen() const; ///< the take's file name; empty where none is chosen

    Document& document_;
    QTableWidget* table_;
    QLineEdit* title_;
    QLineEdit* comment_;
    QString shown_; ///< the take that the two lines are about
};

} // namespace brumefall::app
