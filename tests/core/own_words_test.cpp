#include "take/own_words.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <random>

namespace brumefall::take {
namespace {

/// A take of notes of one word each, said by a made voice: every word has its own course of cepstra, said a
/// little slower or quicker each time.
class OwnWordsTest : public testing::Test {
protected:
    /// The note says `written`; `said` is heard.
    void read(const std::string& written, const std::string& said)
    {
        SaidWord word{found_.size(), written, {}, {}, false};
        for (const char* other : {"left", "right"}) {
            if (written != other) {
                word.misses.emplace_back(other);
            }
        }
        const int frames = 22 + static_cast<int>(random_() % 14);
        std::normal_distribution<double> hiss(0.0, 0.35);
        for (int f = 0; f < frames; ++f) {
            Cepstra frame{};
            for (std::size_t i = 0; i < kCepstra; ++i) {
                const double phase = static_cast<double>(i + 1) * (said == "left" ? 1.0 : 2.3);
                frame[i] = static_cast<float>(5.0 * static_cast<double>(i)
                    + std::sin(3.0 * f / static_cast<double>(frames) + phase) + hiss(random_));
            }
            word.frames.push_back(frame);
        }
        words_.push_back(std::move(word));
        FoundNote note;
        note.id = "n" + std::to_string(found_.size() + 1);
        note.read = true;
        found_.push_back(std::move(note));
    }
    void readBoth(int times)
    {
        for (int i = 0; i < times; ++i) {
            read("left", "left");
            read("right", "right");
        }
    }
    [[nodiscard]] int sureMisreadNotes() const
    {
        return static_cast<int>(std::count_if(found_.begin(), found_.end(), [](const FoundNote& note) {
            return std::any_of(
                note.misread.begin(), note.misread.end(), [](const Misread& m) { return m.sure > kSure; });
        }));
    }

    std::vector<FoundNote> found_;
    std::vector<SaidWord> words_;
    std::mt19937 random_{7};
};

TEST_F(OwnWordsTest, AWordSaidAsTheReaderSaysTheOtherOneIsMisread)
{
    readBoth(8);
    read("right", "left");
    weighByOwnWords(found_, words_);
    ASSERT_EQ(found_.back().misread.size(), 1U);
    EXPECT_EQ(found_.back().misread[0].said, "left");
    EXPECT_EQ(found_.back().misread[0].note_says, "right");
    EXPECT_GT(found_.back().misread[0].sure, 0.9);
    EXPECT_EQ(sureMisreadNotes(), 1) << "and no other";
}

TEST_F(OwnWordsTest, AVoiceThatTheModelTakesForAnotherWordIsCleared)
{
    readBoth(8);
    found_[1].misread.push_back({"left", "right", 0.97, false});
    weighByOwnWords(found_, words_);
    EXPECT_TRUE(found_[1].misread.empty()) << "it is said as he always says it";
}

TEST_F(OwnWordsTest, WhereTooLittleWasSaidTheModelHasTheWord)
{
    readBoth(2);
    found_[1].misread.push_back({"left", "right", 0.97, false});
    read("left", "right");
    weighByOwnWords(found_, words_);
    EXPECT_DOUBLE_EQ(found_[1].misread[0].sure, 0.97);
    EXPECT_TRUE(found_.back().misread.empty());
}

/// In noise the model took one voice's "square" for "flat" wherever it was said.
TEST_F(OwnWordsTest, AWordThatIsHeardAsTheSameOtherOneInMostPlacesIsThatReadersWayOfSayingIt)
{
    for (int i = 0; i < 3; ++i) {
        read("square", "square");
        read("four", "four");
    }
    found_[0].misread.push_back({"flat", "square", 0.97, false});
    found_[1].misread.push_back({"one", "four", 0.97, false});
    found_[2].misread.push_back({"flat", "square", 0.9, false});
    weighByOwnWords(found_, words_);
    EXPECT_TRUE(found_[0].misread.empty());
    EXPECT_TRUE(found_[2].misread.empty());
    EXPECT_EQ(found_[1].misread.size(), 1U) << "once in three places is a mistake";
}

TEST_F(OwnWordsTest, AWrongSideOrGradeIsAMistakeHoweverOften)
{
    readBoth(2);
    read("three", "three");
    read("three", "three");
    for (const std::size_t left : {0U, 2U}) {
        found_[left].misread.push_back({"right", "left", 0.97, false});
    }
    for (const std::size_t three : {4U, 5U}) {
        found_[three].misread.push_back({"four", "three", 0.97, false});
    }
    weighByOwnWords(found_, words_);
    EXPECT_EQ(sureMisreadNotes(), 4);
}

/// A driver's words in the same moment make any word unlike the reader's others.
TEST_F(OwnWordsTest, BesideAnotherVoiceOnlyAWrongSideIsToldByHowItSounds)
{
    for (int i = 0; i < 8; ++i) {
        read("left", "left");
        read("right", "right");
        read("three", "left");
        read("four", "right");
    }
    for (const std::size_t grade : {2U, 3U}) { // each is said as the other one always is
        words_[grade].misses = {grade == 2 ? "four" : "three"};
        std::swap(words_[grade].written, words_[grade].misses.front());
    }
    found_[6].misread.push_back({"four", "three", 0.7, false});
    words_[6].misses = {"four"};
    read("right", "left");
    auto in_quiet = found_;
    weighByOwnWords(in_quiet, words_, OwnWordsMay::accuse);
    EXPECT_FALSE(in_quiet[2].misread.empty());
    weighByOwnWords(found_, words_, OwnWordsMay::only_clear);
    EXPECT_TRUE(found_[2].misread.empty());
    EXPECT_TRUE(found_[3].misread.empty());
    EXPECT_TRUE(found_[6].misread.empty()) << "it is said as it always is";
    EXPECT_EQ(found_.back().misread.size(), 1U);
}

TEST_F(OwnWordsTest, AMisreadDistanceIsNotWeighedByTheNotesWords)
{
    readBoth(8);
    found_[0].misread.push_back({"right", "left", 0.9, true});
    weighByOwnWords(found_, words_);
    EXPECT_DOUBLE_EQ(found_[0].misread[0].sure, 0.9);
}

TEST_F(OwnWordsTest, LoudnessAndMicrophoneChangeNothing)
{
    readBoth(8);
    read("right", "left");
    const auto before = likenesses(words_);
    for (SaidWord& word : words_) {
        for (Cepstra& frame : word.frames) {
            for (float& value : frame) {
                value = 3.0F * value + 40.0F;
            }
        }
    }
    const auto after = likenesses(words_);
    ASSERT_EQ(before.back().size(), 1U);
    EXPECT_NEAR(before.back()[0].nearer, after.back()[0].nearer, 1e-3);
}

} // namespace
} // namespace brumefall::take
