// How well notes are read from captions that a recogniser really made: made-up stages of all schools, spoken
// by several voices over an engine and heard with a model of everyday English, in which the notes' words are
// rare. Prints the share of notes right, as a co-driver would count them.
//
//     captions_bench FIRST_SEED LAST_SEED FOLDER [--faults]
//
// Only the voices of flite read: of espeak-ng's, this recogniser hears one note in ten. What was heard is
// kept in FOLDER as SEED.srt and not heard again. No cost of the reading was set on any of them. CAPTIONS_DB
// is how far the engine is below the voice.

#include "caption_maker.h"
#include "captions/draft.h"
#include "media/phones.h"
#include "media/pronunciations.h"
#include "media/speech_decoder.h"
#include "read_out.h"

extern "C" {
#include <pocketsphinx.h>
#include <sphinxbase/err.h>
}

#include <cstdio>
#include <fstream>
#include <iostream>
#include <sstream>

namespace {

using namespace brumefall;
using namespace brumefall::bench;

media::Decoder everydayEnglish()
{
    const std::string folder = media::kSpeechModelFolder;
    std::vector<std::string> settings{"-hmm", folder + "/en-us", "-lm", folder + "/en-us.lm.bin", "-dict",
        folder + "/cmudict-en-us.dict", "-remove_silence", "no", "-cmn", "batch", "-maxhmmpf", "3000"};
    std::vector<char*> words;
    for (std::string& setting : settings) {
        words.push_back(setting.data());
    }
    err_set_logfp(nullptr);
    cmd_ln_t* config = cmd_ln_parse_r(nullptr, ps_args(), static_cast<int>(words.size()), words.data(), TRUE);
    media::Decoder decoder(ps_init(config));
    cmd_ln_free_r(config);
    return decoder;
}

std::string clock(double at_s)
{
    const auto ms = static_cast<int>(1000.0 * at_s);
    char text[32];
    std::snprintf(text, sizeof text, "%02d:%02d:%02d,%03d", ms / 3'600'000, ms / 60'000 % 60, ms / 1000 % 60,
        ms % 1000);
    return text;
}

/// Blocks of words as captions show them: by time alone, without regard to what is said.
class Blocks {
public:
    void add(const std::string& word, double from_s, double to_s)
    {
        constexpr double kBlock_s = 4.0;
        constexpr double kSilence_s = 2.0;
        if (!text_.empty() && (to_s - from_s_ > kBlock_s || from_s - to_s_ > kSilence_s)) {
            close();
        }
        if (text_.empty()) {
            from_s_ = from_s;
        }
        text_ += (text_.empty() ? "" : " ") + word;
        to_s_ = to_s;
    }

    std::string srt()
    {
        close();
        return srt_.str();
    }

private:
    void close()
    {
        if (!text_.empty()) {
            srt_ << ++blocks_ << "\n" << clock(from_s_) << " --> " << clock(to_s_) << "\n" << text_ << "\n\n";
        }
        text_.clear();
    }

    std::ostringstream srt_;
    std::string text_;
    double from_s_ = 0.0;
    double to_s_ = 0.0;
    int blocks_ = 0;
};

std::string heardIn(const media::Sound& sound)
{
    const media::Decoder decoder = everydayEnglish();
    media::explain(decoder.get(), sound.samples);
    Blocks blocks;
    for (ps_seg_t* segment = ps_seg_iter(decoder.get()); segment != nullptr; segment = ps_seg_next(segment)) {
        std::string word = ps_seg_word(segment);
        if (word[0] == '<' || word[0] == '[' || word[0] == '+') {
            continue;
        }
        word = word.substr(0, word.find('(')); // another way to say it
        int first = 0;
        int last = 0;
        ps_seg_frames(segment, &first, &last);
        blocks.add(word, first * media::kFrame_s, (last + 1) * media::kFrame_s);
    }
    return blocks.srt();
}

void tell(const std::string& name, const caption_maker::Score& score)
{
    std::printf(
        "%-28s %5d notes, %5d read: heads %5.1f %%, core %5.1f %%, whole %5.1f %%, precision %5.1f %%\n",
        name.c_str(), score.truth, score.read, 100.0 * score.heads / score.truth,
        100.0 * score.core / score.truth, 100.0 * score.whole / score.truth,
        100.0 * score.heads / std::max(1, score.read));
    std::fflush(stdout);
}

} // namespace

int main(int argc, char** argv)
{
    if (argc < 4) {
        std::cerr << "usage: captions_bench FIRST_SEED LAST_SEED FOLDER [--faults]\n";
        return 2;
    }
    const bool faults = argc > 4;
    const std::filesystem::path folder = argv[3];
    std::filesystem::create_directories(folder);
    const auto& sounds = media::englishPronunciations();
    auto speakers = fiveSpeakers();
    std::erase_if(speakers, [](const Speaker& speaker) { return speaker.by != Synthesiser::flite; });
    if (speakers.empty()) {
        std::cerr << "captions_bench: flite is not there (scripts/setup bench)\n";
        return 2;
    }
    const char* wished_dB = std::getenv("CAPTIONS_DB");
    const double below_dB = wished_dB == nullptr ? 40.0 : std::atof(wished_dB);
    caption_maker::Score all;
    int schools = 0;
    int files = 0;
    for (auto seed = static_cast<std::uint32_t>(std::stoul(argv[1])); seed <= std::stoul(argv[2]); ++seed) {
        auto made = caption_maker::make(seed, sounds);
        constexpr std::size_t kNotes = 60;
        made.said.resize(std::min(made.said.size(), kNotes));
        made.truth.resize(made.said.size());
        const Speaker& speaker = speakers[seed % speakers.size()];
        const auto file = folder / (std::to_string(seed) + ".srt");
        if (!std::filesystem::exists(file)) {
            std::ofstream(file) << heardIn(readOut(made.said, speaker, nullptr, seed, below_dB).sound);
        }
        std::stringstream srt;
        srt << std::ifstream(file).rdbuf();
        const auto draft = captions::draftNotes(captions::readCues(srt.str(), file.string()), {}, sounds);
        const auto parsed = captions::understandDraft(draft);
        std::vector<notes::Note> read;
        for (const auto& call : parsed.calls) {
            read.insert(read.end(), call.notes.begin(), call.notes.end());
        }
        const auto judged = caption_maker::judge(made.truth, read);
        all.add(judged.score);
        const bool school = parsed.style.order == made.school.order;
        schools += school ? 1 : 0;
        ++files;
        tell(std::to_string(seed) + " " + speaker.name + (school ? "" : " (order!)"), judged.score);
        for (const auto& [t, r] : judged.pairs) {
            if (faults && (t < 0 || r < 0 || !judged.read_whole[static_cast<std::size_t>(r)])) {
                std::cout << "   " << (t < 0 ? "-" : made.truth[static_cast<std::size_t>(t)].text)
                          << "   =>   " << (r < 0 ? "-" : read[static_cast<std::size_t>(r)].text) << "\n";
            }
        }
    }
    tell("all", all);
    std::printf("order right %d of %d\n", schools, files);
    return 0;
}
