#include "arguments.h"

#include "formats/files.h"

#include <CLI/CLI.hpp>

#include <algorithm>
#include <iostream>

namespace brumefall::cli {
namespace {

/// The commands as CLI11 knows them, with room for their values.
class Line {
public:
    explicit Line(const std::vector<Command>& commands)
        : commands_(commands)
        , app_("Pace notes planned, read and judged: the core of Brumefall for scripts.", "brumefall-cli")
        , given_(commands.size())
    {
        app_.set_version_flag("--version", "brumefall-cli " BRUMEFALL_VERSION);
        app_.require_subcommand(1);
        app_.footer("STAGE is a stage folder or its stage.brumefall. JSON on standard output, messages on "
                    "standard error.\nExit code 0: fine, 1: bad data, 2: bad usage.");
        for (std::size_t i = 0; i < commands.size(); ++i) {
            CLI::App* command = app_.add_subcommand(commands[i].name, commands[i].help);
            command->add_option(commands[i].takes, given_[i].positional)->required()->option_text(" ");
            for (const Option& option : commands[i].options) {
                auto* added = command->add_option(option.name, given_[i].options[option.name], option.help);
                added->required(option.required);
                if (!option.choices.empty()) {
                    added->check(CLI::IsMember(option.choices));
                }
            }
        }
    }

    int run(int argc, char** argv)
    {
        try {
            app_.parse(argc, argv);
        } catch (const CLI::ParseError& error) {
            return app_.exit(error) == static_cast<int>(CLI::ExitCodes::Success) ? kFine : kBadUsage;
        }
        const std::string chosen = app_.get_subcommands().front()->get_name();
        const auto command = std::find_if(
            commands_.begin(), commands_.end(), [&](const Command& c) { return c.name == chosen; });
        Arguments& arguments = given_[static_cast<std::size_t>(command - commands_.begin())];
        for (const Option& option : command->options) {
            if (app_.get_subcommands().front()->count(option.name) == 0) {
                arguments.options.erase(option.name);
            }
        }
        try {
            return command->run(arguments);
        } catch (const UsageError& error) {
            std::cerr << "brumefall-cli " << chosen << ": " << error.message << "\n";
            return kBadUsage;
        } catch (const formats::FormatError& error) {
            std::cerr << error.what() << "\n";
        } catch (const std::exception& error) {
            std::cerr << arguments.positional << ":0: " << error.what() << "\n";
        }
        return kBadData;
    }

    void complete(std::vector<std::string> words) const
    {
        const std::string begun = words.empty() ? "" : words.back();
        std::vector<std::string> offers;
        if (words.size() < 2) {
            for (const CLI::App* command : app_.get_subcommands({})) {
                offers.push_back(command->get_name());
            }
        } else {
            const auto command = std::find_if(commands_.begin(), commands_.end(),
                [&](const Command& c) { return c.name == words.front(); });
            if (command == commands_.end()) {
                return;
            }
            const std::string& before = words[words.size() - 2];
            const auto option = std::find_if(command->options.begin(), command->options.end(),
                [&](const Option& o) { return o.name == before; });
            if (option != command->options.end()) {
                offers = option->choices;
            } else if (begun.starts_with("-")) {
                for (const CLI::Option* known : app_.get_subcommand(words.front())->get_options()) {
                    if (!known->get_positional()) {
                        offers.push_back(known->get_name(false, true));
                    }
                }
            }
        }
        for (const std::string& offer : offers) {
            if (offer.starts_with(begun)) {
                std::cout << offer << "\n";
            }
        }
    }

private:
    const std::vector<Command>& commands_;
    CLI::App app_;
    std::vector<Arguments> given_;
};

} // namespace

int runCommandLine(const std::vector<Command>& commands, int argc, char** argv)
{
    Line line(commands);
    if (argc > 1 && std::string(argv[1]) == "--complete") {
        line.complete({argv + 2, argv + argc});
        return kFine;
    }
    return line.run(argc, argv);
}

} // namespace brumefall::cli
