#include "media/player.h"
#include "support.h"

#include <QSignalSpy>
#include <QTest>

#include <gtest/gtest.h>

using brumefall::media::Player;

namespace {

const QString kVideo = QStringLiteral(DEMO_FOLDER) + QStringLiteral("/media/stage.mkv");

/// A player with the demo video open; the test waits for what it needs.
class PlayerTest : public testing::Test {
protected:
    void SetUp() override
    {
        player_.open(kVideo);
        ASSERT_TRUE(QTest::qWaitFor([&] { return player_.isOpen() && player_.duration_s() > 0.0; }, 10000));
    }

    Player player_;
};

} // namespace

TEST_F(PlayerTest, SeeksExactly)
{
    for (const double wished_s : {61.0, 12.3, 200.04, 5.0}) {
        player_.seek(wished_s);
        ASSERT_TRUE(QTest::qWaitFor([&] { return !player_.isSeeking(); }, 8000)) << wished_s;
        EXPECT_NEAR(player_.position_s(), wished_s, 0.045) << "within a frame of 25 a second";
    }
}

TEST_F(PlayerTest, ShowsAnotherPictureElsewhereInTheVideo)
{
    player_.seek(20.0);
    ASSERT_TRUE(QTest::qWaitFor(
        [&] {
            return !player_.isSeeking() && !player_.picture({320, 180}).isNull();
        },
        8000));
    QTest::qWait(200);
    const QImage here = player_.picture({320, 180});
    player_.seek(150.0);
    EXPECT_TRUE(QTest::qWaitFor([&] { return player_.picture({320, 180}) != here; }, 8000));
}

TEST_F(PlayerTest, KeepsItsRateWithinItsBounds)
{
    player_.setRate(10.0);
    EXPECT_EQ(player_.rate(), 3.0);
    player_.setRate(0.01);
    EXPECT_EQ(player_.rate(), 0.25);
}

TEST_F(PlayerTest, AFileThatIsNoVideoIsToldAndTheNextOneOpens)
{
    const support::ScratchFolder scratch;
    const auto file = scratch.path() / "broken.mkv";
    support::write(file, "not a video");
    QSignalSpy failed(&player_, &Player::failed);
    player_.open(QString::fromStdString(file.string()));
    ASSERT_TRUE(QTest::qWaitFor([&] { return failed.count() > 0; }, 8000));
    EXPECT_TRUE(failed.first().first().toString().contains(QStringLiteral("broken.mkv")));
    player_.open(kVideo);
    EXPECT_TRUE(QTest::qWaitFor([&] { return player_.isOpen(); }, 8000));
}
