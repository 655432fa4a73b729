#include "notes/parser.h"

#include "notes/becomes.h"
#include "notes/line_parser.h"
#include "notes/spoken.h"
#include "notes/suggest.h"
#include "notes/text.h"
#include "wording/wording.h"

#include <algorithm>
#include <charconv>
#include <deque>
#include <unordered_map>

namespace brumefall::notes {

std::string toString(Order order)
{
    return order == Order::number_first ? "number_first" : "direction_first";
}

std::string toString(Scale scale)
{
    return scale == Scale::ascending ? "ascending" : "descending";
}

namespace {

struct Line {
    int number;
    std::string_view text;
    bool paragraph_before;
    std::size_t indent = 0; ///< bytes before `text` in the line
};

int lapsOf(std::string_view directive)
{
    int laps = 0;
    const auto digits = trimmed(directive.substr(5));
    std::from_chars(digits.data(), digits.data() + digits.size(), laps);
    return std::clamp(laps, 0, 20);
}

/// Cuts the text into lines that hold calls; comments, blank lines and laps are dealt with here.
std::vector<Line> linesOf(std::string_view text, std::vector<Diagnostic>& diagnostics)
{
    std::vector<Line> lines;
    bool blank = false;
    int number = 0;
    std::size_t lap_begin = 0;
    int laps = 0;
    int lap_line = 0;
    std::size_t at = 0;
    const auto closeLaps = [&] {
        const std::vector<Line> block(lines.begin() + static_cast<std::ptrdiff_t>(lap_begin), lines.end());
        for (int lap = 1; lap < laps; ++lap) {
            if (lines.size() > kMostLines) {
                break;
            }
            lines.insert(lines.end(), block.begin(), block.end());
        }
        laps = 0;
    };
    while (at <= text.size()) {
        const auto end = std::min(text.find('\n', at), text.size());
        std::string_view line = text.substr(at, end - at);
        at = end + 1;
        ++number;
        const char* const begin = line.data();
        line = trimmed(line.substr(0, std::min(line.find('#'), line.size())));
        const auto indent = line.empty() ? std::size_t{0} : static_cast<std::size_t>(line.data() - begin);
        if (line.size() > kLongestLine_bytes) {
            diagnostics.push_back({number,
                wording::localized(
                    "notes", "this line is longer than 4000 letters; only its beginning was read")});
            line = line.substr(0, kLongestLine_bytes);
        }
        if (line.empty()) {
            blank = true;
        } else if (line.starts_with("[laps") && line.ends_with("]")) {
            if (laps > 0) {
                diagnostics.push_back(
                    {number, wording::localized("notes", "laps within laps: this one is not repeated")});
            } else {
                laps = lapsOf(line.substr(0, line.size() - 1));
                lap_begin = lines.size();
                lap_line = number;
                if (laps == 0) {
                    diagnostics.push_back(
                        {number, wording::localized("notes", "how many laps? Write [laps 2]")});
                }
            }
        } else if (line == "[end]") {
            closeLaps();
        } else {
            lines.push_back({number, line, blank, indent});
            blank = false;
        }
    }
    if (laps > 0) {
        diagnostics.push_back(
            {lap_line, wording::localized("notes", "[laps] without [end]: repeated to the end of the text")});
        closeLaps();
    }
    if (lines.size() > kMostLines) {
        diagnostics.push_back({lines[kMostLines].number,
            wording::localized("notes", "more than 100000 calls; the rest was not read")});
        lines.resize(kMostLines);
    }
    return lines;
}

/// Order by majority of the lines that can be read one way only; scale from what tightens and opens to what.
class StyleDetector {
public:
    StyleDetector(const Style& style, const Dictionary& dictionary)
        : style_(style)
        , dictionary_(dictionary)
    {
    }

    void lookAtOrder(const Line& line)
    {
        const auto number_first = readLine(line.text, dictionary_, Order::number_first);
        const auto direction_first = readLine(line.text, dictionary_, Order::direction_first);
        const auto cost = [](const LineReading& r) {
            return 2 * r.against_order + static_cast<int>(r.unknown.size());
        };
        const int difference = cost(number_first) - cost(direction_first);
        if (difference == 0) {
            return;
        }
        const bool direction = difference > 0;
        (direction ? direction_lines_ : number_lines_) += 1;
        auto& first = direction ? direction_evidence_ : number_evidence_;
        if (first.size() < 3) {
            first.push_back(
                {wording::filled(direction ? wording::localized("notes", "“%1” puts the direction first")
                                           : wording::localized("notes", "“%1” puts the number first"),
                     {std::string(line.text)}),
                    line.number});
        }
    }

    /// So many lines say the same that more of them would not change it.
    [[nodiscard]] bool isSureOfOrder() const
    {
        constexpr int kEnough = 60;
        const int more = std::max(number_lines_, direction_lines_);
        const int fewer = std::min(number_lines_, direction_lines_);
        return style_.order || (more >= kEnough && fewer * 10 < more);
    }

    [[nodiscard]] Order order() const
    {
        return style_.order.value_or(
            number_lines_ > direction_lines_ ? Order::number_first : Order::direction_first);
    }

    [[nodiscard]] static std::string scaleEvidence(bool tightens, bool ascending)
    {
        if (tightens) {
            return ascending ? wording::localized("notes", "a %1 that tightens to %2: higher is faster")
                             : wording::localized("notes", "a %1 that tightens to %2: higher is tighter");
        }
        return ascending ? wording::localized("notes", "a %1 that opens to %2: higher is faster")
                         : wording::localized("notes", "a %1 that opens to %2: higher is tighter");
    }

    void lookAtScale(const Note& note, int line)
    {
        if (!note.grade || !note.grade->isNumber()) {
            return;
        }
        int from = note.grade->number;
        for (const Shape& shape : note.shapes) {
            if (!shape.to || !shape.to->isNumber()) {
                continue;
            }
            const int to = shape.to->number;
            const bool tightens = shape.kind == "tightens";
            if (to != from && (tightens || shape.kind == "opens")) {
                const bool ascending = (to < from) == tightens;
                (ascending ? ascending_ : descending_) += 1;
                auto& evidence = ascending ? ascending_evidence_ : descending_evidence_;
                if (evidence.size() < 3) {
                    evidence.push_back({wording::filled(scaleEvidence(tightens, ascending),
                                            {std::to_string(from), std::to_string(to)}),
                        line});
                }
            }
            from = to;
        }
    }

    [[nodiscard]] DetectedStyle result() const
    {
        DetectedStyle found;
        found.order = order();
        found.scale = style_.scale.value_or(descending_ > ascending_ ? Scale::descending : Scale::ascending);
        const auto& order_evidence =
            found.order == Order::number_first ? number_evidence_ : direction_evidence_;
        const auto& scale_evidence =
            found.scale == Scale::ascending ? ascending_evidence_ : descending_evidence_;
        found.evidence = order_evidence;
        found.evidence.insert(found.evidence.end(), scale_evidence.begin(), scale_evidence.end());
        if (style_.order) {
            found.evidence.push_back({wording::localized("notes", "the order is set by hand"), 0});
        }
        if (style_.scale) {
            found.evidence.push_back({wording::localized("notes", "the scale is set by hand"), 0});
        }
        return found;
    }

private:
    const Style& style_;
    const Dictionary& dictionary_;
    int number_lines_ = 0;
    int direction_lines_ = 0;
    int ascending_ = 0;
    int descending_ = 0;
    std::vector<Evidence> number_evidence_;
    std::vector<Evidence> direction_evidence_;
    std::vector<Evidence> ascending_evidence_;
    std::vector<Evidence> descending_evidence_;
};

/// The line in the file's order, or in the other one where only that makes sense of it.
LineReading readEitherWay(std::string_view line, const Dictionary& dictionary, Order order)
{
    auto reading = readLine(line, dictionary, order);
    if (reading.against_order == 0) {
        return reading;
    }
    auto other = readLine(
        line, dictionary, order == Order::number_first ? Order::direction_first : Order::number_first);
    const auto cost = [](const LineReading& r) {
        return 2 * r.against_order + static_cast<int>(r.unknown.size());
    };
    return cost(other) < cost(reading) ? other : reading;
}

/// Puts lines together: distances and joining words between calls, echoes, ids, counts.
class TextReader {
public:
    explicit TextReader(ParsedNotes& out)
        : out_(out)
    {
    }

    void add(const Line& line, LineReading reading)
    {
        count(line, reading);
        Call call{
            line.number, std::string(line.text), std::move(reading.notes), {}, line.paragraph_before, {}};
        if (call.notes.empty()) {
            call.distance_spoken = reading.distance_before_spoken;
        }
        joinToBefore(reading, call);
        for (Note& note : call.notes) {
            note.id = "n" + std::to_string(++last_id_);
            markEcho(note);
        }
        out_.calls.push_back(std::move(call));
        if (!out_.calls.back().notes.empty()) {
            last_call_ = static_cast<std::ptrdiff_t>(out_.calls.size()) - 1;
        }
    }

private:
    void count(const Line& line, const LineReading& reading)
    {
        out_.words += reading.words;
        out_.understood += reading.understood;
        out_.chatter += reading.chatter;
        for (const Token& token : reading.unknown) {
            auto [it, fresh] = suggestions_.try_emplace(token.word);
            if (fresh && suggestions_.size() <= kMostSuggestions) {
                it->second = token.number_class != NumberClass::none
                    ? wording::localized("notes", "left or right?")
                    : suggestFor(token.word);
            }
            out_.unknown.push_back({line.number, line.indent + token.begin, line.indent + token.end,
                std::string(line.text.substr(token.begin, token.end - token.begin)), it->second});
        }
        for (const std::string& remark : reading.remarks) {
            out_.diagnostics.push_back({line.number, remark});
        }
    }

    [[nodiscard]] Note* noteBefore()
    {
        return last_call_ < 0 ? nullptr : &out_.calls[static_cast<std::size_t>(last_call_)].notes.back();
    }

    /// A distance or joining word at the head of a line links the note before it. Said before the
    /// line's first note, the words are spoken with that note; a line of its own is said after.
    void joinToBefore(const LineReading& reading, Call& call)
    {
        Note* before = noteBefore();
        if (reading.distance_before_m > 0.0) {
            if (before != nullptr) {
                const double there_m = before->link.kind == LinkKind::distance ? before->link.metres : 0.0;
                const bool again = there_m == reading.distance_before_m; // "… 60" / "60 …" is said twice
                before->link = {LinkKind::distance, again ? there_m : there_m + reading.distance_before_m};
            } else {
                out_.lead_in_m += reading.distance_before_m;
            }
            if (call.notes.empty() && before != nullptr) {
                before->spoken_after +=
                    (before->spoken_after.empty() ? "" : " ") + reading.distance_before_spoken;
            } else if (!call.notes.empty()) {
                Note& first = call.notes.front();
                first.spoken = reading.distance_before_spoken + " " + first.spoken;
                first.with_commas = reading.distance_before_spoken + ", " + first.with_commas;
                first.syllables = countSyllables(first.spoken);
            }
        } else if (reading.joined_before && before != nullptr && before->link.kind == LinkKind::none) {
            before->link = {reading.join_before, 0.0};
        }
    }

    /// "four left here now": says again a note that was said a little while ago.
    void markEcho(Note& note)
    {
        if (note.here && note.direction) {
            for (auto it = recent_.rbegin(); it != recent_.rend(); ++it) {
                if (it->direction == note.direction && (it->grade == note.grade || !note.grade)) {
                    note.echo_of = it->echo_of.empty() ? it->id : it->echo_of;
                    return;
                }
            }
        }
        recent_.push_back({note.id, note.echo_of, note.direction, note.grade});
        if (recent_.size() > 3) {
            recent_.pop_front();
        }
    }

    ParsedNotes& out_;
    std::ptrdiff_t last_call_ = -1;
    int last_id_ = 0;
    struct Said {
        std::string id;
        std::string echo_of;
        std::optional<Direction> direction;
        std::optional<Grade> grade;
    };
    std::deque<Said> recent_; ///< the last few corners
    static constexpr std::size_t kMostSuggestions = 5000; // no crew has more words that are not understood
    std::unordered_map<std::string, std::string> suggestions_;
};

} // namespace

ParsedNotes parseNotes(std::string_view text, const Style& style)
{
    ParsedNotes out;
    if (text.starts_with("\xEF\xBB\xBF")) {
        text.remove_prefix(3);
    }
    if (text.size() > kLongestText_bytes) {
        text = text.substr(0, kLongestText_bytes);
        out.diagnostics.push_back(
            {0, wording::localized("notes", "the text is longer than 8 MB; only its beginning was read")});
    }
    const auto lines = linesOf(text, out.diagnostics);
    const Dictionary dictionary(style);
    StyleDetector detector(style, dictionary);
    constexpr std::size_t kLinesForStyle = 400;
    for (std::size_t i = 0; i < std::min(lines.size(), kLinesForStyle) && !detector.isSureOfOrder(); ++i) {
        detector.lookAtOrder(lines[i]);
    }
    out.calls.reserve(lines.size());
    TextReader reader(out);
    std::vector<std::size_t> with_shapes; // calls
    for (const Line& line : lines) {
        auto reading = readEitherWay(line.text, dictionary, detector.order());
        bool shapes = false;
        for (const Note& note : reading.notes) {
            detector.lookAtScale(note, line.number);
            shapes = shapes || !note.shapes.empty();
        }
        reader.add(line, std::move(reading));
        if (shapes) {
            with_shapes.push_back(out.calls.size() - 1);
        }
    }
    out.style = detector.result();
    const Grades grades(out.style.scale, style.grade_sizes);
    for (const std::size_t call : with_shapes) {
        for (Note& note : out.calls[call].notes) {
            settleShapes(note, grades);
        }
    }
    return out;
}

} // namespace brumefall::notes
