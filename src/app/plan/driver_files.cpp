#include "plan/driver_files.h"

#include "stage/stage.h"

#include "formats/files.h"

#include <QDir>
#include <QFileInfo>
#include <QRegularExpression>
#include <QStandardPaths>

namespace brumefall::app {

QString driversFolder()
{
    return QStandardPaths::writableLocation(QStandardPaths::AppDataLocation) + QStringLiteral("/drivers");
}

std::vector<NamedDriver> loadDrivers()
{
    std::vector<NamedDriver> drivers;
    const QDir folder(driversFolder());
    for (const QString& file : folder.entryList({QStringLiteral("*.json")}, QDir::Files, QDir::Name)) {
        try {
            drivers.emplace_back(file.chopped(5), stage::readDriver(folder.filePath(file).toStdString()));
        } catch (const formats::FormatError&) {
            continue; // told when it is chosen to be mended by hand; it is no stage of anybody's
        }
    }
    return drivers;
}

void saveDriver(const QString& name, const plan::Driver& driver)
{
    QString safe = name;
    safe.replace(QRegularExpression(QStringLiteral("[/\\\\:*?\"<>|]")), QStringLiteral("_"));
    QDir().mkpath(driversFolder());
    stage::writeDriver(QDir(driversFolder()).filePath(safe + QStringLiteral(".json")).toStdString(), driver);
}

NamedDriver importDriver(const QString& file)
{
    NamedDriver driver{QFileInfo(file).completeBaseName(), stage::readDriver(file.toStdString())};
    saveDriver(driver.first, driver.second);
    return driver;
}

} // namespace brumefall::app
