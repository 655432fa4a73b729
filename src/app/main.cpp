#include "language/language.h"
#include "main_window.h"
#include "pages/fonts.h"
#include "theme/theme.h"
#include "widgets/scratch.h"

#include "media/player.h"

#include <QApplication>
#include <QSettings>
#include <QSocketNotifier>

#include <csignal>
#include <cstdio>
#include <string_view>

#include <unistd.h>

namespace {

int asked_to_end[2] = {-1, -1}; // from the signal to the window

void askToEnd(int)
{
    const char byte = 1;
    static_cast<void>(!::write(asked_to_end[1], &byte, 1));
}

/// Asked to end by the system, the window closes as by the hand: what was typed is saved, a take is kept.
void closeWhenAsked(QWidget& window)
{
    if (::pipe(asked_to_end) != 0) {
        return;
    }
    auto* notifier = new QSocketNotifier(asked_to_end[0], QSocketNotifier::Read, &window);
    QObject::connect(notifier, &QSocketNotifier::activated, &window, [notifier, &window] {
        char byte = 0;
        static_cast<void>(!::read(asked_to_end[0], &byte, 1));
        window.close();
    });
    struct sigaction action { };
    action.sa_handler = askToEnd;
    for (const int signal : {SIGTERM, SIGHUP, SIGINT}) {
        sigaction(signal, &action, nullptr);
    }
}

} // namespace

int main(int argc, char** argv)
{
    const std::string_view word = argc > 1 ? argv[1] : "";
    if (word == "--version" || word == "--help") { // needs no display
        std::puts(word == "--version"
                ? "brumefall " BRUMEFALL_VERSION
                : "usage: brumefall [STAGE | PACKAGE.zip]\n"
                  "       brumefall --version | --help\n"
                  "STAGE is a stage folder or its stage.brumefall; without one, the last one.");
        return 0;
    }
    brumefall::pages::hideInstalledMono();
    // the player's picture and the window's
    QCoreApplication::setAttribute(Qt::AA_ShareOpenGLContexts, brumefall::media::Player::mayDrawWithGl());
    QApplication application(argc, argv);
    QApplication::setApplicationName(QStringLiteral("Brumefall"));
    QApplication::setOrganizationName(QStringLiteral("Brumefall"));
    const QPalette desktop = QApplication::palette();
    QApplication::setStyle(QStringLiteral("Fusion"));
    using namespace brumefall::app;
    loadLanguage(application);
    loadFonts();
    clearLeftScratch();
    applyTheme(application, wishedTheme(desktop));
    MainWindow window;
    const QStringList arguments = QApplication::arguments();
    closeWhenAsked(window);
    window.show();
    if (!QSettings().value(QStringLiteral("caution/read"), false).toBool()) {
        window.showCaution();
    }
    window.afterFirstPaint([&] {
        if (arguments.size() < 2) {
            window.openLast();
        } else if (arguments.at(1).endsWith(QStringLiteral(".zip"), Qt::CaseInsensitive)) {
            window.showStart();
            window.openAny(arguments.at(1));
        } else if (!window.openStage(arguments.at(1))) {
            window.showStart();
        }
    });
    return QApplication::exec();
}
