#include "formats/csv.h"

namespace brumefall::formats {

std::string csvCell(const std::string& text)
{
    const bool formula = !text.empty() && std::string("=+-@").find(text.front()) != std::string::npos;
    const std::string plain = (formula ? "'" : "") + text;
    if (plain.find_first_of(",\"\r\n") == std::string::npos) {
        return plain;
    }
    std::string out = "\"";
    for (const char c : plain) {
        out += c == '"' ? "\"\"" : std::string(1, c);
    }
    return out + "\"";
}

CsvRow& CsvRow::add(const std::string& cell)
{
    cells_ += (begun_ ? "," : "") + cell;
    begun_ = true;
    return *this;
}

CsvRow& CsvRow::operator<<(const std::string& text)
{
    return add(csvCell(text));
}

CsvRow& CsvRow::figure(double value, int digits)
{
    return add(printed("%.*f", digits, value));
}

CsvRow& CsvRow::count(long value)
{
    return add(std::to_string(value));
}

} // namespace brumefall::formats
