// Placed notes as way points.

#include "driven_road.h"
#include "export/way_points.h"

#include <gtest/gtest.h>
#include <pugixml.hpp>

using namespace brumefall;

namespace {

struct WayPoints : testing::Test {
    WayPoints()
    {
        pass.trace = pace::traceOf(clean, pace::fitByGo(clean));
        stage::Stage stage;
        stage.text = kNotes;
        prepared = stage::prepare(stage, &pass);
    }

    static constexpr const char* kNotes =
        "100 left four <\"&> 60\nhairpin right 80\nright three into left two 120\nleft five";
    pace::Log log = support::drivenLog(support::preparedOf(kNotes).road);
    pace::CleanLog clean = pace::cleanLog(log);
    pace::Pass pass;
    stage::Prepared prepared;
};

} // namespace

TEST_F(WayPoints, StandWhereTheCarWasWhenItCameToTheNote)
{
    pugi::xml_document gpx;
    ASSERT_TRUE(gpx.load_string(exporting::wayPoints(prepared, pass, log, "<Made & up>").c_str()));
    EXPECT_STREQ(gpx.select_node("/gpx/metadata/name").node().text().get(), "<Made & up>");
    const auto points = gpx.select_nodes("/gpx/wpt");
    ASSERT_EQ(points.size(), prepared.placement.notes.size());
    std::size_t k = 0;
    for (const auto& point : points) {
        const auto& note = prepared.placement.notes[k++];
        EXPECT_EQ(point.node().child("name").text().as_uint(), k) << "numbered as on the page";
        const double log_s = clean.moving_from_s + note.arrive_s;
        const auto at = std::find_if(log.points.begin(), log.points.end(),
            [&](const pace::LogPoint& logged) { return logged.time_s >= log_s; });
        ASSERT_NE(at, log.points.end());
        EXPECT_NEAR(point.node().attribute("lat").as_double(), *at->lat_deg, 5e-5);
        EXPECT_NEAR(point.node().attribute("lon").as_double(), *at->lon_deg, 5e-5);
    }
    EXPECT_STREQ(points[0].node().child("desc").text().get(), "left four <\"&> 60");
}

TEST_F(WayPoints, TheTrackIsThatOfTheStageAndNotWhatWasDrivenToIt)
{
    pugi::xml_document gpx;
    ASSERT_TRUE(gpx.load_string(exporting::wayPoints(prepared, pass, log, "a").c_str()));
    const auto track = gpx.select_nodes("/gpx/trk/trkseg/trkpt");
    const auto driven = std::count_if(log.points.begin(), log.points.end(), [&](const auto& point) {
        return point.time_s >= clean.moving_from_s && point.time_s <= clean.moving_to_s;
    });
    EXPECT_NEAR(static_cast<double>(track.size()), static_cast<double>(driven), 7.0);
}

TEST_F(WayPoints, AreNoneWhereTheLogIsOfAnotherRunOrHasNoPositions)
{
    auto other = pass;
    other.trace.back().station_m *= 1.2;
    EXPECT_TRUE(exporting::wayPoints(prepared, other, log, "a").empty());
    other.trace.clear();
    EXPECT_TRUE(exporting::wayPoints(prepared, other, log, "a").empty());
    auto blind = log;
    for (auto& point : blind.points) {
        point.lat_deg.reset();
    }
    EXPECT_TRUE(exporting::wayPoints(prepared, pass, blind, "a").empty());
}
