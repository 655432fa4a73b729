// Numbers that captions ran together, split, or misheard: everything that they may be.

#include "notes/lattice.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <string>
#include <vector>

using namespace brumefall::notes;

namespace {

/// What words may be from `node` to the end, each as "grade 4, distance 60"; only what is a number, and
/// whole.
void collect(const Lattice& lattice, int node, const std::string& before, std::vector<std::string>& out)
{
    if (node == lattice.end()) {
        out.push_back(before);
        return;
    }
    for (const Alternative& other : lattice.from[static_cast<std::size_t>(node)]) {
        const char* part = other.part == Part::grade ? "grade"
            : other.part == Part::distance           ? "distance"
            : other.part == Part::countdown          ? "countdown"
                                                     : nullptr;
        if (part != nullptr) {
            const std::string number = other.number > 0 ? " " + std::to_string(other.number) : "";
            collect(lattice, other.to, before + (before.empty() ? "" : ", ") + part + number, out);
        }
    }
}

std::vector<std::string> numbersIn(const std::vector<std::string>& words)
{
    std::vector<HeardWord> heard;
    for (const std::string& word : words) {
        heard.push_back({.word = word});
    }
    std::vector<std::string> out;
    collect(alternativesOf(heard, {}, Pronunciations()), 0, "", out);
    return out;
}

bool mayBe(const std::vector<std::string>& words, const std::string& numbers)
{
    const auto all = numbersIn(words);
    return std::find(all.begin(), all.end(), numbers) != all.end();
}

} // namespace

TEST(NumberAlternatives, WhatCaptionsRanTogetherComesApartAtEverySeam)
{
    EXPECT_TRUE(mayBe({"460"}, "grade 4, distance 60"));
    EXPECT_TRUE(mayBe({"460"}, "distance 460"));
    EXPECT_TRUE(mayBe({"603"}, "distance 60, grade 3"));
    EXPECT_TRUE(mayBe({"4603"}, "grade 4, distance 60, grade 3"));
    EXPECT_TRUE(mayBe({"10050"}, "distance 100, distance 50"));
    EXPECT_TRUE(mayBe({"105"}, "distance 100, grade 5"));
    EXPECT_TRUE(mayBe({"33"}, "distance 30, grade 3"));
    EXPECT_TRUE(mayBe({"31", "50"}, "grade 3, distance 150"));
}

TEST(NumberAlternatives, ADistanceThatNobodySaysIsNoSeam)
{
    EXPECT_FALSE(mayBe({"4613"}, "grade 4, distance 61, grade 3"));
    EXPECT_FALSE(mayBe({"406"}, "grade 4, distance 6"));
    EXPECT_TRUE(numbersIn({"060"}).empty()) << "no number is said so";
}

TEST(NumberAlternatives, HundredsAreSaidInManyWays)
{
    for (const auto& words :
        std::vector<std::vector<std::string>>{{"one", "fifty"}, {"one", "hundred", "fifty"},
            {"a", "hundred", "and", "fifty"}, {"hundred", "50"}, {"150"}, {"1", "50"}}) {
        EXPECT_TRUE(mayBe(words, "distance 150")) << words.front();
    }
    EXPECT_TRUE(mayBe({"eighteen"}, "distance 80")) << "hardly told apart by ear";
}

TEST(NumberAlternatives, ACountdownIsOneWithItsLastNumberMisheardToo)
{
    EXPECT_TRUE(mayBe({"five", "four", "three", "two", "one"}, "countdown"));
    EXPECT_TRUE(mayBe({"five", "for", "three", "two", "one"}, "countdown"));
    EXPECT_FALSE(mayBe({"five", "six", "four"}, "countdown"));
}
