#include "media/condense.h"

#include "media/loudness.h"
#include "media/passing_noise.h"

#include <algorithm>
#include <cmath>
#include <numbers>
#include <numeric>
#include <utility>

namespace brumefall::media {
namespace {

/// Of each hundredth of a second without its rumble, in dB.
std::vector<float> loudnessOf(const std::vector<std::int16_t>& samples)
{
    RumbleFilter filter;
    std::array<float, kFrame> frame{};
    std::vector<float> out(samples.size() / kFrame);
    for (std::size_t f = 0; f < out.size(); ++f) {
        for (std::size_t i = 0; i < kFrame; ++i) {
            frame[i] = filter.next(samples[f * kFrame + i]);
        }
        out[f] = loudness_dB(meanSquare(std::span<const float>(frame)));
    }
    return out;
}

/// By how much a frame is above the quiet that is no silence: less where noise leaves less between the two.
float marginFor(float loud_over_quiet_dB)
{
    constexpr float kMost_dB = 7.0F;
    constexpr float kLeast_dB = 2.0F;
    return std::clamp(0.3F * loud_over_quiet_dB, kLeast_dB, kMost_dB);
}

/// How loud the quiet and the speech of some frames are: their quietest fifth and loudest twentieth.
struct Levels {
    float quiet_dB;
    float loud_dB;

    [[nodiscard]] float margin_dB() const { return marginFor(loud_dB - quiet_dB); }
};

Levels levelsOf(std::vector<float> energy)
{
    const auto fifth = energy.begin() + static_cast<std::ptrdiff_t>(energy.size() / 5);
    std::nth_element(energy.begin(), fifth, energy.end());
    const float quiet_dB = *fifth;
    const auto loud = energy.begin() + static_cast<std::ptrdiff_t>(energy.size() - 1 - energy.size() / 20);
    std::nth_element(energy.begin(), loud, energy.end());
    return {quiet_dB, *loud};
}

/// Which frames are silent: near the quietest fifth of the half minute around them.
std::vector<bool> silentFrames(const std::vector<float>& energy)
{
    constexpr std::size_t kBlock = 500;
    constexpr std::size_t kAround = 1000;
    std::vector<bool> silent(energy.size());
    for (std::size_t block = 0; block < energy.size(); block += kBlock) {
        const std::size_t first = block > kAround ? block - kAround : 0;
        const std::size_t last = std::min(energy.size(), block + kBlock + kAround);
        const Levels levels = levelsOf({energy.begin() + static_cast<std::ptrdiff_t>(first),
            energy.begin() + static_cast<std::ptrdiff_t>(last)});
        for (std::size_t f = block; f < std::min(energy.size(), block + kBlock); ++f) {
            silent[f] = energy[f] < levels.quiet_dB + levels.margin_dB();
        }
    }
    return silent;
}

/// What each frame is multiplied by where only a voice as loud as `least_dB` counts: the softer, the less.
std::vector<float> gainsOf(std::span<const float> loudness, std::optional<float> least_dB)
{
    constexpr float kSlope = 15.0F; ///< dB for each that is missing
    constexpr float kMost_dB = 30.0F; ///< below the hiss
    std::vector<float> gains(loudness.size(), 1.0F);
    if (least_dB) {
        const auto levels = syllableLevels_dB(loudness);
        std::transform(levels.begin(), levels.end(), gains.begin(), [&](float dB) {
            return std::pow(10.0F, -std::clamp(kSlope * (*least_dB - dB), 0.0F, kMost_dB) / 20.0F);
        });
    }
    return gains;
}

bool isSofter(float gain)
{
    constexpr float kSofter = 0.25F;
    return gain < kSofter;
}

/// `silent` without what is loud for a moment only, and so much around what is left is none: the weak sounds
/// that a word begins and ends with.
std::vector<bool> silentAround(std::vector<bool> silent)
{
    constexpr std::size_t kMoment = 9;
    constexpr std::size_t kAround = 15;
    std::vector<bool> out(silent.size(), true);
    for (std::size_t f = 0; f < silent.size();) {
        std::size_t end = f;
        while (end < silent.size() && !silent[end]) {
            ++end;
        }
        if (end - f > kMoment) {
            const auto first = out.begin() + static_cast<std::ptrdiff_t>(f - std::min(f, kAround));
            std::fill(
                first, out.begin() + static_cast<std::ptrdiff_t>(std::min(end + kAround, out.size())), false);
        }
        f = end + 1;
    }
    return out;
}

std::int16_t inRange(double sample)
{
    return static_cast<std::int16_t>(std::clamp(sample, -32768.0, 32767.0));
}

/// Brings speech to one level, whatever the microphone.
double gainFor(double loud_dB)
{
    constexpr double kWished_dB = 76.0;
    return std::clamp(std::pow(10.0, (kWished_dB - loud_dB) / 20.0), 0.1, 1000.0);
}

} // namespace

double Condensed::originalTime(double condensed_s) const
{
    return media::originalTime(pieces, condensed_s);
}

RumbleFilter::RumbleFilter()
{
    constexpr double kCut_hz = 150.0;
    constexpr std::array kDamping{1.8477590650, 0.7653668647}; // of a fourth order
    const double k = std::tan(std::numbers::pi * kCut_hz / kAlignRate_hz);
    for (std::size_t i = 0; i < sections_.size(); ++i) {
        const double norm = 1.0 / (1.0 + kDamping[i] * k + k * k);
        sections_[i] = {norm, 2.0 * (k * k - 1.0) * norm, (1.0 - kDamping[i] * k + k * k) * norm};
    }
}

float RumbleFilter::next(float sample)
{
    floor_ = -floor_;
    double x = sample + floor_;
    for (Section& s : sections_) {
        const double y = s.gain * (x - 2.0 * s.x1 + s.x2) - s.a1 * s.y1 - s.a2 * s.y2;
        s.x2 = std::exchange(s.x1, x);
        s.y2 = std::exchange(s.y1, y);
        x = y;
    }
    return static_cast<float>(x);
}

bool LevelWatch::isLoud(std::span<const float> frame)
{
    constexpr std::size_t kOften = 10;
    constexpr double kSlow = 0.9;
    // of some frames: the loudest of a steady noise are no voice, and no breath would end in it
    constexpr std::size_t kSmoothed = 8;
    const double now = meanSquare(frame);
    last_.push_back(now);
    if (last_.size() > kSmoothed) {
        last_.pop_front();
    }
    const float energy_dB =
        loudness_dB(std::accumulate(last_.begin(), last_.end(), 0.0) / static_cast<double>(last_.size()));
    energy_.push_back(energy_dB);
    if (energy_.size() > window_) {
        energy_.pop_front();
    }
    if (frames_++ % kOften == 0) {
        const Levels levels = levelsOf({energy_.begin(), energy_.end()});
        quiet_dB_ = levels.quiet_dB;
        margin_dB_ = levels.margin_dB();
        const double wished = gainFor(static_cast<double>(levels.loud_dB));
        gain_ = gain_ <= 0.0 || wished < gain_ ? wished : kSlow * gain_ + (1.0 - kSlow) * wished;
    }
    // a voice that begins after silence is not overdriven until the level is known
    constexpr double kMost_dB = 78.0;
    gain_ = std::min(gain_, std::pow(10.0, (kMost_dB - static_cast<double>(loudness_dB(now))) / 20.0));
    return energy_dB >= quiet_dB_ + margin_dB_;
}

std::int16_t LevelWatch::brought(float sample)
{
    return hiss_.over(gain_ * sample);
}

double originalTime(const std::vector<Condensed::Piece>& pieces, double condensed_s)
{
    const auto sample = static_cast<std::size_t>(std::max(0.0, condensed_s * kAlignRate_hz));
    auto it = std::upper_bound(pieces.begin(), pieces.end(), sample,
        [](std::size_t s, const Condensed::Piece& p) { return s < p.first; });
    if (it == pieces.begin()) {
        return condensed_s;
    }
    --it;
    return condensed_s + static_cast<double>(it->original - it->first) / kAlignRate_hz;
}

Condensed condense(const Sound& sound, const Condensing& how)
{
    constexpr std::size_t kKeep = 40; // frames left on both sides of a cut
    constexpr double kHissOverRest = 900.0; // over what is left of noise that was taken out
    std::optional<VoiceAlone> alone;
    if (how.without.passing_noise) {
        alone = withoutPassingNoise(sound.samples);
    }
    const auto& samples = alone ? alone->samples : sound.samples;
    const auto loudness = alone ? std::move(alone->loudness_dB) : loudnessOf(samples);
    auto gains = gainsOf(loudness, how.without.softer_dB);
    auto silent = silentFrames(loudness);
    if (alone) {
        silent = silentAround(std::move(silent));
        std::transform(gains.begin(), gains.end(), silent.begin(), gains.begin(),
            [](float gain, bool is_silent) { return is_silent ? 0.0F : gain; });
    }
    for (std::size_t f = 0; f < gains.size(); ++f) {
        silent[f] = silent[f] || isSofter(gains[f]);
    }
    Condensed out;
    out.loud_dB = loudness.empty() ? how.loud_dB
                                   : std::max(how.loud_dB, static_cast<double>(levelsOf(loudness).loud_dB));
    out.gain = loudness.empty() ? 1.0 : gainFor(out.loud_dB);
    RumbleFilter filter; // once more: half an hour of its samples as numbers is more than all else
    std::size_t filtered = 0;
    const auto next = [&] {
        const std::size_t frame = filtered / kFrame;
        const double gain = frame < gains.size() ? static_cast<double>(gains[frame]) : 1.0;
        return inRange(gain * out.gain * static_cast<double>(filter.next(samples[filtered++])));
    };
    const auto keepUntil = [&](std::size_t sample) {
        out.pieces.push_back({out.samples.size(), filtered});
        while (filtered < sample) {
            out.samples.push_back(next());
        }
    };
    const auto afterEnd = static_cast<std::size_t>(kAfterEnd_s * kAlignRate_hz); // room to end a word cut off
    out.samples.reserve(sound.samples.size() + afterEnd);
    std::size_t f = 0;
    while (f < silent.size()) {
        std::size_t end = f;
        while (end < silent.size() && silent[end]) {
            ++end;
        }
        if (end - f > 3 * kKeep) {
            keepUntil((f + kKeep) * kFrame);
            while (filtered < (end - kKeep) * kFrame) {
                next();
            }
            out.ends_silent = end == silent.size();
        }
        f = std::max(end, f + 1);
    }
    keepUntil(sound.samples.size());
    out.samples.resize(out.samples.size() + afterEnd);
    const double hiss = alone ? kHissOverRest : how.hiss;
    if (hiss > 0.0) {
        Hiss steady(hiss);
        for (std::int16_t& sample : out.samples) {
            sample = steady.over(sample);
        }
    }
    return out;
}

std::optional<LouderVoice> louderVoice(std::span<const std::int16_t> samples, double gain)
{
    const auto loudness = loudnesses_dB(samples, kAlignRate_hz);
    const auto below_dB = softerVoiceBelow_dB(syllableLevels_dB(loudness));
    if (!below_dB) {
        return {};
    }
    const auto gains = gainsOf(loudness, below_dB);
    constexpr std::size_t kKeep = 20; ///< of the softer one's frames in a row
    LouderVoice out{{}, *below_dB - static_cast<float>(20.0 * std::log10(gain))};
    Hiss steady(kHiss);
    std::size_t in_a_row = 0;
    for (std::size_t f = 0; f < gains.size(); ++f) {
        in_a_row = isSofter(gains[f]) ? in_a_row + 1 : 0;
        for (const std::int16_t sample : samples.subspan(f * kFrame, in_a_row > kKeep ? 0 : kFrame)) {
            out.samples.push_back(
                gains[f] < 1.0F ? steady.over(static_cast<double>(gains[f]) * sample) : sample);
        }
    }
    return out;
}

std::int16_t Hiss::over(double sample)
{
    return inRange(sample + hiss_(random_));
}

} // namespace brumefall::media
