#include "read/read_workspace.h"

#include "theme/theme.h"
#include "widgets/keys.h"
#include "widgets/panels.h"

#include <QApplication>
#include <QProgressBar>
#include <QSettings>

#include <algorithm>
#include <cmath>
#include <utility>

namespace brumefall::app {
namespace {

constexpr double kSilence = 0.0006; // as a share of full scale: a live room is louder
constexpr qint64 kSilent_ms = 1500;
constexpr double kCountDown_s = 3.0;
constexpr double kWarmUp_s = 1.5; // the video runs steadily before the voice is taken down

} // namespace

ReadWorkspace::ReadWorkspace(
    Document& document, Transport& transport, TakeRecorder& recorder, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
    , recorder_(recorder)
    , video_(new VideoView(transport.player()))
    , page_(new PageView(document))
    , gap_(new GapView)
    , input_(new QComboBox)
    , level_(new QProgressBar)
    , state_(new QLabel)
{
    setObjectName(QStringLiteral("readWorkspace"));
    page_->setFocusPolicy(Qt::StrongFocus);
    beginAt(this, page_);
    gap_->setObjectName(QStringLiteral("readGap"));
    gap_->setSpan(-3.0, 11.0);
    gap_->scene().windows = false;
    gap_->setMinimumHeight(250); // five rows of words; the video gives way
    input_->setObjectName(QStringLiteral("inputChoice"));
    input_->setAccessibleName(tr("Who reads"));
    level_->setObjectName(QStringLiteral("levelMeter"));
    level_->setAccessibleName(tr("Loudness"));
    level_->setRange(0, 100);
    level_->setTextVisible(false);
    level_->setFixedSize(110, 30);
    state_->setObjectName(QStringLiteral("readState"));
    state_->setWordWrap(true);
    video_->setEmptyText(tr("There is no video to read along yet. Next: add one in Places (F2)."));

    auto* controls = new FlowLayout(6);
    record_ = addButton(controls, tr("Record (R)"), "recordButton", [this] { toggleRecording(); });
    auto* by = new QLabel(tr("read by"));
    by->setMinimumHeight(30);
    controls->addWidget(by);
    controls->addWidget(input_);
    controls->addWidget(level_);
    guide_ = addButton(controls, tr("Guide voice"), "guideButton", [this] { toggleGuide(); });
    guide_->setCheckable(true);
    bindButton(guide_, QKeyCombination(Qt::Key_G));
    keepNarrow(input_, 14);
    auto* left = new QVBoxLayout;
    video_->setFittedHeight(true); // what is left below goes to the picture of the gap
    left->addWidget(video_, 100);
    left->addLayout(controls);
    left->addWidget(state_);
    left->addWidget(gap_, 1);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addLayout(left, 3);
    layout->addWidget(page_, 2);

    connect(&transport_, &Transport::ticked, this, &ReadWorkspace::showTime);
    connect(&recorder_, &TakeRecorder::started, this, &ReadWorkspace::showState);
    connect(&recorder_, &TakeRecorder::noteHeard, page_, &PageView::showVoice);
    connect(&recorder_, &TakeRecorder::judging, this, [this] {
        if (!recorder_.isRecording()) {
            page_->forgetVoice();
        }
    });
    connect(&recorder_, &TakeRecorder::judging, this, &ReadWorkspace::showState);
    connect(&recorder_, &TakeRecorder::failed, this, [this](const QString& why) {
        showState();
        state_->setText(why);
    });
    connect(&recorder_, &TakeRecorder::levelChanged, this, &ReadWorkspace::showLevel);
    connect(input_, &QComboBox::activated, this, [this] {
        QSettings().setValue(QStringLiteral("read/input"), input_->currentText());
        listen();
    });
    connect(&document_, &Document::opened, this, [this] { gap_->setSpan(-3.0, 11.0); });
    connect(&document_, &Document::planChanged, this, [this] {
        gap_->scene().prepared = &document_.prepared();
        gap_->scene().plan = &document_.prepared().plan;
        gap_->update();
        showState();
        if (guide_->isChecked()) {
            renew_guide_.start(); // it speaks the old plan
        }
    });
    renew_guide_.setSingleShot(true);
    renew_guide_.setInterval(700);
    connect(&renew_guide_, &QTimer::timeout, this, &ReadWorkspace::toggleGuide);
    connect(&document_, &Document::passChanged, this, [this] {
        guide_->setChecked(false);
        refreshInputs();
    });
    connect(gap_, &GapView::noteClicked, this, [this](const QString& id) {
        document_.setCurrentNote(id);
        const auto& notes = document_.prepared().plan.notes;
        const auto note =
            std::find_if(notes.begin(), notes.end(), [&](const auto& n) { return n.id == id.toStdString(); });
        if (note != notes.end()) {
            transport_.seekStage(note->start_s - kCountDown_s);
        }
    });
    refreshInputs();
    showState();
}

void ReadWorkspace::refreshInputs()
{
    const QString chosen = input_->currentText();
    input_->clear();
    for (const QString& name : media::microphoneNames()) {
        input_->addItem(name, name);
    }
    input_->addItem(tr("Simulated reader"), QStringLiteral("simulated"));
    const QString wished =
        chosen.isEmpty() ? QSettings().value(QStringLiteral("read/input")).toString() : chosen;
    if (const int at = input_->findText(wished); at >= 0) {
        input_->setCurrentIndex(at);
    }
}

void ReadWorkspace::showLevel(double share)
{
    level_->setValue(static_cast<int>(std::lround(100.0 * std::sqrt(share))));
    if (share > kSilence) {
        silent_.invalidate();
        if (std::exchange(said_silent_, false)) {
            showState();
        }
        return;
    }
    if (!silent_.isValid()) {
        silent_.start();
    } else if (silent_.elapsed() > kSilent_ms && !said_silent_) {
        said_silent_ = true;
        showState();
    }
}

/// The level lives before recording too, so that a dead microphone is seen before a take is lost to it.
void ReadWorkspace::listen()
{
    if (ear_) {
        ear_->stop();
        ear_.reset();
    }
    silent_.invalidate();
    said_silent_ = false;
    const bool microphone = input_->currentData().toString() != QStringLiteral("simulated");
    if (!isVisible() || recorder_.isRecording() || !microphone) {
        level_->setValue(0);
        return;
    }
    ear_ = media::makeMicrophone(input_->currentData().toString());
    connect(ear_.get(), &media::VoiceInput::samplesReady, this,
        [this](const QByteArray& bytes) { showLevel(media::loudest(bytes)); });
    connect(ear_.get(), &media::VoiceInput::failed, this, [this](const QString& why) {
        state_->setText(why);
        QTimer::singleShot(0, this, [this] { ear_.reset(); });
    });
    ear_->start();
}

void ReadWorkspace::showEvent(QShowEvent* event)
{
    QWidget::showEvent(event);
    listen();
}

void ReadWorkspace::hideEvent(QHideEvent* event)
{
    QWidget::hideEvent(event);
    listen();
}

void ReadWorkspace::setSimulatedFaults(const media::FaultWish& wish, std::uint32_t seed)
{
    faults_ = wish;
    seed_ = seed;
}

void ReadWorkspace::toggleRecording()
{
    if (recorder_.isRecording()) {
        recorder_.stop();
    } else {
        startRecording();
    }
    listen();
    showState();
}

void ReadWorkspace::startRecording()
{
    const auto& plan = document_.prepared().plan;
    if (plan.calls.empty() || document_.pass() == nullptr) { // the state line says so
        return;
    }
    if (ear_) { // the take listens now
        ear_->stop();
        ear_.reset();
    }
    // from just before the next call that is due, or from the start line
    double from_s = transport_.stageTime();
    from_s = from_s < 1.0 ? -kCountDown_s : from_s - kWarmUp_s;
    std::unique_ptr<media::VoiceInput> input;
    if (input_->currentData().toString() == QStringLiteral("simulated")) {
        state_->setText(tr("The simulated reader clears its throat\u2026"));
        QApplication::setOverrideCursor(Qt::WaitCursor);
        auto wish = faults_;
        wish.from_s = std::max(wish.from_s, from_s);
        last_reading_ =
            media::readAloud(plan, media::chooseFaults(plan, wish, seed_), seed_, from_s, wish.to_s);
        QApplication::restoreOverrideCursor();
        input = media::makeSimulatedReader(last_reading_,
            [this, laid = transport_.laid()] { return laid.stageTime(transport_.player().position_s()); });
    } else {
        input = media::makeMicrophone(input_->currentData().toString());
    }
    guide_->setChecked(false);
    recorder_.start(std::move(input), from_s);
}

void ReadWorkspace::toggleGuide()
{
    if (!guide_->isChecked()) {
        renew_guide_.stop();
        transport_.setGuide({}, 0.0);
        return;
    }
    state_->setText(tr("Preparing the guide voice\u2026"));
    QApplication::setOverrideCursor(Qt::WaitCursor);
    // where the picture runs faster or slower, so does its sound: the voice is made for the picture's own
    // time
    const auto& retiming = document_.retiming();
    const auto reading = media::readAsPlanned(
        plan::spokenIn(document_.prepared().plan, [&](double t) { return retiming.toVideo(t); }));
    transport_.setGuide(reading.sound, reading.from_s);
    QApplication::restoreOverrideCursor();
    showState();
}

void ReadWorkspace::showTime(double stage_s)
{
    if (!isVisible()) {
        return;
    }
    page_->showTime(stage_s);
    gap_->showTime(stage_s, true);
    const bool counting = recorder_.isRecording() && stage_s < 0.0;
    video_->setOverlay(counting ? QString::number(static_cast<int>(std::ceil(-stage_s))) : QString());
    if (recorder_.isRecording()) {
        showState();
    }
}

void ReadWorkspace::showState()
{
    const bool recording = recorder_.isRecording();
    record_->setText(recording ? tr("Stop (R)") : tr("Record (R)"));
    input_->setEnabled(!recording);
    guide_->setEnabled(!recording);
    if (recorder_.isJudging() && !recording) {
        state_->setText(tr("Finding your calls in the recording\u2026"));
    } else if (document_.prepared().plan.calls.empty() || document_.pass() == nullptr) {
        state_->setText(
            tr("There is nothing to read yet: write the notes (F1) and give the stage a video (F2)."));
    } else if (said_silent_) {
        state_->setText(
            tr("%1 hears nothing. Choose another microphone, or see that it is plugged in and not "
               "turned off.")
                .arg(input_->currentText()));
    } else if (recording) {
        state_->setText(tr("Recording: %1 s. Everything said so far is on the disk. Next: stop (R).")
                            .arg(recorder_.recorded_s(), 0, 'f', 0));
    } else {
        state_->setText(
            tr("Next: record (R). It plays the pass from here and takes down what is said; R again "
               "shows how it went."));
    }
}

} // namespace brumefall::app
