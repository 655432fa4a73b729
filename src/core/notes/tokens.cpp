#include "notes/tokens.h"

#include "notes/dictionary.h"
#include "notes/suggest.h"
#include "notes/text.h"

#include <algorithm>
#include <span>

namespace brumefall::notes {
namespace {

bool isDigits(std::string_view text)
{
    return !text.empty() && std::all_of(text.begin(), text.end(), isDigit);
}

/// Builds the tokens of one blank-separated piece of the line.
class PieceCutter {
public:
    PieceCutter(std::vector<Token>& out, const Dictionary& dictionary)
        : out_(out)
        , dictionary_(dictionary)
    {
    }

    void cut(std::string word, std::size_t begin, std::size_t end)
    {
        if (word.empty()) {
            return;
        }
        if (cutNumber(word, begin, end)) {
            return;
        }
        const KnownWord* known = knownWord(word);
        if (cutAbbreviation(word, known, begin, end) || cutGlued(word, begin, end)
            || cutHyphenated(word, begin, end)) {
            return;
        }
        addKnown(std::move(word), known, begin, end);
    }

private:
    void addWord(const std::string& word, std::size_t begin, std::size_t end)
    {
        addKnown(word, knownWord(word), begin, end);
    }

    void addKnown(std::string word, const KnownWord* known, std::size_t begin, std::size_t end)
    {
        out_.push_back(
            {std::move(word), begin, end, false, known == nullptr ? NumberClass::none : known->number_class,
                known == nullptr ? 0 : known->number, known});
    }

    void addDigits(const std::string& digits, std::size_t begin, std::size_t end)
    {
        const int value = digits.size() <= 5 ? std::stoi(digits) : 99999;
        out_.push_back({digits, begin, end, false, NumberClass::digits, value});
    }

    /// "4", "4+", "4-", "120m", "1-20", "3.5", "3½".
    bool cutNumber(const std::string& word, std::size_t begin, std::size_t end)
    {
        const auto digits_end =
            static_cast<std::size_t>(std::find_if_not(word.begin(), word.end(), isDigit) - word.begin());
        if (digits_end == 0) {
            if (word == "+") {
                addWord("plus", begin, end);
                return true;
            }
            return false;
        }
        const std::string digits = word.substr(0, digits_end);
        const std::string rest = word.substr(digits_end);
        if (rest.empty()) {
            addDigits(digits, begin, end);
        } else if (rest == "+" || rest == "-" || rest == "++" || rest == "--") {
            addDigits(digits, begin, begin + digits_end);
            if (rest.size() == 2) {
                addWord("double", begin + digits_end, end);
            }
            addWord(rest[0] == '+' ? "plus" : "minus", begin + digits_end, end);
        } else if (rest == "m") {
            addDigits(digits, begin, begin + digits_end);
            addWord("metres", begin + digits_end, end);
        } else if (rest == ".5" || rest == "\xC2\xBD") {
            addDigits(digits, begin, begin + digits_end);
            addWord("half", begin + digits_end, end);
        } else if (digits.size() == 1 && rest.size() == 3 && rest[0] == '-' && isDigits(rest.substr(1))) {
            addDigits(digits + rest.substr(1), begin, end);
        } else {
            return cutLetterDigit(word, begin, end);
        }
        return true;
    }

    /// "L4", "4L", "R3-", "4R+".
    bool cutLetterDigit(const std::string& word, std::size_t begin, std::size_t end)
    {
        const auto isSide = [](char c) { return c == 'l' || c == 'r'; };
        const bool letter_first = isSide(word[0]) && word.size() >= 2 && isDigit(word[1]);
        const bool digit_first = isDigit(word[0]) && word.size() >= 2 && isSide(word[1]);
        if (!letter_first && !digit_first) {
            return false;
        }
        const std::string rest = word.substr(2);
        if (!rest.empty() && rest != "+" && rest != "-") {
            return false;
        }
        for (std::size_t i = 0; i < 2; ++i) {
            if (isSide(word[i])) {
                addWord(word[i] == 'l' ? "left" : "right", begin + i, begin + i + 1);
            } else {
                addDigits(word.substr(i, 1), begin + i, begin + i + 1);
            }
        }
        if (!rest.empty()) {
            addWord(rest == "+" ? "plus" : "minus", begin + 2, end);
        }
        return true;
    }

    bool cutAbbreviation(const std::string& word, const KnownWord* known, std::size_t begin, std::size_t end)
    {
        const auto* words = dictionary_.expansion(word);
        if (words == nullptr && known != nullptr && !known->short_for.empty()) {
            words = &known->short_for;
        }
        if (words == nullptr) {
            return false;
        }
        for (const std::string& part : *words) {
            addWord(part, begin, end);
        }
        return true;
    }

    bool cutGlued(const std::string& word, std::size_t begin, std::size_t end)
    {
        return word.size() >= 2 && word.size() <= 3 && cutLetterDigit(word, begin, end);
    }

    bool cutHyphenated(const std::string& word, std::size_t begin, std::size_t end)
    {
        const auto hyphen = word.find('-');
        if (hyphen == std::string::npos || hyphen == 0 || hyphen + 1 == word.size()) {
            return false;
        }
        cut(word.substr(0, hyphen), begin, begin + hyphen);
        cut(word.substr(hyphen + 1), begin + hyphen + 1, end);
        return true;
    }

    std::vector<Token>& out_;
    const Dictionary& dictionary_;
};

constexpr CharacterSet kPausePunctuation{",.;:!?/"};
constexpr CharacterSet kInnerSeparators{",/()[];|"};
constexpr CharacterSet kOuterPunctuation{",.;:!?\"()[]/|"};

bool isDirection(const Token& token)
{
    return token.word == "left" || token.word == "right" || token.word == "lefts" || token.word == "rights";
}

/// Finds atoms from left to right; numbers are read with what stands around them.
class AtomFinder {
public:
    AtomFinder(const std::vector<Token>& tokens, Order order, const Dictionary& dictionary)
        : tokens_(tokens)
        , order_(order)
        , dictionary_(dictionary)
    {
        atoms_.reserve(tokens.size());
    }

    std::vector<Atom> find()
    {
        std::size_t i = 0;
        while (i < tokens_.size()) {
            i = next(i);
        }
        return std::move(atoms_);
    }

private:
    std::size_t next(std::size_t i)
    {
        if (const std::size_t count = countdownAt(i); count > 0) {
            push(Role::chatter, "countdown", 0, i, i + count);
            return i + count;
        }
        const std::size_t phrase_end = endOfPhrase(i);
        if (const std::size_t count = ownWordAt(i, phrase_end); count > 0) {
            return i + count;
        }
        if (tokens_[i].number_class != NumberClass::none || (tokens_[i].word == "a" && isHundred(i + 1))) {
            const auto [value, count] = readNumber(i);
            if (const std::size_t after = i + count; after < tokens_.size()
                && (tokens_[after].word == "seconds" || tokens_[after].word == "minutes"
                    || tokens_[after].word == "minute")) {
                push(Role::chatter, "countdown", 0, i, after + 1);
                return after + 1;
            }
            push(Role::number, std::to_string(value), value, i, i + count);
            return i + count;
        }
        auto match = longestMatch(std::span(tokens_).subspan(i, phrase_end - i));
        if (match.entry == nullptr) {
            push(namesLandmark(i) ? Role::thing : Role::unknown, tokens_[i].word, 0, i, i + 1);
            return i + 1;
        }
        if (match.words > 1 && isSideBeforeCorner(*match.entry, i + match.words)) {
            match = longestMatch(std::span(tokens_).subspan(i, 1)); // "bump on left four": a bump on a corner
        }
        if (match.entry != nullptr && match.entry->role == Role::entry && match.words == 2
            && (tokens_[i].word == "in" || tokens_[i + 1].word == "in") && !speaksOfChicane()) {
            match = longestMatch(std::span(tokens_).subspan(i, 1)); // "dip in left five"
        }
        if (match.entry == nullptr) {
            push(Role::unknown, tokens_[i].word, 0, i, i + 1);
            return i + 1;
        }
        if (isTargetAfterInto(i)) {
            push(Role::to, "to", 0, i, i + 1);
            return i + 1;
        }
        if (match.words > 1 && match.entry->words.front() == "hug" && endsWithSideOf(i, match.words)) {
            match = longestMatch(std::span(tokens_).subspan(i, 1)); // "hug left three": the corner's own side
        }
        push(match.entry->role, match.entry->value, 0, i, i + match.words);
        return i + match.words;
    }

    /// A phrase does not go on beyond a comma, but for a word said twice: "extra, extra long".
    [[nodiscard]] std::size_t endOfPhrase(std::size_t i) const
    {
        while (
            i + 1 < tokens_.size() && (!tokens_[i].pause_after || tokens_[i].word == tokens_[i + 1].word)) {
            ++i;
        }
        return i + 1;
    }

    /// "at the fingerpost": a word that is like no known one, where a landmark is wanted.
    [[nodiscard]] bool namesLandmark(std::size_t i) const
    {
        for (auto it = atoms_.rbegin(); it != atoms_.rend() && !it->pause_after; ++it) {
            if (it->role == Role::relation) {
                const bool wants = it->value == "at" || it->value == "past" || it->value == "around"
                    || it->value == "before" || it->value == "after";
                return wants && tokens_[i].word.size() >= 4 && suggestFor(tokens_[i].word).empty();
            }
            if (it->role != Role::glue && it->role != Role::qualifier && it->role != Role::size) {
                return false;
            }
        }
        return false;
    }

    [[nodiscard]] bool speaksOfChicane() const
    {
        return std::any_of(tokens_.begin(), tokens_.end(), [](const Token& token) {
            return token.word == "chicane" || token.word == "chicanes" || token.word == "esses";
        });
    }

    /// "tightens into three": the number is what the corner becomes, unless it is the next corner's own.
    [[nodiscard]] bool isTargetAfterInto(std::size_t i) const
    {
        if (tokens_[i].word != "into" || atoms_.empty() || atoms_.back().role != Role::shape) {
            return false;
        }
        std::size_t j = i + 1;
        while (j < tokens_.size() && (tokens_[j].word == "a" || tokens_[j].word == "long")) {
            ++j;
        }
        return classAt(j) != NumberClass::none && tokens_[j].number < 10 && !leadsToDirection(j)
            && !(j + 1 < tokens_.size() && isDirection(tokens_[j + 1]));
    }

    /// The last of `count` words is the direction of a corner whose grade follows.
    [[nodiscard]] bool endsWithSideOf(std::size_t i, std::size_t count) const
    {
        const std::size_t next = i + count;
        return order_ == Order::direction_first && isDirection(tokens_[next - 1])
            && !tokens_[next - 1].pause_after && classAt(next) != NumberClass::none
            && tokens_[next].number < 10;
    }

    [[nodiscard]] bool isSideBeforeCorner(const LexiconEntry& entry, std::size_t next) const
    {
        const bool side = entry.value == "left" || entry.value == "right";
        return side && entry.role == Role::relation && entry.words.front() == "on" && next < tokens_.size()
            && !tokens_[next - 1].pause_after && tokens_[next].number_class != NumberClass::none
            && tokens_[next].number < 10;
    }

    /// Number of tokens of "five four three two one [go]" at `i`, 0 where there is none.
    [[nodiscard]] std::size_t countdownAt(std::size_t i) const
    {
        std::size_t j = i;
        while (j < tokens_.size() && tokens_[j].number_class != NumberClass::none && tokens_[j].number <= 10
            && (j == i || tokens_[j].number == tokens_[j - 1].number - 1)) {
            ++j;
        }
        const bool go = j < tokens_.size() && tokens_[j].word == "go";
        const bool to_one = j > i && tokens_[j - 1].number == 1 && (j == tokens_.size() || go);
        return j - i >= 3 && (to_one || go) ? j - i + (go ? 1 : 0) : 0;
    }

    /// A word of the crew's own: its words stay, its meaning is that of the phrase it stands for.
    [[nodiscard]] std::size_t ownWordAt(std::size_t i, std::size_t end)
    {
        const auto* own = dictionary_.ownWord(std::span(tokens_).subspan(i, end - i));
        if (own == nullptr) {
            return 0;
        }
        const std::size_t last = i + own->words.size();
        if (own->meaning.empty()) {
            push(Role::glue, "own", 0, i, last);
        }
        for (const Atom& atom : own->meaning) {
            push(atom.role, atom.value, atom.number, &atom == &own->meaning.front() ? i : last, last);
        }
        return own->words.size();
    }

    void push(Role role, std::string value, int number, std::size_t first, std::size_t last)
    {
        atoms_.push_back({role, std::move(value), number, first, last, tokens_[last - 1].pause_after});
    }

    [[nodiscard]] NumberClass classAt(std::size_t i) const
    {
        return i < tokens_.size() ? tokens_[i].number_class : NumberClass::none;
    }

    [[nodiscard]] bool isHundred(std::size_t i) const { return classAt(i) == NumberClass::hundred; }

    /// A single small number right here must be a grade: after "left", "tightens", "to".
    [[nodiscard]] bool gradeWanted() const
    {
        for (auto it = atoms_.rbegin(); it != atoms_.rend(); ++it) {
            switch (it->role) {
            case Role::direction:
                // "flat left one fifty": that corner has its grade
                return order_ == Order::direction_first
                    && (std::next(it) == atoms_.rend() || std::next(it)->role != Role::named_grade
                        || std::next(it)->pause_after);
            case Role::shape:
            case Role::to: return true;
            case Role::extent:
            case Role::late:
            case Role::sudden:
            case Role::visibility:
            case Role::glue: continue;
            default: return false;
            }
        }
        return false;
    }

    /// Number first: does "four [plus] [long] left" begin at token `i`?
    [[nodiscard]] bool leadsToDirection(std::size_t i) const
    {
        if (order_ != Order::number_first) {
            return false;
        }
        static const std::vector<std::string> kBetween{"plus", "minus", "half", "long", "short", "very",
            "extra", "sudden", "tight", "and", "a", "double"};
        for (std::size_t j = i + 1; j < tokens_.size() && j <= i + 4; ++j) {
            if (isDirection(tokens_[j])) {
                return true;
            }
            if (std::find(kBetween.begin(), kBetween.end(), tokens_[j].word) == kBetween.end()) {
                return false;
            }
        }
        return false;
    }

    struct Number {
        int value;
        std::size_t count;
    };

    [[nodiscard]] Number readNumber(std::size_t i) const
    {
        const auto kind = classAt(i);
        if (kind == NumberClass::none) { // "a hundred"
            return afterHundred(100, i, i + 2);
        }
        const int value = tokens_[i].number;
        if (kind == NumberClass::digits) {
            return isHundred(i + 1) && value < 10 ? Number{value * 100, 2} : Number{value, 1};
        }
        if (kind == NumberClass::unit) {
            if (isHundred(i + 1)) {
                return afterHundred(value * 100, i, i + 2);
            }
            if (classAt(i + 1) == NumberClass::thousand) {
                return {value * 1000, 2};
            }
            const bool tens_follow =
                classAt(i + 1) == NumberClass::ten || classAt(i + 1) == NumberClass::teen;
            if (tens_follow && !gradeWanted() && value > 0) {
                const auto rest = belowHundred(i + 1);
                return {value * 100 + rest.value, 1 + rest.count};
            }
            return {value, 1};
        }
        if (kind == NumberClass::hundred) {
            return afterHundred(100, i, i + 1);
        }
        return belowHundred(i);
    }

    [[nodiscard]] Number belowHundred(std::size_t i) const
    {
        const bool unit_follows = classAt(i) == NumberClass::ten && classAt(i + 1) == NumberClass::unit
            && tokens_[i + 1].number > 0 && !leadsToDirection(i + 1) && !tokens_[i].pause_after;
        return unit_follows ? Number{tokens_[i].number + tokens_[i + 1].number, 2}
                            : Number{tokens_[i].number, 1};
    }

    /// `value` hundreds were read up to `next`; takes "[and] twenty [five]" too.
    [[nodiscard]] Number afterHundred(int value, std::size_t first, std::size_t next) const
    {
        const bool has_and = next < tokens_.size() && tokens_[next].word == "and";
        const std::size_t rest = has_and ? next + 1 : next;
        const auto kind = classAt(rest);
        if (kind == NumberClass::ten || kind == NumberClass::teen) {
            const auto tail = belowHundred(rest);
            return {value + tail.value, rest - first + tail.count};
        }
        if (has_and && kind == NumberClass::unit && !leadsToDirection(rest)) {
            return {value + tokens_[rest].number, rest - first + 1};
        }
        return {value, next - first};
    }

    const std::vector<Token>& tokens_;
    Order order_;
    const Dictionary& dictionary_;
    std::vector<Atom> atoms_;
};

/// "jump?" is said "jump maybe"; the word has no letters of its own in the line.
void addDoubt(std::vector<Token>& tokens)
{
    const auto match = longestMatch(std::span(tokens).last(1));
    if (match.entry != nullptr && match.entry->role == Role::thing) {
        const std::size_t at = tokens.back().end;
        tokens.push_back({"maybe", at, at, false, NumberClass::none, 0, knownWord("maybe")});
    }
}

} // namespace

std::vector<Token> tokenise(std::string_view line, const Dictionary& dictionary)
{
    std::vector<Token> tokens;
    tokens.reserve(line.size() / 4 + 2);
    PieceCutter cutter(tokens, dictionary);
    std::size_t i = 0;
    while (i < line.size()) {
        while (i < line.size() && isBlank(line[i])) {
            ++i;
        }
        std::size_t end = i;
        while (end < line.size() && !isBlank(line[end])) {
            ++end;
        }
        if (end == i) {
            break;
        }
        if (line.substr(i, end - i).find_first_not_of('!') == std::string_view::npos) {
            tokens.push_back({"!", i, end, false, NumberClass::none, 0, knownWord("!")});
            i = end;
            continue;
        }
        if (const auto piece = line.substr(i, end - i);
            piece == "-" || piece == "\xE2\x80\x93" || piece == "\xE2\x80\x94") {
            if (!tokens.empty()) {
                tokens.back().pause_after = true; // a dash by itself separates
            }
            i = end;
            continue;
        }
        std::size_t first = i;
        std::size_t last = end;
        bool pause = false;
        while (first < last && kOuterPunctuation.has(line[first])) {
            ++first;
        }
        while (last > first && kOuterPunctuation.has(line[last - 1])) {
            pause = pause || kPausePunctuation.has(line[last - 1]);
            --last;
        }
        const std::size_t count_before = tokens.size();
        // commas without a blank after them still separate
        std::size_t part = first;
        for (std::size_t j = first; j <= last; ++j) {
            if (j == last || kInnerSeparators.has(line[j])) {
                cutter.cut(lowerCase(line.substr(part, j - part)), part, j);
                if (j != last && line[j] != '(' && line[j] != ')' && tokens.size() > count_before) {
                    tokens.back().pause_after = true;
                }
                part = j + 1;
            }
        }
        if (line.substr(last, end - last).find('?') != std::string_view::npos
            && tokens.size() > count_before) {
            addDoubt(tokens);
        }
        if (pause && !tokens.empty()) {
            tokens.back().pause_after = true;
        }
        i = end;
    }
    return tokens;
}

std::vector<Atom> findAtoms(const std::vector<Token>& tokens, Order order, const Dictionary& dictionary)
{
    return AtomFinder(tokens, order, dictionary).find();
}

} // namespace brumefall::notes
