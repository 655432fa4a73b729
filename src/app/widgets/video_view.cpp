#include "widgets/video_view.h"

#include "theme/theme.h"

#include <QPainter>

namespace brumefall::app {

VideoView::VideoView(media::Player& player, QWidget* parent)
    : QWidget(parent)
    , player_(player)
    , empty_text_(tr("No video here."))
{
    setObjectName(QStringLiteral("videoView"));
    setAccessibleName(tr("Onboard video"));
    setMinimumSize(240, 135);
    setAttribute(Qt::WA_OpaquePaintEvent);
    connect(&player_, &media::Player::pictureChanged, this, qOverload<>(&QWidget::update));
    connect(&player_, &media::Player::failed, this, [this](const QString& why) {
        empty_text_ = why;
        update();
    });
}

void VideoView::setOverlay(const QString& words)
{
    if (overlay_ != words) {
        overlay_ = words;
        update();
    }
}

void VideoView::paintEvent(QPaintEvent*)
{
    QPainter painter(this);
    const qreal ratio = devicePixelRatioF();
    QSizeF fitted = size();
    if (const double aspect = player_.aspect(); aspect > 0.0) {
        fitted = QSizeF(aspect, 1.0).scaled(fitted, Qt::KeepAspectRatio);
    }
    const QImage picture = isVisible() ? player_.picture((fitted * ratio).toSize()) : QImage();
    if (picture.isNull()) {
        painter.fillRect(rect(), theme().panel);
        painter.setPen(theme().quiet);
        painter.setFont(typeface(type::kText));
        painter.drawText(rect().adjusted(20, 0, -20, 0), Qt::AlignCenter | Qt::TextWordWrap, empty_text_);
    } else {
        painter.fillRect(rect(), theme().ground);
        painter.drawImage(QRectF(QPointF(0.5 * (width() - fitted.width()), 0.0), fitted), picture);
    }
    if (!overlay_.isEmpty()) {
        painter.setFont(typeface(height() / 4, true));
        painter.setPen(theme().lamp);
        painter.drawText(rect(), Qt::AlignCenter, overlay_);
    }
}

} // namespace brumefall::app
