// New stages from one long recording, by its captions.

#include "formats/files.h"
#include "stage/from_recording.h"
#include "support.h"

#include <gtest/gtest.h>

using namespace brumefall;

namespace {

constexpr const char* kTwoStages = "WEBVTT\n\n"
                                   "00:20.000 --> 00:23.000\nfive four three two one go\n\n"
                                   "00:24.000 --> 00:26.000\nleft four over crest 60\n\n"
                                   "00:28.000 --> 00:30.000\nright three tightens 80\n\n"
                                   "00:33.000 --> 00:34.000\nhairpin left 100\n\n"
                                   "00:38.000 --> 00:40.000\nfinish and stop\n\n"
                                   "01:30.000 --> 01:33.000\nfive four three two one go\n\n"
                                   "01:35.000 --> 01:37.000\nright six left five 120\n\n"
                                   "01:40.000 --> 01:42.000\nleft three don't cut 50\n\n"
                                   "01:45.000 --> 01:46.000\nright two 70\n\n"
                                   "01:50.000 --> 01:52.000\nfinish and stop\n";

struct RecordingTest : testing::Test {
    [[nodiscard]] std::vector<stage::FromRecording> stages(
        double duration_s = 0.0, const std::function<bool(const captions::DraftCall&)>& take = {}) const
    {
        return stage::stagesOf(draft, take, crew, file, duration_s);
    }

    support::ScratchFolder scratch;
    captions::Draft draft = captions::draftNotes(captions::readCues(kTwoStages, "day.vtt"));
    stage::Stage crew;
    std::filesystem::path file = scratch.path() / "day.mp4";
};

} // namespace

TEST_F(RecordingTest, EveryStageHasItsNotesItsGoAndItsPartOfTheRecording)
{
    support::write(file, "1234");
    const auto made = stages(115.0);
    ASSERT_EQ(made.size(), 2U);
    EXPECT_EQ(made[0].stage.text.find("right six"), std::string::npos);
    EXPECT_EQ(made[1].stage.text.find("left four"), std::string::npos);
    EXPECT_EQ(stage::understand(made[1].stage).calls.size(), made[1].stage.known.empty() ? 0U : 4U);
    for (const auto& one : made) {
        EXPECT_EQ(one.pass.media.path, file.string());
        EXPECT_EQ(one.pass.media.size_bytes, 4);
        EXPECT_EQ(one.pass.kind, "stage");
        EXPECT_LT(one.pass.in_s, one.pass.go_s);
        EXPECT_GT(one.pass.out_s, one.pass.go_s);
    }
    EXPECT_NEAR(made[0].pass.go_s, 22.7, 0.5);
    EXPECT_NEAR(made[1].pass.go_s, 92.7, 0.5);
    EXPECT_LE(made[0].pass.out_s, made[1].pass.in_s) << "nothing of the one in the other";
    EXPECT_LE(made[1].pass.out_s, 115.0);
}

TEST_F(RecordingTest, WhereANoteWasHeardIsADraftOfItsPlaceALittleLater)
{
    const auto made = stages();
    const auto notes = stage::understand(made[0].stage);
    ASSERT_GE(made[0].pass.marks.size(), 3U);
    double before_s = made[0].pass.go_s;
    for (const auto& mark : made[0].pass.marks) {
        EXPECT_TRUE(mark.draft);
        EXPECT_GT(mark.media_s, before_s);
        before_s = mark.media_s;
    }
    EXPECT_EQ(made[0].pass.marks[0].note, notes.calls[0].notes[0].id);
    EXPECT_NEAR(made[0].pass.marks[0].media_s, 26.0 + stage::kUsualLead_s, 1.0);
}

TEST_F(RecordingTest, AProposalThatIsNotTakenStandsAsItWasHeard)
{
    const auto made = stages(
        0.0, [](const captions::DraftCall& call) { return call.heard.find("crest") == std::string::npos; });
    EXPECT_EQ(made[0].stage.text.substr(0, made[0].stage.text.find('\n')), draft.calls[0].heard);
}

TEST_F(RecordingTest, TheCrewsPeopleAndStyleComeAlong)
{
    crew.crew = "Maro Quill and Isbet Vane";
    crew.driver.holds_notes = 5;
    crew.reader.rate_syll_s = 4.4;
    crew.text = "left one";
    for (const auto& one : stages()) {
        EXPECT_EQ(one.stage.crew, crew.crew);
        EXPECT_EQ(one.stage.driver.holds_notes, 5);
        EXPECT_EQ(one.stage.reader.rate_syll_s, 4.4);
        EXPECT_EQ(one.stage.text.find("left one"), std::string::npos);
    }
}

TEST_F(RecordingTest, NewFoldersStandBesideWhatIsThereAndAreStagesLikeOthers)
{
    support::write(scratch.path() / "Day 1" / "stage.brumefall", "mine");
    const auto folders = stage::addStages(scratch.path(), "Day", stages());
    ASSERT_EQ(folders.size(), 2U);
    EXPECT_EQ(folders[0].filename(), "Day 2");
    EXPECT_EQ(folders[1].filename(), "Day 3");
    EXPECT_EQ(support::read(scratch.path() / "Day 1" / "stage.brumefall"), "mine");
    for (const auto& folder : folders) {
        const auto stage = stage::readStage(folder / "stage.brumefall");
        EXPECT_EQ(stage.name, folder.filename());
        const auto pass = stage::passOf(folder, {});
        ASSERT_TRUE(pass);
        EXPECT_EQ(std::filesystem::weakly_canonical(folder / pass->media.path),
            std::filesystem::weakly_canonical(file))
            << "the recording is found from the new folder";
        EXPECT_GT(stage::prepare(stage, &*pass).placement.notes.size(), 2U);
    }
}

TEST_F(RecordingTest, AFolderThatCannotBeWrittenIsTold)
{
    support::write(scratch.path() / "full", "a file where the rally should be");
    EXPECT_THROW(
        static_cast<void>(stage::addStages(scratch.path() / "full", "Day", stages())), formats::FormatError);
}
