#include "media/elsewhere.h"

#include "maths/quantile.h"
#include "media/aligner.h"
#include "media/lay.h"
#include "wording/wording.h"

#include <algorithm>
#include <array>
#include <cstdio>

namespace brumefall::media {
namespace {

constexpr std::size_t kFewest = 3; ///< notes that make a reading

std::string inWords(const std::string& words, double value)
{
    return wording::filled(words, {wording::figure(value, 2)});
}

/// Where go is by the calls themselves: the middle of what every one of them says.
double offsetByCalls(const plan::Plan& plan, const std::vector<take::FoundNote>& found)
{
    std::vector<double> offsets;
    for (std::size_t k = 0; k < found.size(); ++k) {
        if (found[k].read) {
            offsets.push_back(plan.notes[k].end_s - found[k].span.end_s);
        }
    }
    return maths::median(std::move(offsets));
}

} // namespace

ReadingElsewhere judgeElsewhere(const stage::Prepared& prepared, const Sound& sound,
    std::optional<double> go_s, const std::filesystem::path& onboard, double onboard_go_s,
    const Progress& progress)
{
    ReadingElsewhere out;
    out.recorded_s = sound.duration_s();
    const auto clock = go_s ? std::optional(take::Clock{-*go_s}) : std::nullopt;
    out.found = align(sound, take::expectedNotes(prepared.plan, clock), progress).notes;
    const auto read = static_cast<std::size_t>(
        std::count_if(out.found.begin(), out.found.end(), [](const auto& note) { return note.read; }));
    if (read < kFewest) {
        out.says = wording::localized("media",
            "nothing in it is a reading of this stage: silence, talk, music, or another stage's notes");
        return out;
    }
    std::error_code ignored;
    if (go_s) {
        out.clock.offset_s = -*go_s;
        out.laid_by = LaidBy::go;
        out.says = inWords(wording::localized("media", "go is at %1 s of it"), *go_s);
    } else if (!onboard.empty() && std::filesystem::is_regular_file(onboard, ignored)) {
        try {
            if (const auto laid = laySound(sound, decodeSound(onboard, sound.rate_hz))) {
                out.clock.offset_s = laid->offset_s - onboard_go_s;
                out.laid_by = LaidBy::sound;
                out.says = inWords(
                    wording::localized("media", "laid to the onboard by the sound: go is at %1 s of it"),
                    -out.clock.offset_s);
            }
        } catch (const MediaError&) {
            // an onboard without sound: by the calls
        }
    }
    if (out.laid_by == LaidBy::nothing) {
        out.clock.offset_s = offsetByCalls(prepared.plan, out.found);
        out.laid_by = LaidBy::calls;
        out.says =
            inWords(wording::localized("media",
                        "laid to the plan by its own calls (go at %1 s of it): how early or late all of it "
                        "was is not known"),
                -out.clock.offset_s);
    }
    out.verdicts = take::judge(prepared.plan, prepared.placement.pace, out.found, out.clock, out.recorded_s);
    return out;
}

} // namespace brumefall::media
