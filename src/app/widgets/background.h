/// The one way into the background: work that takes longer than a frame is done beside the window, on its own
/// copy of what it needs, and its result comes back into the window's thread.
#pragma once

#include "media/sound.h"

#include <QCoreApplication>
#include <QPointer>
#include <QThreadPool>

#include <atomic>
#include <functional>
#include <memory>
#include <optional>
#include <utility>

namespace brumefall::app {

/// What came of work in the background: its value, or why there is none, in words for the user.
template <typename Value> struct Outcome {
    std::optional<Value> value;
    QString why;
};

/// A piece of work that goes on until it is done, cancelled, or this is destroyed or given another one.
class Job {
public:
    Job() = default;
    explicit Job(std::shared_ptr<std::atomic<bool>> over)
        : over_(std::move(over))
    {
    }
    Job(Job&& other) noexcept = default;
    Job& operator=(Job&& other) noexcept
    {
        cancel();
        over_ = std::move(other.over_);
        return *this;
    }
    Job(const Job&) = delete;
    Job& operator=(const Job&) = delete;
    ~Job() { cancel(); }

    void cancel()
    {
        if (over_) {
            *over_ = true;
        }
    }

private:
    std::shared_ptr<std::atomic<bool>> over_;
};

/// Does `work(progress)` in `pool`, then `done(outcome)` in the window's thread, unless it was cancelled or
/// `owner` is gone by then. `work` throws what it cannot do; it asks `progress` now and then, which answers
/// false once it is cancelled and is told to `told` in the window's thread.
template <typename Work, typename Done>
[[nodiscard]] Job inBackground(QObject* owner, Work work, Done done, std::function<void(double)> told = {},
    QThreadPool* pool = QThreadPool::globalInstance())
{
    using Value = std::invoke_result_t<Work, const media::Progress&>;
    auto over = std::make_shared<std::atomic<bool>>(false);
    pool->start([owner = QPointer<QObject>(owner), over, work = std::move(work), done = std::move(done),
                    told = std::move(told)]() mutable {
        const auto inWindow = [&](auto act) {
            if (auto* application = QCoreApplication::instance()) {
                QMetaObject::invokeMethod(
                    application,
                    [owner, over, act = std::move(act)]() mutable {
                        if (owner && !*over) {
                            act();
                        }
                    },
                    Qt::QueuedConnection);
            }
        };
        const media::Progress progress = [&](double share) {
            if (told && !*over) {
                inWindow([told, share] { told(share); });
            }
            return !over->load();
        };
        Outcome<Value> outcome;
        if (!*over) {
            try {
                outcome.value = work(progress);
            } catch (const std::exception& error) {
                outcome.why = QString::fromStdString(error.what());
            }
        }
        inWindow(
            [done = std::move(done), outcome = std::move(outcome)]() mutable { done(std::move(outcome)); });
    });
    return Job(over);
}

} // namespace brumefall::app
