#include "widgets/wave_view.h"

#include "theme/theme.h"
#include "widgets/hint.h"
#include "widgets/keys.h"

#include <QMouseEvent>
#include <QPainter>
#include <QWheelEvent>

#include <algorithm>
#include <cmath>

namespace brumefall::app {

WaveView::WaveView(Document& document, Transport& transport, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
{
    setObjectName(QStringLiteral("waveView"));
    setAccessibleName(tr("Sound of the pass, with its marks"));
    setMinimumHeight(110);
    bindKey(this, QKeyCombination(Qt::Key_Plus), tr("The sound nearer"), [this] { zoom(0.8); });
    bindKey(this, QKeyCombination(Qt::Key_Equal), tr("The sound nearer"), [this] { zoom(0.8); });
    bindKey(this, QKeyCombination(Qt::Key_Minus), tr("The sound farther away"), [this] { zoom(1.25); });
    connect(&document_, &Document::opened, this, [this] { setSpan(0.0, 30.0); });
    setAttribute(Qt::WA_OpaquePaintEvent);
    connect(&document_, &Document::planChanged, this, qOverload<>(&QWidget::update));
    connect(&document_, &Document::currentNoteChanged, this, qOverload<>(&QWidget::update));
    connect(&transport_, &Transport::ticked, this, [this](double stage_s) {
        const double media_s = transport_.toMedia(stage_s);
        if (dragged_.isEmpty() && (media_s < from_s_ || media_s > to_s_ - 0.15 * (to_s_ - from_s_))) {
            const double length = to_s_ - from_s_;
            setSpan(media_s - 0.25 * length, media_s + 0.75 * length);
        }
        update();
    });
}

void WaveView::zoom(double by)
{
    const double now_s = std::clamp(transport_.toMedia(transport_.stageTime()), from_s_, to_s_);
    setSpan(now_s - by * (now_s - from_s_), now_s + by * (to_s_ - now_s));
}

void WaveView::setPeaks(media::Peaks peaks, const QString& message)
{
    peaks_ = std::move(peaks);
    message_ = message;
    update();
}

void WaveView::setSpan(double from_s, double to_s)
{
    const double length = std::clamp(to_s - from_s, 2.0, 4000.0);
    from_s_ = std::max(0.0, from_s);
    to_s_ = from_s_ + length;
    update();
}

double WaveView::xOf(double media_s) const
{
    return width() * (media_s - from_s_) / (to_s_ - from_s_);
}

double WaveView::timeAt(double x) const
{
    return from_s_ + (to_s_ - from_s_) * x / std::max(1, width());
}

void WaveView::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Theme& t = theme();
    p.fillRect(rect(), t.raised);
    const double middle = kHandleHeight + 0.5 * (height() - kHandleHeight);
    const double reach = 0.48 * (height() - kHandleHeight);
    if (peaks_.low.empty()) {
        p.setPen(t.quiet);
        p.setFont(typeface(type::kText));
        p.drawText(rect().adjusted(0, kHandleHeight, 0, 0), Qt::AlignCenter, message_);
    }
    p.setPen(QPen(t.line, 1.0));
    for (int px = 0; px < width() && !peaks_.low.empty(); ++px) {
        const auto first = static_cast<std::size_t>(std::max(0.0, timeAt(px) / peaks_.slice_s));
        const auto last =
            std::max(first + 1, static_cast<std::size_t>(std::max(0.0, timeAt(px + 1) / peaks_.slice_s)));
        float low = 0.0F;
        float high = 0.0F;
        for (std::size_t i = first; i < std::min(last, peaks_.low.size()); ++i) {
            low = std::min(low, peaks_.low[i]);
            high = std::max(high, peaks_.high[i]);
        }
        p.drawLine(QPointF(px, middle - reach * static_cast<double>(high)),
            QPointF(px, middle - reach * static_cast<double>(low)));
    }
    const pace::Pass* pass = document_.pass();
    if (pass == nullptr) {
        return;
    }
    p.setFont(typeface(type::kSmall));
    double free_x = -1e9;
    for (const auto& note : document_.videoPlacement().notes) {
        const auto id = QString::fromStdString(note.id);
        const bool dragged = id == dragged_ && moved_;
        const double x = xOf(dragged ? dragged_to_s_ : note.arrive_s + pass->go_s);
        if (x < -40 || x > width() + 40) {
            continue;
        }
        const bool current = id == document_.currentNote();
        if (!note.marked) { // unmarked: how sure its time is
            const double half = std::max(2.0, note.sure_s * width() / (to_s_ - from_s_));
            p.setPen(Qt::NoPen);
            p.setBrush(t.shelf);
            p.drawRect(QRectF(x - half, kHandleHeight - 6, 2 * half, 6));
        }
        p.setPen(QPen(current ? t.ink : t.quiet,
            current           ? 2.4
                : note.marked ? 1.6
                              : 1.0,
            note.marked ? Qt::SolidLine : Qt::DashLine));
        p.drawLine(QPointF(x, kHandleHeight - 4), QPointF(x, height()));
        const QString number = QString::number(document_.numberOf(note.id));
        const double half = 0.5 * QFontMetricsF(p.font()).horizontalAdvance(number) + 6;
        if (x - half > free_x || current) {
            p.setBrush(note.marked ? t.ink : t.raised);
            p.setPen(QPen(t.ink, 1.2));
            p.drawRoundedRect(QRectF(x - half, 2, 2 * half, kHandleHeight - 7), 3, 3);
            p.setPen(note.marked ? t.raised : t.ink);
            p.drawText(QRectF(x - half, 2, 2 * half, kHandleHeight - 7), Qt::AlignCenter, number);
            free_x = x + half + 2;
        }
    }
    const double now = xOf(transport_.toMedia(transport_.stageTime()));
    p.setPen(QPen(t.lamp, 2.0));
    p.drawLine(QPointF(now, 0), QPointF(now, height()));
    paintHint(p, rect(), tr("+ \u2212 zoom, drag a mark"), t);
}

void WaveView::mousePressEvent(QMouseEvent* event)
{
    dragged_.clear();
    moved_ = false;
    const pace::Pass* pass = document_.pass();
    double nearest = 12.0;
    if (pass != nullptr) {
        for (const auto& note : document_.videoPlacement().notes) {
            const double distance = std::abs(xOf(note.arrive_s + pass->go_s) - event->position().x());
            if (distance < nearest) {
                nearest = distance;
                dragged_ = QString::fromStdString(note.id);
            }
        }
    }
    if (dragged_.isEmpty()) {
        transport_.player().seek(timeAt(event->position().x()));
    } else {
        emit noteClicked(dragged_);
    }
}

void WaveView::mouseMoveEvent(QMouseEvent* event)
{
    if (!dragged_.isEmpty() && event->buttons().testFlag(Qt::LeftButton)) {
        moved_ = true;
        dragged_to_s_ = timeAt(event->position().x());
        update();
    }
}

void WaveView::mouseReleaseEvent(QMouseEvent* event)
{
    if (!dragged_.isEmpty() && moved_) {
        emit markDragged(dragged_, timeAt(event->position().x()));
    }
    dragged_.clear();
    moved_ = false;
}

void WaveView::wheelEvent(QWheelEvent* event)
{
    const double length = to_s_ - from_s_;
    if (event->modifiers().testFlag(Qt::ControlModifier)) {
        const double centre = timeAt(event->position().x());
        const double factor = std::pow(0.85, event->angleDelta().y() / 120.0);
        setSpan(centre - (centre - from_s_) * factor, centre + (to_s_ - centre) * factor);
    } else {
        const double step = -0.12 * length * event->angleDelta().y() / 120.0;
        setSpan(from_s_ + step, to_s_ + step);
    }
    event->accept();
}

} // namespace brumefall::app
