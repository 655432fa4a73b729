#include "notes/dictionary.h"

#include "notes/text.h"

#include <algorithm>

namespace brumefall::notes {

Dictionary::Dictionary(const Style& style)
    : hundreds_(style.hundreds)
{
    for (const auto& [brief, words] : style.abbreviations) {
        expansions_.emplace(lowerCase(brief), splitWords(lowerCase(words)));
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
    if (expansions_.empty()) {
        return nullptr;
    }
    const auto own = expansions_.find(word);
    return own == expansions_.end() || own->second.empty() ? nullptr : &own->second;
}

const Dictionary::OwnWord* Dictionary::ownWord(std::span<const Token> tokens) const
{
    const auto it = own_.empty() || tokens.empty() ? own_.end() : own_.find(tokens.front().word);
    if (it == own_.end()) {
        return nullptr;
    }
    const OwnWord* best = nullptr;
    for (const OwnWord& own : it->second) {
        const bool longer = best == nullptr || own.words.size() > best->words.size();
        if (longer && own.words.size() <= tokens.size()
            && std::equal(own.words.begin(), own.words.end(), tokens.begin(),
                [](const std::string& word, const Token& token) { return word == token.word; })) {
            best = &own;
        }
    }
    return best;
}

} // namespace brumefall::notes
