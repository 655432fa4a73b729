#include "widgets/when_seen.h"

#include <QEvent>
#include <QWidget>

#include <utility>

namespace brumefall::app {

WhenSeen::WhenSeen(QWidget* widget, std::function<void()> work)
    : QObject(widget)
    , widget_(widget)
    , work_(std::move(work))
{
    widget_->installEventFilter(this);
}

void WhenSeen::ask()
{
    if (widget_->isVisible()) {
        work_();
    } else {
        asked_ = true;
    }
}

bool WhenSeen::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() == QEvent::Show && std::exchange(asked_, false)) {
        work_();
    }
    return QObject::eventFilter(watched, event);
}

} // namespace brumefall::app
