#include "arguments.h"

#include <algorithm>

namespace brumefall::cli {

Arguments parseArguments(int argc, char** argv, std::initializer_list<const char*> allowed)
{
    if (argc == 3 && std::string(argv[2]) == "--options") {
        throw OptionsAsked{{allowed.begin(), allowed.end()}};
    }
    Arguments arguments;
    for (int i = 2; i < argc; ++i) {
        const std::string word = argv[i];
        if (!word.starts_with("--")) {
            if (!arguments.positional.empty()) {
                throw UsageError{"one argument too many: " + word};
            }
            arguments.positional = word;
            continue;
        }
        if (std::find(allowed.begin(), allowed.end(), word) == allowed.end()) {
            throw UsageError{"no such option here: " + word};
        }
        if (i + 1 == argc) {
            throw UsageError{word + " needs a value"};
        }
        arguments.options[word] = argv[++i];
    }
    if (arguments.positional.empty()) {
        throw UsageError{"a file or stage is missing"};
    }
    return arguments;
}

} // namespace brumefall::cli
