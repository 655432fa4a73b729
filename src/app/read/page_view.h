/// The page as it is read: the present call large, what comes next below it, what is done quiet.
#pragma once

#include "document/document.h"

#include <QWidget>

#include <optional>

namespace brumefall::app {

class PageView : public QWidget {
    Q_OBJECT

public:
    explicit PageView(Document& document, QWidget* parent = nullptr);
    /// The stage time that decides which call is due.
    void showTime(double stage_s);
    /// The reader said this note, which ended at `end_s` from go: from now on the page follows the voice.
    void showVoice(const QString& note, double end_s);
    /// The page follows the clock again.
    void forgetVoice();
    [[nodiscard]] std::size_t currentCall() const { return current_; }
    /// How far the voice is behind the plan, in seconds; empty where nobody is followed.
    [[nodiscard]] std::optional<double> behind_s() const { return behind_s_; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    Document& document_;
    double now_s_ = 0.0;
    std::size_t current_ = 0;
    std::size_t voice_call_ = 0; ///< what the voice says next
    std::optional<double> behind_s_;
};

} // namespace brumefall::app
