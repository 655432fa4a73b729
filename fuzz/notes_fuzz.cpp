// Any bytes as notes: no crash, no line is lost, and what is printed, split and joined can be read again.

#include "notes/edit.h"
#include "notes/identity.h"
#include "notes/parser.h"
#include "notes/printer.h"

#include <cstdint>
#include <cstdlib>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size)
{
    using namespace brumefall::notes;
    const std::string_view text(reinterpret_cast<const char*>(data), size);
    auto parsed = parseNotes(text);
    if (parsed.understood + parsed.chatter > parsed.words) {
        std::abort();
    }
    for (const auto& unknown : parsed.unknown) {
        static_cast<void>(withFix(text, unknown));
    }
    const auto known = rememberNotes(parsed.calls);
    keepIds(known, parsed.calls);
    static_cast<void>(parseNotes(printSpoken(parsed)));
    static_cast<void>(parseNotes(printBrief(parsed, {})));
    const int line = size > 0 ? data[0] % 8 + 1 : 1;
    static_cast<void>(splitCall(text, line, size / 2, {}, parsed.style.order));
    static_cast<void>(joinCalls(text, line));
    static_cast<void>(renumberGrades(text, 1, line, {{4, 3}, {3, 4}}, {}, parsed.style.order));
    return 0;
}
