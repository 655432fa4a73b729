/// Looks for the calls of a take while it is made, in the background and one part after another, so that
/// little is left to do when it stops.
#pragma once

#include "media/aligner.h"
#include "media/condense.h"
#include "media/echo.h"
#include "media/sound.h"

#include <QByteArray>
#include <QThreadPool>

#include <cstdint>
#include <functional>
#include <memory>
#include <span>
#include <vector>

namespace brumefall::app {

class LiveSearch : public std::enable_shared_from_this<LiveSearch> {
public:
    /// All of it is done in `pool`, which has one thread and outlives this.
    LiveSearch(std::vector<media::ExpectedNote> expected, QThreadPool& pool);

    /// 16-bit samples at media::kRecordingRate_hz. Returns at once; never from two threads.
    void hear(const QByteArray& bytes);
    /// The sound of the video that it is read along, which a loudspeaker may bring into it; `offset_s` is
    /// what is to be added to a time of the recording for that of the video, about. Where it does, `found` is
    /// given another filter that has learnt the way through the room, in the pool.
    using OnPlayed = std::function<void(std::shared_ptr<media::WithoutPlayed>)>;
    void setPlayed(std::shared_ptr<const media::Sound> played, double offset_s, OnPlayed found = {});
    /// That sound was heard, and is taken out: called in the pool, as what follows.
    [[nodiscard]] bool isWithoutVideo() const { return alone_ != nullptr; }
    /// All that was heard, as it was recorded; called in the pool, after all of it.
    [[nodiscard]] const media::Sound& recorded();
    /// What was found; called there too. Throws MediaError where the acoustic model is missing.
    [[nodiscard]] std::vector<take::FoundNote> finish(const media::Progress& progress);

private:
    void search(const QByteArray& bytes);
    /// Whether the video's sound is in what was recorded so far; then all of that is heard anew without it.
    bool findPlayed();
    void hear(std::span<const std::int16_t> samples);

    std::vector<media::ExpectedNote> expected_;
    QThreadPool& pool_;
    std::unique_ptr<media::LiveAligner> aligner_;
    media::Sound recorded_{{}, media::kAlignRate_hz}; ///< without what waits
    std::size_t searched_ = 0; ///< samples of it
    std::shared_ptr<const media::Sound> played_;
    double played_offset_s_ = 0.0;
    OnPlayed played_found_;
    std::size_t sought_ = 0; ///< samples in which it was looked for last
    std::shared_ptr<media::WithoutPlayed> alone_; ///< the reader
    QByteArray waiting_; ///< too little yet to be worth a task
};

} // namespace brumefall::app
