#include "read/practice.h"

#include "media/car_noise.h"
#include "read/guide_voice.h"

#include <QDateTime>

#include <algorithm>
#include <cmath>

namespace brumefall::app {
namespace {

using take::Way;

constexpr double kWarmUp_s = 1.5; ///< the video runs steadily before the voice is taken down
constexpr double kListen_s = 30.0; ///< of a stretch that nobody chose
constexpr double kAfterFinish_s = 3.0;

double endOf(const plan::Plan& plan)
{
    return plan.notes.empty()
        ? 0.0
        : std::max(plan.calls.back().end_s, plan.notes.back().arrive_s) + kAfterFinish_s;
}

} // namespace

Practice::Practice(
    Document& document, Transport& transport, TakeRecorder& recorder, Reader reader, QObject* parent)
    : QObject(parent)
    , document_(document)
    , transport_(transport)
    , recorder_(recorder)
    , reader_(std::move(reader))
    , ear_(document, transport)
{
    connect(&transport_, &Transport::ticked, this, &Practice::showTime);
    connect(&transport_, &Transport::playingChanged, this, [this](bool playing) {
        if (!playing && state_ == State::listening && transport_.stageTime() >= stretch_.to_s - 0.2) {
            record();
        }
    });
    connect(&recorder_, &TakeRecorder::started, this, [this] {
        state_ = State::reading;
        emit changed();
    });
    connect(&recorder_, &TakeRecorder::noteHeard, this, &Practice::heardNote);
    connect(&recorder_, &TakeRecorder::judging, this, [this] {
        if (state_ == State::reading && !recorder_.isRecording()) {
            state_ = State::judging; // it stopped by itself
            dark_ = false;
            emit changed();
        }
    });
    connect(&recorder_, &TakeRecorder::judged, this, &Practice::judged);
    connect(&recorder_, &TakeRecorder::failed, this, [this] {
        if (!recorder_.isRecording() && !recorder_.isJudging()) {
            finish({});
        }
    });
    connect(&document_, &Document::opened, this, [this] {
        begun_ = false;
        finish({});
    });
    connect(&ear_, &DriversEarSession::changed, this, &Practice::changed);
    connect(&ear_, &DriversEarSession::failed, this, &Practice::failed);
}

void Practice::begin(const Wish& wish)
{
    if (isOn() || recorder_.isRecording() || document_.prepared().plan.notes.empty()) {
        return;
    }
    wish_ = wish;
    begun_ = true;
    choose();
    start();
}

/// From the beginning of what was chosen.
void Practice::start()
{
    clean_ = 0;
    empty_ = 0;
    readings_ = 0;
    result_.clear();
    if (wish_.way == Way::drivers_ear) {
        ear_.begin(stretch_.from_s, wish_.rate);
    } else if (wish_.way == Way::listen_first) {
        listen();
    } else {
        record();
    }
}

/// The notes to read, and where the video starts for them.
void Practice::choose()
{
    const plan::Plan& plan = document_.prepared().plan;
    const double now_s = transport_.stageTime();
    const bool chosen = wish_.last > wish_.first;
    const auto seed = seed_.value_or(static_cast<std::uint32_t>(QDateTime::currentMSecsSinceEpoch()));
    place_hidden_ = wish_.way == Way::thrown_in;
    if (wish_.way == Way::thrown_in) {
        const auto& call = plan.calls[take::throwIn(plan, seed)];
        stretch_ = take::stretchOf(plan, call.first, plan.notes.size());
        stretch_.from_s = call.start_s - kWarmUp_s;
    } else if (chosen) {
        stretch_ = take::stretchOf(plan, wish_.first, wish_.last);
    } else if (wish_.way == Way::stretch || wish_.way == Way::listen_first) {
        stretch_ = take::stretchFrom(plan, now_s, kListen_s);
    } else {
        const double from_s = now_s < 1.0 ? -kCountDown_s : now_s - kWarmUp_s;
        stretch_ = {0, plan.notes.size(), from_s, endOf(plan)};
    }
    if (stretch_.last == plan.notes.size()) {
        stretch_.to_s = endOf(plan);
    }
    dark_spans_.clear();
    if (wish_.way == Way::lost) {
        dark_spans_ = take::darkSpans(stretch_.from_s, stretch_.to_s, seed);
    }
}

void Practice::listen()
{
    state_ = State::preparing;
    auto plan = document_.prepared().plan;
    std::erase_if(plan.calls,
        [&](const auto& call) { return call.last <= stretch_.first || call.first >= stretch_.last; });
    plan.line_up.clear();
    voice_ = makeGuideVoice(this, plan, transport_.laid(), [this](Outcome<media::Reading> reading) {
        if (!reading.value) {
            emit failed(reading.why);
            finish({});
            return;
        }
        state_ = State::listening;
        transport_.setRate(wish_.rate);
        transport_.setGuide(reading.value->sound, reading.value->from_s);
        transport_.playStretch(stretch_.from_s, stretch_.to_s);
        emit changed();
    });
    emit changed();
}

void Practice::record()
{
    const plan::Plan& plan = document_.prepared().plan;
    if (stretch_.last > plan.notes.size()) { // the notes were changed since it was chosen
        finish(
            tr("There are fewer notes now than when this was chosen. Next: choose again, and record (R)."));
        return;
    }
    state_ = State::preparing;
    TakeRecorder::Wish wish;
    wish.from_s = stretch_.from_s;
    wish.to_s = stretch_.to_s;
    wish.rate = wish_.rate;
    wish.way = take::toString(wish_.way);
    if (stretch_.first > 0 || stretch_.last < plan.notes.size()) {
        wish.first = plan.notes[stretch_.first].id;
        wish.last = plan.notes[stretch_.last - 1].id;
    }
    ++readings_;
    reader_(wish, [this, wish, asked = ++asked_](std::unique_ptr<media::VoiceInput> voice) {
        if (asked != asked_ || state_ != State::preparing) {
            return;
        }
        playNoise();
        recorder_.start(std::move(voice), wish);
        if (!recorder_.isRecording()) {
            finish({});
        }
        emit changed();
    });
    emit changed();
}

void Practice::playNoise()
{
    if (!wish_.noise) {
        transport_.setGuide({}, 0.0);
        return;
    }
    const double length_s = (stretch_.to_s - stretch_.from_s) + 10.0;
    transport_.setGuide(media::carNoise(length_s), stretch_.from_s);
}

void Practice::heardNote(const QString& id, double end_s)
{
    if (state_ != State::reading || !place_hidden_) {
        return;
    }
    constexpr double kReadOn_s = 20.0;
    place_hidden_ = false;
    const double after_s = end_s - stretch_.from_s - kWarmUp_s;
    result_ = tr("Thrown in at note %1: the first call was said after %2 s.")
                  .arg(document_.numberOf(id.toStdString()))
                  .arg(std::max(0.0, after_s / wish_.rate), 0, 'f', 1);
    recorder_.stopAt(end_s + kReadOn_s);
    emit changed();
}

void Practice::showTime(double stage_s)
{
    if (state_ != State::reading) {
        return;
    }
    const bool dark = std::any_of(dark_spans_.begin(), dark_spans_.end(),
        [&](const take::Span& span) { return stage_s >= span.start_s && stage_s < span.end_s; });
    if (dark != dark_) {
        dark_ = dark;
        emit changed();
    }
}

void Practice::end()
{
    if (ear_.isOn()) {
        ear_.end();
        return;
    }
    ++asked_;
    voice_.cancel();
    if (state_ == State::listening) {
        transport_.player().pause();
        transport_.setGuide({}, 0.0);
    }
    const bool reading = recorder_.isRecording();
    state_ = State::idle; // nothing follows
    dark_ = false;
    place_hidden_ = false;
    if (reading) {
        recorder_.stop();
    }
    emit changed();
}

void Practice::discard()
{
    ++asked_;
    if (!recorder_.isRecording()) {
        end();
        return;
    }
    recorder_.discard();
    finish(tr("Thrown away."));
}

void Practice::again()
{
    if (!begun_ || state_ == State::judging) {
        return;
    }
    if (recorder_.isRecording()) {
        recorder_.discard();
    } else if (state_ != State::idle) {
        end();
    }
    state_ = State::idle;
    dark_ = false;
    place_hidden_ = wish_.way == Way::thrown_in;
    start();
}

void Practice::judged(const QString& name)
{
    const bool mine = recorder_.lastTake() == name.toStdString() && !recorder_.isRecording();
    const auto& takes = document_.takes();
    const auto take = std::find_if(
        takes.begin(), takes.end(), [&](const stage::Take& t) { return t.name == name.toStdString(); });
    const bool other_begun = state_ == State::preparing || state_ == State::listening;
    if (!mine || take == takes.end() || other_begun) {
        return;
    }
    if (wish_.way == Way::lost && !dark_spans_.empty()) {
        result_ = darkResult(*take);
    }
    if (state_ != State::judging || wish_.way != Way::stretch) {
        finish(result_);
        return;
    }
    const bool heard = std::any_of(
        take->verdicts.begin(), take->verdicts.end(), [](const take::Verdict& v) { return v.heard(); });
    constexpr int kEnough = 2;
    empty_ = heard ? 0 : empty_ + 1;
    if (empty_ >= kEnough) {
        finish(tr("Nobody was heard twice in a row. The stretch is not read again by itself."));
        return;
    }
    clean_ = take::isClean(take->verdicts, stretch_) ? clean_ + 1 : 0;
    if (clean_ >= wish_.clean) {
        finish(tr("Clean %1 in a row, of %2 in all. Next: the whole stage, or another stretch.")
                   .arg(clean_)
                   .arg(readings_));
        return;
    }
    record();
}

QString Practice::darkResult(const stage::Take& take) const
{
    int dark = 0;
    int dark_in_time = 0;
    int lit = 0;
    int lit_in_time = 0;
    for (std::size_t k = 0; k < std::min(take.verdicts.size(), take.plan.notes.size()); ++k) {
        const auto& verdict = take.verdicts[k];
        if (verdict.outside_take) {
            continue;
        }
        const double start_s = take.plan.notes[k].start_s;
        const bool in_dark = std::any_of(dark_spans_.begin(), dark_spans_.end(),
            [&](const take::Span& span) { return start_s >= span.start_s && start_s < span.end_s; });
        const bool in_time = verdict.timing == take::Timing::on_time;
        (in_dark ? dark : lit) += 1;
        (in_dark ? dark_in_time : lit_in_time) += in_time ? 1 : 0;
    }
    return tr("Without the page %1 of %2 notes were on time; with it %3 of %4.")
        .arg(dark_in_time)
        .arg(dark)
        .arg(lit_in_time)
        .arg(lit);
}

void Practice::finish(const QString& result)
{
    state_ = State::idle;
    dark_ = false;
    place_hidden_ = false;
    result_ = result;
    emit changed();
}

} // namespace brumefall::app
