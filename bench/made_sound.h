/// Sound made for the benchmarks: speakers, and what an engine adds.
#pragma once

#include "media/condense.h"
#include "media/resample.h"
#include "media/sound.h"
#include "media/voice.h"

#include <cmath>
#include <cstdlib>
#include <filesystem>
#include <functional>
#include <map>
#include <random>
#include <string>
#include <utility>
#include <vector>

namespace brumefall::bench {

inline constexpr int kRate_hz = media::kAlignRate_hz;
using Samples = std::vector<double>;

enum class Synthesiser { espeak, flite, festival };

/// One who speaks: espeak-ng by its variant, or a voice of another synthesiser where its command is there.
struct Speaker {
    std::string name;
    Synthesiser by = Synthesiser::espeak;
    double words_per_min = 240.0; ///< of espeak-ng
};

inline bool isThere(Synthesiser by)
{
    const char* command = by == Synthesiser::flite ? "flite" : "text2wave";
    return by == Synthesiser::espeak
        || std::system((std::string("command -v ") + command + " > /dev/null").c_str()) == 0;
}

inline Samples trimmedOf(const media::Sound& sound)
{
    const media::Sound at_rate = media::resampled(sound, kRate_hz);
    std::size_t first = 0;
    std::size_t last = at_rate.samples.size();
    constexpr int kQuiet = 250;
    while (first < last && std::abs(at_rate.samples[first]) < kQuiet) {
        ++first;
    }
    while (last > first && std::abs(at_rate.samples[last - 1]) < kQuiet) {
        --last;
    }
    return {at_rate.samples.begin() + static_cast<std::ptrdiff_t>(first),
        at_rate.samples.begin() + static_cast<std::ptrdiff_t>(last)};
}

inline const Samples& spoken(const Speaker& speaker, const std::string& text)
{
    static std::map<std::pair<std::string, std::string>, Samples> said;
    auto& samples = said[{speaker.name, text}];
    if (!samples.empty()) {
        return samples;
    }
    if (speaker.by != Synthesiser::espeak) {
        const auto file = std::filesystem::temp_directory_path() / "brumefall-takes-bench.wav";
        const std::string command = speaker.by == Synthesiser::flite
            ? "flite -voice " + speaker.name + " --setf duration_stretch=0.85 -t \"" + text + "\" -o "
                + file.string()
            : "echo \"" + text + "\" | text2wave -eval \"(voice_" + speaker.name
                + ")\" -eval \"(Parameter.set 'Duration_Stretch 0.85)\" -o " + file.string();
        if (std::system(command.c_str()) == 0) {
            samples = trimmedOf(media::decodeSound(file, kRate_hz));
        }
    } else {
        media::VoiceStyle style;
        style.variant = speaker.name;
        samples = trimmedOf(media::sayAtRate(text, static_cast<int>(speaker.words_per_min), style));
    }
    return samples;
}

inline double rms(const Samples& samples)
{
    double sum = 0.0;
    for (const double s : samples) {
        sum += s * s;
    }
    return samples.empty() ? 0.0 : std::sqrt(sum / static_cast<double>(samples.size()));
}

inline void addAt(Samples& into, const Samples& more, double at_s, double gain)
{
    const auto first = static_cast<std::size_t>(std::max(0.0, at_s) * kRate_hz);
    if (into.size() < first + more.size()) {
        into.resize(first + more.size(), 0.0);
    }
    for (std::size_t i = 0; i < more.size(); ++i) {
        into[first + i] += gain * more[i];
    }
}

inline Samples madeOf(std::size_t size, const std::function<double(double)>& at)
{
    Samples out(size);
    for (std::size_t i = 0; i < size; ++i) {
        out[i] = at(static_cast<double>(i) / kRate_hz);
    }
    return out;
}

inline Samples engine(std::size_t size, std::uint32_t seed)
{
    std::mt19937 random(seed);
    std::normal_distribution<double> hiss(0.0, 1.0);
    return madeOf(size, [&](double t) {
        const double phase = 560.0 * t + 30.0 * std::sin(0.7 * t);
        return std::sin(phase) + 0.5 * std::sin(2.0 * phase) + 0.3 * std::sin(3.0 * phase)
            + 0.4 * hiss(random);
    });
}

} // namespace brumefall::bench
