/// The sound of a pass with its marks on it: see where the car is, drag a mark to where it belongs.
#pragma once

#include "document/document.h"
#include "media/sound.h"
#include "widgets/transport.h"

#include <QWidget>

namespace brumefall::app {

class WaveView : public QWidget {
    Q_OBJECT

public:
    WaveView(Document& document, Transport& transport, QWidget* parent = nullptr);

    void setPeaks(media::Peaks peaks, const QString& message);
    [[nodiscard]] const media::Peaks& peaks() const { return peaks_; }
    [[nodiscard]] const QString& message() const { return message_; }
    void setSpan(double from_s, double to_s); ///< media time
    [[nodiscard]] double xOf(double media_s) const;
    [[nodiscard]] double timeAt(double x) const;
    static constexpr int kHandleHeight = 26;

signals:
    void markDragged(const QString& note, double media_s);
    void noteClicked(const QString& note);

protected:
    void paintEvent(QPaintEvent* event) override;
    void mousePressEvent(QMouseEvent* event) override;
    void mouseMoveEvent(QMouseEvent* event) override;
    void mouseReleaseEvent(QMouseEvent* event) override;
    void wheelEvent(QWheelEvent* event) override;

private:
    void zoom(double by);

    Document& document_;
    Transport& transport_;
    media::Peaks peaks_;
    QString message_;
    double from_s_ = 0.0;
    double to_s_ = 30.0;
    QString dragged_;
    double dragged_to_s_ = 0.0;
    bool moved_ = false;
};

} // namespace brumefall::app
