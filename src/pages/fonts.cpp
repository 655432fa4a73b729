#include "pages/fonts.h"

#include <QDir>
#include <QFontDatabase>
#include <QSaveFile>
#include <QStandardPaths>

/// Outside of any namespace, as Qt wants it.
static void bringInFonts()
{
    Q_INIT_RESOURCE(fonts);
}

namespace brumefall::pages {

void hideInstalledMono()
{
    if (qEnvironmentVariableIsSet("FONTCONFIG_FILE")) {
        return;
    }
    const QString folder =
        QStandardPaths::writableLocation(QStandardPaths::GenericCacheLocation) + QStringLiteral("/brumefall");
    QDir().mkpath(folder);
    QSaveFile file(folder + QStringLiteral("/fonts.conf"));
    if (!file.open(QIODevice::WriteOnly)) {
        return;
    }
    file.write(
        "<?xml version=\"1.0\"?>\n<!DOCTYPE fontconfig SYSTEM \"fonts.dtd\">\n<fontconfig>\n"
        " <include ignore_missing=\"yes\">/etc/fonts/fonts.conf</include>\n"
        " <selectfont><rejectfont><glob>*/B612Mono*</glob></rejectfont></selectfont>\n</fontconfig>\n");
    if (file.commit()) {
        qputenv("FONTCONFIG_FILE", file.fileName().toLocal8Bit());
    }
}

void loadFonts()
{
    bringInFonts();
    for (const char* file :
        {":/fonts/B612-Regular.otf", ":/fonts/B612-Bold.otf", ":/fonts/B612-Italic.otf"}) {
        QFontDatabase::addApplicationFont(QString::fromLatin1(file));
    }
}

} // namespace brumefall::pages
