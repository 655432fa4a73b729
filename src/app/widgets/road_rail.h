/// The road unrolled in the direction of travel: up for a left, down for a right, as sharply as the corner
/// is.
#pragma once

#include "theme/theme.h"
#include "widgets/gap_scene.h"

#include <vector>

class QPainter;

namespace brumefall::app {

class RoadRail {
public:
    /// `scale` outlives it.
    RoadRail(const GapScale& scale, const QRectF& rail);

    /// Where the middle of the road is at a moment.
    [[nodiscard]] double y(double time_s) const;
    void paint(QPainter& painter, const Theme& theme) const;
    /// The notes' numbers, each under its place.
    void paintNumbers(QPainter& painter, const Theme& theme) const;

private:
    [[nodiscard]] double middle() const;
    /// How far a note's corner bends the rail, in pixels; up is a left.
    [[nodiscard]] double bend(const road::RoadNote& note) const;

    struct Corner {
        double from_s;
        double to_s;
        double height;
    };

    const GapScale& scale_;
    QRectF rail_;
    std::vector<Corner> corners_;
};

} // namespace brumefall::app
