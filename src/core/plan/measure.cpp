#include "plan/measure.h"

#include <algorithm>
#include <vector>

namespace brumefall::plan {

std::optional<Reader> measuredReader(const Reader& reader, std::span<const MeasuredTake> takes)
{
    constexpr double kOldWeighs = 2.0;
    constexpr double kReserve =
        1.08; // a reader can be somewhat quicker for a few calls than over a whole take
    std::vector<double> rates;
    double longest_s = 0.0;
    for (const MeasuredTake& take : takes) {
        if (take.rate_syll_s > 1.0 && take.rate_syll_s < 15.0) {
            rates.push_back(take.rate_syll_s);
            longest_s = std::max(longest_s, take.longest_run_s);
        }
    }
    if (rates.empty()) {
        return {};
    }
    std::sort(rates.begin(), rates.end());
    const auto n = static_cast<double>(rates.size());
    const auto blend = [&](double old_value, double measured) {
        return (kOldWeighs * old_value + n * measured) / (kOldWeighs + n);
    };
    Reader measured = reader;
    measured.rate_syll_s = blend(reader.rate_syll_s, rates[rates.size() / 2]);
    measured.fastest_syll_s =
        std::max(measured.rate_syll_s, blend(reader.fastest_syll_s, kReserve * rates.back()));
    measured.longest_run_s = longest_s > 1.0 ? blend(reader.longest_run_s, longest_s) : reader.longest_run_s;
    return measured;
}

} // namespace brumefall::plan
