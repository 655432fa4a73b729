#include "encode.h"

extern "C" {
#include <libavcodec/avcodec.h>
#include <libavformat/avformat.h>
#include <libavutil/channel_layout.h>
#include <libavutil/display.h>
#include <libavutil/opt.h>
#include <libswscale/swscale.h>
}

#include <stdexcept>

namespace demo {

struct Encoder::State {
    AVFormatContext* format = nullptr;
    AVCodecContext* video = nullptr;
    AVCodecContext* sound = nullptr;
    AVStream* video_stream = nullptr;
    AVStream* sound_stream = nullptr;
    SwsContext* scaler = nullptr;
    AVFrame* picture = nullptr;
    AVFrame* block = nullptr;
    AVPacket* packet = nullptr;
    std::int64_t frames = 0;
    std::int64_t samples = 0;
    std::vector<std::int16_t> waiting;

    void drain(AVCodecContext* codec, AVStream* stream) const
    {
        while (avcodec_receive_packet(codec, packet) >= 0) {
            av_packet_rescale_ts(packet, codec->time_base, stream->time_base);
            packet->stream_index = stream->index;
            av_interleaved_write_frame(format, packet);
        }
    }
};

namespace {

void require(bool good, const char* what)
{
    if (!good) {
        throw std::runtime_error(what);
    }
}

} // namespace

Encoder::Encoder(const std::filesystem::path& file, const Wish& wish)
    : state_(std::make_unique<State>())
{
    State& s = *state_;
    av_log_set_level(AV_LOG_ERROR);
    avformat_alloc_output_context2(
        &s.format, nullptr, wish.turned_deg == 0 ? "matroska" : "mp4", file.c_str());
    require(s.format != nullptr, "no Matroska or MP4 writer");
    s.format->flags |= AVFMT_FLAG_BITEXACT;

    const AVCodec* h264 = avcodec_find_encoder_by_name("libx264");
    require(h264 != nullptr, "no H.264 encoder");
    s.video = avcodec_alloc_context3(h264);
    s.video->width = wish.size.width();
    s.video->height = wish.size.height();
    s.video->pix_fmt = AV_PIX_FMT_YUV420P;
    s.video->time_base = {1, wish.frames_per_s};
    s.video->framerate = {wish.frames_per_s, 1};
    s.video->gop_size = wish.frames_per_s * 4;
    s.video->bit_rate = wish.video_bit_s;
    s.video->thread_count = 1;
    s.video->flags |= AV_CODEC_FLAG_GLOBAL_HEADER | AV_CODEC_FLAG_BITEXACT;
    av_opt_set(s.video->priv_data, "preset", "slow", 0);
    av_opt_set(s.video->priv_data, "x264-params", "deterministic=1:vbv-maxrate=400:vbv-bufsize=800", 0);
    require(avcodec_open2(s.video, h264, nullptr) >= 0, "the H.264 encoder did not open");
    s.video_stream = avformat_new_stream(s.format, nullptr);
    s.video_stream->time_base = s.video->time_base;
    avcodec_parameters_from_context(s.video_stream->codecpar, s.video);
    if (wish.turned_deg != 0) {
        auto* matrix = reinterpret_cast<std::int32_t*>(
            av_stream_new_side_data(s.video_stream, AV_PKT_DATA_DISPLAYMATRIX, 9 * sizeof(std::int32_t)));
        require(matrix != nullptr, "no room for the turn");
        av_display_rotation_set(matrix, wish.turned_deg);
    }

    if (wish.sound_rate_hz > 0) {
        openSound(wish.sound_rate_hz);
    }
    require(avio_open(&s.format->pb, file.c_str(), AVIO_FLAG_WRITE) >= 0, "the file cannot be written");
    require(avformat_write_header(s.format, nullptr) >= 0, "the file cannot be written");
    s.scaler = sws_getContext(wish.size.width(), wish.size.height(), AV_PIX_FMT_BGR0, wish.size.width(),
        wish.size.height(), AV_PIX_FMT_YUV420P, SWS_BILINEAR, nullptr, nullptr, nullptr);
    s.picture = av_frame_alloc();
    s.picture->format = AV_PIX_FMT_YUV420P;
    s.picture->width = wish.size.width();
    s.picture->height = wish.size.height();
    av_frame_get_buffer(s.picture, 0);
    s.packet = av_packet_alloc();
}

void Encoder::openSound(int rate_hz)
{
    State& s = *state_;
    const AVCodec* opus = avcodec_find_encoder_by_name("libopus");
    require(opus != nullptr, "no Opus encoder");
    s.sound = avcodec_alloc_context3(opus);
    s.sound->sample_rate = rate_hz;
    s.sound->sample_fmt = AV_SAMPLE_FMT_S16;
    s.sound->bit_rate = 14000;
    s.sound->time_base = {1, rate_hz};
    s.sound->flags |= AV_CODEC_FLAG_GLOBAL_HEADER | AV_CODEC_FLAG_BITEXACT;
    av_channel_layout_default(&s.sound->ch_layout, 1);
    require(avcodec_open2(s.sound, opus, nullptr) >= 0, "the Opus encoder did not open");
    s.sound_stream = avformat_new_stream(s.format, nullptr);
    s.sound_stream->time_base = s.sound->time_base;
    avcodec_parameters_from_context(s.sound_stream->codecpar, s.sound);
    s.block = av_frame_alloc();
    s.block->format = AV_SAMPLE_FMT_S16;
    s.block->nb_samples = s.sound->frame_size;
    s.block->sample_rate = rate_hz;
    av_channel_layout_default(&s.block->ch_layout, 1);
    av_frame_get_buffer(s.block, 0);
}

Encoder::~Encoder()
{
    State& s = *state_;
    sws_freeContext(s.scaler);
    av_frame_free(&s.picture);
    av_frame_free(&s.block);
    av_packet_free(&s.packet);
    avcodec_free_context(&s.video);
    avcodec_free_context(&s.sound);
    if (s.format != nullptr) {
        avio_closep(&s.format->pb);
        avformat_free_context(s.format);
    }
}

void Encoder::addFrame(const QImage& image)
{
    State& s = *state_;
    av_frame_make_writable(s.picture);
    const std::uint8_t* planes[]{image.constBits()};
    const int strides[]{static_cast<int>(image.bytesPerLine())};
    sws_scale(s.scaler, planes, strides, 0, image.height(), s.picture->data, s.picture->linesize);
    s.picture->pts = s.frames++;
    avcodec_send_frame(s.video, s.picture);
    s.drain(s.video, s.video_stream);
}

void Encoder::addSound(const std::vector<std::int16_t>& samples)
{
    State& s = *state_;
    s.waiting.insert(s.waiting.end(), samples.begin(), samples.end());
    const auto size = static_cast<std::size_t>(s.sound->frame_size);
    std::size_t used = 0;
    while (s.waiting.size() - used >= size) {
        av_frame_make_writable(s.block);
        std::copy_n(s.waiting.begin() + static_cast<std::ptrdiff_t>(used), size,
            reinterpret_cast<std::int16_t*>(s.block->data[0]));
        s.block->pts = s.samples;
        s.samples += s.sound->frame_size;
        avcodec_send_frame(s.sound, s.block);
        s.drain(s.sound, s.sound_stream);
        used += size;
    }
    s.waiting.erase(s.waiting.begin(), s.waiting.begin() + static_cast<std::ptrdiff_t>(used));
}

void Encoder::finish()
{
    State& s = *state_;
    avcodec_send_frame(s.video, nullptr);
    s.drain(s.video, s.video_stream);
    if (s.sound != nullptr) {
        avcodec_send_frame(s.sound, nullptr);
        s.drain(s.sound, s.sound_stream);
    }
    av_write_trailer(s.format);
}

} // namespace demo
