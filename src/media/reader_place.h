/// Where in the notes a reader is, as far as what was heard tells.
#pragma once

#include "media/reading_grammar.h"
#include "take/take.h"

#include <cstddef>
#include <deque>
#include <optional>
#include <span>
#include <utility>
#include <vector>

namespace brumefall::media {

using take::ExpectedNote;

/// Where it is known when a note is due, it is looked for within this of that and nowhere else.
inline constexpr double kOffDue_s = 30.0;
/// The same where the last notes were read at the plan's pace.
inline constexpr double kOffSteady_s = 12.0;

/// When a note is due in the recording or, where nobody knows that, in the stage from go, in seconds.
[[nodiscard]] std::optional<double> dueOf(const ExpectedNote& note);

/// How many notes are read in so many seconds from the first one on, as they are planned; all where nobody
/// knows that.
[[nodiscard]] std::size_t firstNotesOf(const std::vector<ExpectedNote>& expected, double length_s);

/// A note and when it begins, in seconds of the recording.
struct BegunNote {
    std::size_t note = 0;
    double start_s = 0.0;
};

/// How many different notes begin, and how many of them are about as far from each other as they are planned.
struct ReadAsPlanned {
    std::size_t notes = 0;
    std::size_t as_planned = 0;

    /// Most of a reading is as planned; what somebody else says is taken for notes that are anywhere.
    [[nodiscard]] bool isAstray() const;
};
/// `begun` in the order of the recording: of a note that is said again the first time counts.
[[nodiscard]] ReadAsPlanned readAsPlanned(
    const std::vector<ExpectedNote>& expected, std::span<const BegunNote> begun);

struct ReaderPlace {
    static constexpr std::size_t kLast = 10; ///< notes that tell how late the reader is
    std::size_t at = 0; ///< the note that comes next
    bool anywhere = true; ///< where that is, is not known yet
    /// By how much the last notes began later in the recording than they are due there or, where nobody knows
    /// that, than they are planned from go.
    std::deque<double> later_s;
    std::optional<double> likely_later_s; ///< the same, as long as no notes tell it; nobody knows it mostly

    /// The last notes were read at the plan's pace: by how much later they were, and most within how much.
    struct Steady {
        double later_s;
        double within_s;
    };
    [[nodiscard]] std::optional<Steady> steady() const;

    std::optional<std::size_t> until; ///< what comes next is before this note: it is read later

    /// Note `at` comes next, surely.
    void goTo(std::size_t note);
    /// A note begins at this second of the recording.
    void hear(const ExpectedNote& note, double start_s);

    /// The same of all of them, where they were read at the plan's pace.
    [[nodiscard]] std::optional<double> laterThanDue_s() const;

    /// By how much a note that begins at this second of the recording is earlier than it is due, where the
    /// last notes tell when that is.
    [[nodiscard]] std::optional<double> earlyBy_s(const ExpectedNote& note, double start_s) const;

    /// How far off what is due the next notes will hardly be, as steadily as the last ones were read; nothing
    /// where they were not.
    [[nodiscard]] std::optional<double> offDue_s() const;
    /// The notes, from first to before last, that are due up to `off_s` before or after these seconds of the
    /// recording; where nobody knows that, none.
    [[nodiscard]] std::pair<std::size_t, std::size_t> dueIn(
        const std::vector<ExpectedNote>& expected, const take::Span& recording, double off_s) const;

    /// The notes that may be heard between these seconds of the recording: those around this place, as far as
    /// they are due, by the take's clock or, where nobody knows it, by the plan.
    [[nodiscard]] Grammar::Window window(
        const std::vector<ExpectedNote>& expected, const take::Span& recording) const;
};

} // namespace brumefall::media
