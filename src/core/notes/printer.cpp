#include "notes/printer.h"

#include "notes/dictionary.h"
#include "notes/text.h"

#include <algorithm>

namespace brumefall::notes {
namespace {

/// The lines of the text as said: calls, and the distances that stand alone between them.
std::vector<std::string> spokenLines(const ParsedNotes& notes)
{
    std::vector<std::string> lines;
    if (notes.calls.empty()) {
        return lines;
    }
    for (std::size_t c = 0; c < notes.calls.size(); ++c) {
        const Call& call = notes.calls[c];
        if (call.paragraph_before && !lines.empty()) {
            lines.emplace_back();
        }
        std::string line = call.notes.empty() ? call.distance_spoken : std::string();
        for (std::size_t n = 0; n < call.notes.size(); ++n) {
            const Note& note = call.notes[n];
            std::string after = note.spoken_after;
            if (n + 1 == call.notes.size()) {
                // distances that stand on lines of their own are printed there
                for (std::size_t next = c + 1; next < notes.calls.size() && notes.calls[next].notes.empty();
                     ++next) {
                    const std::string& alone = notes.calls[next].distance_spoken;
                    const auto at = alone.empty() ? std::string::npos : after.rfind(alone);
                    if (at != std::string::npos) {
                        after = trimmed(after.substr(0, at));
                    }
                }
            }
            for (const std::string& part :
                {std::string(note.underlined ? "!" : ""), note.with_commas, after}) {
                line += (line.empty() || part.empty() ? "" : " ") + part;
            }
            // a comma where no joining word parts this note from the next
            if (n + 1 < call.notes.size() && (note.link.kind == LinkKind::none || !after.empty())) {
                line += ",";
            }
        }
        if (!line.empty()) {
            lines.push_back(std::move(line));
        }
    }
    return lines;
}

/// Writes words short: phrases by the style's abbreviations, numbers in digits, "left" "4" as "L4".
class Shortener {
public:
    explicit Shortener(const Style& style)
        : dictionary_(style)
    {
        for (const auto& [brief, words] : style.abbreviations) {
            add(brief, words);
        }
        for (const auto& [brief, words] : kUsual) {
            add(std::string(brief), std::string(words));
        }
        std::stable_sort(phrases_.begin(), phrases_.end(),
            [](const Phrase& a, const Phrase& b) { return a.words.size() > b.words.size(); });
    }

    [[nodiscard]] std::string shorten(const std::string& line, Order order) const
    {
        const auto tokens = tokenise(line, dictionary_);
        const auto atoms = findAtoms(tokens, order, dictionary_);
        std::vector<std::string> words;
        std::vector<std::string> out;
        const auto flush = [&] {
            const auto brief = shortWords(words);
            out.insert(out.end(), brief.begin(), brief.end());
            words.clear();
        };
        for (std::size_t i = 0; i < atoms.size(); ++i) {
            const Atom& atom = atoms[i];
            const bool number = atom.role == Role::number && atom.first < atom.last
                && tokens[atom.last - 1].number_class != NumberClass::none;
            if (number) {
                flush();
                out.push_back(std::to_string(atom.number));
            } else {
                for (std::size_t t = atom.first; t < atom.last; ++t) {
                    words.push_back(tokens[t].word);
                }
            }
            if (atom.pause_after) {
                flush();
                if (!out.empty()) {
                    out.back() += ",";
                }
            }
        }
        flush();
        return joinWords(glued(out, order));
    }

private:
    struct Phrase {
        std::string brief;
        std::vector<std::string> words;
    };

    static constexpr std::pair<std::string_view, std::string_view> kUsual[]{{"L", "left"}, {"R", "right"},
        {"lg", "long"}, {"sh", "short"}, {"dc", "don't cut"}, {"cr", "crest"}, {"hp", "hairpin"},
        {"sq", "square"}, {"ti", "tightens"}, {"op", "opens"}, {"ca", "caution"}, {"jmp", "jump"},
        {"ov", "over"}, {"kl", "keep left"}, {"kr", "keep right"}};

    void add(const std::string& brief, const std::string& words)
    {
        phrases_.push_back({brief, splitWords(lowerCase(words))});
    }

    [[nodiscard]] std::vector<std::string> shortWords(const std::vector<std::string>& words) const
    {
        std::vector<std::string> out;
        for (std::size_t i = 0; i < words.size();) {
            const auto phrase = std::find_if(phrases_.begin(), phrases_.end(), [&](const Phrase& p) {
                return !p.words.empty() && p.words.size() <= words.size() - i
                    && std::equal(
                        p.words.begin(), p.words.end(), words.begin() + static_cast<std::ptrdiff_t>(i));
            });
            out.push_back(phrase == phrases_.end() ? words[i] : phrase->brief);
            i += phrase == phrases_.end() ? 1 : phrase->words.size();
        }
        return out;
    }

    /// "L" "4" "plus" as "L4+"; number first as "4L+".
    [[nodiscard]] static std::vector<std::string> glued(const std::vector<std::string>& words, Order order)
    {
        const auto isSide = [](const std::string& w) { return w == "L" || w == "R"; };
        const auto isGrade = [](const std::string& w) { return w.size() == 1 && w[0] >= '1' && w[0] <= '9'; };
        std::vector<std::string> out;
        for (std::size_t i = 0; i < words.size(); ++i) {
            const bool more = i + 1 < words.size();
            const bool direction_first = order == Order::direction_first && isSide(words[i]) && more
                && isGrade(words[i + 1].substr(0, 1))
                && words[i + 1].find_first_not_of("123456789,") == std::string::npos
                && words[i + 1].find_first_of("123456789", 1) == std::string::npos;
            const bool number_first = order == Order::number_first && isGrade(words[i]) && more
                && isSide(words[i + 1].substr(0, 1))
                && words[i + 1].find_first_not_of("LR,") == std::string::npos;
            if (direction_first || number_first) {
                out.push_back(words[i] + words[i + 1]);
                ++i;
            } else {
                out.push_back(words[i]);
            }
        }
        return out;
    }

    Dictionary dictionary_;
    std::vector<Phrase> phrases_;
};

std::string joinLines(const std::vector<std::string>& lines)
{
    std::string text;
    for (const std::string& line : lines) {
        text += line + "\n";
    }
    return text;
}

} // namespace

std::string printSpoken(const ParsedNotes& notes)
{
    return joinLines(spokenLines(notes));
}

std::string printBrief(const ParsedNotes& notes, const Style& style)
{
    const Shortener shortener(style);
    auto lines = spokenLines(notes);
    for (std::string& line : lines) {
        line = shortener.shorten(line, notes.style.order);
    }
    return joinLines(lines);
}

} // namespace brumefall::notes
