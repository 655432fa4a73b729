// Any bytes as a table of a log: read with the columns guessed and with every column told, cleaned, or
// refused with a FormatError.

#include "formats/files.h"
#include "pace/csv_log.h"
#include "pace/log.h"

#include <cstdint>
#include <stdexcept>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size)
{
    using namespace brumefall;
    const std::string_view content(reinterpret_cast<const char*>(data), size);
    try {
        const auto table = pace::readLogTable(content, "log.csv");
        auto columns = pace::guessColumns(table);
        for (std::size_t turn = 0; turn <= columns.size(); ++turn) {
            try {
                static_cast<void>(pace::cleanLog(pace::logOf(table, columns, "log.csv")));
            } catch (const formats::FormatError&) {
            } catch (const std::invalid_argument&) { // nothing usable remains
            }
            if (turn < columns.size())
                columns[turn] = static_cast<pace::LogColumn>((turn + size) % pace::kLogColumnNames.size());
        }
    } catch (const formats::FormatError&) {
    }
    return 0;
}
