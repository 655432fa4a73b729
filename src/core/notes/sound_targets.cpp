#include "notes/sound_targets.h"

#include "notes/lexicon_words.h"
#include "notes/spoken.h"
#include "notes/text.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <set>
#include <string_view>
#include <utility>

namespace brumefall::notes {
namespace {

constexpr std::size_t kMostNear = 5; ///< alternatives of one stretch
constexpr double kOver = -0.5; ///< the commonest relation, and the one most often misheard

std::string said(int number)
{
    return sayNumber(number, HundredsSaid::short_form);
}

constexpr std::array<std::string_view, 105> kCommon{"left", "right", "one", "two", "three", "four", "five",
    "six", "hairpin", "open hairpin", "tight hairpin", "square", "acute", "kink", "flat", "slight", "medium",
    "fast", "easy", "plus", "minus", "long", "short", "very long", "extra long", "half long", "tightens",
    "opens", "late", "don't cut", "no cut", "not cut", "cut", "small cut", "big cut", "keep in", "keep out",
    "keep left", "keep right", "keep middle", "over", "through", "past", "around", "inside", "outside",
    "on exit", "at", "onto gravel", "onto tarmac", "before", "after", "exit", "under", "crest", "jump",
    "bump", "dip", "bridge", "gate", "bale", "water", "ditch", "tree", "rock", "wall", "barn", "house",
    "logs", "post", "small", "big", "unseen", "blind", "gravel", "tarmac", "slippery", "loose", "narrow",
    "wide", "bumpy", "camber", "bad camber", "downhill", "uphill", "junction", "chicane", "turn", "into",
    "and", "caution", "danger", "care", "slow", "brake", "maybe", "finish", "flying finish", "stop",
    "straight", "continues", "to", "over crest", "tidy", "sudden"};

void addPhrase(std::vector<SaidPhrase>& phrases, Part part, const std::string& phrase, int number)
{
    const bool common = isCommon(phrase) || number > 0;
    if ((part == Part::into || part == Part::and_) && phrase != "and" && phrase != "into") {
        return; // the same, said longer
    }
    auto words = splitWords(phrase);
    if (part >= Part::glue || part == Part::instruction || part == Part::here || part == Part::correction
        || part == Part::start || phrase.size() < 2 || (!common && words.size() > 2)) {
        return;
    }
    phrases.push_back({part, std::move(words), number, common});
}

std::vector<SaidPhrase> phrasesOfTheLanguage()
{
    std::vector<SaidPhrase> phrases;
    addPhrase(phrases, Part::cut, "don't cut", 0); // of several spellings the first is written
    for (const std::string& phrase : knownPhrases()) {
        const auto words = splitWords(phrase);
        const KnownWord* known = knownWord(words.front());
        for (const LexiconEntry& entry : known->phrases) {
            if (joinWords(entry.words) == phrase) {
                addPhrase(phrases, partOf(entry), phrase, 0);
            }
        }
    }
    for (int grade = 1; grade <= 9; ++grade) {
        addPhrase(phrases, Part::grade, said(grade), grade);
    }
    for (const int metres :
        {20, 30, 40, 50, 60, 70, 80, 90, 100, 110, 120, 130, 140, 150, 160, 180, 200, 250, 300}) {
        addPhrase(phrases, Part::distance, said(metres), metres);
    }
    addPhrase(phrases, Part::distance, "hundred", 100);
    addPhrase(phrases, Part::into, "into", 0);
    // of two that sound the same the usual one is meant: "hairpin", not "hair pin"
    std::stable_partition(
        phrases.begin(), phrases.end(), [](const SaidPhrase& phrase) { return phrase.common; });
    return phrases;
}

/// What it costs to be rare.
double priorOf(const SaidPhrase& phrase, const std::string& words)
{
    constexpr double kRare = 1.1;
    constexpr double kCrest = -0.25; // the commonest thing
    constexpr int kFastest = 6; // of most crews
    const bool rare_grade = phrase.part == Part::grade && phrase.number > kFastest;
    // "on two": rarely said, but often heard as that
    const bool common = (phrase.common && !rare_grade) || words == "onto";
    return words == "over" ? kOver : words == "crest" ? kCrest : common ? 0.0 : kRare;
}

} // namespace

bool isCommon(const std::string& words)
{
    return std::find(kCommon.begin(), kCommon.end(), words) != kCommon.end();
}

const std::vector<SaidPhrase>& usualPhrases()
{
    static const std::vector<SaidPhrase> phrases = phrasesOfTheLanguage();
    return phrases;
}

SoundTargets::SoundTargets(const Pronunciations& pronunciations)
{
    std::set<std::pair<Part, Phones>> sounds;
    for (const SaidPhrase& phrase : usualPhrases()) {
        const std::string said_as = joinWords(phrase.words);
        SoundTarget target{phrase.part, said_as, phrase.number, {}, {}, priorOf(phrase, said_as), 0};
        for (const std::string& word : phrase.words) {
            const Phones& phones = pronunciations.of(word);
            target.phones.insert(target.phones.end(), phones.begin(), phones.end());
        }
        for (const WeakForm& form : weakForms()) {
            SoundTarget weak = target;
            weak.phones = phonesOf(form.phones);
            if (form.word == said_as && sounds.insert({weak.part, weak.phones}).second) {
                targets_.push_back(std::move(weak));
            }
        }
        const bool told_apart = target.phones.size() >= (phrase.common ? 2U : 4U);
        if (told_apart && sounds.insert({target.part, target.phones}).second) { // "dont cut" is "don't cut"
            targets_.push_back(std::move(target));
        }
    }
    for (const char* thing : {"crest", "jump", "brow"}) { // "overpriced", "all dressed", "over brown"
        SoundTarget target{Part::crest, thing, 0, "over", pronunciations.of("over"), kOver, 0};
        const Phones& phones = pronunciations.of(thing);
        target.phones.insert(target.phones.end(), phones.begin(), phones.end());
        targets_.push_back(std::move(target));
    }
    std::stable_sort(targets_.begin(), targets_.end(),
        [](const SoundTarget& a, const SoundTarget& b) { return a.phones < b.phones; });
    for (std::size_t k = 1; k < targets_.size(); ++k) {
        const Phones& before = targets_[k - 1].phones;
        Phones& phones = targets_[k].phones;
        const auto apart = std::mismatch(before.begin(), before.end(), phones.begin(), phones.end());
        targets_[k].shared = static_cast<std::size_t>(apart.first - before.begin());
    }
}

const std::vector<SoundTargets::Near>& SoundTargets::nearest(const std::string& stretch, const Phones& phones)
{
    constexpr std::size_t kMostKept = 50'000;
    if (near_.size() > kMostKept) {
        near_.clear();
    }
    const auto [it, fresh] = near_.try_emplace(stretch);
    if (!fresh) {
        return it->second;
    }
    auto& found = it->second;
    if (phones.size() < 2) {
        return found;
    }
    constexpr double kFarthest = 2.2;
    PhoneDistance distance(phones);
    std::size_t set = 0; // phones that `distance` holds of the target
    bool too_far = false; // already with those
    for (const SoundTarget& target : targets_) {
        if (target.shared < set) {
            set = target.shared;
            too_far = false;
        }
        const auto n = static_cast<double>(target.phones.size());
        const auto difference = std::abs(static_cast<double>(phones.size()) - n);
        if (too_far || difference > 0.5 * n + 1.0 || target.isWritten(stretch)) {
            continue;
        }
        while (set < target.phones.size() && !too_far) {
            too_far = distance.set(set, target.phones[set]) > kFarthest;
            ++set;
        }
        if (too_far) {
            continue;
        }
        const double d = distance.to(target.phones.size());
        if (d <= std::min(0.5 * n, kFarthest)) {
            found.push_back({&target, kAlike + 1.4 * d + 1.9 * d / n + target.prior});
        }
    }
    std::stable_sort(
        found.begin(), found.end(), [](const Near& a, const Near& b) { return a.cost < b.cost; });
    if (found.size() > kMostNear) {
        found.resize(kMostNear);
    }
    return found;
}

SoundTargets& Pronunciations::targets() const
{
    if (kept_.targets == nullptr) {
        kept_.targets = std::make_shared<SoundTargets>(*this);
    }
    return *kept_.targets;
}

} // namespace brumefall::notes
