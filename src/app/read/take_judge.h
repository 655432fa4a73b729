/// Finds the calls in takes and judges them, in the background, and keeps each where it belongs, whatever is
/// open by then.
#pragma once

#include "document/document.h"
#include "media/sound.h"
#include "read/live_search.h"
#include "widgets/background.h"

#include <QObject>
#include <QThreadPool>

#include <filesystem>
#include <map>
#include <memory>
#include <string>

namespace brumefall::app {

class TakeJudge : public QObject {
    Q_OBJECT

public:
    /// All that a take needs to be judged and kept.
    struct Work {
        stage::Take take;
        std::filesystem::path folder; ///< of its stage
        std::filesystem::path video; ///< that it was read along; empty for none
        double go_s = 0.0; ///< in that
    };

    TakeJudge(Document& document, QObject* parent);

    /// `heard` is what was found while it was read; `played` the video's sound, where it is decoded already.
    void judge(Work work, const std::shared_ptr<LiveSearch>& heard = {},
        const std::shared_ptr<const media::Sound>& played = {});
    /// Looks for the calls of a kept take again, or for the first time after a crash.
    void judgeAgain(const stage::Take& take);
    /// The same for every take of the open stage that was recorded and never judged.
    void judgeWhatWasLeft();
    /// A take is being judged, or this one of the open stage.
    [[nodiscard]] bool isJudging() const { return !judging_.empty(); }
    [[nodiscard]] bool isJudging(const std::string& take) const;
    /// What is not judged now is at the next start.
    void stop() { judging_.clear(); }

    /// Keeps it where it belongs: in the open stage, or in the folder of the one that was open.
    void keep(const Work& work);
    /// Its stage is the one that is open.
    [[nodiscard]] bool isHere(const Work& work) const;
    /// For what goes on while a take is read.
    [[nodiscard]] QThreadPool& livePool() { return live_pool_; }

signals:
    void judging(double share);
    void judged(const QString& take);
    void failed(const QString& why);

private:
    void finish(Work work, const QString& why);
    /// Null where the open stage has no such take.
    [[nodiscard]] const stage::Take* keptTake(const std::string& name) const;

    Document& document_;
    QThreadPool pool_; ///< one take after another
    QThreadPool live_pool_; ///< the take that is read
    std::map<std::filesystem::path, Job> judging_; ///< takes, by stage folder and name
};

} // namespace brumefall::app
