#include "notes/line_parser.h"

#include "notes/boundaries.h"
#include "notes/filler.h"

#include <algorithm>
#include <optional>

namespace brumefall::notes {
namespace {

/// Atoms [first, last) become one note; `head` is null for a note without a corner.
struct Span {
    std::size_t first;
    std::size_t last;
    const Head* head;
};

class LineReader {
public:
    LineReader(std::string_view line, const Dictionary& dictionary, Order order)
        : line_(line, dictionary, order)
        , found_(findHeads(line_))
        , boundaries_(line_, found_.heads)
    {
    }

    LineReading read()
    {
        out_.notes.reserve(std::max<std::size_t>(found_.heads.size(), 1));
        out_.corners = found_.corners;
        out_.against_order = found_.against_order;
        out_.remarks = found_.remarks;
        cutAtBoundaries();
        count();
        return std::move(out_);
    }

private:
    /// Cuts the line at distances and joining words, and what lies between into notes.
    void cutAtBoundaries()
    {
        std::size_t begin = 0;
        std::optional<std::size_t> joiner;
        for (std::size_t i = 0; i <= line_.atoms.size(); ++i) {
            const bool at_end = i == line_.atoms.size();
            const LinkKind join = at_end ? LinkKind::none : boundaries_.joinerAt(i);
            if (!at_end && join == LinkKind::none && !boundaries_.isDistance(i)) {
                continue;
            }
            makeNotes(begin, i, joiner);
            joiner.reset();
            begin = i + 1;
            if (at_end) {
                break;
            }
            if (join != LinkKind::none) {
                line_.used[i] = true;
                joiner = i;
                setLink({join, 0.0}, i, i + 1);
            } else {
                const std::size_t last = line_.roleAt(i + 1) == Role::metres ? i + 2 : i + 1;
                for (std::size_t j = i; j < last; ++j) {
                    line_.used[j] = true;
                }
                setLink({LinkKind::distance, static_cast<double>(line_.atoms[i].number)}, i, last);
                begin = last;
                i = last - 1;
            }
        }
    }

    void setLink(const Link& link, std::size_t first, std::size_t last)
    {
        if (out_.notes.empty()) {
            if (link.kind == LinkKind::distance) {
                out_.distance_before_m += link.metres;
                const std::string words = line_.spokenOf(first, last);
                out_.distance_before_spoken += (out_.distance_before_spoken.empty() ? "" : " ") + words;
            } else {
                out_.joined_before = true;
                out_.join_before = link.kind;
            }
            return;
        }
        Note& note = out_.notes.back();
        if (link.kind == LinkKind::distance) {
            const double before_m = note.link.kind == LinkKind::distance ? note.link.metres : 0.0;
            note.link = {LinkKind::distance, before_m + link.metres};
            note.spoken_after += (note.spoken_after.empty() ? "" : " ") + line_.spokenOf(first, last);
            note.text = line_.slice(span_first_, last);
        } else if (note.link.kind == LinkKind::none) {
            note.link = link;
        }
    }

    /// Atoms [begin, end) lie between two boundaries: none, one or more notes.
    void makeNotes(std::size_t begin, std::size_t end, std::optional<std::size_t> joiner)
    {
        std::vector<const Head*> inside;
        for (const Head& head : found_.heads) {
            if (head.first >= begin && head.first < end) {
                inside.push_back(&head);
            }
        }
        if (inside.empty()) {
            makeHeadless(begin, end, joiner);
            return;
        }
        std::size_t first = begin;
        if (const std::size_t apart = thingSetApart(begin, inside.front()->first); apart > begin) {
            addNote({begin, apart, nullptr}, joiner);
            joiner.reset();
            first = apart;
        }
        for (std::size_t h = 0; h < inside.size(); ++h) {
            const std::size_t last =
                h + 1 < inside.size() ? boundaries_.cutBetween(*inside[h], *inside[h + 1]) : end;
            addNote({first, last, inside[h]}, h == 0 ? joiner : std::nullopt);
            first = last;
        }
    }

    /// "crest, left three": where the note of a thing ends that the car drives over before the corner, with a
    /// pause between; `begin` where there is none. What the driver is warned of, or told to do there, is said
    /// of the corner.
    [[nodiscard]] std::size_t thingSetApart(std::size_t begin, std::size_t head) const
    {
        const auto isSaidOfCorner = [&](std::size_t i) {
            return isOneOf({Role::warning, Role::line, Role::speed, Role::sudden}, line_.roleAt(i));
        };
        std::size_t end = begin;
        std::string relation;
        for (std::size_t i = begin; i < head && !isSaidOfCorner(i); ++i) {
            if (line_.roleAt(i) == Role::relation) {
                relation = line_.atoms[i].value;
            } else if (line_.roleAt(i) == Role::thing) {
                const bool driven = relation == "over" || relation == "through"
                    || (relation.empty() && isDriven(line_.atoms[i].value));
                end = driven && line_.atoms[i].pause_after ? i + 1 : end;
                relation.clear();
            } else if (end > begin && end == i && line_.atoms[i].pause_after
                && isOneOf({Role::width, Role::surface, Role::camber, Role::gradient, Role::maybe},
                    line_.roleAt(i))) {
                end = i + 1; // "bridge, narrow, left four"
            }
        }
        return end;
    }

    void makeHeadless(std::size_t begin, std::size_t end, std::optional<std::size_t> joiner)
    {
        bool content = false;
        bool place = false;
        for (std::size_t i = begin; i < end; ++i) {
            const Role role = line_.roleAt(i);
            content = content
                || !isOneOf(
                    {Role::glue, Role::chatter, Role::unknown, Role::here, Role::joiner, Role::to}, role);
            place = place
                || isOneOf({Role::thing, Role::junction, Role::camber, Role::width, Role::surface,
                               Role::warning, Role::instruction, Role::speed, Role::gradient},
                    role);
        }
        if (begin == end) {
            return;
        }
        if (content && (place || out_.notes.empty())) {
            addNote({begin, end, nullptr}, joiner);
        } else if (!out_.notes.empty()) {
            fillNote(line_, out_.notes.back(), begin, end);
            Note& note = out_.notes.back();
            note.text = line_.slice(span_first_, end);
            const std::string more = line_.spokenOf(begin, end);
            if (!more.empty()) {
                note.spoken += " " + more;
                note.with_commas += ", " + line_.spokenOf(begin, end, true);
                note.syllables += line_.syllablesOf(begin, end);
            }
        } else {
            Note unused;
            fillNote(line_, unused, begin, end);
        }
    }

    void addNote(const Span& span, std::optional<std::size_t> joiner)
    {
        const bool corrects =
            span.head != nullptr && !out_.notes.empty() && line_.roleAt(span.first) == Role::correction;
        Note& note = out_.notes.emplace_back(); // in its place: a note is large to move
        if (span.head != nullptr) {
            takeHead(note, *span.head);
        } else {
            note.kind = headlessKind(line_, span.first, span.last);
        }
        const std::size_t spoken_first = joiner.value_or(span.first);
        fillNote(line_, note, span.first, span.last);
        note.spoken = line_.spokenOf(spoken_first, span.last);
        note.with_commas = line_.hasPause(spoken_first, span.last)
            ? line_.spokenOf(spoken_first, span.last, true)
            : note.spoken;
        note.syllables = line_.syllablesOf(spoken_first, span.last);
        span_first_ = corrects ? note_first_ : spoken_first;
        note_first_ = span_first_;
        note.text = line_.slice(span_first_, span.last);
        if (corrects) { // the last word counts, and shows the first
            note.corrected_from = out_.notes[out_.notes.size() - 2].text;
            out_.notes.erase(out_.notes.end() - 2);
        }
    }

    void takeHead(Note& note, const Head& head)
    {
        note.kind = head.kind;
        if (head.direction) {
            note.direction =
                line_.atoms[*head.direction].value == "left" ? Direction::left : Direction::right;
            line_.used[*head.direction] = true;
        }
        if (head.grade) {
            const Atom& grade = line_.atoms[*head.grade];
            note.grade = grade.role == Role::number ? Grade{grade.number, {}} : Grade{0, grade.value};
        }
    }

    /// Words of the line itself; a doubt written as "?" is none.
    [[nodiscard]] int writtenWords(const Atom& atom) const
    {
        return static_cast<int>(std::count_if(line_.tokens.begin() + static_cast<std::ptrdiff_t>(atom.first),
            line_.tokens.begin() + static_cast<std::ptrdiff_t>(atom.last),
            [](const Token& token) { return token.begin < token.end; }));
    }

    void count()
    {
        for (std::size_t i = 0; i < line_.atoms.size(); ++i) {
            // a number is one word, however it is written
            const int words = line_.atoms[i].role == Role::number ? 1 : writtenWords(line_.atoms[i]);
            out_.words += words;
            if (line_.atoms[i].role == Role::chatter) {
                out_.chatter += words;
            } else if (line_.atoms[i].role == Role::unknown
                || (line_.atoms[i].role == Role::number && !line_.used[i])) {
                for (std::size_t t = line_.atoms[i].first; t < line_.atoms[i].last; ++t) {
                    out_.unknown.push_back(line_.tokens[t]);
                }
            } else {
                out_.understood += words;
            }
        }
    }

    AtomLine line_;
    HeadsOfLine found_;
    Boundaries boundaries_;
    std::size_t span_first_ = 0;
    std::size_t note_first_ = 0;
    LineReading out_;
};

} // namespace

LineReading readLine(std::string_view line, const Dictionary& dictionary, Order order)
{
    return LineReader(line, dictionary, order).read();
}

} // namespace brumefall::notes
