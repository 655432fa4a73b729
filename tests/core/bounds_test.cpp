// Files from strangers: what is beyond all measure is refused with its name, not computed with.

#include "formats/files.h"
#include "stage/stage.h"
#include "support.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <functional>

#include <sys/stat.h>

using namespace brumefall;

namespace {

using Json = nlohmann::ordered_json;

const std::filesystem::path kDemo = DEMO_FOLDER;

/// What reading the demo's file says, after `change`; empty where it is read.
template <typename Read>
std::string whyNot(const std::filesystem::path& file, Read read, const std::function<void(Json&)>& change)
{
    const support::ScratchFolder scratch;
    auto json = Json::parse(support::read(file));
    change(json);
    support::write(scratch.path() / "it.json", json.dump());
    try {
        static_cast<void>(read(scratch.path() / "it.json"));
        return {};
    } catch (const formats::FormatError& error) {
        return error.message();
    }
}

std::string passWith(const std::function<void(Json&)>& change)
{
    return whyNot(kDemo / "passes" / "stage.json", stage::readPass, change);
}

std::string takeWith(const std::function<void(Json&)>& change)
{
    return whyNot(kDemo / "takes" / "2030-03-07 20.14.05.json", stage::readTake, change);
}

} // namespace

TEST(Bounds, APassOfAllUsualMeasureIsRead)
{
    EXPECT_EQ(passWith([](Json&) {}), "");
    EXPECT_EQ(takeWith([](Json&) {}), "");
}

TEST(Bounds, ATraceBeyondAllMeasureIsRefused)
{
    for (const double station_m : {1e12, 1e9, 1e308, -1e7}) {
        EXPECT_EQ(passWith([&](Json& pass) { pass["trace"][3]["station_m"] = station_m; }),
            "station_m is beyond all measure");
    }
    EXPECT_EQ(passWith([](Json& pass) { pass["trace"][3]["time_s"] = 1e9; }), "time_s is beyond all measure");
}

TEST(Bounds, AGoOrAMarkOutsideEveryRecordingIsRefused)
{
    EXPECT_EQ(passWith([](Json& pass) { pass["go_s"] = 1e6; }), "go_s is beyond all measure");
    EXPECT_EQ(passWith([](Json& pass) { pass["finish_s"] = -1e6; }), "finish_s is beyond all measure");
    EXPECT_EQ(
        passWith([](Json& pass) { pass["marks"][0]["media_s"] = 1e300; }), "media_s is beyond all measure");
}

TEST(Bounds, MoreMarksThanAnyStageHasAreRefused)
{
    EXPECT_NE(passWith([](Json& pass) {
        Json marks = Json::array();
        for (int i = 0; i < 30'000; ++i) {
            marks.push_back({{"note", "n" + std::to_string(i)}, {"media_s", 0.01 * i}});
        }
        pass["marks"] = std::move(marks);
    }).find("30000 marks"),
        std::string::npos);
}

TEST(Bounds, ALogOfAHundredPointsASecondIsRead)
{
    EXPECT_EQ(passWith([](Json& pass) {
        Json trace = Json::array();
        for (int i = 0; i < 80'000; ++i) {
            trace.push_back({{"time_s", 0.01 * i}, {"station_m", 0.2 * i}});
        }
        pass["trace"] = std::move(trace);
    }),
        "");
}

TEST(Bounds, ATakeOfNoClockIsRefused)
{
    EXPECT_EQ(
        takeWith([](Json& take) { take["clock"]["offset_s"] = 1e6; }), "offset_s is beyond all measure");
    EXPECT_EQ(takeWith([](Json& take) { take["plan"]["notes"][2]["window"]["closes_s"] = 1e300; }),
        "a time of the plan is beyond all measure");
    EXPECT_EQ(takeWith([](Json& take) { take["calls"][0]["end_s"] = 1e99; }), "end_s is beyond all measure");
}

TEST(Bounds, ARecordingLiesBesideItsTakeWhateverItsNameSays)
{
    const support::ScratchFolder scratch;
    auto json = Json::parse(support::read(kDemo / "takes" / "2030-03-07 20.14.05.json"));
    json["audio"] = "../../../../etc/passwd";
    support::write(scratch.path() / "t.json", json.dump());
    EXPECT_EQ(stage::readTake(scratch.path() / "t.json").audio, "passwd");
}

TEST(Bounds, APipeOrADeviceIsNoFile)
{
    const support::ScratchFolder scratch;
    const auto pipe = scratch.path() / "stage.brumefall";
    ASSERT_EQ(::mkfifo(pipe.c_str(), 0600), 0);
    EXPECT_THROW((void)stage::readStage(pipe), formats::FormatError);
    EXPECT_THROW((void)stage::readPass("/dev/zero"), formats::FormatError);
}

TEST(Bounds, WhatIsNestedWithoutEndIsToldWithItsLine)
{
    const support::ScratchFolder scratch;
    const auto file = scratch.path() / "p.json";
    support::write(file, "{\"format\": \"brumefall/pass/1\",\n\"x\": " + std::string(100'000, '[') + "}");
    try {
        static_cast<void>(stage::readPass(file));
        FAIL();
    } catch (const formats::FormatError& error) {
        EXPECT_EQ(error.message(), "nested too deeply");
        EXPECT_EQ(error.line(), 2);
    }
    support::write(file, R"({"format": "brumefall/pass/1", "remark": "[[[[ \" [[[["})");
    EXPECT_EQ(stage::readPass(file).remark, "[[[[ \" [[[[");
}
