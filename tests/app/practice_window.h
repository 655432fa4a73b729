/// The window at Read, with what practising asks for at hand.
#pragma once

#include "read/page_view.h"
#include "read/practice.h"
#include "reading_window.h"

#include <QComboBox>
#include <QSpinBox>

#include <cmath>

namespace support {

class PracticeWindow : public ReadingWindow {
protected:
    void SetUp() override
    {
        ReadingWindow::SetUp();
        choose(brumefall::take::Way::guided);
    }
    void TearDown() override
    {
        choose(brumefall::take::Way::guided); // it is remembered
        ReadingWindow::TearDown();
    }

    void choose(brumefall::take::Way way)
    {
        find<QComboBox>("wayChoice")->setCurrentIndex(static_cast<int>(way));
    }
    void chooseNotes(int first, int last)
    {
        find<QSpinBox>("firstNote")->setValue(first);
        find<QSpinBox>("lastNote")->setValue(last);
    }
    [[nodiscard]] brumefall::app::Practice& practice() { return window_->read().practice(); }
    [[nodiscard]] brumefall::app::PageView& page() { return *find<brumefall::app::PageView>("pageView"); }
    [[nodiscard]] const brumefall::stage::Take& lastTake() { return document().takes().back(); }
    void goTo(double stage_s)
    {
        window_->transport().seekStage(stage_s);
        ASSERT_TRUE(
            waitFor([&] { return std::abs(window_->transport().stageTime() - stage_s) < 0.2; }, 5000));
    }
    /// Reads until the page was gone once, and stops when it is back.
    void readWithTheLostPage()
    {
        choose(brumefall::take::Way::lost);
        practice().setSeed(1);
        goTo(47.0);
        press(Qt::Key_R);
        ASSERT_TRUE(waitForReading());
        ASSERT_TRUE(waitFor([&] { return page().look().dark; }, 30000));
        ASSERT_TRUE(waitFor([&] { return !page().look().dark; }, 15000));
        press(Qt::Key_R);
        ASSERT_TRUE(waitForVerdicts());
        EXPECT_TRUE(message().startsWith(QStringLiteral("Without the page"))) << message().toStdString();
    }
    bool waitForReading()
    {
        return waitFor([&] { return practice().state() == brumefall::app::Practice::State::reading; }, 40000);
    }
    bool waitForVerdicts()
    {
        return waitFor(
            [&] { return !recorder().isRecording() && !recorder().isJudging() && !practice().isOn(); },
            90000);
    }
};

} // namespace support
