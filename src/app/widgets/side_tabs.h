/// A row of buttons, each of which shows a page; Alt and its number choose one.
#pragma once

#include <QWidget>

class QButtonGroup;
class QStackedWidget;

namespace brumefall::app {

class FlowLayout;

class SideTabs : public QWidget {
    Q_OBJECT

public:
    /// Shows its pages in `pages`.
    explicit SideTabs(QStackedWidget* pages, QWidget* parent = nullptr);

    /// A page, and its button; more than one button may show the same page. The first is chosen.
    void add(const QString& name, const char* object_name, QWidget* page);
    /// Chooses the button that was added as number `tab`, from 0.
    void choose(int tab);
    [[nodiscard]] int chosen() const;

signals:
    void changed(int tab);

private:
    QStackedWidget* pages_;
    QButtonGroup* buttons_;
    FlowLayout* row_;
    QList<QWidget*> page_of_tab_;
};

} // namespace brumefall::app
