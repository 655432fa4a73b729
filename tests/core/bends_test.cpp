// Where bends begin and end, from directions between fixes that lie far apart.

#include "pace/bends.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <vector>

using namespace brumefall::pace;

namespace {

struct Turn {
    double from_m;
    double to_m;
    double turn_rad;
};

/// A right bend of 60 degrees, a straight of 60 m, and a sharper left one.
const std::vector<Turn> kRoad{{100.0, 140.0, 1.05}, {200.0, 226.0, -1.4}};

double headingAt(double at_m)
{
    double heading_rad = 0.3;
    for (const Turn& turn : kRoad) {
        const double share = (at_m - turn.from_m) / (turn.to_m - turn.from_m);
        heading_rad += turn.turn_rad * std::clamp(share, 0.0, 1.0);
    }
    return heading_rad;
}

/// Fixes so far apart; a direction is the mean of the headings between two of them.
std::vector<Chord> chordsEvery(double step_m, double sigma_rad = 0.02)
{
    std::vector<Chord> chords;
    for (double from_m = 0.0; from_m + step_m <= 340.0; from_m += step_m) {
        constexpr int kParts = 200;
        double sum = 0.0;
        for (int i = 0; i < kParts; ++i) {
            sum += headingAt(from_m + (i + 0.5) * step_m / kParts);
        }
        chords.push_back({from_m, from_m + step_m, sum / kParts, sigma_rad});
    }
    return chords;
}

/// The same bends as somebody noted them, begun and ended wrongly by so much.
std::vector<Bend> notedBends(double off_m)
{
    std::vector<Bend> bends;
    for (const Turn& turn : kRoad) {
        const double gap_m = bends.empty() ? turn.from_m : turn.from_m - kRoad[bends.size() - 1].to_m;
        bends.push_back({turn.from_m + off_m, turn.to_m - 0.5 * off_m, 0.0, 0.9 * turn.turn_rad,
            1.1 * (turn.to_m - turn.from_m), gap_m});
    }
    return bends;
}

} // namespace

TEST(Bends, BeginAndEndWhereTheRoadTurnsThoughFixesLieFarApart)
{
    const auto chords = chordsEvery(17.0);
    for (const double off_m : {-9.0, 9.0}) {
        auto bends = notedBends(off_m);
        refineBends(chords, bends);
        for (std::size_t b = 0; b < bends.size(); ++b) {
            EXPECT_NEAR(bends[b].from_m, kRoad[b].from_m, 2.0) << "bend " << b << ", off by " << off_m;
            EXPECT_NEAR(bends[b].to_m, kRoad[b].to_m, 2.0) << "bend " << b << ", off by " << off_m;
            EXPECT_NEAR(bends[b].turn_rad, kRoad[b].turn_rad, 0.1);
        }
    }
}

TEST(Bends, ABeginningThatSomebodyMarkedStays)
{
    auto bends = notedBends(6.0);
    bends[1].known = true;
    refineBends(chordsEvery(17.0), bends);
    EXPECT_DOUBLE_EQ(bends[1].from_m, 206.0);
    EXPECT_NEAR(bends[0].from_m, 100.0, 2.0) << "its neighbour is found as ever";
}

TEST(Bends, StayInOrderWhereTheTrackSaysNothing)
{
    auto bends = notedBends(9.0);
    const auto vague = chordsEvery(17.0, 3.0);
    refineBends(vague, bends);
    EXPECT_LT(bends[0].from_m, bends[0].to_m);
    EXPECT_LE(bends[0].to_m, bends[1].from_m);
    EXPECT_LT(bends[1].from_m, bends[1].to_m);
    // then the notes' own lengths and gaps decide
    EXPECT_NEAR(bends[0].to_m - bends[0].from_m, 44.0, 6.0);
    EXPECT_NEAR(bends[1].from_m - bends[0].to_m, 60.0, 8.0);
}

TEST(Bends, WithoutATrackTheyStayAsTheyAre)
{
    auto bends = notedBends(5.0);
    refineBends({}, bends);
    EXPECT_DOUBLE_EQ(bends[0].from_m, 105.0);
    std::vector<Bend> none;
    refineBends(chordsEvery(17.0), none);
    EXPECT_TRUE(none.empty());
}
