#include "media/speech_decoder.h"

#include "formats/printed.h"
#include "media/phones.h"
#include "wording/wording.h"

extern "C" {
#include <pocketsphinx.h>
#include <sphinxbase/err.h>
}

#include <cstdlib>
#include <filesystem>
#include <set>
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

/// A recogniser with the model of English and `settings`, pairs of a name and a value.
Decoder decoderWith(std::vector<std::string> settings, double warp)
{
    err_set_logfp(nullptr);
    const std::string folder = kSpeechModelFolder;
    settings.insert(settings.end(),
        {"-hmm", folder + "/en-us", "-dict", folder + "/cmudict-en-us.dict", "-remove_silence", "no"});
    std::vector<char*> words;
    for (std::string& setting : settings) {
        words.push_back(setting.data());
    }
    cmd_ln_t* config = cmd_ln_parse_r(nullptr, ps_args(), static_cast<int>(words.size()), words.data(), TRUE);
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
    return decoderWith({"-fdict", fillers.path(), "-beam", "1e-75", "-wbeam", "1e-75", "-pbeam", "1e-75",
                           "-maxhmmpf", "3000", "-fsgusefiller", "no", "-bestpath", "no", "-cmn",
                           means == Means::so_far ? "live" : "batch"},
        warp);
}

Decoder makeListener(const std::string& arpa, const std::vector<std::string>& words, double warp)
{
    constexpr const char* kName = "notes";
    Decoder decoder = decoderWith({"-beam", "1e-48", "-wbeam", "1e-30", "-pbeam", "1e-48", "-lw", "8",
                                      "-silprob", "0.01", "-bestpath", "no", "-cmn", "batch"},
        warp);
    // words of the model, not fillers: the recogniser takes those for silence where it follows a path back,
    // and aborts where a word cannot be followed by silence
    for (const auto& [name, phone] : talkWords()) {
        ps_add_word(decoder.get(), name.c_str(), phone.c_str(), FALSE);
    }
    for (const std::string& word : words) {
        char* known = ps_lookup_word(decoder.get(), word.c_str());
        if (known == nullptr) {
            ps_add_word(decoder.get(), word.c_str(), phonesFor(word).c_str(), FALSE);
        }
        ckd_free(known);
    }
    const ScratchFile file(arpa);
    ngram_model_t* model = ngram_model_read(
        ps_get_config(decoder.get()), file.path().c_str(), NGRAM_ARPA, ps_get_logmath(decoder.get()));
    const bool set = model != nullptr && ps_set_lm(decoder.get(), kName, model) == 0
        && ps_set_search(decoder.get(), kName) == 0;
    if (model != nullptr) {
        ngram_model_free(model);
    }
    if (!set) {
        throw MediaError(kSpeechModelFolder,
            wording::localized("media", "the recogniser does not take the words of the notes"));
    }
    return decoder;
}

bool Heard::isReading() const
{
    constexpr double kShare = 0.5;
    return notes_s >= kShare * (notes_s + talk_s);
}

bool Heard::isInOrder() const
{
    constexpr std::size_t kFew = 4;
    constexpr double kShare = 0.6;
    constexpr double kAgain = 1.4;
    std::set<std::size_t> notes;
    std::size_t readings = 0;
    for (const HeardWord& word : words) {
        notes.insert(word.place.note);
        readings += !word.place.after && word.place.word == 0 ? 1 : 0;
    }
    const auto count = static_cast<double>(notes.size());
    return notes.size() >= kFew && static_cast<double>(readings) <= kAgain * count
        && count >= kShare * static_cast<double>(*notes.rbegin() - *notes.begin() + 1);
}

std::optional<double> logLikelihood(ps_decoder_t* decoder)
{
    constexpr double kScoreShift = 1024.0; // scores are kept shifted down (SENSCR_SHIFT of the recogniser)
    int32 score = 0;
    if (ps_get_hyp(decoder, &score) == nullptr) {
        return {};
    }
    return kScoreShift * logmath_log_to_ln(ps_get_logmath(decoder), score);
}

Heard heardBy(ps_decoder_t* decoder, double from_s)
{
    Heard heard;
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
        } else if (name.starts_with("++")) {
            heard.talk_s += length_s;
        }
    }
    return heard;
}

} // namespace brumefall::media
