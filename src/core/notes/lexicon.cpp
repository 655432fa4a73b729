#include "notes/lexicon.h"

#include "notes/lexicon_words.h"
#include "notes/spoken.h"
#include "notes/text.h"
#include "notes/tokens.h"

#include <algorithm>
#include <array>
#include <set>
#include <sstream>
#include <unordered_map>

namespace brumefall::notes {
namespace {

std::vector<std::string> splitPhrase(std::string_view phrase)
{
    std::vector<std::string> words;
    std::string word;
    std::istringstream stream{std::string(phrase)};
    while (std::getline(stream, word, '_')) {
        words.push_back(word);
    }
    return words;
}

/// What a cut becomes that is not to be taken; empty for lines that are no cuts.
std::string refusedOf(const std::string& line)
{
    const bool whole = line == "cut" || line == "small_cut" || line == "big_cut" || line == "double_cut";
    return whole              ? "dont_cut"
        : line == "late_cut"  ? "dont_cut_late"
        : line == "early_cut" ? "dont_cut_early"
                              : "";
}

struct NumberWord {
    std::string_view word;
    NumberClass number_class;
    int number;
};

using enum NumberClass;
constexpr std::array kNumberWords{NumberWord{"zero", unit, 0}, NumberWord{"one", unit, 1},
    NumberWord{"two", unit, 2}, NumberWord{"three", unit, 3}, NumberWord{"four", unit, 4},
    NumberWord{"five", unit, 5}, NumberWord{"six", unit, 6}, NumberWord{"seven", unit, 7},
    NumberWord{"eight", unit, 8}, NumberWord{"nine", unit, 9}, NumberWord{"ten", teen, 10},
    NumberWord{"eleven", teen, 11}, NumberWord{"twelve", teen, 12}, NumberWord{"thirteen", teen, 13},
    NumberWord{"fourteen", teen, 14}, NumberWord{"fifteen", teen, 15}, NumberWord{"sixteen", teen, 16},
    NumberWord{"seventeen", teen, 17}, NumberWord{"eighteen", teen, 18}, NumberWord{"nineteen", teen, 19},
    NumberWord{"twenty", ten, 20}, NumberWord{"thirty", ten, 30}, NumberWord{"forty", ten, 40},
    NumberWord{"fourty", ten, 40}, NumberWord{"fifty", ten, 50}, NumberWord{"sixty", ten, 60},
    NumberWord{"seventy", ten, 70}, NumberWord{"eighty", ten, 80}, NumberWord{"ninety", ten, 90},
    NumberWord{"hundred", hundred, 100}, NumberWord{"thousand", thousand, 1000}};

/// Lets the map be asked with a view.
struct WordHash {
    using is_transparent = void;
    std::size_t operator()(std::string_view word) const { return std::hash<std::string_view>{}(word); }
};

struct Lexicon {
    std::unordered_map<std::string, KnownWord, WordHash, std::equal_to<>> words;
    std::vector<std::string> known;
    std::vector<std::string> phrases;

    Lexicon()
    {
        const auto refused_by = splitWords(refusals());
        for (const auto& [role, listed] : lexiconWords()) {
            for (const std::string& item : splitWords(listed)) {
                const auto equals = item.find('=');
                const std::string said = item.substr(0, equals);
                const std::string meant = equals == std::string::npos ? item : item.substr(equals + 1);
                add(said, role, meant);
                const std::string refused = role == Role::line ? refusedOf(meant) : std::string();
                for (const std::string& refusal : refused_by) {
                    if (!refused.empty()) {
                        add(refusal + "_" + said, role, refused);
                    }
                }
            }
        }
        for (auto& [first, word] : words) {
            std::stable_sort(word.phrases.begin(), word.phrases.end(),
                [](const LexiconEntry& a, const LexiconEntry& b) { return a.words.size() > b.words.size(); });
        }
        for (const auto& [word, number_class, number] : kNumberWords) {
            auto& known_word = words[std::string(word)];
            known_word.number_class = number_class;
            known_word.number = number;
        }
        for (const auto& [brief, meant] : commonAbbreviations()) {
            words[std::string(brief)].short_for = splitWords(meant);
        }
        for (auto& [word, known_word] : words) {
            known_word.syllables = countSyllables(word);
        }
        std::set<std::string> all;
        for (const auto& [first, word] : words) {
            for (const LexiconEntry& entry : word.phrases) {
                all.insert(entry.words.begin(), entry.words.end());
            }
        }
        known.assign(all.begin(), all.end());
        std::sort(phrases.begin(), phrases.end());
    }

private:
    void add(const std::string& said, Role role, const std::string& meant)
    {
        LexiconEntry entry{splitPhrase(said), role, meant};
        phrases.push_back(joinWords(entry.words));
        words[entry.words.front()].phrases.push_back(std::move(entry));
    }
};

const Lexicon& lexicon()
{
    static const Lexicon instance;
    return instance;
}

/// The phrase that `words` are as a whole; null where they are none.
const LexiconEntry* knownPhrase(std::string_view words)
{
    const auto split = splitWords(words);
    const LexiconEntry* longest = longestPhrase(split);
    return longest == nullptr || longest->words.size() < split.size() ? nullptr : longest;
}

} // namespace

const KnownWord* knownWord(std::string_view word)
{
    const auto it = lexicon().words.find(word);
    return it == lexicon().words.end() ? nullptr : &it->second;
}

const LexiconEntry* longestPhrase(std::span<const std::string> words)
{
    const KnownWord* known = words.empty() ? nullptr : knownWord(words.front());
    if (known == nullptr) {
        return nullptr;
    }
    const auto it =
        std::find_if(known->phrases.begin(), known->phrases.end(), [&](const LexiconEntry& entry) {
            return entry.words.size() <= words.size()
                && std::equal(entry.words.begin(), entry.words.end(), words.begin());
        });
    return it == known->phrases.end() ? nullptr : &*it;
}

bool meansTheSame(std::string_view a, std::string_view b)
{
    const LexiconEntry* first = knownPhrase(a);
    const LexiconEntry* second = first == nullptr ? nullptr : knownPhrase(b);
    return second != nullptr && first->role == second->role && first->value == second->value;
}

bool isOneOf(std::initializer_list<Role> roles, Role role)
{
    return std::find(roles.begin(), roles.end(), role) != roles.end();
}

bool isDriven(const std::string& thing)
{
    static const std::set<std::string> kDriven{"crest", "jump", "bump", "dip", "ford", "water",
        "water_splash", "bridge", "narrow", "hole", "ruts", "rock", "log", "ditch", "drop", "grid", "railway",
        "level_crossing"};
    return kDriven.contains(thing);
}

bool saysAll(const std::string& relation)
{
    static const std::set<std::string> kPositions{
        "inside", "outside", "on_exit", "on_entry", "left", "right", "both_sides", "mid_corner"};
    return kPositions.contains(relation);
}

bool refuses(const std::string& word)
{
    static const std::set<std::string> kRefuse{
        "don't", "dont", "doesn't", "doesnt", "not", "never", "mustn't", "shouldn't"};
    return kRefuse.contains(word);
}

LexiconMatch longestMatch(std::span<const Token> tokens)
{
    if (tokens.empty() || tokens.front().known == nullptr) {
        return {};
    }
    for (const LexiconEntry& entry : tokens.front().known->phrases) {
        if (entry.words.size() <= tokens.size()
            && std::equal(entry.words.begin() + 1, entry.words.end(), tokens.begin() + 1,
                [](const std::string& word, const Token& token) { return word == token.word; })) {
            return {&entry, entry.words.size()};
        }
    }
    return {};
}

const std::vector<std::string>& knownWords()
{
    return lexicon().known;
}

const std::vector<std::string>& knownPhrases()
{
    return lexicon().phrases;
}

} // namespace brumefall::notes
