#include "plan/calibration_panel.h"

#include "media/aligner.h"
#include "notes/spoken.h"
#include "plan/measure.h"
#include "theme/theme.h"
#include "widgets/keys.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPlainTextEdit>
#include <QPushButton>
#include <QVBoxLayout>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

/// A reader of its own, so that measuring it says something.
constexpr plan::Reader kSimulated{6.2, 0.30, 7.0, 6.0, 0.03};

/// All that is said in a call, distances included.
std::string wordsOf(const plan::Plan& plan, const plan::PlannedCall& call)
{
    std::string words;
    for (std::size_t k = call.first; k < call.last; ++k) {
        const auto& note = plan.notes[k];
        words += (words.empty() ? "" : " ") + note.spoken
            + (note.spoken_after.empty() ? "" : " " + note.spoken_after);
    }
    return words;
}

/// As many calls as anybody could read in `length_s`.
plan::Plan callsFor(plan::Plan plan, double length_s)
{
    constexpr double kQuickest_syll_s = 9.0;
    double syllables = 0.0;
    std::size_t calls = 0;
    while (calls < plan.calls.size() && syllables < kQuickest_syll_s * length_s) {
        syllables += notes::countSyllables(wordsOf(plan, plan.calls[calls]));
        ++calls;
    }
    plan.calls.resize(calls);
    plan.notes.resize(calls == 0 ? 0 : plan.calls.back().last);
    return plan;
}

/// What the recogniser found, as calls; those that were not read are left out.
std::vector<plan::ReadCall> readCalls(
    const std::vector<media::ExpectedNote>& expected, const std::vector<take::FoundNote>& found)
{
    std::vector<plan::ReadCall> calls;
    for (std::size_t c = 0; c < found.size() && c < expected.size(); ++c) {
        if (!found[c].read) {
            continue;
        }
        double paused_s = 0.0;
        for (const auto& pause : found[c].hesitations) {
            paused_s += pause.end_s - pause.start_s;
        }
        calls.push_back({notes::countSyllables(expected[c].spoken), found[c].span.start_s,
            found[c].span.end_s, paused_s});
    }
    return calls;
}

} // namespace

CalibrationPanel::CalibrationPanel(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , says_(new QLabel)
    , text_(new QPlainTextEdit)
    , who_(new QComboBox)
    , read_(new QPushButton)
    , take_(new QPushButton(tr("Plan with this")))
{
    setObjectName(QStringLiteral("calibration"));
    says_->setObjectName(QStringLiteral("calibrationSays"));
    says_->setProperty("large", true);
    says_->setWordWrap(true);
    text_->setObjectName(QStringLiteral("calibrationText"));
    text_->setAccessibleName(tr("The calls to read aloud"));
    text_->setReadOnly(true);
    text_->setStyleSheet(
        QStringLiteral("QPlainTextEdit { font-size: %1px; padding: 10px; }").arg(type::kPage));
    who_->setObjectName(QStringLiteral("calibrationInput"));
    who_->setAccessibleName(tr("Who reads"));
    read_->setObjectName(QStringLiteral("calibrationRead"));
    take_->setObjectName(QStringLiteral("calibrationTake"));
    auto* back = new QPushButton(tr("Back to the plan"));
    back->setObjectName(QStringLiteral("calibrationBack"));
    bindKey(this, QKeyCombination(Qt::Key_Escape), tr("Back to the plan"), [this] { leave(); });
    auto* row = new QHBoxLayout;
    row->addWidget(read_);
    row->addWidget(new QLabel(tr("read by")));
    row->addWidget(who_);
    row->addStretch();
    row->addWidget(take_);
    row->addWidget(back);
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addWidget(says_);
    layout->addWidget(text_, 1);
    layout->addLayout(row);
    connect(read_, &QPushButton::clicked, this, &CalibrationPanel::startOrStop);
    connect(take_, &QPushButton::clicked, this, &CalibrationPanel::take);
    connect(back, &QPushButton::clicked, this, &CalibrationPanel::leave);
    clock_.setInterval(200);
    connect(&clock_, &QTimer::timeout, this, &CalibrationPanel::showState);
    showState();
}

CalibrationPanel::~CalibrationPanel()
{
    if (input_) {
        input_->stop();
    }
}

void CalibrationPanel::prepare()
{
    const QString chosen = who_->currentText();
    who_->clear();
    for (const QString& name : media::microphoneNames()) {
        who_->addItem(name, name);
    }
    who_->addItem(tr("Simulated reader"), QStringLiteral("simulated"));
    who_->setCurrentIndex(std::max(0, who_->findText(chosen)));
    plan_ = callsFor(document_.prepared().plan, length_s_);
    QStringList lines;
    for (const auto& call : plan_.calls) {
        lines << QString::fromStdString(call.text);
    }
    text_->setPlainText(lines.join(QLatin1Char('\n')));
    measured_.reset();
    state_ = State::ready;
    showState();
}

void CalibrationPanel::startOrStop()
{
    state_ == State::reading ? stop() : start();
}

void CalibrationPanel::start()
{
    if (plan_.calls.empty() || state_ == State::finding) {
        return;
    }
    samples_.clear();
    measured_.reset();
    if (who_->currentData().toString() == QStringLiteral("simulated")) {
        auto reading = media::readAloud(plan::readOn(plan_, kSimulated), {}, 1, 0.0, length_s_);
        input_ = media::makeSimulatedReader(std::move(reading));
    } else {
        input_ = media::makeMicrophone(who_->currentData().toString());
    }
    connect(input_.get(), &media::VoiceInput::samplesReady, this, [this](const QByteArray& bytes) {
        const auto* first = reinterpret_cast<const std::int16_t*>(bytes.constData());
        samples_.insert(samples_.end(), first, first + bytes.size() / 2);
    });
    connect(input_.get(), &media::VoiceInput::failed, this, [this](const QString& why) {
        emit document_.message(why);
        QTimer::singleShot(0, this, &CalibrationPanel::prepare);
        QTimer::singleShot(0, this, [this] { input_.reset(); });
    });
    state_ = State::reading;
    text_->moveCursor(QTextCursor::Start);
    since_start_.start();
    clock_.start();
    input_->start();
    showState();
}

void CalibrationPanel::stop()
{
    clock_.stop();
    if (input_) {
        input_->stop();
        input_.reset();
    }
    state_ = State::finding;
    showState();
    find();
}

void CalibrationPanel::find()
{
    std::vector<media::ExpectedNote> expected;
    for (std::size_t c = 0; c < plan_.calls.size(); ++c) {
        expected.push_back({std::to_string(c), wordsOf(plan_, plan_.calls[c]), {}});
    }
    const auto before = document_.stage().reader;
    struct Measured {
        std::optional<plan::Reader> reader;
        int calls = 0;
    };
    finding_ = inBackground(
        this,
        [expected = std::move(expected), before,
            sound = media::Sound{std::move(samples_), media::kRecordingRate_hz}](
            const media::Progress& progress) {
            const auto calls = readCalls(expected, media::align(sound, expected, progress).notes);
            return Measured{plan::calibratedReader(before, calls), static_cast<int>(calls.size())};
        },
        [this](Outcome<Measured> measured) {
            if (!measured.value) {
                emit document_.message(measured.why);
            }
            const auto found = measured.value.value_or(Measured{});
            show(found.reader, found.calls);
        });
}

void CalibrationPanel::show(const std::optional<plan::Reader>& reader, int calls)
{
    measured_ = reader;
    state_ = State::measured;
    showState();
    if (!reader) {
        says_->setText(
            tr("Only %1 calls were heard, too few to measure from. Read on a little longer, close to "
               "the microphone.")
                .arg(calls));
        return;
    }
    says_->setText(tr("From %1 calls: %2 syllables a second, at most %3; a breath of %4 s; at longest %5 s "
                      "without one.")
                       .arg(calls)
                       .arg(reader->rate_syll_s, 0, 'f', 1)
                       .arg(reader->fastest_syll_s, 0, 'f', 1)
                       .arg(reader->breath_s, 0, 'f', 2)
                       .arg(reader->longest_run_s, 0, 'f', 1));
}

void CalibrationPanel::take()
{
    if (measured_) {
        document_.setReader(*measured_, tr("Measure the reader by reading aloud"));
        leave();
    }
}

void CalibrationPanel::leave()
{
    clock_.stop();
    if (input_) {
        input_->stop();
        input_.reset();
    }
    state_ = State::ready;
    emit done();
}

void CalibrationPanel::showState()
{
    const double read_s = 0.001 * static_cast<double>(since_start_.isValid() ? since_start_.elapsed() : 0);
    if (state_ == State::reading && read_s >= length_s_) {
        stop();
        return;
    }
    switch (state_) {
    case State::ready:
        says_->setText(plan_.calls.empty()
                ? tr("There is nothing to read yet: write the notes (F1).")
                : tr("Read these calls aloud as you would in the car, one after another, without waiting for "
                     "the road."));
        break;
    case State::reading:
        says_->setText(tr("Reading: %1 s left. Stop when you have had enough.")
                           .arg(std::max(0L, std::lround(length_s_ - read_s))));
        break;
    case State::finding: says_->setText(tr("Finding your calls in the recording\u2026")); break;
    case State::measured: break;
    }
    read_->setText(state_ == State::reading ? tr("Stop")
            : state_ == State::measured     ? tr("Read again")
                                            : tr("Start reading"));
    read_->setEnabled(state_ != State::finding && !plan_.calls.empty());
    who_->setEnabled(state_ == State::ready || state_ == State::measured);
    take_->setVisible(measured_.has_value());
}

} // namespace brumefall::app
