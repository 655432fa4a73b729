#include "document/media_trust.h"

#include <QSettings>
#include <QStringList>

#include <algorithm>

namespace brumefall::app {
namespace {

constexpr const char* kChosen = "media/chosen";
constexpr int kMostChosen = 1000; // the latest

QString nameOf(const std::filesystem::path& file)
{
    std::error_code error;
    return QString::fromStdString(std::filesystem::weakly_canonical(file, error).string());
}

} // namespace

bool mayOpen(const std::filesystem::path& stage_folder, const std::filesystem::path& file)
{
    std::error_code error;
    const auto folder = std::filesystem::weakly_canonical(stage_folder, error);
    const auto inside = std::filesystem::weakly_canonical(file, error).lexically_relative(folder);
    if (!inside.empty() && *inside.begin() != ".." && inside.is_relative()) {
        return true;
    }
    return QSettings().value(QLatin1String(kChosen)).toStringList().contains(nameOf(file));
}

void rememberChosen(const std::filesystem::path& file)
{
    QSettings settings;
    QStringList chosen = settings.value(QLatin1String(kChosen)).toStringList();
    const QString name = nameOf(file);
    chosen.removeAll(name);
    chosen.prepend(name);
    settings.setValue(QLatin1String(kChosen), QStringList(chosen.mid(0, kMostChosen)));
}

} // namespace brumefall::app
