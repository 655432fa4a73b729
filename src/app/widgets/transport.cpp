#include "widgets/transport.h"

#include "media/sound_file.h"

#include <QFile>
#include <QFileInfo>

#include <algorithm>
#include <cmath>
#include <utility>

namespace brumefall::app {
namespace {

constexpr double kSilentGo_s = 30.0; // room for what is said before go
constexpr double kSilence_s = 45.0 * 60.0;

} // namespace

Transport::Transport(Document& document, QObject* parent)
    : QObject(parent)
    , document_(document)
{
    timer_.setInterval(33);
    connect(&timer_, &QTimer::timeout, this, &Transport::tick);
    connect(&player_, &media::Player::playingChanged, this, [this](bool playing) {
        playing ? timer_.start() : timer_.stop();
        beginSteering();
        emit playingChanged(playing);
        emit ticked(stageTime());
    });
    connect(&player_, &media::Player::positionChanged, this, [this] {
        if (!player_.isPlaying()) {
            emit ticked(stageTime());
        }
    });
    connect(&player_, &media::Player::failed, this, &Transport::failed);
    connect(&player_, &media::Player::ended, this, &Transport::ended);
    connect(&document_, &Document::passChanged, this, &Transport::openPass);
    connect(&document_, &Document::opened, this, [this] {
        if (held_) { // a take goes on, whatever is opened
            open_later_ = true;
            return;
        }
        player_.pause();
        setRate(1.0); // a new stage, a fresh clock
    });
    connect(&document_, &Document::planChanged, this, [this] {
        if (const auto* pass = document_.pass(); pass != nullptr && !held_) {
            player_.setTurn(pass->turned_deg);
        }
        if (silent_ && !held_ && player_.isOpen() == document_.prepared().plan.notes.empty()) {
            openSilence(); // there is something to read now, or nothing any more
        }
        if (!player_.isPlaying()) {
            emit ticked(stageTime()); // go may have moved
        }
    });
    connect(&document_, &Document::alongChanged, this, [this] {
        if (held_) {
            open_later_ = true;
            return;
        }
        player_.setRate(rate_);
        beginSteering();
        emit ticked(stageTime());
    });
}

void Transport::hold(bool held)
{
    held_ = held;
    if (!held && std::exchange(open_later_, false)) {
        setRate(1.0); // a fresh clock
        openPass();
    }
}

void Transport::openPass()
{
    if (held_) {
        open_later_ = true;
        return;
    }
    const pace::Pass* pass = document_.pass();
    const QString file = document_.mediaFile();
    has_guide_ = false;
    silent_ = pass == nullptr || pass->media.path.empty() || !QFileInfo(file).isFile();
    if (silent_) {
        if (const QString refused = document_.refusedMedia(); !refused.isEmpty()) {
            emit failed(tr(
                "The video of this pass lies outside the stage's folder, and nobody here has chosen it: %1. "
                "“Find its video again” (Places) opens it.")
                            .arg(refused));
        } else if (pass != nullptr && !pass->media.path.empty()) {
            player_.open(file); // says that it is not there
        }
        open_file_.clear();
        openSilence();
        emit ticked(stageTime());
        return;
    }
    open_file_ = file;
    player_.setTurn(pass->turned_deg);
    player_.open(file, pass->in_s);
}

void Transport::openSilence()
{
    if (document_.prepared().plan.notes.empty()) {
        player_.close();
        return;
    }
    const QString file = scratch_.filePath(QStringLiteral("silence.flac"));
    if (!QFileInfo::exists(file)) {
        constexpr int kLow_hz = 8000;
        try {
            media::SoundWriter writer(file.toStdString(), kLow_hz);
            writer.write(std::vector<std::int16_t>(static_cast<std::size_t>(kSilence_s * kLow_hz), 0));
            writer.close();
        } catch (const media::MediaError& error) {
            emit failed(QString::fromStdString(error.what()));
            return;
        }
    }
    player_.open(file, kSilentGo_s);
}

double Transport::go_s() const
{
    const pace::Pass* pass = document_.pass();
    return silent_ ? kSilentGo_s : pass == nullptr ? 0.0 : pass->go_s;
}

Transport::Laid Transport::laid() const
{
    return {go_s(), silent_ ? pace::Retiming() : document_.retiming()};
}

double Transport::stageTime() const
{
    const double from_go_s = player_.position_s() - go_s();
    return silent_ ? from_go_s : document_.retiming().toAlong(from_go_s);
}

double Transport::toMedia(double stage_s) const
{
    return (silent_ ? stage_s : document_.retiming().toVideo(stage_s)) + go_s();
}

void Transport::seekStage(double stage_s)
{
    stop_at_s_ = 1e18;
    player_.seek(toMedia(stage_s));
    since_steering_.invalidate();
}

void Transport::seekMedia(double media_s)
{
    stop_at_s_ = 1e18;
    player_.seek(media_s);
    since_steering_.invalidate();
}

void Transport::playPause()
{
    stop_at_s_ = 1e18;
    player_.isPlaying() ? player_.pause() : player_.play();
}

void Transport::setRate(double rate)
{
    rate_ = std::clamp(rate, media::Player::kSlowest, media::Player::kFastest);
    player_.setRate(rate_);
    beginSteering();
    emit rateChanged(rate_);
}

void Transport::playStretch(double from_s, double to_s)
{
    seekStage(from_s);
    stop_at_s_ = to_s;
    player_.play();
}

void Transport::setGuide(const media::Sound& sound, double stage_s)
{
    if (sound.samples.empty()) {
        player_.setGuide(QString());
        has_guide_ = false;
        return;
    }
    // the guide's file begins with the media, so that the player keeps the two together at any rate
    const auto shift = static_cast<long long>(toMedia(stage_s) * sound.rate_hz);
    std::vector<std::int16_t> samples;
    if (shift >= 0) {
        samples.assign(static_cast<std::size_t>(shift), 0);
        samples.insert(samples.end(), sound.samples.begin(), sound.samples.end());
    } else {
        const auto cut = static_cast<std::ptrdiff_t>(std::min<long long>(-shift, std::ssize(sound.samples)));
        samples.assign(sound.samples.begin() + cut, sound.samples.end());
    }
    const QString file = scratch_.filePath(QStringLiteral("guide%1.wav").arg(++guide_count_));
    try {
        media::SoundWriter writer(file.toStdString(), sound.rate_hz);
        writer.write(samples);
        writer.close();
    } catch (const media::MediaError& error) {
        emit failed(QString::fromStdString(error.what()));
        return;
    }
    player_.setGuide(file);
    has_guide_ = true;
    if (const QString before = std::exchange(guide_file_, file); !before.isEmpty()) {
        QFile::remove(before); // the player has let go of it, or holds it open
    }
}

void Transport::tick()
{
    const double now_s = stageTime();
    if (now_s >= stop_at_s_) {
        stop_at_s_ = 1e18;
        player_.pause();
    }
    if (document_.retiming().changes() && !silent_) {
        steer(now_s);
    }
    emit ticked(now_s);
}

void Transport::beginSteering()
{
    since_steering_.invalidate();
}

/// The rate that the two paces ask for, and a little more or less to stay with the wall clock. Where the
/// player cannot follow, the clock waits for the picture.
void Transport::steer(double now_s)
{
    constexpr double kPull_per_s = 1.2;
    constexpr double kLost_s = 0.7;
    constexpr double kAhead_s = 0.15; // a new rate is heard a little later
    if (player_.isSeeking() || !player_.isRunning()) {
        since_steering_.invalidate();
        return;
    }
    if (!since_steering_.isValid()) {
        since_steering_.start();
        steered_from_s_ = now_s;
    }
    double error_s = steered_from_s_ + rate_ * 0.001 * static_cast<double>(since_steering_.elapsed()) - now_s;
    const double needed = rate_ * document_.retiming().rateAt(now_s + kAhead_s * rate_);
    const bool beyond = needed < media::Player::kSlowest || needed > media::Player::kFastest;
    if (beyond || std::abs(error_s) > kLost_s) {
        since_steering_.start();
        steered_from_s_ = now_s;
        error_s = 0.0;
    }
    if (beyond != behind_) {
        behind_ = beyond;
        emit outOfRange(beyond);
    }
    const double wished = needed * std::clamp(1.0 + kPull_per_s * error_s, 0.7, 1.4);
    const double bounded = std::clamp(wished, media::Player::kSlowest, media::Player::kFastest);
    if (std::abs(bounded / player_.rate() - 1.0) > 0.015) {
        player_.setRate(bounded);
    }
}

} // namespace brumefall::app
