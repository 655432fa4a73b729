/// Log: am I getting better, what next? All takes with their figures, and how they change.
#pragma once

#include "document/document.h"

#include <QWidget>

class QChartView;
class QLabel;
class QTableWidget;

namespace brumefall::app {

class LogWorkspace : public QWidget {
    Q_OBJECT

public:
    explicit LogWorkspace(Document& document, QWidget* parent = nullptr);

signals:
    void takeChosen(const QString& name);

protected:
    void changeEvent(QEvent* event) override;

private:
    void openChosen();
    void removeChosen();
    void showTakes();

    Document& document_;
    QTableWidget* table_;
    QChartView* chart_;
    QLabel* next_;
};

} // namespace brumefall::app
