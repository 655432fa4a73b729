#include "notes/number_alternatives.h"

#include "notes/spoken.h"
#include "notes/text.h"

#include <algorithm>
#include <array>
#include <string>

namespace brumefall::notes {
namespace {

/// How unusual it is to say so many metres.
double costOfDistance(int metres)
{
    if (metres < 10 || metres > 3000) {
        return 6.0;
    }
    if (metres % 10 == 0 && (metres <= 200 || (metres <= 400 && metres % 50 == 0))) {
        return metres == 10 ? 0.3 : 0.0;
    }
    if (metres % 50 == 0 && metres <= 1000) {
        return 0.3;
    }
    if (metres % 10 == 0 && metres <= 1000) {
        return 0.8;
    }
    return metres % 5 == 0 && metres < 200 ? 0.7 : metres < 100 ? 1.8 : 3.0;
}

std::string said(int number)
{
    return sayNumber(number, HundredsSaid::short_form);
}

class Numbers {
public:
    Numbers(LatticeGrowth& growth, const Pronunciations& pronunciations)
        : growth_(growth)
        , words_(growth.words())
        , pronunciations_(pronunciations)
    {
    }

    void from(std::size_t i)
    {
        countdown(i);
        signedGrade(i);
        withSuffix(i);
        const NumberClass kind = growth_.classAt(i);
        if (kind == NumberClass::none) {
            const bool a = words_[i].word == "a" && growth_.classAt(i + 1) == NumberClass::hundred;
            if (a) {
                hundreds(i, i + 2, 100);
            }
            return;
        }
        const int value = growth_.numberAt(i);
        if (kind == NumberClass::digits) {
            digits(i, words_[i].word);
        } else if (kind == NumberClass::unit) {
            if (value > 0) {
                single(i, i + 1, value, 0.0);
            }
        } else if (kind == NumberClass::ten || kind == NumberClass::teen) {
            single(i, i + 1, value, kind == NumberClass::teen ? 0.3 : 0.0);
            swapTeen(i, value);
        } else if (kind == NumberClass::hundred) {
            hundreds(i, i + 1, 100);
        }
        const bool small = value >= 1 && value <= 9
            && (kind == NumberClass::unit || (kind == NumberClass::digits && words_[i].word.size() == 1));
        if (small && growth_.classAt(i + 1) == NumberClass::hundred) {
            hundreds(i, i + 2, 100 * value);
        }
        const NumberClass next = growth_.classAt(i + 1);
        const int rest = i + 1 < words_.size() ? growth_.numberAt(i + 1) : 0;
        const bool tens = next == NumberClass::ten || next == NumberClass::teen
            || (next == NumberClass::digits && words_[i + 1].word.size() == 2);
        if (small && tens && rest >= 10 && rest <= 99) { // "one fifty"
            const int in_digits =
                (kind == NumberClass::digits ? 1 : 0) + (next == NumberClass::digits ? 1 : 0);
            // "tightens three fifty": hardly a straight is so long
            constexpr std::array kHundreds{0.0, 0.4, 0.5, 1.1, 1.7, 1.7, 1.7, 1.7, 1.7, 1.7};
            constexpr std::array kWritten{0.0, 0.9, 0.3}; // "one 80": a number is written in one way
            single(i, i + 2, 100 * value + rest,
                kHundreds.at(static_cast<std::size_t>(value))
                    + kWritten.at(static_cast<std::size_t>(in_digits)));
        }
        if (kind == NumberClass::ten && next == NumberClass::unit && rest > 0) { // "sixty five"
            single(i, i + 2, value + rest, 0.4);
        }
        // "right 31 50" is "right 3 150"
        if (kind == NumberClass::digits && words_[i].word.size() == 2 && value % 10 >= 1 && value % 10 <= 4
            && next == NumberClass::digits && words_[i + 1].word.size() == 2 && rest % 10 == 0) {
            growth_.add(
                i, i + 2, {gradePiece(value / 10), distancePiece(100 * (value % 10) + rest)}, By::split, 0.9);
        }
    }

private:
    void single(std::size_t first, std::size_t last, int value, double cost)
    {
        constexpr double kRightAngle = 1.2; // it is metres mostly
        constexpr double kAtJunction = -1.8; // "ninety right at junction"
        const bool digits = isDigits(words_[first].word) && last == first + 1;
        if (value >= 1 && value <= 9) {
            growth_.add(first, last, {gradePiece(value, digits)}, By::word, cost);
            growth_.add(
                first, last, {{Part::count, gradePiece(value, digits).words, value}}, By::word, cost + 0.4);
        } else if (value >= 10) {
            const Piece distance = distancePiece(value, digits);
            growth_.add(first, last, {distance}, By::word, cost + costOfDistance(value));
            if (value == 90) { // "left ninety at junction": a right angle
                growth_.add(first, last, {{Part::named_grade, distance.words}}, By::word,
                    cost + (isSideAtJunction(last) ? kAtJunction : kRightAngle));
            }
        }
    }

    [[nodiscard]] bool isSideAtJunction(std::size_t i) const
    {
        const auto isJunction = [](const LexiconEntry& entry) { return partOf(entry) == Part::junction; };
        return i < words_.size() && (words_[i].word == "left" || words_[i].word == "right")
            && words_[i].pause == Pause::none && growth_.isPhraseAt(i + 1, isJunction);
    }

    /// "[one] hundred" ends before `next`: what may come after it.
    void hundreds(std::size_t first, std::size_t next, int value)
    {
        single(first, next, value, -0.1);
        std::size_t at = next;
        if (at < words_.size() && words_[at].word == "and") {
            ++at;
        }
        const NumberClass kind = growth_.classAt(at);
        if (kind == NumberClass::ten || kind == NumberClass::teen
            || (kind == NumberClass::digits && growth_.numberAt(at) >= 10 && growth_.numberAt(at) < 100)) {
            single(first, at + 1, value + growth_.numberAt(at), at > next ? -0.3 : -0.1);
        }
    }

    void swapTeen(std::size_t i, int value)
    {
        if (value >= 13 && value <= 19) { // "eighteen" is eighty
            growth_.add(
                i, i + 1, {distancePiece((value - 10) * 10, isDigits(words_[i].word))}, By::sound, 0.9);
        }
    }

    void digits(std::size_t i, const std::string& text)
    {
        if (text.size() > 8 || text[0] == '0') {
            return;
        }
        const int value = valueOf(text);
        single(i, i + 1, value, 0.0);
        swapTeen(i, value);
        const auto part = [&](std::size_t from, std::size_t count) {
            return valueOf(text.substr(from, count));
        };
        const auto grade = [&](std::size_t at) { return part(at, 1); };
        const std::size_t n = text.size();
        if (n >= 3 && isUsualDistance(part(1, n - 1)) && text[1] != '0') { // 460
            growth_.add(i, i + 1, {gradePiece(grade(0)), distancePiece(part(1, n - 1))}, By::split, 0.5);
        }
        if (n >= 3 && text[n - 1] != '0' && isUsualDistance(part(0, n - 1))) { // 603
            growth_.add(i, i + 1, {distancePiece(part(0, n - 1)), gradePiece(grade(n - 1))}, By::split, 0.6);
        }
        if (n >= 4 && text[1] != '0' && text[n - 1] != '0' && isUsualDistance(part(1, n - 2))) { // 4603
            growth_.add(i, i + 1,
                {gradePiece(grade(0)), distancePiece(part(1, n - 2)), gradePiece(grade(n - 1))}, By::split,
                1.0);
        }
        for (std::size_t cut = 2; cut + 2 <= n; ++cut) { // 10050
            if (text[cut] != '0' && isUsualDistance(part(0, cut)) && isUsualDistance(part(cut, n - cut))) {
                growth_.add(i, i + 1, {distancePiece(part(0, cut)), distancePiece(part(cut, n - cut))},
                    By::split, 0.6);
            }
        }
        if (n == 2 && text[1] != '0' && text[0] >= '2') { // 33: thirty, three
            growth_.add(i, i + 1, {distancePiece(10 * grade(0)), gradePiece(grade(1))}, By::split, 0.8);
        }
        if (n == 2 && text[1] != '0') {
            growth_.add(i, i + 1, {gradePiece(grade(0)), gradePiece(grade(1))}, By::split, 1.8);
        }
        if (n == 3 && text[2] != '0' && text[1] == '0') { // 105: a hundred, five
            growth_.add(i, i + 1, {distancePiece(100 * grade(0)), gradePiece(grade(2))}, By::split, 0.8);
        }
    }

    /// "3-", "4+"
    void signedGrade(std::size_t i)
    {
        const auto pieces = signedGradePieces(words_[i].word);
        if (pieces.empty()) {
            return;
        }
        growth_.add(i, i + 1, pieces, By::word, 0.0);
        growth_.add(i, i + 1, {pieces.front()}, By::split, 2.0);
    }

    /// "6th right", "60s": the number, misheard.
    void withSuffix(std::size_t i)
    {
        constexpr std::size_t kMostDigits = 4;
        constexpr std::array<std::string_view, 6> kSuffixes{"st", "nd", "rd", "th", "s", "'s"};
        constexpr double kCost = 0.4;
        const std::string_view word = words_[i].word;
        const std::string_view number = word.substr(0, word.find_first_not_of("0123456789"));
        const auto suffix = std::find(kSuffixes.begin(), kSuffixes.end(), word.substr(number.size()));
        if (number.empty() || number.size() > kMostDigits || number[0] == '0' || suffix == kSuffixes.end()) {
            return;
        }
        const int value = valueOf(number);
        if (value <= 9) {
            growth_.add(i, i + 1, {gradePiece(value)}, By::sound, kCost);
        } else {
            growth_.add(i, i + 1, {distancePiece(value)}, By::sound, kCost + costOfDistance(value));
        }
    }

    /// The number at `i`, or the one from one to ten that it sounds like; 0 where it is none.
    [[nodiscard]] int soundsLikeNumber(std::size_t i) const
    {
        if (i >= words_.size()) {
            return 0;
        }
        if (growth_.classAt(i) != NumberClass::none) {
            return growth_.numberAt(i);
        }
        constexpr double kAlike = 0.45;
        for (int number = 1; number <= 10; ++number) {
            if (phoneDistance(growth_.phones(i), pronunciations_.of(said(number)), kAlike) <= kAlike) {
                return number;
            }
        }
        return 0;
    }

    /// A word said right after the one before it, and then nothing for a while.
    [[nodiscard]] bool isAlone(std::size_t i) const
    {
        return i < words_.size() && words_[i].pause == Pause::none && i + 1 < words_.size()
            && isStop(words_[i + 1].pause);
    }

    /// "five four three two one", and a word that ends it; or all but the "one", which was misheard.
    void countdown(std::size_t i)
    {
        constexpr std::size_t kBroken = 4;
        constexpr double kCountedDown = -1.2; // then "go" is nothing else
        constexpr double kMisheard = 0.3; // "go", the one word between a countdown and a silence
        std::size_t end = i;
        int before = 100;
        bool by_one = true;
        for (int value = soundsLikeNumber(end);
             value > 0 && value < before && (before == 100 || before - value <= 5);
             value = soundsLikeNumber(end)) {
            by_one = by_one && (before == 100 || before - value == 1);
            before = value;
            ++end;
        }
        if ((end - i >= 3 && before == 1) || (end - i >= kBroken && before == 2 && by_one)) {
            growth_.add(i, end, {{Part::countdown, {}}}, By::word, 0.0);
            if (end < words_.size() && words_[end].word == "go") { // also before "straight"
                growth_.add(end, end + 1, {{Part::go, {}}}, By::word, kCountedDown);
            } else if (before == 1 && isAlone(end)) {
                growth_.add(end, end + 1, {{Part::go, {}}}, By::sound, kMisheard);
            }
        }
        if (words_[i].word == "go") {
            growth_.add(i, i + 1, {{Part::go, {}}}, By::word,
                i > 0 && growth_.classAt(i - 1) != NumberClass::none && growth_.numberAt(i - 1) == 1 ? 0.0
                                                                                                     : 0.9);
        }
    }

    LatticeGrowth& growth_;
    std::span<const HeardWord> words_;
    const Pronunciations& pronunciations_;
};

} // namespace

bool isUsualDistance(int metres)
{
    return costOfDistance(metres) < 0.5;
}

Piece gradePiece(int grade, bool digits)
{
    return {Part::grade, digits ? std::to_string(grade) : said(grade), grade};
}

std::vector<Piece> signedGradePieces(std::string_view text)
{
    if (text.size() != 2 || (text[1] != '-' && text[1] != '+') || !isDigit(text[0]) || text[0] == '0') {
        return {};
    }
    return {gradePiece(text[0] - '0'), {Part::modifier, text[1] == '-' ? "minus" : "plus"}};
}

Piece distancePiece(int metres, bool digits)
{
    return {Part::distance, digits ? std::to_string(metres) : said(metres), metres};
}

void addNumbers(LatticeGrowth& growth, const Pronunciations& pronunciations, std::size_t i)
{
    Numbers(growth, pronunciations).from(i);
}

} // namespace brumefall::notes
