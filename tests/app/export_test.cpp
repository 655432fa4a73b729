// What the stage becomes outside, by the window.

#include "captions/cues.h"
#include "export/export_dialog.h"
#include "export/pages_preview.h"
#include "formats/files.h"
#include "read/page_view.h"
#include "window.h"

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QDragEnterEvent>
#include <QLabel>
#include <QListWidget>
#include <QMimeData>
#include <QPushButton>
#include <QUrl>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class ExportWindowTest : public support::Window {
protected:
    void SetUp() override
    {
        Window::SetUp();
        openDemo();
        dialog_ = std::make_unique<ExportDialog>(window_->document());
        dialog_->show();
        ASSERT_TRUE(QTest::qWaitForWindowExposed(dialog_.get()));
    }
    template <typename T> T* control(const char* name)
    {
        auto* found = dialog_->findChild<T*>(QString::fromLatin1(name));
        EXPECT_NE(found, nullptr) << name;
        return found;
    }
    [[nodiscard]] QString says() { return control<QLabel>("exportSays")->text(); }
    /// Chooses the kind by the list's keys and writes it to `name`.
    std::filesystem::path write(ExportDialog::Kind kind, const std::string& name)
    {
        auto* kinds = control<QListWidget>("exportKinds");
        kinds->setFocus();
        QTest::keyClick(kinds, Qt::Key_Home);
        for (int i = 0; i < kind; ++i) {
            QTest::keyClick(kinds, Qt::Key_Down);
        }
        const auto file = scratch_.path() / name;
        support::answerFileDialog(file);
        control<QPushButton>("exportWrite")->click();
        return file;
    }
    bool waitWritten()
    {
        return waitFor([&] { return !dialog_->isWriting(); }, 60000);
    }

    std::unique_ptr<ExportDialog> dialog_;
};

} // namespace

TEST_F(ExportWindowTest, ThePagesInTheDialogAreThoseThatReadShows)
{
    control<QComboBox>("exportPaper")->setCurrentIndex(1);
    control<QDoubleSpinBox>("exportLetters")->setValue(5.0);
    const auto* book = control<PagesPreview>("pagesPreview")->book();
    ASSERT_NE(book, nullptr);
    window_->showWorkspace(MainWindow::kRead);
    auto* page = find<PageView>("pageView");
    auto look = page->look();
    look.printed = true;
    page->setLook(look);
    ASSERT_NE(page->book(), nullptr);
    EXPECT_EQ(page->book()->paper_mm(), QSizeF(105, 148));
    ASSERT_EQ(page->book()->pages().size(), book->pages().size());
    for (std::size_t i = 0; i < book->pages().size(); ++i) {
        EXPECT_EQ(page->book()->pages()[i].last, book->pages()[i].last);
    }
    EXPECT_TRUE(control<QLabel>("exportTurns")->text().contains(QStringLiteral("Tightest turn")));
}

TEST_F(ExportWindowTest, PagesAreWrittenAsPdf)
{
    const auto file = write(ExportDialog::kPages, "book");
    ASSERT_TRUE(waitWritten());
    EXPECT_TRUE(says().contains(QStringLiteral("Written"))) << says().toStdString();
    EXPECT_TRUE(support::read(file.string() + ".pdf").starts_with("%PDF")) << "with its suffix";
}

TEST_F(ExportWindowTest, CaptionsOfATakeAreThoseThatWereRead)
{
    control<QComboBox>("exportCaptionsVoice")->setCurrentIndex(1);
    const auto file = write(ExportDialog::kCaptions, "read.srt");
    ASSERT_TRUE(waitWritten());
    const auto& take = window_->document().takes().front();
    const auto heard = std::count_if(
        take.verdicts.begin(), take.verdicts.end(), [](const auto& verdict) { return verdict.heard(); });
    EXPECT_EQ(static_cast<long>(captions::readCues(formats::readText(file), "read.srt").size()), heard);
}

TEST_F(ExportWindowTest, AStoppedTrackLeavesNothing)
{
    control<QComboBox>("exportTrackAs")->setCurrentIndex(2);
    const auto file = write(ExportDialog::kTrack, "guide.opus");
    ASSERT_TRUE(waitFor([&] { return dialog_->isWriting(); }, 5000));
    control<QPushButton>("exportStop")->click();
    EXPECT_FALSE(dialog_->isWriting());
    QTest::qWait(1500); // whatever was on its way
    for (const auto& entry : std::filesystem::directory_iterator(scratch_.path())) {
        EXPECT_EQ(entry.path().filename().string().find("guide"), std::string::npos) << entry.path();
    }
    EXPECT_FALSE(std::filesystem::exists(file));
}

TEST_F(ExportWindowTest, APackageGoesOutAndIsOpenedAgain)
{
    control<QComboBox>("exportMedia")->setCurrentIndex(1);
    const auto file = write(ExportDialog::kPackage, "to a friend.zip");
    ASSERT_TRUE(waitWritten());
    ASSERT_TRUE(std::filesystem::exists(file)) << says().toStdString();
    const auto into = scratch_.path() / "friend";
    std::filesystem::create_directories(into);
    window_->openPackage(QString::fromStdString(file.string()), QString::fromStdString(into.string()));
    ASSERT_TRUE(waitFor([&] { return window_->document().folder() == into / "Lantern Pass"; }, 20000));
    EXPECT_EQ(window_->document().stage().name, "Lantern Pass");
}

TEST_F(ExportWindowTest, WhatCannotBeWrittenIsTold)
{
    write(ExportDialog::kText, "no such folder/x.txt");
    ASSERT_TRUE(waitWritten());
    EXPECT_FALSE(says().contains(QStringLiteral("Written"))) << says().toStdString();
}

namespace {

class DropTest : public support::Window {
protected:
    void SetUp() override
    {
        Window::SetUp();
        openDemo();
    }
    void drop(const std::filesystem::path& file)
    {
        QMimeData data;
        data.setUrls({QUrl::fromLocalFile(QString::fromStdString(file.string()))});
        const QPointF at(400, 300);
        QDragEnterEvent enter(at.toPoint(), Qt::CopyAction, &data, Qt::LeftButton, {});
        QCoreApplication::sendEvent(window_.get(), &enter);
        ASSERT_TRUE(enter.isAccepted());
        QDropEvent event(at, Qt::CopyAction, &data, Qt::LeftButton, {});
        QCoreApplication::sendEvent(window_.get(), &event);
    }
    [[nodiscard]] Document& document() { return window_->document(); }
};

} // namespace

TEST_F(DropTest, AVideoBecomesAPass)
{
    const auto before = document().passes().size();
    drop(stage_ / "media" / "recce.mkv");
    ASSERT_EQ(document().passes().size(), before + 1);
    EXPECT_EQ(document().passes().back().media.path, "media/recce.mkv");
    EXPECT_TRUE(find<QWidget>("placesWorkspace")->isVisible());
}

TEST_F(DropTest, NotesTakeThePlaceOfTheNotesAndUndoBringsThemBack)
{
    const auto before = document().stage().text;
    support::write(scratch_.path() / "notes.txt", "left four 60\nright three\n");
    drop(scratch_.path() / "notes.txt");
    EXPECT_EQ(document().prepared().road.notes.size(), 2U);
    document().undoStack().undo();
    EXPECT_EQ(document().stage().text, before);
}

TEST_F(DropTest, CaptionsAreShownForReview)
{
    drop(stage_ / "media" / "stage.srt");
    auto* review = find<QWidget>("captionsReview");
    EXPECT_TRUE(waitFor([&] { return review->isVisible(); }, 10000));
}

TEST_F(DropTest, AStageIsOpenedAndSoIsItsFile)
{
    const auto other = scratch_.path() / "Other";
    ASSERT_EQ(document().saveCopy(QString::fromStdString(other.string())), std::nullopt);
    drop(other);
    EXPECT_EQ(document().folder(), other);
    drop(stage_ / "stage.brumefall");
    EXPECT_EQ(document().folder(), stage_);
}

TEST_F(DropTest, WhatIsNothingOfTheseIsTold)
{
    support::write(scratch_.path() / "letter.odt", "x");
    drop(scratch_.path() / "letter.odt");
    EXPECT_TRUE(message().contains(QStringLiteral("letter.odt"))) << message().toStdString();
}
