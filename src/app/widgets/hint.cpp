#include "widgets/hint.h"

#include "theme/theme.h"

#include <QFontMetricsF>
#include <QPainter>

namespace brumefall::app {

void paintHint(QPainter& painter, const QRectF& rect, const QString& words, const Theme& theme)
{
    painter.setFont(typeface(type::kTiny));
    const QFontMetricsF metrics(painter.font());
    const QRectF box(rect.right() - metrics.horizontalAdvance(words) - 10,
        rect.bottom() - metrics.height() - 2, metrics.horizontalAdvance(words) + 8, metrics.height() + 2);
    painter.fillRect(box, theme.panel);
    painter.setPen(theme.quiet);
    painter.drawText(box, Qt::AlignCenter, words);
}

} // namespace brumefall::app
