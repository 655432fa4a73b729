// Lines of invented crews, across the schools, with what they mean in short: corpus/*.txt, one line each,
// "what is written => what it means". A file is one crew's and read as one text.

#include "brief.h"
#include "notes/lexicon_words.h"
#include "notes/parser.h"
#include "notes/printer.h"
#include "support.h"

#include <gtest/gtest.h>

#include <map>
#include <sstream>

using namespace brumefall::notes;
using support::brief;

namespace {

struct CorpusFile {
    std::string name;
    std::vector<std::string> written;
    std::vector<std::string> meant;

    [[nodiscard]] std::string text() const
    {
        std::string text;
        for (const std::string& line : written) {
            text += line + "\n";
        }
        return text;
    }
};

std::vector<CorpusFile> corpusFiles()
{
    std::vector<CorpusFile> files;
    for (const auto& entry : std::filesystem::directory_iterator(CORPUS_FOLDER)) {
        CorpusFile file{entry.path().stem().string(), {}, {}};
        std::istringstream lines(support::read(entry.path()));
        for (std::string line; std::getline(lines, line);) {
            const auto arrow = line.find("=>");
            file.written.emplace_back(trimmed(line.substr(0, arrow)));
            file.meant.emplace_back(trimmed(line.substr(arrow + 2)));
        }
        files.push_back(std::move(file));
    }
    std::sort(files.begin(), files.end(), [](const auto& a, const auto& b) { return a.name < b.name; });
    return files;
}

class Corpus : public testing::TestWithParam<CorpusFile> { };

/// The notes of a text in short, call by call; distances and lines without notes do not begin a new one.
std::string meaning(const ParsedNotes& parsed)
{
    std::string text;
    for (const auto& call : parsed.calls) {
        text += call.notes.empty() ? "" : brief(call) + "\n";
    }
    return text;
}

void expectSameMeaning(const ParsedNotes& before, const ParsedNotes& after)
{
    std::istringstream one(meaning(before));
    std::istringstream other(meaning(after));
    std::string a;
    std::string b;
    while (std::getline(one, a)) {
        std::getline(other, b);
        if (a.find("(was ") == std::string::npos) { // what was said first is not said again
            EXPECT_EQ(a, b);
        }
    }
}

} // namespace

TEST_P(Corpus, IsUnderstoodWordForWord)
{
    const auto parsed = parseNotes(GetParam().text());
    ASSERT_EQ(parsed.calls.size(), GetParam().meant.size());
    for (std::size_t i = 0; i < parsed.calls.size(); ++i) {
        EXPECT_EQ(brief(parsed.calls[i]), GetParam().meant[i]) << parsed.calls[i].text;
    }
    for (const auto& unknown : parsed.unknown) {
        ADD_FAILURE() << "line " << unknown.line << ": " << unknown.text;
    }
    EXPECT_EQ(parsed.words, parsed.understood + parsed.chatter);
}

TEST_P(Corpus, PrintedInFullWordsMeansTheSame)
{
    const auto parsed = parseNotes(GetParam().text());
    Style style;
    style.order = parsed.style.order;
    expectSameMeaning(parsed, parseNotes(printSpoken(parsed), style));
}

TEST_P(Corpus, PrintedInTheCrewsShorthandMeansTheSame)
{
    const auto parsed = parseNotes(GetParam().text());
    Style style;
    style.order = parsed.style.order;
    style.abbreviations = {{"sl", "slippery"}, {"xc", "over crest"}, {"kk", "keep"}};
    const auto brief_text = printBrief(parsed, style);
    EXPECT_LT(brief_text.size(), GetParam().text().size() + 40);
    expectSameMeaning(parsed, parseNotes(brief_text, style));
}

INSTANTIATE_TEST_SUITE_P(
    Crews, Corpus, testing::ValuesIn(corpusFiles()), [](const auto& info) { return info.param.name; });

TEST(CorpusFiles, HoldAtLeastFourHundredLinesAcrossTheSchools)
{
    std::size_t lines = 0;
    std::map<std::pair<Order, Scale>, int> schools;
    for (const auto& file : corpusFiles()) {
        lines += file.written.size();
        const auto style = parseNotes(file.text()).style;
        ++schools[{style.order, style.scale}];
    }
    EXPECT_GE(lines, 400U);
    EXPECT_EQ(schools.size(), 4U) << "number or direction first, higher or lower faster";
}

TEST(Lexicon, NoPhraseHasTwoMeanings)
{
    std::map<std::string, int> seen;
    for (const auto& phrase : knownPhrases()) {
        EXPECT_EQ(++seen[phrase], 1) << phrase;
    }
}
