/// The desktop's trash: a file that went there and can be brought back.
#pragma once

#include <QDir>
#include <QFile>
#include <QFileInfo>
#include <QString>

namespace brumefall::app {

class TrashedFile {
public:
    /// False where there is a file but no trash; the file then stays where it is.
    bool put(const QString& file)
    {
        file_ = file;
        in_trash_.clear();
        return !QFile::exists(file) || QFile::moveToTrash(file, &in_trash_);
    }

    /// False where the file is not in the trash any more.
    bool bringBack()
    {
        if (in_trash_.isEmpty()) {
            return true;
        }
        const QFileInfo lies(in_trash_);
        const bool back = QFile::rename(in_trash_, file_);
        if (back) {
            // What the freedesktop.org trash specification keeps of it.
            QFile::remove(lies.dir().filePath(QStringLiteral("../info/%1.trashinfo").arg(lies.fileName())));
        }
        in_trash_.clear();
        return back;
    }

private:
    QString file_;
    QString in_trash_;
};

} // namespace brumefall::app
