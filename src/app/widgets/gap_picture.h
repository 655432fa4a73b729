/// The gap between voice and corner, drawn: voice rail above, road rail below, tethers between.
///
/// A pure function of values, rectangle and theme; the same picture serves Plan, Read and Review.
#pragma once

#include "theme/theme.h"
#include "widgets/gap_scene.h"

#include <QRectF>

class QPainter;

namespace brumefall::app {

void paintGap(QPainter& painter, const QRectF& rect, const GapScene& scene, const Theme& theme);

} // namespace brumefall::app
