#include "read/page_view.h"

#include "export/book_settings.h"
#include "theme/theme.h"

#include <QPainter>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

constexpr double kLeft = 26.0;
constexpr double kRight = 14.0;
constexpr double kTop = 14.0;
constexpr double kBetween = 14.0;

} // namespace

PageView::PageView(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
{
    setObjectName(QStringLiteral("pageView"));
    setAccessibleName(tr("The page"));
    setAttribute(Qt::WA_OpaquePaintEvent);
    setMinimumWidth(360);
    connect(&document_, &Document::planChanged, this, [this] {
        paginate();
        update();
    });
}

const plan::Plan& PageView::plan() const
{
    return plan_ != nullptr ? *plan_ : document_.prepared().plan;
}

void PageView::setPlan(const plan::Plan* plan)
{
    plan_ = plan;
    paginate();
    update();
}

void PageView::setLook(const Look& look)
{
    if (look == look_) {
        return;
    }
    const bool again = look.printed != look_.printed;
    look_ = look;
    if (again) {
        paginate();
    }
    update();
}

void PageView::turn(int by)
{
    if (book_) {
        shown_page_ = static_cast<std::size_t>(
            std::clamp(static_cast<int>(shown_page_) + by, 0, static_cast<int>(book_->pages().size()) - 1));
        update();
    }
}

std::pair<int, int> PageView::page() const
{
    return !book_ ? std::pair(0, 0)
                  : std::pair(static_cast<int>(shown_page_) + 1, static_cast<int>(book_->pages().size()));
}

void PageView::paginate()
{
    book_.reset();
    if (!look_.printed || plan().calls.empty()) {
        return;
    }
    book_.emplace(makeBook(document_, plan()));
    shown_page_ = 0;
    current_page_ = 0;
    showTime(now_s_);
}

void PageView::showTime(double stage_s)
{
    now_s_ = stage_s;
    const auto& calls = plan().calls;
    const auto due =
        std::find_if(calls.begin(), calls.end(), [&](const auto& call) { return call.end_s > stage_s; });
    current_ = due == calls.end() ? (calls.empty() ? 0 : calls.size() - 1)
                                  : static_cast<std::size_t>(due - calls.begin());
    constexpr std::size_t kLost = 3; // calls: a reader so far off is helped by the clock
    if (behind_s_ && (voice_call_ > current_ ? voice_call_ - current_ : current_ - voice_call_) < kLost) {
        current_ = voice_call_;
    }
    const auto pages = book_ ? book_->pages() : std::vector<print::Page>();
    const auto holds = std::find_if(pages.begin(), pages.end(),
        [&](const print::Page& page) { return current_ >= page.first && current_ < page.last; });
    if (holds != pages.end()) {
        const auto page = static_cast<std::size_t>(holds - pages.begin());
        if (page != current_page_) { // what was turned by hand stays until then
            shown_page_ = page;
        }
        current_page_ = page;
    }
    update();
}

void PageView::showVoice(const QString& note, double end_s)
{
    const auto& notes = plan().notes;
    const auto said =
        std::find_if(notes.begin(), notes.end(), [&](const auto& n) { return n.id == note.toStdString(); });
    if (said == notes.end()) {
        return;
    }
    behind_s_ = end_s - said->end_s;
    const auto next = std::next(said);
    voice_call_ = static_cast<std::size_t>(next == notes.end() ? said->call : next->call);
    showTime(now_s_);
}

void PageView::forgetVoice()
{
    behind_s_.reset();
    showTime(now_s_);
}

QString PageView::cueFor(const plan::PlannedCall& call) const
{
    const double wait_s = call.start_s - now_s_;
    QString when;
    if (look_.cue) {
        when = wait_s > 0 ? tr("start in %1 s").arg(wait_s, 0, 'f', 1) : tr("now");
    }
    constexpr double kNoticed_s = 0.3;
    if (behind_s_ && std::abs(*behind_s_) >= kNoticed_s) {
        when += (*behind_s_ > 0.0 ? tr("   you are %1 s behind") : tr("   you are %1 s ahead"))
                    .arg(std::abs(*behind_s_), 0, 'f', 1);
    }
    return when.trimmed();
}

void PageView::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    const Theme& t = theme();
    p.fillRect(rect(), t.raised);
    if (plan().calls.empty() || look_.dark) {
        p.setPen(t.quiet);
        p.setFont(typeface(type::kText));
        p.drawText(rect().adjusted(20, 0, -20, 0), Qt::AlignCenter | Qt::TextWordWrap,
            look_.dark ? tr("The page is gone. Go on from memory.")
                       : tr("No notes to read yet. Write them first (F1)."));
    } else if (look_.printed) {
        paintPrinted(p);
    } else {
        paintFlowing(p);
    }
}

void PageView::paintPrinted(QPainter& p) const
{
    const Theme& t = theme();
    if (!book_) {
        return;
    }
    constexpr double kUnits = 10.0; // a millimetre
    const QSizeF paper = kUnits * book_->paper_mm();
    const QRectF room = QRectF(rect()).adjusted(6, 6, -6, -26);
    const double scale = std::min(room.width() / paper.width(), room.height() / paper.height());
    p.save();
    p.translate(room.center().x() - 0.5 * scale * paper.width(), room.top());
    p.scale(scale, scale);
    p.setPen(QPen(t.line, 4.0));
    p.setBrush(t.raised);
    p.drawRect(QRectF(QPointF(0, 0), paper));
    const auto due = look_.place ? std::optional(current_) : std::nullopt;
    const bool speaking = look_.cue && now_s_ >= plan().calls[current_].start_s;
    book_->paint(
        p, shown_page_, {t.ink, t.quiet, speaking ? t.lamp_pale : t.panel}, look_.place ? current_ : 0, due);
    p.restore();
    p.setFont(typeface(type::kSmall));
    p.setPen(t.quiet);
    p.drawText(QRectF(0, height() - 24, width(), 20), Qt::AlignCenter, tr("turn by hand: PgUp, PgDn"));
}

void PageView::paintFlowing(QPainter& p) const
{
    const Theme& t = theme();
    const auto& calls = plan().calls;
    double y = kTop;
    const double width_px = width() - kLeft - kRight;
    const std::size_t first = current_ >= 1 ? current_ - 1 : 0;
    for (std::size_t c = first; c < calls.size() && y < height(); ++c) {
        const bool present = c == current_ && look_.place;
        const QFont f = typeface(present ? type::kNext : type::kPage, present);
        p.setFont(f);
        const QString words = QString::fromStdString(calls[c].text);
        const QRectF box =
            QFontMetricsF(f).boundingRect(QRectF(kLeft, y, width_px, 1000), Qt::TextWordWrap, words);
        if (c > current_ && y + box.height() > height()) {
            break; // no call is shown in half
        }
        if (present) {
            const QRectF whole(8, y - 6, width() - 16, box.height() + 38);
            const bool speaking = now_s_ >= calls[c].start_s;
            p.setPen(Qt::NoPen);
            p.setBrush(speaking && look_.cue ? t.lamp_pale : t.panel);
            p.drawRoundedRect(whole, 4, 4);
            // how near its start is: the lamp bar fills over the last three seconds
            constexpr double kLead_s = 3.0;
            const double share = !look_.cue ? 0.0
                : speaking                  ? 1.0
                           : std::clamp(1.0 - (calls[c].start_s - now_s_) / kLead_s, 0.0, 1.0);
            p.setBrush(t.lamp);
            p.drawRect(
                QRectF(whole.left(), whole.bottom() - whole.height() * share, 6, whole.height() * share));
        }
        p.setPen(c < current_ && look_.place ? t.quiet : t.ink);
        p.drawText(QRectF(kLeft, y, width_px, box.height() + 4), Qt::TextWordWrap, words);
        y += box.height();
        if (present) {
            p.setFont(typeface(type::kSmall));
            p.setPen(t.quiet);
            p.drawText(
                QRectF(kLeft, y + 4, width_px, 20), Qt::AlignLeft | Qt::AlignVCenter, cueFor(calls[c]));
            y += 40;
        }
        y += kBetween;
    }
}

} // namespace brumefall::app
