/// One clock for everything that plays: the video of the current pass, in stage time; where there is no
/// video, a silence as long as the stage, so that one can read along the plan all the same.
#pragma once

#include "document/document.h"
#include "media/player.h"
#include "media/sound.h"
#include "widgets/scratch.h"

#include <QElapsedTimer>
#include <QObject>
#include <QTemporaryDir>
#include <QTimer>

namespace brumefall::app {

class Transport : public QObject {
    Q_OBJECT

public:
    explicit Transport(Document& document, QObject* parent = nullptr);

    [[nodiscard]] media::Player& player() { return player_; }

    /// Seconds from go; negative before.
    [[nodiscard]] double stageTime() const;
    [[nodiscard]] double toMedia(double stage_s) const;
    void seekStage(double stage_s);
    void seekMedia(double media_s);
    /// Stage seconds in a second of the wall clock, as wished; the player's own rate differs while a pass is
    /// played along another pace.
    [[nodiscard]] double rate() const { return rate_; }
    void playPause();
    void setRate(double rate);

    /// There is no video to play; the clock runs along the plan.
    [[nodiscard]] bool isSilent() const { return silent_; }

    /// Plays `sound` along with the video: its sample 0 at `stage_s`. An empty sound takes the guide away.
    void setGuide(const media::Sound& sound, double stage_s);
    [[nodiscard]] bool hasGuide() const { return has_guide_; }

    /// What plays goes on as it is, whatever is chosen meanwhile, until it is let go again: a take.
    void hold(bool held);
    /// How what plays now is laid to the stage's clock, as a value.
    struct Laid {
        double go_s = 0.0;
        pace::Retiming retiming;
        [[nodiscard]] double stageTime(double media_s) const { return retiming.toAlong(media_s - go_s); }
    };
    [[nodiscard]] Laid laid() const;

    /// Plays from `from_s` and pauses at `to_s`, in stage time.
    void playStretch(double from_s, double to_s);

signals:
    void ticked(double stage_s); ///< while playing about 30 times a second, and after every seek
    void playingChanged(bool playing);
    void rateChanged(double rate);
    void ended(); ///< the media is over
    void failed(const QString& why);
    /// The picture cannot be played as fast or as slowly as the chosen pace asks here, or can again.
    void outOfRange(bool beyond);

private:
    void openPass();
    void openSilence();
    [[nodiscard]] double go_s() const; ///< in the media that plays
    void tick();
    void steer(double now_s);
    void beginSteering();

    Document& document_;
    media::Player player_;
    QTimer timer_;
    QTemporaryDir scratch_{scratchTemplate()};
    int guide_count_ = 0;
    QString guide_file_; ///< the one of them that is there
    bool has_guide_ = false;
    QString open_file_;
    bool silent_ = false;
    double stop_at_s_ = 1e18;
    double rate_ = 1.0;
    QElapsedTimer since_steering_; ///< wall clock that the retimed picture is held to
    double steered_from_s_ = 0.0;
    bool behind_ = false;
    bool held_ = false;
    bool open_later_ = false; ///< another pass was chosen while held
};

} // namespace brumefall::app
