/// What the picture of the gap shows, and where in a rectangle each moment lies.
#pragma once

#include "plan/plan.h"
#include "stage/stage.h"
#include "take/compare.h"
#include "take/take.h"

#include <QRectF>

#include <optional>
#include <string>
#include <utility>
#include <vector>

namespace brumefall::app {

/// What runs evenly to the right: the clock, or the road.
enum class GapAxis { time, distance };

/// What is drawn. Times in seconds from go.
struct GapScene {
    const stage::Prepared* prepared = nullptr;
    const plan::Plan* other = nullptr; ///< another plan of the same calls, drawn over it in dashes
    const plan::Plan* plan = nullptr; ///< drawn as planned: the present plan, or the one of a take
    const std::vector<take::Verdict>* verdicts = nullptr; ///< drawn as read, where there is a take
    /// Of another take, for every note of the plan; drawn under those as read. Empty: none.
    std::vector<take::Beside> besides;
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
    /// What was read of a note, while it is corrected by hand.
    struct DraggedReading {
        std::size_t note;
        double start_s;
        double end_s;
    };
    std::optional<DraggedReading> dragged_reading;
    bool windows = true;
    bool figures = true;
    std::string instead; ///< said where there is nothing to draw; empty: what a plan needs

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
    QRectF voice; ///< all rows of the cascade
    int rows = 1;
    double row_height = 0.0;
    QRectF shelves; ///< the windows
    QRectF figures; ///< the leads, on the way down
    QRectF road;
};

[[nodiscard]] GapLayout gapLayout(const GapScene& scene, const QRectF& rect);

/// How a scene lies in a rectangle: from seconds to pixels and back.
struct GapScale {
    GapScale(const GapScene& scene, const QRectF& rect);

    [[nodiscard]] double x(double time_s) const;
    [[nodiscard]] double timeAtX(double px) const;
    /// Whether anything of a span would be seen.
    [[nodiscard]] bool visible(double from_s, double to_s) const;
    [[nodiscard]] double pixelsPerSecond() const;

    const GapScene& scene;
    QRectF rect;
    double from; ///< the ends of the picture on its axis
    double to;
};

inline constexpr double kRulerHeight = 20.0; ///< along the top of the picture

} // namespace brumefall::app
