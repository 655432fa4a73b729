/// The rally that the open stage belongs to, read in the background.
#pragma once

#include "document/document.h"
#include "log/rally.h"
#include "widgets/background.h"

#include <QObject>

namespace brumefall::app {

class RallyReader : public QObject {
    Q_OBJECT

public:
    explicit RallyReader(Document& document, QObject* parent = nullptr);

    /// Reads it anew; what was read before stays until then.
    void read();
    [[nodiscard]] const log::Rally& rally() const { return rally_; }
    /// The place of the open stage among its stages; -1 where it is not there (yet).
    [[nodiscard]] int openStage() const;

signals:
    void changed();

private:
    Document& document_;
    log::Rally rally_;
    Job reading_;
};

} // namespace brumefall::app
