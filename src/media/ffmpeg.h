/// The FFmpeg libraries with owners that free what they own. For the sources of this folder only.
#pragma once

#include "media/sound.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include <libavutil/channel_layout.h>
#include <libavutil/display.h>
#include <libavutil/opt.h>
#include <libswresample/swresample.h>
}

#include <filesystem>
#include <memory>
#include <string>

namespace brumefall::media {

template <auto Free> struct Freer {
    template <typename T> void operator()(T* pointer) const { Free(&pointer); }
};

using Format = std::unique_ptr<AVFormatContext, Freer<avformat_close_input>>;
using Codec = std::unique_ptr<AVCodecContext, Freer<avcodec_free_context>>;
using Packet = std::unique_ptr<AVPacket, Freer<av_packet_free>>;
using Frame = std::unique_ptr<AVFrame, Freer<av_frame_free>>;
using Resampler = std::unique_ptr<SwrContext, Freer<swr_free>>;

/// An error of the libraries, in words.
[[nodiscard]] std::string reason(int error);

/// A medium that may be opened, opened, with its streams known. Throws MediaError.
[[nodiscard]] Format openInput(const std::filesystem::path& file);

} // namespace brumefall::media
