#include "notes/dictionary.h"

#include "notes/lexicon.h"
#include "notes/text.h"

#include <algorithm>

namespace brumefall::notes {

Dictionary::Dictionary(const Style& style)
    : hundreds_(style.hundreds)
{
    for (const auto& [brief, words] : style.abbreviations) {
        expansions_.emplace(lowerCase(brief), splitWords(lowerCase(words)));
    }
    for (const auto& [brief, words] : commonAbbreviations()) {
        expansions_.emplace(brief, splitWords(words));
    }
    std::unordered_map<std::string, std::vector<OwnWord>>
        own_words; // a meaning is in the language, not in own words
    for (const auto& [said, meant] : style.words) {
        OwnWord own{splitWords(lowerCase(said)), {}};
        if (own.words.empty()) {
            continue;
        }
        own.meaning = findAtoms(tokenise(meant, *this), Order::direction_first, *this);
        own_words[own.words.front()].push_back(std::move(own));
    }
    own_ = std::move(own_words);
}

const std::vector<std::string>* Dictionary::expansion(const std::string& word) const
{
    const auto it = expansions_.find(word);
    return it == expansions_.end() || it->second.empty() ? nullptr : &it->second;
}

const Dictionary::OwnWord* Dictionary::ownWord(std::span<const std::string> words) const
{
    const auto it = words.empty() ? own_.end() : own_.find(words.front());
    if (it == own_.end()) {
        return nullptr;
    }
    const OwnWord* best = nullptr;
    for (const OwnWord& own : it->second) {
        const bool longer = best == nullptr || own.words.size() > best->words.size();
        if (longer && own.words.size() <= words.size()
            && std::equal(own.words.begin(), own.words.end(), words.begin())) {
            best = &own;
        }
    }
    return best;
}

} // namespace brumefall::notes
