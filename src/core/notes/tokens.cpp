#include "notes/tokens.h"

#include "notes/pieces.h"
#include "notes/text.h"

#include <algorithm>
#include <span>

namespace brumefall::notes {
namespace {

constexpr CharacterSet kPausePunctuation{",.;:!?/"};
constexpr CharacterSet kInnerSeparators{",/()[];|"};
constexpr CharacterSet kOuterPunctuation{",.;:!?\"()[]/|"};

/// "R5.L5": a stop between two words parts them; one between digits is a number's own.
bool isStopBetweenWords(std::string_view line, std::size_t at)
{
    return line[at] == '.' && !(isDigit(line[at - 1]) && isDigit(line[at + 1]));
}

/// Bytes of a long dash at `at`; 0 where there is none.
std::size_t longDash(std::string_view line, std::size_t at)
{
    constexpr std::string_view kEnDash = "\xE2\x80\x93";
    constexpr std::string_view kEmDash = "\xE2\x80\x94";
    const std::string_view here = line.substr(at, kEnDash.size());
    return here == kEnDash || here == kEmDash ? here.size() : 0;
}

/// "jump?" is said "jump maybe"; the word has no letters of its own in the line.
void addDoubt(std::vector<Token>& tokens)
{
    const auto match = longestMatch(std::span(tokens).last(1));
    if (match.entry != nullptr && match.entry->role == Role::thing) {
        const std::size_t at = tokens.back().end;
        tokens.push_back({"maybe", at, at, false, NumberClass::none, 0, knownWord("maybe")});
    }
}

} // namespace

std::vector<Token> tokenise(std::string_view line, const Dictionary& dictionary)
{
    std::vector<Token> tokens;
    tokens.reserve(line.size() / 4 + 2);
    std::size_t i = 0;
    while (i < line.size()) {
        while (i < line.size() && isBlank(line[i])) {
            ++i;
        }
        std::size_t end = i;
        while (end < line.size() && !isBlank(line[end])) {
            ++end;
        }
        if (end == i) {
            break;
        }
        if (line.substr(i, end - i).find_first_not_of('!') == std::string_view::npos) {
            tokens.push_back({"!", i, end, false, NumberClass::none, 0, knownWord("!")});
            i = end;
            continue;
        }
        if (const auto piece = line.substr(i, end - i); piece == "-" || longDash(piece, 0) == piece.size()) {
            if (!tokens.empty()) {
                tokens.back().pause_after = true; // a dash by itself separates
            }
            i = end;
            continue;
        }
        std::size_t first = i;
        std::size_t last = end;
        bool pause = false;
        while (first < last && kOuterPunctuation.has(line[first])) {
            ++first;
        }
        while (last > first && kOuterPunctuation.has(line[last - 1])) {
            pause = pause || kPausePunctuation.has(line[last - 1]);
            --last;
        }
        const std::size_t count_before = tokens.size();
        // commas without a blank after them still separate
        std::size_t part = first;
        for (std::size_t j = first; j <= last; ++j) {
            const std::size_t dash = j < last ? longDash(line, j) : 0; // "left four–60"
            if (j == last || dash > 0 || kInnerSeparators.has(line[j]) || isStopBetweenWords(line, j)) {
                cutPiece(tokens, dictionary, line.substr(part, j - part), part, j);
                if (j != last && line[j] != '(' && line[j] != ')' && tokens.size() > count_before) {
                    tokens.back().pause_after = true;
                }
                part = j + std::max<std::size_t>(dash, 1);
                j = part - 1;
            }
        }
        if (line.substr(last, end - last).find('?') != std::string_view::npos
            && tokens.size() > count_before) {
            addDoubt(tokens);
        }
        if (pause && !tokens.empty()) {
            tokens.back().pause_after = true;
        }
        i = end;
    }
    return tokens;
}

} // namespace brumefall::notes
