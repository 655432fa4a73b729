/// A minute of reading aloud, to measure the reader: rate, limit, breath, longest run.
#pragma once

#include "document/document.h"
#include "media/input.h"
#include "widgets/background.h"

#include <QElapsedTimer>
#include <QTimer>
#include <QWidget>

#include <memory>
#include <optional>

class QComboBox;
class QLabel;
class QPlainTextEdit;
class QPushButton;

namespace brumefall::app {

class CalibrationPanel : public QWidget {
    Q_OBJECT

public:
    explicit CalibrationPanel(Document& document, QWidget* parent = nullptr);
    ~CalibrationPanel() override;

    /// Shows the calls to be read; reading begins with the button.
    void prepare();
    void setLength_s(double length_s) { length_s_ = length_s; }

signals:
    void done(); ///< taken or left: the plan can be seen again

private:
    enum class State { ready, reading, finding, measured };
    void startOrStop();
    void start();
    void stop();
    void find();
    void show(const std::optional<plan::Reader>& reader, int calls);
    void take();
    void leave();
    void showState();

    Document& document_;
    QLabel* says_;
    QPlainTextEdit* text_;
    QComboBox* who_;
    QPushButton* read_;
    QPushButton* take_;
    std::unique_ptr<media::VoiceInput> input_;
    QTimer clock_;
    QElapsedTimer since_start_;
    double length_s_ = 60.0;
    State state_ = State::ready;
    plan::Plan plan_; ///< the calls that are read
    std::vector<std::int16_t> samples_;
    std::optional<plan::Reader> measured_;
    Job finding_;
};

} // namespace brumefall::app
