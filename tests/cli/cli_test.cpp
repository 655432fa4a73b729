#include "support.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>
#include <map>
#include <random>
#include <sndfile.h>
#include <sys/wait.h>
#include <vector>

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
const auto kShort = kDemo.parent_path() / "Salt Stair"; ///< of the same rally

const auto kDemoTake = kDemo / "takes" / "2030-03-07 20.14.05.flac";

/// The beginning of the demo's take, in a file of its own.
std::filesystem::path demoTakeUntil(double end_s, const support::ScratchFolder& scratch)
{
    SF_INFO info{};
    SNDFILE* take = sf_open(kDemoTake.c_str(), SFM_READ, &info);
    std::vector<short> samples(static_cast<std::size_t>(end_s * info.samplerate * info.channels));
    const auto frames =
        sf_readf_short(take, samples.data(), static_cast<sf_count_t>(end_s * info.samplerate));
    sf_close(take);
    auto path = scratch.path() / "take.flac";
    SNDFILE* part = sf_open(path.c_str(), SFM_WRITE, &info);
    sf_writef_short(part, samples.data(), frames);
    sf_close(part);
    return path;
}

/// What a validator has against `json` by docs/schemas/<kind>.schema.json; empty where nothing.
std::string schemaFaults(const std::string& kind, const std::string& json)
{
    const support::ScratchFolder scratch;
    support::write(scratch.path() / "out.json", json);
    const auto said = scratch.path() / "said.txt";
    const auto schema = std::filesystem::path(SCHEMAS_FOLDER) / (kind + ".schema.json");
    const int status = std::system(("/usr/bin/jsonschema -i " + quoted(scratch.path() / "out.json") + " "
        + quoted(schema) + " > " + quoted(said) + " 2>&1")
                                       .c_str());
    return status == 0 ? std::string() : "status " + std::to_string(status) + ": " + support::read(said);
}

/// A call of a printed plan: what moving it later by a second would cost, and how far it could move earlier.
struct PrintedCall {
    double slope = 0.0;
    double slack_s = 0.0;
    bool pinned = false;
};

std::vector<PrintedCall> callsOf(const Json& plan)
{
    std::vector<PrintedCall> calls;
    double free_s = plan["not_before_s"];
    int call = -1;
    for (const Json& note : plan["notes"]) {
        if (note["call"] != call) {
            calls.push_back({0.0, note["start_s"].get<double>() - free_s, note.contains("pinned")});
        }
        const double off_s = note["end_s"].get<double>() - note["window"]["ideal_s"].get<double>();
        const double weight = plan["weights"][off_s < 0.0 ? "early" : "late"];
        calls.back().slope += 2.0 * note["weight"].get<double>() * weight * off_s;
        call = note["call"];
        free_s = note["end_s"].get<double>() + note["gap_after_s"].get<double>();
    }
    return calls;
}

/// Certifies from its own figures that no other start of any call would be better: along every chain of calls
/// that touch, the pushes of one call on the one before it are never negative, and the chain as a whole
/// pushes nowhere but against the start or a call held by hand.
void expectBest(const Json& plan)
{
    constexpr double kTouch_s = 1e-6;
    constexpr double kPush = 1e-4;
    const auto calls = callsOf(plan);
    for (std::size_t first = 0; first < calls.size();) {
        std::size_t last = first + 1;
        while (last < calls.size() && !calls[last].pinned && calls[last].slack_s <= kTouch_s) {
            ++last;
        }
        if (calls[first].pinned && last == first + 1) {
            first = last;
            continue;
        }
        const std::size_t begin = first + (calls[first].pinned ? 1U : 0U);
        double sum = 0.0;
        for (std::size_t c = begin; c < last; ++c) {
            sum += calls[c].slope;
        }
        const bool held_ahead = last < calls.size() && calls[last].pinned && calls[last].slack_s <= kTouch_s;
        double push = held_ahead ? std::max(0.0, -sum) : 0.0;
        for (std::size_t c = last; c-- > begin;) {
            push += calls[c].slope;
            EXPECT_GE(push, -kPush) << "call " << c << " had better be later";
        }
        if (calls[begin].slack_s > kTouch_s) {
            EXPECT_NEAR(push, 0.0, kPush) << "call " << begin << " had better be sooner";
        }
        first = last;
    }
}

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

TEST(Cli, NoOtherPlanWouldBeBetterByTheFiguresThatItPrints)
{
    std::mt19937 random(6);
    const auto between = [&](double low, double high) {
        return std::uniform_real_distribution(low, high)(random);
    };
    for (int round = 0; round < 12; ++round) {
        const support::ScratchFolder scratch;
        const auto copy = support::copyDemo(scratch);
        auto stage = Json::parse(support::read(copy / "stage.brumefall"));
        stage["reader"] = {{"rate_syll_s", between(2.0, 8.0)}, {"breath_s", between(0.1, 0.8)}};
        stage["driver"] = {{"holds_notes", 1 + random() % 6}, {"late_penalty", between(1.0, 30.0)},
            {"slow_s", between(0.5, 4.0)}, {"medium_s", between(0.5, 4.0)},
            {"reaction_s", between(0.0, 0.8)}};
        stage["echoes"] = {{"dangerous", round % 2 == 0}, {"after_s", round % 3 == 0 ? 3.0 : 0.0}};
        const std::string command =
            "plan " + quoted(copy) + (round % 4 == 0 ? " --pass recce" : " --pass stage");
        support::write(copy / "stage.brumefall", stage.dump());
        const auto free = Json::parse(run(command).out);
        expectBest(free);
        for (const Json& note : free["notes"]) { // some calls held by hand, near where they were
            if (random() % 15 == 0 && !note.contains("echo_of")) {
                stage["pinned_s"][note["id"].get<std::string>()] =
                    note["start_s"].get<double>() + between(-1.0, 1.0);
            }
        }
        support::write(copy / "stage.brumefall", stage.dump());
        expectBest(Json::parse(run(command).out));
    }
}

TEST(Cli, CaptionsPrintsTimesStagesAndWhatWasMended)
{
    const support::ScratchFolder scratch;
    const auto file = scratch.path() / "captions.txt";
    support::write(file,
        "[0:03] three two one go\n[0:07] write four of a crest 60\n[0:12] hair pin left\n[0:30] stop\n");
    const auto result = run("captions " + quoted(file));
    ASSERT_EQ(result.exit_code, 0) << result.err;
    const auto json = Json::parse(result.out);
    EXPECT_EQ(json["format"], "brumefall/notes/1");
    ASSERT_EQ(json["stages"].size(), 1U);
    EXPECT_EQ(json["stages"][0]["first_line"], 2);
    EXPECT_EQ(json["stages"][0]["last_line"], 4);
    EXPECT_EQ(json["calls"][0]["at_s"], 7.0);
    EXPECT_EQ(json["calls"][0]["text"], "right four over crest 60");
    EXPECT_EQ(json["words"], json["understood"].get<int>() + json["chatter"].get<int>());
    ASSERT_EQ(json["repairs"].size(), 3U);
    EXPECT_EQ(json["repairs"][0]["line"], 2);
    EXPECT_EQ(json["repairs"][0]["from"], "write");
    EXPECT_EQ(json["repairs"][0]["to"], "right");
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
    const auto result = run("align " + quoted(kShort) + " --pass stage --audio "
        + quoted(kShort / "takes" / "2030-03-08 22.05.11.flac"));
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

TEST(Cli, FollowTellsWhenEachNoteWasToldInTheFormatOfTheDesign)
{
    const auto take = kShort / "takes" / "2030-03-08 22.05.11.flac";
    const auto result = run("follow " + quoted(kShort) + " --pass stage --audio " + quoted(take));
    ASSERT_EQ(result.exit_code, 0) << result.err;
    const Json json = Json::parse(result.out);
    EXPECT_EQ(json["format"], "brumefall/follow/1");
    EXPECT_EQ(schemaFaults("follow", result.out), "");
    const Json kept = Json::parse(support::read(kShort / "takes" / "2030-03-08 22.05.11.json"));
    std::map<std::string, double> end_s;
    for (const Json& note : kept["calls"]) {
        if (note["verdict"] == "read") {
            end_s[note["id"]] = note["end_s"];
        }
    }
    std::size_t right = 0;
    for (const Json& note : json["notes"]) {
        EXPECT_GE(note["told_s"].get<double>(), note["end_s"].get<double>());
        const auto found = end_s.find(note["id"]);
        right +=
            found != end_s.end() && std::abs(found->second - note["end_s"].get<double>()) < 0.3 ? 1U : 0U;
    }
    EXPECT_GE(right * 100, end_s.size() * 95) << "as the aligner found them in the whole take";
    EXPECT_TRUE(json["lost"].is_array());
    EXPECT_GT(json["cpu_share"].get<double>(), 0.0);
    EXPECT_EQ(run("follow " + quoted(kDemo)).exit_code, 2);
}

/// Seconds of hiss as a WAV file of 16-bit samples, 8000 a second.
void writeNoise(const std::filesystem::path& file, int seconds)
{
    const auto bytesOf = [](std::uint32_t value, int count) {
        std::string bytes;
        for (int i = 0; i < count; ++i) {
            bytes.push_back(static_cast<char>(value >> (8 * i)));
        }
        return bytes;
    };
    std::minstd_rand random(5);
    std::string data;
    for (int i = 0; i < 8000 * seconds; ++i) {
        data += bytesOf(static_cast<std::uint32_t>(random() % 3000), 2);
    }
    const auto size = static_cast<std::uint32_t>(data.size());
    support::write(file,
        "RIFF" + bytesOf(size + 36, 4) + "WAVEfmt " + bytesOf(16, 4) + bytesOf(1, 2) + bytesOf(1, 2)
            + bytesOf(8000, 4) + bytesOf(16000, 4) + bytesOf(2, 2) + bytesOf(16, 2) + "data"
            + bytesOf(size, 4) + data);
}

TEST(Cli, JudgeTellsMisreadWordsAndWhyNotesWereLate)
{
    const support::ScratchFolder scratch;
    const auto take = demoTakeUntil(153.0, scratch);
    const auto result = run("judge " + quoted(kDemo) + " --pass stage --audio " + quoted(take) + " --go 4.0");
    ASSERT_EQ(result.exit_code, 0) << result.err;
    const auto json = Json::parse(result.out);
    EXPECT_EQ(json["format"], "brumefall/verdicts/1");
    EXPECT_EQ(json["figures"]["misread"], 2);
    EXPECT_EQ(schemaFaults("verdicts", result.out), "");
    int misread = 0;
    int late = 0;
    for (const Json& note : json["notes"]) {
        if (note["verdict"] == "late") {
            ++late;
            EXPECT_TRUE(note["cause"] == "start" || note["cause"] == "before" || note["cause"] == "plan"
                || note["cause"] == "stumble")
                << note.dump();
        }
        for (const Json& word : note["misread"]) {
            if (word["sure"] >= 0.5) {
                ++misread;
                EXPECT_NE(note["verdict"], "on_time");
                EXPECT_EQ(note["cause"], "misread");
            }
        }
    }
    EXPECT_EQ(misread, 2);
    EXPECT_GE(late, 2);
    EXPECT_EQ(run("judge " + quoted(kDemo) + " --pass stage").exit_code, 2);
}

TEST(Cli, HearOfSoundInWhichNobodyReadsSaysSoAndInventsNothing)
{
    const support::ScratchFolder scratch;
    writeNoise(scratch.path() / "engine.wav", 12);
    const auto result = run("hear " + quoted(scratch.path() / "engine.wav"));
    EXPECT_EQ(result.exit_code, 1);
    EXPECT_NE(result.err.find("nobody reads notes in it"), std::string::npos) << result.err;
    EXPECT_EQ(Json::parse(result.out)["calls"].size(), 0U);
    EXPECT_EQ(run("hear " + quoted(scratch.path() / "none.wav")).exit_code, 1);
}

TEST(Cli, HearPrintsEveryWordWithItsTime)
{
    const support::ScratchFolder scratch;
    const auto result = run("hear " + quoted(demoTakeUntil(100.0, scratch)));
    ASSERT_EQ(result.exit_code, 0) << result.err;
    const auto json = Json::parse(result.out);
    EXPECT_GT(json["heard"].size(), 50U);
    double before_s = 0.0;
    for (const Json& word : json["heard"]) {
        EXPECT_GE(word["at_s"].get<double>(), before_s);
        EXPECT_FALSE(word["word"].get<std::string>().empty());
        before_s = word["at_s"];
    }
    EXPECT_GT(json["calls"].size(), 7U);
}

TEST(Cli, JudgeOfSoundThatIsNoReadingSaysSoAndJudgesNothing)
{
    const support::ScratchFolder scratch;
    writeNoise(scratch.path() / "engine.wav", 20);
    const auto result = run("judge " + quoted(kDemo) + " --pass stage --audio "
        + quoted(scratch.path() / "engine.wav") + " --go 1");
    EXPECT_EQ(result.exit_code, 1);
    EXPECT_NE(result.err.find("nothing in it is a reading of this stage"), std::string::npos) << result.err;
    EXPECT_EQ(Json::parse(result.out)["notes"].size(), 0U);
}

TEST(Cli, TunePrintsTheLeadsThatTheDriverWishes)
{
    const auto result = run("tune " + quoted(kDemo));
    ASSERT_EQ(result.exit_code, 0) << result.err;
    EXPECT_EQ(schemaFaults("tuning", result.out), "");
    const auto json = Json::parse(result.out);
    const auto slow = std::find_if(json["classes"].begin(), json["classes"].end(),
        [](const Json& one) { return one["class"] == "slow"; });
    ASSERT_NE(slow, json["classes"].end());
    EXPECT_GT((*slow)["after_s"], (*slow)["before_s"]);
    EXPECT_LE((*slow)["low_s"], (*slow)["after_s"]);
    EXPECT_GE((*slow)["high_s"], (*slow)["after_s"]);
    EXPECT_TRUE(json["reader"].empty()) << "the simulated reader says nothing of the crew's own";
}

TEST(Cli, LogAndTonightReadAFolderOfStages)
{
    const support::ScratchFolder rally;
    static_cast<void>(support::copyDemo(rally));
    support::write(rally.path() / "Broken" / "stage.brumefall", "{");
    const auto logged = run("log " + quoted(rally.path()));
    ASSERT_EQ(logged.exit_code, 0) << logged.err;
    EXPECT_EQ(schemaFaults("log", logged.out), "");
    EXPECT_NE(logged.err.find("Broken"), std::string::npos) << "and says what is wrong with the other";
    const auto json = Json::parse(logged.out);
    ASSERT_EQ(json["stages"].size(), 2U);
    EXPECT_TRUE(json["stages"][0].contains("problem"));
    EXPECT_EQ(json["stages"][1]["takes"].size(), 3U);
    EXPECT_EQ(json["stages"][1]["takes"][0]["misread"], 3);
    const auto planned = run("tonight " + quoted(rally.path()) + " --minutes 12");
    ASSERT_EQ(planned.exit_code, 0) << planned.err;
    EXPECT_EQ(schemaFaults("tonight", planned.out), "");
    const auto tonight = Json::parse(planned.out);
    ASSERT_FALSE(tonight["stretches"].empty());
    double minutes = 0.0;
    for (const Json& stretch : tonight["stretches"]) {
        minutes += stretch["minutes"].get<double>();
        EXPECT_EQ(stretch["stage"], "Lantern Pass");
    }
    EXPECT_LE(minutes, 12.0);
    EXPECT_EQ(run("tonight " + quoted(rally.path())).exit_code, 2);
    EXPECT_EQ(run("log " + quoted(rally.path() / "nowhere")).exit_code, 1);
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
    EXPECT_EQ(run("check").exit_code, 2);
    EXPECT_EQ(run("check " + quoted(kDemo) + " too much").exit_code, 2);
    EXPECT_EQ(run("export " + quoted(kDemo) + " --to book.pdf --binding under").exit_code, 2);
    EXPECT_EQ(run("--help").exit_code, 0);
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

TEST(Cli, TellsTheShellWhatMayStandNext)
{
    EXPECT_EQ(run("--complete ex").out, "export\n");
    EXPECT_EQ(run("--complete export d --binding ''").out, "left\nright\ntop\n");
    EXPECT_EQ(run("--complete judge d --g").out, "--go\n");
    EXPECT_EQ(run("--complete plan La").out, "") << "a file";
    EXPECT_EQ(run("--complete dance --p").out, "");
    EXPECT_NE(run("export --help").out.find("--binding"), std::string::npos);
}
