#include "notes/tokens.h"

#include "notes/dictionary.h"
#include "notes/suggest.h"
#include "notes/text.h"

#include <algorithm>
#include <optional>
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

    /// `written` keeps its capitals.
    void cut(std::string_view written, std::size_t begin, std::size_t end)
    {
        if (written.empty()) {
            return;
        }
        std::string word = lowerCase(written);
        if (cutNumber(word, begin, end)) {
            return;
        }
        const KnownWord* known = knownWord(word);
        if (cutAbbreviation(word, known, begin, end) || (known == nullptr && cutRuns(word, begin, end))
            || cutAt(written, written.find('-'), 1, begin, end) || cutDotted(written, begin, end)
            || (known == nullptr && cutAtCapital(written, begin, end))) {
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
            return cutRuns(word, begin, end);
        }
        return true;
    }

    /// "L4", "4R+", "left4", "L3lg", "5>3": words, short forms, numbers and signs run together. Nothing is
    /// cut where one of them is not known.
    bool cutRuns(std::string_view word, std::size_t begin, std::size_t end)
    {
        std::vector<std::pair<std::size_t, std::size_t>> runs;
        for (std::size_t at = 0; at < word.size();) {
            const std::size_t length = runAt(word, at);
            if (length == 0 || length == word.size()) {
                return false;
            }
            runs.emplace_back(at, length);
            at += length;
        }
        for (const auto& [at, length] : runs) {
            const std::size_t last = at + length == word.size() ? end : begin + at + length;
            if (word.substr(at, length) == "-") {
                addWord("minus", begin + at, last);
            } else {
                cut(word.substr(at, length), begin + at, last);
            }
        }
        return true;
    }

    /// Length of the number with its sign, the sign, or the known word at `at`; 0 where it is none of them.
    [[nodiscard]] std::size_t runAt(std::string_view word, std::size_t at) const
    {
        const auto lengthOf = [&](auto&& belongs) {
            std::size_t last = at;
            while (last < word.size() && belongs(word[last])) {
                ++last;
            }
            return last - at;
        };
        const auto isSign = [](char c) { return c == '+' || c == '-'; };
        if (const std::size_t digits = lengthOf(isDigit); digits > 0) {
            if (word.substr(at + digits).starts_with("\xC2\xBD")) {
                return digits + 2;
            }
            std::size_t signs = 0;
            while (signs < 2 && at + digits + signs < word.size() && isSign(word[at + digits + signs])) {
                ++signs;
            }
            const std::size_t next = at + digits + signs;
            return next < word.size() && signs > 0 && isDigit(word[next]) ? 0 : digits + signs;
        }
        if (isSign(word[at])) {
            return at + 1 == word.size() && at > 0 ? 1 : 0; // "4R+"
        }
        const std::size_t letters = lengthOf([](char c) { return c >= 'a' && c <= 'z'; });
        if (letters == 1 && word[at] != 'l' && word[at] != 'r') {
            return 0; // a crew's own letters are in its dictionary
        }
        const std::size_t length = letters > 0 ? letters : std::size_t{1};
        return isShortOrKnown(word.substr(at, length)) ? length : 0;
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

    /// Cuts `written` in two at `at`, leaving `between` letters out; nothing is cut where a side is empty.
    bool cutAt(
        std::string_view written, std::size_t at, std::size_t between, std::size_t begin, std::size_t end)
    {
        if (at == std::string_view::npos || at == 0 || at + between >= written.size()) {
            return false;
        }
        cut(written.substr(0, at), begin, begin + at);
        cut(written.substr(at + between), begin + at + between, end);
        return true;
    }

    /// "R5.L5": a stop between two words parts them; one between digits is a number's own.
    bool cutDotted(std::string_view written, std::size_t begin, std::size_t end)
    {
        const std::size_t dot = written.find('.');
        const std::size_t before = out_.size();
        if (dot == std::string_view::npos || dot == 0 || dot + 1 >= written.size()) {
            return false;
        }
        cut(written.substr(0, dot), begin, begin + dot);
        if (out_.size() > before) {
            out_.back().pause_after = true;
        }
        cut(written.substr(dot + 1), begin + dot + 1, end);
        return true;
    }

    /// "HpL", "BigCr": short forms run together, each begun with a capital.
    bool cutAtCapital(std::string_view written, std::size_t begin, std::size_t end)
    {
        const auto isCapital = [](char c) { return c >= 'A' && c <= 'Z'; };
        for (std::size_t at = 1; at < written.size(); ++at) {
            if (isCapital(written[at]) && !isCapital(written[at - 1]) && isShortOrKnown(written.substr(0, at))
                && isShortOrKnown(written.substr(at))) {
                return cutAt(written, at, 0, begin, end);
            }
        }
        return false;
    }

    [[nodiscard]] bool isShortOrKnown(std::string_view written) const
    {
        const std::string word = lowerCase(written);
        return knownWord(word) != nullptr || dictionary_.expansion(word) != nullptr;
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
        if (match.words == 1 && joinsTwoCorners(i)) {
            push(Role::joiner, "into", 0, i, i + 1);
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

    /// "four left to three right", "three left in two right": between two whole corners either word means
    /// "into". "One left plus to two left" is one corner.
    [[nodiscard]] bool joinsTwoCorners(std::size_t i) const
    {
        const bool to = tokens_[i].word == "to";
        if ((!to && tokens_[i].word != "in") || atoms_.empty() || tokens_[i].pause_after) {
            return false;
        }
        if (!to
            && !isOneOf({Role::direction, Role::number, Role::named_grade, Role::modifier, Role::extent},
                atoms_.back().role)) {
            return false; // "dip in left five"
        }
        const auto ahead = cornerAt(i + 1);
        const Atom* before = sideOfCornerBefore();
        return ahead && before != nullptr && (!to || before->value != tokens_[*ahead].word);
    }

    /// The direction of the corner that is being told, null where what was told last is a shape or a
    /// distance.
    [[nodiscard]] const Atom* sideOfCornerBefore() const
    {
        for (auto it = atoms_.rbegin(); it != atoms_.rend(); ++it) {
            if (it->role == Role::direction) {
                return &*it;
            }
            if (isOneOf({Role::shape, Role::joiner}, it->role)
                || (it->role == Role::number && it->number >= 10)) {
                return nullptr;
            }
        }
        return nullptr;
    }

    /// The direction of the whole corner that begins at token `i`, in the file's order.
    [[nodiscard]] std::optional<std::size_t> cornerAt(std::size_t i) const
    {
        if (i + 1 >= tokens_.size()) {
            return {};
        }
        const auto isGrade = [&](std::size_t j, std::size_t& words) {
            const auto named = longestMatch(std::span(tokens_).subspan(j));
            words = named.entry != nullptr && named.entry->role == Role::named_grade ? named.words : 1;
            return (named.entry != nullptr && named.entry->role == Role::named_grade)
                || (classAt(j) != NumberClass::none && tokens_[j].number < 10);
        };
        std::size_t words = 1;
        if (isDirection(tokens_[i])) {
            return isGrade(i + 1, words) ? std::optional(i) : std::nullopt;
        }
        if (!isGrade(i, words)) {
            return {};
        }
        return words == 1 && classAt(i) != NumberClass::none                ? directionLedTo(i)
            : i + words < tokens_.size() && isDirection(tokens_[i + words]) ? std::optional(i + words)
                                                                            : std::nullopt;
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
    [[nodiscard]] bool leadsToDirection(std::size_t i) const { return directionLedTo(i).has_value(); }

    [[nodiscard]] std::optional<std::size_t> directionLedTo(std::size_t i) const
    {
        if (order_ != Order::number_first) {
            return {};
        }
        static const std::vector<std::string> kBetween{"plus", "minus", "half", "long", "short", "very",
            "extra", "sudden", "tight", "and", "a", "double"};
        for (std::size_t j = i + 1; j < tokens_.size() && j <= i + 4; ++j) {
            if (isDirection(tokens_[j])) {
                return j;
            }
            if (std::find(kBetween.begin(), kBetween.end(), tokens_[j].word) == kBetween.end()) {
                return {};
            }
        }
        return {};
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
                cutter.cut(line.substr(part, j - part), part, j);
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
