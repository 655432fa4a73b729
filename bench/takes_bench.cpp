// How well takes are found as they are made in cars and rooms: other voices than the simulated reader's,
// noise, talk, countdowns, faint and overdriven microphones, and sound that is no reading of this stage.
//
//     takes_bench [CONDITION ...]
//
// TAKES_SEED shifts the takes; TAKES_VOICES and TAKES_SPEAKER (with TAKES_WORDS_PER_MIN) choose who reads;
// TAKES_LIST prints what was not found and what was misread; TAKES_NO_FOLLOWER leaves the follower
// out; TAKES_WRITE names a folder that the takes are written to; TAKES_STOP is a second from which on one
// stops now and then, to see how long the verdicts take; with TAKES_LIVE the takes are searched while they
// are read, as Read does; with TAKES_CLOCK it is known when each note is due, as in a take of the
// application, and without it the takes are readings made elsewhere.

#include "made_sound.h"
#include "media/aligner.h"
#include "media/follower.h"
#include "media/reading_grammar.h"
#include "media/resample.h"
#include "media/sound.h"
#include "media/sound_file.h"
#include "media/voice.h"
#include "notes/near_misses.h"
#include "stage/stage.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <ctime>
#include <filesystem>
#include <functional>
#include <map>
#include <numbers>
#include <optional>
#include <random>
#include <set>
#include <span>
#include <string>
#include <vector>

namespace {

using namespace brumefall;
using namespace brumefall::bench;

struct Take {
    Samples samples;
    std::vector<take::FoundNote> truth;
    double voice_rms = 0.0;
};

/// `words` with another direction or another grade, and which word that was; no change where there is
/// neither.
std::pair<std::string, std::optional<take::Misread>> misreadOnce(
    const std::string& words, std::mt19937& random)
{
    std::vector<std::string> all = take::spokenWords(words);
    const auto misses = notes::nearMisses(all, notes::Spoken::note);
    std::vector<std::size_t> fits;
    for (std::size_t w = 0; w < all.size(); ++w) {
        static const std::set<std::string> kSwapped{
            "left", "right", "one", "two", "three", "four", "five", "six"};
        if (kSwapped.contains(all[w])) {
            fits.push_back(w);
        }
    }
    if (fits.empty()) {
        return {words, std::nullopt};
    }
    const std::size_t w = fits[random() % fits.size()];
    const std::string instead = misses[w][random() % misses[w].size()];
    take::Misread misread{instead, all[w], 1.0, false};
    all[w] = instead;
    std::string changed;
    for (const auto& word : all) {
        changed += (changed.empty() ? "" : " ") + word;
    }
    return {changed, misread};
}

/// Reads the plan from `lead_s` after the beginning of the sound, some notes skipped and some said twice.
/// `between` adds what else is heard: it is given the moments at which a call is over and the next not begun.
Take readPlan(const plan::Plan& plan, const Speaker& speaker, std::uint32_t seed, double lead_s,
    double remark_s = 0.0, const std::function<void(Take&, double)>& between = {}, double misread_share = 0.0)
{
    std::mt19937 random(seed);
    Take take;
    const auto chosen = [&](double share) {
        return std::uniform_real_distribution(0.0, 1.0)(random) < share;
    };
    double at_s = lead_s;
    double later_s = 0.0;
    double power = 0.0;
    double spoken_s = 0.0;
    for (std::size_t c = 0; c < plan.calls.size(); ++c) {
        const auto& call = plan.calls[c];
        at_s = std::max(at_s, lead_s + call.start_s - plan.calls.front().start_s + later_s);
        const bool can_skip = call.last - call.first > 1;
        for (std::size_t k = call.first; k < call.last; ++k) {
            const auto& note = plan.notes[k];
            take::FoundNote truth;
            truth.id = note.id;
            const bool skip = can_skip && k > 0 && chosen(0.06);
            const int times = !skip && chosen(0.04) ? 2 : 1;
            std::string says = note.spoken;
            if (misread_share > 0.0 && !skip && times == 1 && chosen(misread_share)) {
                auto [changed, misread] = misreadOnce(says, random);
                const bool as_before = !take.truth.empty() && !take.truth.back().read
                    && take::withoutJoiner(take::spokenWords(changed))
                        == take::withoutJoiner(take::spokenWords(plan.notes[k - 1].spoken));
                if (as_before) { // left out the one before, or misread this one: nobody can tell
                    misread.reset();
                } else {
                    says = changed;
                }
                if (misread) {
                    truth.misread.push_back(*misread);
                }
            }
            for (int i = 0; i < (skip ? 0 : times); ++i) {
                const Samples& words = spoken(speaker, says);
                addAt(take.samples, words, at_s, 1.0);
                const double end_s = at_s + static_cast<double>(words.size()) / kRate_hz;
                (i == 0 ? truth.span = {at_s, end_s} : truth.repeats.emplace_back(take::Span{at_s, end_s}));
                truth.read = true;
                power += rms(words) * rms(words) * (end_s - at_s);
                spoken_s += end_s - at_s;
                at_s = end_s + (i + 1 < times ? 0.25 : 0.03);
            }
            if (!skip && !note.spoken_after.empty()) {
                const Samples& words = spoken(speaker, note.spoken_after);
                addAt(take.samples, words, at_s, 1.0);
                at_s += static_cast<double>(words.size()) / kRate_hz + 0.03;
            }
            take.truth.push_back(std::move(truth));
        }
        if (between && c % 8 == 5) {
            between(take, at_s + 0.4);
            at_s += remark_s + 0.8;
            later_s = std::max(0.0, at_s - (lead_s + call.end_s - plan.calls.front().start_s));
        }
        at_s += 0.3;
    }
    take.samples.resize(take.samples.size() + 2 * kRate_hz, 0.0);
    take.voice_rms = std::sqrt(power / spoken_s);
    return take;
}

double gainFor(const Take& take, const Samples& noise, double below_dB)
{
    return take.voice_rms / std::max(1e-9, rms(noise)) * std::pow(10.0, -below_dB / 20.0);
}

void addNoise(Take& take, const Samples& noise, double below_dB)
{
    addAt(take.samples, noise, 0.0, gainFor(take, noise, below_dB));
}

Samples gearsAndStones(std::size_t size, std::uint32_t seed)
{
    std::mt19937 random(seed);
    std::normal_distribution<double> hiss(0.0, 1.0);
    double stone = 0.0;
    return madeOf(size, [&](double t) {
        if (std::uniform_real_distribution(0.0, 1.0)(random) < 12.0 / kRate_hz) {
            stone = std::uniform_real_distribution(1.0, 5.0)(random);
        }
        stone *= 0.997;
        const double whine = 2.0 * std::numbers::pi * (900.0 * t + 160.0 * std::sin(0.45 * t));
        return 0.8 * std::sin(whine) + 0.4 * std::sin(2.0 * whine) + stone * hiss(random)
            + 0.5 * hiss(random);
    });
}

const std::array<std::string, 10> kTalk{"that was a bit close to the bank there", "the brakes feel good now",
    "keep going, we have time", "come on, come on, push", "what was that noise from the back",
    "I think the others had the same problem", "good, that is better, really good",
    "watch the temperature for me", "we should talk about this one after lunch",
    "nice and easy, there is no need to hurry"};

/// Talk without an end.
Samples chatting(std::size_t size, const Speaker& speaker, std::uint32_t seed)
{
    std::mt19937 random(seed);
    Samples out;
    while (out.size() < size) {
        addAt(out, spoken(speaker, kTalk[random() % kTalk.size()]),
            static_cast<double>(out.size()) / kRate_hz + 0.5, 1.0);
    }
    out.resize(size);
    return out;
}

media::Sound asSound(const Samples& samples, double gain = 1.0)
{
    media::Sound sound;
    sound.rate_hz = kRate_hz;
    sound.samples.reserve(samples.size());
    for (const double s : samples) {
        sound.samples.push_back(static_cast<std::int16_t>(std::clamp(gain * s, -32768.0, 32767.0)));
    }
    return sound;
}

struct Score {
    int spoken = 0, found = 0, skipped = 0, reported = 0, repeats = 0, repeats_found = 0, repeats_wrong = 0;
    std::vector<double> start_errors;
    double took = 0.0, length_s = 0.0;

    void add(const std::vector<take::FoundNote>& truth, const media::Alignment& alignment, double sound_s)
    {
        constexpr double kThere_s = 0.5; // farther off it is another one
        const bool list = std::getenv("TAKES_LIST") != nullptr;
        for (std::size_t k = 0; k < truth.size(); ++k) {
            const auto& is = truth[k];
            const auto& note = alignment.notes[k];
            const double off_s = std::abs(note.span.start_s - is.span.start_s);
            const auto hit = [&](const take::Span& heard) {
                return std::any_of(is.repeats.begin(), is.repeats.end(), [&](const take::Span& r) {
                    return std::abs(r.start_s - heard.start_s) < kThere_s;
                }) || std::abs(heard.start_s - is.span.start_s) < kThere_s;
            };
            spoken += is.read ? 1 : 0;
            if (list && is.read && !note.read) {
                std::printf("    not found: %s, %.1f to %.1f s, said again %zu times\n", is.id.c_str(),
                    is.span.start_s, is.span.end_s, is.repeats.size());
            }
            if (list && is.read && note.read && off_s >= kThere_s && !hit(note.span)) {
                std::printf("    elsewhere: %s, %.1f to %.1f s, heard %.1f to %.1f\n", is.id.c_str(),
                    is.span.start_s, is.span.end_s, note.span.start_s, note.span.end_s);
            }
            if (list && !is.read && note.read) {
                std::printf("    not skipped: %s, %.1f to %.1f s\n", is.id.c_str(), note.span.start_s,
                    note.span.end_s);
            }
            found += is.read && note.read && (off_s < kThere_s || hit(note.span)) ? 1 : 0;
            skipped += is.read ? 0 : 1;
            reported += !is.read && !note.read ? 1 : 0;
            repeats += static_cast<int>(is.repeats.size());
            for (const auto& again : note.repeats) {
                const bool right = is.read && hit(again);
                (right ? repeats_found : repeats_wrong) += 1;
                if (list && !right) {
                    std::printf("    not said again: %s, %.1f to %.1f s, first at %.1f\n", is.id.c_str(),
                        again.start_s, again.end_s, note.span.start_s);
                }
            }
            if (is.read && note.read && off_s < kThere_s) {
                start_errors.push_back(off_s);
            }
        }
        took += alignment.real_time_factor * sound_s;
        length_s += sound_s;
    }

    void print(const std::string& name)
    {
        std::sort(start_errors.begin(), start_errors.end());
        const auto at = [&](std::size_t percent) {
            return start_errors.empty() ? 0.0
                                        : 1000.0 * start_errors[(start_errors.size() - 1) * percent / 100];
        };
        std::printf("%-18s found %5.1f %%  skipped reported %d of %d  repeats %d of %d, wrong %d  start "
                    "%3.0f ms, 95 %% %4.0f ms  "
                    "%.3f of real time\n",
            name.c_str(), 100.0 * found / std::max(1, spoken), reported, skipped, repeats_found, repeats,
            repeats_wrong, at(50), at(95), took / std::max(1e-9, length_s));
        std::fflush(stdout);
    }
};

/// How soon a note is told after its end, by one who hears the sound as it comes.
struct Following {
    int spoken = 0, told = 0, wrong = 0;
    std::vector<double> after_s;
    double cpu_s = 0.0, length_s = 0.0;

    void add(const std::vector<take::FoundNote>& truth, const media::Sound& sound,
        const std::vector<media::ExpectedNote>& expected)
    {
        media::Follower follower(expected);
        const std::clock_t began = std::clock();
        constexpr std::size_t kAtOnce = kRate_hz / 20;
        for (std::size_t at = 0; at < sound.samples.size(); at += kAtOnce) {
            follower.hear(std::span(sound.samples).subspan(at, std::min(kAtOnce, sound.samples.size() - at)));
        }
        follower.finish();
        cpu_s += static_cast<double>(std::clock() - began) / CLOCKS_PER_SEC;
        length_s += sound.duration_s();
        for (const auto& is : truth) {
            spoken += is.read ? 1 : 0;
        }
        std::set<std::size_t> found;
        for (const auto& note : follower.told()) {
            const auto& is = truth[note.note];
            constexpr double kThere_s = 0.5;
            const bool right = is.read && std::abs(note.span.end_s - is.span.end_s) < kThere_s;
            if (right && found.insert(note.note).second) {
                ++told;
                after_s.push_back(note.told_s - is.span.end_s);
            }
            const bool again = std::any_of(is.repeats.begin(), is.repeats.end(),
                [&](const take::Span& r) { return std::abs(note.span.end_s - r.end_s) < kThere_s; });
            wrong += right || again ? 0 : 1;
        }
    }

    void print()
    {
        std::sort(after_s.begin(), after_s.end());
        const auto at = [&](std::size_t percent) {
            return after_s.empty() ? 0.0 : after_s[(after_s.size() - 1) * percent / 100];
        };
        std::printf("    followed: told %5.1f %%, wrongly %d  %.2f s after the note's end, 95 %% %.2f s  "
                    "%.3f of a core\n",
            100.0 * told / std::max(1, spoken), wrong, at(50), at(95), cpu_s / std::max(1e-9, length_s));
        std::fflush(stdout);
    }
};

/// Words that were changed, and whether that was told.
struct Misreading {
    int planted = 0, told = 0, told_otherwise = 0, unsure = 0, notes = 0, alarms = 0;

    void add(const std::vector<take::FoundNote>& truth, const media::Alignment& alignment)
    {
        const bool list = std::getenv("TAKES_LIST") != nullptr;
        for (std::size_t k = 0; k < truth.size(); ++k) {
            if (!truth[k].read) {
                continue;
            }
            const auto& heard = alignment.notes[k].misread;
            const bool sure =
                std::any_of(heard.begin(), heard.end(), [](const auto& m) { return m.sure >= take::kSure; });
            if (list && (!heard.empty() || !truth[k].misread.empty())) {
                std::printf("    %s:", truth[k].id.c_str());
                for (const auto& m : truth[k].misread) {
                    std::printf(" [%s for %s]", m.said.c_str(), m.note_says.c_str());
                }
                std::printf(alignment.notes[k].read ? " heard" : " not found");
                for (const auto& m : heard) {
                    std::printf(" %s for %s %.0f nats", m.said.c_str(), m.note_says.c_str(),
                        20.0 - 6.0 * std::log(1.0 / std::clamp(m.sure, 1e-9, 1.0 - 1e-9) - 1.0));
                }
                std::printf("\n");
            }
            if (truth[k].misread.empty()) {
                ++notes;
                alarms += sure ? 1 : 0;
                continue;
            }
            ++planted;
            const auto& is = truth[k].misread.front();
            const bool right = std::any_of(heard.begin(), heard.end(), [&](const auto& m) {
                return m.sure >= take::kSure && m.said == is.said && m.note_says == is.note_says;
            });
            told += right ? 1 : 0;
            told_otherwise += !right && sure ? 1 : 0;
            unsure += !sure && !heard.empty() ? 1 : 0;
        }
    }

    void print() const
    {
        std::printf(
            "    misread: told %d of %d, as another word %d, not sure of %d; false alarms %d in %d notes\n",
            told, planted, told_otherwise, unsure, alarms, notes);
    }
};

/// As Read finds them where TAKES_LIVE is set, else as a recording from elsewhere.
media::Alignment aligned(const media::Sound& sound, const std::vector<media::ExpectedNote>& expected)
{
    if (std::getenv("TAKES_LIVE") == nullptr) {
        return media::align(sound, expected);
    }
    constexpr std::size_t kBlock = media::kAlignRate_hz;
    const auto began = std::clock();
    const auto at_rate = media::resampled(sound, media::kAlignRate_hz);
    media::LiveAligner aligner(expected);
    for (std::size_t at = 0; at < at_rate.samples.size(); at += kBlock) {
        aligner.hear(std::span(at_rate.samples).subspan(at, std::min(kBlock, at_rate.samples.size() - at)));
    }
    media::Alignment out{aligner.finish(), 0.0};
    out.real_time_factor = static_cast<double>(std::clock() - began) / CLOCKS_PER_SEC / at_rate.duration_s();
    return out;
}

/// How long after stop the verdicts would be there, where one stops at each of some seconds from `first_s`
/// on: what of the sound so far is still waiting for the search, and then the rest. In seconds of one core.
void printStops(const media::Sound& sound, const std::vector<media::ExpectedNote>& expected, double first_s)
{
    constexpr int kStops = 12;
    constexpr std::size_t kBlock = media::kAlignRate_hz;
    const auto cpuNow_s = [] { return static_cast<double>(std::clock()) / CLOCKS_PER_SEC; };
    const auto at_rate = media::resampled(sound, media::kAlignRate_hz);
    double worst_s = 0.0;
    double sum_s = 0.0;
    for (int i = 0; i < kStops; ++i) {
        const double stop_s = std::min(first_s + i, at_rate.duration_s());
        const auto until = static_cast<std::size_t>(stop_s * media::kAlignRate_hz);
        media::LiveAligner aligner(expected);
        double ready_s = 0.0; ///< when what came so far is searched
        for (std::size_t at = 0; at < until; at += kBlock) {
            const std::size_t count = std::min(kBlock, until - at);
            const double before_s = cpuNow_s();
            aligner.hear(std::span(at_rate.samples).subspan(at, count));
            ready_s = std::max(ready_s, static_cast<double>(at + count) / media::kAlignRate_hz)
                + (cpuNow_s() - before_s);
        }
        const double rest_s = aligner.unsearched_s();
        const double before_s = cpuNow_s();
        static_cast<void>(aligner.finish());
        const double finish_s = cpuNow_s() - before_s;
        const double after_s = std::max(0.0, ready_s - stop_s) + finish_s;
        std::printf("    stopped at %.0f s: waiting %.2f, %.1f s left take %.2f: %.2f s after stop\n", stop_s,
            std::max(0.0, ready_s - stop_s), rest_s, finish_s, after_s);
        std::fflush(stdout);
        worst_s = std::max(worst_s, after_s);
        sum_s += after_s;
    }
    std::printf("    stops: %.2f s on average, at most %.2f\n", sum_s / kStops, worst_s);
}

struct Condition {
    std::string name;
    double lead_s = 3.0;
    double remark_s = 0.0;
    double gain = 1.0;
    std::function<void(Take&, std::uint32_t)> worsen;
    double misread_share = 0.0;
};

} // namespace

int main(int argc, char** argv)
{
    const std::filesystem::path folder = DEMO_FOLDER;
    const auto stage = stage::readStage(folder / "stage.brumefall");
    const auto pass = stage::readPass(folder / "passes" / "stage.json");
    const auto plan = stage::prepare(stage, &pass).plan;
    const auto expectedAfter = [&](double lead_s) {
        const bool clock = std::getenv("TAKES_CLOCK") != nullptr;
        return take::expectedNotes(
            plan, clock ? std::optional(take::Clock{plan.calls.front().start_s - lead_s}) : std::nullopt);
    };
    std::vector<Speaker> speakers{
        {"en-us", Synthesiser::espeak, 230.0}, {"en-gb-scotland+f3", Synthesiser::espeak, 260.0}};
    const std::vector<std::pair<Synthesiser, std::vector<const char*>>> others{
        {Synthesiser::flite, {"rms", "slt", "awb"}},
        {Synthesiser::festival, {"kal_diphone", "ked_diphone", "cmu_us_slt_arctic_hts"}}};
    for (const auto& [by, voices] : others) {
        for (const char* voice : isThere(by) ? voices : std::vector<const char*>()) {
            speakers.push_back({voice, by});
        }
    }
    if (const char* only = std::getenv("TAKES_SPEAKER")) {
        std::erase_if(speakers, [&](const Speaker& s) { return s.name != only; });
        const char* rate = std::getenv("TAKES_WORDS_PER_MIN");
        if (speakers.empty()) { // any variant of espeak-ng
            speakers.push_back({only, Synthesiser::espeak, rate != nullptr ? std::atof(rate) : 240.0});
        }
        if (speakers.front().words_per_min <= 0.0) {
            std::fprintf(
                stderr, "no voice of flite or festival is called %s, and espeak-ng needs a rate\n", only);
            return 1;
        }
    } else if (const char* few = std::getenv("TAKES_VOICES")) { // the first few only
        speakers.resize(std::min(speakers.size(), static_cast<std::size_t>(std::max(1, std::atoi(few)))));
    }
    const Speaker driver{"en-gb+m3", Synthesiser::espeak, 200.0};
    const auto worsenBy = [](auto noise, double below_dB) {
        return [noise, below_dB](
                   Take& t, std::uint32_t seed) { addNoise(t, noise(t.samples.size(), seed), below_dB); };
    };
    const auto talk = [&](std::size_t size, std::uint32_t seed) { return chatting(size, driver, seed); };
    const auto hum = [](std::size_t size, std::uint32_t) {
        return madeOf(size, [](double t) {
            return std::sin(2.0 * std::numbers::pi * 50.0 * t)
                + 0.5 * std::sin(2.0 * std::numbers::pi * 100.0 * t);
        });
    };
    const auto rumble = [](std::size_t size, std::uint32_t seed) {
        std::mt19937 random(seed);
        std::normal_distribution<double> hiss(0.0, 1.0);
        double low = 0.0;
        return madeOf(size, [&](double) { return low = 0.985 * low + hiss(random); });
    };
    const std::vector<Condition> conditions{{"clean"},
        {"engine 10 dB", 3.0, 0.0, 1.0, worsenBy(engine, 10.0)},
        {"engine 5 dB", 3.0, 0.0, 1.0, worsenBy(engine, 5.0)},
        {"countdown", 6.0, 0.0, 1.0,
            [&](Take& t, std::uint32_t) {
                for (const auto* word : {"five", "four", "three", "two", "one", "go"}) {
                    static double at_s = 0.0;
                    at_s = std::string(word) == "five" ? 0.5 : at_s + 0.8;
                    addAt(t.samples, spoken(driver, word), at_s, 1.0);
                }
            }},
        {"remarks", 3.0, 2.4, 1.0}, {"driver -12 dB", 3.0, 0.0, 1.0, worsenBy(talk, 12.0)},
        {"driver -6 dB", 3.0, 0.0, 1.0, worsenBy(talk, 6.0)}, {"hum 0 dB", 3.0, 0.0, 1.0, worsenBy(hum, 0.0)},
        {"rumble 0 dB", 3.0, 0.0, 1.0, worsenBy(rumble, 0.0)}, {"faint -40 dB", 3.0, 0.0, 0.01},
        {"clipped 20 dB", 3.0, 0.0, 10.0},
        {"gears, stones 5 dB", 3.0, 0.0, 1.0, worsenBy(gearsAndStones, 5.0)},
        {"misread, clean", 3.0, 0.0, 1.0, {}, 0.05},
        {"misread, 15 dB", 3.0, 0.0, 1.0, worsenBy(engine, 15.0), 0.05},
        {"misread, 10 dB", 3.0, 0.0, 1.0, worsenBy(engine, 10.0), 0.05},
        {"misread, driver -12 dB", 3.0, 0.0, 1.0, worsenBy(talk, 12.0), 0.05},
        {"misread, driver -6 dB", 3.0, 0.0, 1.0, worsenBy(talk, 6.0), 0.05}};
    const auto wanted = [&](const std::string& name) {
        return argc < 2 || std::any_of(argv + 1, argv + argc, [&](const char* a) {
            return name.find(a) != std::string::npos;
        });
    };
    const bool follows = std::getenv("TAKES_NO_FOLLOWER") == nullptr;
    for (const Condition& condition : conditions) {
        if (!wanted(condition.name)) {
            continue;
        }
        const auto expected = expectedAfter(condition.lead_s);
        Score score;
        Following following;
        Misreading misreading;
        const auto offset =
            static_cast<std::uint32_t>(std::getenv("TAKES_SEED") ? std::atoi(std::getenv("TAKES_SEED")) : 0);
        for (std::size_t s = 0; s < speakers.size(); ++s) {
            const auto seed = static_cast<std::uint32_t>(71 + s) + offset;
            std::mt19937 random(seed);
            const auto remark = [&](Take& t, double at_s) {
                addAt(t.samples, spoken(speakers[s], kTalk[random() % kTalk.size()]), at_s, 1.0);
            };
            Take take = readPlan(plan, speakers[s], seed, condition.lead_s, condition.remark_s,
                condition.remark_s > 0.0 ? std::function<void(Take&, double)>(remark) : nullptr,
                condition.misread_share);
            if (condition.worsen) {
                condition.worsen(take, seed);
            }
            const auto sound = asSound(take.samples, condition.gain);
            if (const char* folder = std::getenv("TAKES_WRITE")) {
                const std::string name = condition.name + " " + speakers[s].name + ".wav";
                const auto file = std::filesystem::path(folder) / name;
                media::SoundWriter written(file, sound.rate_hz);
                written.write(sound.samples);
                written.close();
            }
            Score own;
            const auto alignment = aligned(sound, expected);
            own.add(take.truth, alignment, sound.duration_s());
            score.add(take.truth, alignment, sound.duration_s());
            own.print("  " + speakers[s].name);
            if (const char* stop = std::getenv("TAKES_STOP")) {
                printStops(sound, expected, std::atof(stop));
            }
            misreading.add(take.truth, alignment);
            if (condition.misread_share > 0.0) {
                Misreading of_voice;
                of_voice.add(take.truth, alignment);
                of_voice.print();
            }
            if (follows && condition.misread_share == 0.0) {
                following.add(take.truth, sound, expected);
            }
        }
        score.print(condition.name);
        misreading.print();
        if (follows && condition.misread_share == 0.0) {
            following.print();
        }
    }
    // sound that is no reading of this stage
    const auto invented = [&](const std::string& name, const Samples& samples) {
        if (!wanted(name)) {
            return;
        }
        const auto alignment = media::align(asSound(samples), expectedAfter(3.0));
        int read = 0;
        int repeats = 0;
        for (const auto& note : alignment.notes) {
            read += note.read ? 1 : 0;
            repeats += static_cast<int>(note.repeats.size());
            if (note.read && std::getenv("TAKES_LIST") != nullptr) {
                std::printf("    invented: %s, %.1f to %.1f s, said again %zu times, %zu words misread\n",
                    note.id.c_str(), note.span.start_s, note.span.end_s, note.repeats.size(),
                    note.misread.size());
            }
        }
        std::printf("%-18s notes \"read\" %d, repeats %d  %.3f of real time\n", name.c_str(), read, repeats,
            alignment.real_time_factor);
    };
    invented("plain talk", chatting(static_cast<std::size_t>(240) * kRate_hz, speakers.front(), 5));
    stage::Stage other;
    std::mt19937 random(12);
    for (int i = 0; i < 40; ++i) {
        const std::array<std::string, 4> things{"", " over crest", " long", " tightens"};
        const std::array<std::string, 6> grades{"one", "two", "three", "four", "five", "six"};
        const auto one = [&] {
            return std::string(random() % 2 == 0 ? "left " : "right ") + grades[random() % 6]
                + things[random() % 4];
        };
        other.text += one() + " into " + one() + " " + std::to_string(10 * (3 + random() % 10)) + "\n";
    }
    const auto elsewhere = stage::prepare(other, nullptr).plan;
    invented("another stage", readPlan(elsewhere, speakers[0], 3, 3.0).samples);
    return 0;
}
