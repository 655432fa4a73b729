#include "widgets/side_tabs.h"

#include <QButtonGroup>
#include <QHBoxLayout>
#include <QPushButton>
#include <QStackedWidget>

namespace brumefall::app {

SideTabs::SideTabs(QStackedWidget* pages, QWidget* parent)
    : QWidget(parent)
    , pages_(pages)
    , buttons_(new QButtonGroup(this))
    , row_(new QHBoxLayout(this))
{
    row_->setContentsMargins(0, 0, 0, 0);
    row_->setSpacing(4);
    row_->addStretch();
    connect(buttons_, &QButtonGroup::idClicked, this, &SideTabs::choose);
}

void SideTabs::add(const QString& name, const char* object_name, QWidget* page)
{
    auto* button = new QPushButton(name);
    button->setObjectName(QString::fromLatin1(object_name));
    button->setCheckable(true);
    button->setFocusPolicy(Qt::NoFocus);
    button->setChecked(page_of_tab_.isEmpty());
    buttons_->addButton(button, static_cast<int>(page_of_tab_.size()));
    row_->insertWidget(static_cast<int>(page_of_tab_.size()), button);
    page_of_tab_.append(page);
    if (pages_->indexOf(page) < 0) {
        pages_->addWidget(page);
    }
}

void SideTabs::choose(int tab)
{
    buttons_->button(tab)->setChecked(true);
    pages_->setCurrentWidget(page_of_tab_[tab]);
    emit changed(tab);
}

int SideTabs::chosen() const
{
    return buttons_->checkedId();
}

} // namespace brumefall::app
