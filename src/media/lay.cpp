#include "media/lay.h"

#include "media/condense.h"
#include "media/fourier.h"
#include "media/loudness.h"
#include "media/resample.h"
#include "wording/wording.h"

#include <algorithm>
#include <array>
#include <bit>
#include <cmath>
#include <new>
#include <numbers>
#include <numeric>

namespace brumefall::media {
namespace {

constexpr double kStep_s = 0.01;
constexpr auto kStep = static_cast<std::size_t>(kStep_s * kAlignRate_hz);
constexpr std::array kBands_hz{350.0, 700.0, 1400.0, 2800.0, 4500.0};

using Row = std::vector<float>;

/// How much louder it grows in a band from one step to the next, in dB, less the mean.
Row rises(const std::vector<std::int16_t>& samples, double centre_hz)
{
    // a band-pass of an octave; Bristow-Johnson's cookbook formulae for audio equalisers
    const double w = 2.0 * std::numbers::pi * centre_hz / kAlignRate_hz;
    const double alpha = std::sin(w) / (2.0 * 1.4);
    const double b0 = alpha / (1.0 + alpha);
    const double a1 = -2.0 * std::cos(w) / (1.0 + alpha);
    const double a2 = (1.0 - alpha) / (1.0 + alpha);
    double x1 = 0.0;
    double x2 = 0.0;
    double y1 = 0.0;
    double y2 = 0.0;
    Row level(samples.size() / kStep);
    for (std::size_t f = 0; f < level.size(); ++f) {
        double sum = 0.0;
        for (std::size_t i = f * kStep; i < (f + 1) * kStep; ++i) {
            const double x = samples[i];
            const double y = b0 * (x - x2) - a1 * y1 - a2 * y2;
            x2 = x1;
            x1 = x;
            y2 = y1;
            y1 = y;
            sum += y * y;
        }
        level[f] = loudness_dB(sum / kStep);
    }
    Row out(level.size(), 0.0F);
    for (std::size_t f = 2; f < level.size(); ++f) {
        out[f] = std::clamp(level[f] - level[f - 2], 0.0F, 20.0F);
    }
    const float mean =
        out.empty() ? 0.0F : std::accumulate(out.begin(), out.end(), 0.0F) / static_cast<float>(out.size());
    for (float& value : out) {
        value -= mean;
    }
    return out;
}

Transform makeTransform(std::size_t size, bool inverse)
{
    try {
        return {size, inverse};
    } catch (const std::bad_alloc&) {
        throw MediaError("sound", wording::localized("media", "too long to be laid to another"));
    }
}

std::vector<Complex> padded(const Row& row, std::size_t size)
{
    std::vector<Complex> out(size);
    std::copy(row.begin(), row.end(), out.begin());
    return out;
}

} // namespace

std::optional<LaidSound> laySound(const Sound& sound, const Sound& reference)
{
    constexpr double kEnough = 9.0; // standard deviations: of a million shifts chance makes none so strong
    const Sound a = resampled(sound, kAlignRate_hz);
    const Sound b = resampled(reference, kAlignRate_hz);
    if (a.duration_s() < kLeastLaid_s || b.duration_s() < kLeastLaid_s) {
        return {};
    }
    const std::size_t frames_a = a.samples.size() / kStep;
    const std::size_t frames_b = b.samples.size() / kStep;
    const std::size_t size = std::bit_ceil(frames_a + frames_b);
    Transform forward = makeTransform(size, false);
    Transform back = makeTransform(size, true);
    std::vector<Complex> product(size);
    for (const double band_hz : kBands_hz) {
        const auto forward_a = forward(padded(rises(a.samples, band_hz), size));
        const std::vector<Complex> of_a(forward_a.begin(), forward_a.end());
        const auto of_b = forward(padded(rises(b.samples, band_hz), size));
        for (std::size_t i = 0; i < size; ++i) {
            product[i] += std::conj(of_a[i]) * of_b[i];
        }
    }
    const auto correlation = back(product);
    const auto at = [&](long long shift) {
        return correlation[static_cast<std::size_t>(shift < 0 ? shift + static_cast<long long>(size) : shift)]
            .real();
    };
    const auto least = -static_cast<long long>(frames_a) + static_cast<long long>(kLeastLaid_s / kStep_s);
    const auto most = static_cast<long long>(frames_b) - static_cast<long long>(kLeastLaid_s / kStep_s);
    long long best = least;
    double sum = 0.0;
    double squares = 0.0;
    for (long long shift = least; shift <= most; ++shift) {
        const double value = static_cast<double>(at(shift));
        best = at(shift) > at(best) ? shift : best;
        sum += value;
        squares += value * value;
    }
    const auto count = static_cast<double>(most - least + 1);
    const double deviation = std::sqrt(std::max(1e-12, squares / count - sum / count * sum / count));
    const double strength = (static_cast<double>(at(best)) - sum / count) / deviation;
    if (strength < kEnough) {
        return {};
    }
    return LaidSound{static_cast<double>(best) * kStep_s, strength};
}

} // namespace brumefall::media
