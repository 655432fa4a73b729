#include "media/track.h"

#include "media/ffmpeg.h"
#include "wording/wording.h"

#include <sndfile.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstddef>
#include <cstring>
#include <limits>
#include <vector>

namespace brumefall::media {
namespace {

constexpr int kOpusRate_hz = 48000;
constexpr int kOpusBit_s = 48000;
constexpr double kDucked = 0.25; ///< how loud the onboard is while the voice speaks
constexpr double kDuck_s = 0.15; ///< how fast it goes there

/// A file beside the wished one that takes its name once it is whole.
class Unfinished {
public:
    explicit Unfinished(const std::filesystem::path& file)
        : file_(file)
        , beside_(
              file.parent_path() / ("." + file.stem().string() + ".unfinished" + file.extension().string()))
    {
    }
    Unfinished(const Unfinished&) = delete;
    Unfinished& operator=(const Unfinished&) = delete;
    ~Unfinished()
    {
        std::error_code ignored;
        std::filesystem::remove(beside_, ignored);
    }
    [[nodiscard]] const std::filesystem::path& path() const { return beside_; }
    void finish()
    {
        std::error_code error;
        std::filesystem::rename(beside_, file_, error);
        if (error) {
            throw MediaError(file_,
                wording::filled(wording::localized("media", "it cannot be written: %1"), {error.message()}));
        }
    }

private:
    std::filesystem::path file_;
    std::filesystem::path beside_;
};

void goOn(const Progress& progress, double share, const std::filesystem::path& file)
{
    if (progress && !progress(share)) {
        throw MediaError(file, wording::localized("media", "stopped; nothing was written"));
    }
}

/// The library's SF_CUES_VAR with as many points as there are marks: a count, then the points.
std::vector<std::byte> cuesOf(std::span<const TrackMark> marks, int rate_hz)
{
    std::vector<std::byte> out(offsetof(SF_CUES, cue_points) + marks.size() * sizeof(SF_CUE_POINT));
    const auto count = static_cast<std::uint32_t>(marks.size());
    std::memcpy(out.data(), &count, sizeof count);
    for (std::size_t i = 0; i < marks.size(); ++i) {
        SF_CUE_POINT cue{};
        cue.indx = static_cast<std::int32_t>(i + 1);
        cue.position = static_cast<std::uint32_t>(std::max(0.0, marks[i].at_s) * rate_hz);
        cue.sample_offset = cue.position;
        std::memcpy(&cue.fcc_chunk, "data", 4);
        marks[i].text.copy(cue.name, sizeof cue.name - 1);
        std::memcpy(out.data() + offsetof(SF_CUES, cue_points) + i * sizeof cue, &cue, sizeof cue);
    }
    return out;
}

void writeWithSndfile(const std::filesystem::path& wished, const std::filesystem::path& file,
    const Sound& sound, std::span<const TrackMark> marks, const Progress& progress)
{
    const bool wav = file.extension() == ".wav";
    SF_INFO info{};
    info.samplerate = sound.rate_hz;
    info.channels = 1;
    info.format = (wav ? SF_FORMAT_WAV : SF_FORMAT_FLAC) | SF_FORMAT_PCM_16;
    const std::unique_ptr<SNDFILE, decltype(&sf_close)> out(
        sf_open(file.c_str(), SFM_WRITE, &info), &sf_close);
    if (out == nullptr) {
        throw MediaError(wished,
            wording::filled(wording::localized("media", "it cannot be written: %1"), {sf_strerror(nullptr)}));
    }
    if (wav && !marks.empty()) {
        const auto cues = cuesOf(marks, sound.rate_hz);
        sf_command(
            out.get(), SFC_SET_CUE, const_cast<std::byte*>(cues.data()), static_cast<int>(cues.size()));
    }
    constexpr std::size_t kBlock = 1 << 16;
    for (std::size_t at = 0; at < sound.samples.size(); at += kBlock) {
        const auto count = static_cast<sf_count_t>(std::min(kBlock, sound.samples.size() - at));
        if (sf_writef_short(out.get(), sound.samples.data() + at, count) != count) {
            throw MediaError(wished,
                wording::filled(
                    wording::localized("media", "it cannot be written: %1"), {sf_strerror(out.get())}));
        }
        goOn(progress, static_cast<double>(at) / static_cast<double>(sound.samples.size()), wished);
    }
    sf_write_sync(out.get());
}

/// `sound` at kOpusRate_hz.
Sound atOpusRate(const Sound& sound)
{
    AVChannelLayout mono{};
    av_channel_layout_default(&mono, 1);
    SwrContext* raw = nullptr;
    swr_alloc_set_opts2(
        &raw, &mono, AV_SAMPLE_FMT_S16, kOpusRate_hz, &mono, AV_SAMPLE_FMT_S16, sound.rate_hz, 0, nullptr);
    const Resampler resampler(raw);
    swr_init(resampler.get());
    Sound out;
    out.rate_hz = kOpusRate_hz;
    constexpr std::size_t kBlock = 1 << 15;
    std::vector<std::int16_t> block(4 * kBlock);
    for (std::size_t at = 0; at <= sound.samples.size();
         at += kBlock) { // the last one may be empty: the rest
        const std::size_t count = std::min(kBlock, sound.samples.size() - at);
        const auto* in = reinterpret_cast<const std::uint8_t*>(sound.samples.data() + at);
        auto* to = reinterpret_cast<std::uint8_t*>(block.data());
        const int got = swr_convert(resampler.get(), &to, static_cast<int>(block.size()),
            count > 0 ? &in : nullptr, static_cast<int>(count));
        out.samples.insert(out.samples.end(), block.begin(), block.begin() + std::max(0, got));
    }
    return out;
}

/// A file that is being muxed.
class Muxer {
public:
    Muxer(const std::filesystem::path& wished, const std::filesystem::path& file, const char* container)
        : wished_(wished)
        , packet_(av_packet_alloc())
    {
        av_log_set_level(AV_LOG_QUIET);
        AVFormatContext* raw = nullptr;
        require(avformat_alloc_output_context2(&raw, nullptr, container, file.c_str()));
        format_ = raw;
        require(avio_open(&format_->pb, file.c_str(), AVIO_FLAG_WRITE));
    }
    Muxer(const Muxer&) = delete;
    Muxer& operator=(const Muxer&) = delete;
    ~Muxer()
    {
        avio_closep(&format_->pb);
        avformat_free_context(format_);
    }

    void require(int result) const
    {
        if (result < 0) {
            throw MediaError(wished_,
                wording::filled(wording::localized("media", "it cannot be written: %1"), {reason(result)}));
        }
    }
    [[nodiscard]] AVFormatContext& format() { return *format_; }
    AVStream& addStream()
    {
        AVStream* stream = avformat_new_stream(format_, nullptr);
        require(stream == nullptr ? AVERROR(ENOMEM) : 0);
        return *stream;
    }

    /// A stream of Opus of one channel.
    AVStream& addVoice()
    {
        const AVCodec* opus = avcodec_find_encoder_by_name("libopus");
        if (opus == nullptr) {
            throw MediaError(wished_, wording::localized("media", "this system's FFmpeg cannot write Opus"));
        }
        codec_.reset(avcodec_alloc_context3(opus));
        codec_->sample_rate = kOpusRate_hz;
        codec_->sample_fmt = AV_SAMPLE_FMT_S16;
        codec_->bit_rate = kOpusBit_s;
        codec_->compression_level = 4; // of 10: for a voice, and in a tenth of the time
        av_channel_layout_default(&codec_->ch_layout, 1);
        codec_->time_base = {1, kOpusRate_hz};
        if ((format_->oformat->flags & AVFMT_GLOBALHEADER) != 0) {
            codec_->flags |= AV_CODEC_FLAG_GLOBAL_HEADER;
        }
        require(avcodec_open2(codec_.get(), opus, nullptr));
        AVStream& stream = addStream();
        stream.time_base = codec_->time_base;
        require(avcodec_parameters_from_context(stream.codecpar, codec_.get()));
        voice_ = stream.index;
        return stream;
    }

    /// Encodes `sound` (at kOpusRate_hz) up to `until_s`, from where it stopped the last time; all of it, and
    /// the end, where that lies beyond it.
    void voiceUntil(const Sound& sound, double until_s)
    {
        const auto frame_size = static_cast<std::size_t>(codec_->frame_size);
        while (!voice_ended_) {
            if (given_ >= sound.samples.size()) {
                require(avcodec_send_frame(codec_.get(), nullptr));
                voice_ended_ = true;
            } else if (static_cast<double>(given_) / kOpusRate_hz >= until_s) {
                return;
            } else {
                const std::size_t count = std::min(frame_size, sound.samples.size() - given_);
                const Frame frame(av_frame_alloc());
                frame->nb_samples = codec_->frame_size;
                frame->format = codec_->sample_fmt;
                frame->sample_rate = kOpusRate_hz;
                av_channel_layout_copy(&frame->ch_layout, &codec_->ch_layout);
                require(av_frame_get_buffer(frame.get(), 0));
                auto* to = reinterpret_cast<std::int16_t*>(frame->data[0]);
                std::fill(to, to + frame_size, std::int16_t{0});
                std::copy_n(sound.samples.begin() + static_cast<std::ptrdiff_t>(given_), count, to);
                frame->pts = static_cast<std::int64_t>(given_);
                given_ += count;
                require(avcodec_send_frame(codec_.get(), frame.get()));
            }
            int got = avcodec_receive_packet(codec_.get(), packet_.get());
            for (; got >= 0; got = avcodec_receive_packet(codec_.get(), packet_.get())) {
                packet_->stream_index = voice_;
                av_packet_rescale_ts(packet_.get(), codec_->time_base, format_->streams[voice_]->time_base);
                write(*packet_);
            }
        }
    }

    void write(AVPacket& packet) { require(av_interleaved_write_frame(format_, &packet)); }
    void begin() { require(avformat_write_header(format_, nullptr)); }
    void end()
    {
        require(av_write_trailer(format_));
        require(avio_closep(&format_->pb));
    }

private:
    const std::filesystem::path& wished_;
    AVFormatContext* format_ = nullptr;
    Codec codec_;
    Packet packet_;
    int voice_ = 0;
    std::size_t given_ = 0;
    bool voice_ended_ = false;
};

void writeOpus(const std::filesystem::path& wished, const std::filesystem::path& file, const Sound& sound,
    std::span<const TrackMark> marks, const Progress& progress)
{
    const Sound fit = atOpusRate(sound);
    Muxer muxer(wished, file, "ogg");
    muxer.addVoice();
    // the context frees its chapters with itself
    auto& format = muxer.format();
    format.chapters =
        static_cast<AVChapter**>(av_calloc(std::max<std::size_t>(1, marks.size()), sizeof(AVChapter*)));
    for (std::size_t i = 0; i < marks.size(); ++i) {
        auto* chapter = static_cast<AVChapter*>(av_mallocz(sizeof(AVChapter)));
        chapter->id = static_cast<std::int64_t>(i);
        chapter->time_base = {1, 1000};
        chapter->start = std::llround(1000.0 * marks[i].at_s);
        chapter->end = std::llround(1000.0 * (i + 1 < marks.size() ? marks[i + 1].at_s : fit.duration_s()));
        av_dict_set(&chapter->metadata, "title", marks[i].text.c_str(), 0);
        format.chapters[format.nb_chapters++] = chapter;
    }
    muxer.begin();
    for (double until_s = 5.0; until_s < fit.duration_s() + 5.0; until_s += 5.0) {
        muxer.voiceUntil(fit, until_s);
        goOn(progress, std::min(1.0, until_s / fit.duration_s()), wished);
    }
    muxer.voiceUntil(fit, std::numeric_limits<double>::infinity());
    muxer.end();
}

} // namespace

void writeTrack(const std::filesystem::path& file, const Sound& sound, std::span<const TrackMark> marks,
    const Progress& progress)
{
    Unfinished unfinished(file);
    if (file.extension() == ".opus") {
        writeOpus(file, unfinished.path(), sound, marks, progress);
    } else {
        writeWithSndfile(file, unfinished.path(), sound, marks, progress);
    }
    unfinished.finish();
}

Sound mixed(const Sound& onboard, const Sound& voice)
{
    Sound out;
    out.rate_hz = onboard.rate_hz;
    out.samples.resize(std::max(onboard.samples.size(), voice.samples.size()));
    // the level of the onboard follows the voice, a little ahead of it
    const auto reach = static_cast<std::size_t>(kDuck_s * onboard.rate_hz);
    const float step = static_cast<float>((1.0 - kDucked) / (kDuck_s * onboard.rate_hz));
    constexpr int kSpeaks = 300;
    std::size_t spoken_until = 0;
    float level = 1.0F;
    for (std::size_t i = 0; i < out.samples.size(); ++i) {
        if (const std::size_t ahead = i + reach;
            ahead < voice.samples.size() && std::abs(static_cast<int>(voice.samples[ahead])) > kSpeaks) {
            spoken_until = ahead + 2 * reach;
        }
        level = i < spoken_until ? std::max(static_cast<float>(kDucked), level - step)
                                 : std::min(1.0F, level + step);
        const float car = i < onboard.samples.size() ? level * static_cast<float>(onboard.samples[i]) : 0.0F;
        const float said = i < voice.samples.size() ? static_cast<float>(voice.samples[i]) : 0.0F;
        out.samples[i] = static_cast<std::int16_t>(std::lround(std::clamp(car + said, -32768.0F, 32767.0F)));
    }
    return out;
}

void writeWithVideo(const std::filesystem::path& file, const std::filesystem::path& video, const Sound& voice,
    std::span<const exporting::TimedText> captions, const Progress& progress)
{
    const Sound fit = atOpusRate(voice);
    const Format from = openInput(video);
    Unfinished unfinished(file);
    Muxer muxer(file, unfinished.path(), "matroska");
    std::vector<int> to(from->nb_streams, -1);
    for (unsigned i = 0; i < from->nb_streams; ++i) {
        const AVStream& stream = *from->streams[i];
        const auto kind = stream.codecpar->codec_type;
        if (kind != AVMEDIA_TYPE_VIDEO && kind != AVMEDIA_TYPE_AUDIO) {
            continue;
        }
        AVStream& copy = muxer.addStream();
        muxer.require(avcodec_parameters_copy(copy.codecpar, stream.codecpar));
        copy.codecpar->codec_tag = 0;
        copy.time_base = stream.time_base;
        copy.avg_frame_rate = stream.avg_frame_rate;
        copy.disposition = kind == AVMEDIA_TYPE_VIDEO ? AV_DISPOSITION_DEFAULT : 0;
        to[i] = copy.index;
    }
    AVStream& calls = muxer.addVoice();
    calls.disposition = AV_DISPOSITION_DEFAULT;
    av_dict_set(&calls.metadata, "title", "calls", 0);
    AVStream& words = muxer.addStream();
    words.codecpar->codec_type = AVMEDIA_TYPE_SUBTITLE;
    words.codecpar->codec_id = AV_CODEC_ID_SUBRIP;
    words.time_base = {1, 1000};
    words.disposition = AV_DISPOSITION_DEFAULT;
    av_dict_set(&words.metadata, "title", "calls", 0);
    muxer.begin();
    std::size_t next_cue = 0;
    const Packet packet(av_packet_alloc());
    const auto captionsUntil = [&](double until_s) {
        for (; next_cue < captions.size() && captions[next_cue].start_s < until_s; ++next_cue) {
            const auto& cue = captions[next_cue];
            muxer.require(av_new_packet(packet.get(), static_cast<int>(cue.text.size())));
            std::memcpy(packet->data, cue.text.data(), cue.text.size());
            packet->stream_index = words.index;
            packet->pts = packet->dts = std::llround(1000.0 * cue.start_s);
            packet->duration = std::llround(1000.0 * (cue.end_s - cue.start_s));
            av_packet_rescale_ts(packet.get(), {1, 1000}, words.time_base);
            muxer.write(*packet);
        }
    };
    const double duration_s = std::max(0.001, static_cast<double>(from->duration) / AV_TIME_BASE);
    int packets = 0;
    while (av_read_frame(from.get(), packet.get()) >= 0) {
        const auto stream = static_cast<std::size_t>(packet->stream_index);
        const AVRational base = from->streams[stream]->time_base;
        const double at_s =
            packet->dts == AV_NOPTS_VALUE ? 0.0 : static_cast<double>(packet->dts) * av_q2d(base);
        if (to[stream] < 0) {
            av_packet_unref(packet.get());
            continue;
        }
        const Packet own(av_packet_alloc());
        av_packet_move_ref(own.get(), packet.get());
        muxer.voiceUntil(fit, at_s);
        captionsUntil(at_s);
        own->stream_index = to[stream];
        own->pos = -1;
        av_packet_rescale_ts(own.get(), base, muxer.format().streams[to[stream]]->time_base);
        muxer.write(*own);
        if (++packets % 256 == 0) {
            goOn(progress, std::min(1.0, at_s / duration_s), file);
        }
    }
    muxer.voiceUntil(fit, std::numeric_limits<double>::infinity());
    captionsUntil(std::numeric_limits<double>::infinity());
    muxer.end();
    unfinished.finish();
}

} // namespace brumefall::media
