#include "media/resample.h"

extern "C" {
#include <libavutil/channel_layout.h>
#include <libswresample/swresample.h>
}

#include <algorithm>

namespace brumefall::media {

Sound resampled(Sound sound, int rate_hz)
{
    if (sound.rate_hz == rate_hz) {
        return sound;
    }
    AVChannelLayout mono = AV_CHANNEL_LAYOUT_MONO;
    SwrContext* swr = nullptr;
    swr_alloc_set_opts2(
        &swr, &mono, AV_SAMPLE_FMT_S16, rate_hz, &mono, AV_SAMPLE_FMT_S16, sound.rate_hz, 0, nullptr);
    swr_init(swr);
    Sound out{{}, rate_hz};
    const auto count = static_cast<int>(sound.samples.size());
    out.samples.resize(static_cast<std::size_t>(swr_get_out_samples(swr, count) + 256));
    auto* target = reinterpret_cast<std::uint8_t*>(out.samples.data());
    const auto* source = reinterpret_cast<const std::uint8_t*>(sound.samples.data());
    int written = swr_convert(swr, &target, static_cast<int>(out.samples.size()), &source, count);
    target = reinterpret_cast<std::uint8_t*>(out.samples.data() + std::max(0, written));
    written +=
        std::max(0, swr_convert(swr, &target, static_cast<int>(out.samples.size()) - written, nullptr, 0));
    out.samples.resize(static_cast<std::size_t>(std::max(0, written)));
    swr_free(&swr);
    return out;
}

} // namespace brumefall::media
