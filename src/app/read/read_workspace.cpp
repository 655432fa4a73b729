#include "read/read_workspace.h"

#include "theme/theme.h"

#include <QApplication>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

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
    , record_(new QPushButton)
    , guide_(new QPushButton(tr("Guide voice  (G)")))
    , level_(new QProgressBar)
    , state_(new QLabel)
{
    setObjectName(QStringLiteral("readWorkspace"));
    page_->setFocusPolicy(Qt::StrongFocus);
    gap_->setObjectName(QStringLiteral("readGap"));
    gap_->setSpan(-3.0, 11.0);
    gap_->scene().windows = false;
    gap_->setMinimumHeight(210);
    gap_->setMaximumHeight(240);
    input_->setObjectName(QStringLiteral("inputChoice"));
    input_->setAccessibleName(tr("Who reads"));
    record_->setObjectName(QStringLiteral("recordButton"));
    record_->setFocusPolicy(Qt::NoFocus);
    guide_->setObjectName(QStringLiteral("guideButton"));
    guide_->setCheckable(true);
    guide_->setShortcut(Qt::Key_G);
    guide_->setFocusPolicy(Qt::NoFocus);
    level_->setObjectName(QStringLiteral("levelMeter"));
    level_->setAccessibleName(tr("Loudness"));
    level_->setRange(0, 100);
    level_->setTextVisible(false);
    level_->setFixedWidth(110);
    state_->setObjectName(QStringLiteral("readState"));
    state_->setWordWrap(true);
    video_->setEmptyText(tr(
        "This pass has no video. The notes can still be read along the plan's clock once a video is there."));

    auto* controls = new QHBoxLayout;
    controls->addWidget(record_);
    controls->addWidget(new QLabel(tr("read by")));
    controls->addWidget(input_);
    controls->addWidget(level_);
    controls->addWidget(guide_);
    controls->addStretch();
    auto* left = new QVBoxLayout;
    left->addWidget(video_, 1);
    left->addLayout(controls);
    left->addWidget(state_);
    left->addWidget(gap_);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addLayout(left, 3);
    layout->addWidget(page_, 2);

    connect(record_, &QPushButton::clicked, this, &ReadWorkspace::toggleRecording);
    connect(guide_, &QPushButton::clicked, this, &ReadWorkspace::toggleGuide);
    connect(&transport_, &Transport::ticked, this, &ReadWorkspace::showTime);
    connect(&recorder_, &TakeRecorder::started, this, &ReadWorkspace::showState);
    connect(&recorder_, &TakeRecorder::judging, this, &ReadWorkspace::showState);
    connect(&recorder_, &TakeRecorder::failed, this, [this](const QString& why) {
        showState();
        state_->setText(why);
    });
    connect(&recorder_, &TakeRecorder::levelChanged, this,
        [this](double share) { level_->setValue(static_cast<int>(std::lround(100.0 * std::sqrt(share)))); });
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
    if (const int at = input_->findText(chosen); at >= 0) {
        input_->setCurrentIndex(at);
    }
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
    showState();
}

void ReadWorkspace::startRecording()
{
    const auto& plan = document_.prepared().plan;
    if (plan.calls.empty() || document_.pass() == nullptr) { // the state line says so
        return;
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
        input = media::makeSimulatedReader(last_reading_, [this] { return transport_.stageTime(); });
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
        state_->setText(tr("Recording: %1 s. Everything said so far is on the disk.")
                            .arg(recorder_.recorded_s(), 0, 'f', 0));
    }
}

void ReadWorkspace::showState()
{
    const bool recording = recorder_.isRecording();
    record_->setText(recording ? tr("Stop  (R)") : tr("Record  (R)"));
    record_->setEnabled(!recorder_.isJudging());
    input_->setEnabled(!recording);
    guide_->setEnabled(!recording);
    if (recorder_.isJudging()) {
        state_->setText(tr("Finding your calls in the recording\u2026"));
    } else if (document_.prepared().plan.calls.empty() || document_.pass() == nullptr) {
        state_->setText(
            tr("There is nothing to read yet: write the notes (F1) and give the stage a video (F2)."));
    } else if (!recording) {
        state_->setText(tr(
            "Record (R) plays the pass from here and takes down what is said. Stop (R) shows how it went."));
        level_->setValue(0);
    }
}

} // namespace brumefall::app
