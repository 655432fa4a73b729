#include "media/louder_voice.h"

#include "maths/quantile.h"
#include "media/cepstra.h"
#include "media/condense.h"
#include "media/loudness.h"

#include <Eigen/Cholesky>
#include <Eigen/Core>

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <iterator>
#include <numeric>

namespace brumefall::media {
namespace {

using Features = Eigen::Matrix<float, Eigen::Dynamic, LouderVoice::kFeatures>; ///< a row for each frame
using Vector = Eigen::Matrix<float, LouderVoice::kFeatures, 1>;
using Frames = std::vector<std::size_t>;

constexpr std::size_t kAround = 45; ///< frames on each side
constexpr Eigen::Index kCepstra = take::kCepstra;

/// Columns of the features, which are seconds around each frame but for the first.
constexpr Eigen::Index kSyllableLevel = 0;
constexpr Eigen::Index kMeanLevel = 1;
constexpr Eigen::Index kLoudestLevel = 2;
constexpr Eigen::Index kMeanCepstra = 3;
constexpr Eigen::Index kDeviations = kMeanCepstra + kCepstra;

/// The sums of some columns over the frames around each.
class SumsAround {
public:
    SumsAround(std::size_t frames, Eigen::Index columns)
        : sums_(Sums::Zero(static_cast<Eigen::Index>(frames) + 1, columns))
    {
    }
    /// Frames are added in their order.
    void add(std::size_t frame, const Eigen::RowVectorXd& values)
    {
        const auto row = static_cast<Eigen::Index>(frame);
        sums_.row(row + 1) = sums_.row(row) + values;
    }
    [[nodiscard]] Eigen::RowVectorXd around(std::size_t frame) const
    {
        const std::size_t last = std::min(frame + kAround + 1, static_cast<std::size_t>(sums_.rows()) - 1);
        return sums_.row(static_cast<Eigen::Index>(last))
            - sums_.row(static_cast<Eigen::Index>(frame - std::min(frame, kAround)));
    }

private:
    using Sums = Eigen::Matrix<double, Eigen::Dynamic, Eigen::Dynamic, Eigen::RowMajor>;
    Sums sums_; ///< of all frames before each
};

Features featuresOf(std::span<const std::int16_t> samples)
{
    constexpr double kSoft_dB = 55.0; ///< is next to the hiss, and of nobody's timbre
    constexpr double kHardly = 0.01;
    FrontEnd front_end(FrontEnd::Of::voices);
    const auto cepstra = front_end.cepstraOf(samples);
    const auto loudness = loudnesses_dB(samples, kAlignRate_hz);
    const auto levels = syllableLevels_dB(loudness);
    const auto loudest = syllableLevels_dB(loudness, kAround);
    SumsAround sums(levels.size(), 3 + 2 * kCepstra); // frames, level, weight, cepstra, their squares
    Eigen::RowVectorXd values(3 + 2 * kCepstra);
    for (std::size_t f = 0; f < levels.size(); ++f) {
        values.setZero();
        values.head<2>() << 1.0, levels[f];
        if (f < cepstra.size() && loudness[f] > kSoft_dB) {
            const double weight = std::pow(loudness[f] - kSoft_dB, 2.0); // the louder, the less it is mixed
            const Eigen::RowVectorXd cepstrum =
                Eigen::Map<const Eigen::RowVectorXf>(cepstra[f].data(), kCepstra).cast<double>();
            values(2) = weight;
            values.segment<kCepstra>(3) = weight * cepstrum;
            values.tail<kCepstra>() = weight * cepstrum.array().square();
        }
        sums.add(f, values);
    }
    Features out(static_cast<Eigen::Index>(levels.size()), LouderVoice::kFeatures);
    for (std::size_t f = 0; f < levels.size(); ++f) {
        const Eigen::RowVectorXd around = sums.around(f);
        const double weight = std::max(kHardly, around(2));
        const Eigen::RowVectorXd mean = around.segment<kCepstra>(3) / weight;
        const Eigen::RowVectorXd variance = around.tail<kCepstra>().array() / weight - mean.array().square();
        const auto row = static_cast<Eigen::Index>(f);
        out(row, kSyllableLevel) = levels[f];
        out(row, kMeanLevel) = static_cast<float>(around(1) / around(0));
        out(row, kLoudestLevel) = loudest[f];
        out.row(row).segment<kCepstra>(kMeanCepstra) = mean.cast<float>();
        out.row(row).segment<kCepstra>(kDeviations) = variance.cwiseMax(0.0).cwiseSqrt().cast<float>();
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

/// Where the two of a mixture of two normal distributions of one deviation are equally likely, learnt from
/// `values` by expectation maximisation (Dempster, Laird & Rubin, Journal of the Royal Statistical Society B
/// 39 (1977), 1-38), from those above and below 0 on; there are some of both.
float boundaryIn(const Eigen::ArrayXf& values)
{
    constexpr int kSteps = 30;
    constexpr float kLeast = 0.02F; ///< is of either
    Eigen::ArrayXf upper = (values > 0.0F).cast<float>();
    float boundary = 0.0F;
    for (int step = 0; step < kSteps; ++step) {
        const float share = std::clamp(upper.mean(), kLeast, 1.0F - kLeast);
        const float high = (upper * values).mean() / share;
        const float low = ((1.0F - upper) * values).mean() / (1.0F - share);
        const float variance =
            (upper * (values - high).square() + (1.0F - upper) * (values - low).square()).mean();
        const float slope = (high - low) / variance;
        boundary = 0.5F * (high + low) - std::log(share / (1.0F - share)) / slope;
        upper = 1.0F / (1.0F + (-slope * (values - boundary)).exp());
    }
    return boundary;
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

std::optional<LouderVoice> LouderVoice::in(std::span<const std::int16_t> samples)
{
    constexpr std::size_t kLeast = 300; ///< frames of speech
    constexpr float kSofter = 0.5F; ///< of the syllables are the softer voice's
    constexpr float kLouder = 0.9F; ///< of the syllables are softer than those that are surely the louder's
    constexpr int kTimes = 2;
    constexpr double kStay_s = 1.3; ///< one voice, so parted, seems to take turns with itself sooner
    const Features features = featuresOf(samples);
    const std::vector<float> levels(features.col(kSyllableLevel).begin(), features.col(kSyllableLevel).end());
    const Frames speech = speechIn(levels);
    if (speech.size() < kLeast) {
        return {};
    }
    const float soft_dB = quantileOf(levels, speech, kSofter);
    const float loud_dB = quantileOf(levels, speech, kLouder);
    auto found = discriminantOf(features, those(speech, [&](std::size_t f) { return levels[f] >= loud_dB; }),
        those(speech, [&](std::size_t f) { return levels[f] <= soft_dB; }));
    auto likelier = found.nats(features);
    for (int time = 0; time < kTimes; ++time) {
        const Frames louder = those(speech, [&](std::size_t f) { return likelier[f] > 0.0F; });
        const Frames softer = those(speech, [&](std::size_t f) { return likelier[f] <= 0.0F; });
        if (louder.empty() || softer.empty()) {
            return {};
        }
        const float surely = quantileOf(likelier, louder, 0.5F);
        const float surely_not = quantileOf(likelier, softer, 0.5F);
        found = discriminantOf(features, those(louder, [&](std::size_t f) { return likelier[f] >= surely; }),
            those(softer, [&](std::size_t f) { return likelier[f] <= surely_not; }));
        likelier = found.nats(features);
    }
    Eigen::ArrayXf of_speech(static_cast<Eigen::Index>(speech.size()));
    std::transform(
        speech.begin(), speech.end(), of_speech.begin(), [&](std::size_t f) { return likelier[f]; });
    if ((of_speech > 0.0F).all() || (of_speech <= 0.0F).all()) {
        return {};
    }
    const float boundary = boundaryIn(of_speech);
    found.bias -= boundary;
    for (float& nats : likelier) {
        nats -= boundary;
    }
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
