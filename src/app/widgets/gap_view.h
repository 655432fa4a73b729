/// The gap picture as a widget: zoom, pan, choose a note, move a call.
#pragma once

#include "widgets/gap_picture.h"

#include <QWidget>

namespace brumefall::app {

class GapView : public QWidget {
    Q_OBJECT

public:
    explicit GapView(QWidget* parent = nullptr);

    [[nodiscard]] GapScene& scene() { return scene_; }
    void setSpan(double from_s, double to_s);
    /// Keeps `now_s` a third into the view; `follow` false only moves the lamp.
    void showTime(double now_s, bool follow);
    void showNote(const std::string& id);
    void setCallsMovable(bool movable) { movable_ = movable; }
    [[nodiscard]] QRectF callRect(std::size_t call) const;

signals:
    void noteClicked(const QString& id);
    void timeClicked(double stage_s);
    void callMoved(std::size_t call, double start_s);
    void callReleased(std::size_t call);

protected:
    void paintEvent(QPaintEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;
    void keyPressEvent(QKeyEvent* event) override;

private:
    [[nodiscard]] double timeAt(double x) const;
    [[nodiscard]] int callAt(const QPointF& point) const;
    void clickAt(const QPointF& point);

    GapScene scene_;
    bool movable_ = false;
    int dragged_call_ = -1;
    double drag_offset_s_ = 0.0;
    QPointF press_;
    double press_from_s_ = 0.0;
    bool moved_ = false;
};

} // namespace brumefall::app
