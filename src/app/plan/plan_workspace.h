/// Plan: when must each note be spoken? Calls, windows and action points on one time axis.
#pragma once

#include "document/document.h"
#include "widgets/gap_view.h"
#include "widgets/transport.h"

#include <QWidget>

#include <functional>

class QLabel;
class QListWidget;
class QSlider;
class QVBoxLayout;

namespace brumefall::app {

class PlanWorkspace : public QWidget {
    Q_OBJECT

public:
    PlanWorkspace(Document& document, Transport& transport, QWidget* parent = nullptr);

private:
    struct Control {
        QSlider* slider;
        QLabel* value;
        std::function<double()> get;
        double step;
        QString unit;
    };
    void addDriverControl(QVBoxLayout* layout, const QString& name, const char* object_name,
        double plan::Driver::*member, double least, double most, double step, const QString& unit);
    void addControl(QVBoxLayout* layout, const QString& name, const char* object_name,
        std::function<double()> get, std::function<void(double)> set, double least, double most, double step,
        const QString& unit);
    void showPlan();
    void showChosen();

    Document& document_;
    Transport& transport_;
    GapView* gap_;
    QLabel* summary_;
    QLabel* chosen_;
    QListWidget* squeezes_;
    std::vector<Control> controls_;
};

} // namespace brumefall::app
