#include "media/ffmpeg.h"

#include "media/trusted_input.h"
#include "wording/wording.h"

namespace brumefall::media {

std::string reason(int error)
{
    char text[AV_ERROR_MAX_STRING_SIZE] = {};
    av_strerror(error, text, sizeof text);
    return text;
}

Format openInput(const std::filesystem::path& file)
{
    av_log_set_level(AV_LOG_QUIET);
    if (const std::string why = refusal(file); !why.empty()) {
        throw MediaError(file, why);
    }
    AVDictionary* options = nullptr;
    av_dict_set(&options, "protocol_whitelist", kProtocols, 0);
    av_dict_set(&options, "format_whitelist", kContainers, 0);
    AVFormatContext* raw = nullptr;
    const int failed_to_open = avformat_open_input(&raw, file.c_str(), nullptr, &options);
    av_dict_free(&options);
    if (failed_to_open < 0) {
        throw MediaError(file,
            wording::filled(
                wording::localized("media", "not a video or sound file (%1)"), {reason(failed_to_open)}));
    }
    Format format(raw);
    if (const int failed = avformat_find_stream_info(format.get(), nullptr); failed < 0) {
        throw MediaError(file, "broken: " + reason(failed));
    }
    return format;
}

} // namespace brumefall::media
