#include "notes/lattice.h"

#include "notes/sound_targets.h"
#include "notes/spoken.h"
#include "notes/text.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <map>
#include <set>

namespace brumefall::notes {
namespace {

constexpr double kLongerPhrase = -0.25; ///< for each further word of an exact phrase
constexpr std::size_t kLongestPhrase = 6;
constexpr std::size_t kLongestSound = 3; ///< words that may be one word misheard

bool isDigits(std::string_view text)
{
    return !text.empty() && std::all_of(text.begin(), text.end(), [](char c) { return isDigit(c); });
}

int valueOf(std::string_view digits)
{
    int value = 0;
    std::from_chars(digits.data(), digits.data() + digits.size(), value);
    return value;
}

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

bool isUsualDistance(int metres)
{
    return costOfDistance(metres) < 0.5;
}

std::string said(int number)
{
    return sayNumber(number, HundredsSaid::short_form);
}

class Builder {
public:
    Builder(std::span<const HeardWord> words, const Style& style, const Pronunciations& pronunciations)
        : words_(words)
        , style_(style)
        , pronunciations_(pronunciations)
        , targets_(pronunciations.targets())
    {
        lattice_.words = words;
        lattice_.from.resize(words.size() + 1);
        for (const HeardWord& word : words) {
            lattice_.pause.push_back(word.pause);
            phones_.push_back(pronunciations.of(word.word));
            known_.push_back(knownWord(word.word));
        }
        lattice_.pause.push_back(Pause::stop_edge);
    }

    Lattice build()
    {
        for (std::size_t i = 0; i < words_.size(); ++i) {
            lattice_.order.push_back(static_cast<int>(i));
            const int inner = static_cast<int>(lattice_.from.size());
            phrases(i);
            ownWords(i);
            numbers(i);
            runTogether(i);
            shownAgain(i);
            bySound(i);
            overAThing(i);
            nothing(i);
            for (int node = inner; node < static_cast<int>(lattice_.from.size()); ++node) {
                lattice_.order.push_back(node);
            }
        }
        lattice_.order.push_back(lattice_.end());
        return std::move(lattice_);
    }

private:
    struct Piece {
        Part part;
        std::string words;
        int number = 0;
    };

    /// A chain of pieces over words [first, last).
    void add(std::size_t first, std::size_t last, const std::vector<Piece>& pieces, By by, double cost)
    {
        int from = static_cast<int>(first);
        for (std::size_t k = 0; k < pieces.size(); ++k) {
            int to = static_cast<int>(last);
            if (k + 1 < pieces.size()) {
                to = static_cast<int>(lattice_.from.size());
                lattice_.from.emplace_back();
                lattice_.pause.push_back(Pause::none);
            }
            lattice_.from[static_cast<std::size_t>(from)].push_back({to, pieces[k].part, by, pieces[k].words,
                pieces[k].number, k == 0 ? cost + pauseWithin(first, last) : 0.0, first, last});
            from = to;
        }
    }

    /// A phrase with a pause in it is hardly one.
    [[nodiscard]] double pauseWithin(std::size_t first, std::size_t last) const
    {
        double cost = 0.0;
        for (std::size_t i = first + 1; i < last; ++i) {
            const Pause pause = words_[i].pause;
            cost += pause == Pause::none  ? 0.0
                : pause == Pause::edge    ? 0.4
                : pause == Pause::comma   ? 0.7
                : pause == Pause::silence ? 4.0
                                          : 1.6;
        }
        return cost;
    }

    /// Digits stay digits, words words.
    static Piece gradePiece(int grade, bool digits = true)
    {
        return {Part::grade, digits ? std::to_string(grade) : said(grade), grade};
    }
    static Piece distancePiece(int metres, bool digits = true)
    {
        return {Part::distance, digits ? std::to_string(metres) : said(metres), metres};
    }

    [[nodiscard]] bool standsAt(std::size_t i, const std::vector<std::string>& phrase) const
    {
        return i + phrase.size() <= words_.size()
            && std::equal(phrase.begin(), phrase.end(), words_.begin() + static_cast<std::ptrdiff_t>(i),
                [](const std::string& word, const HeardWord& heard) { return word == heard.word; });
    }

    void phrases(std::size_t i)
    {
        if (known_[i] == nullptr) {
            return;
        }
        for (const LexiconEntry& entry : known_[i]->phrases) {
            const std::size_t n = entry.words.size();
            if (n > kLongestPhrase) {
                continue;
            }
            if (!standsAt(i, entry.words) || (entry.role == Role::chatter && entry.value == "go")) {
                continue;
            }
            const Part part = partOf(entry);
            const double longer = part >= Part::glue ? 0.0 : kLongerPhrase * static_cast<double>(n - 1);
            if (entry.role == Role::chatter && entry.value == "countdown") {
                add(i, i + n, {{Part::countdown, {}}}, By::word, 0.0);
                continue;
            }
            // however it was said, what joins two notes is written in one way
            const bool joins = part == Part::into || part == Part::and_;
            const bool into = entry.value == "into_thing"; // "into dip": mostly it joins
            const bool one_word = part == Part::relation && n == 1 && isRare(entry);
            const double rare = into ? 0.9 : one_word ? 1.0 : 0.0;
            if (into) {
                add(i, i + n, {{Part::into, "into"}}, By::word, longer);
            }
            add(i, i + n, {{part, joins ? (part == Part::into ? "into" : "and") : written(entry)}}, By::word,
                longer + rare);
        }
    }

    /// The words of a phrase; one word where it was cut in two ("hair pin").
    static std::string written(const LexiconEntry& entry)
    {
        std::string together;
        for (const std::string& word : entry.words) {
            together += word;
        }
        return entry.words.size() > 1 && together == entry.value ? together : joinWords(entry.words);
    }

    /// The crew's own words have the part of what they mean.
    void ownWords(std::size_t i)
    {
        for (const auto& [own, meaning] : style_.words) {
            const auto words = splitWords(lowerCase(own));
            if (words.empty() || !standsAt(i, words)) {
                continue;
            }
            const auto meant = splitWords(lowerCase(meaning));
            Part part = Part::glue;
            if (!meant.empty()) {
                const KnownWord* known = knownWord(meant.front());
                part = known == nullptr                                             ? Part::thing
                    : known->number_class == NumberClass::unit && known->number > 0 ? Part::named_grade
                    : known->phrases.empty()                                        ? Part::glue
                                             : partOf(known->phrases.front());
            }
            add(i, i + words.size(), {{part, joinWords(words)}}, By::word, -0.5);
        }
    }

    // --- numbers -----------------------------------------------------------------------------------

    [[nodiscard]] NumberClass classAt(std::size_t i) const
    {
        if (i >= words_.size()) {
            return NumberClass::none;
        }
        return isDigits(words_[i].word) ? NumberClass::digits
            : known_[i] == nullptr      ? NumberClass::none
                                        : known_[i]->number_class;
    }
    [[nodiscard]] int numberAt(std::size_t i) const
    {
        return isDigits(words_[i].word) ? valueOf(words_[i].word)
            : known_[i] == nullptr      ? 0
                                        : known_[i]->number;
    }

    void numbers(std::size_t i)
    {
        countdown(i);
        signedGrade(i);
        const NumberClass kind = classAt(i);
        if (kind == NumberClass::none) {
            const bool a = words_[i].word == "a" && classAt(i + 1) == NumberClass::hundred;
            if (a) {
                hundreds(i, i + 2, 100);
            }
            return;
        }
        const int value = numberAt(i);
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
        if (small && classAt(i + 1) == NumberClass::hundred) {
            hundreds(i, i + 2, 100 * value);
        }
        const NumberClass next = classAt(i + 1);
        const int rest = i + 1 < words_.size() ? numberAt(i + 1) : 0;
        const bool tens = next == NumberClass::ten || next == NumberClass::teen
            || (next == NumberClass::digits && words_[i + 1].word.size() == 2);
        if (small && tens && rest >= 10 && rest <= 99) { // "one fifty"
            single(i, i + 2, 100 * value + rest,
                (value <= 3 ? -0.1 : 0.8) + (kind == NumberClass::digits ? 0.3 : 0.0));
        }
        if (kind == NumberClass::ten && next == NumberClass::unit && rest > 0) { // "sixty five"
            single(i, i + 2, value + rest, 0.4);
        }
        // "right 31 50" is "right 3 150"
        if (kind == NumberClass::digits && words_[i].word.size() == 2 && value % 10 >= 1 && value % 10 <= 4
            && next == NumberClass::digits && words_[i + 1].word.size() == 2 && rest % 10 == 0) {
            add(i, i + 2, {gradePiece(value / 10), distancePiece(100 * (value % 10) + rest)}, By::split, 0.9);
        }
    }

    void single(std::size_t first, std::size_t last, int value, double cost)
    {
        const bool digits = isDigits(words_[first].word) && last == first + 1;
        if (value >= 1 && value <= 9) {
            add(first, last, {gradePiece(value, digits)}, By::word, cost);
            add(first, last, {{Part::count, gradePiece(value, digits).words, value}}, By::word, cost + 0.4);
        } else if (value >= 10) {
            add(first, last, {distancePiece(value, digits)}, By::word, cost + costOfDistance(value));
        }
    }

    /// "[one] hundred" ends before `next`: what may come after it.
    void hundreds(std::size_t first, std::size_t next, int value)
    {
        single(first, next, value, -0.1);
        std::size_t at = next;
        if (at < words_.size() && words_[at].word == "and") {
            ++at;
        }
        const NumberClass kind = classAt(at);
        if (kind == NumberClass::ten || kind == NumberClass::teen
            || (kind == NumberClass::digits && numberAt(at) >= 10 && numberAt(at) < 100)) {
            single(first, at + 1, value + numberAt(at), at > next ? -0.3 : -0.1);
        }
    }

    void swapTeen(std::size_t i, int value)
    {
        if (value >= 13 && value <= 19) { // "eighteen" is eighty
            add(i, i + 1, {distancePiece((value - 10) * 10, isDigits(words_[i].word))}, By::sound, 0.9);
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
            add(i, i + 1, {gradePiece(grade(0)), distancePiece(part(1, n - 1))}, By::split, 0.5);
        }
        if (n >= 3 && text[n - 1] != '0' && isUsualDistance(part(0, n - 1))) { // 603
            add(i, i + 1, {distancePiece(part(0, n - 1)), gradePiece(grade(n - 1))}, By::split, 0.6);
        }
        if (n >= 4 && text[1] != '0' && text[n - 1] != '0' && isUsualDistance(part(1, n - 2))) { // 4603
            add(i, i + 1, {gradePiece(grade(0)), distancePiece(part(1, n - 2)), gradePiece(grade(n - 1))},
                By::split, 1.0);
        }
        for (std::size_t cut = 2; cut + 2 <= n; ++cut) { // 10050
            if (text[cut] != '0' && isUsualDistance(part(0, cut)) && isUsualDistance(part(cut, n - cut))) {
                add(i, i + 1, {distancePiece(part(0, cut)), distancePiece(part(cut, n - cut))}, By::split,
                    0.6);
            }
        }
        if (n == 2 && text[1] != '0' && text[0] >= '2') { // 33: thirty, three
            add(i, i + 1, {distancePiece(10 * grade(0)), gradePiece(grade(1))}, By::split, 0.8);
        }
        if (n == 2 && text[1] != '0') {
            add(i, i + 1, {gradePiece(grade(0)), gradePiece(grade(1))}, By::split, 1.8);
        }
        if (n == 3 && text[2] != '0' && text[1] == '0') { // 105: a hundred, five
            add(i, i + 1, {distancePiece(100 * grade(0)), gradePiece(grade(2))}, By::split, 0.8);
        }
    }

    /// "3-", "4+"
    void signedGrade(std::size_t i)
    {
        const std::string& word = words_[i].word;
        if (word.size() != 2 || (word[1] != '-' && word[1] != '+') || !isDigit(word[0]) || word[0] == '0') {
            return;
        }
        add(i, i + 1, {gradePiece(word[0] - '0'), {Part::modifier, word[1] == '-' ? "minus" : "plus"}},
            By::word, 0.0);
        add(i, i + 1, {gradePiece(word[0] - '0')}, By::split, 2.0);
    }

    /// The number at `i`, or the one from one to ten that it sounds like; 0 where it is none.
    [[nodiscard]] int soundsLikeNumber(std::size_t i) const
    {
        if (i >= words_.size()) {
            return 0;
        }
        if (classAt(i) != NumberClass::none) {
            return numberAt(i);
        }
        constexpr double kAlike = 0.45;
        for (int number = 1; number <= 10; ++number) {
            if (phoneDistance(phones_[i], pronunciations_.of(said(number)), kAlike) <= kAlike) {
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
            add(i, end, {{Part::countdown, {}}}, By::word, 0.0);
            if (before == 1 && isAlone(end)) {
                add(end, end + 1, {{Part::go, {}}}, By::sound, kMisheard);
            }
        }
        if (words_[i].word == "go") {
            add(i, i + 1, {{Part::go, {}}}, By::word,
                i > 0 && classAt(i - 1) != NumberClass::none && numberAt(i - 1) == 1 ? 0.0 : 0.9);
        }
    }

    // --- what captions do to words ------------------------------------------------------------------

    /// "left5", "60right", "leftfour"
    void runTogether(std::size_t i)
    {
        const std::string& word = words_[i].word;
        if (word.size() < 3 || known_[i] != nullptr) {
            return;
        }
        for (std::size_t cut = 1; cut < word.size(); ++cut) {
            const auto head = pieceOf(word.substr(0, cut));
            const auto tail = pieceOf(word.substr(cut));
            if (!head.empty() && !tail.empty()) {
                auto pieces = head;
                pieces.insert(pieces.end(), tail.begin(), tail.end());
                const bool seam = isDigit(word[cut]) != isDigit(word[cut - 1]);
                add(i, i + 1, pieces, By::split, seam ? 0.2 : 1.0);
            }
        }
    }

    [[nodiscard]] static std::vector<Piece> pieceOf(const std::string& text)
    {
        if (isDigits(text)) {
            const int value = text.size() < 5 && text[0] != '0' ? valueOf(text) : 0;
            if (value >= 1 && value <= 9) {
                return {gradePiece(value)};
            }
            if (value >= 10 && isUsualDistance(value)) {
                return {distancePiece(value)};
            }
            return value >= 100 && isUsualDistance(valueOf(text.substr(1))) && text[1] != '0'
                ? std::vector{gradePiece(text[0] - '0'), distancePiece(valueOf(text.substr(1)))}
                : std::vector<Piece>{};
        }
        const KnownWord* known = text.size() >= 3 ? knownWord(text) : nullptr;
        if (known == nullptr) {
            return {};
        }
        if (known->number_class == NumberClass::unit && known->number > 0) {
            return {gradePiece(known->number, false)};
        }
        if (known->number_class == NumberClass::ten) {
            return {distancePiece(known->number, false)};
        }
        for (const LexiconEntry& entry : known->phrases) {
            if (entry.words.size() == 1 && partOf(entry) < Part::glue) {
                return {{entry.value == "into_thing" ? Part::into : partOf(entry), text}};
            }
        }
        return {};
    }

    [[nodiscard]] bool isEdge(std::size_t i) const { return notes::isEdge(words_[i].pause); }

    /// Words that stood there just before: repeated at the edge of a block, rolled on from it, or stuttered.
    void shownAgain(std::size_t i)
    {
        constexpr std::size_t kLongest = 24;
        const bool edge = isEdge(i);
        for (std::size_t n = 1; n <= std::min({kLongest, i, words_.size() - i}); ++n) {
            const auto here = words_.begin() + static_cast<std::ptrdiff_t>(i);
            const auto same = [](const HeardWord& a, const HeardWord& b) { return a.word == b.word; };
            if (!std::equal(here - static_cast<std::ptrdiff_t>(n), here, here, same)) {
                continue;
            }
            const bool number = classAt(i) != NumberClass::none && n == 1;
            // a block that begins with all of the one before, and goes on: captions that roll
            const bool rolls = edge && i + n < words_.size() && isEdge(i - n) && !isEdge(i + n);
            const double cost = rolls && n > 1 ? -1.5
                : edge                         ? (n == 1   ? (number ? 1.0 : 0.6)
                                                  : n == 2 ? 0.45
                                                           : -0.3)
                : n == 1                       ? (number ? 1.6 : 0.9)
                                               : 1.3;
            lattice_.from[i].push_back(
                {static_cast<int>(i + n), Part::again, By::shown_again, {}, 0, cost, i, i + n});
        }
    }

    void bySound(std::size_t i)
    {
        Phones phones;
        std::string stretch;
        double swallowed = 0.0;
        for (std::size_t n = 1; n <= kLongestSound && i + n <= words_.size(); ++n) {
            const std::size_t at = i + n - 1;
            if (isDigit(words_[at].word.front()) || (n > 1 && words_[at].pause >= Pause::stop_edge)) {
                return;
            }
            phones.insert(phones.end(), phones_[at].begin(), phones_[at].end());
            stretch += (n == 1 ? "" : " ") + words_[at].word;
            if (known_[at] != nullptr) {
                swallowed += isStrong(at) ? 1.0 : isGlue(at) ? 0.2 : 0.5;
            }
            if (phones.size() > 14) {
                return;
            }
            for (const SoundTargets::Near& near : targets_.nearest(stretch, phones)) {
                if (near.cost < SoundTargets::kSame + near.target->prior
                    && isExactly(i, i + n, near.target->part)) {
                    continue; // "dont cut" for "don't cut": another spelling
                }
                add(i, i + n, {{near.target->part, near.target->words, near.target->number}}, By::sound,
                    near.cost + swallowed);
            }
        }
    }

    [[nodiscard]] bool isExactly(std::size_t first, std::size_t last, Part part) const
    {
        return std::any_of(
            lattice_.from[first].begin(), lattice_.from[first].end(), [&](const Alternative& other) {
                return other.by == By::word && other.last == last && other.part == part;
            });
    }

    /// A word that carries notes: it is rarely another one misheard.
    [[nodiscard]] bool isStrong(std::size_t i) const
    {
        if (known_[i]->number_class != NumberClass::none) {
            return true;
        }
        return std::any_of(
            known_[i]->phrases.begin(), known_[i]->phrases.end(), [](const LexiconEntry& entry) {
                const Part part = partOf(entry);
                return entry.words.size() == 1
                    && (part == Part::left || part == Part::right || part == Part::named_grade
                        || part == Part::shape || part == Part::extent || part == Part::crest
                        || part == Part::into || part == Part::warning);
            });
    }

    [[nodiscard]] bool isGlue(std::size_t i) const
    {
        return std::all_of(known_[i]->phrases.begin(), known_[i]->phrases.end(),
            [](const LexiconEntry& entry) { return entry.words.size() > 1 || partOf(entry) >= Part::glue; });
    }

    /// "up a small crest", "above crest": little words before what one drives over are "over", whatever they
    /// were heard as; the less they sound like it the dearer.
    void overAThing(std::size_t i)
    {
        Phones phones;
        for (std::size_t n = 1; n <= 2 && i + n < words_.size(); ++n) {
            const std::size_t at = i + n - 1;
            if (!isLittle(at) || (n > 1 && words_[at].pause != Pause::none)) {
                return;
            }
            phones.insert(phones.end(), phones_[at].begin(), phones_[at].end());
            std::size_t next = i + n;
            if (isPart(next, Part::size) && next + 1 < words_.size()) {
                ++next;
            }
            if (isPart(next, Part::crest) && words_[next].pause == Pause::none) {
                constexpr double kFar = 3.0;
                const double d = phoneDistance(phones, pronunciations_.of("over"), kFar);
                add(i, i + n, {{Part::relation, "over"}}, By::sound, 0.5 + 0.5 * std::min(d, kFar));
            }
        }
    }

    /// A word that says nothing of the road by itself, or hardly does.
    [[nodiscard]] bool isLittle(std::size_t i) const
    {
        constexpr std::size_t kShort = 5; // phones
        if (phones_[i].size() > kShort || classAt(i) != NumberClass::none) {
            return false;
        }
        return known_[i] == nullptr || isGlue(i)
            || std::all_of(
                known_[i]->phrases.begin(), known_[i]->phrases.end(), [](const LexiconEntry& entry) {
                    return entry.words.size() > 1 || (partOf(entry) == Part::relation && isRare(entry))
                        || partOf(entry) >= Part::glue;
                });
    }
    [[nodiscard]] bool isPart(std::size_t i, Part part) const
    {
        return i < words_.size() && known_[i] != nullptr
            && std::any_of(known_[i]->phrases.begin(), known_[i]->phrases.end(),
                [&](const LexiconEntry& entry) { return entry.words.size() == 1 && partOf(entry) == part; });
    }
    /// A relation that is seldom said: "up", "off", "from".
    [[nodiscard]] static bool isRare(const LexiconEntry& entry) { return !isCommon(joinWords(entry.words)); }

    /// Always, so that no stretch has a dead end.
    void nothing(std::size_t i)
    {
        const bool of_language = classAt(i) != NumberClass::none
            || (known_[i] != nullptr
                && std::any_of(
                    known_[i]->phrases.begin(), known_[i]->phrases.end(), [](const LexiconEntry& entry) {
                        return entry.words.size() == 1 && partOf(entry) < Part::glue;
                    }));
        lattice_.from[i].push_back({static_cast<int>(i + 1), of_language ? Part::skipped : Part::unknown,
            By::nothing, {}, 0, 0.0, i, i + 1});
    }

    std::span<const HeardWord> words_;
    const Style& style_;
    const Pronunciations& pronunciations_;
    SoundTargets& targets_;
    Lattice lattice_;
    std::vector<Phones> phones_;
    std::vector<const KnownWord*> known_;
};

} // namespace

Lattice alternativesOf(
    std::span<const HeardWord> words, const Style& style, const Pronunciations& pronunciations)
{
    return Builder(words, style, pronunciations).build();
}

} // namespace brumefall::notes
