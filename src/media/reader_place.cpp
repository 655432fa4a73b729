#include "media/reader_place.h"

#include <algorithm>

namespace brumefall::media {

namespace {

/// Seconds of the recording, or of the stage.
std::optional<double> dueIn(const ExpectedNote& note)
{
    return note.due_s ? note.due_s : note.planned_s;
}

} // namespace

void ReaderPlace::goTo(std::size_t note)
{
    at = note;
    anywhere = false;
}

void ReaderPlace::hear(const ExpectedNote& note, double start_s)
{
    constexpr std::size_t kLast = 10;
    const auto due_s = dueIn(note);
    if (!due_s) {
        return;
    }
    later_s.push_back(start_s - *due_s);
    if (later_s.size() > kLast) {
        later_s.pop_front();
    }
}

std::optional<double> ReaderPlace::laterThanDue_s() const
{
    constexpr std::size_t kEnough = 8; ///< notes
    constexpr std::ptrdiff_t kOdd = 2; ///< of them on either side may be wrong
    constexpr double kSteady_s = 4.0;
    std::vector<double> sorted(later_s.begin(), later_s.end());
    std::sort(sorted.begin(), sorted.end());
    if (sorted.size() < kEnough || *(sorted.end() - 1 - kOdd) - *(sorted.begin() + kOdd) > kSteady_s) {
        return {};
    }
    return sorted[sorted.size() / 2];
}

Grammar::Window ReaderPlace::window(
    const std::vector<ExpectedNote>& expected, const take::Span& recording) const
{
    constexpr std::size_t kBack = 6;
    constexpr std::size_t kAhead = 40;
    Grammar::Window window{anywhere ? 0 : at - std::min(at, kBack),
        std::min(expected.size(), anywhere ? expected.size() : at + kAhead), at, anywhere};
    if (until) {
        window.last = std::clamp(*until, window.first + 1, window.last);
        window.at = std::min(window.at, window.last);
    }
    const bool clock = expected.front().due_s.has_value();
    const auto steady = laterThanDue_s();
    const auto later_s = clock && !steady ? std::optional(0.0) : steady;
    const double off_s = steady ? kOffSteady_s : kOffDue_s;
    if (!later_s) {
        return window;
    }
    const auto dueBy = [&](double recording_s) {
        const auto isBefore = [&](const ExpectedNote& note) {
            return *later_s + dueIn(note).value_or(0.0) < recording_s;
        };
        return static_cast<std::size_t>(
            std::partition_point(expected.begin(), expected.end(), isBefore) - expected.begin());
    };
    const std::size_t first = dueBy(recording.start_s - off_s);
    window.first =
        std::min({std::max(window.first, first), clock || !anywhere ? at : first, expected.size() - 1});
    window.last = std::max(std::min(window.last, dueBy(recording.end_s + off_s)), window.first + 1);
    window.at = std::clamp(window.at, window.first, window.last);
    return window;
}

} // namespace brumefall::media
