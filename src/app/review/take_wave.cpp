#include "review/take_wave.h"

#include "theme/theme.h"

#include <QEvent>
#include <QPainter>

#include <algorithm>

namespace brumefall::app {

TakeWave::TakeWave(GapView& gap, QWidget* parent)
    : QWidget(parent)
    , gap_(gap)
{
    setObjectName(QStringLiteral("takeWave"));
    setAccessibleName(tr("Sound of the take"));
    setFixedHeight(32);
    setAttribute(Qt::WA_OpaquePaintEvent);
    gap_.installEventFilter(this);
}

/// It moves with the picture above it.
bool TakeWave::eventFilter(QObject* watched, QEvent* event)
{
    if (watched != &gap_ || event->type() != QEvent::Paint) {
        return false; // also what comes while the picture is being destroyed
    }
    const GapScene& scene = gap_.scene();
    if (scene.from_s != shown_from_s_ || scene.to_s != shown_to_s_) {
        update();
    }
    return false;
}

void TakeWave::setPeaks(media::Peaks peaks, const take::Clock& clock)
{
    peaks_ = std::move(peaks);
    clock_ = clock;
    update();
}

void TakeWave::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    const Theme& t = theme();
    p.fillRect(rect(), t.panel);
    const double from_s = gap_.scene().from_s;
    shown_from_s_ = from_s;
    shown_to_s_ = gap_.scene().to_s;
    const double per_pixel_s = (gap_.scene().to_s - from_s) / std::max(1, width());
    const double middle = 0.5 * height();
    p.setPen(t.quiet);
    for (int px = 0; px < width() && !peaks_.low.empty(); ++px) {
        const double r0 = clock_.recordingTime(from_s + px * per_pixel_s);
        const double r1 = clock_.recordingTime(from_s + (px + 1) * per_pixel_s);
        if (r1 < 0) {
            continue;
        }
        const auto first = static_cast<std::size_t>(std::max(0.0, r0 / peaks_.slice_s));
        const auto last = std::max(first + 1, static_cast<std::size_t>(r1 / peaks_.slice_s));
        float low = 0.0F;
        float high = 0.0F;
        for (std::size_t i = first; i < std::min(last, peaks_.low.size()); ++i) {
            low = std::min(low, peaks_.low[i]);
            high = std::max(high, peaks_.high[i]);
        }
        p.drawLine(QPointF(px, middle - middle * static_cast<double>(high)),
            QPointF(px, middle - middle * static_cast<double>(low)));
    }
    if (peaks_.low.empty() && gap_.scene().plan != nullptr) {
        p.setFont(typeface(type::kSmall));
        p.drawText(rect(), Qt::AlignCenter, tr("The recording of this take is not there."));
    }
}

} // namespace brumefall::app
