#include "notes/boundaries.h"

#include <algorithm>

namespace brumefall::notes {

Boundaries::Boundaries(const AtomLine& line, const std::vector<Head>& heads)
    : line_(line)
    , heads_(heads)
{
    findDistances();
}

void Boundaries::findDistances()
{
    distance_.assign(line_.atoms.size(), false);
    for (std::size_t i = 0; i < line_.atoms.size(); ++i) {
        if (line_.roleAt(i) != Role::number || line_.used[i]) {
            continue;
        }
        const bool measured = line_.roleAt(i + 1) == Role::metres;
        const bool said_for = i > 0 && line_.roleAt(i - 1) == Role::for_;
        const bool target =
            i > 0 && isOneOf({Role::to, Role::shape}, line_.roleAt(i - 1)) && line_.atoms[i].number < 10;
        const bool counts = isOneOf({Role::thing, Role::size, Role::junction}, line_.roleAt(i + 1))
            && line_.atoms[i].number < 10;
        distance_[i] = !said_for && !target && !counts && (line_.atoms[i].number >= 10 || measured);
    }
}

bool Boundaries::headBeginsAt(std::size_t i) const
{
    return std::any_of(heads_.begin(), heads_.end(), [&](const Head& h) { return h.first == i; });
}

bool Boundaries::headBeforeBoundary(std::size_t i) const
{
    for (std::size_t j = i; j < line_.atoms.size(); ++j) {
        if (headBeginsAt(j)) {
            return true;
        }
        if (distance_[j] || (j > i && isInto(j))) {
            return false;
        }
    }
    return false;
}

/// Only words that may stand before a corner lie between `i` and the next head.
bool Boundaries::headComesAtOnce(std::size_t i) const
{
    for (std::size_t j = i; j < line_.atoms.size(); ++j) {
        if (headBeginsAt(j)) {
            return true;
        }
        const bool speed = line_.roleAt(j) == Role::named_grade && !line_.used[j]
            && !line_.atoms[j].pause_after; // "and flat right kink"
        if (!isPrefix(j) && !speed && line_.roleAt(j) != Role::extent) {
            return false;
        }
    }
    return false;
}

/// "left five into dip, right four": what the first corner leads into, not a joining word.
bool Boundaries::leadsToThing(std::size_t i) const
{
    while (isOneOf({Role::glue, Role::size, Role::qualifier}, line_.roleAt(i))) {
        ++i;
    }
    return line_.roleAt(i) == Role::thing && line_.atoms[i].pause_after;
}

bool Boundaries::isInto(std::size_t i) const
{
    return (line_.roleAt(i) == Role::relation && line_.atoms[i].value == "into_thing")
        || (line_.roleAt(i) == Role::joiner && line_.atoms[i].value == "into");
}

bool Boundaries::isPrefix(std::size_t i) const
{
    return isOneOf({Role::warning, Role::visibility, Role::sudden, Role::speed, Role::underline, Role::glue},
        line_.roleAt(i));
}

LinkKind Boundaries::joinerAt(std::size_t i) const
{
    if (isInto(i) && !leadsToThing(i + 1) && headBeforeBoundary(i + 1)) {
        return LinkKind::into;
    }
    if (line_.roleAt(i) == Role::joiner && line_.atoms[i].value == "and" && headComesAtOnce(i + 1)) {
        return LinkKind::and_;
    }
    return LinkKind::none;
}

std::size_t Boundaries::cutBetween(const Head& a, const Head& b) const
{
    for (std::size_t i = a.last; i < b.first; ++i) {
        if (line_.roleAt(i) == Role::correction) {
            return i;
        }
    }
    for (std::size_t i = b.first; i-- > a.last - 1;) {
        if (line_.atoms[i].pause_after) {
            return i + 1;
        }
    }
    std::size_t cut = b.first;
    const bool a_has_extent = [&] {
        for (std::size_t i = a.last; i < b.first; ++i) {
            if (line_.roleAt(i) == Role::extent) {
                return true;
            }
        }
        return false;
    }();
    const bool extents_lead = a_has_extent && extentLeads(a);
    while (cut > a.last
        && (isPrefix(cut - 1) || line_.roleAt(cut - 1) == Role::correction
            || (extents_lead && line_.roleAt(cut - 1) == Role::extent && cut == b.first)
            || (line_.roleAt(cut - 1) == Role::joiner && line_.atoms[cut - 1].value == "and"))) {
        --cut;
    }
    return cut;
}

bool Boundaries::extentLeads(const Head& head) const
{
    return head.first > 0 && line_.roleAt(head.first - 1) == Role::extent;
}

} // namespace brumefall::notes
