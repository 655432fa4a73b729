#include "widgets/scratch.h"

#include <QCoreApplication>
#include <QDir>

#include <cerrno>
#include <csignal>

namespace brumefall::app {
namespace {

constexpr const char* kName = "brumefall-scratch-";

} // namespace

QString scratchTemplate()
{
    return QDir::temp().filePath(
        QStringLiteral("%1%2-XXXXXX").arg(QLatin1String(kName)).arg(QCoreApplication::applicationPid()));
}

void clearLeftScratch()
{
    const QString pattern = QLatin1String(kName) + QLatin1Char('*');
    const auto left = QDir::temp().entryInfoList({pattern}, QDir::Dirs | QDir::NoSymLinks);
    for (const QFileInfo& folder : left) {
        bool numbered = false;
        const QString rest = folder.fileName().mid(static_cast<int>(qstrlen(kName)));
        const int pid = rest.section(QLatin1Char('-'), 0, 0).toInt(&numbered);
        if (numbered && pid > 1 && ::kill(pid, 0) != 0 && errno == ESRCH) {
            QDir(folder.filePath()).removeRecursively();
        }
    }
}

} // namespace brumefall::app
