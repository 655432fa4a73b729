#include "language/language.h"
#include "theme/theme.h"

#include <QApplication>
#include <QStandardPaths>

#include <gtest/gtest.h>

int main(int argc, char** argv)
{
    testing::InitGoogleTest(&argc, argv);
    if (GTEST_FLAG_GET(list_tests)) {
        return RUN_ALL_TESTS();
    }
    if (!qEnvironmentVariableIsSet("QT_QPA_PLATFORM")) {
        qputenv("QT_QPA_PLATFORM", "offscreen");
    }
    qputenv("BRUMEFALL_SILENT", "1");
    qputenv("LC_ALL", "C.UTF-8"); // English, whoever runs them
    QStandardPaths::setTestModeEnabled(true);
    QCoreApplication::setAttribute(Qt::AA_ShareOpenGLContexts);
    QApplication application(argc, argv);
    QApplication::setOrganizationName(QStringLiteral("BrumefallTests"));
    QApplication::setApplicationName(QStringLiteral("tests%1").arg(QCoreApplication::applicationPid()));
    brumefall::app::loadLanguage(application);
    brumefall::app::loadFonts();
    brumefall::app::applyTheme(application, brumefall::app::Theme::paper());
    return RUN_ALL_TESTS();
}
