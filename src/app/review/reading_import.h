/// A reading that was made elsewhere becomes a take: asked for, laid to the pass, judged and kept.
#pragma once

#include "document/document.h"
#include "media/elsewhere.h"
#include "widgets/background.h"

#include <QObject>

namespace brumefall::app {

class ReadingImport : public QObject {
    Q_OBJECT

public:
    ReadingImport(Document& document, QObject* parent);
    /// Asks for the file with a dialog over `over`; the rest goes on in the background.
    void ask(QWidget* over);
    void take(const QString& file);

signals:
    void kept(const QString& take);

private:
    /// `take` holds what it was judged by.
    void keep(stage::Take take, const media::Sound& sound, const media::ReadingElsewhere& reading);

    Document& document_;
    Job importing_;
};

} // namespace brumefall::app
