/// The caution of the first start.
#pragma once

#include <QWidget>

namespace brumefall::app {

/// The caution's words, also for the guide and printed pages.
[[nodiscard]] QString cautionText();

/// Stands in front of `window` until it is put away.
class Caution : public QWidget {
    Q_OBJECT

public:
    explicit Caution(QWidget* window);

signals:
    void understood();

protected:
    /// Keeps the size of the window.
    bool eventFilter(QObject* window, QEvent* event) override;
};

} // namespace brumefall::app
