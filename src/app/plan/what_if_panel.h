/// Another pace, driver or reader: which calls would move, and where to.
#pragma once

#include "document/document.h"
#include "plan/driver_files.h"

#include <QWidget>

class QComboBox;
class QLabel;
class QListWidget;

namespace brumefall::app {

class WhatIfPanel : public QWidget {
    Q_OBJECT

public:
    explicit WhatIfPanel(Document& document, QWidget* parent = nullptr);

    void setDrivers(const std::vector<NamedDriver>& drivers);
    /// Makes the other plan and lists the calls that move; the plan stays valid until this is called again.
    const plan::Plan& compare();

signals:
    void chosen();

private:
    void fillChoices();
    void listMoved();

    Document& document_;
    QComboBox* what_;
    QLabel* facts_;
    QListWidget* moved_;
    std::vector<NamedDriver> drivers_;
    stage::Prepared other_;
};

} // namespace brumefall::app
