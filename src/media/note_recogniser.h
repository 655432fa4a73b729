/// The recogniser set to hear the notes that are expected.
#pragma once

#include "media/condense.h"
#include "media/heard.h"
#include "media/reading_grammar.h"
#include "media/speech_decoder.h"

#include <cstdint>
#include <memory>
#include <optional>
#include <span>
#include <vector>

namespace brumefall::media {

/// The samples of a stretch of it.
[[nodiscard]] std::span<const std::int16_t> samplesOf(const Condensed& condensed, const take::Span& span);

/// A recogniser for voices of one kind.
class NoteRecogniser {
public:
    /// `warp` is that of makeDecoder; `expected` outlives it. Throws MediaError where the model is missing.
    explicit NoteRecogniser(const std::vector<ExpectedNote>& expected, double warp = 1.0);

    [[nodiscard]] const Grammar& grammar() const { return *grammar_; }

    /// What of `window` is said in a stretch, or in `samples`, the first of which is at `from_s`.
    Heard hear(const Condensed& condensed, const take::Span& span, const Grammar::Window& window);
    Heard hear(std::span<const std::int16_t> samples, double from_s, const Grammar::Window& window);
    /// The same as if nothing had been heard before: so throats can be compared with each other.
    Heard hearAnew(std::span<const std::int16_t> samples, const Grammar::Window& window);

    static constexpr double kAround_s = 0.1; ///< what is heard by itself is heard with so much around it
    /// How well just these words explain a stretch of the sound and kAround_s around it, and when each is
    /// said; nothing where they cannot be.
    struct Fit {
        double nats;
        std::vector<HeardWord> words;
    };
    std::optional<Fit> fit(
        const Condensed& condensed, const take::Span& span, const std::vector<WordPlace>& words);

private:
    Decoder decoder_;
    std::unique_ptr<Grammar> grammar_;
    FeatureMean mean_;
};

} // namespace brumefall::media
