#include "log/take_reader.h"
#include "log/trends.h"
#include "log/trouble.h"

#include "formats/files.h"
#include "formats/log_json.h"
#include "support.h"

#include <gtest/gtest.h>

#include <algorithm>

using namespace brumefall;
using namespace brumefall::log;

namespace {

TakeSummary takeAt(const std::string& made_at, int on_time, int judged)
{
    TakeSummary take;
    take.name = made_at;
    take.made_at = made_at;
    take.pass = "stage";
    take.reader = "Desk microphone";
    take.whole = true;
    take.recorded_s = 300.0;
    take.figures.judged = judged;
    take.figures.on_time = on_time;
    take.figures.late = judged - on_time;
    return take;
}

plan::PlannedNote noteOf(const std::string& id, const std::string& spoken)
{
    plan::PlannedNote note;
    note.id = id;
    note.spoken = spoken;
    return note;
}

/// Two stages; the second has a note that goes wrong nearly every time.
Rally rallyOfTwo()
{
    Rally rally;
    rally.stages.resize(2);
    rally.stages[0].name = "Quarry";
    rally.stages[0].takes = {takeAt("2030-03-02T20:00:00", 8, 10), takeAt("2030-03-05T20:00:00", 9, 10)};
    auto& pier = rally.stages[1];
    pier.name = "Pier";
    pier.plan.notes = {
        noteOf("n1", "left four"), noteOf("n2", "right tightens two"), noteOf("n3", "left six")};
    for (const char* day : {"2030-03-02T20:30:00", "2030-03-03T19:00:00", "2030-03-05T21:00:00"}) {
        auto take = takeAt(day, 2, 3);
        take.reading_faults = 1;
        take.notes = {{"n1", take::Timing::on_time, take::Cause::none},
            {"n2", take::Timing::late, take::Cause::stumble},
            {"n3", take::Timing::on_time, take::Cause::none},
            {"gone", take::Timing::missed, take::Cause::skipped}};
        pier.takes.push_back(std::move(take));
    }
    return rally;
}

} // namespace

TEST(Trends, PointsAreWholeTakesInTheOrderThatTheyWereMadeIn)
{
    auto rally = rallyOfTwo();
    rally.stages[0].takes[1].dud = true;
    rally.stages[1].takes[1].whole = false;
    const auto points = trendOf(rally, {}, Figure::on_time);
    ASSERT_EQ(points.size(), 3U);
    EXPECT_EQ(points[0].stage, 0U);
    EXPECT_DOUBLE_EQ(points[0].value, 80.0);
    EXPECT_EQ(points[1].stage, 1U);
    EXPECT_EQ(points[2].take, 2U);
    EXPECT_EQ(points[2].number, 3);
}

TEST(Trends, AFilterChoosesWhoseTakes)
{
    auto rally = rallyOfTwo();
    rally.stages[0].takes[0].simulated = true;
    EXPECT_EQ(trendOf(rally, {Readers::own, false, {}}, Figure::late).size(), 4U);
    EXPECT_EQ(trendOf(rally, {Readers::simulated, false, {}}, Figure::late).size(), 1U);
    EXPECT_TRUE(trendOf(rally, {Readers::all, false, "recce"}, Figure::late).empty());
}

TEST(Trends, AnEveningIsOneSessionOverAllStages)
{
    const auto sessions = sessionsOf(rallyOfTwo(), {});
    ASSERT_EQ(sessions.size(), 3U);
    EXPECT_EQ(sessions[0].day, "2030-03-05") << "the latest first";
    EXPECT_EQ(sessions[0].takes, 2);
    EXPECT_EQ(sessions[0].stages, std::vector<std::string>({"Quarry", "Pier"}));
    EXPECT_NEAR(sessions[0].on_time_share, 11.0 / 13.0, 1e-9);
    EXPECT_EQ(describe(sessions[1]),
        "Pier: 1 take (1 whole), 5 minutes read; 67 % on time; faults: 1 of the reading, 0 of the plan");
}

TEST(Trouble, IsWhatGoesWrongAgainAndAgainWithItsCause)
{
    const auto notes = troubleNotes(rallyOfTwo(), {});
    ASSERT_EQ(notes.size(), 1U) << "a note that is gone troubles nobody";
    EXPECT_EQ(notes[0].id, "n2");
    EXPECT_EQ(notes[0].wrong, 3);
    EXPECT_EQ(notes[0].reading_faults, 3);
    EXPECT_EQ(notes[0].most, take::Cause::stumble);
    auto rally = rallyOfTwo();
    rally.stages[1].takes.erase(rally.stages[1].takes.begin(), rally.stages[1].takes.begin() + 2);
    const auto once = troubleNotes(rally, {});
    ASSERT_EQ(once.size(), 1U);
    EXPECT_LT(once[0].trouble, notes[0].trouble) << "once is less than three times";
}

TEST(Trouble, WordsAreThoseOfNotesThatTheReadingGetsWrong)
{
    const auto words = troubleWords(rallyOfTwo(), {});
    ASSERT_TRUE(std::any_of(words.begin(), words.end(),
                    [](const TroubleWord& word) { return word.word == "tightens"; })
        == false)
        << "three readings are too few to blame a word";
    auto rally = rallyOfTwo();
    const auto again = rally.stages[1].takes;
    rally.stages[1].takes.insert(rally.stages[1].takes.end(), again.begin(), again.end());
    const auto more = troubleWords(rally, {});
    EXPECT_TRUE(std::any_of(
        more.begin(), more.end(), [](const TroubleWord& word) { return word.word == "tightens"; }));
    EXPECT_FALSE(
        std::any_of(more.begin(), more.end(), [](const TroubleWord& word) { return word.word == "left"; }));
}

TEST(TakeForTheLog, HasTheSummaryThatTheWholeTakeHas)
{
    const std::filesystem::path takes = std::filesystem::path(DEMO_FOLDER) / "takes";
    for (const auto& file : stage::listJson(takes)) {
        const auto quick = summaryOf(readTakeForLog(file));
        const auto whole = summaryOf(stage::readTake(file));
        EXPECT_EQ(quick.name, whole.name);
        EXPECT_EQ(quick.whole, whole.whole);
        EXPECT_EQ(quick.figures.on_time, whole.figures.on_time);
        EXPECT_EQ(quick.figures.misread, whole.figures.misread);
        EXPECT_DOUBLE_EQ(quick.figures.rate_syll_s, whole.figures.rate_syll_s);
        EXPECT_EQ(quick.reading_faults, whole.reading_faults);
        EXPECT_DOUBLE_EQ(quick.median_lead_error_s, whole.median_lead_error_s);
        ASSERT_EQ(quick.notes.size(), whole.notes.size());
        for (std::size_t k = 0; k < quick.notes.size(); ++k) {
            EXPECT_EQ(quick.notes[k].cause, whole.notes[k].cause) << quick.notes[k].id;
        }
    }
}

TEST(TakeForTheLog, WhatIsBrokenIsToldByTheCarefulReader)
{
    const support::ScratchFolder scratch;
    support::write(
        scratch.path() / "t.json", R"({"format": "brumefall/take/1", "plan": {"notes": [{"id": 7}]}})");
    EXPECT_THROW((void)readTakeForLog(scratch.path() / "t.json"), formats::FormatError);
    support::write(scratch.path() / "t.json", R"({"format": "brumefall/take/9"})");
    EXPECT_THROW((void)readTakeForLog(scratch.path() / "t.json"), formats::FormatError);
    EXPECT_THROW((void)readTakeForLog(scratch.path() / "none.json"), formats::FormatError);
}

TEST(LogTable, QuotesWhatWouldBreakItAndHasNoFormulas)
{
    auto rally = rallyOfTwo();
    rally.stages[0].name = "Quarry, \"the\" long one";
    rally.stages[0].takes[0].title = "=1+1";
    const auto csv = formats::rallyToCsv(rally);
    EXPECT_NE(csv.find("\"Quarry, \"\"the\"\" long one\","), std::string::npos) << csv;
    EXPECT_NE(csv.find(",'=1+1,"), std::string::npos);
    EXPECT_EQ(std::count(csv.begin(), csv.end(), '\n'), 6);
}

TEST(RallyFolder, IsTheOneAroundWhereItHoldsOtherStages)
{
    const support::ScratchFolder scratch;
    support::write(scratch.path() / "a" / "stage.brumefall", "{}");
    EXPECT_EQ(rallyFolder(scratch.path() / "a"), scratch.path() / "a") << "alone";
    support::write(scratch.path() / "b" / "stage.brumefall", "{}");
    EXPECT_EQ(rallyFolder(scratch.path() / "a"), scratch.path());
    std::filesystem::remove_all(scratch.path() / "b");
    support::write(scratch.path() / "rally.brumefall", "{}");
    EXPECT_EQ(rallyFolder(scratch.path() / "a"), scratch.path());
}
