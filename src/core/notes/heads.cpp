#include "notes/heads.h"

#include "notes/lexicon_words.h"
#include "notes/text.h"
#include "wording/wording.h"

#include <algorithm>

namespace brumefall::notes {
namespace {

class HeadFinder {
public:
    explicit HeadFinder(AtomLine& line)
        : line_(line)
    {
    }

    HeadsOfLine find()
    {
        for (std::size_t i = 0; i < line_.atoms.size(); ++i) {
            switch (line_.atoms[i].role) {
            case Role::direction: addDirectionHead(i); break;
            case Role::chicane: addChicane(i); break;
            case Role::finish: found_.heads.push_back({i, i + 1, NoteKind::finish, {}, {}}); break;
            case Role::stop: found_.heads.push_back({i, i + 1, NoteKind::stop, {}, {}}); break;
            case Role::start:
                if (line_.atoms.size() <= 3) {
                    found_.heads.push_back({i, i + 1, NoteKind::start, {}, {}});
                }
                break;
            default: break;
            }
        }
        for (std::size_t i = 0; i < line_.atoms.size(); ++i) {
            if (line_.atoms[i].role == Role::named_grade && !line_.used[i]
                && namesCorner(line_.atoms[i].value) && (i == 0 || line_.roleAt(i - 1) != Role::to)
                && (i == 0 || line_.roleAt(i - 1) != Role::shape)) {
                line_.used[i] = true;
                if (Head* begun = namedAfter(i)) {
                    line_.used[*begun->grade] = false;
                    begun->grade = i;
                    begun->last = i + 1;
                    continue;
                }
                found_.heads.push_back({i, i + 1, NoteKind::corner, {}, i});
            }
        }
        std::sort(found_.heads.begin(), found_.heads.end(),
            [](const Head& a, const Head& b) { return a.first < b.first; });
        return std::move(found_);
    }

private:
    [[nodiscard]] bool isGrade(std::size_t i) const
    {
        return i < line_.atoms.size() && !line_.used[i]
            && ((line_.atoms[i].role == Role::number && line_.atoms[i].number >= 1
                    && line_.atoms[i].number <= 9)
                || line_.atoms[i].role == Role::named_grade);
    }

    [[nodiscard]] std::optional<std::size_t> gradeAfter(std::size_t i) const
    {
        if (line_.atoms[i].pause_after) {
            return {};
        }
        for (std::size_t j = i + 1; j < line_.atoms.size() && j <= i + 3; ++j) {
            if (isGrade(j)) {
                // "left over 2 crests": a count is not a grade
                return line_.roleAt(j) == Role::number && line_.roleAt(j + 1) == Role::thing
                        && line_.order == Order::number_first
                    ? std::nullopt
                    : std::optional(j);
            }
            if (!isOneOf({Role::extent, Role::sudden, Role::visibility, Role::modifier, Role::size,
                             Role::glue, Role::instruction, Role::warning},
                    line_.atoms[j].role)
                || line_.atoms[j].pause_after) {
                return {};
            }
        }
        return {};
    }

    [[nodiscard]] std::optional<std::size_t> gradeBefore(std::size_t i) const
    {
        for (std::size_t j = i; j-- > 0 && j + 4 > i;) {
            if (line_.atoms[j].pause_after) {
                return {};
            }
            if (isGrade(j)) {
                const bool is_target = j > 0 && isOneOf({Role::to}, line_.roleAt(j - 1));
                return is_target ? std::nullopt : std::optional(j);
            }
            if (!isOneOf(
                    {Role::extent, Role::modifier, Role::sudden, Role::visibility}, line_.atoms[j].role)) {
                return {};
            }
        }
        return {};
    }

    void addDirectionHead(std::size_t i)
    {
        if (line_.used[i]) {
            return;
        }
        const auto after = gradeAfter(i);
        const auto before = gradeBefore(i);
        const bool forward_first = line_.order == Order::direction_first;
        const auto wished = forward_first ? after : before;
        const auto other = forward_first ? before : after;
        auto grade = wished ? wished : other;
        // a named grade right beside the direction wins over a number further on
        if (before && !forward_first && after && *after == i + 1 && line_.roleAt(*after) == Role::named_grade
            && *before + 1 != i) {
            grade = after;
        }
        // "flat left kink": the same, where no other corner begins with the name
        if (before && !forward_first && after && *after == i + 1 && *before + 1 == i
            && line_.roleAt(*before) == Role::named_grade && !namesCorner(line_.atoms[*before].value)
            && namesCorner(line_.atoms[*after].value) && line_.roleAt(*after + 1) != Role::direction) {
            grade = after;
        }
        // "six right flat", "hairpin right tight": what is a grade by itself beside the direction wins over a
        // word that says how
        if (forward_first && after && before && *before + 1 == i
            && (line_.roleAt(*before) == Role::number || namesCorner(line_.atoms[*before].value))
            && line_.roleAt(*after) == Role::named_grade && !namesCorner(line_.atoms[*after].value)) {
            grade = before;
        }
        if (grade) {
            ++found_.corners;
            found_.against_order += !wished && line_.roleAt(*grade) == Role::number ? 1 : 0;
            line_.used[*grade] = true;
            line_.used[i] = true;
            const auto kind = junctionNear(i) ? NoteKind::junction : NoteKind::corner;
            found_.heads.push_back({std::min(i, *grade), std::max(i, *grade) + 1, kind, i, grade});
            return;
        }
        if (i > 0 && isOneOf({Role::thing, Role::relation}, line_.roleAt(i - 1))
            && line_.atoms[i - 1].value != "into_thing" && !line_.atoms[i - 1].pause_after) {
            return; // "logs left": the side of a thing
        }
        if (i > 0 && line_.roleAt(i - 1) == Role::chicane) {
            return;
        }
        if (repeatsSide(i)) {
            line_.used[i] = true;
            return;
        }
        line_.used[i] = true;
        const bool junction = junctionNear(i);
        if (const auto grade = junction ? rightAngleBeside(i) : otherGradeBeside(i)) {
            Atom& atom = line_.atoms[*grade];
            atom = {Role::named_grade, otherGradeAt(*grade), 0, atom.first, atom.last, atom.pause_after};
            line_.used[*grade] = true;
            ++found_.corners;
            found_.heads.push_back({std::min(i, *grade), std::max(i, *grade) + 1,
                junction ? NoteKind::junction : NoteKind::corner, i, grade});
            return;
        }
        if (!junction) {
            ++found_.corners;
            ++found_.against_order;
            found_.remarks.push_back(wording::localized("notes", "no grade for this corner"));
        }
        const bool before_word = i > 0 && line_.roleAt(i - 1) == Role::junction;
        found_.heads.push_back(
            {before_word ? i - 1 : i, i + 1, junction ? NoteKind::junction : NoteKind::corner, i, {}});
    }

    /// "right one hairpin": the corner whose number was said before its name `i`; null where that is the name
    /// of another one.
    [[nodiscard]] Head* namedAfter(std::size_t i)
    {
        const std::string& name = line_.atoms[i].value;
        const auto it = std::find_if(found_.heads.begin(), found_.heads.end(),
            [&](const Head& head) { return head.last == i && head.direction && head.grade; });
        return name == "kink" || name == "bend" || it == found_.heads.end()
                || line_.roleAt(*it->grade) != Role::number || line_.atoms[i - 1].pause_after
                || line_.roleAt(i + 1) == Role::direction
            ? nullptr
            : &*it;
    }

    /// "one left plus to two left", "left two left over bridge": the second direction says again which way
    /// the corner goes.
    [[nodiscard]] bool repeatsSide(std::size_t i) const
    {
        if (i < 2 || found_.heads.empty() || !found_.heads.back().direction
            || line_.atoms[*found_.heads.back().direction].value != line_.atoms[i].value) {
            return false;
        }
        const bool at_once = found_.heads.back().grade && found_.heads.back().last == i
            && !line_.atoms[i - 1].pause_after && !line_.atoms[i].pause_after;
        return at_once || (isGrade(i - 1) && line_.roleAt(i - 2) == Role::to);
    }

    /// "left ninety", "slow left": what is a grade where the corner has no other one.
    [[nodiscard]] std::optional<std::size_t> otherGradeBeside(std::size_t i) const
    {
        if (!line_.atoms[i].pause_after && !otherGradeAt(i + 1).empty() && !leadsOn(i + 1)) {
            return i + 1;
        }
        return i > 0 && !line_.atoms[i - 1].pause_after && !otherGradeAt(i - 1).empty() && !endsCorner(i - 1)
            ? std::optional(i - 1)
            : std::nullopt;
    }
    /// "left ninety at junction", "60 ninety left at junction": where a distance stands before it already.
    [[nodiscard]] std::optional<std::size_t> rightAngleBeside(std::size_t i) const
    {
        if (isNinety(i + 1) && !line_.atoms[i].pause_after && !line_.atoms[i + 1].pause_after) {
            return i + 1;
        }
        const bool distance_before = i > 1
            && (line_.roleAt(i - 2) == Role::joiner || line_.atoms[i - 2].value == "into_thing"
                || (line_.roleAt(i - 2) == Role::number && line_.atoms[i - 2].number >= 10));
        return distance_before && isNinety(i - 1) && !line_.atoms[i - 1].pause_after ? std::optional(i - 1)
                                                                                     : std::nullopt;
    }
    [[nodiscard]] bool isNinety(std::size_t i) const
    {
        return line_.roleAt(i) == Role::number && line_.atoms[i].number == 90 && !line_.used[i];
    }
    [[nodiscard]] std::string otherGradeAt(std::size_t i) const
    {
        if (i >= line_.atoms.size() || line_.used[i]) {
            return {};
        }
        if (isNinety(i)) {
            return "square";
        }
        return std::string(otherGradeOf(lowerCase(line_.slice(i, i + 1))));
    }
    /// "left open to four", "left open four": what it opens to follows.
    [[nodiscard]] bool leadsOn(std::size_t i) const
    {
        const Role next = line_.roleAt(i + 1);
        return line_.roleAt(i) == Role::shape
            && (next == Role::to || (next == Role::number && line_.atoms[i + 1].number < 10));
    }
    /// "left four open": of another corner, and nothing stands between.
    [[nodiscard]] bool endsCorner(std::size_t i) const
    {
        return line_.roleAt(i) == Role::shape && i > 0 && !line_.atoms[i - 1].pause_after
            && !isOneOf({Role::joiner, Role::warning}, line_.roleAt(i - 1))
            && line_.atoms[i - 1].value != "into_thing"
            && (line_.roleAt(i - 1) != Role::number || line_.atoms[i - 1].number < 10);
    }

    /// "turn left at junction", "fork right": a junction word belonging to this direction, not one driven
    /// past.
    [[nodiscard]] bool junctionNear(std::size_t i) const
    {
        const auto isJunction = [&](std::size_t j) {
            if (line_.roleAt(j) != Role::junction) {
                return false;
            }
            for (std::size_t k = j; k-- > 0 && k + 3 > j;) {
                if (line_.roleAt(k) == Role::relation) {
                    return line_.atoms[k].value == "at";
                }
            }
            return true;
        };
        if (i > 0 && isJunction(i - 1)) {
            return true;
        }
        for (std::size_t j = i + 1; j < line_.atoms.size() && j <= i + 4; ++j) {
            const bool right_angle = j == i + 1 && rightAngleBeside(i) == j;
            if (isOneOf({Role::direction, Role::joiner}, line_.roleAt(j))
                || (line_.roleAt(j) == Role::number && line_.atoms[j].number >= 10 && !right_angle)) {
                return false;
            }
            if (isJunction(j)) {
                return true;
            }
        }
        return false;
    }

    void addChicane(std::size_t i)
    {
        Head head{i, i + 1, NoteKind::chicane, {}, {}};
        if (i > 0 && line_.roleAt(i - 1) == Role::entry) {
            head.first = i - 1;
        } else if (line_.roleAt(i + 1) == Role::entry
            || (line_.roleAt(i + 1) == Role::direction && !gradeAfter(i + 1))) {
            head.last = i + 2;
            head.direction = line_.roleAt(i + 1) == Role::direction ? std::optional(i + 1) : std::nullopt;
            if (head.direction) {
                line_.used[i + 1] = true;
            }
        } else if (i > 0 && line_.roleAt(i - 1) == Role::direction && line_.used[i - 1]
            && !found_.heads.empty() && found_.heads.back().last == i && !found_.heads.back().grade) {
            head.first = i - 1;
            head.direction = i - 1;
            found_.heads.pop_back();
            found_.remarks.clear();
            --found_.corners;
            --found_.against_order;
        }
        // "chicane left right left": the sides of one chicane
        while (head.direction && line_.roleAt(head.last) == Role::direction && !gradeAfter(head.last)
            && !line_.atoms[head.last - 1].pause_after) {
            line_.used[head.last++] = true;
        }
        found_.heads.push_back(head);
    }

    AtomLine& line_;
    HeadsOfLine found_;
};

} // namespace

bool namesCorner(const std::string& grade)
{
    return grade.find("hairpin") != std::string::npos || grade.find("square") != std::string::npos
        || grade == "acute" || grade == "kink" || grade == "bend";
}

HeadsOfLine findHeads(AtomLine& line)
{
    return HeadFinder(line).find();
}

} // namespace brumefall::notes
