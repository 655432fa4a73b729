#include "read/take_judge.h"

#include "media/aligner.h"
#include "media/echo.h"
#include "stage/folder.h"

#include <algorithm>
#include <utility>

namespace brumefall::app {
namespace {

/// Whether a loudspeaker may have brought the video's sound into the recording.
bool mayHoldVideo(const TakeJudge::Work& work)
{
    const bool recorded_here = !work.take.way.empty();
    return recorded_here && !work.video.empty() && work.take.clock.rate == 1.0;
}

/// What of the recording is the reader, where the video's sound is in it; nothing where it is not.
std::optional<media::Sound> withoutVideo(const TakeJudge::Work& work, const media::Sound& recorded,
    std::shared_ptr<const media::Sound> played, const media::Progress& progress)
{
    try {
        if (!played) {
            played = std::make_shared<const media::Sound>(
                media::decodeSound(work.video, media::kAlignRate_hz, progress));
        }
        return media::withoutPlayed(recorded, played, work.take.clock.offset_s + work.go_s);
    } catch (const media::MediaError&) {
        return {}; // a video without sound brings none into the recording
    }
}

/// The calls in the recording, found and judged.
void judgeIn(TakeJudge::Work& work, LiveSearch* heard, const std::shared_ptr<const media::Sound>& played,
    const media::Progress& progress)
{
    stage::Take& take = work.take;
    const auto decoded = [&] {
        return media::decodeSound(work.folder / "takes" / take.audio, media::kAlignRate_hz, progress);
    };
    std::optional<media::Sound> file;
    std::optional<media::Sound> alone; ///< the reader without the video
    const bool is_alone = heard != nullptr && heard->isWithoutVideo();
    if (!is_alone && mayHoldVideo(work)) {
        const media::Sound& recorded = heard != nullptr ? heard->recorded() : file.emplace(decoded());
        alone = withoutVideo(work, recorded, played, progress);
    }
    if (heard != nullptr && !alone) { // most of it was heard while it was read
        take.found = heard->finish(progress);
    } else {
        const media::Sound sound = alone ? std::move(*alone) : file ? std::move(*file) : decoded();
        take.recorded_s = sound.duration_s();
        take.found = media::align(sound, take::expectedNotes(take.plan, take.clock), progress).notes;
    }
    take.verdicts = stage::judge(take, take.pace);
}

} // namespace

TakeJudge::TakeJudge(Document& document, QObject* parent)
    : QObject(parent)
    , document_(document)
{
    pool_.setMaxThreadCount(1);
    live_pool_.setMaxThreadCount(1);
}

void TakeJudge::judgeAgain(const stage::Take& take)
{
    Work work{take, document_.folder(), {}, 0.0};
    if (const auto* pass = document_.pass(); pass != nullptr && pass->name == take.pass) {
        work.video = document_.mediaFile().toStdString();
        work.go_s = pass->go_s;
    }
    if (work.take.pace.empty()) { // of an older version
        work.take.pace = document_.prepared().placement.pace;
    }
    judge(std::move(work));
}

void TakeJudge::judgeWhatWasLeft()
{
    const auto takes = document_.takes();
    for (const stage::Take& take : takes) {
        std::error_code ignored;
        if (take.found.empty() && take.verdicts.empty() && !take.pace.empty()
            && std::filesystem::exists(document_.folder() / "takes" / take.audio, ignored)) {
            judgeAgain(take);
        }
    }
}

bool TakeJudge::isHere(const Work& work) const
{
    if (work.folder == document_.folder()) {
        return true;
    }
    std::error_code ignored; // an unnamed stage's takes go along where it gets its name
    return !std::filesystem::exists(work.folder, ignored) && keptTake(work.take.name) != nullptr;
}

const stage::Take* TakeJudge::keptTake(const std::string& name) const
{
    const auto& takes = document_.takes();
    const auto kept =
        std::find_if(takes.begin(), takes.end(), [&](const stage::Take& t) { return t.name == name; });
    return kept == takes.end() ? nullptr : &*kept;
}

bool TakeJudge::isJudging(const std::string& take) const
{
    return judging_.contains(document_.folder() / take);
}

void TakeJudge::keep(const Work& work)
{
    if (isHere(work)) {
        document_.keepTake(work.take);
        return;
    }
    document_.keepTakeOf(work.folder, work.take);
}

void TakeJudge::judge(
    Work work, const std::shared_ptr<LiveSearch>& heard, const std::shared_ptr<const media::Sound>& played)
{
    const auto key = work.folder / work.take.name;
    if (judging_.contains(key)) {
        return;
    }
    emit judging(0.0);
    judging_[key] = inBackground(
        this,
        [work, heard, played](const media::Progress& progress) mutable {
            judgeIn(work, heard.get(), played, progress);
            return work;
        },
        [this, work](
            Outcome<Work> outcome) { finish(outcome.value ? std::move(*outcome.value) : work, outcome.why); },
        [this](double share) { emit judging(share); }, heard ? &live_pool_ : &pool_);
}

void TakeJudge::finish(Work work, const QString& why)
{
    judging_.erase(work.folder / work.take.name);
    const bool here = isHere(work);
    const stage::Take* kept = here ? keptTake(work.take.name) : nullptr;
    if (here && kept == nullptr) {
        emit judging(1.0); // it was thrown away meanwhile
        return;
    }
    if (here) { // what was said of it meanwhile stays
        work.take.remarks = kept->remarks;
        work.take.pass = kept->pass;
    }
    if (!why.isEmpty()) {
        emit failed(tr("The recording is kept, but its calls were not found. %1").arg(why));
    } else {
        keep(work);
    }
    emit judging(1.0);
    if (here) {
        emit judged(QString::fromStdString(work.take.name));
    }
}

} // namespace brumefall::app
