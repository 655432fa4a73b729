#include "widgets/flow_layout.h"

#include <QWidget>

#include <algorithm>

namespace brumefall::app {

FlowLayout::FlowLayout(int spacing, QWidget* parent)
    : QLayout(parent)
{
    setSpacing(spacing);
    setContentsMargins(0, 0, 0, 0);
}

FlowLayout::~FlowLayout()
{
    qDeleteAll(items_);
}

void FlowLayout::addItem(QLayoutItem* item)
{
    items_.append(item);
}

QLayoutItem* FlowLayout::takeAt(int index)
{
    return index >= 0 && index < items_.size() ? items_.takeAt(index) : nullptr;
}

int FlowLayout::heightForWidth(int width) const
{
    return lay(QRect(0, 0, width, 0), false);
}

QSize FlowLayout::sizeHint() const
{
    const QMargins margins = contentsMargins();
    QSize size(margins.left() + margins.right(), 0);
    for (const QLayoutItem* item : items_) {
        if (!item->isEmpty()) {
            size.rwidth() += item->sizeHint().width() + spacing();
            size.setHeight(std::max(size.height(), item->sizeHint().height()));
        }
    }
    return size + QSize(0, margins.top() + margins.bottom());
}

QSize FlowLayout::minimumSize() const
{
    QSize size;
    for (const QLayoutItem* item : items_) {
        if (!item->isEmpty()) {
            size = size.expandedTo(item->minimumSize());
        }
    }
    const QMargins margins = contentsMargins();
    return size + QSize(margins.left() + margins.right(), margins.top() + margins.bottom());
}

void FlowLayout::setGeometry(const QRect& rect)
{
    QLayout::setGeometry(rect);
    lay(rect, true);
}

int FlowLayout::lay(const QRect& rect, bool place) const
{
    const QMargins margins = contentsMargins();
    const QRect inside = rect.marginsRemoved(margins);
    int x = inside.x();
    int y = inside.y();
    int row_height = 0;
    for (QLayoutItem* item : items_) {
        if (item->isEmpty()) {
            continue;
        }
        const QSize size = item->sizeHint().expandedTo(item->minimumSize());
        if (x > inside.x() && x + size.width() > inside.x() + inside.width()) {
            x = inside.x();
            y += row_height + spacing();
            row_height = 0;
        }
        if (place) {
            item->setGeometry(QRect(QPoint(x, y), size.boundedTo(QSize(inside.width(), size.height()))));
        }
        x += size.width() + spacing();
        row_height = std::max(row_height, size.height());
    }
    return y + row_height - rect.y() + margins.bottom();
}

} // namespace brumefall::app
