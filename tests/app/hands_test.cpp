// The whole application without a mouse: every control is reached and acts, and a key does the same
// everywhere.

#include "places/places_workspace.h"
#include "widgets/keys.h"
#include "window.h"

#include <QAbstractButton>
#include <QAbstractItemView>
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QScrollArea>
#include <QSlider>
#include <QSpinBox>
#include <QTableView>
#include <QTableWidget>

#include <set>

using namespace brumefall::app;

namespace {

class HandsTest : public support::Window {
protected:
    /// What can be worked in the workspace in view.
    [[nodiscard]] QList<QWidget*> controls()
    {
        QList<QWidget*> found;
        for (QWidget* widget : window_->centralWidget()->findChildren<QWidget*>()) {
            const bool control = qobject_cast<QAbstractButton*>(widget) != nullptr
                || qobject_cast<QComboBox*>(widget) != nullptr
                || qobject_cast<QAbstractSpinBox*>(widget) != nullptr
                || qobject_cast<QSlider*>(widget) != nullptr
                || qobject_cast<QAbstractItemView*>(widget) != nullptr
                || qobject_cast<QPlainTextEdit*>(widget) != nullptr
                || (qobject_cast<QLineEdit*>(widget) != nullptr
                    && qobject_cast<QAbstractSpinBox*>(widget->parentWidget()) == nullptr);
            if (control && widget->isVisible() && widget->isEnabled()
                && !widget->objectName().startsWith("qt_")
                && qobject_cast<QAbstractItemView*>(widget->parentWidget()) == nullptr) {
                found << widget;
            }
        }
        return found;
    }

    [[nodiscard]] std::set<QWidget*> reachedByTab()
    {
        std::set<QWidget*> reached;
        for (int i = 0; i < 120 && QApplication::focusWidget() != nullptr; ++i) {
            reached.insert(QApplication::focusWidget());
            press(Qt::Key_Tab);
        }
        return reached;
    }

    [[nodiscard]] const KeyBinding* keyOf(const QWidget* button)
    {
        for (const KeyBinding* binding : keysNow(window_.get())) {
            if (binding->button() == button) {
                return binding;
            }
        }
        return nullptr;
    }

    [[nodiscard]] static std::string nameOf(const QWidget* widget)
    {
        return (QString::fromLatin1(widget->metaObject()->className()) + QLatin1Char(' ')
            + widget->objectName() + QLatin1Char(' ') + widget->property("text").toString())
            .toStdString();
    }

    /// Enter or an arrow does something to a control that has the focus.
    [[nodiscard]] bool acts(QWidget* control)
    {
        control->setFocus(Qt::TabFocusReason);
        if (auto* button = qobject_cast<QAbstractButton*>(control)) {
            button->disconnect(SIGNAL(clicked(bool))); // that it is pressed is the question, not what it does
            QSignalSpy pressed(button, &QAbstractButton::clicked);
            if (auto* push = qobject_cast<QPushButton*>(button); push != nullptr && push->menu() != nullptr) {
                return true; // opens its menu, which has its own keys
            }
            press(Qt::Key_Return);
            return pressed.count() == 1;
        }
        if (auto* box = qobject_cast<QComboBox*>(control)) {
            press(Qt::Key_Return);
            const bool open = QApplication::activePopupWidget() != nullptr;
            box->hidePopup();
            return open;
        }
        if (auto* spin = qobject_cast<QAbstractSpinBox*>(control)) {
            const QString before = spin->text();
            press(Qt::Key_Up);
            const QString up = spin->text();
            press(Qt::Key_Down);
            press(Qt::Key_Down);
            return before != up || before != spin->text();
        }
        if (auto* slider = qobject_cast<QSlider*>(control)) {
            const int before = slider->value();
            press(before == slider->maximum() ? Qt::Key_Down : Qt::Key_Up);
            return slider->value() != before;
        }
        if (auto* view = qobject_cast<QAbstractItemView*>(control)) {
            if (view->model()->rowCount() < 2) {
                return true;
            }
            const auto before = view->currentIndex();
            press(before.row() == view->model()->rowCount() - 1 ? Qt::Key_Up : Qt::Key_Down);
            return view->currentIndex() != before;
        }
        return true; // text, typed in other tests
    }

    void show(MainWindow::Workspace workspace, const QStringList& tabs, int tab)
    {
        QApplication::setActiveWindow(window_.get()); // a list that was open took it
        window_->showWorkspace(workspace);
        if (!tabs.isEmpty()) {
            press(Qt::Key_1 + tab, Qt::AltModifier);
            ASSERT_TRUE(find<QPushButton>(tabs[tab].toLatin1().constData())->isChecked())
                << tabs[tab].toStdString();
        }
        QTest::qWait(30);
        press(Qt::Key_Escape); // out of the text
        QTest::qWait(10);
    }

    void walk(MainWindow::Workspace workspace, const QStringList& tabs)
    {
        const int count = std::max(1, static_cast<int>(tabs.size()));
        for (int tab = 0; tab < count; ++tab) {
            show(workspace, tabs, tab);
            const auto reached = reachedByTab();
            for (QWidget* control : controls()) {
                const bool by_key = keyOf(control) != nullptr || control->property("workspace").toBool();
                EXPECT_TRUE(by_key || reached.contains(control))
                    << nameOf(control) << " is not reached in workspace " << workspace + 1 << ", tab "
                    << tab + 1;
            }
        }
        for (int tab = 0; tab < count; ++tab) {
            show(workspace, tabs, tab);
            for (QWidget* control : controls()) {
                QApplication::setActiveWindow(window_.get());
                if (control->isVisible() && control->isEnabled() && control->focusPolicy() != Qt::NoFocus) {
                    EXPECT_TRUE(acts(control))
                        << nameOf(control) << " does not act in workspace " << workspace + 1;
                }
            }
        }
    }
};

} // namespace

TEST_F(HandsTest, EveryControlOfNotesIsReachedByKeysAndActs)
{
    openDemo();
    walk(MainWindow::kNotes, {"sideMeaning", "sideFullWords", "sideInShort", "sideLanguage"});
}

TEST_F(HandsTest, EveryControlOfPlacesIsReachedByKeysAndActs)
{
    openDemo();
    walk(MainWindow::kPlaces, {"placesNotes", "placesPass", "placesTrack", "placesDistances", "placesPace"});
}

TEST_F(HandsTest, EveryControlOfPlanIsReachedByKeysAndActs)
{
    openDemo();
    walk(MainWindow::kPlan, {"planSqueezes", "planWhatIf"});
}

TEST_F(HandsTest, EveryControlOfReadIsReachedByKeysAndActs)
{
    openDemo();
    walk(MainWindow::kRead, {});
}

TEST_F(HandsTest, EveryControlOfReviewIsReachedByKeysAndActs)
{
    openDemo();
    walk(MainWindow::kReview, {});
}

TEST_F(HandsTest, EveryControlOfLogIsReachedByKeysAndActs)
{
    openDemo();
    walk(MainWindow::kLog, {});
}

TEST_F(HandsTest, EveryKeyThatIsShownOnAButtonPressesIt)
{
    openDemo();
    for (int workspace = 0; workspace < MainWindow::kWorkspaces; ++workspace) {
        window_->showWorkspace(static_cast<MainWindow::Workspace>(workspace));
        QTest::qWait(30);
        press(Qt::Key_Escape);
        QTest::qWait(10);
        for (QWidget* control : controls()) {
            auto* button = qobject_cast<QAbstractButton*>(control);
            const KeyBinding* binding = button == nullptr ? nullptr : keyOf(button);
            if (binding == nullptr) {
                continue;
            }
            const QString shown = button->property("tab").toBool()
                ? keyName(binding->key()).remove(QStringLiteral("Alt+")) // which stands before the row
                : keyName(binding->key());
            EXPECT_TRUE(button->text().contains(shown)) << nameOf(button);
            button->disconnect(SIGNAL(clicked(bool)));
            QSignalSpy pressed(button, &QAbstractButton::clicked);
            press(binding->key().key(), binding->key().keyboardModifiers());
            EXPECT_EQ(pressed.count(), 1) << nameOf(button) << " in workspace " << workspace + 1;
        }
    }
}

TEST_F(HandsTest, WithARowChosenInPlacesItsKeysActAllTheSame)
{
    openDemo();
    press(Qt::Key_F2);
    auto* table = find<QTableWidget>("placesTable");
    table->setFocus();
    table->setCurrentCell(8, 0);
    const auto ninth = window_->document().prepared().placement.notes[8];
    EXPECT_EQ(window_->document().currentNote().toStdString(), ninth.id) << "gone along by the keys";
    press(Qt::Key_Return);
    ASSERT_TRUE(waitFor([&] { return !window_->transport().player().isSeeking(); }, 5000));
    EXPECT_NEAR(window_->transport().stageTime(), ninth.arrive_s, 0.1) << "Enter opens the chosen row";
    press(Qt::Key_M);
    EXPECT_EQ(table->currentRow(), 9) << "M marks and goes on";
    press(Qt::Key_N);
    EXPECT_EQ(table->currentRow(), 10);
    press(Qt::Key_Tab);
    EXPECT_NE(QApplication::focusWidget(), table) << "Tab leaves a list";
}

TEST_F(HandsTest, WithARemedyChosenInPlanYDoesIt)
{
    openDemo();
    window_->document().choosePass(QStringLiteral("recce"));
    press(Qt::Key_F3);
    auto* list = find<QListWidget>("squeezeList");
    ASSERT_GT(list->count(), 2);
    list->setFocus();
    list->setCurrentRow(1);
    press(Qt::Key_Y);
    EXPECT_TRUE(window_->document().undoStack().canUndo());
}

TEST_F(HandsTest, AWorkspaceKeyClosesAnOpenListAndNeverOpensOne)
{
    openDemo();
    press(Qt::Key_F3);
    auto* box = find<QComboBox>("driverProfiles");
    box->setFocus();
    press(Qt::Key_F4);
    EXPECT_EQ(QApplication::activePopupWidget(), nullptr);
    EXPECT_TRUE(find<QWidget>("readWorkspace")->isVisible());
    press(Qt::Key_F3);
    box->setFocus();
    press(Qt::Key_Return);
    ASSERT_NE(QApplication::activePopupWidget(), nullptr);
    press(Qt::Key_F2);
    EXPECT_EQ(QApplication::activePopupWidget(), nullptr);
    EXPECT_TRUE(find<QWidget>("placesWorkspace")->isVisible());
}

TEST_F(HandsTest, SpacePlaysAndPressesNoButton)
{
    openDemo();
    press(Qt::Key_F3);
    auto* button = find<QPushButton>("clearShaping");
    button->setFocus();
    QSignalSpy pressed(button, &QPushButton::clicked);
    press(Qt::Key_Space);
    EXPECT_EQ(pressed.count(), 0);
    EXPECT_TRUE(waitFor([&] { return window_->transport().player().isPlaying(); }, 5000));
    press(Qt::Key_Space);
    EXPECT_TRUE(waitFor([&] { return !window_->transport().player().isPlaying(); }, 5000));
}

TEST_F(HandsTest, TextTakesItsLettersAndEscapeGivesTheKeysBack)
{
    openDemo();
    press(Qt::Key_F2);
    press(Qt::Key_2, Qt::AltModifier);
    auto* line = find<QLineEdit>("passWeather");
    line->setFocus();
    QTest::keyClicks(line, "mhr m");
    EXPECT_TRUE(line->text().endsWith(QStringLiteral("mhr m")));
    EXPECT_TRUE(find<QWidget>("placesWorkspace")->isVisible()) << "R in a text records nothing";
    press(Qt::Key_Return);
    ASSERT_TRUE(waitFor([&] { return QApplication::focusWidget() != line; }, 1000));
    press(Qt::Key_Space);
    EXPECT_TRUE(waitFor([&] { return window_->transport().player().isPlaying(); }, 5000));
}

TEST_F(HandsTest, UndoGoesToWhereTheChangeIsSeenAndSaysWhatItUndid)
{
    openDemo();
    press(Qt::Key_F3);
    window_->document().setCurrentNote(
        QString::fromStdString(window_->document().prepared().plan.notes[11].id));
    press(Qt::Key_E);
    press(Qt::Key_F6);
    window_->document().setCurrentNote(
        QString::fromStdString(window_->document().prepared().plan.notes[2].id));
    press(Qt::Key_Z, Qt::ControlModifier);
    EXPECT_TRUE(find<QWidget>("planWorkspace")->isVisible());
    EXPECT_EQ(
        window_->document().currentNote().toStdString(), window_->document().prepared().plan.notes[11].id);
    EXPECT_TRUE(message().contains(QStringLiteral("Note 12 earlier"))) << message().toStdString();
}

TEST_F(HandsTest, TheKeysOfAScreenAreListedAndTheGuideIsThereOffline)
{
    openDemo();
    press(Qt::Key_F2);
    press(Qt::Key_F1, Qt::ShiftModifier);
    auto* text = find<QWidget>("helpText");
    ASSERT_TRUE(text->isVisible());
    EXPECT_TRUE(text->property("html").toString().contains(QStringLiteral("The car is there now")));
    press(Qt::Key_Escape);
    EXPECT_TRUE(find<QWidget>("placesWorkspace")->isVisible());
    window_->findChild<QAction*>(QStringLiteral("helpGuide"))->trigger();
    EXPECT_TRUE(text->property("html").toString().contains(QStringLiteral("Brumefall is for a desk")));
}
