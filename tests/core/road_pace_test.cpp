#include "notes/parser.h"
#include "pace/pass.h"
#include "pace/predict.h"
#include "road/layout.h"

#include "stage/stage.h"

#include <gtest/gtest.h>

#include <cmath>
#include <random>

using namespace brumefall;

namespace {

road::Road roadOf(const std::string& text, double length_m = 0.0)
{
    const auto parsed = notes::parseNotes(text);
    return road::layOut(parsed.calls, parsed.style.scale, parsed.lead_in_m, length_m);
}

constexpr const char* kShortStage =
    "100 left four 60\nhairpin right 80\nright six 150\nleft two into right three 50";

} // namespace

TEST(Road, StationsAccumulateCornersAndDistances)
{
    const auto road = roadOf("100 left four 60\nright four 50");
    ASSERT_EQ(road.notes.size(), 2U);
    EXPECT_NEAR(road.notes[0].station_m, 100.0, 1e-9);
    EXPECT_NEAR(road.notes[1].station_m, 100.0 + road.notes[0].length_m + 60.0, 1e-9);
    EXPECT_GT(road.notes[1].uncertainty_m, road.notes[0].uncertainty_m);
}

TEST(Road, TighterGradesHaveSmallerRadiiInBothScales)
{
    using notes::Grade;
    for (int grade = 1; grade < 6; ++grade) {
        EXPECT_LT(road::sizeOf({grade, {}}, "", notes::Scale::ascending).radius_m,
            road::sizeOf({grade + 1, {}}, "", notes::Scale::ascending).radius_m);
        EXPECT_GT(road::sizeOf({grade, {}}, "", notes::Scale::descending).radius_m,
            road::sizeOf({grade + 1, {}}, "", notes::Scale::descending).radius_m);
    }
    EXPECT_GT(road::sizeOf({3, {}}, "plus", notes::Scale::ascending).radius_m,
        road::sizeOf({3, {}}, "", notes::Scale::ascending).radius_m);
}

TEST(Road, IsFittedToTheOfficialLength)
{
    for (const double length_m : {400.0, 700.0, 1500.0}) {
        EXPECT_NEAR(roadOf(kShortStage, length_m).length_m, length_m, 1.0);
    }
}

TEST(Road, LeftBendsGoLeftInThePlanView)
{
    const auto left = road::planView(roadOf("50 square left 50"), 1.0);
    const auto right = road::planView(roadOf("50 square right 50"), 1.0);
    EXPECT_LT(left.back().x_m, -20.0);
    EXPECT_GT(right.back().x_m, 20.0);
}

TEST(Pace, PassesThroughEveryKnotAndNeverGoesBack)
{
    std::mt19937 random(4);
    std::uniform_real_distribution<double> unit(0.01, 1.0);
    for (int trial = 0; trial < 100; ++trial) {
        std::vector<pace::Knot> knots{{0.0, 0.0}};
        for (int i = 0; i < 30; ++i) {
            knots.push_back(
                {knots.back().station_m + 100.0 * unit(random), knots.back().time_s + 8.0 * unit(random)});
        }
        const pace::Pace pace(knots);
        for (const auto& knot : knots) {
            EXPECT_NEAR(pace.timeAt(knot.station_m), knot.time_s, 1e-9);
            EXPECT_NEAR(pace.stationAt(knot.time_s), knot.station_m, 1e-6);
        }
        double before_s = -1.0;
        for (double s = 0.0; s < pace.length_m(); s += 1.0) {
            ASSERT_GE(pace.timeAt(s), before_s);
            before_s = pace.timeAt(s);
            ASSERT_NEAR(pace.stationAt(before_s), s, 1e-5);
        }
    }
}

TEST(Pace, LeavesOutKnotsThatGoBackInTime)
{
    const pace::Pace pace(std::vector<pace::Knot>{{0, 0}, {10, 2}, {20, 1}, {30, 4}});
    EXPECT_NEAR(pace.timeAt(10), 2.0, 1e-9);
    EXPECT_GT(pace.timeAt(20), 2.0);
    EXPECT_THROW(pace::Pace(std::vector<pace::Knot>{{5, 1}}), std::invalid_argument);
}

TEST(Pace, WarpedToMarksPassesThroughThemAndKeepsItsRhythm)
{
    const auto predicted = pace::predictPace(roadOf(kShortStage, 900.0), {});
    const std::vector<pace::Knot> marks{{0, 0}, {300, 40}, {900, 100}};
    const auto warped = predicted.warpedTo(marks);
    for (const auto& mark : marks) {
        EXPECT_NEAR(warped.timeAt(mark.station_m), mark.time_s, 1e-6);
    }
    // where the prediction is slow, the warped pace is slow too
    const auto& road = roadOf(kShortStage, 900.0);
    EXPECT_LT(warped.speedAt(road.notes[1].station_m + 5.0), warped.speedAt(road.notes[2].station_m + 20.0));
}

TEST(Predict, ObeysGripPowerAndBraking)
{
    const pace::CarModel car;
    const auto road = roadOf(kShortStage, 900.0);
    const auto pace = pace::predictPace(road, car, 1.0);
    for (double s = 2.0; s + 2.0 < pace.length_m(); s += 1.0) {
        const double v = pace.speedAt(s);
        EXPECT_LE(v, car.top_speed_m_s * 1.02);
        const double a = (std::pow(pace.speedAt(s + 1.0), 2) - std::pow(pace.speedAt(s - 1.0), 2)) / 4.0;
        EXPECT_GE(a, -car.brake_mu * 9.81 * 1.35) << "at " << s;
        EXPECT_LE(a, car.drive_mu * 9.81 * 1.6) << "at " << s;
    }
    const auto& hairpin = road.notes[1];
    const double corner = pace.speedAt(hairpin.station_m + 0.5 * hairpin.length_m);
    EXPECT_LE(corner, std::sqrt(car.mu * 9.81 * hairpin.radius_m) * 1.25);
}

TEST(Place, AMarkedNoteIsWhereItsMarkSays)
{
    const auto road = roadOf(kShortStage, 900.0);
    pace::Pass pass;
    pass.go_s = 5.0;
    pass.finish_s = 65.0;
    pass.marks = {{road.notes[1].id, 25.0}, {road.notes[3].id, 50.0}};
    const auto placement = pace::place(road, pass);
    EXPECT_NEAR(placement.notes[1].arrive_s, 20.0, 1e-9);
    EXPECT_TRUE(placement.notes[1].marked);
    EXPECT_GT(placement.notes[2].arrive_s, 20.0);
    EXPECT_LT(placement.notes[2].arrive_s, 45.0);
    EXPECT_GT(placement.notes[2].sure_s, placement.notes[1].sure_s);
}

TEST(Place, MarksThatNoCarConnectsAreTold)
{
    stage::Stage stage;
    stage.text = "left four 200 right three 200\nleft two 100";
    pace::Pass pass;
    const auto road = stage::prepare(stage, nullptr).road;
    pass.marks = {{road.notes[0].id, 5.0}, {road.notes[1].id, 6.0}, {road.notes[2].id, 18.0}};
    const auto warnings = stage::prepare(stage, &pass).placement.warnings;
    ASSERT_EQ(warnings.size(), 1U);
    EXPECT_NE(warnings[0].find("from the mark of note 1 to that of note 2"), std::string::npos)
        << warnings[0];
    EXPECT_NE(warnings[0].find("km/h"), std::string::npos);
    for (auto& mark : pass.marks) {
        mark.draft = true;
        mark.sure_s = 1.0; // a proposal this vague is no contradiction
    }
    EXPECT_TRUE(stage::prepare(stage, &pass).placement.warnings.empty());
}

TEST(Place, AMarkBeforeTheOneBeforeItIsLeftOutAndTold)
{
    const auto road = roadOf(kShortStage, 900.0);
    pace::Pass pass;
    pass.finish_s = 60.0;
    pass.marks = {{road.notes[1].id, 25.0}, {road.notes[2].id, 20.0}};
    const auto placement = pace::place(road, pass);
    ASSERT_EQ(placement.warnings.size(), 1U);
    EXPECT_NE(placement.warnings[0].find("note 3"), std::string::npos);
    EXPECT_GT(placement.notes[2].arrive_s, placement.notes[1].arrive_s);
}

TEST(Place, OneMarkAtGoAndOneAtTheFinishAlreadyGiveAPass)
{
    const auto road = roadOf(kShortStage, 900.0);
    pace::Pass pass;
    pass.go_s = 3.0;
    pass.finish_s = 63.0;
    const auto placement = pace::place(road, pass);
    EXPECT_NEAR(placement.pace.duration_s(), 60.0, 0.1);
    double before_s = 0.0;
    for (const auto& note : placement.notes) {
        EXPECT_GT(note.arrive_s, before_s);
        before_s = note.arrive_s;
    }
}

TEST(Pace, AskedAlongTheStageAnswersAsAskedAnywhere)
{
    std::mt19937 random(8);
    std::vector<pace::Knot> knots{{0.0, 0.0}};
    for (int k = 0; k < 400; ++k) {
        knots.push_back({knots.back().station_m + std::uniform_real_distribution(0.5, 40.0)(random),
            knots.back().time_s + std::uniform_real_distribution(0.1, 3.0)(random)});
    }
    const pace::Pace pace(knots);
    std::size_t near_place = 0;
    std::size_t near_time = 399; // anywhere at first
    for (int turn = 0; turn < 3000; ++turn) {
        const double station_m = std::uniform_real_distribution(-20.0, pace.length_m() + 20.0)(random);
        const double time_s = std::uniform_real_distribution(-3.0, pace.duration_s() + 3.0)(random);
        EXPECT_EQ(pace.timeAt(station_m, near_place), pace.timeAt(station_m));
        EXPECT_EQ(pace.stationAt(time_s, near_time), pace.stationAt(time_s));
    }
    for (const auto& knot : knots) {
        EXPECT_EQ(pace.timeAt(knot.station_m, near_place), pace.timeAt(knot.station_m));
    }
}

TEST(Pace, OfARoadThatNoStageHasIsFoundAllTheSame)
{
    std::string text = "[laps 8]\n";
    for (int line = 0; line < 5; ++line) {
        text += "left four 44444444\n"; // a slip of the finger: thousands of kilometres in all
    }
    stage::Stage stage;
    stage.text = text + "[end]\n";
    stage.rehearsal.target_time_s = 60.0;
    const auto prepared = stage::prepare(stage, nullptr);
    EXPECT_GT(prepared.placement.pace.length_m(), 1e6);
    EXPECT_NEAR(prepared.placement.pace.duration_s(), 60.0, 0.01);
    EXPECT_FALSE(prepared.placement.warnings.empty()) << "no tyre does that";
    EXPECT_EQ(prepared.plan.notes.size(), 40U);
}

TEST(Place, ATraceThatNeverGoesForwardIsLeftOutAndTold)
{
    const auto road = roadOf(kShortStage, 900.0);
    pace::Pass pass;
    pass.finish_s = 60.0;
    pass.trace = {{5.0, 1.0}, {5.0, 2.0}, {5.0, 3.0}};
    const auto placement = pace::place(road, pass);
    EXPECT_EQ(placement.warnings.size(), 1U);
    EXPECT_NEAR(placement.pace.duration_s(), 60.0, 0.1);
}
