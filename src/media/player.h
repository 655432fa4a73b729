/// Plays a video and its sound: libmpv behind commands and observed properties.
///
/// libmpv's own threads do the playing; this object lives in the window's thread and sends it commands.
/// Its reports are taken in a thread of their own, with the time of their arrival, so that the clock
/// stays true while the window is busy; signals come in the window's thread.
#pragma once

#include <QImage>
#include <QObject>
#include <QSize>
#include <QString>

#include <cstdint>
#include <memory>
#include <string>

struct mpv_handle;

namespace brumefall::media {

/// FFmpeg's filters that mix the sound of audio track `track` into that of track 1, which grows quiet while
/// the former is heard: side-chain compression (Giannoulis, Massberg & Reiss, JAES 60 (2012), 399-408).
[[nodiscard]] std::string guideGraph(int track);

class Player : public QObject {
    Q_OBJECT

public:
    /// The rates that the player shows smoothly.
    static constexpr double kSlowest = 0.25;
    static constexpr double kFastest = 3.0;

    explicit Player(QObject* parent = nullptr);
    ~Player() override;

    /// Opens `file` paused at `at_s`; a failure comes back through `failed`.
    void open(const QString& file, double at_s = 0.0);
    void close();

    void play();
    void pause();
    void setRate(double rate); ///< 0.25 to 3, pitch kept
    void seek(double media_s); ///< exact
    void stepFrame(int direction); ///< +1 or -1
    void setVolume(double share); ///< 0 to 1
    /// Turns the picture by hand, over what the file asks: 0, 90, 180 or 270 degrees.
    void setTurn(int clockwise_deg);

    /// Mixes the sound file `file` with the video's own, which is ducked under it; both stay together at
    /// any rate. An empty name takes it away.
    void setGuide(const QString& file);

    [[nodiscard]] bool isPlaying() const;
    /// Playing, and the picture has moved on for a few frames since the last start or seek: from here on
    /// `position_s` is true to a few milliseconds.
    [[nodiscard]] bool isRunning() const;
    [[nodiscard]] bool isOpen() const;
    [[nodiscard]] bool isSeeking() const;
    [[nodiscard]] double rate() const;
    [[nodiscard]] double duration_s() const;
    /// Time in the media now, in seconds; between the player's own reports it is carried on by the clock.
    [[nodiscard]] double position_s() const;

    /// Width over height of the picture as it is meant to be seen; 0 where there is none.
    [[nodiscard]] double aspect() const;

    /// The current picture, fitted into `size`; null where there is none.
    [[nodiscard]] QImage picture(const QSize& size);
    /// Whether the machine has a device that could draw with OpenGL: asked before the application begins to
    /// share contexts, since loading an OpenGL that is drawn in software takes a tenth of a second.
    [[nodiscard]] static bool mayDrawWithGl();
    /// Whether `texture` gives the picture too, for a widget that draws with OpenGL.
    [[nodiscard]] bool drawsWithGl() const;
    /// The current picture as an OpenGL texture of `size` pixels, in the contexts shared by the application;
    /// 0 where there is none.
    [[nodiscard]] unsigned int texture(const QSize& size);
    [[nodiscard]] bool hasSound() const; ///< of the open file

signals:
    void pictureChanged();
    void positionChanged(double media_s);
    void playingChanged(bool playing);
    void opened(double duration_s);
    void ended();
    void failed(const QString& why);

private:
    struct State;
    void handleEvents();
    void handleProperty(std::uint64_t property, const void* value);
    bool settleSeek(double now_s);
    void openFailed(const QString& why);
    void turnPicture(const QString& file);
    void applyTurn();
    void sendSeek(double media_s);
    void sendPending();
    template <typename Signal, typename... Values> void tell(Signal signal, Values... values);
    void command(const char* const* words);

    std::unique_ptr<State> state_;
};

} // namespace brumefall::media
