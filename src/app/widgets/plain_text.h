/// What is shown is shown as it is written: names, notes and paths come from files, and markup in them could
/// open pictures of the disk.
#pragma once

#include <QObject>

namespace brumefall::app {

/// While it lives, every label, tool tip and message of the application is plain text, unless it was made as
/// Qt::RichText itself.
class PlainText : public QObject {
public:
    explicit PlainText(QObject* parent);

protected:
    bool eventFilter(QObject* watched, QEvent* event) override;
};

} // namespace brumefall::app
