#include "media/steady_noise.h"

#include "media/ffmpeg.h"

extern "C" {
#include <libavfilter/avfilter.h>
#include <libavfilter/buffersink.h>
#include <libavfilter/buffersrc.h>
}

#include <algorithm>
#include <cstring>
#include <string>

namespace brumefall::media {
namespace {

using Graph = std::unique_ptr<AVFilterGraph, Freer<avfilter_graph_free>>;

/// A source, the filter and a sink.
class Filter {
public:
    explicit Filter(int rate_hz)
    {
        const std::string kind = "sample_rate=" + std::to_string(rate_hz)
            + ":sample_fmt=s16:channel_layout=mono:time_base=1/" + std::to_string(rate_hz);
        AVFilterContext* denoiser = nullptr;
        AVFilterContext* format = nullptr;
        ready_ = make(&source_, "abuffer", kind.c_str())
            && make(&denoiser, "afftdn", "noise_reduction=12:noise_floor=-30:track_noise=1")
            && make(&format, "aformat", "sample_fmts=s16") && make(&sink_, "abuffersink", nullptr)
            && avfilter_link(source_, 0, denoiser, 0) >= 0 && avfilter_link(denoiser, 0, format, 0) >= 0
            && avfilter_link(format, 0, sink_, 0) >= 0 && avfilter_graph_config(graph_.get(), nullptr) >= 0;
    }

    [[nodiscard]] bool isReady() const { return ready_; }

    bool give(std::span<const std::int16_t> samples, std::int64_t first, int rate_hz)
    {
        const Frame frame(av_frame_alloc());
        frame->format = AV_SAMPLE_FMT_S16;
        frame->sample_rate = rate_hz;
        frame->nb_samples = static_cast<int>(samples.size());
        frame->pts = first;
        av_channel_layout_default(&frame->ch_layout, 1);
        if (av_frame_get_buffer(frame.get(), 0) < 0) {
            return false;
        }
        std::memcpy(frame->data[0], samples.data(), samples.size_bytes());
        return av_buffersrc_add_frame(source_, frame.get()) >= 0;
    }
    bool end() { return av_buffersrc_add_frame(source_, nullptr) >= 0; }

    /// What has come out of it, written where its time says.
    void take(std::vector<std::int16_t>& into)
    {
        const Frame frame(av_frame_alloc());
        while (av_buffersink_get_frame(sink_, frame.get()) >= 0) {
            const auto first = std::max<std::int64_t>(0, frame->pts);
            const auto room = static_cast<std::int64_t>(into.size()) - first;
            const auto count = std::min<std::int64_t>(frame->nb_samples, room);
            if (count > 0) {
                std::memcpy(into.data() + first, frame->data[0],
                    static_cast<std::size_t>(count) * sizeof(std::int16_t));
            }
            av_frame_unref(frame.get());
        }
    }

private:
    bool make(AVFilterContext** filter, const char* name, const char* arguments)
    {
        const AVFilter* kind = avfilter_get_by_name(name);
        return kind != nullptr
            && avfilter_graph_create_filter(filter, kind, name, arguments, nullptr, graph_.get()) >= 0;
    }

    Graph graph_{avfilter_graph_alloc()};
    AVFilterContext* source_ = nullptr;
    AVFilterContext* sink_ = nullptr;
    bool ready_ = false;
};

} // namespace

void reduceSteadyNoise(std::vector<std::int16_t>& samples, int rate_hz)
{
    constexpr std::size_t kAtOnce = 4096;
    Filter filter(rate_hz);
    if (!filter.isReady()) {
        return;
    }
    std::vector<std::int16_t> out(samples.size());
    for (std::size_t at = 0; at < samples.size(); at += kAtOnce) {
        const auto part = std::span(samples).subspan(at, std::min(kAtOnce, samples.size() - at));
        if (!filter.give(part, static_cast<std::int64_t>(at), rate_hz)) {
            return;
        }
        filter.take(out);
    }
    if (filter.end()) {
        filter.take(out);
        samples = std::move(out);
    }
}

} // namespace brumefall::media
