/// Whether a microphone hears well: silent, too faint, overdriven.
#pragma once

#include <deque>

namespace brumefall::media {

enum class MicrophoneHearing { fine, silent, faint, clipped };

/// Judges the last seconds by the loudest sample of every block that comes.
class MicrophoneLevel {
public:
    /// `loudest` is a share of full scale, `length_s` how long the block is.
    void hear(double loudest, double length_s);
    [[nodiscard]] MicrophoneHearing hearing() const;

private:
    struct Block {
        double loudest;
        double length_s;
    };
    std::deque<Block> blocks_; ///< of the last kWindow_s
    double heard_s_ = 0.0; ///< length of those
    double silent_s_ = 0.0; ///< since anything was heard
    double clipped_s_ = 1e9; ///< since it was overdriven
};

} // namespace brumefall::media
