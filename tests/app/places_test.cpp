// The Places workspace: passes, fast marking, logs, distances, and a recce played at stage pace.

#include "notes/notes_workspace.h"
#include "places/places_workspace.h"
#include "places/track_panel.h"
#include "window.h"

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>

#include <cmath>
#include <map>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class PlacesTest : public support::Window {
protected:
    void open()
    {
        openDemo();
        QTest::keyClick(window_.get(), Qt::Key_F2);
        places_ = find<PlacesWorkspace>("placesWorkspace");
        places_->setFocus();
        for (const auto& mark : document().pass()->marks) {
            true_s_[mark.note] = mark.media_s;
        }
    }
    [[nodiscard]] Document& document() { return window_->document(); }
    [[nodiscard]] const pace::Pass& pass() { return *document().pass(); }
    [[nodiscard]] QString media(const char* name)
    {
        return QString::fromStdString((stage_ / "media" / name).string());
    }
    void keepEvery(std::size_t each)
    {
        auto fewer = pass();
        std::erase_if(fewer.marks, [&](const pace::Mark& m) {
            return static_cast<std::size_t>(&m - fewer.marks.data()) % each != 0;
        });
        document().setPass(fewer, QStringLiteral("Fewer marks"));
    }
    void key(int key) { QTest::keyClick(places_, static_cast<Qt::Key>(key)); }

    PlacesWorkspace* places_ = nullptr;
    std::map<std::string, double> true_s_;
};

} // namespace

TEST_F(PlacesTest, BackTakesTheLastMarkAwayAndSkipLeavesOneOut)
{
    open();
    const auto id = [&](std::size_t k) { return document().videoPlacement().notes[k].id; };
    document().setCurrentNote(QString::fromStdString(id(4)));
    window_->transport().seekMedia(true_s_[id(4)] + 0.3);
    ASSERT_TRUE(waitFor([&] { return !window_->transport().player().isSeeking(); }, 5000));
    key(Qt::Key_M);
    EXPECT_EQ(document().currentNote().toStdString(), id(5));
    key(Qt::Key_N);
    EXPECT_EQ(document().currentNote().toStdString(), id(6));
    key(Qt::Key_Backspace);
    EXPECT_EQ(document().currentNote().toStdString(), id(5));
    EXPECT_FALSE(document().videoPlacement().notes[5].marked);
    EXPECT_TRUE(document().videoPlacement().notes[4].marked);
    EXPECT_NEAR(document().videoPlacement().notes[4].arrive_s + pass().go_s, true_s_[id(4)] + 0.3, 0.1);
}

TEST_F(PlacesTest, AStretchIsMarkedAgain)
{
    open();
    auto* table = find<QTableWidget>("placesTable");
    table->setCurrentCell(9, 0);
    table->selectionModel()->clear();
    for (int row = 9; row < 13; ++row) {
        table->selectionModel()->select(
            table->model()->index(row, 0), QItemSelectionModel::Select | QItemSelectionModel::Rows);
    }
    key(Qt::Key_A);
    EXPECT_EQ(pass().marks.size(), 63U);
    EXPECT_EQ(document().numberOf(document().currentNote().toStdString()), 10);
    document().undoStack().undo();
    EXPECT_EQ(pass().marks.size(), 67U);
}

TEST_F(PlacesTest, GoAndFinishAreSetByKeyAndAnImpossibleFinishIsTold)
{
    open();
    window_->transport().seekMedia(20.0);
    ASSERT_TRUE(waitFor([&] { return !window_->transport().player().isSeeking(); }, 5000));
    key(Qt::Key_H);
    EXPECT_NEAR(pass().go_s, 20.0, 0.05);
    find<QPushButton>("placesPass")->click();
    EXPECT_NEAR(find<QDoubleSpinBox>("momentGo")->value(), 20.0, 0.05);
    find<QDoubleSpinBox>("momentFinish")->setValue(3.0);
    EXPECT_TRUE(message().contains(QStringLiteral("not before go"))) << message().toStdString();
    EXPECT_FALSE(pass().finish_s);
}

TEST_F(PlacesTest, ShiftAndDragOnTheSpineMarksTheNoteInView)
{
    open();
    const auto note = document().videoPlacement().notes[20];
    document().setCurrentNote(QString::fromStdString(note.id));
    auto* spine = find<QWidget>("spine");
    const int y = spine->height() - 30 - static_cast<int>(0.33 * (spine->height() - 60));
    QTest::mousePress(spine, Qt::LeftButton, Qt::ShiftModifier, {60, y + 10});
    QTest::mouseRelease(spine, Qt::LeftButton, Qt::ShiftModifier, {60, y});
    EXPECT_EQ(document().currentNote().toStdString(), note.id) << "the note in view stays";
    const auto& marks = pass().marks;
    const auto mark =
        std::find_if(marks.begin(), marks.end(), [&](const auto& m) { return m.note == note.id; });
    ASSERT_NE(mark, marks.end());
    const auto& pace = document().videoPlacement().pace;
    EXPECT_NEAR(pace.stationAt(mark->media_s - pass().go_s), 0.33 * pace.length_m(), 30.0);
}

TEST_F(PlacesTest, AFileThatIsCutShortIsToldAndWhatIsThereIsUsed)
{
    const auto whole = support::read(stage_ / "media" / "stage.mkv");
    support::write(stage_ / "media" / "stage.mkv", whole.substr(0, whole.size() / 3));
    open();
    EXPECT_TRUE(waitFor([&] { return message().contains(QStringLiteral("cut short")); }, 10000))
        << message().toStdString();
}

TEST_F(PlacesTest, AVideoIsAddedAsAPassUndoneAndGoneFromTheDisk)
{
    open();
    document().addPass(media("recce.mkv"), 557.9, QStringLiteral("recce"));
    EXPECT_EQ(pass().name, "recce 2");
    EXPECT_EQ(pass().media.path, "media/recce.mkv");
    document().save();
    EXPECT_TRUE(std::filesystem::exists(stage_ / "passes" / "recce 2.json"));
    EXPECT_EQ(find<QComboBox>("passChoice")->count(), 3);
    document().undoStack().undo();
    document().save();
    EXPECT_FALSE(std::filesystem::exists(stage_ / "passes" / "recce 2.json"));
    EXPECT_EQ(pass().name, "stage");
    document().undoStack().redo();
    document().save();
    EXPECT_TRUE(std::filesystem::exists(stage_ / "passes" / "recce 2.json"));
}

TEST_F(PlacesTest, ATableOfALoggerBecomesThePaceOfThePass)
{
    open();
    auto bare = pass();
    bare.trace.clear();
    document().setPass(bare, QStringLiteral("No trace"));
    find<QPushButton>("placesTrack")->click();
    places_->trackPanel().load(media("stage.csv"));
    EXPECT_EQ(find<QComboBox>("trackColumn1")->currentText(), QStringLiteral("distance, m"));
    EXPECT_TRUE(find<QLabel>("trackFacts")->text().contains(QStringLiteral("702 points")))
        << find<QLabel>("trackFacts")->text().toStdString();
    find<QPushButton>("useTrack")->click();
    ASSERT_GT(pass().trace.size(), 500U);
    EXPECT_NEAR(document().videoPlacement().pace.length_m(), 6820.0, 10.0);
    window_->transport().seekMedia(108.0);
    ASSERT_TRUE(waitFor([&] { return !window_->transport().player().isSeeking(); }, 5000));
    QTest::qWait(50);
    EXPECT_TRUE(find<QLabel>("tripmeter")->text().startsWith(QStringLiteral("trip ")))
        << "the log runs as a tripmeter";
    document().undoStack().undo();
    EXPECT_TRUE(pass().trace.empty());
}

TEST_F(PlacesTest, TheBendsOfATrackProposePlacesThatAreKeptByKey)
{
    open();
    keepEvery(10);
    places_->trackPanel().load(media("stage.gpx"));
    find<QPushButton>("proposePlaces")->click();
    std::vector<double> errors;
    for (const auto& mark : pass().marks) {
        if (mark.draft) {
            errors.push_back(std::abs(mark.media_s - true_s_[mark.note]));
        }
    }
    ASSERT_GT(errors.size(), 50U);
    std::sort(errors.begin(), errors.end());
    EXPECT_LT(errors[errors.size() / 2], 0.25);
    EXPECT_TRUE(find<QTableWidget>("placesTable")->item(2, 4)->text().startsWith(QStringLiteral("proposed")));
    document().setCurrentNote(QString::fromStdString(document().videoPlacement().notes[2].id));
    key(Qt::Key_K);
    EXPECT_TRUE(document().videoPlacement().notes[2].marked);
    EXPECT_EQ(document().numberOf(document().currentNote().toStdString()), 4);
    document().save();
    EXPECT_EQ(stage::readPass(stage_ / "passes" / "stage.json"), pass()) << "drafts are kept as drafts";
}

TEST_F(PlacesTest, AWrongDistanceIsFoundByTheLogAndCorrectedByOneKey)
{
    open();
    places_->trackPanel().load(media("stage.gpx"));
    find<QPushButton>("useTrack")->click();
    auto text = QString::fromStdString(document().stage().text);
    const QString wrong = QString(text).replace(
        QStringLiteral("right six over crest 150"), QStringLiteral("right six over crest 60"));
    document().setNotesText(wrong, QStringLiteral("A wrong distance"));
    find<QPushButton>("placesDistances")->click();
    auto* table = find<QTableWidget>("distancesTable");
    ASSERT_GE(table->rowCount(), 1);
    EXPECT_EQ(table->item(0, 0)->text(), QStringLiteral("5"));
    EXPECT_EQ(table->item(0, 2)->text(), QStringLiteral("60 m"));
    key(Qt::Key_C);
    const auto now = QString::fromStdString(document().stage().text);
    EXPECT_TRUE(now.contains(QStringLiteral("right six over crest 150"))
        || now.contains(QStringLiteral("right six over crest 140")))
        << now.left(120).toStdString();
}

TEST_F(PlacesTest, ABrokenLogIsToldWithItsLineAndThePassStays)
{
    open();
    const auto before = pass();
    support::write(scratch_.path() / "broken.gpx", "<gpx>\n<trk>\n<oops");
    places_->trackPanel().load(QString::fromStdString((scratch_.path() / "broken.gpx").string()));
    EXPECT_TRUE(message().contains(QStringLiteral("broken.gpx, line 3"))) << message().toStdString();
    EXPECT_FALSE(find<QPushButton>("useTrack")->isEnabled());
    EXPECT_EQ(pass(), before);
}

TEST_F(PlacesTest, ASlowRecceIsPlayedAtStagePaceAndPageAndPictureAgree)
{
    open();
    const double stage_length_s = document().videoPlacement().pace.duration_s();
    document().choosePass(QStringLiteral("recce"));
    auto& transport = window_->transport();
    ASSERT_TRUE(waitFor([&] { return transport.player().duration_s() > 500.0; }, 10000));
    document().chooseAlong(Document::Along::other_pass, QStringLiteral("stage"));
    EXPECT_NEAR(document().prepared().placement.pace.duration_s(), stage_length_s, 0.1);
    transport.seekStage(40.0);
    ASSERT_TRUE(waitFor([&] { return !transport.player().isSeeking(); }, 5000));
    const auto& retiming = document().retiming();
    EXPECT_NEAR(transport.player().position_s(), pass().go_s + retiming.toVideo(40.0), 0.1);
    transport.player().play();
    ASSERT_TRUE(waitFor([&] { return transport.stageTime() > 44.0; }, 30000));
    const double shown_s = transport.player().position_s() - pass().go_s - retiming.toVideo(40.0);
    EXPECT_GT(shown_s, 1.2 * (transport.stageTime() - 40.0)) << "so more of the slow video was shown";
    EXPECT_NEAR(retiming.toVideo(transport.stageTime()), transport.player().position_s() - pass().go_s, 0.25);
    transport.player().pause();
    document().chooseAlong(Document::Along::recorded);
    EXPECT_DOUBLE_EQ(transport.player().rate(), 1.0);
}

TEST_F(PlacesTest, TheRehearsalPaceMeetsATargetTimeAndThePlanFollows)
{
    open();
    document().chooseAlong(Document::Along::rehearsal);
    find<QPushButton>("placesPace")->click();
    find<QDoubleSpinBox>("rehearsalTarget")->setValue(300.0);
    EXPECT_NEAR(document().prepared().placement.pace.duration_s(), 300.0, 0.01);
    EXPECT_EQ(document().stage().rehearsal.target_time_s, 300.0);
    EXPECT_TRUE(find<QLabel>("paceFacts")->text().contains(QStringLiteral("5:00.0")));
    find<QDoubleSpinBox>("rehearsalTarget")->setValue(30.0);
    EXPECT_TRUE(find<QLabel>("paceFacts")->text().contains(QStringLiteral("no tyre")))
        << "beyond physics is told";
}

TEST_F(PlacesTest, ANewStageGoesFromABareVideoAndATextToPlacedNotes)
{
    const auto folder = scratch_.path() / "Fog Mile";
    ASSERT_FALSE(document().create(QString::fromStdString(folder.string())));
    document().setNotesText(QStringLiteral("left four 60\nright three into left two\nfinish"));
    document().addPass(media("stage.mkv"), 350.0, QStringLiteral("stage"));
    ASSERT_TRUE(waitFor([&] { return window_->transport().player().isOpen(); }, 10000));
    auto timed = pass();
    timed.go_s = 8.0;
    timed.finish_s = 40.0;
    document().setPass(timed, QStringLiteral("Set go and finish"));
    document().setMark(QString::fromStdString(document().videoPlacement().notes[1].id), 20.0);
    document().save();
    const auto again = stage::readPass(folder / "passes" / "stage.json");
    const auto placed = stage::prepare(stage::readStage(folder / "stage.brumefall"), &again).placement;
    EXPECT_NEAR(placed.notes[1].arrive_s, 12.0, 1e-6);
    EXPECT_NEAR(placed.notes[3].arrive_s, 32.0, 1e-3) << "the finish note is at the finish";
    EXPECT_TRUE(document().create(QString::fromStdString(folder.string())))
        << "an existing stage is never overwritten";
}
