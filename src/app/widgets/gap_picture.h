/// The gap between voice and corner, drawn: voice rail above, road rail below, tethers between.
///
/// A pure function of values, rectangle and theme; the same picture serves Plan, Read and Review.
#pragma once

#include "road/layout.h"
#include "stage/stage.h"
#include "take/take.h"
#include "theme/theme.h"

#include <QRectF>

#include <optional>
#include <string>
#include <utility>
#include <vector>

class QPainter;

namespace brumefall::app {

/// What runs evenly to the right: the clock, or the road.
enum class GapAxis { time, distance };

/// What is drawn. Times in seconds from go.
struct GapScene {
    const stage::Prepared* prepared = nullptr;
    const plan::Plan* other = nullptr; ///< another plan of the same calls, drawn over it in dashes
    const plan::Plan* plan = nullptr; ///< drawn as planned: the present plan, or the one of a take
    const std::vector<take::Verdict>* verdicts = nullptr; ///< drawn as read, where there is a take
    double from_s = 0.0;
    double to_s = 20.0;
    GapAxis axis = GapAxis::time;
    std::optional<double> now_s;
    std::string selected;
    std::pair<std::size_t, std::size_t>
        stretch{}; ///< notes of the plan [first, last) that are chosen together
    /// A call that is being moved by hand, and where it would start.
    struct Dragged {
        std::size_t call;
        double start_s;
    };
    std::optional<Dragged> dragged;
    bool windows = true;
    bool figures = true;

    /// Where a moment lies on the axis: seconds, or the metres that the car has gone by then. Before go and
    /// after the end metres go on evenly, so that every moment has a place.
    [[nodiscard]] double along(double time_s) const;
    /// The moment at a place of the axis.
    [[nodiscard]] double timeAt(double along) const;
    /// Share of the picture's width at which a moment lies: 0 at `from_s`, 1 at `to_s`.
    [[nodiscard]] double shareAt(double time_s) const;
};

/// Where things are, for the mouse.
struct GapLayout {
    QRectF voice;
    QRectF read;
    QRectF road;
};

[[nodiscard]] GapLayout gapLayout(const GapScene& scene, const QRectF& rect);
void paintGap(QPainter& painter, const QRectF& rect, const GapScene& scene, const Theme& theme);

/// Draws the sign of a verdict into `rect`: early hollow and left, on time solid, late hatched and right,
/// missed a gap.
void paintVerdict(QPainter& painter, const QRectF& rect, const take::Verdict& verdict, const Theme& theme);

/// A note's piece of road, drawn small in the direction of travel.
void paintRoadPiece(QPainter& painter, const QRectF& rect, const road::RoadNote& note, const Theme& theme);

} // namespace brumefall::app
