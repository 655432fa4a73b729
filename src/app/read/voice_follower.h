/// Follows the voice of a take while it is made, in a thread of its own: sound is taken at once and heard
/// when there is time, so that nothing waits for it and nothing is dropped.
#pragma once

#include "media/echo.h"
#include "media/follower.h"
#include "plan/plan.h"

#include <QByteArray>
#include <QObject>
#include <QThread>

#include <atomic>
#include <functional>
#include <memory>

namespace brumefall::app {

class VoiceFollower : public QObject {
    Q_OBJECT

public:
    explicit VoiceFollower(QObject* parent = nullptr);
    ~VoiceFollower() override;

    /// `due_s` is when the first sound comes, from go.
    void start(const plan::Plan& plan, double due_s);
    /// 16-bit samples at media::kRecordingRate_hz.
    void hear(const QByteArray& bytes);
    /// For this recording, to be called from any thread: what the filter knows is taken out of what comes
    /// then.
    [[nodiscard]] std::function<void(std::shared_ptr<media::WithoutPlayed>)> takesOut() const;
    void stop();

signals:
    /// A note of the plan that `start` was given, and when its last syllable ended, in seconds of the
    /// recording.
    void told(int note, double end_s);

private:
    /// Lives in the thread.
    struct Ear {
        std::unique_ptr<media::Follower> follower;
        std::size_t told = 0;
        std::size_t heard = 0; ///< samples
        std::shared_ptr<media::WithoutPlayed> without; ///< the sound of a loudspeaker
        std::atomic<bool> over = false; ///< what is still queued is not heard
    };

    QThread thread_;
    QObject* there_; ///< what is done there is sent to
    std::shared_ptr<Ear> ear_;
};

} // namespace brumefall::app
