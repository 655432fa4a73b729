// A take is a value: whatever is opened, changed or recorded meanwhile, it is judged against what it was read
// against, and kept where it belongs.

#include "../loudspeaker.h"
#include "media/sound_file.h"
#include "read/page_view.h"
#include "reading_window.h"
#include "stage/stage.h"

#include <QComboBox>
#include <QPlainTextEdit>

#include <algorithm>
#include <cmath>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class TakesTest : public support::ReadingWindow {
protected:
    [[nodiscard]] double now_s() { return window_->transport().stageTime(); }

    /// Reads from `from_s` to `to_s`; `meanwhile` happens in the middle. Returns the take's file.
    std::filesystem::path record(double from_s, double to_s, const std::function<void()>& meanwhile = {})
    {
        const auto before = stage::listJson(stage_ / "takes");
        window_->transport().seekStage(from_s);
        waitFor([&] { return std::abs(now_s() - from_s) < 0.2; }, 5000);
        QSignalSpy started(&recorder(), &TakeRecorder::started);
        press(Qt::Key_R);
        EXPECT_TRUE(waitFor([&] { return started.count() > 0; }, 20000));
        waitFor([&] { return recorder().recorded_s() > 0.5 * (to_s - from_s); }, 60000);
        if (meanwhile) {
            meanwhile();
        }
        EXPECT_TRUE(waitFor([&] { return recorder().recorded_s() > to_s - from_s; }, 60000));
        window_->showWorkspace(MainWindow::kRead);
        press(Qt::Key_R);
        for (const auto& file : stage::listJson(stage_ / "takes")) {
            if (std::find(before.begin(), before.end(), file) == before.end()) {
                return file;
            }
        }
        return {};
    }
};

TEST_F(TakesTest, WhatIsChangedWhileOneReadsChangesNothingInTheTake)
{
    const auto file = record(47.0, 66.0, [this] {
        document().choosePass(QStringLiteral("recce"));
        document().setNotesText(QStringLiteral("left one\nright two"), QStringLiteral("Edit"));
        auto pass = *document().pass();
        pass.go_s += 7.0;
        document().setPass(pass, QStringLiteral("Go"));
        EXPECT_TRUE(recorder().isRecording());
        EXPECT_TRUE(window_->transport().player().isPlaying());
    });
    const auto reading = window_->read().lastReading();
    ASSERT_TRUE(waitFor([&] { return !recorder().isJudging(); }, 60000));
    const auto take = stage::readTake(file);
    EXPECT_EQ(take.pass, "stage");
    EXPECT_EQ(take.plan.notes.size(), 67U) << "the plan that it was read against";
    EXPECT_FALSE(take.pace.empty());
    EXPECT_LT(worst_s(take.verdicts, reading), 0.6);
}

TEST_F(TakesTest, ThePageFollowsTheVoiceWhileItReads)
{
    auto* page = window_->read().findChild<PageView*>(QStringLiteral("pageView"));
    EXPECT_FALSE(page->behind_s());
    QSignalSpy heard(&recorder(), &TakeRecorder::noteHeard);
    double behind_s = 1e9;
    record(47.0, 63.0, [&] {
        ASSERT_TRUE(waitFor([&] { return page->behind_s().has_value(); }, 12000)) << "nobody was followed";
        behind_s = *page->behind_s();
    });
    EXPECT_LT(std::abs(behind_s), 0.6) << "this reader keeps to the plan";
    const auto& reading = window_->read().lastReading();
    ASSERT_GE(heard.count(), 3);
    for (const auto& one : heard) {
        const auto id = one[0].toString().toStdString();
        const auto truth = std::find_if(
            reading.truth.begin(), reading.truth.end(), [&](const auto& t) { return t.id == id; });
        ASSERT_NE(truth, reading.truth.end()) << id << " was not read";
        EXPECT_NEAR(one[1].toDouble(), reading.from_s + truth->span.end_s, 0.6) << id;
    }
    ASSERT_TRUE(waitFor([&] { return !recorder().isJudging(); }, 60000));
    EXPECT_FALSE(page->behind_s()) << "the take is over";
}

TEST_F(TakesTest, AnotherStageOpenedWhileOneReadsNeitherStopsTheTakeNorGetsIt)
{
    support::ScratchFolder elsewhere;
    const auto other = support::copyDemo(elsewhere);
    const auto there = stage::listJson(other / "takes").size();
    const auto file = record(47.0, 63.0, [&] {
        EXPECT_FALSE(window_->openStage(QString::fromStdString(other.string())))
            << "it is said to stop first";
        ASSERT_FALSE(document().open(QString::fromStdString(other.string())))
            << "whoever opens it all the same";
        QTest::qWait(500);
        EXPECT_TRUE(recorder().isRecording());
        EXPECT_TRUE(window_->transport().player().isPlaying()) << "its video goes on, too";
    });
    EXPECT_FALSE(recorder().isRecording()) << "R stops it all the same";
    const auto reading = window_->read().lastReading();
    ASSERT_TRUE(waitFor([&] { return !recorder().isJudging(); }, 60000));
    EXPECT_LT(worst_s(stage::readTake(file).verdicts, reading), 0.6);
    EXPECT_EQ(stage::listJson(other / "takes").size(), there);
}

TEST_F(TakesTest, ASecondTakeWhileTheFirstIsJudgedAndAnotherStageOpened)
{
    const auto first = record(47.0, 62.0);
    const auto first_reading = window_->read().lastReading();
    const auto second = record(72.0, 87.0);
    const auto second_reading = window_->read().lastReading();
    ASSERT_NE(first, second);
    support::ScratchFolder elsewhere;
    const auto other = support::copyDemo(elsewhere);
    const auto there = stage::listJson(other / "takes").size();
    ASSERT_TRUE(window_->openStage(QString::fromStdString(other.string())));
    ASSERT_TRUE(waitFor([&] { return !recorder().isJudging(); }, 90000));
    EXPECT_LT(worst_s(stage::readTake(first).verdicts, first_reading), 0.6);
    EXPECT_LT(worst_s(stage::readTake(second).verdicts, second_reading), 0.6);
    EXPECT_EQ(stage::listJson(other / "takes").size(), there) << "nothing went into the stage opened since";
    EXPECT_EQ(document().takes().size(), there);
}

TEST_F(TakesTest, WhatWasRecordedAndNeverJudgedIsJudgedAtTheNextStart)
{
    const auto file = record(20.0, 34.0);
    ASSERT_TRUE(waitFor([&] { return !recorder().isJudging(); }, 60000));
    auto take = stage::readTake(file);
    const auto judged = take.verdicts.size();
    take.found.clear();
    take.verdicts.clear();
    stage::writeTake(file, take); // as a crash leaves it
    ASSERT_TRUE(window_->openStage(QString::fromStdString(stage_.string())));
    ASSERT_TRUE(waitFor([&] { return !stage::readTake(file).verdicts.empty(); }, 60000));
    EXPECT_EQ(stage::readTake(file).verdicts.size(), judged);
}

TEST_F(TakesTest, TheCrewInTheVideoThatALoudspeakerPlaysIsNotTheReader)
{
    const auto file = record(20.0, 24.0);
    ASSERT_TRUE(waitFor([&] { return !recorder().isJudging(); }, 60000));
    auto take = stage::readTake(file);
    const auto plan = take.plan;
    auto pass = stage::readPass(stage_ / "passes" / "stage.json");
    const auto onboard = support::onboardSound(plan, 60.0);
    media::SoundWriter(stage_ / "onboard.flac", media::kAlignRate_hz).write(onboard.samples);
    pass.media = {};
    pass.media.path = "onboard.flac";
    pass.go_s = 0.0;
    stage::writePass(stage_ / "passes" / "stage.json", pass);
    constexpr double kFrom_s = 18.0;
    const auto reader = media::readAloud(plan, {}, 7, kFrom_s, 55.0);
    const auto recorded = support::besideALoudspeaker(reader, onboard);
    media::SoundWriter(stage_ / "takes" / take.audio, media::kAlignRate_hz).write(recorded.samples);
    take.clock = {kFrom_s, 1.0};
    take.recorded_s = recorded.duration_s();
    take.found.clear();
    take.verdicts.clear();
    stage::writeTake(file, take); // as a crash leaves it
    ASSERT_TRUE(window_->openStage(QString::fromStdString(stage_.string())));
    ASSERT_TRUE(waitFor([&] { return !stage::readTake(file).verdicts.empty(); }, 60000));
    EXPECT_LT(worst_s(stage::readTake(file).verdicts, reader), 0.2);
}

} // namespace
