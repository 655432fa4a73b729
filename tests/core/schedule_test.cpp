#include "plan/schedule.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>

using namespace brumefall::plan;

namespace {

constexpr double kLambda = 4.0;

CallToPlan callEndingAt(double ideal_s, double length_s = 1.0, double gap_s = 0.3)
{
    return {{{length_s, ideal_s, 1.0}}, length_s + gap_s, {}};
}

double derivative(const CallToPlan& call, double start_s, double lambda)
{
    double sum = 0.0;
    for (const auto& note : call.notes) {
        const double x = start_s + note.end_offset_s - note.ideal_s;
        sum += 2.0 * note.weight * x * (x > 0.0 ? lambda : 1.0);
    }
    return sum;
}

/// The optimum's certificate (Karush, Kuhn and Tucker): within every run of calls that touch, no head of
/// the run would gain by moving sooner (the running sum of derivatives never exceeds the whole), and the
/// whole run would not gain by moving: its sum is zero, or not below zero where the run starts at go.
void certify(
    const std::vector<CallToPlan>& calls, const std::vector<double>& starts, const ScheduleOptions& options)
{
    constexpr double kClose = 1e-6;
    std::size_t first = 0;
    for (std::size_t c = 0; c < calls.size(); ++c) {
        ASSERT_GE(starts[c], options.not_before_s - kClose);
        if (c > 0) {
            ASSERT_GE(starts[c], starts[c - 1] + calls[c - 1].length_s - kClose)
                << "call " << c << " overlaps";
        }
        const bool run_ends = c + 1 == calls.size() || starts[c + 1] > starts[c] + calls[c].length_s + kClose;
        if (!run_ends) {
            continue;
        }
        std::vector<double> running;
        double sum = 0.0;
        double scale = 1.0;
        for (std::size_t i = first; i <= c; ++i) {
            const double d = derivative(calls[i], starts[i], options.late_penalty);
            sum += d;
            scale += std::abs(d);
            running.push_back(sum);
        }
        const bool at_go = starts[first] <= options.not_before_s + kClose;
        if (at_go) {
            ASSERT_GE(sum, -scale * kClose);
        } else {
            ASSERT_NEAR(sum, 0.0, scale * kClose) << "run " << first << " to " << c;
        }
        for (const double part : running) {
            ASSERT_LE(part, std::max(sum, 0.0) + scale * kClose)
                << "a head of run " << first << " to " << c << " would gain";
        }
        first = c + 1;
    }
}

std::vector<CallToPlan> randomStage(std::mt19937& random, std::size_t count)
{
    std::uniform_real_distribution<double> unit(0.0, 1.0);
    std::vector<CallToPlan> calls;
    double ideal_s = 2.0 * unit(random);
    for (std::size_t c = 0; c < count; ++c) {
        CallToPlan call;
        const int notes = 1 + static_cast<int>(4.0 * unit(random));
        double offset_s = 0.0;
        for (int n = 0; n < notes; ++n) {
            offset_s += 0.3 + 1.2 * unit(random);
            ideal_s += (unit(random) < 0.2 ? 6.0 : 0.9) * unit(random);
            call.notes.push_back({offset_s, ideal_s - 0.4 * unit(random), 0.2 + 3.0 * unit(random)});
            offset_s += 0.5 * unit(random);
        }
        call.length_s = offset_s + 0.35;
        calls.push_back(std::move(call));
    }
    return calls;
}

double cost(const std::vector<CallToPlan>& calls, const std::vector<double>& starts, double lambda)
{
    double sum = 0.0;
    for (std::size_t c = 0; c < calls.size(); ++c) {
        for (const auto& note : calls[c].notes) {
            const double x = starts[c] + note.end_offset_s - note.ideal_s;
            sum += note.weight * x * x * (x > 0.0 ? lambda : 1.0);
        }
    }
    return sum;
}

} // namespace

TEST(Schedule, EndsALonelyNoteExactlyWhenTheDriverWishes)
{
    const std::vector calls{callEndingAt(10.0)};
    EXPECT_NEAR(schedule(calls, {kLambda, 0.0})[0] + 1.0, 10.0, 1e-9);
}

TEST(Schedule, SpeaksTheSecondOfTwoCloseNotesRightAfterTheFirst)
{
    const std::vector calls{callEndingAt(10.0), callEndingAt(10.4)};
    const auto starts = schedule(calls, {kLambda, 0.0});
    EXPECT_NEAR(starts[1], starts[0] + 1.3, 1e-9);
}

TEST(Schedule, MovesEarlyRatherThanLateWhenTwoNotesCollide)
{
    const std::vector calls{callEndingAt(10.0), callEndingAt(10.4)};
    const auto starts = schedule(calls, {kLambda, 0.0});
    const double early_s = 10.0 - (starts[0] + 1.0);
    const double late_s = starts[1] + 1.0 - 10.4;
    EXPECT_GT(early_s, late_s);
    EXPECT_NEAR(early_s, kLambda * late_s, 1e-9); // the expectile of the two
}

TEST(Schedule, StartsNothingBeforeGo)
{
    const std::vector calls{callEndingAt(0.4), callEndingAt(0.5)};
    const auto starts = schedule(calls, {kLambda, 0.0});
    EXPECT_DOUBLE_EQ(starts[0], 0.0);
    EXPECT_NEAR(starts[1], 1.3, 1e-12);
}

TEST(Schedule, KeepsACallWhereItWasPutByHandAndFitsTheOthersAroundIt)
{
    std::vector calls{callEndingAt(10.0), callEndingAt(12.0), callEndingAt(14.0)};
    calls[1].pinned_s = 9.5;
    const auto starts = schedule(calls, {kLambda, 0.0});
    EXPECT_DOUBLE_EQ(starts[1], 9.5);
    EXPECT_NEAR(starts[0], 9.5 - 1.3, 1e-9);
    EXPECT_NEAR(starts[2] + 1.0, 14.0, 1e-9);
}

TEST(Schedule, ACallWishedSoonerThanAnExactlyTimedOneBeforeItFollowsItAtOnce)
{
    // the call before ends exactly as wished: its bend and the cut at its minimum fall on one place
    const std::vector calls{callEndingAt(10.0), callEndingAt(10.1), callEndingAt(9.0)};
    const auto starts = schedule(calls, {kLambda, 0.0});
    EXPECT_NEAR(starts[2], starts[1] + 1.3, 1e-9);
}

TEST(Schedule, RefusesACallWithoutNotes)
{
    const std::vector<CallToPlan> calls{CallToPlan{}};
    EXPECT_THROW(static_cast<void>(schedule(calls, {})), std::invalid_argument);
}

TEST(Schedule, IsTheCertifiedOptimumOnManyRandomStages)
{
    std::mt19937 random(20);
    for (int trial = 0; trial < 3000; ++trial) {
        const auto calls = randomStage(random, 1 + static_cast<std::size_t>(trial % 60));
        const ScheduleOptions options{1.0 + 12.0 * (trial % 7) / 6.0, 0.0};
        const auto starts = schedule(calls, options);
        certify(calls, starts, options);
        if (HasFatalFailure()) {
            FAIL() << "trial " << trial;
        }
    }
}

TEST(Schedule, NoSmallFeasibleChangeMakesItCheaper)
{
    std::mt19937 random(21);
    std::normal_distribution<double> jitter(0.0, 0.05);
    for (int trial = 0; trial < 60; ++trial) {
        const auto calls = randomStage(random, 12);
        const auto best = schedule(calls, {kLambda, 0.0});
        const double best_cost = cost(calls, best, kLambda);
        for (int attempt = 0; attempt < 40; ++attempt) {
            auto other = best;
            double free_s = 0.0;
            for (std::size_t c = 0; c < other.size(); ++c) {
                other[c] = std::max(free_s, other[c] + jitter(random));
                free_s = other[c] + calls[c].length_s;
            }
            ASSERT_GE(cost(calls, other, kLambda), best_cost - 1e-9);
        }
    }
}
