#include "media/reader_place.h"

#include <gtest/gtest.h>

#include <string>
#include <vector>

using namespace brumefall;

namespace {

constexpr double kApart_s = 5.0;

/// A hundred notes, one every five seconds of the plan.
std::vector<take::ExpectedNote> planned()
{
    std::vector<take::ExpectedNote> notes;
    for (int k = 0; k < 100; ++k) {
        notes.push_back({"n" + std::to_string(k), "left four", "", {}, kApart_s * k});
    }
    return notes;
}

/// Notes 0 to 11 were read, note k at `start_s(k)`.
template <typename StartOf> media::ReaderPlace afterTwelve(const StartOf& start_s)
{
    constexpr std::size_t kRead = 12;
    const auto notes = planned();
    media::ReaderPlace place;
    for (std::size_t k = 0; k < kRead; ++k) {
        place.hear(notes[k], start_s(static_cast<double>(k)));
    }
    place.goTo(kRead);
    return place;
}

} // namespace

TEST(ReaderPlace, TheFirstNotesAreThoseThatArePlannedSoSoon)
{
    auto notes = planned();
    EXPECT_EQ(media::firstNotesOf(notes, 4.5 * kApart_s), 5U);
    EXPECT_EQ(media::firstNotesOf(notes, 1000.0 * kApart_s), notes.size());
    notes.front().planned_s.reset();
    EXPECT_EQ(media::firstNotesOf(notes, 4.5 * kApart_s), notes.size()) << "nobody knows when";
    EXPECT_EQ(media::firstNotesOf({}, 4.5), 0U);
}

TEST(ReaderPlace, NothingHeardMayBeAnywhere)
{
    const auto window = media::ReaderPlace{}.window(planned(), {0.0, 20.0});
    EXPECT_TRUE(window.anywhere);
    EXPECT_EQ(window.first, 0U);
    EXPECT_EQ(window.last, planned().size());
}

TEST(ReaderPlace, WhoReadsAtThePlansPaceIsWhereItIsDue)
{
    constexpr double kLater_s = 100.0; // the recording begins before go
    const auto place = afterTwelve([&](double k) { return kLater_s + kApart_s * k; });
    ASSERT_TRUE(place.laterThanDue_s());
    EXPECT_DOUBLE_EQ(*place.laterThanDue_s(), kLater_s);
    const auto window = place.window(planned(), {160.0, 180.0});
    EXPECT_EQ(window.at, 12U);
    EXPECT_EQ(window.first, 10U);
    EXPECT_EQ(window.last, 19U) << "twelve seconds beyond the end";
}

TEST(ReaderPlace, AWrongNoteOrTwoDoNotMislead)
{
    const auto place = afterTwelve([](double k) {
        return kApart_s * k + (k == 5 ? 80.0 : k == 8 ? -60.0 : 0.0);
    });
    ASSERT_TRUE(place.laterThanDue_s());
    EXPECT_DOUBLE_EQ(*place.laterThanDue_s(), 0.0);
}

TEST(ReaderPlace, WhoReadsAtATableHasNoPace)
{
    const auto place = afterTwelve([](double k) { return 1.5 * k; });
    EXPECT_FALSE(place.laterThanDue_s());
    EXPECT_EQ(place.window(planned(), {18.0, 42.0}).last, 52U) << "anything ahead";
}

TEST(ReaderPlace, ALostReaderIsLookedForWhereItIsDueOnceThatIsKnown)
{
    auto place = afterTwelve([](double k) { return kApart_s * k; });
    place.at = 90; // noise was heard as a note
    place.anywhere = true;
    const auto window = place.window(planned(), {60.0, 80.0});
    EXPECT_EQ(window.first, 10U);
    EXPECT_EQ(window.last, 19U);
}

TEST(ReaderPlace, TheTakesClockCountsBeforeThePlans)
{
    auto notes = planned();
    for (auto& note : notes) {
        note.due_s = *note.planned_s + 200.0;
    }
    const auto window = media::ReaderPlace{}.window(notes, {260.0, 280.0});
    EXPECT_EQ(window.last, 22U);
}

TEST(ReaderPlace, WhoKeepsBehindTheClockIsLookedForThere)
{
    auto notes = planned();
    media::ReaderPlace place;
    constexpr double kBehind_s = 20.0;
    for (std::size_t k = 0; k < notes.size(); ++k) {
        notes[k].due_s = *notes[k].planned_s + 200.0;
        if (k < 12) {
            place.hear(notes[k], *notes[k].due_s + kBehind_s);
        }
    }
    place.goTo(12);
    ASSERT_TRUE(place.laterThanDue_s());
    EXPECT_DOUBLE_EQ(*place.laterThanDue_s(), kBehind_s);
    const auto window = place.window(notes, {280.0, 300.0});
    EXPECT_EQ(window.first, 10U);
    EXPECT_EQ(window.last, 19U);
}

TEST(ReaderPlace, WhatIsReadLaterIsNotLookedForBefore)
{
    media::ReaderPlace place;
    place.until = 20;
    EXPECT_EQ(place.window(planned(), {0.0, 20.0}).last, 20U);
    place.goTo(17);
    const auto window = place.window(planned(), {0.0, 20.0});
    EXPECT_EQ(window.first, 11U);
    EXPECT_EQ(window.at, 17U);
    EXPECT_EQ(window.last, 20U);
    place.until = 3; // the reader went back
    EXPECT_EQ(place.window(planned(), {0.0, 20.0}).last, 12U) << "one note is looked for at least";
}

TEST(ReaderPlace, TheSteadierTheLastNotesTheNearerTheNextOneIsToItsTime)
{
    const auto steady = afterTwelve([](double k) { return kApart_s * k; });
    const auto loose =
        afterTwelve([](double k) { return kApart_s * k + (static_cast<int>(k) % 2 == 0 ? 1.5 : 0.0); });
    ASSERT_TRUE(steady.offDue_s() && loose.offDue_s());
    EXPECT_DOUBLE_EQ(*steady.offDue_s(), 5.0);
    EXPECT_DOUBLE_EQ(*loose.offDue_s(), 9.5);
    EXPECT_FALSE(afterTwelve([](double k) { return 1.5 * k; }).offDue_s()) << "no pace";
}

TEST(ReaderPlace, WhatIsDueInACallIsFewNotes)
{
    const auto notes = planned();
    const auto place = afterTwelve([](double k) { return 100.0 + kApart_s * k; });
    EXPECT_EQ(place.dueIn(notes, {164.0, 168.0}, 5.0), std::pair(std::size_t{12}, std::size_t{15}));
    EXPECT_EQ(
        media::ReaderPlace{}.dueIn(notes, {164.0, 168.0}, 5.0), std::pair(std::size_t{0}, std::size_t{0}));
}

TEST(ReaderPlace, ANoteHeardLongBeforeItIsDueIsTooEarlyByThat)
{
    const auto notes = planned();
    const auto place = afterTwelve([](double k) { return kApart_s * k; });
    EXPECT_DOUBLE_EQ(*place.earlyBy_s(notes[16], 62.0), 18.0);
    EXPECT_DOUBLE_EQ(*place.earlyBy_s(notes[12], 63.0), -3.0);
    EXPECT_FALSE(media::ReaderPlace{}.earlyBy_s(notes[16], 62.0));
}

TEST(ReaderPlace, AGuessWhenTheFirstNoteIsReadBoundsThoseThatMayBeHeardUntilTheReadingTells)
{
    constexpr double kGuess_s = 10.0;
    media::ReaderPlace place;
    place.likely_later_s = kGuess_s;
    const auto window = place.window(planned(), {0.0, 20.0});
    EXPECT_EQ(window.first, 0U);
    EXPECT_EQ(window.last, static_cast<std::size_t>((20.0 + media::kOffDue_s - kGuess_s) / kApart_s));

    auto read = afterTwelve([](double k) { return 100.0 + kApart_s * k; });
    const auto without = read.window(planned(), {160.0, 180.0});
    read.likely_later_s = kGuess_s;
    EXPECT_EQ(read.window(planned(), {160.0, 180.0}).last, without.last) << "the reading tells";
}

TEST(ReadAsPlanned, AReadingAtThePlansPaceIsNotAstrayWhereverItBegins)
{
    std::vector<media::BegunNote> begun;
    for (std::size_t k = 40; k < 60; ++k) {
        begun.push_back({k, 7.0 + kApart_s * static_cast<double>(k - 40)});
    }
    begun.push_back({45, 300.0}); // said again
    begun.push_back({3, 110.0}); // a word of somebody else's
    const auto read = media::readAsPlanned(planned(), begun);
    EXPECT_EQ(read.notes, 21U);
    EXPECT_EQ(read.as_planned, 20U);
    EXPECT_FALSE(read.isAstray());
}

TEST(ReadAsPlanned, NotesThatAreHeardFarFromTheirPlaceInThePlanAreAstray)
{
    // some of a late part in the first seconds, then of the beginning: a driver's words were taken for notes
    const std::vector<media::BegunNote> begun{
        {23, 3.7}, {24, 10.4}, {53, 22.9}, {54, 37.8}, {55, 38.8}, {60, 117.0}, {28, 256.8}, {31, 270.1}};
    EXPECT_TRUE(media::readAsPlanned(planned(), begun).isAstray());
    EXPECT_FALSE(media::readAsPlanned(planned(), {begun.begin(), 3}).isAstray()) << "too few tell nothing";
    EXPECT_EQ(media::readAsPlanned(planned(), {}).notes, 0U);
}
