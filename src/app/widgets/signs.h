/// Small signs that stand in lists: a verdict, and a note's piece of road.
#pragma once

#include "road/layout.h"
#include "take/take.h"
#include "theme/theme.h"

#include <QRectF>

class QPainter;

namespace brumefall::app {

/// Draws the sign of a verdict into `rect`: early hollow and left, on time solid, late hatched and right,
/// missed a gap.
void paintVerdict(QPainter& painter, const QRectF& rect, const take::Verdict& verdict, const Theme& theme);

/// A note's piece of road, drawn small in the direction of travel.
void paintRoadPiece(QPainter& painter, const QRectF& rect, const road::RoadNote& note, const Theme& theme);

} // namespace brumefall::app
