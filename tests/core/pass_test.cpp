// Notes placed by the marks of a pass: marks that contradict each other, proposals, a wet road.

#include "pace/pass.h"
#include "stage/stage.h"

#include <gtest/gtest.h>

#include <random>

using namespace brumefall;

namespace {

constexpr int kNoteCount = 12;

stage::Stage evenStage()
{
    stage::Stage stage;
    for (int n = 0; n < kNoteCount; ++n) {
        stage.text += n % 2 == 0 ? "left four 60\n" : "right four 60\n";
    }
    return stage;
}

/// A mark at every note, eight seconds from one to the next.
pace::Pass evenPass()
{
    pace::Pass pass;
    pass.go_s = 5.0;
    for (int n = 0; n < kNoteCount; ++n) {
        pass.marks.push_back({"n" + std::to_string(n + 1), 5.0 + 8.0 * (n + 1), false, 1.0});
    }
    return pass;
}

pace::Placement placed(const pace::Pass& pass)
{
    return stage::prepare(evenStage(), &pass).placement;
}

int markedNotes(const pace::Placement& placement)
{
    return static_cast<int>(std::count_if(placement.notes.begin(), placement.notes.end(),
        [](const pace::PlacedNote& note) { return note.marked; }));
}

} // namespace

TEST(Marks, OneMisplacedMarkCostsItselfAndNotThoseAfterIt)
{
    auto pass = evenPass();
    pass.marks[3].media_s = 5.0 + 8.0 * 9.5; // the fourth, marked where the ninth is
    const auto placement = placed(pass);
    EXPECT_EQ(markedNotes(placement), kNoteCount - 1);
    EXPECT_FALSE(placement.notes[3].marked);
    EXPECT_GT(placement.notes[3].arrive_s, placement.notes[2].arrive_s);
    EXPECT_LT(placement.notes[3].arrive_s, placement.notes[4].arrive_s);
    ASSERT_EQ(placement.warnings.size(), 1U);
    EXPECT_EQ(placement.warnings[0], "the mark of note 4 is after the mark of note 5; it was left out");
}

TEST(Marks, AMarkTooEarlyIsToldByTheOneBeforeIt)
{
    auto pass = evenPass();
    pass.marks[8].media_s = 5.0 + 8.0 * 2.5;
    const auto placement = placed(pass);
    EXPECT_EQ(markedNotes(placement), kNoteCount - 1);
    ASSERT_EQ(placement.warnings.size(), 1U);
    EXPECT_EQ(placement.warnings[0], "the mark of note 9 is before the mark of note 8; it was left out");
}

TEST(Marks, ManyAtRandomKeepRoadAndTimeInOrderAndAsFewAsMayBeAreLeftOut)
{
    std::mt19937 random(11);
    for (int turn = 0; turn < 300; ++turn) {
        auto pass = evenPass();
        const int moved = turn % 4;
        for (int m = 0; m < moved; ++m) {
            pass.marks[std::uniform_int_distribution<std::size_t>(0, kNoteCount - 1)(random)].media_s =
                std::uniform_real_distribution(6.0, 100.0)(random);
        }
        const auto placement = placed(pass);
        EXPECT_GE(markedNotes(placement), kNoteCount - moved);
        for (std::size_t k = 1; k < placement.notes.size(); ++k) {
            EXPECT_GE(placement.notes[k].arrive_s, placement.notes[k - 1].arrive_s);
        }
    }
}

TEST(Marks, AProposalGivesWayToAMarkWithoutAWord)
{
    auto pass = evenPass();
    for (std::size_t m = 4; m < 8; ++m) {
        pass.marks[m].draft = true;
        pass.marks[m].media_s -= 40.0; // a whole run of proposals in the wrong place
    }
    const auto placement = placed(pass);
    EXPECT_EQ(markedNotes(placement), kNoteCount - 4);
    EXPECT_TRUE(placement.warnings.empty());
    EXPECT_FALSE(placement.notes[5].draft);
}

TEST(Marks, OfTwoAtOneTimeOneIsLeftOut)
{
    auto pass = evenPass();
    pass.marks[6].media_s = pass.marks[5].media_s;
    const auto placement = placed(pass);
    EXPECT_EQ(markedNotes(placement), kNoteCount - 1);
    EXPECT_EQ(placement.warnings.size(), 1U);
}

TEST(AWetRoad, BringsEveryNoteLaterInTheSameOrder)
{
    const auto pass = evenPass();
    const auto prepared = stage::prepare(evenStage(), &pass);
    const auto wet = pace::asIfWet(prepared.road, prepared.placement, {});
    ASSERT_EQ(wet.notes.size(), prepared.placement.notes.size());
    double late_before_s = 0.0;
    for (std::size_t k = 0; k < wet.notes.size(); ++k) {
        const double later_s = wet.notes[k].arrive_s - prepared.placement.notes[k].arrive_s;
        EXPECT_GE(later_s, late_before_s - 0.05) << "never makes up what the wet has cost";
        late_before_s = later_s;
        EXPECT_EQ(wet.notes[k].station_m, prepared.placement.notes[k].station_m);
    }
    EXPECT_GT(late_before_s, 1.0);
    EXPECT_LT(late_before_s, prepared.placement.notes.back().arrive_s) << "not twice as slow";
}
