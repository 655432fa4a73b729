#include "captions/dictated.h"

#include "captions/draft.h"

#include <algorithm>
#include <utility>

namespace brumefall::captions {
namespace {

bool holdsWord(std::string_view text)
{
    return text.find_first_not_of(" ,.") != std::string_view::npos;
}

} // namespace

Dictated dictated(const Cue& breath, const notes::Style& style, const notes::Pronunciations& pronunciations)
{
    Dictated out;
    Cue left = breath;
    if (const auto at = breath.text.rfind(kScratch); at != std::string::npos) {
        const auto after = at + kScratch.size();
        const auto before = std::string_view(breath.text).substr(0, breath.text.find(kScratch));
        out.scratches = !holdsWord(before);
        left.text.erase(0, after);
        left.text.erase(0, left.text.find_first_not_of(" ,."));
        const std::size_t cut = breath.text.size() - left.text.size();
        std::erase_if(left.times, [&](const Cue::Timed& time) { return time.byte < cut; });
        for (auto& time : left.times) {
            time.byte -= cut;
        }
        if (!left.times.empty()) {
            left.start_s = left.times.front().at_s;
        }
    }
    if (!holdsWord(left.text)) {
        return out;
    }
    constexpr double kSureEnough =
        0.75; // talk is now and then heard as words of notes, and read as unlikely ones
    double sure = 1.0;
    const Draft draft = draftNotes({left}, style, pronunciations);
    for (const DraftCall& call : draft.calls) { // a breath is a line, however many calls it is taken for
        out.line += (out.line.empty() ? "" : " ") + call.text;
        sure = std::min(sure, call.confidence());
    }
    if (sure < kSureEnough) {
        out.unsure = std::exchange(out.line, {});
    }
    return out;
}

} // namespace brumefall::captions
