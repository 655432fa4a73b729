#include "take/compare.h"

#include "small_reading.h"

#include <gtest/gtest.h>

using namespace brumefall;
using namespace brumefall::take;

TEST(Compare, ATakeBesideItselfIsTheSame)
{
    const support::SmallReading reading;
    const auto verdicts = reading.verdicts();
    const auto beside = besides(reading.plan(), verdicts, verdicts);
    for (std::size_t k = 0; k < beside.size(); ++k) {
        EXPECT_TRUE(beside[k].heard);
        EXPECT_NEAR(beside[k].end_s, verdicts[k].end_s, 1e-9);
        EXPECT_NEAR(beside[k].longer_lead_s, 0.0, 1e-9);
    }
    const auto compared = compare(verdicts, beside);
    EXPECT_EQ(compared.notes, static_cast<int>(verdicts.size()));
    EXPECT_EQ(compared.on_time, compared.on_time_other);
    EXPECT_EQ(compared.sooner + compared.later, 0);
}

TEST(Compare, WhoReadsSoonerHasTheLongerLead)
{
    support::SmallReading one;
    support::SmallReading other;
    for (std::size_t k = 0; k < one.found.size(); ++k) {
        one.found[k].span.start_s -= 0.5;
        one.found[k].span.end_s -= 0.5;
    }
    other.found[2].read = false;
    const auto verdicts = one.verdicts();
    const auto beside = besides(one.plan(), verdicts, other.verdicts());
    EXPECT_NEAR(beside[4].longer_lead_s, 0.5, 1e-9);
    EXPECT_NEAR(beside[4].end_s, verdicts[4].end_s + 0.5, 1e-9) << "on the clock of the one";
    EXPECT_TRUE(beside[2].judged);
    EXPECT_FALSE(beside[2].heard);
    const auto compared = compare(verdicts, beside);
    EXPECT_NEAR(compared.median_longer_lead_s, 0.5, 1e-9);
    EXPECT_EQ(compared.sooner, static_cast<int>(verdicts.size()) - 1);
}

TEST(Compare, AnotherPassIsLaidOverAtTheActionPoints)
{
    const support::SmallReading reading;
    const auto verdicts = reading.verdicts();
    auto slower = verdicts; // the same leads at another time of the clock
    for (auto& verdict : slower) {
        verdict.start_s += 40.0;
        verdict.end_s += 40.0;
    }
    const auto beside = besides(reading.plan(), verdicts, slower);
    EXPECT_NEAR(beside[3].end_s, verdicts[3].end_s, 1e-9);
    slower.erase(slower.begin() + 3);
    EXPECT_FALSE(besides(reading.plan(), verdicts, slower)[3].judged) << "a note that it has not";
}
