#include "notes/succession.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <numeric>
#include <sstream>

using namespace brumefall;

TEST(Succession, AGradeComesWhereTheSchoolSaysIt)
{
    const auto direction_first = notes::succession(notes::Order::direction_first);
    const auto number_first = notes::succession(notes::Order::number_first);
    EXPECT_GT(
        direction_first.probabilityOf("left", "four"), 3.0 * number_first.probabilityOf("left", "four"));
    EXPECT_GT(
        number_first.probabilityOf("four", "left"), 1.5 * direction_first.probabilityOf("four", "left"));
    const auto either = notes::succession({});
    EXPECT_GT(either.probabilityOf("left", "four"), 0.0);
    EXPECT_GT(either.probabilityOf("four", "left"), 0.0);
}

TEST(Succession, PhrasesHoldTogetherAndThingsComeAfterWhatRelatesThem)
{
    const auto model = notes::succession(notes::Order::direction_first);
    EXPECT_GT(model.probabilityOf("don't", "cut"), 0.5);
    EXPECT_GT(model.probabilityOf("over", "crest"), 10.0 * model.probabilityOf("over", "left"));
    EXPECT_GT(model.shareOf("left"), model.shareOf("chicane"));
    EXPECT_GT(model.shareOf("very"), 0.0);
}

TEST(Succession, TheSharesAndWhatFollowsAWordAreProbabilities)
{
    const auto model = notes::succession({});
    EXPECT_NEAR(std::accumulate(model.share.begin(), model.share.end(), 0.0), 1.0, 1e-9);
    EXPECT_TRUE(std::is_sorted(model.words.begin(), model.words.end()));
    std::vector<double> after(model.words.size(), 0.0);
    for (const auto& pair : model.pairs) {
        ASSERT_LT(pair.next, model.words.size());
        EXPECT_GT(pair.probability, 0.0);
        after[pair.first] += pair.probability;
    }
    for (const double sum : after) {
        EXPECT_LE(sum, 0.96);
    }
    EXPECT_LE(std::accumulate(model.begins.begin(), model.begins.end(), 0.0), 1.0 + 1e-9);
}

TEST(Succession, APairIsAsLikelyAsItIsListed)
{
    const auto model = notes::succession(notes::Order::direction_first);
    for (const auto& pair : model.pairs) {
        ASSERT_EQ(model.probabilityOf(model.words[pair.first], model.words[pair.next]), pair.probability);
    }
    EXPECT_GT(model.probabilityOf("left", "four"), model.probabilityOf("left", "left"));
    EXPECT_EQ(model.probabilityOf("left", "potatoes"), 0.0);
    EXPECT_EQ(model.probabilityOf("potatoes", "left"), 0.0);
}

TEST(Succession, TheCrewsOwnWordsAreExpectedToo)
{
    notes::Style style;
    style.words = {{"bullet", "six"}};
    const auto model = notes::succession(notes::Order::direction_first, style);
    EXPECT_GT(model.shareOf("bullet"), 0.0);
    EXPECT_GT(model.probabilityOf("left", "bullet"), 0.0) << "where its meaning would be said";
    EXPECT_EQ(notes::succession({}).shareOf("bullet"), 0.0);
}

TEST(Succession, TheArpaTextHoldsAsManyLinesAsItSaysAndProbabilitiesThatBackOff)
{
    const auto model = notes::succession(notes::Order::number_first);
    std::istringstream text(notes::arpaOf(model, {"++AH++", "++S++"}));
    std::string line;
    std::string last;
    std::size_t said[2] = {0, 0};
    std::size_t counted[2] = {0, 0};
    int section = -1;
    while (std::getline(text, line)) {
        last = line.empty() ? last : line;
        if (line.starts_with("ngram 1=") || line.starts_with("ngram 2=")) {
            said[line[6] - '1'] = std::stoul(line.substr(8));
        } else if (line == "\\1-grams:" || line == "\\2-grams:") {
            section = line[1] - '1';
        } else if (line.find('\t') != std::string::npos && section >= 0) {
            ++counted[section];
            EXPECT_LE(std::stod(line), 0.0) << line;
        }
    }
    EXPECT_EQ(last, "\\end\\");
    EXPECT_EQ(counted[0], said[0]);
    EXPECT_EQ(counted[1], said[1]);
    EXPECT_EQ(said[0], model.words.size() + 4) << "with the ends and the sounds of talk";
}
