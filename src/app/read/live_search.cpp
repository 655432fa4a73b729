#include "read/live_search.h"

#include "media/input.h"

#include <span>

namespace brumefall::app {

static_assert(media::kRecordingRate_hz == media::kAlignRate_hz);

namespace {

std::span<const std::int16_t> samplesOf(const QByteArray& bytes)
{
    return {
        reinterpret_cast<const std::int16_t*>(bytes.constData()), static_cast<std::size_t>(bytes.size()) / 2};
}

} // namespace

LiveSearch::LiveSearch(std::vector<media::ExpectedNote> expected, QThreadPool& pool)
    : expected_(std::move(expected))
    , pool_(pool)
{
}

void LiveSearch::hear(const QByteArray& bytes)
{
    // each time just as much, so that what is found does not hang on how the sound was delivered
    constexpr qsizetype kTask = 2 * media::kRecordingRate_hz; // a second
    waiting_ += bytes;
    while (waiting_.size() >= kTask) {
        pool_.start([self = shared_from_this(), task = waiting_.first(kTask)] { self->search(task); });
        waiting_.remove(0, kTask);
    }
}

void LiveSearch::search(const QByteArray& bytes)
{
    const auto samples = samplesOf(bytes);
    recorded_.samples.insert(recorded_.samples.end(), samples.begin(), samples.end());
    try {
        if (!aligner_) {
            aligner_ = std::make_unique<media::LiveAligner>(expected_);
        }
        aligner_->hear(samples);
        searched_ = recorded_.samples.size();
    } catch (const media::MediaError&) {
        // said at the end
    }
}

const media::Sound& LiveSearch::recorded()
{
    const QByteArray rest = std::exchange(waiting_, {});
    const auto samples = samplesOf(rest);
    recorded_.samples.insert(recorded_.samples.end(), samples.begin(), samples.end());
    return recorded_;
}

std::vector<take::FoundNote> LiveSearch::finish(const media::Progress& progress)
{
    if (!aligner_) {
        aligner_ = std::make_unique<media::LiveAligner>(expected_);
    }
    aligner_->add(std::span(recorded().samples).subspan(searched_));
    return aligner_->finish(progress);
}

} // namespace brumefall::app
