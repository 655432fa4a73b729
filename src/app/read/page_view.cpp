#include "read/page_view.h"

#include "theme/theme.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace brumefall::app {

PageView::PageView(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
{
    setObjectName(QStringLiteral("pageView"));
    setAccessibleName(tr("The page"));
    setAttribute(Qt::WA_OpaquePaintEvent);
    setMinimumWidth(360);
    connect(&document_, &Document::planChanged, this, qOverload<>(&QWidget::update));
}

void PageView::showTime(double stage_s)
{
    now_s_ = stage_s;
    const auto& calls = document_.prepared().plan.calls;
    const auto due =
        std::find_if(calls.begin(), calls.end(), [&](const auto& call) { return call.end_s > stage_s; });
    current_ = due == calls.end() ? (calls.empty() ? 0 : calls.size() - 1)
                                  : static_cast<std::size_t>(due - calls.begin());
    constexpr std::size_t kLost = 3; // calls: a reader so far off is helped by the clock
    if (behind_s_ && (voice_call_ > current_ ? voice_call_ - current_ : current_ - voice_call_) < kLost) {
        current_ = voice_call_;
    }
    update();
}

void PageView::showVoice(const QString& note, double end_s)
{
    const auto& plan = document_.prepared().plan;
    const auto said = std::find_if(
        plan.notes.begin(), plan.notes.end(), [&](const auto& n) { return n.id == note.toStdString(); });
    if (said == plan.notes.end()) {
        return;
    }
    behind_s_ = end_s - said->end_s;
    const auto next = std::next(said);
    voice_call_ = static_cast<std::size_t>(next == plan.notes.end() ? said->call : next->call);
    showTime(now_s_);
}

void PageView::forgetVoice()
{
    behind_s_.reset();
    showTime(now_s_);
}

void PageView::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Theme& t = theme();
    p.fillRect(rect(), t.raised);
    const auto& calls = document_.prepared().plan.calls;
    if (calls.empty()) {
        p.setPen(t.quiet);
        p.setFont(typeface(type::kText));
        p.drawText(rect(), Qt::AlignCenter, tr("No notes to read yet. Write them first (F1)."));
        return;
    }
    double y = 14.0;
    const double left = 26.0;
    const double width_px = width() - left - 14.0;
    const std::size_t first = current_ >= 1 ? current_ - 1 : 0;
    for (std::size_t c = first; c < calls.size() && y < height(); ++c) {
        const bool present = c == current_;
        const QFont f = typeface(present ? type::kNext : type::kPage, present);
        p.setFont(f);
        const QString words = QString::fromStdString(calls[c].text);
        const QRectF box =
            QFontMetricsF(f).boundingRect(QRectF(left, y, width_px, 1000), Qt::TextWordWrap, words);
        if (present) {
            const QRectF whole(8, y - 6, width() - 16, box.height() + 38);
            const bool speaking = now_s_ >= calls[c].start_s;
            p.setPen(Qt::NoPen);
            p.setBrush(speaking ? t.lamp_pale : t.panel);
            p.drawRoundedRect(whole, 4, 4);
            // how near its start is: the lamp bar fills over the last three seconds
            constexpr double kLead_s = 3.0;
            const double share =
                speaking ? 1.0 : std::clamp(1.0 - (calls[c].start_s - now_s_) / kLead_s, 0.0, 1.0);
            p.setBrush(t.lamp);
            p.drawRect(
                QRectF(whole.left(), whole.bottom() - whole.height() * share, 6, whole.height() * share));
        }
        p.setPen(c < current_ ? t.quiet : t.ink);
        p.drawText(QRectF(left, y, width_px, box.height() + 4), Qt::TextWordWrap, words);
        y += box.height();
        if (present) {
            p.setFont(typeface(type::kSmall));
            p.setPen(t.quiet);
            const double wait_s = calls[c].start_s - now_s_;
            QString when = wait_s > 0 ? tr("start in %1 s").arg(wait_s, 0, 'f', 1) : tr("now");
            constexpr double kNoticed_s = 0.3;
            if (behind_s_ && std::abs(*behind_s_) >= kNoticed_s) {
                when += (*behind_s_ > 0.0 ? tr("   you are %1 s behind") : tr("   you are %1 s ahead"))
                            .arg(std::abs(*behind_s_), 0, 'f', 1);
            }
            p.drawText(QRectF(left, y + 4, width_px, 20), Qt::AlignLeft | Qt::AlignVCenter, when);
            y += 40;
        }
        y += 14;
    }
}

} // namespace brumefall::app
