// A stage folder from a stranger can do nothing but be shown: its media lead nowhere else.

#include "formats/files.h"
#include "media/sound.h"
#include "widgets/transport.h"
#include "window.h"

#include <QDir>
#include <QLabel>
#include <QTcpServer>
#include <QToolTip>

#include <algorithm>

#include <sys/stat.h>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class StrangersTest : public support::Window {
protected:
    void SetUp() override
    {
        Window::SetUp();
        ASSERT_TRUE(server_.listen(QHostAddress::LocalHost));
        QObject::connect(&server_, &QTcpServer::newConnection, [this] { ++reached_; });
    }

    /// The stage with `content` in the place of its video, opened and played for a moment.
    void openWithVideo(const std::string& content)
    {
        const auto video = stage_ / "media" / "stage.mkv";
        std::filesystem::remove(video);
        support::write(video, content);
        ASSERT_TRUE(window_->openStage(QString::fromStdString(stage_.string())));
        window_->transport().player().play();
        EXPECT_TRUE(waitFor([&] { return !message().isEmpty(); }, 10000)) << content;
        QTest::qWait(300);
        EXPECT_FALSE(window_->transport().player().isOpen()) << content;
        EXPECT_THROW((void)media::inspect(video), media::MediaError) << content;
        EXPECT_THROW((void)media::decodeSound(video, 16000), media::MediaError) << content;
        EXPECT_EQ(reached_, 0) << content;
    }
    [[nodiscard]] std::string address() const
    {
        return "http://127.0.0.1:" + std::to_string(server_.serverPort()) + "/x.ts";
    }

    QTcpServer server_;
    int reached_ = 0;
};

TEST_F(StrangersTest, APlaylistInDisguiseReachesNoAddress)
{
    openWithVideo("#EXTM3U\n#EXTINF:10,\n" + address() + "\n");
}

TEST_F(StrangersTest, AStreamInDisguiseReachesNoAddress)
{
    openWithVideo("#EXTM3U\n#EXT-X-TARGETDURATION:10\n#EXT-X-VERSION:3\n#EXTINF:10.0,\n" + address()
        + "\n#EXT-X-ENDLIST\n");
}

TEST_F(StrangersTest, AnEditListInDisguiseOpensNoOtherFile)
{
    const std::string other = (stage_ / "media" / "recce.mkv").string();
    openWithVideo("# mpv EDL v0\n" + other + ",0,10\n");
}

TEST_F(StrangersTest, AListOfFilesInDisguiseOpensNoOtherFile)
{
    openWithVideo("ffconcat version 1.0\nfile recce.mkv\n");
}

TEST_F(StrangersTest, ASessionDescriptionInDisguiseOpensNoSocket)
{
    openWithVideo("v=0\no=- 0 0 IN IP4 127.0.0.1\ns=x\nc=IN IP4 127.0.0.1\nt=0 0\nm=audio "
        + std::to_string(server_.serverPort()) + " RTP/AVP 0\n");
}

TEST_F(StrangersTest, APipeInThePlaceOfAFileHangsNothing)
{
    const auto video = stage_ / "media" / "stage.mkv";
    std::filesystem::remove(video);
    ASSERT_EQ(::mkfifo(video.c_str(), 0600), 0);
    ASSERT_TRUE(window_->openStage(QString::fromStdString(stage_.string())));
    EXPECT_TRUE(waitFor([&] { return !message().isEmpty(); }, 3000));
    const auto take = stage_ / "takes" / "pipe.json";
    ASSERT_EQ(::mkfifo(take.c_str(), 0600), 0);
    EXPECT_TRUE(window_->openStage(QString::fromStdString(stage_.string())))
        << "the rest of the stage is there";
    EXPECT_EQ(window_->document().takes().size(), 3U);
}

TEST_F(StrangersTest, AVideoOutsideTheFolderIsAskedForNotFollowed)
{
    const auto outside = scratch_.path() / "somewhere else" / "private.mkv";
    std::filesystem::create_directories(outside.parent_path());
    std::filesystem::rename(stage_ / "media" / "stage.mkv", outside);
    auto pass = stage::readPass(stage_ / "passes" / "stage.json");
    pass.media.path = "../somewhere else/private.mkv";
    stage::writePass(stage_ / "passes" / "stage.json", pass);
    ASSERT_TRUE(window_->openStage(QString::fromStdString(stage_.string())));
    EXPECT_TRUE(window_->document().mediaFile().isEmpty());
    EXPECT_TRUE(message().contains(QStringLiteral("outside"))) << message().toStdString();
    EXPECT_TRUE(message().contains(QStringLiteral("private.mkv")));
    window_->document().relink(QString::fromStdString(outside.string()));
    EXPECT_EQ(std::filesystem::path(window_->document().mediaFile().toStdString()).filename(), "private.mkv");
    EXPECT_TRUE(waitFor([&] { return window_->transport().player().isOpen(); }, 10000));
    // chosen once, it is opened from then on
    ASSERT_TRUE(window_->openStage(QString::fromStdString(stage_.string())));
    EXPECT_FALSE(window_->document().mediaFile().isEmpty());
}

TEST_F(StrangersTest, ALinkOutOfTheFolderIsAskedForToo)
{
    const auto outside = scratch_.path() / "private.mkv";
    std::filesystem::rename(stage_ / "media" / "stage.mkv", outside);
    std::filesystem::create_symlink(outside, stage_ / "media" / "stage.mkv");
    ASSERT_TRUE(window_->openStage(QString::fromStdString(stage_.string())));
    EXPECT_TRUE(window_->document().mediaFile().isEmpty());
}

TEST_F(StrangersTest, ASaveDoesNotWriteThroughALinkThatLiesInItsWay)
{
    const auto precious = scratch_.path() / "precious.txt";
    support::write(precious, "keep me");
    std::filesystem::create_symlink(precious, stage_ / "stage.brumefall.tmp");
    openDemo();
    window_->document().rename(QStringLiteral("Another name"), QStringLiteral("Crew"));
    window_->document().save();
    EXPECT_EQ(support::read(precious), "keep me");
    EXPECT_EQ(stage::readStage(stage_ / "stage.brumefall").name, "Another name");
}

TEST_F(StrangersTest, WhatAnotherProgramSavedMeanwhileIsKeptBeside)
{
    openDemo();
    auto other = stage::readStage(stage_ / "stage.brumefall");
    other.name = "Of the other window";
    stage::writeStage(stage_ / "stage.brumefall", other);
    window_->document().rename(QStringLiteral("Of this window"), QStringLiteral("Crew"));
    window_->document().save();
    EXPECT_EQ(stage::readStage(stage_ / "stage.brumefall").name, "Of this window");
    int kept = 0;
    for (const auto& entry : std::filesystem::directory_iterator(stage_)) {
        if (entry.path().filename().string().starts_with("stage of another window")) {
            EXPECT_EQ(stage::readStage(entry.path()).name, "Of the other window");
            ++kept;
        }
    }
    EXPECT_EQ(kept, 1);
    EXPECT_TRUE(message().contains(QStringLiteral("kept beside"))) << message().toStdString();
    window_->document().rename(QStringLiteral("Once more"), QStringLiteral("Crew"));
    window_->document().save();
    EXPECT_EQ(stage::readStage(stage_ / "stage.brumefall").name, "Once more") << "nobody else has changed it";
}

TEST_F(StrangersTest, AStageThatIsOpenTwiceIsTold)
{
    openDemo();
    Document second;
    QString told;
    QObject::connect(&second, &Document::message, [&](const QString& text) { told = text; });
    ASSERT_EQ(second.open(QString::fromStdString(stage_.string())), std::nullopt);
    EXPECT_TRUE(told.contains(QStringLiteral("another window"))) << told.toStdString();
}

TEST_F(StrangersTest, AFolderThatWasTakenAwayIsToldAndNotMadeAgain)
{
    openDemo();
    const auto elsewhere = scratch_.path() / "renamed";
    std::filesystem::rename(stage_, elsewhere);
    window_->document().rename(QStringLiteral("Another name"), QStringLiteral("Crew"));
    window_->document().save();
    EXPECT_FALSE(std::filesystem::exists(stage_)) << "no ghost of it";
    EXPECT_TRUE(window_->document().hasUnsavedChanges());
    EXPECT_TRUE(message().contains(QStringLiteral("not there any more"))) << message().toStdString();
    std::filesystem::rename(elsewhere, stage_);
    window_->document().save();
    EXPECT_EQ(stage::readStage(stage_ / "stage.brumefall").name, "Another name");
}

TEST_F(StrangersTest, OnlyTheLastGuideIsKeptOnTheDisk)
{
    const support::ScratchFolder scratch;
    qputenv("TMPDIR", scratch.path().c_str());
    {
        Document document;
        Transport transport(document);
        const media::Sound second{std::vector<std::int16_t>(16000, 100), 16000};
        for (int click = 0; click < 5; ++click) {
            transport.setGuide(second, 1.0);
        }
        int files = 0;
        for (const auto& entry : std::filesystem::recursive_directory_iterator(scratch.path())) {
            files += entry.path().extension() == ".wav" ? 1 : 0;
        }
        EXPECT_EQ(files, 1);
        EXPECT_TRUE(transport.hasGuide());
    }
    EXPECT_TRUE(std::filesystem::is_empty(scratch.path()));
    qunsetenv("TMPDIR");
}

TEST_F(StrangersTest, MarkupInNamesIsShownAsItIsWritten)
{
    openDemo();
    const QString name = QStringLiteral("<b>Pass</b> <img src='/etc/picture.png'>");
    window_->document().rename(name, name);
    emit window_->document().message(name);
    for (int workspace = 0; workspace < MainWindow::kWorkspaces; ++workspace) {
        window_->showWorkspace(static_cast<MainWindow::Workspace>(workspace));
        QTest::qWait(50);
        for (const QLabel* label : window_->findChildren<QLabel*>()) {
            const bool could = label->textFormat() == Qt::AutoText && Qt::mightBeRichText(label->text());
            EXPECT_FALSE(could && label->isVisible()) << label->text().toStdString();
            EXPECT_FALSE(label->textFormat() == Qt::RichText && label->text().contains(name))
                << label->objectName().toStdString();
        }
    }
    QToolTip::showText(window_->mapToGlobal(QPoint(40, 40)), name, window_.get());
    const auto widgets = QApplication::topLevelWidgets();
    const auto tip = std::find_if(widgets.begin(), widgets.end(),
        [&](QWidget* w) { return qobject_cast<QLabel*>(w) != nullptr && w->isVisible(); });
    ASSERT_NE(tip, widgets.end());
    EXPECT_EQ(qobject_cast<QLabel*>(*tip)->textFormat(), Qt::PlainText);
}

} // namespace
