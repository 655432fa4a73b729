/// Records a take: the voice to a file that grows as it is spoken, on one clock with the video; then
/// finds the calls in it and judges them.
#pragma once

#include "document/document.h"
#include "media/input.h"
#include "media/sound_file.h"
#include "widgets/transport.h"

#include <QElapsedTimer>
#include <QObject>
#include <QTimer>

#include <atomic>
#include <memory>

namespace brumefall::app {

class TakeRecorder : public QObject {
    Q_OBJECT

public:
    TakeRecorder(Document& document, Transport& transport, QObject* parent = nullptr);
    ~TakeRecorder() override;

    /// Plays from `from_s` (stage time) and records from `input` as soon as the video runs steadily, about
    /// a second later.
    void start(std::unique_ptr<media::VoiceInput> input, double from_s);
    /// Stops both; the calls are then looked for in the background.
    void stop();
    [[nodiscard]] bool isRecording() const { return input_ != nullptr; }
    [[nodiscard]] bool isJudging() const { return judging_; }
    [[nodiscard]] double recorded_s() const;

    /// Looks for the calls of a kept take again, or for the first time after a crash.
    void judgeAgain(const stage::Take& take);

signals:
    void started();
    void levelChanged(double share);
    void judging(double share);
    void judged(const QString& take);
    void failed(const QString& why);

private:
    [[nodiscard]] bool runsSteadily();
    void begin();
    void takeSamples(const QByteArray& bytes);
    /// Stage time less recording time of every pair, sorted.
    [[nodiscard]] std::vector<double> offsets_s() const;
    [[nodiscard]] take::Clock fitClock() const;
    /// By how much the video lost time against the recording.
    [[nodiscard]] double stoodStill_s() const;
    void judge(stage::Take take, pace::Pace pace);

    struct Pair {
        double recorded_s;
        double stage_s;
    };

    Document& document_;
    Transport& transport_;
    std::unique_ptr<media::VoiceInput> input_;
    std::unique_ptr<media::SoundWriter> writer_;
    QTimer waiting_;
    stage::Take take_;
    std::vector<Pair> pairs_;
    std::vector<Pair> warm_up_; ///< wall clock and stage time while waiting
    QElapsedTimer since_start_;
    bool running_ = false;
    bool judging_ = false;
};

/// A name for a take made now, also its file name: "2030-03-09 19.02.47".
[[nodiscard]] QString takeNameNow();

} // namespace brumefall::app
