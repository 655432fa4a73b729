#include "take/readings.h"

#include <gtest/gtest.h>

#include <algorithm>
#include <string>
#include <vector>

using namespace brumefall;
using take::FoundNote;

namespace {

/// A reading made by hand, word by word.
class ByHand {
public:
    explicit ByHand(const std::vector<std::string>& spoken)
        : expected_(expectedOf(spoken))
        , readings_(expected_)
    {
    }

    /// Words [first, last) of note `k`; all where they are not given.
    ByHand& say(std::size_t k, std::size_t first = 0, std::size_t last = 99)
    {
        const auto words = take::spokenWords(expected_[k].spoken);
        for (std::size_t w = first; w < std::min(last, words.size()); ++w) {
            word({k, w, false, 0}, {}, 0.0);
        }
        return *this;
    }
    /// Note `k` with `said` in the place of its word `at`.
    ByHand& misread(std::size_t k, std::size_t at, const std::string& said, double sure = 0.9)
    {
        const auto words = take::spokenWords(expected_[k].spoken);
        for (std::size_t w = 0; w < words.size(); ++w) {
            word({k, w, false, w == at ? 1U : 0U}, w == at ? said : "", w == at ? sure : 0.0);
        }
        return *this;
    }
    ByHand& distance(std::size_t k, const std::string& said = {}, double sure = 0.9)
    {
        word({k, 0, true, said.empty() ? 0U : 1U}, said, sure);
        return *this;
    }
    ByHand& tempo(double of_usual)
    {
        word_s_ = kWord_s / of_usual;
        return *this;
    }
    /// The plan has a note every three seconds; by the clock of a take it is known when each is due.
    ByHand& planned(bool by_clock = false)
    {
        for (std::size_t k = 0; k < expected_.size(); ++k) {
            expected_[k].planned_s = 3.0 * static_cast<double>(k);
            expected_[k].due_s = by_clock ? expected_[k].planned_s : std::nullopt;
        }
        readings_ = take::Readings(expected_);
        return *this;
    }
    ByHand& pause(double length_s)
    {
        now_s_ += length_s;
        return *this;
    }
    [[nodiscard]] double now_s() const { return now_s_; }
    std::vector<FoundNote> finish(double more_s = 5.0, double said_s = 0.0, bool surely = true)
    {
        return readings_.finish(now_s_ + more_s, said_s, surely);
    }

private:
    static std::vector<take::ExpectedNote> expectedOf(const std::vector<std::string>& spoken)
    {
        std::vector<take::ExpectedNote> expected;
        for (const std::string& words : spoken) {
            expected.push_back({"n" + std::to_string(expected.size()), words, "sixty"});
        }
        return expected;
    }
    void word(const take::WordPlace& place, const std::string& said, double sure)
    {
        readings_.add({place, {now_s_, now_s_ + word_s_}, said, sure});
        now_s_ += word_s_;
    }

    static constexpr double kWord_s = 0.3;
    std::vector<take::ExpectedNote> expected_;
    take::Readings readings_;
    double word_s_ = kWord_s;
    double now_s_ = 1.0;
};

const std::vector<std::string> kEightCalls{"left three long", "into right four", "caution left two",
    "right six", "hairpin left", "into right five", "left four over crest", "right three"};

std::vector<bool> readOf(const std::vector<FoundNote>& found)
{
    std::vector<bool> read;
    for (const FoundNote& note : found) {
        read.push_back(note.read);
    }
    return read;
}

ByHand sayAll(std::size_t but = 99)
{
    ByHand reading(kEightCalls);
    for (std::size_t k = 0; k < kEightCalls.size(); ++k) {
        if (k != but) {
            reading.say(k);
        }
    }
    return reading;
}

} // namespace

TEST(Readings, EveryNoteReadHasItsWordsAndItsMoment)
{
    const auto found = sayAll().finish();
    EXPECT_EQ(readOf(found), std::vector<bool>(kEightCalls.size(), true));
    EXPECT_NEAR(found[1].span.start_s, 1.9, 1e-9);
    EXPECT_NEAR(found[1].span.end_s, 2.8, 1e-9);
    ASSERT_EQ(found[1].words.size(), 3U);
    EXPECT_EQ(found[1].words[1].word, "right");
    EXPECT_TRUE(found[1].misread.empty());
    EXPECT_TRUE(found[1].repeats.empty());
}

TEST(Readings, ANoteLeftOutIsNotRead)
{
    const auto found = sayAll(3).finish();
    EXPECT_FALSE(found[3].read);
    EXPECT_TRUE(found[2].read);
    EXPECT_TRUE(found[4].read);
}

TEST(Readings, BrokenOffAndBegunAgainIsRestartedButBrokenOffOnlyIsMissed)
{
    ByHand reading(kEightCalls);
    reading.say(0).say(1, 0, 2).pause(0.5).say(1).say(2, 0, 1).say(3).say(4).say(5).say(6).say(7);
    const auto found = reading.finish();
    EXPECT_TRUE(found[1].read);
    EXPECT_TRUE(found[1].restarted);
    EXPECT_FALSE(found[2].read);
    EXPECT_FALSE(found[2].restarted);
}

TEST(Readings, SaidAgainIsARepeatAndTheFirstCounts)
{
    ByHand reading(kEightCalls);
    reading.say(0).say(1);
    const double again_s = reading.now_s();
    reading.say(1).say(2).say(3).say(4).say(5).say(6).say(7);
    const auto found = reading.finish();
    EXPECT_NEAR(found[1].span.start_s, 1.9, 1e-9);
    ASSERT_EQ(found[1].repeats.size(), 1U);
    EXPECT_NEAR(found[1].repeats.front().start_s, again_s, 1e-9);
}

TEST(Readings, WhatIsAgainMuchTooFastOrDrawnOutIsTalk)
{
    for (const double tempo : {3.0, 0.3}) {
        ByHand reading(kEightCalls);
        reading.say(0).say(1).tempo(tempo).say(1).tempo(1.0).say(2).say(3).say(4).say(5).say(6).say(7);
        EXPECT_TRUE(reading.finish()[1].repeats.empty()) << tempo;
    }
    for (const double tempo : {1.5, 0.6}) {
        ByHand reading(kEightCalls);
        reading.say(0).say(1).tempo(tempo).say(1).tempo(1.0).say(2).say(3).say(4).say(5).say(6).say(7);
        EXPECT_EQ(reading.finish()[1].repeats.size(), 1U) << tempo;
    }
    ByHand reading(kEightCalls);
    reading.say(0).say(1, 0, 2).pause(2.0).say(1, 2).say(1).say(2).say(3).say(4).say(5).say(6).say(7);
    EXPECT_EQ(reading.finish()[1].repeats.size(), 1U) << "the first time with a pause in it";
}

TEST(Readings, OneNoteAloneIsNotSaidAgainLongAfterIt)
{
    const auto repeats = [](std::size_t many) {
        ByHand reading(kEightCalls);
        reading.say(0).say(1).say(2).say(3).pause(14.0).say(4).say(5);
        for (std::size_t k = 1; k < 1 + many; ++k) {
            reading.say(k); // who lost the place reads on from there
        }
        std::size_t count = 0;
        for (const FoundNote& note : reading.say(6).say(7).finish()) {
            count += note.repeats.size();
        }
        return count;
    };
    EXPECT_EQ(repeats(1), 0U);
    EXPECT_EQ(repeats(3), 3U);
}

TEST(Readings, APauseInsideANoteIsAHesitation)
{
    ByHand reading(kEightCalls);
    reading.say(0, 0, 2).pause(0.5).say(0, 2, 3).say(1).say(2).say(3);
    const auto found = reading.finish();
    EXPECT_TRUE(found[0].read);
    ASSERT_EQ(found[0].hesitations.size(), 1U);
    EXPECT_NEAR(found[0].hesitations.front().start_s, 1.6, 1e-9);
    EXPECT_TRUE(found[1].hesitations.empty());
}

TEST(Readings, AWordMisreadIsToldAndOneOfADistanceApart)
{
    ByHand reading(kEightCalls);
    reading.say(0).misread(1, 2, "five").distance(1, "eighty").say(2).distance(2).say(3).say(4);
    const auto found = reading.finish();
    ASSERT_EQ(found[1].misread.size(), 2U);
    EXPECT_EQ(found[1].misread[0], (take::Misread{"five", "four", 0.9, false}));
    EXPECT_EQ(found[1].misread[1], (take::Misread{"eighty", "sixty", 0.9, true}));
    EXPECT_TRUE(found[2].misread.empty());
}

TEST(Readings, DontCutReadAsCutAndAMissingPlusAreTold)
{
    ByHand reading({"left three don't cut", "right four plus", "left two", "right six"});
    reading.say(0, 0, 2).say(0, 3, 4).say(1, 0, 2).say(2).say(3);
    const auto found = reading.finish();
    ASSERT_TRUE(found[0].read);
    ASSERT_EQ(found[0].misread.size(), 1U);
    EXPECT_EQ(found[0].misread.front().note_says, "don't cut");
    EXPECT_EQ(found[0].misread.front().said, "cut");
    ASSERT_TRUE(found[1].read);
    ASSERT_EQ(found[1].misread.size(), 1U);
    EXPECT_EQ(found[1].misread.front().note_says, "four plus");
    EXPECT_EQ(found[1].misread.front().said, "four");
}

TEST(Readings, WhatIsSaidInTheNextNotesWordsIsTheNextNote)
{
    // "left three" misread as "right three" where the next, "right three", was not heard: it was left out
    ByHand reading({"hairpin left", "left three", "right three", "left five", "right six"});
    reading.say(0).misread(1, 0, "right").say(3).say(4);
    const auto found = reading.finish();
    EXPECT_FALSE(found[1].read);
    EXPECT_TRUE(found[2].read);
    EXPECT_TRUE(found[2].misread.empty());
    EXPECT_EQ(found[2].words.front().word, "right");
    EXPECT_EQ(found[1].id, "n1");
    EXPECT_EQ(found[2].id, "n2");
}

TEST(Readings, WhatOnlyTheReadersOwnWordsShowToBeTheNoteBeforeIsGivenToIt)
{
    // "right two, left two": the first was not heard, and what was heard as the second was "right two"
    ByHand reading({"hairpin left", "right two", "left two", "left five", "right six"});
    reading.say(0).say(2).say(3).say(4);
    auto found = reading.finish();
    ASSERT_FALSE(found[1].read);
    ASSERT_TRUE(found[2].read);
    const take::OwnWords words{
        {"hairpin", "left"}, {"right", "two"}, {"left", "two"}, {"left", "five"}, {"right", "six"}};
    const auto heard = found;
    take::giveToNeighbours(found, words);
    EXPECT_EQ(found, heard) << "nothing was misread";
    found[2].misread.push_back({"right", "left", 0.9, false});
    take::giveToNeighbours(found, words);
    EXPECT_TRUE(found[1].read);
    EXPECT_EQ(found[1].span, heard[2].span);
    EXPECT_TRUE(found[1].misread.empty());
    EXPECT_FALSE(found[2].read);
    EXPECT_EQ(found[2].id, "n2");
}

TEST(Readings, OneSaidAgainInThePlaceOfItsLikeIsThatOneMisread)
{
    ByHand reading({"hairpin left", "left three", "left four", "right five", "right six"});
    reading.say(0).say(1).pause(0.2).say(1).say(3).say(4);
    const auto found = reading.finish();
    EXPECT_TRUE(found[1].repeats.empty());
    ASSERT_TRUE(found[2].read);
    ASSERT_EQ(found[2].misread.size(), 1U);
    EXPECT_EQ(found[2].misread.front().said, "three");
    EXPECT_EQ(found[2].misread.front().note_says, "four");
}

TEST(Readings, WhatIsAlwaysHeardSoIsTheVoice)
{
    const std::vector<std::string> stage{"left four", "right four", "left four", "right five", "left six"};
    ByHand habit(stage);
    habit.misread(0, 1, "five").misread(1, 1, "five").misread(2, 1, "five").say(3).say(4);
    EXPECT_LT(habit.finish()[0].misread.front().sure, take::kSure);
    ByHand once(stage);
    once.misread(0, 1, "five").say(1).say(2).say(3).say(4);
    EXPECT_GT(once.finish()[0].misread.front().sure, take::kSure);
}

TEST(Readings, ANoteFarFromAllOthersIsNone)
{
    std::vector<std::string> stage;
    for (int k = 0; k < 40; ++k) {
        stage.push_back(k % 2 == 0 ? "left three" : "right five");
    }
    ByHand reading(stage);
    for (std::size_t k = 0; k < 8; ++k) {
        reading.say(k);
    }
    reading.say(30);
    const auto found = reading.finish();
    EXPECT_FALSE(found[30].read);
    EXPECT_EQ(std::count_if(found.begin(), found.end(), [](const auto& note) { return note.read; }), 8);
}

TEST(Readings, NotesStrewnOverLongTalkAreNoReading)
{
    const auto strewn = [](double said_s, bool surely) {
        ByHand reading(kEightCalls);
        for (std::size_t k = 0; k < kEightCalls.size(); ++k) {
            reading.say(k).pause(5.0);
        }
        const auto read = readOf(reading.finish(5.0, said_s, surely));
        return std::count(read.begin(), read.end(), true);
    };
    EXPECT_EQ(strewn(200.0, false), 0) << "seven seconds of two hundred";
    EXPECT_EQ(strewn(40.0, false), 8) << "most of what was said";
    EXPECT_EQ(strewn(200.0, true), 8) << "who reads some and talks on has read them";
}

TEST(Readings, WhereMoreIsSaidAgainThanAtAllNobodyReads)
{
    ByHand babble(kEightCalls);
    for (int i = 0; i < 6; ++i) {
        babble.say(0).say(1);
    }
    EXPECT_EQ(readOf(babble.finish()), std::vector<bool>(kEightCalls.size(), false));
}

TEST(Readings, WhatTheEndCutsOffCanSoundLikeALaterNoteAndIsNone)
{
    ByHand cut_off(kEightCalls);
    cut_off.say(0).say(1).say(2).say(4);
    EXPECT_FALSE(cut_off.finish(0.0)[4].read);
    ByHand whole(kEightCalls);
    whole.say(0).say(1).say(2).say(4);
    EXPECT_TRUE(whole.finish(5.0)[4].read);
}

TEST(Readings, SpokenWordsHaveNoPunctuationAndAJoinerIsTakenOff)
{
    EXPECT_EQ(take::spokenWords("caution, left  three - don't cut!"),
        (std::vector<std::string>{"caution", "left", "three", "don't", "cut"}));
    EXPECT_EQ(take::withoutJoiner({"into", "left"}), std::vector<std::string>{"left"});
    EXPECT_EQ(take::withoutJoiner({"left", "into"}), (std::vector<std::string>{"left", "into"}));
}

TEST(Readings, ANoteMisreadLongBeforeItIsReadAsItIsWrittenWasTalk)
{
    ByHand talk(kEightCalls);
    talk.say(0).misread(1, 1, "left").pause(5.0).say(1).say(2).say(3);
    const auto found = talk.finish();
    EXPECT_TRUE(found[1].misread.empty());
    EXPECT_TRUE(found[1].repeats.empty());
    EXPECT_GT(found[1].span.start_s, 5.0);

    ByHand corrected(kEightCalls);
    corrected.say(0).misread(1, 1, "left").pause(0.5).say(1).say(2).say(3);
    const auto at_once = corrected.finish();
    EXPECT_EQ(at_once[1].misread.size(), 1U) << "who notices at once says it right";
    EXPECT_EQ(at_once[1].repeats.size(), 1U);
}

TEST(Readings, NotesHeardFarFromEachOtherInTimeWereTalk)
{
    const auto heard = [](double pause_s) {
        ByHand reading(kEightCalls);
        reading.planned().say(2).pause(pause_s).say(3).pause(pause_s).say(4);
        return readOf(reading.finish());
    };
    EXPECT_EQ(heard(40.0), std::vector<bool>(kEightCalls.size(), false));
    EXPECT_EQ(heard(2.0), (std::vector<bool>{false, false, true, true, true, false, false, false}));
}

TEST(Readings, NotesHeardInAnotherOrderWereAnotherStage)
{
    const auto heard = [](const std::vector<std::size_t>& order) {
        ByHand reading(kEightCalls);
        for (const std::size_t k : order) {
            reading.say(k).pause(4.0);
        }
        return readOf(reading.finish());
    };
    EXPECT_EQ(heard({7, 6, 4, 3, 1, 0}), std::vector<bool>(kEightCalls.size(), false));
    EXPECT_EQ(
        heard({0, 1, 3, 4, 6, 7}), (std::vector<bool>{true, true, false, true, true, false, true, true}));
}

TEST(Readings, NotesOutOfStepWithTheClockWereAnotherStage)
{
    const auto heard = [](const std::vector<double>& start_s, bool by_clock) {
        ByHand reading(kEightCalls);
        reading.planned(by_clock);
        for (std::size_t k = 0; k < start_s.size(); ++k) {
            reading.pause(start_s[k] - reading.now_s()).say(k);
        }
        return std::ranges::count(readOf(reading.finish()), true);
    };
    EXPECT_EQ(heard({1.0, 2.0, 23.0, 24.0, 45.0, 46.0, 67.0, 68.0}, true), 0);
    EXPECT_EQ(heard({8.0, 10.0, 12.0, 15.0, 22.0, 24.0, 28.0, 30.0}, true), 8) << "late, and catching up";
    EXPECT_EQ(heard({4.0, 10.0, 16.0, 22.0, 28.0, 34.0, 40.0, 46.0}, false), 8) << "at half the pace";
}

TEST(Readings, ANoteReadTooEarlyIsReadAllTheSame)
{
    ByHand reading(kEightCalls);
    reading.say(0).say(1).say(5).say(2).say(3).say(4).say(6).say(7);
    EXPECT_EQ(readOf(reading.finish()), std::vector<bool>(kEightCalls.size(), true));
}

TEST(Readings, WhoStopsForAWhileHasReadAllTheSame)
{
    ByHand reading(kEightCalls);
    reading.planned().say(0).say(1).pause(60.0).say(2).say(3).say(4).say(5).say(6).say(7);
    EXPECT_EQ(readOf(reading.finish()), std::vector<bool>(kEightCalls.size(), true));
}

TEST(Readings, AFewNotesInMinutesOfSomethingElseAreChance)
{
    const std::vector<std::string> spoken(40, "left four");
    const auto readAfter = [&](std::size_t notes, double said_s) {
        ByHand reading(spoken);
        for (std::size_t k = 20; k < 20 + notes; ++k) {
            reading.say(k);
        }
        const auto read = readOf(reading.finish(300.0, said_s));
        return std::count(read.begin(), read.end(), true);
    };
    constexpr double kMinutes_s = 200.0;
    EXPECT_EQ(readAfter(3, kMinutes_s), 0) << "somebody talked";
    EXPECT_EQ(readAfter(3, 8.0), 3) << "who reads three and is silent has read them";
    EXPECT_EQ(readAfter(5, kMinutes_s), 5) << "a part of the stage, and then something else";
}
