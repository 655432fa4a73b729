#include "media/note_recogniser.h"

#include <algorithm>
#include <utility>

namespace brumefall::media {

std::span<const std::int16_t> samplesOf(const Condensed& condensed, const take::Span& span)
{
    const auto first = static_cast<std::size_t>(std::max(0.0, span.start_s) * kAlignRate_hz);
    const auto last =
        std::min(condensed.samples.size(), static_cast<std::size_t>(span.end_s * kAlignRate_hz));
    return std::span(condensed.samples).subspan(first, last - first);
}

NoteRecogniser::NoteRecogniser(const std::vector<ExpectedNote>& expected, double warp)
    : decoder_(makeDecoder(Means::of_utterance, warp))
    , grammar_(std::make_unique<Grammar>(decoder_.get(), expected))
{
}

Heard NoteRecogniser::hear(const Condensed& condensed, const take::Span& span, const Grammar::Window& window)
{
    return hear(samplesOf(condensed, span), span.start_s, window);
}

Heard NoteRecogniser::hear(
    std::span<const std::int16_t> samples, double from_s, const Grammar::Window& window)
{
    grammar_->use(window);
    explain(decoder_.get(), samples, mean_);
    return heardBy(decoder_.get(), std::max(0.0, from_s));
}

Heard NoteRecogniser::hearAnew(std::span<const std::int16_t> samples, const Grammar::Window& window)
{
    FeatureMean mean = std::exchange(mean_, {});
    Heard heard = hear(samples, 0.0, window);
    mean_ = std::move(mean);
    return heard;
}

std::optional<NoteRecogniser::Fit> NoteRecogniser::fit(
    const Condensed& condensed, const take::Span& span, const std::vector<WordPlace>& words)
{
    const double from_s = std::max(0.0, span.start_s - kAround_s);
    grammar_->useExactly(words);
    explain(decoder_.get(), samplesOf(condensed, {from_s, span.end_s + kAround_s}), mean_);
    const auto nats = logLikelihood(decoder_.get());
    if (!nats) {
        return {};
    }
    return Fit{*nats, heardBy(decoder_.get(), from_s).words};
}

} // namespace brumefall::media
