#include "notes/near_misses.h"

#include <algorithm>
#include <array>
#include <span>
#include <string_view>

namespace brumefall::notes {
namespace {

constexpr std::array<std::string_view, 6> kNamedCorners{
    "hairpin", "square", "acute", "kink", "flat", "slight"};

/// Words of one slot; the last may be empty: such a word could also be dropped.
struct Slot {
    Spoken what;
    std::vector<std::string_view> words;
    bool can_drop = false;
};

const std::vector<Slot>& slots()
{
    static const std::vector<Slot> kSlots{
        {Spoken::note, {"left", "right"}},
        {Spoken::note, {"one", "two", "three", "four", "five", "six"}},
        {Spoken::note, {kNamedCorners.begin(), kNamedCorners.end()}},
        {Spoken::note, {"tightens", "opens"}},
        {Spoken::note, {"plus", "minus"}, true},
        {Spoken::note, {"don't"}, true},
        {Spoken::note, {"in", "out"}},
        {Spoken::distance,
            {"ten", "twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"}},
        {Spoken::distance, {"one", "two", "three", "four", "five"}},
    };
    return kSlots;
}

} // namespace

bool isNamedCorner(std::string_view word)
{
    return std::find(kNamedCorners.begin(), kNamedCorners.end(), word) != kNamedCorners.end();
}

std::vector<std::vector<std::string>> nearMisses(const std::vector<std::string>& words, Spoken what)
{
    std::vector<std::vector<std::string>> out(words.size());
    for (std::size_t w = 0; w < words.size(); ++w) {
        for (const Slot& slot : slots()) {
            if (slot.what != what
                || std::find(slot.words.begin(), slot.words.end(), words[w]) == slot.words.end()) {
                continue;
            }
            for (const std::string_view other : slot.words) {
                if (other != words[w]) {
                    out[w].emplace_back(other);
                }
            }
            if (slot.can_drop && words.size() > 1) {
                out[w].emplace_back();
            }
        }
    }
    return out;
}

bool canBeDropped(const std::vector<std::string>& misses)
{
    return std::any_of(misses.begin(), misses.end(), [](const std::string& miss) { return miss.empty(); });
}

} // namespace brumefall::notes
