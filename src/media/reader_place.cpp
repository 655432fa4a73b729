#include "media/reader_place.h"

#include "maths/quantile.h"

#include <algorithm>
#include <cmath>
#include <iterator>
#include <map>

namespace brumefall::media {

namespace {

/// How many of the notes are due before these seconds.
std::size_t dueBy(const std::vector<ExpectedNote>& expected, double due_s)
{
    const auto isBefore = [&](const ExpectedNote& note) { return dueOf(note).value_or(0.0) < due_s; };
    return static_cast<std::size_t>(
        std::partition_point(expected.begin(), expected.end(), isBefore) - expected.begin());
}

} // namespace

std::optional<double> dueOf(const ExpectedNote& note)
{
    return note.due_s ? note.due_s : note.planned_s;
}

std::size_t firstNotesOf(const std::vector<ExpectedNote>& expected, double length_s)
{
    const auto first_s = expected.empty() ? std::nullopt : dueOf(expected.front());
    return first_s ? dueBy(expected, *first_s + length_s) : expected.size();
}

bool ReadAsPlanned::isAstray() const
{
    constexpr std::size_t kFew = 3;
    return notes > kFew && 2 * as_planned < notes;
}

ReadAsPlanned readAsPlanned(const std::vector<ExpectedNote>& expected, std::span<const BegunNote> begun)
{
    std::map<std::size_t, double> later_s; // than planned, each note
    for (const BegunNote& note : begun) {
        if (const auto due_s = dueOf(expected[note.note])) {
            later_s.emplace(note.note, note.start_s - *due_s);
        }
    }
    if (later_s.empty()) {
        return {};
    }
    std::vector<double> each_s;
    std::transform(later_s.begin(), later_s.end(), std::back_inserter(each_s),
        [](const auto& note) { return note.second; });
    const double mostly_s = maths::median(each_s);
    const auto as_planned = std::count_if(each_s.begin(), each_s.end(),
        [&](double later) { return std::abs(later - mostly_s) <= kOffSteady_s; });
    return {each_s.size(), static_cast<std::size_t>(as_planned)};
}

void ReaderPlace::goTo(std::size_t note)
{
    at = note;
    anywhere = false;
}

void ReaderPlace::hear(const ExpectedNote& note, double start_s)
{
    const auto due_s = dueOf(note);
    if (!due_s) {
        return;
    }
    later_s.push_back(start_s - *due_s);
    if (later_s.size() > kLast) {
        later_s.pop_front();
    }
}

std::optional<ReaderPlace::Steady> ReaderPlace::steady() const
{
    constexpr std::size_t kEnough = 8; ///< notes
    constexpr std::ptrdiff_t kOdd = 2; ///< of them on either side may be wrong
    constexpr double kSteady_s = 4.0;
    std::vector<double> sorted(later_s.begin(), later_s.end());
    std::sort(sorted.begin(), sorted.end());
    if (sorted.size() < kEnough) {
        return {};
    }
    const double within_s = *(sorted.end() - 1 - kOdd) - *(sorted.begin() + kOdd);
    return within_s <= kSteady_s ? std::optional(Steady{sorted[sorted.size() / 2], within_s}) : std::nullopt;
}

std::optional<double> ReaderPlace::laterThanDue_s() const
{
    const auto last = steady();
    return last ? std::optional(last->later_s) : std::nullopt;
}

std::optional<double> ReaderPlace::offDue_s() const
{
    constexpr double kLeast_s = 5.0;
    constexpr double kTimes = 3.0;
    const auto last = steady();
    return last ? std::optional(std::min(kLeast_s + kTimes * last->within_s, kOffSteady_s)) : std::nullopt;
}

std::pair<std::size_t, std::size_t> ReaderPlace::dueIn(
    const std::vector<ExpectedNote>& expected, const take::Span& recording, double off_s) const
{
    const auto later_s = laterThanDue_s();
    if (!later_s) {
        return {0, 0};
    }
    return {dueBy(expected, recording.start_s - off_s - *later_s),
        dueBy(expected, recording.end_s + off_s - *later_s)};
}

std::optional<double> ReaderPlace::earlyBy_s(const ExpectedNote& note, double start_s) const
{
    const auto later_s = laterThanDue_s();
    const auto due_s = dueOf(note);
    return later_s && due_s ? std::optional(*later_s + *due_s - start_s) : std::nullopt;
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
    const bool clock = expected.front().due_s || likely_later_s;
    const auto steady = laterThanDue_s();
    const auto later_s = clock && !steady ? std::optional(likely_later_s.value_or(0.0)) : steady;
    const double off_s = steady ? kOffSteady_s : kOffDue_s;
    if (!later_s) {
        return window;
    }
    const std::size_t first = dueBy(expected, recording.start_s - off_s - *later_s);
    window.first =
        std::min({std::max(window.first, first), clock || !anywhere ? at : first, expected.size() - 1});
    window.last = std::max(
        std::min(window.last, dueBy(expected, recording.end_s + off_s - *later_s)), window.first + 1);
    window.at = std::clamp(window.at, window.first, window.last);
    return window;
}

} // namespace brumefall::media
