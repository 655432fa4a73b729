#include "media/sound.h"

#include "media/ffmpeg.h"
#include "wording/wording.h"

#include <algorithm>
#include <cmath>
#include <memory>

namespace brumefall::media {
namespace {

double durationOf(const AVFormatContext& format)
{
    return format.duration > 0 ? static_cast<double>(format.duration) / AV_TIME_BASE : 0.0;
}

/// Decodes the first sound track and hands blocks of one-channel samples on.
class SoundDecoder {
public:
    SoundDecoder(const std::filesystem::path& file, int rate_hz)
        : file_(file)
        , format_(openInput(file))
        , packet_(av_packet_alloc())
        , frame_(av_frame_alloc())
    {
        const AVCodec* codec = nullptr;
        stream_ = av_find_best_stream(format_.get(), AVMEDIA_TYPE_AUDIO, -1, -1, &codec, 0);
        if (stream_ < 0 || codec == nullptr) {
            throw MediaError(file, wording::localized("media", "it has no sound"));
        }
        const AVStream& stream = *format_->streams[stream_];
        for (unsigned i = 0; i < format_->nb_streams; ++i) {
            format_->streams[i]->discard = static_cast<int>(i) == stream_ ? AVDISCARD_DEFAULT : AVDISCARD_ALL;
        }
        codec_.reset(avcodec_alloc_context3(codec));
        avcodec_parameters_to_context(codec_.get(), stream.codecpar);
        codec_->pkt_timebase = stream.time_base;
        if (const int failed = avcodec_open2(codec_.get(), codec, nullptr); failed < 0) {
            throw MediaError(file,
                wording::filled(
                    wording::localized("media", "its sound cannot be decoded (%1)"), {reason(failed)}));
        }
        rate_hz_ = rate_hz > 0 ? rate_hz : codec_->sample_rate;
        if (rate_hz_ < 1) {
            throw MediaError(file, wording::localized("media", "its sound has no rate"));
        }
    }

    [[nodiscard]] int rate_hz() const { return rate_hz_; }

    /// `take(samples, count)` gets every block in order.
    template <typename Take> void run(const Progress& progress, Take take)
    {
        const double duration_s = std::max(0.001, durationOf(*format_));
        int packets = 0;
        bool going = true;
        while (going && av_read_frame(format_.get(), packet_.get()) >= 0) {
            if (packet_->stream_index == stream_ && avcodec_send_packet(codec_.get(), packet_.get()) >= 0) {
                drain(take);
            }
            av_packet_unref(packet_.get());
            if (progress && ++packets % 256 == 0) {
                going = progress(std::min(1.0, static_cast<double>(done_) / rate_hz_ / duration_s));
            }
        }
        avcodec_send_packet(codec_.get(), nullptr);
        drain(take);
    }

    /// Decodes and throws away: no resampling, no mixing.
    long long runBare()
    {
        long long frames = 0;
        const auto discard = [&] {
            while (avcodec_receive_frame(codec_.get(), frame_.get()) >= 0) {
                ++frames;
                av_frame_unref(frame_.get());
            }
        };
        while (av_read_frame(format_.get(), packet_.get()) >= 0) {
            if (packet_->stream_index == stream_ && avcodec_send_packet(codec_.get(), packet_.get()) >= 0) {
                discard();
            }
            av_packet_unref(packet_.get());
        }
        avcodec_send_packet(codec_.get(), nullptr);
        discard();
        return frames;
    }

private:
    template <typename Take> void drain(Take& take)
    {
        while (avcodec_receive_frame(codec_.get(), frame_.get()) >= 0) {
            if (!resampler_ || isAnotherSound()) {
                openResampler();
            }
            const auto most = swr_get_out_samples(resampler_.get(), frame_->nb_samples);
            block_.resize(static_cast<std::size_t>(std::max(0, most)));
            auto* out = reinterpret_cast<std::uint8_t*>(block_.data());
            const int count = swr_convert(resampler_.get(), &out, most,
                const_cast<const std::uint8_t**>(frame_->extended_data), frame_->nb_samples);
            if (count > 0) {
                take(block_.data(), static_cast<std::size_t>(count));
                done_ += count;
            }
            av_frame_unref(frame_.get());
        }
    }

    /// A file may change its channels or rate on its way.
    [[nodiscard]] bool isAnotherSound() const
    {
        return frame_->format != format_in_ || frame_->sample_rate != rate_in_hz_
            || frame_->ch_layout.nb_channels != channels_in_;
    }

    void openResampler()
    {
        format_in_ = frame_->format;
        rate_in_hz_ = frame_->sample_rate;
        channels_in_ = frame_->ch_layout.nb_channels;
        if (channels_in_ < 1 || channels_in_ > kMostChannels || rate_in_hz_ < kLeastRate_hz
            || rate_in_hz_ > kMostRate_hz) {
            throw MediaError(file_,
                wording::filled(
                    wording::localized("media", "its sound has %1 channels at %2 Hz: no recorder makes such"),
                    {std::to_string(channels_in_), std::to_string(rate_in_hz_)}));
        }
        AVChannelLayout mono = AV_CHANNEL_LAYOUT_MONO;
        AVChannelLayout in = frame_->ch_layout;
        if (in.order == AV_CHANNEL_ORDER_UNSPEC) {
            av_channel_layout_default(&in, channels_in_);
        }
        SwrContext* raw = nullptr;
        swr_alloc_set_opts2(&raw, &mono, AV_SAMPLE_FMT_S16, rate_hz_, &in,
            static_cast<AVSampleFormat>(format_in_), rate_in_hz_, 0, nullptr);
        resampler_.reset(raw);
        if (const int failed = swr_init(raw); failed < 0) {
            throw MediaError(file_,
                wording::filled(
                    wording::localized("media", "its sound cannot be brought to one channel (%1)"),
                    {reason(failed)}));
        }
    }

    static constexpr int kMostChannels = 64; ///< the resampler writes past its own tables beyond
    static constexpr int kLeastRate_hz = 1000; ///< a small file would become a large sound
    static constexpr int kMostRate_hz = 768000; ///< the resampler's filter grows with the rate
    std::filesystem::path file_;
    Format format_;
    Codec codec_;
    Resampler resampler_;
    Packet packet_;
    Frame frame_;
    std::vector<std::int16_t> block_;
    int stream_ = -1;
    int rate_hz_ = 0;
    int format_in_ = -1;
    int rate_in_hz_ = 0;
    int channels_in_ = 0;
    long long done_ = 0;
};

/// Folds samples into slices as they come.
class PeakFolder {
public:
    PeakFolder(double slice_s, int rate_hz)
        : per_slice_(std::max(1.0, slice_s * rate_hz))
    {
        peaks_.slice_s = slice_s;
    }

    void add(const std::int16_t* samples, std::size_t count)
    {
        std::size_t i = 0;
        while (i < count) {
            const auto slice_end =
                static_cast<long long>(per_slice_ * static_cast<double>(peaks_.low.size() + 1));
            const auto until =
                std::min(count, i + static_cast<std::size_t>(std::max(1LL, slice_end - done_)));
            const auto [low, high] = std::minmax_element(samples + i, samples + until);
            low_ = std::min(low_, *low);
            high_ = std::max(high_, *high);
            done_ += static_cast<long long>(until - i);
            i = until;
            if (done_ >= slice_end) {
                close();
            }
        }
    }

    Peaks finish()
    {
        if (low_ < high_) {
            close();
        }
        return std::move(peaks_);
    }

private:
    void close()
    {
        peaks_.low.push_back(static_cast<float>(low_) / 32768.0F);
        peaks_.high.push_back(static_cast<float>(high_) / 32768.0F);
        low_ = 0;
        high_ = 0;
    }

    double per_slice_;
    long long done_ = 0;
    std::int16_t low_ = 0;
    std::int16_t high_ = 0;
    Peaks peaks_;
};

} // namespace

Sound spanOf(const Sound& sound, double from_s, double to_s)
{
    const auto sampleAt = [&](double time_s) {
        const double at = std::clamp(time_s * sound.rate_hz, 0.0, static_cast<double>(sound.samples.size()));
        return sound.samples.begin() + static_cast<std::ptrdiff_t>(at);
    };
    return {{sampleAt(from_s), sampleAt(std::max(from_s, to_s))}, sound.rate_hz};
}

Sound decodeSound(const std::filesystem::path& file, int rate_hz, const Progress& progress)
{
    SoundDecoder decoder(file, rate_hz);
    Sound sound{{}, decoder.rate_hz()};
    decoder.run(progress, [&](const std::int16_t* samples, std::size_t count) {
        sound.samples.insert(sound.samples.end(), samples, samples + count);
    });
    return sound;
}

Peaks decodePeaks(const std::filesystem::path& file, double slice_s, const Progress& progress)
{
    SoundDecoder decoder(file, 0);
    PeakFolder folder(slice_s, decoder.rate_hz());
    decoder.run(
        progress, [&](const std::int16_t* samples, std::size_t count) { folder.add(samples, count); });
    return folder.finish();
}

long long decodeBare(const std::filesystem::path& file)
{
    SoundDecoder decoder(file, 0);
    return decoder.runBare();
}

Peaks peaksOf(const Sound& sound, double slice_s)
{
    PeakFolder folder(slice_s, sound.rate_hz);
    folder.add(sound.samples.data(), sound.samples.size());
    return folder.finish();
}

std::optional<double> sharpestOnset(const Peaks& peaks, double at_s, double near_s)
{
    constexpr std::size_t kBefore = 8; // slices that the sound must stand out of
    constexpr float kStandsOut = 0.15F;
    const auto level = [&](std::size_t i) { return peaks.high[i] - peaks.low[i]; };
    const auto index = [&](double s) {
        return static_cast<std::size_t>(
            std::clamp(s / peaks.slice_s, 0.0, static_cast<double>(peaks.low.size())));
    };
    std::size_t best = 0;
    float sharpest = kStandsOut;
    for (std::size_t i = std::max(index(at_s - near_s), kBefore); i < index(at_s + near_s); ++i) {
        float before = 0.0F;
        for (std::size_t k = i - kBefore; k < i; ++k) {
            before = std::max(before, level(k));
        }
        if (const float rise = level(i) - 1.5F * before; rise > sharpest) {
            sharpest = rise;
            best = i;
        }
    }
    return best == 0 ? std::nullopt : std::optional(static_cast<double>(best) * peaks.slice_s);
}

namespace {

/// From the matrix that phones write; the nearest quarter.
int turnedBy(const AVStream& stream)
{
    const std::uint8_t* matrix = av_stream_get_side_data(&stream, AV_PKT_DATA_DISPLAYMATRIX, nullptr);
    if (matrix == nullptr) {
        return 0;
    }
    const double anticlockwise = av_display_rotation_get(reinterpret_cast<const std::int32_t*>(matrix));
    if (!std::isfinite(anticlockwise)) {
        return 0;
    }
    const int quarters = static_cast<int>(std::lround(-anticlockwise / 90.0));
    return ((quarters % 4) + 4) % 4 * 90;
}

} // namespace

MediaFacts inspect(const std::filesystem::path& file)
{
    const auto format = openInput(file);
    MediaFacts facts;
    facts.duration_s = durationOf(*format);
    for (unsigned i = 0; i < format->nb_streams; ++i) {
        const AVCodecParameters& parameters = *format->streams[i]->codecpar;
        if (parameters.codec_type == AVMEDIA_TYPE_VIDEO && !facts.has_video) {
            facts.has_video = true;
            facts.width = parameters.width;
            facts.height = parameters.height;
            facts.turned_deg = turnedBy(*format->streams[i]);
            const double even = av_q2d(format->streams[i]->r_frame_rate);
            const double mean = av_q2d(format->streams[i]->avg_frame_rate);
            facts.varying_rate = even > 0.0 && mean > 0.0 && std::abs(mean / even - 1.0) > 0.05;
        }
        facts.sound_tracks += parameters.codec_type == AVMEDIA_TYPE_AUDIO ? 1 : 0;
        facts.has_sound = facts.has_sound || parameters.codec_type == AVMEDIA_TYPE_AUDIO;
    }
    return facts;
}

} // namespace brumefall::media
