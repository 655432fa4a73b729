// Any bytes as a GPX track: read, laid on a plane and cleaned, or refused with a FormatError.

#include "formats/files.h"
#include "media/position_log.h"
#include "pace/log.h"

#include <cstdint>
#include <stdexcept>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size)
{
    using namespace brumefall;
    const std::string_view content(reinterpret_cast<const char*>(data), size);
    try {
        auto log = media::readGpx(content, "log.gpx");
        media::layOnPlane(log);
        static_cast<void>(pace::cleanLog(log));
    } catch (const formats::FormatError&) {
    } catch (const std::invalid_argument&) { // nothing usable remains
    }
    return 0;
}
