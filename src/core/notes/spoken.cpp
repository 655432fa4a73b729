#include "notes/spoken.h"

#include "notes/text.h"

#include <algorithm>
#include <array>
#include <unordered_map>

namespace brumefall::notes {
namespace {

constexpr std::array kUnits{"zero", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine",
    "ten", "eleven", "twelve", "thirteen", "fourteen", "fifteen", "sixteen", "seventeen", "eighteen",
    "nineteen"};
constexpr std::array kTens{
    "", "", "twenty", "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety"};

std::string sayBelowHundred(int number)
{
    if (number < 20) {
        return kUnits.at(static_cast<std::size_t>(number));
    }
    std::string words = kTens.at(static_cast<std::size_t>(number / 10));
    if (number % 10 != 0) {
        words += std::string(" ") + kUnits.at(static_cast<std::size_t>(number % 10));
    }
    return words;
}

constexpr CharacterSet kVowels{"aeiouy"};

bool isVowel(char c)
{
    return kVowels.has(c);
}

int countWordSyllables(const std::string& word)
{
    static const std::unordered_map<std::string, int> kExceptions{{"opens", 2}, {"opened", 2},
        {"tightens", 2}, {"unseen", 2}, {"gatepost", 2}, {"gateposts", 2}, {"gateway", 2}, {"bales", 1},
        {"lanterns", 2}, {"cobbles", 2}, {"don't", 1}, {"doesn't", 2}, {"isn't", 2}, {"fire", 1},
        {"tyres", 1}, {"wire", 1}, {"mile", 1}, {"camber", 2}, {"middle", 2}, {"little", 2}, {"gravel", 2},
        {"level", 2}, {"wide", 1}, {"hidden", 2}, {"uneven", 3}, {"bridges", 2}, {"hedges", 2}, {"houses", 2},
        {"surface", 2}, {"acute", 2}, {"maybe", 2}, {"somewhere", 2}, {"deceptive", 3}, {"deceiving", 3},
        {"positive", 3}, {"immediately", 5}, {"metres", 2}, {"metre", 2}, {"double", 2}, {"triple", 2},
        {"stables", 2}, {"tables", 2}, {"poles", 1}, {"holes", 1}, {"lane", 1}, {"people", 2}, {"here", 1},
        {"there", 1}, {"area", 3}, {"cones", 1}, {"stones", 1}, {"tightening", 3}, {"opening", 3},
        {"chicane", 2}, {"entry", 2}, {"brave", 1}, {"care", 1}, {"square", 1}, {"five", 1}, {"nine", 1},
        {"three", 1}, {"continues", 3}, {"cautious", 2}, {"caution", 2}, {"junction", 2}, {"layby", 2},
        {"puddles", 2}, {"trees", 1}, {"fence", 1}, {"barrier", 3}, {"lava", 2}, {"hairpin", 2},
        {"medium", 3}, {"slight", 1}, {"bottom", 2}, {"culvert", 2}, {"sixes", 2}, {"sea", 1},
        {"harbour", 2}};
    if (const auto it = kExceptions.find(word); it != kExceptions.end()) {
        return it->second;
    }
    if (!word.empty() && std::all_of(word.begin(), word.end(), isDigit)) {
        return countSyllables(sayNumber(word.size() < 5 ? std::stoi(word) : 9999, HundredsSaid::short_form));
    }
    int groups = 0;
    bool in_group = false;
    for (const char c : word) {
        const bool vowel = isVowel(c);
        groups += vowel && !in_group ? 1 : 0;
        in_group = vowel;
    }
    const auto endsWith = [&](std::string_view suffix) { return std::string_view(word).ends_with(suffix); };
    const bool silent_e = (endsWith("e") && !endsWith("le"))
        || (endsWith("es") && !endsWith("ses") && !endsWith("ges"))
        || (endsWith("ed") && !endsWith("ted") && !endsWith("ded"));
    if (silent_e && groups > 1 && word.size() > 2
        && !isVowel(word[word.size() - (word.back() == 'e' ? 2 : 3)])) {
        --groups;
    }
    return std::max(1, groups);
}

} // namespace

std::string sayNumber(int number, HundredsSaid hundreds)
{
    if (number < 0 || number > 9999) {
        return std::to_string(number);
    }
    if (number < 100) {
        return sayBelowHundred(number);
    }
    if (number >= 1000) {
        const int rest = number % 1000;
        return sayBelowHundred(number / 1000) + " thousand"
            + (rest == 0 ? "" : " " + sayNumber(rest, hundreds));
    }
    const int rest = number % 100;
    const std::string hundred = sayBelowHundred(number / 100);
    if (rest == 0) {
        return (number == 100 && hundreds == HundredsSaid::long_form ? "a" : hundred) + " hundred";
    }
    if (hundreds == HundredsSaid::short_form && rest >= 10) {
        return hundred + " " + sayBelowHundred(rest);
    }
    return (number < 200 ? "a" : hundred) + " hundred and " + sayBelowHundred(rest);
}

int countSyllables(std::string_view words)
{
    int sum = 0;
    std::string word;
    const auto finish = [&] {
        sum += word.empty() ? 0 : countWordSyllables(word);
        word.clear();
    };
    for (const char c : words) {
        if (isBlank(c) || c == '-') {
            finish();
        } else if ((c >= 'a' && c <= 'z') || isDigit(c) || c == '\''
            || static_cast<unsigned char>(c) >= 0x80) {
            word += c;
        } else if (c >= 'A' && c <= 'Z') {
            word += static_cast<char>(c - 'A' + 'a');
        }
    }
    finish();
    return sum;
}

} // namespace brumefall::notes
