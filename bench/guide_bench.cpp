// How exactly the guide voice is placed: every spoken start against the plan, in the voice's own sound and in
// what libmpv mixes of it and the video.

#include "media/aligner.h"
#include "media/resample.h"
#include "media/player.h"
#include "media/simulated_reader.h"
#include "media/sound_file.h"
#include "stage/stage.h"

#include <mpv/client.h>

#include <algorithm>
#include <cmath>
#include <cstdio>
#include <span>

using namespace brumefall;

namespace {

/// Where sound begins at or after `from_s`, looked for up to `until_s`; `until_s` where all is quiet.
double onset_s(const media::Sound& sound, double from_s, double until_s)
{
    constexpr int kAudible = 160; // half a hundredth of full scale
    const auto last = std::min(sound.samples.size(), static_cast<std::size_t>(until_s * sound.rate_hz));
    for (auto i = static_cast<std::size_t>(std::max(0.0, from_s) * sound.rate_hz); i < last; ++i) {
        if (std::abs(sound.samples[i]) > kAudible) {
            return static_cast<double>(i) / sound.rate_hz;
        }
    }
    return until_s;
}

/// By how much `mixed` lags `voice`, by the largest correlation within half a second; the voice is loud where
/// it speaks, so that an engine under it does not matter.
double lag_s(const media::Sound& voice, const media::Sound& mixed, double from_s, double length_s)
{
    const auto first = static_cast<std::ptrdiff_t>(from_s * voice.rate_hz);
    const auto count = static_cast<std::ptrdiff_t>(length_s * voice.rate_hz);
    const auto most = voice.rate_hz / 2;
    double best = -1e300;
    std::ptrdiff_t best_lag = 0;
    for (std::ptrdiff_t lag = -most; lag <= most; ++lag) {
        double sum = 0.0;
        for (std::ptrdiff_t i = first; i < first + count; i += 3) {
            const auto there = i + lag;
            if (there >= 0 && there < std::ssize(mixed.samples)) {
                sum += static_cast<double>(voice.samples[static_cast<std::size_t>(i)])
                    * mixed.samples[static_cast<std::size_t>(there)];
            }
        }
        if (sum > best) {
            best = sum;
            best_lag = lag;
        }
    }
    return static_cast<double>(best_lag) / voice.rate_hz;
}

/// The first `length_s` of what libmpv plays of `video` with `guide` mixed in.
media::Sound playedTogether(
    const std::filesystem::path& video, const std::filesystem::path& guide, double length_s)
{
    const auto file = std::filesystem::temp_directory_path() / "brumefall-guide-bench.wav";
    mpv_handle* mpv = mpv_create();
    const std::string end = std::to_string(length_s);
    for (const auto& [name, value] :
        {std::pair<const char*, const char*>{"vo", "null"}, {"ao", "pcm"}, {"ao-pcm-file", file.c_str()},
            {"video", "no"}, {"end", end.c_str()}, {"audio-channels", "mono"}, {"pause", "yes"}}) {
        mpv_set_option_string(mpv, name, value);
    }
    mpv_initialize(mpv);
    const char* load[] = {"loadfile", video.c_str(), nullptr};
    mpv_command(mpv, load);
    const auto waitFor = [&](mpv_event_id wanted) {
        while (mpv_wait_event(mpv, 10.0)->event_id != wanted) { }
    };
    waitFor(MPV_EVENT_PLAYBACK_RESTART);
    const char* add[] = {"audio-add", guide.c_str(), "select", nullptr};
    mpv_command(mpv, add);
    mpv_set_property_string(mpv, "lavfi-complex", media::guideGraph(2).c_str());
    const char* back[] = {"seek", "0", "absolute+exact", nullptr};
    mpv_command(mpv, back);
    waitFor(MPV_EVENT_PLAYBACK_RESTART);
    mpv_set_property_string(mpv, "pause", "no");
    for (auto event = mpv_wait_event(mpv, 60.0)->event_id;
         event != MPV_EVENT_END_FILE && event != MPV_EVENT_NONE;
         event = mpv_wait_event(mpv, 60.0)->event_id) { }
    mpv_terminate_destroy(mpv);
    auto sound = media::decodeSound(file, media::kAlignRate_hz);
    std::filesystem::remove(file);
    return sound;
}

void print(const char* what, std::vector<double> errors)
{
    for (double& error : errors) {
        error = std::abs(error);
    }
    std::sort(errors.begin(), errors.end());
    std::printf("%s: %zu starts, median %.1f ms, 95 %% %.1f ms, worst %.1f ms\n", what, errors.size(),
        1000.0 * errors[errors.size() / 2], 1000.0 * errors[errors.size() * 95 / 100],
        1000.0 * errors.back());
}

} // namespace

int main()
{
    const std::filesystem::path folder = DEMO_FOLDER;
    const auto stage = stage::readStage(folder / "stage.brumefall");
    const auto pass = stage::readPass(folder / "passes" / "stage.json");
    const auto plan = stage::prepare(stage, &pass).plan;
    const auto reading = media::readAsPlanned(plan);

    // a note's onset can be told from the sound alone where it begins after a pause
    std::vector<double> placed;
    std::vector<double> heard;
    double free_from_s = -1.0;
    for (std::size_t k = 0; k < plan.notes.size(); ++k) {
        const auto& note = plan.notes[k];
        placed.push_back(reading.truth[k].span.start_s + reading.from_s - note.start_s);
        if (note.start_s > free_from_s + 0.15) {
            heard.push_back(onset_s(reading.sound, note.start_s - reading.from_s - 0.05, note.end_s)
                - note.start_s + reading.from_s);
        }
        free_from_s = note.end_s + note.gap_after_s;
    }
    print("guide voice, placed", placed);
    print("guide voice, first audible sample", heard);

    constexpr double kLength_s = 90.0;
    const auto guide = std::filesystem::temp_directory_path() / "brumefall-guide-bench-voice.wav";
    auto voice = reading.sound;
    voice.samples.insert(voice.samples.begin(), static_cast<std::size_t>(pass.go_s * voice.rate_hz), 0);
    media::SoundWriter writer(guide, voice.rate_hz);
    writer.write(voice.samples);
    writer.close();
    const auto mixed = playedTogether(folder / "media" / "stage.mkv", guide, kLength_s);
    voice = media::resampled(voice, media::kAlignRate_hz);
    std::vector<double> lags;
    for (const auto& call : plan.calls) {
        const double from_s = call.start_s + pass.go_s;
        if (call.end_s + pass.go_s < kLength_s - 1.0) {
            lags.push_back(lag_s(voice, mixed, from_s, call.end_s - call.start_s));
        }
    }
    print("guide voice, mixed by the player", lags);
    std::filesystem::remove(guide);
    return 0;
}
