#include "export.h"

#include "arguments.h"

#include "export/export_stage.h"
#include "export/package.h"
#include "pages/fonts.h"

#include <QGuiApplication>

#include <array>
#include <cstdlib>
#include <iostream>
#include <map>
#include <stdexcept>

namespace brumefall::cli {
namespace {

template <typename Choice> using Choices = std::map<std::string, Choice>;

const Choices<exporting::Table> kTables{{"notes", exporting::Table::notes}, {"plan", exporting::Table::plan},
    {"verdicts", exporting::Table::verdicts}};
const Choices<bool> kVoices{{"alone", false}, {"mixed", true}};
const Choices<bool> kMedia{{"with", true}, {"without", false}};
const Choices<pages::Words> kWords{{"written", pages::Words::as_written}, {"full", pages::Words::in_full},
    {"short", pages::Words::in_short}};
const Choices<pages::Binding> kBindings{
    {"left", pages::Binding::left}, {"right", pages::Binding::right}, {"top", pages::Binding::top}};

template <typename Choice> std::vector<std::string> namesOf(const Choices<Choice>& choices)
{
    std::vector<std::string> names;
    for (const auto& [name, unused] : choices) {
        names.push_back(name);
    }
    return names;
}

/// The chosen one of `choices`, which the parser has checked.
template <typename Choice>
Choice chosen(
    const Arguments& arguments, const std::string& option, const Choices<Choice>& choices, Choice usual)
{
    const auto name = arguments.option(option);
    return name ? choices.at(*name) : usual;
}

int runExport(const Arguments& arguments)
{
    using exporting::Table;
    const auto to = arguments.option("--to");
    exporting::ExportWish wish;
    wish.to = *to;
    wish.pass = arguments.option("--pass");
    wish.take = arguments.option("--take");
    wish.log = arguments.option("--log").value_or("");
    wish.table = chosen(arguments, "--table", kTables, Table::by_take);
    wish.mixed = chosen(arguments, "--voice", kVoices, false);
    wish.with_media = chosen(arguments, "--media", kMedia, true);
    wish.book.words = chosen(arguments, "--words", kWords, pages::Words::as_written);
    wish.book.binding = chosen(arguments, "--binding", kBindings, pages::Binding::left);
    if (const auto paper = arguments.option("--paper")) {
        const auto size = pages::paperFrom(QString::fromStdString(*paper));
        if (!size) {
            throw UsageError{"no such paper: " + *paper + " (a5, a6, b6, or 120x180 in millimetres)"};
        }
        wish.book.paper_mm = *size;
    }
    if (const auto letters = arguments.option("--letters")) {
        const double mm = std::strtod(letters->c_str(), nullptr);
        if (!(mm >= 3.0 && mm <= 15.0)) {
            throw UsageError{"letters are 3 to 15 mm high: " + *letters};
        }
        wish.book.letters_mm = mm;
    }
    // pages are set in type, which needs no display
    qInstallMessageHandler([](QtMsgType, const QMessageLogContext&, const QString&) {});
    setenv("QT_QPA_PLATFORM", "offscreen", 1);
    pages::hideInstalledMono();
    std::string name = "brumefall-cli";
    std::array<char*, 2> argv{name.data(), nullptr};
    int argc = 1;
    const QGuiApplication application(argc, argv.data());
    pages::loadFonts();
    try {
        for (const auto& line : exporting::exportStage(arguments.positional, wish)) {
            std::cerr << *to << ":0: " << line << "\n";
        }
    } catch (const std::invalid_argument& error) {
        throw UsageError{error.what()};
    }
    return kFine;
}

int runUnpack(const Arguments& arguments)
{
    std::cout << exporting::unpack(arguments.positional, arguments.option("--to").value_or(".")).string()
              << "\n";
    return kFine;
}

} // namespace

Command exportCommand()
{
    return {"export", "the stage as a file of another kind: the suffix of --to chooses", "STAGE",
        {{"--to", "file to write", true}, {"--pass", "name of the pass"}, {"--take", "name of the take"},
            {"--table", "what a .csv holds", false, namesOf(kTables)},
            {"--paper", "a5, a6, b6, or 120x180 in millimetres"},
            {"--letters", "height of the letters, 3 to 15 mm"},
            {"--binding", "side of the binding", false, namesOf(kBindings)},
            {"--words", "how notes are printed", false, namesOf(kWords)},
            {"--voice", "the voice alone or under the onboard's sound", false, namesOf(kVoices)},
            {"--media", "whether a package holds the videos", false, namesOf(kMedia)},
            {"--log", "log with positions, for way points"}},
        runExport};
}

Command unpackCommand()
{
    return {"unpack", "a stage or a rally out of its package", "FILE.zip",
        {{"--to", "folder to put it into; here without"}}, runUnpack};
}

} // namespace brumefall::cli
