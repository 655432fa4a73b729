/// Two takes of one stage laid over each other at the action points: whoever reads the same notes along another
/// pass, at another pace, is compared by how early the driver had them.
#pragma once

#include "take/take.h"

#include <vector>

namespace brumefall::take {

/// A note of one take as it was in another. Times from go on the clock of the one.
struct Beside {
    bool judged = false; ///< it was due in the other one
    bool heard = false; ///< and said there
    Timing timing = Timing::missed; ///< there
    double start_s = 0.0;
    double end_s = 0.0; ///< as long before the action point as it was in the other
    double longer_lead_s = 0.0; ///< the lead of the one less that of the other, where both said it
};

/// For every note of `plan`, whose verdicts are `verdicts`, what became of it in `other`; notes are the same
/// by their id.
[[nodiscard]] std::vector<Beside> besides(
    const plan::Plan& plan, const std::vector<Verdict>& verdicts, const std::vector<Verdict>& other);

/// Over the notes that both were judged by.
struct Compared {
    int notes = 0;
    int on_time = 0; ///< in the one
    int on_time_other = 0;
    double median_longer_lead_s = 0.0;
    int sooner = 0; ///< notes that the one said sooner by at least kApart_s
    int later = 0;
};
inline constexpr double kApart_s = 0.2;

[[nodiscard]] Compared compare(const std::vector<Verdict>& verdicts, const std::vector<Beside>& besides);

} // namespace brumefall::take
