// Any bytes as notes: no crash, and no line is lost.

#include "notes/identity.h"
#include "notes/parser.h"

#include <cstdint>
#include <cstdlib>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size)
{
    const std::string_view text(reinterpret_cast<const char*>(data), size);
    auto parsed = brumefall::notes::parseNotes(text);
    if (parsed.understood + parsed.chatter > parsed.words) {
        std::abort();
    }
    const auto known = brumefall::notes::rememberNotes(parsed.calls);
    brumefall::notes::keepIds(known, parsed.calls);
    return 0;
}
