#include "notes/dictionary.h"

#include "notes/lexicon.h"
#include "notes/text.h"

#include <algorithm>

namespace brumefall::notes {

namespace {

using Expansions = std::unordered_map<std::string, std::vector<std::string>>;

const Expansions& commonExpansions()
{
    static const Expansions kCommon = [] {
        Expansions common;
        for (const auto& [brief, words] : commonAbbreviations()) {
            common.emplace(brief, splitWords(words));
        }
        return common;
    }();
    return kCommon;
}

} // namespace

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
    if (const auto own = expansions_.find(word); own != expansions_.end() && !own->second.empty()) {
        return &own->second;
    }
    const auto it = commonExpansions().find(word);
    return it == commonExpansions().end() ? nullptr : &it->second;
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
