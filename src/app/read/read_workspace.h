/// Read: can I do it? Video, page, count-down, record, stop.
#pragma once

#include "document/document.h"
#include "read/page_view.h"
#include "read/take_recorder.h"
#include "widgets/gap_view.h"
#include "widgets/transport.h"
#include "widgets/video_view.h"

#include <QElapsedTimer>
#include <QTimer>
#include <QWidget>

#include <memory>

class QCheckBox;
class QComboBox;
class QLabel;
class QProgressBar;
class QPushButton;

namespace brumefall::app {

class ReadWorkspace : public QWidget {
    Q_OBJECT

public:
    ReadWorkspace(
        Document& document, Transport& transport, TakeRecorder& recorder, QWidget* parent = nullptr);

    /// The faults that the simulated reader makes; for rehearsing Review, and for tests.
    void setSimulatedFaults(const media::FaultWish& wish, std::uint32_t seed);
    /// What the simulated reader last read, with the truth about it.
    [[nodiscard]] const media::Reading& lastReading() const { return last_reading_; }
    void toggleRecording();

protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

private:
    void listen();
    void showLevel(double share);
    void showTime(double stage_s);
    void showState();
    void refreshInputs();
    void startRecording();
    void toggleGuide();

    Document& document_;
    Transport& transport_;
    TakeRecorder& recorder_;
    VideoView* video_;
    PageView* page_;
    GapView* gap_;
    QComboBox* input_;
    QPushButton* record_ = nullptr;
    QPushButton* guide_ = nullptr;
    QProgressBar* level_;
    QLabel* state_;
    media::FaultWish faults_;
    std::uint32_t seed_ = 1;
    media::Reading last_reading_;
    std::unique_ptr<media::VoiceInput> ear_; ///< the microphone while nothing is recorded
    QElapsedTimer silent_; ///< since when nothing was heard
    bool said_silent_ = false;
    QTimer renew_guide_; ///< after the last of a run of changes of the plan
};

} // namespace brumefall::app
