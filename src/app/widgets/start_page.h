/// What stands there before a stage is open: everything that one could begin with, as things to press.
#pragma once

#include <QWidget>

class QLabel;
class QPushButton;
class QVBoxLayout;

namespace brumefall::app {

class StartPage : public QWidget {
    Q_OBJECT

public:
    explicit StartPage(QWidget* parent = nullptr);

    /// Lists the stages that were open before, those that are still there; `unnamed` says that something was
    /// written before there was a stage.
    void show(const QStringList& recent, bool unnamed, bool has_demo);

signals:
    void newWanted();
    void openWanted();
    void demoWanted();
    void writeWanted(); ///< to write notes at once, the stage to be named later
    void stageWanted(const QString& folder);

private:
    QPushButton* add(const QString& text, const char* name);

    QVBoxLayout* choices_;
    QVBoxLayout* recents_;
    QLabel* recent_;
    QPushButton* write_;
    QPushButton* demo_;
};

} // namespace brumefall::app
