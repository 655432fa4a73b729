// Writes made-up captions and their truth, and says how many notes of them are read right:
// caption-maker FIRST_SEED LAST_SEED [OUT_FOLDER] [--faults]

#include "caption_maker.h"
#include "captions/draft.h"
#include "media/pronunciations.h"
#include "notes/printer.h"

#include <filesystem>
#include <fstream>
#include <iostream>
#include <map>

using namespace brumefall;

namespace {

std::string percent(int part, int whole)
{
    char text[16];
    std::snprintf(text, sizeof text, "%5.1f", whole == 0 ? 0.0 : 100.0 * part / whole);
    return text;
}

void tell(const std::string& name, const caption_maker::Score& s)
{
    std::cout << name << ": notes " << s.truth << ", read " << s.read << ", heads "
              << percent(s.heads, s.truth) << " core " << percent(s.core, s.truth) << " whole "
              << percent(s.whole, s.truth) << ", precision of heads " << percent(s.heads, s.read) << "\n";
}

} // namespace

int main(int argc, char** argv)
{
    if (argc < 3) {
        std::cerr << "usage: caption-maker FIRST_SEED LAST_SEED [OUT_FOLDER] [--faults]\n";
        return 2;
    }
    const bool faults = std::string(argv[argc - 1]) == "--faults";
    const std::string folder = argc > 3 && argv[3][0] != '-' ? argv[3] : "";
    const auto& sounds = media::englishPronunciations();
    caption_maker::Score all;
    int schools = 0;
    int stages = 0;
    int files = 0;
    std::map<int, std::pair<int, int>> sure; // by tenth: said, right
    std::map<int, double> sum;
    for (auto seed = static_cast<std::uint32_t>(std::stoul(argv[1])); seed <= std::stoul(argv[2]); ++seed) {
        const auto made = caption_maker::make(seed, sounds);
        if (!folder.empty()) {
            std::filesystem::create_directories(folder);
            std::ofstream(folder + "/" + std::to_string(seed) + ".srt") << made.srt;
            std::ofstream out(folder + "/" + std::to_string(seed) + ".txt");
            for (const auto& line : made.said) {
                out << line << "\n";
            }
        }
        const auto draft = captions::draftNotes(captions::readCues(made.srt, "made"), {}, sounds);
        const auto parsed = captions::understandDraft(draft);
        std::vector<notes::Note> read;
        for (const auto& call : parsed.calls) {
            read.insert(read.end(), call.notes.begin(), call.notes.end());
        }
        if (faults) {
            for (std::size_t c = 0; c < draft.calls.size() && c < parsed.calls.size(); ++c) {
                if (draft.calls[c].notes.size() != parsed.calls[c].notes.size()) {
                    std::cout << "   read as " << parsed.calls[c].notes.size() << " notes of "
                              << draft.calls[c].notes.size() << ": " << draft.calls[c].text << "\n";
                }
            }
        }
        const auto judged = caption_maker::judge(made.truth, read);
        all.add(judged.score);
        ++files;
        const bool school =
            parsed.style.order == made.school.order && parsed.style.scale == made.school.scale;
        schools += school ? 1 : 0;
        stages += static_cast<int>(draft.stages.size()) == made.stages ? 1 : 0;
        for (std::size_t k = 0; k < read.size(); ++k) {
            const int tenth = std::min(9, static_cast<int>(read[k].sure * 10.0));
            ++sure[tenth].first;
            sure[tenth].second += judged.read_whole[k] ? 1 : 0;
            sum[tenth] += read[k].sure;
        }
        tell(std::to_string(seed) + (school ? "" : " (school!)")
                + (static_cast<int>(draft.stages.size()) == made.stages ? "" : " (stages!)"),
            judged.score);
        if (faults) {
            for (const auto& [t, r] : judged.pairs) {
                if (t < 0 || r < 0 || !judged.read_whole[static_cast<std::size_t>(r)]) {
                    std::cout << "   " << (t < 0 ? "-" : made.truth[static_cast<std::size_t>(t)].text)
                              << "   =>   " << (r < 0 ? "-" : read[static_cast<std::size_t>(r)].text) << "   "
                              << (r < 0 ? "" : std::to_string(read[static_cast<std::size_t>(r)].sure))
                              << "\n";
                }
            }
        }
    }
    tell("all", all);
    std::cout << "school right " << schools << " of " << files << ", stages right " << stages << " of "
              << files << "\n";
    for (const auto& [tenth, counts] : sure) {
        std::cout << "sure " << percent(static_cast<int>(1000.0 * sum[tenth] / counts.first), 1000)
                  << " right " << percent(counts.second, counts.first) << " of " << counts.first << "\n";
    }
    return 0;
}
