// What is found while a take is read beside a loudspeaker that plays the video: the reader, not the video's
// crew.

#include "../loudspeaker.h"
#include "read/live_search.h"
#include "read/voice_follower.h"
#include "stage/stage.h"

#include <QSignalSpy>
#include <QTest>
#include <QThreadPool>

#include <gtest/gtest.h>

#include <cmath>

using namespace brumefall;
using namespace brumefall::app;

namespace {

constexpr double kFrom_s = 18.0;
constexpr double kTo_s = 60.0;

plan::Plan demoPlan()
{
    const std::filesystem::path demo = DEMO_FOLDER;
    const auto stage = stage::readStage(demo / "stage.brumefall");
    const auto pass = stage::readPass(demo / "passes" / "stage.json");
    return stage::prepare(stage, &pass).plan;
}

/// A part of the demo stage, read beside its video, which calls every note half a second earlier.
class BesideALoudspeaker : public testing::Test {
protected:
    BesideALoudspeaker()
        : plan_(demoPlan())
        , reader_(media::readAloud(plan_, {}, 7, kFrom_s, kTo_s))
        , played_(std::make_shared<const media::Sound>(support::onboardSound(plan_, kTo_s + 5.0)))
        , recorded_(support::besideALoudspeaker(reader_, *played_))
        , search_(std::make_shared<LiveSearch>(take::expectedNotes(plan_, take::Clock{kFrom_s, 1.0}), pool_))
    {
        pool_.setMaxThreadCount(1);
        follower_.start(plan_, kFrom_s);
    }

    /// Half a second of it after another, to both.
    void hearAll()
    {
        constexpr std::size_t kBlock = media::kAlignRate_hz / 2;
        for (std::size_t at = 0; at < recorded_.samples.size(); at += kBlock) {
            const auto count = std::min(kBlock, recorded_.samples.size() - at);
            const QByteArray bytes(reinterpret_cast<const char*>(recorded_.samples.data() + at),
                static_cast<qsizetype>(2 * count));
            heard_s_ = static_cast<double>(at + count) / media::kAlignRate_hz;
            search_->hear(bytes);
            pool_.waitForDone(); // so that the follower is told of the loudspeaker when it is found
            follower_.hear(bytes);
        }
    }

    /// By how much the end of each note that was read is off, in seconds of the recording; `end_s` finds it.
    template <typename EndOf> std::vector<double> off_s(EndOf endOf) const
    {
        std::vector<double> off;
        for (const auto& truth : reader_.truth) {
            if (const std::optional<double> end_s = endOf(truth.id)) {
                off.push_back(*end_s - truth.span.end_s);
            }
        }
        return off;
    }

    plan::Plan plan_;
    media::Reading reader_;
    std::shared_ptr<const media::Sound> played_;
    media::Sound recorded_;
    double heard_s_ = 0.0;
    QThreadPool pool_;
    std::shared_ptr<LiveSearch> search_;
    VoiceFollower follower_;
};

TEST_F(BesideALoudspeaker, TheReaderIsJudgedWhileTheTakeGoesOn)
{
    search_->setPlayed(played_, kFrom_s);
    hearAll();
    EXPECT_TRUE(search_->isWithoutVideo()) << "else all of it is heard anew after stop";
    const auto found = search_->finish({});
    const auto off = off_s([&](const std::string& id) -> std::optional<double> {
        const auto note =
            std::find_if(found.begin(), found.end(), [&](const auto& one) { return one.id == id; });
        EXPECT_TRUE(note->repeats.empty()) << "the video's call of " << id;
        return note->read ? std::optional(note->span.end_s) : std::nullopt;
    });
    EXPECT_GE(off.size() + 1, reader_.truth.size());
    EXPECT_TRUE(std::all_of(off.begin(), off.end(), [](double s) { return std::abs(s) < 0.2; }));
}

TEST_F(BesideALoudspeaker, ThePageFollowsTheReaderOnceTheVideoWasHeard)
{
    double known_s = 1e9;
    search_->setPlayed(played_, kFrom_s, [&, take = follower_.takesOut()](auto filter) {
        take(std::move(filter));
        known_s = heard_s_;
    });
    QSignalSpy told(&follower_, &VoiceFollower::told);
    hearAll();
    // all but the last note, which nothing follows
    const double last_s = (reader_.truth.end() - 2)->span.end_s;
    const auto arrived = [&] { return !told.empty() && told.back()[1].toDouble() > last_s - 0.25; };
    EXPECT_TRUE(QTest::qWaitFor(arrived, 60000));
    ASSERT_LT(known_s, 30.0);
    std::size_t after = 0;
    std::size_t right = 0;
    for (const auto& one : told) {
        const auto& id = plan_.notes[one[0].toUInt()].id;
        const auto truth = std::find_if(
            reader_.truth.begin(), reader_.truth.end(), [&](const auto& read) { return read.id == id; });
        if (truth != reader_.truth.end() && truth->span.start_s > known_s) {
            ++after;
            right += std::abs(one[1].toDouble() - truth->span.end_s) < 0.25 ? 1 : 0;
        }
    }
    ASSERT_GE(after, 4U);
    EXPECT_GE(right + 1, after);
}

TEST_F(BesideALoudspeaker, WithHeadphonesNothingIsTakenOut)
{
    recorded_ = media::resampled(reader_.sound, media::kAlignRate_hz);
    search_->setPlayed(played_, kFrom_s);
    hearAll();
    EXPECT_FALSE(search_->isWithoutVideo());
    EXPECT_EQ(search_->recorded().samples, recorded_.samples);
}

} // namespace
