/// A recording made ready for the recogniser.
#pragma once

#include "media/louder_voice.h"
#include "media/sound.h"

#include <array>
#include <cstdint>
#include <deque>
#include <optional>
#include <random>
#include <span>
#include <vector>

namespace brumefall::media {

/// Sample rate that the recogniser works at.
inline constexpr int kAlignRate_hz = 16000;
inline constexpr std::size_t kFrame = kAlignRate_hz / 100; ///< samples: the recogniser's step of 10 ms

/// A recording without the middle of its long silences. The recogniser subtracts the mean of the whole
/// utterance from its features; a stage is mostly silence, and that mean would make speech unrecognisable.
struct Condensed {
    struct Piece {
        std::size_t first; ///< sample in the condensed sound
        std::size_t original; ///< the same sample in the recording
    };
    std::vector<std::int16_t> samples;
    std::vector<Piece> pieces;
    double loud_dB = 0.0; ///< level of its speech, in a frame of a hundredth of a second
    double gain = 1.0; ///< by which all of it was raised
    bool ends_silent = false; ///< for more than a second

    /// The moment of the recording, in seconds, that is at `condensed_s` here.
    [[nodiscard]] double originalTime(double condensed_s) const;
};

[[nodiscard]] double originalTime(const std::vector<Condensed::Piece>& pieces, double condensed_s);

inline constexpr double kHiss = 300.0; ///< standard deviation of what is added, in samples' steps

/// What is left out of a recording.
struct Without {
    /// Noise that comes and goes: more hiss lies over what is left of it, and silent is where nobody speaks.
    bool passing_noise = false;
    /// Whoever else than this voice speaks.
    std::optional<LouderVoice> all_but = std::nullopt;
};

struct Condensing {
    double loud_dB = 0.0; ///< of a recording that comes in parts: that of what came before
    double hiss = kHiss;
    Without without = {};
};

/// `sound` at kAlignRate_hz with its long silences cut out, its speech brought to one level, a steady hiss
/// added and kAfterEnd_s of it after the end.
inline constexpr double kAfterEnd_s = 1.0;
[[nodiscard]] Condensed condense(const Sound& sound, const Condensing& how = {});

/// `all`, which has a piece at least, with only `voice` left in it, closed up where the other spoke alone.
[[nodiscard]] Condensed only(const LouderVoice& voice, const Condensed& all);

/// Silence without any noise is like nothing that the recogniser's model has heard; a steady hiss mends that.
class Hiss {
public:
    explicit Hiss(double deviation)
        : hiss_(0.0, deviation)
    {
    }
    [[nodiscard]] std::int16_t over(double sample);

private:
    std::minstd_rand random_{1};
    std::normal_distribution<double> hiss_;
};

/// Takes away what lies below speech (hum, rumble), as it would be taken for speech and hide it: two
/// Butterworth sections, by the bilinear transform (Oppenheim & Schafer, Discrete-Time Signal Processing).
class RumbleFilter {
public:
    RumbleFilter();
    [[nodiscard]] float next(float sample);

private:
    struct Section {
        double gain, a1, a2;
        double x1 = 0.0, x2 = 0.0, y1 = 0.0, y2 = 0.0;
    };
    std::array<Section, 2> sections_;
    double floor_ = 1e-9; ///< far below any sound: numbers that fade away to nothing are slow to reckon with
};

/// The same as `condense` does for a whole recording, while it comes: which frames are loud, and samples
/// brought to one level with a steady hiss.
class LevelWatch {
public:
    /// `window_s` is how much of what came last shows how loud the quiet is.
    explicit LevelWatch(double window_s)
        : window_(static_cast<std::size_t>(100.0 * window_s))
    {
    }
    /// Energy of this frame of a hundredth of a second against the quietest fifth of the last ones.
    [[nodiscard]] bool isLoud(std::span<const float> frame);
    [[nodiscard]] std::int16_t brought(float sample);

private:
    std::size_t window_; ///< frames
    std::deque<double> last_; ///< mean squares
    std::deque<float> energy_; ///< of the last frames, in dB
    std::size_t frames_ = 0;
    float quiet_dB_ = 0.0F;
    float margin_dB_ = 7.0F;
    double gain_ = 0.0; ///< 0 before anything was heard
    Hiss hiss_{kHiss};
};

} // namespace brumefall::media
