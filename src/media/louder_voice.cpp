#include "media/louder_voice.h"

#include "maths/quantile.h"
#include "media/cepstra.h"
#include "media/condense.h"
#include "media/loudness.h"

#include <Eigen/Cholesky>
#include <Eigen/Core>

#include <algorithm>
#include <cstddef>
#include <iterator>
#include <numeric>

namespace brumefall::media {
namespace {

using Features = Eigen::Matrix<float, Eigen::Dynamic, LouderVoice::kFeatures>; ///< a row for each frame
using Vector = Eigen::Matrix<float, LouderVoice::kFeatures, 1>;
using Frames = std::vector<std::size_t>;

constexpr std::size_t kAround = 45; ///< frames on each side
constexpr Eigen::Index kSyllableLevel = 0; ///< a column of the features
constexpr Eigen::Index kMeanLevel = 1; ///< the next

/// The mean level around each frame.
std::vector<float> meanLevels_dB(const std::vector<float>& levels_dB)
{
    std::vector<float> out;
    for (std::size_t f = 0; f < levels_dB.size(); ++f) {
        const auto first = levels_dB.begin() + static_cast<std::ptrdiff_t>(f - std::min(f, kAround));
        const auto last =
            levels_dB.begin() + static_cast<std::ptrdiff_t>(std::min(f + kAround + 1, levels_dB.size()));
        out.push_back(std::accumulate(first, last, 0.0F) / static_cast<float>(last - first));
    }
    return out;
}

/// The level of the syllable around each frame, the mean level and the mean timbre of what is loud around it.
Features featuresOf(std::span<const std::int16_t> samples)
{
    constexpr float kSoft_dB = 55.0F; ///< is next to the hiss, and of nobody's timbre
    constexpr float kHardly = 0.01F;
    using Sums = Eigen::Matrix<double, Eigen::Dynamic, LouderVoice::kFeatures>;
    FrontEnd front_end(FrontEnd::Of::voices);
    const auto cepstra = front_end.cepstraOf(samples);
    const auto loudness = loudnesses_dB(samples, kAlignRate_hz);
    const auto levels = syllableLevels_dB(loudness);
    Sums sums = Sums::Zero(static_cast<Eigen::Index>(levels.size()) + 1, LouderVoice::kFeatures);
    for (std::size_t f = 0; f < levels.size(); ++f) { // the first column is the weight
        const auto row = static_cast<Eigen::Index>(f);
        sums.row(row + 1) = sums.row(row);
        if (f < cepstra.size() && loudness[f] > kSoft_dB) {
            const auto weight = static_cast<double>(loudness[f] - kSoft_dB);
            const Eigen::Map<const Eigen::RowVectorXf> cepstrum(cepstra[f].data(), take::kCepstra);
            sums(row + 1, 0) += weight;
            sums.row(row + 1).tail<take::kCepstra>() += weight * cepstrum.cast<double>();
        }
    }
    const auto mean_levels = meanLevels_dB(levels);
    Features out(static_cast<Eigen::Index>(levels.size()), LouderVoice::kFeatures);
    for (std::size_t f = 0; f < levels.size(); ++f) {
        const auto row = static_cast<Eigen::Index>(f);
        const auto first = static_cast<Eigen::Index>(f - std::min(f, kAround));
        const auto last = static_cast<Eigen::Index>(std::min(f + kAround + 1, levels.size()));
        out.row(row) = (sums.row(last) - sums.row(first)).cast<float>();
        out.row(row) /= std::max(kHardly, out(row, 0));
        out(row, kSyllableLevel) = levels[f];
        out(row, kMeanLevel) = mean_levels[f];
    }
    return out;
}

Features rowsOf(const Features& features, const Frames& frames)
{
    Features out(static_cast<Eigen::Index>(frames.size()), LouderVoice::kFeatures);
    for (std::size_t i = 0; i < frames.size(); ++i) {
        out.row(static_cast<Eigen::Index>(i)) = features.row(static_cast<Eigen::Index>(frames[i]));
    }
    return out;
}

struct Discriminant {
    Vector weights;
    float bias;

    /// Natural logarithm of the odds that a row is the louder voice's.
    [[nodiscard]] std::vector<float> nats(const Features& features) const
    {
        const Eigen::VectorXf out = (features * weights).array() + bias;
        return {out.begin(), out.end()};
    }
};

Discriminant discriminantOf(const Features& features, const Frames& of_louder, const Frames& of_softer)
{
    constexpr float kRidge = 0.3F; ///< of the variances: half a minute holds few syllables
    Features louder = rowsOf(features, of_louder);
    Features softer = rowsOf(features, of_softer);
    const auto rows = static_cast<float>(louder.rows() + softer.rows());
    const Vector louder_mean = louder.colwise().mean();
    const Vector softer_mean = softer.colwise().mean();
    louder.rowwise() -= louder_mean.transpose();
    softer.rowwise() -= softer_mean.transpose();
    Eigen::Matrix<float, LouderVoice::kFeatures, LouderVoice::kFeatures> scatter =
        (louder.transpose() * louder + softer.transpose() * softer) / rows;
    scatter.diagonal() *= 1.0F + kRidge;
    const Vector weights = scatter.ldlt().solve(louder_mean - softer_mean);
    return {weights, -0.5F * weights.dot(louder_mean + softer_mean)};
}

/// The value that `share` of those of `frames` are not above; there is one frame at least.
float quantileOf(const std::vector<float>& values, const Frames& frames, float share)
{
    std::vector<float> own;
    for (const std::size_t f : frames) {
        own.push_back(values[f]);
    }
    return maths::quantile(std::span(own), share);
}

template <typename Predicate> Frames those(const Frames& frames, Predicate is_one)
{
    Frames out;
    std::copy_if(frames.begin(), frames.end(), std::back_inserter(out), is_one);
    return out;
}

/// The frames of speech: hardly any other lies so near the loudest.
Frames speechIn(const std::vector<float>& levels)
{
    constexpr float kLoudest = 0.98F;
    constexpr float kSpeech_dB = 15.0F; ///< below the loudest
    Frames all(levels.size());
    std::iota(all.begin(), all.end(), std::size_t{0});
    if (all.empty()) {
        return {};
    }
    const float least_dB = quantileOf(levels, all, kLoudest) - kSpeech_dB;
    return those(all, [&](std::size_t f) { return levels[f] > least_dB; });
}

/// How long one of two speaks before the other does, on average.
double stay_s(const std::vector<float>& likelier, const Frames& speech)
{
    std::size_t turns = 1;
    for (std::size_t i = 1; i < speech.size(); ++i) {
        turns += (likelier[speech[i - 1]] > 0.0F) != (likelier[speech[i]] > 0.0F) ? 1 : 0;
    }
    return 0.01 * static_cast<double>(speech.size()) / static_cast<double>(turns);
}

} // namespace

std::optional<LouderVoice> LouderVoice::in(std::span<const std::int16_t> samples, Of voices)
{
    constexpr std::size_t kLeast = 300; ///< frames of speech
    constexpr float kSofter = 0.5F; ///< of the syllables are the softer voice's
    constexpr float kLouder = 0.9F; ///< of the syllables are softer than those that are surely the louder's
    constexpr float kAlikeBelow_dB = 3.2F; ///< are one voice's loudest syllables above its softer half
    constexpr double kStay_s = 1.15; ///< one voice, so parted, seems to take turns with itself sooner
    Features features = featuresOf(samples);
    if (voices == Of::any_two) {
        features.col(kMeanLevel).setZero(); // so its weight is none
    }
    const std::vector<float> levels(features.col(kSyllableLevel).begin(), features.col(kSyllableLevel).end());
    const Frames speech = speechIn(levels);
    if (speech.size() < kLeast) {
        return {};
    }
    const float soft_dB = quantileOf(levels, speech, kSofter);
    const float loud_dB = quantileOf(levels, speech, kLouder);
    if (voices == Of::two_alike && loud_dB - soft_dB < kAlikeBelow_dB) {
        return {};
    }
    const auto by_level =
        discriminantOf(features, those(speech, [&](std::size_t f) { return levels[f] >= loud_dB; }),
            those(speech, [&](std::size_t f) { return levels[f] <= soft_dB; }));
    auto likelier = by_level.nats(features);
    const Frames louder = those(speech, [&](std::size_t f) { return likelier[f] > 0.0F; });
    const Frames softer = those(speech, [&](std::size_t f) { return likelier[f] <= 0.0F; });
    if (louder.empty() || softer.empty()) {
        return {};
    }
    const float surely = quantileOf(likelier, louder, 0.5F);
    const float surely_not = quantileOf(likelier, softer, 0.5F);
    const auto found =
        discriminantOf(features, those(louder, [&](std::size_t f) { return likelier[f] >= surely; }),
            those(softer, [&](std::size_t f) { return likelier[f] <= surely_not; }));
    likelier = found.nats(features);
    if (stay_s(likelier, speech) < kStay_s) {
        return {};
    }
    LouderVoice out;
    std::copy(found.weights.begin(), found.weights.end(), out.weights_.begin());
    out.bias_ = found.bias;
    return out;
}

std::vector<float> LouderVoice::likelier(std::span<const std::int16_t> samples) const
{
    return Discriminant{Vector(weights_.data()), bias_}.nats(featuresOf(samples));
}

} // namespace brumefall::media
