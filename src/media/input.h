/// Where a take's voice comes from: a microphone, or the simulated reader in its place.
#pragma once

#include "media/simulated_reader.h"

#include <QByteArray>
#include <QObject>
#include <QString>
#include <QStringList>

#include <functional>
#include <memory>

namespace brumefall::media {

/// Sample rate of every recording.
inline constexpr int kRecordingRate_hz = 16000;

/// A source of one channel of 16-bit sound at kRecordingRate_hz, in real time once started.
class VoiceInput : public QObject {
    Q_OBJECT

public:
    using QObject::QObject;

    virtual void start() = 0;
    virtual void stop() = 0;
    [[nodiscard]] virtual QString name() const = 0;

signals:
    void samplesReady(const QByteArray& samples); ///< native 16-bit samples
    void failed(const QString& why);
};

/// The loudest of `samples` (native 16-bit), as a share of full scale.
[[nodiscard]] double loudest(const QByteArray& samples);

/// Names of the microphones there are; may be empty.
[[nodiscard]] QStringList microphoneNames();

/// Tells when a microphone is plugged in or out.
class MicrophoneWatch : public QObject {
    Q_OBJECT

public:
    explicit MicrophoneWatch(QObject* parent = nullptr);

signals:
    void changed();
};

/// The microphone called `name`, or the desktop's own where it is empty.
[[nodiscard]] std::unique_ptr<VoiceInput> makeMicrophone(const QString& name);

/// Delivers a prepared reading in real time. `now_s` tells the stage time, so that the reader hears the
/// same clock as the page; without it the reading begins at once. Before and after it there is a quiet room.
[[nodiscard]] std::unique_ptr<VoiceInput> makeSimulatedReader(
    Reading reading, std::function<double()> now_s = {});

} // namespace brumefall::media
