#include "document/media_search.h"

#include "media/sound.h"

#include <cmath>
#include <vector>

namespace brumefall::app {
namespace {

namespace fs = std::filesystem;

constexpr std::size_t kMostFiles = 300; // of a folder; a stage's folder holds few
constexpr int kMostOpened = 20; // files whose length is asked for

std::vector<fs::path> filesIn(const fs::path& folder)
{
    std::vector<fs::path> files;
    std::error_code error;
    for (const auto& entry : fs::directory_iterator(folder, error)) {
        if (files.size() < kMostFiles && entry.is_regular_file(error)) {
            files.push_back(entry.path());
        }
    }
    return files;
}

bool isAsLong(const fs::path& file, double duration_s)
{
    try {
        return std::abs(media::inspect(file).duration_s - duration_s) < kSameLength_s;
    } catch (const media::MediaError&) {
        return false;
    }
}

} // namespace

std::optional<fs::path> findMoved(const fs::path& stage_folder, const pace::Media& media)
{
    const fs::path wanted(media.path);
    std::vector<fs::path> files;
    for (const auto& folder : {stage_folder / "media", stage_folder, stage_folder.parent_path()}) {
        const auto more = filesIn(folder);
        files.insert(files.end(), more.begin(), more.end());
    }
    const auto isAsLarge = [&](const fs::path& file) {
        std::error_code error;
        const auto size = fs::file_size(file, error);
        return !error && media.size_bytes > 0 && size == static_cast<std::uintmax_t>(media.size_bytes);
    };
    std::optional<fs::path> as_large;
    for (const auto& file : files) {
        if (isAsLarge(file)) {
            if (file.filename() == wanted.filename()) {
                return file;
            }
            as_large = as_large.value_or(file);
        }
    }
    if (as_large || media.duration_s <= 0.0) {
        return as_large;
    }
    int opened = 0;
    for (const bool same_name : {true, false}) {
        for (const auto& file : files) {
            const bool candidate = same_name
                ? file.stem() == wanted.stem()
                : file.stem() != wanted.stem() && file.extension() == wanted.extension();
            if (candidate && opened++ < kMostOpened && isAsLong(file, media.duration_s)) {
                return file;
            }
        }
    }
    return {};
}

} // namespace brumefall::app
