#include "read/read_workspace.h"

#include "read/guide_voice.h"
#include "theme/theme.h"
#include "widgets/keys.h"
#include "widgets/panels.h"

#include <QProgressBar>
#include <QSettings>

#include <algorithm>
#include <cmath>
#include <utility>

namespace brumefall::app {
namespace {

double lengthOf_s(const QByteArray& bytes)
{
    return static_cast<double>(bytes.size()) / 2.0 / media::kRecordingRate_hz;
}

} // namespace

ReadWorkspace::ReadWorkspace(
    Document& document, Transport& transport, TakeRecorder& recorder, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
    , recorder_(recorder)
    , practice_(document, transport, recorder,
          [this](const auto& wish, auto ready) { makeReader(wish, std::move(ready)); })
    , video_(new VideoView(transport.player()))
    , page_(new PageView(document))
    , gap_(new GapView)
    , bar_(new PracticeBar(document))
    , input_(new QComboBox)
    , ear_keys_(new QWidget)
    , level_(new QProgressBar)
    , state_(new QLabel)
{
    setObjectName(QStringLiteral("readWorkspace"));
    page_->setFocusPolicy(Qt::StrongFocus);
    beginAt(this, page_);
    gap_->setObjectName(QStringLiteral("readGap"));
    gap_->setSpan(-3.0, 11.0);
    gap_->scene().windows = false;
    gap_->setMinimumHeight(196); // four rows of words; the video gives way
    input_->setObjectName(QStringLiteral("inputChoice"));
    input_->setAccessibleName(tr("Who reads"));
    level_->setObjectName(QStringLiteral("levelMeter"));
    level_->setAccessibleName(tr("Loudness"));
    level_->setRange(0, 100);
    level_->setTextVisible(false);
    level_->setFixedSize(64, 30);
    state_->setObjectName(QStringLiteral("readState"));
    state_->setWordWrap(true);
    video_->setEmptyText(tr("There is no video to read along yet: the clock runs along the plan. Next: add a "
                            "video in Places (F2)."));

    auto* controls = new FlowLayout(6);
    record_ = addButton(controls, tr("Record (R)"), "recordButton", [this] { toggleRecording(); });
    auto* by = new QLabel(tr("read by"));
    by->setMinimumHeight(30);
    controls->addWidget(by);
    controls->addWidget(input_);
    controls->addWidget(level_);
    again_ = addButton(controls, tr("Again"), "againButton", [this] { practice_.again(); });
    bindButton(again_, QKeyCombination(Qt::Key_A));
    discard_ = addButton(controls, tr("Throw away"), "discardButton", [this] { practice_.discard(); });
    bindButton(discard_, QKeyCombination(Qt::Key_X));
    delay_ = addButton(controls, tr("Delay"), "latencyButton", [this] { measureDelay(); });
    delay_->setToolTip(tr("Measure by how much this microphone hears late: some ticks are played"));
    bindButton(delay_, QKeyCombination(Qt::Key_D));
    guide_ = addButton(controls, tr("Guide"), "guideButton", [this] { toggleGuide(); });
    guide_->setCheckable(true);
    bindButton(guide_, QKeyCombination(Qt::Key_G));
    keepNarrow(input_, 11);
    ear_keys_->setObjectName(QStringLiteral("earKeys"));
    auto* ear = new FlowLayout(6, ear_keys_);
    const auto says = [&](const QString& text, const char* name, Qt::Key key, tune::Said said) {
        auto* button = addButton(ear, text, name, [this, said] { practice_.ear().press(said); });
        bindButton(button, QKeyCombination(key));
    };
    says(tr("Earlier"), "earEarlier", Qt::Key_E, tune::Said::earlier);
    says(tr("Later"), "earLater", Qt::Key_L, tune::Said::later);
    leads_ = addButton(ear, tr("Take these leads"), "earTake", [this] { takeLeads(); });
    bindButton(leads_, QKeyCombination(Qt::Key_T));

    auto* left = new QVBoxLayout;
    video_->setFittedHeight(true); // what is left below goes to the picture of the gap
    left->addWidget(video_, 100);
    left->addLayout(controls);
    left->addWidget(bar_);
    left->addWidget(ear_keys_);
    left->addWidget(state_);
    left->addWidget(gap_, 60);
    left->addStretch(1); // in its place where it is hidden
    state_->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Maximum);
    auto* layout = new QHBoxLayout(this);
    layout->setContentsMargins(10, 8, 10, 8);
    layout->addLayout(left, 3);
    layout->addWidget(page_, 2);

    bindKey(this, QKeyCombination(Qt::Key_PageDown), tr("Turn the printed page"), [this] { page_->turn(1); });
    bindKey(this, QKeyCombination(Qt::Key_PageUp), tr("Turn it back"), [this] { page_->turn(-1); });
    connect(&transport_, &Transport::ticked, this, &ReadWorkspace::showTime);
    connect(&practice_, &Practice::changed, this, &ReadWorkspace::showPractice);
    connect(&practice_, &Practice::failed, this, [this](const QString& why) {
        trouble_ = why;
        showState();
    });
    connect(&recorder_, &TakeRecorder::noteHeard, page_, &PageView::showVoice);
    connect(&recorder_, &TakeRecorder::judging, this, [this] {
        if (!recorder_.isRecording()) {
            page_->forgetVoice();
            if (!ear_) {
                listen();
            }
        }
        showState();
    });
    connect(&recorder_, &TakeRecorder::pausedChanged, this, &ReadWorkspace::showState);
    connect(&recorder_, &TakeRecorder::discarded, this, [this] {
        page_->forgetVoice();
        listen();
    });
    connect(&recorder_, &TakeRecorder::failed, this, [this](const QString& why) {
        trouble_ = why;
        showState();
    });
    connect(&recorder_, &TakeRecorder::levelChanged, this, [this](double loudest) {
        constexpr double kBlock_s = 0.02; // near enough: the blocks of a device differ
        hear(loudest, kBlock_s);
    });
    connect(input_, &QComboBox::activated, this, [this] {
        QSettings().setValue(QStringLiteral("read/input"), input_->currentText());
        trouble_.clear();
        listen();
        showState();
    });
    connect(new media::MicrophoneWatch(this), &media::MicrophoneWatch::changed, this, [this] {
        if (!recorder_.isRecording()) {
            refreshInputs();
            listen();
        }
    });
    connect(&latency_, &LatencyCheck::done, this, [this](const QString& words) {
        trouble_ = words;
        listen();
        showState();
    });
    connect(bar_, &PracticeBar::changed, this, &ReadWorkspace::showPractice);
    connect(&document_, &Document::opened, this, [this] { gap_->setSpan(-3.0, 11.0); });
    connect(&document_, &Document::planChanged, this, [this] {
        showPractice();
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
        if (note != notes.end() && !recorder_.isRecording()) {
            transport_.seekStage(note->start_s - kCountDown_s);
        }
    });
    connect(gap_, &GapView::noteReached, this, &ReadWorkspace::chooseStretch);
    refreshInputs();
    showPractice();
}

void ReadWorkspace::refreshInputs()
{
    const QString chosen = input_->currentText();
    input_->clear();
    for (const QString& name : media::microphoneNames()) {
        input_->addItem(name, name);
    }
    input_->addItem(tr("Simulated reader"), QStringLiteral("simulated"));
    const QString wished = QSettings().value(QStringLiteral("read/input"), chosen).toString();
    for (const QString& name : {wished, chosen}) { // one that is plugged in again is taken again
        if (const int at = input_->findText(name); at >= 0) {
            input_->setCurrentIndex(at);
            return;
        }
    }
}

/// From the current note to the one that was clicked with Shift.
void ReadWorkspace::chooseStretch(const QString& to)
{
    const int from = document_.numberOf(document_.currentNote().toStdString());
    const int until = document_.numberOf(to.toStdString());
    if (from > 0 && until > 0) {
        bar_->setNotes(std::min(from, until), std::max(from, until));
    }
}

void ReadWorkspace::hear(double loudest, double length_s)
{
    level_->setValue(static_cast<int>(std::lround(100.0 * std::sqrt(loudest))));
    hears_.hear(loudest, length_s);
    if (std::exchange(hearing_, hears_.hearing()) != hearing_) {
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
    hears_ = {};
    hearing_ = media::MicrophoneHearing::fine;
    const bool microphone = input_->currentData().toString() != QStringLiteral("simulated");
    if (!isVisible() || recorder_.isRecording() || practice_.state() == Practice::State::preparing
        || !microphone) {
        level_->setValue(0);
        return;
    }
    ear_ = media::makeMicrophone(input_->currentData().toString());
    connect(ear_.get(), &media::VoiceInput::samplesReady, this,
        [this](const QByteArray& bytes) { hear(media::loudest(bytes), lengthOf_s(bytes)); });
    connect(ear_.get(), &media::VoiceInput::failed, this, [this](const QString& why) {
        trouble_ = why;
        showState();
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

void ReadWorkspace::practise(take::Way way, const std::string& first, const std::string& last)
{
    disconnect(begins_when_open_);
    bar_->setWay(way);
    bar_->setNotes(document_.numberOf(first), document_.numberOf(last));
    showState();
    const auto begin = [this] {
        if (!practice_.isOn() && !recorder_.isRecording()) {
            toggleRecording();
        }
    };
    if (transport_.player().isOpen()) {
        begin();
        return;
    }
    begins_when_open_ =
        connect(&transport_.player(), &media::Player::opened, this, begin, Qt::SingleShotConnection);
}

void ReadWorkspace::toggleRecording()
{
    trouble_.clear();
    if (practice_.isOn() || recorder_.isRecording()) {
        practice_.end(); // a stretch is not read again
    } else {
        guide_->setChecked(false);
        practice_.begin(bar_->wish());
    }
    listen();
    showState();
}

bool ReadWorkspace::pauseTake()
{
    if (!recorder_.isRecording()) {
        return false;
    }
    recorder_.isPaused() ? recorder_.resume() : recorder_.pause();
    return true;
}

void ReadWorkspace::makeReader(
    const TakeRecorder::Wish& wish, const std::function<void(std::unique_ptr<media::VoiceInput>)>& ready)
{
    if (ear_) { // the take listens now
        ear_->stop();
        ear_.reset();
    }
    if (input_->currentData().toString() != QStringLiteral("simulated")) {
        ready(media::makeMicrophone(input_->currentData().toString()));
        return;
    }
    auto faults = faults_;
    faults.from_s = std::max(faults.from_s, wish.from_s);
    faults.to_s = std::min(faults.to_s, wish.to_s);
    const double rate = wish.rate;
    prepared_share_ = 0.0;
    voice_ = inBackground(
        this,
        [plan = document_.prepared().plan, faults, seed = seed_, wish, rate](
            const media::Progress& progress) {
            // it reads in its own time, of which the stage takes more or less
            const auto chosen = media::chooseFaults(plan, faults, seed);
            const auto own = plan::spokenIn(plan, [rate](double t) { return t / rate; });
            return media::readAloud(
                own, chosen, seed, wish.from_s / rate, std::min(wish.to_s, faults.to_s) / rate, progress);
        },
        [this, ready, rate](Outcome<media::Reading> reading) {
            prepared_share_ = -1.0;
            if (!reading.value) {
                trouble_ = reading.why;
                practice_.end();
                return;
            }
            last_reading_ = *reading.value;
            ready(media::makeSimulatedReader(last_reading_, [this, rate, laid = transport_.laid()] {
                return laid.stageTime(transport_.player().position_s()) / rate;
            }));
        },
        [this](double share) {
            prepared_share_ = share;
            showState();
        });
}

void ReadWorkspace::toggleGuide()
{
    voice_.cancel();
    prepared_share_ = -1.0;
    if (!guide_->isChecked()) {
        renew_guide_.stop();
        transport_.setGuide({}, 0.0);
        showState();
        return;
    }
    prepared_share_ = 0.0;
    voice_ = makeGuideVoice(
        this, document_.prepared().plan, transport_.laid(),
        [this](Outcome<media::Reading> reading) {
            prepared_share_ = -1.0;
            if (reading.value) {
                transport_.setGuide(reading.value->sound, reading.value->from_s);
            } else {
                trouble_ = reading.why;
                guide_->setChecked(false);
            }
            showState();
        },
        [this](double share) {
            prepared_share_ = share;
            showState();
        });
    showState();
}

/// The microphone is the check's while it runs.
void ReadWorkspace::measureDelay()
{
    if (ear_) {
        ear_->stop();
        ear_.reset();
    }
    transport_.player().pause();
    trouble_ = tr("Ticks are played: keep quiet for seven seconds\u2026");
    latency_.start(input_->currentData().toString());
    showState();
}

void ReadWorkspace::takeLeads()
{
    if (const auto driver = practice_.ear().heard()) {
        practice_.ear().end();
        document_.setDriver(*driver, tr("Take the leads of the driver's ear"));
    }
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

/// What is shown and what is hidden follows from the way of practising.
void ReadWorkspace::showPractice()
{
    const auto way = practice_.isOn() ? practice_.wish().way : bar_->wish().way;
    const bool ear = practice_.ear().isOn();
    const bool bare = way == take::Way::page_only || way == take::Way::thrown_in || way == take::Way::lost;
    PageView::Look look;
    look.printed = bar_->wantsPrintedPages() || way == take::Way::page_only || way == take::Way::thrown_in;
    look.cue = !bare;
    look.place = !(way == take::Way::page_only || practice_.isPlaceHidden());
    look.dark = practice_.isDark();
    page_->setLook(look);
    page_->setPlan(ear ? &practice_.ear().plan() : nullptr);
    gap_->setVisible(!(bare && practice_.isOn()));
    gap_->scene().prepared = &document_.prepared();
    gap_->scene().plan = ear ? &practice_.ear().plan() : &document_.prepared().plan;
    gap_->update();
    ear_keys_->setVisible(bar_->wish().way == take::Way::drivers_ear);
    leads_->setEnabled(practice_.ear().heard().has_value());
    showState();
}

void ReadWorkspace::showState()
{
    const bool recording = recorder_.isRecording();
    const bool on = practice_.isOn();
    const bool ear = bar_->wish().way == take::Way::drivers_ear;
    record_->setText(on ? tr("Stop (R)") : ear ? tr("Listen (R)") : tr("Record (R)"));
    input_->setEnabled(!recording);
    guide_->setEnabled(!on);
    bar_->setEnabled(!on);
    discard_->setVisible(recording);
    guide_->setVisible(!recording);
    const bool microphone = input_->currentData().toString() != QStringLiteral("simulated");
    level_->setVisible(microphone || recording);
    delay_->setVisible(microphone && !on);
    delay_->setEnabled(!latency_.isRunning());
    record_->setEnabled(!latency_.isRunning());
    again_->setVisible(practice_.canBeginAgain());
    again_->setEnabled(practice_.canBeginAgain() && practice_.state() != Practice::State::judging);
    state_->setText(stateWords());
}

QString ReadWorkspace::stateWords() const
{
    using State = Practice::State;
    const bool recording = recorder_.isRecording();
    if (!trouble_.isEmpty()) {
        return trouble_;
    }
    if (document_.prepared().plan.calls.empty()) {
        return tr("There is nothing to read yet: write the notes (F1).");
    }
    if (prepared_share_ >= 0.0) {
        return practice_.state() == State::preparing
            ? tr("The simulated reader clears its throat: %1 %. R stops it.")
                  .arg(std::lround(100.0 * prepared_share_))
            : tr("Preparing the guide voice: %1 %. G stops it.").arg(std::lround(100.0 * prepared_share_));
    }
    switch (hearing_) {
    case media::MicrophoneHearing::silent:
        return tr("%1 hears nothing. Choose another microphone, or see that it is plugged in and not "
                  "turned off.")
            .arg(input_->currentText());
    case media::MicrophoneHearing::faint:
        return tr(
            "%1 hears a voice only faintly. Come nearer, or turn it up in the desktop's sound settings.")
            .arg(input_->currentText());
    case media::MicrophoneHearing::clipped:
        return tr("%1 is overdriven. Turn it down in the desktop's sound settings, or keep further off.")
            .arg(input_->currentText());
    case media::MicrophoneHearing::fine: break;
    }
    if (recorder_.isPaused()) {
        return tr("Paused at %1 s, voice and video alike. Next: go on (Space), or stop (R).")
            .arg(recorder_.recorded_s(), 0, 'f', 0);
    }
    if (practice_.ear().isOn()) {
        return tr("After a note: earlier (E) or later (L); nothing where it was right. ")
            + practice_.ear().words();
    }
    if (practice_.state() == State::listening) {
        return tr("Listen: the guide voice reads it first. Then it is your turn.");
    }
    if (recording && practice_.wish().way == take::Way::stretch) {
        return tr("Clean in a row: %1 of %2. It is read again by itself; R stops it.")
            .arg(practice_.cleanInARow())
            .arg(practice_.wish().clean);
    }
    if (recording && practice_.isPlaceHidden()) {
        return tr("Where are you? Find the place, and read on from there.");
    }
    if (recording) {
        return tr("Recording: %1 s. Everything said so far is on the disk. Pause (Space), throw away (X), "
                  "stop (R); it stops by itself after the finish.")
            .arg(recorder_.recorded_s(), 0, 'f', 0);
    }
    if (recorder_.isJudging()) {
        return tr("Finding your calls in the recording\u2026");
    }
    if (!practice_.result().isEmpty()) {
        return practice_.result();
    }
    if (bar_->wish().way == take::Way::drivers_ear && practice_.ear().heard()) {
        return tr("Heard: %1. Next: take these leads (T), or listen on (R).").arg(practice_.ear().words());
    }
    return tr("%1. Next: %2 (R). A click on a note goes there; Shift and a click choose the notes up to it.")
        .arg(wordsOf(bar_->wish().way).replace(0, 1, wordsOf(bar_->wish().way).at(0).toUpper()),
            bar_->wish().way == take::Way::drivers_ear ? tr("listen") : tr("record"));
}

} // namespace brumefall::app
