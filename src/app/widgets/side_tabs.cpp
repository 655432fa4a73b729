#include "widgets/side_tabs.h"

#include "widgets/flow_layout.h"
#include "widgets/keys.h"

#include <QButtonGroup>
#include <QLabel>
#include <QPushButton>
#include <QStackedWidget>

namespace brumefall::app {

SideTabs::SideTabs(QStackedWidget* pages, QWidget* parent)
    : QWidget(parent)
    , pages_(pages)
    , buttons_(new QButtonGroup(this))
    , row_(new FlowLayout(4, this))
{
    auto* alt = new QLabel(tr("Alt+"));
    alt->setProperty("quiet", true);
    alt->setMinimumHeight(28);
    row_->addWidget(alt);
    connect(buttons_, &QButtonGroup::idClicked, this, &SideTabs::choose);
}

void SideTabs::add(const QString& name, const char* object_name, QWidget* page)
{
    const auto tab = static_cast<int>(page_of_tab_.size());
    auto* button = new QPushButton(QStringLiteral("%1 %2").arg(tab + 1).arg(name));
    button->setObjectName(QString::fromLatin1(object_name));
    button->setProperty("tab", true);
    button->setCheckable(true);
    button->setFocusPolicy(Qt::TabFocus);
    bindKey(
        this, QKeyCombination(Qt::ALT, static_cast<Qt::Key>(Qt::Key_1 + tab)), name,
        [button] { button->click(); }, button);
    button->setChecked(page_of_tab_.isEmpty());
    buttons_->addButton(button, tab);
    row_->addWidget(button);
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
