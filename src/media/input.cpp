#include "media/input.h"

#include "media/condense.h"
#include "media/resample.h"
#include "stage/stage.h"

#include <QAudioDevice>
#include <QAudioSource>
#include <QElapsedTimer>
#include <QMediaDevices>
#include <QTimer>

#include <algorithm>
#include <cmath>
#include <random>

namespace brumefall::media {
namespace {

class Microphone : public VoiceInput {
    Q_OBJECT

public:
    explicit Microphone(const QString& name)
        : wished_(name)
    {
    }

    void start() override
    {
        QAudioDevice device = QMediaDevices::defaultAudioInput();
        for (const QAudioDevice& candidate : QMediaDevices::audioInputs()) {
            if (candidate.description() == wished_) {
                device = candidate;
            }
        }
        if (device.isNull()) {
            emit failed(tr("No microphone was found. Plug one in, or choose the simulated reader."));
            return;
        }
        QAudioFormat format;
        format.setSampleRate(kRecordingRate_hz);
        format.setChannelCount(1);
        format.setSampleFormat(QAudioFormat::Int16);
        source_ = std::make_unique<QAudioSource>(device, format);
        connect(source_.get(), &QAudioSource::stateChanged, this, [this](QAudio::State state) {
            if (state == QAudio::StoppedState && source_ && source_->error() != QAudio::NoError) {
                emit failed(tr("The microphone stopped. What was recorded so far is kept."));
            }
        });
        stream_ = source_->start();
        if (stream_ == nullptr) {
            emit failed(tr("The microphone could not be opened."));
            return;
        }
        connect(stream_, &QIODevice::readyRead, this, [this] { emit samplesReady(stream_->readAll()); });
    }

    void stop() override
    {
        if (source_) {
            const auto source = std::move(source_);
            source->stop();
        }
    }

    [[nodiscard]] QString name() const override { return wished_.isEmpty() ? tr("Microphone") : wished_; }

private:
    QString wished_;
    std::unique_ptr<QAudioSource> source_;
    QIODevice* stream_ = nullptr;
};

class SimulatedInput : public VoiceInput {
    Q_OBJECT

public:
    SimulatedInput(Reading reading, std::function<double()> now_s)
        : sound_(resampled(reading.sound, kRecordingRate_hz))
        , from_s_(reading.from_s)
        , now_s_(std::move(now_s))
    {
        timer_.setInterval(20);
        timer_.setTimerType(Qt::PreciseTimer);
        connect(&timer_, &QTimer::timeout, this, &SimulatedInput::deliver);
    }

    void start() override
    {
        began_.start();
        delivered_ = 0;
        // where in the reading the stage clock is now; the two run at the same rate from here
        next_ = now();
        waits_ = 0;
        silent_ = 0;
        timer_.start();
    }

    void stop() override
    {
        if (timer_.isActive()) {
            deliver();
            timer_.stop();
        }
    }

    [[nodiscard]] QString name() const override { return QString::fromLatin1(stage::kSimulatedReader); }

private:
    /// The sample of the reading that belongs to the stage clock; its first where there is none.
    [[nodiscard]] long long now() const
    {
        return now_s_ ? std::llround((now_s_() - from_s_) * kRecordingRate_hz) : 0;
    }

    [[nodiscard]] int sampleAt(long long at) const
    {
        const bool inside = at >= 0 && at < static_cast<long long>(sound_.samples.size());
        return inside ? sound_.samples[static_cast<std::size_t>(at)] : 0;
    }

    /// Where the video stood still the reader waits for it, as whoever watches it does: between two words.
    /// Where it ran ahead he catches up in a long pause: no word is lost, and a hesitation stays one.
    void followVideo(long long due)
    {
        constexpr long long kOff = kRecordingRate_hz / 4;
        constexpr long long kBetweenWords = kRecordingRate_hz / 10;
        constexpr long long kBetweenCalls = kRecordingRate_hz;
        constexpr long long kSought = 10 * kRecordingRate_hz; ///< somebody goes elsewhere in the video
        if (!now_s_) {
            return;
        }
        const long long is = now();
        const long long ahead = next_ + (due - delivered_) - waits_ - is;
        if (std::abs(ahead) > kSought) {
            next_ -= ahead + waits_;
            waits_ = 0;
        } else if (ahead > kOff && silent_ >= kBetweenWords) {
            waits_ += ahead;
        } else if (ahead < -kOff && silent_ >= kBetweenCalls) {
            waits_ = 0;
            while (next_ + (due - delivered_) < is && sampleAt(next_) == 0) {
                ++next_;
            }
        }
    }

    [[nodiscard]] int nextSample()
    {
        const int voice = waits_ > 0 ? 0 : sampleAt(next_);
        waits_ > 0 ? --waits_ : ++next_;
        silent_ = voice == 0 ? silent_ + 1 : 0;
        return voice;
    }

    void deliver()
    {
        const auto due = began_.nsecsElapsed() * kRecordingRate_hz / 1'000'000'000LL;
        if (due <= delivered_) {
            return;
        }
        followVideo(due);
        std::vector<std::int16_t> block(static_cast<std::size_t>(due - delivered_));
        for (std::int16_t& sample : block) {
            sample = static_cast<std::int16_t>(
                std::clamp(nextSample() + static_cast<int>(room_(random_)), -32768, 32767));
        }
        delivered_ = due;
        emit samplesReady(QByteArray(
            reinterpret_cast<const char*>(block.data()), static_cast<qsizetype>(block.size() * 2)));
    }

    Sound sound_;
    double from_s_;
    std::function<double()> now_s_;
    QTimer timer_;
    QElapsedTimer began_;
    long long delivered_ = 0; ///< samples
    long long next_ = 0; ///< sample of the reading
    long long waits_ = 0; ///< samples, before it goes on
    long long silent_ = 0; ///< samples in a row
    std::minstd_rand random_{7};
    std::normal_distribution<double> room_{0.0, 25.0};
};

} // namespace

double loudest(const QByteArray& samples)
{
    const auto* first = reinterpret_cast<const std::int16_t*>(samples.constData());
    int loudest = 0;
    for (qsizetype i = 0; i < samples.size() / 2; ++i) {
        loudest = std::max(loudest, std::abs(static_cast<int>(first[i])));
    }
    return loudest / 32768.0;
}

QStringList microphoneNames()
{
    QStringList names;
    for (const QAudioDevice& device : QMediaDevices::audioInputs()) {
        names << device.description();
    }
    return names;
}

MicrophoneWatch::MicrophoneWatch(QObject* parent)
    : QObject(parent)
{
    connect(new QMediaDevices(this), &QMediaDevices::audioInputsChanged, this, &MicrophoneWatch::changed);
}

std::unique_ptr<VoiceInput> makeMicrophone(const QString& name)
{
    return std::make_unique<Microphone>(name);
}

std::unique_ptr<VoiceInput> makeSimulatedReader(Reading reading, std::function<double()> now_s)
{
    return std::make_unique<SimulatedInput>(std::move(reading), std::move(now_s));
}

} // namespace brumefall::media

#include "input.moc"
