#include "pages/fonts.h"

#include <QGuiApplication>

#include <gtest/gtest.h>

int main(int argc, char** argv)
{
    testing::InitGoogleTest(&argc, argv);
    if (GTEST_FLAG_GET(list_tests)) {
        return RUN_ALL_TESTS();
    }
    qputenv("QT_QPA_PLATFORM", "offscreen");
    brumefall::pages::hideInstalledMono();
    const QGuiApplication application(argc, argv);
    brumefall::pages::loadFonts();
    return RUN_ALL_TESTS();
}
