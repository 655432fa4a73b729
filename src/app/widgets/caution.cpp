#include "widgets/caution.h"

#include <QEvent>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

namespace brumefall::app {

QString cautionText()
{
    return QObject::tr(
        "<h2>Brumefall is for a desk</h2>"
        "<p>It is not for use by anyone who is driving, nor on open roads.</p>"
        "<p>The recce follows the event's rules and the law's speed limits. Some events restrict onboard "
        "video, bought notes or devices in the car: check the regulations.</p>"
        "<p>Predicted speeds and times are for rehearsal. They are not advice on how fast to drive.</p>"
        "<p>Notes are verified on the recce by the crew. The driver's word, the marshals and the officials "
        "come before any figure here.</p>");
}

Caution::Caution(QWidget* window)
    : QWidget(window)
{
    constexpr int kTextWidth = 640;
    setObjectName(QStringLiteral("caution"));
    setAutoFillBackground(true);
    auto* text = new QLabel(cautionText());
    text->setTextFormat(Qt::RichText);
    text->setWordWrap(true);
    text->setStyleSheet(QStringLiteral("font-size: 18px;"));
    text->setFixedWidth(kTextWidth);
    text->ensurePolished();
    text->setMinimumHeight(text->heightForWidth(kTextWidth));
    auto* read = new QPushButton(tr("We have read this (Enter)"));
    read->setObjectName(QStringLiteral("cautionRead"));
    read->setDefault(true);
    auto* layout = new QVBoxLayout(this);
    layout->addStretch();
    layout->addWidget(text, 0, Qt::AlignHCenter);
    layout->addSpacing(16);
    layout->addWidget(read, 0, Qt::AlignHCenter);
    layout->addStretch();
    connect(read, &QPushButton::clicked, this, &Caution::understood);
    setFocusProxy(read);
    setGeometry(window->rect());
    window->installEventFilter(this);
    show();
    raise();
}

bool Caution::eventFilter(QObject* window, QEvent* event)
{
    if (event->type() == QEvent::Resize) {
        setGeometry(static_cast<QWidget*>(window)->rect());
    }
    return QWidget::eventFilter(window, event);
}

} // namespace brumefall::app
