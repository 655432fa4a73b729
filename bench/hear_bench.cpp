// How well notes are heard straight from sound: made-up stages of all schools, spoken by several voices over
// an engine. Prints the share of notes right, as a co-driver would count them, and what the listening took.
//
//     hear_bench [SEED ...]
//
// HEAR_VOICES chooses how many voices, HEAR_ONLY one by its name, HEAR_DB how far the engine is below the
// voice, HEAR_REMARKS=1 has a remark after every fifth call and tells how many became notes, HEAR_LIST=1
// prints what was said and what was heard.

#include "caption_maker.h"
#include "captions/draft.h"
#include "made_sound.h"
#include "media/listener.h"
#include "media/pronunciations.h"

#include <algorithm>
#include <array>
#include <cstdio>
#include <ctime>
#include <span>
#include <utility>

namespace {

using namespace brumefall;
using namespace brumefall::bench;

double wished(const char* name, double usual)
{
    const char* value = std::getenv(name);
    return value == nullptr ? usual : std::atof(value);
}

constexpr std::array kRemarks{"look at those people in the garden they have a fire",
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
ReadOut readOut(const std::vector<std::string>& said, const Speaker& speaker, const Speaker* driver,
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

} // namespace

int main(int argc, char** argv)
{
    std::vector<std::uint32_t> seeds;
    for (const char* seed : std::span(argv, static_cast<std::size_t>(argc)).subspan(1)) {
        seeds.push_back(static_cast<std::uint32_t>(std::atoi(seed)));
    }
    if (seeds.empty()) {
        seeds = {301, 302, 303, 304};
    }
    std::vector<Speaker> speakers{{"en-us+m3", false, 200.0}, {"en-gb+f2", false, 210.0}};
    if (std::system("command -v flite > /dev/null") == 0) {
        speakers.push_back({"rms", true, 0.0});
        speakers.push_back({"slt", true, 0.0});
        speakers.push_back({"awb", true, 0.0});
    }
    if (const char* only = std::getenv("HEAR_ONLY")) {
        std::erase_if(speakers, [&](const Speaker& speaker) { return speaker.name != only; });
    }
    speakers.resize(std::min(speakers.size(), static_cast<std::size_t>(wished("HEAR_VOICES", 1e3))));
    const double below_dB = wished("HEAR_DB", 20.0);
    caption_maker::Score all;
    double took_s = 0.0;
    double lasts_s = 0.0;
    std::size_t remarks = 0;
    std::size_t of_remarks = 0; // notes that were made of them
    for (const Speaker& speaker : speakers) {
        caption_maker::Score of_voice;
        for (const std::uint32_t seed : seeds) {
            auto made = caption_maker::make(seed, media::englishPronunciations());
            constexpr std::size_t kNotes = 60;
            made.said.resize(std::min(made.said.size(), kNotes));
            made.truth.resize(made.said.size());
            const Speaker& driver =
                speakers[(static_cast<std::size_t>(&speaker - speakers.data()) + 1) % speakers.size()];
            const bool talks = wished("HEAR_REMARKS", 0.0) > 0.0;
            const auto [sound, said] = readOut(made.said, speaker, talks ? &driver : nullptr, seed, below_dB);
            const auto began = std::clock();
            const auto cues = media::listen(sound, {});
            took_s += static_cast<double>(std::clock() - began) / CLOCKS_PER_SEC;
            lasts_s += sound.duration_s();
            const auto draft = captions::draftNotes(cues, {}, media::englishPronunciations());
            remarks += said.size();
            for (const auto& call : draft.calls) {
                of_remarks += static_cast<std::size_t>(
                    std::count_if(call.notes.begin(), call.notes.end(), [&](const auto& note) {
                        return std::any_of(said.begin(), said.end(), [&](const auto& remark) {
                            return note.at_s >= remark.first - 0.1 && note.at_s < remark.second;
                        });
                    }));
            }
            std::vector<notes::Note> read;
            for (const auto& call : captions::understandDraft(draft).calls) {
                read.insert(read.end(), call.notes.begin(), call.notes.end());
            }
            const auto judged = caption_maker::judge(made.truth, read);
            of_voice.add(judged.score);
            if (wished("HEAR_LIST", 0.0) > 0.0) {
                for (std::size_t i = 0; i < made.said.size(); ++i) {
                    std::printf("    said: %s\n", made.said[i].c_str());
                }
                for (const auto& cue : cues) {
                    std::printf("    %7.2f heard: %s\n", cue.start_s, cue.text.c_str());
                }
            }
        }
        std::printf("%-12s %3d notes, %3d read: heads %5.1f %%, core %5.1f %%, whole %5.1f %%\n",
            speaker.name.c_str(), of_voice.truth, of_voice.read, 100.0 * of_voice.heads / of_voice.truth,
            100.0 * of_voice.core / of_voice.truth, 100.0 * of_voice.whole / of_voice.truth);
        std::fflush(stdout);
        all.add(of_voice);
    }
    std::printf("all at %.0f dB, seeds from %u: heads %.1f %%, core %.1f %%, whole %.1f %%, precision of "
                "heads %.1f %%; "
                "%.2f of real time\n",
        below_dB, seeds.front(), 100.0 * all.heads / all.truth, 100.0 * all.core / all.truth,
        100.0 * all.whole / all.truth, 100.0 * all.heads / std::max(1, all.read), took_s / lasts_s);
    if (remarks > 0) {
        std::printf("%zu remarks, notes made of them: %zu\n", remarks, of_remarks);
    }
    return 0;
}
