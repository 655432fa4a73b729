#include "pace/bends.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>

namespace brumefall::pace {
namespace {

constexpr std::size_t kMostTerms = 5; // the heading before, and the turns of at most four bends

double square(double x)
{
    return x * x;
}

/// Mean over [a, b] of a ramp from 0 at `from` to 1 at `to`.
double meanRamp(double a, double b, double from, double to)
{
    const auto integral = [&](double x) { // of the ramp up to x
        if (x <= from) {
            return 0.0;
        }
        return x < to ? 0.5 * (x - from) * (x - from) / (to - from) : 0.5 * (to - from) + (x - to);
    };
    return (integral(b) - integral(a)) / std::max(b - a, 1e-6);
}

/// Least squares of a few unknowns by normal equations; small and well posed thanks to the priors.
class Squares {
public:
    explicit Squares(std::size_t terms)
        : terms_(terms)
    {
    }

    void add(const std::array<double, kMostTerms>& row, double value, double sigma)
    {
        const double weight = 1.0 / (sigma * sigma);
        for (std::size_t i = 0; i < terms_; ++i) {
            for (std::size_t j = 0; j < terms_; ++j) {
                normal_[i][j] += weight * row[i] * row[j];
            }
            right_[i] += weight * row[i] * value;
        }
        sum_ += weight * value * value;
    }

    /// The least sum of squares; the solution in `x`.
    double solve(std::array<double, kMostTerms>& x) const
    {
        auto a = normal_;
        auto b = right_;
        for (std::size_t i = 0; i < terms_; ++i) {
            const double pivot = std::max(a[i][i], 1e-12);
            for (std::size_t j = i + 1; j < terms_; ++j) {
                const double factor = a[j][i] / pivot;
                for (std::size_t k = i; k < terms_; ++k) {
                    a[j][k] -= factor * a[i][k];
                }
                b[j] -= factor * b[i];
            }
        }
        for (std::size_t i = terms_; i-- > 0;) {
            x[i] = b[i];
            for (std::size_t k = i + 1; k < terms_; ++k) {
                x[i] -= a[i][k] * x[k];
            }
            x[i] /= std::max(a[i][i], 1e-12);
        }
        double explained = 0.0;
        for (std::size_t i = 0; i < terms_; ++i) {
            explained += x[i] * right_[i];
        }
        return sum_ - explained;
    }

private:
    std::size_t terms_;
    std::array<std::array<double, kMostTerms>, kMostTerms> normal_{};
    std::array<double, kMostTerms> right_{};
    double sum_ = 0.0;
};

class Refiner {
public:
    Refiner(std::span<const Chord> chords, std::vector<Bend>& bends)
        : chords_(chords)
        , bends_(bends)
    {
    }

    void refine()
    {
        for (const double step_m : {4.0, 2.0, 1.0, 0.5}) {
            for (int round = 0; round < 3; ++round) {
                for (std::size_t c = 0; c < bends_.size(); ++c) {
                    improve(c, step_m);
                }
            }
        }
    }

private:
    void improve(std::size_t c, double step_m)
    {
        Bend best = bends_[c];
        double best_cost = cost(c);
        const Bend start = best;
        for (int i = -3; i <= 3; ++i) {
            for (int j = -3; j <= 3; ++j) {
                Bend& bend = bends_[c];
                bend.from_m = start.from_m + (start.known ? 0.0 : i * step_m);
                bend.to_m = start.to_m + j * step_m;
                const bool fits = bend.to_m > bend.from_m + 3.0
                    && (c == 0 || bend.from_m >= bends_[c - 1].to_m)
                    && (c + 1 == bends_.size() || bend.to_m <= bends_[c + 1].from_m);
                if (!fits) {
                    continue;
                }
                if (const double now = cost(c); now < best_cost - 1e-9) {
                    best_cost = now;
                    best = bend;
                }
            }
        }
        bends_[c] = best;
    }

    /// Sum of squares of the chords around bend `c` and of what the notes say of it.
    [[nodiscard]] double cost(std::size_t c)
    {
        const std::size_t first = c > 0 ? c - 1 : 0;
        const std::size_t last = std::min(c + 1, bends_.size() - 1);
        const double from_m =
            first > 0 ? 0.5 * (bends_[first - 1].to_m + bends_[first].from_m) : bends_[first].from_m - 60.0;
        const double to_m = last + 1 < bends_.size() ? 0.5 * (bends_[last].to_m + bends_[last + 1].from_m)
                                                     : bends_[last].to_m + 60.0;
        const std::size_t terms = last - first + 2;
        Squares squares(terms);
        auto chord = std::lower_bound(
            chords_.begin(), chords_.end(), from_m, [](const Chord& a, double m) { return a.from_m < m; });
        if (chord == chords_.end()) {
            return std::numeric_limits<double>::infinity();
        }
        const double base = chord->heading_rad;
        for (; chord != chords_.end() && chord->to_m <= to_m; ++chord) {
            std::array<double, kMostTerms> row{1.0};
            for (std::size_t b = first; b <= last; ++b) {
                row[b - first + 1] = meanRamp(chord->from_m, chord->to_m, bends_[b].from_m, bends_[b].to_m);
            }
            squares.add(row, chord->heading_rad - base, chord->sigma_rad);
        }
        for (std::size_t b = first; b <= last; ++b) {
            std::array<double, kMostTerms> row{};
            row[b - first + 1] = 1.0;
            const double noted = bends_[b].noted_turn_rad;
            squares.add(row, noted, std::max(0.2, 0.4 * std::abs(noted)));
        }
        std::array<double, kMostTerms> solution{};
        double sum = squares.solve(solution);
        bends_[c].turn_rad = solution[c - first + 1];
        sum += notedCost(c);
        return c + 1 < bends_.size() ? sum + gapCost(c + 1) : sum;
    }

    [[nodiscard]] double notedCost(std::size_t c) const
    {
        const Bend& bend = bends_[c];
        const double length = (bend.to_m - bend.from_m) / std::max(bend.noted_length_m, 1.0);
        return square(std::log(length) / 0.4) + gapCost(c);
    }

    [[nodiscard]] double gapCost(std::size_t c) const
    {
        if (c == 0) {
            return 0.0;
        }
        const double gap_m = bends_[c].from_m - bends_[c - 1].to_m;
        return square((gap_m - bends_[c].noted_gap_before_m) / (4.0 + 0.18 * bends_[c].noted_gap_before_m));
    }

    std::span<const Chord> chords_;
    std::vector<Bend>& bends_;
};

} // namespace

void refineBends(std::span<const Chord> chords, std::vector<Bend>& bends)
{
    if (!chords.empty() && !bends.empty()) {
        Refiner(chords, bends).refine();
    }
}

} // namespace brumefall::pace
