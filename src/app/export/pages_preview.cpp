#include "export/pages_preview.h"

#include "theme/theme.h"

#include <QKeyEvent>
#include <QPainter>
#include <QWheelEvent>

#include <algorithm>

namespace brumefall::app {
namespace {

constexpr std::size_t kBeside = 2;

} // namespace

PagesPreview::PagesPreview(QWidget* parent)
    : QWidget(parent)
{
    setObjectName(QStringLiteral("pagesPreview"));
    setAccessibleName(tr("The pages"));
    setFocusPolicy(Qt::StrongFocus);
    setMinimumSize(360, 260);
}

void PagesPreview::show(std::optional<pages::Book> book)
{
    book_ = std::move(book);
    first_ = book_ && first_ < book_->pages().size() ? first_ : 0;
    update();
}

void PagesPreview::turn(int by)
{
    if (book_ && !book_->pages().empty()) {
        const int last = static_cast<int>(book_->pages().size()) - 1;
        first_ = static_cast<std::size_t>(std::clamp(static_cast<int>(first_) + by, 0, last));
        update();
    }
}

void PagesPreview::paintEvent(QPaintEvent*)
{
    QPainter p(this);
    p.setRenderHint(QPainter::Antialiasing);
    p.fillRect(rect(), theme().shelf);
    if (!book_ || book_->pages().empty()) {
        p.setPen(theme().quiet);
        p.drawText(rect(), Qt::AlignCenter, tr("There are no notes to print yet."));
        return;
    }
    constexpr double kGap = 14.0;
    constexpr double kUnits = 10.0;
    const QSizeF paper = kUnits * book_->paper_mm();
    const auto beside = std::min(kBeside, book_->pages().size() - first_);
    const double scale =
        std::min((width() - 3.0 * kGap) / kBeside / paper.width(), (height() - 2.0 * kGap) / paper.height());
    double x = 0.5 * (width() - static_cast<double>(beside) * (scale * paper.width() + kGap) + kGap);
    for (std::size_t number = first_; number < first_ + beside; ++number) {
        p.save();
        p.translate(x, 0.5 * (height() - scale * paper.height()));
        p.scale(scale, scale);
        p.fillRect(QRectF(QPointF(0, 0), paper), Qt::white); // paper is white in the night room, too
        book_->paint(p, number);
        p.restore();
        x += scale * paper.width() + kGap;
    }
    if (hasFocus()) {
        p.setPen(QPen(theme().ink, 2.0));
        p.setBrush(Qt::NoBrush);
        p.drawRect(rect().adjusted(1, 1, -1, -1));
    }
}

void PagesPreview::keyPressEvent(QKeyEvent* event)
{
    switch (event->key()) {
    case Qt::Key_PageDown:
    case Qt::Key_Right: turn(1); break;
    case Qt::Key_PageUp:
    case Qt::Key_Left: turn(-1); break;
    default: QWidget::keyPressEvent(event);
    }
}

void PagesPreview::wheelEvent(QWheelEvent* event)
{
    turn(event->angleDelta().y() > 0 ? -1 : 1);
}

} // namespace brumefall::app
