#include "export.h"

#include "arguments.h"

#include "export/export_stage.h"
#include "export/package.h"
#include "pages/fonts.h"

#include <QGuiApplication>

#include <algorithm>
#include <cstdlib>
#include <iostream>
#include <map>
#include <stdexcept>

namespace brumefall::cli {
namespace {

/// One of `choices`, by its name.
template <typename Choice>
Choice chosen(const Arguments& arguments, const std::string& option,
    const std::map<std::string, Choice>& choices, Choice usual)
{
    const auto name = arguments.option(option);
    if (!name) {
        return usual;
    }
    const auto choice = choices.find(*name);
    if (choice == choices.end()) {
        std::string all;
        for (const auto& [known, unused] : choices) {
            all += " " + known;
        }
        throw UsageError{option + " is one of:" + all};
    }
    return choice->second;
}

} // namespace

int runExport(int argc, char** argv)
{
    using exporting::Table;
    const auto arguments = parseArguments(argc, argv,
        {"--to", "--pass", "--take", "--table", "--paper", "--letters", "--binding", "--words", "--voice",
            "--media", "--log"});
    const auto to = arguments.option("--to");
    if (!to) {
        throw UsageError{"export needs --to"};
    }
    exporting::ExportWish wish;
    wish.to = *to;
    wish.pass = arguments.option("--pass");
    wish.take = arguments.option("--take");
    wish.log = arguments.option("--log").value_or("");
    wish.table = chosen<Table>(arguments, "--table",
        {{"notes", Table::notes}, {"plan", Table::plan}, {"verdicts", Table::verdicts}}, Table::by_take);
    wish.mixed = chosen<bool>(arguments, "--voice", {{"alone", false}, {"mixed", true}}, false);
    wish.with_media = chosen<bool>(arguments, "--media", {{"with", true}, {"without", false}}, true);
    wish.book.words = chosen<pages::Words>(arguments, "--words",
        {{"written", pages::Words::as_written}, {"full", pages::Words::in_full},
            {"short", pages::Words::in_short}},
        pages::Words::as_written);
    wish.book.binding = chosen<pages::Binding>(arguments, "--binding",
        {{"left", pages::Binding::left}, {"right", pages::Binding::right}, {"top", pages::Binding::top}},
        pages::Binding::left);
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
    const QGuiApplication application(argc, argv);
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

int runUnpack(int argc, char** argv)
{
    const auto arguments = parseArguments(argc, argv, {"--to"});
    std::cout << exporting::unpack(arguments.positional, arguments.option("--to").value_or(".")).string()
              << "\n";
    return kFine;
}

} // namespace brumefall::cli
