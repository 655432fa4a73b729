#include "media/microphone_level.h"

#include <algorithm>
#include <vector>

namespace brumefall::media {
namespace {

constexpr double kWindow_s = 10.0;
constexpr double kSilence = 0.0006; // a live room is louder
constexpr double kSilent_s = 1.5;
constexpr double kFaint = 0.03; // a voice whose loudest is below: some 30 dB under full scale
constexpr double kVoice = 4.0; // times as loud as what is usual: somebody speaks
constexpr double kFull = 0.995;
constexpr int kFullBlocks = 3;
constexpr double kTell_s = 4.0; // how long it stays told

} // namespace

void MicrophoneLevel::hear(double loudest, double length_s)
{
    blocks_.push_back({loudest, length_s});
    heard_s_ += length_s;
    while (heard_s_ > kWindow_s && blocks_.size() > 1) {
        heard_s_ -= blocks_.front().length_s;
        blocks_.pop_front();
    }
    silent_s_ = loudest > kSilence ? 0.0 : silent_s_ + length_s;
    const auto full =
        std::count_if(blocks_.begin(), blocks_.end(), [](const Block& b) { return b.loudest >= kFull; });
    clipped_s_ = loudest >= kFull && full >= kFullBlocks ? 0.0 : clipped_s_ + length_s;
}

MicrophoneHearing MicrophoneLevel::hearing() const
{
    if (silent_s_ > kSilent_s) {
        return MicrophoneHearing::silent;
    }
    if (clipped_s_ < kTell_s) {
        return MicrophoneHearing::clipped;
    }
    if (heard_s_ < 0.9 * kWindow_s) {
        return MicrophoneHearing::fine;
    }
    std::vector<double> levels;
    for (const Block& block : blocks_) {
        levels.push_back(block.loudest);
    }
    std::sort(levels.begin(), levels.end());
    const double usual = levels[levels.size() / 4];
    const double loud = levels[levels.size() * 19 / 20];
    return loud < kFaint && loud > kVoice * usual ? MicrophoneHearing::faint : MicrophoneHearing::fine;
}

} // namespace brumefall::media
