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
#include "media/listener.h"
#include "media/pronunciations.h"
#include "read_out.h"

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
    std::vector<Speaker> speakers = fiveSpeakers();
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
