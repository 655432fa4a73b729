#include "media/voice.h"

#include "wording/wording.h"

#include <espeak-ng/speak_lib.h>

#include <algorithm>
#include <cmath>
#include <map>
#include <mutex>
#include <tuple>

namespace brumefall::media {
namespace {

constexpr int kSlowest_wpm = 80;
constexpr int kFastest_wpm = 450;

std::mutex& voiceMutex()
{
    static std::mutex mutex;
    return mutex;
}

int collect(short* samples, int count, espeak_EVENT* events)
{
    if (samples != nullptr && count > 0 && events != nullptr && events->user_data != nullptr) {
        auto* sound = static_cast<Sound*>(events->user_data);
        sound->samples.insert(sound->samples.end(), samples, samples + count);
    }
    return 0;
}

using Saying = std::tuple<std::string, int, int, int, int, std::string>;
constexpr std::size_t kMostSaid = 600;

/// What was said before is said the same again: the engine itself carries a little over from one utterance
/// to the next. Call with the mutex held.
std::map<Saying, Sound>& said()
{
    static std::map<Saying, Sound> sounds;
    return sounds;
}

/// The engine is one per process; call with the mutex held.
void requireEngine()
{
    static const int rate_hz = [] {
        const int rate = espeak_Initialize(AUDIO_OUTPUT_SYNCHRONOUS, 0, nullptr, espeakINITIALIZE_DONT_EXIT);
        if (rate > 0) {
            espeak_SetSynthCallback(collect);
        }
        return rate;
    }();
    if (rate_hz != kVoiceRate_hz) {
        throw MediaError("espeak-ng",
            wording::localized("media", "the voice could not be started; is espeak-ng-data installed?"));
    }
}

/// Cuts quiet ends, leaving a few milliseconds.
void trim(Sound& sound)
{
    constexpr int kQuiet = 260;
    constexpr std::ptrdiff_t kMargin = kVoiceRate_hz / 200;
    auto& s = sound.samples;
    const auto loud = [](std::int16_t v) { return std::abs(static_cast<int>(v)) > kQuiet; };
    const auto first = std::find_if(s.begin(), s.end(), loud) - s.begin();
    const auto last = s.rend() - std::find_if(s.rbegin(), s.rend(), loud);
    if (first >= last) {
        s.clear();
        return;
    }
    s.erase(s.begin() + std::min(last + kMargin, std::ssize(s)), s.end());
    s.erase(s.begin(), s.begin() + std::max<std::ptrdiff_t>(0, first - kMargin));
}

} // namespace

Sound sayAtRate(const std::string& text, int words_per_min, const VoiceStyle& style)
{
    const std::lock_guard lock(voiceMutex());
    requireEngine();
    const Saying saying{text, words_per_min, style.pitch, style.range, style.volume, style.variant};
    if (const auto it = said().find(saying); it != said().end()) {
        return it->second;
    }
    espeak_SetVoiceByName(style.variant.c_str());
    espeak_SetParameter(espeakRATE, std::clamp(words_per_min, kSlowest_wpm, kFastest_wpm), 0);
    espeak_SetParameter(espeakPITCH, style.pitch, 0);
    espeak_SetParameter(espeakRANGE, style.range, 0);
    espeak_SetParameter(espeakVOLUME, style.volume, 0);
    Sound sound{{}, kVoiceRate_hz};
    espeak_Synth(text.c_str(), text.size() + 1, 0, POS_CHARACTER, 0, espeakCHARS_UTF8, nullptr, &sound);
    trim(sound);
    if (said().size() >= kMostSaid) {
        said().clear();
    }
    said().emplace(saying, sound);
    return sound;
}

Sound say(const std::string& text, double duration_s, const VoiceStyle& style)
{
    constexpr int kUsual_wpm = 180;
    int rate_wpm = kUsual_wpm;
    Sound sound = sayAtRate(text, rate_wpm, style);
    for (int attempt = 0; attempt < 2 && duration_s > 0.0 && !sound.samples.empty(); ++attempt) {
        const double ratio = sound.duration_s() / duration_s;
        const int wanted =
            std::clamp(static_cast<int>(std::lround(rate_wpm * ratio)), kSlowest_wpm, kFastest_wpm);
        if (wanted == rate_wpm || std::abs(ratio - 1.0) < 0.02) {
            break;
        }
        rate_wpm = wanted;
        sound = sayAtRate(text, rate_wpm, style);
    }
    return sound;
}

std::string phonemesOf(const std::string& word)
{
    const std::lock_guard lock(voiceMutex());
    requireEngine();
    espeak_SetVoiceByName("en-us");
    const void* text = word.c_str();
    constexpr int kIpa = 0x02;
    const char* phonemes = espeak_TextToPhonemes(&text, espeakCHARS_UTF8, kIpa);
    return phonemes == nullptr ? "" : phonemes;
}

} // namespace brumefall::media
