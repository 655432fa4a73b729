/// By how much a microphone hears late: ticks are played as the video's sound is, and found in what was
/// recorded. Kept for each device and taken off the clock of its takes.
#pragma once

#include "media/input.h"
#include "media/player.h"
#include "widgets/background.h"
#include "widgets/scratch.h"

#include <QObject>
#include <QTemporaryDir>
#include <QTimer>

#include <memory>
#include <optional>
#include <vector>

namespace brumefall::app {

/// What was measured for the device called `name`; 0 where nothing was.
[[nodiscard]] double latencyOf_s(const QString& name);
[[nodiscard]] bool hasLatency(const QString& name);

class LatencyCheck : public QObject {
    Q_OBJECT

public:
    explicit LatencyCheck(QObject* parent = nullptr);
    ~LatencyCheck() override;

    /// Some seconds of ticks, heard by the microphone called `name`.
    void start(const QString& name);
    [[nodiscard]] bool isRunning() const { return input_ != nullptr; }

signals:
    void done(const QString& words);

private:
    void finish();
    void end(const QString& words);

    /// Where the player was when so much had been recorded.
    struct Pair {
        double recorded_s;
        double played_s;
    };

    QTemporaryDir scratch_{scratchTemplate()};
    QString name_;
    std::unique_ptr<media::Player> player_;
    std::unique_ptr<media::VoiceInput> input_;
    std::vector<std::int16_t> samples_;
    std::vector<Pair> pairs_;
    QTimer patience_;
};

} // namespace brumefall::app
