/// The real main window over a copy of the demo, and hands to work it with.
#pragma once

#include "main_window.h"
#include "support.h"

#include <QApplication>
#include <QElapsedTimer>
#include <QFileDialog>
#include <QLineEdit>
#include <QSignalSpy>
#include <QTest>
#include <QTimer>

#include <gtest/gtest.h>

namespace support {

/// Types `file` into the file dialog that is about to open, and accepts it.
inline void answerFileDialog(const std::filesystem::path& file, int patience = 50)
{
    QTimer::singleShot(100, [file, patience] {
        auto* dialog = qobject_cast<QFileDialog*>(QApplication::activeModalWidget());
        if (dialog == nullptr && patience > 0) {
            answerFileDialog(file, patience - 1);
            return;
        }
        ASSERT_NE(dialog, nullptr);
        auto* name = dialog->findChild<QLineEdit*>();
        ASSERT_NE(name, nullptr);
        name->setText(QString::fromStdString(file.string()));
        QTest::keyClick(name, Qt::Key_Return);
    });
}

/// Types `words` into the line dialog that is about to open, and accepts it.
inline void answerLineDialog(const QString& words)
{
    QTimer::singleShot(300, [words] {
        auto* line = QApplication::activeModalWidget()->findChild<QLineEdit*>();
        ASSERT_NE(line, nullptr);
        line->setText(words);
        QTest::keyClick(line, Qt::Key_Return);
    });
}

class Window : public testing::Test {
protected:
    void SetUp() override
    {
        stage_ = copyDemo(scratch_);
        window_ = std::make_unique<brumefall::app::MainWindow>();
        window_->resize(1280, 800);
        window_->show();
        ASSERT_TRUE(QTest::qWaitForWindowExposed(window_.get()));
        window_->activateWindow();
        QApplication::setActiveWindow(window_.get());
        ASSERT_TRUE(QTest::qWaitForWindowActive(window_.get()));
    }

    /// A key as the user presses it: to whatever has the focus.
    void press(int key, Qt::KeyboardModifiers with = {})
    {
        QWidget* popup = QApplication::activePopupWidget();
        QWidget* focus = QApplication::focusWidget();
        QTest::keyClick(popup != nullptr ? popup
                : focus != nullptr       ? focus
                                         : window_.get(),
            static_cast<Qt::Key>(key), with);
    }

    void openDemo()
    {
        ASSERT_TRUE(window_->openStage(QString::fromStdString(stage_.string())));
        ASSERT_TRUE(waitFor([&] { return window_->transport().player().isOpen(); }, 10000));
    }

    template <typename Condition> static bool waitFor(Condition condition, int ms)
    {
        QElapsedTimer timer;
        timer.start();
        while (!condition()) {
            if (timer.elapsed() > ms) {
                return false;
            }
            QTest::qWait(10);
        }
        return true;
    }

    template <typename T> T* find(const char* name)
    {
        auto* child = window_->findChild<T*>(QString::fromLatin1(name));
        EXPECT_NE(child, nullptr) << name;
        return child;
    }

    [[nodiscard]] QString message() { return lineOf(QStringLiteral("messageLine")); }
    /// What the window says of the work in the background.
    [[nodiscard]] QString goesOn() { return lineOf(QStringLiteral("goesOnLine")); }
    [[nodiscard]] QString lineOf(const QString& name)
    {
        auto* label = window_->findChild<QWidget*>(name);
        return label->isVisible() ? label->property("text").toString() : QString();
    }

    ScratchFolder scratch_;
    std::filesystem::path stage_;
    std::unique_ptr<brumefall::app::MainWindow> window_;
};

} // namespace support
