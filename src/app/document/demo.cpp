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
    namespace fs = std::filesystem;
    const fs::path own =
        fs::path(QStandardPaths::writableLocation(QStandardPaths::AppDataLocation).toStdString()) / "demo";
    // the whole rally that the stage belongs to; what is there already is the user's
    for (const auto& entry : fs::directory_iterator(shipped.parent_path())) {
        const fs::path to = own / entry.path().filename();
        const bool wanted = isStage(entry.path()) || entry.path().filename() == "rally.brumefall";
        if (!wanted || isStage(to) || fs::is_regular_file(to)) {
            continue;
        }
        auto half = to;
        half += ".part";
        fs::remove_all(half);
        fs::create_directories(own);
        fs::copy(entry.path(), half, fs::copy_options::recursive);
        fs::remove_all(to);
        fs::rename(half, to);
    }
    return own / shipped.filename();
}

} // namespace brumefall::app
