/// Small things that every panel is made of.
#pragma once

#include "widgets/flow_layout.h"

#include <QBoxLayout>
#include <QComboBox>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QTableView>
#include <QVariant>

#include <utility>

namespace brumefall::app {

/// A small one that stands in a row with others.
inline void makeCompact(QPushButton* button)
{
    button->setProperty("compact", true);
}

/// Where the keys are when `page` is shown: at `first`. A focus proxy would make Tab skip what is before it.
inline void beginAt(QWidget* page, QWidget* first)
{
    page->setProperty("beginsAt", QVariant::fromValue(first));
}

inline void takeFocus(QWidget* page)
{
    auto* first = page->property("beginsAt").value<QWidget*>();
    (first != nullptr && first->isVisibleTo(page) ? first : page)->setFocus();
}

/// A button that Tab reaches and a click does not take the focus to.
template <typename Action>
QPushButton* addButton(QLayout* into, const QString& text, const char* name, Action action)
{
    auto* button = new QPushButton(text);
    button->setObjectName(QString::fromLatin1(name));
    button->setFocusPolicy(Qt::TabFocus);
    QObject::connect(button, &QPushButton::clicked, button, std::move(action));
    into->addWidget(button);
    return button;
}

[[nodiscard]] inline QLabel* heading(const QString& text)
{
    auto* label = new QLabel(text);
    label->setProperty("large", true);
    return label;
}

/// Does not ask for more room than `letters` need, whatever its longest entry is.
inline void keepNarrow(QComboBox* box, int letters)
{
    box->setMinimumContentsLength(letters);
    box->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
}

/// `content`, scrolled up and down where it is higher than its place.
[[nodiscard]] inline QScrollArea* scrolled(QWidget* content)
{
    auto* area = new QScrollArea;
    area->setWidget(content);
    area->setWidgetResizable(true);
    area->setFrameShape(QFrame::NoFrame);
    area->setFocusPolicy(Qt::NoFocus);
    area->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    area->setMinimumHeight(80);
    return area;
}

/// A table of rows: chosen whole, read only, left by Tab.
inline void asRows(QTableView* table)
{
    table->verticalHeader()->hide();
    table->setShowGrid(false);
    table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    table->setSelectionBehavior(QAbstractItemView::SelectRows);
    table->setSelectionMode(QAbstractItemView::SingleSelection);
    table->setTabKeyNavigation(false);
}

} // namespace brumefall::app
