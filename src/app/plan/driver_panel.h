/// The two people of the plan: what the driver wishes, and how the co-driver reads.
#pragma once

#include "document/document.h"
#include "plan/driver_files.h"

#include <QWidget>

#include <functional>
#include <vector>

class QComboBox;
class QSlider;
class QLabel;
class QSpinBox;
class QVBoxLayout;

namespace brumefall::app {

class DriverPanel : public QWidget {
    Q_OBJECT

public:
    explicit DriverPanel(Document& document, QWidget* parent = nullptr);

    /// The drivers kept by name, as read when the stage was opened or one was kept.
    [[nodiscard]] const std::vector<NamedDriver>& drivers() const { return drivers_; }
    /// Takes rate and longest run from the takes of the stage.
    void measureFromTakes();

signals:
    void driversChanged();
    void calibrationWanted();

private:
    struct Control {
        QSlider* slider;
        QLabel* value;
        std::function<double()> get;
        double step;
        QString unit;
    };
    struct Range {
        double least;
        double most;
        double step;
    };
    void addControl(QVBoxLayout* layout, const QString& name, const char* object_name, const Range& range,
        const QString& unit, std::function<double()> get, std::function<void(double)> set);
    void addDriverControls(QVBoxLayout* layout);
    void addReaderControls(QVBoxLayout* layout);
    void addEchoes(QVBoxLayout* layout);
    void addProfiles(QVBoxLayout* layout);
    void showValues();
    void readDrivers();
    void chooseDriver(int index);
    void keepAs();
    void importFile();
    void exportFile();

    Document& document_;
    QComboBox* profiles_;
    QComboBox* echoes_;
    QSpinBox* line_up_;
    std::vector<Control> controls_;
    std::vector<NamedDriver> drivers_;
};

} // namespace brumefall::app
