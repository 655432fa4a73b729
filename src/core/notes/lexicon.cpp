#include "notes/lexicon.h"

#include "notes/lexicon_words.h"
#include "notes/text.h"

#include <algorithm>
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

struct Lexicon {
    std::unordered_map<std::string, std::vector<LexiconEntry>> by_first_word; ///< longest phrase first
    std::vector<std::string> known;
    std::vector<std::string> phrases;

    Lexicon()
    {
        std::set<std::string> all;
        for (const auto& [role, words] : lexiconWords()) {
            std::istringstream stream{std::string(words)};
            std::string item;
            while (stream >> item) {
                const auto equals = item.find('=');
                LexiconEntry entry{splitPhrase(item.substr(0, equals)), role,
                    equals == std::string::npos ? item : item.substr(equals + 1)};
                all.insert(entry.words.begin(), entry.words.end());
                phrases.push_back(joinWords(entry.words));
                by_first_word[entry.words.front()].push_back(std::move(entry));
            }
        }
        for (auto& [first, entries] : by_first_word) {
            std::stable_sort(entries.begin(), entries.end(),
                [](const LexiconEntry& a, const LexiconEntry& b) { return a.words.size() > b.words.size(); });
        }
        known.assign(all.begin(), all.end());
        std::sort(phrases.begin(), phrases.end());
    }
};

const Lexicon& lexicon()
{
    static const Lexicon instance;
    return instance;
}

} // namespace

LexiconMatch longestMatch(std::span<const std::string> words)
{
    const auto it =
        words.empty() ? lexicon().by_first_word.end() : lexicon().by_first_word.find(words.front());
    if (it == lexicon().by_first_word.end()) {
        return {};
    }
    for (const LexiconEntry& entry : it->second) {
        if (entry.words.size() <= words.size()
            && std::equal(entry.words.begin(), entry.words.end(), words.begin())) {
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
