/// Tables of commas: RFC 4180.
#pragma once

#include "formats/printed.h"

#include <string>

namespace brumefall::formats {

/// A cell. What another program would take for a formula is made text.
[[nodiscard]] std::string csvCell(const std::string& text);

/// A row, cell by cell.
class CsvRow {
public:
    CsvRow& operator<<(const std::string& text);
    CsvRow& operator<<(const char* text) { return *this << std::string(text); }
    /// A figure with so many digits after the point.
    CsvRow& figure(double value, int digits);
    CsvRow& count(long value);
    /// The row with its end of line.
    [[nodiscard]] std::string line() const { return cells_ + "\r\n"; }

private:
    CsvRow& add(const std::string& cell);

    std::string cells_;
    bool begun_ = false;
};

} // namespace brumefall::formats
