/// Records a take: the voice to a file that grows as it is spoken, on one clock with the video; then
/// finds the calls in it and judges them.
#pragma once

#include "document/document.h"
#include "media/input.h"
#include "media/sound_file.h"
#include "read/live_search.h"
#include "read/take_judge.h"
#include "read/voice_follower.h"
#include "widgets/background.h"
#include "widgets/transport.h"

#include <QElapsedTimer>
#include <QObject>
#include <QTimer>

#include <memory>
#include <optional>

namespace brumefall::app {

class TakeRecorder : public QObject {
    Q_OBJECT

public:
    TakeRecorder(Document& document, Transport& transport, QObject* parent = nullptr);
    ~TakeRecorder() override;

    /// What a take is asked for.
    struct Wish {
        double from_s = 0.0; ///< from go
        double to_s = 1e18; ///< it stops by itself there
        double rate = 1.0; ///< of the pace
        std::string way; ///< of practising; take::toString(Way)
        std::string first; ///< notes that it is about; all of them where empty
        std::string last;
    };
    /// Plays from `wish.from_s` and records from `input` as soon as the video runs steadily, about a second
    /// later.
    void start(std::unique_ptr<media::VoiceInput> input, const Wish& wish);
    /// Stops both; what is left of the calls is then looked for in the background.
    void stop();
    /// Stops both and throws the take away, into the desktop's trash.
    void discard();
    /// It stops by itself there, in stage time, from now on.
    void stopAt(double stage_s) { wish_.to_s = stage_s; }
    /// Voice and video alike stand still, and go on together a little before where they stopped.
    void pause();
    void resume();
    [[nodiscard]] bool isPaused() const { return paused_; }
    [[nodiscard]] bool isRecording() const { return input_ != nullptr; }
    /// A take is being judged, or this one.
    [[nodiscard]] bool isJudging() const { return judge_.isJudging(); }
    [[nodiscard]] bool isJudging(const std::string& take) const { return judge_.isJudging(take); }
    /// The take that was recorded last.
    [[nodiscard]] const std::string& lastTake() const { return recording_.take.name; }
    [[nodiscard]] double recorded_s() const;

    /// Looks for the calls of a kept take again, or for the first time after a crash.
    void judgeAgain(const stage::Take& take) { judge_.judgeAgain(take); }
    /// The same for every take of the open stage that was recorded and never judged.
    void judgeWhatWasLeft() { judge_.judgeWhatWasLeft(); }

signals:
    void started();
    void pausedChanged(bool paused);
    void discarded();
    void levelChanged(double share);
    /// A note was heard while the take goes on; its last syllable ended at `end_s` from go.
    void noteHeard(const QString& id, double end_s);
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
    /// The same, less by how much the device hears late.
    [[nodiscard]] take::Clock heardClock() const;
    void keepClock();
    /// The take that was just recorded, as if it had never been begun.
    void throwAway();
    /// By how much the video lost time against the recording.
    [[nodiscard]] double stoodStill_s() const;
    void decodeVideo();
    void endRecording();
    /// Sound that the device lost is silence in the recording, so that what follows keeps its time.
    void mendGap();
    /// Whether the device still gives sound.
    void watchDevice();
    void write(std::span<const std::int16_t> samples);
    /// The first sound after a pause goes where the clock has it.
    [[nodiscard]] std::span<const std::int16_t> fitted(std::span<const std::int16_t> samples);
    [[nodiscard]] double stageTime() const;

    struct Pair {
        double recorded_s;
        double stage_s;
        double wall_s;
    };

    Document& document_;
    Transport& transport_;
    std::unique_ptr<media::VoiceInput> input_;
    std::unique_ptr<media::SoundWriter> writer_;
    QTimer waiting_;
    TakeJudge::Work recording_;
    VoiceFollower follower_;
    Transport::Laid laid_; ///< of the video, since the take began
    std::vector<Pair> pairs_;
    std::vector<Pair> warm_up_; ///< while waiting; nothing is recorded yet
    QElapsedTimer since_start_;
    QTimer watch_;
    int silent_ticks_ = 0; ///< of the watch, since the last sound
    QElapsedTimer wall_;
    std::size_t unbroken_from_ = 0; ///< pairs since the take began, or went on after a pause
    double lost_s_ = 0.0; ///< by the device
    double clock_kept_s_ = 0.0; ///< recorded when the clock was last written
    bool running_ = false;
    bool input_failed_ = false; ///< and said why
    Wish wish_;
    double latency_s_ = 0.0; ///< by how much the device hears late
    bool paused_ = false;
    bool resuming_ = false;
    double paused_at_s_ = 0.0; ///< stage time
    std::shared_ptr<LiveSearch> heard_; ///< what was found of the take so far
    std::shared_ptr<const media::Sound> played_; ///< the sound of its video, once it is decoded
    Job decoding_;
    TakeJudge judge_;
};

/// A name for a take made now, also its file name: "2030-03-09 19.02.47".
[[nodiscard]] QString takeNameNow();

} // namespace brumefall::app
