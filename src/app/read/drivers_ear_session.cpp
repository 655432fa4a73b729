#include "read/drivers_ear_session.h"

#include "read/guide_voice.h"

#include <algorithm>

namespace brumefall::app {

DriversEarSession::DriversEarSession(Document& document, Transport& transport, QObject* parent)
    : QObject(parent)
    , document_(document)
    , transport_(transport)
{
    connect(&transport_, &Transport::ticked, this, &DriversEarSession::showTime);
    connect(&document_, &Document::opened, this, &DriversEarSession::end);
}

void DriversEarSession::begin(double from_s, double rate)
{
    on_ = true;
    ear_.emplace(document_.stage().driver);
    heard_last_.clear();
    pressed_.clear();
    replan();
    passed_ = static_cast<std::size_t>(std::count_if(prepared_.plan.notes.begin(), prepared_.plan.notes.end(),
        [&](const auto& note) { return note.arrive_s < from_s; }));
    transport_.setRate(rate);
    transport_.seekStage(from_s);
    renewVoice();
    emit changed();
}

void DriversEarSession::end()
{
    if (!std::exchange(on_, false)) {
        return;
    }
    voice_.cancel();
    transport_.player().pause();
    transport_.setGuide({}, 0.0);
    emit changed();
}

void DriversEarSession::replan()
{
    stage::Stage stage = document_.stage();
    stage.driver = ear_->toTry();
    prepared_ = document_.preparedAs(stage);
}

/// The calls from here on are said anew; what is being said goes on until they are ready.
void DriversEarSession::renewVoice()
{
    const double from_s = transport_.stageTime() + (transport_.player().isPlaying() ? 1.0 : 0.0);
    auto plan = prepared_.plan;
    std::erase_if(plan.calls, [&](const auto& call) { return call.start_s < from_s; });
    plan.line_up.clear();
    voice_ = makeGuideVoice(this, plan, transport_.laid(), [this](Outcome<media::Reading> reading) {
        if (!reading.value) {
            emit failed(reading.why);
            return;
        }
        transport_.setGuide(reading.value->sound, reading.value->from_s);
        transport_.player().play();
        emit changed();
    });
}

std::optional<plan::LeadClass> DriversEarSession::classOf(const std::string& id) const
{
    for (const auto& call : prepared_.notes.calls) {
        for (const auto& note : call.notes) {
            if (note.id == id) {
                return plan::leadClass(note, prepared_.notes.style.scale);
            }
        }
    }
    return {};
}

void DriversEarSession::press(tune::Said said)
{
    const auto lead_class = on_ ? classOf(heard_last_) : std::nullopt;
    if (!lead_class || heard_last_ == pressed_) { // once a note
        return;
    }
    pressed_ = heard_last_;
    ear_->press(*lead_class, said);
    replan();
    renewVoice();
    emit changed();
}

void DriversEarSession::showTime(double stage_s)
{
    if (!on_ || !transport_.player().isPlaying()) {
        return;
    }
    constexpr double kThink_s = 1.5; ///< after the note's place, nothing is said of it any more
    const auto& notes = prepared_.plan.notes;
    for (const auto& note : notes) {
        if (note.end_s <= stage_s && note.echo_of.empty()) {
            heard_last_ = note.id;
        }
    }
    for (; passed_ < notes.size() && notes[passed_].arrive_s + kThink_s < stage_s; ++passed_) {
        const auto lead_class = classOf(notes[passed_].id);
        if (lead_class && notes[passed_].id != pressed_) {
            ear_->pass(*lead_class);
            emit changed();
        }
    }
    if (passed_ >= notes.size()) {
        end();
    }
}

std::optional<plan::Driver> DriversEarSession::heard() const
{
    if (!ear_) {
        return {};
    }
    const auto heard = ear_->heard();
    return heard == document_.stage().driver ? std::nullopt : std::optional(heard);
}

QString DriversEarSession::words() const
{
    if (!ear_) {
        return {};
    }
    const std::array names{
        tr("fast corners"), tr("medium corners"), tr("slow corners"), tr("things on the road")};
    QStringList parts;
    for (std::size_t c = 0; c < plan::kLeadClasses; ++c) {
        const auto& stairs = ear_->of(static_cast<plan::LeadClass>(c));
        QString part =
            tr("%1 %2 s").arg(names.at(c)).arg(stairs.estimate_s().value_or(stairs.lead_s()), 0, 'f', 2);
        if (stairs.isSettled()) {
            part += tr(" (found)");
        } else if (stairs.presses() > 0) {
            part += tr(" (said %1\u00d7)").arg(stairs.presses());
        }
        parts << part;
    }
    return parts.join(QStringLiteral(" \u00b7 "));
}

} // namespace brumefall::app
