/// One pass played along the pace of another: a slow recce video at stage pace.
#pragma once

#include "pace/pace.h"

#include <vector>

namespace brumefall::pace {

/// Where both paces are at once. Times from go. Outside the stage the two clocks run alike.
class Retiming {
public:
    Retiming() = default; ///< as recorded
    /// `video` is what the pictures show, `along` what they are played along.
    Retiming(Pace video, Pace along);

    [[nodiscard]] bool changes() const { return !video_.empty(); }
    /// The moment of the video that is to be seen at `along_s`, and back.
    [[nodiscard]] double toVideo(double along_s) const;
    [[nodiscard]] double toAlong(double video_s) const;
    /// How fast the video has to be played at `along_s`; 1 outside the stage.
    [[nodiscard]] double rateAt(double along_s) const;

private:
    Pace video_;
    Pace along_;
};

/// A stretch where the needed rate is beyond what the player can show; times along.
struct BeyondRange {
    double from_s;
    double to_s;
    double worst_rate;
};
[[nodiscard]] std::vector<BeyondRange> beyondRange(
    const Retiming& retiming, double duration_s, double slowest, double fastest);

} // namespace brumefall::pace
