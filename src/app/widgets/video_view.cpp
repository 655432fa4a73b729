#include "widgets/video_view.h"

#include "theme/theme.h"

#include <QOpenGLFunctions>
#include <QOpenGLTextureBlitter>
#include <QOpenGLWidget>
#include <QPainter>

#include <algorithm>
#include <cmath>

namespace brumefall::app {

/// The view's surface where the player draws with OpenGL: its texture is put on the screen as it is.
class GlCanvas : public QOpenGLWidget {
public:
    GlCanvas(VideoView& view, media::Player& player)
        : QOpenGLWidget(&view)
        , view_(view)
        , player_(player)
    {
        setObjectName(QStringLiteral("glCanvas"));
        setAttribute(Qt::WA_TransparentForMouseEvents);
    }

    ~GlCanvas() override
    {
        makeCurrent();
        blitter_.destroy();
        doneCurrent();
    }

protected:
    void initializeGL() override { blitter_.create(); }

    void paintGL() override
    {
        auto* gl = context()->functions();
        const QColor ground = theme().ground;
        gl->glClearColor(static_cast<float>(ground.redF()), static_cast<float>(ground.greenF()),
            static_cast<float>(ground.blueF()), 1.0F);
        gl->glClear(GL_COLOR_BUFFER_BIT);
        const QRectF fitted = view_.pictureRect();
        const unsigned int texture = player_.texture((fitted.size() * devicePixelRatioF()).toSize());
        if (texture != 0) {
            blitter_.bind();
            blitter_.blit(texture, QOpenGLTextureBlitter::targetTransform(fitted, rect()),
                QOpenGLTextureBlitter::OriginBottomLeft);
            blitter_.release();
        }
        QPainter painter(this);
        view_.paint(painter, texture != 0);
    }

private:
    VideoView& view_;
    media::Player& player_;
    QOpenGLTextureBlitter blitter_;
};

VideoView::VideoView(media::Player& player, QWidget* parent)
    : QWidget(parent)
    , player_(player)
    , empty_text_(tr("No video here."))
{
    setObjectName(QStringLiteral("videoView"));
    setAccessibleName(tr("Onboard video"));
    setMinimumSize(240, 135);
    setAttribute(Qt::WA_OpaquePaintEvent);
    if (player_.drawsWithGl()) {
        canvas_ = new GlCanvas(*this, player_);
    }
    connect(&player_, &media::Player::pictureChanged, this, &VideoView::refresh);
    connect(&player_, &media::Player::failed, this, &VideoView::setEmptyText);
}

void VideoView::setFittedHeight(bool fitted)
{
    fitted_ = fitted;
    fitHeight();
}

void VideoView::fitHeight()
{
    constexpr double kUsualAspect = 16.0 / 9.0;
    if (fitted_) {
        const double aspect = player_.aspect() > 0.0 ? player_.aspect() : kUsualAspect;
        setMaximumHeight(std::max(minimumHeight(), static_cast<int>(std::lround(width() / aspect))));
    }
}

void VideoView::refresh()
{
    fitHeight();
    (canvas_ != nullptr ? canvas_ : this)->update();
}

void VideoView::setEmptyText(const QString& words)
{
    empty_text_ = words;
    refresh();
}

void VideoView::setOverlay(const QString& words)
{
    if (overlay_ != words) {
        overlay_ = words;
        refresh();
    }
}

void VideoView::resizeEvent(QResizeEvent*)
{
    fitHeight();
    if (canvas_ != nullptr) {
        canvas_->setGeometry(rect());
    }
}

QRectF VideoView::pictureRect() const
{
    QSizeF fitted = size();
    if (const double aspect = player_.aspect(); aspect > 0.0) {
        fitted = QSizeF(aspect, 1.0).scaled(fitted, Qt::KeepAspectRatio);
    }
    return {QPointF(0.5 * (width() - fitted.width()), 0.0), fitted};
}

void VideoView::paintEvent(QPaintEvent*)
{
    if (canvas_ == nullptr) {
        QPainter painter(this);
        paint(painter, false);
    }
}

void VideoView::paint(QPainter& painter, bool picture_drawn)
{
    if (!picture_drawn) {
        const QRectF fitted = pictureRect();
        const QImage picture =
            isVisible() ? player_.picture((fitted.size() * devicePixelRatioF()).toSize()) : QImage();
        if (picture.isNull()) {
            painter.fillRect(rect(), theme().panel);
            painter.setPen(theme().quiet);
            painter.setFont(typeface(type::kText));
            painter.drawText(rect().adjusted(20, 0, -20, 0), Qt::AlignCenter | Qt::TextWordWrap, empty_text_);
        } else {
            painter.fillRect(rect(), theme().ground);
            painter.drawImage(fitted, picture);
        }
    }
    if (!overlay_.isEmpty()) {
        painter.setFont(typeface(height() / 4, true));
        painter.setPen(theme().lamp);
        painter.drawText(rect(), Qt::AlignCenter, overlay_);
    }
}

} // namespace brumefall::app
