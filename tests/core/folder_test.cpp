#include "formats/files.h"
#include "stage/folder.h"
#include "stage/stage.h"
#include "support.h"

#include <gtest/gtest.h>

using namespace brumefall;

namespace {

struct FolderTest : testing::Test {
    support::ScratchFolder scratch;
    std::filesystem::path from = support::copyDemo(scratch);
    std::filesystem::path to = scratch.path() / "elsewhere" / "Lantern Pass again";
};

} // namespace

TEST_F(FolderTest, ACopyHasTheNotesThePassesAndTheTakesAndItsVideosAreStillFound)
{
    stage::copyStage(from, to);
    EXPECT_EQ(stage::readStage(to / "stage.brumefall").text, stage::readStage(from / "stage.brumefall").text);
    EXPECT_EQ(stage::listJson(to / "takes").size(), stage::listJson(from / "takes").size());
    const auto passes = stage::listJson(to / "passes");
    ASSERT_EQ(passes.size(), 2U);
    for (const auto& file : passes) {
        EXPECT_TRUE(std::filesystem::exists(to / stage::readPass(file).media.path));
    }
    EXPECT_FALSE(std::filesystem::exists(to / "media")) << "media are referenced, not copied";
    EXPECT_TRUE(stage::checkFolder(to).empty());
}

TEST_F(FolderTest, AStageThatIsThereIsNotOverwritten)
{
    stage::copyStage(from, to);
    support::write(to / "stage.brumefall", "mine");
    EXPECT_THROW(stage::copyStage(from, to), formats::FormatError);
    EXPECT_EQ(support::read(to / "stage.brumefall"), "mine");
}

TEST_F(FolderTest, WhereItCannotBeWrittenNothingIsLeftAndTheReasonIsTold)
{
    support::write(scratch.path() / "file", "not a folder");
    try {
        stage::copyStage(from, scratch.path() / "file" / "stage");
        FAIL() << "a file is no folder";
    } catch (const formats::FormatError& error) {
        EXPECT_NE(error.message().find("could not be written"), std::string::npos);
    }
}

TEST_F(FolderTest, CaptionTimesAreKeptWithTheStage)
{
    auto stage = stage::readStage(from / "stage.brumefall");
    stage.captions = {"stage.srt", {{stage.known.front().id, 12.5}}};
    stage::writeStage(from / "stage.brumefall", stage);
    EXPECT_EQ(stage::readStage(from / "stage.brumefall").captions, stage.captions);
    stage.captions.place_s.clear();
    stage::writeStage(from / "stage.brumefall", stage);
    EXPECT_EQ(support::read(from / "stage.brumefall").find("captions"), std::string::npos);
}
