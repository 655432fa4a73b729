#include "widgets/plain_text.h"

#include <QApplication>
#include <QEvent>
#include <QLabel>

namespace brumefall::app {

PlainText::PlainText(QObject* parent)
    : QObject(parent)
{
    QCoreApplication::instance()->installEventFilter(this);
}

/// A label is polished before it is seen for the first time.
bool PlainText::eventFilter(QObject* watched, QEvent* event)
{
    if (event->type() == QEvent::Polish) {
        auto* label = qobject_cast<QLabel*>(watched);
        if (label != nullptr && label->textFormat() == Qt::AutoText) {
            label->setTextFormat(Qt::PlainText);
        }
    }
    return QObject::eventFilter(watched, event);
}

} // namespace brumefall::app
