/// The Plan workspace of the demo, and hands to work it with.
#pragma once

#include "window.h"

#include <algorithm>

namespace support {

class PlanTest : public Window {
protected:
    void open(const char* pass)
    {
        openDemo();
        document().choosePass(QString::fromLatin1(pass));
        QTest::keyClick(window_.get(), Qt::Key_F3);
        plan_ = find<QWidget>("planWorkspace");
        plan_->setFocus();
    }
    [[nodiscard]] brumefall::app::Document& document() { return window_->document(); }
    [[nodiscard]] const brumefall::plan::Plan& plan() { return document().prepared().plan; }
    [[nodiscard]] int late()
    {
        return static_cast<int>(std::count_if(plan().notes.begin(), plan().notes.end(),
            [](const brumefall::plan::PlannedNote& n) { return n.status == brumefall::plan::Status::late; }));
    }
    void key(int key, Qt::KeyboardModifiers with = {})
    {
        QTest::keyClick(plan_, static_cast<Qt::Key>(key), with);
    }

    QWidget* plan_ = nullptr;
};

} // namespace support
