/// Made-up notes read out by one voice, with remarks of another between them, over an engine.
#pragma once

#include "made_sound.h"

#include <algorithm>
#include <array>
#include <cstdint>
#include <random>
#include <string>
#include <utility>
#include <vector>

namespace brumefall::bench {

/// Two voices of espeak-ng, and three of flite where its command is there.
inline std::vector<Speaker> fiveSpeakers()
{
    std::vector<Speaker> speakers{
        {"en-us+m3", Synthesiser::espeak, 200.0}, {"en-gb+f2", Synthesiser::espeak, 210.0}};
    if (isThere(Synthesiser::flite)) {
        speakers.push_back({"rms", Synthesiser::flite, 0.0});
        speakers.push_back({"slt", Synthesiser::flite, 0.0});
        speakers.push_back({"awb", Synthesiser::flite, 0.0});
    }
    return speakers;
}

inline constexpr std::array kRemarks{"look at those people in the garden they have a fire",
    "did you see that big bird on the wall", "the brakes feel soft today",
    "sorry I was still thinking about lunch", "that was a lovely bit of road",
    "how is the temperature looking on your side", "I think we lost some time there",
    "can you turn the heater down please", "where did all of these spectators come from",
    "okay good we are doing fine keep breathing", "remember what they told us at the briefing this morning",
    "my visor is steaming up again can you see anything", "it smells like something is burning in here",
    "I would love a coffee after this one", "nobody told me about the gravel on this part",
    "was that the farm with the red gate or is it the next one", "did the other car stop back there",
    "what a mess somebody has been off there", "hang on my belt has come loose",
    "the sun is right in my eyes I cannot see a thing", "yes I know you told me already",
    "that gearbox does not sound happy at all", "is the intercom working properly now"};

struct ReadOut {
    media::Sound sound;
    std::vector<std::pair<double, double>> remarks; ///< from and to, in seconds
};

/// The notes one after another, joined ones without a pause, as a car comes to them; with remarks of `driver`
/// between, where there is one.
inline ReadOut readOut(const std::vector<std::string>& said, const Speaker& speaker, const Speaker* driver,
    std::uint32_t seed, double below_dB)
{
    constexpr std::size_t kCallsToRemark = 5;
    ReadOut out;
    std::size_t calls = 0;
    std::mt19937 random(seed);
    std::uniform_real_distribution<double> gap_s(0.35, 1.6);
    Samples samples;
    double at_s = 1.0;
    std::string call;
    const auto say = [&] {
        if (!call.empty()) {
            const Samples& words = spoken(speaker, call);
            addAt(samples, words, at_s, 1.0);
            at_s += static_cast<double>(words.size()) / kRate_hz + gap_s(random);
            call.clear();
            if (driver != nullptr && ++calls % kCallsToRemark == 0) {
                constexpr double kApart_s = 0.3;
                const Samples& remark = spoken(*driver, kRemarks[(seed * 7 + calls * 11) % kRemarks.size()]);
                const double from_s = at_s + kApart_s;
                at_s = from_s + static_cast<double>(remark.size()) / kRate_hz;
                addAt(samples, remark, from_s, 1.0);
                out.remarks.emplace_back(from_s, at_s);
                at_s += kApart_s + gap_s(random);
            }
        }
    };
    for (const std::string& note : said) {
        const bool joined = note.starts_with("into ") || note.starts_with("and ");
        if (!joined || std::count(call.begin(), call.end(), ' ') > 14) {
            say();
        }
        call += (call.empty() ? "" : " ") + note;
    }
    say();
    const double voice = rms(samples);
    const Samples noise = engine(samples.size() + kRate_hz, seed);
    addAt(samples, noise, 0.0, voice / rms(noise) * std::pow(10.0, -below_dB / 20.0));
    out.sound.rate_hz = kRate_hz;
    for (const double sample : samples) {
        out.sound.samples.push_back(static_cast<std::int16_t>(std::clamp(sample, -32768.0, 32767.0)));
    }
    return out;
}

} // namespace brumefall::bench
