/// Speed, pull and time along the stage, of one pace beside another: a pure function of values, rectangle and
/// theme.
#pragma once

#include "pace/pass.h"
#include "pace/retime.h"
#include "theme/theme.h"

#include <QRectF>
#include <QString>

#include <optional>
#include <vector>

class QPainter;

namespace brumefall::app {

/// One pace to draw; stations in metres from go.
struct DrawnPace {
    QString name;
    const pace::Pace* pace = nullptr;
};

struct PaceScene {
    DrawnPace own; ///< the one in view, drawn full
    DrawnPace other; ///< the one beside it, drawn dashed; may be empty
    const std::vector<pace::PlacedNote>* notes = nullptr; ///< of the one in view
    std::vector<std::pair<double, double>> beyond_m; ///< stretches that the player cannot follow
    std::optional<double> now_m;
    double from_m = 0.0;
    double to_m = 0.0; ///< 0: to the end
};

void paintPace(QPainter& painter, const QRectF& rect, const PaceScene& scene, const Theme& theme);

/// Seconds by which `other` is later than `own` at `station_m`.
[[nodiscard]] double timeBehind(const pace::Pace& own, const pace::Pace& other, double station_m);

} // namespace brumefall::app
