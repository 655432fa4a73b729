#include "notes/lattice.h"

#include "notes/lattice_growth.h"
#include "notes/lexicon_words.h"
#include "notes/number_alternatives.h"
#include "notes/sound_targets.h"
#include "notes/text.h"

#include <algorithm>

namespace brumefall::notes {
namespace {

constexpr double kLongerPhrase = -0.25; ///< for each further word of an exact phrase
constexpr std::size_t kLongestPhrase = 6;
constexpr std::size_t kLongestSound = 3; ///< words that may be one word misheard

class Builder {
public:
    Builder(std::span<const HeardWord> words, const Style& style, const Pronunciations& pronunciations)
        : words_(words)
        , style_(style)
        , pronunciations_(pronunciations)
        , targets_(pronunciations.targets())
        , growth_(words, pronunciations)
        , somebody_typed_(didSomebodyType(words))
    {
    }

    Lattice build()
    {
        for (std::size_t i = 0; i < words_.size(); ++i) {
            phrases(i);
            ownWords(i);
            addNumbers(growth_, pronunciations_, i);
            runTogether(i);
            cutInTwo(i);
            alsoMeans(i);
            writtenShort(i);
            spelled(i);
            shownAgain(i);
            stuttered(i);
            bySound(i);
            overAThing(i);
            chicaneOf(i);
            forSoLong(i);
            nothing(i);
            growth_.endWord(i);
        }
        return growth_.finish();
    }

private:
    void phrases(std::size_t i)
    {
        if (growth_.known(i) == nullptr) {
            return;
        }
        for (const LexiconEntry& entry : growth_.known(i)->phrases) {
            const std::size_t n = entry.words.size();
            if (n > kLongestPhrase) {
                continue;
            }
            if (!growth_.standsAt(i, entry.words) || (entry.role == Role::chatter && entry.value == "go")) {
                continue;
            }
            const Part part = partOf(entry);
            const double longer = part >= Part::glue ? 0.0 : kLongerPhrase * static_cast<double>(n - 1);
            if (entry.role == Role::chatter && entry.value == "countdown") {
                growth_.add(i, i + n, {{Part::countdown, {}}}, By::word, 0.0);
                continue;
            }
            // however it was said, what joins two notes is written in one way
            const bool joins = part == Part::into || part == Part::and_;
            const bool into = entry.value == "into_thing"; // "into dip": mostly it joins
            const bool one_word = n == 1 && isRare(entry);
            constexpr double kFor = 1.2; // "opens for": no number follows, so it is one
            const bool four = entry.role == Role::for_ && growth_.classAt(i + n) == NumberClass::none
                && !isCornerAt(i + n); // "over bump for right three"
            constexpr double kRelation = 1.0; // "up", "off"
            constexpr double kBeforeCrest = 1.0; // "up a crest": one goes over a crest
            constexpr double kSeen = 2.0; // mostly "unseen"
            const double rare = into               ? 0.9
                : one_word && isRelation(part)     ? kRelation + (isBeforeCrest(i + n) ? kBeforeCrest : 0.0)
                : one_word && part == Part::unseen ? kSeen
                : four                             ? kFor
                                                   : 0.0;
            if (into) {
                growth_.add(i, i + n, {{Part::into, "into"}}, By::word, longer);
            }
            constexpr double kTarget = 0.5;
            if (into && i > 0 && isPart(i - 1, Part::shape)) { // "opens into a long five"
                growth_.add(i, i + n, {{Part::to, "into"}}, By::word, kTarget);
            }
            growth_.add(i, i + n, {{part, joins ? (part == Part::into ? "into" : "and") : written(entry)}},
                By::word, longer + rare);
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
            if (words.empty() || !growth_.standsAt(i, words)) {
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
            growth_.add(i, i + words.size(), {{part, joinWords(words)}}, By::word, -0.5);
        }
    }

    /// "slow right": a word that can be something else, too.
    void alsoMeans(std::size_t i)
    {
        for (const SecondMeaning& also : secondMeanings()) {
            if (!also.word.starts_with(words_[i].word)) {
                continue;
            }
            const auto words = splitWords(also.word);
            if (growth_.standsAt(i, words) && !isWithinPhrase(i)) {
                growth_.add(i, i + words.size(),
                    {{partOf({{}, also.role, std::string(also.written)}), std::string(also.written)}},
                    also.written == also.word || also.role == Role::joiner ? By::word : By::split, also.cost);
            }
        }
    }

    /// "keep in": no "in" of its own.
    [[nodiscard]] bool isWithinPhrase(std::size_t i) const
    {
        return i > 0
            && growth_.isPhraseAt(i - 1, [](const LexiconEntry& entry) { return entry.words.size() > 1; });
    }

    /// "dc", "hpl": no recogniser writes a word without a vowel. "slip" and "fin" are words, too.
    [[nodiscard]] static bool isTyped(std::string_view word)
    {
        return word.find_first_of("aeiouy") == std::string_view::npos;
    }
    [[nodiscard]] static bool didSomebodyType(std::span<const HeardWord> words)
    {
        return std::any_of(words.begin(), words.end(), [](const HeardWord& heard) {
            const KnownWord* known = heard.word.size() > 1 ? knownWord(heard.word) : nullptr;
            return known != nullptr && !known->short_for.empty() && isTyped(heard.word);
        });
    }

    /// "dc", "cr": captions that somebody typed.
    void writtenShort(std::size_t i)
    {
        const KnownWord* word = knownWord(words_[i].word);
        if (word != nullptr && (isTyped(words_[i].word) || somebody_typed_)) {
            meantBy(*word, i, i + 1);
        }
    }

    /// "d c": said letter by letter.
    void spelled(std::size_t i)
    {
        constexpr std::size_t kLongestAbbreviation = 3;
        std::string letters;
        for (std::size_t j = i; j < std::min(i + kLongestAbbreviation, words_.size()); ++j) {
            const bool letter = words_[j].word.size() == 1 && !isDigit(words_[j].word.front());
            if (!letter || (j > i && words_[j].pause != Pause::none)) {
                return;
            }
            letters += words_[j].word;
            const KnownWord* word = j > i ? knownWord(letters) : nullptr;
            if (word != nullptr) {
                meantBy(*word, i, j + 1);
            }
        }
    }

    /// The words that the abbreviation at words `first` to `last` is short for.
    void meantBy(const KnownWord& abbreviation, std::size_t first, std::size_t last)
    {
        constexpr double kCost = 0.3;
        if (abbreviation.short_for.empty()) {
            return;
        }
        std::vector<Piece> pieces;
        for (auto rest = std::span<const std::string>(abbreviation.short_for); !rest.empty();) {
            const LexiconEntry* entry = longestPhrase(rest);
            if (entry == nullptr) {
                return;
            }
            pieces.push_back({partOf(*entry), joinWords(entry->words)});
            rest = rest.subspan(entry->words.size());
        }
        growth_.add(first, last, pieces, By::split, kCost);
    }

    /// "in side", "out side": a word of the notes that was written as two.
    void cutInTwo(std::size_t i)
    {
        if (i + 1 >= words_.size()
            || (words_[i + 1].pause != Pause::none && words_[i + 1].pause != Pause::edge)) {
            return;
        }
        const KnownWord* known = knownWord(words_[i].word + words_[i + 1].word);
        if (known == nullptr) {
            return;
        }
        constexpr double kArticle = 1.5; // "to a long four"
        const double cost = kLongerPhrase + (isArticle(i) ? kArticle : 0.0);
        for (const LexiconEntry& entry : known->phrases) {
            if (entry.words.size() == 1 && partOf(entry) < Part::glue) {
                growth_.add(i, i + 2, {{partOf(entry), entry.words.front()}}, By::split, cost);
            }
        }
    }

    /// "left5", "60right", "leftfour"
    void runTogether(std::size_t i)
    {
        const std::string& word = words_[i].word;
        if (word.size() < 2 || growth_.known(i) != nullptr) {
            return;
        }
        for (std::size_t cut = 1; cut < word.size(); ++cut) {
            const bool seam = isDigit(word[cut]) != isDigit(word[cut - 1]);
            const auto head = pieceOf(word.substr(0, cut), seam);
            const auto tail = pieceOf(word.substr(cut), seam);
            if (!head.empty() && !tail.empty()) {
                auto pieces = head;
                pieces.insert(pieces.end(), tail.begin(), tail.end());
                growth_.add(i, i + 1, pieces, By::split, seam ? 0.2 : 1.0);
            }
        }
    }

    /// `brief` where a side may be one letter: "r4", "3-l".
    [[nodiscard]] static std::vector<Piece> pieceOf(const std::string& text, bool brief)
    {
        if (brief && (text == "l" || text == "r")) {
            return {text == "l" ? Piece{Part::left, "left"} : Piece{Part::right, "right"}};
        }
        if (auto signed_grade = signedGradePieces(text); !signed_grade.empty()) {
            return signed_grade;
        }
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
            const bool number = growth_.classAt(i) != NumberClass::none && n == 1;
            // "left four here": said again on purpose
            const bool echo = words_[i].pause >= Pause::stop_edge && isEchoAt(i + n);
            // a block that begins with all of the one before, and goes on: captions that roll
            const bool rolls = edge && !echo && i + n < words_.size() && isEdge(i - n) && !isEdge(i + n);
            // "left hairpin 200", and long after it the same: another corner
            const double whole = words_[i].pause == Pause::silence ? 1.3 : -0.3;
            const double cost = rolls && n > 1 ? -1.5
                : edge && !echo                ? (n == 1 ? (number ? 1.0 : 0.6)
                                         : n == 2        ? 0.45
                                                         : whole)
                : n == 1                       ? (number ? 1.6 : 0.9)
                                               : 1.3;
            growth_.add(i, {static_cast<int>(i + n), Part::again, By::shown_again, {}, 0, cost, i, i + n});
        }
    }

    [[nodiscard]] bool isEchoAt(std::size_t i) const
    {
        return growth_.isPhraseAt(i, [](const LexiconEntry& entry) { return partOf(entry) == Part::here; });
    }

    /// "don't, don't cut", "left, uh, left three": the first of the two was only begun.
    void stuttered(std::size_t i)
    {
        constexpr double kCost = 1.1;
        constexpr std::size_t kLongest = 3;
        const auto begun = [&](std::size_t last, double cost) {
            growth_.add(i, {static_cast<int>(last), Part::again, By::shown_again, {}, 0, cost, i, last});
        };
        const auto standsAgain = [&](std::size_t n, std::size_t at) {
            const auto here = words_.begin() + static_cast<std::ptrdiff_t>(i);
            return at + n <= words_.size()
                && std::equal(here, here + static_cast<std::ptrdiff_t>(n),
                    words_.begin() + static_cast<std::ptrdiff_t>(at),
                    [](const HeardWord& a, const HeardWord& b) { return a.word == b.word; });
        };
        // not where the word ends what was said before, and is shown again
        const bool phrase =
            growth_.isPhraseAt(i + 1, [](const LexiconEntry& entry) { return entry.words.size() > 1; });
        if (phrase && standsAgain(1, i + 1) && growth_.classAt(i) == NumberClass::none) {
            begun(i + 1, kCost);
        }
        for (std::size_t n = 1; n <= kLongest && i + n < words_.size(); ++n) {
            if (isHesitation(i + n) && standsAgain(n, i + n + 1)) {
                begun(i + n + 1, kCost);
            }
        }
    }

    /// "uh", "yeah": nothing but a pause with a voice in it.
    [[nodiscard]] bool isHesitation(std::size_t i) const
    {
        const KnownWord* known = growth_.known(i);
        return known != nullptr && known->number_class == NumberClass::none
            && std::any_of(known->phrases.begin(), known->phrases.end(), [](const LexiconEntry& entry) {
                   return entry.words.size() == 1 && entry.role == Role::chatter && entry.value != "go"
                       && entry.value != "countdown";
               });
    }

    void bySound(std::size_t i)
    {
        Phones phones;
        std::string stretch;
        double swallowed = 0.0; // with the words that the target has, too
        // "tight ends": two words that sound nearly as one so long are that one
        constexpr std::size_t kLong = 6;
        constexpr double kNearlySame = SoundTargets::kAlike + 1.0;
        constexpr double kOfNoChance = 0.3;
        for (std::size_t n = 1; n <= kLongestSound && i + n <= words_.size(); ++n) {
            const std::size_t at = i + n - 1;
            const bool digit = isDigit(words_[at].word.front()); // "in 2": it joins
            if ((digit && (n == 1 || words_[at].word.size() > 1))
                || (n > 1 && words_[at].pause >= Pause::stop_edge)) {
                return;
            }
            phones.insert(phones.end(), growth_.phones(at).begin(), growth_.phones(at).end());
            stretch += (n == 1 ? "" : " ") + words_[at].word;
            swallowed += swallowing(at);
            if (phones.size() > 14) {
                return;
            }
            for (const SoundTargets::Near& near : targets_.nearest(stretch, phones)) {
                if (isExactly(i, i + n, *near.target, near.cost < SoundTargets::kSame + near.target->prior)) {
                    continue; // "dont cut" for "don't cut": another spelling
                }
                const bool no_chance = n > 1 && phones.size() >= kLong && near.cost < kNearlySame;
                growth_.add(i, i + n, piecesOf(*near.target), By::sound,
                    near.cost + (no_chance ? kOfNoChance : 1.0) * (swallowed - kept(i, i + n, *near.target)));
            }
        }
    }

    /// What it costs to take a known word for a part of another.
    [[nodiscard]] double swallowing(std::size_t i) const
    {
        constexpr double kSide = 1.6; // what one hears best
        return growth_.known(i) == nullptr ? 0.0
            : isSide(i)                    ? kSide
            : isStrong(i)                  ? 1.0
            : isGlue(i)                    ? 0.2
                                           : 0.5;
    }

    /// "done cut" for "don't cut": a word that stands in both is not swallowed.
    [[nodiscard]] double kept(std::size_t first, std::size_t last, const SoundTarget& target) const
    {
        const auto has = splitWords(target.words);
        double cost = 0.0;
        for (std::size_t i = first; i < last && has.size() > 1; ++i) {
            cost += std::find(has.begin(), has.end(), words_[i].word) != has.end() ? swallowing(i) : 0.0;
        }
        return cost;
    }

    [[nodiscard]] static std::vector<Piece> piecesOf(const SoundTarget& target)
    {
        std::vector<Piece> pieces;
        if (!target.before.empty()) {
            pieces.push_back({Part::relation, target.before});
        }
        pieces.push_back({target.part, target.words, target.number});
        return pieces;
    }

    /// Whether these words are written as the same part, and mean the same or sound the same.
    [[nodiscard]] bool isExactly(
        std::size_t first, std::size_t last, const SoundTarget& target, bool sounds_same) const
    {
        return std::any_of(
            growth_.from(first).begin(), growth_.from(first).end(), [&](const Alternative& other) {
                return other.by == By::word && other.last == last && other.part == target.part
                    && (sounds_same || meansTheSame(other.words, target.words));
            });
    }

    /// A word that carries notes: it is rarely another one misheard.
    [[nodiscard]] bool isStrong(std::size_t i) const
    {
        if (growth_.known(i)->number_class != NumberClass::none) {
            return true;
        }
        return std::any_of(growth_.known(i)->phrases.begin(), growth_.known(i)->phrases.end(),
            [](const LexiconEntry& entry) {
                const Part part = partOf(entry);
                return entry.words.size() == 1
                    && (part == Part::left || part == Part::right || part == Part::named_grade
                        || part == Part::shape || part == Part::extent || part == Part::crest
                        || part == Part::into || part == Part::warning);
            });
    }

    [[nodiscard]] bool isGlue(std::size_t i) const
    {
        return std::all_of(growth_.known(i)->phrases.begin(), growth_.known(i)->phrases.end(),
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
            phones.insert(phones.end(), growth_.phones(at).begin(), growth_.phones(at).end());
            std::size_t next = i + n;
            if (isArticle(next)) { // "of the crest"
                ++next;
            }
            if (isPart(next, Part::size) && next + 1 < words_.size()) {
                ++next;
            }
            if (isPart(next, Part::crest) && words_[next].pause == Pause::none) {
                constexpr double kFar = 3.0;
                const double d = phoneDistance(phones, pronunciations_.of("over"), kFar);
                growth_.add(i, i + n, {{Part::relation, "over"}}, By::sound, 0.5 + 0.5 * std::min(d, kFar));
            }
        }
    }

    /// "bale chicane", "two bale chicane": what a chicane is made of.
    void chicaneOf(std::size_t i)
    {
        const std::size_t thing = growth_.classAt(i) == NumberClass::none ? i : i + 1;
        if (thing + 1 < words_.size() && growth_.numberAt(i) < 10 && isPart(thing, Part::thing)
            && isPart(thing + 1, Part::chicane) && words_[thing + 1].pause == Pause::none) {
            std::vector<std::string> words;
            for (std::size_t w = i; w < thing + 2; ++w) {
                words.push_back(words_[w].word);
            }
            growth_.add(i, thing + 2, {{Part::chicane, joinWords(words)}}, By::word,
                kLongerPhrase * static_cast<double>(thing + 1 - i));
        }
    }

    /// "long for 100, tightens": how far it is so, and no distance to the next note.
    void forSoLong(std::size_t i)
    {
        constexpr int kShortest_m = 20;
        if (i > 0 && isPart(i + 2, Part::shape) && words_[i].word == "for"
            && growth_.numberAt(i + 1) >= kShortest_m
            && (isPart(i - 1, Part::extent) || isPart(i - 1, Part::attribute))) {
            growth_.add(i, i + 2, {{Part::attribute, "for " + words_[i + 1].word}}, By::word, kLongerPhrase);
        }
    }

    [[nodiscard]] bool isSide(std::size_t i) const { return isPart(i, Part::left) || isPart(i, Part::right); }

    /// A side, and its number.
    [[nodiscard]] bool isCornerAt(std::size_t i) const
    {
        return isSide(i) && i + 1 < words_.size() && growth_.classAt(i + 1) != NumberClass::none;
    }

    /// An article, perhaps, and a crest.
    [[nodiscard]] bool isBeforeCrest(std::size_t i) const
    {
        const bool article = i < words_.size() && growth_.known(i) != nullptr && isGlue(i);
        return isPart(article ? i + 1 : i, Part::crest);
    }

    [[nodiscard]] bool isArticle(std::size_t i) const
    {
        return i + 1 < words_.size() && (words_[i].word == "the" || words_[i].word == "a");
    }

    /// A word that says nothing of the road by itself, or hardly does.
    [[nodiscard]] bool isLittle(std::size_t i) const
    {
        constexpr std::size_t kShort = 5; // phones
        if (growth_.phones(i).size() > kShort || growth_.classAt(i) != NumberClass::none) {
            return false;
        }
        return growth_.known(i) == nullptr || isGlue(i)
            || std::all_of(growth_.known(i)->phrases.begin(), growth_.known(i)->phrases.end(),
                [](const LexiconEntry& entry) {
                    return entry.words.size() > 1 || (isRelation(partOf(entry)) && isRare(entry))
                        || partOf(entry) >= Part::glue;
                });
    }
    [[nodiscard]] bool isPart(std::size_t i, Part part) const
    {
        return growth_.isPhraseAt(
            i, [&](const LexiconEntry& entry) { return entry.words.size() == 1 && partOf(entry) == part; });
    }
    /// A relation that is seldom said: "up", "off", "from".
    [[nodiscard]] static bool isRare(const LexiconEntry& entry) { return !isCommon(joinWords(entry.words)); }

    /// Always, so that no stretch has a dead end.
    void nothing(std::size_t i)
    {
        const bool of_language = growth_.classAt(i) != NumberClass::none
            || (growth_.known(i) != nullptr
                && std::any_of(growth_.known(i)->phrases.begin(), growth_.known(i)->phrases.end(),
                    [](const LexiconEntry& entry) {
                        return entry.words.size() == 1 && partOf(entry) < Part::glue;
                    }));
        growth_.add(i,
            {static_cast<int>(i + 1), of_language ? Part::skipped : Part::unknown, By::nothing, {}, 0, 0.0, i,
                i + 1});
    }

    std::span<const HeardWord> words_;
    const Style& style_;
    const Pronunciations& pronunciations_;
    SoundTargets& targets_;
    LatticeGrowth growth_;
    bool somebody_typed_;
};

} // namespace

Lattice alternativesOf(
    std::span<const HeardWord> words, const Style& style, const Pronunciations& pronunciations)
{
    return Builder(words, style, pronunciations).build();
}

} // namespace brumefall::notes
