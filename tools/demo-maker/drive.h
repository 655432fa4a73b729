/// How the car of one pass moves, and what its engine sounds like.
#pragma once

#include "pace/pace.h"

#include <cstdint>
#include <random>
#include <vector>

namespace demo {

/// A pass as driven: standing before go, along the pace, standing at the end.
struct Drive {
    brumefall::pace::Pace pace;
    double go_s; ///< in the media

    [[nodiscard]] double stationAt(double media_s) const;
    [[nodiscard]] double speedAt(double media_s) const;
    [[nodiscard]] double duration_s() const; ///< of the media
};

inline constexpr int kEngineRate_hz = 16000;

/// Engine and gravel, sample after sample.
class Engine {
public:
    [[nodiscard]] std::vector<std::int16_t> sound(const Drive& drive, double from_s, double length_s);

private:
    double phase_ = 0.0;
    double rough_ = 0.0;
    double revs_hz_ = 14.0;
    int gear_ = 1;
    std::minstd_rand random_{11};
};

} // namespace demo
