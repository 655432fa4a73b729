#include "notes/weighted_reading.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <map>
#include <optional>

namespace brumefall::notes {
namespace {

constexpr double kNever = 1e9;
constexpr double kBeam = 14.0; ///< states that cost so much more than the best one are not followed

/// Steps for every state, part and pause, made once for an order.
class StepTable {
public:
    explicit StepTable(Order order, const PauseCosts& costs = {})
        : table_(kStates * kParts * kPauses)
    {
        for (std::size_t state = 0; state < kStates; ++state) {
            for (std::size_t part = 0; part < kParts; ++part) {
                for (std::size_t pause = 0; pause < kPauses; ++pause) {
                    auto& steps = table_[(state * kParts + part) * kPauses + pause];
                    stepsFrom(State::at(state), static_cast<Part>(part), static_cast<Pause>(pause), order,
                        costs, steps);
                    keepCheapest(steps);
                }
            }
        }
    }

    [[nodiscard]] const std::vector<Step>& of(std::size_t state, Part part, Pause pause) const
    {
        return table_[(state * kParts + static_cast<std::size_t>(part)) * kPauses
            + static_cast<std::size_t>(pause)];
    }

private:
    static void keepCheapest(std::vector<Step>& steps)
    {
        std::stable_sort(steps.begin(), steps.end(), [](const Step& a, const Step& b) {
            return a.to.index() != b.to.index() ? a.to.index() < b.to.index() : a.cost < b.cost;
        });
        // two ways to one state: with a note that begins, and without
        steps.erase(std::unique(steps.begin(), steps.end(),
                        [](const Step& a, const Step& b) { return a.to == b.to && a.begins == b.begins; }),
            steps.end());
    }

    std::vector<std::vector<Step>> table_;
};

const StepTable& stepTable(Order order)
{
    static const StepTable number_first(Order::number_first);
    static const StepTable direction_first(Order::direction_first);
    return order == Order::number_first ? number_first : direction_first;
}

double addLogs(double a, double b) ///< -log(exp(-a) + exp(-b))
{
    const double low = std::min(a, b);
    const double high = std::max(a, b);
    return high - low > 30.0 ? low : low - std::log1p(std::exp(low - high));
}

class Reader {
public:
    Reader(const Lattice& lattice, Order order, const StepTable& table)
        : lattice_(lattice)
        , table_(table)
        , order_(order)
        , best_(lattice.from.size() * kStates, kNever)
        , back_(best_.size())
    {
    }

    Reading read(bool how_sure)
    {
        findBest();
        Reading reading;
        reading.order = order_;
        const auto end = static_cast<std::size_t>(lattice_.end());
        std::size_t state = 0;
        reading.cost = kNever;
        for (std::size_t s = 0; s < kStates; ++s) {
            const double cost = best_[end * kStates + s] + costToEnd(State::at(s));
            if (cost < reading.cost) {
                reading.cost = cost;
                state = s;
            }
        }
        if (reading.cost >= kNever) {
            return reading;
        }
        if (how_sure) {
            sumForward();
            sumBackward();
        }
        for (std::size_t node = end; node != 0;) {
            const Back& back = back_[node * kStates + state];
            const Alternative& taken = lattice_.from[back.node][back.alternative];
            reading.said.push_back({taken.part, taken.by, taken.words, taken.number, State::at(state),
                back.begins, taken.first, taken.last, 1.0, {}});
            if (how_sure) {
                Said& said = reading.said.back();
                said.sure = sureOf(back.node, taken, back.begins);
                constexpr double kNoDoubt = 0.9;
                said.otherwise = said.sure < kNoDoubt ? otherwise(back.node, taken) : std::string();
            }
            node = back.node;
            state = back.state;
        }
        std::reverse(reading.said.begin(), reading.said.end());
        return reading;
    }

private:
    struct Back {
        std::uint32_t node = 0;
        std::uint16_t alternative = 0;
        std::uint8_t state = 0;
        bool begins = false;
    };

    void findBest()
    {
        best_[0] = 0.0; // the start
        for (const int node : lattice_.order) {
            const auto n = static_cast<std::size_t>(node);
            const double* own = &best_[n * kStates];
            const double least = *std::min_element(own, own + kStates);
            for (std::size_t s = 0; s < kStates && least < kNever; ++s) {
                if (own[s] > least + kBeam) {
                    continue;
                }
                const auto& alternatives = lattice_.from[n];
                for (std::size_t a = 0; a < alternatives.size(); ++a) {
                    const auto to = static_cast<std::size_t>(alternatives[a].to) * kStates;
                    for (const Step& step : table_.of(s, alternatives[a].part, lattice_.pause[n])) {
                        const double cost = own[s] + alternatives[a].cost + step.cost;
                        const std::size_t at = to + step.to.index();
                        if (cost < best_[at]) {
                            best_[at] = cost;
                            back_[at] = {static_cast<std::uint32_t>(n), static_cast<std::uint16_t>(a),
                                static_cast<std::uint8_t>(s), step.begins};
                        }
                    }
                }
            }
        }
    }

    void sumForward()
    {
        forward_.assign(best_.size(), kNever);
        forward_[0] = 0.0;
        for (const int node : lattice_.order) {
            const auto n = static_cast<std::size_t>(node);
            const double least = *std::min_element(&forward_[n * kStates], &forward_[n * kStates] + kStates);
            for (std::size_t s = 0; s < kStates && least < kNever; ++s) {
                const double own = forward_[n * kStates + s];
                if (own > least + kBeam) {
                    continue;
                }
                for (const Alternative& alternative : lattice_.from[n]) {
                    for (const Step& step : table_.of(s, alternative.part, lattice_.pause[n])) {
                        double& there =
                            forward_[static_cast<std::size_t>(alternative.to) * kStates + step.to.index()];
                        there = addLogs(there, own + alternative.cost + step.cost);
                    }
                }
            }
        }
    }

    void sumBackward()
    {
        backward_.assign(best_.size(), kNever);
        const auto end = static_cast<std::size_t>(lattice_.end());
        for (std::size_t s = 0; s < kStates; ++s) {
            backward_[end * kStates + s] = costToEnd(State::at(s));
        }
        total_ = kNever;
        for (auto it = lattice_.order.rbegin(); it != lattice_.order.rend(); ++it) {
            const auto n = static_cast<std::size_t>(*it);
            const double least = *std::min_element(&forward_[n * kStates], &forward_[n * kStates] + kStates);
            for (std::size_t s = 0; s < kStates; ++s) {
                if (n == end || forward_[n * kStates + s] > least + kBeam) {
                    continue;
                }
                double sum = kNever;
                for (const Alternative& alternative : lattice_.from[n]) {
                    for (const Step& step : table_.of(s, alternative.part, lattice_.pause[n])) {
                        sum = addLogs(sum,
                            alternative.cost + step.cost
                                + backward_[static_cast<std::size_t>(alternative.to) * kStates
                                    + step.to.index()]);
                    }
                }
                backward_[n * kStates + s] = sum;
            }
        }
        total_ = backward_[0];
    }

    /// The share of all paths that read the same part there, however it is written and whatever the state.
    [[nodiscard]] double sureOf(std::size_t node, const Alternative& taken, bool begins) const
    {
        double sum = kNever;
        const bool within = isWithin(taken.to) || isWithin(static_cast<int>(node));
        for (std::size_t n = node; n == node || (!within && n < taken.last); ++n) {
            for (const Alternative& same : lattice_.from[n]) {
                const bool there = n == node ? same.last <= taken.last : same.last == taken.last;
                if (there && isWithin(same.to) == isWithin(taken.to) && meansTheSame(same, taken)) {
                    sum = addLogs(sum, sumOver(n, same, begins));
                }
            }
        }
        return std::clamp(std::exp(total_ - sum), 0.0, 1.0);
    }

    /// "keep middle" and "middle", "4" and "four"; "flat" as a grade and as a speed.
    static bool meansTheSame(const Alternative& a, const Alternative& b)
    {
        if (a.part != b.part) {
            return !a.words.empty() && a.words == b.words && std::max(a.part, b.part) < Part::glue;
        }
        return a.words == b.words || (a.number > 0 && a.number == b.number)
            || notes::meansTheSame(a.words, b.words);
    }

    /// All paths through one alternative; with a note that begins there, without one, or either.
    [[nodiscard]] double sumOver(
        std::size_t node, const Alternative& alternative, std::optional<bool> begins) const
    {
        double sum = kNever;
        for (std::size_t s = 0; s < kStates; ++s) {
            const double own = forward_[node * kStates + s];
            if (own >= kNever) {
                continue;
            }
            for (const Step& step : table_.of(s, alternative.part, lattice_.pause[node])) {
                if (!begins || step.begins == *begins) {
                    sum = addLogs(sum,
                        own + alternative.cost + step.cost
                            + backward_[static_cast<std::size_t>(alternative.to) * kStates
                                + step.to.index()]);
                }
            }
        }
        return sum;
    }

    /// The words that are likeliest in place of `taken`, of the whole stretch that it was heard in.
    [[nodiscard]] std::string otherwise(std::size_t node, const Alternative& taken) const
    {
        double best = kNever;
        std::string words;
        for (const Alternative& other : lattice_.from[node]) {
            if (other.words == taken.words || other.last > taken.last
                || (isWithin(taken.to) && other.to != taken.to)) {
                continue;
            }
            const double sum = sumOver(node, other, {});
            if (sum >= best) {
                continue;
            }
            const auto whole = isWithin(taken.to) ? other.words : saidUpTo(taken.last, other);
            if (whole && *whole != taken.words && !notes::meansTheSame(*whole, taken.words)) {
                best = sum;
                words = whole->empty() ? "nothing" : *whole;
            }
        }
        constexpr double kUnlikely = 4.0;
        return best - total_ < kUnlikely ? words : std::string();
    }

    /// Whether a node lies within a stretch of words that holds several parts.
    [[nodiscard]] bool isWithin(int node) const { return node > lattice_.end(); }

    /// The words of `begun` and of what most likely follows it up to heard word `last`; nothing where that
    /// would be said across `last`.
    [[nodiscard]] std::optional<std::string> saidUpTo(std::size_t last, const Alternative& begun) const
    {
        std::string words = begun.words;
        auto node = static_cast<std::size_t>(begun.to);
        for (const Alternative* at = &begun; at->last < last || isWithin(at->to);) {
            const Alternative* likeliest = nullptr;
            double best = kNever;
            for (const Alternative& next : lattice_.from[node]) {
                if (const double sum = sumOver(node, next, {}); sum < best) {
                    best = sum;
                    likeliest = &next;
                }
            }
            if (likeliest == nullptr || likeliest->last > last) {
                return std::nullopt;
            }
            words += (words.empty() || likeliest->words.empty() ? "" : " ") + likeliest->words;
            at = likeliest;
            node = static_cast<std::size_t>(at->to);
        }
        return words;
    }

    const Lattice& lattice_;
    const StepTable& table_;
    Order order_;
    std::vector<double> best_;
    std::vector<Back> back_;
    std::vector<double> forward_;
    std::vector<double> backward_;
    double total_ = 0.0;
};

/// How a file's own pauses fall, where it shows enough of them; the usual costs weigh as much as `kUsual`
/// pauses.
PauseCosts costsOf(const Reading& reading, const Lattice& lattice)
{
    constexpr double kUsual = 120.0;
    constexpr double kMostDearer = 1.0; // who has one note a block says two of them at times
    std::array<double, kPauses> within{};
    std::array<double, kPauses> between{};
    Kind before = Kind::start;
    for (const Said& said : reading.said) {
        const bool free = before == Kind::start || before == Kind::after_distance
            || before == Kind::after_into || before == Kind::talk || before == Kind::corner_and;
        const bool tells = said.part < Part::glue && said.part != Part::distance && said.part != Part::into
            && said.part != Part::and_;
        if (!free && tells && said.first < lattice.words.size()) {
            (said.begins ? between : within)[static_cast<std::size_t>(lattice.words[said.first].pause)] +=
                said.sure;
        }
        before = said.state.kind;
    }
    PauseCosts costs;
    for (std::size_t p = 0; p < within.size(); ++p) {
        const double usual =
            std::exp(-costs.between[p]) / (std::exp(-costs.between[p]) + std::exp(-costs.within[p]));
        const double here = (between[p] + kUsual * usual) / (between[p] + within[p] + kUsual);
        costs.between[p] = std::max(0.0, costs.between[p] + std::min(kMostDearer, std::log(usual / here)));
        costs.within[p] = std::max(0.0, costs.within[p] + std::log((1.0 - usual) / (1.0 - here)));
    }
    return costs;
}

/// Mishearings that recur are cheaper where they occur again, and so are words shown again at edges, where
/// most edges show them; grades that the crew does not use are dearer. "Fifteen" is dearer where the
/// crew counts in tens (it is fifty), and cheaper where it says fives.
void adapt(Lattice& lattice, const Reading& reading)
{
    std::map<std::pair<std::string, std::string>, double> heard_as;
    constexpr int kFifteen = 15;
    std::array<double, 10> grades{};
    double corners = 0.0;
    double shown_again = 0.0;
    double tens = 0.0;
    double fives = 0.0;
    const auto heard = [&](std::size_t first, std::size_t last) {
        std::string text;
        for (std::size_t i = first; i < last; ++i) {
            text += lattice.words[i].word + ' ';
        }
        return text;
    };
    for (const Said& said : reading.said) {
        if (said.by == By::sound && said.state.kind != Kind::talk) {
            heard_as[{heard(said.first, said.last), said.words}] += said.sure;
        }
        if (said.part == Part::grade && said.number < 10) {
            grades[static_cast<std::size_t>(said.number)] += said.sure;
            corners += said.sure;
        }
        if (said.part == Part::distance && said.number != kFifteen) {
            (said.number % 10 == 0 ? tens : fives) += said.sure;
        }
        if (said.by == By::shown_again && isEdge(lattice.words[said.first].pause)) {
            shown_again += said.sure;
        }
    }
    constexpr double kEnough = 25.0;
    constexpr double kMany = 0.25; // of all edges
    constexpr double kShownAgain = 0.5;
    const auto edges = std::count_if(
        lattice.words.begin(), lattice.words.end(), [](const HeardWord& word) { return isEdge(word.pause); });
    constexpr double kManyTens = 12.0;
    constexpr double kFewFives = 0.1; // of all distances
    constexpr double kFifteenIsFifty = 1.0;
    const double fifteen = fives > kFewFives * (tens + fives) ? -kFifteenIsFifty
        : tens > kManyTens && fives < 1.0                     ? kFifteenIsFifty
                                                              : 0.0;
    const bool shows_again = shown_again > kMany * static_cast<double>(edges);
    for (auto& alternatives : lattice.from) {
        for (Alternative& alternative : alternatives) {
            if (alternative.by == By::sound) {
                const auto it =
                    heard_as.find({heard(alternative.first, alternative.last), alternative.words});
                if (it != heard_as.end() && it->second > 1.2) {
                    alternative.cost -= std::min(1.0, 0.5 * std::log(it->second));
                }
            }
            if (shows_again && alternative.by == By::shown_again
                && isEdge(lattice.words[alternative.first].pause)) {
                alternative.cost -= kShownAgain;
            }
            if (alternative.part == Part::distance && alternative.number == kFifteen) {
                alternative.cost += fifteen;
            }
            if (alternative.part == Part::grade && corners > kEnough && alternative.number < 10) {
                const double share =
                    (grades[static_cast<std::size_t>(alternative.number)] + 2.0) / (corners + 12.0);
                alternative.cost += std::clamp(-std::log(6.0 * share), -0.2, 0.9);
            }
        }
    }
}

} // namespace

Reading readLattice(Lattice& lattice, std::optional<Order> order)
{
    if (!order) {
        const auto costIn = [&](Order way) { return Reader(lattice, way, stepTable(way)).read(false).cost; };
        order = costIn(Order::number_first) < costIn(Order::direction_first) ? Order::number_first
                                                                             : Order::direction_first;
    }
    const Reading first = Reader(lattice, *order, stepTable(*order)).read(true);
    constexpr std::size_t kWorthIt = 60; // fewer words show no habit
    if (first.said.size() < kWorthIt) {
        return first;
    }
    adapt(lattice, first);
    return Reader(lattice, *order, StepTable(*order, costsOf(first, lattice))).read(true);
}

} // namespace brumefall::notes
