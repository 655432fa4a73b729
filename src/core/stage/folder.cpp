#include "stage/folder.h"

#include "formats/files.h"
#include "stage/stage.h"
#include "wording/wording.h"

namespace brumefall::stage {
namespace {

void copyFiles(const std::filesystem::path& from, const std::filesystem::path& to, const char* folder)
{
    if (!std::filesystem::is_directory(from / folder)) {
        return;
    }
    std::filesystem::create_directories(to / folder);
    for (const auto& entry : std::filesystem::directory_iterator(from / folder)) {
        if (entry.is_regular_file()) {
            std::filesystem::copy_file(entry.path(), to / folder / entry.path().filename());
        }
    }
}

} // namespace

std::string mediaPath(const std::filesystem::path& file, const std::filesystem::path& folder)
{
    std::error_code error;
    const auto relative = std::filesystem::relative(file, folder, error);
    return error || relative.empty() ? file.string() : relative.string();
}

void copyStage(const std::filesystem::path& from, const std::filesystem::path& to)
{
    std::error_code ignored;
    if (std::filesystem::exists(to / "stage.brumefall", ignored)) {
        throw formats::FormatError((to / "stage.brumefall").string(), 0,
            wording::localized("file", "there is a stage here already"));
    }
    const bool was_there = std::filesystem::exists(to, ignored);
    try {
        std::filesystem::create_directories(to);
        copyFiles(from, to, "passes");
        copyFiles(from, to, "takes");
        for (const auto& file : listJson(to / "passes")) {
            auto pass = readPass(file);
            if (!pass.media.path.empty()) {
                const auto media = from / pass.media.path;
                pass.media.path = mediaPath(std::filesystem::absolute(media).lexically_normal(),
                    std::filesystem::absolute(to).lexically_normal());
                writePass(file, pass);
            }
        }
        // last, so that a folder half copied is no stage
        std::filesystem::copy_file(from / "stage.brumefall", to / "stage.brumefall");
    } catch (const std::filesystem::filesystem_error& error) {
        if (!was_there) {
            std::filesystem::remove_all(to, ignored);
        }
        throw formats::FormatError(to.string(), 0,
            wording::filled(
                wording::localized("file", "it could not be written: %1"), {error.code().message()}));
    }
}

} // namespace brumefall::stage
