/// Work for a widget that only those who see it need: done at once while it is visible, else when it is next
/// shown.
#pragma once

#include <QObject>

#include <functional>

class QWidget;

namespace brumefall::app {

class WhenSeen : public QObject {
    Q_OBJECT

public:
    /// Belongs to `widget`.
    WhenSeen(QWidget* widget, std::function<void()> work);

    /// The work is to be done anew.
    void ask();

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;

private:
    QWidget* widget_;
    std::function<void()> work_;
    bool asked_ = false;
};

} // namespace brumefall::app
