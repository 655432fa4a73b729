/// Where in the notes a reader is, as far as what was heard tells.
#pragma once

#include "media/reading_grammar.h"
#include "take/take.h"

#include <cstddef>
#include <deque>
#include <optional>
#include <vector>

namespace brumefall::media {

using take::ExpectedNote;

/// Where it is known when a note is due, it is looked for within this of that and nowhere else.
inline constexpr double kOffDue_s = 30.0;

struct ReaderPlace {
    std::size_t at = 0; ///< the note that comes next
    bool anywhere = true; ///< where that is, is not known yet
    std::deque<double> later_s; ///< than planned from go, the last notes begin in the recording

    /// Note `at` comes next, surely.
    void goTo(std::size_t note);
    /// A note begins at this second of the recording.
    void hear(const ExpectedNote& note, double start_s);

    /// By how much the recording is later than the plan, where the last notes were read at its pace.
    [[nodiscard]] std::optional<double> laterThanPlanned_s() const;

    /// The notes that may be heard between these seconds of the recording: those around this place, as far as
    /// they are due, by the take's clock or, where nobody knows it, by the plan.
    [[nodiscard]] Grammar::Window window(
        const std::vector<ExpectedNote>& expected, const take::Span& recording) const;
};

} // namespace brumefall::media
