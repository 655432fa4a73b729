#include "notes/easier.h"

#include "notes/atom_line.h"
#include "notes/dictionary.h"
#include "notes/lexicon.h"
#include "notes/parser.h"
#include "notes/spoken.h"
#include "notes/text.h"

#include <algorithm>
#include <array>
#include <map>
#include <span>
#include <utility>

namespace brumefall::notes {
namespace {

using Words = std::vector<std::string>;

/// Every way that the language has of saying one thing.
const std::vector<Words>& waysToSay(Role role, const std::string& value)
{
    static const auto kAll = [] {
        std::map<std::pair<Role, std::string>, std::vector<Words>> all;
        for (const std::string& word : knownWords()) {
            if (const KnownWord* known = knownWord(word)) {
                for (const LexiconEntry& entry : known->phrases) {
                    all[{entry.role, entry.value}].push_back(entry.words);
                }
            }
        }
        return all;
    }();
    static const std::vector<Words> kNone;
    const auto ways = kAll.find({role, value});
    return ways == kAll.end() ? kNone : ways->second;
}

bool isLittle(const std::string& word)
{
    constexpr std::array kLittle{"the", "to", "it", "a", "an", "of", "on", "side", "hand", "then", "and"};
    return std::find(kLittle.begin(), kLittle.end(), word) != kLittle.end();
}

/// Nothing but little words of `says` is left out in `other`.
bool leavesOnlyLittleOut(const Words& says, const Words& other)
{
    std::size_t at = 0;
    for (const std::string& word : says) {
        if (at < other.size() && other[at] == word) {
            ++at;
        } else if (!isLittle(word)) {
            return false;
        }
    }
    return at == other.size();
}

/// One word for one word says the same; of several, each may say something more.
bool saysAsMuch(Role role, const Words& says, const Words& other)
{
    const bool word_for_word = says.size() == 1 && other.size() == 1
        && isOneOf({Role::shape, Role::thing, Role::relation, Role::extent}, role);
    return word_for_word || leavesOnlyLittleOut(says, other);
}

} // namespace

std::vector<Easier> easierWords(const Note& note, const Style& style, Order order)
{
    std::vector<Easier> found;
    if (note.kind == NoteKind::instruction) {
        return found;
    }
    const Dictionary dictionary(style);
    const AtomLine line(note.spoken, dictionary, order);
    Style as_read = style;
    as_read.order = order;
    const auto meaningOf = [&](const std::string& spoken) {
        const auto calls = parseNotes(spoken, as_read).calls;
        return calls.size() == 1 && calls.front().notes.size() == 1 ? calls.front().notes.front() : Note{};
    };
    const Note meant = meaningOf(note.spoken);
    const int before = countSyllables(note.spoken);
    for (std::size_t i = 0; i < line.atoms.size(); ++i) {
        const Atom& atom = line.atoms[i];
        if (isOneOf(
                {Role::direction, Role::number, Role::named_grade, Role::warning, Role::chatter}, atom.role)
            || dictionary.ownWord(std::span(line.tokens).subspan(atom.first)) != nullptr) {
            continue;
        }
        const std::string says = line.spokenOf(i, i + 1);
        const Words words = splitWords(says);
        for (const Words& other : waysToSay(atom.role, atom.value)) {
            if (other == words || !saysAsMuch(atom.role, words, other)) {
                continue;
            }
            const std::string instead = joinWords(other);
            std::string spoken = line.spokenWith(i, i + 1, instead);
            const int saved = before - countSyllables(spoken);
            if (saved > 0 && meaningOf(spoken).sameMeaning(meant)) {
                found.push_back({says, instead, std::move(spoken), saved});
            }
        }
    }
    std::stable_sort(found.begin(), found.end(),
        [](const Easier& a, const Easier& b) { return a.syllables > b.syllables; });
    return found;
}

} // namespace brumefall::notes
