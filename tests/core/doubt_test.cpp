#include "pace/doubt.h"

#include <gtest/gtest.h>

using namespace brumefall;

namespace {

/// Notes ten seconds apart; those of `marked`, from 1, are marked.
pace::Placement tenSecondsApart(std::size_t count, std::initializer_list<std::size_t> marked)
{
    pace::Placement placement;
    for (std::size_t i = 1; i <= count; ++i) {
        const double time_s = 10.0 * static_cast<double>(i);
        placement.notes.push_back({"n" + std::to_string(i), 20.0 * time_s, time_s, 1.0, false, false});
    }
    for (const std::size_t number : marked) {
        placement.notes[number - 1].marked = true;
    }
    return placement;
}

} // namespace

TEST(DoubtOfMark, NearWhereTheRoadSaysThereIsNone)
{
    const auto placement = tenSecondsApart(8, {2, 6});
    EXPECT_EQ(pace::doubtOfMark(placement, 3, 40.0), "");
    EXPECT_EQ(pace::doubtOfMark(placement, 3, 44.0), "");
    EXPECT_EQ(pace::doubtOfMark(placement, 0, 12.0), "");
}

TEST(DoubtOfMark, AMarkBeyondItsNeighboursIsAsked)
{
    const auto placement = tenSecondsApart(8, {2, 6});
    EXPECT_NE(pace::doubtOfMark(placement, 3, 19.0).find("Note 2"), std::string::npos);
    EXPECT_NE(pace::doubtOfMark(placement, 3, 61.0).find("Note 6"), std::string::npos);
    EXPECT_NE(pace::doubtOfMark(placement, 0, -1.0).find("before go"), std::string::npos);
}

TEST(DoubtOfMark, AMarkThatSqueezesTheNotesBesideItIsAsked)
{
    const auto placement = tenSecondsApart(20, {2});
    EXPECT_NE(pace::doubtOfMark(placement, 3, 120.0).find("sooner"), std::string::npos);
    EXPECT_NE(pace::doubtOfMark(placement, 15, 22.0).find("later"), std::string::npos);
    EXPECT_EQ(pace::doubtOfMark(placement, 15, 100.0), "") << "a slow recce is no mistake";
}
