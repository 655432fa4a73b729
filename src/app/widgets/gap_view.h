/// The gap picture as a widget: zoom, pan, choose a note, move a call.
#pragma once

#include "take/by_hand.h"
#include "widgets/gap_cascade.h"
#include "widgets/gap_picture.h"

#include <QWidget>

#include <optional>
#include <utility>

namespace brumefall::app {

class GapView : public QWidget {
    Q_OBJECT

public:
    explicit GapView(QWidget* parent = nullptr);

    [[nodiscard]] GapScene& scene() { return scene_; }
    void setSpan(double from_s, double to_s);
    /// The same piece of the stage, on the other axis.
    void setAxis(GapAxis axis);
    /// Keeps `now_s` a third into the view; `follow` false only moves the lamp.
    void showTime(double now_s, bool follow);
    void showNote(const std::string& id);
    void setCallsMovable(bool movable) { movable_ = movable; }
    /// What was read can be dragged: its whole, or one of its ends.
    void setReadingsMovable(bool movable) { readings_movable_ = movable; }
    [[nodiscard]] QRectF callRect(std::size_t call) const;

signals:
    void noteClicked(const QString& id);
    void noteReached(const QString& id); ///< clicked with Shift: a stretch from the chosen note
    void timeClicked(double stage_s);
    void callMoved(std::size_t call, double start_s);
    void callReleased(std::size_t call);
    void readingMoved(const QString& id, take::Edge edge, double by_s); ///< seconds from go

protected:
    void paintEvent(QPaintEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void mouseDoubleClickEvent(QMouseEvent* event) override;

private:
    /// A reading that is dragged: its note in the plan, and by which end.
    struct Held {
        std::size_t note;
        take::Edge edge;
        double from_s; ///< where it was taken hold of
    };
    void zoom(double by);
    [[nodiscard]] double timeAt(double x) const;
    /// The span as it lies on the axis, and moved there: seconds, or metres.
    [[nodiscard]] std::pair<double, double> span() const;
    void showAlong(double from, double to);
    /// The note whose words or bar lie there.
    [[nodiscard]] std::optional<CascadeNote> noteAt(const QPointF& point) const;
    [[nodiscard]] int callAt(const QPointF& point) const;
    [[nodiscard]] std::optional<Held> readingAt(const QPointF& point) const;
    void dragReading(double x);
    void clickAt(const QPointF& point, bool extend);
    /// Where a dragged call would start, held for a while at the ends of its windows.
    [[nodiscard]] double draggedStart(double x) const;

    GapScene scene_;
    bool movable_ = false;
    bool readings_movable_ = false;
    std::optional<Held> held_;
    int dragged_call_ = -1;
    double drag_offset_s_ = 0.0;
    QPointF press_;
    std::pair<double, double> press_span_;
    bool moved_ = false;
};

} // namespace brumefall::app
