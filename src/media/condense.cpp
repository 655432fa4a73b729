#include "media/condense.h"

#include "maths/quantile.h"
#include "media/loudness.h"
#include "media/passing_noise.h"
#include "media/steady_noise.h"

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

std::int16_t inRange(double sample)
{
    return static_cast<std::int16_t>(std::clamp(sample, -32768.0, 32767.0));
}

/// Evened out over an eighth of a second: noise is now louder, now softer, from one frame to the next.
std::vector<float> evenedOut(const std::vector<float>& loudness)
{
    constexpr std::size_t kAround = 6;
    std::vector<double> sums(loudness.size() + 1); // of their mean squares
    for (std::size_t f = 0; f < loudness.size(); ++f) {
        sums[f + 1] = sums[f] + std::pow(10.0, 0.1 * static_cast<double>(loudness[f])) - 1.0;
    }
    std::vector<float> out(loudness.size());
    for (std::size_t f = 0; f < out.size(); ++f) {
        const std::size_t first = f - std::min(f, kAround);
        const std::size_t last = std::min(loudness.size(), f + kAround + 1);
        out[f] = loudness_dB(std::max(0.0, sums[last] - sums[first]) / static_cast<double>(last - first));
    }
    return out;
}

/// Without what lies below speech and the noise that goes on under it.
std::vector<std::int16_t> withoutSteadyNoise(std::vector<std::int16_t> samples)
{
    constexpr double kAny_dB = -200.0;
    RumbleFilter filter;
    std::transform(samples.begin(), samples.end(), samples.begin(),
        [&](std::int16_t sample) { return inRange(static_cast<double>(filter.next(sample))); });
    SteadyNoise(samples, kAlignRate_hz, kAny_dB).reduceUntil(samples.size());
    return samples;
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
    constexpr double kQuiet = 0.2;
    constexpr double kLoud = 0.95;
    return {maths::quantile(std::span(energy), kQuiet), maths::quantile(std::span(energy), kLoud)};
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

/// The middles of the long runs of frames that are `out`, as first and one past the last frame: `keep` frames
/// of each run are left on both sides, where it has more than `least`.
std::vector<std::pair<std::size_t, std::size_t>> middlesOf(
    const std::vector<bool>& out, std::size_t keep, std::size_t least)
{
    std::vector<std::pair<std::size_t, std::size_t>> middles;
    for (std::size_t f = 0; f < out.size(); ++f) {
        const std::size_t first = f;
        while (f < out.size() && out[f]) {
            ++f;
        }
        if (f - first > least) {
            middles.emplace_back(first + keep, f - keep);
        }
    }
    return middles;
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
    auto loudness = alone ? std::move(alone->loudness_dB) : evenedOut(loudnessOf(sound.samples));
    std::optional<std::vector<std::int16_t>> reduced;
    if (!alone && hasSteadyNoise(loudness)) {
        reduced = withoutSteadyNoise(sound.samples);
        loudness = evenedOut(loudnessOf(*reduced));
    }
    const auto& samples = alone ? alone->samples : reduced ? *reduced : sound.samples;
    auto silent = silentFrames(loudness);
    if (alone) {
        silent = silentAround(std::move(silent));
    }
    Condensed out;
    out.loud_dB = loudness.empty() ? how.loud_dB
                                   : std::max(how.loud_dB, static_cast<double>(levelsOf(loudness).loud_dB));
    out.gain = loudness.empty() ? 1.0 : gainFor(out.loud_dB);
    RumbleFilter filter; // once more: half an hour of its samples as numbers is more than all else
    std::size_t filtered = 0;
    const auto next = [&] {
        const std::size_t frame = filtered / kFrame;
        const bool is_rest = alone && frame < silent.size() && silent[frame];
        const auto sample = static_cast<double>(filter.next(samples[filtered++]));
        return inRange(is_rest ? 0.0 : out.gain * sample);
    };
    const auto keepUntil = [&](std::size_t sample) {
        out.pieces.push_back({out.samples.size(), filtered});
        while (filtered < sample) {
            out.samples.push_back(next());
        }
    };
    const auto afterEnd = static_cast<std::size_t>(kAfterEnd_s * kAlignRate_hz); // room to end a word cut off
    out.samples.reserve(sound.samples.size() + afterEnd);
    for (const auto& [first, last] : middlesOf(silent, kKeep, 3 * kKeep)) {
        keepUntil(first * kFrame);
        while (filtered < last * kFrame) {
            next();
        }
        out.ends_silent = last + kKeep == silent.size();
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
    return how.without.all_but ? only(*how.without.all_but, out) : out;
}

Condensed only(const LouderVoice& voice, const Condensed& all)
{
    constexpr float kSlope = 4.0F; ///< dB for each nat
    constexpr float kMost_dB = 30.0F; ///< below the hiss
    constexpr float kSofter = 0.25F;
    constexpr std::size_t kKeep = 20; ///< frames left on both sides of a cut
    const std::span samples(all.samples);
    std::vector<float> gains = voice.likelier(samples);
    std::transform(gains.begin(), gains.end(), gains.begin(),
        [&](float nats) { return std::pow(10.0F, -std::clamp(-kSlope * nats, 0.0F, kMost_dB) / 20.0F); });
    Condensed out{{}, {}, all.loud_dB, all.gain, all.ends_silent};
    out.samples.reserve(samples.size());
    Hiss steady(kHiss);
    auto piece = all.pieces.begin();
    const auto keep = [&](std::size_t first, std::size_t last) {
        while (std::next(piece) != all.pieces.end() && std::next(piece)->first <= first) {
            ++piece;
        }
        out.pieces.push_back({out.samples.size(), piece->original + (first - piece->first)});
        for (auto next = std::next(piece); next != all.pieces.end() && next->first < last; ++next) {
            out.pieces.push_back({out.samples.size() + (next->first - first), next->original});
        }
        for (std::size_t i = first; i < last; ++i) {
            const float gain = i / kFrame < gains.size() ? gains[i / kFrame] : 1.0F;
            out.samples.push_back(
                gain < 1.0F ? steady.over(static_cast<double>(gain * samples[i])) : samples[i]);
        }
    };
    const auto after_end = static_cast<std::size_t>(kAfterEnd_s * 100.0); // stays
    std::vector<bool> others(gains.size() - std::min(after_end, gains.size()));
    std::transform(gains.begin(), gains.begin() + static_cast<std::ptrdiff_t>(others.size()), others.begin(),
        [&](float gain) { return gain < kSofter; });
    std::size_t kept = 0; ///< frames
    for (const auto& [first, last] : middlesOf(others, kKeep, 2 * kKeep)) {
        keep(kept * kFrame, first * kFrame);
        kept = last;
    }
    keep(kept * kFrame, samples.size());
    return out;
}

std::int16_t Hiss::over(double sample)
{
    return inRange(sample + hiss_(random_));
}

} // namespace brumefall::media
