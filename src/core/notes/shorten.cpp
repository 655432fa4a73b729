#include "notes/shorten.h"

#include "notes/atom_line.h"
#include "notes/dictionary.h"
#include "notes/spoken.h"
#include "notes/text.h"
#include "wording/wording.h"

#include <algorithm>

namespace brumefall::notes {
namespace {

struct Rule {
    int value;
    std::string name;
};

class Cutter {
public:
    Cutter(const Note& note, const Style& style, Order order)
        : note_(note)
        , dictionary_(style)
        , line_(note_.spoken, dictionary_, order)
    {
    }

    std::vector<Shortening> cut()
    {
        for (std::size_t i = 0; i < line_.atoms.size(); ++i) {
            const std::string& value = line_.atoms[i].value;
            switch (line_.roleAt(i)) {
            case Role::line:
                if (value == "neat" || value == "tidy" || value == "hug") {
                    add({1, wording::localized("plan", "how tidy")}, i, i + 1);
                }
                break;
            case Role::relation: i = takeLandmark(i); break;
            case Role::gradient: add({3, wording::localized("plan", "uphill or downhill")}, i, i + 1); break;
            case Role::extent:
                if (value == "short" || value == "half_long" || value == "continues") {
                    add({4, wording::localized("plan", "how long it is")}, i, i + 1);
                }
                break;
            default: break;
            }
        }
        std::stable_sort(found_.begin(), found_.end(),
            [](const Shortening& a, const Shortening& b) { return a.value < b.value; });
        return std::move(found_);
    }

private:
    /// "past the barn on the left": from the relation to what belongs to the thing.
    std::size_t takeLandmark(std::size_t i)
    {
        const std::string& relation = line_.atoms[i].value;
        const bool passes = relation == "past" || relation == "at" || relation == "around"
            || relation == "before" || relation == "after" || relation == "inside" || relation == "outside";
        std::size_t thing = i + 1;
        while (isOneOf({Role::glue, Role::size, Role::qualifier}, line_.roleAt(thing))) {
            ++thing;
        }
        if (!passes || line_.roleAt(thing) != Role::thing || isDriven(line_.atoms[thing].value)) {
            return i;
        }
        std::size_t last = thing + 1;
        while (line_.roleAt(last) == Role::relation && !line_.atoms[last - 1].pause_after
            && !isOneOf({Role::thing, Role::size, Role::glue}, line_.roleAt(last + 1))) {
            ++last;
        }
        add({2, wording::localized("plan", "a landmark")}, i, last);
        return last - 1;
    }

    void add(const Rule& rule, std::size_t first, std::size_t last)
    {
        Shortening cut{rule.value, rule.name, line_.spokenOf(first, last), {}, 0};
        cut.spoken = line_.spokenWith(first, last);
        cut.syllables = countSyllables(note_.spoken) - countSyllables(cut.spoken);
        if (!cut.spoken.empty() && cut.syllables > 0) {
            found_.push_back(std::move(cut));
        }
    }

    const Note& note_;
    Dictionary dictionary_;
    AtomLine line_;
    std::vector<Shortening> found_;
};

} // namespace

std::vector<Shortening> shortenings(const Note& note, const Style& style, Order order)
{
    if (note.kind == NoteKind::instruction) {
        return {};
    }
    return Cutter(note, style, order).cut();
}

} // namespace brumefall::notes
