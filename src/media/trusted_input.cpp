#include "media/trusted_input.h"

#include "wording/wording.h"

namespace brumefall::media {

std::string refusal(const std::filesystem::path& file)
{
    std::error_code error;
    const auto status = std::filesystem::status(file, error);
    if (!std::filesystem::exists(status)) {
        return wording::localized("media", "the file is not there");
    }
    return std::filesystem::is_regular_file(status)
        ? ""
        : wording::localized("media", "this is no file, but a folder, a pipe or a device");
}

} // namespace brumefall::media
