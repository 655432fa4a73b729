/// Shows the player's picture, with a line of words where there is none.
#pragma once

#include "media/player.h"

#include <QWidget>

namespace brumefall::app {

class VideoView : public QWidget {
    Q_OBJECT

public:
    explicit VideoView(media::Player& player, QWidget* parent = nullptr);

    /// Large words over the picture: the count-down. Empty for none.
    void setOverlay(const QString& words);
    /// Never higher than its picture is at its width.
    void setFittedHeight(bool fitted);
    void setEmptyText(const QString& words);

protected:
    void paintEvent(QPaintEvent* event) override;
    void resizeEvent(QResizeEvent* event) override;

private:
    friend class GlCanvas;
    /// The whole view with QPainter, but for a picture that OpenGL has drawn already.
    void paint(QPainter& painter, bool picture_drawn);
    void refresh();
    void fitHeight();
    [[nodiscard]] QRectF pictureRect() const;

    media::Player& player_;
    bool fitted_ = false;
    QWidget* canvas_ = nullptr; ///< covers the view where the picture is drawn with OpenGL
    QString overlay_;
    QString empty_text_;
};

} // namespace brumefall::app
