/// Read: can I do it? Video, page, the gap, and the way of practising.
#pragma once

#include "document/document.h"
#include "media/microphone_level.h"
#include "read/latency_check.h"
#include "read/page_view.h"
#include "read/practice.h"
#include "read/practice_bar.h"
#include "read/take_recorder.h"
#include "widgets/background.h"
#include "widgets/gap_view.h"
#include "widgets/transport.h"
#include "widgets/video_view.h"

#include <QTimer>
#include <QWidget>

#include <memory>

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
    /// What the simulated reader last read, with the truth about it. Its times are seconds of reading: from
    /// go where it is read at the pace itself.
    [[nodiscard]] const media::Reading& lastReading() const { return last_reading_; }
    [[nodiscard]] Practice& practice() { return practice_; }
    /// Begins to practise in the chosen way, or stops.
    void toggleRecording();
    /// Begins to practise notes `first` to `last` in `way`, as soon as the video of the stage is there.
    void practise(take::Way way, const std::string& first, const std::string& last);
    /// Pauses a take and goes on with it; false where none is read.
    bool pauseTake();

protected:
    void showEvent(QShowEvent* event) override;
    void hideEvent(QHideEvent* event) override;

private:
    void listen();
    void hear(double loudest, double length_s);
    void showTime(double stage_s);
    void showPractice();
    void showState();
    [[nodiscard]] QString stateWords() const;
    void refreshInputs();
    void makeReader(
        const TakeRecorder::Wish& wish, const std::function<void(std::unique_ptr<media::VoiceInput>)>& ready);
    void chooseStretch(const QString& to);
    void toggleGuide();
    void takeLeads();
    void measureDelay();

    Document& document_;
    Transport& transport_;
    TakeRecorder& recorder_;
    Practice practice_;
    LatencyCheck latency_;
    VideoView* video_;
    PageView* page_;
    GapView* gap_;
    PracticeBar* bar_;
    QComboBox* input_;
    QPushButton* record_ = nullptr;
    QPushButton* again_ = nullptr;
    QPushButton* discard_ = nullptr;
    QPushButton* guide_ = nullptr;
    QPushButton* delay_ = nullptr;
    QWidget* ear_keys_;
    QPushButton* leads_ = nullptr;
    QProgressBar* level_;
    QLabel* state_;
    media::FaultWish faults_;
    std::uint32_t seed_ = 1;
    media::Reading last_reading_;
    std::unique_ptr<media::VoiceInput> ear_; ///< the microphone while nothing is recorded
    media::MicrophoneLevel hears_;
    media::MicrophoneHearing hearing_ = media::MicrophoneHearing::fine;
    QString trouble_; ///< said until something else happens
    double prepared_share_ = -1.0; ///< of a voice that is being made; below 0: none is
    QMetaObject::Connection begins_when_open_;
    QTimer renew_guide_; ///< after the last of a run of changes of the plan
    Job voice_;
};

} // namespace brumefall::app
