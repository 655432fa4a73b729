/// The page as it is read: the present call large, what comes next below it, what is done quiet.
#pragma once

#include "document/document.h"

#include <QWidget>

namespace brumefall::app {

class PageView : public QWidget {
    Q_OBJECT

public:
    explicit PageView(Document& document, QWidget* parent = nullptr);
    /// The stage time that decides which call is due.
    void showTime(double stage_s);
    [[nodiscard]] std::size_t currentCall() const { return current_; }

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    Document& document_;
    double now_s_ = 0.0;
    std::size_t current_ = 0;
};

} // namespace brumefall::app
