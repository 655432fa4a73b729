#include "captions/tidy.h"

#include "captions/sound_alikes.h"
#include "notes/lexicon.h"
#include "notes/suggest.h"
#include "notes/text.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <map>
#include <optional>

namespace brumefall::captions {
namespace {

using notes::Order;
using notes::splitWords;

bool isNumber(const std::string& word)
{
    return !word.empty()
        && std::all_of(word.begin(), word.end(), [](unsigned char c) { return std::isdigit(c); });
}

bool isDirection(const std::string& word)
{
    return word == "left" || word == "right";
}

bool isOneOf(const std::string& word, std::initializer_list<std::string_view> words)
{
    return std::find(words.begin(), words.end(), word) != words.end();
}

bool isGrade(const std::string& word)
{
    return (word.size() == 1 && word[0] >= '1' && word[0] <= '9')
        || isOneOf(word,
            {"one", "two", "three", "four", "five", "six", "seven", "eight", "hairpin", "square", "acute",
                "kink", "slight", "flat", "medium", "easy", "fast"});
}

bool isNumberWord(const std::string& word)
{
    return isNumber(word)
        || isOneOf(word,
            {"one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "twenty",
                "thirty", "forty", "fifty", "sixty", "seventy", "eighty", "ninety", "hundred"});
}

/// What a grade may have on its way to its direction: "four plus long left".
bool isBetween(const std::string& word)
{
    return isOneOf(word, {"plus", "minus", "long", "short", "very", "extra", "half", "tight", "sudden"});
}

bool isKnown(const std::string& word)
{
    const auto& known = notes::knownWords();
    return isNumberWord(word) || std::binary_search(known.begin(), known.end(), word);
}

class Mender {
public:
    Mender(std::vector<std::string> words, Order order)
        : order_(order)
    {
        out_.words = std::move(words);
    }

    Tidied mend()
    {
        splitRunTogether();
        // twice: a word that was mended gives its neighbours the company that they need
        mendSoundAlikes();
        mendSoundAlikes();
        splitNumbers();
        mendBySound();
        mendSoundAlikes();
        dropDoubledRelations();
        return std::move(out_);
    }

private:
    [[nodiscard]] const std::string& at(std::ptrdiff_t i) const
    {
        static const std::string kNone;
        return i >= 0 && i < std::ssize(out_.words) ? out_.words[static_cast<std::size_t>(i)] : kNone;
    }

    void replace(std::size_t i, std::size_t count, const std::vector<std::string>& by, double confidence)
    {
        const auto first = out_.words.begin() + static_cast<std::ptrdiff_t>(i);
        const auto last = first + static_cast<std::ptrdiff_t>(count);
        out_.repairs.push_back({0, notes::joinWords({first, last}), notes::joinWords(by), confidence});
        out_.words.erase(first, last);
        out_.words.insert(out_.words.begin() + static_cast<std::ptrdiff_t>(i), by.begin(), by.end());
    }

    // --- what the grammar wants ------------------------------------------------------------------

    /// A grade is wanted in place of words [i, end).
    [[nodiscard]] bool gradeWanted(std::ptrdiff_t i, std::ptrdiff_t end) const
    {
        if (isOneOf(at(i - 1), {"tightens", "opens", "to"})) {
            return !isGrade(at(end)) && (at(i - 1) != "to" || isOneOf(at(i - 2), {"tightens", "opens"}));
        }
        if (order_ == Order::direction_first) {
            std::ptrdiff_t j = i - 1;
            while (isBetween(at(j))) {
                --j;
            }
            return isDirection(at(j)) && !isGrade(at(j - 1))
                && !isOneOf(at(j - 1), {"keep", "stay", "hold", "on", "the"})
                && (!isGrade(at(end)) || distanceAt(end));
        }
        std::ptrdiff_t j = end;
        while (isBetween(at(j))) {
            ++j;
        }
        return isDirection(at(j)) && !isGrade(at(i - 1));
    }

    /// "one hundred", "two fifty": the number at `i` is no grade.
    [[nodiscard]] bool distanceAt(std::ptrdiff_t i) const
    {
        return isOneOf(at(i), {"one", "two", "three", "four", "five"})
            && isOneOf(at(i + 1),
                {"hundred", "ten", "fifteen", "twenty", "thirty", "forty", "fifty", "sixty", "seventy",
                    "eighty", "ninety"});
    }

    /// A corner begins at word `i`.
    [[nodiscard]] bool cornerAt(std::ptrdiff_t i) const
    {
        while (isOneOf(at(i), {"caution", "care", "danger", "unseen", "sudden", "slow", "double"})) {
            ++i;
        }
        if (isOneOf(at(i), {"hairpin", "square", "acute", "kink", "chicane"})) {
            return true;
        }
        if (order_ == Order::direction_first) {
            return isDirection(at(i)) || soundsLikeSide(at(i));
        }
        if (!isGrade(at(i)) && !isOneOf(at(i), {"for", "to", "too", "tree", "free", "sex", "won"})) {
            return false;
        }
        ++i;
        while (isBetween(at(i))) {
            ++i;
        }
        return isDirection(at(i)) || soundsLikeSide(at(i));
    }

    [[nodiscard]] static bool soundsLikeSide(const std::string& word)
    {
        return isOneOf(word, {"write", "rite", "wright", "lift", "laughed", "lefty", "righty"});
    }

    /// A direction is wanted in place of words [i, end).
    [[nodiscard]] bool directionWanted(std::ptrdiff_t i, std::ptrdiff_t end) const
    {
        if (order_ == Order::number_first) {
            std::ptrdiff_t j = i - 1;
            while (isBetween(at(j))) {
                --j;
            }
            return isGrade(at(j));
        }
        std::ptrdiff_t j = end;
        while (isBetween(at(j))) {
            ++j;
        }
        return isGrade(at(j)) || isOneOf(at(j), {"for", "to", "too", "tree", "free", "fore", "won", "sex"})
            || isOneOf(at(i - 1), {"hairpin", "square", "acute", "kink"});
    }

    [[nodiscard]] bool fits(Company company, std::size_t first, std::size_t last) const
    {
        const auto i = static_cast<std::ptrdiff_t>(first);
        const auto end = static_cast<std::ptrdiff_t>(last);
        switch (company) {
        case Company::any: return true;
        case Company::grade: return gradeWanted(i, end);
        case Company::direction: return directionWanted(i, end);
        case Company::before_corner: return cornerAt(end);
        case Company::after_over:
            return isOneOf(
                at(i - 1), {"over", "small", "big", "a", "into", "second", "first", "two", "maybe"});
        case Company::after_dont: return isOneOf(at(i - 1), {"don't", "dont", "not", "no"});
        case Company::after_keep: return isOneOf(at(i - 1), {"keep", "stay"});
        }
        return false;
    }

    void mendSoundAlikes()
    {
        for (std::size_t i = 0; i < out_.words.size(); ++i) {
            for (const SoundAlike& rule : soundAlikes(out_.words[i])) {
                const auto& heard = rule.heard;
                if (heard.size() <= out_.words.size() - i
                    && std::equal(
                        heard.begin(), heard.end(), out_.words.begin() + static_cast<std::ptrdiff_t>(i))
                    && fits(rule.company, i, i + heard.size())) {
                    replace(i, heard.size(), rule.said, rule.confidence);
                    i += rule.said.size() - 1;
                    break;
                }
            }
        }
    }

    /// "over over crest", where a mishearing of "over" followed it.
    void dropDoubledRelations()
    {
        for (std::size_t i = 1; i < out_.words.size(); ++i) {
            if (out_.words[i] == out_.words[i - 1] && isOneOf(out_.words[i], {"over", "into", "through"})) {
                replace(i - 1, 2, {out_.words[i]}, 0.9);
                --i;
            }
        }
    }

    // --- words and numbers run together --------------------------------------------------------------

    void splitRunTogether()
    {
        for (std::size_t i = 0; i < out_.words.size(); ++i) {
            const std::string word = out_.words[i];
            if (const auto parts = lettersAndDigits(word); !parts.empty()) {
                replace(i, 1, parts, 0.9);
                i += parts.size() - 1;
                continue;
            }
            if (word.size() < 5 || isKnown(word) || isNumber(word) || !soundAlikes(word).empty()) {
                continue;
            }
            if (const auto parts = partsOf(word, 3)) {
                replace(i, 1, *parts, 0.85);
                i += parts->size() - 1;
            }
        }
    }

    /// "left5" and "60right": where letters meet digits, if the letters are a word of notes.
    [[nodiscard]] static std::vector<std::string> lettersAndDigits(const std::string& word)
    {
        const auto isDigit = [](unsigned char c) { return std::isdigit(c) != 0; };
        const auto seam = std::adjacent_find(word.begin(), word.end(), [&](char a, char b) {
            return isDigit(static_cast<unsigned char>(a)) != isDigit(static_cast<unsigned char>(b));
        });
        if (seam == word.end()) {
            return {};
        }
        const std::string head(word.begin(), seam + 1);
        const std::string tail(seam + 1, word.end());
        const std::string& letters = isNumber(head) ? tail : head;
        const bool whole = isNumber(head) != isNumber(tail);
        return whole && letters.size() >= 3 && (isKnown(letters) || !soundAlikes(letters).empty())
            ? std::vector{head, tail}
            : std::vector<std::string>{};
    }

    /// `word` as two or three known words of at least two letters, numbers included; the longest first.
    [[nodiscard]] static std::optional<std::vector<std::string>> partsOf(const std::string& word, int most)
    {
        for (std::size_t cut = word.size() - 2; cut >= 2; --cut) {
            const std::string head = word.substr(0, cut);
            const std::string tail = word.substr(cut);
            const bool head_counts =
                (head.size() >= 3 && isKnown(head)) || isOneOf(head, {"in"}) || isNumber(head);
            if (!head_counts) {
                continue;
            }
            if ((tail.size() >= 3 && isKnown(tail)) || isNumber(tail)) {
                return std::vector{head, tail};
            }
            if (most > 2) {
                if (auto rest = partsOf(tail, most - 1)) {
                    rest->insert(rest->begin(), head);
                    return rest;
                }
            }
        }
        return {};
    }

    [[nodiscard]] static bool isUsualDistance(int metres)
    {
        return metres >= 10 && metres <= 1000 && metres % 10 == 0;
    }

    /// "left 460" is "left 4 60"; "10050" is "100 50"; number first, "603 left" is "60 3 left".
    void splitNumbers()
    {
        for (std::size_t i = 0; i < out_.words.size(); ++i) {
            const std::string word = out_.words[i];
            if (!isNumber(word) || word.size() < 2 || word.size() > 8) {
                continue;
            }
            const auto place = static_cast<std::ptrdiff_t>(i);
            const auto split = [&](std::size_t cut, double confidence) {
                replace(i, 1, {word.substr(0, cut), word.substr(cut)}, confidence);
            };
            const bool leading_grade = order_ == Order::direction_first && gradeWanted(place, place + 1)
                && word.size() >= 3 && word[0] >= '1' && word[0] <= '6' && word[1] != '0'
                && isUsualDistance(std::stoi(word.substr(1)))
                // "opens 120" is a distance far more often than "opens one, twenty"
                && (word[0] != '1' || isDirection(at(place - 1)) || isBetween(at(place - 1)));
            if (splitHundredAfterGrade(i)) {
                continue;
            }
            if (leading_grade) {
                split(1, 0.9);
                continue;
            }
            const bool before_direction = order_ == Order::number_first && isDirection(at(place + 1));
            if (before_direction && word.back() >= '1' && word.back() <= '9') {
                const int rest = std::stoi(word.substr(0, word.size() - 1));
                if (word.size() == 2 && rest >= 2) { // "33 left": thirty, three left
                    replace(i, 1, {std::to_string(rest * 10), word.substr(1)}, 0.8);
                    continue;
                }
                if (isUsualDistance(rest)) {
                    split(word.size() - 1, 0.9);
                    continue;
                }
            }
            if (std::stoi(word) > 1000) {
                splitTwoDistances(i, word);
            }
        }
    }

    /// "right 31 50" is "right 3 150".
    bool splitHundredAfterGrade(std::size_t i)
    {
        const std::string word = out_.words[i];
        const auto place = static_cast<std::ptrdiff_t>(i);
        const std::string rest = at(place + 1);
        if (order_ != Order::direction_first || !gradeWanted(place, place + 1) || word.size() != 2
            || word[0] > '6' || word[1] < '1' || word[1] > '4' || !isNumber(rest) || rest.size() != 2
            || rest[1] != '0') {
            return false;
        }
        replace(i, 2, {word.substr(0, 1), word.substr(1) + rest}, 0.8);
        return true;
    }

    void splitTwoDistances(std::size_t i, const std::string& word)
    {
        for (std::size_t cut = word.size() - 2; cut >= 2; --cut) {
            if (word[cut] != '0' && isUsualDistance(std::stoi(word.substr(0, cut)))
                && isUsualDistance(std::stoi(word.substr(cut)))) {
                replace(i, 1, {word.substr(0, cut), word.substr(cut)}, 0.8);
                return;
            }
        }
    }

    // --- the nearest word by sound -------------------------------------------------------------------

    void mendBySound()
    {
        for (std::size_t i = 0; i < out_.words.size(); ++i) {
            const std::string& word = out_.words[i];
            if (word.size() < 3 || isKnown(word) || isNumber(word)) {
                continue;
            }
            if (const auto near = nearestBySound(word)) {
                replace(i, 1, {near->first}, near->second);
            }
        }
    }

    [[nodiscard]] static std::optional<std::pair<std::string, double>> nearestBySound(const std::string& word)
    {
        // the words that carry a note; a rare landmark is no likely mishearing
        static constexpr std::array kCarriers{"left", "right", "one", "two", "three", "four", "five", "six",
            "hairpin", "square", "acute", "kink", "caution", "danger", "care", "tightens", "opens", "crest",
            "into", "over", "long", "short", "keep", "inside", "outside", "jump", "bump", "bridge", "gate",
            "junction", "chicane", "unseen", "gravel", "tarmac", "narrow", "finish", "through", "plus",
            "minus", "slippery", "cobbles", "barn", "bale", "late", "hundred", "twenty", "thirty", "forty",
            "fifty", "sixty", "seventy", "eighty", "ninety", "don't", "cut", "maybe", "gatepost", "double",
            "loose", "camber", "middle", "downhill", "uphill", "very"};
        static const std::vector<std::string> kSounds = [] {
            std::vector<std::string> sounds;
            for (const char* carrier : kCarriers) {
                sounds.push_back(soundOf(carrier));
            }
            return sounds;
        }();
        const std::string sound = soundOf(word);
        double best = 0.0;
        std::string found;
        for (std::size_t i = 0; i < kCarriers.size(); ++i) {
            const std::string candidate = kCarriers[i];
            const auto longest = static_cast<double>(std::max(word.size(), candidate.size()));
            const std::string& other = kSounds[i];
            const auto longest_sound =
                static_cast<double>(std::max({sound.size(), other.size(), std::size_t{1}}));
            const double spelt = 1.0 - notes::editDistance(word, candidate) / longest;
            const double heard = 1.0 - notes::editDistance(sound, other) / longest_sound;
            const double like = 0.4 * spelt + 0.6 * heard;
            if (like > best) {
                best = like;
                found = candidate;
            }
        }
        constexpr double kEnough = 0.68;
        return best >= kEnough ? std::optional(std::pair(found, 0.9 * best)) : std::nullopt;
    }

    Order order_;
    Tidied out_;
};

} // namespace

std::string soundOf(std::string_view word)
{
    static const std::map<char, char> kClass{{'b', 'p'}, {'p', 'p'}, {'f', 'f'}, {'v', 'f'}, {'c', 'k'},
        {'k', 'k'}, {'g', 'k'}, {'q', 'k'}, {'x', 'k'}, {'d', 't'}, {'t', 't'}, {'s', 's'}, {'z', 's'},
        {'j', 's'}, {'m', 'n'}, {'n', 'n'}, {'l', 'l'}, {'r', 'r'}};
    std::string sound;
    for (std::size_t i = 0; i < word.size(); ++i) {
        char c = word[i];
        if (c == 'c' && i + 1 < word.size() && (word[i + 1] == 'e' || word[i + 1] == 'i')) {
            c = 's';
        }
        if (c == 'g' && i + 1 < word.size() && word[i + 1] == 'h') {
            continue;
        }
        const auto it = kClass.find(c);
        const char letter = it != kClass.end()                      ? it->second
            : i == 0 && std::isalpha(static_cast<unsigned char>(c)) ? 'a'
                                                                    : '\0';
        if (letter != '\0' && (sound.empty() || sound.back() != letter)) {
            sound += letter;
        }
    }
    return sound;
}

Tidied tidy(std::vector<std::string> words, Order order)
{
    return Mender(std::move(words), order).mend();
}

} // namespace brumefall::captions
