// Any bytes as a take's sound: decoded to samples that there is room for, or refused with a MediaError.

#include "media/sound.h"

#include <cstdint>
#include <cstdlib>
#include <fstream>

extern "C" {
#include <libavutil/log.h>
}

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size)
{
    using namespace brumefall;
    namespace fs = std::filesystem;
    static const fs::path kFile = [] {
        av_log_set_level(AV_LOG_QUIET);
        std::string name = fs::exists("/dev/shm") ? "/dev/shm/brumefall-fuzz-XXXXXX" : "/tmp/brumefall-fuzz-XXXXXX";
        return fs::path(mkdtemp(name.data())) / "take.flac";
    }();
    std::ofstream(kFile, std::ios::binary).write(reinterpret_cast<const char*>(data), static_cast<long>(size));
    try {
        const auto facts = media::inspect(kFile);
        constexpr int kRate_hz = 16000;
        constexpr std::size_t kMost = 64U << 20U; // of some bytes no more than an hour can come
        if (facts.duration_s < 0.0 || media::decodeSound(kFile, kRate_hz).samples.size() > kMost) {
            std::abort();
        }
    } catch (const media::MediaError&) {
    }
    return 0;
}
