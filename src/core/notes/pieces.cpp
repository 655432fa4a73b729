#include "notes/pieces.h"

#include "notes/dictionary.h"
#include "notes/text.h"

#include <algorithm>
#include <string>
#include <utility>

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
            || cutAt(written, written.find('-'), 1, begin, end)
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
        if (word.size() > kLongestToCut) {
            return false;
        }
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
        if (at == std::string_view::npos || at == 0 || at + between >= written.size()
            || written.size() > kLongestToCut) {
            return false;
        }
        cut(written.substr(0, at), begin, begin + at);
        cut(written.substr(at + between), begin + at + between, end);
        return true;
    }

    /// "HpL", "BigCr": short forms run together, each begun with a capital.
    bool cutAtCapital(std::string_view written, std::size_t begin, std::size_t end)
    {
        if (written.size() > kLongestToCut) {
            return false;
        }
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

    static constexpr std::size_t kLongestToCut = 60; // what is longer is no word, and would take its square
    std::vector<Token>& out_;
    const Dictionary& dictionary_;
};

} // namespace

void cutPiece(std::vector<Token>& out, const Dictionary& dictionary, std::string_view written,
    std::size_t begin, std::size_t end)
{
    PieceCutter(out, dictionary).cut(written, begin, end);
}

} // namespace brumefall::notes
