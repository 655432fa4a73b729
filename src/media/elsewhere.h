/// A reading made elsewhere (in the car, by an intercom, on an onboard's own sound), judged like a take.
#pragma once

#include "media/sound.h"
#include "stage/stage.h"
#include "take/take.h"

#include <filesystem>
#include <optional>
#include <string>

namespace brumefall::media {

/// By what a reading was laid to its pass.
enum class LaidBy { go, sound, calls, nothing };

struct ReadingElsewhere {
    std::vector<take::FoundNote> found;
    std::vector<take::Verdict> verdicts;
    take::Clock clock;
    double recorded_s = 0.0;
    LaidBy laid_by = LaidBy::nothing; ///< nothing: it is no reading of this stage, and nothing was judged
    std::string says; ///< how it was laid, or why not, in words
};

/// Finds the calls of `prepared` in `sound` and judges them. Where `go_s` is not known (seconds from the
/// sound's beginning), the sound is laid to that of `onboard`, whose go is at `onboard_go_s`; where that is
/// not of the same run, or empty, the calls themselves are laid to the plan, so that only what differs from
/// their middle is judged.
[[nodiscard]] ReadingElsewhere judgeElsewhere(const stage::Prepared& prepared, const Sound& sound,
    std::optional<double> go_s, const std::filesystem::path& onboard, double onboard_go_s,
    const Progress& progress = {});

} // namespace brumefall::media
