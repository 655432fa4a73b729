#include "media/trusted_input.h"

namespace brumefall::media {

std::string refusal(const std::filesystem::path& file)
{
    std::error_code error;
    const auto status = std::filesystem::status(file, error);
    if (!std::filesystem::exists(status)) {
        return "the file is not there";
    }
    return std::filesystem::is_regular_file(status) ? ""
                                                    : "this is no file, but a folder, a pipe or a device";
}

} // namespace brumefall::media
