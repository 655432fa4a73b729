/// The window at Read, with the simulated reader in place of the microphone.
#pragma once

#include "read/read_workspace.h"
#include "take/take.h"
#include "window.h"

#include <QComboBox>
#include <QRegularExpression>

#include <algorithm>
#include <cmath>

namespace support {

class ReadingWindow : public Window {
protected:
    void SetUp() override
    {
        Window::SetUp();
        openDemo();
        window_->showWorkspace(brumefall::app::MainWindow::kRead);
        auto* input = find<QComboBox>("inputChoice");
        input->setCurrentIndex(input->count() - 1);
        QObject::connect(
            &recorder(), &brumefall::app::TakeRecorder::failed, window_.get(), [this](const QString& why) {
                const QRegularExpression still(QStringLiteral("stood still for ([0-9.]+) s"));
                stood_still_s_ += still.match(why).captured(1).toDouble();
            });
    }
    [[nodiscard]] brumefall::app::Document& document() { return window_->document(); }
    [[nodiscard]] brumefall::app::TakeRecorder& recorder() { return window_->recorder(); }

    /// How long the user was told that the video stood still: a busy machine held it up.
    [[nodiscard]] double stoodStill_s() const { return stood_still_s_; }

    /// By how much the verdicts are off what was read, at worst, in seconds from go, beyond how long the
    /// video stood still; huge where hardly any can be compared.
    double worst_s(const std::vector<brumefall::take::Verdict>& verdicts,
        const brumefall::media::Reading& reading, double rate = 1.0)
    {
        double worst = 0.0;
        int compared = 0;
        for (const auto& truth : reading.truth) {
            for (const auto& verdict : verdicts) {
                if (verdict.id == truth.id && verdict.heard() && !verdict.outside_take) {
                    worst =
                        std::max(worst, std::abs(verdict.end_s - rate * (reading.from_s + truth.span.end_s)));
                    ++compared;
                }
            }
        }
        return compared >= 3 ? worst - stood_still_s_ : 1e9;
    }

private:
    double stood_still_s_ = 0.0;
};

} // namespace support
