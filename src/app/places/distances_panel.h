/// Noted distances beside measured ones, worst first, corrected by one key.
#pragma once

#include "document/document.h"
#include "road/distances.h"

#include <QWidget>

class QLabel;
class QPushButton;
class QTableWidget;

namespace brumefall::app {

class DistancesPanel : public QWidget {
    Q_OBJECT

public:
    explicit DistancesPanel(Document& document, QWidget* parent = nullptr);

    void correct();

signals:
    void noteChosen(const QString& id);

private:
    void refresh();

    Document& document_;
    QLabel* facts_;
    QTableWidget* table_;
    QPushButton* correct_ = nullptr;
    std::vector<road::DistanceCheck> checks_;
};

} // namespace brumefall::app
