// Notes laid on a track by the way it bends.

#include "driven_road.h"
#include "pace/match.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>

using namespace brumefall;

namespace {

constexpr const char* kWritten = "100 left four 60\nhairpin right 80\nright three into left two 120\n"
                                 "left five long 50\nsquare right 150\nleft three tightens one 90\n"
                                 "right two 70\nleft four into right four 100\nacute left 60\nright five";
/// The same bends, and other distances between them than were written.
constexpr const char* kDriven = "130 left four 40\nhairpin right 110\nright three into left two 80\n"
                                "left five long 90\nsquare right 110\nleft three tightens one 120\n"
                                "right two 40\nleft four into right four 150\nacute left 40\nright five";

struct MatchTest : testing::Test {
    MatchTest()
    {
        for (std::size_t i = 0; i < road.notes.size(); ++i) {
            true_s[road.notes[i].id] = support::drivenAt_s(driven.notes[i].station_m);
        }
    }

    [[nodiscard]] double worst_s(const std::vector<pace::MatchedNote>& notes) const
    {
        double worst = 0.0;
        for (const auto& note : notes) {
            worst = std::max(worst, std::abs(note.time_s - true_s.at(note.note)));
        }
        return worst;
    }

    static constexpr double kStands_s = 5.0;
    static constexpr double kNear_s = 1.5; ///< of the gentlest bend, whose beginning nobody sees
    road::Road road = support::preparedOf(kWritten).road;
    road::Road driven = support::preparedOf(kDriven).road;
    pace::Log log = support::drivenLog(driven, kStands_s);
    pace::CleanLog clean = pace::cleanLog(log);
    pace::LogFit fit = pace::fitByGo(clean);
    std::map<std::string, double> true_s;
};

} // namespace

TEST_F(MatchTest, EveryNoteIsFoundWhereItsBendIsWhateverTheDistancesSaid)
{
    const auto found = pace::matchNotes(road, log, clean, fit);
    ASSERT_EQ(found.size(), road.notes.size());
    EXPECT_LT(worst_s(found), kNear_s);
    EXPECT_GE(std::count_if(found.begin(), found.end(), [](const auto& note) { return note.by_bend; }), 11);
    EXPECT_TRUE(std::is_sorted(
        found.begin(), found.end(), [](const auto& a, const auto& b) { return a.station_m < b.station_m; }));
}

TEST_F(MatchTest, TwoMarksLayTheLogWhereverItsClockBegan)
{
    const std::map<std::string, double> marks{{road.notes[1].id, true_s[road.notes[1].id] - 2.0},
        {road.notes[7].id, true_s[road.notes[7].id] - 2.0}}; // go was two seconds later
    const auto laid = pace::fitByMarks(road, log, clean, marks);
    EXPECT_NEAR(laid.go_log_s, kStands_s + 2.0, 0.5);
    EXPECT_EQ(laid.by, "marks");
    EXPECT_THROW(
        static_cast<void>(pace::fitByMarks(road, log, clean, {*marks.begin()})), std::invalid_argument);
}

TEST_F(MatchTest, ALogWithoutPositionsIsLaidByItsDistanceAndShowsNoBends)
{
    auto blind = log;
    blind.has_positions = false;
    EXPECT_TRUE(pace::matchNotes(road, blind, clean, fit).empty());
    std::map<std::string, double> marks;
    for (const std::size_t i : {0U, 2U, 4U, 7U, 9U, 11U}) {
        marks[driven.notes[i].id] = true_s[driven.notes[i].id];
    }
    EXPECT_NEAR(pace::fitByMarks(driven, blind, clean, marks).go_log_s, kStands_s, 0.3);
}

TEST_F(MatchTest, ALogThatEndsBeforeGoIsToldAndHasNothing)
{
    pace::LogFit late = fit;
    late.go_log_s = clean.track.back().time_s + 60.0;
    EXPECT_THROW(static_cast<void>(pace::matchNotes(road, log, clean, late)), std::invalid_argument);
}

TEST_F(MatchTest, AProposalIsADraftAtItsTimeOfTheVideoAndAMarkOnTheWayIsNotMoved)
{
    pace::Pass pass;
    pass.go_s = 12.0;
    const auto found = pace::matchNotes(road, log, clean, fit);
    for (const auto& note : found) {
        pass.marks.push_back(pace::proposal(note, pass));
        EXPECT_TRUE(pass.marks.back().draft);
        EXPECT_EQ(pass.marks.back().note, note.note);
        EXPECT_NEAR(pass.marks.back().media_s, 12.0 + note.time_s, 0.005) << "whole hundredths";
        EXPECT_GT(pass.marks.back().sure_s, 0.0);
    }
    pass.marks[2].draft = false; // set by hand, and meant so
    pass.marks[2].media_s -= 0.8;
    for (std::size_t i = 3; i < pass.marks.size(); ++i) {
        pass.marks[i].media_s += i % 2 == 0 ? 0.6 : -0.6;
    }
    const pace::Mark by_hand = pass.marks[2];
    EXPECT_EQ(pace::markTimes(pass).size(), 1U);
    EXPECT_EQ(pace::markTimes(pass, true).size(), pass.marks.size() - 1);
    const auto sharpened = pace::sharpenDrafts(pass, road, log, clean, "the log", true);
    EXPECT_GT(sharpened.moved, 8);
    EXPECT_EQ(pass.marks[2], by_hand);
    EXPECT_FALSE(pass.trace.empty());
    EXPECT_NE(pass.log.find("the log"), std::string::npos);
    for (std::size_t i = 3; i < pass.marks.size(); ++i) {
        EXPECT_NEAR(pass.marks[i].media_s, 12.0 + true_s[pass.marks[i].note], kNear_s) << i;
    }
}

TEST_F(MatchTest, ATraceThatThePassHasStays)
{
    pace::Pass pass;
    pass.trace = {{0.0, 0.0}, {100.0, 5.0}};
    const auto trace = pass.trace;
    for (const auto& note : pace::matchNotes(road, log, clean, fit)) {
        pass.marks.push_back(pace::proposal(note, pass));
    }
    static_cast<void>(pace::sharpenDrafts(pass, road, log, clean, "the log", true));
    EXPECT_EQ(pass.trace.size(), trace.size());
    pace::takeTrace(pass, clean, fit, "another log");
    EXPECT_GT(pass.trace.size(), 100U);
    EXPECT_EQ(pass.trace.front().time_s, 0.0);
    EXPECT_EQ(pass.trace.front().station_m, 0.0);
    EXPECT_NE(pass.log.find("another log"), std::string::npos);
}
