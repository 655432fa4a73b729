#include "document/demo.h"

#include <QCoreApplication>
#include <QStandardPaths>

namespace brumefall::app {
namespace {

constexpr const char* kDemo = "Lantern Pass";

bool isStage(const std::filesystem::path& folder)
{
    std::error_code error;
    return std::filesystem::exists(folder / "stage.brumefall", error);
}

} // namespace

std::optional<std::filesystem::path> shippedDemo()
{
    const std::filesystem::path program = QCoreApplication::applicationDirPath().toStdString();
    if (const auto installed = program.parent_path() / "share/brumefall/demo" / kDemo; isStage(installed)) {
        return installed;
    }
    for (auto folder = program; folder.has_relative_path(); folder = folder.parent_path()) {
        if (isStage(folder / "demo" / kDemo)) {
            return folder / "demo" / kDemo;
        }
    }
    return {};
}

std::filesystem::path ownDemo(const std::filesystem::path& shipped)
{
    const auto own =
        std::filesystem::path(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation).toStdString())
        / "demo" / kDemo;
    if (!isStage(own)) {
        auto half = own;
        half += ".part";
        std::filesystem::remove_all(half);
        std::filesystem::create_directories(half.parent_path());
        std::filesystem::copy(shipped, half, std::filesystem::copy_options::recursive);
        std::filesystem::remove_all(own);
        std::filesystem::rename(half, own);
    }
    return own;
}

} // namespace brumefall::app
