#include "notes/dictation_session.h"

#include "media/dictation.h"
#include "media/pronunciations.h"

#include <QCoreApplication>
#include <QPointer>

#include <optional>
#include <span>
#include <utility>

namespace brumefall::app {

static_assert(media::kRecordingRate_hz == media::kAlignRate_hz);

/// What hears in the background; made there, as that takes a moment.
class DictationSession::Ear {
public:
    explicit Ear(notes::Style style)
        : style_(std::move(style))
    {
    }

    /// Throws media::MediaError.
    std::optional<captions::Dictated> hear(const QByteArray& bytes, bool last)
    {
        if (!dictation_) {
            dictation_.emplace(style_);
        }
        auto cue = dictation_->hear({reinterpret_cast<const std::int16_t*>(bytes.constData()),
            static_cast<std::size_t>(bytes.size()) / sizeof(std::int16_t)});
        if (last && !cue) {
            cue = dictation_->finish();
        }
        return cue ? std::optional(captions::dictated(*cue, style_, media::englishPronunciations()))
                   : std::nullopt;
    }
    [[nodiscard]] QString soFar() const { return QString::fromStdString(dictation_->soFar()); }

private:
    notes::Style style_;
    std::optional<media::Dictation> dictation_;
};

DictationSession::DictationSession(Document& document, QObject* parent)
    : QObject(parent)
    , document_(document)
{
    pool_.setMaxThreadCount(1);
    connect(&document_, &Document::opened, this, [this] {
        endInput();
        ear_.reset();
        added_.clear();
    });
}

DictationSession::~DictationSession()
{
    disconnect(); // who is told may be going too: the window closes
    endInput();
    pool_.clear();
    pool_.waitForDone();
}

void DictationSession::start(std::unique_ptr<media::VoiceInput> input)
{
    endInput();
    auto style = document_.stage().style;
    if (!document_.prepared().road.notes.empty()) {
        style.order = document_.prepared().notes.style.order;
    }
    ear_ = std::make_shared<Ear>(std::move(style));
    added_.clear();
    loudest_ = 0.0;
    heard_s_ = 0.0;
    told_silent_ = false;
    input_ = std::move(input);
    connect(input_.get(), &media::VoiceInput::samplesReady, this, &DictationSession::takeSamples);
    connect(input_.get(), &media::VoiceInput::failed, this, [this](const QString& why) {
        stop();
        emit document_.message(why);
    });
    emit document_.message(
        tr("Dictate to %1: a line for each breath. \u201cScratch that\u201d takes the last "
           "one back, Alt+D stops.")
            .arg(input_->name()));
    emit onChanged(true);
    input_->start();
}

void DictationSession::stop()
{
    if (isOn()) {
        hear(true);
        endInput();
        emit document_.message(tr("The dictation has ended. Lines written: %1.").arg(added_.size()));
    }
}

void DictationSession::endInput()
{
    if (!isOn()) {
        return;
    }
    input_->disconnect(this);
    input_->stop();
    input_.release()->deleteLater(); // it may be the one that is calling
    waiting_.clear();
    emit onChanged(false);
}

void DictationSession::takeSamples(const QByteArray& bytes)
{
    constexpr double kSilent = 0.002; ///< of full scale
    constexpr double kSilence_s = 4.0;
    constexpr qsizetype kTask = 2 * media::kRecordingRate_hz / 4;
    loudest_ = std::max(loudest_, media::loudest(bytes));
    heard_s_ += static_cast<double>(bytes.size()) / 2.0 / media::kRecordingRate_hz;
    if (!told_silent_ && heard_s_ > kSilence_s && loudest_ < kSilent) {
        told_silent_ = true;
        emit document_.message(tr("Nothing is heard from %1. Is it muted?").arg(input_->name()));
    }
    waiting_ += bytes;
    if (waiting_.size() >= kTask) {
        hear(false);
    }
}

void DictationSession::hear(bool last)
{
    pool_.start([ear = ear_, bytes = std::exchange(waiting_, {}), last, session = QPointer(this)] {
        const auto inWindow = [&](auto act) {
            QMetaObject::invokeMethod(
                QCoreApplication::instance(),
                [session, ear, act = std::move(act)] {
                    if (session && session->ear_ == ear) {
                        act(*session);
                    }
                },
                Qt::QueuedConnection);
        };
        try {
            const auto breath = ear->hear(bytes, last);
            if (breath) {
                inWindow([breath = *breath](DictationSession& to) { to.takeBreath(breath); });
            } else if (const QString so_far = ear->soFar(); !so_far.isEmpty()) {
                inWindow([so_far](DictationSession& to) {
                    emit to.document_.message(tr("Heard: \u201c%1\u201d\u2026").arg(so_far));
                });
            }
        } catch (const media::MediaError& error) {
            inWindow([why = QString::fromStdString(error.what())](DictationSession& to) {
                to.endInput();
                emit to.document_.message(why);
            });
        }
    });
}

void DictationSession::takeBreath(const captions::Dictated& breath)
{
    if (breath.scratches) {
        takeBack();
    }
    if (!breath.unsure.empty()) {
        emit document_.message(
            tr("Not sure of \u201c%1\u201d: say it again.").arg(QString::fromStdString(breath.unsure)));
    }
    if (breath.line.empty()) {
        if (!breath.scratches && breath.unsure.empty()) {
            emit document_.message(tr("No notes were heard in that."));
        }
        return;
    }
    emit document_.flushWanted();
    Added added{document_.stage().text, {}, breath.line};
    added.after =
        added.before + (added.before.empty() || added.before.back() == '\n' ? "" : "\n") + added.line;
    const QString line = QString::fromStdString(added.line);
    document_.setNotesText(QString::fromStdString(added.after), tr("Dictate \u201c%1\u201d").arg(line));
    added_.push_back(std::move(added));
    emit lineAdded();
    emit document_.message(
        tr("Written: \u201c%1\u201d. \u201cScratch that\u201d takes it back, Alt+D stops.").arg(line));
}

void DictationSession::takeBack()
{
    emit document_.flushWanted();
    if (added_.empty() || document_.stage().text != added_.back().after) {
        emit document_.message(added_.empty() ? tr("Nothing was dictated that could be taken back.")
                                              : tr("The notes were changed since: take it back by hand."));
        return;
    }
    const QString line = QString::fromStdString(added_.back().line);
    document_.setNotesText(
        QString::fromStdString(added_.back().before), tr("Take back \u201c%1\u201d").arg(line));
    added_.pop_back();
    emit document_.message(tr("Taken back: \u201c%1\u201d.").arg(line));
}

} // namespace brumefall::app
