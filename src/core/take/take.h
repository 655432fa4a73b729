/// A rehearsal: what was found in the recording, and what that means against the plan.
#pragma once

#include "pace/pace.h"
#include "plan/plan.h"

#include <string>
#include <utility>
#include <vector>

namespace brumefall::take {

/// A stretch of the recording, in seconds from its beginning.
struct Span {
    double start_s = 0.0;
    double end_s = 0.0;
    bool operator==(const Span&) const = default;
};

struct FoundWord {
    std::string word;
    Span span;
    bool operator==(const FoundWord&) const = default;
};

/// A word that was said in the place of another; `said` is empty where it was dropped. `sure` is from 0 to 1:
/// below kSure it is only possible.
struct Misread {
    std::string said;
    std::string note_says;
    double sure = 0.0;
    bool of_distance = false; ///< of the one said after the note
    bool operator==(const Misread&) const = default;
};
inline constexpr double kSure = 0.5;

/// The driver is told another road by it: surely heard, and more than a distance or a half grade.
[[nodiscard]] bool isWrong(const Misread& misread);

/// A note as the recogniser, or the user's hand, found it. Times in seconds from the start of the recording.
struct FoundNote {
    std::string id;
    bool read = false;
    Span span; ///< the first full reading
    std::vector<Span> repeats; ///< further full readings
    std::vector<FoundWord> words; ///< of the first reading
    std::vector<Span> hesitations; ///< pauses of at least kHesitation_s inside it
    bool restarted = false; ///< broken off and begun again before the first full reading
    std::vector<Misread> misread; ///< words of the first reading
    bool by_hand = false; ///< corrected by the user
    bool operator==(const FoundNote&) const = default;
};

/// A pause inside a note or call at least this long is a hesitation.
inline constexpr double kHesitation_s = 0.35;
/// A shorter pause is none to breathe in.
inline constexpr double kBreath_s = 0.3;
/// So many notes in a row that were not said: the place was lost.
inline constexpr std::size_t kPlaceLost = 3;

/// stage time = offset_s + rate * recording time; one clock for the recording and the video.
struct Clock {
    double offset_s = 0.0;
    double rate = 1.0;

    [[nodiscard]] double stageTime(double recording_s) const { return offset_s + rate * recording_s; }
    [[nodiscard]] double recordingTime(double stage_s) const { return (stage_s - offset_s) / rate; }
};

enum class Timing { early, on_time, late, missed };

/// What became of one note. Times in seconds from go; `off_s` is how far outside its window it ended:
/// positive late, negative early, 0 inside.
struct Verdict {
    std::string id;
    Timing timing = Timing::missed;
    double off_s = 0.0;
    double start_s = 0.0;
    double end_s = 0.0;
    double planned_end_s = 0.0;
    double lead_s = 0.0;
    double lead_m = 0.0;
    int notes_ahead = 0;
    bool repeated = false;
    bool corrected = false;
    bool hesitated = false;
    bool outside_take = false; ///< the take began after it or ended before it: no verdict
    std::vector<Misread> misread; ///< where one of them is wrong, the note counts as missed, however timely

    /// It was said, rightly or not: the times are those of that.
    [[nodiscard]] bool heard() const { return end_s > start_s; }
    [[nodiscard]] bool isMisread() const;
};

/// Figures of a whole take.
struct TakeFigures {
    int judged = 0;
    int early = 0;
    int on_time = 0;
    int late = 0;
    int missed = 0; ///< not said at all
    int misread = 0; ///< with a wrong word in it
    int repeated = 0;
    int hesitated = 0;
    double on_time_share = 0.0;
    double drift_s_per_min = 0.0; ///< how fast the reading falls behind the plan, least squares
    bool tells_drift = false; ///< by enough notes, over long enough, to say so
    double median_off_plan_s = 0.0; ///< read end less planned end
    double rate_syll_s = 0.0; ///< while speaking
    double longest_run_s = 0.0; ///< longest speech without a pause of a breath
    double evenness = 0.0; ///< nPVI of note-to-note intervals, read less planned; 0 is as planned
};

/// Judges every note of `plan` against its window. `recorded_s` is the length of the recording: notes due
/// outside it, and not read, are set apart.
[[nodiscard]] std::vector<Verdict> judge(const plan::Plan& plan, const pace::Pace& pace,
    const std::vector<FoundNote>& found, const Clock& clock, double recorded_s);

[[nodiscard]] TakeFigures figures(const plan::Plan& plan, const std::vector<Verdict>& verdicts);

/// Normalised pairwise variability index of successive intervals, in percent; 0 under two intervals.
/// Grabe & Low, Laboratory Phonology 7 (2002), 515-546.
[[nodiscard]] double npvi(const std::vector<double>& intervals);

/// In plain words: "0.6 s late, 41 m before the corner".
[[nodiscard]] std::string describe(const Verdict& verdict);

[[nodiscard]] std::string toString(Timing timing);

} // namespace brumefall::take
