// Passes played along another pace, the rehearsal pace, and noted distances beside measured ones.

#include "notes/edit.h"
#include "pace/car_models.h"
#include "pace/retime.h"
#include "road/distances.h"
#include "stage/stage.h"

#include <gtest/gtest.h>

using namespace brumefall;
using namespace brumefall::pace;

namespace {

Pace steady(double speed_m_s, double length_m)
{
    return Pace(std::vector<Knot>{
        {0.0, 0.0}, {length_m / 2, length_m / 2 / speed_m_s}, {length_m, length_m / speed_m_s}});
}

stage::Prepared prepared(const std::string& text)
{
    stage::Stage stage;
    stage.text = text;
    return stage::prepare(stage, nullptr);
}

} // namespace

TEST(Retiming, ASlowVideoRunsFasterSoThatBothAreAtTheSamePlace)
{
    const Retiming retiming(steady(10.0, 1000.0), steady(25.0, 1000.0));
    EXPECT_NEAR(retiming.rateAt(20.0), 2.5, 1e-6);
    EXPECT_NEAR(retiming.toVideo(20.0), 50.0, 1e-6);
    EXPECT_NEAR(retiming.toAlong(50.0), 20.0, 1e-6);
    EXPECT_DOUBLE_EQ(retiming.toVideo(-5.0), -5.0) << "before go the clocks run alike";
    EXPECT_NEAR(retiming.toVideo(45.0), 105.0, 1e-6) << "and after the finish";
    EXPECT_DOUBLE_EQ(Retiming().rateAt(20.0), 1.0);
}

TEST(Retiming, ThereAndBackIsTheSameMoment)
{
    const auto slow = prepared("left four 100 hairpin right 200 left six 80\nright two into left three 150");
    const Retiming retiming(slow.placement.pace, steady(20.0, slow.road.length_m));
    for (double t = 0.5; t < 40.0; t += 0.7) {
        EXPECT_NEAR(retiming.toAlong(retiming.toVideo(t)), t, 1e-4);
    }
}

TEST(Retiming, WhatIsBeyondThePlayersRangeIsFound)
{
    const Pace video(std::vector<Knot>{{0, 0}, {100, 10}, {140, 50}, {300, 66}}); // almost stands at 100 m
    const Retiming retiming(video, steady(20.0, 300.0));
    const auto beyond = beyondRange(retiming, 15.0, 0.25, 3.0);
    ASSERT_EQ(beyond.size(), 1U);
    EXPECT_NEAR(beyond[0].from_s, 5.0, 1.0);
    EXPECT_GT(beyond[0].worst_rate, 10.0);
}

TEST(Rehearsal, AGrippierSurfaceIsQuickerAndWetOrNightIsSlower)
{
    const auto road =
        prepared("left four 100 hairpin right 200 left three 80\nright two into left three 150").road;
    const auto time_s = [&](const Rehearsal& rehearsal) {
        return rehearsalPace(road, carModel(rehearsal), 0.0).pace.duration_s();
    };
    const double gravel_s = time_s({});
    EXPECT_LT(time_s({"four-wheel drive", "tarmac", false, false, 0.0}), gravel_s);
    EXPECT_GT(time_s({"four-wheel drive", "snow", false, false, 0.0}), gravel_s);
    EXPECT_GT(time_s({"four-wheel drive", "gravel", true, false, 0.0}), gravel_s);
    EXPECT_GT(time_s({"four-wheel drive", "gravel", false, true, 0.0}), gravel_s);
    EXPECT_GT(time_s({"front-wheel drive, small", "gravel", false, false, 0.0}), gravel_s);
}

TEST(Rehearsal, ATargetTimeIsMetByGripAndOneBeyondPhysicsIsTold)
{
    const auto road =
        prepared("left four 100 hairpin right 200 left three 80\nright two into left three 150").road;
    const auto free = rehearsalPace(road, {}, 0.0);
    const auto slower = rehearsalPace(road, {}, 1.2 * free.pace.duration_s());
    EXPECT_NEAR(slower.pace.duration_s(), 1.2 * free.pace.duration_s(), 1e-6);
    EXPECT_LT(slower.needed, 1.0);
    EXPECT_FALSE(slower.beyond_physics);
    const auto absurd = rehearsalPace(road, {}, 5.0);
    EXPECT_TRUE(absurd.beyond_physics);
    EXPECT_NEAR(absurd.pace.duration_s(), 5.0, 1e-6);
}

TEST(Rehearsal, JumpsAndWaterSlowTheCar)
{
    const auto plain = prepared("left six 200 right six 200");
    const auto splash = prepared("left six 200 right six through water splash 200");
    EXPECT_LT(splash.placement.pace.speedAt(splash.road.notes[1].station_m + 5.0),
        0.7 * plain.placement.pace.speedAt(plain.road.notes[1].station_m + 5.0));
}

TEST(Distances, TheWorstComesFirstAndGoodOnesAreLeftAlone)
{
    const auto p = prepared("left four 50 right three 100 left two 60 right five 80\nleft three");
    std::vector<road::MeasuredPlace> places;
    for (const auto& note : p.road.notes) {
        places.push_back({note.station_m, 1.0});
    }
    EXPECT_TRUE(road::checkDistances(p.notes.calls, p.road, places).empty());
    for (std::size_t k = 1; k < places.size(); ++k) {
        places[k].station_m += 42.0; // 92 m where 50 is said
    }
    for (std::size_t k = 3; k < places.size(); ++k) {
        places[k].station_m += 90.0; // 150 where 60 is said
    }
    const auto checks = road::checkDistances(p.notes.calls, p.road, places);
    ASSERT_EQ(checks.size(), 2U);
    EXPECT_EQ(checks[0].note, p.road.notes[2].id);
    EXPECT_DOUBLE_EQ(checks[0].noted_m, 60.0);
    EXPECT_NEAR(checks[0].measured_m, 150.0, 1.0);
    EXPECT_DOUBLE_EQ(checks[1].wished_m, 90.0);
}

TEST(Distances, ACorrectionChangesThatDistanceWhereverItIsSaid)
{
    using notes::Order;
    EXPECT_EQ(notes::withDistance("left four 50 right three 100", 1, 0, 80, {}, Order::direction_first),
        "left four 80 right three 100");
    EXPECT_EQ(notes::withDistance("left four sixty\nright three", 1, 0, 150, {}, Order::direction_first),
        "left four one fifty\nright three");
    EXPECT_EQ(notes::withDistance("left four\n50, right three 40", 1, 0, 80, {}, Order::direction_first),
        "left four\n80, right three 40");
    EXPECT_EQ(notes::withDistance("left four\n100\nright three", 1, 0, 80, {}, Order::direction_first),
        "left four\n80\nright three");
    EXPECT_EQ(notes::withDistance("left four into right three", 1, 0, 80, {}, Order::direction_first),
        "left four into right three");
}
