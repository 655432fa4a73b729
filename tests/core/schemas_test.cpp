/// Whatever is written stands in docs/schemas, as its schemas say it; judged by a validator of JSON Schema.
#include "captions/cues.h"
#include "captions/draft.h"
#include "formats/captions_json.h"
#include "formats/notes_json.h"
#include "formats/plan_json.h"
#include "stage/stage.h"
#include "support.h"

#include <gtest/gtest.h>
#include <nlohmann/json.hpp>

#include <cstdlib>

using namespace brumefall;

namespace {

using Json = nlohmann::json;
const std::filesystem::path kDemoFolder = DEMO_FOLDER;

/// The schema with every object closed, so that a member which it does not describe is an error too.
void close(Json& schema)
{
    if (schema.is_object() && schema.contains("properties") && !schema.contains("additionalProperties")) {
        schema["additionalProperties"] = false;
    }
    for (Json& part : schema) {
        if (part.is_structured()) {
            close(part);
        }
    }
}

/// What a validator has against `file` by docs/schemas/<kind>.schema.json; empty where nothing.
std::string against(const std::string& kind, const std::filesystem::path& file)
{
    const support::ScratchFolder scratch;
    Json schema = Json::parse(support::read(std::filesystem::path(SCHEMAS_FOLDER) / (kind + ".schema.json")));
    close(schema);
    support::write(scratch.path() / "schema.json", schema.dump());
    const auto said = scratch.path() / "said.txt";
    const int status =
        std::system(("/usr/bin/jsonschema --error-format '{error.message}. ' -i '" + file.string() + "' '"
            + (scratch.path() / "schema.json").string() + "' > '" + said.string() + "' 2>&1")
                        .c_str());
    return status == 0 ? std::string()
                       : "status " + std::to_string(status) + ": " + support::read(said).substr(0, 600);
}

/// The demo's stage with something in every member that a stage can have.
stage::Stage fullStage()
{
    auto full = stage::readStage(kDemoFolder / "stage.brumefall");
    const std::string note = full.known[3].id;
    full.style.order = notes::Order::direction_first;
    full.style.scale = notes::Scale::ascending;
    full.style.name = "Ours";
    full.style.abbreviations["dc"] = "don't cut";
    full.style.words["wiggle"] = "chicane";
    full.style.grade_sizes["4"] = {55.0, 48.0};
    full.pinned_s[note] = 12.5;
    full.rehearsal = {"rear-wheel drive", "gravel", true, true, 260.0};
    full.echoes = {true, 4.0, 3};
    full.shaping.lead_offset_s[note] = -0.4;
    full.shaping.said_as[note] = "left four";
    full.shaping.unsaid_distance.insert(note);
    full.shaping.rate_syll_s[note] = 6.5;
    full.shaping.holds_notes[note] = 5;
    return full;
}

} // namespace

TEST(Schemas, DescribeEveryMemberThatAStageIsWrittenWith)
{
    const support::ScratchFolder scratch;
    stage::writeStage(scratch.path() / "stage.brumefall", fullStage());
    EXPECT_EQ(against("stage", scratch.path() / "stage.brumefall"), "");
    EXPECT_TRUE(stage::readStage(scratch.path() / "stage.brumefall") == fullStage());
}

TEST(Schemas, DescribeAPassWithDraftsAndALog)
{
    const support::ScratchFolder scratch;
    auto pass = stage::readPass(kDemoFolder / "passes" / "stage.json");
    pass.car = "front";
    pass.weather = "fog";
    pass.remark = "slow before the gate";
    pass.log = "lantern.gpx, laid by go";
    pass.marks.push_back({"n2", 31.0, true, 0.8});
    stage::writePass(scratch.path() / "pass.json", pass);
    EXPECT_EQ(against("pass", scratch.path() / "pass.json"), "");
}

TEST(Schemas, DescribeTheDemosTakes)
{
    const support::ScratchFolder scratch;
    for (const auto& file : stage::listJson(kDemoFolder / "takes")) {
        stage::writeTake(scratch.path() / "take.json", stage::readTake(file));
        EXPECT_EQ(against("take", scratch.path() / "take.json"), "") << file;
    }
}

TEST(Schemas, DescribeADriverAndALanguageOfTheirOwn)
{
    const support::ScratchFolder scratch;
    stage::writeDriver(scratch.path() / "driver.json", plan::Driver());
    EXPECT_EQ(against("driver", scratch.path() / "driver.json"), "");
    formats::writeStyle(scratch.path() / "style.json", fullStage().style);
    EXPECT_EQ(against("style", scratch.path() / "style.json"), "");
}

TEST(Schemas, DescribeThePlanWithEchoesAndSqueezes)
{
    const support::ScratchFolder scratch;
    auto stage = fullStage();
    stage.reader.rate_syll_s = 3.5;
    const auto pass = stage::readPass(kDemoFolder / "passes" / "recce.json");
    const auto plan = stage::prepare(stage, &pass).plan;
    ASSERT_FALSE(plan.squeezes.empty());
    ASSERT_FALSE(plan.line_up.empty());
    support::write(scratch.path() / "plan.json", formats::planToJson(plan).dump());
    EXPECT_EQ(against("plan", scratch.path() / "plan.json"), "");
}

TEST(Schemas, DescribeTheNotesOfEveryCorpusFileAndOfTheDemosCaptions)
{
    const support::ScratchFolder scratch;
    for (const auto& file : std::filesystem::directory_iterator(CORPUS_FOLDER)) {
        const auto parsed = notes::parseNotes(support::read(file.path()));
        support::write(scratch.path() / "notes.json", formats::notesToJson(parsed).dump());
        EXPECT_EQ(against("notes", scratch.path() / "notes.json"), "") << file.path();
    }
    const auto captions = kDemoFolder / "media" / "stage.srt";
    const auto draft = captions::draftNotes(captions::readCues(support::read(captions), captions.string()));
    support::write(scratch.path() / "draft.json", formats::draftToJson(draft).dump());
    EXPECT_EQ(against("notes", scratch.path() / "draft.json"), "");
}

TEST(Schemas, AFileOfTheWrongShapeIsTold)
{
    const support::ScratchFolder scratch;
    support::write(
        scratch.path() / "driver.json", R"({"format": "brumefall/driver/1", "holds_notes": "three"})");
    EXPECT_NE(against("driver", scratch.path() / "driver.json"), "");
}
