#include "print/pages.h"

#include <algorithm>
#include <cmath>
#include <limits>
#include <map>
#include <stdexcept>
#include <string>

namespace brumefall::print {
namespace {

constexpr double kWished_s = 2.5; ///< to turn a page without haste
constexpr double kSqueeze = 12.0;
constexpr double kTight = 3.0;
constexpr double kUneven = 1.0;

/// Before which calls a squeeze goes on.
std::vector<bool> insideSqueeze(const plan::Plan& plan)
{
    std::map<std::string, std::size_t> index;
    for (std::size_t k = 0; k < plan.notes.size(); ++k) {
        index.emplace(plan.notes[k].id, k);
    }
    std::vector<bool> inside(plan.calls.size() + 1, false);
    for (const plan::Squeeze& squeeze : plan.squeezes) {
        const auto first = index.find(squeeze.first);
        const auto last = index.find(squeeze.last);
        if (first == index.end() || last == index.end()) {
            continue;
        }
        for (int c = plan.notes[first->second].call + 1; c <= plan.notes[last->second].call; ++c) {
            inside[static_cast<std::size_t>(c)] = true;
        }
    }
    return inside;
}

} // namespace

std::vector<Page> turnPages(const plan::Plan& plan, std::span<const double> heights, double room)
{
    if (!(room > 0.0)) {
        throw std::invalid_argument("a page needs room");
    }
    const std::size_t calls = std::min(plan.calls.size(), heights.size());
    const auto inside = insideSqueeze(plan);
    const auto turn_s = [&](std::size_t before) {
        return std::max(0.0, plan.calls[before].start_s - plan.calls[before - 1].end_s);
    };
    double total = 0.0;
    for (std::size_t c = 0; c < calls; ++c) {
        total += heights[c];
    }
    // as many pages as are needed, filled alike
    const double pages = std::max(1.0, std::ceil(total / room));
    const double even = std::min(room, total / pages);

    std::vector<double> cost(calls + 1, std::numeric_limits<double>::infinity());
    std::vector<std::size_t> from(calls + 1, 0);
    cost[0] = 0.0;
    for (std::size_t last = 1; last <= calls; ++last) {
        double filled = 0.0;
        for (std::size_t first = last; first-- > 0;) {
            filled += heights[first];
            if (filled > room && first + 1 < last) {
                break;
            }
            double here = 0.0;
            const double off = (filled - even) / room;
            const bool short_last = last == calls && filled < even;
            here += short_last ? 0.0 : kUneven * off * off;
            if (last < calls) {
                const double hurry = std::max(0.0, kWished_s - turn_s(last)) / kWished_s;
                here += 1.0 + kTight * hurry * hurry + (inside[last] ? kSqueeze : 0.0);
            }
            if (cost[first] + here < cost[last]) {
                cost[last] = cost[first] + here;
                from[last] = first;
            }
        }
    }
    std::vector<Page> out;
    for (std::size_t last = calls; last > 0; last = from[last]) {
        Page page{from[last], last, 0.0, false};
        if (last < calls) {
            page.turn_s = turn_s(last);
            page.in_squeeze = inside[last];
        }
        out.push_back(page);
    }
    std::reverse(out.begin(), out.end());
    return out;
}

} // namespace brumefall::print
