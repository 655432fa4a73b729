// Whether the cause that is told for a late or missed note is the one that was planted: a reading with one
// fault in every third call, spoken, found again in its sound and judged by a driver who allows a third of a
// second.
//
//     judge_bench [SEEDS]

#include "media/aligner.h"
#include "media/car_noise.h"
#include "media/elsewhere.h"
#include "media/input.h"
#include "media/reading_grammar.h"
#include "media/resample.h"
#include "media/simulated_reader.h"
#include "media/sound_file.h"
#include "stage/stage.h"
#include "take/causes.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <map>
#include <optional>
#include <random>
#include <string>
#include <vector>

namespace {

using namespace brumefall;
using take::Cause;

constexpr double kStrict_s = 0.35;

/// What was done to a call, and what should be told of one of its notes.
struct Planted {
    std::string what;
    std::size_t note;
    Cause cause;
};

class Planter {
public:
    Planter(plan::Plan plan, std::uint32_t seed)
        : read(std::move(plan))
        , random_(seed)
    {
        for (std::size_t c = 0; c < read.calls.size(); c += 3) {
            plant(c);
        }
    }

    plan::Plan read; ///< as it is read
    std::vector<media::Fault> faults;
    std::vector<Planted> planted;

private:
    void plant(std::size_t c)
    {
        const auto& call = read.calls[c];
        const std::size_t notes = call.last - call.first;
        const std::size_t k = call.first + random_() % notes;
        const bool has_next = k + 1 < call.last;
        const auto words = std::count(read.notes[k].spoken.begin(), read.notes[k].spoken.end(), ' ') + 1;
        switch (random_() % 5) {
        case 0: {
            constexpr double kLater_s = 0.9;
            for (std::size_t j = call.first; j < call.last; ++j) {
                move(j, kLater_s);
            }
            read.calls[c].start_s += kLater_s;
            read.calls[c].end_s += kLater_s;
            planted.push_back({"begun late", call.first, Cause::start});
            break;
        }
        case 1: {
            auto& note = read.notes[k];
            const double longer_s = std::max(0.6, 0.7 * note.spoken_s);
            note.end_s += longer_s;
            note.spoken_s += longer_s;
            for (std::size_t j = k + 1; j < call.last; ++j) {
                move(j, longer_s);
            }
            read.calls[c].end_s += longer_s;
            planted.push_back({"read slowly", k, Cause::rate});
            if (has_next) {
                planted.push_back({"after a slow one", k + 1, Cause::before});
            }
            break;
        }
        case 2:
            if (words >= 3) {
                faults.push_back({media::FaultKind::hesitating, read.notes[k].id});
                planted.push_back({"hesitated", k, Cause::stumble});
            }
            break;
        case 3:
            if (has_next) {
                faults.push_back({media::FaultKind::repeating, read.notes[k].id});
                planted.push_back({"after one said twice", k + 1, Cause::before});
            }
            break;
        default:
            if (words >= 2) {
                faults.push_back({media::FaultKind::skipping, read.notes[k].id});
                planted.push_back({"left out", k, Cause::skipped});
            }
        }
    }

    void move(std::size_t k, double by_s)
    {
        read.notes[k].start_s += by_s;
        read.notes[k].end_s += by_s;
    }

    std::mt19937 random_;
};

void addNoise(media::Sound& sound, double below_dB)
{
    const auto noise = media::resampled(media::carNoise(sound.duration_s()), sound.rate_hz);
    const auto rms = [](const media::Sound& s, bool loud_only) {
        double sum = 0.0;
        double count = 1e-9;
        for (const auto v : s.samples) {
            if (!loud_only || std::abs(v) > 300) {
                sum += static_cast<double>(v) * v;
                count += 1.0;
            }
        }
        return std::sqrt(sum / count);
    };
    const double gain =
        rms(sound, true) / std::max(1.0, rms(noise, false)) * std::pow(10.0, -below_dB / 20.0);
    for (std::size_t i = 0; i < std::min(sound.samples.size(), noise.samples.size()); ++i) {
        sound.samples[i] = static_cast<std::int16_t>(
            std::clamp(sound.samples[i] + gain * noise.samples[i], -32768.0, 32767.0));
    }
}

/// `sound` from `from_s` on as another device has it: at another rate, fainter, with a hiss of its own.
media::Sound otherDevice(
    const media::Sound& sound, double from_s, int rate_hz, double gain, std::uint32_t seed)
{
    std::mt19937 random(seed);
    std::normal_distribution<double> hiss(0.0, 40.0);
    media::Sound cut;
    cut.rate_hz = sound.rate_hz;
    cut.samples.assign(
        sound.samples.begin() + static_cast<std::ptrdiff_t>(from_s * sound.rate_hz), sound.samples.end());
    cut = media::resampled(cut, rate_hz);
    for (auto& sample : cut.samples) {
        sample = static_cast<std::int16_t>(std::clamp(gain * sample + hiss(random), -32768.0, 32767.0));
    }
    return cut;
}

void layElsewhere(const stage::Prepared& prepared, std::uint32_t seeds)
{
    double worst_s = 0.0;
    double worst_by_calls_s = 0.0;
    int laid = 0;
    for (std::uint32_t seed = 1; seed <= seeds; ++seed) {
        auto reading = media::readAloud(prepared.plan, {}, seed);
        addNoise(reading.sound, 12.0);
        const auto file = std::filesystem::temp_directory_path() / "brumefall-judge-bench.flac";
        {
            const auto onboard = otherDevice(reading.sound, 0.0, 48000, 0.5, 100 + seed);
            media::SoundWriter writer(file, onboard.rate_hz);
            writer.write(onboard.samples);
            writer.close();
        }
        const double from_s = 1.7 + 0.613 * seed;
        const auto sound =
            media::resampled(otherDevice(reading.sound, from_s, 44100, 0.3, seed), media::kRecordingRate_hz);
        const double offset_s = reading.from_s + from_s; // stage time of its first sample
        const auto by_sound = media::judgeElsewhere(prepared, sound, std::nullopt, file, -reading.from_s);
        const auto by_calls = media::judgeElsewhere(prepared, sound, std::nullopt, {}, 0.0);
        laid += by_sound.laid_by == media::LaidBy::sound ? 1 : 0;
        worst_s = std::max(worst_s, std::abs(by_sound.clock.offset_s - offset_s));
        worst_by_calls_s = std::max(worst_by_calls_s, std::abs(by_calls.clock.offset_s - offset_s));
        std::filesystem::remove(file);
    }
    std::printf("laid by the onboard's sound %d of %u, %.0f ms off at worst; by its calls alone %.0f ms\n",
        laid, seeds, 1000.0 * worst_s, 1000.0 * worst_by_calls_s);
}

} // namespace

int main(int argc, char** argv)
{
    const std::filesystem::path folder = DEMO_FOLDER;
    const auto stage = stage::readStage(folder / "stage.brumefall");
    const auto pass = stage::readPass(folder / "passes" / "stage.json");
    const auto prepared = stage::prepare(stage, &pass);
    auto plan = prepared.plan;
    for (auto& note : plan.notes) {
        note.window.opens_s = std::min(note.window.opens_s, note.end_s - kStrict_s);
        note.window.closes_s = note.end_s + kStrict_s;
    }
    const auto seeds = static_cast<std::uint32_t>(argc > 1 ? std::max(1, std::atoi(argv[1])) : 6);
    std::map<std::string, std::array<int, 2>> told; // right, of those judged so
    int right = 0;
    int all = 0;
    for (std::uint32_t seed = 1; seed <= seeds; ++seed) {
        const Planter planter(plan, seed);
        auto reading = media::readAloud(planter.read, planter.faults, seed);
        addNoise(reading.sound, 15.0);
        const auto alignment =
            media::align(media::resampled(reading.sound, media::kAlignRate_hz), take::expectedNotes(plan));
        const take::Clock clock{reading.from_s, 1.0};
        const auto verdicts =
            take::judge(plan, prepared.placement.pace, alignment.notes, clock, reading.sound.duration_s());
        const auto reasons = take::reasons(plan, alignment.notes, clock, verdicts);
        for (const Planted& planted : planter.planted) {
            if (verdicts[planted.note].timing == take::Timing::on_time
                || verdicts[planted.note].outside_take) {
                continue; // it did no harm
            }
            const bool hit = reasons[planted.note].cause == planted.cause;
            told[planted.what][0] += hit ? 1 : 0;
            ++told[planted.what][1];
            right += hit ? 1 : 0;
            ++all;
            if (!hit) {
                std::printf("  seed %u, %s \"%s\": told %s, %s\n", seed, planted.what.c_str(),
                    plan.notes[planted.note].spoken.c_str(),
                    take::toString(reasons[planted.note].cause).c_str(), reasons[planted.note].text.c_str());
            }
        }
    }
    for (const auto& [what, counts] : told) {
        std::printf("%-22s %d of %d\n", what.c_str(), counts[0], counts[1]);
    }
    std::printf("causes right           %d of %d (%.1f %%), seeds 1 to %u, 15 dB over a car\n", right, all,
        100.0 * right / std::max(1, all), seeds);
    layElsewhere(prepared, seeds);
    return 0;
}
