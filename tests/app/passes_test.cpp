// Passes of odd and moved videos in the window: what is told about them, and what works all the same.

#include "document/media_search.h"
#include "media/sound.h"
#include "odd_media.h"
#include "places/places_workspace.h"
#include "widgets/wave_view.h"
#include "window.h"

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>

#include <cmath>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class PassesTest : public support::Window {
protected:
    void SetUp() override
    {
        Window::SetUp();
        openDemo();
        QTest::keyClick(window_.get(), Qt::Key_F2);
        places_ = find<PlacesWorkspace>("placesWorkspace");
        places_->setFocus();
    }
    [[nodiscard]] Document& document() { return window_->document(); }
    [[nodiscard]] const pace::Pass& pass() { return *document().pass(); }
    [[nodiscard]] std::filesystem::path made(const char* name, const support::OddVideo& wish)
    {
        const auto file = scratch_.path() / name;
        std::filesystem::create_directories(file.parent_path());
        support::makeVideo(file, wish);
        return file;
    }
    /// Adds the video through the button and the file dialog, as a user does.
    void addVideo(const std::filesystem::path& file)
    {
        support::answerFileDialog(file);
        find<QPushButton>("addVideo")->click();
        ASSERT_TRUE(waitFor([&] { return window_->transport().player().isOpen(); }, 10000));
    }
    void seek(double media_s)
    {
        window_->transport().seekMedia(media_s);
        ASSERT_TRUE(waitFor([&] { return !window_->transport().player().isSeeking(); }, 8000));
    }
    void key(int key) { QTest::keyClick(places_, static_cast<Qt::Key>(key)); }

    PlacesWorkspace* places_ = nullptr;
};

} // namespace

TEST_F(PassesTest, ATurnedPhoneVideoIsToldAndBecomesAPass)
{
    addVideo(made("phone.mp4", {.turned_deg = 90}));
    EXPECT_TRUE(message().contains(QStringLiteral("filmed turned"))) << message().toStdString();
    EXPECT_TRUE(message().contains(QStringLiteral("press H"))) << "and what to do next";
    EXPECT_TRUE(QString::fromStdString(pass().media.path).endsWith(QStringLiteral("phone.mp4")));
    EXPECT_NEAR(pass().media.duration_s, 40.0, 0.3);
}

TEST_F(PassesTest, UnevenPicturesAreToldAndEachIsFoundAtItsOwnTime)
{
    addVideo(made("uneven.mkv", {.uneven = true}));
    EXPECT_TRUE(message().contains(QStringLiteral("do not come evenly"))) << message().toStdString();
    seek(20.0);
    EXPECT_NEAR(window_->transport().player().position_s(), 20.0, 0.15);
    key(Qt::Key_H);
    EXPECT_NEAR(pass().go_s, 20.0, 0.15);
}

TEST_F(PassesTest, OfSeveralSoundTracksTheFirstIsUsedAndSaid)
{
    addVideo(made("two microphones.mkv", {.sound_tracks = 2}));
    EXPECT_TRUE(message().contains(QStringLiteral("2 sound tracks"))) << message().toStdString();
    EXPECT_TRUE(waitFor([&] { return !find<WaveView>("waveView")->peaks().low.empty(); }, 10000));
}

TEST_F(PassesTest, AVideoWithoutSoundIsToldWhereTheWaveformWouldBe)
{
    addVideo(made("silent.mkv", {.sound_tracks = 0}));
    EXPECT_TRUE(waitFor([&] { return find<WaveView>("waveView")->peaks().low.empty(); }, 5000));
    key(Qt::Key_P);
    EXPECT_TRUE(message().contains(QStringLiteral("No clap"))) << message().toStdString();
}

TEST_F(PassesTest, ATimeLapseIsTold)
{
    addVideo(made("lapse.mkv", {.length_s = 8.0}));
    EXPECT_TRUE(message().contains(QStringLiteral("only 8.0 s long"))) << message().toStdString();
}

TEST_F(PassesTest, GoIsSetAtTheClapNearHere)
{
    addVideo(made("clapper.mkv", {.clap_s = 12.4}));
    ASSERT_TRUE(waitFor([&] { return !find<WaveView>("waveView")->peaks().low.empty(); }, 10000));
    seek(14.0);
    key(Qt::Key_P);
    EXPECT_NEAR(pass().go_s, 12.4, 0.04);
    seek(30.0);
    key(Qt::Key_P);
    EXPECT_TRUE(message().contains(QStringLiteral("No clap"))) << message().toStdString();
    EXPECT_NEAR(pass().go_s, 12.4, 0.04) << "nothing near, nothing moved";
    document().undoStack().undo();
    EXPECT_NE(std::lround(10.0 * pass().go_s), 124);
}

TEST_F(PassesTest, ThreeStagesOfOneRecordingAreThreePasses)
{
    const auto file = made("day one.mkv", {.length_s = 60.0});
    for (const double go_s : {5.0, 20.0, 40.0}) {
        addVideo(file);
        seek(go_s);
        key(Qt::Key_H);
        seek(go_s + 12.0);
        key(Qt::Key_F);
    }
    ASSERT_EQ(document().passes().size(), 5U);
    std::set<std::string> names;
    for (const auto& each : document().passes()) {
        names.insert(each.name);
    }
    EXPECT_EQ(names.size(), 5U) << "each has a name of its own";
    EXPECT_NEAR(pass().go_s, 40.0, 0.15);
    EXPECT_NEAR(pass().finish_s.value_or(0.0), 52.0, 0.15);
    document().save();
    EXPECT_EQ(stage::listJson(stage_ / "passes").size(), 5U);
}

TEST_F(PassesTest, ARenamedVideoIsFoundByItsSizeAndACopyMadeAnewByItsLength)
{
    const auto folder = scratch_.path() / "carried";
    std::filesystem::create_directories(folder / "media");
    const auto original = made("away/original.mkv", {.length_s = 20.0});
    const pace::Media media{"media/onboard.mkv", media::inspect(original).duration_s,
        static_cast<long long>(std::filesystem::file_size(original))};
    EXPECT_FALSE(findMoved(folder, media));
    std::filesystem::copy_file(original, folder / "media" / "GX010042.mkv");
    EXPECT_EQ(findMoved(folder, media), folder / "media" / "GX010042.mkv") << "another name, the same size";
    std::filesystem::copy_file(original, folder / "onboard.mkv");
    EXPECT_EQ(findMoved(folder, media), folder / "onboard.mkv") << "the same name counts more";
    std::filesystem::remove(folder / "onboard.mkv");
    std::filesystem::remove(folder / "media" / "GX010042.mkv");
    support::repack(original, folder / "media" / "onboard.mp4");
    EXPECT_EQ(findMoved(folder, media), folder / "media" / "onboard.mp4")
        << "another container, the same length";
    std::filesystem::remove(folder / "media" / "onboard.mp4");
    std::filesystem::copy_file(made("away/longer.mkv", {.length_s = 31.0}), folder / "media" / "onboard.mp4");
    EXPECT_FALSE(findMoved(folder, media)) << "the same name, another recording";
}

TEST_F(PassesTest, AVideoThatWasRenamedOpensWithItsPass)
{
    std::filesystem::rename(stage_ / "media" / "recce.mkv", stage_ / "media" / "carried home.mkv");
    document().choosePass(QStringLiteral("recce"));
    EXPECT_TRUE(document().mediaFile().endsWith(QStringLiteral("carried home.mkv")));
    EXPECT_TRUE(waitFor(
        [&] {
            auto& player = window_->transport().player();
            return player.isOpen() && std::abs(player.duration_s() - pass().media.duration_s) < 0.5;
        },
        10000));
}

TEST_F(PassesTest, AnotherRecordingGivenForAPassIsToldByHowMuchItIsLongerAndUndoBringsTheOldOneBack)
{
    const auto before = pass().media;
    find<QPushButton>("placesPass")->click();
    support::answerFileDialog(made("other.mkv", {.length_s = 50.0}));
    find<QPushButton>("relink")->click();
    EXPECT_TRUE(message().contains(QStringLiteral("shorter than the video"))) << message().toStdString();
    EXPECT_NEAR(pass().media.duration_s, 50.0, 0.3);
    document().undoStack().undo();
    EXPECT_EQ(pass().media, before);
}

TEST_F(PassesTest, AFileThatIsNoVideoIsNotTakenForAPass)
{
    const auto before = pass().media;
    const auto file = scratch_.path() / "notes.mkv";
    support::write(file, "left four 60");
    find<QPushButton>("placesPass")->click();
    support::answerFileDialog(file);
    find<QPushButton>("relink")->click();
    EXPECT_TRUE(message().contains(QStringLiteral("not changed"))) << message().toStdString();
    EXPECT_EQ(pass().media, before);
}

TEST_F(PassesTest, ALogIsLaidByItsStandstillAndTheNotesAreWhereTheyWereMarked)
{
    const auto marked = pass();
    auto bare = marked;
    bare.marks.clear();
    bare.trace.clear();
    document().setPass(bare, QStringLiteral("No places"));
    find<QPushButton>("placesTrack")->click();
    support::answerFileDialog(stage_ / "media" / "stage.gpx");
    find<QPushButton>("loadTrack")->click();
    auto* by = find<QComboBox>("trackFitBy");
    by->setCurrentIndex(1);
    emit by->activated(1);
    EXPECT_TRUE(find<QLabel>("trackFacts")->text().contains(QStringLiteral("Show the moment")))
        << "where the video shows the start, nothing stands";
    window_->transport().seekStage(marked.trace.back().time_s);
    ASSERT_TRUE(waitFor([&] { return !window_->transport().player().isSeeking(); }, 8000));
    by->setCurrentIndex(1);
    emit by->activated(1);
    find<QPushButton>("useTrack")->click();
    ASSERT_GT(pass().trace.size(), 50U) << message().toStdString();
    const auto& placement = document().videoPlacement();
    EXPECT_NEAR(placement.pace.length_m(), 6820.0, 60.0);
    std::vector<double> off_s;
    for (const auto& mark : marked.marks) {
        const auto note = std::find_if(placement.notes.begin(), placement.notes.end(),
            [&](const pace::PlacedNote& n) { return n.id == mark.note; });
        ASSERT_NE(note, placement.notes.end());
        off_s.push_back(std::abs(note->arrive_s + pass().go_s - mark.media_s));
    }
    std::sort(off_s.begin(), off_s.end());
    EXPECT_LT(off_s[off_s.size() / 2], 0.8) << "by the log alone, before its bends are matched";
}
