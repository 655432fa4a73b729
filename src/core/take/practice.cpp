#include "take/practice.h"

#include <algorithm>
#include <array>
#include <random>

namespace brumefall::take {
namespace {

constexpr std::array<const char*, kWays> kNames{
    "guided", "page_only", "listen_first", "stretch", "thrown_in", "lost", "drivers_ear"};

constexpr double kBefore_s = 3.0; ///< to look up and breathe in
constexpr double kAfter_s = 1.0;

/// A number in [0, below), the same for the same seed wherever it is built.
std::size_t below(std::minstd_rand& random, std::size_t below)
{
    return static_cast<std::size_t>(random()) % std::max<std::size_t>(1, below);
}

} // namespace

std::string toString(Way way)
{
    return kNames.at(static_cast<std::size_t>(way));
}

std::optional<Way> wayFrom(std::string_view name)
{
    const auto it = std::find(kNames.begin(), kNames.end(), name);
    return it == kNames.end() ? std::nullopt : std::optional(static_cast<Way>(it - kNames.begin()));
}

Stretch stretchOf(const plan::Plan& plan, std::size_t first, std::size_t last)
{
    last = std::min(last, plan.notes.size());
    if (first >= last) {
        first = 0;
        last = plan.notes.size();
    }
    Stretch out{first, last, 0.0, 0.0};
    if (plan.notes.empty()) {
        return out;
    }
    const auto& begins = plan.calls[static_cast<std::size_t>(plan.notes[first].call)];
    const auto& ends = plan.calls[static_cast<std::size_t>(plan.notes[last - 1].call)];
    out.first = begins.first;
    out.last = ends.last;
    out.from_s = begins.start_s - kBefore_s;
    out.to_s = std::max(ends.end_s, plan.notes[ends.last - 1].arrive_s) + kAfter_s;
    return out;
}

Stretch stretchFrom(const plan::Plan& plan, double at_s, double length_s)
{
    std::size_t first = 0;
    while (first < plan.notes.size()
        && plan.calls[static_cast<std::size_t>(plan.notes[first].call)].start_s < at_s) {
        ++first;
    }
    first = first == plan.notes.size() ? 0 : first;
    std::size_t last = first;
    while (last < plan.notes.size()
        && (last == first
            || plan.calls[static_cast<std::size_t>(plan.notes[last].call)].start_s < at_s + length_s)) {
        ++last;
    }
    return stretchOf(plan, first, last);
}

bool isClean(const std::vector<Verdict>& verdicts, const Stretch& stretch)
{
    bool any = false;
    for (std::size_t k = stretch.first; k < std::min(stretch.last, verdicts.size()); ++k) {
        const Verdict& verdict = verdicts[k];
        if (verdict.outside_take) {
            continue;
        }
        any = true;
        if (verdict.timing != Timing::on_time || verdict.corrected) {
            return false;
        }
    }
    return any;
}

std::size_t throwIn(const plan::Plan& plan, std::uint32_t seed)
{
    constexpr std::size_t kLeft = 6; ///< calls that are left to read
    std::minstd_rand random(seed + 1);
    random.discard(3);
    const std::size_t calls = plan.calls.size();
    return calls < 3 ? 0 : 1 + below(random, calls > kLeft + 1 ? calls - kLeft - 1 : 1);
}

std::vector<Span> darkSpans(double from_s, double to_s, std::uint32_t seed)
{
    constexpr std::size_t kLeastLit_s = 10;
    constexpr std::size_t kLeastDark_s = 3;
    std::minstd_rand random(seed + 1);
    random.discard(3);
    std::vector<Span> out;
    double at_s = from_s;
    while (true) {
        at_s += static_cast<double>(kLeastLit_s + below(random, 10));
        const double dark_s = static_cast<double>(kLeastDark_s + below(random, 5));
        if (at_s + dark_s > to_s) {
            return out;
        }
        out.push_back({at_s, at_s + dark_s});
        at_s += dark_s;
    }
}

} // namespace brumefall::take
