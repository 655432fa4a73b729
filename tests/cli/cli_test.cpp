#include "support.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <array>
#include <cstdio>
#include <sys/wait.h>

namespace {

using Json = nlohmann::json;

struct Run {
    int exit_code;
    std::string out;
    std::string err;
};

Run run(const std::string& arguments)
{
    const support::ScratchFolder scratch;
    const auto err = scratch.path() / "err";
    const std::string command = std::string(CLI) + " " + arguments + " 2>'" + err.string() + "'";
    FILE* pipe = popen(command.c_str(), "r");
    std::string out;
    std::array<char, 4096> block{};
    while (const auto n = fread(block.data(), 1, block.size(), pipe)) {
        out.append(block.data(), n);
    }
    const int status = pclose(pipe);
    return {WEXITSTATUS(status), out, support::read(err)};
}

std::string quoted(const std::filesystem::path& path)
{
    return "'" + path.string() + "'";
}

const std::filesystem::path kDemo = DEMO_FOLDER;

} // namespace

TEST(Cli, NotesPrintsWhatTheDesignSays)
{
    const auto result = run("notes " + quoted(kDemo / "notes.txt"));
    EXPECT_EQ(result.exit_code, 0) << result.err;
    const auto json = Json::parse(result.out);
    EXPECT_EQ(json["format"], "brumefall/notes/1");
    EXPECT_EQ(json["style"]["order"], "direction_first");
    EXPECT_EQ(json["style"]["scale"], "ascending");
    EXPECT_EQ(json["words"], json["understood"]);
    const auto& note = json["calls"][1]["notes"][0];
    EXPECT_EQ(note["kind"], "corner");
    EXPECT_EQ(note["direction"], "right");
    EXPECT_EQ(note["grade"], 2);
    EXPECT_EQ(note["warnings"], Json({"caution"}));
    EXPECT_EQ(note["lines"], Json({"dont_cut"}));
    EXPECT_EQ(note["link"]["kind"], "into");
    EXPECT_FALSE(note.contains("extent"));
}

TEST(Cli, PlanKeepsItsOwnConstraints)
{
    const auto result = run("plan " + quoted(kDemo) + " --pass stage");
    ASSERT_EQ(result.exit_code, 0) << result.err;
    const auto json = Json::parse(result.out);
    double free_s = json["not_before_s"];
    int call = -1;
    for (const auto& note : json["notes"]) {
        const double start_s = note["start_s"];
        EXPECT_NEAR(note["end_s"].get<double>(), start_s + note["spoken_s"].get<double>(), 1e-9);
        if (note["call"] == call) {
            EXPECT_NEAR(start_s, free_s, 1e-9);
        } else {
            EXPECT_GE(start_s, free_s - 1e-9);
        }
        call = note["call"];
        free_s = note["end_s"].get<double>() + note["gap_after_s"].get<double>();
    }
}

TEST(Cli, ATargetTimeIsKept)
{
    const auto result = run("plan " + quoted(kDemo / "stage.brumefall") + " --target-time 300");
    ASSERT_EQ(result.exit_code, 0) << result.err;
    const auto json = Json::parse(result.out);
    EXPECT_LT(json["notes"].back()["arrive_s"].get<double>(), 300.0);
    EXPECT_GT(json["notes"].back()["arrive_s"].get<double>(), 280.0);
}

TEST(Cli, AlignFindsTheNotesOfADemoTake)
{
    const auto result = run("align " + quoted(kDemo) + " --pass stage --audio "
        + quoted(kDemo / "takes" / "2030-03-09 19.02.47.flac"));
    ASSERT_EQ(result.exit_code, 0) << result.err;
    const auto json = Json::parse(result.out);
    EXPECT_EQ(json["format"], "brumefall/calls/1");
    int missed = 0;
    for (const auto& note : json["notes"]) {
        missed += note["verdict"] == "missed" ? 1 : 0;
    }
    EXPECT_EQ(missed, 1) << "one note was skipped when the take was made";
    EXPECT_GT(json["real_time_factor"].get<double>(), 0.0);
}

TEST(Cli, CheckSaysNothingOfAGoodStageAndNamesTheFileOfABadOne)
{
    EXPECT_EQ(run("check " + quoted(kDemo)).exit_code, 0);
    const support::ScratchFolder scratch;
    const auto copy = support::copyDemo(scratch);
    support::write(copy / "passes" / "recce.json", "{\n\n oops");
    const auto result = run("check " + quoted(copy));
    EXPECT_EQ(result.exit_code, 1);
    EXPECT_NE(result.err.find("recce.json:3: "), std::string::npos) << result.err;
}

TEST(Cli, WrongUsageIsTwoAndBadDataIsOne)
{
    EXPECT_EQ(run("").exit_code, 2);
    EXPECT_EQ(run("dance").exit_code, 2);
    EXPECT_EQ(run("plan " + quoted(kDemo) + " --target-time soon").exit_code, 2);
    EXPECT_EQ(run("align " + quoted(kDemo)).exit_code, 2);
    EXPECT_EQ(run("notes /nowhere/notes.txt").exit_code, 1);
    EXPECT_EQ(run("align " + quoted(kDemo) + " --pass stage --audio /nowhere.flac").exit_code, 1);
}

TEST(Cli, WishesThatCannotBeMeantAreToldWithTheirLineAndThePlanIsMade)
{
    const support::ScratchFolder scratch;
    const auto stage = support::copyDemo(scratch);
    auto text = support::read(stage / "stage.brumefall");
    const auto at = text.find("\"rate_syll_s\": 5.6");
    ASSERT_NE(at, std::string::npos);
    text.replace(at, std::string("\"rate_syll_s\": 5.6").size(), "\"rate_syll_s\": 0.0");
    support::write(stage / "stage.brumefall", text);
    const auto line = 1 + std::count(text.begin(), text.begin() + static_cast<std::ptrdiff_t>(at), '\n');
    const auto checked = run("check " + quoted(stage));
    EXPECT_EQ(checked.exit_code, 1);
    EXPECT_NE(
        checked.err.find("stage.brumefall:" + std::to_string(line) + ": a rate of 0"), std::string::npos)
        << checked.err;
    const auto planned = run("plan " + quoted(stage));
    EXPECT_EQ(planned.exit_code, 0);
    EXPECT_NE(planned.err.find("a rate of 0"), std::string::npos) << planned.err;
    EXPECT_EQ(Json::parse(planned.out)["notes"].size(), 67U);
}
