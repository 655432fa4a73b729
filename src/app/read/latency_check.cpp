#include "read/latency_check.h"

#include "maths/quantile.h"
#include "media/sound_file.h"
#include "media/ticks.h"

#include <QSettings>

#include <algorithm>

namespace brumefall::app {
namespace {

QString keyOf(QString name)
{
    return QStringLiteral("latency/") + name.replace(QLatin1Char('/'), QLatin1Char('_'));
}

} // namespace

double latencyOf_s(const QString& name)
{
    return QSettings().value(keyOf(name), 0.0).toDouble();
}

bool hasLatency(const QString& name)
{
    return QSettings().contains(keyOf(name));
}

LatencyCheck::LatencyCheck(QObject* parent)
    : QObject(parent)
{
    patience_.setSingleShot(true);
    constexpr int kPatience_ms = 15000;
    patience_.setInterval(kPatience_ms);
    connect(&patience_, &QTimer::timeout, this,
        [this] { end(tr("The ticks could not be played in time. Try again.")); });
}

LatencyCheck::~LatencyCheck()
{
    if (input_) {
        input_->stop();
    }
}

void LatencyCheck::start(const QString& name)
{
    if (isRunning()) {
        return;
    }
    name_ = name;
    samples_.clear();
    pairs_.clear();
    const QString file = scratch_.filePath(QStringLiteral("ticks.wav"));
    try {
        const auto ticks = media::tickSound();
        media::SoundWriter writer(file.toStdString(), ticks.rate_hz);
        writer.write(ticks.samples);
        writer.close();
    } catch (const media::MediaError& error) {
        emit done(QString::fromStdString(error.what()));
        return;
    }
    player_ = std::make_unique<media::Player>(); // only while it is needed
    connect(player_.get(), &media::Player::ended, this, &LatencyCheck::finish);
    connect(player_.get(), &media::Player::failed, this, &LatencyCheck::end);
    connect(player_.get(), &media::Player::opened, this, [this] {
        if (isRunning()) {
            player_->play();
        }
    });
    input_ = media::makeMicrophone(name);
    connect(input_.get(), &media::VoiceInput::samplesReady, this, [this](const QByteArray& bytes) {
        const auto* first = reinterpret_cast<const std::int16_t*>(bytes.constData());
        samples_.insert(samples_.end(), first, first + bytes.size() / 2);
        if (player_->isRunning()) {
            pairs_.push_back(
                {static_cast<double>(samples_.size()) / media::kRecordingRate_hz, player_->position_s()});
        }
    });
    connect(input_.get(), &media::VoiceInput::failed, this, &LatencyCheck::end);
    input_->start();
    if (input_) {
        patience_.start();
        player_->open(file);
    }
}

void LatencyCheck::finish()
{
    constexpr std::size_t kSome = 20;
    if (!isRunning()) {
        return;
    }
    if (pairs_.size() < kSome) {
        end(tr("The microphone gave too little sound to measure by."));
        return;
    }
    std::vector<double> offsets;
    for (const Pair& pair : pairs_) {
        offsets.push_back(pair.recorded_s - pair.played_s);
    }
    const double offset_s = maths::median(std::move(offsets));
    std::vector<double> expected;
    for (const double at_s : media::tickTimes()) {
        expected.push_back(at_s + offset_s);
    }
    const auto delay_s = media::tickDelay_s({samples_, media::kRecordingRate_hz}, expected);
    if (!delay_s) {
        end(tr("%1 did not hear the ticks. Turn the loudspeaker up, or hold a headphone to the microphone.")
                .arg(name_));
        return;
    }
    QSettings().setValue(keyOf(name_), *delay_s);
    end(tr("%1 hears %2 ms late; that is taken off its takes from now on.")
            .arg(name_)
            .arg(1000.0 * *delay_s, 0, 'f', 0));
}

void LatencyCheck::end(const QString& words)
{
    patience_.stop();
    if (input_) {
        input_->stop();
    }
    // who called may be one of the two
    QTimer::singleShot(0, this,
        [input = std::shared_ptr<media::VoiceInput>(std::move(input_)),
            player = std::shared_ptr<media::Player>(std::move(player_))] {});
    emit done(words);
}

} // namespace brumefall::app
