/// What the hands can do in a picture, said in it.
#pragma once

#include "theme/theme.h"

#include <QRectF>
#include <QString>

class QPainter;

namespace brumefall::app {

/// A quiet line in the lower right corner of a picture: what the hands can do in it.
void paintHint(QPainter& painter, const QRectF& rect, const QString& words, const Theme& theme);

} // namespace brumefall::app
