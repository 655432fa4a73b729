#include "take/causes.h"

#include "notes/near_misses.h"
#include "small_reading.h"

#include <gtest/gtest.h>

using namespace brumefall;
using namespace brumefall::take;
using Reading = support::SmallReading;

TEST(Causes, ANoteOnTimeHasNone)
{
    const Reading reading;
    for (std::size_t k = 0; k < reading.found.size(); ++k) {
        EXPECT_EQ(reading.reasonOf(k).cause, Cause::none) << k << ": " << reading.reasonOf(k).text;
    }
}

TEST(Causes, ACallBegunLateThoughThereWasRoomIsTheStart)
{
    Reading reading;
    reading.shift(6, reading.tooLate_s(6));
    ASSERT_EQ(reading.verdicts()[6].timing, Timing::late);
    const auto reason = reading.reasonOf(6);
    EXPECT_EQ(reason.cause, Cause::start);
    EXPECT_NE(reason.text.find("though there was room"), std::string::npos) << reason.text;
    EXPECT_FALSE(isPlanFault(reason.cause));
}

TEST(Causes, SlowWordsAreTheRateAndBothRatesAreTold)
{
    Reading reading;
    reading.found[6].span.end_s += reading.tooLate_s(6);
    const auto reason = reading.reasonOf(6);
    EXPECT_EQ(reason.cause, Cause::rate);
    EXPECT_NE(reason.text.find("syllables a second where"), std::string::npos) << reason.text;
}

TEST(Causes, AStumbleNamesItsWord)
{
    Reading reading;
    auto& note = reading.found[3]; // left two tightens one
    const double late_s = reading.tooLate_s(3);
    const double half_s = 0.5 * (note.span.start_s + note.span.end_s);
    note.words = {{"left", {note.span.start_s, half_s - 0.2}}, {"two", {half_s - 0.2, half_s}},
        {"tightens", {half_s + late_s, half_s + late_s + 0.3}},
        {"one", {half_s + late_s + 0.3, note.span.end_s + late_s}}};
    note.hesitations = {{half_s, half_s + late_s}};
    note.span.end_s += late_s;
    const auto reason = reading.reasonOf(3);
    EXPECT_EQ(reason.cause, Cause::stumble);
    EXPECT_EQ(reason.text, "stumbled on \"tightens\"");
}

TEST(Causes, WhatFollowsASlowNoteInItsCallIsLateBecauseOfThat)
{
    Reading reading;
    const double late_s = std::max(reading.tooLate_s(4), reading.tooLate_s(5));
    reading.found[3].span.end_s += late_s;
    for (const std::size_t k : {4UL, 5UL}) {
        reading.found[k].span.start_s += late_s;
        reading.found[k].span.end_s += late_s;
    }
    const auto reason = reading.reasonOf(5);
    EXPECT_EQ(reason.cause, Cause::before);
    EXPECT_EQ(reason.first, reading.plan().notes[3].id);
}

TEST(Causes, AWholeCallBegunLateIsOneFaultNotThree)
{
    Reading reading;
    reading.shift(3, std::max(reading.tooLate_s(4), reading.tooLate_s(5)));
    const auto reason = reading.reasonOf(5);
    EXPECT_EQ(reason.cause, Cause::start) << reason.text;
    EXPECT_EQ(reason.first, reading.plan().notes[3].id);
}

TEST(Causes, APlanThatIsLateItselfIsNoFaultOfTheReader)
{
    stage::Stage stage;
    stage.text =
        "100 left four 30\nright two tightens one don't cut over big crest into left three long late 20\n"
        "caution hairpin right very long tightens don't cut 20\nleft two 30";
    stage.reader.rate_syll_s = 1.2;
    stage.reader.fastest_syll_s = 1.3;
    const auto prepared = stage::prepare(stage, nullptr);
    std::vector<FoundNote> found;
    for (const auto& note : prepared.plan.notes) {
        found.push_back({note.id, true, {note.start_s, note.end_s}, {}, {}, {}, false, {}});
    }
    const auto verdicts = judge(prepared.plan, prepared.placement.pace, found, {}, 1e4);
    const auto why = reasons(prepared.plan, found, {}, verdicts);
    int late = 0;
    for (std::size_t k = 0; k < verdicts.size(); ++k) {
        if (verdicts[k].timing == Timing::late) {
            ++late;
            EXPECT_EQ(why[k].cause, Cause::plan) << why[k].text;
            EXPECT_TRUE(isPlanFault(why[k].cause));
        }
    }
    EXPECT_GT(late, 0);
}

TEST(Causes, TheFirstNoteOfAllHasNothingBeforeIt)
{
    Reading reading;
    const double late_s = reading.tooLate_s(0);
    reading.shift(0, late_s);
    EXPECT_EQ(reading.reasonOf(0).cause, Cause::start);
    reading.shift(1, std::max(late_s, reading.tooLate_s(1)));
    EXPECT_NE(reading.reasonOf(1).cause, Cause::none);
}

TEST(Causes, OneNoteLeftOutIsSkippedAndThreeAreALostPlace)
{
    Reading reading;
    reading.found[2].read = false;
    EXPECT_EQ(reading.reasonOf(2).cause, Cause::skipped);
    for (const std::size_t k : {5UL, 6UL, 7UL}) {
        reading.found[k].read = false;
    }
    EXPECT_EQ(reading.reasonOf(6).cause, Cause::lost);
    EXPECT_EQ(reading.reasonOf(6).first, reading.plan().notes[5].id);
}

TEST(Misread, AWrongDirectionIsNeverOnTimeHoweverTimely)
{
    Reading reading;
    reading.found[6].misread = {{"left", "right", 0.97, false}};
    const auto verdict = reading.verdicts()[6];
    EXPECT_NE(verdict.timing, Timing::on_time);
    EXPECT_TRUE(verdict.isMisread());
    EXPECT_TRUE(verdict.heard());
    EXPECT_EQ(describe(verdict), "said \"left\", the note says \"right\"");
    EXPECT_EQ(reading.reasonOf(6).cause, Cause::misread);
    const auto figures = take::figures(reading.plan(), reading.verdicts());
    EXPECT_EQ(figures.misread, 1);
    EXPECT_EQ(figures.missed, 0);
}

TEST(Misread, WhatIsNotSureOrOnlyADistanceTakesNothingFromTheNote)
{
    Reading reading;
    reading.found[6].misread = {{"left", "right", 0.3, false}};
    reading.found[7].misread = {{"fifty", "ninety", 0.9, true}};
    EXPECT_EQ(reading.verdicts()[6].timing, Timing::on_time);
    EXPECT_EQ(reading.verdicts()[7].timing, Timing::on_time);
    EXPECT_EQ(reading.verdicts()[7].misread.size(), 1U) << "it is told all the same";
}

TEST(NearMisses, AreWhatTheLanguageAllowsInTheSameSlot)
{
    const auto misses =
        notes::nearMisses({"don't", "cut", "left", "four", "plus", "tightens", "two"}, notes::Spoken::note);
    EXPECT_EQ(misses[0], std::vector<std::string>{""});
    EXPECT_TRUE(misses[1].empty());
    EXPECT_EQ(misses[2], std::vector<std::string>{"right"});
    EXPECT_EQ(misses[3].size(), 5U);
    EXPECT_EQ(misses[4], (std::vector<std::string>{"minus", ""}));
    EXPECT_EQ(misses[5], std::vector<std::string>{"opens"});
    const auto far = notes::nearMisses({"one", "fifty"}, notes::Spoken::distance);
    EXPECT_EQ(far[0].size(), 4U);
    EXPECT_EQ(far[1].size(), 8U);
}
