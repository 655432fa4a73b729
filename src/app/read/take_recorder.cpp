#include "read/take_recorder.h"

#include "read/latency_check.h"

#include <QDateTime>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

constexpr double kStutter_s = 0.25;
constexpr double kLost_s = 0.15; ///< a device that gives its sound later than that has lost some
constexpr double kLate_s = 0.6; ///< it gives it at once after so long, or never
constexpr double kDumb_s = 1.5; ///< without sound: the device is gone
constexpr double kOpens_s = 2.0; ///< some take that long to give the first of it
constexpr double kTick_s = 0.25; ///< a device is looked after so often
constexpr double kShortest_s = 0.2; ///< of a take

} // namespace

QString takeNameNow()
{
    return QDateTime::currentDateTime().toString(QStringLiteral("yyyy-MM-dd HH.mm.ss"));
}

TakeRecorder::TakeRecorder(Document& document, Transport& transport, QObject* parent)
    : QObject(parent)
    , document_(document)
    , transport_(transport)
    , judge_(document, this)
{
    connect(&judge_, &TakeJudge::judging, this, &TakeRecorder::judging);
    connect(&judge_, &TakeJudge::judged, this, &TakeRecorder::judged);
    connect(&judge_, &TakeJudge::failed, this, &TakeRecorder::failed);
    connect(&follower_, &VoiceFollower::told, this, [this](int note, double end_s) {
        const auto& notes = recording_.take.plan.notes;
        if (running_ && static_cast<std::size_t>(note) < notes.size()) {
            emit noteHeard(QString::fromStdString(notes[static_cast<std::size_t>(note)].id),
                recording_.take.clock.stageTime(end_s));
        }
    });
    waiting_.setInterval(10);
    connect(&waiting_, &QTimer::timeout, this, [this] {
        if (runsSteadily()) {
            waiting_.stop();
            begin();
        }
    });
    watch_.setInterval(static_cast<int>(1e3 * kTick_s));
    connect(&watch_, &QTimer::timeout, this, &TakeRecorder::watchDevice);
    connect(&transport_, &Transport::ticked, this, [this] {
        // by the take's own clock: what is chosen meanwhile changes nothing in it
        if (running_ && !paused_ && stageTime() >= wish_.to_s) {
            stop();
        }
    });
    connect(&transport_, &Transport::ended, this, [this] {
        if (running_ && !paused_) {
            stop(); // the video is over
        }
    });
}

TakeRecorder::~TakeRecorder()
{
    if (input_) {
        input_->stop();
    }
    judge_.stop();
}

double TakeRecorder::recorded_s() const
{
    return writer_ ? writer_->duration_s() : recording_.take.recorded_s;
}

void TakeRecorder::start(std::unique_ptr<media::VoiceInput> input, const Wish& wish)
{
    if (input_ || document_.prepared().plan.notes.empty()) {
        return;
    }
    recording_ = {};
    wish_ = wish;
    latency_s_ = latencyOf_s(input->name());
    paused_ = false;
    resuming_ = false;
    recording_.folder = document_.folder();
    const std::string now = takeNameNow().toStdString();
    recording_.take.name = now;
    std::error_code none;
    for (int i = 2;
         std::filesystem::exists(recording_.folder / "takes" / (recording_.take.name + ".flac"), none); ++i) {
        recording_.take.name = now + " " + std::to_string(i);
    }
    recording_.video = document_.mediaFile().toStdString();
    recording_.take.pass = document_.pass() == nullptr ? "" : document_.pass()->name;
    recording_.take.way = wish.way;
    recording_.take.first = wish.first;
    recording_.take.last = wish.last;
    recording_.take.made_at = QDateTime::currentDateTime().toString(Qt::ISODate).toStdString();
    recording_.take.reader = input->name().toStdString();
    recording_.take.plan = document_.prepared().plan;
    recording_.take.pace = document_.prepared().placement.pace;
    recording_.take.audio = recording_.take.name + ".flac";
    pairs_.clear();
    unbroken_from_ = 0;
    lost_s_ = 0.0;
    clock_kept_s_ = 0.0;
    running_ = false;
    input_failed_ = false;
    wall_.start();
    input_ = std::move(input);
    connect(input_.get(), &media::VoiceInput::samplesReady, this, &TakeRecorder::takeSamples);
    connect(input_.get(), &media::VoiceInput::failed, this, [this](const QString& why) {
        emit failed(why);
        input_failed_ = true;
        QTimer::singleShot(0, this, &TakeRecorder::stop);
    });
    transport_.setRate(wish.rate);
    transport_.seekStage(wish.from_s);
    transport_.hold(true);
    laid_ = transport_.laid();
    recording_.go_s = laid_.go_s;
    transport_.player().play();
    warm_up_.clear();
    since_start_.start();
    waiting_.start();
}

/// A player that starts first shows pictures and then waits for its sound: its time is true only when it
/// has kept step with the wall clock for a while.
bool TakeRecorder::runsSteadily()
{
    constexpr double kWatch_s = 0.4;
    constexpr double kSteady_s = 0.015;
    constexpr double kPatience_s = 3.0;
    if (!transport_.player().isRunning()) {
        return false;
    }
    const double wall_s = 0.001 * static_cast<double>(since_start_.elapsed());
    warm_up_.push_back({0.0, stageTime(), wall_s});
    std::erase_if(warm_up_, [&](const Pair& pair) { return pair.wall_s < wall_s - kWatch_s; });
    const double rate = transport_.rate();
    const auto ahead = [rate](const Pair& pair) { return pair.stage_s - rate * pair.wall_s; };
    const auto [low, high] = std::minmax_element(
        warm_up_.begin(), warm_up_.end(), [&](const Pair& a, const Pair& b) { return ahead(a) < ahead(b); });
    const bool watched = wall_s - warm_up_.front().wall_s > 0.9 * kWatch_s;
    return wall_s > kPatience_s || (watched && ahead(*high) - ahead(*low) < kSteady_s);
}

void TakeRecorder::begin()
{
    if (!input_) {
        return;
    }
    silent_ticks_ = 0;
    watch_.start();
    if (resuming_) {
        input_->start();
        return;
    }
    running_ = true;
    recording_.take.clock = {stageTime(), transport_.rate()};
    heard_ = std::make_shared<LiveSearch>(
        take::expectedNotes(recording_.take.plan, recording_.take.clock), judge_.livePool());
    // kept from the start, and before its sound, so that a crash loses the verdicts only
    judge_.keep(recording_);
    try {
        const auto file = recording_.folder / "takes" / recording_.take.audio;
        std::error_code ignored;
        std::filesystem::create_directories(file.parent_path(), ignored);
        writer_ = std::make_unique<media::SoundWriter>(file, media::kRecordingRate_hz);
    } catch (const media::MediaError& error) {
        emit failed(QString::fromStdString(error.what()));
        discard();
        return;
    }
    follower_.start(recording_.take.plan, recording_.take.clock.offset_s);
    decodeVideo();
    input_->start();
    emit started();
}

void TakeRecorder::takeSamples(const QByteArray& bytes)
{
    if (!writer_ || !running_) {
        return;
    }
    if (paused_) {
        return;
    }
    std::span samples(
        reinterpret_cast<const std::int16_t*>(bytes.constData()), static_cast<std::size_t>(bytes.size()) / 2);
    silent_ticks_ = 0;
    emit levelChanged(media::loudest(bytes));
    if (resuming_) {
        samples = fitted(samples);
        if (samples.empty()) {
            return;
        }
        resuming_ = false;
        unbroken_from_ = pairs_.size();
        emit pausedChanged(false);
    }
    write(samples);
    if (writer_ && transport_.player().isPlaying() && !transport_.player().isSeeking()) {
        pairs_.push_back({writer_->duration_s(), stageTime(), 0.001 * static_cast<double>(wall_.elapsed())});
        mendGap();
        keepClock();
    }
}

void TakeRecorder::mendGap()
{
    const auto behind = [](const Pair& pair) { return pair.wall_s - pair.recorded_s; };
    const double now_s = pairs_.back().wall_s;
    const auto first = pairs_.begin() + static_cast<std::ptrdiff_t>(std::min(unbroken_from_, pairs_.size()));
    const auto since = [&](double s) {
        return std::partition_point(
            first, pairs_.end(), [&](const Pair& pair) { return pair.wall_s <= now_s - s; });
    };
    const auto recent = since(kLate_s);
    const auto before = since(2.0 * kLate_s);
    if (before == first || before == recent || recent == pairs_.end()) {
        return;
    }
    const auto least = [&](auto from, auto to) {
        return behind(
            *std::min_element(from, to, [&](const Pair& a, const Pair& b) { return behind(a) < behind(b); }));
    };
    const double lost_s = least(recent, pairs_.end()) - least(before, recent);
    if (lost_s < kLost_s) {
        return;
    }
    pairs_.erase(recent, pairs_.end()); // of sound that stands too early by what was lost
    lost_s_ += lost_s;
    write(std::vector<std::int16_t>(
        static_cast<std::size_t>(std::llround(lost_s * media::kRecordingRate_hz)), 0));
}

/// The clock is known better the longer it runs: a take that is cut off by a crash has it, too.
void TakeRecorder::keepClock()
{
    constexpr double kFirst_s = 1.5;
    constexpr double kThen_s = 10.0;
    const double recorded_s = writer_ ? writer_->duration_s() : 0.0;
    if (recorded_s - clock_kept_s_ < (clock_kept_s_ > 0.0 ? kThen_s : kFirst_s)) {
        return;
    }
    clock_kept_s_ = recorded_s;
    TakeJudge::Work now = recording_;
    now.take.clock = heardClock();
    judge_.keep(now);
}

take::Clock TakeRecorder::heardClock() const
{
    auto clock = fitClock();
    clock.offset_s -= latency_s_ * clock.rate;
    return clock;
}

void TakeRecorder::watchDevice()
{
    const double patience_s = recorded_s() > 0.0 ? kDumb_s : kOpens_s;
    if (!running_ || paused_ || resuming_) {
        return;
    }
    // told by what was looked at, not by the clock: after the machine itself was held up, the sound comes
    // next
    if (++silent_ticks_ * kTick_s < patience_s) {
        return;
    }
    if (recorded_s() >= kShortest_s) { // else there is no take, and that is said
        emit failed(tr("%1 has given no sound for %2 s: it was unplugged, or the system put it to sleep. The "
                       "take is ended; what was recorded is kept.")
                        .arg(QString::fromStdString(recording_.take.reader))
                        .arg(patience_s, 0, 'f', 1));
    }
    stop();
}

void TakeRecorder::write(std::span<const std::int16_t> samples)
{
    try {
        writer_->write(samples);
    } catch (const media::MediaError& error) {
        emit failed(QString::fromStdString(error.what()));
        QTimer::singleShot(0, this, &TakeRecorder::stop);
        return;
    }
    const QByteArray bytes(
        reinterpret_cast<const char*>(samples.data()), static_cast<qsizetype>(2 * samples.size()));
    follower_.hear(bytes);
    heard_->hear(bytes);
}

std::span<const std::int16_t> TakeRecorder::fitted(std::span<const std::int16_t> samples)
{
    if (stageTime() < paused_at_s_) {
        return {}; // it was said already
    }
    // where the end of these samples belongs, by the clock of what was recorded before
    const double end_s = fitClock().recordingTime(stageTime());
    const auto wanted =
        static_cast<long long>(std::llround((end_s - writer_->duration_s()) * media::kRecordingRate_hz));
    const auto given = static_cast<long long>(samples.size());
    if (wanted > given) {
        write(std::vector<std::int16_t>(static_cast<std::size_t>(wanted - given), 0));
        return samples;
    }
    return samples.subspan(static_cast<std::size_t>(std::min(given, given - std::max(0LL, wanted))));
}

void TakeRecorder::pause()
{
    if (!running_ || paused_) {
        return;
    }
    input_->stop();
    paused_ = true;
    waiting_.stop();
    if (!std::exchange(resuming_, false)) {
        paused_at_s_ = stageTime();
    }
    transport_.player().pause();
    emit pausedChanged(true);
}

void TakeRecorder::resume()
{
    constexpr double kRunUp_s = 2.0; // to find into the rhythm again, and for the video to run steadily
    if (!paused_) {
        return;
    }
    paused_ = false;
    resuming_ = true;
    transport_.seekStage(paused_at_s_ - kRunUp_s * transport_.rate());
    transport_.player().play();
    warm_up_.clear();
    since_start_.start();
    waiting_.start();
}

std::vector<double> TakeRecorder::offsets_s() const
{
    const double rate = transport_.rate();
    std::vector<double> offsets;
    offsets.reserve(pairs_.size());
    for (const Pair& pair : pairs_) {
        offsets.push_back(pair.stage_s - rate * pair.recorded_s);
    }
    std::sort(offsets.begin(), offsets.end());
    return offsets;
}

take::Clock TakeRecorder::fitClock() const
{
    const auto offsets = offsets_s();
    return offsets.empty() ? recording_.take.clock
                           : take::Clock{offsets[offsets.size() / 2], transport_.rate()};
}

double TakeRecorder::stoodStill_s() const
{
    constexpr std::size_t kEnough = 50;
    const auto offsets = offsets_s();
    return offsets.size() < kEnough ? 0.0
                                    : offsets[offsets.size() * 98 / 100] - offsets[offsets.size() * 2 / 100];
}

/// Input and video stand still; what was recorded is a file, on its clock.
void TakeRecorder::endRecording()
{
    waiting_.stop();
    watch_.stop();
    const auto input = std::move(input_);
    input->stop();
    follower_.stop();
    transport_.player().pause();
    transport_.hold(false);
    recording_.take.clock = heardClock();
    recording_.take.recorded_s = writer_ ? writer_->duration_s() : 0.0;
    writer_.reset();
    paused_ = false;
    resuming_ = false;
    if (!running_) {
        std::error_code ignored;
        std::filesystem::remove(recording_.folder / "takes" / recording_.take.audio, ignored);
    }
}

void TakeRecorder::stop()
{
    if (!input_) {
        return;
    }
    endRecording();
    if (!std::exchange(running_, false)) {
        return;
    }
    const QString reader = QString::fromStdString(recording_.take.reader);
    if (recording_.take.recorded_s < kShortest_s) {
        const bool silent = recording_.take.recorded_s <= 0.0;
        heard_.reset();
        throwAway();
        if (!input_failed_) { // else it is said why
            emit failed(silent
                    ? tr("%1 gave no sound: there is no take. Choose another microphone, or see that it is "
                         "plugged in.")
                          .arg(reader)
                    : tr("That was too short for a take."));
        }
        emit discarded();
        return;
    }
    judge_.keep(recording_);
    judge_.judge(recording_, std::exchange(heard_, {}), std::exchange(played_, {}));
    // once it is judged already: a practice goes on all the same
    if (lost_s_ > 0.0) {
        emit failed(tr("%1 lost %2 s of sound in this take; what followed keeps its time.")
                        .arg(reader)
                        .arg(lost_s_, 0, 'f', 1));
    } else if (const double stood_s = stoodStill_s(); stood_s > kStutter_s) {
        const QString what = recording_.video.empty()
            ? tr("The stage's clock stood still for %1 s in this take; the verdicts may be off by as much.")
            : tr("The video stood still for %1 s in this take; the verdicts may be off by as much.");
        emit failed(what.arg(stood_s, 0, 'f', 1));
    }
}

void TakeRecorder::discard()
{
    if (!input_) {
        return;
    }
    endRecording();
    heard_.reset();
    decoding_ = {};
    played_.reset();
    const bool begun = std::exchange(running_, false);
    if (begun && recording_.take.recorded_s < kShortest_s) {
        throwAway();
    } else if (begun) {
        judge_.keep(recording_);
        if (judge_.isHere(recording_)) {
            document_.removeTake(QString::fromStdString(recording_.take.name));
        }
    }
    emit discarded();
}

void TakeRecorder::throwAway()
{
    std::error_code ignored;
    std::filesystem::remove(recording_.folder / "takes" / recording_.take.audio, ignored);
    if (judge_.isHere(recording_)) {
        document_.forgetTake(recording_.take.name);
    } else {
        std::filesystem::remove(recording_.folder / "takes" / (recording_.take.name + ".json"), ignored);
    }
}

double TakeRecorder::stageTime() const
{
    return laid_.stageTime(transport_.player().position_s());
}

void TakeRecorder::decodeVideo()
{
    played_.reset();
    if (recording_.video.empty()) {
        return;
    }
    decoding_ = inBackground(
        this,
        [video = recording_.video](const media::Progress& progress) {
            return media::decodeSound(video, media::kAlignRate_hz, progress);
        },
        [this](Outcome<media::Sound> sound) {
            if (sound.value && isRecording()) {
                played_ = std::make_shared<const media::Sound>(std::move(*sound.value));
                if (recording_.take.clock.rate == 1.0) { // at another, the loudspeaker gives other sound
                    heard_->setPlayed(
                        played_, recording_.take.clock.offset_s + recording_.go_s, follower_.takesOut());
                }
            }
        });
}

} // namespace brumefall::app
