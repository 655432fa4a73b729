/// The value that a share of some values do not exceed.
#pragma once

#include <algorithm>
#include <span>
#include <vector>

namespace brumefall::maths {

/// The value that `share` (0 to 1) of `values` are not above. They are put in another order; there is one at
/// least.
template <typename T> [[nodiscard]] T quantile(std::span<T> values, double share)
{
    const auto at =
        values.begin() + static_cast<std::ptrdiff_t>(share * static_cast<double>(values.size() - 1));
    std::nth_element(values.begin(), at, values.end());
    return *at;
}

/// The value in the middle of `values`, the upper one of two; there is one at least.
template <typename T> [[nodiscard]] T median(std::vector<T> values)
{
    const auto middle = values.begin() + std::ssize(values) / 2;
    std::nth_element(values.begin(), middle, values.end());
    return *middle;
}

} // namespace brumefall::maths
