/// The keys of the video, its rate, and where it is.
#pragma once

#include "document/document.h"
#include "widgets/transport.h"

#include <QWidget>

#include <functional>

class QLabel;
class QPushButton;

namespace brumefall::app {

class TransportBar : public QWidget {
    Q_OBJECT

public:
    /// `guard` does what is asked, or says why the video goes on as it is.
    using Guard = std::function<void(const std::function<void()>&)>;
    TransportBar(Document& document, Transport& transport, Guard guard, QWidget* parent = nullptr);

signals:
    void playWanted();

private:
    /// A button that does `act` where the guard lets it.
    std::function<void()> guarded(std::function<void()> act) const;
    void showTime(double stage_s);

    Document& document_;
    Transport& transport_;
    Guard guard_;
    QPushButton* play_;
    QLabel* rate_;
    QLabel* time_;
};

} // namespace brumefall::app
