#include "odd_media.h"

#include "encode.h"

extern "C" {
#include <libavformat/avformat.h>
}

#include <QImage>

#include <cmath>
#include <map>
#include <random>
#include <stdexcept>
#include <vector>

namespace support {
namespace {

constexpr int kPictures_s = 10;
constexpr int kSound_hz = 16000;

void require(bool condition, const char* what)
{
    if (!condition) {
        throw std::runtime_error(what);
    }
}

std::vector<std::int16_t> soundOf(double from_s, double length_s, std::optional<double> clap_s)
{
    static std::mt19937 random(4);
    std::normal_distribution<double> engine(0.0, 300.0);
    std::vector<std::int16_t> samples;
    for (int i = 0; i < static_cast<int>(length_s * kSound_hz); ++i) {
        const double since_s = from_s + static_cast<double>(i) / kSound_hz - clap_s.value_or(1e9);
        const double clap =
            since_s >= 0.0 ? 25000.0 * std::exp(-30.0 * since_s) * std::sin(9000.0 * since_s) : 0.0;
        samples.push_back(static_cast<std::int16_t>(engine(random) + clap));
    }
    return samples;
}

} // namespace

void makeVideo(const std::filesystem::path& file, const OddVideo& wish)
{
    const bool again = wish.sound_tracks > 1 || wish.uneven;
    const auto first = again ? std::filesystem::path(file.string() + ".first.mkv") : file;
    {
        demo::Encoder encoder(first,
            {QSize(160, 90), kPictures_s, 60'000, wish.sound_tracks > 0 ? kSound_hz : 0, wish.turned_deg});
        QImage image(160, 90, QImage::Format_RGB32);
        for (int frame = 0; frame < static_cast<int>(kPictures_s * wish.length_s); ++frame) {
            image.fill(QColor::fromHsv((frame / 2 * 37) % 360, 120, 160));
            encoder.addFrame(image);
            if (wish.sound_tracks > 0) {
                encoder.addSound(
                    soundOf(static_cast<double>(frame) / kPictures_s, 1.0 / kPictures_s, wish.clap_s));
            }
        }
        encoder.finish();
    }
    if (again) {
        repack(first, file, wish.sound_tracks, wish.uneven);
        std::filesystem::remove(first);
    }
}

void repack(const std::filesystem::path& from, const std::filesystem::path& to, int sound_tracks, bool uneven)
{
    AVFormatContext* in = nullptr;
    require(avformat_open_input(&in, from.c_str(), nullptr, nullptr) >= 0, "no input");
    require(avformat_find_stream_info(in, nullptr) >= 0, "no streams");
    AVFormatContext* out = nullptr;
    avformat_alloc_output_context2(&out, nullptr, nullptr, to.c_str());
    require(out != nullptr, "no output");
    std::multimap<int, AVStream*> target;
    for (unsigned i = 0; i < in->nb_streams; ++i) {
        const bool sound = in->streams[i]->codecpar->codec_type == AVMEDIA_TYPE_AUDIO;
        for (int copy = 0; copy < (sound ? sound_tracks : 1); ++copy) {
            AVStream* stream = avformat_new_stream(out, nullptr);
            avcodec_parameters_copy(stream->codecpar, in->streams[i]->codecpar);
            stream->codecpar->codec_tag = 0;
            stream->time_base = in->streams[i]->time_base;
            target.emplace(static_cast<int>(i), stream);
        }
    }
    require(avio_open(&out->pb, to.c_str(), AVIO_FLAG_WRITE) >= 0, "not writable");
    require(avformat_write_header(out, nullptr) >= 0, "no header");
    AVPacket* packet = av_packet_alloc();
    int picture = 0;
    while (av_read_frame(in, packet) >= 0) {
        const AVStream& source = *in->streams[packet->stream_index];
        const bool video = source.codecpar->codec_type == AVMEDIA_TYPE_VIDEO;
        if (video && uneven) { // pictures of every second second stay away by turns
            const bool sparse = (picture / kPictures_s) % 2 == 1;
            const auto late = sparse && picture % 2 == 1 ? av_rescale_q(40, {1, 1000}, source.time_base) : 0;
            packet->pts += late;
            packet->dts += late;
            ++picture;
        }
        const auto [first, last] = target.equal_range(packet->stream_index);
        for (auto it = first; it != last; ++it) {
            AVPacket* copy = av_packet_clone(packet);
            copy->stream_index = it->second->index;
            av_packet_rescale_ts(copy, source.time_base, it->second->time_base);
            av_interleaved_write_frame(out, copy);
            av_packet_free(&copy);
        }
        av_packet_unref(packet);
    }
    av_packet_free(&packet);
    av_write_trailer(out);
    avio_closep(&out->pb);
    avformat_free_context(out);
    avformat_close_input(&in);
}

} // namespace support
