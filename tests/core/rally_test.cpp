#include "log/rally.h"
#include "log/tonight.h"

#include "formats/files.h"
#include "notes/printer.h"
#include "support.h"

#include <gtest/gtest.h>

#include <cmath>

using namespace brumefall;
using namespace brumefall::log;

namespace {

const std::filesystem::path kDemoStage = DEMO_FOLDER;

/// A rally of two stages: the demo, and a short one that was read by a person on two evenings.
class RallyTest : public testing::Test {
protected:
    void SetUp() override
    {
        std::filesystem::create_directories(folder() / "Quarry" / "takes");
        std::filesystem::copy(
            kDemoStage, folder() / "Lantern Pass", std::filesystem::copy_options::recursive);
        stage::Stage quarry;
        quarry.name = "Quarry";
        for (int i = 0; i < 24; ++i) {
            quarry.text += i % 4 == 3 ? "caution hairpin left 90\n" : "right five over crest 120\n";
        }
        stage::writeStage(folder() / "Quarry" / "stage.brumefall", quarry);
        prepared_ = stage::prepare(stage::readStage(folder() / "Quarry" / "stage.brumefall"), nullptr);
    }
    [[nodiscard]] const std::filesystem::path& folder() const { return scratch_.path(); }

    /// A take of the short stage; notes from `wrong` on, `count` of them, were missed.
    void addTake(const std::string& made_at, std::size_t wrong, std::size_t count)
    {
        stage::Take take;
        take.name = made_at;
        take.made_at = made_at;
        take.reader = "Desk microphone";
        take.plan = prepared_.plan;
        take.pace = prepared_.placement.pace;
        take.recorded_s = 1e4;
        for (std::size_t k = 0; k < take.plan.notes.size(); ++k) {
            const auto& note = take.plan.notes[k];
            const bool read = k < wrong || k >= wrong + count;
            take.found.push_back({note.id, read, {note.start_s, note.end_s}, {}, {}, {}, false, {}});
        }
        take.verdicts = take::judge(take.plan, take.pace, take.found, take.clock, take.recorded_s);
        stage::writeTake(folder() / "Quarry" / "takes" / (made_at.substr(0, 10) + ".json"), take);
    }

    support::ScratchFolder scratch_;
    stage::Prepared prepared_;
};

} // namespace

TEST_F(RallyTest, ShowsItsStagesWithTheirTakesOldestFirst)
{
    addTake("2030-03-05T20:00:00", 0, 0);
    addTake("2030-03-02T20:00:00", 3, 2);
    const auto rally = readRally(folder());
    ASSERT_EQ(rally.stages.size(), 2U);
    EXPECT_EQ(rally.stages[0].name, "Lantern Pass");
    EXPECT_EQ(rally.stages[0].notes, 67U);
    EXPECT_EQ(rally.stages[0].takes.size(), 3U);
    EXPECT_TRUE(rally.stages[0].takes[0].simulated);
    EXPECT_EQ(rally.stages[0].takes[0].figures.misread, 3);
    EXPECT_GT(rally.stages[0].length_m, 6000.0);
    const auto& quarry = rally.stages[1];
    ASSERT_EQ(quarry.takes.size(), 2U);
    EXPECT_EQ(quarry.takes[0].figures.missed, 2);
    EXPECT_EQ(quarry.takes[1].figures.missed, 0);
    EXPECT_TRUE(quarry.takes[1].whole);
    EXPECT_FALSE(quarry.takes[1].dud);
}

TEST_F(RallyTest, HasTheNameAndTheOrderOfItsFile)
{
    support::write(folder() / "rally.brumefall",
        R"({"format": "brumefall/rally/1", "name": "Ondrel Nights", "stages": ["Quarry", "Lantern Pass"]})");
    const auto rally = readRally(folder());
    EXPECT_EQ(rally.name, "Ondrel Nights");
    EXPECT_EQ(rally.stages[0].name, "Quarry");
    support::write(folder() / "rally.brumefall", R"({"format": "brumefall/rally/9"})");
    EXPECT_NE(readRally(folder()).problem.find("rally.brumefall"), std::string::npos);
    EXPECT_EQ(readRally(folder()).stages.size(), 2U) << "the stages are there all the same";
}

TEST_F(RallyTest, ABrokenStageIsShownWithWhatIsWrongAndTheOthersAreThere)
{
    support::write(folder() / "Broken" / "stage.brumefall", "{ this is no");
    support::write(folder() / "Quarry" / "takes" / "half.json", "{\"format\": ");
    std::filesystem::create_directories(folder() / "pictures");
    const auto rally = readRally(folder());
    ASSERT_EQ(rally.stages.size(), 3U);
    EXPECT_NE(rally.stages[0].problem.find("stage.brumefall"), std::string::npos) << rally.stages[0].problem;
    EXPECT_EQ(rally.stages[2].broken_takes.size(), 1U);
    EXPECT_THROW((void)readRally(folder() / "nowhere"), formats::FormatError);
}

TEST_F(RallyTest, TonightLeavesNoSingleNoteOverAtTheEndOfAStage)
{
    for (const auto& drill : tonight(readRally(folder()), 1e3, "2030-03-06T19:00:00")) {
        EXPECT_NE(drill.first, drill.last) << drill.stage;
        EXPECT_GT(drill.minutes, 2.0) << drill.stage << " " << drill.first << " to " << drill.last;
    }
}

TEST_F(RallyTest, NotesThatATakeWasNotAskedForAreNotMissedInIt)
{
    stage::Take take;
    take.plan = prepared_.plan;
    take.first = take.plan.notes[5].id;
    take.last = take.plan.notes[7].id;
    take.clock.offset_s = take.plan.notes[4].start_s;
    take.recorded_s = take.plan.notes[8].window.closes_s + 1.0 - take.clock.offset_s;
    const auto& read = take.plan.notes[5];
    take.found = {
        {read.id, true, {take.clock.recordingTime(read.start_s), take.clock.recordingTime(read.end_s)}, {},
            {}, {}, false, {}}};
    const auto verdicts = stage::judge(take, prepared_.placement.pace);
    EXPECT_TRUE(verdicts[4].outside_take) << "the microphone was open, but it was not asked for";
    EXPECT_EQ(verdicts[5].timing, take::Timing::on_time);
    EXPECT_EQ(verdicts[6].timing, take::Timing::missed);
    EXPECT_FALSE(verdicts[6].outside_take);
    EXPECT_TRUE(verdicts[8].outside_take);
    EXPECT_EQ(take::figures(take.plan, verdicts).judged, 3);
}

TEST(Crew, WhatIsWrittenKeepsItsMeaningWhenAnotherCrewReadsIt)
{
    stage::Stage ours;
    ours.text = "one left 100\nbullet right 80\n";
    ours.style.order = notes::Order::number_first;
    ours.style.scale = notes::Scale::descending;
    ours.style.words = {{"bullet", "one"}};
    stage::Stage theirs;
    theirs.crew = "Maro Quill and Isbet Vane";
    theirs.text = "left six 100\n";
    theirs.style.scale = notes::Scale::ascending;
    theirs.style.words = {{"bullet", "six"}, {"nadgery", "narrow"}};
    theirs.driver.hazard_s += 1.0;
    const auto read = stage::withCrew(ours, theirs);
    const auto before = stage::understand(ours);
    const auto after = stage::understand(read);
    ASSERT_EQ(after.calls.size(), before.calls.size());
    EXPECT_EQ(after.style.scale, notes::Scale::descending);
    EXPECT_EQ(notes::printBrief(after, {}), notes::printBrief(before, {}));
    EXPECT_EQ(read.crew, theirs.crew);
    EXPECT_EQ(read.driver.hazard_s, theirs.driver.hazard_s);
    EXPECT_EQ(read.style.words.at("nadgery"), "narrow") << "their words are understood from now on";
    EXPECT_EQ(stage::withCrew({}, theirs).style, theirs.style) << "nothing is written yet";
}

TEST_F(RallyTest, TonightBeginsWhereMostGoesWrongAndFitsTheMinutes)
{
    for (const char* evening : {"2030-03-02T20:00:00", "2030-03-04T20:00:00", "2030-03-05T20:00:00"}) {
        addTake(evening, 12, 4);
    }
    std::filesystem::remove_all(folder() / "Lantern Pass");
    const auto rally = readRally(folder());
    const auto& notes = rally.stages[0].plan.notes;
    const auto index = [&](const std::string& id) {
        return static_cast<std::size_t>(std::find_if(notes.begin(), notes.end(), [&](const auto& n) {
            return n.id == id;
        }) - notes.begin());
    };
    const auto all = tonight(rally, 60.0, "2030-03-06T19:00:00");
    ASSERT_FALSE(all.empty());
    EXPECT_LE(index(all[0].first), 15U);
    EXPECT_GE(index(all[0].last), 12U) << "the notes that were missed each time";
    EXPECT_NE(all[0].why.find("go wrong here"), std::string::npos) << all[0].why;
    for (const double minutes : {5.0, 8.0, 20.0}) {
        double sum = 0.0;
        for (const auto& drill : tonight(rally, minutes, "2030-03-06T19:00:00")) {
            sum += drill.minutes;
        }
        EXPECT_LE(sum, minutes);
        EXPECT_GT(sum, 0.0);
    }
}

TEST_F(RallyTest, WhatWentWellComesBackTheLaterTheOftenerItDid)
{
    const auto gain = [&](const std::string& now) {
        double sum = 0.0;
        auto rally = readRally(folder());
        std::erase_if(rally.stages, [](const auto& stage) { return stage.name != "Quarry"; });
        for (const auto& drill : tonight(rally, 1e3, now)) {
            sum += drill.gain;
        }
        return sum;
    };
    addTake("2030-03-02T20:00:00", 4, 2);
    EXPECT_LT(gain("2030-03-02T20:30:00"), gain("2030-03-04T20:00:00")) << "just read, and two days later";
    const double once = gain("2030-03-08T20:00:00");
    addTake("2030-03-03T20:00:00", 0, 0);
    addTake("2030-03-04T20:00:00", 0, 0);
    EXPECT_LT(gain("2030-03-08T20:00:00"), 0.7 * once);
}

TEST_F(RallyTest, TheWeakestStretchOfAStageIsWhereMostGoesWrong)
{
    addTake("2030-03-02T20:00:00", 4, 2);
    const auto rally = readRally(folder());
    const auto& quarry = rally.stages[1];
    const auto weakest = weakestStretch(quarry, "2030-03-06T19:00:00");
    ASSERT_TRUE(weakest);
    ASSERT_TRUE(weakest->wrong_share);
    EXPECT_GT(*weakest->wrong_share, 0.0);
    EXPECT_LT(*weakest->wrong_share, 1.0);
}

TEST_F(RallyTest, AStageThatWasNeverReadIsListenedToFirst)
{
    std::filesystem::remove_all(folder() / "Lantern Pass");
    const auto all = tonight(readRally(folder()), 30.0, "2030-03-06T19:00:00");
    ASSERT_FALSE(all.empty());
    EXPECT_EQ(all[0].way, take::Way::listen_first);
    EXPECT_EQ(all[0].why, "never read yet");
    EXPECT_FALSE(all[0].wrong_share) << "what was never read did not go wrong";
}

TEST(Days, CountFromAnIsoDate)
{
    EXPECT_NEAR(daysOf("1970-01-02T12:00:00"), 1.5, 1e-9);
    EXPECT_NEAR(daysOf("2030-03-02") - daysOf("2030-03-01"), 1.0, 1e-9);
    EXPECT_EQ(daysOf("yesterday"), 0.0);
    EXPECT_EQ(daysOf("2030-13-40"), 0.0);
}
