// Which stretches of a recording are heard once more, now that it is known what comes before and after them.

#include "media/stretches.h"

#include <gtest/gtest.h>

#include <string>
#include <vector>

using namespace brumefall;
using media::Stretch;

namespace {

constexpr double kPiece_s = 20.0;

/// Notes of two words each, one after the other.
Stretch heard(std::vector<std::size_t> notes, bool sure, double start_s = 0.0)
{
    Stretch stretch{{start_s, start_s + kPiece_s}, {}, sure};
    double at_s = start_s;
    for (const std::size_t note : notes) {
        for (const std::size_t word : {0U, 1U}) {
            stretch.words.push_back({{note, word, false, 0}, {at_s, at_s + 0.5}, {}, 0.0});
            at_s += 0.5;
        }
    }
    return stretch;
}

std::vector<std::size_t> notesOf(const Stretch& stretch)
{
    std::vector<std::size_t> notes;
    for (const auto& word : stretch.words) {
        if (word.place.word == 0) {
            notes.push_back(word.place.note);
        }
    }
    return notes;
}

const std::vector<std::size_t> kFirst{0, 1, 2, 3, 4, 5};
const std::vector<std::size_t> kLater{16, 17, 18, 19, 20, 21, 22};

} // namespace

TEST(Stretches, WhatLiesBetweenTwoThatAreSureIsHeardOnceMoreForTheNotesBetween)
{
    const std::vector<Stretch> stretches{
        heard(kFirst, true), heard({6, 9}, false), heard({40, 41, 12}, false), heard(kLater, true)};
    const auto runs = media::doubtful(stretches);
    ASSERT_EQ(runs.size(), 1U);
    EXPECT_EQ(runs[0].first, 1U);
    EXPECT_EQ(runs[0].last, 3U);
    EXPECT_EQ(runs[0].notes.first, 6U);
    EXPECT_EQ(runs[0].notes.last, 16U);
    ASSERT_TRUE(runs[0].before);
    EXPECT_EQ(*runs[0].before, 0U);
    EXPECT_EQ(runs[0].after, 3U);
}

TEST(Stretches, WhatComesBeforeTheFirstSureOneIsHeardOnceMore)
{
    const auto runs = media::doubtful({heard({50, 51, 52}, false), heard(kLater, true)});
    ASSERT_EQ(runs.size(), 1U);
    EXPECT_FALSE(runs[0].before);
    EXPECT_EQ(runs[0].notes.first, 0U);
    EXPECT_EQ(runs[0].notes.last, 16U);
}

TEST(Stretches, NothingIsHeardAgainWhereNothingIsMissingOrNothingIsSure)
{
    EXPECT_TRUE(media::doubtful({}).empty());
    EXPECT_TRUE(media::doubtful({heard({}, true), heard({}, true)}).empty());
    EXPECT_TRUE(media::doubtful({heard({0, 7, 3}, false), heard({9}, false)}).empty()) << "nobody reads";
    EXPECT_TRUE(media::doubtful({heard(kFirst, true), heard(kLater, true)}).empty())
        << "between them nothing was said: the notes were left out";
    EXPECT_TRUE(media::doubtful({heard({0, 1}, false), heard({2, 3, 4, 5, 6}, true)}).empty());
    EXPECT_TRUE(media::doubtful({heard(kFirst, true), heard({6, 30}, false)}).empty())
        << "where the reader went is not known";
}

TEST(Stretches, OneThatIsSureInTheWrongPlaceGivesWayToMoreThatAgree)
{
    const std::vector<Stretch> stretches{heard({53, 54, 55, 56, 57}, true), heard({10, 11, 52}, false),
        heard(kLater, true), heard({23, 24, 25, 26, 27}, true)};
    const auto runs = media::doubtful(stretches);
    ASSERT_EQ(runs.size(), 1U);
    EXPECT_EQ(runs[0].first, 0U);
    EXPECT_EQ(runs[0].last, 2U);
    EXPECT_EQ(runs[0].notes.last, 16U);
}

TEST(Stretches, AReaderWhoGoesBackAFewNotesIsStillInOrder)
{
    const auto runs =
        media::doubtful({heard(kFirst, true), heard({9, 10}, false), heard({4, 5, 6, 7, 8}, true)});
    EXPECT_TRUE(runs.empty()) << "no note between them is missing";
}

TEST(Stretches, OnlyTheFirstReadingOfEachNoteIsKept)
{
    std::vector<Stretch> stretches{heard({6, 7, 6, 8}, false), heard({8, 9, 7}, false)};
    media::dropRepeats(stretches);
    EXPECT_EQ(notesOf(stretches[0]), (std::vector<std::size_t>{6, 7, 8}));
    EXPECT_EQ(notesOf(stretches[1]), (std::vector<std::size_t>{9}));
    EXPECT_EQ(stretches[0].words.size(), 6U) << "whole notes";
    EXPECT_EQ(media::notesIn(stretches, {7, 9}), 2U);
}

TEST(Stretches, WhatWasBrokenOffIsNoReadingOfANote)
{
    std::vector<Stretch> stretches{heard({6, 7}, false), heard({7, 8}, false)};
    stretches[0].words.pop_back();
    media::dropRepeats(stretches);
    EXPECT_EQ(notesOf(stretches[0]), (std::vector<std::size_t>{6}));
    EXPECT_EQ(notesOf(stretches[1]), (std::vector<std::size_t>{7, 8}));
}

TEST(Stretches, FewNotesOrMuchTalkAreNoSureReading)
{
    media::Heard found;
    found.words = heard(kFirst, true).words;
    found.notes_s = 6.0;
    EXPECT_TRUE(media::isSurelyRead(found));
    found.talk_s = 7.0;
    EXPECT_FALSE(media::isSurelyRead(found));
    found.talk_s = 0.0;
    found.words = heard({0, 4, 9, 13, 2, 1}, true).words;
    EXPECT_FALSE(media::isSurelyRead(found)) << "in no order";
    found.words = heard({0, 1, 2, 3}, true).words;
    EXPECT_FALSE(media::isSurelyRead(found));
}
