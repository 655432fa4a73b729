/// Help without a network: the keys of the screen that one is on, and the guide.
#pragma once

#include <QWidget>

class QTextBrowser;

namespace brumefall::app {

class HelpView : public QWidget {
    Q_OBJECT

public:
    explicit HelpView(QWidget* parent = nullptr);

    /// The keys that act in `window` now, under the name of its screen.
    void showKeys(const QWidget& window, const QString& screen);
    void showGuide();

signals:
    void closed();

private:
    QTextBrowser* text_;
};

} // namespace brumefall::app
