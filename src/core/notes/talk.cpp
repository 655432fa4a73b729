#include "notes/talk.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace brumefall::notes {
namespace {

constexpr double kAsNotes = 0.6; ///< of what talk is heard as; the rest is any word
constexpr double kChange = 6.0; ///< in natural logarithms of a likelihood
constexpr double kChangeAtPause = 3.0;

enum State : std::size_t { notes, talk };

} // namespace

std::vector<bool> talkAmong(std::span<const SpokenWord> words, const Succession& succession)
{
    constexpr double kLeast = 1e-5; ///< share of a word that no note holds
    const double any = 1.0 / std::max<double>(1.0, static_cast<double>(succession.words.size()));
    std::array<double, 2> best{0.0, -kChangeAtPause};
    std::vector<std::array<State, 2>> before;
    before.reserve(words.size());
    for (const SpokenWord& said : words) {
        const double share = std::max(kLeast, succession.shareOf(said.word));
        const std::array says{std::log(share), std::log(kAsNotes * share + (1.0 - kAsNotes) * any)};
        const double change = said.after_pause ? kChangeAtPause : kChange;
        std::array<double, 2> next{};
        std::array<State, 2> from{};
        for (const State state : {notes, talk}) {
            const State other = state == notes ? talk : notes;
            const bool stays = best[state] >= best[other] - change;
            from[state] = stays ? state : other;
            next[state] = (stays ? best[state] : best[other] - change) + says[state];
        }
        best = next;
        before.push_back(from);
    }
    std::vector<bool> out(words.size());
    State state = best[notes] >= best[talk] ? notes : talk;
    for (std::size_t i = words.size(); i-- > 0;) {
        out[i] = state == talk;
        state = before[i][state];
    }
    return out;
}

} // namespace brumefall::notes
