#include "pace/retime.h"

#include <algorithm>
#include <cmath>

namespace brumefall::pace {

Retiming::Retiming(Pace video, Pace along)
    : video_(std::move(video))
    , along_(std::move(along))
{
}

double Retiming::toVideo(double along_s) const
{
    if (!changes() || along_s <= 0.0) {
        return along_s;
    }
    const double end_s = along_.duration_s();
    if (along_s >= end_s) {
        return video_.timeAt(std::min(along_.length_m(), video_.length_m())) + along_s - end_s;
    }
    return video_.timeAt(std::min(along_.stationAt(along_s), video_.length_m()));
}

double Retiming::toAlong(double video_s) const
{
    if (!changes() || video_s <= 0.0) {
        return video_s;
    }
    const double length_m = std::min(along_.length_m(), video_.length_m());
    const double end_s = video_.timeAt(length_m);
    if (video_s >= end_s) {
        return along_.timeAt(length_m) + video_s - end_s;
    }
    return along_.timeAt(video_.stationAt(video_s));
}

double Retiming::rateAt(double along_s) const
{
    if (!changes() || along_s <= 0.0 || along_s >= along_.duration_s()) {
        return 1.0;
    }
    constexpr double kStep_s = 0.2; // a rate for the ear, not for each picture
    return std::max(0.0,
        (toVideo(along_s + kStep_s) - toVideo(std::max(0.0, along_s - kStep_s)))
            / (along_s + kStep_s - std::max(0.0, along_s - kStep_s)));
}

std::vector<BeyondRange> beyondRange(
    const Retiming& retiming, double duration_s, double slowest, double fastest)
{
    std::vector<BeyondRange> beyond;
    constexpr double kStep_s = 0.25;
    constexpr double kJoin_s = 0.6;
    for (double t = 0.0; retiming.changes() && t < duration_s; t += kStep_s) {
        const double rate = retiming.rateAt(t);
        if (rate >= slowest && rate <= fastest) {
            continue;
        }
        const bool joins = !beyond.empty() && t - beyond.back().to_s < kJoin_s;
        if (!joins) {
            beyond.push_back({t, t, rate});
        }
        BeyondRange& last = beyond.back();
        last.to_s = t + kStep_s;
        if (std::abs(std::log(std::max(rate, 1e-3))) > std::abs(std::log(std::max(last.worst_rate, 1e-3)))) {
            last.worst_rate = rate;
        }
    }
    return beyond;
}

} // namespace brumefall::pace
