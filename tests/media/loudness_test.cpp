// How loud a syllable is.

#include "media/loudness.h"

#include <gtest/gtest.h>

#include <vector>

using namespace brumefall;

TEST(Loudness, ASyllableIsAsLoudAsItsLoudestAndAClickIsNone)
{
    std::vector<float> loudness(100, 30.0F);
    for (std::size_t f = 40; f < 50; ++f) {
        loudness[f] = 70.0F;
    }
    loudness[90] = 75.0F;
    const auto levels = media::syllableLevels_dB(loudness);
    EXPECT_FLOAT_EQ(levels[45], 70.0F);
    EXPECT_FLOAT_EQ(levels[25], 70.0F) << "a fifth of a second before it";
    EXPECT_FLOAT_EQ(levels[10], 30.0F);
    EXPECT_LT(levels[90], 50.0F) << "one hundredth of a second is no syllable";
}
