// Whoever hears the screen read aloud is told what each control is.

#include "export/export_dialog.h"
#include "log/log_workspace.h"
#include "window.h"

#include <QAbstractButton>
#include <QAbstractScrollArea>
#include <QAccessible>
#include <QComboBox>
#include <QHeaderView>
#include <QLabel>
#include <QScrollBar>

using namespace brumefall;
using namespace brumefall::app;

namespace {

/// The inside of something that scrolls, which has the name.
bool isViewport(const QWidget* widget)
{
    const auto* around = qobject_cast<QAbstractScrollArea*>(widget->parentWidget());
    return around != nullptr && around->viewport() == widget;
}

/// Controls of `place` on the screen that say nothing of themselves.
QStringList nameless(QWidget* place)
{
    QStringList out;
    for (QWidget* widget : place->findChildren<QWidget*>()) {
        const bool inner = qobject_cast<QScrollBar*>(widget) != nullptr
            || qobject_cast<QHeaderView*>(widget) != nullptr || isViewport(widget)
            || widget->objectName().startsWith(QStringLiteral("qt_"));
        if (!widget->isVisible() || widget->focusPolicy() == Qt::NoFocus || inner
            || qobject_cast<QComboBox*>(widget->parentWidget()) != nullptr) {
            continue;
        }
        auto* told = QAccessible::queryAccessibleInterface(widget);
        const QString name = told == nullptr ? QString() : told->text(QAccessible::Name);
        if (name.trimmed().isEmpty()) {
            out << QStringLiteral("%1 \u201c%2\u201d in %3")
                       .arg(QString::fromLatin1(widget->metaObject()->className()), widget->objectName(),
                           widget->parentWidget()->objectName());
        }
    }
    return out;
}

class AccessibleTest : public support::Window {
protected:
    void SetUp() override
    {
        Window::SetUp();
        openDemo();
    }
    void expectNamed(QWidget* place, const QString& what)
    {
        QTest::qWait(200);
        const auto found = nameless(place);
        EXPECT_TRUE(found.isEmpty()) << what.toStdString() << ": "
                                     << found.join(QStringLiteral("; ")).toStdString();
    }
};

} // namespace

TEST_F(AccessibleTest, EveryControlOfEveryWorkspaceAndPanelHasAName)
{
    for (int workspace = 0; workspace < 6; ++workspace) {
        window_->showWorkspace(static_cast<MainWindow::Workspace>(workspace));
        expectNamed(window_.get(), QStringLiteral("workspace %1").arg(workspace));
        for (int panel = 0; panel < 6; ++panel) {
            press(Qt::Key_1 + panel, Qt::AltModifier);
            expectNamed(
                window_.get(), QStringLiteral("workspace %1, panel %2").arg(workspace).arg(panel + 1));
        }
    }
}

TEST_F(AccessibleTest, SoHaveTheFirstScreenAndTheExport)
{
    window_->showStart();
    expectNamed(window_.get(), QStringLiteral("start"));
    ExportDialog dialog(window_->document(), window_.get());
    dialog.show();
    for (int kind = 0; kind < ExportDialog::kKinds; ++kind) {
        dialog.choose(static_cast<ExportDialog::Kind>(kind));
        expectNamed(&dialog, QStringLiteral("export %1").arg(kind));
    }
}
