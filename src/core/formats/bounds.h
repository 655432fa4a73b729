/// What numbers and lists of a file may be: a stranger's file may hold anything.
#pragma once

#include "formats/files.h"
#include "wording/wording.h"

#include <cmath>
#include <filesystem>
#include <string>

namespace brumefall::formats {

inline constexpr double kLongest_s = 100'000.0; ///< a day and some: no recording is longer
inline constexpr double kLongest_m = 500'000.0;
inline constexpr std::size_t kMostMarks = 20'000;
inline constexpr std::size_t kMostKnots = 400'000; ///< an hour at a hundred a second

/// Says what is out of range in `file` by throwing FormatError.
class Bounds {
public:
    explicit Bounds(std::filesystem::path file)
        : file_(std::move(file))
    {
    }

    double time_s(double value, const char* name) const { return within(value, kLongest_s, name); }
    double station_m(double value, const char* name) const { return within(value, kLongest_m, name); }
    double within(double value, double most, const char* name) const
    {
        if (!std::isfinite(value) || std::abs(value) > most) {
            throw FormatError(file_.string(), 0,
                wording::filled(wording::localized("file", "%1 is beyond all measure"), {std::string(name)}));
        }
        return value;
    }
    void count(std::size_t is, std::size_t most, const char* name) const
    {
        if (is > most) {
            throw FormatError(file_.string(), 0,
                wording::filled(wording::localized("file", "it has %1 %2; more than %3 are not read"),
                    {std::to_string(is), std::string(name), std::to_string(most)}));
        }
    }

private:
    std::filesystem::path file_;
};

} // namespace brumefall::formats
