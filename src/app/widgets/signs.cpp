#include "widgets/signs.h"

#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>
#include <vector>

namespace brumefall::app {

void paintVerdict(QPainter& painter, const QRectF& rect, const take::Verdict& verdict, const Theme& theme)
{
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    const double size = std::min(14.0, rect.height() - 6);
    const double third = rect.width() / 3.0;
    const auto box = [&](int place) {
        return QRectF(
            rect.left() + third * place + 0.5 * (third - size), rect.center().y() - 0.5 * size, size, size);
    };
    painter.setPen(QPen(theme.line, 1.0));
    painter.drawLine(
        QPointF(rect.left() + 4, rect.center().y()), QPointF(rect.right() - 4, rect.center().y()));
    if (verdict.outside_take) {
        painter.restore();
        return;
    }
    painter.setPen(QPen(theme.ink, 1.6));
    if (verdict.isMisread()) { // something else was said: struck through
        painter.setBrush(theme.raised);
        painter.drawRect(box(1));
        painter.drawLine(box(1).topLeft(), box(1).bottomRight());
        painter.drawLine(box(1).bottomLeft(), box(1).topRight());
        painter.restore();
        return;
    }
    switch (verdict.timing) {
    case take::Timing::early:
        painter.setBrush(theme.raised);
        painter.drawRect(box(0));
        break;
    case take::Timing::on_time:
        painter.setBrush(theme.ink);
        painter.drawRect(box(1));
        break;
    case take::Timing::late:
        painter.fillRect(box(2), theme.raised);
        painter.setBrush(QBrush(theme.ink, Qt::BDiagPattern));
        painter.drawRect(box(2));
        break;
    case take::Timing::missed: {
        const QRectF gap = box(1).adjusted(-size * 0.6, 0, size * 0.6, 0);
        painter.fillRect(gap, theme.raised);
        painter.drawLine(gap.topLeft(), gap.bottomLeft());
        painter.drawLine(gap.topRight(), gap.bottomRight());
        break;
    }
    }
    painter.restore();
}

void paintRoadPiece(QPainter& painter, const QRectF& rect, const road::RoadNote& note, const Theme& theme)
{
    if (note.pieces.empty()) {
        painter.setPen(QPen(theme.road, 2.2));
        painter.drawLine(rect.center() - QPointF(0, 0.35 * rect.height()),
            rect.center() + QPointF(0, 0.35 * rect.height()));
        return;
    }
    // from the bottom upward, as the driver sees it, with a little straight at both ends
    std::vector<QPointF> points{{0, 0}, {0, 12}};
    double heading = 1.5707963;
    double px = 0.0;
    double py = 12.0;
    for (const auto& piece : note.pieces) {
        constexpr int kSteps = 12;
        for (int i = 0; i < kSteps; ++i) {
            heading += piece.turn_deg * 0.01745329 / kSteps;
            px += piece.length_m / kSteps * std::cos(heading);
            py += piece.length_m / kSteps * std::sin(heading);
            points.emplace_back(px, py);
        }
    }
    points.emplace_back(px + 12 * std::cos(heading), py + 12 * std::sin(heading));
    QRectF bounds(points.front(), QSizeF(0, 0));
    for (const QPointF& point : points) {
        bounds.setLeft(std::min(bounds.left(), point.x()));
        bounds.setRight(std::max(bounds.right(), point.x()));
        bounds.setTop(std::min(bounds.top(), point.y()));
        bounds.setBottom(std::max(bounds.bottom(), point.y()));
    }
    const double scale = std::min(
        rect.width() / std::max(bounds.width(), 30.0), rect.height() / std::max(bounds.height(), 30.0));
    QPainterPath path;
    for (std::size_t i = 0; i < points.size(); ++i) {
        const QPointF at(rect.center().x() + scale * (points[i].x() - bounds.center().x()),
            rect.center().y() - scale * (points[i].y() - bounds.center().y()));
        i == 0 ? path.moveTo(at) : path.lineTo(at);
    }
    painter.save();
    painter.setRenderHint(QPainter::Antialiasing);
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(theme.shelf, 6, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    painter.drawPath(path);
    painter.setPen(QPen(theme.road, 1.8, Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin));
    painter.drawPath(path);
    painter.setBrush(theme.road);
    painter.setPen(Qt::NoPen);
    painter.drawEllipse(path.elementAt(0), 2.5, 2.5);
    painter.restore();
}

} // namespace brumefall::app
