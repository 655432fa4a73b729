#include "notes/atom_line.h"

#include "notes/spoken.h"

#include <algorithm>

namespace brumefall::notes {

AtomLine::AtomLine(std::string_view line, const Style& crew, Order read_in)
    : text(line)
    , style(crew)
    , order(read_in)
    , tokens(tokenise(line, crew))
    , atoms(findAtoms(tokens, read_in))
    , used(atoms.size(), false)
{
}

bool isOneOf(std::initializer_list<Role> roles, Role role)
{
    return std::find(roles.begin(), roles.end(), role) != roles.end();
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

std::string AtomLine::spokenOf(std::size_t first, std::size_t last) const
{
    std::string words;
    for (std::size_t i = first; i < last; ++i) {
        if (roleAt(i) == Role::chatter || roleAt(i) == Role::underline || roleAt(i) == Role::correction) {
            continue;
        }
        if (roleAt(i) == Role::number) {
            words += (words.empty() ? "" : " ") + sayNumber(atoms[i].number, style.hundreds);
            continue;
        }
        for (std::size_t t = atoms[i].first; t < atoms[i].last; ++t) {
            words += (words.empty() ? "" : " ") + tokens[t].word;
        }
    }
    return words;
}

} // namespace brumefall::notes
