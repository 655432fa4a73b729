// Verdicts in words, as they stand beside a note.

#include "take/take.h"

#include <gtest/gtest.h>

using namespace brumefall::take;

namespace {

Verdict verdictOf(Timing timing, double off_s, double lead_s, double lead_m)
{
    Verdict verdict;
    verdict.timing = timing;
    verdict.off_s = off_s;
    verdict.lead_s = lead_s;
    verdict.lead_m = lead_m;
    verdict.notes_ahead = 1;
    verdict.start_s = 10.0;
    verdict.end_s = 11.0;
    return verdict;
}

} // namespace

TEST(Describe, ALateNoteSaysHowFarTheCarStillWasOrHowFarItWasPast)
{
    EXPECT_EQ(describe(verdictOf(Timing::late, 0.62, 1.4, 41.3)), "0.6 s late, 41 m before");
    EXPECT_EQ(describe(verdictOf(Timing::late, 2.0, -0.4, -12.0)), "2.0 s late, 12 m past its action point");
}

TEST(Describe, AnEarlyNoteSaysHowManyNotesTheDriverHadToHold)
{
    Verdict early = verdictOf(Timing::early, -1.27, 6.0, 180.0);
    EXPECT_EQ(describe(early), "1.3 s early, one note ahead");
    early.notes_ahead = 3;
    EXPECT_EQ(describe(early), "1.3 s early, 3 notes ahead");
}

TEST(Describe, ANoteOnTimeSaysItsLead)
{
    EXPECT_EQ(describe(verdictOf(Timing::on_time, 0.0, 2.4, 51.0)), "on time, 2.4 s and 51 m before");
}

TEST(Describe, AWrongWordCountsMoreThanItsTime)
{
    Verdict misread = verdictOf(Timing::on_time, 0.0, 2.4, 51.0);
    misread.misread = {{"five", "four", 1.0, false}};
    EXPECT_EQ(describe(misread), "said \"five\", the note says \"four\"");
}

TEST(Describe, WhatWasNotSaidIsMissedUnlessTheTakeWasElsewhere)
{
    Verdict missed;
    EXPECT_EQ(describe(missed), "missed");
    missed.outside_take = true;
    EXPECT_EQ(describe(missed), "not in this take");
}
