#include "tune/staircase.h"

#include "tune/leads.h"

#include <algorithm>
#include <numeric>

namespace brumefall::tune {
namespace {

constexpr double kLeastStep_s = 0.05;
constexpr int kTurns = 4;
constexpr int kPassed = 5;

} // namespace

void Staircase::press(Said said)
{
    if (last_ && *last_ != said) {
        step_s_ = std::max(kLeastStep_s, 0.5 * step_s_);
        turns_s_.push_back(lead_s_);
    }
    last_ = said;
    ++presses_;
    passed_ = 0;
    lead_s_ = std::clamp(lead_s_ + (said == Said::earlier ? step_s_ : -step_s_), 0.0, kMostLead_s);
}

void Staircase::pass()
{
    ++passed_;
}

bool Staircase::isSettled() const
{
    return turns() >= kTurns || (presses_ > 0 && passed_ >= kPassed);
}

std::optional<double> Staircase::estimate_s() const
{
    if (presses_ == 0) {
        return {};
    }
    if (passed_ >= 2 || turns_s_.size() < 2) {
        return lead_s_; // what was let pass is what is wished
    }
    // the first turn is still far off
    const auto from = turns_s_.size() > 2 ? turns_s_.begin() + 1 : turns_s_.begin();
    const double sum = std::accumulate(from, turns_s_.end(), lead_s_);
    return sum / static_cast<double>(turns_s_.end() - from + 1);
}

} // namespace brumefall::tune
