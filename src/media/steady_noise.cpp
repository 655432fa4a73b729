#include "media/steady_noise.h"

#include "media/ffmpeg.h"
#include "media/loudness.h"

extern "C" {
#include <libavfilter/avfilter.h>
#include <libavfilter/buffersink.h>
#include <libavfilter/buffersrc.h>
}

#include <algorithm>
#include <cmath>
#include <cstring>
#include <span>
#include <string>

namespace brumefall::media {
namespace {

using Graph = std::unique_ptr<AVFilterGraph, Freer<avfilter_graph_free>>;

/// What goes on under the voice: the level that a fifth of the hundredths of a second lie below, against full
/// scale, within what the filter takes.
double floorOf(std::span<const std::int16_t> samples, int rate_hz)
{
    constexpr double kLeast_dB = -80.0;
    constexpr double kMost_dB = -20.0;
    constexpr std::size_t kFifth = 5;
    auto levels = meanSquares(samples, rate_hz);
    if (levels.empty()) {
        return kLeast_dB;
    }
    const auto fifth = levels.begin() + static_cast<std::ptrdiff_t>(levels.size() / kFifth);
    std::nth_element(levels.begin(), fifth, levels.end());
    constexpr double kAbove_dB = 1.0; // or half of it stays
    constexpr double kFullScale = 32768.0;
    const double fifth_dB = 10.0 * std::log10(*fifth / (kFullScale * kFullScale) + 1e-12);
    return std::clamp(fifth_dB + kAbove_dB, kLeast_dB, kMost_dB);
}

} // namespace

/// A source, the filter and a sink.
class SteadyNoise::Filter {
public:
    Filter(int rate_hz, double floor_dB)
    {
        const std::string kind = "sample_rate=" + std::to_string(rate_hz)
            + ":sample_fmt=s16:channel_layout=mono:time_base=1/" + std::to_string(rate_hz);
        const std::string settings =
            "noise_reduction=12:noise_floor=" + std::to_string(std::lround(floor_dB));
        AVFilterContext* denoiser = nullptr;
        AVFilterContext* format = nullptr;
        ready_ = make(&source_, "abuffer", kind.c_str()) && make(&denoiser, "afftdn", settings.c_str())
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

    /// What has come out of it, written where it belongs: the filter gives every sample `late` samples later
    /// than it got it.
    void take(std::vector<std::int16_t>& into, std::int64_t late)
    {
        const Frame frame(av_frame_alloc());
        while (av_buffersink_get_frame(sink_, frame.get()) >= 0) {
            const auto* samples = reinterpret_cast<const std::int16_t*>(frame->data[0]);
            for (int i = 0; i < frame->nb_samples; ++i) {
                const auto at = frame->pts + i - late;
                if (at >= 0 && at < static_cast<std::int64_t>(into.size())) {
                    into[static_cast<std::size_t>(at)] = samples[i];
                }
            }
            done_ =
                static_cast<std::size_t>(std::max<std::int64_t>(0, frame->pts + frame->nb_samples - late));
            av_frame_unref(frame.get());
        }
    }

    [[nodiscard]] std::size_t done() const { return done_; } ///< samples that were written

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
    std::size_t done_ = 0;
};

SteadyNoise::SteadyNoise(std::vector<std::int16_t>& samples, int rate_hz, double least_dB)
    : samples_(samples)
    , rate_hz_(rate_hz)
{
    const double floor_dB = floorOf(samples, rate_hz);
    if (floor_dB >= least_dB) {
        filter_ = std::make_unique<Filter>(rate_hz, floor_dB);
        if (!filter_->isReady()) {
            filter_.reset();
        }
    }
}

SteadyNoise::~SteadyNoise() = default;

void SteadyNoise::reduceUntil(std::size_t end)
{
    constexpr std::size_t kAtOnce = 4096;
    const auto late = static_cast<std::size_t>(
        rate_hz_ / 40); // two of its steps of an eightieth of a second, found with an impulse
    const std::size_t all = samples_.size() + late;
    while (filter_ && filter_->done() < std::min(end, samples_.size()) && given_ < all) {
        const std::size_t count = std::min(kAtOnce, all - given_);
        std::vector<std::int16_t> part(count); // silence behind the last one
        std::copy_n(samples_.begin() + static_cast<std::ptrdiff_t>(std::min(given_, samples_.size())),
            std::min(count, samples_.size() - std::min(given_, samples_.size())), part.begin());
        if (!filter_->give(part, static_cast<std::int64_t>(given_), rate_hz_)) {
            return;
        }
        given_ += count;
        if (given_ == all) {
            filter_->end();
        }
        // what comes out stands where what went in is needed no more
        filter_->take(samples_, static_cast<std::int64_t>(late));
    }
}

} // namespace brumefall::media
