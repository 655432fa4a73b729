// How well and how fast calls are found: the whole demo stage read with faults, in quiet and over an engine.

#include "media/aligner.h"
#include "media/simulated_reader.h"
#include "media/voice.h"
#include "stage/stage.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <random>

namespace {

using namespace brumefall;

void measure(const plan::Plan& plan, std::uint32_t seed, double engine_level)
{
    media::FaultWish wish;
    wish.late = 4;
    wish.skipping = 5;
    wish.repeating = 4;
    wish.hesitating = 4;
    wish.hurried = 4;
    const auto faults = media::chooseFaults(plan, wish, seed);
    auto reading = media::readAloud(plan, faults, seed);
    double voice_power = 0.0;
    for (const auto sample : reading.sound.samples) {
        voice_power += static_cast<double>(sample) * sample;
    }
    double spoken_s = 0.0;
    for (const auto& note : reading.truth) {
        spoken_s += note.read ? note.span.end_s - note.span.start_s : 0.0;
    }
    voice_power /= spoken_s * media::kVoiceRate_hz;
    std::mt19937 random(seed);
    std::normal_distribution<double> hiss(0.0, 1.0);
    double noise_power = 0.0;
    for (std::size_t i = 0; i < reading.sound.samples.size(); ++i) {
        const double t = static_cast<double>(i) / media::kVoiceRate_hz;
        const double noise = engine_level
            * (std::sin(560.0 * t + 3.0 * std::sin(0.7 * t)) + 0.5 * std::sin(1120.0 * t)
                + 0.4 * hiss(random));
        noise_power += noise * noise;
        reading.sound.samples[i] =
            static_cast<std::int16_t>(std::clamp(reading.sound.samples[i] + noise, -32768.0, 32767.0));
    }
    noise_power /= static_cast<double>(reading.sound.samples.size());
    const auto alignment = media::align(reading.sound, take::expectedNotes(plan));
    std::vector<double> errors;
    std::vector<double> end_errors; // with their sign: positive is heard too late
    int spoken = 0;
    int found = 0;
    int skipped = 0;
    int reported = 0;
    int repeats_wrong = 0;
    for (std::size_t k = 0; k < alignment.notes.size(); ++k) {
        const auto& truth = reading.truth[k];
        const auto& note = alignment.notes[k];
        spoken += truth.read ? 1 : 0;
        found += truth.read && note.read ? 1 : 0;
        skipped += truth.read ? 0 : 1;
        reported += !truth.read && !note.read ? 1 : 0;
        repeats_wrong += truth.repeats.size() == note.repeats.size() ? 0 : 1;
        if (truth.read && note.read) {
            errors.push_back(std::abs(truth.span.start_s - note.span.start_s));
            end_errors.push_back(note.span.end_s - truth.span.end_s);
        }
    }
    std::sort(errors.begin(), errors.end());
    std::sort(end_errors.begin(), end_errors.end());
    const double snr_dB = noise_power > 0.0 ? 10.0 * std::log10(voice_power / noise_power) : 99.0;
    std::printf("%5.0f dB  found %d of %d  skipped reported %d of %d  repeats wrong %d  start error median "
                "%.0f ms, 95 %% %.0f ms  end %+.0f ms (5 %% %+.0f, 95 %% %+.0f)  %.3f of real time\n",
        snr_dB, found, spoken, reported, skipped, repeats_wrong, 1000.0 * errors[errors.size() / 2],
        1000.0 * errors[errors.size() * 95 / 100], 1000.0 * end_errors[end_errors.size() / 2],
        1000.0 * end_errors[end_errors.size() * 5 / 100], 1000.0 * end_errors[end_errors.size() * 95 / 100],
        alignment.real_time_factor);
}

} // namespace

int main(int argc, char** argv)
{
    const std::filesystem::path folder = argc > 1 ? argv[1] : DEMO_FOLDER;
    const auto stage = stage::readStage(folder / "stage.brumefall");
    const auto pass = stage::readPass(folder / "passes" / "stage.json");
    const auto plan = stage::prepare(stage, &pass).plan;
    std::printf("alignment of the demo stage, %zu notes\n", plan.notes.size());
    for (const double level : {0.0, 120.0, 400.0, 900.0}) {
        for (const std::uint32_t seed : {41U, 42U, 43U}) {
            measure(plan, seed, level);
        }
    }
    const auto media = folder / "media" / "recce.mkv";
    const auto timed = [](auto work) {
        const auto began = std::chrono::steady_clock::now();
        work();
        return std::chrono::duration<double>(std::chrono::steady_clock::now() - began).count();
    };
    std::vector<double> ratios;
    for (int i = 0; i < 7; ++i) {
        const double bare_s = timed([&] { static_cast<void>(media::decodeBare(media)); });
        const double peaks_s = timed([&] { static_cast<void>(media::decodePeaks(media, 0.02)); });
        ratios.push_back(peaks_s / bare_s);
    }
    std::sort(ratios.begin(), ratios.end());
    std::printf("waveform of %s: %.2f times a bare decode (median of 7, %.2f to %.2f)\n",
        media.filename().c_str(), ratios[3], ratios.front(), ratios.back());
    return 0;
}
