#include "captions/heard.h"

#include "notes/dictionary.h"
#include "notes/spoken.h"
#include "notes/text.h"
#include "notes/tokens.h"

#include <algorithm>
#include <array>
#include <cctype>
#include <iterator>

namespace brumefall::captions {
namespace {

using notes::HeardWord;
using notes::Pause;

constexpr double kLongestWord_s = 0.8;
constexpr double kSilence_s = 0.9; ///< between two blocks: more than a breath
constexpr double kLongSilence_s = 4.0;

/// Signs that stand for a word, or for a pause.
struct Sign {
    std::string_view sign;
    std::string_view means;
};
constexpr std::array kSigns{Sign{"\xC2\xBD", " half "}, Sign{"\xE2\x88\x92", "-"},
    Sign{"\xE2\x80\x93", " , "}, Sign{"\xE2\x80\x94", " , "}, Sign{"->", " into "}, Sign{"=>", " into "},
    Sign{"\xE2\x86\x92", " into "}, Sign{"|", " , "}, Sign{"/", " "}};

/// The words of one that was written without blanks: "left/right", "four\u201360", "4\u00BD", "3.5", "+".
std::vector<std::string> wordsOf(std::string_view written)
{
    std::string plain;
    for (std::size_t i = 0; i < written.size();) {
        const auto sign = std::find_if(kSigns.begin(), kSigns.end(),
            [&](const Sign& known) { return written.substr(i, known.sign.size()) == known.sign; });
        if (sign != kSigns.end()) {
            plain += sign->means;
            i += sign->sign.size();
        } else {
            plain += written[i++];
        }
    }
    const std::size_t n = plain.size();
    if (written == "+" || written == "\xE2\x88\x92") {
        plain = written == "+" ? "plus" : "minus";
    } else if (written == "1/2") {
        plain = "half";
    } else if (written == "/") { // between two notes
        plain = ",";
    } else if (n == 3 && notes::isDigit(plain[0]) && plain.substr(1) == ".5") {
        plain.replace(1, 2, " half");
    }
    return notes::splitWords(plain);
}

/// A word as it is written, cut into itself and the punctuation after it.
struct Written {
    std::string word;
    Pause after = Pause::none;
};

bool isSign(char c)
{
    return c == '+' || c == '-';
}

/// "3", "l3"
bool isGrade(std::string_view word)
{
    return !word.empty() && notes::isDigit(word.back())
        && (word.size() == 1 || (word.size() == 2 && (word[0] == 'l' || word[0] == 'r')));
}

Written cut(std::string_view text)
{
    Written out;
    out.word = notes::lowerCase(text);
    if (out.word.size() > 2 && out.word.back() == 'm' && notes::isDigit(out.word[out.word.size() - 2])) {
        out.word.pop_back(); // "60m"
    }
    while (!out.word.empty()) {
        const char last = out.word.back();
        if (isSign(last) && isGrade(std::string_view(out.word).substr(0, out.word.size() - 1))) {
            break;
        }
        if (std::isalnum(static_cast<unsigned char>(last)) != 0 || static_cast<unsigned char>(last) >= 0x80) {
            break;
        }
        const bool stop = last == '.' || last == '?' || last == '!' || last == ';' || last == ':';
        out.after = stop ? Pause::stop : last == ',' && out.after == Pause::none ? Pause::comma : out.after;
        out.word.pop_back();
    }
    std::erase_if(out.word, [](unsigned char c) {
        return c < 0x80 && std::isalnum(c) == 0 && c != '\'' && c != '+' && c != '-';
    });
    while (!out.word.empty()
        && (out.word.front() == '\'' || out.word.front() == '-' || out.word.front() == '+')) {
        out.word.erase(out.word.begin());
    }
    return out;
}

class Stream {
public:
    /// The words of a block that follows those added so far; the last of them is over at `said_to_s`, where
    /// the next block begins though this one may stand on.
    void add(const Cue& cue, double said_to_s)
    {
        const std::size_t first = words_.size();
        const auto lines = linesOf(cue);
        bool bracket = false;
        for (std::size_t i = rolledOn(lines, cue); i < lines.size(); ++i) {
            const std::string_view text = lines[i].text;
            for (std::size_t at = 0; at < text.size();) {
                const std::size_t end = std::min(text.find_first_of(" \t", at), text.size());
                const std::string_view written = text.substr(at, end - at);
                at = end + 1;
                if (written.empty()) {
                    continue;
                }
                bracket = bracket || written.front() == '[' || written.front() == '(';
                const bool closes = written.find_first_of(")]") != std::string_view::npos;
                const bool speaker // "> left four", ">> left four"
                    = written.front() == '>' && (written.data() == text.data() || written.starts_with(">>"));
                if (!bracket && !speaker) {
                    const std::size_t before = words_.size();
                    addWritten(written, lines[i].number);
                    tellTime(before, cue, static_cast<std::size_t>(written.data() - cue.text.data()));
                }
                bracket = bracket && !closes;
            }
        }
        shown_ = lines;
        shown_to_s_ = cue.end_s;
        if (words_.size() > first) {
            words_[first].pause = first == 0 ? Pause::stop_edge : edge(cue.start_s, words_[first].pause);
            if (cue.times.empty()) {
                spread(first, cue.start_s, said_to_s);
            }
            double said_s = first > 0 ? std::max(cue.start_s, words_[first - 1].at_s) : cue.start_s;
            for (std::size_t i = first; i < words_.size(); ++i) {
                // also those that the file tells nothing of, and those of blocks that begin together
                said_s = words_[i].at_s = std::max(words_[i].at_s, said_s);
            }
            last_end_s_ = cue.times.empty() ? std::min(said_to_s, cue.start_s + mostSaid_s(first))
                                            : std::min(said_to_s, words_.back().at_s + kLongestWord_s);
        }
    }

    [[nodiscard]] std::vector<HeardWord> take() { return std::move(words_); }

private:
    struct Line {
        std::string_view text;
        int number;
    };

    /// The lines of a cue that hold something.
    static std::vector<Line> linesOf(const Cue& cue)
    {
        std::vector<Line> lines;
        int number = cue.line;
        for (std::size_t begin = 0; begin <= cue.text.size(); ++number) {
            const std::size_t end = std::min(cue.text.find('\n', begin), cue.text.size());
            const auto text = notes::trimmed(std::string_view(cue.text).substr(begin, end - begin));
            if (!text.empty()) {
                lines.push_back({text, number});
            }
            begin = end + 1;
        }
        return lines;
    }

    /// How many of a block's first lines stood in the one before and roll on in it: those that it ended with,
    /// where it follows at once and has something new, or stands for a moment only.
    [[nodiscard]] std::size_t rolledOn(const std::vector<Line>& lines, const Cue& cue) const
    {
        constexpr double kAtOnce_s = 0.1;
        constexpr double kMoment_s = 0.2;
        if (cue.start_s - shown_to_s_ > kAtOnce_s) {
            return 0;
        }
        for (std::size_t n = std::min(lines.size(), shown_.size()); n > 0; --n) {
            const bool same = std::equal(lines.begin(), lines.begin() + static_cast<std::ptrdiff_t>(n),
                shown_.end() - static_cast<std::ptrdiff_t>(n),
                [](const Line& a, const Line& b) { return a.text == b.text; });
            if (same && (n < lines.size() || cue.end_s - cue.start_s < kMoment_s)) {
                return n;
            }
        }
        return 0;
    }

    /// The words from `first` on begin where the file says. A silence before them is a pause that nobody
    /// wrote.
    void tellTime(std::size_t first, const Cue& cue, std::size_t byte)
    {
        const auto after = std::upper_bound(cue.times.begin(), cue.times.end(), byte,
            [](std::size_t place, const Cue::Timed& timed) { return place < timed.byte; });
        if (after == cue.times.begin() || first >= words_.size()) {
            return;
        }
        const double at_s = std::prev(after)->at_s;
        for (std::size_t i = first; i < words_.size(); ++i) {
            words_[i].at_s = at_s;
            words_[i].sure = std::prev(after)->sure;
        }
        constexpr double kSyllable_s = 0.25;
        constexpr double kBreath_s = 0.8;
        constexpr double kPause_s = 0.45;
        if (first > 0) {
            const double said_s = kSyllable_s * std::max(1, notes::countSyllables(words_[first - 1].word));
            const double silence_s = at_s - words_[first - 1].at_s - said_s;
            Pause& pause = words_[first].pause;
            if (silence_s > kLongSilence_s) {
                pause = Pause::silence;
            } else if (silence_s > kPause_s && pause < Pause::stop) {
                pause = silence_s > kBreath_s ? Pause::stop : Pause::comma;
            }
        }
    }

    /// "R4(lg)", "R5>3", "&": shorthand, cut as in typed notes; whether it is such.
    bool addShorthand(std::string_view written, int line)
    {
        const auto seam = [](char a, char b) {
            return notes::isDigit(a) ? std::isalpha(static_cast<unsigned char>(b)) != 0
                                     : notes::isDigit(b) && std::isalpha(static_cast<unsigned char>(a)) != 0;
        };
        const bool sign = written.find_first_of("<>&") != std::string_view::npos
            || written.find("++") != std::string_view::npos || written.find("--") != std::string_view::npos;
        if (!sign && std::adjacent_find(written.begin(), written.end(), seam) == written.end()) {
            return false;
        }
        const auto tokens = notes::tokenise(written, dictionary_);
        const bool known = std::all_of(tokens.begin(), tokens.end(), [](const notes::Token& token) {
            return token.known != nullptr || token.number_class != notes::NumberClass::none;
        });
        if (tokens.empty() || !known || tokens.back().word == "metres") {
            return false;
        }
        for (const notes::Token& token : tokens) {
            push(token.word, line, pause_);
            pause_ = token.pause_after ? Pause::comma : Pause::none;
        }
        return true;
    }

    void addWritten(std::string_view written, int line)
    {
        if (addShorthand(written, line)) {
            return;
        }
        for (const std::string& word : wordsOf(written)) {
            addWord(word, line);
        }
    }

    void addWord(std::string_view written, int line)
    {
        Written cutted = cut(written);
        // "hair-pin" is two words where the language does not know it
        std::string& word = cutted.word;
        const auto hyphen = word.find('-');
        if (hyphen != std::string::npos && hyphen + 1 < word.size() && notes::knownWord(word) == nullptr) {
            push(word.substr(0, hyphen), line, pause_);
            pause_ = Pause::none;
            word = word.substr(hyphen + 1);
            std::erase(word, '-');
        }
        if (!word.empty()) {
            push(word, line, pause_);
            pause_ = Pause::none;
        }
        if (cutted.after != Pause::none) {
            pause_ = cutted.after;
        }
    }

    void push(std::string word, int line, Pause pause)
    {
        if (word != "-" && word != "+") {
            words_.push_back({std::move(word), pause, line});
        }
    }

    [[nodiscard]] Pause edge(double start_s, Pause written) const
    {
        const double silence_s = start_s - last_end_s_;
        return silence_s > kLongSilence_s                      ? Pause::silence
            : written == Pause::stop || silence_s > kSilence_s ? Pause::stop_edge
                                                               : Pause::edge;
    }

    /// How long its words can have taken: a block may stand long after they were said.
    [[nodiscard]] double mostSaid_s(std::size_t first) const
    {
        constexpr double kSlowest_syll_s = 2.0;
        constexpr double kBreath_s = 1.0;
        double syllables = 0.0;
        for (std::size_t i = first; i < words_.size(); ++i) {
            syllables += std::max(1, notes::countSyllables(words_[i].word));
        }
        return kBreath_s + syllables / kSlowest_syll_s;
    }

    void spread(std::size_t first, double start_s, double end_s)
    {
        double all = 0.0;
        std::vector<double> before;
        for (std::size_t i = first; i < words_.size(); ++i) {
            before.push_back(all);
            all += std::max(1, notes::countSyllables(words_[i].word));
        }
        for (std::size_t i = first; i < words_.size(); ++i) {
            words_[i].at_s = start_s + before[i - first] / all * (end_s - start_s);
        }
    }

    notes::Dictionary dictionary_{notes::Style{}};
    std::vector<HeardWord> words_;
    std::vector<Line> shown_; ///< lines of the block before, whose cue outlives this
    double shown_to_s_ = -1e9;
    Pause pause_ = Pause::none;
    double last_end_s_ = -1e9;
};

} // namespace

std::vector<HeardWord> heardWords(const std::vector<Cue>& cues)
{
    Stream stream;
    for (std::size_t i = 0; i < cues.size(); ++i) {
        const bool next = i + 1 < cues.size() && cues[i + 1].start_s > cues[i].start_s;
        stream.add(cues[i], next ? std::min(cues[i].end_s, cues[i + 1].start_s) : cues[i].end_s);
    }
    return stream.take();
}

} // namespace brumefall::captions
