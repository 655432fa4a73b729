// The window fits every laptop: sized over all workspaces, nothing in it is cut, overlaps or is off screen.
// Run at several scales, see CMakeLists.txt.

#include "window.h"

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <QStackedWidget>

#include <map>

using namespace brumefall::app;

namespace {

class SizesTest : public support::Window {
protected:
    /// In words, what is wrong with how `widget` lies in the window; nothing where it is fine.
    [[nodiscard]] QStringList faultsOf(const QWidget* widget) const
    {
        QStringList faults;
        const QString name =
            QStringLiteral("%1 \"%2\"")
                .arg(widget->metaObject()->className(),
                    widget->objectName().isEmpty() ? widget->property("text").toString().left(30)
                                                   : widget->objectName());
        const QRect at(widget->mapTo(window_.get(), QPoint(0, 0)), widget->size());
        const QRect scrolled = scrolledIn(widget);
        if (scrolled.isNull() ? !window_->rect().contains(at)
                              : at.left() < scrolled.left() || at.right() > scrolled.right()) {
            faults << name + QStringLiteral(" is off screen");
        }
        if (const auto* label = qobject_cast<const QLabel*>(widget); label != nullptr
            && label->objectName() != QLatin1String("stageTitle") && !label->text().isEmpty()) {
            const QMargins margins = label->contentsMargins();
            const int inside = label->width() - margins.left() - margins.right();
            const int needed =
                label->wordWrap() ? label->heightForWidth(label->width()) : label->sizeHint().height();
            if (label->height() < needed
                || (!label->wordWrap()
                    && inside < label->sizeHint().width() - margins.left() - margins.right())) {
                faults << QStringLiteral("%1 is cut: %2x%3, needs %4x%5")
                              .arg(name)
                              .arg(label->width())
                              .arg(label->height())
                              .arg(label->sizeHint().width())
                              .arg(needed);
            }
        }
        if (const auto* button = qobject_cast<const QAbstractButton*>(widget); button != nullptr
            && (button->width() < wordsOf(*button) || button->height() < button->fontMetrics().height())) {
            faults << QStringLiteral("%1 is cut: %2 wide, its words need %3")
                          .arg(name)
                          .arg(button->width())
                          .arg(wordsOf(*button));
        }
        return faults;
    }

    [[nodiscard]] static int wordsOf(const QAbstractButton& button)
    {
        const int sign = qobject_cast<const QCheckBox*>(&button) != nullptr ? 20 : 2;
        return button.fontMetrics().horizontalAdvance(button.text()) + sign;
    }

    /// Where what scrolls up and down with `widget` is seen in the window; null where nothing does.
    [[nodiscard]] QRect scrolledIn(const QWidget* widget) const
    {
        for (const QWidget* up = widget->parentWidget(); up != nullptr; up = up->parentWidget()) {
            if (const auto* area = qobject_cast<const QScrollArea*>(up->parentWidget())) {
                return {up->mapTo(window_.get(), QPoint(0, 0)), area->viewport()->size()};
            }
            if (qobject_cast<const QAbstractItemView*>(up) != nullptr) {
                return {
                    up->mapTo(window_.get(), QPoint(-100000, 0)), QSize(200000, 1)}; // a table's own cells
            }
        }
        return {};
    }

    /// Siblings that lie over each other.
    [[nodiscard]] QStringList overlapsIn(const QWidget* parent) const
    {
        QStringList faults;
        QList<QWidget*> children;
        for (QWidget* child : parent->findChildren<QWidget*>(Qt::FindDirectChildrenOnly)) {
            if (child->isVisible() && !child->isWindow()
                && child->objectName() != QLatin1String("glCanvas")) {
                children << child;
            }
        }
        const bool laid = parent->layout() != nullptr;
        for (int i = 0; laid && i < children.size(); ++i) {
            for (int k = i + 1; k < children.size(); ++k) {
                const QRect both = children[i]->geometry() & children[k]->geometry();
                if (both.width() > 1 && both.height() > 1) {
                    faults << QStringLiteral("\"%1\" overlaps \"%2\"")
                                  .arg(children[i]->objectName()
                                          + children[i]->property("text").toString().left(20),
                                      children[k]->objectName()
                                          + children[k]->property("text").toString().left(20));
                }
            }
        }
        return faults;
    }

    void expectAllFits(const QSize& size, const QString& where)
    {
        QTest::qWait(30);
        if (find<QWidget>("logWorkspace")->isVisible()) { // the rally is read in the background
            constexpr int kRead_ms = 300;
            QTest::qWait(kRead_ms);
        }
        EXPECT_EQ(window_->size(), size) << where.toStdString();
        QStringList faults;
        for (QWidget* widget : window_->centralWidget()->findChildren<QWidget*>()) {
            if (widget->isVisible()) {
                faults << faultsOf(widget) << overlapsIn(widget);
            }
        }
        EXPECT_TRUE(faults.isEmpty()) << where.toStdString() << ":\n"
                                      << faults.join(QLatin1Char('\n')).toStdString();
    }

    void walk(const QSize& size)
    {
        window_->resize(size);
        const std::map<MainWindow::Workspace, QStringList> kTabs{
            {MainWindow::kNotes, {"sideMeaning", "sideFullWords", "sideInShort", "sideLanguage"}},
            {MainWindow::kPlaces,
                {"placesPass", "placesTrack", "placesDistances", "placesPace", "placesNotes"}},
            {MainWindow::kPlan, {"planSqueezes", "planWhatIf"}}, {MainWindow::kRead, {QString()}},
            {MainWindow::kReview, {QString()}},
            {MainWindow::kLog,
                {"logTonight", "logBoard", "logTakes", "logTrends", "logTrouble", "logDiary"}}};
        for (const auto& [workspace, tabs] : kTabs) {
            window_->showWorkspace(workspace);
            for (const QString& tab : tabs) {
                if (!tab.isEmpty()) {
                    window_->findChild<QPushButton*>(tab)->click();
                }
                const QString where = QStringLiteral("%1x%2, workspace %3 %4")
                                          .arg(size.width())
                                          .arg(size.height())
                                          .arg(workspace + 1)
                                          .arg(tab);
                expectAllFits(size, where);
            }
        }
        window_->showStart();
        expectAllFits(size, QStringLiteral("the empty start"));
    }
};

} // namespace

TEST_F(SizesTest, NothingIsCutOrOverlappedOrOffScreenInTheDemo)
{
    openDemo();
    for (const QSize& size : {QSize(1000, 650), QSize(1024, 700), QSize(1280, 800), QSize(1366, 768)}) {
        walk(size);
    }
}

TEST_F(SizesTest, NothingIsCutOrOverlappedOrOffScreenInAnEmptyStage)
{
    ASSERT_FALSE(window_->document().create(QString::fromStdString((scratch_.path() / "Empty").string())));
    for (const QSize& size : {QSize(1000, 650), QSize(1280, 800)}) {
        walk(size);
    }
}

TEST_F(SizesTest, ALongMessageChangesNoWindowsSize)
{
    openDemo();
    for (const QSize& size : {QSize(1000, 650), QSize(1280, 800)}) {
        window_->resize(size);
        for (int workspace = 0; workspace < MainWindow::kWorkspaces; ++workspace) {
            window_->showWorkspace(static_cast<MainWindow::Workspace>(workspace));
            window_->showMessage(QStringLiteral("The places of these notes are proposed. ").repeated(8));
            const auto where = QStringLiteral("a message in workspace %1").arg(workspace + 1);
            expectAllFits(size, where);
            window_->showMessage({});
            QTest::qWait(10);
            EXPECT_EQ(window_->size(), size) << where.toStdString();
        }
    }
}
