// Logs: tables of any shape read, cleaned, and laid to the video's clock.

#include "formats/files.h"
#include "pace/csv_log.h"
#include "pace/log.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>

using namespace brumefall;
using namespace brumefall::pace;

namespace {

Log read(const std::string& content)
{
    const auto table = readLogTable(content, "log.csv");
    return logOf(table, guessColumns(table), "log.csv");
}

/// Stands for `stand_s`, then drives off at 4 m/s2 to 20 m/s; distance twice a second.
std::string drive(double stand_s, double until_s)
{
    std::string csv = "time,distance\n";
    for (double t = 0.0; t <= until_s; t += 0.5) {
        const double moving = std::max(0.0, t - stand_s);
        const double m = moving < 5.0 ? 2.0 * moving * moving : 50.0 + 20.0 * (moving - 5.0);
        csv += std::to_string(t) + "," + std::to_string(m) + "\n";
    }
    return csv;
}

} // namespace

TEST(CsvLog, ReadsTheShapesThatLoggersWrite)
{
    const auto comma = read("Time (s),Distance (m),Speed (km/h)\n0,0,0\n1,20,72\n2,40,72\n");
    EXPECT_TRUE(comma.has_distance);
    EXPECT_DOUBLE_EQ(*comma.points[1].speed_m_s, 20.0);
    const auto german = read("Zeit;dist km;x\n0,5;0,010;a\n1,5;0,030;b\n");
    EXPECT_DOUBLE_EQ(*german.points[1].distance_m, 30.0);
    EXPECT_DOUBLE_EQ(german.points[1].time_s, 1.0);
    const auto clock =
        read("UTC time\tLatitude\tLongitude\n23:59:59.5\t10.0\t20.0\n00:00:00.5\t10.0001\t20.0\n");
    EXPECT_TRUE(clock.has_positions);
    EXPECT_DOUBLE_EQ(clock.points[1].time_s, 1.0) << "past midnight";
    const auto bare = readLogTable("0 | 0\n1 | 20\n", "log.csv");
    EXPECT_EQ(bare.separator, '|');
    EXPECT_EQ(bare.names[1], "column 2");
}

TEST(CsvLog, WhatIsNoLogIsToldWithItsLine)
{
    const auto why = [](const std::string& content) {
        try {
            static_cast<void>(read(content));
        } catch (const formats::FormatError& error) {
            return std::string(error.what());
        }
        return std::string();
    };
    EXPECT_NE(why("").find("log.csv:1: the log is empty"), std::string::npos) << why("");
    EXPECT_NE(why("\n# made by hand\nhello\nworld\n").find("log.csv:3: only one column"), std::string::npos);
    EXPECT_NE(why("time,mood\n1,good\n").find("distance, speed or position"), std::string::npos);
    EXPECT_NE(why("time,distance\n").find("no rows"), std::string::npos);
    EXPECT_NE(why("time,distance\nx,y\n").find("not one row"), std::string::npos);
}

TEST(CleanLog, FindsGoInTheMiddleBetweenTwoPoints)
{
    const auto clean = cleanLog(read(drive(7.3, 60.0)));
    EXPECT_NEAR(clean.moving_from_s, 7.3, 0.2);
    const auto trace = traceOf(clean, fitByGo(clean));
    const Pace pace(trace);
    EXPECT_NEAR(pace.stationAt(10.0), 150.0, 6.0);
}

TEST(CleanLog, RepeatedPointsSpikesAndGapsAreMendedAndTold)
{
    auto log = read(drive(5.0, 60.0));
    const Pace before(cleanLog(log).track);
    log.points[40].distance_m = 9000.0; // a spike
    log.points.insert(log.points.begin() + 60, log.points[60]); // a point twice
    log.points.erase(log.points.begin() + 80, log.points.begin() + 95); // a gap
    const auto clean = cleanLog(log);
    ASSERT_EQ(clean.cleaned.size(), 3U);
    EXPECT_EQ(clean.cleaned[0].says, "1 points whose time does not go forward were left out");
    EXPECT_EQ(clean.cleaned[1].points, 1);
    EXPECT_NE(clean.cleaned[2].says.find("1 gaps were bridged, the longest of 8 s"), std::string::npos);
    const Pace after(clean.track);
    for (double t = 10.0; t < 58.0; t += 1.0) {
        EXPECT_NEAR(after.stationAt(t), before.stationAt(t), 1.0) << t;
    }
}

TEST(CleanLog, AStandOnTheWayIsHeldAndTold)
{
    std::string csv = "time,speed m/s\n";
    for (int t = 0; t <= 100; ++t) {
        csv += std::to_string(t) + "," + (t < 5 || (t > 40 && t < 60) ? "0.1" : "15") + "\n";
    }
    const auto clean = cleanLog(read(csv));
    ASSERT_EQ(clean.cleaned.size(), 1U);
    EXPECT_NE(clean.cleaned[0].says.find("the car stands for"), std::string::npos);
    const Pace pace(clean.track);
    EXPECT_LT(pace.stationAt(58.0) - pace.stationAt(43.0), 6.0);
}

TEST(CleanLog, PositionsThatWanderWhileTheCarStandsGoNowhere)
{
    std::mt19937 random(8);
    std::normal_distribution<double> step_m(0.0, 0.2); // as a receiver under trees wanders
    double off_east_m = 0.0;
    double off_north_m = 0.0;
    Log log;
    log.has_positions = true;
    for (int i = 0; i <= 400; ++i) {
        const double t = 0.25 * i;
        const double m = t < 20.0 ? 0.0
            : t < 60.0            ? 15.0 * (t - 20.0)
            : t < 80.0            ? 600.0
                                  : 600.0 + 15.0 * (t - 80.0);
        LogPoint point;
        point.time_s = t;
        off_east_m += step_m(random);
        off_north_m += step_m(random);
        point.east_m = m + off_east_m;
        point.north_m = off_north_m;
        log.points.push_back(point);
    }
    const auto clean = cleanLog(log);
    EXPECT_NEAR(clean.moving_from_s, 20.0, 1.5);
    const Pace pace(clean.track);
    EXPECT_LT(pace.stationAt(78.0) - pace.stationAt(62.0), 6.0) << "of step to step it goes farther";
}

TEST(FitLog, ByTheStandAtTheEndTheLogLiesWhereTheVideoStands)
{
    std::string csv = "time,distance\n";
    for (double t = 0.0; t <= 120.0; t += 0.5) {
        csv += std::to_string(t) + "," + std::to_string(15.0 * std::clamp(t - 10.0, 0.0, 80.0)) + "\n";
    }
    const auto clean = cleanLog(read(csv));
    EXPECT_NEAR(clean.moving_to_s, 90.0, 1.0);
    const auto fit = fitByStandstill(clean, 75.0);
    EXPECT_EQ(fit.by, "standstill");
    EXPECT_NEAR(fit.go_log_s, 15.0, 1.0);
}

TEST(CleanLog, ALogThatGoesNowhereSaysSo)
{
    EXPECT_THROW(
        static_cast<void>(cleanLog(read("time,distance\n0,5\n1,5\n2,5.1\n"))), std::invalid_argument);
    EXPECT_THROW(static_cast<void>(cleanLog({})), std::invalid_argument);
}

TEST(FitLog, ByMarksFindsTheShiftWhereverGoWasMissed)
{
    // the log begins in the middle of the approach: driving, no stand before go
    std::string csv = "time,distance\n";
    std::vector<KnownPlace> marks;
    const auto along = [](double t) { return 15.0 * t + 60.0 * std::sin(t / 6.0); };
    for (double t = 0.0; t <= 200.0; t += 0.5) {
        csv += std::to_string(t) + "," + std::to_string(along(t)) + "\n";
    }
    for (const double at : {30.0, 61.0, 95.0, 140.0}) {
        marks.push_back({along(at + 12.0) - along(12.0), at});
    }
    const auto fit = fitByMarks(cleanLog(read(csv)), marks);
    EXPECT_NEAR(fit.go_log_s, 12.0, 0.3);
    EXPECT_THROW(
        static_cast<void>(fitByMarks(cleanLog(read(csv)), std::span(marks).first(1))), std::invalid_argument);
}

TEST(CleanLog, RandomDamageNeverMakesAPaceThatGoesBack)
{
    std::mt19937 random(3);
    for (int round = 0; round < 200; ++round) {
        auto log = read(drive(3.0, 80.0));
        for (int hit = 0; hit < 12; ++hit) {
            auto& point = log.points[random() % log.points.size()];
            switch (random() % 4) {
            case 0: point.distance_m = static_cast<double>(random() % 100000); break;
            case 1: point.time_s -= 3.0; break;
            case 2: point.distance_m.reset(); break;
            default: point.time_s = std::nan(""); break;
            }
        }
        try {
            const auto clean = cleanLog(log);
            for (std::size_t i = 1; i < clean.track.size(); ++i) {
                ASSERT_GT(clean.track[i].station_m, clean.track[i - 1].station_m);
                ASSERT_GT(clean.track[i].time_s, clean.track[i - 1].time_s);
            }
        } catch (const std::invalid_argument&) {
        }
    }
}
