#include "maths/quantile.h"

#include <gtest/gtest.h>

using namespace brumefall;

TEST(Quantile, IsTheValueThatItsShareIsNotAbove)
{
    std::vector<double> values{5.0, 1.0, 4.0, 2.0, 3.0};
    EXPECT_EQ(maths::quantile(std::span(values), 0.0), 1.0);
    EXPECT_EQ(maths::quantile(std::span(values), 0.25), 2.0);
    EXPECT_EQ(maths::quantile(std::span(values), 0.5), 3.0);
    EXPECT_EQ(maths::quantile(std::span(values), 0.99), 4.0) << "between two values the lower";
    EXPECT_EQ(maths::quantile(std::span(values), 1.0), 5.0);
    std::vector<float> one{7.0F};
    EXPECT_EQ(maths::quantile(std::span(one), 0.9), 7.0F);
}

TEST(Quantile, TheMedianIsTheUpperOfTwoAndLeavesTheValuesAlone)
{
    const std::vector<double> values{4.0, 1.0, 3.0, 2.0};
    EXPECT_EQ(maths::median(values), 3.0);
    EXPECT_EQ(values, (std::vector<double>{4.0, 1.0, 3.0, 2.0}));
    EXPECT_EQ(maths::median(std::vector{2}), 2);
}
