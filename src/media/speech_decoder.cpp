#include "media/speech_decoder.h"

#include "formats/printed.h"
#include "media/phones.h"
#include "media/pronunciations.h"
#include "wording/wording.h"

extern "C" {
#include <pocketsphinx.h>
#include <sphinxbase/err.h>
#include <sphinxbase/feat.h>
#include <sphinxbase/ngram_model.h>
}

#include <algorithm>
#include <cstdlib>
#include <filesystem>
#include <string>
#include <string_view>

#include <unistd.h>

namespace brumefall::media {
namespace {

/// A file with `content` that is gone with this.
class ScratchFile {
public:
    explicit ScratchFile(const std::string& content)
    {
        const int file = mkstemp(path_.data());
        if (file >= 0) {
            const auto written = ::write(file, content.data(), content.size());
            static_cast<void>(written); // the decoder says what it lacks
            ::close(file);
        }
    }
    ScratchFile(const ScratchFile&) = delete;
    ScratchFile& operator=(const ScratchFile&) = delete;
    ~ScratchFile() { ::unlink(path_.c_str()); }
    [[nodiscard]] const std::string& path() const { return path_; }

private:
    std::string path_ = (std::filesystem::temp_directory_path() / "brumefall-XXXXXX").string();
};

/// `warp` in digits, never the same twice running: the front end takes what it had last for done, and would
/// leave the voice as it is where one without a warp was made between.
std::string digitsOf(double warp)
{
    static bool longer = false;
    longer = !longer;
    return formats::printed(longer ? "%.7f" : "%.6f", warp);
}

/// `settings` are pairs of a name and a value. Null where they make no sense.
cmd_ln_t* configOf(std::vector<std::string>& settings)
{
    err_set_logfp(nullptr);
    std::vector<char*> words;
    for (std::string& setting : settings) {
        words.push_back(setting.data());
    }
    return cmd_ln_parse_r(nullptr, ps_args(), static_cast<int>(words.size()), words.data(), TRUE);
}

/// A recogniser with the model of English and `settings`. It knows no words: whoever makes it adds those that
/// may be said, so that not all of the dictionary is read each time.
Decoder decoderWith(std::vector<std::string> settings, double warp)
{
    const std::string folder = kSpeechModelFolder;
    settings.insert(settings.end(), {"-hmm", folder + "/en-us", "-remove_silence", "no"});
    cmd_ln_t* config = configOf(settings);
    const auto lock = frontEndLock();
    if (config != nullptr && warp != 1.0) {
        cmd_ln_set_str_r(config, "-warp_type", "inverse_linear");
        cmd_ln_set_str_r(config, "-warp_params", digitsOf(warp).c_str());
    }
    Decoder decoder(config == nullptr ? nullptr : ps_init(config));
    if (config != nullptr) {
        cmd_ln_free_r(config);
    }
    if (!decoder) {
        throw MediaError(kSpeechModelFolder,
            wording::localized("media", "the speech model is not there; install pocketsphinx-en-us"));
    }
    return decoder;
}

/// Of a recogniser that hears a stream of any words. Its second pass (-fwdflat) cannot be left out: it alone
/// has the pairs of words exactly, which a crew that says the number first needs.
std::vector<std::string> listenerSettings()
{
    return {"-beam", "1e-48", "-wbeam", "1e-30", "-pbeam", "1e-48", "-maxhmmpf", "500", "-lw", "8",
        "-silprob", "0.01", "-fwdflatbeam", "1e-48", "-fwdflatwbeam", "1e-20", "-fwdflatsfwin", "10",
        "-bestpath", "no", "-cmn", "batch"};
}

double natsOf(ps_decoder_t* decoder, int32 score)
{
    constexpr double kScoreShift = 1024.0; // scores are kept shifted down (SENSCR_SHIFT of the recogniser)
    return kScoreShift * logmath_log_to_ln(ps_get_logmath(decoder), score);
}

MediaError refused()
{
    return {kSpeechModelFolder,
        wording::localized("media", "the recogniser does not take the words of the notes")};
}

} // namespace

std::unique_lock<std::mutex> frontEndLock()
{
    static std::mutex mutex;
    return std::unique_lock(mutex);
}

void DecoderFreer::operator()(ps_decoder_s* decoder) const
{
    ps_free(decoder);
}

Decoder makeDecoder(Means means, double warp)
{
    const ScratchFile fillers(fillerDictionary());
    return decoderWith({"-fdict", fillers.path(), "-beam", "1e-75", "-wbeam", "1e-60", "-pbeam", "1e-75",
                           "-maxhmmpf", "3000", "-fsgusefiller", "no", "-bestpath", "no", "-cmn",
                           means == Means::so_far ? "live" : "batch"},
        warp);
}

void explain(ps_decoder_s* decoder, std::span<const std::int16_t> samples)
{
    ps_start_utt(decoder);
    ps_process_raw(decoder, samples.data(), samples.size(), FALSE, TRUE);
    ps_end_utt(decoder);
}

void explain(ps_decoder_s* decoder, std::span<const std::int16_t> samples, FeatureMean& mean)
{
    constexpr std::size_t kLong = 15 * kAlignRate_hz;
    feat_t* features = ps_get_feat(decoder);
    const bool is_long = samples.size() >= kLong;
    if (!is_long && !mean.empty()) {
        features->cmn = CMN_LIVE;
        cmn_live_set(features->cmn_struct, mean.data());
    }
    explain(decoder, samples);
    features->cmn = CMN_BATCH;
    if (is_long) {
        mean.resize(static_cast<std::size_t>(features->cmn_struct->veclen));
        cmn_live_get(features->cmn_struct, mean.data());
    }
}

void addToDictionary(ps_decoder_s* decoder, const std::string& name, const std::vector<std::string>& ways)
{
    for (std::size_t i = 0; i < ways.size(); ++i) {
        const std::string entry = i == 0 ? name : name + "(" + std::to_string(i + 1) + ")";
        ps_add_word(decoder, entry.c_str(), ways[i].c_str(), FALSE);
    }
}

LanguageModel readModel(const std::string& arpa)
{
    const ScratchFile file(arpa);
    auto words = listenerSettings();
    cmd_ln_t* config = configOf(words);
    logmath_t* logarithms =
        config == nullptr ? nullptr : logmath_init(cmd_ln_float_r(config, "-logbase"), 0, FALSE);
    LanguageModel model(logarithms == nullptr
            ? nullptr
            : ngram_model_read(config, file.path().c_str(), NGRAM_ARPA, logarithms),
        [](ngram_model_t* read) {
            if (read != nullptr) {
                ngram_model_free(read);
            }
        });
    if (logarithms != nullptr) {
        logmath_free(logarithms); // the model holds them too
    }
    if (config != nullptr) {
        cmd_ln_free_r(config);
    }
    if (!model) {
        throw refused();
    }
    return model;
}

Decoder makeListener(const LanguageModel& model, const std::vector<std::string>& words, double warp)
{
    Decoder decoder = decoderWith(listenerSettings(), warp);
    // words of the model, not fillers: the recogniser takes those for silence where it follows a path back,
    // and aborts where a word cannot be followed by silence
    for (const auto& [name, phone] : talkWords()) {
        ps_add_word(decoder.get(), name.c_str(), phone.c_str(), FALSE);
    }
    for (const std::string& word : words) {
        addToDictionary(decoder.get(), word, waysToSay(word));
    }
    if (ps_set_lm(decoder.get(), kListenerSearch, model.get()) != 0
        || ps_set_search(decoder.get(), kListenerSearch) != 0) {
        throw refused();
    }
    return decoder;
}

std::optional<double> logLikelihood(ps_decoder_t* decoder)
{
    int32 score = 0;
    if (ps_get_hyp(decoder, &score) == nullptr) {
        return {};
    }
    return natsOf(decoder, score);
}

Heard heardBy(ps_decoder_t* decoder, double from_s)
{
    Heard heard;
    int32 fit = 0;
    int frames = 0;
    for (ps_seg_t* segment = ps_seg_iter(decoder); segment != nullptr; segment = ps_seg_next(segment)) {
        const std::string_view name = ps_seg_word(segment);
        int first = 0;
        int last = 0;
        ps_seg_frames(segment, &first, &last);
        const double length_s = (last + 1 - first) * kFrame_s;
        WordPlace place;
        if (parseName(name, place)) {
            heard.words.push_back(
                {place, {from_s + first * kFrame_s, from_s + (last + 1) * kFrame_s}, {}, 0.0});
            heard.notes_s += length_s;
            int32 acoustic = 0;
            int32 language = 0;
            int32 backward = 0;
            ps_seg_prob(segment, &acoustic, &language, &backward);
            fit += acoustic;
            frames += last + 1 - first;
        } else if (name.starts_with("++")) {
            heard.talk_s += length_s;
        }
    }
    heard.notes_fit = frames > 0 ? natsOf(decoder, fit) / frames : 0.0;
    return heard;
}

} // namespace brumefall::media
