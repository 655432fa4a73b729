#include "notes/weighted_reading.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

namespace brumefall::notes {
namespace {

constexpr double kNever = 1e9;
constexpr double kBeam = 14.0; ///< states that cost so much more than the best one are not followed
constexpr std::size_t kParts = static_cast<std::size_t>(Part::skipped) + 1;

/// Steps for every state, part and pause, made once for an order.
class StepTable {
public:
    explicit StepTable(Order order)
    {
        for (std::size_t state = 0; state < kStates; ++state) {
            for (std::size_t part = 0; part < kParts; ++part) {
                for (std::size_t pause = 0; pause < kPauses; ++pause) {
                    auto& steps = table_[(state * kParts + part) * kPauses + pause];
                    stepsFrom(State::at(state), static_cast<Part>(part), static_cast<Pause>(pause), order, steps);
                    keepCheapest(steps);
                }
            }
        }
    }

    [[nodiscard]] const std::vector<Step>& of(std::size_t state, Part part, Pause pause) const
    {
        return table_[(state * kParts + static_cast<std::size_t>(part)) * kPauses + static_cast<std::size_t>(pause)];
    }

private:
    static constexpr std::size_t kPauses = 5;

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

    std::array<std::vector<Step>, kStates * kParts * kPauses> table_;
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
    Reader(const Lattice& lattice, Order order)
        : lattice_(lattice)
        , table_(stepTable(order))
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
            reading.said.push_back({taken.part, taken.by, taken.words, taken.number, State::at(state), back.begins,
                taken.first, taken.last, how_sure ? sureOf(back.node, back.alternative, back.begins) : 1.0});
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
                        double& there = forward_[static_cast<std::size_t>(alternative.to) * kStates + step.to.index()];
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
                        sum = addLogs(sum, alternative.cost + step.cost + backward_[static_cast<std::size_t>(alternative.to) * kStates + step.to.index()]);
                    }
                }
                backward_[n * kStates + s] = sum;
            }
        }
        total_ = backward_[0];
    }

    /// The share of all paths that read the same words as the same part, whatever the state.
    [[nodiscard]] double sureOf(std::size_t node, std::size_t alternative, bool begins) const
    {
        const Alternative& taken = lattice_.from[node][alternative];
        double sum = kNever;
        for (const Alternative& same : lattice_.from[node]) {
            if (same.part != taken.part || same.words != taken.words || same.last != taken.last) {
                continue;
            }
            for (std::size_t s = 0; s < kStates; ++s) {
                const double own = forward_[node * kStates + s];
                if (own >= kNever) {
                    continue;
                }
                for (const Step& step : table_.of(s, same.part, lattice_.pause[node])) {
                    if (step.begins == begins) {
                        sum = addLogs(sum, own + same.cost + step.cost + backward_[static_cast<std::size_t>(same.to) * kStates + step.to.index()]);
                    }
                }
            }
        }
        return std::clamp(std::exp(total_ - sum), 0.0, 1.0);
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

} // namespace

Reading readLattice(const Lattice& lattice, Order order)
{
    return Reader(lattice, order).read(true);
}

Reading readLattice(const Lattice& lattice)
{
    const double number_first = Reader(lattice, Order::number_first).read(false).cost;
    const double direction_first = Reader(lattice, Order::direction_first).read(false).cost;
    return readLattice(lattice, number_first < direction_first ? Order::number_first : Order::direction_first);
}

} // namespace brumefall::notes
