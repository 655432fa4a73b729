#include "main_window.h"
#include "theme/theme.h"

#include <QApplication>
#include <QSettings>
#include <QTimer>

#include <cstdio>

int main(int argc, char** argv)
{
    brumefall::app::hideInstalledMono();
    QCoreApplication::setAttribute(Qt::AA_ShareOpenGLContexts); // the player's picture and the window's
    QApplication application(argc, argv);
    QApplication::setApplicationName(QStringLiteral("Brumefall"));
    QApplication::setOrganizationName(QStringLiteral("Brumefall"));
    QApplication::setStyle(QStringLiteral("Fusion"));
    using namespace brumefall::app;
    loadFonts();
    applyTheme(application,
        QSettings().value(QStringLiteral("theme/dark"), false).toBool() ? Theme::nightRoom()
                                                                        : Theme::paper());
    MainWindow window;
    const QStringList arguments = QApplication::arguments();
    window.show();
    if (!QSettings().value(QStringLiteral("caution/read"), false).toBool()) {
        window.showCaution();
    }
    // the window is painted before the stage is read
    QTimer::singleShot(0, &window, [&] {
        if (arguments.size() < 2) {
            window.openLast();
        } else if (!window.openStage(arguments.at(1))) {
            window.showStart();
        }
    });
    return QApplication::exec();
}
