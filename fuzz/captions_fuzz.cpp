// Any bytes as captions: draft notes, or refused with a FormatError; every proposal is within bounds.

#include "captions/draft.h"
#include "formats/files.h"

#include <cstdint>
#include <cstdlib>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size)
{
    using namespace brumefall;
    const std::string_view content(reinterpret_cast<const char*>(data), size);
    static_cast<void>(captions::looksLikeCaptions(content));
    static const notes::Pronunciations pronunciations; // as in the application: the words' sounds are kept
    try {
        const auto draft = captions::draftNotes(captions::readCues(content, "fuzz"), {}, pronunciations);
        for (const auto& call : draft.calls) {
            if (!(call.confidence() >= 0.0 && call.confidence() <= 1.0) || call.at_s > call.end_s + 1e-9) {
                std::abort();
            }
        }
        const auto parsed = captions::understandDraft(draft);
        if (parsed.understood + parsed.chatter > parsed.words) {
            std::abort();
        }
    } catch (const formats::FormatError&) {
    }
    return 0;
}
