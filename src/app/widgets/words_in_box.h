/// Spoken words in the strip that lasts as long as they take to say.
#pragma once

#include "theme/theme.h"

#include <QColor>
#include <QRectF>
#include <QString>

class QPainter;

namespace brumefall::app {

/// Words in a box: across in as many lines as fit, else along it; dots in `quiet` where neither fits.
void paintWords(
    QPainter& painter, const QRectF& box, const QString& words, const QColor& colour, const QColor& quiet);

/// A quiet line in the lower right corner of a picture: what the hands can do in it.
void paintHint(QPainter& painter, const QRectF& rect, const QString& words, const Theme& theme);

} // namespace brumefall::app
