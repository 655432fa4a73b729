#include "read/voice_follower.h"

#include "media/input.h"
#include "media/sound.h"

#include <algorithm>
#include <span>
#include <utility>

namespace brumefall::app {

static_assert(media::kRecordingRate_hz == media::kAlignRate_hz);

VoiceFollower::VoiceFollower(QObject* parent)
    : QObject(parent)
    , there_(new QObject)
{
    there_->moveToThread(&thread_);
    connect(&thread_, &QThread::finished, there_, &QObject::deleteLater);
    thread_.start(QThread::LowPriority);
}

VoiceFollower::~VoiceFollower()
{
    stop();
    thread_.quit();
    thread_.wait();
}

void VoiceFollower::start(const plan::Plan& plan, double due_s)
{
    ear_ = std::make_shared<Ear>();
    const auto due = std::find_if(
        plan.notes.begin(), plan.notes.end(), [&](const auto& note) { return note.start_s >= due_s; });
    const auto first = static_cast<std::size_t>(due - plan.notes.begin());
    QMetaObject::invokeMethod(there_, [ear = ear_, expected = take::expectedNotes(plan), first] {
        try {
            ear->follower = std::make_unique<media::Follower>(expected, first);
        } catch (const media::MediaError&) {
            // without the model nobody follows; judging says so
        }
    });
}

void VoiceFollower::hear(const QByteArray& bytes)
{
    if (!ear_) {
        return;
    }
    QMetaObject::invokeMethod(there_, [this, ear = ear_, bytes] {
        if (!ear->follower || ear->over) {
            return;
        }
        const std::span samples(reinterpret_cast<const std::int16_t*>(bytes.constData()),
            static_cast<std::size_t>(bytes.size()) / 2);
        ear->heard += samples.size();
        if (ear->without) {
            ear->follower->hear(ear->without->next(samples));
        } else {
            ear->follower->hear(samples);
        }
        const auto& all = ear->follower->told();
        for (; ear->told < all.size(); ++ear->told) {
            emit told(static_cast<int>(all[ear->told].note), all[ear->told].span.end_s);
        }
    });
}

std::function<void(std::shared_ptr<media::WithoutPlayed>)> VoiceFollower::takesOut() const
{
    return [there = there_, ear = ear_](std::shared_ptr<media::WithoutPlayed> filter) {
        QMetaObject::invokeMethod(there, [ear, filter = std::move(filter)] {
            filter->goOnAt(ear->heard);
            ear->without = filter;
        });
    };
}

void VoiceFollower::stop()
{
    if (ear_) {
        ear_->over = true;
        ear_.reset();
    }
}

} // namespace brumefall::app
