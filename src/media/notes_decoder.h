/// The recogniser set to hear any words of the note language.
#pragma once

#include "captions/cues.h"
#include "media/condense.h"
#include "media/speech_decoder.h"
#include "media/steady_noise.h"
#include "notes/style.h"
#include "notes/succession.h"

#include <cstdint>
#include <optional>
#include <span>
#include <string>
#include <vector>

namespace brumefall::media {

/// A word that was heard, or captions::kUnknownTalk for a stretch of talk; times in seconds.
struct NotesWord {
    std::string text;
    double start_s;
    double end_s;
    double fit = 0.0; ///< how well its sounds fit: a logarithm per frame of the recogniser, 0 at best
    double sure = 1.0; ///< how likely it is no talk

    [[nodiscard]] bool isTalk() const { return text == captions::kUnknownTalk; }
};

/// A silence between two words; a longer one ends a sentence.
inline constexpr double kPause_s = 0.25;

/// What one hearing gives; the logarithms grow towards 0 the better the model fits.
struct Hearing {
    std::vector<NotesWord> words; ///< from the first sample on
    double likelihood = -1e300; ///< logarithm, of all
    double sounds = 0.0; ///< logarithm, of the sounds of the words
    int frames = 0; ///< of the words

    [[nodiscard]] double perFrame() const { return frames == 0 ? -1e300 : sounds / frames; }
};

class NotesDecoder {
public:
    /// For the order of `style`, or either. Throws MediaError where the recogniser's model is missing.
    /// `alone` is said between two silences and is no note; empty for nothing.
    explicit NotesDecoder(notes::Style style, std::string alone = {});

    /// What is heard from now on is heard with this: a crew's order, and the warp of makeDecoder.
    void use(std::optional<notes::Order> order, double warp);
    [[nodiscard]] std::optional<notes::Order> order() const { return order_; }
    [[nodiscard]] double warp() const { return warp_; }
    [[nodiscard]] const notes::Succession& succession() const { return succession_; }

    /// What is heard in `samples` (at kAlignRate_hz, as Prepared makes them). A word that is drawn out as no
    /// reader does it is an engine, and left out.
    [[nodiscard]] Hearing hear(std::span<const std::int16_t> samples) const;
    /// Logarithm of how likely `samples` are where just these words are said in them; nothing where they
    /// cannot be.
    [[nodiscard]] std::optional<double> likelihoodOf(
        std::span<const std::int16_t> samples, std::span<const std::string> words) const;
    /// Hears `samples` as shorter throats would have said them, and goes on with the one that fits the model
    /// best, where all of it and the words alone fit clearly better than in `now`, what was heard in them:
    /// all but the words may be an engine. What is heard with it then; nothing where it goes on as before.
    std::optional<Hearing> fitVoice(std::span<const std::int16_t> samples, const Hearing& now);

private:
    notes::Style style_;
    std::string alone_;
    notes::Succession succession_; ///< for order_
    LanguageModel model_; ///< the same as the recogniser takes it
    Decoder decoder_;
    std::optional<notes::Order> order_;
    double warp_ = 1.0;
};

/// Samples of one level made ready to be heard: without their steady noise, and with the hiss that is best to
/// hear with, less of it where some noise is left.
class Prepared {
public:
    explicit Prepared(std::vector<std::int16_t> samples);
    [[nodiscard]] std::size_t count() const { return samples_.size(); }
    /// Those before `end`, ready; they are worked on when they are first asked for.
    [[nodiscard]] std::span<const std::int16_t> until(std::size_t end);

private:
    std::vector<std::int16_t> samples_;
    SteadyNoise noise_;
    Hiss hiss_;
    std::size_t ready_ = 0;
};

/// `words` with each stretch of talk as one, and how likely each of the others is no talk.
[[nodiscard]] std::vector<NotesWord> withTalk(
    std::span<const NotesWord> words, const notes::Succession& succession);

/// Words between two silences as cues, with the time of each word; a longer silence ends a sentence. A
/// stretch of talk is a cue of its own.
[[nodiscard]] std::vector<captions::Cue> cuesOf(std::span<const NotesWord> words);

} // namespace brumefall::media
