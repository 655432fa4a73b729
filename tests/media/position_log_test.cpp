// Position logs from files: GPX of both versions, broken ones, and the demo's own laid to its notes.

#include "formats/files.h"
#include "media/position_log.h"
#include "pace/match.h"
#include "stage/stage.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>

using namespace brumefall;

namespace {

std::string gpx(const std::string& points)
{
    return "<?xml version=\"1.0\"?>\n<gpx version=\"1.1\"><trk><trkseg>\n" + points
        + "</trkseg></trk></gpx>\n";
}

std::string why(const std::string& content)
{
    try {
        static_cast<void>(media::readGpx(content, "track.gpx"));
    } catch (const formats::FormatError& error) {
        return error.what();
    }
    return {};
}

} // namespace

TEST(Gpx, ReadsTimesZonesAndSpeedsOfBothVersions)
{
    const auto old =
        media::readGpx("<gpx version=\"1.0\"><trk><trkseg><trkpt lat=\"10\" lon=\"20\">"
                       "<time>2030-01-01T00:00:01.5Z</time><speed>12.5</speed></trkpt></trkseg></trk></gpx>",
            "track.gpx");
    EXPECT_DOUBLE_EQ(*old.points[0].speed_m_s, 12.5);
    auto log =
        media::readGpx(gpx("<trkpt lat=\"10\" "
                           "lon=\"20\"><time>2030-01-01T01:00:02+01:00</time><extensions><x:more><x:speed>8"
                           "</x:speed></x:more></extensions></trkpt>\n<trkpt lat=\"10.001\" "
                           "lon=\"20\"><time>2030-01-01T00:00:12Z</time></trkpt>\n"),
            "track.gpx");
    ASSERT_EQ(log.points.size(), 2U);
    EXPECT_DOUBLE_EQ(log.points[1].time_s, 10.0);
    EXPECT_DOUBLE_EQ(*log.points[0].speed_m_s, 8.0);
    media::layOnPlane(log);
    EXPECT_NEAR(log.points[1].north_m - log.points[0].north_m, 110.61, 0.02)
        << "a thousandth of a degree of latitude";
}

TEST(Gpx, WhatIsNoTrackIsToldWithItsLine)
{
    EXPECT_NE(why("<gpx>\n<trk>\n<oops</gpx>").find("track.gpx:3: not XML"), std::string::npos)
        << why("<gpx>\n<trk>\n<oops</gpx>");
    EXPECT_NE(why("<kml></kml>").find("not GPX"), std::string::npos);
    EXPECT_NE(why(gpx("")).find("no track points"), std::string::npos);
    EXPECT_NE(why(gpx("<trkpt lat=\"1\" lon=\"2\"/>\n")).find("no time"), std::string::npos);
    EXPECT_NE(why(gpx("\n<trkpt lat=\"x\"/>\n")).find("track.gpx:4: a point without"), std::string::npos)
        << why(gpx("\n<trkpt lat=\"x\"/>\n"));
}

TEST(Gpx, AFixOnTheWrongContinentIsLeftOutAndTold)
{
    std::string points = "<trkpt lat=\"0\" lon=\"0\"><time>2030-01-01T00:00:00Z</time></trkpt>\n";
    char line[120];
    for (int i = 1; i < 60; ++i) {
        std::snprintf(line, sizeof line,
            "<trkpt lat=\"%.6f\" lon=\"20\"><time>2030-01-01T00:00:%02dZ</time></trkpt>\n",
            45.0 + 1e-4 * std::max(0, i - 10), i);
        points += line;
    }
    auto log = media::readGpx(gpx(points), "track.gpx");
    media::layOnPlane(log);
    const auto clean = pace::cleanLog(log);
    EXPECT_NEAR(clean.track.back().station_m, 49.0 * 11.1, 15.0) << "not the way from the other continent";
    ASSERT_FALSE(clean.cleaned.empty());
    EXPECT_NE(clean.cleaned[0].says.find("jump farther"), std::string::npos);
}

namespace {

/// A demo stage with its true places, and the log of Lantern Pass.
struct DemoLogged {
    explicit DemoLogged(const std::filesystem::path& folder)
        : truth(stage::readPass(folder / "passes" / "stage.json"))
        , road(stage::prepare(stage::readStage(folder / "stage.brumefall"), &truth).road)
        , log(media::readLogFile(std::filesystem::path(DEMO_FOLDER) / "media" / "stage.gpx"))
    {
    }
    pace::Pass truth;
    road::Road road;
    pace::Log log;
};

} // namespace

TEST(DemoLog, NotesAreFoundByTheBendsOfTheTrackAndMarksLayTheClock)
{
    const auto [truth, road, log] = DemoLogged(DEMO_FOLDER);
    const auto clean = pace::cleanLog(log);
    EXPECT_NEAR(clean.moving_from_s, truth.go_s, 0.5);
    std::map<std::string, double> true_s;
    std::map<std::string, double> marks;
    for (std::size_t i = 0; i < truth.marks.size(); ++i) {
        true_s[truth.marks[i].note] = truth.marks[i].media_s - truth.go_s;
        if (i % 10 == 0) {
            marks[truth.marks[i].note] = truth.marks[i].media_s - truth.go_s;
        }
    }
    const auto fit = pace::fitByMarks(road, log, clean, marks);
    EXPECT_NEAR(fit.go_log_s, truth.go_s, 0.2);
    std::vector<double> errors;
    for (const auto& note : pace::matchNotes(road, log, clean, fit, marks)) {
        errors.push_back(std::abs(note.time_s - true_s.at(note.note)));
    }
    ASSERT_EQ(errors.size(), 67U);
    std::sort(errors.begin(), errors.end());
    EXPECT_LT(errors[33], 0.2);
    EXPECT_LT(errors[60], 0.6);
}

/// What was heard is said ahead of its corner by more or less; the bends tell where the corner is.
TEST(DemoLog, DraftPlacesAreSharpenedByItsBends)
{
    const auto [truth, road, log] = DemoLogged(DEMO_FOLDER);
    auto pass = truth;
    pass.trace.clear();
    std::minstd_rand random(5);
    std::normal_distribution<double> wanders_s(-2.5, 0.7);
    for (auto& mark : pass.marks) {
        mark.draft = true;
        mark.media_s += wanders_s(random);
    }
    pass.marks[20].media_s += 30.0; // heard late: another place
    const auto far = pass.marks[20];
    pass.marks[30] = truth.marks[30];
    auto unknown = pass;
    const int moved = pace::sharpenDrafts(pass, road, log, pace::cleanLog(log), "stage.gpx", true).moved;
    EXPECT_EQ(pass.log, "stage.gpx, laid by go");
    EXPECT_GT(moved, 50);
    EXPECT_EQ(pass.marks[20], far);
    EXPECT_EQ(pass.marks[30], truth.marks[30]) << "set by hand";
    EXPECT_GT(pass.trace.size(), 100U);
    std::vector<double> errors;
    for (std::size_t i = 0; i < pass.marks.size(); ++i) {
        errors.push_back(std::abs(pass.marks[i].media_s - truth.marks[i].media_s));
    }
    std::sort(errors.begin(), errors.end());
    EXPECT_LT(errors[33], 0.2) << "two seconds and a half before";
    EXPECT_LT(errors[58], 0.8);

    const auto laid = pace::sharpenDrafts(unknown, road, log, pace::cleanLog(log), "stage.gpx", false);
    EXPECT_GT(laid.moved, 50);
    EXPECT_EQ(laid.fit.by, "marks");
    EXPECT_NEAR(unknown.marks[40].media_s, truth.marks[40].media_s - 2.5, 0.8) << "as early as all are said";
    EXPECT_GT(unknown.marks[40].sure_s, pass.marks[40].sure_s);
}

TEST(DemoLog, DraftsOfAnotherStageAreNotMoved)
{
    const std::filesystem::path rally = std::filesystem::path(DEMO_FOLDER).parent_path();
    auto [pass, road, log] = DemoLogged(rally / "Kiln Road");
    for (auto& mark : pass.marks) {
        mark.draft = true;
    }
    EXPECT_LT(pace::sharpenDrafts(pass, road, log, pace::cleanLog(log), "stage.gpx", true).moved,
        static_cast<int>(pass.marks.size()) / 3);
}
