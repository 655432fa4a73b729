#include "language/language.h"

#include "wording/wording.h"

#include <QApplication>
#include <QLibraryInfo>
#include <QLocale>
#include <QSettings>
#include <QTranslator>

static void initResources() // the macro does not stand within a namespace
{
    Q_INIT_RESOURCE(translations);
}

namespace brumefall::app {
namespace {

constexpr const char* kLanguageKey = "language";

QString spokenLanguage()
{
    const QString chosen = chosenLanguage();
    if (!chosen.isEmpty()) {
        return chosen;
    }
    for (const QString& wished : QLocale::system().uiLanguages()) {
        const QString code = wished.section(QLatin1Char('-'), 0, 0);
        if (languages().contains(code)) {
            return code;
        }
    }
    return languages().front();
}

void install(QApplication& application, const QString& file, const QString& folder)
{
    auto* translator = new QTranslator(&application);
    if (translator->load(file, folder)) {
        QApplication::installTranslator(translator);
    }
}

} // namespace

const QStringList& languages()
{
    static const QStringList kLanguages{QStringLiteral("en"), QStringLiteral("de")};
    return kLanguages;
}

QString ownName(const QString& language)
{
    return language == QLatin1String("de") ? QStringLiteral("Deutsch") : QStringLiteral("English");
}

QString chosenLanguage()
{
    const QString chosen = QSettings().value(QLatin1String(kLanguageKey)).toString();
    return languages().contains(chosen) ? chosen : QString();
}

void chooseLanguage(const QString& language)
{
    QSettings().setValue(QLatin1String(kLanguageKey), language);
}

void loadLanguage(QApplication& application)
{
    initResources();
    const QString language = spokenLanguage();
    // Qt's own words first: what is loaded later is asked before it
    install(application, QStringLiteral("qtbase_") + language,
        QLibraryInfo::path(QLibraryInfo::TranslationsPath));
    install(application, QStringLiteral("brumefall_") + language, QStringLiteral(":/translations"));
    wording::speak([](const char* context, const char* english) {
        return QCoreApplication::translate(context, english).toStdString();
    });
}

} // namespace brumefall::app
