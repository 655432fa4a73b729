#include "notes/edit.h"

#include "notes/atom_line.h"
#include "notes/heads.h"
#include "notes/line_parser.h"
#include "notes/spoken.h"
#include "notes/text.h"

#include <algorithm>
#include <cctype>
#include <cmath>
#include <optional>
#include <set>
#include <vector>

namespace brumefall::notes {
namespace {

std::vector<std::string> linesOf(std::string_view text)
{
    std::vector<std::string> lines;
    for (std::size_t at = 0; at <= text.size();) {
        const std::size_t end = std::min(text.find('\n', at), text.size());
        lines.emplace_back(text.substr(at, end - at));
        at = end + 1;
    }
    return lines;
}

std::string joined(const std::vector<std::string>& lines)
{
    std::string text;
    for (std::size_t i = 0; i < lines.size(); ++i) {
        text += (i == 0 ? "" : "\n") + lines[i];
    }
    return text;
}

std::string_view withoutComment(std::string_view line)
{
    return line.substr(0, std::min(line.find('#'), line.size()));
}

bool holdsWords(std::string_view line)
{
    const auto words = trimmed(withoutComment(line));
    return !words.empty() && !words.starts_with('[');
}

std::vector<std::size_t> noteStarts(std::string_view line, const Dictionary& dictionary, Order order)
{
    std::vector<std::size_t> starts;
    std::size_t from = 0;
    for (const Note& note : readLine(line, dictionary, order).notes) {
        const std::size_t at = line.find(note.text, from);
        if (at != std::string_view::npos) {
            starts.push_back(at);
            from = at + std::max<std::size_t>(note.text.size(), 1);
        }
    }
    return starts;
}

/// The atoms of `line` that are numbered grades.
std::set<std::size_t> gradesOf(AtomLine& line)
{
    std::set<std::size_t> grades;
    for (const Head& head : findHeads(line).heads) {
        if (head.grade && line.roleAt(*head.grade) == Role::number && line.saysNumber(*head.grade)) {
            grades.insert(*head.grade);
        }
    }
    for (std::size_t i = 1; i < line.atoms.size(); ++i) {
        std::size_t before = i - 1;
        while (before > 0 && isOneOf({Role::glue, Role::extent, Role::late}, line.roleAt(before))) {
            --before;
        }
        const bool target = isOneOf({Role::to, Role::shape}, line.roleAt(before));
        const bool counts = isOneOf({Role::thing, Role::size, Role::metres}, line.roleAt(i + 1));
        if (line.roleAt(i) == Role::number && line.atoms[i].number < 10 && target && !counts) {
            grades.insert(i);
        }
    }
    return grades;
}

std::string renumberLine(
    const std::string& line, const std::map<int, int>& becomes, const Dictionary& dictionary, Order order)
{
    AtomLine atoms(withoutComment(line), dictionary, order);
    const auto grades = gradesOf(atoms);
    std::string out = line;
    for (auto it = grades.rbegin(); it != grades.rend(); ++it) {
        const Atom& atom = atoms.atoms[*it];
        const auto change = becomes.find(atom.number);
        if (change == becomes.end() || atom.last != atom.first + 1) {
            continue;
        }
        const Token& token = atoms.tokens[atom.first];
        const bool digits = std::isdigit(static_cast<unsigned char>(line[token.begin])) != 0;
        const std::size_t length = digits ? 1 : token.end - token.begin;
        out.replace(token.begin, length,
            digits ? std::to_string(change->second) : sayNumber(change->second, HundredsSaid::short_form));
    }
    return out;
}

/// The bytes of the last (or first) number of at least ten within bytes [from, to) of `line`.
std::optional<std::pair<std::size_t, std::size_t>> distanceIn(std::string_view line, std::size_t from,
    std::size_t to, bool last, const Dictionary& dictionary, Order order)
{
    const AtomLine atoms(withoutComment(line), dictionary, order);
    std::optional<std::pair<std::size_t, std::size_t>> found;
    for (std::size_t i = 0; i < atoms.atoms.size(); ++i) {
        const Atom& atom = atoms.atoms[i];
        const std::size_t begin = atoms.tokens[atom.first].begin;
        const bool said_for = i > 0 && atoms.roleAt(i - 1) == Role::for_;
        if (atom.role == Role::number && atom.number >= 10 && !said_for && begin >= from && begin < to
            && (last || !found)) {
            found = {begin, atoms.tokens[atom.last - 1].end};
        }
    }
    return found;
}

bool replaceDistance(std::string& line, std::size_t from, std::size_t to, bool last, double metres,
    const Dictionary& dictionary, Order order)
{
    const auto found = distanceIn(line, from, to, last, dictionary, order);
    if (!found) {
        return false;
    }
    const auto [begin, end] = *found;
    const bool digits = std::isdigit(static_cast<unsigned char>(line[begin])) != 0;
    const int number = static_cast<int>(std::lround(metres));
    line.replace(
        begin, end - begin, digits ? std::to_string(number) : sayNumber(number, dictionary.hundreds()));
    return true;
}

/// The joining word that `words` begins with; empty where it begins with another.
std::string_view joiningWord(std::string_view words)
{
    const auto first = words.substr(0, words.find(' '));
    return first == "into" || first == "and" ? first : std::string_view();
}

} // namespace

std::string withFix(std::string_view text, const Unknown& unknown, std::string_view by)
{
    auto lines = linesOf(text);
    const auto index = static_cast<std::size_t>(unknown.line - 1);
    if (unknown.line < 1 || index >= lines.size() || unknown.end > lines[index].size()
        || unknown.begin > unknown.end) {
        return std::string(text);
    }
    lines[index].replace(
        unknown.begin, unknown.end - unknown.begin, by.empty() ? std::string_view(unknown.suggestion) : by);
    return joined(lines);
}

EditedText splitCall(std::string_view text, int line, std::size_t byte, const Style& style, Order order)
{
    auto lines = linesOf(text);
    const auto index = static_cast<std::size_t>(line - 1);
    EditedText unchanged{std::string(text), line, byte};
    if (line < 1 || index >= lines.size()) {
        return unchanged;
    }
    auto starts = noteStarts(withoutComment(lines[index]), Dictionary(style), order);
    if (starts.size() < 2) {
        return unchanged;
    }
    starts.erase(starts.begin());
    const auto nearest = *std::min_element(starts.begin(), starts.end(), [&](std::size_t a, std::size_t b) {
        return std::max(a, byte) - std::min(a, byte) < std::max(b, byte) - std::min(b, byte);
    });
    std::string rest = lines[index].substr(nearest);
    std::string head(trimmed(std::string_view(lines[index]).substr(0, nearest)));
    while (head.ends_with(',') || head.ends_with(';')) {
        head.pop_back();
    }
    lines[index] = std::move(head);
    lines.insert(lines.begin() + static_cast<std::ptrdiff_t>(index) + 1, std::move(rest));
    return {joined(lines), line + 1, 0};
}

std::string splitBefore(std::string_view text, int line, std::size_t index, const Style& style, Order order)
{
    const auto lines = linesOf(text);
    const auto at = static_cast<std::size_t>(line - 1);
    if (line < 1 || at >= lines.size()) {
        return std::string(text);
    }
    const auto starts = noteStarts(withoutComment(lines[at]), Dictionary(style), order);
    return index > 0 && index < starts.size() ? splitCall(text, line, starts[index], style, order).text
                                              : std::string(text);
}

EditedText joinCalls(std::string_view text, int line)
{
    auto lines = linesOf(text);
    const auto index = static_cast<std::size_t>(line - 1);
    EditedText unchanged{std::string(text), line, 0};
    if (line < 1 || index >= lines.size() || !holdsWords(lines[index])) {
        return unchanged;
    }
    std::size_t next = index + 1;
    while (next < lines.size() && !holdsWords(lines[next])) {
        if (trimmed(lines[next]).starts_with('[')) {
            return unchanged; // a lap begins or ends between them
        }
        ++next;
    }
    if (next == lines.size()) {
        return unchanged;
    }
    const auto commentOf = [](const std::string& l) { return l.substr(withoutComment(l).size()); };
    const std::string first(trimmed(withoutComment(lines[index])));
    std::string comments = commentOf(lines[index]);
    for (std::size_t i = index + 1; i <= next; ++i) {
        comments += (comments.empty() || commentOf(lines[i]).empty() ? "" : " ") + commentOf(lines[i]);
    }
    const std::string second(trimmed(withoutComment(lines[next])));
    lines[index] = first + " " + second + (comments.empty() ? "" : " ") + comments;
    lines.erase(lines.begin() + static_cast<std::ptrdiff_t>(index) + 1,
        lines.begin() + static_cast<std::ptrdiff_t>(next) + 1);
    return {joined(lines), line, first.size()};
}

EditedText repeatLines(std::string_view text, int first, int last, int laps)
{
    auto lines = linesOf(text);
    const auto begin = std::clamp<std::ptrdiff_t>(first - 1, 0, std::ssize(lines));
    const auto end = std::clamp<std::ptrdiff_t>(last, begin, std::ssize(lines));
    lines.insert(lines.begin() + end, "[end]");
    lines.insert(lines.begin() + begin, "[laps " + std::to_string(laps) + "]");
    return {joined(lines), static_cast<int>(begin) + 1, 6};
}

std::string withDistance(
    std::string_view text, int line, std::size_t index, double metres, const Style& style, Order order)
{
    auto lines = linesOf(text);
    const Dictionary dictionary(style);
    const auto at = static_cast<std::size_t>(line - 1);
    if (line < 1 || at >= lines.size()) {
        return std::string(text);
    }
    const auto starts = noteStarts(withoutComment(lines[at]), dictionary, order);
    const std::size_t from = index < starts.size() ? starts[index] : 0;
    const std::size_t to = index + 1 < starts.size() ? starts[index + 1] : lines[at].size();
    if (replaceDistance(lines[at], from, to, true, metres, dictionary, order)) {
        return joined(lines);
    }
    if (index + 1 < starts.size()) {
        return std::string(text);
    }
    for (std::size_t next = at + 1; next < lines.size(); ++next) {
        if (holdsWords(lines[next])) {
            if (readLine(withoutComment(lines[next]), dictionary, order).distance_before_m <= 0.0) {
                return std::string(text); // the distances on it are those after its own notes
            }
            const auto head = noteStarts(withoutComment(lines[next]), dictionary, order);
            const std::size_t end =
                head.empty() ? lines[next].size() : std::max<std::size_t>(head.front(), 1);
            return replaceDistance(lines[next], 0,
                       std::max(end, std::min<std::size_t>(lines[next].size(), 24)), false, metres,
                       dictionary, order)
                ? joined(lines)
                : std::string(text);
        }
    }
    return std::string(text);
}

std::string withWords(std::string_view text, int line, std::size_t index, std::string_view words,
    const Style& style, Order order)
{
    auto lines = linesOf(text);
    const Dictionary dictionary(style);
    const auto at = static_cast<std::size_t>(line - 1);
    words = trimmed(words);
    if (line < 1 || at >= lines.size() || words.empty()) {
        return std::string(text);
    }
    std::string& own = lines[at];
    const auto parsed = readLine(withoutComment(own), dictionary, order);
    const auto starts = noteStarts(withoutComment(own), dictionary, order);
    if (index >= starts.size() || starts.size() != parsed.notes.size()) {
        return std::string(text);
    }
    const Note& note = parsed.notes[index];
    const auto said = readLine(words, dictionary, order);
    const std::size_t end = starts[index] + note.text.size();
    std::string instead(words);
    std::size_t begin = starts[index];
    if (index == 0 && parsed.distance_before_m > 0.0 && said.distance_before_m > 0.0) {
        begin = own.find_first_not_of(" \t");
    } else if (!joiningWord(note.text).empty() && joiningWord(words).empty()) {
        instead = std::string(joiningWord(note.text)) + " " + instead;
    }
    const bool own_distance = !said.notes.empty() && said.notes.back().link.kind == LinkKind::distance;
    if (note.link.kind == LinkKind::distance && !own_distance) {
        if (const auto tail = distanceIn(own, starts[index], end, true, dictionary, order)) {
            instead += " " + own.substr(tail->first, end - tail->first);
        }
    }
    own.replace(begin, end - begin, instead);
    return joined(lines);
}

std::string renumberGrades(std::string_view text, int first, int last, const std::map<int, int>& becomes,
    const Style& style, Order order)
{
    auto lines = linesOf(text);
    const Dictionary dictionary(style);
    for (int line = std::max(first, 1); line <= last && line <= static_cast<int>(lines.size()); ++line) {
        std::string& own = lines[static_cast<std::size_t>(line - 1)];
        if (holdsWords(own) && own.size() <= kLongestLine_bytes) {
            own = renumberLine(own, becomes, dictionary, order);
        }
    }
    return joined(lines);
}

} // namespace brumefall::notes
