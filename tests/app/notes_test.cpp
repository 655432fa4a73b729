// The Notes workspace: the editor's hands, the crew's language, captions taken as draft notes.

#include "formats/notes_json.h"
#include "media/resample.h"
#include "media/simulated_reader.h"
#include "media/sound_file.h"
#include "media/voice.h"
#include "notes/captions_review.h"
#include "notes/notes_editor.h"
#include "notes/notes_workspace.h"
#include "window.h"

#include <QCheckBox>
#include <QComboBox>
#include <QCompleter>
#include <QFileDialog>
#include <QFileInfo>
#include <QLabel>
#include <QLineEdit>
#include <QListView>
#include <QPushButton>
#include <QTableWidget>
#include <QTextBlock>
#include <QTimer>

#include <set>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class NotesTest : public support::Window {
protected:
    void open(const QString& text)
    {
        openDemo();
        window_->document().setNotesText(text, QStringLiteral("Paste"));
        editor_ = find<NotesEditor>("notesEditor");
        editor_->setFocus();
        editor_->moveCursor(QTextCursor::Start);
    }
    [[nodiscard]] std::string text() { return window_->document().stage().text; }
    void undo() { QTest::keyClick(editor_, Qt::Key_Z, Qt::ControlModifier); }

    NotesEditor* editor_ = nullptr;
};

} // namespace

TEST_F(NotesTest, CompletionIsOfferedAndTabTakesItButEnterNeverDoes)
{
    open("left four tightens three\n");
    editor_->moveCursor(QTextCursor::End);
    QTest::keyClicks(editor_, "right two tigh");
    ASSERT_TRUE(editor_->completer().popup()->isVisible());
    QTest::keyClick(editor_, Qt::Key_Return);
    EXPECT_TRUE(editor_->toPlainText().endsWith(QStringLiteral("right two tigh\n")))
        << "typing is not interrupted";
    QTest::keyClicks(editor_, "right two tigh");
    QTest::keyClick(editor_, Qt::Key_Tab);
    EXPECT_TRUE(editor_->toPlainText().endsWith(QStringLiteral("right two tightens ")))
        << editor_->toPlainText().toStdString();
}

TEST_F(NotesTest, OneKeyFixesAWordAndUndoBringsItBack)
{
    open("left four\nright three titans two\n");
    EXPECT_TRUE(find<QLabel>("unknownLine")->text().contains(QStringLiteral("tightens")));
    QTest::keyClick(editor_, Qt::Key_F8);
    EXPECT_EQ(editor_->cursorLine(), 2);
    QTest::keyClick(editor_, Qt::Key_Return, Qt::AltModifier);
    EXPECT_EQ(text(), "left four\nright three tightens two\n");
    EXPECT_TRUE(window_->document().prepared().notes.unknown.empty());
    undo();
    EXPECT_EQ(text(), "left four\nright three titans two\n");
}

TEST_F(NotesTest, ACallIsSplitAndJoinedByKeyAndItsNotesKeepTheirIds)
{
    open("left four into right three 60\nleft two\n");
    const std::string second = window_->document().prepared().road.notes[1].id;
    editor_->goTo(1, 12);
    QTest::keyClick(editor_, Qt::Key_Return, Qt::ControlModifier);
    EXPECT_EQ(text(), "left four\ninto right three 60\nleft two\n");
    EXPECT_EQ(window_->document().prepared().road.notes[1].id, second);
    editor_->goTo(1, 0);
    QTest::keyClick(editor_, Qt::Key_J, Qt::ControlModifier);
    EXPECT_EQ(text(), "left four into right three 60\nleft two\n");
    undo();
    undo();
    EXPECT_EQ(text(), "left four into right three 60\nleft two\n");
}

TEST_F(NotesTest, UndoTakesBackWhatWasTypedAfterAPauseAndNotAllOfIt)
{
    open("left four\n");
    editor_->moveCursor(QTextCursor::End);
    QTest::keyClicks(editor_, "right three");
    QTest::keyClick(editor_, Qt::Key_Return);
    QTest::qWait(1800);
    QTest::keyClicks(editor_, "left two");
    undo();
    EXPECT_EQ(text(), "left four\nright three\n");
    undo();
    EXPECT_EQ(text(), "left four\n");
}

TEST_F(NotesTest, FindCountsReplaceAllReplacesAndGradesAreRenumbered)
{
    open("left four 40\nright four tightens three 40\n");
    QTest::keyClick(editor_, Qt::Key_F, Qt::ControlModifier);
    QTest::keyClicks(find<QLineEdit>("findText"), "40");
    EXPECT_TRUE(find<QLabel>("findCount")->text().startsWith(QLatin1Char('2')));
    QTest::keyClicks(find<QLineEdit>("replaceText"), "60");
    find<QPushButton>("replaceAll")->click();
    EXPECT_EQ(text(), "left four 60\nright four tightens three 60\n");
    editor_->moveCursor(QTextCursor::Start);
    find<QComboBox>("renumberHow")->setCurrentIndex(0);
    find<QPushButton>("renumberButton")->click();
    EXPECT_EQ(text(), "left three 60\nright three tightens four 60\n");
}

TEST_F(NotesTest, TheCrewOverrulesTheScaleAndTheRoadFollows)
{
    open("left two 60\nright five 60\n");
    find<QPushButton>("sideLanguage")->click();
    const double two_m = window_->document().prepared().road.notes[0].radius_m;
    auto* scale = find<QComboBox>("styleScale");
    scale->setCurrentIndex(2);
    emit scale->activated(2);
    EXPECT_GT(window_->document().prepared().road.notes[0].radius_m, two_m) << "a 2 is now fast";
    window_->document().save();
    EXPECT_EQ(stage::readStage(stage_ / "stage.brumefall").style.scale, notes::Scale::descending);
    undo();
    EXPECT_EQ(window_->document().prepared().road.notes[0].radius_m, two_m);
}

TEST_F(NotesTest, AWordOfTheCrewsOwnIsUnderstoodAndTravelsAsAFile)
{
    open("left bullet 60\n");
    ASSERT_FALSE(window_->document().prepared().notes.unknown.empty());
    find<QPushButton>("sideLanguage")->click();
    find<QPushButton>("addWord")->click();
    auto* words = find<QTableWidget>("styleWords");
    words->item(0, 2)->setText(QStringLiteral("six plus"));
    words->item(0, 0)->setText(QStringLiteral("bullet"));
    EXPECT_TRUE(window_->document().prepared().notes.unknown.empty());
    EXPECT_EQ(window_->document().prepared().notes.calls[0].notes[0].grade->number, 6);
    const auto file = scratch_.path() / "our language.json";
    formats::writeStyle(file, window_->document().stage().style);
    EXPECT_EQ(formats::readStyle(file).words.at("bullet"), "six plus");
}

TEST_F(NotesTest, ACrewsLanguageTravelsThroughTheFileDialogsAndUndoBringsTheOldOneBack)
{
    open("left bullet 60\nright fgp 80\n");
    find<QPushButton>("sideLanguage")->click();
    auto style = window_->document().stage().style;
    style.words["bullet"] = "six plus";
    style.abbreviations["fgp"] = "three past white post";
    style.order = notes::Order::direction_first;
    style.grade_sizes["6"] = {150.0, 30.0};
    window_->document().setStyle(style, QStringLiteral("Our language"));
    EXPECT_TRUE(window_->document().prepared().notes.unknown.empty());
    const auto file = scratch_.path() / "our language.json";
    support::answerFileDialog(file);
    find<QPushButton>("exportStyle")->click();
    ASSERT_TRUE(std::filesystem::exists(file)) << message().toStdString();
    window_->document().setStyle({}, QStringLiteral("No language"));
    EXPECT_FALSE(window_->document().prepared().notes.unknown.empty());
    support::answerFileDialog(file);
    find<QPushButton>("importStyle")->click();
    EXPECT_EQ(window_->document().stage().style, style);
    EXPECT_TRUE(window_->document().prepared().notes.unknown.empty());
    EXPECT_EQ(find<QTableWidget>("styleWords")->rowCount(), 2) << "and is shown";
    undo();
    EXPECT_FALSE(window_->document().prepared().notes.unknown.empty());
}

TEST_F(NotesTest, ALanguageFileThatIsNoneIsToldAndTheLanguageStays)
{
    open("left four 60\n");
    const auto before = window_->document().stage().style;
    find<QPushButton>("sideLanguage")->click();
    const auto file = scratch_.path() / "shopping.json";
    support::write(file, "{\n \"milk\": 2\n}");
    support::answerFileDialog(file);
    find<QPushButton>("importStyle")->click();
    EXPECT_TRUE(message().contains(QStringLiteral("shopping.json"))) << message().toStdString();
    EXPECT_EQ(window_->document().stage().style, before);
}

TEST_F(NotesTest, AGradeThatThisCrewDrivesTighterBendsTheRoadSo)
{
    open("left four 60\nright two 80\nleft four plus 50\n");
    find<QPushButton>("sideLanguage")->click();
    auto* grades = find<QTableWidget>("gradeSizes");
    ASSERT_EQ(grades->rowCount(), 2);
    EXPECT_EQ(grades->item(0, 0)->text(), QStringLiteral("2")) << "tightest first";
    const auto radius = [&](std::size_t note) {
        return window_->document().prepared().road.notes[note].radius_m;
    };
    const double four_m = radius(0);
    const double four_plus_m = radius(2);
    grades->item(1, 1)->setText(QStringLiteral("40"));
    EXPECT_NEAR(radius(0), 40.0, 1e-9);
    EXPECT_LT(radius(2), four_plus_m) << "a plus lies between the grades beside it";
    EXPECT_GT(radius(2), 40.0);
    window_->document().save();
    EXPECT_EQ(stage::readStage(stage_ / "stage.brumefall").style.grade_sizes.at("4").radius_m, 40.0);
    grades->item(1, 1)->setText(QStringLiteral("wide"));
    EXPECT_TRUE(message().contains(QStringLiteral("no radius"))) << message().toStdString();
    EXPECT_NEAR(radius(0), 40.0, 1e-9);
    grades->item(1, 1)->setText(QString());
    EXPECT_EQ(radius(0), four_m) << "emptied is as usual again";
}

TEST_F(NotesTest, TheSelectedLinesAreDrivenTwiceByOneKey)
{
    open("left four 60\nright two 80\nhairpin left 40\nright six 100\n");
    QTextCursor lines(editor_->document()->findBlockByNumber(1));
    lines.movePosition(QTextCursor::NextBlock, QTextCursor::KeepAnchor);
    lines.movePosition(QTextCursor::EndOfBlock, QTextCursor::KeepAnchor);
    editor_->setTextCursor(lines);
    QTest::keyClick(editor_, Qt::Key_L, Qt::ControlModifier);
    EXPECT_EQ(text(), "left four 60\n[laps 2]\nright two 80\nhairpin left 40\n[end]\nright six 100\n");
    const auto& calls = window_->document().prepared().notes.calls;
    ASSERT_EQ(calls.size(), 6U);
    EXPECT_EQ(calls[3].notes[0].grade->number, 2) << "the second lap";
    std::set<std::string> ids;
    for (const auto& call : calls) {
        ids.insert(call.notes[0].id);
    }
    EXPECT_EQ(ids.size(), 6U) << "each lap's note has a place of its own";
    undo();
    EXPECT_EQ(text(), "left four 60\nright two 80\nhairpin left 40\nright six 100\n");
}

TEST_F(NotesTest, LapsWithinLapsAreToldAndTheTextStays)
{
    open("[laps 2]\nleft four 60\nright two 80\n[end]\n");
    QTextCursor line(editor_->document()->findBlockByNumber(1));
    editor_->setTextCursor(line);
    QTest::keyClick(editor_, Qt::Key_L, Qt::ControlModifier);
    EXPECT_LE(window_->document().prepared().notes.calls.size(), 8U);
    EXPECT_GE(window_->document().prepared().notes.calls.size(), 4U);
}

TEST_F(NotesTest, TheNotesAreShownInFullWordsAndInShort)
{
    open("L4 lg dc 60\n");
    auto* printed = find<QPlainTextEdit>("printedNotes");
    find<QPushButton>("sideFullWords")->click();
    EXPECT_EQ(printed->toPlainText().toStdString(), "left four long don't cut sixty\n");
    find<QPushButton>("sideInShort")->click();
    EXPECT_EQ(printed->toPlainText().toStdString(), "L4 lg dc 60\n");
    find<QPushButton>("sideFullWords")->click();
    find<QPushButton>("usePrinted")->click();
    EXPECT_EQ(text(), "left four long don't cut sixty\n");
}

TEST_F(NotesTest, CaptionsAreReviewedTakenOneByOneAndBecomeNotesWithDraftPlaces)
{
    open("left four\n");
    while (!window_->document().pass()->marks.empty()) {
        window_->document().removeMark(
            QString::fromStdString(window_->document().pass()->marks.front().note));
    }
    const auto file = scratch_.path() / "onboard.srt";
    support::write(file,
        "1\n00:00:10,000 --> 00:00:13,000\nleft for titans three 80\n\n"
        "2\n00:00:16,000 --> 00:00:18,000\nportion write two of a crest\n\n"
        "3\n00:00:30,000 --> 00:00:34,000\nthat was lovely I think we were quite good there\n");
    find<NotesWorkspace>("notesWorkspace")->reviewCaptions(QString::fromStdString(file.string()));
    auto* table = find<QTableWidget>("captionsTable");
    ASSERT_EQ(table->rowCount(), 3);
    EXPECT_TRUE(table->item(0, 4)->text().contains(QStringLiteral("titans \u2192 tightens")));
    EXPECT_EQ(table->item(2, 3)->text(), QStringLiteral("talk, no note"));
    table->item(1, 0)->setCheckState(Qt::Unchecked);
    find<QCheckBox>("captionsPlaces")->setChecked(true);
    find<QPushButton>("captionsAccept")->click();
    EXPECT_EQ(text(), "left four tightens three 80\nportion write two of a crest\n");
    const auto& marks = window_->document().pass()->marks;
    const auto draft = std::find_if(marks.begin(), marks.end(), [](const pace::Mark& m) { return m.draft; });
    ASSERT_NE(draft, marks.end());
    EXPECT_NEAR(draft->media_s, 13.0 + 1.8, 1.0);
    window_->document().undoStack().undo();
    EXPECT_EQ(text(), "left four\n") << "one step back";
}

TEST_F(NotesTest, ACaptionFileWithoutTimesIsToldAndTheNotesStay)
{
    open("left four\n");
    const auto file = scratch_.path() / "broken.srt";
    support::write(file, "1\n00:00:1x,000 --> 00:00:13,000\nleft four\n");
    find<NotesWorkspace>("notesWorkspace")->reviewCaptions(QString::fromStdString(file.string()));
    EXPECT_TRUE(message().contains(QStringLiteral("broken.srt, line 2"))) << message().toStdString();
    EXPECT_TRUE(editor_->isVisible());
    EXPECT_EQ(text(), "left four\n");
}

TEST_F(NotesTest, NotesAreDraftedFromWhatIsSaidInASoundAndWhatHoldsNoneChangesNothing)
{
    openDemo();
    const std::string before = text();
    const auto said = scratch_.path() / "said.wav";
    const auto reading = media::readAloud(window_->document().prepared().plan, {}, 3, -2.0, 40.0);
    media::SoundWriter(said, reading.sound.rate_hz).write(reading.sound.samples);
    support::answerFileDialog(said);
    QTest::keyClick(window_.get(), Qt::Key_O, Qt::AltModifier);
    EXPECT_TRUE(message().contains(QStringLiteral("Listening to said.wav")));
    ASSERT_TRUE(waitFor([&] { return find<QTableWidget>("captionsTable")->isVisible(); }, 120000));
    EXPECT_TRUE(find<QLabel>("captionsHead")->text().contains(QStringLiteral("said.wav")));
    EXPECT_EQ(text(), before) << "nothing is changed before it is taken";
    find<QPushButton>("captionsAccept")->click();
    EXPECT_TRUE(QString::fromStdString(text()).contains(QStringLiteral("left"))) << text();
    const std::string heard = text();
    EXPECT_NE(heard, before);

    const auto talk = scratch_.path() / "talk.wav";
    const auto chat = media::sayAtRate("the weather was fine and we had lunch outside with the others", 180);
    media::SoundWriter(talk, chat.rate_hz).write(chat.samples);
    support::answerFileDialog(talk);
    find<QPushButton>("importSound")->click();
    ASSERT_TRUE(waitFor([&] { return message().contains(QStringLiteral("Nobody reads notes")); }, 120000));
    EXPECT_EQ(text(), heard);
}

namespace {

/// A microphone into which `samples` are said, faster than they would be.
class SaidInto : public media::VoiceInput {
public:
    explicit SaidInto(std::vector<std::int16_t> samples)
        : samples_(std::move(samples))
    {
        connect(&timer_, &QTimer::timeout, this, [this] {
            constexpr std::size_t kPart = media::kRecordingRate_hz / 10;
            const std::size_t count = std::min(kPart, samples_.size() - at_);
            const QByteArray bytes(reinterpret_cast<const char*>(samples_.data() + at_),
                static_cast<qsizetype>(count * sizeof(std::int16_t)));
            at_ += count;
            if (at_ == samples_.size()) {
                timer_.stop();
            }
            emit samplesReady(bytes);
        });
    }
    void start() override { timer_.start(2); }
    void stop() override { timer_.stop(); }
    [[nodiscard]] QString name() const override { return QStringLiteral("headset"); }

private:
    std::vector<std::int16_t> samples_;
    std::size_t at_ = 0;
    QTimer timer_;
};

std::vector<std::int16_t> breaths(const std::vector<std::string>& said)
{
    constexpr std::size_t kSecond = media::kRecordingRate_hz;
    std::vector<std::int16_t> samples(2 * kSecond);
    media::VoiceStyle voice;
    voice.variant = "en-us+f2";
    for (const std::string& breath : said) {
        const auto sound = media::resampled(media::sayAtRate(breath, 190, voice), kSecond);
        samples.insert(samples.end(), sound.samples.begin(), sound.samples.end());
        samples.resize(samples.size() + 3 * kSecond / 2);
    }
    for (std::size_t i = 0; i < samples.size(); ++i) { // a room is never quite silent
        samples[i] = static_cast<std::int16_t>(
            std::clamp<int>(samples[i] + static_cast<int>(i * 7919 % 61) - 30, -32768, 32767));
    }
    return samples;
}

} // namespace

TEST_F(NotesTest, WhatIsDictatedBecomesALineABreathAndIsTakenBackWhenItIsScratched)
{
    open("right six 100\n");
    auto* workspace = find<NotesWorkspace>("notesWorkspace");
    workspace->dictate(std::make_unique<SaidInto>(
        breaths({"left three tightens, into right four, sixty", "right five over crest"})));
    EXPECT_EQ(find<QPushButton>("dictate")->text(), QStringLiteral("Stop"));
    EXPECT_TRUE(message().contains(QStringLiteral("Dictate to headset")));
    const std::string two = "right six 100\nleft three tightens into right four sixty\nright five over crest";
    ASSERT_TRUE(waitFor([&] { return text() == two; }, 60000)) << text();
    EXPECT_EQ(window_->document().prepared().road.notes.size(), 4U) << "planned as soon as they are said";
    find<QPushButton>("dictate")->click();
    EXPECT_EQ(find<QPushButton>("dictate")->text(), QStringLiteral("Dictate"));

    workspace->dictate(std::make_unique<SaidInto>(breaths({"right five over crest", "scratch that"})));
    ASSERT_TRUE(waitFor([&] { return message().contains(QStringLiteral("Taken back")); }, 60000))
        << message().toStdString();
    EXPECT_EQ(text(), two);
    workspace->dictate(std::make_unique<SaidInto>(breaths({"scratch that"})));
    ASSERT_TRUE(waitFor([&] { return message().contains(QStringLiteral("Nothing was dictated")); }, 60000));
    EXPECT_EQ(text(), two) << "only what this dictation wrote";
    window_->document().undoStack().undo();
    window_->document().undoStack().undo();
    EXPECT_EQ(text(), two) << "what was taken back and said is one step each";
}

TEST_F(NotesTest, TalkIsNotWrittenWhileOneDictates)
{
    open("left four\n");
    find<NotesWorkspace>("notesWorkspace")
        ->dictate(
            std::make_unique<SaidInto>(breaths({"what a lovely evening for going home and cooking dinner"})));
    ASSERT_TRUE(waitFor([&] { return message().contains(QStringLiteral("No notes were heard")); }, 60000))
        << message().toStdString();
    EXPECT_EQ(text(), "left four\n");
}

TEST_F(NotesTest, ADictationEndsWithItsStageAndASilentMicrophoneIsTold)
{
    open("left four\n");
    auto* workspace = find<NotesWorkspace>("notesWorkspace");
    workspace->dictate(std::make_unique<SaidInto>(std::vector<std::int16_t>(6 * media::kRecordingRate_hz)));
    ASSERT_TRUE(waitFor([&] { return message().contains(QStringLiteral("Nothing is heard")); }, 10000));
    openDemo();
    EXPECT_EQ(find<QPushButton>("dictate")->text(), QStringLiteral("Dictate"));
    const std::string demo = text();
    QTest::qWait(300);
    EXPECT_EQ(text(), demo);
}

TEST_F(NotesTest, AVideoInWhichNotesAreHeardBecomesThePassWithDraftPlaces)
{
    openDemo();
    ASSERT_FALSE(window_->document().create(QString::fromStdString((scratch_.path() / "Fresh").string())));
    ASSERT_EQ(window_->document().pass(), nullptr);
    stage::Stage said;
    said.text =
        "right five over crest 80\nleft four long into right three 60\ncaution left two don't cut 50\n"
        "right six 100\nleft three tightens 40\nright four into left five 70\n";
    const auto plan = stage::prepare(said, nullptr).plan;
    const auto reading = media::readAloud(plan, {}, 3);
    const auto file = scratch_.path() / "onboard.wav";
    media::SoundWriter(file, reading.sound.rate_hz).write(reading.sound.samples);
    support::answerFileDialog(file);
    find<QPushButton>("importSound")->click();
    ASSERT_TRUE(waitFor([&] { return find<QTableWidget>("captionsTable")->isVisible(); }, 120000));
    EXPECT_TRUE(find<QCheckBox>("captionsPlaces")->text().contains(QStringLiteral("1.8 s after")));
    find<QPushButton>("captionsAccept")->click();
    const auto* pass = window_->document().pass();
    ASSERT_NE(pass, nullptr);
    EXPECT_EQ(std::filesystem::path(pass->media.path).filename(), "onboard.wav");
    const auto& notes = window_->document().prepared().road.notes;
    ASSERT_GE(notes.size(), 8U);
    EXPECT_EQ(pass->marks.size(), notes.size());
    EXPECT_TRUE(std::all_of(
        pass->marks.begin(), pass->marks.end(), [](const pace::Mark& mark) { return mark.draft; }));
    EXPECT_NEAR(pass->marks.front().media_s, reading.truth.front().span.end_s + 1.8, 1.0);
    ASSERT_TRUE(waitFor([&] { return !window_->document().takes().empty(); }, 120000))
        << message().toStdString();
    const auto& take = window_->document().takes().front(); // it is that crew's reading of them
    EXPECT_EQ(take.reader, "onboard.wav");
    EXPECT_EQ(take.verdicts.size(), notes.size());
    window_->document().undoStack().undo();
    EXPECT_EQ(window_->document().pass(), nullptr) << "one step back";
    EXPECT_EQ(text(), "");
}

/// How far draft places taken from the demo's captions are from the true ones, in the middle of them.
class DraftPlacesTest : public NotesTest {
protected:
    double medianError_s()
    {
        openDemo();
        auto pass = *window_->document().pass();
        const auto truth = pass.marks;
        pass.marks.clear();
        pass.trace.clear();
        window_->document().setPass(pass, QStringLiteral("bare"));
        support::answerFileDialog(stage_ / "media" / "stage.srt");
        find<QPushButton>("importCaptions")->click();
        says_ = find<QCheckBox>("captionsPlaces")->text();
        find<QCheckBox>("captionsPlaces")->setChecked(true);
        find<QPushButton>("captionsAccept")->click();
        std::vector<double> errors;
        for (const auto& mark : window_->document().pass()->marks) {
            EXPECT_TRUE(mark.draft);
            double nearest = 1e9;
            for (const auto& real : truth) {
                nearest = std::min(nearest, std::abs(real.media_s - mark.media_s));
            }
            errors.push_back(nearest);
        }
        EXPECT_GT(errors.size(), 50U);
        std::sort(errors.begin(), errors.end());
        return errors[errors.size() / 2];
    }

    QString says_;
};

TEST_F(DraftPlacesTest, AreLaidToTheBendsOfALogBesideTheVideo)
{
    EXPECT_LT(medianError_s(), 0.35);
    EXPECT_TRUE(says_.contains(QStringLiteral("by the bends of stage.gpx"))) << says_.toStdString();
    EXPECT_TRUE(message().contains(QStringLiteral("places lie where the bends of stage.gpx have them")))
        << message().toStdString();
    EXPECT_GT(window_->document().pass()->trace.size(), 100U);
    window_->document().undoStack().undo();
    EXPECT_TRUE(window_->document().pass()->marks.empty()) << "one step back";
}

TEST_F(DraftPlacesTest, StayWhereTheyWereSaidWithoutOne)
{
    openDemo();
    std::filesystem::remove(stage_ / "media" / "stage.gpx");
    std::filesystem::remove(stage_ / "media" / "stage.csv");
    EXPECT_GT(medianError_s(), 0.7);
    EXPECT_FALSE(says_.contains(QStringLiteral("stage.gpx")));
}

TEST_F(DraftPlacesTest, ALogThatCannotBeReadIsToldAndLeavesThem)
{
    openDemo();
    std::filesystem::remove(stage_ / "media" / "stage.csv");
    std::ofstream(stage_ / "media" / "stage.gpx") << "no log";
    EXPECT_GT(medianError_s(), 0.7);
    EXPECT_TRUE(message().contains(QStringLiteral("stage.gpx"))) << message().toStdString();
}

/// What came out in the background does not take away what one may be reading.
TEST_F(NotesTest, WhatGoesOnInTheBackgroundIsToldBesideAMessage)
{
    openDemo();
    auto& document = window_->document();
    emit document.message(QStringLiteral("30 places lie where the bends have them."));
    emit document.goesOn(QStringLiteral("Finding the calls: 40 %"));
    EXPECT_EQ(goesOn(), QStringLiteral("Finding the calls: 40 %"));
    EXPECT_EQ(message(), QStringLiteral("30 places lie where the bends have them."));
    emit document.goesOn({});
    emit document.cameOut(QStringLiteral("stage.mkv is judged."));
    EXPECT_EQ(goesOn(), QString());
    EXPECT_EQ(message(), QStringLiteral("30 places lie where the bends have them.\nstage.mkv is judged."));
    emit document.message(QStringLiteral("Something new."));
    EXPECT_EQ(message(), QStringLiteral("Something new."));
}

/// Wherever the application was started.
TEST_F(NotesTest, FilesAreLookedForInTheFolderOfTheStage)
{
    ASSERT_TRUE(window_->openStage(QString::fromStdString(stage_.string())));
    for (const char* button : {"importNotes", "importCaptions", "importSound"}) {
        QString shown;
        QTimer::singleShot(300, [&shown] {
            auto* dialog = qobject_cast<QFileDialog*>(QApplication::activeModalWidget());
            ASSERT_NE(dialog, nullptr);
            shown = dialog->directory().canonicalPath();
            dialog->reject();
        });
        find<QPushButton>(button)->click();
        EXPECT_EQ(shown, QFileInfo(QString::fromStdString((stage_ / "media").string())).canonicalFilePath())
            << button;
    }
}

TEST_F(NotesTest, ListeningIsStoppedByTheSameKey)
{
    openDemo();
    const auto takes = stage_ / "takes" / "2030-03-07 20.14.05.flac";
    support::answerFileDialog(takes);
    find<QPushButton>("importSound")->click();
    QTest::qWait(300);
    find<QPushButton>("importSound")->click();
    EXPECT_TRUE(message().contains(QStringLiteral("stopped")));
    QTest::qWait(500);
    EXPECT_FALSE(find<QTableWidget>("captionsTable")->isVisible());

    support::answerFileDialog(takes);
    find<QPushButton>("importSound")->click();
    QTest::qWait(300);
    ASSERT_TRUE(window_->openStage(QString::fromStdString(stage_.string())));
    support::answerFileDialog(takes); // it asks again: nobody listens any more
    find<QPushButton>("importSound")->click();
    EXPECT_TRUE(message().contains(QStringLiteral("Listening to")));
    find<QPushButton>("importSound")->click();
}
