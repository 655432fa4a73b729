#include "read/live_search.h"

#include "media/input.h"

#include <algorithm>
#include <span>
#include <utility>

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

void LiveSearch::setPlayed(std::shared_ptr<const media::Sound> played, double offset_s, OnPlayed found)
{
    pool_.start([self = shared_from_this(), played = std::move(played), offset_s, found = std::move(found)] {
        self->played_ = played;
        self->played_offset_s_ = offset_s;
        self->played_found_ = found;
    });
}

void LiveSearch::search(const QByteArray& bytes)
{
    const auto samples = samplesOf(bytes);
    recorded_.samples.insert(recorded_.samples.end(), samples.begin(), samples.end());
    try {
        if (!findPlayed()) {
            hear(samples);
        }
        searched_ = recorded_.samples.size();
    } catch (const media::MediaError&) {
        // said at the end
    }
}

void LiveSearch::hear(std::span<const std::int16_t> samples)
{
    if (!aligner_) {
        aligner_ = std::make_unique<media::LiveAligner>(expected_);
    }
    alone_ ? aligner_->hear(alone_->next(samples)) : aligner_->hear(samples);
}

bool LiveSearch::findPlayed()
{
    constexpr std::size_t kEach = 20 * media::kRecordingRate_hz;
    if (alone_ || !played_ || recorded_.samples.size() < sought_ + kEach) {
        return false;
    }
    sought_ = recorded_.samples.size();
    const auto at_s = media::playedIn(recorded_, played_, played_offset_s_);
    if (!at_s) {
        return false;
    }
    const auto filter = [&] {
        auto made = std::make_shared<media::WithoutPlayed>(played_, *at_s);
        made->learn(recorded_);
        return made;
    };
    alone_ = filter();
    if (played_found_) {
        played_found_(filter());
    }
    aligner_.reset();
    const std::span all(recorded_.samples);
    for (std::size_t at = 0; at < all.size(); at += media::kRecordingRate_hz) {
        hear(all.subspan(at, std::min<std::size_t>(media::kRecordingRate_hz, all.size() - at)));
    }
    return true;
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
    const auto rest = std::span(recorded().samples).subspan(searched_);
    if (alone_) {
        aligner_->add(alone_->next(rest));
        aligner_->add(alone_->rest());
    } else {
        aligner_->add(rest);
    }
    return aligner_->finish(progress);
}

} // namespace brumefall::app
