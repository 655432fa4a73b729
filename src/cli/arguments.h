/// The words of a command: one positional argument and named options, each with a value.
#pragma once

#include <initializer_list>
#include <map>
#include <optional>
#include <string>
#include <vector>

namespace brumefall::cli {

inline constexpr int kFine = 0;
inline constexpr int kBadData = 1;
inline constexpr int kBadUsage = 2;

struct UsageError {
    std::string message;
};

/// The shell asked which options a command has ("--options").
struct OptionsAsked {
    std::vector<std::string> options;
};

struct Arguments {
    std::string positional;
    std::map<std::string, std::string> options;

    [[nodiscard]] std::optional<std::string> option(const std::string& name) const
    {
        const auto it = options.find(name);
        return it == options.end() ? std::nullopt : std::optional(it->second);
    }
};

/// Throws UsageError: an option that is not in `allowed`, one without a value, no positional argument, or
/// two.
[[nodiscard]] Arguments parseArguments(int argc, char** argv, std::initializer_list<const char*> allowed);

} // namespace brumefall::cli
