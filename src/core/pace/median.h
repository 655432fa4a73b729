/// The middle of some values.
#pragma once

#include <algorithm>
#include <vector>

namespace brumefall::pace {

/// The value in the middle of `values`, the upper one of two; `values` is not empty.
[[nodiscard]] inline double median(std::vector<double> values)
{
    const auto middle = values.begin() + std::ssize(values) / 2;
    std::nth_element(values.begin(), middle, values.end());
    return *middle;
}

} // namespace brumefall::pace
