#include "notes/succession.h"

#include "notes/part.h"
#include "notes/sound_targets.h"
#include "notes/text.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>
#include <iterator>
#include <map>
#include <numeric>
#include <span>
#include <utility>

namespace brumefall::notes {
namespace {

using Shares = std::array<double, kParts>;

/// How often each part is said where all would be as likely.
Shares usualShares()
{
    Shares shares{};
    constexpr std::array<std::pair<Part, double>, 31> kUsual{{{Part::left, 1.0}, {Part::right, 1.0},
        {Part::grade, 2.0}, {Part::distance, 1.2}, {Part::into, 0.6}, {Part::relation, 0.2},
        {Part::position, 0.1}, {Part::crest, 0.3}, {Part::shape, 0.3}, {Part::extent, 0.3}, {Part::cut, 0.25},
        {Part::modifier, 0.3}, {Part::thing, 0.3}, {Part::named_grade, 0.25}, {Part::keep, 0.12},
        {Part::warning, 0.15}, {Part::and_, 0.15}, {Part::to, 0.1}, {Part::late, 0.06}, {Part::unseen, 0.05},
        {Part::attribute, 0.12}, {Part::size, 0.06}, {Part::count, 0.03}, {Part::speed, 0.02},
        {Part::flat_out, 0.01}, {Part::junction, 0.06}, {Part::chicane, 0.03}, {Part::maybe, 0.03},
        {Part::finish, 0.03}, {Part::stop, 0.02}, {Part::go, 0.02}}};
    for (const auto& [part, share] : kUsual) {
        shares[static_cast<std::size_t>(part)] = share;
    }
    return shares;
}

/// How the parts follow each other, in the long run.
class PartChain {
public:
    explicit PartChain(std::span<const Order> orders)
    {
        for (const Order order : orders) {
            addOrder(order, 1.0 / static_cast<double>(orders.size()));
        }
        // where a stage ends the stop comes next, which the steps of a reading cannot know
        constexpr double kStopAfterFinish = 0.8;
        Shares& finish = pairs[static_cast<std::size_t>(Part::finish)];
        const double all = std::accumulate(finish.begin(), finish.end(), 0.0);
        for (double& next : finish) {
            next *= 1.0 - kStopAfterFinish;
        }
        finish[static_cast<std::size_t>(Part::stop)] += kStopAfterFinish * all;
    }

    std::array<Shares, kParts> pairs{}; ///< a part, and the one after it; they sum to 1
    Shares begins{};

private:
    struct Move {
        Part part;
        std::size_t to;
        double probability;
    };

    static std::vector<Move> movesFrom(std::size_t state, Order order)
    {
        // what a reading allows, as it may have been heard so, is hardly ever what is said
        constexpr double kSharp = 3.0;
        static const Shares usual = usualShares();
        constexpr std::array<std::pair<Pause, double>, 2> kUsualPauses{
            {{Pause::none, 0.7}, {Pause::stop, 0.3}}};
        std::vector<Move> moves;
        double sum = 0.0;
        std::vector<Step> steps;
        for (std::size_t part = 0; part < kParts; ++part) {
            for (const auto& [pause, share] : kUsualPauses) {
                if (usual[part] <= 0.0) {
                    continue;
                }
                steps.clear();
                stepsFrom(State::at(state), static_cast<Part>(part), pause, order, {}, steps);
                for (const Step& step : steps) {
                    if (step.to.kind != Kind::talk) {
                        const double p = usual[part] * share * std::exp(-kSharp * step.cost);
                        moves.push_back({static_cast<Part>(part), step.to.index(), p});
                        sum += p;
                    }
                }
            }
        }
        for (Move& move : moves) {
            move.probability /= sum;
        }
        return moves;
    }

    void addOrder(Order order, double weight)
    {
        std::vector<std::vector<Move>> moves;
        for (std::size_t state = 0; state < kStates; ++state) {
            moves.push_back(movesFrom(state, order));
        }
        constexpr int kSteps = 60; // until it stands still
        std::vector<double> now(kStates, 0.0);
        now[State{}.index()] = 1.0;
        for (const Move& move : moves[State{}.index()]) {
            begins[static_cast<std::size_t>(move.part)] += weight * move.probability;
        }
        for (int i = 0; i < kSteps; ++i) {
            std::vector<double> next(kStates, 0.0);
            for (std::size_t state = 0; state < kStates; ++state) {
                for (const Move& move : moves[state]) {
                    next[move.to] += now[state] * move.probability;
                }
            }
            now = std::move(next);
        }
        for (std::size_t state = 0; state < kStates; ++state) {
            for (const Move& first : moves[state]) {
                for (const Move& next : moves[first.to]) {
                    pairs[static_cast<std::size_t>(first.part)][static_cast<std::size_t>(next.part)] +=
                        weight * now[state] * first.probability * next.probability;
                }
            }
        }
    }
};

/// Phrases with how likely each is where its part is said.
struct Phrase {
    Part part;
    std::vector<std::string> words;
    double share;
};

std::vector<Phrase> phrasesOf(const Style& style)
{
    constexpr double kRare = 0.01; ///< a phrase that not every crew has, against one that has
    constexpr int kUsualGrades = 6;
    constexpr double kManyGrades = 0.1; ///< few crews have more of them
    std::vector<Phrase> phrases;
    for (const SaidPhrase& said : usualPhrases()) {
        const bool many = said.part == Part::grade && said.number > kUsualGrades;
        phrases.push_back({said.part, said.words, many ? kManyGrades : said.common ? 1.0 : kRare});
    }
    for (const char* go : {"go", "three two one go", "five four three two one go"}) {
        phrases.push_back({Part::go, splitWords(go), 1.0});
    }
    for (const auto& [own, meant] : style.words) {
        const auto as_meant = std::find_if(phrases.begin(), phrases.end(),
            [&meaning = meant](const Phrase& phrase) { return joinWords(phrase.words) == meaning; });
        phrases.push_back(
            {as_meant == phrases.end() ? Part::attribute : as_meant->part, splitWords(own), 1.0});
    }
    Shares sums{};
    for (const Phrase& phrase : phrases) {
        sums[static_cast<std::size_t>(phrase.part)] += phrase.share;
    }
    for (Phrase& phrase : phrases) {
        phrase.share /= sums[static_cast<std::size_t>(phrase.part)];
    }
    std::erase_if(phrases, [](const Phrase& phrase) { return phrase.words.empty(); });
    return phrases;
}

} // namespace

std::optional<std::size_t> Succession::indexOf(std::string_view word) const
{
    const auto at = std::lower_bound(words.begin(), words.end(), word);
    return at == words.end() || *at != word ? std::nullopt
                                            : std::optional(static_cast<std::size_t>(at - words.begin()));
}

double Succession::shareOf(std::string_view word) const
{
    const auto index = indexOf(word);
    return index ? share[*index] : 0.0;
}

double Succession::probabilityOf(std::string_view first, std::string_view next) const
{
    const auto from = indexOf(first);
    const auto to = indexOf(next);
    if (!from || !to) {
        return 0.0;
    }
    const auto pair = std::lower_bound(pairs.begin(), pairs.end(), std::pair(*from, *to),
        [](const Pair& a, const std::pair<std::size_t, std::size_t>& b) {
            return std::pair(a.first, a.next) < b;
        });
    return pair == pairs.end() || pair->first != *from || pair->next != *to ? 0.0 : pair->probability;
}

Succession succession(std::optional<Order> order, const Style& style, const std::string& alone)
{
    constexpr double kAlone = 0.15; ///< of what is said between two silences
    const auto orders =
        order ? std::vector{*order} : std::vector{Order::direction_first, Order::number_first};
    const PartChain chain(orders);
    const auto phrases = phrasesOf(style);
    std::map<std::string, std::size_t> index;
    for (const Phrase& phrase : phrases) {
        for (const std::string& word : phrase.words) {
            index.emplace(word, 0);
        }
    }
    const auto alone_words = splitWords(alone);
    for (const std::string& word : alone_words) {
        index.emplace(word, 0);
    }
    Succession out;
    for (auto& [word, at] : index) {
        at = out.words.size();
        out.words.push_back(word);
    }
    const std::size_t n = out.words.size();
    out.share.assign(n, 0.0);
    out.begins.assign(n, 0.0);
    std::vector<double> unfinished(n, 0.0); // how often a word ends a part that leans on the next one
    // by part: its phrases' first and last words
    std::array<std::map<std::size_t, double>, kParts> first;
    std::array<std::map<std::size_t, double>, kParts> last;
    std::vector<double> counts(n * n, 0.0); // by the first word, then the next
    Shares said{};
    for (std::size_t a = 0; a < kParts; ++a) {
        for (std::size_t b = 0; b < kParts; ++b) {
            said[a] += chain.pairs[a][b];
        }
    }
    for (const Phrase& phrase : phrases) {
        const auto part = static_cast<std::size_t>(phrase.part);
        first[part][index[phrase.words.front()]] += phrase.share;
        last[part][index[phrase.words.back()]] += phrase.share;
        if (phrase.part == Part::relation || phrase.part == Part::to) {
            unfinished[index[phrase.words.back()]] += said[part] * phrase.share;
        }
        for (std::size_t w = 0; w < phrase.words.size(); ++w) {
            out.share[index[phrase.words[w]]] += said[part] * phrase.share;
            if (w > 0) {
                counts[index[phrase.words[w - 1]] * n + index[phrase.words[w]]] += said[part] * phrase.share;
            }
        }
        out.begins[index[phrase.words.front()]] += chain.begins[part] * phrase.share;
    }
    for (std::size_t a = 0; a < kParts; ++a) {
        for (std::size_t b = 0; b < kParts; ++b) {
            if (chain.pairs[a][b] <= 0.0) {
                continue;
            }
            for (const auto& [from, ends] : last[a]) {
                for (const auto& [to, starts] : first[b]) {
                    counts[from * n + to] += chain.pairs[a][b] * ends * starts;
                }
            }
        }
    }
    if (!alone_words.empty()) {
        for (double& begins : out.begins) {
            begins *= 1.0 - kAlone;
        }
        out.begins[index[alone_words.front()]] += kAlone;
    }
    for (std::size_t w = 1; w < alone_words.size(); ++w) {
        counts[index[alone_words[w - 1]] * n + index[alone_words[w]]] += kAlone;
    }
    constexpr double kKept = 0.95; ///< the rest is for what nobody thought of
    constexpr double kLeast = 2e-5;
    for (std::size_t from = 0; from < n; ++from) {
        const std::span<const double> next = std::span(counts).subspan(from * n, n);
        const double all = std::accumulate(next.begin(), next.end(), 0.0);
        for (std::size_t to = 0; to < n; ++to) {
            const double p = all > 0.0 ? kKept * next[to] / all : 0.0;
            if (p >= kLeast) {
                out.pairs.push_back({from, to, p});
            }
        }
    }
    constexpr double kEnds = 0.1;
    constexpr double kEndsUnfinished = 0.005;
    for (std::size_t w = 0; w < n; ++w) {
        const double part = out.share[w] > 0.0 ? std::min(1.0, unfinished[w] / out.share[w]) : 0.0;
        out.ends.push_back(kEnds + part * (kEndsUnfinished - kEnds));
    }
    constexpr double kFloor = 1e-5;
    double sum = 0.0;
    for (double& share : out.share) {
        share += kFloor;
        sum += share;
    }
    for (double& share : out.share) {
        share /= sum;
    }
    return out;
}

std::string arpaOf(const Succession& s, const std::vector<std::string>& talk)
{
    constexpr double kEnds = 0.1; ///< of all that is said
    constexpr double kBegins = 0.95;
    std::string text;
    const auto line = [&](double probability, const std::string& words, double back_off) {
        std::array<char, 32> number{};
        std::snprintf(number.data(), number.size(), "%.4f\t", std::log10(std::max(probability, 1e-99)));
        text += number.data() + words;
        if (back_off > 0.0) {
            std::snprintf(number.data(), number.size(), "\t%.4f", std::log10(back_off));
            text += number.data();
        }
        text += "\n";
    };
    const std::size_t n = s.words.size();
    std::vector<double> kept = s.ends;
    std::vector<double> shares(n, kEnds);
    // what is as rare is as well heard by its words alone, and reading all pairs takes as long as hearing
    // seconds
    constexpr double kLeast = 1e-4;
    std::vector<Succession::Pair> pairs;
    std::copy_if(s.pairs.begin(), s.pairs.end(), std::back_inserter(pairs),
        [](const Succession::Pair& pair) { return pair.probability >= kLeast; });
    for (const auto& pair : pairs) {
        kept[pair.first] += (1.0 - s.ends[pair.first]) * pair.probability;
        shares[pair.first] += (1.0 - kEnds) * s.share[pair.next];
    }
    double begins = 0.0;
    double begun_shares = 0.0;
    std::size_t beginnings = 0;
    for (std::size_t w = 0; w < n; ++w) {
        if (s.begins[w] > 0.0) {
            begins += kBegins * s.begins[w];
            begun_shares += (1.0 - kEnds) * s.share[w];
            ++beginnings;
        }
    }
    const auto rest = [](double kept_mass, double shared_mass) {
        return std::max(1e-4, (1.0 - kept_mass) / std::max(1e-4, 1.0 - shared_mass));
    };
    const std::size_t talk_pairs = talk.size() * (1 + n + talk.size() + beginnings + 1);
    text += "\\data\\\nngram 1=" + std::to_string(n + 2 + talk.size())
        + "\nngram 2=" + std::to_string(pairs.size() + n + beginnings + talk_pairs) + "\n\n\\1-grams:\n";
    line(1e-99, "<s>", rest(begins, begun_shares));
    line(kEnds, "</s>", 0.0);
    for (std::size_t w = 0; w < n; ++w) {
        line((1.0 - kEnds) * s.share[w], s.words[w], rest(kept[w], shares[w]));
    }
    for (const std::string& sound : talk) {
        line(kTalk, sound, 1.0);
    }
    const auto talkAfter = [&](const std::string& word) {
        for (const std::string& sound : talk) {
            line(kTalk, word + " " + sound, 0.0);
        }
    };
    text += "\n\\2-grams:\n";
    for (std::size_t w = 0; w < n; ++w) {
        if (s.begins[w] > 0.0) {
            line(kBegins * s.begins[w], "<s> " + s.words[w], 0.0);
        }
    }
    talkAfter("<s>");
    for (const std::string& sound : talk) {
        line(kEnds, sound + " </s>", 0.0);
        for (std::size_t w = 0; w < n; ++w) {
            if (s.begins[w] > 0.0) {
                line(kBegins * s.begins[w], sound + " " + s.words[w], 0.0);
            }
        }
        talkAfter(sound);
    }
    std::size_t at = 0;
    for (std::size_t w = 0; w < n; ++w) {
        talkAfter(s.words[w]);
        line(s.ends[w], s.words[w] + " </s>", 0.0);
        for (; at < pairs.size() && pairs[at].first == w; ++at) {
            line((1.0 - s.ends[w]) * pairs[at].probability, s.words[w] + " " + s.words[pairs[at].next], 0.0);
        }
    }
    text += "\n\\end\\\n";
    return text;
}

} // namespace brumefall::notes
