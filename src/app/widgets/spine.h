/// The whole stage as one drawn road down the left edge: where you are, and how you move about.
#pragma once

#include "document/document.h"
#include "widgets/transport.h"

#include <QPixmap>
#include <QWidget>

#include <utility>
#include <vector>

namespace brumefall::app {

class Spine : public QWidget {
    Q_OBJECT

public:
    Spine(Document& document, Transport& transport, QWidget* parent = nullptr);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    void rebuild();
    void measureLoad(std::size_t steps);
    [[nodiscard]] QRectF roadArea() const;
    [[nodiscard]] double yOf(double station_m) const;
    void goTo(double y);
    [[nodiscard]] double stationAt(double y) const;
    void paintRoad(QPainter& p) const;
    void paintPlan(QPainter& p) const;
    [[nodiscard]] QPointF pointAt(double station_m) const;

    Document& document_;
    Transport& transport_;
    std::vector<double> sway_; ///< sideways, -1 to 1, every kStep_m
    std::vector<double> load_; ///< words a second around there
    std::vector<std::pair<double, double>> squeezes_; ///< stations of their first and last notes
    double now_m_ = 0.0;
    QPixmap picture_; ///< the road, drawn once: only the lamp and the plan change on it
    bool picture_dark_ = false;
    QString typed_;
};

} // namespace brumefall::app
