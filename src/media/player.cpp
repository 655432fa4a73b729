#include "media/player.h"

#include "media/gl_picture.h"
#include "media/sound.h"
#include "media/trusted_input.h"
#include "media/video_picture.h"

#include <QFileInfo>
#include <QMetaObject>

#include <mpv/client.h>

#include <algorithm>
#include <atomic>
#include <chrono>
#include <clocale>
#include <cmath>
#include <mutex>
#include <optional>
#include <string>
#include <thread>
#include <utility>

namespace brumefall::media {
namespace {

using Clock = std::chrono::steady_clock;

enum Property : std::uint64_t { kTime = 1, kPause, kDuration, kEof, kSpeed, kSound };

} // namespace

struct Player::State {
    mpv_handle* mpv = nullptr;
    std::unique_ptr<VideoPicture> picture;
    std::thread events;
    bool turned = false; ///< a filter turns the picture
    int file_deg = 0; ///< as the file asks, where the player cannot do it itself
    int hand_deg = 0; ///< as the user asks
    std::atomic<bool> leaving = false;

    // below: shared with the event thread
    mutable std::mutex mutex;
    bool open = false;
    bool playing = false;
    bool seeking = false;
    bool awaits_restart = false; ///< a seek is with libmpv, its picture not yet shown
    std::optional<double> pending_s; ///< the newest wish made meanwhile
    Clock::time_point sent_at = Clock::now();
    double rate = 1.0;
    double duration_s = 0.0;
    double position_s = 0.0;
    double aspect = 0.0;
    bool has_sound = false;
    int reports = 0; ///< of the time, since play or seek
    Clock::time_point seek_at = Clock::now();
    Clock::time_point position_at = Clock::now();

    /// Call with the mutex held.
    [[nodiscard]] double positionNow() const
    {
        if (!playing || seeking) {
            return position_s;
        }
        const std::chrono::duration<double> since = Clock::now() - position_at;
        return position_s + rate * std::min(since.count(), 0.25);
    }

    void setPosition(double at_s)
    {
        position_s = at_s;
        position_at = Clock::now();
    }

    // the window's own
    QString file;
    bool has_guide = false;
    std::int64_t guide_track = 0;
};

Player::Player(QObject* parent)
    : QObject(parent)
    , state_(std::make_unique<State>())
{
    std::setlocale(LC_NUMERIC, "C"); // libmpv asks for it
    state_->mpv = mpv_create();
    if (state_->mpv == nullptr) {
        return;
    }
    mpv_handle* mpv = state_->mpv;
    for (const auto& [name, value] :
        std::initializer_list<std::pair<const char*, const char*>>{{"vo", "libmpv"}, {"config", "no"},
            {"terminal", "no"}, {"input-default-bindings", "no"}, {"osc", "no"}, {"osd-level", "0"},
            {"keep-open", "yes"}, {"pause", "yes"}, {"hr-seek", "yes"}, {"gpu-hwdec-interop", "no"},
            {"audio-pitch-correction", "yes"}, {"audio-fallback-to-null", "yes"}, {"hwdec", "no"},
            {"idle", "yes"}, {"ytdl", "no"}, {"load-scripts", "no"}, {"load-osd-console", "no"},
            {"load-stats-overlay", "no"}, {"load-auto-profiles", "no"}, {"audio-buffer", "0.4"},
            {"sub-auto", "no"}, {"audio-file-auto", "no"}, {"video-timing-offset", "0"},
            // files only, and no file that leads to another one
            {"access-references", "no"}, {"demuxer", "lavf"}, {"ordered-chapters", "no"}}) {
        mpv_set_option_string(mpv, name, value);
    }
    const auto lavf = QStringLiteral("protocol_whitelist=%1,format_whitelist=[%2]")
                          .arg(QString::fromLatin1(kProtocols), QString::fromLatin1(kContainers))
                          .toLatin1();
    mpv_set_option_string(mpv, "demuxer-lavf-o", lavf.constData());
    if (qEnvironmentVariableIsSet("BRUMEFALL_SILENT")) {
        mpv_set_option_string(mpv, "ao", "null");
    }
    mpv_initialize(mpv);
    mpv_observe_property(mpv, kTime, "time-pos", MPV_FORMAT_DOUBLE);
    mpv_observe_property(mpv, kPause, "pause", MPV_FORMAT_FLAG);
    mpv_observe_property(mpv, kDuration, "duration", MPV_FORMAT_DOUBLE);
    mpv_observe_property(mpv, kEof, "eof-reached", MPV_FORMAT_FLAG);
    mpv_observe_property(mpv, kSound, "audio-params/samplerate", MPV_FORMAT_INT64);
    mpv_observe_property(mpv, kSpeed, "speed", MPV_FORMAT_DOUBLE);
    state_->picture = std::make_unique<VideoPicture>(mpv);
    connect(state_->picture.get(), &VideoPicture::changed, this, &Player::pictureChanged);
    state_->events = std::thread([this] { handleEvents(); });
}

Player::~Player()
{
    state_->leaving = true;
    if (state_->events.joinable()) {
        mpv_wakeup(state_->mpv);
        state_->events.join();
    }
    state_->picture.reset();
    if (state_->mpv != nullptr) {
        mpv_terminate_destroy(state_->mpv);
    }
}

void Player::command(const char* const* words)
{
    if (state_->mpv != nullptr) {
        mpv_command_async(state_->mpv, 0, const_cast<const char**>(words));
    }
}

void Player::open(const QString& file, double at_s)
{
    state_->file = file;
    {
        const std::lock_guard lock(state_->mutex);
        state_->open = false;
        state_->seeking = false;
        state_->pending_s.reset();
        state_->awaits_restart = false;
        state_->aspect = 0.0;
        state_->duration_s = 0.0;
        state_->setPosition(at_s);
    }
    pause();
    if (const std::string why = refusal(file.toStdString()); !why.empty()) {
        close();
        emit failed(QFileInfo::exists(file) ? tr("%1: %2").arg(file, QString::fromStdString(why))
                                            : tr("The video is not there: %1").arg(file));
        return;
    }
    if (state_->has_guide) {
        mpv_set_property_string(state_->mpv, "lavfi-complex", "");
        state_->has_guide = false;
    }
    if (!drawsWithGl()) {
        turnPicture(file);
    }
    const std::string start = std::to_string(at_s);
    mpv_set_property_string(state_->mpv, "start", start.c_str());
    const std::string name = file.toStdString();
    const char* words[]{"loadfile", name.c_str(), nullptr};
    command(words);
}

void Player::close()
{
    const char* words[]{"stop", nullptr};
    command(words);
    {
        const std::lock_guard lock(state_->mutex);
        state_->open = false;
        state_->position_s = 0.0;
    }
    emit pictureChanged(); // there is none any more
}

void Player::play()
{
    int paused = 0;
    if (state_->mpv != nullptr) {
        mpv_set_property_async(state_->mpv, 0, "pause", MPV_FORMAT_FLAG, &paused);
    }
}

void Player::pause()
{
    int paused = 1;
    if (state_->mpv != nullptr) {
        mpv_set_property_async(state_->mpv, 0, "pause", MPV_FORMAT_FLAG, &paused);
    }
}

void Player::setRate(double rate)
{
    double bounded = std::clamp(rate, kSlowest, kFastest);
    {
        const std::lock_guard lock(state_->mutex);
        state_->setPosition(state_->positionNow());
        state_->rate = bounded;
    }
    if (state_->mpv != nullptr) {
        mpv_set_property_async(state_->mpv, 0, "speed", MPV_FORMAT_DOUBLE, &bounded);
    }
}

void Player::seek(double media_s)
{
    constexpr std::chrono::milliseconds kPatience(500);
    const double target_s = std::max(0.0, media_s);
    bool waits = false;
    {
        const std::lock_guard lock(state_->mutex);
        // while a hand drags, each picture is shown before the next is sought: the last wish counts
        waits = state_->awaits_restart && Clock::now() - state_->sent_at < kPatience;
        state_->pending_s = waits ? std::optional(target_s) : std::nullopt;
        state_->seeking = true;
        state_->seek_at = Clock::now();
        state_->reports = 0;
        state_->setPosition(target_s);
    }
    if (!waits) {
        sendSeek(target_s);
    }
    emit positionChanged(target_s);
}

void Player::sendSeek(double media_s)
{
    {
        const std::lock_guard lock(state_->mutex);
        state_->awaits_restart = true;
        state_->sent_at = Clock::now();
    }
    const std::string time = std::to_string(media_s);
    const char* words[]{"seek", time.c_str(), "absolute+exact", nullptr};
    command(words);
}

void Player::sendPending()
{
    std::optional<double> target_s;
    {
        const std::lock_guard lock(state_->mutex);
        target_s = std::exchange(state_->pending_s, std::nullopt);
    }
    if (target_s) {
        sendSeek(*target_s);
    }
}

void Player::stepFrame(int direction)
{
    const char* words[]{direction > 0 ? "frame-step" : "frame-back-step", nullptr};
    command(words);
}

void Player::setVolume(double share)
{
    double percent = 100.0 * std::clamp(share, 0.0, 1.0);
    if (state_->mpv != nullptr) {
        mpv_set_property_async(state_->mpv, 0, "volume", MPV_FORMAT_DOUBLE, &percent);
    }
}

void Player::setGuide(const QString& file)
{
    if (state_->mpv == nullptr) {
        return;
    }
    mpv_set_property_string(state_->mpv, "lavfi-complex", "");
    const char* remove[]{"audio-remove", nullptr, nullptr};
    if (state_->has_guide) {
        const std::string id = std::to_string(state_->guide_track);
        remove[1] = id.c_str();
        mpv_command(state_->mpv, const_cast<const char**>(remove));
        state_->has_guide = false;
    }
    if (file.isEmpty()) {
        mpv_set_property_string(state_->mpv, "aid", "auto");
        return;
    }
    const std::string name = file.toStdString();
    const char* add[]{"audio-add", name.c_str(), "select", nullptr};
    if (mpv_command(state_->mpv, const_cast<const char**>(add)) < 0) {
        emit failed(tr("The guide voice could not be added."));
        return;
    }
    std::int64_t id = 0;
    mpv_get_property(state_->mpv, "aid", MPV_FORMAT_INT64, &id);
    state_->guide_track = id;
    state_->has_guide = true;
    if (id > 1) { // the video has a sound of its own: under the voice, not instead of it
        mpv_set_property_string(state_->mpv, "lavfi-complex", guideGraph(static_cast<int>(id)).c_str());
    }
}

std::string guideGraph(int track)
{
    return "[aid" + std::to_string(track)
        + "]apad,asplit[voice][key];"
          "[aid1][key]sidechaincompress=threshold=0.01:ratio=12:attack=10:release=400[video];"
          "[video][voice]amix=inputs=2:duration=first:normalize=0[ao]";
}

bool Player::isPlaying() const
{
    const std::lock_guard lock(state_->mutex);
    return state_->playing;
}

bool Player::isRunning() const
{
    constexpr int kFrames = 5;
    const std::lock_guard lock(state_->mutex);
    return state_->playing && !state_->seeking && state_->reports >= kFrames;
}

bool Player::isOpen() const
{
    const std::lock_guard lock(state_->mutex);
    return state_->open;
}

bool Player::hasSound() const
{
    const std::lock_guard lock(state_->mutex);
    return state_->has_sound;
}

bool Player::isSeeking() const
{
    const std::lock_guard lock(state_->mutex);
    return state_->seeking;
}

double Player::rate() const
{
    const std::lock_guard lock(state_->mutex);
    return state_->rate;
}

double Player::duration_s() const
{
    const std::lock_guard lock(state_->mutex);
    return state_->duration_s;
}

double Player::position_s() const
{
    const std::lock_guard lock(state_->mutex);
    return state_->positionNow();
}

double Player::aspect() const
{
    const std::lock_guard lock(state_->mutex);
    return state_->aspect;
}

/// libmpv's software pictures cannot be turned, and it gives up the whole program over one that asks to be: a
/// phone's upright video is turned by a filter here instead.
void Player::turnPicture(const QString& file)
{
    state_->file_deg = 0;
    try {
        state_->file_deg = inspect(file.toStdString()).turned_deg;
    } catch (const MediaError&) {
        state_->file_deg = 0; // opening it tells what is wrong
    }
    applyTurn();
}

void Player::setTurn(int clockwise_deg)
{
    if (clockwise_deg != state_->hand_deg) {
        state_->hand_deg = clockwise_deg;
        applyTurn();
    }
}

void Player::applyTurn()
{
    const int turned_deg = (state_->file_deg + state_->hand_deg) % 360;
    if (state_->mpv == nullptr || (turned_deg == 0 && !state_->turned)) {
        return;
    }
    state_->turned = turned_deg != 0;
    const char* filter = turned_deg == 90 ? "lavfi=[transpose=clock]"
        : turned_deg == 180               ? "lavfi=[hflip,vflip]"
        : turned_deg == 270               ? "lavfi=[transpose=cclock]"
                                          : "";
    if (!drawsWithGl()) {
        mpv_set_property_string(state_->mpv, "video-rotate", state_->turned ? "no" : "0");
    }
    mpv_set_property_string(state_->mpv, "vf", filter);
}

QImage Player::picture(const QSize& size)
{
    return state_->picture ? state_->picture->image(isOpen() ? size : QSize()) : QImage();
}

bool Player::mayDrawWithGl()
{
    return GlPicture::mayBe();
}

bool Player::drawsWithGl() const
{
    return state_->picture && state_->picture->drawsWithGl();
}

unsigned int Player::texture(const QSize& size)
{
    return state_->picture ? state_->picture->texture(isOpen() ? size : QSize()) : 0;
}

/// A restart or a time can still be of what was played before the seek: the seek is over when the
/// player stands where it was sent, or plays on after a while because it cannot stand there.
/// Call with the mutex held.
bool Player::settleSeek(double now_s)
{
    constexpr double kNear_s = 0.4;
    constexpr std::chrono::seconds kPatience(2);
    const bool arrived = std::abs(now_s - state_->position_s) < kNear_s;
    if (!arrived && Clock::now() - state_->seek_at <= kPatience) {
        return false;
    }
    state_->seeking = false;
    state_->setPosition(now_s);
    return true;
}

template <typename Signal, typename... Values> void Player::tell(Signal signal, Values... values)
{
    QMetaObject::invokeMethod(
        this, [this, signal, values...] { (this->*signal)(values...); }, Qt::QueuedConnection);
}

/// Runs in a thread of its own, so that the time of every report is its own and not the window's.
void Player::handleEvents()
{
    while (!state_->leaving) {
        const mpv_event* event = mpv_wait_event(state_->mpv, -1.0);
        switch (event->event_id) {
        case MPV_EVENT_SHUTDOWN: return;
        case MPV_EVENT_END_FILE: {
            const auto* end = static_cast<const mpv_event_end_file*>(event->data);
            if (end->reason == MPV_END_FILE_REASON_ERROR) {
                const std::lock_guard lock(state_->mutex);
                state_->open = false;
                tell(&Player::openFailed, QString::fromUtf8(mpv_error_string(end->error)));
            }
            break;
        }
        case MPV_EVENT_FILE_LOADED: {
            const std::lock_guard lock(state_->mutex);
            state_->open = true;
            break;
        }
        case MPV_EVENT_PLAYBACK_RESTART: {
            double aspect = 0.0;
            double now_s = 0.0;
            mpv_get_property(state_->mpv, "video-out-params/aspect", MPV_FORMAT_DOUBLE, &aspect);
            const bool known = mpv_get_property(state_->mpv, "time-pos", MPV_FORMAT_DOUBLE, &now_s) >= 0;
            const std::lock_guard lock(state_->mutex);
            state_->aspect = aspect;
            state_->awaits_restart = false;
            if (state_->pending_s) {
                tell(&Player::sendPending);
            } else if (known && state_->seeking && settleSeek(now_s)) {
                tell(&Player::positionChanged, now_s);
            }
            state_->picture->announce();
            break;
        }
        case MPV_EVENT_PROPERTY_CHANGE:
            handleProperty(event->reply_userdata, static_cast<const mpv_event_property*>(event->data)->data);
            break;
        default: break;
        }
    }
}

void Player::openFailed(const QString& why)
{
    emit failed(tr("%1 cannot be played: %2").arg(QFileInfo(state_->file).fileName(), why));
}

void Player::handleProperty(std::uint64_t property, const void* value)
{
    const std::lock_guard lock(state_->mutex);
    if (property == kSound) {
        state_->has_sound = value != nullptr;
    }
    if (value == nullptr) {
        return;
    }
    switch (property) {
    case kTime: {
        const double now_s = *static_cast<const double*>(value);
        if (state_->seeking && (state_->pending_s || !settleSeek(now_s))) {
            break;
        }
        state_->setPosition(now_s);
        state_->reports += state_->playing ? 1 : 0;
        tell(&Player::positionChanged, now_s);
        break;
    }
    case kPause:
        state_->setPosition(state_->positionNow());
        state_->playing = *static_cast<const int*>(value) == 0;
        state_->reports = 0;
        tell(&Player::playingChanged, state_->playing);
        break;
    case kDuration:
        state_->duration_s = *static_cast<const double*>(value);
        tell(&Player::opened, state_->duration_s);
        break;
    case kEof:
        if (*static_cast<const int*>(value) != 0) {
            QMetaObject::invokeMethod(this, &Player::pause, Qt::QueuedConnection);
            tell(&Player::ended);
        }
        break;
    default: break;
    }
}

} // namespace brumefall::media
