#include "widgets/road_rail.h"

#include <QFontMetricsF>
#include <QPainter>
#include <QPainterPath>

#include <algorithm>
#include <cmath>

namespace brumefall::app {

RoadRail::RoadRail(const GapScale& scale, const QRectF& rail)
    : scale_(scale)
    , rail_(rail)
{
    const auto& road = scale_.scene.prepared->road;
    const auto& placement = scale_.scene.prepared->placement;
    for (std::size_t k = 0; k < road.notes.size() && k < placement.notes.size(); ++k) {
        const double from_s = placement.notes[k].arrive_s;
        if (road.notes[k].length_m <= 0.0 || !scale_.visible(from_s, from_s + 10.0)) {
            continue;
        }
        const double to_s = placement.pace.timeAt(placement.notes[k].station_m + road.notes[k].length_m);
        corners_.push_back({from_s, std::max(to_s, from_s + 0.4), bend(road.notes[k])});
    }
}

double RoadRail::y(double time_s) const
{
    double y = middle();
    for (const Corner& corner : corners_) {
        if (time_s > corner.from_s && time_s < corner.to_s) {
            const double share = (time_s - corner.from_s) / (corner.to_s - corner.from_s);
            y += corner.height * std::pow(std::sin(share * 3.14159265), 0.75);
        }
    }
    return y;
}

void RoadRail::paint(QPainter& painter, const Theme& theme) const
{
    QPainterPath path;
    bool first = true;
    const double from_s = std::max(0.0, scale_.scene.from_s);
    const double to_s = std::min(scale_.scene.to_s, scale_.scene.prepared->placement.pace.duration_s());
    constexpr double kStep_px = 3.0;
    QPointF last; // of a straight only its ends are drawn: this is painted with every picture
    bool straight = false;
    for (double px = scale_.x(from_s); px <= scale_.x(to_s); px += kStep_px) {
        const QPointF point(px, y(scale_.timeAtX(px)));
        if (first) {
            path.moveTo(point);
        } else if (point.y() != last.y()) {
            if (straight) {
                path.lineTo(last);
            }
            path.lineTo(point);
        }
        straight = !first && point.y() == last.y();
        first = false;
        last = point;
    }
    if (straight) {
        path.lineTo(last);
    }
    painter.setBrush(Qt::NoBrush);
    painter.setPen(QPen(theme.shelf, 15, Qt::SolidLine, Qt::FlatCap, Qt::BevelJoin));
    painter.drawPath(path);
    painter.setPen(QPen(theme.road, 2.4, Qt::SolidLine, Qt::FlatCap, Qt::BevelJoin));
    painter.drawPath(path);
}

void RoadRail::paintNumbers(QPainter& painter, const Theme& theme) const
{
    double free_x = -1e9;
    painter.setFont(typeface(type::kSmall));
    const QFontMetricsF metrics(painter.font());
    const auto& placement = scale_.scene.prepared->placement;
    for (std::size_t k = 0; k < placement.notes.size(); ++k) {
        const double at_s = placement.notes[k].arrive_s;
        if (!scale_.visible(at_s, at_s)) {
            continue;
        }
        const double at = scale_.x(at_s);
        painter.setPen(QPen(theme.quiet, 1.0));
        painter.drawLine(QPointF(at, rail_.bottom() - 21), QPointF(at, rail_.bottom() - 15));
        const QString number = QString::number(k + 1);
        constexpr double kRailName = 48.0;
        if (at - 10 > std::max(free_x, scale_.rect.left() + kRailName)) {
            painter.setPen(theme.ink);
            painter.drawText(QPointF(at - metrics.horizontalAdvance(number) / 2, rail_.bottom() - 3), number);
            free_x = at + metrics.horizontalAdvance(number) / 2 + 4;
        }
    }
}

double RoadRail::middle() const
{
    return rail_.center().y() - 6;
}

double RoadRail::bend(const road::RoadNote& note) const
{
    if (note.radius_m <= 0.0 || note.pieces.empty()) {
        return 0.0;
    }
    const double tight = std::clamp(
        (std::log(260.0) - std::log(note.radius_m)) / (std::log(260.0) - std::log(8.0)), 0.12, 1.0);
    const double sign = note.pieces.front().turn_deg >= 0.0 ? -1.0 : 1.0;
    return sign * tight * (0.5 * rail_.height() - 20);
}

} // namespace brumefall::app
