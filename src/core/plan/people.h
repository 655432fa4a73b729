/// The two people a plan is for: how fast the reader speaks, and how early the driver wants to hear.
#pragma once

#include "notes/note.h"
#include "notes/style.h"

#include <cstddef>
#include <map>
#include <string>

namespace brumefall::plan {

/// The co-driver, as measured or assumed.
struct Reader {
    double rate_syll_s = 5.6; ///< syllables a second while speaking
    double breath_s = 0.35; ///< least pause between calls
    double fastest_syll_s = 7.0; ///< the reader's own measured limit
    double longest_run_s = 6.0; ///< longest time of speaking without a breath
    double spread_s = 0.2; ///< one standard deviation of a note's end about the plan

    bool operator==(const Reader&) const = default;
};

/// Which notes are said again as the car comes up to them, and how many are read on the start line before the
/// countdown.
struct Echoes {
    bool dangerous = false; ///< those with a warning
    double after_s = 0.0; ///< those that the car reaches so long after they were said; 0: never
    int line_up_notes = 0;

    [[nodiscard]] bool any() const { return dangerous || after_s > 0.0; }
    bool operator==(const Echoes&) const = default;
};

/// Which lead a note gets.
enum class LeadClass { fast, medium, slow, hazard };
inline constexpr std::size_t kLeadClasses = 4;

/// The driver's wishes.
struct Driver {
    double reaction_s = 0.35; ///< from the last syllable to acting
    int holds_notes = 3; ///< how many notes ahead the driver can keep in mind
    double fast_s = 1.5; ///< wished lead by class of note
    double medium_s = 1.8;
    double slow_s = 2.1;
    double hazard_s = 2.1;
    double warning_s = 0.5; ///< added for a warning
    double speed_s = 0.0; ///< added for every 10 m/s of approach speed above kSlowApproach_m_s
    double floor_m = 20.0; ///< never less than this far before the action point
    double brake_m_s2 = 5.5; ///< braking the driver does before a corner
    double late_penalty = 12.0; ///< how much worse late is than early

    bool operator==(const Driver&) const = default;
};

/// Up to this approach speed a note gets the lead of its class; see Driver::speed_s.
inline constexpr double kSlowApproach_m_s = 15.0;

[[nodiscard]] LeadClass leadClass(const notes::Note& note, notes::Scale scale);
[[nodiscard]] std::string toString(LeadClass lead_class);

/// The driver's wish for a class of notes.
[[nodiscard]] double& leadOf(Driver& driver, LeadClass lead_class);
[[nodiscard]] double leadOf(const Driver& driver, LeadClass lead_class);

/// Seconds that the driver wishes between the end of the note and its action point, approached at
/// `speed_m_s`.
[[nodiscard]] double wishedLead_s(
    const notes::Note& note, notes::Scale scale, const Driver& driver, double speed_m_s);

/// How much a note counts in the plan: warnings and tight corners more, talk to the driver less; always > 0.
[[nodiscard]] double weightOf(const notes::Note& note, notes::Scale scale);

} // namespace brumefall::plan
