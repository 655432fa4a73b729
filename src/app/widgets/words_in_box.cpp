#include "widgets/words_in_box.h"

#include "theme/theme.h"

#include <QFontMetricsF>
#include <QPainter>

namespace brumefall::app {

void paintWords(
    QPainter& painter, const QRectF& box, const QString& words, const QColor& colour, const QColor& quiet)
{
    if (box.width() < 14) {
        return;
    }
    painter.setPen(colour);
    const QRectF inner = box.adjusted(2, 0, -2, 0);
    for (const int size : {type::kText, type::kSmall, type::kTiny}) {
        const QFont f = typeface(size);
        const QFontMetricsF metrics(f);
        const QRectF needed = metrics.boundingRect(
            QRectF(0, 0, inner.width() + 2, 1000), Qt::TextWordWrap | Qt::AlignHCenter, words);
        if (needed.height() <= inner.height() + 2 && needed.width() <= inner.width() + 3) {
            painter.setFont(f);
            painter.drawText(inner, Qt::TextWordWrap | Qt::AlignCenter, words);
            return;
        }
    }
    // too narrow across: along the strip, as on the spine of a book
    const QFontMetricsF small(typeface(type::kSmall));
    if (inner.width() >= small.height() - 3 && small.horizontalAdvance(words) <= inner.height() - 2) {
        painter.save();
        painter.translate(inner.center());
        painter.rotate(-90);
        painter.setFont(typeface(type::kSmall));
        painter.drawText(QRectF(-0.5 * inner.height(), -0.5 * inner.width(), inner.height(), inner.width()),
            Qt::AlignCenter, words);
        painter.restore();
        return;
    }
    const QFont tiny = typeface(type::kTiny);
    const QFontMetricsF metrics(tiny);
    const QRectF along = metrics.boundingRect(
        QRectF(0, 0, inner.height() - 2, 1000), Qt::TextWordWrap | Qt::AlignHCenter, words);
    if (along.height() <= inner.width() + 2 && along.width() <= inner.height()) {
        painter.save();
        painter.translate(inner.center());
        painter.rotate(-90);
        painter.setFont(tiny);
        painter.drawText(QRectF(-0.5 * inner.height(), -0.5 * inner.width(), inner.height(), inner.width()),
            Qt::TextWordWrap | Qt::AlignCenter, words);
        painter.restore();
        return;
    }
    // no room for words: dots say that there are some; zoom in to read them
    if (inner.width() > 10) {
        painter.setPen(quiet);
        painter.drawText(inner, Qt::AlignCenter, QStringLiteral("\u2026"));
    }
}

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
