/// Looks for the calls of a take while it is made, in the background and one part after another, so that
/// little is left to do when it stops.
#pragma once

#include "media/aligner.h"
#include "media/condense.h"
#include "media/sound.h"

#include <QByteArray>
#include <QThreadPool>

#include <memory>
#include <vector>

namespace brumefall::app {

class LiveSearch : public std::enable_shared_from_this<LiveSearch> {
public:
    /// All of it is done in `pool`, which has one thread and outlives this.
    LiveSearch(std::vector<media::ExpectedNote> expected, QThreadPool& pool);

    /// 16-bit samples at media::kRecordingRate_hz. Returns at once; never from two threads.
    void hear(const QByteArray& bytes);
    /// All that was heard, as it was recorded; called in the pool, after all of it.
    [[nodiscard]] const media::Sound& recorded();
    /// What was found; called there too. Throws MediaError where the acoustic model is missing.
    [[nodiscard]] std::vector<take::FoundNote> finish(const media::Progress& progress);

private:
    void search(const QByteArray& bytes);

    std::vector<media::ExpectedNote> expected_;
    QThreadPool& pool_;
    std::unique_ptr<media::LiveAligner> aligner_;
    media::Sound recorded_{{}, media::kAlignRate_hz}; ///< without what waits
    std::size_t searched_ = 0; ///< samples of it
    QByteArray waiting_; ///< too little yet to be worth a task
};

} // namespace brumefall::app
