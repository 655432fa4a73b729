/// How the crew's reading changes: one figure, take after take, of this stage or of the whole rally. Each
/// point leads to its take.
#pragma once

#include "log/trends.h"

#include <QWidget>

class QChartView;
class QComboBox;
class QLabel;

namespace brumefall::app {

class TrendsPage : public QWidget {
    Q_OBJECT

public:
    explicit TrendsPage(QWidget* parent = nullptr);
    /// `open` is the place of the stage that is open; -1: all of them are shown.
    void show(const log::Rally& rally, int open, const log::Filter& filter);

signals:
    void takeWanted(const QString& folder, const QString& take);

protected:
    void changeEvent(QEvent* event) override;

private:
    void draw();
    void step(int by);
    void openChosen();
    void choose(int point);

    QComboBox* figure_;
    QComboBox* of_;
    QLabel* says_;
    QChartView* chart_;
    const log::Rally* rally_ = nullptr;
    int open_ = -1;
    log::Filter filter_;
    std::vector<log::TrendPoint> points_;
    int chosen_ = -1;
};

} // namespace brumefall::app
