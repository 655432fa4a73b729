#include "notes/numbers.h"

#include <algorithm>

namespace brumefall::notes {

bool isDirection(const Token& token)
{
    return token.word == "left" || token.word == "right" || token.word == "lefts" || token.word == "rights";
}

NumberClass NumberReader::classAt(std::size_t i) const
{
    return i < tokens_.size() ? tokens_[i].number_class : NumberClass::none;
}

bool NumberReader::isHundred(std::size_t i) const
{
    return classAt(i) == NumberClass::hundred;
}

bool NumberReader::beginsAt(std::size_t i) const
{
    return classAt(i) != NumberClass::none || (tokens_[i].word == "a" && isHundred(i + 1));
}

bool NumberReader::isGrade(std::size_t i) const
{
    return classAt(i) != NumberClass::none && tokens_[i].number < 10;
}

std::optional<std::size_t> NumberReader::directionLedTo(std::size_t i) const
{
    if (order_ != Order::number_first) {
        return {};
    }
    static const std::vector<std::string> kBetween{
        "plus", "minus", "half", "long", "short", "very", "extra", "sudden", "tight", "and", "a", "double"};
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

NumberReader::Number NumberReader::read(std::size_t i, bool grade_wanted) const
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
        const bool tens_follow = classAt(i + 1) == NumberClass::ten || classAt(i + 1) == NumberClass::teen;
        if (tens_follow && !grade_wanted && value > 0) {
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

NumberReader::Number NumberReader::belowHundred(std::size_t i) const
{
    const bool unit_follows = classAt(i) == NumberClass::ten && classAt(i + 1) == NumberClass::unit
        && tokens_[i + 1].number > 0 && !directionLedTo(i + 1) && !tokens_[i].pause_after;
    return unit_follows ? Number{tokens_[i].number + tokens_[i + 1].number, 2} : Number{tokens_[i].number, 1};
}

/// `value` hundreds were read up to `next`; takes "[and] twenty [five]" too.
NumberReader::Number NumberReader::afterHundred(int value, std::size_t first, std::size_t next) const
{
    const bool has_and = next < tokens_.size() && tokens_[next].word == "and";
    const std::size_t rest = has_and ? next + 1 : next;
    const auto kind = classAt(rest);
    if (kind == NumberClass::ten || kind == NumberClass::teen) {
        const auto tail = belowHundred(rest);
        return {value + tail.value, rest - first + tail.count};
    }
    if (has_and && kind == NumberClass::unit && !directionLedTo(rest)) {
        return {value + tokens_[rest].number, rest - first + 1};
    }
    return {value, next - first};
}

} // namespace brumefall::notes
