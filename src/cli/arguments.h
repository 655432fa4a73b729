/// The commands of the command line, what each takes, and the words of one call: parsed by CLI11.
#pragma once

#include <functional>
#include <map>
#include <optional>
#include <string>
#include <vector>

namespace brumefall::cli {

inline constexpr int kFine = 0;
inline constexpr int kBadData = 1;
inline constexpr int kBadUsage = 2;

/// A value that no option takes, or that options do not go together.
struct UsageError {
    std::string message;
};

struct Arguments {
    std::string positional;
    std::map<std::string, std::string> options; ///< those that were given

    [[nodiscard]] std::optional<std::string> option(const std::string& name) const
    {
        const auto it = options.find(name);
        return it == options.end() ? std::nullopt : std::optional(it->second);
    }
};

struct Option {
    std::string name;
    std::string help;
    bool required = false;
    std::vector<std::string> choices = {}; ///< empty: any value
};

struct Command {
    std::string name;
    std::string help;
    std::string takes; ///< what its one argument is
    std::vector<Option> options;
    std::function<int(const Arguments&)> run; ///< returns the exit code
};

/// Does what the words ask for, and returns the exit code. Asked by the shell ("--complete WORDS…", the last
/// one not finished), prints what may stand there, a line each; nothing where that is a file.
int runCommandLine(const std::vector<Command>& commands, int argc, char** argv);

} // namespace brumefall::cli
