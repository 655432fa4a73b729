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
    void setEmptyText(const QString& words) { empty_text_ = words; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    media::Player& player_;
    QString overlay_;
    QString empty_text_;
};

} // namespace brumefall::app
