#include "captions/cues.h"

#include "formats/files.h"
#include "notes/text.h"
#include "wording/wording.h"

#include <algorithm>
#include <charconv>
#include <optional>

namespace brumefall::captions {
namespace {

using formats::FormatError;
using notes::trimmed;

constexpr std::string_view kArrow = "-->";

std::vector<std::string_view> linesOf(std::string_view content)
{
    std::vector<std::string_view> lines;
    for (std::size_t at = 0; at <= content.size();) {
        const std::size_t end = std::min(content.find('\n', at), content.size());
        const std::string_view whole = content.substr(at, end - at);
        const std::string_view line = trimmed(whole);
        // a line of one blank ends no block
        lines.push_back(line.empty() && whole.starts_with(' ') ? whole.substr(0, 1) : line);
        at = end + 1;
    }
    return lines;
}

/// "1:02:03,450", "02:03.450", "2:03", "123.4": seconds.
std::optional<double> parseTime(std::string_view text)
{
    text = trimmed(text);
    if (text.empty() || text.size() > 20
        || text.find_first_not_of("0123456789:.,") != std::string_view::npos) {
        return {};
    }
    std::string number(text);
    std::replace(number.begin(), number.end(), ',', '.');
    double total_s = 0.0;
    std::size_t at = 0;
    while (at <= number.size()) {
        const std::size_t end = std::min(number.find(':', at), number.size());
        double part = 0.0;
        const auto result = std::from_chars(number.data() + at, number.data() + end, part);
        if (result.ec != std::errc() || result.ptr != number.data() + end) {
            return {};
        }
        total_s = 60.0 * total_s + part;
        at = end + 1;
    }
    return total_s;
}

/// Adds a line to the cue's text without "<c>", "{\\an8}" and with the commonest entities as letters; times
/// within it ("<00:01:02.000>") are kept as those of the words after them.
void addLine(Cue& cue, std::string_view line)
{
    static constexpr std::pair<std::string_view, std::string_view> kEntities[]{
        {"&amp;", "&"}, {"&lt;", "<"}, {"&gt;", ">"}, {"&nbsp;", " "}, {"&#39;", "'"}};
    cue.text += cue.text.empty() ? "" : "\n";
    const std::size_t begin = cue.text.size();
    bool timed = false;
    for (std::size_t i = 0; i < line.size(); ++i) {
        const char close = line[i] == '<' ? '>' : line[i] == '{' ? '}' : '\0';
        const std::size_t end = close == '\0' ? std::string_view::npos : line.find(close, i);
        if (end != std::string_view::npos) {
            const auto inside = line.substr(i + 1, end - i - 1);
            const auto at_s = inside.find(':') == std::string_view::npos ? std::nullopt : parseTime(inside);
            if (at_s) {
                if (!timed) {
                    cue.times.push_back({begin, cue.start_s}); // the first word has the time of its block
                    timed = true;
                }
                cue.times.push_back({cue.text.size(), std::clamp(*at_s, cue.start_s, cue.end_s)});
            }
            i = end;
            continue;
        }
        const auto entity = std::find_if(std::begin(kEntities), std::end(kEntities),
            [&](const auto& known) { return line.substr(i).starts_with(known.first); });
        if (entity != std::end(kEntities)) {
            cue.text += entity->second;
            i += entity->first.size() - 1;
        } else {
            cue.text += line[i];
        }
    }
}

/// SRT and WebVTT: a line with an arrow, then text until a blank line or the next arrow.
std::vector<Cue> readArrowCues(const std::vector<std::string_view>& lines, const std::string& file)
{
    std::vector<Cue> cues;
    for (std::size_t i = 0; i < lines.size(); ++i) {
        const auto arrow = lines[i].find(kArrow);
        if (arrow == std::string_view::npos) {
            continue;
        }
        const std::string_view after = trimmed(lines[i].substr(arrow + kArrow.size()));
        const auto start_s = parseTime(lines[i].substr(0, arrow));
        const auto end_s = parseTime(after.substr(0, after.find_first_of(" \t")));
        if (!start_s || !end_s) {
            throw FormatError(file, static_cast<int>(i) + 1,
                wording::filled(
                    wording::localized("captions", "not a time: %1"), {std::string(lines[i].substr(0, 60))}));
        }
        Cue cue{*start_s, std::max(*start_s, *end_s), static_cast<int>(i) + 2, {}, {}};
        for (std::size_t j = i + 1; j < lines.size() && !lines[j].empty(); ++j) {
            const bool next_cue = lines[j].find(kArrow) != std::string_view::npos
                || (j + 1 < lines.size() && lines[j + 1].find(kArrow) != std::string_view::npos
                    && lines[j].find_first_not_of("0123456789") == std::string_view::npos);
            if (next_cue) {
                break;
            }
            addLine(cue, lines[j]);
        }
        if (cues.size() < kMostCues) {
            cues.push_back(std::move(cue));
        }
    }
    return cues;
}

struct Stamp {
    double at_s;
    std::string_view rest;
};

/// "[m:ss] text" or "m:ss text".
std::optional<Stamp> stampOf(std::string_view line)
{
    if (line.starts_with('[')) {
        const auto close = line.find(']');
        const auto at_s =
            close == std::string_view::npos ? std::nullopt : parseTime(line.substr(1, close - 1));
        return at_s ? std::optional(Stamp{*at_s, trimmed(line.substr(close + 1))}) : std::nullopt;
    }
    const auto end = std::min(line.find_first_of(" \t"), line.size());
    if (line.substr(0, end).find(':') == std::string_view::npos) {
        return {};
    }
    const auto at_s = parseTime(line.substr(0, end));
    return at_s ? std::optional(Stamp{*at_s, trimmed(line.substr(end))}) : std::nullopt;
}

std::vector<Cue> readStampedLines(const std::vector<std::string_view>& lines, const std::string& file)
{
    constexpr double kLongest_s = 8.0; // a line of speech is not longer, even where the next comes late
    std::vector<Cue> cues;
    for (std::size_t i = 0; i < lines.size() && cues.size() < kMostCues; ++i) {
        if (trimmed(lines[i]).empty()) {
            continue;
        }
        if (const auto stamp = stampOf(lines[i])) {
            if (!cues.empty()) {
                cues.back().end_s =
                    std::clamp(stamp->at_s, cues.back().start_s, cues.back().start_s + kLongest_s);
            }
            cues.push_back({stamp->at_s, stamp->at_s + kLongest_s, static_cast<int>(i) + 1,
                std::string(stamp->rest), {}});
        } else if (!cues.empty()) {
            cues.back().text += (cues.back().text.empty() ? "" : "\n") + std::string(lines[i]);
        } else {
            throw FormatError(file, static_cast<int>(i) + 1,
                wording::localized(
                    "captions", "no time stamp here: captions begin with one, as in [0:12] left four"));
        }
    }
    return cues;
}

} // namespace

void shift(std::vector<Cue>& cues, double by_s)
{
    for (Cue& cue : cues) {
        cue.start_s += by_s;
        cue.end_s += by_s;
        for (Cue::Timed& time : cue.times) {
            time.at_s += by_s;
        }
    }
}

bool looksLikeCaptions(std::string_view content)
{
    if (content.find(kArrow) != std::string_view::npos) {
        return true;
    }
    for (const auto line : linesOf(content.substr(0, 4000))) {
        if (!line.empty()) {
            return stampOf(line).has_value();
        }
    }
    return false;
}

std::vector<Cue> readCues(std::string_view content, const std::string& file)
{
    if (content.starts_with("\xEF\xBB\xBF")) {
        content.remove_prefix(3);
    }
    const auto lines = linesOf(content);
    auto cues = content.find(kArrow) != std::string_view::npos ? readArrowCues(lines, file)
                                                               : readStampedLines(lines, file);
    if (cues.size() >= kMostCues) {
        throw FormatError(file, cues.back().line,
            wording::filled(
                wording::localized("captions", "more than %1 captions; is this the file you meant?"),
                {std::to_string(kMostCues - 1)}));
    }
    if (cues.empty()) {
        throw FormatError(file, 1, wording::localized("captions", "no captions in this file"));
    }
    std::stable_sort(
        cues.begin(), cues.end(), [](const Cue& a, const Cue& b) { return a.start_s < b.start_s; });
    return cues;
}

} // namespace brumefall::captions
