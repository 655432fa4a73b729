/// The recogniser, and what it makes of a stretch of sound by the grammar of a reading.
#pragma once

#include "media/heard.h"
#include "media/reading_grammar.h"

#include <cstdint>
#include <memory>
#include <mutex>
#include <optional>
#include <span>
#include <string>
#include <vector>

struct ngram_model_s;

namespace brumefall::media {

inline constexpr double kFrame_s = 0.01; ///< of the recogniser

struct DecoderFreer {
    void operator()(ps_decoder_s* decoder) const;
};
using Decoder = std::unique_ptr<ps_decoder_s, DecoderFreer>;

/// Where the mean that is taken from the features comes from: a whole utterance, or what was heard so far.
enum class Means { of_utterance, so_far };

/// Throws MediaError where the acoustic model is missing. `warp` stretches the frequencies of the voice onto
/// those of the voices that the model was made from: above 1 for a shorter throat (vocal tract length
/// normalisation; Lee & Rose, IEEE Transactions on Speech and Audio Processing 6 (1998), 49-60).
[[nodiscard]] Decoder makeDecoder(Means means, double warp = 1.0);

/// A model of pairs of words, read from the ARPA format. Throws MediaError.
using LanguageModel = std::shared_ptr<ngram_model_s>;
[[nodiscard]] LanguageModel readModel(const std::string& arpa);

/// The name of the search of makeListener.
inline constexpr const char* kListenerSearch = "notes";

/// The same for a stream of any words that `model` allows: every one of `words` gets its pronunciations. What
/// is none of them is heard as phones of talk ("++AH++"). Throws MediaError.
[[nodiscard]] Decoder makeListener(
    const LanguageModel& model, const std::vector<std::string>& words, double warp = 1.0);

/// Finds the best path through all of `samples`, as one utterance.
void explain(ps_decoder_s* decoder, std::span<const std::int16_t> samples);

/// The mean of a voice's features, which is taken from them before they are compared; empty where it is not
/// known.
using FeatureMean = std::vector<float>;

/// The same where the decoder's means are of utterances. A few words have no mean of their own that tells
/// anything of the voice: they get `mean`, that of the last long utterance, where there was one.
void explain(ps_decoder_s* decoder, std::span<const std::int16_t> samples, FeatureMean& mean);

/// `name` is said in these ways, in phones.
void addToDictionary(ps_decoder_s* decoder, const std::string& name, const std::vector<std::string>& ways);

/// Held while a front end of the recogniser is made: what it warps by stands in variables of the whole
/// process.
[[nodiscard]] std::unique_lock<std::mutex> frontEndLock();

/// What the decoder's best path holds, so far or at the end; its times are from `from_s` on.
[[nodiscard]] Heard heardBy(ps_decoder_s* decoder, double from_s);

/// Natural logarithm of how well the decoder's best path explains all that it was given; nothing where no
/// path does.
[[nodiscard]] std::optional<double> logLikelihood(ps_decoder_s* decoder);

} // namespace brumefall::media
