#include "notes/atom_line.h"

#include "notes/spoken.h"

#include <algorithm>

namespace brumefall::notes {

AtomLine::AtomLine(std::string_view line, const Dictionary& crew, Order read_in)
    : text(line)
    , dictionary(crew)
    , order(read_in)
    , tokens(tokenise(line, crew))
    , atoms(findAtoms(tokens, read_in, crew))
    , used(atoms.size(), false)
{
}

bool AtomLine::hasPause(std::size_t first, std::size_t last) const
{
    return first < last
        && std::any_of(tokens.begin() + static_cast<std::ptrdiff_t>(atoms[first].first),
            tokens.begin() + static_cast<std::ptrdiff_t>(atoms[last - 1].last),
            [](const Token& token) { return token.pause_after; });
}

bool AtomLine::saysNumber(std::size_t i) const
{
    const Atom& atom = atoms[i];
    return atom.first < atom.last
        && (tokens[atom.first].number_class != NumberClass::none
            || tokens[atom.last - 1].number_class != NumberClass::none);
}

std::string AtomLine::slice(std::size_t first_atom, std::size_t last_atom) const
{
    if (first_atom >= last_atom || last_atom > atoms.size()) {
        return {};
    }
    const std::size_t begin = tokens[atoms[first_atom].first].begin;
    const std::size_t end = tokens[atoms[last_atom - 1].last - 1].end;
    return std::string(text.substr(begin, end - begin));
}

std::string AtomLine::spokenWith(std::size_t first, std::size_t last, const std::string& instead) const
{
    std::string spoken;
    for (const auto& part : {spokenOf(0, first), instead, spokenOf(last, atoms.size())}) {
        spoken += (spoken.empty() || part.empty() ? "" : " ") + part;
    }
    return spoken;
}

std::string AtomLine::spokenOf(std::size_t first, std::size_t last, bool commas) const
{
    std::string words;
    bool pause = false;
    const auto add = [&](const std::string& more, bool pause_after) {
        words += (words.empty() ? "" : pause && commas ? ", " : " ") + more;
        pause = pause_after;
    };
    for (std::size_t i = first; i < last; ++i) {
        if (!isSaid(i)) {
            continue;
        }
        if (roleAt(i) == Role::number && saysNumber(i)) {
            add(sayNumber(atoms[i].number, dictionary.hundreds()), atoms[i].pause_after);
            continue;
        }
        for (std::size_t t = atoms[i].first; t < atoms[i].last; ++t) {
            add(tokens[t].word, tokens[t].pause_after);
        }
    }
    return words;
}

int AtomLine::syllablesOf(std::size_t first, std::size_t last) const
{
    int syllables = 0;
    for (std::size_t i = first; i < last; ++i) {
        if (!isSaid(i)) {
            continue;
        }
        if (roleAt(i) == Role::number && saysNumber(i)) {
            syllables += countSyllables(sayNumber(atoms[i].number, dictionary.hundreds()));
            continue;
        }
        for (std::size_t t = atoms[i].first; t < atoms[i].last; ++t) {
            const Token& token = tokens[t];
            syllables += token.known == nullptr ? countSyllables(token.word) : token.known->syllables;
        }
    }
    return syllables;
}

} // namespace brumefall::notes
