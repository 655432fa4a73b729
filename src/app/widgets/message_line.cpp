#include "widgets/message_line.h"

#include <QTimer>
#include <QVBoxLayout>

namespace brumefall::app {

MessageLine::MessageLine(QWidget* parent)
    : QWidget(parent)
    , said_(new QLabel)
    , goes_on_(new QLabel)
{
    said_->setObjectName(QStringLiteral("messageLine"));
    said_->setWordWrap(true);
    goes_on_->setObjectName(QStringLiteral("goesOnLine"));
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(0);
    for (QLabel* line : {said_, goes_on_}) {
        line->setContentsMargins(12, 4, 12, 4);
        line->hide();
        layout->addWidget(line);
    }
}

void MessageLine::say(const QString& text)
{
    said_->setText(text);
    said_->setVisible(!text.isEmpty());
    is_new_ = true;
    QTimer::singleShot(0, this, [this] { is_new_ = false; });
}

void MessageLine::sayAlso(const QString& text)
{
    const QString before = said_->isVisible() ? said_->text() : QString();
    say(before.isEmpty() || before == text ? text : before + QLatin1Char('\n') + text);
}

void MessageLine::sayAndKeep(const QString& text)
{
    say(text);
    stays_ = true;
}

void MessageLine::letGo()
{
    if (stays_) {
        stays_ = false;
        say({});
    }
}

void MessageLine::drop()
{
    if (!is_new_ && !stays_) {
        said_->hide();
        said_->clear();
    }
}

void MessageLine::setGoesOn(const QString& what)
{
    goes_on_->setText(what);
    goes_on_->setVisible(!what.isEmpty());
}

} // namespace brumefall::app
